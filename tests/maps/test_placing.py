"""Where maps lie, against a plain NumPy account of the same words that shares no line with the kernels."""

import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.errors import InputError
from photometra.maps import PLACEMENTS, REPEATS, Generator, Layer, Placement
from photometra.maps.baking import tile_of
from photometra.maps.laying import laid, tile_size
from photometra.maps.placing import levels_at
from photometra.shapes.body import body_of
from photometra.shapes.lying import LiesOn, Spot, spot_of
from photometra.surface import PARAMETERS
from photometra.surface.inputs import parse_map

BALL = LiesOn()


def found_at(layer, places, lies_on=BALL):
    there = laid(((layer,),), lies_on)
    out = np.empty((len(places), 1))
    levels_at(there.layers, there.texels, there.chains, np.ascontiguousarray(places), out)
    return out[:, 0]


def wanted_at(layer, place, lies_on=BALL):
    """The level at one place, step by step as the words of a placement say it."""
    body, p = body_of(lies_on), layer.placement
    x, y, z = place[:3] - body.middle
    nx, ny, nz = place[3:6]
    way = p.way
    if way == "box":
        steep = np.array([nx, ny, nz]) ** 4
        way = ("side", "top", "front")[int(np.searchsorted(np.cumsum(steep), place[8] * steep.sum(), side="right"))]
    across, up = {
        "front": (x, y), "top": (x, -z), "side": (-z, y), "cylinder": (body.radius * math.atan2(x, z), y),
        "sphere": (body.radius * math.atan2(x, z), body.radius * math.atan2(y, math.hypot(x, z))),
        "uv": (place[6] * body.uv_mm, place[7] * body.uv_mm),
    }[way]  # fmt: skip
    wide, high = tile_size(layer, lies_on)
    turn = math.radians(p.turn_deg)
    s = (math.cos(turn) * across + math.sin(turn) * up - p.offset_mm[0]) / wide + 0.5
    t = (math.cos(turn) * up - math.sin(turn) * across - p.offset_mm[1]) / high + 0.5
    if p.way == "uv":
        s, t = s - 0.5 * body.uv_mm / wide, t - 0.5 * body.uv_mm / high
    edges = []
    for v in (s, t):
        whole = math.floor(v)
        edges.append({
            "tile": v - whole, "hold": min(max(v, 0.0), 1.0),
            "mirror": 1.0 - (v - whole) if whole % 2 else v - whole,
        }[p.repeat])  # fmt: skip
    levels = tile_of(layer, (wide, high)).levels.astype(float)
    rows, columns = levels.shape
    c, r = edges[0] * columns - 0.5, (1.0 - edges[1]) * rows - 0.5
    total = 0.0
    for i in (math.floor(r), math.floor(r) + 1):
        for j in (math.floor(c), math.floor(c) + 1):
            weight = (1.0 - abs(r - i)) * (1.0 - abs(c - j))
            if p.repeat == "tile":
                total += weight * levels[i % rows, j % columns]
            else:
                total += weight * levels[min(max(i, 0), rows - 1), min(max(j, 0), columns - 1)]
    return total


_PLACES = st.tuples(*[st.floats(-1.0, 1.0)] * 3, st.floats(0.0, 0.999), st.floats(0.0, 0.999), st.floats(0.001, 0.999))


@settings(max_examples=150, deadline=None)
@given(
    st.sampled_from(PLACEMENTS), st.sampled_from(REPEATS), st.floats(5.0, 60.0), st.floats(5.0, 60.0),
    st.floats(-20.0, 20.0), st.floats(-20.0, 20.0), st.floats(-180.0, 180.0), _PLACES,
)  # fmt: skip
def test_a_level_is_that_of_the_plain_account(way, repeat, wide, high, across, up, turn, at):
    normal = np.array(at[:3])
    if np.linalg.norm(normal) < 0.05:
        return
    normal /= np.linalg.norm(normal)
    # Sizes as a file keeps them: a tile is baked for six digits.
    size = (round(wide, 2), round(high, 2))
    source = Generator("noise", 1, (("feature", 9.0), ("octaves", 1.0)))
    layer = Layer(source, Placement(way, size, (across, up), turn, repeat))
    place = np.concatenate([(0.0, 30.0, 0.0) + 30.0 * normal, normal, at[3:5], at[5:]])
    assert found_at(layer, place[None])[0] == pytest.approx(wanted_at(layer, place), abs=2e-6)


@settings(max_examples=150, deadline=None)
@given(st.text(alphabet="map:noise,scratches=|low high0123456789.-+multiply size()turn\n #%µ", max_size=60))
def test_no_text_breaks_the_parser_of_maps(text):
    try:
        value = parse_map(PARAMETERS["roughness"], text)
    except InputError as error:
        assert "\n" not in str(error).strip() or text.count("\n")
    else:
        assert 0.0 <= value.low <= 1.0 and 0.0 <= value.high <= 1.0


@settings(max_examples=60, deadline=None)
@given(*[st.floats(-9999.0, 9999.0)] * 3, st.floats(0.01, 999.0))
def test_a_place_comes_back_from_its_text(x, y, z, diameter):
    spot = Spot(x, y, z, diameter)
    back = spot_of(spot.text)
    for a, b in ((back.x, x), (back.y, y), (back.z, z), (back.diameter_mm, diameter)):
        assert a == pytest.approx(b, rel=1e-4, abs=1e-4)
    assert spot_of("") is None


@pytest.mark.parametrize(
    "text", ["1 2 3", "a b c, 8 mm", "1 2 3, 0 mm", "1 2 3, -4 mm", "1e9 2 3, 8 mm", "nan 0 0, 8 mm"]
)
def test_other_places_are_refused(text):
    with pytest.raises(InputError, match="is no place"):
        spot_of(text)
