"""Numbers for people, the same wherever they are told: significant figures, a true minus, no `1.9e+02`."""

import math
import re

from .words import tr

_PLAIN = (1e-5, 1e7)
"""Between these a number is written out; beyond, with a power of ten."""
_RAISED = str.maketrans("-0123456789", "⁻⁰¹²³⁴⁵⁶⁷⁸⁹")
_LOWERED = {value: key for key, value in _RAISED.items()}
_POWER = re.compile("\\s*×\\s*10([⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+)")
MINUS = "\u2212"


def figures(value, digits=3, sign=False) -> str:
    """A number in so many significant figures: `190`, `0.0123`, `−4`, `2.1 × 10⁻⁸`. sign: a plus, too."""
    value = float(value)
    if not math.isfinite(value):
        return tr("not known") if math.isnan(value) else f"{MINUS if value < 0.0 else ''}∞"
    size = abs(value)
    if size == 0.0 or _PLAIN[0] <= size < _PLAIN[1]:
        text = _written_out(size, digits)
    else:
        mantissa, _, power = f"{size:.{digits - 1}e}".partition("e")
        text = f"{_without_zeros(mantissa)} × 10{str(int(power)).translate(_RAISED)}"
    before = MINUS if value < 0.0 and text != "0" else "+" if sign else ""
    return before + text


def _written_out(size, digits):
    places = digits - 1 - (math.floor(math.log10(size)) if size > 0.0 else 0)
    # Figures before the point are all written: 1234 in three is 1234, as a person would say it.
    return _without_zeros(f"{size:.{max(0, places)}f}")


def _without_zeros(text):
    return text.rstrip("0").rstrip(".") if "." in text else text


def as_typed(text) -> str:
    """A text with its numbers as Python reads them: what `figures` wrote can be typed again."""
    return _POWER.sub(lambda m: "e" + m[1].translate(_LOWERED), text).replace(MINUS, "-")


def with_error(value, sigma) -> str:
    """A value to the second figure of its standard uncertainty: `0.1603`."""
    if not sigma or not math.isfinite(sigma):
        return figures(value, 4)
    places = min(6, max(0, 1 - math.floor(math.log10(abs(sigma)))))
    return f"{value:.{places}f}".replace("-", MINUS)
