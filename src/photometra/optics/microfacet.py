"""GGX microfacets with the height-correlated Smith term, sampled by visible normals.

Directions are unit vectors in the local frame, z along the surface normal, on the side of the viewer
(wo.z > 0). `ax`, `ay` are the slope widths along x and y. Sources: Walter et al. (2007) for the
distribution and refraction; Heitz (2014) for masking; Heitz (2018) for visible normals, drawn with the
spherical cap of Dupuy & Benyoub (2023), which has the same density.
"""

import math

from .circle import circle
from .jit import kernel, leaf


@leaf
def ggx_d(hx, hy, hz, ax, ay):
    """Density of microfacet normals, per steradian."""
    x = hx / ax
    y = hy / ay
    s = x * x + y * y + hz * hz
    return 1.0 / (math.pi * ax * ay * s * s)


@leaf
def smith_lambda(x, y, z, ax, ay):
    """Smith's Lambda for a direction."""
    t = (ax * ax * x * x + ay * ay * y * y) / (z * z)
    return 0.5 * (math.sqrt(1.0 + t) - 1.0)


@leaf
def _stretched(x, y, z, ax, ay):
    """(the direction as slopes of width 1 see it, a unit vector; by how much its length was divided for that)."""
    sx = ax * x
    sy = ay * y
    length = math.sqrt(sx * sx + sy * sy + z * z)
    inv = 1.0 / length
    return sx * inv, sy * inv, z * inv, length


@leaf
def _on_cap(sx, sy, sz, along, across, u1):
    """The normal that a stretched direction sees at a turn, of which cosine and sine are given; of any length."""
    cz = (1.0 - u1) * (1.0 + sz) - sz
    r = math.sqrt(max(0.0, 1.0 - cz * cz))
    return r * along + sx, r * across + sy, max(0.0, cz + sz)


@leaf
def sample_visible_normal(x, y, z, ax, ay, u0, u1):
    """A microfacet normal seen from (x, y, z), for two numbers in 0..1."""
    sx, sy, sz, _ = _stretched(x, y, z, ax, ay)
    along, across = circle(u0)
    wx, wy, hz = _on_cap(sx, sy, sz, along, across, u1)
    hx = ax * wx
    hy = ay * wy
    inv = 1.0 / math.sqrt(hx * hx + hy * hy + hz * hz)
    return hx * inv, hy * inv, hz * inv


@leaf
def _room(up, ior):
    """How far light that goes up at a cosine is from not getting away: that cosine to the mean surface; or, of light
    within a coat of an index, the square of the cosine outside where that is less."""
    return min(up, 1.0 - ior * ior * max(0.0, 1.0 - up * up)) if ior > 1.0 else up


@kernel
def sent_back_until(x, y, z, ax, ay, u0, ior):
    """For one u0, the u1 up to which visible normals of (x, y, z) send light away, and not below the surface.

    ior: 1, or the index of a coat from within which it has to get out. A rule laid up to there has no kink within. By
    false position, the end that stays made to count for less (Anderson & Björck 1973).
    """
    # As `sample_visible_normal`, with all that does not depend on u1 left out of the loop.
    sx, sy, sz, length = _stretched(x, y, z, ax, ay)
    along, across = circle(u0)
    low, high, at_low, at_high = 0.0, 1.0, 1.0, _room(-z, ior)
    place, stayed = 0.0, 0
    for _ in range(40):
        wx, wy, hz = _on_cap(sx, sy, sz, along, across, place)
        hx, hy = ax * wx, ay * wy
        up = 2.0 * length * (sx * wx + sy * wy + sz * hz) * hz / (hx * hx + hy * hy + hz * hz) - z
        there = _room(up, ior)
        if place == 0.0 and there <= 0.0:
            return 0.0
        if abs(there) < 1e-12 or high - low < 1e-12:
            return place
        if there > 0.0:
            if stayed > 0:
                at_high *= 1.0 - there / at_low if there < at_low else 0.5
            low, at_low, stayed = place, there, 1 if place > 0.0 else 0
        else:
            if stayed < 0:
                at_low *= 1.0 - there / at_high if there > at_high else 0.5
            high, at_high, stayed = place, there, -1
        place = low + (high - low) * at_low / (at_low - at_high)
    return low


@leaf
def half_way(wo, x, y, z):
    """(half vector, cosine of wo to it) between wo and a direction on its side."""
    hx = wo[0] + x
    hy = wo[1] + y
    hz = wo[2] + z
    inv = 1.0 / math.sqrt(hx * hx + hy * hy + hz * hz)
    hx *= inv
    hy *= inv
    hz *= inv
    return hx, hy, hz, min(1.0, wo[0] * hx + wo[1] * hy + wo[2] * hz)
