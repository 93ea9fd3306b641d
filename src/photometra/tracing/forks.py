"""Where a path forks: what is kept of it as it first comes to a surface that disperses, to go on there once for every
wavelength. See `kernels.trace`."""

import numpy as np

from ..optics.jit import kernel, leaf
from ..surface import rows
from .spectral import HEROES

# Whether there is a fork; place, direction and place in the triangle; counts; flags.
IS_THERE, _PLACE, _COUNTS = 0, 1, 9
WITHIN, SCATTERS, FIRST, _NUMBERS = range(17, 21)


def fork_room():
    """(numbers, state of the random numbers, what each wavelength carries) of one fork."""
    return np.zeros(_NUMBERS), np.zeros(4, np.uint64), np.zeros(HEROES)


@leaf
def disperses(scalars):
    """Whether light goes into the body beyond a surface by as many ways as it has wavelengths."""
    goes_in = scalars[rows.TRANSMISSION] * (1.0 - scalars[rows.METALNESS]) > 0.0
    return goes_in and scalars[rows.DISPERSIVE] > 0.0 and scalars[rows.SHEET] <= 0.0


@kernel
def fork_at(place, counts, within, scatters, first, state, through, fork):
    """Keep a path as it comes to a surface. place: (x, y, z, direction, place in the triangle); counts: (triangle,
    surface, medium, its kind, walls outside and inside, scatterings, bounces); the rest as in `kernels.trace`."""
    numbers, fork_state, fork_through = fork
    numbers[IS_THERE] = 1.0
    for i in range(len(place)):
        numbers[_PLACE + i] = place[i]
    for i in range(len(counts)):
        numbers[_COUNTS + i] = counts[i]
    numbers[WITHIN] = 1.0 if within else 0.0
    numbers[SCATTERS] = 1.0 if scatters else 0.0
    numbers[FIRST] = 1.0 if first else 0.0
    for i in range(state.shape[0]):
        fork_state[i] = state[i]
    for j in range(HEROES):
        fork_through[j] = through[j]


@leaf
def place_at(numbers):
    """The place of a fork, as `fork_at` was given it."""
    return numbers[1], numbers[2], numbers[3], numbers[4], numbers[5], numbers[6], numbers[7], numbers[8]


@leaf
def counts_at(numbers):
    """The counts of a fork, as `fork_at` was given them."""
    return (
        int(numbers[9]), int(numbers[10]), int(numbers[11]), int(numbers[12]), int(numbers[13]), int(numbers[14]),
        int(numbers[15]), int(numbers[16]),
    )  # fmt: skip


@leaf
def exchange(j, index, fraction, nearest, basis):
    """Have the j-th of a path's wavelengths change places with the first."""
    index[0], index[j] = index[j], index[0]
    nearest[0], nearest[j] = nearest[j], nearest[0]
    fraction[0], fraction[j] = fraction[j], fraction[0]
    for c in range(3):
        basis[0, c], basis[j, c] = basis[j, c], basis[0, c]
