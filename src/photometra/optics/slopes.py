"""Slopes of rough faces: how far a beam is spread by two of them."""

from functools import lru_cache

import numpy as np

_FARTHEST = 60.0
"""Beyond so many slope widths the two faces' tails are all there is: each has 1 / x² beyond x."""


@lru_cache(maxsize=1)
def _table():
    """(ln x, share) of the sum of two independent GGX slopes of width 1 within x, by its characteristic function.

    A slope's is k K₁(k); that of the sum its square, and the share within x is x ∫ J₁(k x) (k K₁(k))² dk.
    """
    from scipy.special import j1, k1

    k = np.linspace(1e-6, 40.0, 40_001)
    squared = (k * k1(k)) ** 2
    x = np.geomspace(1e-3, _FARTHEST, 240)
    share = [v * np.trapezoid(j1(k * v) * squared, k) for v in x]
    return np.log(x), np.array(share)


@lru_cache(maxsize=1)
def median_of_two_faces():
    """The slope, in slope widths, that the summed slopes of two equal GGX faces stay below half the time."""
    grid, share = _table()
    return float(np.exp(np.interp(0.5, share, grid)))


def within_one_face(x):
    """Share of light that one GGX face's slope moves by less than x slope widths."""
    x = np.asarray(x, float)
    return x * x / (1.0 + x * x)


def within_two_faces(x):
    """Share of a beam whose direction the summed slopes of two equal GGX faces move by less than x slope widths."""
    x = np.asarray(x, float)
    grid, share = _table()
    near = np.interp(np.log(np.maximum(x, 1e-12)), grid, share)
    # Below the table the share goes with the area; beyond it only the tails are left.
    near = np.where(x < 1e-3, share[0] * (x / 1e-3) ** 2, near)
    far = 1.0 - (1.0 - share[-1]) * (_FARTHEST / np.maximum(x, _FARTHEST)) ** 2
    return np.clip(np.where(x > _FARTHEST, far, near), 0.0, 1.0)
