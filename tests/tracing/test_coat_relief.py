"""A coat whose face is not as what it lies on: by Snell's law, in the furnace, and against the instruments."""

import numpy as np
import pytest
from tests.tracing.test_varying import ALONE, HILLS, LONG, WHITE, disc_of

from photometra.imaging.booths import environment
from photometra.instruments import measured
from photometra.maps import Generator, Layer, Map, Placement
from photometra.surface import Surface
from photometra.surface.bank import compiled_as
from photometra.tracing import Rendering, Scene
from photometra.tracing.survey import survey

COATED_METAL = {"metalness": 1.0, "roughness": 0.2, "coat.amount": 1.0, "coat.roughness": 0.1}


@pytest.mark.parametrize(
    "values",
    [
        {"coat.amount": 1.0, "coat.roughness": 0.1, "coat.bump": Map(HILLS, 0.0, 1000.0)},
        {**COATED_METAL, "coat.bump": Map(HILLS, 0.0, 300.0)},
        {**COATED_METAL, "bump": Map(HILLS, 0.0, 1000.0), "coat.levelling": 1.0},
        {**COATED_METAL, "bump": Map(HILLS, 0.0, 500.0), "coat.levelling": 0.5, "coat.bump": Map(HILLS, 300.0, 0.0)},
        {"coat.amount": 1.0, "coat.roughness": 0.1, "transmission": 1.0, "coat.bump": Map(HILLS, 0.0, 300.0)},
    ],
)
def test_no_light_is_lost(values):
    rendering = Rendering(compiled_as(Surface({**WHITE, **values})), ALONE, 64, 64, limits=LONG)
    rendering.add(96)
    pixels = disc_of(rendering)
    assert pixels.mean() == pytest.approx(1.0, abs=0.01)
    assert pixels.min() > 0.6


def snells_lean(below, face, n):
    """By which angle a mirror in air would have to lean to throw a ray that comes down the normal the same way as one
    that leans by `below` under a face of index n that leans by `face` (angles in a plane)."""
    # Down through the face, off the mirror, and up through the face again.
    down = face - np.arcsin(np.sin(face) / n)
    up = 2.0 * below - down
    out = face + np.arcsin(n * np.sin(up - face))
    return 0.5 * out


@pytest.mark.parametrize(("values", "below", "face"), [
    pytest.param({"bump": 0.12, "coat.levelling": 1.0}, 0.12, 0.0, marks=pytest.mark.long),
    pytest.param({"coat.bump": 0.25}, 0.0, 0.25, marks=pytest.mark.long),
    pytest.param({"bump": 0.15, "coat.levelling": 0.0}, 0.15, 0.15, marks=pytest.mark.long),
    ({"bump": 0.12, "coat.levelling": 0.5}, 0.12, 0.06),
])  # fmt: skip
def test_what_lies_below_is_seen_turned_as_snells_law_has_it(values, below, face):
    ramp = (Layer(Generator("gradient"), Placement("front", (1e4, 60.0), turn_deg=-90.0, repeat="hold")),)
    slopes = {k: Map(ramp, 0.0, v * 60.0 * 1000.0) if k.endswith("bump") else v for k, v in values.items()}
    # So faint a coat's own reflection that what lies below alone is seen.
    n = 1.35
    mirror = {**WHITE, "metalness": 1.0, "roughness": 0.0, "coat.amount": 1.0, "coat.ior": n, "coat.roughness": 0.0}
    scene = Scene(environment("window"), stage=False)
    pictures = []
    for more in ({}, slopes):
        rendering = Rendering(compiled_as(Surface({**mirror, **more})), scene, 160, 160)
        rendering.add(32)
        pictures.append(rendering.picture())
    seen = survey(scene, 160, 160)
    there, normal = seen.part == 0, seen.places[..., 3:6]

    def at(angle, picture):
        wanted = np.array([-np.sin(angle), 0.0, np.cos(angle)])
        away = np.where(there, np.linalg.norm(normal - wanted, axis=-1), 9.0)
        y, x = np.unravel_index(np.argmin(away), away.shape)
        return picture[y - 1 : y + 2, x - 1 : x + 2].mean()

    lean = snells_lean(np.arctan(below), np.arctan(face), n)
    assert at(0.0, pictures[1]) == pytest.approx(at(lean, pictures[0]), rel=0.12)


def test_a_levelled_coat_is_glossy_over_what_is_rough_and_orange_peel_is_not():
    hammered = {**COATED_METAL, "bump": Map(HILLS, 0.0, 400.0)}
    follows, levelled, peel = (
        measured("glossmeter", Surface(values)).columns["gloss_units"]
        for values in (
            hammered,
            {**hammered, "coat.levelling": 1.0},
            {**COATED_METAL, "coat.bump": Map(HILLS, 0.0, 60.0)},
        )
    )
    plain = measured("glossmeter", Surface(COATED_METAL)).columns["gloss_units"]
    assert (levelled < plain).all() and (peel < plain).all() and (follows < plain).all()
    dull = {"colour": (0.02,) * 3, "coat.amount": 1.0, "coat.roughness": 0.1, "bump": Map(HILLS, 0.0, 400.0)}
    follows, levelled = (
        measured("glossmeter", Surface({**dull, "coat.levelling": v})).columns["gloss_units"] for v in (0.0, 1.0)
    )
    assert (levelled > 1.5 * follows).all()
