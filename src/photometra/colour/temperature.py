"""Correlated colour temperature of a white, and its tint: how far it lies beside the black bodies' curve.

In the CIE 1960 uniform chromaticity (CIE 015:2018, section 9.5); the nearest point of the curve by a search in mired,
refined by a parabola (after Ohno 2014).
"""

from functools import cache

import numpy as np

from ..errors import InputError
from ..words import tr
from .black_body import black_body
from .limits import to_uv
from .observers import observer

_MIRED = np.geomspace(40.0, 1000.0, 700)


def _uv(xyz):
    """(u, v) of the CIE 1960 chart, whose v is two thirds of that of 1976."""
    return to_uv(xyz) * (1.0, 2.0 / 3.0)


def black_body_xyz(kelvin):
    """XYZ, Y = 1, of black bodies at temperatures above 0 K, (..., 3)."""
    wavelength, matching = observer()
    xyz = black_body(wavelength, np.asarray(kelvin, float)[..., None]) @ matching
    return xyz / xyz[..., 1:2]


def daylight_xyz(kelvin):
    """XYZ, Y = 1, of the CIE's daylight at 4000 to 25 000 K, (3,); the nearest of them beyond (CIE 015:2018, 4.2)."""
    kelvin = min(max(kelvin, 4000.0), 25_000.0)
    t = 1000.0 / kelvin
    if kelvin <= 7000.0:
        x = ((-4.6070 * t + 2.9678) * t + 0.09911) * t + 0.244063
    else:
        x = ((-2.0064 * t + 1.9018) * t + 0.24748) * t + 0.237040
    y = (-3.0 * x + 2.87) * x - 0.275
    return np.array([x / y, 1.0, (1.0 - x - y) / y])


@cache
def _curve():
    return _uv(black_body_xyz(1e6 / _MIRED))


def temperature_of(xyz):
    """(correlated colour temperature in K, tint) of a white.

    Between 1000 and 25 000 K. The tint is the distance from the curve, above 0 towards green (Duv). ValueError for what
    is black, or lies more than 0.05 off the curve, where a temperature says nothing.
    """
    xyz = np.asarray(xyz, float)
    if not (np.isfinite(xyz).all() and xyz[1] > 0.0):
        raise InputError(tr("black has no colour temperature"))
    uv, curve = _uv(xyz), _curve()
    away = np.hypot(*(curve - uv).T)
    i = int(np.clip(np.argmin(away), 1, _MIRED.size - 2))
    x, y = np.log(_MIRED[i - 1 : i + 2]), away[i - 1 : i + 2] ** 2
    bend = np.polyfit(x - x[1], y, 2)
    mired = float(np.exp(x[1] - bend[1] / (2.0 * bend[0]))) if bend[0] > 0.0 else float(_MIRED[i])
    kelvin = 1e6 / float(np.clip(mired, _MIRED[0], _MIRED[-1]))
    near = _uv(black_body_xyz(kelvin))
    duv = float(np.hypot(*(uv - near)))
    if duv > 0.05:
        raise InputError(tr("that colour is too far from any white to have a temperature"))
    return kelvin, duv if uv[1] > near[1] else -duv
