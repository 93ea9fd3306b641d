"""What all values of a reading share: systematic uncertainties of its instrument (JCGM 100:2008, F.1.2.4).

They are no scatter, and no repeating takes them away: a white tile off by 1 % lifts every value by 1 %.
"""

import math
import re
from dataclasses import dataclass, fields

from ..errors import InputError
from ..words import tr

_LONGEST = 200
_TERM = re.compile(r"(gain|exposure|offset|thickness|angle)\s+([0-9]*\.?[0-9]+(?:e[-+]?[0-9]+)?)\s*(%|mm|°|deg)?", re.I)
_UNITS = {"gain": ("", "%"), "offset": ("",), "thickness_mm": ("", "mm"), "angle_deg": ("", "°", "deg")}
_FIELDS = {"gain": "gain", "exposure": "gain", "offset": "offset", "thickness": "thickness_mm", "angle": "angle_deg"}
_MOST = {"gain": 1.0, "offset": 1e6, "thickness_mm": 1e4, "angle_deg": 30.0}
_HOW = tr("write it as gain 1 %, offset 0.001, thickness 0.05 mm, angle 0.1°, or none")


@dataclass(frozen=True)
class Systematic:
    """One standard uncertainty of each effect, 0 where there is none: `gain` as a share of every value, `offset` in the
    values' own unit, `thickness_mm` of the slab that was read, `angle_deg` of the zero of the angles.
    """

    gain: float = 0.0
    offset: float = 0.0
    thickness_mm: float = 0.0
    angle_deg: float = 0.0

    @property
    def text(self):
        """As people write it."""
        parts = (
            f"gain {100.0 * self.gain:.4g} %" if self.gain else "",
            f"offset {self.offset:.4g}" if self.offset else "",
            f"thickness {self.thickness_mm:.4g} mm" if self.thickness_mm else "",
            f"angle {self.angle_deg:.4g}°" if self.angle_deg else "",
        )
        return ", ".join(p for p in parts if p) or "none"

    @property
    def exact(self):
        """As a file keeps it, so that `systematic_of` gives the same again."""
        said = {name: getattr(self, key) for name, key in _FIELDS.items() if name != "exposure"}
        return ", ".join(f"{name} {value!r}" for name, value in said.items() if value) or "none"

    def checked(self) -> "Systematic":
        """Itself; ValueError where a number will not do."""
        for f in fields(self):
            if not (math.isfinite(value := getattr(self, f.name)) and 0.0 <= value <= _MOST[f.name]):
                name = f.name.partition("_")[0]
                raise InputError(
                    tr("a systematic uncertainty of {0} must lie between 0 and {1}", name, f"{_MOST[f.name]:g}")
                )
        return self


NONE = Systematic()


def systematic_of(text) -> Systematic:
    """From a text such as `gain 1 %, offset 0.001`, or `none`; ValueError, in a sentence, for anything else."""
    text = " ".join(str(text).replace("±", " ").split())
    if text.lower() == "none":
        return NONE
    found = {}
    for part in text[:_LONGEST].split(","):
        term = _TERM.fullmatch(part.strip())
        name = _FIELDS[term[1].lower()] if term else ""
        unit = (term[3] or "").lower() if term else ""
        if not term or unit not in _UNITS[name] or len(text) > _LONGEST:
            raise InputError(tr("'{0}' is not a systematic uncertainty; {1}", part.strip()[:60], _HOW))
        if name in found:
            raise InputError(tr("{0} is given twice; {1}", term[1].lower(), _HOW))
        found[name] = float(term[2]) / (100.0 if unit == "%" else 1.0)
    return Systematic(**found).checked()
