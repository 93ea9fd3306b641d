"""Ladders: steps even on the gauge, cells that refine together, sheets that keep every picture."""

import threading

import numpy as np
import pytest

from photometra.imaging.booths import compiled_in, scene_of
from photometra.imaging.ladders import (
    LadderPictures,
    constants_axis,
    mounted,
    number_axis,
    stepped,
    surfaces_axis,
)  # fmt: skip
from photometra.surface import Surface


def test_steps_are_even_to_the_eye_or_in_the_logarithm():
    roughness = number_axis("roughness", 0.04, 1.0, 5)
    assert np.sqrt(roughness.values) == pytest.approx(np.linspace(0.2, 1.0, 5), abs=1e-5)
    depth = number_axis("interior.depth", 0.1, 1000.0, 5)
    assert np.log10(depth.values) == pytest.approx([-1.0, 0.0, 1.0, 2.0, 3.0], abs=1e-5)
    ior = number_axis("ior", 1.3, 1.7, 3)
    assert ior.values == pytest.approx([1.3, 1.5, 1.7]) and ior.labels[0] == "1.3000"


@pytest.mark.parametrize(("words", "says"), [
    (("colour", 0.0, 1.0, 4), "not a number"), (("roughness", 0.5, 0.2, 4), "upwards"),
    (("roughness", -1.0, 0.2, 4), "upwards"), (("roughness", 0.1, 0.2, 40), "2 to 9 steps"),
])  # fmt: skip
def test_what_cannot_be_stepped(words, says):
    with pytest.raises(ValueError, match=says):
        number_axis(*words)


def test_two_things_are_stepped_across_and_down(demo):
    across, down = number_axis("roughness", 0.1, 0.5, 3), constants_axis(("gold", "silver"))
    rows = stepped(Surface({"metalness": 1.0}), across, down)
    assert [[s["constants"] for s in row] for row in rows] == [["gold"] * 3, ["silver"] * 3]
    assert [s["roughness"] for s in rows[1]] == list(across.values)
    assert len(constants_axis().labels) >= 6
    whole = stepped(Surface({"roughness": 0.9}), surfaces_axis(demo.specimens))[0]
    assert [s.given for s in whole] == [s.surface.given for s in demo.specimens[:9]]


def test_cells_refine_together_and_are_mounted_side_by_side(demo):
    specimen = demo.specimens[1]
    scene = scene_of(demo, specimen)
    surfaces = stepped(specimen.surface, number_axis("roughness", 0.05, 0.8, 2))
    compiled = [[compiled_in(scene, type(specimen)("", 64.0, s)) for s in row] for row in surfaces]
    ladder, seen = LadderPictures(scene, compiled, 24, 24), []
    assert ladder.add(2, shown=lambda i, j, picture, samples: seen.append((i, j, picture.shape, samples)))
    assert seen == [(0, 0, (24, 24, 3), 2), (0, 1, (24, 24, 3), 2)]
    stopped = threading.Event()
    stopped.set()
    assert not ladder.add(2, stopped)
    sheet = ladder.sheet(gap=2)
    assert sheet.shape == (28, 54, 3) and np.array_equal(sheet[2:26, 2:26], ladder.cells[0][0].picture())
    assert np.all(sheet[:2] == np.float32(0.18)) and mounted([[np.ones((3, 4, 3))]], 1).shape == (5, 6, 3)
