"""Values as people type them: numbers with units, colours, converters; and back to text."""

import math
import re

import numpy as np

from ..colour import (
    WAVELENGTHS,
    delta_e_2000,
    encode_srgb,
    linear_srgb_to_xyz,
    reflectance_of_xyz,
    reflectance_to_xyz,
    spelled,
    srgb_code,
    to_xyz,
    xyz_to_lab,
    xyz_to_linear_srgb,
)
from ..errors import InputError
from ..faults import remark
from ..figures import as_typed, figures
from ..maps import Map, checked_layers
from ..optics.interface import colour_below, colour_leaving
from ..words import tr, with_unit
from .parameter import Parameter
from .spectrum import NODES_NM, is_spectrum, reflectance_of, rgb_of, spectrum_from, spectrum_of

_LENGTHS_MM = {
    "å": 1e-7,
    "Å": 1e-7,
    "\u212b": 1e-7,
    "nm": 1e-6,
    "um": 1e-3,
    "µm": 1e-3,
    "μm": 1e-3,
    "mm": 1.0,
    "cm": 10.0,
    "m": 1000.0,
}
_FIGURE = r"[-+]?(?:\d+[.,]?\d*|[.,]\d+)(?:e[-+]?\d+)?"
_NUMBER = re.compile(rf"^([a-z]*)\s*({_FIGURE})\s*(.*)$", re.I)
_SPACED = re.compile(r"([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*(per\s+\w+|[^\s\d.+-][^\s]*)?", re.I)
"""A number with its unit, among others that spaces part."""

DEFAULT_IOR = 1.5
BUMP, COAT_BUMP = "bump", "coat.bump"
"""The parameters whose slopes turn the normal of a surface, and of its coat, and that are not compiled otherwise."""
DISPLACEMENT = "displacement"
"""The parameter whose heights move the shape, see `imaging.booths`; it is not compiled."""
HEIGHTS = (BUMP, COAT_BUMP, DISPLACEMENT)
CONVERTERS = {
    "gloss": (lambda g: 1.0 - g, lambda r: 1.0 - r),
    "alpha": (lambda a: math.sqrt(max(0.0, a)), lambda r: r * r),
    "reflectance": (
        lambda f: (1.0 + math.sqrt(f)) / (1.0 - math.sqrt(f)) if 0.0 <= f < 1.0 else math.nan,
        lambda n: ((n - 1.0) / (n + 1.0)) ** 2,
    ),
}
"""By word: (from the word's convention to the parameter's, and back). `albedo` of a colour stands in `parse_colour`."""


def _unit_factor(text, p):
    unit = text.strip().replace("⁻¹", "").replace("^-1", "").replace("per ", "1/").replace("/ ", "/").strip()
    if not unit:
        return 1.0
    if unit == "%" and not p.unit:
        return 0.01
    if p.unit in _LENGTHS_MM and unit in _LENGTHS_MM:
        return _LENGTHS_MM[unit] / _LENGTHS_MM[p.unit]
    if p.unit == "1/mm" and unit.startswith(("1/", "/")) and unit.split("/")[1] in _LENGTHS_MM:
        return 1.0 / _LENGTHS_MM[unit.split("/")[1]]
    wanted = tr("a value in {0}", p.unit) if p.unit else tr("a plain number or %")
    raise InputError(tr("{0}: '{1}' is not a unit it takes; give {2}", p.name, unit, wanted))


def parse_number(p: Parameter, text: str, within=None):
    """A number as typed (`0.38 um`, `gloss 0.7`, `12 %`) in the parameter's own unit, range checked."""
    return checked_number(p, _typed(p, text))


def parse_length(p: Parameter, name, text: str):
    """A length as typed (`60`, `6 cm`, `0,5`) in the unit of p, without its range; InputError, under `name`."""
    try:
        return _typed(p, text)
    except InputError as error:
        raise InputError(str(error).replace(p.name, name, 1)) from None


def _typed(p, text):
    match = _NUMBER.match(as_typed(text.strip()))
    if not match:
        raise InputError(tr("{0}: '{1}' is not a number", p.name, text.strip()))
    word, digits, unit = match.groups()
    # One comma and no point: the decimal sign of many languages.
    value = float(digits.replace(",", ".")) * _unit_factor(unit, p)
    if word.lower() == "gloss" and "gloss" in p.converters and value > 1.0:
        raise InputError(
            tr(
                "{0}: 'gloss' is 1 minus the roughness here, from 0 to 1; {1} gloss units are what a gloss "
                "meter reads: take them as a reading of gloss, and solve",
                p.name,
                f"{value:g}",
            )
        )
    if word:
        if word.lower() not in p.converters:
            known = tr("; it takes {0}", ", ".join(p.converters)) if p.converters else ""
            raise InputError(tr("{0}: '{1}' is not a convention it knows{2}", p.name, word, known))
        value = CONVERTERS[word.lower()][0](value)
    return value


def checked_number(p, value):
    """A finite number inside the hard range, else ValueError."""
    low, high = p.hard
    if isinstance(value, bool) or not isinstance(value, (int, float)) or not math.isfinite(value):
        raise InputError(tr("{0}: '{1}' is not a number", p.name, value))
    # Rounding of a unit or a convention must not push a value out of its range.
    if low - 1e-9 <= value <= high + 1e-9:
        return min(max(float(value), low), high)
    unit = f" {p.unit}" if p.unit else ""
    raise InputError(
        tr("{0}: {1}{2} is outside {3} to {4}{5}", p.name, f"{value:g}", unit, f"{low:g}", f"{high:g}", unit)
    )


def parse_colour(p, text, ior=DEFAULT_IOR):
    """Three numbers, or a spectrum's, of what is typed: `#rrggbb`, `#rgb` or `rgb 255 128 0` (sRGB), `r,g,b` (linear),
    `acescg r,g,b` or another space of `colour.SPACES`, one number for a grey, `1.1 mm, 2 mm, 1.3 mm`, and `albedo …`
    for what leaves a body through an interface of `ior`.
    """
    text = text.strip()
    is_albedo = p.kind == "colour" and text.lower().startswith("albedo")
    if is_albedo:
        if "albedo" not in p.converters:
            raise InputError(tr("{0}: 'albedo' is not a convention it knows", p.name))
        text = text[len("albedo") :].strip(" :=")
    wide = _wide_colour(p, text) if p.kind == "colour" else None
    if wide is not None:
        if is_albedo:
            raise InputError(tr("{0}: an albedo is given as linear red, green and blue, or as sRGB", p.name))
        return wide
    code = srgb_code(text) if p.kind == "colour" else None
    if code is not None:
        values = tuple(float(v) for v in code)
    else:
        parts = _parts(text)
        if len(parts) not in (3, len(NODES_NM)):
            raise InputError(tr("{0}: '{1}' is not {2}", p.name, text, _WANTED[p.kind]))
        if p.kind == "colour" and len(parts) == 3 and all(re.fullmatch(r"\d{1,3}", v) for v in parts):
            whole = [int(v) for v in parts]
            if 1 < max(whole) <= 255:
                # Eight-bit numbers, as a picker of colours shows them: sRGB.
                return parse_colour(p, ("albedo " if is_albedo else "") + "rgb {} {} {}".format(*whole), ior)
        values = tuple(parse_number(p, part) for part in parts)
    if not is_albedo:
        return values
    below, most = colour_below(values, ior), float(colour_leaving(1.0, ior))
    if max(below) > 1.0:
        raise InputError(
            tr(
                "{0}: an albedo of {1} cannot leave an index of {2}; {3} is the most",
                p.name,
                f"{max(values):g}",
                f"{ior:g}",
                f"{most:.3f}",
            )
        )
    return tuple(float(v) for v in below)


VISIBLY_OFF = 1.0
"""ΔE2000 from which it is said that no reflectance has a colour."""


def colour_of_xyz(p, xyz):
    """(value of a colour that has XYZ (3,) under D65, ΔE2000 that it is off): linear Rec.709 where that
    holds it, else a spectrum that has it, as near as a smooth reflectance comes."""
    rgb = xyz_to_linear_srgb(xyz)
    if rgb.min() >= -1e-6 and rgb.max() <= 1.0 + 1e-6:
        return tuple(float(v) for v in np.clip(rgb, 0.0, 1.0)), 0.0
    value = spectrum_from(p, WAVELENGTHS, reflectance_of_xyz(xyz))
    there = xyz_to_lab(reflectance_to_xyz(WAVELENGTHS, reflectance_of(value)))
    return value, float(delta_e_2000(there, xyz_to_lab(np.maximum(xyz, 0.0))))


def xyz_of_colour(value):
    """XYZ (3,) under D65 of a colour, whether red, green and blue or a spectrum."""
    if len(value) == 3:
        return linear_srgb_to_xyz(value)
    return reflectance_to_xyz(WAVELENGTHS, reflectance_of(value))


def _wide_colour(p, text):
    """The value of a colour in a named space, or None where none is named."""
    words = text.replace(":", " ").replace("(", " ").replace(")", " ").split()
    for count in (1, 2):
        space = spelled("".join(words[:count]))
        if space is None:
            continue
        parts = _parts(" ".join(words[count:]))
        if len(parts) != 3:
            raise InputError(tr("{0}: '{1}' needs three numbers, as {2} 0.5, 0.2, 0.1", p.name, text, space))
        value, off = colour_of_xyz(p, to_xyz(space) @ np.array([_typed(p, part) for part in parts]))
        if off > VISIBLY_OFF:
            remark(
                tr(
                    "{0}: no reflectance is as saturated as {1}; the nearest is taken, ΔE {2} from it",
                    p.name,
                    text,
                    f"{off:.1f}",
                )
            )
        return value
    return None


_WANTED = {
    "colour": tr(
        "a colour; write #rrggbb, r,g,b (linear, each 0 to 1), rgb and three numbers up to 255, or acescg r,g,b"
    ),
    "coefficient": tr("one number, nor three for red, green and blue"),
}


def _parts(text):
    """The numbers of a text, each with its unit; one stands for all three."""
    if text.startswith("#"):
        return []
    if ";" in text:
        parts = text.split(";")
    elif re.fullmatch(r"\d+,\d+\s*[^\d\s,]*", text):
        parts = [text]
    elif "," in text:
        parts = text.split(",")
    else:
        parts = [number + unit for number, unit in _SPACED.findall(text)] if _SPACED.search(text) else text.split()
    parts = [part.strip() for part in parts if part.strip()]
    return parts * 3 if len(parts) == 1 else parts


_WORDS = {"true": True, "yes": True, "on": True, "1": True, "false": False, "no": False, "off": False, "0": False}


def parse(p: Parameter, text: str, ior=DEFAULT_IOR):
    """The value of any parameter from text; ValueError with one sentence where it will not do.

    ior: of the surface's own interface, for `albedo`.
    """
    if p.kind == "switch":
        if text.strip().lower() not in _WORDS:
            raise InputError(tr("{0}: '{1}' is neither true nor false", p.name, text.strip()))
        return _WORDS[text.strip().lower()]
    if p.kind == "number":
        return parse_number(p, text)
    if p.kind in ("colour", "coefficient"):
        return parse_colour(p, text, ior)
    return checked(p, "" if text.strip().lower() in ("", "none") else text.strip())


def checked(p, value):
    """A value of the right type inside its range, from data; ValueError otherwise. Of a map both ends are."""
    if isinstance(value, Map):
        if not p.varies:
            raise InputError(tr("{0} is the same all over a specimen; no map can drive it", p.name))
        if p.name not in (BUMP, COAT_BUMP) and any(
            getattr(layer.source, "channel", "") == "normal" for layer in value.layers
        ):
            raise InputError(tr("{0} cannot be driven by normals; give them to a bump", p.name))
        low, high = checked(p, value.low), checked(p, value.high)
        if value.is_coloured:
            if not p.components:
                raise InputError(tr("{0} is one number; take one channel of the picture, or its luminance", p.name))
            return Map(checked_layers(p.name, value.layers), rgb_of(p, low), rgb_of(p, high))
        if isinstance(low, tuple) and len(low) != len(high):
            low, high = spectrum_of(p, low), spectrum_of(p, high)
        return Map(checked_layers(p.name, value.layers), low, high)
    if p.kind == "switch":
        if not isinstance(value, bool):
            raise InputError(tr("{0}: '{1}' is neither true nor false", p.name, value))
        return value
    if p.kind == "number":
        return checked_number(p, value)
    if p.kind in ("colour", "coefficient"):
        if not isinstance(value, (list, tuple)) or len(value) not in (3, len(NODES_NM)):
            raise InputError(tr("{0}: a colour needs three numbers, or {1} for a spectrum", p.name, len(NODES_NM)))
        return tuple(checked_number(p, v) for v in value)
    from .constants import FROM_MODEL, FROM_READING, check_name

    if not isinstance(value, str):
        raise InputError(tr("{0}: '{1}' is not the name of a table", p.name, value))
    if p.name != "constants" and value in (FROM_READING, FROM_MODEL):
        raise InputError(tr("{0}: a reading or a model is of the body; choose a built-in table", p.name))
    return check_name(value)


def format_value(p, value, sigma=None):
    """A value for people, with its unit; of a map the values between which it varies."""
    if isinstance(value, Map):
        low, high = (format_value(p, end) for end in (value.low, value.high))
        return tr("{0} to {1}", low.removesuffix(p.unit).strip(), high)
    if p.kind == "switch":
        return "true" if value else "false"
    if p.kind == "number":
        text = f"{value:.{p.digits}f}" if abs(value) >= 10.0**-p.digits or value == 0 else figures(value, 2)
        if sigma is not None:
            text += f" ± {figures(sigma, 2)}"
        return with_unit(text, p.unit)
    if p.components and is_spectrum(value):
        return with_unit(tr("spectrum, {0}–{1}", figures(min(value)), figures(max(value))), p.unit)
    if p.kind == "colour":
        return hex_colour(value)
    if p.kind == "coefficient":
        return with_unit(", ".join(figures(v) for v in value), p.unit)
    return value or "none"


def hex_colour(rgb):
    """`#rrggbb` of a linear triple, clipped."""
    return "#" + "".join(f"{round(255 * min(1.0, max(0.0, v))):02x}" for v in encode_srgb(rgb))
