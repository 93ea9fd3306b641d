"""Light within an interior: one step in what scatters, and one turn there."""

import math

from ..optics.jit import kernel
from .spectral import HEROES, drawn


@kernel
def frame(nx, ny, nz):
    """Two tangents of a unit normal (Duff et al. 2017)."""
    sign = 1.0 if nz >= 0.0 else -1.0
    a = -1.0 / (sign + nz)
    b = nx * ny * a
    return 1.0 + sign * nx * nx * a, sign * b, -sign * nx, b, sign + ny * ny * a, -ny


@kernel
def walked(distance, state, props, scatter_row, absorb_row, through, extinct):
    """One step in a scattering interior towards a wall at `distance`: how far it goes, or -1 for up to the wall.

    The distance is drawn for one wavelength, chosen by what each still carries; the weights in `through` are those of
    all of them together (spectral multiple importance sampling with the balance heuristic, Wilkie et al. 2014).
    """
    total = 0.0
    for j in range(HEROES):
        s = props[scatter_row, j]
        extinct[0, j] = s
        extinct[1, j] = s + props[absorb_row, j]
        total += through[j]
    if total <= 0.0:
        return -1.0
    pick = drawn(state) * total
    chosen = 0
    while chosen < HEROES - 1 and pick >= through[chosen]:
        pick -= through[chosen]
        chosen += 1
    rate = extinct[1, chosen]
    step = -math.log(1.0 - drawn(state)) / rate if rate > 0.0 else 1e30
    density = 0.0
    inside = step < distance
    length = step if inside else distance
    for j in range(HEROES):
        density += through[j] / total * math.exp(-extinct[1, j] * length) * (extinct[1, j] if inside else 1.0)
    if density <= 0.0:
        for j in range(HEROES):
            through[j] = 0.0
        return -1.0
    for j in range(HEROES):
        through[j] *= math.exp(-extinct[1, j] * length) * (extinct[0, j] if inside else 1.0) / density
    return length if inside else -1.0


@kernel
def turned(dx, dy, dz, asymmetry, u0, u1):
    """A direction after one scattering (Henyey & Greenstein 1941)."""
    if abs(asymmetry) < 1e-3:
        c = 1.0 - 2.0 * u0
    else:
        q = (1.0 - asymmetry * asymmetry) / (1.0 + asymmetry - 2.0 * asymmetry * u0)
        c = (1.0 + asymmetry * asymmetry - q * q) / (2.0 * asymmetry)
    s = math.sqrt(max(0.0, 1.0 - c * c))
    phi = 2.0 * math.pi * u1
    ax, ay, az, bx, by, bz = frame(dx, dy, dz)
    x = s * math.cos(phi)
    y = s * math.sin(phi)
    return ax * x + bx * y + dx * c, ay * x + by * y + dy * c, az * x + bz * y + dz * c
