"""A layer of upright fibres as SGGX microflakes (Heitz et al. 2015), walked; what comes back after each scattering."""

import math

import numpy as np
from numba import njit

ORDERS = 12


@njit
def _crossing(z, s):
    return math.sqrt(1.0 - z * z + s * s * z * z)


@njit
def layer(paths, seed, cosine, s, depth):
    """(2, ORDERS) shares sent back and let through after 1, 2, … scatterings (the last: that many or more, and of those
    let through the first is none) of white fibres.

    s: SGGX width along the normal, 1 across it; depth: optical depth of the layer for flakes seen face on.
    """
    np.random.seed(seed)
    out = np.zeros((2, ORDERS))
    most = 1.0 / (math.pi * s)
    for _ in range(paths):
        sine = math.sqrt(1.0 - cosine * cosine)
        x, y, z = sine, 0.0, -cosine
        at = 0.0
        n = 0
        while True:
            step = -math.log(1.0 - np.random.random()) / _crossing(z, s)
            at -= step * z
            if at < 0.0:
                out[0, min(n - 1, ORDERS - 1)] += 1.0
                break
            if at > depth:
                out[1, min(n, ORDERS - 1)] += 1.0
                break
            # Any direction, taken as often as flakes stand to mirror light there.
            while True:
                c = 2.0 * np.random.random() - 1.0
                t, phi = math.sqrt(1.0 - c * c), 2.0 * math.pi * np.random.random()
                a, b = t * math.cos(phi), t * math.sin(phi)
                hx, hy, hz = a - x, b - y, c - z
                norm2 = hx * hx + hy * hy + hz * hz
                hz2 = hz * hz / max(norm2, 1e-12)
                q = s * s * (1.0 - hz2) + hz2
                if np.random.random() * most < s * s * s / (math.pi * q * q):
                    break
            x, y, z = a, b, c
            n += 1
    return out / paths
