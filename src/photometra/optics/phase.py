"""Directions about a direction: tangents, and the turn that one scattering gives."""

import math

from .circle import circle
from .jit import leaf


@leaf
def frame(nx, ny, nz):
    """Two tangents of a unit normal (Duff et al. 2017)."""
    sign = 1.0 if nz >= 0.0 else -1.0
    a = -1.0 / (sign + nz)
    b = nx * ny * a
    return 1.0 + sign * nx * nx * a, sign * b, -sign * nx, b, sign + ny * ny * a, -ny


@leaf
def scattered(dx, dy, dz, asymmetry, u0, u1):
    """A direction after one scattering (Henyey & Greenstein 1941)."""
    if abs(asymmetry) < 1e-3:
        c = 1.0 - 2.0 * u0
    else:
        q = (1.0 - asymmetry * asymmetry) / (1.0 + asymmetry - 2.0 * asymmetry * u0)
        c = (1.0 + asymmetry * asymmetry - q * q) / (2.0 * asymmetry)
    s = math.sqrt(max(0.0, 1.0 - c * c))
    along, across = circle(u1)
    ax, ay, az, bx, by, bz = frame(dx, dy, dz)
    x = s * along
    y = s * across
    return ax * x + bx * y + dx * c, ay * x + by * y + dy * c, az * x + bz * y + dz * c
