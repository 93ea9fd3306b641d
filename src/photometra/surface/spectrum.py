"""A colour or coefficient as red, green and blue, or as a spectrum: values at even wavelengths with a smooth curve
through them. One place knows both.
"""

from functools import lru_cache

import numpy as np

from ..colour import (
    WAVELENGTHS,
    coefficients_of_rgb,
    reflectance_of_rgb,
    reflectance_to_xyz,
    sensor_matrix,
    xyz_to_linear_srgb,
)

NODES_NM = tuple(range(380, 781, 20))
"""Wavelengths at which a spectral value is given."""
NODE_NAMES = tuple(str(n) for n in NODES_NM)
RGB_NAMES = ("r", "g", "b")


def is_spectrum(value):
    """Whether a colour's or coefficient's value is a spectrum, and not red, green and blue."""
    return len(value) == len(NODES_NM)


def component_names(value):
    """What the numbers of a value are called: r, g, b, or their wavelengths."""
    return NODE_NAMES if is_spectrum(value) else RGB_NAMES


@lru_cache(maxsize=512)
def _smooth(value):
    from scipy.interpolate import PchipInterpolator  # slow to import; only a spectral value needs it

    # Never beyond its neighbours: what lies within 0 and 1 stays there (Fritsch & Carlson 1980).
    curve = PchipInterpolator(NODES_NM, value)(WAVELENGTHS)
    curve.flags.writeable = False
    return curve


def reflectance_of(value):
    """The reflectance on `WAVELENGTHS` of a colour's value."""
    return _smooth(tuple(value)) if is_spectrum(value) else reflectance_of_rgb(value)


def coefficients_of(value):
    """The coefficient on `WAVELENGTHS` of a coefficient's value."""
    return _smooth(tuple(value)) if is_spectrum(value) else coefficients_of_rgb(value)


def rgb_of(p, value):
    """Red, green and blue of a value of parameter p."""
    if not is_spectrum(value):
        return tuple(value)
    if p.kind == "colour":
        rgb = xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, reflectance_of(value)))
    else:
        rgb = coefficients_of(value) @ sensor_matrix()
    low, high = p.hard
    return tuple(float(v) for v in np.clip(rgb, low, high))


def spectrum_of(p, value):
    """A value of parameter p as a spectrum, (21,)."""
    if is_spectrum(value):
        return tuple(value)
    return spectrum_from(p, WAVELENGTHS, reflectance_of(value) if p.kind == "colour" else coefficients_of(value))


def spectrum_from(p, wavelength_nm, values):
    """The spectral value of parameter p that stands for numbers at wavelengths, its ends held; clipped to its range."""
    at = np.interp(NODES_NM, wavelength_nm, values)
    low, high = p.hard
    return tuple(float(v) for v in np.clip(at, low, high))
