"""A study in its file: a zip with `study.json`, readings as CSV, pictures as they came.

Written to a temporary file beside it, flushed to the disk, then renamed. Reading it trusts nothing.
"""

import json
import os
import re
import tempfile
import time
import zipfile
from dataclasses import asdict
from pathlib import Path

from pydantic import ValidationError

from ..errors import InputError
from ..readings import ReadingError, read_text, write_text
from ..surface import Surface
from ..surface.parameters import scalar_owner
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
    r"^(study\.json|readings/[a-z0-9-]{1,80}\.csv|(pictures|meshes|images)/[A-Za-z0-9][A-Za-z0-9._-]{0,120})$"
)
_MOST_MEMBERS = 5_000
_MOST_JSON = 32_000_000
_MOST_READING = 16_000_000
_MOST_BYTES = 2_000_000_000
_STAMP = (2020, 1, 1, 0, 0, 0)
_WRITING = ".writing"
_LEFT_BEHIND_S = 900.0
"""How old an unfinished file of a save must be to have been left by a program that was killed."""


class StudyError(InputError):
    """A study file that cannot be used; the message is one sentence for people."""


def _slug(text):
    return re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-")[:40] or "x"


def encoded(study: Study) -> dict[str, bytes]:
    """Every member of a study's zip, by name. Equal studies give equal bytes."""
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
                surface=dict(specimen.surface.given),
                free=sorted(specimen.free),
                bounds=dict(sorted(specimen.bounds.items())),
                sigmas=dict(sorted(specimen.sigmas.items())),
                readings=entries,
                notes=specimen.notes,
                shape=specimen.shape,
                wall_mm=specimen.wall_mm,
                reference=ReferenceEntry(**asdict(specimen.reference)) if specimen.reference else None,
            )
        )
    booth = BoothEntry.of(study.booth)
    proofs = [
        ProofEntry(
            name=p.name, specimen=p.specimen, surface=dict(p.surface.given), picture=p.picture, sigmas=dict(p.sigmas),
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
    carried = {**study.pictures, **study.meshes, **images}
    return members | {name: bytes(data) for name, data in sorted(carried.items())}


def write_file(study: Study, path, before_rename=None):
    """Save a study; the old file stands untouched until the new one is whole. StudyError where it cannot.

    before_rename: called with the finished temporary file (tests end the process there).
    """
    path = Path(path)
    members = encoded(study)
    _sweep(path)
    try:
        handle, temporary = tempfile.mkstemp(prefix=f".{path.name}.", suffix=_WRITING, dir=path.parent)
    except OSError as error:
        raise StudyError(f"{path}: cannot write here ({error.strerror})") from None
    try:
        with os.fdopen(handle, "wb") as out:
            with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED, compresslevel=6) as archive:
                for name, data in members.items():
                    info = zipfile.ZipInfo(name, _STAMP)
                    # Pictures are compressed already.
                    info.compress_type = (
                        zipfile.ZIP_STORED if name.startswith(("pictures/", "images/")) else zipfile.ZIP_DEFLATED
                    )
                    info.external_attr = 0o644 << 16
                    archive.writestr(info, data)
            out.flush()
            os.fsync(out.fileno())
        os.chmod(temporary, path.stat().st_mode & 0o777 if path.exists() else 0o644)
        if before_rename:
            before_rename(temporary)
        os.replace(temporary, path)
        folder = os.open(path.parent, os.O_RDONLY)
        try:
            os.fsync(folder)
        finally:
            os.close(folder)
    except OSError as error:
        raise StudyError(f"{path}: the study could not be saved ({error.strerror})") from None
    finally:
        if os.path.exists(temporary):
            os.unlink(temporary)


def _sweep(path):
    """Remove what killed saves of this very study left beside it."""
    try:
        for entry in os.scandir(path.parent):
            ours = entry.name.startswith(f".{path.name}.") and entry.name.endswith(_WRITING)
            if ours and entry.is_file(follow_symlinks=False) and time.time() - entry.stat().st_mtime > _LEFT_BEHIND_S:
                os.unlink(entry.path)
    except OSError:
        pass  # What cannot be swept does no harm to the save.


def read_file(path) -> Study:
    """The study in a file; StudyError, with one sentence that names the file, where it cannot be taken."""
    path = Path(path)
    try:
        with zipfile.ZipFile(path) as archive:
            return _decoded(path, archive)
    except FileNotFoundError:
        raise StudyError(f"{path}: there is no such file") from None
    except IsADirectoryError:
        raise StudyError(f"{path}: this is a folder, not a study") from None
    except OSError as error:
        raise StudyError(f"{path}: cannot be read ({error.strerror or error})") from None
    except (zipfile.BadZipFile, EOFError, NotImplementedError, RuntimeError) as error:
        if isinstance(error, RecursionError):
            raise
        raise StudyError(
            f"{path}: the file is damaged or is not a study; open an earlier copy, or what autosave kept"
        ) from None
    except Exception as error:
        # zlib raises its own error class for spoilt data.
        if type(error).__module__ == "zlib":
            raise StudyError(f"{path}: the file is damaged; open an earlier copy, or what autosave kept") from None
        raise


def _checked_members(path, archive):
    infos = archive.infolist()
    if len(infos) > _MOST_MEMBERS:
        raise StudyError(f"{path}: a study with {len(infos)} parts is not one of ours")
    total = 0
    for info in infos:
        if not _MEMBER.match(info.filename):
            raise StudyError(f"{path}: it holds a part named '{info.filename[:80]}', which no study has; not opened")
        limit = {"s": _MOST_JSON, "r": _MOST_READING}.get(info.filename[0], _MOST_BYTES)
        total += info.file_size
        if info.file_size > limit or total > _MOST_BYTES:
            raise StudyError(f"{path}: its part '{info.filename}' claims {info.file_size} bytes, too large to open")
        if info.flag_bits & 1:
            raise StudyError(f"{path}: its part '{info.filename}' is locked with a password; a study has none")
    names = [i.filename for i in infos]
    if len(set(names)) != len(names):
        raise StudyError(f"{path}: it holds two parts of one name; not opened")
    if "study.json" not in names:
        raise StudyError(f"{path}: this is not a study (it has no study.json)")
    return set(names)


def _decoded(path, archive):
    names = _checked_members(path, archive)
    text = archive.read("study.json")
    try:
        raw = json.loads(text)
    except (ValueError, RecursionError):
        # Beside what is no JSON, an integer of more digits than Python reads.
        raise StudyError(f"{path}: its study.json is damaged; open an earlier copy") from None
    if not isinstance(raw, dict) or raw.get("format") != FORMAT:
        raise StudyError(f"{path}: this is not a study (its study.json does not say '{FORMAT}')")
    version = raw.get("version")
    if isinstance(version, int) and version > VERSION:
        raise StudyError(f"{path}: it was saved by a newer Photometra (format {version}); this one reads {VERSION}")
    try:
        entry = StudyEntry.model_validate_json(text, strict=True)
    except ValidationError as error:
        first = error.errors()[0]
        place = ".".join(str(p) for p in first["loc"])
        raise StudyError(f"{path}: study.json, {place}: {first['msg'].lower()}") from None
    pictures, meshes, images = (
        {n: archive.read(n) for n in sorted(names) if n.startswith(folder)}
        for folder in ("pictures/", "meshes/", "images/")
    )
    specimens = tuple(_specimen(path, archive, names, s) for s in entry.specimens)
    folded = [s.name.casefold() for s in specimens]
    if len(set(folded)) != len(folded):
        raise StudyError(f"{path}: two specimens have one name")
    for used in (*(s.reference for s in entry.specimens if s.reference), *entry.proofs):
        if used.picture not in images:
            raise StudyError(f"{path}: the picture {used.picture} is missing")
    proofs = tuple(_proof(path, p) for p in entry.proofs)
    return Study(entry.name, specimens, entry.booth.booth(), pictures, meshes, images, proofs)


def _surface_of(path, what, given):
    try:
        return Surface({k: float(v) if type(v) is int else v for k, v in given.items()})
    except InputError as error:
        raise StudyError(f"{path}: {what}: {error}") from None


def _proof(path, entry: ProofEntry):
    surface = _surface_of(path, f"proof '{entry.name}'", entry.surface)
    return Proof(
        entry.name, entry.specimen, surface, entry.picture, dict(entry.sigmas), tuple(entry.agreement), entry.note,
        entry.date,
    )  # fmt: skip


def _specimen(path, archive, names, entry: SpecimenEntry):
    readings = []
    for r in entry.readings:
        if r.file not in names:
            raise StudyError(f"{path}: the reading '{r.name}' of '{entry.name}' is missing ({r.file})")
        try:
            text = archive.read(r.file).decode("utf-8")
            reading = read_text(text, f"{path}: {r.file}", name=r.name)
        except UnicodeDecodeError:
            raise StudyError(f"{path}: {r.file}: not a text file") from None
        except ReadingError as error:
            raise StudyError(str(error)) from None
        readings.append(reading.with_changes(active=r.active))
    surface = _surface_of(path, f"specimen '{entry.name}'", entry.surface)
    try:
        for scalar in (*entry.free, *entry.bounds, *entry.sigmas):
            scalar_owner(scalar)
    except InputError as error:
        raise StudyError(f"{path}: specimen '{entry.name}': {error}") from None
    return Specimen(
        entry.name, entry.size_mm, surface, tuple(readings), frozenset(entry.free),
        dict(entry.bounds), dict(entry.sigmas), entry.notes, entry.shape, entry.wall_mm,
        Reference(**entry.reference.model_dump()) if entry.reference else None,
    )  # fmt: skip
