"""Which entries come closest to readings in hand."""

from dataclasses import dataclass

import numpy as np

from ..colour import delta_e_2000
from ..fitting import agreements
from ..fitting.agreement import colour_of
from .entry import read_entry
from .folder import Found

_TRIED = 60
"""So many entries, at the most, have their instruments read: the nearest by their facts."""
_GLOSS_AS_DELTA_E = 0.3
"""What one gloss unit counts against one ΔE2000 where entries are chosen to be tried."""


@dataclass(frozen=True)
class Ranked:
    """An entry, and how far it is from the readings: each in its own measure, and the mean of them in tolerances."""

    found: Found
    score: float
    values: tuple[float, ...]


def closest(entries, readings, most=20, report=None, cancel=None) -> list[Ranked]:
    """Entries by their agreement with readings, the closest first; report(done, of) on the way; None where cancelled.

    Of many entries those are tried whose gloss and colour are nearest. A reading that an entry's surface cannot answer
    counts as ten tolerances.
    """
    readings = tuple(r for r in readings if r.active)
    usable = [e for e in entries if not e.trouble]
    if len(usable) > _TRIED:
        apart = np.array([_apart(e.facts, _facts_in(readings)) for e in usable])
        usable = [usable[i] for i in np.argsort(apart, kind="stable")[:_TRIED]]
    out = []
    for i, entry in enumerate(usable):
        if cancel is not None and cancel.is_set():
            return None
        found = agreements(read_entry(entry.path).specimens[0].surface, readings)
        values = tuple(a.value for a in found)
        parts = [10.0 if a.problem else min(a.value / a.reading.tolerance, 1e3) for a in found]
        out.append(Ranked(entry, float(np.mean(parts)) if parts else float("inf"), values))
        if report:
            report(i + 1, len(usable))
    return sorted(out, key=lambda r: r.score)[:most]


def _facts_in(readings):
    """What readings say in the terms of facts: (Lab or None, {angle: gloss})."""
    lab, gloss = None, {}
    for r in readings:
        if r.kind_key == "reflectance" and lab is None:
            order = np.argsort(r.x)
            lab = colour_of(r, r.x[order], r.stacked()[0][0][order])
        elif r.kind_key == "colour" and lab is None:
            lab = np.mean(r.stacked()[0], axis=1)
        elif r.kind_key == "gloss":
            for angle, value in zip(r.columns["angle_deg"], r.columns["gloss_units"], strict=True):
                if f"gloss{angle:g}" in ("gloss20", "gloss60", "gloss85"):
                    gloss[f"gloss{angle:g}"] = float(value)
    return lab, gloss


def _apart(facts, told):
    lab, gloss = told
    total = 0.0
    if lab is not None:
        total += float(delta_e_2000(lab, np.array([facts[k] for k in "Lab"]))) if "L" in facts else 100.0
    for name, value in gloss.items():
        total += _GLOSS_AS_DELTA_E * abs(facts[name] - value) if name in facts else 100.0
    return total
