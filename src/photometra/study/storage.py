"""A study in its file: a zip with `study.json`, readings as CSV, pictures as they came.

Written to a temporary file beside it, flushed to the disk, then renamed. Reading it trusts nothing.
"""

import hashlib
import io
import json
import os
import re
import struct
import zipfile
import zlib
from contextlib import nullcontext
from dataclasses import asdict, dataclass
from pathlib import Path

from pydantic import BaseModel, ValidationError

from ..disk import held, read_bytes, write_bytes
from ..errors import InputError
from ..maps import Map
from ..names import one_line
from ..readings import ReadingError, read_text, write_text
from ..surface import Surface
from ..surface.parameters import scalar_owner
from ..words import tr
from .inputs import entry_of, input_of, pictures_of
from .model import Specimen, Study
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

SUFFIX = ".photometra"
_MEMBER = re.compile(
    r"study\.json|readings/[a-z0-9-]{1,80}\.csv|(pictures|meshes|images|maps)/[A-Za-z0-9][A-Za-z0-9._-]{0,120}"
)
_MOST_MEMBERS = 5_000
_MOST_JSON = 8_000_000
_MOST_READING = 16_000_000
_MOST_BYTES = 2_000_000_000
_MOST_GROWTH, _FREE_GROWTH = 100, 64_000_000
"""Unpacked, a study may be so many times as large as its file, beside the first bytes: more is no study but a trap."""
_STAMP = (2020, 1, 1, 0, 0, 0)


class StudyError(InputError):
    """A study file that cannot be used; the message is one sentence for people."""


def _slug(text):
    return re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-")[:40] or "x"


def encoded(study: Study) -> dict[str, bytes]:
    """Every member of a study's zip, by name. Equal studies give equal bytes. StudyError for what no file may hold."""
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


def write_file(study: Study, path, before_rename=None):
    """Save a study; the old file stands untouched until the new one is whole. DiskError where it cannot.

    before_rename: called with the finished temporary file (tests end the process there).
    """
    write_bytes(path, _zipped(encoded(study)), before_rename)


def change_file(path, change) -> Study:
    """Read a study, have it changed and write it, while no other program of ours does the same; the study as written.

    change: Study -> Study. InputError, and nothing changed, where any of the three cannot be done.
    """
    with held(path):
        study = change(read_file(path))
        write_file(study, path)
    return study


class ChangedElsewhere(StudyError):
    """Another program has changed a study's file since it was read."""


@dataclass(frozen=True)
class Stamp:
    """What tells whether a file is still the one that was read or written."""

    size: int
    modified_ns: int
    digest: bytes

    def is_of(self, path):
        """Whether the file at a path is unchanged; one that is gone counts as unchanged: nothing of it can be lost."""
        try:
            there = os.stat(path)
        except OSError:
            return True
        if (there.st_size, there.st_mtime_ns) == (self.size, self.modified_ns):
            return True
        return hashlib.sha256(Path(path).read_bytes()).digest() == self.digest


def read_stamped(path):
    """(a study, the Stamp of its file as it was read)."""
    path = Path(path)
    with held(path):
        data, there = read_bytes(path, _MOST_BYTES), os.stat(path)
    return _read(path, data), Stamp(there.st_size, there.st_mtime_ns, hashlib.sha256(data).digest())


def save_stamped(study: Study, path, stamp: Stamp | None) -> Stamp:
    """Save a study over the file that `stamp` is of, or over anything with None; the new file's Stamp.

    ChangedElsewhere, and nothing written, where the file is another meanwhile; DiskError where it cannot be written.
    """
    path = Path(path)
    data = _zipped(encoded(study))
    with held(path) if path.exists() else nullcontext():
        if stamp is not None and not stamp.is_of(path):
            raise ChangedElsewhere(tr("{0} was changed by another program since it was opened here", path.name))
        write_bytes(path, data)
        there = os.stat(path)
    return Stamp(there.st_size, there.st_mtime_ns, hashlib.sha256(data).digest())


def _zipped(members):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED, compresslevel=6) as archive:
        for name, data in members.items():
            info = zipfile.ZipInfo(name, _STAMP)
            # Pictures are compressed already.
            is_packed = name.startswith(("pictures/", "images/", "maps/"))
            info.compress_type = zipfile.ZIP_STORED if is_packed else zipfile.ZIP_DEFLATED
            info.external_attr = 0o644 << 16
            archive.writestr(info, data)
    return out.getvalue()


def read_file(path) -> Study:
    """The study in a file; InputError, with one sentence that names the file, where it cannot be taken."""
    path = Path(path)
    return _read(path, read_bytes(path, _MOST_BYTES))


def _read(path, data):
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            return _decoded(path, archive, len(data))
    except InputError:
        raise
    # The zip reader has no error class of its own for all that a spoilt archive does to it.
    except (zipfile.BadZipFile, zlib.error, struct.error, OSError, EOFError, ValueError, NotImplementedError) as error:
        raise StudyError(
            tr("{0}: the file is damaged or is not a study; open an earlier copy, or what autosave kept", path)
        ) from error
    except MemoryError:
        raise StudyError(tr("{0}: there is not enough memory to open it", path)) from None


def _checked_members(path, archive, size):
    infos = archive.infolist()
    if len(infos) > _MOST_MEMBERS:
        raise StudyError(tr("{0}: a study with {1} parts is not one of ours", path, len(infos)))
    total = 0
    for info in infos:
        if not _MEMBER.fullmatch(info.filename):
            name = one_line(info.filename)[:80]
            raise StudyError(tr("{0}: it holds a part named '{1}', which no study has; not opened", path, name))
        limit = {"s": _MOST_JSON, "r": _MOST_READING}.get(info.filename[0], _MOST_BYTES)
        total += info.file_size
        if info.file_size > limit or total > _MOST_BYTES:
            raise StudyError(
                tr("{0}: its part '{1}' claims {2} bytes, too large to open", path, info.filename, info.file_size)
            )
        if info.compress_type not in (zipfile.ZIP_STORED, zipfile.ZIP_DEFLATED):
            raise StudyError(
                tr("{0}: its part '{1}' is packed in a way that no study is; not opened", path, info.filename)
            )
        if info.flag_bits & 1:
            raise StudyError(tr("{0}: its part '{1}' is locked with a password; a study has none", path, info.filename))
    if total > _FREE_GROWTH + _MOST_GROWTH * size:
        raise StudyError(
            tr("{0}: unpacked it would be {1} times as large; this is no study", path, total // max(1, size))
        )
    names = [i.filename for i in infos]
    if len(set(names)) != len(names):
        raise StudyError(tr("{0}: it holds two parts of one name; not opened", path))
    if "study.json" not in names:
        raise StudyError(tr("{0}: this is not a study (it has no study.json)", path))
    return set(names)


class _Head(BaseModel):
    """What tells a study of ours: looked at before the rest."""

    format: str
    version: int


def _decoded(path, archive, size):
    names = _checked_members(path, archive, size)
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
