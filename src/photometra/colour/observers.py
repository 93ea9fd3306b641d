"""The CIE observers and illuminants, and the one wavelength grid on which spectra are kept."""

from functools import cache
from importlib.resources import files

import numpy as np

from ..errors import InputError
from ..words import tr

WAVELENGTHS = np.arange(380.0, 781.0, 5.0)
"""The grid of every spectrum in a compiled surface and in the tracer, nm."""

OBSERVERS = ("1931-2", "1964-10")
ILLUMINANTS = ("D65", "D50", "A", "C", "E")


@cache
def _table():
    text = files("photometra.colour").joinpath("data/cie.csv").read_text().splitlines()
    rows = [line for line in text if not line.startswith("#")]
    values = np.loadtxt(rows[1:], delimiter=",")
    return dict(zip(rows[0].split(","), values.T, strict=True))


@cache
def observer(name="1931-2"):
    """Wavelengths (nm, 360–830 by 5) and colour matching functions, shape (95, 3), of an observer."""
    if name not in OBSERVERS:
        raise InputError(tr("no observer '{0}': choose from {1}", name, ", ".join(OBSERVERS)))
    table = _table()
    return table["wavelength_nm"], np.column_stack([table[f"{a}bar_{name}"] for a in "xyz"])


@cache
def illuminant(name="D65"):
    """Relative power of an illuminant on the observers' wavelengths; E is the equal-energy spectrum.

    Wherever an illuminant is asked for it may be given by name, or as its relative power on `WAVELENGTHS`, a tuple.
    """
    if isinstance(name, tuple):
        return np.interp(_table()["wavelength_nm"], WAVELENGTHS, np.array(name, float))
    if name not in ILLUMINANTS:
        raise InputError(tr("no illuminant '{0}': choose from {1}", name, ", ".join(ILLUMINANTS)))
    table = _table()
    return np.ones_like(table["wavelength_nm"]) if name == "E" else table[name]


@cache
def weights(illuminant_name="D65", observer_name="1931-2"):
    """Weights (95, 3) that turn a reflectance on the observers' grid into XYZ with white at Y = 1."""
    _, matching = observer(observer_name)
    w = matching * illuminant(illuminant_name)[:, None]
    return w / w[:, 1].sum()


@cache
def grid_weights(illuminant_name="D65", observer_name="1931-2"):
    """As `weights`, on `WAVELENGTHS`, the cut ends folded into the outermost samples; shape (81, 3)."""
    full, (grid, _) = weights(illuminant_name, observer_name), observer(observer_name)
    w = full[(grid >= WAVELENGTHS[0]) & (grid <= WAVELENGTHS[-1])].copy()
    w[0] += full[grid < WAVELENGTHS[0]].sum(axis=0)
    w[-1] += full[grid > WAVELENGTHS[-1]].sum(axis=0)
    return w


@cache
def white_point(illuminant_name="D65", observer_name="1931-2"):
    """XYZ of the perfect diffuser under an illuminant, Y = 1."""
    return weights(illuminant_name, observer_name).sum(axis=0)
