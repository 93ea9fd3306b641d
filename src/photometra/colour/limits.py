"""Which colours there are: the edge of the spectrum in the plane of chromaticities, and how far reflectances reach."""

from functools import cache

import numpy as np

from .gamuts import primaries_of
from .observers import observer, weights

_LOCUS_NM = (400.0, 700.0)
"""Beyond, the edge of the plane hardly moves."""


def to_uv(xyz):
    """CIE 1976 u′, v′ (..., 2) of XYZ (..., 3)."""
    x, y, z = np.moveaxis(np.asarray(xyz, float), -1, 0)
    whole = np.maximum(x + 15.0 * y + 3.0 * z, 1e-12)
    return np.stack([4.0 * x / whole, 9.0 * y / whole], axis=-1)


def from_uv(uv, luminance):
    """XYZ (..., 3) of u′, v′ (..., 2) at a luminance Y."""
    u, v = np.moveaxis(np.asarray(uv, float), -1, 0)
    v = np.maximum(v, 1e-6)
    y = np.broadcast_to(np.asarray(luminance, float), u.shape)
    return np.stack([y * 9.0 * u / (4.0 * v), y, y * (12.0 - 3.0 * u - 20.0 * v) / (4.0 * v)], axis=-1)


@cache
def spectral_locus():
    """(wavelengths (n,), u′ v′ (n, 2)) of the pure spectral colours, 1931 observer."""
    nm, matching = observer()
    seen = (nm >= _LOCUS_NM[0]) & (nm <= _LOCUS_NM[1])
    return nm[seen], to_uv(matching[seen])


def gamut_of(space):
    """u′ v′ (3, 2) of the red, green and blue of a space in `SPACES`."""
    xy = np.array(primaries_of(space))
    return to_uv(np.stack([xy[:, 0] / xy[:, 1], np.ones(3), (1.0 - xy.sum(axis=1)) / xy[:, 1]], axis=1))


def reflectance_limit(luminance, illuminant="D65"):
    """u′ v′ (n, 2), a closed outline: the most saturated colours that a reflectance of luminance Y (0 to 1) can have.

    They are 1 on one run of wavelengths and 0 elsewhere, or the reverse (Schrödinger 1920; MacAdam 1935).
    """
    by_band = weights(illuminant)
    count = len(by_band)
    # A run may go round the end of the spectrum; each starts anywhere within a band and ends where Y is reached.
    sums = np.concatenate([np.zeros((1, 3)), np.cumsum(np.vstack([by_band, by_band]), axis=0)])
    places = np.arange(2 * count + 1.0)
    starts = np.arange(0.0, count, 0.25)
    begun = np.stack([np.interp(starts, places, sums[:, c]) for c in range(3)], axis=1)
    level = float(np.clip(luminance, 1e-4, 1.0 - 1e-4))
    # Where a run adds next to no light its end is anywhere: growing sums keep the order.
    growing = sums[:, 1] + 1e-12 * places
    ends = np.interp(begun[:, 1] + level, growing, places)
    ended = np.stack([np.interp(ends, places, sums[:, c]) for c in range(3)], axis=1)
    return to_uv(ended - begun)
