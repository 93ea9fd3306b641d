"""What the lines above a table say of a reading beside its numbers: lengths with their units, light and observer."""

import re

from ..colour.observers import ILLUMINANTS, OBSERVERS
from ..errors import InputError
from ..words import tr
from .columns import UNITS, unit_named
from .model import LENGTHS

_NUMBERS = {
    "tolerance": "tolerance", **{key: key for key in LENGTHS}, "thickness": "thickness_mm", "band-pass": "bandpass_nm",
    "bandpass": "bandpass_nm", "bandwidth": "bandpass_nm", "spot": "illuminated_mm", "port": "collected_mm",
    "aperture": "collected_mm",
}  # fmt: skip
"""By key of a header line, what it says of a reading: a number, with its unit or without."""
_NUMBER = re.compile(r"([-+]?[\d.,]+(?:e[-+]?\d+)?)\s*(\D*)", re.I)
_WIDE, _NARROW = re.compile(r"1964|(?<![\d.])10(?![\d.])"), re.compile(r"1931|(?<![\d.])2(?![\d.])")


def plain(key):
    """One of `LENGTHS`, or another key, for people."""
    return key.rpartition("_")[0].replace("bandpass", "band-pass") or key


def numbers_of(head, notes):
    """What a head says in numbers, {name: number}; lengths in mm, band-passes in nm."""
    out = {}
    for key, ours in _NUMBERS.items():
        if not head.get(key):
            continue
        value = _number(head[key], ours)
        if value is not None:
            out[ours] = value
        elif key in (ours, "thickness"):
            raise InputError(tr("the {0} '{1}' in its header is not a number", plain(ours), head[key][:60]))
        else:
            # The same word may mean something else in a preamble.
            notes.add(tr("the {0} '{1}' in its header was left out", key, head[key][:60]))
    return out


def _number(text, ours):
    """A number in our unit, with its own unit or without; None where it is none."""
    found = _NUMBER.fullmatch(text.strip())
    if not found:
        return None
    usual = ours[-2:] if ours in LENGTHS else ""
    unit = unit_named(found[2]) if found[2].strip() else usual
    factors = {"mm": UNITS["length"], "nm": {"nm": 1.0}, "": {"": 1.0}}[usual]
    try:
        return float(found[1].replace(",", ".")) * factors[unit]
    except (ValueError, KeyError):
        return None


def viewing_of(head, notes):
    """{"illuminant": …, "observer": …} as far as a head says them: `D65`, `D65/10°`, `A (2856 K)`, `CIE 1964`.

    In a file that is not ours an observer that is none of these, as a person's name, is left out with a note.
    """
    light, observer = head.get("illuminant", ""), head.get("observer", "")
    if "kind" in head or head.get("light_power"):
        return {k: v for k, v in (("illuminant", light), ("observer", observer)) if v}
    out = {}
    if light:
        words = re.split(r"[\s/,;()|-]+", light.upper())
        # A light that nobody knows is refused later, unless a person says another.
        out["illuminant"] = next((w for w in words if w in ILLUMINANTS), light)
    named = _observer_of(observer or light)
    if named:
        out["observer"] = named
    elif observer:
        notes.add(tr("the {0} '{1}' in its header was left out", "observer", observer[:60]))
    return out


def _observer_of(text):
    if text in OBSERVERS:
        return text
    is_wide, is_narrow = bool(_WIDE.search(text)), bool(_NARROW.search(text))
    return "" if is_wide == is_narrow else OBSERVERS[1] if is_wide else OBSERVERS[0]
