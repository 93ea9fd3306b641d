"""How far colours reach: the published limits of reflectances, the primaries of the spaces, there and back."""

import numpy as np
import pytest
from colour import xy_to_Luv_uv
from colour.volume.datasets import OPTIMAL_COLOUR_STIMULI_ILLUMINANTS
from hypothesis import given
from hypothesis import strategies as st

from photometra.colour import linear_srgb_to_xyz, reflectance_of_rgb, reflectance_to_xyz
from photometra.colour.limits import from_uv, gamut_of, reflectance_limit, spectral_locus, to_uv
from photometra.colour.observers import WAVELENGTHS


def distances(points, outline):
    """How far points lie from a closed outline."""
    a, b = outline, np.roll(outline, -1, axis=0)
    along = ((points[:, None] - a) * (b - a)).sum(axis=2) / np.maximum(((b - a) ** 2).sum(axis=1), 1e-18)
    nearest = a + np.clip(along, 0.0, 1.0)[:, :, None] * (b - a)
    return np.linalg.norm(points[:, None] - nearest, axis=2).min(axis=1)


def test_reflectances_reach_as_far_as_published():
    """The optimal colours under D65 as tabulated after MacAdam (1935), to the printed digits of a coarser grid."""
    table = OPTIMAL_COLOUR_STIMULI_ILLUMINANTS["D65"]
    off = []
    for y in np.unique(table[:, 2]):
        points = table[table[:, 2] == y, :2]
        uv = to_uv(np.column_stack([points / points[:, 1:], (1.0 - points.sum(axis=1)) / points[:, 1]]))
        off.extend(distances(uv, reflectance_limit(y / 100.0)))
    assert np.median(off) < 0.001 and np.max(off) < 0.012


@given(st.tuples(*[st.floats(0.02, 1.0)] * 3))
def test_no_reflectance_lies_beyond_the_limit(rgb):
    xyz = reflectance_to_xyz(WAVELENGTHS, reflectance_of_rgb(rgb))
    outline, uv = reflectance_limit(xyz[1]), to_uv(xyz)
    # Inside: the outline turns once about the place.
    a, b = outline - uv, np.roll(outline, -1, axis=0) - uv
    turn = np.arctan2(a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0], (a * b).sum(axis=1)).sum()
    assert abs(turn) == pytest.approx(2.0 * np.pi, abs=1e-6) or distances(uv[None], outline)[0] < 2e-4


def test_places_of_white_and_of_the_primaries():
    assert to_uv(linear_srgb_to_xyz((1.0, 1.0, 1.0))) == pytest.approx((0.1978, 0.4683), abs=1e-4)
    assert gamut_of("rec2020")[1] == pytest.approx(xy_to_Luv_uv((0.170, 0.797)), abs=1e-6)
    assert to_uv(linear_srgb_to_xyz((1.0, 0.0, 0.0))) == pytest.approx(gamut_of("rec709")[0], abs=1e-4)
    nm, locus = spectral_locus()
    assert locus[int(np.argmin(abs(nm - 520.0)))] == pytest.approx(xy_to_Luv_uv((0.0743, 0.8338)), abs=2e-4)


@given(st.floats(0.05, 0.5), st.floats(0.2, 0.55), st.floats(0.01, 1.0))
def test_a_place_and_a_luminance_are_a_colour(u, v, y):
    xyz = from_uv(np.array([u, v]), y)
    assert to_uv(xyz) == pytest.approx((u, v), abs=1e-9) and xyz[1] == y
