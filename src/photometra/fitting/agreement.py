"""How far the model is from each reading, in the reading's own measure, against its tolerance."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from ..colour import delta_e_2000, linear_srgb_to_xyz, reflectance_to_xyz, xyz_to_lab
from ..errors import InputError
from ..instruments import constants_reading, model_of
from ..readings import Reading
from ..surface import Surface
from ..surface.bank import compile_measured
from ..surface.compile import CompiledSurface
from .uncertainty import marginal


@dataclass(frozen=True, eq=False)
class Agreement:
    """One reading against the model. `model` (value columns, n) is None where `problem` says why.

    `value` is in the measure that `reading.kind.metric` names; `residuals` are in standard uncertainties.
    """

    reading: Reading
    value: float
    model: np.ndarray | None
    residuals: np.ndarray | None
    problem: str = ""

    @property
    def within(self):
        return self.model is not None and self.value <= self.reading.tolerance

    @property
    def chi2(self):
        """Mean square of the counted residuals: about 1 where the model is as good as the evidence.

        What a gain and an offset explain, as uncertain as they are, is taken away.
        """
        counted = self.reading.counted
        if self.residuals is None or not counted.any():
            return float("nan")
        left, sigma, systematic = self.residuals[counted], self.reading.stacked()[1][counted], self.reading.systematic
        effects = np.stack([systematic.gain * self.model[counted], np.full(left.size, systematic.offset)], axis=1)
        left = marginal(left[:, None], effects / sigma[:, None])
        return float(np.mean(left**2))


def colour_of(reading: Reading, wavelength_nm, reflectance):
    """Lab of a reflectance (n,) at wavelengths (n,), under a reading's illuminant and observer."""
    xyz = reflectance_to_xyz(wavelength_nm, reflectance, reading.lit_by, reading.observer)
    return xyz_to_lab(xyz, reading.lit_by, reading.observer)


def misfit(reading: Reading, model):
    """The distance of `model` (value columns, n) from a reading in the kind's measure."""
    metric, counted = reading.kind.metric, reading.counted
    if not counted.any():
        return 0.0
    if metric == "delta_e_2000":
        return _colour_misfit(reading, model)
    away = reading.difference(model)[counted]
    if metric in ("rms", "degrees"):
        return float(np.sqrt(np.mean(away**2)))
    if metric == "relative":
        values = reading.stacked()[0][counted]
        # What is small against the largest is told against a hundredth of that, lest noise about nothing rules.
        return float(np.mean(np.abs(away) / np.maximum(np.abs(values), 0.01 * np.abs(values).max() + 1e-12)))
    return float(np.max(np.abs(away)))


def colours_of(reading, model):
    """(Lab of the model, Lab of the reading) of a spectral reading with two wavelengths or more; model (1, n).

    Places read more than once count as their mean.
    """
    rows = ~reading.masked
    x, where, count = np.unique(reading.x[rows], return_inverse=True, return_counts=True)
    return tuple(
        colour_of(reading, x, np.bincount(where, v[0][rows]) / count) for v in (np.asarray(model), reading.stacked()[0])
    )


def _colour_misfit(reading, model):
    """Largest ΔE2000 of a reading's colours; of a spectrum, that of its one colour."""
    rows = ~reading.masked
    values, shown = reading.stacked()[0][:, rows], np.asarray(model)[:, rows]
    if reading.kind_key == "colour":
        both = values.T, shown.T
    elif reading.kind_key == "photograph":
        both = (xyz_to_lab(linear_srgb_to_xyz(np.maximum(v.T, 0.0))) for v in (values, shown))
    elif np.unique(reading.x[rows]).size < 2:
        return float(np.max(np.abs(shown - values)))
    else:
        both = colours_of(reading, model)
    return float(np.max(delta_e_2000(*both)))


def agreement(reading: Reading, surface: Surface, compiled: CompiledSurface, constants=None) -> Agreement:
    """One reading's agreement; a reading that the surface cannot answer has a `problem` instead."""
    try:
        model = model_of(reading, surface, compiled, constants)
    except InputError as error:
        return Agreement(reading, float("inf"), None, None, str(error))
    return Agreement(reading, misfit(reading, model), model, reading.difference(model) / reading.stacked()[1])


@lru_cache(maxsize=64)
def agreements(surface: Surface, readings: tuple[Reading, ...]) -> tuple[Agreement, ...]:
    """Agreement of every reading, in their order."""
    constants = constants_reading(readings)
    try:
        compiled = compile_measured(surface, constants)
    except InputError as error:
        return tuple(Agreement(r, float("inf"), None, None, str(error)) for r in readings)
    return tuple(agreement(r, surface, compiled, constants) for r in readings)


def worst_misfit(surface: Surface, readings) -> float:
    """The worst active reading's misfit, in tolerances: 1 and less where all agree; nan where there is none."""
    found = [a.value / a.reading.tolerance for a in agreements(surface, readings) if a.reading.active and not a.problem]
    return max(found) if found else float("nan")
