"""Reference photographs: from a file's numbers to scene-linear colour that can stand beside a render.

Decoded by its curve, calibrated by a neutral patch or by a chart of 24 patches, and brought into the render's frame by
four points.
"""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from ..colour import (
    adaptation,
    delta_e_2000,
    lab_to_xyz,
    linear_srgb_to_xyz,
    white_point,
    xyz_to_lab,
    xyz_to_linear_srgb,
)
from ..errors import InputError
from ..study import WHOLE
from ..words import tr
from .framing import corners_within, in_frame, in_view
from .pyramid import pyramid_in

CHART_SHAPE = (6, 4)
"""Columns and rows of a chart."""
_CLIPPED = 0.985
_CELL_PIXELS = 24
"""About how many pixels a patch is read at: of a finer photograph they are averages."""
_CELL_MIDDLE = 0.5
"""Share of a patch, about its middle, that is read: edges and shadows stay out."""


def our_chart():
    """Linear Rec.709 (24, 3) of a chart of our own: a row of six greys, and eighteen hues spread evenly in CIE Lab."""
    lab = [(lightness, 0.0, 0.0) for lightness in (20.0, 35.0, 50.0, 65.0, 80.0, 95.0)]
    lab += [
        (lightness, 32.0 * np.cos(np.radians(hue)), 32.0 * np.sin(np.radians(hue)))
        for lightness, first in ((62.0, 0.0), (50.0, 20.0), (38.0, 40.0))
        for hue in first + 60.0 * np.arange(6)
    ]
    return np.clip(xyz_to_linear_srgb(lab_to_xyz(np.array(lab))), 0.0, 1.0)


def chart_from(reading):
    """Linear Rec.709 (24, 3), under D65, of a chart of one's own: from a reading of colour with 24 rows, in the order
    of its patches, row by row. ValueError where it is not one."""
    count = CHART_SHAPE[0] * CHART_SHAPE[1]
    if reading.kind_key != "colour" or reading.rows != count:
        raise InputError(tr("a chart's values are {0} colours, row by row; there are {1}", count, reading.rows))
    lab = np.column_stack([reading.columns[c] for c in "Lab"])
    xyz = lab_to_xyz(lab, reading.lit_by, reading.observer)
    adapt = adaptation(white_point(reading.lit_by, reading.observer), white_point())
    return xyz_to_linear_srgb(xyz @ adapt.T)


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
                raise InputError(tr("three of the four points lie in one line; place them at the corners"))
    return np.append(np.linalg.solve(matrix, target.reshape(-1)), 1.0).reshape(3, 3)


def mapped(matrix, points):
    """Points (..., 2) through a homography."""
    points = np.asarray(points, float)
    out = np.concatenate([points, np.ones((*points.shape[:-1], 1))], axis=-1) @ np.asarray(matrix).T
    return out[..., :2] / out[..., 2:]


def warped(pyramid, corners, width, height):
    """A picture seen so that four of its places (0..1, as `WHOLE`) fill a frame: float32 (height, width, 3), NaN
    beyond its edge. Where it is finer than the frame, its pixels are averaged (by the level of its pyramid)."""
    from scipy.ndimage import map_coordinates

    corners = np.asarray(corners, float)
    to_source = homography(WHOLE, corners)
    edges = np.linalg.norm((np.roll(corners, -1, axis=0) - corners) * (pyramid.width, pyramid.height), axis=1)
    step = float((edges / (width, height, width, height)).min())
    pixels = pyramid.levels[pyramid.level_for(step)].astype(np.float32)
    x, y = np.meshgrid((np.arange(width) + 0.5) / width, (np.arange(height) + 0.5) / height)
    at = mapped(to_source, np.stack([x, y], axis=-1))
    rows, columns = at[..., 1] * pixels.shape[0] - 0.5, at[..., 0] * pixels.shape[1] - 0.5
    out = np.empty((height, width, 3), np.float32)
    for c in range(3):
        out[..., c] = map_coordinates(pixels[..., c], [rows, columns], order=1, mode="nearest", prefilter=False)
    outside = (rows < -0.5) | (columns < -0.5) | (rows > pixels.shape[0] - 0.5) | (columns > pixels.shape[1] - 0.5)
    out[outside] = np.nan
    return out


@lru_cache(maxsize=8)
def reference_in_frame(reference, data, width, height, without_clipped=False):
    """A photograph's scene-linear picture in the frame of a render, float32 (height, width, 3); NaN beyond its edge.

    reference: its curve, matrix, exposure and corners; data: its file. without_clipped: NaN too where an encoded
    photograph is as bright as it can be.
    """
    pyramid = pyramid_in(reference.picture, data, reference.curve)
    to_photograph = homography(WHOLE, reference.corners)
    corners = mapped(to_photograph, corners_within(width / height, pyramid.aspect))
    pixels = warped(pyramid, corners, width, height)
    if without_clipped and reference.curve != "linear":
        pixels[pixels.max(axis=-1) >= _CLIPPED] = np.nan
    pixels = as_calibrated(pixels, reference)
    pixels.flags.writeable = False
    return pixels


def as_calibrated(pixels, reference):
    """A photograph's decoded pixels (..., 3) as its exposure and matrix have them."""
    matrix = np.array(reference.matrix, np.float32).reshape(3, 3) * np.float32(2.0**reference.exposure)
    return pixels @ matrix.T


@lru_cache(maxsize=8)
def proof_in_frame(proof, data, width, height):
    """A proof's scene-linear picture in the frame of a render by the same camera; NaN beyond its edge."""
    pyramid = pyramid_in(proof.picture, data)
    pixels = warped(pyramid, corners_within(width / height, pyramid.aspect), width, height)
    pixels.flags.writeable = False
    return pixels


def chart_patches(pyramid, corners):
    """Mean colour (24, 3) of the patches of a chart whose outer corners lie at four places (0..1) of a picture."""
    to_picture = homography(WHOLE, corners)
    across = np.linalg.norm(np.subtract(corners[1], corners[0]) * (pyramid.width, pyramid.height))
    pixels = pyramid.levels[pyramid.level_for(across / CHART_SHAPE[0] / _CELL_PIXELS)].astype(np.float32)
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


def calibrated_by_chart(pyramid, corners, wanted) -> Calibration:
    """The calibration of a photograph by a chart whose outer corners lie at four places of it, either way up.

    wanted: what its patches are (24, 3), linear Rec.709. ValueError as `calibrated_by_patches`.
    """
    read = chart_patches(pyramid, corners)
    upright, turned = (calibrated_by_patches(patches, wanted) for patches in (read, read[::-1]))
    # Either way the residuals are told in the order of the patches from the first corner.
    turned = Calibration(turned.matrix, turned.residuals[::-1])
    return min(upright, turned, key=lambda found: float(found.residuals.mean()))


def calibrated_by_patches(read, wanted) -> Calibration:
    """The matrix that takes a chart's patches as read (n, 3) nearest to what they are (n, 3), linear Rec.709.

    Least squares of relative error, so that dark patches count as much as light ones. ValueError where the patches are
    dark, cut off at white, or too alike to tell nine numbers.
    """
    read, wanted = np.asarray(read, float), np.asarray(wanted, float)
    if not np.isfinite(read).all() or read.max() <= 1e-6:
        raise InputError(tr("the chart is black where its corners were placed; place them again"))
    weight = 1.0 / (wanted.mean(axis=1) + 0.02)
    weighted = read * weight[:, None]
    if np.linalg.matrix_rank(weighted, tol=1e-3 * np.linalg.norm(weighted)) < 3:
        raise InputError(tr("the patches are too alike for a chart; place the four corners on its outer corners"))
    matrix = np.linalg.lstsq(weighted, wanted * weight[:, None], rcond=None)[0].T
    back = read @ matrix.T
    labs = (xyz_to_lab(linear_srgb_to_xyz(np.maximum(v, 0.0))) for v in (back, wanted))
    return Calibration(matrix, delta_e_2000(*labs))


def place_in_frame(reference, place, theirs, ours):
    """Where a place (0..1) of a photograph of aspect `theirs` lies in a render's frame of aspect `ours`, (x, y)."""
    in_theirs = mapped(np.linalg.inv(homography(WHOLE, reference.corners)), place)
    return in_frame(in_view(in_theirs, theirs), ours)


def calibrated_by_neutral(colour, luminance=None, matrix=None):
    """The 3×3 matrix that makes a colour (3,) neutral, of a luminance where one is known; else its own.

    matrix: what has gone before, as of a camera's profile; its channels are balanced before it. None: of gains alone.
    """
    colour = np.asarray(colour, float)
    if not np.isfinite(colour).all() or colour.min() <= 1e-5:
        raise InputError(tr("that place is too dark to balance on; choose a lighter grey"))
    matrix = np.eye(3) if matrix is None else np.asarray(matrix, float).reshape(3, 3)
    level = float(linear_srgb_to_xyz(matrix @ colour)[1]) if luminance is None else luminance
    return matrix @ np.diag(np.linalg.solve(matrix, np.full(3, level)) / colour)
