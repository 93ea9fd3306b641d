"""What the readings say of a surface's sense: lengths in another unit, and constants that end before the light does."""

import numpy as np

from ..figures import figures
from ..surface.checks import Finding
from ..surface.constants import FROM_READING
from ..words import tr

_OFF = 3.0
_NEAR_MM = 0.2
_VISIBLE_NM = (380.0, 780.0)


def evidence_findings(surface, agreements) -> list[Finding]:
    """What is doubtful about a surface by its readings: its lengths, and how far its own constants reach."""
    return [*_ranges(surface, agreements), *_areas(surface, agreements), *_scales(surface, agreements)]


def reach_mm(surface):
    """How far light wanders below a surface that has a subsurface, at the most of its colours and depths, in mm.

    Two diffusion lengths, 2 / √(3 (1 − albedo)) mean free paths; the albedo of one scattering from the colour by the
    fit of Kulla & Conty (2017), near enough for advice.
    """
    most = 0.0
    for share, colour, path in surface.subsurface_depths():
        if share > 0.0:
            seen = np.clip(np.asarray(colour, float).max(), 0.0, 0.999)
            missing = np.exp(-5.09406 * seen + 2.61188 * seen**2 - 4.31805 * seen**3)
            most = max(most, float(max(path)) * 2.0 / np.sqrt(3.0 * max(missing, 1e-4)))
    return most


def _areas(surface, agreements):
    """What a spectrophotometer's port must be told for, where light leaves beside it."""
    if not surface.applies("subsurface.radius"):
        return
    reach = reach_mm(surface)
    for a in agreements:
        r = a.reading
        if r.active and r.kind.takes_port and reach > _NEAR_MM and not (r.illuminated_mm or r.collected_mm):
            words = tr(
                "{0} does not say how wide it lights and looks, and light scatters up to {1} mm here: "
                "behind less than some {2} mm it would read too dark. State what is illuminated and "
                "collected.",
                r.name,
                figures(reach, 2),
                figures(10.0 * reach, 2),
            )
            yield Finding(words, is_advice=True)


def _ranges(surface, agreements):
    if surface["constants"] != FROM_READING:
        return
    for a in agreements:
        if a.reading.active and a.reading.kind_key == "constants":
            low, high = float(a.reading.x.min()), float(a.reading.x.max())
            if low > _VISIBLE_NM[0] or high < _VISIBLE_NM[1]:
                words = tr(
                    "{0} covers {1}–{2} nm only; its end values are held beyond.",
                    a.reading.name,
                    f"{low:g}",
                    f"{high:g}",
                )
                yield Finding(words, is_advice=True)


def _scales(surface, agreements):
    """A scale that is off by ten is a slip of a unit: how far the model is from scatter and coefficient readings."""
    found = []
    for a in agreements:
        if a.model is None or not a.reading.active or a.reading.kind_key not in ("scatter", "coefficients"):
            continue
        ratio = _reach(a.reading, a.reading.stacked()[0]) / _reach(a.reading, a.model)
        if not np.isfinite(ratio) or 1.0 / _OFF < ratio < _OFF:
            continue
        words = (
            tr("{0} times as far as", figures(ratio, 2))
            if ratio > 1.0
            else tr("only {0} times as far as", figures(ratio, 2))
        )
        mend = {}
        if surface.applies("subsurface.scale"):
            mend = {"subsurface.scale": float(np.clip(surface["subsurface.scale"] * ratio, 0.001, 1000.0))}
        found.append(
            Finding(tr("By {0} light reaches {1} on this surface: is a length in another unit?", a.reading.name, words),
                    tr("Scale it") if mend else "", mend)
        )  # fmt: skip
    return found


def _reach(reading, values):
    """A length that a reading's values stand for: the mean radius of a profile, or a mean free path."""
    with np.errstate(divide="ignore", invalid="ignore"):
        if reading.kind_key == "scatter":
            r, e = reading.x, np.nan_to_num(values[0])
            return float(np.sum(r * r * r * e) / np.sum(r * r * e))
        counted = reading.counted
        total = np.where(counted, values, 0.0)[counted.any(axis=1)].sum(axis=0)
        return float(1.0 / np.median(total))
