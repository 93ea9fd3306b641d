"""Integrals of a surface's scattering over directions: what every instrument is built on.

Deterministic rules, smooth in the parameters, so that the solver can take differences.
"""

import math

import numpy as np

from ..colour import WAVELENGTHS
from ..optics.jit import kernel
from ..surface import lobes

ALBEDO_SAMPLES = 2048


def _low_discrepancy(count):
    """`count` points of the R2 sequence (Roberts 2018) for place and, bit-reversed, for choice of lobe."""
    i = np.arange(count) + 0.5
    g = 1.22074408460575947536  # the real root of x^4 = x + 1 makes the three-dimensional sequence
    return np.stack([(i * g**-k) % 1.0 for k in (1, 2, 3)], axis=1)


_POINTS = _low_discrepancy(ALBEDO_SAMPLES)


def wavelength_samples(wavelengths):
    """(index, fraction, nearest) on the spectra's grid; wavelengths outside it take its end values."""
    x = (np.clip(np.asarray(wavelengths, float), WAVELENGTHS[0], WAVELENGTHS[-1]) - WAVELENGTHS[0]) / (
        WAVELENGTHS[1] - WAVELENGTHS[0]
    )
    index = np.minimum(x.astype(np.int64), WAVELENGTHS.size - 1)
    return index, x - index, np.minimum(np.round(x).astype(np.int64), WAVELENGTHS.size - 1)


@kernel
def _albedo(cos_o, inside, points, index, fraction, nearest, scalars, spectra, tables, metal_lost, out):
    n = index.shape[0]
    props = np.empty((spectra.shape[0], n))
    lobes.gather(spectra, index, fraction, props)
    wo = np.array([math.sqrt(max(0.0, 1.0 - cos_o * cos_o)), 0.0, cos_o])
    wi = np.empty(3)
    value = np.empty(n)
    out[:] = 0.0
    near, far = lobes.cosine_shares(cos_o, inside, scalars, props, nearest, tables, metal_lost, value)
    for s in range(points.shape[0]):
        density = lobes.sample(
            wo, inside, near, far, points[s, 0], points[s, 1], points[s, 2],
            scalars, props, nearest, tables, metal_lost, wi, value,
        )  # fmt: skip
        if density > 0.0:
            side = 0 if wi[2] > 0.0 else 1
            for j in range(n):
                out[side, j] += value[j]
    out /= points.shape[0]


def directional_albedo(compiled, cos_theta, wavelengths=WAVELENGTHS, inside=False, samples=ALBEDO_SAMPLES):
    """(reflected, transmitted) shares of light at one angle, each (n,), at wavelengths in nm.

    Transmitted is what passes the interface into a clear interior. Where the interface disperses, call it
    for one wavelength at a time: a refracted sample serves its hero alone.
    """
    points = _POINTS if samples == ALBEDO_SAMPLES else _low_discrepancy(samples)
    index, fraction, nearest = wavelength_samples(wavelengths)
    out = np.empty((2, index.size))
    _albedo(float(cos_theta), inside, points, index, fraction, nearest, *compiled.arrays, out)
    return out[0], out[1]
