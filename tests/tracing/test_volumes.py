"""Light that wanders: against Chandrasekhar's half-space, in the furnace, and by the instruments' own numbers."""

import numpy as np
import pytest

from photometra.colour import sensor_matrix
from photometra.instruments import directional_albedo
from photometra.optics.halfspace import directional_reflectance
from photometra.optics.phase import scattered
from photometra.surface import Surface
from photometra.surface.bank import compile_measured
from photometra.surface.compile import compile_surface
from photometra.tracing import Camera, Limits, Rendering, Scene, uniform_environment

FAR = Limits(reflection=1024, transmission=4096, volume=200_000)


def facing(surface, radius, samples, limits=FAR, seed=3):
    """Mean colour seen straight on, in the furnace: what a surface gives back of light along its normal."""
    # So long a lens sees a seventieth of the radius: all of it straight on, to a cosine of 0.9999.
    scene = Scene(uniform_environment(), stage=False, radius=radius, camera=Camera(focal_mm=6875.0, rise=0.0))
    rendering = Rendering(compile_surface(surface), scene, 48, 48, seed, limits)
    rendering.add(samples)
    return rendering


@pytest.mark.long
@pytest.mark.parametrize(("single", "samples"), [(0.3, 400), (0.8, 200), (0.95, 120), (0.999, 50)])
def test_a_deep_medium_is_chandrasekhars_half_space(single, samples):
    s = Surface({
        "ior": 1.0, "roughness": 0.0, "transmission": 1.0,
        "interior.scatter": (single,) * 3, "interior.absorption": (1.0 - single,) * 3,
    })  # fmt: skip
    seen = facing(s, 3000.0, samples).picture().reshape(-1, 3).mean(axis=0) @ [0.2126, 0.7152, 0.0722]
    assert seen == pytest.approx(float(directional_reflectance(single, 0.9999)), rel=5e-3)


@pytest.mark.parametrize("asymmetry", [0.0, 0.8, -0.5])
@pytest.mark.parametrize("ior", [1.0, 1.5])
def test_scattering_alone_loses_no_light(asymmetry, ior):
    s = Surface({
        "ior": ior, "roughness": 0.2, "transmission": 1.0,
        "interior.scatter": (0.3, 0.2, 0.1), "interior.asymmetry": asymmetry,
    })  # fmt: skip
    scene = Scene(uniform_environment(), stage=False, radius=10.0)
    rendering = Rendering(compile_surface(s), scene, 40, 40, 2, FAR)
    rendering.add(60)
    assert rendering.picture().reshape(-1, 3).mean(axis=0) == pytest.approx(np.ones(3), abs=1e-2)
    assert rendering.energy_cut() < 1e-3


def test_a_white_subsurface_loses_nothing_and_black_takes_all_that_enters():
    for colour, expected in ((1.0, 1.0), (0.0, 0.04)):
        s = Surface({"subsurface": 1.0, "subsurface.colour": (colour,) * 3, "roughness": 0.0})
        seen = facing(s, 30.0, 24).picture().mean()
        assert seen == pytest.approx(expected, abs=0.012)


@pytest.mark.long
@pytest.mark.parametrize("colour", [(0.84, 0.62, 0.22), (0.3, 0.5, 0.8)])
def test_what_the_tracer_shows_is_what_a_wide_instrument_reads(colour):
    """Under its interface a deep wax gives back as much as a body of its colour."""
    s = Surface({"subsurface": 1.0, "subsurface.colour": colour, "subsurface.radius": (0.1,) * 3, "ior": 1.4})
    seen = facing(s, 200.0, 200).picture().reshape(-1, 3).mean(axis=0)
    read = directional_albedo(compile_measured(s), 0.9998) @ sensor_matrix()
    assert seen == pytest.approx(read, abs=0.014)


def test_the_phase_function_has_its_asymmetry():
    rng = np.random.default_rng(0)
    for g in (-0.6, 0.0, 0.5, 0.9):
        towards = np.array([0.6, 0.0, 0.8])
        found = np.array([scattered(*towards, g, *u) for u in rng.random((20_000, 2))])
        assert np.linalg.norm(found, axis=1) == pytest.approx(np.ones(20_000), abs=1e-9)
        assert (found @ towards).mean() == pytest.approx(g, abs=0.015)


def test_limits_on_scattering_are_counted_as_lost():
    s = Surface({"subsurface": 1.0, "subsurface.colour": (1.0, 1.0, 1.0), "roughness": 0.0})
    rendering = facing(s, 30.0, 8, Limits(volume=3))
    assert 1.0 - rendering.picture().mean() == pytest.approx(rendering.energy_cut(), abs=0.03)
    assert rendering.energy_cut() > 0.1


def test_a_medium_that_scatters_at_some_wavelengths_only_loses_no_light():
    """A blue haze: paths whose first wavelength does not scatter carry others that do."""
    s = Surface({"ior": 1.0, "roughness": 0.0, "transmission": 1.0, "interior.scatter": (0.0, 0.0, 0.3)})
    scene = Scene(uniform_environment(), stage=False, radius=10.0)
    rendering = Rendering(compile_surface(s), scene, 40, 40, 2, FAR)
    rendering.add(60)
    assert rendering.picture().reshape(-1, 3).mean(axis=0) == pytest.approx(np.ones(3), abs=1e-2)
