"""What stands in a study's file: `study.json` and the members beside it, of a study and back.

The models of `study.json` take pydantic a while to make: who wants no file yet does not import this.
"""

import json
import re
from dataclasses import asdict

from pydantic import BaseModel, ValidationError

from ..errors import InputError
from ..maps import Map
from ..readings import ReadingError, read_text, write_text
from ..surface import Surface
from ..surface.parameters import scalar_owner
from ..words import tr
from .inputs import entry_of, input_of
from .linked import pictures_of
from .model import Specimen, Study, StudyError
from .proof import Proof, Reference
from .schema import (
    FORMAT,
    VERSION,
    BoothEntry,
    ProofEntry,
    ReadingEntry,
    ReferenceEntry,
    SpecimenEntry,
    StudyEntry,
)


def _slug(text):
    return re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-")[:40] or "x"


def encoded(study: Study) -> dict[str, bytes]:
    """Every member of a study's archive; equal ones for equal studies. StudyError for what no file may hold."""
    try:
        return _members(study)
    except ValidationError as error:
        raise StudyError(tr("the study cannot be saved as it is: {0}; change that first", _complaint(error))) from None


def _complaint(error):
    """What a validation says first, and where."""
    found = error.errors(include_input=False)
    # Of the kinds of value that an input may have, what is built as a map is told as one.
    first = next((e for e in found if "MapEntry" in e["loc"]), found[0])
    return f"{'.'.join(str(p) for p in first['loc'])}: {first['msg'].lower()}"


def _members(study):
    members: dict[str, bytes] = {}
    specimens = []
    for i, specimen in enumerate(study.specimens, 1):
        entries = []
        for j, reading in enumerate(specimen.readings, 1):
            file = f"readings/{i:02d}-{_slug(specimen.name)}-{j:02d}-{reading.kind_key}.csv"
            members[file] = write_text(reading).encode()
            entries.append(ReadingEntry(file=file, name=reading.name, active=reading.active))
        specimens.append(
            SpecimenEntry(
                name=specimen.name,
                size_mm=specimen.size_mm,
                surface=_plain(specimen.surface),
                free=sorted(specimen.free),
                bounds=dict(sorted(specimen.bounds.items())),
                sigmas=dict(sorted(specimen.sigmas.items())),
                readings=entries,
                notes=specimen.notes,
                shape=specimen.shape,
                wall_mm=specimen.wall_mm,
                reference=ReferenceEntry(**asdict(specimen.reference)) if specimen.reference else None,
                assigned=list(specimen.assigned),
                follows=list(specimen.follows),
                tags=list(specimen.tags),
                rests_on=specimen.rests_on,
            )
        )
    booth = BoothEntry.of(study.booth)
    proofs = [
        ProofEntry(
            name=p.name, specimen=p.specimen, surface=_plain(p.surface), picture=p.picture, sigmas=dict(p.sigmas),
            agreement=list(p.agreement), note=p.note, date=p.date,
        )
        for p in study.proofs
    ]  # fmt: skip
    entry = StudyEntry(name=study.name, booth=booth, specimens=specimens, proofs=proofs)
    text = json.dumps(entry.model_dump(mode="json"), indent=1, ensure_ascii=False)
    members = {"study.json": text.encode(), **members}
    # A photograph that was replaced stays in the history, for undoing, and not in the file.
    shown = {used.picture for used in (*(s.reference for s in study.specimens if s.reference), *study.proofs)}
    images = {name: data for name, data in study.images.items() if name in shown}
    maps = pictures_of((*(s.surface for s in study.specimens), *(p.surface for p in study.proofs)))
    carried = {**study.pictures, **study.meshes, **images, **maps}
    return members | {name: bytes(data) for name, data in sorted(carried.items())}


def _plain(surface):
    """A surface's values as the file holds them."""
    return {name: entry_of(v) if isinstance(v, Map) else v for name, v in surface.given.items()}


class _Head(BaseModel):
    """What tells a study of ours: looked at before the rest."""

    format: str
    version: int


def decoded(path, archive, names) -> Study:
    """The study in an archive whose members have these names; StudyError, with a sentence that names the path."""
    text = archive.read("study.json")
    try:
        head = _Head.model_validate_json(text)
    except ValidationError as error:
        if error.errors(include_input=False)[0]["type"] == "json_invalid":
            raise StudyError(tr("{0}: its study.json is damaged; open an earlier copy", path)) from None
        head = None
    if head is None or head.format != FORMAT:
        raise StudyError(tr("{0}: this is not a study (its study.json does not say '{1}')", path, FORMAT))
    if head.version > VERSION:
        raise StudyError(
            tr("{0}: it was saved by a newer Photometra (format {1}); this one reads {2}", path, head.version, VERSION)
        )
    try:
        entry = StudyEntry.model_validate_json(text, strict=True)
    except ValidationError as error:
        raise StudyError(tr("{0}: study.json, {1}", path, _complaint(error))) from None
    pictures, meshes, images = (
        {n: archive.read(n) for n in sorted(names) if n.startswith(folder)}
        for folder in ("pictures/", "meshes/", "images/")
    )
    maps = {n: archive.read(n) for n in sorted(names) if n.startswith("maps/")}
    specimens = tuple(_specimen(path, archive, names, s, maps) for s in entry.specimens)
    folded = [s.name.casefold() for s in specimens]
    if len(set(folded)) != len(folded):
        raise StudyError(tr("{0}: two specimens have one name", path))
    for used in (*(s.reference for s in entry.specimens if s.reference), *entry.proofs):
        if used.picture not in images:
            raise StudyError(tr("{0}: the picture {1} is missing", path, used.picture))
    proofs = tuple(_proof(path, p, maps) for p in entry.proofs)
    return Study(entry.name, specimens, entry.booth.booth(), pictures, meshes, images, proofs)


def _surface_of(path, what, given, maps):
    try:
        return Surface({k: input_of(v, maps) for k, v in given.items()})
    except InputError as error:
        raise StudyError(f"{path}: {what}: {error}") from None


def _proof(path, entry: ProofEntry, maps):
    surface = _surface_of(path, tr("proof '{0}'", entry.name), entry.surface, maps)
    return Proof(
        entry.name, entry.specimen, surface, entry.picture, dict(entry.sigmas), tuple(entry.agreement), entry.note,
        entry.date,
    )  # fmt: skip


def _specimen(path, archive, names, entry: SpecimenEntry, maps):
    readings = []
    for r in entry.readings:
        if r.file not in names:
            raise StudyError(tr("{0}: the reading '{1}' of '{2}' is missing ({3})", path, r.name, entry.name, r.file))
        try:
            text = archive.read(r.file).decode("utf-8")
            reading = read_text(text, f"{path}: {r.file}", name=r.name)
        except UnicodeDecodeError:
            raise StudyError(tr("{0}: {1}: not a text file", path, r.file)) from None
        except ReadingError as error:
            raise StudyError(str(error)) from None
        readings.append(reading.with_changes(active=r.active))
    surface = _surface_of(path, tr("specimen '{0}'", entry.name), entry.surface, maps)
    try:
        for scalar in (*entry.free, *entry.bounds, *entry.sigmas):
            scalar_owner(scalar)
    except InputError as error:
        raise StudyError(tr("{0}: specimen '{1}': {2}", path, entry.name, error)) from None
    return Specimen(
        entry.name, entry.size_mm, surface, tuple(readings), frozenset(entry.free),
        dict(entry.bounds), dict(entry.sigmas), entry.notes, entry.shape, entry.wall_mm,
        Reference(**entry.reference.model_dump()) if entry.reference else None,
        tuple((part, name) for part, name in entry.assigned),
        tuple((stratum, name) for stratum, name in entry.follows), tuple(entry.tags), entry.rests_on,
    )  # fmt: skip
