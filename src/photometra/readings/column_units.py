"""The unit of a column whose name says none: of values from their numbers, of an uncertainty from its values."""

from dataclasses import replace

import numpy as np

from ..words import tr
from .columns import UNITS
from .tables import is_number, value_of

MOST_REFLECTANCE = 1.2
"""What a surface may send back, fluorescence included; more stands for per cent, or for something else."""


def says_percent(rows, meanings, is_ours):
    """Whether the cells themselves, or another column of shares beside them, say that shares are in per cent."""
    shares = [i for i, m in enumerate(meanings) if m.measure == "share" and m.name and not m.unit and not m.is_sigma]
    if any(m.unit == "percent" and m.name and not m.is_sigma for m in meanings):
        return True
    cells = [c[i] for i in shares for _, c in rows if i < len(c)]
    if any(c.strip().endswith("%") for c in cells):
        return True
    numbers = [value_of(c) for c in cells if is_number(c)]
    return bool(numbers) and not is_ours and max(numbers) > MOST_REFLECTANCE


def unit_of_values(m, numbers, i, notes, percent, is_ours):
    """The unit of a column of values: as its name says, else from its numbers, with the doubt."""
    if m.unit:
        return m.unit
    there = np.abs(numbers[np.isfinite(numbers)])
    if m.name == "wavelength_nm" and there.size:
        unit = "um" if there.max() < 50.0 else "nm"
        notes.add(tr("column '{0}' says no unit: taken as {1}", m.raw[:60], "µm" if unit == "um" else "nm"), i)
        return unit
    if m.measure == "share" and m.name and there.size:
        most = tr("column '{0}' says no unit", m.raw[:60])
        if percent:
            notes.add(tr("{0}: taken as per cent", most), i)
            return "percent"
        if not is_ours:
            notes.add(tr("{0}: taken as fractions, 1 is all of the light; if these are per cent, say so", most), i)
    return None


def unit_of_sigma(m, units, values, i, notes):
    """(the uncertainty `m` as one of a column of values, its unit): its own, else theirs, which is said where it is not
    the usual one. units: {column of values: its unit}; values: which of them one uncertainty of all may be of."""
    of = m.name or next((n for n in units if n.partition(":")[0] in values), "")
    named, theirs = replace(m, name=of), units.get(of) or ""
    if not m.unit and theirs and theirs != next(iter(UNITS[named.measure])):
        words = tr("per cent") if theirs == "percent" else theirs
        notes.add(tr("column '{0}' says no unit: taken as {1}, as its values are", m.raw[:60], words), i)
    return named, m.unit or theirs
