"""What a rough metal sends back, by random walks on its facets."""

import math

import numpy as np
from numba import njit

from .microsurface import walk


@njit
def metal(paths, seed, angle, n, k, alpha):
    """(sum of what is left of each path, sum of squares) of light at an angle from the normal, radians."""
    np.random.seed(seed)
    total = squares = 0.0
    for _ in range(paths):
        weight = walk(math.sin(angle), 0.0, -math.cos(angle), True, n, k, alpha)[4]
        total += weight
        squares += weight * weight
    return total, squares
