"""A coat on clear matter, from both sides: against the sum over all four faces of a lacquered pane, and the furnace."""

import numpy as np
import pytest

from photometra.instruments import measured
from photometra.optics import fresnel_dielectric
from photometra.surface import Surface
from photometra.surface.compile import compile_surface
from photometra.tracing import Rendering, Scene, uniform_environment

GLASS = {"transmission": 1.0, "roughness": 0.0, "ior": 1.52, "coat.amount": 1.0, "coat.ior": 1.7, "coat.roughness": 0.0}
ALL_AROUND = Scene(uniform_environment(), stage=False)


def pane(coat_ior, ior, once):
    """(reflected, let through) at normal incidence of a pane with a coat on either side, by adding layer to layer."""
    a, b = (float(fresnel_dielectric(1.0, n)) for n in (coat_ior, ior / coat_ior))
    layers = [(a, 1.0 - a, 1.0), (b, 1.0 - b, once), (b, 1.0 - b, 1.0), (a, 1.0 - a, once)]
    front, back, through = 0.0, 0.0, 1.0
    for r, t, before in layers:
        # What the stack so far sends back from its own far side, and what this face adds behind what lies before it.
        r, t, near = r * before**2, t * before, r
        again = 1.0 / (1.0 - back * r)
        front, through, back = (
            front + through**2 * r * again, through * t * again, near + t**2 * back * again,
        )  # fmt: skip
    return front, through


@pytest.mark.parametrize("white", [1.0, 0.4])
def test_a_lacquered_pane_reads_as_the_sum_over_its_faces(white):
    surface = Surface({**GLASS, "coat.colour": (white,) * 3})
    _, through = pane(1.7, 1.52, np.sqrt(white))
    read = measured("transmissometer", surface, thickness_mm=3.0)
    assert read.columns["total"] == pytest.approx(through, abs=2e-4)
    assert read.columns["regular"] == pytest.approx(through, abs=1e-3)


def middle(surface):
    """What the middle of a ball sends to us with white all around: what it reflects and lets through."""
    rendering = Rendering(compile_surface(surface), ALL_AROUND, 9, 9)
    rendering.add(3000)
    return rendering.picture()[3:6, 3:6].mean(axis=(0, 1))


def test_the_tracer_passes_a_coat_on_the_way_in_and_out():
    for white in (1.0, 0.4):
        surface = Surface({**GLASS, "coat.colour": (white,) * 3})
        assert middle(surface) == pytest.approx(np.full(3, sum(pane(1.7, 1.52, np.sqrt(white)))), abs=0.02)


def test_a_clear_coat_on_clear_glass_loses_no_light_in_the_furnace():
    for roughness, coat_roughness in ((0.0, 0.0), (0.0, 0.3), (0.3, 0.0)):
        surface = Surface({**GLASS, "roughness": roughness, "coat.roughness": coat_roughness})
        rendering = Rendering(compile_surface(surface), ALL_AROUND, 32, 32)
        rendering.add(200)
        assert rendering.picture().mean() == pytest.approx(1.0, abs=0.01)
