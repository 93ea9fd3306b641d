"""Verbs on specimens: free, hold, link, dispersion, duplicate, rename, remove."""

from dataclasses import replace
from typing import Annotated

import numpy as np
import typer

from ..optics.dispersion import LINE_C_NM, LINE_D_NM, LINE_F_NM, abbe_number
from ..readings.targets import sellmeier
from ..study import change_file
from ..surface.constants import FROM_READING
from ..surface.parameters import ENDS, scalar_owner
from ..surface.values import parse_number
from .output import Refused, tell
from .studies import SpecimenName, StudyPath, change_specimen

Names = Annotated[
    list[str], typer.Argument(metavar="NAME[=LOW..HIGH] ...", help="Parameters, with bounds for a solve.")
]
NewName = Annotated[str, typer.Argument(metavar="NEW", help="The new name.")]


def _bounds(name, text):
    """(low, high) of LOW..HIGH in the parameter's unit; None for an empty text, which clears bounds."""
    if not text.strip():
        return None
    low, dots, high = text.partition("..")
    if not dots:
        raise Refused(f"'{name}={text}' should be NAME=LOW..HIGH, as roughness=0.1..0.4")
    p, _ = scalar_owner(name)
    return parse_number(p, low), parse_number(p, high)


def free(study: StudyPath, specimen: SpecimenName, names: Names):
    """Free parameters for a solve, between bounds where they are given (NAME=LOW..HIGH; NAME= clears them)."""

    def change(one):
        for word in names:
            name, sign, text = word.partition("=")
            p, component = scalar_owner(name)
            owner = p.name
            # One end of a map's range may be free by itself; of a colour all numbers are, or none.
            end = component.split(".")[0] if component else ""
            one = one.with_free(f"{owner}.{end}" if end in ENDS else owner, True)
            if sign:
                one = one.with_bounds(name, _bounds(name, text))
            if not one.surface.applies(owner):
                tell(f"note: {owner} does nothing on this surface as it stands; a solve leaves it alone until it does")
        return one

    one = change_specimen(study, specimen, change)
    tell(f"free: {', '.join(sorted(one.free)) or 'nothing'}")


def hold(study: StudyPath, specimen: SpecimenName, names: Names):
    """Hold parameters: a solve leaves them as they are."""

    def change(one):
        for name in names:
            owner = scalar_owner(name)[0].name
            for held in (name, *(f"{owner}.{end}" for end in ENDS if name == owner)):
                one = one.with_free(held, False)
        return one

    one = change_specimen(study, specimen, change)
    tell(f"free: {', '.join(sorted(one.free)) or 'nothing'}")


def link(
    study: StudyPath,
    specimen: SpecimenName,
    links: Annotated[list[str], typer.Argument(metavar="STRATUM=SPECIMEN ...")],
):
    """Have a specimen follow another in strata, as finish='Brass lamp bracket'; STRATUM= unlinks."""

    def change(document):
        for word in links:
            stratum, sign, leader = word.partition("=")
            if not sign:
                raise Refused(f"'{word}' should be STRATUM=SPECIMEN, as finish='Brass lamp bracket'")
            document = document.with_link(document.index(specimen), stratum.strip(), leader.strip() or None)
        return document

    one = change_file(study, change).specimen(specimen)
    for stratum, leader in one.follows:
        tell(f"{stratum} follows '{leader}'")
    if not one.follows:
        tell(f"'{one.name}' follows nothing")


def dispersion(
    study: StudyPath,
    specimen: SpecimenName,
    coefficients: Annotated[str, typer.Argument(metavar="'B1 C1 B2 C2 …'", help="Sellmeier's, C in µm².")],
):
    """Have a body's index from Sellmeier coefficients, kept as a reading of its constants."""
    reading = sellmeier(coefficients)

    def change(one):
        from_it = {"constants": FROM_READING, "metalness": 0.0}
        return replace(one.with_reading(reading), surface=one.surface.with_values(from_it))

    change_specimen(study, specimen, change)
    lines = np.interp((LINE_D_NM, LINE_F_NM, LINE_C_NM), reading.x, reading.columns["n"])
    tell(f"index {lines[0]:.5f} at {LINE_D_NM:.1f} nm, Abbe number {abbe_number(*lines):.1f}")


def duplicate(
    study: StudyPath,
    specimen: SpecimenName,
    new: Annotated[str | None, typer.Argument(metavar="[NEW]", help="Its name; the old one with a number.")] = None,
):
    """Add a variant of a specimen: its surface and shape, without its readings."""

    def change(document):
        document = document.with_duplicate(document.index(specimen))
        return document.with_renamed(len(document.specimens) - 1, new) if new else document

    document = change_file(study, change)
    tell(f"added '{document.specimens[-1].name}'")


def rename(study: StudyPath, specimen: SpecimenName, new: NewName):
    """Give a specimen another name; its proofs follow."""
    change_file(study, lambda document: document.with_renamed(document.index(specimen), new))
    tell(f"'{specimen}' is now '{new}'")


def remove(study: StudyPath, specimen: SpecimenName):
    """Take a specimen out of a study, with its readings and proofs."""

    def change(document):
        i = document.index(specimen)
        for proof in [p for p in document.proofs if p.specimen == document.specimens[i].name]:
            document = document.without_proof(proof)
        return document.without_specimen(i)

    change_file(study, change)
    tell(f"removed '{specimen}'")


def register(app):
    for verb in (free, hold, link, dispersion, duplicate, rename, remove):
        app.command(verb.__name__)(verb)
