"""Planck's law."""

import numpy as np

SECOND_RADIATION = 1.4388e7
"""c2, nm K, as the CIE rounds it."""


def black_body(wavelength_nm, kelvin):
    """Relative spectral power of a black body, by wavelength; arguments broadcast, both above 0 (Planck 1901)."""
    wavelength = np.asarray(wavelength_nm, float)
    return wavelength**-5.0 / np.expm1(SECOND_RADIATION / (wavelength * np.asarray(kelvin, float)))
