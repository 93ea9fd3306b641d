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
    for _ in range(paths):
        x, y, z = math.sin(angle), 0.0, -math.cos(angle)
        x, y, z, weight = _one(x, y, z, coat_n, coat_alpha, depth, base_n, base_k, base_alpha, albedo)
        total += weight
        squares += weight * weight
        if weight > 0.0:
            _count(x, y, z, weight, lobe)
    return total, squares


@njit
def glossed(paths, seed, angle, source, receptor, coat_n, coat_alpha, depth, base_n, base_k, base_alpha, albedo):
    """(sum, sum of squares) of what `paths` rays from a gloss meter's source send into its receptor.

    angle: of the meter, radians; source, receptor (2,): half apertures in the plane of incidence and across it.
    """
    np.random.seed(seed)
    total = 0.0
    squares = 0.0
    c, s = math.cos(angle), math.sin(angle)
    for _ in range(paths):
        p = math.tan(source[0]) * (2.0 * np.random.random() - 1.0)
        q = math.tan(source[1]) * (2.0 * np.random.random() - 1.0)
        norm = math.sqrt(1.0 + p * p + q * q)
        x, y, z = (s + p * c) / norm, q / norm, (-c + p * s) / norm
        x, y, z, weight = _one(x, y, z, coat_n, coat_alpha, depth, base_n, base_k, base_alpha, albedo)
        along = x * s + z * c
        if weight <= 0.0 or along <= 0.0:
            continue
        if abs((x * c - z * s) / along) < math.tan(receptor[0]) and abs(y / along) < math.tan(receptor[1]):
            total += weight
            squares += weight * weight
    return total, squares


@njit
def _one(x, y, z, coat_n, coat_alpha, depth, base_n, base_k, base_alpha, albedo):
    """One ray from outside until it leaves: (x, y, z, what is left of it)."""
    n, k = base_n / coat_n, base_k / coat_n
    weight = 1.0
    above = True
    while True:
        x, y, z, above, w = walk(x, y, z, above, coat_n, 0.0, coat_alpha)
        if above:
            return x, y, z, weight
        weight *= math.exp(-depth / max(-z, 1e-9))
        if weight < _LEAST:
            if np.random.random() > weight / _LEAST:
                return x, y, z, 0.0
            weight = _LEAST
        if k > 0.0:
            x, y, z, _, w = walk(x, y, z, True, n, k, base_alpha)
        else:
            x, y, z, w = _body(x, y, z, n, base_alpha, albedo)
        weight *= w
        if weight == 0.0:
            return x, y, z, 0.0
        weight *= math.exp(-depth / max(z, 1e-9))


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
