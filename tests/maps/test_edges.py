"""Worn edges: found on any mesh, in space, without UVs."""

from dataclasses import replace

import numpy as np
import pytest

from photometra.maps import Generator, Layer, Map, Placement
from photometra.maps.laying import laid, levels_on, tile_on
from photometra.maps.placing import levels_at
from photometra.shapes.lying import LiesOn
from photometra.surface import Surface
from photometra.surface.bank import compiled_as

SHARP = Layer(Generator("edges", 1, (("ragged", 0.0), ("width", 2.0))))
PUCK = LiesOn("puck", 60.0)


def level(layer, lies_on, *places):
    there = laid(((layer,),), lies_on)
    rows = np.array([[*p, 0.0, 1.0, 0.0, 0.0, 0.0, 0.5] for p in places])
    out = np.empty((len(places), 1))
    levels_at(there.layers, there.texels, there.chains, rows, out)
    return out[:, 0]


def test_a_puck_is_worn_at_its_rim_alone():
    # 60 mm wide, 19.8 high, its rims rounded by 3.6 mm.
    middle, side, rim = (0.0, 19.8, 0.0), (30.0, 9.9, 0.0), (30.0 - 1.06, 19.8 - 1.06, 0.0)
    found = level(SHARP, PUCK, middle, side, rim, (rim[2], rim[1], rim[0]))
    assert found[:2] == pytest.approx(0.0, abs=0.02) and (found[2:] > 0.3).all()
    # And no more of it than its two rims, about two millimetres each way.
    assert 0.02 < levels_on(((SHARP,),), PUCK)[:, 0].mean() < 0.25


def test_steps_are_worn_on_their_ridges_and_not_in_their_corners():
    block = LiesOn("steps", 60.0)
    # The front of the block is flat, each step's ledge a ridge and, where it meets the next, a hollow.
    top_front = level(SHARP, block, (0.0, 36.0, -8.0 + 4.0))
    assert top_front[0] > 0.5
    assert level(SHARP, block, (0.0, 18.0, -8.0 + 4.0))[0] == pytest.approx(0.0, abs=0.05)


@pytest.mark.long
def test_a_ball_has_no_edges_and_the_same_seed_wears_the_same():
    assert levels_on(((SHARP,),), LiesOn())[:, 0].max() == 0.0
    ragged = Layer(Generator("edges", 7, (("ragged", 1.0),)))
    again = Layer(Generator("edges", 7, (("ragged", 1.0), ("width", 1.5))))
    other = Layer(Generator("edges", 8, (("ragged", 1.0),)))
    one, two, three = (tile_on(layer, PUCK).texels for layer in (ragged, again, other))
    assert (one == two).all() and (one != three).any()


def test_what_is_worn_is_no_more_than_a_mixture_of_two():
    bank = compiled_as(Surface({"metalness": Map((SHARP,), 0.0, 1.0)}).lying_on(PUCK))
    shares = bank.shares()
    assert len(bank.members) == 2 and shares.sum() == pytest.approx(1.0) and 0.02 < shares[1] < 0.25


def test_it_fills_the_shape_however_it_is_placed():
    rim = (30.0 - 1.06, 19.8 - 1.06, 0.0)
    wanted = level(SHARP, PUCK, rim, (0.0, 19.8, 0.0))
    for way in ("uv", "top", "sphere"):
        placed = replace(SHARP, placement=Placement(way, (7.0, 5.0), (3.0, 2.0), 30.0))
        assert level(placed, PUCK, rim, (0.0, 19.8, 0.0)) == pytest.approx(wanted, abs=1e-12)
