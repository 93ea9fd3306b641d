"""Trying many: which table of optical constants comes closest to a reading, and which thickness of film."""

from dataclasses import dataclass

import numpy as np

from ..instruments import constants_reading
from ..readings import Reading
from ..surface import Surface, table_names
from ..surface.bank import compile_measured
from ..surface.constants import choosing
from .agreement import agreement, agreements


@dataclass(frozen=True)
class Closeness:
    """A table beside a reading: ΔE2000 of the colours, and the root mean square of the spectral difference."""

    key: str
    delta_e: float
    rms: float

    @property
    def score(self):
        """One ΔE2000 weighs as much as one per cent of reflectance."""
        return self.delta_e + 100.0 * self.rms


def reflectance_reading(readings) -> Reading | None:
    """The reading to rank by: an active reflectance with the specular part in, else any active reflectance."""
    fitting = [r for r in readings if r.kind_key == "reflectance" and r.active and r.rows >= 2]
    return min(fitting, key=lambda r: r.geometry != "di:8", default=None)


def closest_tables(surface: Surface, reading: Reading, report=None, cancel=None) -> list[Closeness] | None:
    """Every built-in table on this surface's finish against a reflectance reading, the closest first.

    report(done, of) is called on the way; None comes back where `cancel` (a threading.Event) was set.
    """
    found, names = [], table_names()
    for i, key in enumerate(names):
        if cancel is not None and cancel.is_set():
            return None
        if report:
            report(i, len(names))
        one = agreements(surface.with_values(choosing(key)), (reading,))[0]
        if one.model is not None:
            difference = one.model[0] - reading.columns["reflectance"]
            found.append(Closeness(key, one.value, float(np.sqrt(np.mean(difference**2)))))
    return sorted(found, key=lambda c: c.score)


def film_misfits(surface: Surface, readings, thicknesses_nm, cancel=None):
    """Mean squared residual of the reading to rank by for films of other thicknesses, (n,).

    None where there is no such reading, or `cancel` (a threading.Event) was set.
    """
    reading = reflectance_reading(readings)
    if reading is None:
        return None
    constants = constants_reading(readings)
    found = np.empty(len(thicknesses_nm))
    for i, thickness in enumerate(thicknesses_nm):
        if cancel is not None and cancel.is_set():
            return None
        other = surface.with_values({"film.thickness": float(thickness)})
        found[i] = agreement(reading, other, compile_measured(other, constants), constants).chi2
    return found
