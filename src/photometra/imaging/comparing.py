"""Two pictures of one size beside each other: what is shown of each, and how far they are apart, in numbers."""

from dataclasses import dataclass

import numpy as np

from ..colour import delta_e_2000, linear_srgb_to_xyz, xyz_to_lab

LARGEST_SHOWN = 10.0
"""The ΔE2000, or tens of per cent of luminance, at the end of a map's scale."""
_RAMP = np.array([[0.05, 0.05, 0.06], [0.10, 0.32, 0.30], [0.45, 0.66, 0.52], [0.90, 0.76, 0.40], [0.78, 0.30, 0.18]])
"""A map's colours by evenly rising value: dark, verdigris, pale, straw, brick; its lightness rises up to straw."""


def delta_e_map(a, b):
    """ΔE2000 (h, w) of two balanced scene-linear pictures (h, w, 3), white 1 under D65; NaN where either has none."""
    labs = []
    for picture in (a, b):
        with np.errstate(invalid="ignore"):
            labs.append(xyz_to_lab(linear_srgb_to_xyz(np.maximum(picture, 0.0))))
    return delta_e_2000(*labs)


def luminance_difference(a, b):
    """Signed difference of luminance (h, w), b - a against the mean of both, -2..2; NaN where either has none."""
    ya, yb = (linear_srgb_to_xyz(np.maximum(p, 0.0))[..., 1] for p in (a, b))
    return (yb - ya) / np.maximum(0.5 * (ya + yb), 1e-4)


@dataclass(frozen=True)
class Apart:
    """Statistics of a map over a region: how many pixels count, and their mean, median, 95th of 100, and largest."""

    pixels: int
    mean: float
    median: float
    p95: float
    largest: float


def apart(values, region=None) -> Apart:
    """Statistics of a map (h, w), of its absolute values, within a region (left, top, right, bottom) in 0..1."""
    if region is not None:
        h, w = values.shape
        left, top, right, bottom = region
        values = values[int(top * h) : max(int(bottom * h), int(top * h) + 1), :]
        values = values[:, int(left * w) : max(int(right * w), int(left * w) + 1)]
    known = np.abs(values[np.isfinite(values)])
    if not known.size:
        return Apart(0, np.nan, np.nan, np.nan, np.nan)
    return Apart(
        int(known.size),
        float(known.mean()),
        float(np.median(known)),
        float(np.percentile(known, 95)),
        float(known.max()),
    )


def ramp(values):
    """Colours 0..1 (..., 3) of values 0..1 on a map's scale; what is not known is mid-grey."""
    x = np.clip(np.nan_to_num(values), 0.0, 1.0) * (len(_RAMP) - 1)
    i = np.minimum(x.astype(int), len(_RAMP) - 2)
    t = (x - i)[..., None]
    out = _RAMP[i] * (1.0 - t) + _RAMP[i + 1] * t
    return np.where(np.isfinite(values)[..., None], out, 0.466)


def signed_ramp(values):
    """Colours of values -1..1: brick where the second is brighter, verdigris where it is darker, grey where alike."""
    x = np.clip(np.nan_to_num(values), -1.0, 1.0)[..., None]
    grey, up, down = np.full(3, 0.466), np.array([0.86, 0.36, 0.24]), np.array([0.14, 0.66, 0.56])
    return grey + np.abs(x) * (np.where(x > 0.0, up, down) - grey)


def beyond_divider(width, height, angle_deg, place):
    """Where (h, w) a picture lies beyond a line through it: at `place` 0..1 across, turned from upright by an angle."""
    angle = np.radians(angle_deg)
    x, y = np.meshgrid((np.arange(width) + 0.5) - place * width, (np.arange(height) + 0.5) - 0.5 * height)
    return x * np.cos(angle) + y * np.sin(angle) > 0.0
