"""Light within an interior: one step in what scatters."""

import math

from ..optics.jit import kernel
from ..optics.rng import random_uniform
from .spectral import HEROES


@kernel
def free_flight(distance, state, props, scatter_row, absorb_row, through, extinct):
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
    pick = random_uniform(state) * total
    chosen = 0
    while chosen < HEROES - 1 and pick >= through[chosen]:
        pick -= through[chosen]
        chosen += 1
    rate = extinct[1, chosen]
    step = -math.log(1.0 - random_uniform(state)) / rate if rate > 0.0 else 1e30
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
