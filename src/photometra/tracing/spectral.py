"""Wavelengths of a path, random numbers, and the film's response to them."""

import math

import numpy as np

from ..colour import WAVELENGTHS, film_matrix, light_basis
from ..optics.jit import kernel

HEROES = 4
"""Wavelengths to a path: the hero and three more, spread evenly over the density (Wilkie et al. 2014)."""

_STEEPNESS, _CENTRE = 0.0072, 538.0
_T0 = math.tanh(_STEEPNESS * (380.0 - _CENTRE))
_T1 = math.tanh(_STEEPNESS * (780.0 - _CENTRE))
_FIRST, _STEP, _LAST = 380.0, 5.0, WAVELENGTHS.size - 1
_GOLDEN = 0.6180339887498949


def film_response():
    """Weights (82, 3) per nm from radiance to linear Rec.709, exact for a flat spectrum of 1."""
    per_nm = film_matrix() / _STEP
    per_nm = per_nm / np.trapezoid(per_nm, dx=_STEP, axis=0)
    return np.vstack([per_nm, per_nm[-1:]])


def light_spectra():
    """The basis of lights (82, 3), with the spare last row the kernels expect."""
    basis = light_basis()
    return np.vstack([basis, basis[-1:]])


@kernel
def seeded(seed, pixel, sample):
    """State of the random numbers of one path (a splitmix64 mixture of its three labels)."""
    z = np.uint64(seed) * np.uint64(0x9E3779B97F4A7C15) + np.uint64(pixel) * np.uint64(0xD1B54A32D192ED03)
    z ^= np.uint64(sample) * np.uint64(0x8CB92BA72F3D8DD7) + np.uint64(0x2545F4914F6CDD1D)
    z = (z ^ (z >> np.uint64(30))) * np.uint64(0xBF58476D1CE4E5B9)
    z = (z ^ (z >> np.uint64(27))) * np.uint64(0x94D049BB133111EB)
    return z ^ (z >> np.uint64(31))


@kernel
def drawn(state):
    """The next number in 0..1 (below 1) from `state`, an array of one; splitmix64 (Steele et al. 2014)."""
    s = state[0] + np.uint64(0x9E3779B97F4A7C15)
    state[0] = s
    z = (s ^ (s >> np.uint64(30))) * np.uint64(0xBF58476D1CE4E5B9)
    z = (z ^ (z >> np.uint64(27))) * np.uint64(0x94D049BB133111EB)
    z = z ^ (z >> np.uint64(31))
    return float(z >> np.uint64(11)) * 1.1102230246251565e-16


@kernel
def choose_wavelengths(u, index, fraction, nearest, response, weights):
    """Wavelengths for a number in 0..1: grid places, and weights (HEROES, 3) of radiance on the film.

    Drawn where the eye is keen, with density sech² (Radziszewski, Boryczko & Alda 2009).
    """
    for j in range(HEROES):
        v = u + j / HEROES
        if v >= 1.0:
            v -= 1.0
        t = _T0 + v * (_T1 - _T0)
        wavelength = _CENTRE + math.atanh(t) / _STEEPNESS
        density = _STEEPNESS * (1.0 - t * t) / (_T1 - _T0)
        x = min(max((wavelength - _FIRST) / _STEP, 0.0), float(_LAST))
        i = min(int(x), _LAST)
        index[j] = i
        fraction[j] = x - i
        nearest[j] = min(int(x + 0.5), _LAST)
        for c in range(3):
            w = response[i, c] * (1.0 - fraction[j]) + response[i + 1, c] * fraction[j]
            weights[j, c] = w / (density * HEROES)


@kernel
def rotated(sample, offset):
    """The `sample`-th number of the golden-ratio sequence, shifted: even over the samples of a pixel."""
    x = offset + sample * _GOLDEN
    return x - math.floor(x)
