"""Verbs on the parts of a model and the pictures of maps: parts, assign, relink."""

from pathlib import Path
from typing import Annotated

import typer

from ..imaging.booths import parts_of, standing, undressed_findings
from ..study import change_file, read_file
from ..study.linked import missing_in, relinked
from ..surface.inputs import source_name
from .output import Refused, print_json, table, tell
from .studies import Json, SpecimenName, StudyPath


def parts(study: StudyPath, specimen: SpecimenName, as_json: Json = False):
    """List the parts of a specimen's shape, and whose surface each has."""
    document = read_file(study)
    one = document.specimen(specimen)
    shape = standing(one, document.meshes)
    if shape is None or not shape.parts:
        raise Refused(f"'{one.name}' stands as a {one.shape}, which is one part; give it a mesh with named parts")
    found = [
        {
            "part": part.name,
            "specimen": part.specimen,
            "material": part.material,
            "is_closed": part.is_closed,
            "triangles": int((shape.mesh.material == i).sum()),
        }
        for i, part in enumerate(parts_of(document, one, shape))
    ]
    notes = [f.sentence for f in undressed_findings(document, one, shape)]
    if as_json:
        print_json({"specimen": one.name, "parts": found, "notes": notes})
        return
    rows = [
        (
            f["part"], f["specimen"] or "none", f["material"], "closed" if f["is_closed"] else "open",
            f"{f['triangles']:,}",
        )
        for f in found
    ]  # fmt: skip
    table(f"{one.name}, {len(found)} parts", ("part", "surface", "material in the file", "", "triangles"), rows)
    for note in notes:
        tell(f"note: {note}")


def assign(
    study: StudyPath,
    specimen: SpecimenName,
    assignments: Annotated[list[str], typer.Argument(metavar="PARTS=SPECIMEN ...")],
):
    """Give parts of a specimen's shape the surfaces of specimens: PARTS is a name, a pattern, as 'frame/*', or what the
    file calls the material, as '@brass*'.

    PARTS= takes an assignment away.
    """

    def change(document):
        i = document.index(specimen)
        one = document.specimens[i]
        for word in assignments:
            pattern, sign, name = word.partition("=")
            if not sign:
                raise Refused(f"'{word}' should be PARTS=SPECIMEN, as 'frame/*=Brass lamp bracket'")
            one = one.with_assigned(pattern, document.specimen(name).name if name.strip() else None)
        return document.with_specimen_at(i, one)

    document = change_file(study, change)
    one = document.specimen(specimen)
    for pattern, name in one.assigned:
        tell(f"{pattern} = {name or 'none'}")
    if not one.assigned:
        tell(f"all of it has the surface of '{one.name}'")
    for finding in undressed_findings(document, one, standing(one, document.meshes)):
        tell(f"note: {finding.sentence}")


def relink(
    study: StudyPath,
    folder: Annotated[Path, typer.Argument(metavar="FOLDER", help="Where to look, in it and below it.")],
):
    """Find the pictures that maps are without: by name, then by content."""
    if not folder.is_dir():
        raise Refused(f"{folder}: there is no such folder")
    if not missing_in(read_file(study)):
        tell("no map is without its picture")
        return 0
    found, still = [], []

    def change(document):
        document, there, missing = relinked(document, folder)
        found.extend(there)
        still.extend(missing)
        return document

    change_file(study, change)
    for name, parameter, source in found:
        tell(f"found {source_name(source)}, for {parameter} of {name}")
    for name, parameter, source in still:
        tell(f"still missing: {source_name(source)}, for {parameter} of {name}")
    return 1 if still else 0


def register(app):
    for verb in (parts, assign, relink):
        app.command(verb.__name__)(verb)
