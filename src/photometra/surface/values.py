"""Values as people type them: numbers with units, colours, converters; and back to text."""

import math
import re

from ..colour import decode_srgb, encode_srgb
from .parameter import Parameter
from .spectrum import NODES_NM, is_spectrum

_LENGTHS_MM = {"nm": 1e-6, "um": 1e-3, "µm": 1e-3, "μm": 1e-3, "mm": 1.0, "cm": 10.0, "m": 1000.0}
_NUMBER = re.compile(r"^([a-z]*)\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*(.*)$", re.I)

CONVERTERS = {
    "gloss": (lambda g: 1.0 - g, lambda r: 1.0 - r),
    "alpha": (lambda a: math.sqrt(max(0.0, a)), lambda r: r * r),
    "reflectance": (
        lambda f: (1.0 + math.sqrt(f)) / (1.0 - math.sqrt(f)) if 0.0 <= f < 1.0 else math.nan,
        lambda n: ((n - 1.0) / (n + 1.0)) ** 2,
    ),
}
"""By word: (from the word's convention to the parameter's, and back)."""


def _unit_factor(text, p):
    unit = text.strip().replace("^-1", "").replace("per ", "1/").replace("/ ", "/").strip()
    if not unit:
        return 1.0
    if unit == "%" and not p.unit:
        return 0.01
    if p.unit in _LENGTHS_MM and unit in _LENGTHS_MM:
        return _LENGTHS_MM[unit] / _LENGTHS_MM[p.unit]
    if p.unit == "1/mm" and unit.startswith(("1/", "/")) and unit.split("/")[1] in _LENGTHS_MM:
        return 1.0 / _LENGTHS_MM[unit.split("/")[1]]
    wanted = f"a value in {p.unit}" if p.unit else "a plain number or %"
    raise ValueError(f"{p.name}: '{unit}' is not a unit it takes; give {wanted}")


def parse_number(p: Parameter, text: str, within=None):
    """A number as typed (`0.38 um`, `gloss 0.7`, `12 %`) in the parameter's own unit, range checked."""
    match = _NUMBER.match(text.strip().replace("−", "-"))
    if not match:
        raise ValueError(f"{p.name}: '{text.strip()}' is not a number")
    word, digits, unit = match.groups()
    value = float(digits) * _unit_factor(unit, p)
    if word:
        if word.lower() not in p.converters:
            known = f"; it takes {', '.join(p.converters)}" if p.converters else ""
            raise ValueError(f"{p.name}: '{word}' is not a convention it knows{known}")
        value = CONVERTERS[word.lower()][0](value)
    return checked_number(p, value)


def checked_number(p, value):
    """A finite number inside the hard range, else ValueError."""
    low, high = p.hard
    if isinstance(value, bool) or not isinstance(value, (int, float)) or not math.isfinite(value):
        raise ValueError(f"{p.name}: '{value}' is not a number")
    # Rounding of a unit or a convention must not push a value out of its range.
    if low - 1e-9 <= value <= high + 1e-9:
        return min(max(float(value), low), high)
    unit = f" {p.unit}" if p.unit else ""
    raise ValueError(f"{p.name}: {value:g}{unit} is outside {low:g} to {high:g}{unit}")


def parse_colour(p, text):
    """`#rrggbb` (sRGB), `r,g,b` (linear) or one number for a grey, as a triple."""
    text = text.strip()
    if text.startswith("#"):
        if not re.fullmatch(r"#[0-9a-fA-F]{6}", text):
            raise ValueError(f"{p.name}: '{text}' is not a colour; write #rrggbb or r,g,b")
        encoded = [int(text[i : i + 2], 16) / 255.0 for i in (1, 3, 5)]
        return tuple(float(v) for v in decode_srgb(encoded))
    parts = [part for part in re.split(r"[,;\s]+", text) if part]
    if len(parts) == 1:
        parts = parts * 3
    if len(parts) not in (3, len(NODES_NM)):
        raise ValueError(f"{p.name}: '{text}' is not a colour; write #rrggbb or r,g,b")
    return tuple(parse_number(p, part) for part in parts)


_WORDS = {"true": True, "yes": True, "on": True, "1": True, "false": False, "no": False, "off": False, "0": False}


def parse(p: Parameter, text: str):
    """The value of any parameter from text; ValueError with one sentence where it will not do."""
    if p.kind == "switch":
        if text.strip().lower() not in _WORDS:
            raise ValueError(f"{p.name}: '{text.strip()}' is neither true nor false")
        return _WORDS[text.strip().lower()]
    if p.kind == "number":
        return parse_number(p, text)
    if p.kind in ("colour", "coefficient"):
        return parse_colour(p, text)
    return checked(p, "" if text.strip().lower() in ("", "none") else text.strip())


def checked(p, value):
    """A value of the right type inside its range, from data; ValueError otherwise."""
    if p.kind == "switch":
        if not isinstance(value, bool):
            raise ValueError(f"{p.name}: '{value}' is neither true nor false")
        return value
    if p.kind == "number":
        return checked_number(p, value)
    if p.kind in ("colour", "coefficient"):
        if not isinstance(value, (list, tuple)) or len(value) not in (3, len(NODES_NM)):
            raise ValueError(f"{p.name}: a colour needs three numbers, or {len(NODES_NM)} for a spectrum")
        return tuple(checked_number(p, v) for v in value)
    from .constants import FROM_MODEL, FROM_READING, check_name

    if not isinstance(value, str):
        raise ValueError(f"{p.name}: '{value}' is not the name of a table")
    if p.name != "constants" and value in (FROM_READING, FROM_MODEL):
        raise ValueError(f"{p.name}: a reading or a model is of the body; choose a built-in table")
    return check_name(value)


def format_value(p, value, sigma=None):
    """A value for people, with its unit."""
    if p.kind == "switch":
        return "true" if value else "false"
    if p.kind == "number":
        text = f"{value:.{p.digits}f}" if abs(value) >= 10.0**-p.digits or value == 0 else f"{value:.2g}"
        if sigma is not None:
            text += f" ± {sigma:.2g}"
        return f"{text} {p.unit}".strip()
    if p.components and is_spectrum(value):
        return f"spectrum, {min(value):.3g}–{max(value):.3g} {p.unit}".strip()
    if p.kind == "colour":
        return hex_colour(value)
    if p.kind == "coefficient":
        return ", ".join(f"{v:.3g}" for v in value) + f" {p.unit}"
    return value or "none"


def hex_colour(rgb):
    """`#rrggbb` of a linear triple, clipped."""
    return "#" + "".join(f"{round(255 * min(1.0, max(0.0, v))):02x}" for v in encode_srgb(rgb))
