"""Physical sense of a surface: what is set but cannot show, or cannot be. One sentence each, with its mend."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

import numpy as np

from ..figures import figures
from ..words import tr
from .compile import absorption
from .constants import FROM_MODEL, FROM_READING, table
from .model import Surface
from .parameters import PARAMETERS

_LONGEST_SHARE = 0.2
"""Of the specimen's size: a mean free path beyond leaves hardly any light to scatter twice."""


@dataclass(frozen=True)
class Finding:
    """Something to look at. `mend`: {parameter: value} that would put it right, with its label; or none.

    `is_error` where nothing can be computed until it is mended; `is_advice` where all is sound, and only might be meant
    otherwise.
    """

    sentence: str
    mend_label: str = ""
    mend: Mapping[str, object] = field(default_factory=dict)
    is_error: bool = False
    is_advice: bool = False


def _advice(sentence, mend_label="", mend=None):
    return Finding(sentence, mend_label, mend or {}, is_advice=True)


def findings(surface: Surface, size_mm: float, has_constants_reading: bool) -> list[Finding]:
    """What is doubtful about a surface on a specimen of `size_mm` across, in the order of the section."""
    return list(_found(surface, size_mm, has_constants_reading))


def _found(s, size_mm, has_constants_reading):
    for name, value in s.maps.items():
        if value.is_missing:
            yield Finding(
                tr(
                    "The map of {0} is without its picture; level 0.5 stands in for it. Find the picture, or "
                    "use a constant.",
                    PARAMETERS[name].words,
                ),
                tr("Use a constant"),
                {name: value.middle},
            )
        if value.ends_in_mask:
            yield _advice(
                tr("The last layer of the map of {0} is a mask, and masks nothing.", PARAMETERS[name].words),
                tr("Remove it"),
                {name: replace(value, layers=value.layers[:-1])},
            )
    if s["constants"] == FROM_READING and not has_constants_reading:
        yield Finding(
            tr("The optical constants are to come from a reading, but no reading of constants is active."),
            tr("Use index and Abbe number") if s["metalness"] < 1 else tr("Use face and edge colour"),
            {"constants": ""},
            True,
        )
        return
    if s["constants"] and s["constants"] not in (FROM_READING, FROM_MODEL) and not table(s["constants"]).covers:
        low, high = table(s["constants"]).range_nm
        yield _advice(
            tr(
                "The table {0} covers {1}–{2} nm only; its end values are held beyond.",
                s["constants"],
                f"{low:g}",
                f"{high:g}",
            )
        )
    if s["film.amount"] > 0.0 and s["film.constants"] and not table(s["film.constants"]).covers:
        low, high = table(s["film.constants"]).range_nm
        yield _advice(
            tr(
                "The film's table {0} covers {1}–{2} nm only; held beyond.",
                s["film.constants"],
                f"{low:g}",
                f"{high:g}",
            )
        )
    if s["film.amount"] > 0.0 and s["film.thickness"] == 0.0:
        yield Finding(tr("A film of no thickness shows nothing."), tr("Make it 300 nm"), {"film.thickness": 300.0})
    if s["film.amount"] > 0.0 and s["metalness"] < 1.0 and not s["constants"] and abs(s["film.ior"] - s["ior"]) < 0.02:
        other = 1.33 if s["ior"] > 1.45 else 1.7
        yield Finding(
            tr("A film of the body's own index cannot be seen on it."), tr("Make it {0}", other), {"film.ior": other}
        )
    if s["coat.amount"] > 0.0 and s["coat.ior"] < 1.0 + 1e-3:
        yield Finding(tr("A coat of index 1 is air: it does nothing."), tr("Make it 1.5"), {"coat.ior": 1.5})
    yield from _layered(s)
    yield from _wandering(s, size_mm)
    yield from _through(s)
    if s["metalness"] >= 1.0 and s["transmission"] > 0.0:
        yield Finding(
            tr("Transmission does nothing in a metal: no light gets through it."),
            tr("Take it away"),
            {"transmission": 0.0},
        )
    if 0.0 < s["metalness"] < 1.0:
        nearest = round(s["metalness"])
        yield _advice(
            tr("Metalness between 0 and 1 is a mixture, as of rust or worn plating; a single material is 0 or 1."),
            tr("Make it {0}", nearest),
            {"metalness": float(nearest)},
        )
    if s["metalness"] < 1.0 and not s["constants"]:
        # A film alone in the air is a bubble.
        is_bubble = s["film.amount"] > 0.0 and s["thin_walled"]
        if s["ior"] < 1.0 + 1e-3 and not is_bubble:
            yield Finding(
                tr("An index of 1 is that of air: the surface reflects nothing."), tr("Make it 1.5"), {"ior": 1.5}
            )
        if s["abbe"] and s["abbe"] < 15.0:
            yield _advice(
                tr("An Abbe number below 15 disperses more than any known glass."), tr("Make it 60"), {"abbe": 60.0}
            )
    if s["haze.amount"] > 0.0 and s["haze.spread"] < 0.02:
        yield _advice(
            tr("A haze that spreads no wider than the finish cannot be seen."), tr("Spread it"), {"haze.spread": 0.4}
        )
    if s["metalness"] < 1.0 and max(s["colour"]) > 0.95 and s["transmission"] < 1.0:
        yield _advice(
            tr("A body colour above 0.95 is brighter than fresh snow; pictures will be slow and pale."),
            tr("Bring it to 0.9"),
            {"colour": tuple(min(c, 0.9) for c in s["colour"])},
        )
    if s["metalness"] < 1.0 and s["transmission"] > 0.0:
        clearest = float(np.exp(-np.min(absorption(s)) * size_mm)) if s["constants"] != FROM_READING else 1.0
        if clearest < 1e-3:
            yield _advice(
                tr(
                    "The interior absorbs so much that {0} mm of it let less than 0.1 % through: black.", f"{size_mm:g}"
                ),
                tr("Give it the specimen's depth"),
                {"interior.depth": size_mm, "interior.absorption": (0.0, 0.0, 0.0)},
            )


def _layered(s):
    if s["sheen.amount"] > 0.0 and s["metalness"] >= 1.0:
        yield Finding(
            tr("Sheen comes from fibres, which a metal does not have; dust on it would be one."),
            tr("Take it away"),
            {"sheen.amount": 0.0},
        )
    if s["sheen.amount"] > 0.0 and s["transmission"] > 0.0 and not s.is_sheet:
        yield _advice(
            tr("Fibres on clear glass are dust: from within the glass they are not seen."),
            tr("Take them away"),
            {"sheen.amount": 0.0},
        )
    if s["coat.amount"] > 0.0 and s["coat.thickness"] == 0.0 and s["coat.colour"] != (1.0, 1.0, 1.0):
        yield Finding(tr("A coat of no thickness has no colour."), tr("Make it 50 µm"), {"coat.thickness": 50.0})
    if s["anisotropy"] > 0.0 and s["roughness"] < 0.02:
        yield _advice(
            tr("On a mirror a brushing direction cannot be seen."), tr("Roughen it to 0.2"), {"roughness": 0.2}
        )


def _through(s):
    if s["metalness"] >= 1.0:
        for name in ("reverse.translucency", "thin_walled"):
            if s[name]:
                mend = {name: PARAMETERS[name].default}
                yield Finding(tr("No light gets through a metal to a back side."), tr("Take it away"), mend)
    elif s["thin_walled"] and s["transmission"] <= 0.0 and s["reverse.translucency"] <= 0.0:
        yield Finding(
            tr("A thin wall that lets nothing through is just a surface."),
            tr("Let light through"),
            {"transmission": 1.0},
        )
    if s.is_sheet and s["subsurface"] > 0.0:
        yield Finding(
            tr("In a sheet there is no depth to scatter in: the subsurface is taken as its body's colour."),
            tr("Make it the body colour"),
            {"subsurface": 0.0, "colour": s.as_measured()["colour"]},
        )
    if s.is_sheet and max(s["interior.scatter"]) > 0.0 and s["transmission"] > 0.0:
        yield Finding(
            tr("A thin wall does not scatter within; give it translucency instead."),
            tr("Clear it"),
            {"interior.scatter": (0.0, 0.0, 0.0)},
        )
    if s["opacity"] <= 0.0:
        yield Finding(tr("Nothing of the surface is there."), tr("Make it whole"), {"opacity": 1.0})


def picture_findings(surface: Surface, effort, energy_cut: float) -> list[Finding]:
    """What the running picture shows: light lost to the bounce limits, as measured, and light taken by the clamp.

    effort: the booth's, with its limits; the mends are changes of the effort, not of the surface.
    """
    found = []
    if energy_cut > 0.005:
        inside = surface["metalness"] < 1.0 and max(surface["transmission"], surface["subsurface"]) > 0.0
        scatters = surface.applies("subsurface.radius") or surface.applies("interior.asymmetry")
        mend = {"reflection": max(16, 2 * effort.reflection)}
        if inside:
            mend["transmission"] = max(256, 2 * effort.transmission)
        if scatters:
            mend["volume"] = max(4096, 2 * effort.volume)
        found.append(
            Finding(
                tr("The bounce limits take {0} % of the light away.", f"{100 * energy_cut:.1f}"), tr("Raise them"), mend
            )
        )
    if effort.clamp > 0.0:
        found.append(
            Finding(
                tr("Fireflies are clamped at {0}: highlights lose light.", f"{effort.clamp:g}"),
                tr("Let them"),
                {"clamp": 0.0},
            )
        )
    return found


def _wandering(s, size_mm):
    if not s.applies("subsurface.radius"):
        return
    shares = s["subsurface.shallow"] + s["subsurface.deep"]
    if shares > 1.0:
        kept = {n: s[n] / shares for n in ("subsurface.shallow", "subsurface.deep")}
        yield Finding(
            tr(
                "The shallow and deep shares of the subsurface add up to {0}: both are scaled to 1 together, "
                "and nothing is left for the middle.",
                figures(shares),
            ),
            tr("Scale them"),
            kept,
        )
    longest = max(s["subsurface.radius"]) * s["subsurface.scale"]
    if longest > _LONGEST_SHARE * size_mm:
        yield Finding(
            tr(
                "A mean free path of {0} mm is long against the specimen ({1} mm): light runs through it, "
                "and it looks like weak smoke. Is its scale ten times too large?",
                figures(longest),
                f"{size_mm:g}",
            ),
            tr("Bring it to a tenth of the size"),
            {"subsurface.scale": max(0.001, s["subsurface.scale"] * 0.1 * size_mm / longest)},
        )
    # About a pixel of a picture in which the specimen is 500 pixels wide.
    elif longest < size_mm / 2000.0:
        yield _advice(
            tr(
                "A mean free path of {0} mm is far smaller than a pixel: a plain body colour looks the same.",
                figures(longest),
            ),
            tr("Make it a body colour"),
            {"subsurface": 0.0, "colour": s.as_measured()["colour"]},
        )
