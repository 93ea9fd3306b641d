"""Spectra of lamps, told against daylight: what a lamp gives where D65 gives 1."""

import re
from functools import lru_cache

import numpy as np

from ..errors import InputError
from ..words import tr
from .black_body import black_body
from .observers import WAVELENGTHS, grid_weights, illuminant, observer

LAMPS = ("D65", "D50", "A", "LED", "2700 K", "3200 K", "5000 K", "9000 K")
"""Illuminants of the CIE, a white LED of our own making, and black bodies by their temperature; any other temperature
may be named, too."""
_KELVIN = re.compile(r"(\d{3,5}) ?K")
_COOLEST, _HOTTEST = 800.0, 30_000.0


def _led():
    """A blue diode under a yellow phosphor; invented, about 4000 K."""
    return np.exp(-0.5 * ((WAVELENGTHS - 450.0) / 10.0) ** 2) + 0.95 * np.exp(
        -0.5 * ((WAVELENGTHS - 575.0) / 58.0) ** 2
    )


def _on_grid(name):
    return np.interp(WAVELENGTHS, observer()[0], illuminant(name))


def lamp_power(name):
    """The relative power on `WAVELENGTHS` of a lamp that is known, a tuple; InputError where there is none."""
    power = lamp_spectrum(name) * _on_grid("D65")
    return tuple(float(v) for v in np.round(power / power.max(), 6))


@lru_cache(maxsize=16)
def lamp_spectrum(name, measured=()):
    """Radiance on `WAVELENGTHS` of a lamp of luminance 1, divided by that of D65; ValueError where there is none.

    measured: its relative power on `WAVELENGTHS`, where it has been measured; the name is then only a name.
    """
    kelvin = _KELVIN.fullmatch(name)
    if measured:
        power = np.array(measured, float)
    elif name in ("D65", "D50", "A"):
        power = _on_grid(name)
    elif name == "LED":
        power = _led()
    elif kelvin and _COOLEST <= float(kelvin[1]) <= _HOTTEST:
        power = black_body(WAVELENGTHS, float(kelvin[1]))
    else:
        raise InputError(
            tr(
                "there is no lamp '{0}': choose from {1}, another temperature as 4100 K, or a file",
                name,
                ", ".join(LAMPS),
            )
        )
    relative = power / _on_grid("D65")
    return relative / (grid_weights("D65")[:, 1] @ relative)
