"""Numbers off a picture: at pins, along a line, and over all of it."""

from dataclasses import dataclass

import numpy as np

from ..colour import delta_e_2000, linear_srgb_to_xyz, xyz_to_lab

STOPS = (-10.0, 6.0)
"""Range of a histogram, in stops about white."""


@dataclass(frozen=True, eq=False)
class AtPin:
    """What a picture is about a pin: mean linear (3,), L*a*b* (3,), luminance, and its relative spread.

    delta_e: ΔE2000 to the partner's mean there; nan without one.
    """

    linear: np.ndarray
    lab: np.ndarray
    luminance: float
    spread: float
    delta_e: float = float("nan")


def _about(linear, x, y, radius):
    """The pixels (n, 3) within a circle; x, y in 0..1 of the picture, radius in 0..1 of its height."""
    height, width, _ = linear.shape
    r = max(radius * height, 0.75)
    cx, cy = x * width - 0.5, y * height - 0.5
    rows = slice(max(0, int(np.floor(cy - r))), min(height, int(np.ceil(cy + r)) + 1))
    columns = slice(max(0, int(np.floor(cx - r))), min(width, int(np.ceil(cx + r)) + 1))
    part = linear[rows, columns]
    yy, xx = np.mgrid[rows, columns]
    inside = (xx - cx) ** 2 + (yy - cy) ** 2 <= r * r
    return part[inside] if inside.any() else part.reshape(-1, 3)


def at_pin(balanced, x, y, radius, partner=None) -> AtPin | None:
    """What a balanced scene-linear picture (h, w, 3) is about a place; None beyond its edge.

    partner: the other picture, of the same size and balance, to tell a difference from.
    """
    pixels = _about(np.asarray(balanced, float), x, y, radius)
    pixels = pixels[np.isfinite(pixels).all(axis=1)]
    if not len(pixels):
        return None
    mean = pixels.mean(axis=0)
    lab = xyz_to_lab(linear_srgb_to_xyz(mean))
    luminances = linear_srgb_to_xyz(pixels)[:, 1]
    luminance = float(luminances.mean())
    other = at_pin(partner, x, y, radius) if partner is not None else None
    apart = float(delta_e_2000(lab, other.lab)) if other is not None else float("nan")
    return AtPin(mean, lab, luminance, float(luminances.std() / max(abs(luminance), 1e-9)), apart)


def profile(linear, start, end, count=200):
    """(place 0..1 (n,), luminance (n,)) along a line between two places (in 0..1), straight between pixels."""
    from scipy.ndimage import map_coordinates

    height, width, _ = linear.shape
    t = np.linspace(0.0, 1.0, count)
    rows = (start[1] + t * (end[1] - start[1])) * height - 0.5
    columns = (start[0] + t * (end[0] - start[0])) * width - 0.5
    luminance = linear_srgb_to_xyz(np.asarray(linear, float))[..., 1]
    return t, map_coordinates(luminance, [rows, columns], order=1, mode="nearest", prefilter=False)


def histogram(balanced, bins=96):
    """(stops about white (bins,), share of the picture (bins,)) by luminance; what is black counts as darkest."""
    luminance = linear_srgb_to_xyz(np.asarray(balanced, float))[..., 1]
    stops = np.log2(np.maximum(luminance[np.isfinite(luminance)], 2.0 ** STOPS[0]))
    counts, edges = np.histogram(np.clip(stops, *STOPS), bins, STOPS)
    return 0.5 * (edges[1:] + edges[:-1]), counts / max(counts.sum(), 1)
