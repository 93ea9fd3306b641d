"""How a gauge spreads numbers along its length, and where its ticks stand. No Qt here."""

import math

import numpy as np

from ..errors import InputError
from ..words import tr


class Scale:
    """A monotone mapping between values in `low`..`high` and places 0..1.

    kind: "linear"; "root", even to the eye for roughness (the place is the square root); "log", for which a low of
    0 stands at the very start.
    """

    def __init__(self, low, high, kind="linear"):
        if not low < high:
            raise InputError(tr("a scale needs a low end below its high end"))
        self.low, self.high, self.kind = float(low), float(high), kind
        self._log_low = self.low if self.low > 0 else self.high * 1e-6

    def place(self, value):
        """0..1 for a value; outside the range the nearer end."""
        v = min(max(value, self.low), self.high)
        if self.kind == "log":
            if v <= self._log_low:
                return 0.0
            return math.log(v / self._log_low) / math.log(self.high / self._log_low)
        t = (v - self.low) / (self.high - self.low)
        return math.sqrt(t) if self.kind == "root" else t

    def value(self, place):
        """The inverse of `place`."""
        p = min(max(place, 0.0), 1.0)
        if self.kind == "log":
            return self._log_low * (self.high / self._log_low) ** p
        if self.kind == "root":
            p = p * p
        return self.low + p * (self.high - self.low)

    def ticks(self):
        """(values of long ticks, values of short ticks)."""
        if self.kind == "log":
            decades = range(math.floor(math.log10(self._log_low)), math.ceil(math.log10(self.high)) + 1)
            long = [10.0**d for d in decades]
            short = [m * 10.0**d for d in decades for m in range(2, 10)]
        else:
            step = _nice((self.high - self.low) / 6.0)
            long = list(np.arange(math.ceil(self.low / step - 1e-9), self.high / step + 1e-9) * step)
            short = list(np.arange(math.ceil(self.low / step * 5 - 1e-9), self.high / step * 5 + 1e-9) * step / 5)
        inside = self._inside
        return [v for v in long if inside(v)], [v for v in short if inside(v)]

    def _inside(self, value):
        margin = 1e-9 * (self.high - self.low)
        return self.low - margin <= value <= self.high + margin


def _nice(step):
    """The nearest step of 1, 2 or 5 times a power of ten that is not below `step`."""
    power = 10.0 ** math.floor(math.log10(step))
    return next(m * power for m in (1.0, 2.0, 5.0, 10.0) if m * power >= step * (1 - 1e-9))
