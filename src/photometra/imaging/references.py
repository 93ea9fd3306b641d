"""Reference photographs: from a file's numbers to scene-linear colour that can stand beside a render.

Decoded by its curve, calibrated by a neutral patch or by a chart of 24 patches, and brought into the render's frame by
four points.
"""

from dataclasses import dataclass

import numpy as np

from ..colour import decode_srgb, delta_e_2000, lab_to_xyz, linear_srgb_to_xyz, xyz_to_lab, xyz_to_linear_srgb

CURVES = ("linear", "sRGB", "gamma 2.2")
"""How a file's numbers stand for light."""
CHART_SHAPE = (6, 4)
"""Columns and rows of a chart."""
_CELL_MIDDLE = 0.5
"""Share of a patch, about its middle, that is read: edges and shadows stay out."""


def curve_of(path):
    """The curve that a file's kind suggests: floats are linear, all else is encoded for a screen."""
    return "linear" if str(path).lower().endswith((".exr", ".hdr")) else "sRGB"


def decoded(pixels, curve):
    """Scene-linear float32 of a file's numbers; ValueError for an unknown curve."""
    if curve == "linear":
        return np.asarray(pixels, np.float32)
    if curve == "sRGB":
        return decode_srgb(pixels).astype(np.float32)
    if curve == "gamma 2.2":
        return np.sign(pixels) * np.abs(pixels).astype(np.float32) ** np.float32(2.2)
    raise ValueError(f"there is no curve '{curve}': choose from {', '.join(CURVES)}")


def our_chart():
    """Linear Rec.709 (24, 3) of a chart of our own: a row of six greys, and eighteen hues spread evenly in CIE Lab."""
    lab = [(lightness, 0.0, 0.0) for lightness in (20.0, 35.0, 50.0, 65.0, 80.0, 95.0)]
    lab += [
        (lightness, 32.0 * np.cos(np.radians(hue)), 32.0 * np.sin(np.radians(hue)))
        for lightness, first in ((62.0, 0.0), (50.0, 20.0), (38.0, 40.0))
        for hue in first + 60.0 * np.arange(6)
    ]
    return np.clip(xyz_to_linear_srgb(lab_to_xyz(np.array(lab))), 0.0, 1.0)


def homography(source, target):
    """The 3×3 matrix that takes four points (4, 2) of a plane to four others; ValueError where three lie in a line."""
    source, target = np.asarray(source, float), np.asarray(target, float)
    rows = []
    for (x, y), (u, v) in zip(source, target, strict=True):
        rows.append([x, y, 1.0, 0.0, 0.0, 0.0, -u * x, -u * y])
        rows.append([0.0, 0.0, 0.0, x, y, 1.0, -v * x, -v * y])
    matrix = np.array(rows)
    for four in (source, target):
        for skip in range(4):
            a, b, c = np.delete(four, skip, axis=0)
            if abs((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) < 1e-9:
                raise ValueError("three of the four points lie in one line; place them at the corners")
    return np.append(np.linalg.solve(matrix, target.reshape(-1)), 1.0).reshape(3, 3)


def mapped(matrix, points):
    """Points (..., 2) through a homography."""
    points = np.asarray(points, float)
    out = np.concatenate([points, np.ones((*points.shape[:-1], 1))], axis=-1) @ np.asarray(matrix).T
    return out[..., :2] / out[..., 2:]


_CORNERS = np.array([[0.0, 0.0], [1.0, 0.0], [1.0, 1.0], [0.0, 1.0]])
"""Of a whole frame in 0..1: left top, right top, right bottom, left bottom."""


def warped(pixels, corners, width, height):
    """A picture (h, w, 3) seen so that four of its places (0..1, as `_CORNERS`) fill a frame; NaN beyond its edge."""
    from scipy.ndimage import map_coordinates

    to_source = homography(_CORNERS, corners)
    x, y = np.meshgrid((np.arange(width) + 0.5) / width, (np.arange(height) + 0.5) / height)
    at = mapped(to_source, np.stack([x, y], axis=-1))
    rows, columns = at[..., 1] * pixels.shape[0] - 0.5, at[..., 0] * pixels.shape[1] - 0.5
    out = np.empty((height, width, 3), np.float32)
    for c in range(3):
        out[..., c] = map_coordinates(pixels[..., c], [rows, columns], order=1, mode="nearest", prefilter=False)
    outside = (rows < -0.5) | (columns < -0.5) | (rows > pixels.shape[0] - 0.5) | (columns > pixels.shape[1] - 0.5)
    out[outside] = np.nan
    return out


def chart_patches(pixels, corners):
    """Mean colour (24, 3) of the patches of a chart whose outer corners lie at four places (0..1) of a picture."""
    to_picture = homography(_CORNERS, corners)
    columns, rows = CHART_SHAPE
    half = 0.5 * _CELL_MIDDLE
    offsets = np.linspace(-half, half, 9)
    out = np.empty((columns * rows, 3))
    height, width, _ = pixels.shape
    for i in range(columns * rows):
        cx, cy = i % columns + 0.5, i // columns + 0.5
        x, y = np.meshgrid((cx + offsets) / columns, (cy + offsets) / rows)
        at = mapped(to_picture, np.stack([x, y], axis=-1).reshape(-1, 2))
        px = np.clip((at[:, 0] * width).astype(int), 0, width - 1)
        py = np.clip((at[:, 1] * height).astype(int), 0, height - 1)
        out[i] = pixels[py, px].mean(axis=0)
    return out


@dataclass(frozen=True, eq=False)
class Calibration:
    """A 3×3 matrix from a photograph's linear RGB to scene-linear, and what it leaves: ΔE2000 of each patch (24,)."""

    matrix: np.ndarray
    residuals: np.ndarray


def calibrated_by_chart(read, wanted) -> Calibration:
    """The matrix that takes a chart's patches as read (n, 3) nearest to what they are (n, 3), linear Rec.709.

    Least squares of relative error, so that dark patches count as much as light ones. ValueError where the patches are
    dark, cut off at white, or too alike to tell nine numbers.
    """
    read, wanted = np.asarray(read, float), np.asarray(wanted, float)
    if not np.isfinite(read).all() or read.max() <= 1e-6:
        raise ValueError("the chart is black where its corners were placed; place them again")
    weight = 1.0 / (wanted.mean(axis=1) + 0.02)
    weighted = read * weight[:, None]
    if np.linalg.matrix_rank(weighted, tol=1e-3 * np.linalg.norm(weighted)) < 3:
        raise ValueError("the patches are too alike for a chart; place the four corners on its outer corners")
    matrix = np.linalg.lstsq(weighted, wanted * weight[:, None], rcond=None)[0].T
    back = read @ matrix.T
    labs = (xyz_to_lab(linear_srgb_to_xyz(np.maximum(v, 0.0))) for v in (back, wanted))
    return Calibration(matrix, delta_e_2000(*labs))


def calibrated_by_neutral(colour, luminance=None):
    """The diagonal 3×3 matrix that makes a colour (3,) neutral, of a luminance where one is known; else its own."""
    colour = np.asarray(colour, float)
    if not np.isfinite(colour).all() or colour.min() <= 1e-5:
        raise ValueError("that place is too dark to balance on; choose a lighter grey")
    level = float(linear_srgb_to_xyz(colour)[1]) if luminance is None else luminance
    return np.diag(level / colour)
