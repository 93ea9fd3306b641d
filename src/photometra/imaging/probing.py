"""Numbers off a picture: at its pins, along a line, and over all of it."""

from dataclasses import dataclass

import numpy as np

from ..colour import delta_e_2000, linear_srgb_to_xyz, xyz_to_lab
from ..tracing.scene import frame_extent
from .framing import in_frame

STOPS = (-10.0, 6.0)
"""Range of a histogram, in stops about white."""
_MOST_BINS = 96


@dataclass(frozen=True, eq=False)
class AtPin:
    """What a picture is at a pin: mean linear (3,), L*a*b* (3,), luminance, and its relative spread.

    delta_e: ΔE2000 to the partner's mean there; nan without one.
    """

    linear: np.ndarray
    lab: np.ndarray
    luminance: float
    spread: float
    delta_e: float = float("nan")


def covered(pin, width, height):
    """The pixels of a picture that a pin covers: (rows (n,), columns (n,), how far along a line's pin each is, 0..1).

    A pin smaller than a pixel covers those it touches; none are covered beyond the picture's edge.
    """
    ends = np.array([(pin.x, pin.y), (pin.to_x, pin.to_y)])
    (cx, cy), (tx, ty) = in_frame(ends, width / height) * (width, height) - 0.5
    radius = max(pin.radius * height / frame_extent(width / height)[1], 0.75)
    if pin.form == "point":
        box = cx - radius, cx + radius, cy - radius, cy + radius
    else:
        edge = radius if pin.form == "line" else 0.0
        box = min(cx, tx) - edge, max(cx, tx) + edge, min(cy, ty) - edge, max(cy, ty) + edge
    left, right, top, bottom = (int(np.floor(v + 0.5)) for v in box)
    within = range(height)[max(top, 0) : max(bottom + 1, 0)], range(width)[max(left, 0) : max(right + 1, 0)]
    rows, columns = (g.ravel() for g in np.meshgrid(*(np.array(w, int) for w in within), indexing="ij"))
    along = np.zeros(rows.size)
    if pin.form == "point":
        inside = (columns - cx) ** 2 + (rows - cy) ** 2 <= radius * radius
    elif pin.form == "line":
        dx, dy = tx - cx, ty - cy
        length = max(float(np.hypot(dx, dy)), 1e-9)
        along = ((columns - cx) * dx + (rows - cy) * dy) / length**2
        across = ((columns - cx) * dy - (rows - cy) * dx) / length
        inside = (np.abs(across) <= radius) & (along >= 0.0) & (along <= 1.0)
    else:
        inside = np.ones(rows.size, bool)
    if not inside.any() and rows.size:
        inside[np.argmin((columns - cx) ** 2 + (rows - cy) ** 2)] = True
    return rows[inside], columns[inside], along[inside]


def at_pin(balanced, pin, partner=None) -> AtPin | None:
    """What a balanced scene-linear picture (h, w, 3) is at a pin; None beyond its edge.

    partner: the other picture, of the same size and balance, to tell a difference from.
    """
    height, width, _ = balanced.shape
    rows, columns, _ = covered(pin, width, height)
    pixels = np.asarray(balanced[rows, columns], float)
    pixels = pixels[np.isfinite(pixels).all(axis=1)]
    if not len(pixels):
        return None
    mean = pixels.mean(axis=0)
    lab = xyz_to_lab(linear_srgb_to_xyz(mean))
    luminances = linear_srgb_to_xyz(pixels)[:, 1]
    luminance = float(luminances.mean())
    other = at_pin(partner, pin) if partner is not None else None
    apart = float(delta_e_2000(lab, other.lab)) if other is not None else float("nan")
    return AtPin(mean, lab, luminance, float(luminances.std() / max(abs(luminance), 1e-9)), apart)


def profile(balanced, pin, bins=None):
    """(place 0..1 (n,), luminance (n,)) along a line's pin, the mean over its band; NaN where nothing is known."""
    height, width, _ = balanced.shape
    rows, columns, along = covered(pin, width, height)
    if bins is None:
        bins = int(np.clip(np.hypot(np.ptp(rows), np.ptp(columns)) / 1.5, 4, _MOST_BINS)) if rows.size else 4
    luminance = linear_srgb_to_xyz(np.asarray(balanced[rows, columns], float))[:, 1]
    return binned(along, luminance, bins)


def binned(along, values, bins):
    """(middles (bins,), mean of the values that lie in each bin of 0..1); NaN where none are known."""
    known = np.isfinite(values)
    where = np.minimum((along[known] * bins).astype(int), bins - 1)
    count = np.bincount(where, minlength=bins)
    with np.errstate(invalid="ignore"):
        means = np.bincount(where, values[known], bins) / np.where(count > 0, count, np.nan)
    return (np.arange(bins) + 0.5) / bins, means


def histogram(balanced, bins=96):
    """(stops about white (bins,), share of the picture (bins,)) by luminance; what is black counts as darkest."""
    luminance = linear_srgb_to_xyz(np.asarray(balanced, float))[..., 1]
    stops = np.log2(np.maximum(luminance[np.isfinite(luminance)], 2.0 ** STOPS[0]))
    counts, edges = np.histogram(np.clip(stops, *STOPS), bins, STOPS)
    return 0.5 * (edges[1:] + edges[:-1]), counts / max(counts.sum(), 1)
