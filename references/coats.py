"""A coat over a metal or a body, walked: the rough interface, the absorbing layer, the base, as often as it takes."""

import math

import numpy as np
from numba import njit

from .microsurface import walk

BINS = 45
"""Of the exitant angle, two degrees each, for light in the plane of incidence."""
_PLANE = math.radians(6.0)
"""How far from the plane of incidence light still counts for it."""
_LEAST = 1e-4


@njit
def coated(paths, seed, angle, coat_n, coat_alpha, depth, base_n, base_k, base_alpha, albedo, lobe):
    """(reflectance, its square summed, ...) of `paths` rays at an angle of incidence in radians.

    coat_n: the coat's index; depth: its optical thickness, absorbing only, along the normal. base_n, base_k: of the
    base in air; k > 0 a metal, else a dielectric interface over a Lambertian body of `albedo`. lobe (2, BINS): sum and
    sum of squares of what leaves in the plane of incidence by exitant angle, forward of the normal.
    """
    np.random.seed(seed)
    total = 0.0
    squares = 0.0
    n, k = base_n / coat_n, base_k / coat_n
    for _ in range(paths):
        x, y, z = math.sin(angle), 0.0, -math.cos(angle)
        weight = 1.0
        above = True
        while True:
            x, y, z, above, w = walk(x, y, z, above, coat_n, 0.0, coat_alpha)
            if above:
                break
            weight *= math.exp(-depth / max(-z, 1e-9))
            if weight < _LEAST:
                if np.random.random() > weight / _LEAST:
                    weight = 0.0
                    break
                weight = _LEAST
            if k > 0.0:
                x, y, z, _, w = walk(x, y, z, True, n, k, base_alpha)
                weight *= w
            else:
                x, y, z, w = _body(x, y, z, n, base_alpha, albedo)
                weight *= w
            if weight == 0.0:
                break
            weight *= math.exp(-depth / max(z, 1e-9))
        total += weight
        squares += weight * weight
        if weight > 0.0:
            _count(x, y, z, weight, lobe)
    return total, squares


@njit
def _body(x, y, z, n, alpha, albedo):
    """Through the interface into a Lambertian body and out again; (x, y, z, weight) of what comes back up."""
    outside = True
    weight = 1.0
    same = abs(n - 1.0) < 1e-9
    while True:
        if not same:
            x, y, z, outside, _ = walk(x, y, z, outside, n, 0.0, alpha)
            if outside:
                return x, y, z, weight
        weight *= albedo
        if weight < _LEAST:
            if np.random.random() > weight / _LEAST:
                return 0.0, 0.0, 1.0, 0.0
            weight = _LEAST
        u, phi = np.random.random(), 2.0 * math.pi * np.random.random()
        x, y, z = math.sqrt(u) * math.cos(phi), math.sqrt(u) * math.sin(phi), math.sqrt(max(1e-12, 1.0 - u))
        if same:
            return x, y, z, weight
        outside = False


@njit
def _count(x, y, z, weight, lobe):
    turn = math.atan2(y, x)
    if abs(turn) < _PLANE:
        b = min(int(math.degrees(math.acos(min(1.0, z))) / 2.0), BINS - 1)
        lobe[0, b] += weight
        lobe[1, b] += weight * weight


def brdf(lobe, paths):
    """(BRDF, standard error) at the middles of the bins, of what `coated` counted."""
    edges = np.radians(2.0 * np.arange(BINS + 1))
    solid = (np.cos(edges[:-1]) - np.cos(edges[1:])) * 2.0 * _PLANE
    cos = 0.5 * (np.cos(edges[:-1]) + np.cos(edges[1:]))
    mean = lobe[0] / paths
    error = np.sqrt(np.maximum(lobe[1] / paths - mean**2, 0.0) / paths)
    return mean / (solid * cos), error / (solid * cos)
