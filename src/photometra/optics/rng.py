"""Random numbers for kernels: counters, well mixed, the same for the same labels."""

import numpy as np

from .jit import leaf


@leaf
def seeded(seed, pixel, sample):
    """State of the random numbers of one path (a splitmix64 mixture of its three labels)."""
    z = np.uint64(seed) * np.uint64(0x9E3779B97F4A7C15) + np.uint64(pixel) * np.uint64(0xD1B54A32D192ED03)
    z ^= np.uint64(sample) * np.uint64(0x8CB92BA72F3D8DD7) + np.uint64(0x2545F4914F6CDD1D)
    z = (z ^ (z >> np.uint64(30))) * np.uint64(0xBF58476D1CE4E5B9)
    z = (z ^ (z >> np.uint64(27))) * np.uint64(0x94D049BB133111EB)
    return z ^ (z >> np.uint64(31))


@leaf
def random_uniform(state):
    """The next number in 0..1 (below 1) from `state`, an array of one; splitmix64 (Steele et al. 2014)."""
    s = state[0] + np.uint64(0x9E3779B97F4A7C15)
    state[0] = s
    z = (s ^ (s >> np.uint64(30))) * np.uint64(0xBF58476D1CE4E5B9)
    z = (z ^ (z >> np.uint64(27))) * np.uint64(0x94D049BB133111EB)
    z = z ^ (z >> np.uint64(31))
    return float(z >> np.uint64(11)) * 1.1102230246251565e-16
