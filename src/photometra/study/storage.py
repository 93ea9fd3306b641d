"""A study in its file: a zip with `study.json`, readings as CSV, pictures as they came.

Written to a temporary file beside it, flushed to the disk, then renamed. Reading it trusts nothing.
"""

import hashlib
import io
import os
import re
import struct
import zipfile
import zlib
from contextlib import nullcontext
from dataclasses import dataclass
from pathlib import Path

from ..disk import held, read_bytes, write_bytes
from ..errors import InputError
from ..names import one_line
from ..words import tr
from .model import Study, StudyError

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


def write_file(study: Study, path, before_rename=None):
    """Save a study; the old file stands untouched until the new one is whole. DiskError where it cannot.

    before_rename: called with the finished temporary file (tests end the process there).
    """
    write_bytes(path, _zipped(study), before_rename)


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
    data = _zipped(study)
    with held(path) if path.exists() else nullcontext():
        if stamp is not None and not stamp.is_of(path):
            raise ChangedElsewhere(tr("{0} was changed by another program since it was opened here", path.name))
        write_bytes(path, data)
        there = os.stat(path)
    return Stamp(there.st_size, there.st_mtime_ns, hashlib.sha256(data).digest())


def _zipped(study):
    from .members import encoded  # its models take a while to make

    members, out = encoded(study), io.BytesIO()
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
    from .members import decoded  # its models take a while to make

    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            return decoded(path, archive, _checked_members(path, archive, len(data)))
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
