"""Wavelengths of a path, and the film's response to them."""

import math

import numpy as np

from ..colour import WAVELENGTHS, light_basis, sensor_matrix
from ..optics.jit import leaf

LUMINANCE = np.array([0.2126, 0.7152, 0.0722])
"""Of linear Rec.709."""

HEROES = 4
"""Wavelengths to a path: the hero and three more, spread evenly over the density (Wilkie et al. 2014)."""

_STEEPNESS, _CENTRE = 0.0072, 538.0
_T0 = math.tanh(_STEEPNESS * (380.0 - _CENTRE))
_T1 = math.tanh(_STEEPNESS * (780.0 - _CENTRE))
_FIRST, _STEP, _LAST = 380.0, 5.0, WAVELENGTHS.size - 1
_STEP_ON = (2.0 + 0.6180339887498949) / 4.0
"""From sample to sample of a pixel. Times `HEROES` it is the golden ratio but for whole numbers: all wavelengths of a
few samples together lie evenly."""
_CELLS = 2048


def film_response():
    """Weights (82, 3) per nm from radiance to linear Rec.709, exact for a flat spectrum of 1."""
    per_nm = sensor_matrix() / _STEP
    per_nm = per_nm / np.trapezoid(per_nm, dx=_STEP, axis=0)
    return np.vstack([per_nm, per_nm[-1:]])


def light_spectra():
    """The basis of lights (82, 3), with the spare last row the kernels expect."""
    basis = light_basis()
    return np.vstack([basis, basis[-1:]])


def sensor_table():
    """For even cells of a number in 0..1: the grid place of its wavelength, and its weights on the film; (n, 4).

    Wavelengths are drawn where the eye is keen, with density sech² (Radziszewski, Boryczko & Alda 2009). Each cell
    stands for its middle, 0.2 nm apart where it matters; the weights are scaled so that a flat spectrum of 1 reads 1.
    """
    t = _T0 + (np.arange(_CELLS) + 0.5) / _CELLS * (_T1 - _T0)
    place = np.clip((_CENTRE + np.arctanh(t) / _STEEPNESS - _FIRST) / _STEP, 0.0, _LAST)
    index = np.minimum(place.astype(int), _LAST)
    part = (place - index)[:, None]
    response = film_response()
    weights = response[index] * (1.0 - part) + response[index + 1] * part
    weights /= (_STEEPNESS * (1.0 - t * t) / (_T1 - _T0))[:, None]
    weights /= HEROES * weights.mean(axis=0)
    return np.ascontiguousarray(np.column_stack([place, weights]))


def with_lights(table):
    """A sensor as the kernels take it, (n, 8): as `sensor_table`, each cell with the lights of red, green and blue at
    its wavelength; a spare column, so that no cell lies across two of the memory's lines."""
    cell = np.minimum(table[:, 0].astype(int), _LAST)
    part, spectra = (table[:, 0] - cell)[:, None], light_spectra()
    lights = spectra[cell] * (1.0 - part) + spectra[cell + 1] * part
    return np.column_stack([table, lights, np.zeros(len(table))]).astype(np.float32)


def lights_on_film(table):
    """(3, 3): what a sensor (as `sensor_table`) makes of lights of red, green and blue alone, over all wavelengths."""
    lights = with_lights(table)[:, 4:7].astype(float)
    return np.ascontiguousarray(HEROES * lights.T @ table[:, 1:] / len(table))


@leaf
def choose_wavelengths(u, index, fraction, nearest, table, weights, lights):
    """Wavelengths for a number in 0..1 (below 1), by a table as `with_lights`: grid places, weights (HEROES, 3) of
    radiance on the film, and the lights of red, green and blue there, (HEROES, 3)."""
    cells = table.shape[0]
    for j in range(HEROES):
        v = u + j / HEROES
        if v >= 1.0:
            v -= 1.0
        cell = int(v * cells)
        x = np.float64(table[cell, 0])
        index[j] = int(x)
        fraction[j] = x - index[j]
        nearest[j] = int(x + 0.5)
        for c in range(3):
            weights[j, c] = table[cell, 1 + c]
            lights[j, c] = table[cell, 4 + c]


@leaf
def wavelength_number(x, y, sample, pick, offset):
    """Which wavelengths a sample of a pixel has, as a number in 0..1 for `choose_wavelengths`.

    Even over the samples of a pixel, and over pixels beside each other (the R2 lattice, Roberts 2018), so that what
    little colour noise there is averages out near by. pick: 0..1, of the pixel: which wavelength is the hero; offset:
    0..1, of the picture.
    """
    across = offset + x * 0.7548776662466927 + y * 0.5698402909980532
    u = (across - math.floor(across) + math.floor(pick * HEROES)) / HEROES + sample * _STEP_ON
    return u - math.floor(u)
