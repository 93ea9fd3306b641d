"""How an uncertainty is stated: by one rule for all of a column, such as "2 % + 0.002"."""

import re

import numpy as np

from ..errors import InputError
from ..words import tr

_LONGEST = 60
_TERM = re.compile(r"^\s*([0-9]*\.?[0-9]+(?:e[-+]?[0-9]+)?)\s*(%?)\s*$", re.I)


def rule_of(text):
    """(relative, absolute) of a rule: `2 %`, `0.002` or both with a plus between; ValueError for anything else."""
    relative = absolute = 0.0
    for part in re.split(r"(?<![eE])\+", str(text).replace("±", " ")):
        found = _TERM.match(part) if len(part) <= _LONGEST else None
        if not found:
            raise InputError(
                tr("'{0}' is not an uncertainty; write it as 2 %, as 0.002, or as 2 % + 0.002", str(text)[:60])
            )
        if found[2]:
            relative += float(found[1]) / 100.0
        else:
            absolute += float(found[1])
    if not (0.0 < relative + absolute < 1e9):
        raise InputError(tr("the uncertainty '{0}' must be above 0", str(text)[:60]))
    return relative, absolute


def sigma_by(values, relative, absolute):
    """Standard uncertainty of values by a rule; where it would be 0, a millionth of the largest value stands in."""
    values = np.abs(np.nan_to_num(np.asarray(values, float)))
    return np.maximum(relative * values + absolute, 1e-6 * max(float(values.max(initial=0.0)), 1e-6))
