"""What the readings say of a surface's sense: lengths in another unit, constants that end before the light does, and
more light than a surface that is no metal sends back."""

import numpy as np

from ..figures import figures
from ..instruments.glossmeter import STANDARD_IOR
from ..optics.fresnel import fresnel_dielectric
from ..surface.checks import Finding
from ..surface.constants import FROM_READING
from ..words import tr

_OFF = 3.0
_METALS_K = 1.0
"""An extinction coefficient that what is clear or painted has nowhere in the visible."""
_NEAR_MM = 0.2
_VISIBLE_NM = (380.0, 780.0)
_LETTING_THROUGH, _LETS_THROUGH = ("transmission", "subsurface", "reverse.translucency"), 0.02
_HIGHEST_INDEX, _SURELY, _STEEP_DEG = 2.5, 1.1, 61.0
"""Nothing clear or painted has a higher index; how much more than its face sends back counts, and up to which angle."""


def evidence_findings(surface, agreements) -> list[Finding]:
    """What is doubtful about a surface by its readings: its lengths, and how far its own constants reach."""
    readings = [a.reading for a in agreements if a.reading.active]
    return [
        *_kinds(surface, readings), *_unused(surface, readings), *_ranges(surface, agreements),
        *_areas(surface, agreements), *_scales(surface, agreements),
    ]  # fmt: skip


def metal_by(surface, readings):
    """In words, which reading shows that a surface which is no metal must be one; None where none does."""
    if surface["metalness"] >= 0.5:
        return None
    for r in readings:
        if r.kind_key == "constants" and np.max(r.columns["k"]) > _METALS_K:
            return tr("by {0} the extinction coefficient is up to {1}", r.name, figures(np.max(r.columns["k"]), 2))
        if r.kind_key not in ("gloss", "specular"):
            continue
        angle = r.columns["angle_deg"]
        face = fresnel_dielectric(np.cos(np.radians(angle)), _HIGHEST_INDEX)
        if r.kind_key == "gloss":
            unit, value, most = " GU", r.columns["gloss_units"], 100.0 * face / _standard(angle)
        else:
            # Of either polarisation at most twice the mean of both.
            unit, value, most = "", r.columns["reflectance"], 2.0 * face
        beyond = np.where((angle < _STEEP_DEG) & np.isfinite(value), value / (_SURELY * most), 0.0)
        i = int(np.argmax(beyond))
        if beyond[i] > 1.0:
            return tr(
                "{0} has {1}{2} at {3}°; the face of what is no metal sends back {4}{2} at the most",
                r.name, figures(value[i], 3), unit, f"{angle[i]:g}", figures(most[i], 2),
            )  # fmt: skip
    return None


def _standard(angle):
    """What the black glass of a gloss meter sends back."""
    return fresnel_dielectric(np.cos(np.radians(angle)), STANDARD_IOR)


def clear_by(surface, readings):
    """In words, which reading shows that light passes a surface that lets none through; None where none does."""
    if surface["metalness"] >= 0.5 or any(surface[name] > 0.0 for name in _LETTING_THROUGH):
        return None
    for r in readings:
        if r.kind_key == "transmittance":
            most = float(np.nanmax(np.concatenate([r.columns[v] for v in r.kind.values])))
            if most > _LETS_THROUGH:
                return tr("by {0} up to {1} % of the light passes, and this surface lets none through",
                          r.name, figures(100.0 * most, 2))  # fmt: skip
    return None


def kinds_by(surface, readings):
    """What kind of surface readings show that this one is not, [(in words, the parameter that makes it one)]."""
    found = (metal_by(surface, readings), "metalness"), (clear_by(surface, readings), "transmission")
    return [(words, name) for words, name in found if words]


def _kinds(surface, readings):
    asked = {
        "metalness": (tr("is it a metal?"), tr("A metal")), "transmission": (tr("is it clear?"), tr("A clear body")),
    }  # fmt: skip
    for words, name in kinds_by(surface, readings):
        question, label = asked[name]
        yield Finding(f"{words}: {question}", label, {name: 1.0})


def _unused(surface, readings):
    """Measured constants of a metal that goes by its colours."""
    name = next((r.name for r in readings if r.kind_key == "constants"), None)
    if name and surface["metalness"] >= 0.5 and not surface["constants"]:
        words = tr("{0} has the metal's optical constants, and this surface goes by face and edge colour.", name)
        yield Finding(words, tr("Use them"), {"constants": FROM_READING})


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
