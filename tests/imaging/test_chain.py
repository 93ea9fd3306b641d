"""The chain from scene-linear to the screen, step by step, and the temperature of a white."""

import colour as colour_science
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.colour import linear_srgb_to_xyz, white_point
from photometra.colour.temperature import black_body_xyz, temperature_of
from photometra.imaging.display import CHAIN, PLAIN, Display, balance_matrix, compressed

PIXEL = st.tuples(*[st.floats(0.001, 30.0)] * 3)


@pytest.mark.parametrize("kelvin", [1800.0, 2856.0, 4000.0, 5003.0, 6504.0, 12000.0])
@pytest.mark.parametrize("duv", [-0.01, 0.0, 0.004])
def test_temperature_and_tint_agree_with_colour_science(kelvin, duv):
    uv = colour_science.temperature.CCT_to_uv_Ohno2013([kelvin, duv])
    xyz = colour_science.xy_to_XYZ(colour_science.UCS_uv_to_xy(uv))
    found, tint = temperature_of(xyz)
    assert found == pytest.approx(kelvin, rel=2e-3) and tint == pytest.approx(duv, abs=1e-4)


def test_whites_by_name():
    assert temperature_of(white_point("A"))[0] == pytest.approx(2856.0, abs=4.0)
    kelvin, tint = temperature_of(white_point("D65"))
    assert kelvin == pytest.approx(6504.0, abs=12.0) and tint == pytest.approx(0.0032, abs=3e-4)
    assert black_body_xyz(2856.0) == pytest.approx(white_point("A"), abs=2e-3)
    for nothing, words in (((0.0, 0.0, 0.0), "black"), (linear_srgb_to_xyz([0.0, 1.0, 0.0]), "too far")):
        with pytest.raises(ValueError, match=words):
            temperature_of(nothing)


@given(PIXEL, st.floats(0.0, 1.0))
def test_compression_keeps_hue_and_order_and_leaves_the_dark_alone(pixel, amount):
    x = np.array([pixel])
    bent = compressed(x, amount)
    assert np.all(bent <= x + 1e-12) and np.allclose(bent / bent.max(), x / x.max())
    if x.max() <= 1.0 - 0.5 * amount:
        assert np.array_equal(bent, x)
    brighter = compressed(1.1 * x, amount)
    assert brighter.max() >= bent.max()
    assert amount < 1.0 or bent.max() <= 1.5


@given(PIXEL)
def test_every_step_can_be_switched_off(pixel):
    chain = Display(1.0, (0.8, 1.0, 0.6), compression=0.7)
    stages = chain.pixel(pixel)
    assert stages.exposed == pytest.approx(2.0 * stages.linear)
    assert stages.balanced == pytest.approx(balance_matrix((0.8, 1.0, 0.6)) @ stages.exposed, rel=1e-4, abs=1e-5)
    assert stages.compressed == pytest.approx(compressed(stages.balanced, 0.7), rel=1e-5, abs=1e-6)
    bare = Display(1.0, (0.8, 1.0, 0.6), compression=0.7, off=CHAIN)
    assert bare.pixel(pixel).compressed == pytest.approx(stages.linear)
    assert bare.pixel(pixel).shown == pytest.approx(Display(view=PLAIN).pixel(pixel).shown)
    assert bare.picture(np.array([[pixel]]))[0, 0] == pytest.approx(bare.pixel(pixel).shown, abs=1e-5)


def test_what_is_clipped_and_what_is_below_black_is_marked():
    linear = np.array([[[0.5, 0.5, 0.5], [1.2, 0.5, 0.5], [0.2, -0.1, 0.2]]], np.float32)
    clipped, below = Display(view=PLAIN).marks(linear)
    assert clipped.tolist() == [[False, True, False]] and below.tolist() == [[False, False, True]]
    # Bending the highlights brings them back.
    assert not Display(view=PLAIN, compression=1.0).marks(linear)[0].any() or compressed(linear, 1.0).max() > 1.0
    assert Display(2.0, view=PLAIN).marks(linear)[0].tolist() == [[True, True, False]]
