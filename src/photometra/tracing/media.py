"""Light within an interior: one step in what scatters."""

import math

from ..optics.jit import kernel
from ..optics.rng import random_uniform
from .spectral import HEROES


@kernel
def flight_drawn(state, props, scatter_row, absorb_row, through, extinct):
    """How far light would go in a scattering interior before it is scattered, were there no wall; 0 where none is left.

    Drawn for one wavelength, chosen by what each still carries. Scattering and extinction go into `extinct` (2, n).
    """
    total = 0.0
    for j in range(HEROES):
        s = props[scatter_row, j]
        extinct[0, j] = s
        extinct[1, j] = s + props[absorb_row, j]
        total += through[j]
    if total <= 0.0:
        return 0.0
    pick = random_uniform(state) * total
    chosen = 0
    while chosen < HEROES - 1 and pick >= through[chosen]:
        pick -= through[chosen]
        chosen += 1
    rate = extinct[1, chosen]
    return -math.log(1.0 - random_uniform(state)) / rate if rate > 0.0 else 1e30


@kernel
def flown(length, scattered, through, extinct):
    """Weigh what is carried for a flight: scattered at its end, or come to a wall there.

    The weights are those of all wavelengths together (spectral multiple importance sampling with the balance heuristic,
    Wilkie et al. 2014).
    """
    total = 0.0
    for j in range(HEROES):
        total += through[j]
    density = 0.0
    for j in range(HEROES):
        left = through[j] * math.exp(-extinct[1, j] * length)
        density += left * (extinct[1, j] if scattered else 1.0)
        through[j] = left * (extinct[0, j] if scattered else 1.0)
    scale = total / density if density > 0.0 else 0.0
    for j in range(HEROES):
        through[j] *= scale
