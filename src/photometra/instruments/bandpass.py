"""What an instrument takes for one wavelength: a triangle about it, as behind two equal slits (ASTM E2729)."""

import math
from functools import lru_cache

import numpy as np

_FRINGE_SAMPLES = 6
_MOST_NODES, _FEWEST = 65, 8
_SMOOTH, _CLOSE = 6.0, 2.0
"""Fringes of so many band-passes are as good as none, or need five places only."""
_FIVE = np.array([-1.0, -0.5, 0.0, 0.5, 1.0]), np.array([1.0, 16.0, 26.0, 16.0, 1.0]) / 60.0
"""Of a triangle of half width 1: places and weights that are exact up to the fifth degree."""
_VARIANCE = 1.0 / 6.0
"""Of a triangle, in its full widths at half maximum squared."""


def film_fringe_nm(surface, wavelength_nm):
    """From one fringe of a surface's film to the next, about a wavelength in nm; infinite without one."""
    if surface["film.amount"] <= 0.0 or surface["film.thickness"] <= 0.0:
        return math.inf
    return wavelength_nm**2 / (2.0 * surface["film.ior"] * surface["film.thickness"])


@lru_cache(maxsize=32)
def _at(wavelengths):
    """(different wavelengths in order, where each of the given is among them, what gives the second derivative between
    them, (n, n), None where they are few)."""
    nodes, back = np.unique(np.frombuffer(wavelengths), return_inverse=True)
    if nodes.size < _FEWEST:
        return nodes, back, None
    slope = np.gradient(np.eye(nodes.size), nodes, axis=-1)
    return nodes, back, slope @ slope


def within_bandpass(wavelengths, width_nm, fringe_nm, values_at):
    """Mean of what `values_at` (a function of wavelengths (n,) in nm, giving (..., n)) gives over the band-pass.

    width_nm: full width at half maximum; fringe_nm: how far apart the model's finest features are. Where they are far
    apart the curvature between the wavelengths tells the mean, or, where these are few, two places of the triangle's
    variance, which is exact for a cubic; else as many places as the fringes need.
    """
    wavelengths = np.asarray(wavelengths, float)
    if width_nm <= 0.0:
        return values_at(wavelengths)
    nodes, back, curvature = _at(wavelengths.tobytes())
    if fringe_nm > _SMOOTH * width_nm and nodes.size >= _FEWEST and np.diff(nodes).max() <= 2.0 * width_nm:
        values = np.asarray(values_at(nodes))
        curved = values @ curvature
        return (values + 0.5 * _VARIANCE * width_nm**2 * curved)[..., back.reshape(wavelengths.shape)]
    if fringe_nm > _SMOOTH * width_nm:
        offsets, weights = np.array([-1.0, 1.0]) * math.sqrt(_VARIANCE), np.array([0.5, 0.5])
    elif fringe_nm > _CLOSE * width_nm:
        offsets, weights = _FIVE
    else:
        count = min(_MOST_NODES, 3 + 2 * math.ceil(_FRINGE_SAMPLES * width_nm / fringe_nm))
        offsets = (np.arange(count) + 0.5) * 2.0 / count - 1.0
        weights = (1.0 - np.abs(offsets)) / (1.0 - np.abs(offsets)).sum()
    # Places that fall together are asked once.
    places = np.round(np.add.outer(offsets * width_nm, wavelengths), 6)
    places, back = np.unique(places, return_inverse=True)
    values = np.asarray(values_at(places))
    return np.tensordot(weights, values[..., back.reshape(weights.size, -1)], axes=([0], [values.ndim - 1]))
