"""Random walks on rough interfaces: GGX slopes, Smith's heights, any number of bounces (Heitz et al. 2016).

Directions are (x, y, z), z up. `outside` tells on which side of the interface a ray is. The heights are spread evenly
over -1..1, as the paper's simplest choice; the result does not depend on it.
"""

import math

import numpy as np
from numba import njit

_MOST_BOUNCES = 200


@njit
def fresnel(cos, n, k):
    """Unpolarised reflectance of an interface towards relative complex index n + ik, 0 < cos <= 1 (Born & Wolf)."""
    s2 = 1.0 - cos * cos
    a = n * n - k * k - s2
    root = math.sqrt(a * a + 4.0 * n * n * k * k)
    p = math.sqrt(max(0.0, 0.5 * (root + a)))
    q2 = max(0.0, 0.5 * (root - a))
    rs = ((cos - p) ** 2 + q2) / ((cos + p) ** 2 + q2)
    if cos < 1e-9:
        return 1.0
    t = s2 / cos
    rp = rs * ((p - t) ** 2 + q2) / ((p + t) ** 2 + q2)
    if k == 0.0 and a <= 0.0:
        return 1.0
    return 0.5 * (rs + rp)


@njit
def _lambda(x, y, z, alpha):
    """Smith's Lambda of GGX, of a direction on either side of the horizon."""
    if z > 0.999999:
        return 0.0
    if z < -0.999999:
        return -1.0
    tangent = math.sqrt(max(0.0, 1.0 - z * z)) / z if z != 0.0 else 1e12
    a = 1.0 / (alpha * tangent)
    return 0.5 * (-1.0 + math.copysign(math.sqrt(1.0 + 1.0 / (a * a)), a))


@njit
def _next_height(x, y, z, h, alpha):
    """The height at which a ray meets the surface next; above 1 where it leaves."""
    u = np.random.random()
    if z > 0.9999:
        return 2.0
    c = min(max(0.5 * (h + 1.0), 0.0), 1.0)
    if z < -0.9999:
        return 2.0 * u * c - 1.0
    if abs(z) < 1e-4:
        return h
    big = _lambda(x, y, z, alpha)
    # Upwards it may leave without meeting the surface again; downwards it never does.
    leaves = c**big if z > 0.0 else 0.0
    if u > 1.0 - leaves:
        return 2.0
    return 2.0 * min(max(c / (1.0 - u) ** (1.0 / big), 0.0), 1.0) - 1.0


@njit
def _visible_normal(x, y, z, alpha):
    """A facet's normal as seen from a direction on either side of the horizon (Dupuy & Benyoub 2023)."""
    sx, sy, sz = alpha * x, alpha * y, z
    norm = math.sqrt(sx * sx + sy * sy + sz * sz)
    sx, sy, sz = sx / norm, sy / norm, sz / norm
    phi = 2.0 * math.pi * np.random.random()
    c = (1.0 - np.random.random()) * (1.0 + sz) - sz
    s = math.sqrt(min(max(1.0 - c * c, 0.0), 1.0))
    hx, hy, hz = sx + s * math.cos(phi), sy + s * math.sin(phi), sz + c
    hx, hy, hz = alpha * hx, alpha * hy, max(hz, 1e-12)
    norm = math.sqrt(hx * hx + hy * hy + hz * hz)
    return hx / norm, hy / norm, hz / norm


@njit
def walk(x, y, z, outside, n, k, alpha):
    """Send a ray (travelling along x, y, z) onto an interface, n + ik below over above, until it leaves.

    Returns (x, y, z, outside, weight): the way it leaves, on which side, and what absorbing facets left of it.
    alpha 0 is a polished face.
    """
    weight = 1.0
    if alpha <= 0.0:
        mx, my, mz = 0.0, 0.0, 1.0 if outside else -1.0
        x, y, z, outside, weight = _facet(x, y, z, outside, mx, my, mz, n, k)
        return x, y, z, outside, weight
    h = 1.0 if outside else -1.0
    for _ in range(_MOST_BOUNCES):
        if outside:
            h = _next_height(x, y, z, h, alpha)
        else:
            h = -_next_height(-x, -y, -z, -h, alpha)
        if abs(h) > 1.5:
            return x, y, z, outside, weight
        if outside:
            mx, my, mz = _visible_normal(-x, -y, -z, alpha)
        else:
            mx, my, mz = _visible_normal(x, y, z, alpha)
            mx, my, mz = -mx, -my, -mz
        x, y, z, outside, w = _facet(x, y, z, outside, mx, my, mz, n, k)
        weight *= w
    return x, y, z, outside, 0.0


@njit
def _facet(x, y, z, outside, mx, my, mz, n, k):
    """One facet, its normal on the ray's side: a metal reflects with a weight, a dielectric by chance."""
    cos = -(x * mx + y * my + z * mz)
    cos = min(max(cos, 0.0), 1.0)
    eta = n if outside else 1.0 / n
    f = fresnel(cos, eta, k)
    if k > 0.0 or np.random.random() < f:
        x, y, z = x + 2.0 * cos * mx, y + 2.0 * cos * my, z + 2.0 * cos * mz
        return x, y, z, outside, f if k > 0.0 else 1.0
    inside = math.sqrt(max(0.0, 1.0 - (1.0 - cos * cos) / (eta * eta)))
    q = cos / eta - inside
    x, y, z = x / eta + q * mx, y / eta + q * my, z / eta + q * mz
    norm = math.sqrt(x * x + y * y + z * z)
    return x / norm, y / norm, z / norm, not outside, 1.0
