"""Light within an interior that scatters: from where it was let in to the next wall."""

import math

from ..optics.jit import kernel, leaf
from ..optics.media import left_after
from ..optics.phase import scattered
from ..optics.rng import random_uniform
from .scene import NOTHING
from .shading import nearest_hit
from .spectral import HEROES

ROULETTE_FROM = 3
"""Events of a path after which it ends by chance, the sooner the less it carries."""
ENDED, CUT_OFF = -1, -2
"""Instead of what a walk came to: that it ended by chance, or had all the scatterings that it may have."""


@leaf
def survives(through, state):
    """Russian roulette on what a path still carries: whether it goes on, its weight raised."""
    largest = 0.0
    for j in range(HEROES):
        largest = max(largest, through[j])
    survive = min(1.0, largest)
    if survive <= 0.0 or random_uniform(state) >= survive:
        return False
    for j in range(HEROES):
        through[j] /= survive
    return True


@leaf
def _flight_drawn(state, through, extinct):
    """How far light would go before it is scattered, were there no wall; 0 where none is left.

    Drawn for one wavelength, chosen by what each still carries. extinct (2, n): scattering and extinction.
    """
    total = 0.0
    for j in range(HEROES):
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


@leaf
def _flown(length, scatters, through, extinct):
    """Weigh what is carried for a flight: scattered at its end, or come to a wall there.

    The weights are those of all wavelengths together (spectral multiple importance sampling with the balance heuristic,
    Wilkie et al. 2014).
    """
    total = 0.0
    density = 0.0
    for j in range(HEROES):
        total += through[j]
        left = through[j] * left_after(extinct[1, j] * length)
        density += left * (extinct[1, j] if scatters else 1.0)
        through[j] = left * (extinct[0, j] if scatters else 1.0)
    scale = total / density if density > 0.0 else 0.0
    for j in range(HEROES):
        through[j] *= scale


@kernel
def walked(ox, oy, oz, dx, dy, dz, scatterings, events, most, scatter, absorb, asymmetry, props, state, scene, shape,
           stack, through, extinct):  # fmt: skip
    """Go on in an interior that scatters, to its wall: (what is met or ENDED or CUT_OFF, the distance to it from the
    last scattering, triangle and place in it; place and direction there; how often it was scattered in all).

    scatterings: so far, `most` of them at the most; events: how many the path has had else; scatter, absorb: the rows
    of the interior's coefficients. Only walls nearer than the next scattering are looked for.
    """
    for j in range(HEROES):
        extinct[0, j] = props[scatter, j]
        extinct[1, j] = props[scatter, j] + props[absorb, j]
    while True:
        reach = _flight_drawn(state, through, extinct)
        what, t, triangle, u, v = nearest_hit(ox, oy, oz, dx, dy, dz, True, reach, scene, shape, stack)
        if what != NOTHING or reach >= 1e30:
            if what != NOTHING:
                _flown(t, False, through, extinct)
            return what, t, triangle, u, v, ox, oy, oz, dx, dy, dz, scatterings
        _flown(reach, True, through, extinct)
        scatterings += 1
        if scatterings > most:
            return CUT_OFF, t, triangle, u, v, ox, oy, oz, dx, dy, dz, scatterings
        if events + scatterings >= ROULETTE_FROM and not survives(through, state):
            return ENDED, t, triangle, u, v, ox, oy, oz, dx, dy, dz, scatterings
        ox += reach * dx
        oy += reach * dy
        oz += reach * dz
        dx, dy, dz = scattered(dx, dy, dz, asymmetry, random_uniform(state), random_uniform(state))
