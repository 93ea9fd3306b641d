"""How far the model is from each reading, in the reading's own measure, against its tolerance."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from ..colour import delta_e_2000, reflectance_to_xyz, xyz_to_lab
from ..instruments import constants_reading, model_of
from ..readings import Reading
from ..surface import Surface
from ..surface.compile import CompiledSurface, compile_measured


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
        """Mean square of the residuals: about 1 where the model is as good as the evidence."""
        return float(np.mean(self.residuals**2)) if self.residuals is not None else float("nan")


def colour_of(reading: Reading, reflectance):
    """Lab of a reflectance (n,) at a reading's wavelengths, under its illuminant and observer."""
    xyz = reflectance_to_xyz(reading.x, reflectance, reading.illuminant, reading.observer)
    return xyz_to_lab(xyz, reading.illuminant, reading.observer)


def misfit(reading: Reading, model):
    """The distance of `model` (value columns, n) from a reading in the kind's measure."""
    values, _ = reading.stacked()
    metric = reading.kind.metric
    if metric == "delta_e_2000" and reading.rows >= 2:
        return float(delta_e_2000(colour_of(reading, values[0]), colour_of(reading, model[0])))
    if metric == "rms":
        return float(np.sqrt(np.mean((model - values) ** 2)))
    return float(np.max(np.abs(model - values)))


def agreement(reading: Reading, surface: Surface, compiled: CompiledSurface, constants=None) -> Agreement:
    """One reading's agreement; a reading that the surface cannot answer has a `problem` instead."""
    try:
        model = model_of(reading, surface, compiled, constants)
    except ValueError as error:
        return Agreement(reading, float("inf"), None, None, str(error))
    values, sigma = reading.stacked()
    return Agreement(reading, misfit(reading, model), model, (model - values) / sigma)


@lru_cache(maxsize=64)
def agreements(surface: Surface, readings: tuple[Reading, ...]) -> tuple[Agreement, ...]:
    """Agreement of every reading, in their order."""
    constants = constants_reading(readings)
    try:
        compiled = compile_measured(surface, constants)
    except ValueError as error:
        return tuple(Agreement(r, float("inf"), None, None, str(error)) for r in readings)
    return tuple(agreement(r, surface, compiled, constants) for r in readings)
