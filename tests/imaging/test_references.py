"""Reference photographs: charts found and calibrated, frames lined up, pictures compared."""

import colour as colour_science
import numpy as np
import pytest

from photometra.colour import delta_e_2000, encode_srgb, linear_srgb_to_xyz, xyz_to_lab
from photometra.imaging.comparing import (
    apart,
    beyond_divider,
    delta_e_map,
    luminance_difference,
    ramp,
    signed_ramp,
)  # fmt: skip
from photometra.imaging.references import (
    CHART_SHAPE,
    calibrated_by_chart,
    calibrated_by_neutral,
    chart_patches,
    decoded,
    homography,
    mapped,
    our_chart,
    warped,
)

CAMERA = np.array([[0.7, 0.22, 0.05], [0.12, 0.8, 0.1], [0.03, 0.18, 0.62]])
CORNERS = np.array([[0.14, 0.2], [0.82, 0.12], [0.9, 0.85], [0.08, 0.78]])


def photographed(noise=0.003, seed=3):
    """A synthetic photograph of our chart, aslant, by a camera of another colour, with sensor noise."""
    rng = np.random.default_rng(seed)
    columns, rows = CHART_SHAPE
    chart = our_chart().reshape(rows, columns, 3)
    height, width = 300, 420
    x, y = np.meshgrid((np.arange(width) + 0.5) / width, (np.arange(height) + 0.5) / height)
    at = mapped(homography(CORNERS, [[0, 0], [1, 0], [1, 1], [0, 1]]), np.stack([x, y], axis=-1))
    inside = ((at >= 0.0) & (at < 1.0)).all(axis=-1)
    cell = np.clip((at * [columns, rows]).astype(int), 0, [columns - 1, rows - 1])
    picture = np.where(inside[..., None], chart[cell[..., 1], cell[..., 0]], 0.02) @ CAMERA.T
    return (picture + rng.normal(size=picture.shape) * noise).astype(np.float32)


def test_a_chart_brings_the_cameras_colours_back():
    read = chart_patches(photographed(), CORNERS)
    found = calibrated_by_chart(read, our_chart())
    assert found.residuals.mean() < 0.5 and found.residuals.max() < 1.5
    assert found.matrix @ CAMERA == pytest.approx(np.eye(3), abs=0.02)
    # Uncalibrated, the same patches are far off.
    raw = delta_e_2000(*(xyz_to_lab(linear_srgb_to_xyz(v)) for v in (read, our_chart())))
    assert raw.mean() > 5.0


def test_what_is_no_chart_is_said():
    with pytest.raises(ValueError, match="black"):
        calibrated_by_chart(np.zeros((24, 3)), our_chart())
    with pytest.raises(ValueError, match="too alike"):
        calibrated_by_chart(np.full((24, 3), 0.3), our_chart())
    with pytest.raises(ValueError, match="one line"):
        homography([[0, 0], [1, 1], [2, 2], [0, 1]], CORNERS)
    grey = calibrated_by_neutral([0.4, 0.5, 0.2])
    assert np.ptp(grey @ [0.4, 0.5, 0.2]) < 1e-12
    assert (calibrated_by_neutral([0.4, 0.5, 0.2], 0.18) @ [0.4, 0.5, 0.2]) == pytest.approx([0.18] * 3)
    with pytest.raises(ValueError, match="too dark"):
        calibrated_by_neutral([0.4, 0.0, 0.2])


def test_four_points_line_a_picture_up():
    rng = np.random.default_rng(1)
    small = rng.uniform(0.1, 0.9, size=(12, 16, 3)).astype(np.float32)
    smooth = warped(small, [[0, 0], [1, 0], [1, 1], [0, 1]], 160, 120)
    # Seen aslant, and brought back by the places its corners went to.
    aslant = warped(smooth, mapped(np.linalg.inv(homography([[0, 0], [1, 0], [1, 1], [0, 1]], CORNERS)),
                                   np.array([[0, 0], [1, 0], [1, 1], [0, 1]])), 320, 240)  # fmt: skip
    back = warped(np.nan_to_num(aslant), CORNERS, 160, 120)
    inner = (slice(8, -8), slice(8, -8))
    assert apart(delta_e_map(back, smooth)[inner]).mean < 1.0
    assert np.isnan(warped(small, [[-0.5, 0], [1, 0], [1, 1], [-0.5, 1]], 40, 30)[15, 2]).all()


def test_curves_are_undone():
    linear = np.linspace(0.0, 1.0, 30).reshape(1, 10, 3)
    assert decoded(encode_srgb(linear), "sRGB") == pytest.approx(linear, abs=1e-6)
    assert decoded(linear ** (1 / 2.2), "gamma 2.2") == pytest.approx(linear, abs=1e-6)
    with pytest.raises(ValueError, match="choose from linear"):
        decoded(linear, "film")


def test_the_map_is_the_formula_pixel_by_pixel():
    rng = np.random.default_rng(2)
    a, b = rng.uniform(0.0, 1.2, size=(2, 6, 7, 3))
    labs = [xyz_to_lab(linear_srgb_to_xyz(p)) for p in (a, b)]
    want = colour_science.delta_E(*labs, method="CIE 2000")
    assert delta_e_map(a, b) == pytest.approx(want, abs=1e-4)
    b[2, 3] = np.nan
    found = delta_e_map(a, b)
    assert np.isnan(found[2, 3]) and apart(found).pixels == 41
    assert apart(found, (0.0, 0.0, 0.5, 0.5)).pixels == 9
    assert apart(np.full((3, 3), np.nan)).pixels == 0


def test_signs_ramps_and_the_divider():
    dark, light = np.full((2, 2, 3), 0.2), np.full((2, 2, 3), 0.4)
    assert (luminance_difference(dark, light) > 0.6).all() and (luminance_difference(light, dark) < -0.6).all()
    lightness = xyz_to_lab(linear_srgb_to_xyz(np.clip(ramp(np.linspace(0.0, 0.75, 20)), 0, 1) ** 2.2))[:, 0]
    assert (np.diff(lightness) > 0.0).all()
    assert signed_ramp(np.array([0.0]))[0] == pytest.approx([0.466] * 3)
    assert np.isfinite(ramp(np.array([np.nan]))).all()
    half = beyond_divider(100, 50, 0.0, 0.3)
    assert half[:, :30].sum() == 0 and half[:, 30:].all()
    slanted = beyond_divider(100, 50, 45.0, 0.5)
    assert not slanted[0, 40] and slanted[-1, 45] and 0.4 < slanted.mean() < 0.6
