"""Random numbers for kernels: counters, well mixed, the same for the same labels; and numbers that lie evenly.

The state of a path is an array: the random numbers' own state, and, where pairs are to lie evenly, which sample of its
pixel it is (with its bits reversed), what scrambles them, and how many surfaces it has met.
"""

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
    """The next number in 0..1 (below 1) from `state`; splitmix64 (Steele et al. 2014)."""
    s = state[0] + np.uint64(0x9E3779B97F4A7C15)
    state[0] = s
    z = (s ^ (s >> np.uint64(30))) * np.uint64(0xBF58476D1CE4E5B9)
    z = (z ^ (z >> np.uint64(27))) * np.uint64(0x94D049BB133111EB)
    z = z ^ (z >> np.uint64(31))
    return float(z >> np.uint64(11)) * 1.1102230246251565e-16


EVEN_BOUNCES, EVEN_PAIRS = 4, 3
"""So many surfaces that a path meets have pairs that lie evenly over a pixel's samples; so many pairs each."""
_WORD = np.uint64(0xFFFFFFFF)
_PER_WORD = 1.0 / 4294967296.0


@leaf
def bits_reversed(x):
    """The 32 bits of a number, the last first."""
    x = ((x >> np.uint64(1)) & np.uint64(0x55555555)) | ((x & np.uint64(0x55555555)) << np.uint64(1))
    x = ((x >> np.uint64(2)) & np.uint64(0x33333333)) | ((x & np.uint64(0x33333333)) << np.uint64(2))
    x = ((x >> np.uint64(4)) & np.uint64(0x0F0F0F0F)) | ((x & np.uint64(0x0F0F0F0F)) << np.uint64(4))
    x = ((x >> np.uint64(8)) & np.uint64(0x00FF00FF)) | ((x & np.uint64(0x00FF00FF)) << np.uint64(8))
    return ((x >> np.uint64(16)) | (x << np.uint64(16))) & _WORD


@leaf
def _scrambled(x, seed):
    """Owen's scrambling of a number whose bits are reversed: each bit changed by those below it (Laine & Karras 2011,
    constants of Burley 2020)."""
    x ^= (x * np.uint64(0x3D20ADEA)) & _WORD
    x = (x + seed) & _WORD
    x = (x * ((seed >> np.uint64(16)) | np.uint64(1))) & _WORD
    x ^= (x * np.uint64(0x05526C56)) & _WORD
    x ^= (x * np.uint64(0x53A22864)) & _WORD
    return x


@leaf
def _second(x):
    """The second coordinate of the (0, 2) sequence of Sobol, bits reversed: Pascal's triangle modulo 2 times the bits,
    which is a sum over supersets of their places."""
    x ^= (x >> np.uint64(1)) & np.uint64(0x55555555)
    x ^= (x >> np.uint64(2)) & np.uint64(0x33333333)
    x ^= (x >> np.uint64(4)) & np.uint64(0x0F0F0F0F)
    x ^= (x >> np.uint64(8)) & np.uint64(0x00FF00FF)
    x ^= (x >> np.uint64(16)) & np.uint64(0x0000FFFF)
    return x


@leaf
def even_pair(state, which):
    """Two numbers in 0..1 for one use, `which` below EVEN_PAIRS, at a bounce: over the samples of a pixel the pairs lie
    evenly, as points of an Owen-scrambled (0, 2) sequence, shuffled for each use (Burley 2020). Beyond the bounces that
    have them they are random."""
    if state.shape[0] < 4 or state[3] > np.uint64(EVEN_BOUNCES):
        return random_uniform(state), random_uniform(state)
    key = seeded(state[2], state[3], which)
    index = bits_reversed(_scrambled(state[1], key & _WORD))
    x = bits_reversed(_scrambled(index, (key >> np.uint64(16)) & _WORD))
    y = bits_reversed(_scrambled(_second(index), key >> np.uint64(32)))
    return float(x) * _PER_WORD, float(y) * _PER_WORD
