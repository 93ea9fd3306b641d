"""What instruments would read on an entry, in a few numbers: by these a library is searched."""

from dataclasses import dataclass

import numpy as np

from ..instruments import constants_reading
from ..instruments.summary import GLOSS_ANGLES, colour_and_gloss
from ..study import Specimen
from ..words import tr


@dataclass(frozen=True)
class Fact:
    """One number of an entry: how it is called in a search, and in words; its unit."""

    name: str
    label: str
    unit: str = ""


FACTS = (
    *(Fact(f"gloss{angle}", tr("Gloss at {0}°", angle), "GU") for angle in GLOSS_ANGLES),
    Fact("L", tr("Lightness L*")),
    Fact("a", "a*"),
    Fact("b", "b*"),
    Fact("Y", tr("Reflectance Y, di:8"), "%"),
    Fact("roughness", tr("Roughness")),
    Fact("ior", tr("Index of refraction")),
    Fact("film", tr("Film thickness"), "nm"),
    Fact("path", tr("Mean free path, green"), "mm"),
)
NAMES = tuple(f.name for f in FACTS)


def facts_of(specimen: Specimen) -> dict[str, float]:
    """{name of a fact: value} of a specimen, as the instruments would read it; what does not apply is left out."""
    surface = specimen.surface
    constants = constants_reading(specimen.readings)
    found = colour_and_gloss(surface, constants)
    found["roughness"] = surface["roughness"]
    if surface["metalness"] < 1.0 and not surface["constants"]:
        found["ior"] = surface["ior"]
    if surface["film.amount"] > 0.0:
        found["film"] = surface["film.thickness"]
    if surface["subsurface"] > 0.0:
        found["path"] = surface["subsurface.radius"][1] * surface["subsurface.scale"]
    return {k: float(v) for k, v in found.items() if np.isfinite(v)}


def matter_of(surface):
    """What an entry is of, in a word."""
    if surface["metalness"] >= 0.5:
        return "metal"
    if surface["transmission"] > 0.5:
        return "clear"
    if surface["subsurface"] > 0.5:
        return "translucent"
    return "sheet" if surface.is_sheet else "opaque"


MATTERS = ("metal", "opaque", "clear", "translucent", "sheet")
_PRESENT = {
    "sheen": ("sheen.amount",), "coat": ("coat.amount",), "film": ("film.amount",),
    "interior": ("transmission", "subsurface"), "reverse": ("reverse.translucency",),
}  # fmt: skip


def strata_of(surface):
    """The strata that a surface has, beside the finish and the body that every one has."""
    return tuple(s for s, names in _PRESENT.items() if any(_largest(surface, n) > 0.0 for n in names))


def _largest(surface, name):
    given = surface.input(name)
    return max(given.low, given.high) if hasattr(given, "layers") else given
