"""Surfaces that vary: mixtures of compiled surfaces, held against brute force, place by place."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.colour import lab_to_xyz
from photometra.errors import InputError
from photometra.instruments import measured
from photometra.maps import Generator, Layer, Map, Picture, Placement
from photometra.maps.laying import levels_on
from photometra.pictures import write_png
from photometra.shapes.lying import LiesOn, Spot
from photometra.surface import PARAMETERS, Surface
from photometra.surface.bank import MOST_MEMBERS, Axis, compile_measured, compiled_as, joint_shares

BRASS = {"metalness": 1.0, "constants": "brass-70-30"}
TINTED = {"metalness": 1.0, "constants": "titanium", "film.amount": 1.0}
SCRATCHES = (Layer(Generator("scratches")),)
NOISE = (Layer(Generator("noise")),)


def read(key, surface, geometry="", **more):
    reading = measured(key, surface, geometry, **more)
    return reading.stacked()[0]


@pytest.mark.parametrize(
    ("key", "geometry"),
    [("glossmeter", ""), ("spectrophotometer", "de:8"), ("colorimeter", "45:0"), ("ellipsometer", "")],
)
def test_a_map_of_one_value_reads_as_the_constant(key, geometry):
    constant = Surface({**BRASS, "roughness": 0.2})
    mapped = Surface({**BRASS, "roughness": Map(SCRATCHES, 0.2, 0.2)})
    assert np.allclose(read(key, mapped, geometry), read(key, constant, geometry), rtol=1e-9, atol=1e-9)


@pytest.mark.parametrize(
    ("name", "low", "high", "base", "key", "geometry", "within"),
    [
        ("roughness", 0.08, 0.31, BRASS, "glossmeter", "", 0.004),
        ("roughness", 0.5, 0.2, {"colour": (0.2, 0.3, 0.1)}, "spectrophotometer", "de:8", 0.0015),
        ("film.thickness", 88.0, 32.0, TINTED, "spectrophotometer", "di:8", 0.0015),
        ("coat.roughness", 0.02, 0.3, {"coat.amount": 1.0, "colour": (0.3, 0.2, 0.1)}, "glossmeter", "", 0.015),
        ("coat.amount", 0.1, 0.9, {"colour": (0.3, 0.2, 0.1)}, "spectrophotometer", "di:8", 0.004),
        ("colour", (0.6, 0.5, 0.4), (0.05, 0.1, 0.2), {}, "spectrophotometer", "di:8", 0.0015),
        ("opacity", 0.2, 1.0, {"colour": (0.3, 0.2, 0.1)}, "spectrophotometer", "di:8", 1e-3),
    ],
)  # fmt: skip
def test_the_mean_is_that_of_every_place_by_itself(name, low, high, base, key, geometry, within):
    value = Map(NOISE, low, high)
    found = read(key, Surface({**base, name: value}), geometry)
    # Each place compiled by itself: what a bank never does.
    levels = np.quantile(levels_on((NOISE,), LiesOn())[:, 0], (np.arange(60) + 0.5) / 60)
    each = [read(key, Surface({**base, name: value.at(float(t))}), geometry) for t in levels]
    assert np.abs(found / np.mean(each, axis=0) - 1.0).max() < within


@settings(max_examples=40, deadline=None)
@given(st.integers(1, 3), st.integers(0, 10**6))
def test_shares_sum_to_1_and_keep_every_mean(axes, seed):
    rng = np.random.default_rng(seed)
    nodes = [np.sort(rng.uniform(size=rng.integers(2, 6))) for _ in range(axes)]
    made = [Axis((NOISE,), ("roughness",), np.unique(n)) for n in nodes]
    levels = np.stack([rng.uniform(n.min(), n.max(), 50) for n in nodes], axis=1)
    shares = joint_shares(levels, made)
    assert shares.sum() == pytest.approx(1.0) and shares.min() >= 0.0
    grids = np.meshgrid(*(a.nodes for a in made), indexing="ij")
    for grid, level in zip(grids, levels.T, strict=True):
        assert (shares @ grid.ravel()) == pytest.approx(level.mean())


def test_maps_of_the_same_layers_go_together_and_others_do_not():
    both = Surface({**BRASS, "roughness": Map(NOISE, 0.1, 0.3), "haze.amount": Map(NOISE, 0.0, 0.5)})
    assert len(compiled_as(both).axes) == 1
    apart = Surface({**BRASS, "roughness": Map(NOISE, 0.1, 0.3), "haze.amount": Map(SCRATCHES, 0.0, 0.5)})
    bank = compiled_as(apart)
    assert len(bank.axes) == 2 and len(bank.members) == np.prod([len(a.nodes) for a in bank.axes])
    # Together: rough where hazy; a mixture that goes by each map alone would have smooth haze as well.
    shares = compiled_as(both).shares()
    assert shares.sum() == pytest.approx(1.0)


def test_many_maps_stay_within_memory():
    sources = ("noise", "scratches", "fingerprints", "specks", "flakes")
    names = ("roughness", "coat.roughness", "haze.amount", "colour", "coat.amount")
    ends = {"colour": ((0.1, 0.1, 0.1), (0.4, 0.3, 0.2))}
    maps = {
        n: Map((Layer(Generator(s)),), *ends.get(n, (0.1, 0.4))) for n, s in zip(names, sources, strict=True)
    }  # fmt: skip
    assert len(compiled_as(Surface(maps)).members) <= MOST_MEMBERS


def test_a_picture_in_colour_reads_as_the_mean_of_its_colours(tmp_path):
    colours = np.array([[0.6, 0.1, 0.1], [0.1, 0.4, 0.15], [0.1, 0.15, 0.5], [0.7, 0.65, 0.5]])
    file = tmp_path / "quarters.png"
    levels = np.kron(colours.reshape(2, 2, 3), np.ones((64, 64, 1)))
    write_png(file, levels)
    source = Picture("maps/quarters.12345678.png", "colour", data=file.read_bytes())
    value = Map((Layer(source, Placement("uv")),), (0.0, 0.0, 0.0), (1.0, 1.0, 1.0))
    quantised = np.round(colours * 255.0) / 255.0
    found = lab_to_xyz(read("colorimeter", Surface({"colour": value}), "di:8")[:, 0])
    each = [lab_to_xyz(read("colorimeter", Surface({"colour": tuple(map(float, c))}), "di:8")[:, 0]) for c in quantised]
    # Upper and lower halves of a ball by UVs are equal in area, and so are its quarters.
    assert np.abs(found / np.mean(each, axis=0) - 1.0).max() < 0.02
    with pytest.raises(InputError, match="roughness is one number"):
        Surface({"roughness": Map((Layer(source),), 0.1, 0.3)})


def test_a_spot_reads_its_own_place():
    lies = (Layer(Generator("gradient"), Placement("front", repeat="hold")),)
    surface = Surface({**BRASS, "roughness": Map(lies, 0.4, 0.1)})
    top, low = (
        read("glossmeter", surface, spot=Spot(0.0, y, 0.0, 6.0))[0] for y in (60.0, 0.0)
    )  # fmt: skip
    ends = [read("glossmeter", Surface({**BRASS, "roughness": r}))[0] for r in (0.1, 0.4)]
    assert np.abs(top / ends[0] - 1.0).max() < 0.06 and np.abs(low / ends[1] - 1.0).max() < 0.06


def test_what_is_the_same_all_over_takes_no_map_and_ends_are_checked():
    with pytest.raises(InputError, match="no map can drive it"):
        Surface({"interior.depth": Map(NOISE, 1.0, 2.0)})
    with pytest.raises(InputError, match="outside 0 to 1"):
        Surface({"roughness": Map(NOISE, 0.1, 1.4)})


def test_ends_are_scalars_like_any_other():
    surface = Surface({"roughness": Map(NOISE, 0.1, 0.3), "colour": Map(NOISE, (0.1, 0.2, 0.3), (0.4, 0.5, 0.6))})
    assert surface.scalars_of("roughness") == ["roughness.low", "roughness.high"]
    assert surface.scalar("colour.high.g") == 0.5 and surface["roughness"] == pytest.approx(0.2)
    moved = surface.with_scalars({"roughness.low": 0.15, "colour.high.g": 0.55})
    assert moved.input("roughness").low == 0.15 and moved.input("colour").high == (0.4, 0.55, 0.6)
    with pytest.raises(InputError, match=r"say roughness\.low"):
        surface.scalar("roughness")
    with pytest.raises(InputError, match="does not vary"):
        Surface().scalar("roughness.low")


def test_every_parameter_that_varies_compiles_as_a_bank():
    for name, p in PARAMETERS.items():
        if p.varies:
            ends = ((0.1, 0.1, 0.1), (0.5, 0.4, 0.3)) if p.components else p.span
            surface = Surface({"film.amount": 1.0, name: Map(NOISE, *ends)})
            assert compile_measured(surface).members, name
