"""Slabs and half-spaces of scattering matter behind rough faces, walked; lit and looked at through discs."""

import math

import numpy as np
from numba import njit

from .microsurface import walk

STRAIGHT = math.radians(2.5)
"""How far off the way it came light still counts as let through straight on."""
_LEAST = 1e-3


@njit
def _turned(x, y, z, g):
    """A direction scattered by Henyey & Greenstein (1941) of asymmetry g."""
    u = np.random.random()
    if abs(g) < 1e-6:
        c = 1.0 - 2.0 * u
    else:
        q = (1.0 - g * g) / (1.0 - g + 2.0 * g * u)
        c = (1.0 + g * g - q * q) / (2.0 * g)
    s, phi = math.sqrt(max(0.0, 1.0 - c * c)), 2.0 * math.pi * np.random.random()
    # Any frame about the old direction will do.
    if abs(z) < 0.9:
        ax, ay, az = y, -x, 0.0
    else:
        ax, ay, az = 0.0, z, -y
    norm = math.sqrt(ax * ax + ay * ay + az * az)
    ax, ay, az = ax / norm, ay / norm, az / norm
    bx, by, bz = y * az - z * ay, z * ax - x * az, x * ay - y * ax
    k, m = s * math.cos(phi), s * math.sin(phi)
    x, y, z = c * x + k * ax + m * bx, c * y + k * ay + m * by, c * z + k * az + m * bz
    norm = math.sqrt(x * x + y * y + z * z)
    return x / norm, y / norm, z / norm


@njit
def body(paths, seed, angle, n, alpha, thickness, absorption, scatter, g, lit, seen):
    """(8,) sums: reflected, its square, collected, its square, let through, its square, straight on, its square.

    paths rays at an angle of incidence (radians) upon matter of index n between two faces of slope width alpha,
    `thickness` apart (inf: no far face), with coefficients per length and asymmetry g. lit, seen: radii of the disc
    that is lit evenly and of the one about the same centre whose light is collected.
    """
    np.random.seed(seed)
    sums = np.zeros(8)
    extinction = absorption + scatter
    for _ in range(paths):
        r, phi = lit * math.sqrt(np.random.random()), 2.0 * math.pi * np.random.random()
        px, py, depth = r * math.cos(phi), r * math.sin(phi), 0.0
        x, y, z = math.sin(angle), 0.0, -math.cos(angle)
        # Through which face a ray goes next: 1 the near one from outside, 2 it from within, 3 the far one from within.
        face = 1
        weight = 1.0
        while True:
            if face == 3:
                # The far face, seen upside down.
                x, y, z, outside, w = walk(x, y, -z, False, n, 0.0, alpha)
                z = -z
                if outside:
                    sums[4] += weight
                    sums[5] += weight * weight
                    c = -z * math.cos(angle) + x * math.sin(angle)
                    if c > math.cos(STRAIGHT):
                        sums[6] += weight
                        sums[7] += weight * weight
                    break
            else:
                x, y, z, outside, w = walk(x, y, z, face == 1, n, 0.0, alpha)
                if outside:
                    sums[0] += weight
                    sums[1] += weight * weight
                    if px * px + py * py < seen * seen:
                        sums[2] += weight
                        sums[3] += weight * weight
                    break
            if w == 0.0:
                break
            face = 0
            while face == 0:
                step = -math.log(1.0 - np.random.random()) / extinction if extinction > 0.0 else math.inf
                edge = depth / z if z > 0.0 else (thickness - depth) / -z if z < 0.0 else math.inf
                if step < edge:
                    px, py, depth = px + step * x, py + step * y, depth - step * z
                    weight *= scatter / extinction
                    if weight < _LEAST:
                        if np.random.random() > weight / _LEAST:
                            weight = 0.0
                            break
                        weight = _LEAST
                    x, y, z = _turned(x, y, z, g)
                else:
                    px, py = px + edge * x, py + edge * y
                    face = 2 if z > 0.0 else 3
                    depth = 0.0 if z > 0.0 else thickness
            if weight == 0.0:
                break
    return sums


def means(sums, paths):
    """[(mean, standard error)] of the four quantities that `body` sums."""
    mean, square = sums[::2] / paths, sums[1::2] / paths
    return list(zip(mean, np.sqrt(np.maximum(square - mean**2, 0.0) / paths), strict=True))
