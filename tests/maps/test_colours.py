"""Hue and saturation of pictures in colour: closed forms, and what must stay."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.colour.spaces import RGB_TO_XYZ
from photometra.errors import InputError
from photometra.maps import Adjustments, Layer, Picture, checked_layers
from photometra.maps.baking import tile_of
from photometra.pictures import encoded_levels
from photometra.surface import parameter
from photometra.surface.inputs import parse_map

RNG = np.random.default_rng(9)
COLOURS = RNG.uniform(0.25, 0.75, (12, 10, 3))
LUMINANCE = RGB_TO_XYZ[1]


def baked(colours=COLOURS, **adjustments):
    """The three channels of a picture of linear colours, as its tiles are."""
    data = encoded_levels(colours)
    layers = [
        Layer(Picture(f"maps/{abs(hash(data))}.png", channel, data=data), adjustments=Adjustments(**adjustments))
        for channel in ("red", "green", "blue")
    ]
    return np.stack([tile_of(layer, (10.0, 10.0)).levels for layer in layers], axis=-1)


def test_nothing_asked_nothing_changed():
    assert np.abs(baked() - COLOURS).max() < 1e-4
    assert np.abs(baked(hue_deg=360.0, contrast=1.0) - COLOURS).max() < 1e-4


@given(st.floats(-180.0, 180.0), st.floats(0.0, 1.2))
def test_what_is_bright_stays_as_bright(hue, saturation):
    found = baked(hue_deg=hue, saturation=saturation)
    kept = (found > 1e-4).all(axis=-1) & (found < 1.0 - 1e-4).all(axis=-1)
    assert np.abs(found @ LUMINANCE - COLOURS @ LUMINANCE)[kept].max(initial=0.0) < 1e-4


def test_without_saturation_all_is_its_luminance():
    found = baked(saturation=0.0)
    assert np.abs(found - (COLOURS @ LUMINANCE)[..., None]).max() < 1e-4


def test_a_third_of_a_turn_moves_red_to_green():
    """A grey with some red in it: the excess goes from the first channel to the second, as bright as before."""
    red = np.full((16, 16, 3), 0.4)
    red[..., 0] = 0.5
    excess = baked(red, hue_deg=120.0)[8, 8] - baked(red, saturation=0.0)[8, 8]
    assert np.argmax(excess) == 1 and excess[0] == pytest.approx(excess[2], abs=1e-4)
    assert baked(baked(red, hue_deg=120.0), hue_deg=-120.0)[8, 8] == pytest.approx([0.5, 0.4, 0.4], abs=2e-4)


def test_typed_and_checked(tmp_path):
    (tmp_path / "sail.png").write_bytes(encoded_levels(COLOURS))
    made = parse_map(parameter("colour"), f"map:{tmp_path}/sail.png, hue=30, saturation=0.5")
    assert (made.layers[0].adjustments.hue_deg, made.layers[0].adjustments.saturation) == (30.0, 0.5)
    with pytest.raises(InputError, match="saturation of a map must lie between"):
        checked_layers("colour", (Layer(made.layers[0].source, adjustments=Adjustments(saturation=-1.0)),))
