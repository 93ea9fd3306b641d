"""Files on the disk: an output is whole or not there at all, a study is changed by one program at a time.

What power loss and network file systems make of this is told in docs/reliability.md.
"""

import csv
import fcntl
import io
import os
import secrets
import stat
import time
from contextlib import contextmanager, suppress
from pathlib import Path

from .errors import InputError
from .words import tr

WRITING = ".writing"
"""How the names of unfinished files end."""
_LONGEST_NAME = 200
_FORMULA = ("=", "+", "-", "@", "\t", "\r")
_LEFT_BEHIND_S = 900.0
"""How old an unfinished file must be to have been left by a program that was killed."""


class DiskError(InputError):
    """A file that cannot be read or written; the message names it and says why."""


def _reason(error):
    return (error.strerror or str(error) or type(error).__name__).lower()


def regular(path) -> Path:
    """The path, where it is a file that can be read to its end; DiskError for a folder, a device, a pipe, or nothing.

    A link is what it points to.
    """
    path = Path(path)
    try:
        mode = path.stat().st_mode
    except (OSError, ValueError) as error:
        why = tr("there is no such file") if isinstance(error, FileNotFoundError) else tr("cannot be read ({0})", error)
        raise DiskError(f"{path}: {why}") from None
    if stat.S_ISDIR(mode):
        raise DiskError(tr("{0}: this is a folder; give a file", path))
    if not stat.S_ISREG(mode):
        raise DiskError(tr("{0}: this is a device or a pipe; give a file", path))
    return path


def read_bytes(path, most) -> bytes:
    """A file's bytes; DiskError where it is no regular file, cannot be read or is larger than `most` bytes."""
    path = regular(path)
    try:
        with open(path, "rb") as file:
            data = file.read(most + 1)
    except OSError as error:
        raise DiskError(tr("{0}: cannot be read ({1})", path, _reason(error))) from None
    if len(data) > most:
        raise DiskError(
            tr("{0}: the file is larger than {1} MB, the most that is read of this kind", path, most // 1000000)
        )
    return data


@contextmanager
def replacing(path, before_rename=None):
    """A temporary file beside `path`, to be written; it takes the path's place in one step when the block is done.

    It is flushed to the disk first. Where the block or the disk fails, the old file stands untouched and nothing is
    left behind: DiskError. A link stays a link, permissions stay (a new file has what the umask gives), and a file
    that is protected against writing is not replaced. before_rename: called with the finished file, for tests.
    """
    path = Path(path)
    target = Path(os.path.realpath(path))
    temporary = _beside(path, target)
    try:
        yield temporary
        with open(temporary, "rb") as done:
            os.fsync(done.fileno())
        if target.exists():
            os.chmod(temporary, stat.S_IMODE(target.stat().st_mode))
        if before_rename:
            before_rename(temporary)
        os.replace(temporary, target)
        _flush_folder(target.parent)
    except OSError as error:
        raise DiskError(tr("{0}: could not be written ({1})", path, _reason(error))) from None
    finally:
        temporary.unlink(missing_ok=True)


def _beside(path, target):
    """A new empty file in the folder of `target`, named after it."""
    if target.exists():
        mode = target.stat().st_mode
        if not stat.S_ISREG(mode):
            raise DiskError(tr("{0}: this is no ordinary file; write to another name", path))
        if not mode & 0o222 or not os.access(target, os.W_OK):
            raise DiskError(tr("{0}: the file is protected against writing; write to another name", path))
    sweep(target)
    name = target.name.encode()[:_LONGEST_NAME].decode(errors="ignore")
    temporary = target.with_name(f".{name}.{secrets.token_hex(6)}{WRITING}")
    try:
        # The kernel takes the umask off these permissions.
        os.close(os.open(temporary, os.O_CREAT | os.O_EXCL | os.O_WRONLY | os.O_CLOEXEC, 0o666))
    except OSError as error:
        raise DiskError(tr("{0}: cannot write here ({1})", path, _reason(error))) from None
    return temporary


def write_bytes(path, data: bytes, before_rename=None):
    """Write a whole file, read it back, and put it in place; DiskError where that fails, the old file untouched."""
    with replacing(path, before_rename) as temporary:
        temporary.write_bytes(data)
        if temporary.read_bytes() != data:
            raise DiskError(tr("{0}: the disk did not keep what was written; write to another one", path))


def write_text(path, text: str):
    """Write a whole text file as UTF-8; DiskError where that fails, the old file untouched."""
    write_bytes(path, text.encode())


def write_table(path, head, rows):
    """Write rows under their head as CSV; cells that a spreadsheet would run as formulas are made plain words."""
    out = io.StringIO()
    csv.writer(out).writerows([[_harmless(cell) for cell in row] for row in (head, *rows)])
    write_text(path, out.getvalue())


def _harmless(cell):
    return f"'{cell}" if isinstance(cell, str) and cell.startswith(_FORMULA) and not _is_number(cell) else cell


def _is_number(text):
    try:
        float(text)
    except ValueError:
        return False
    return True


def sweep(target):
    """Remove what killed writes of this very file left beside it."""
    try:
        for entry in os.scandir(target.parent):
            ours = entry.name.startswith(f".{target.name}.") and entry.name.endswith(WRITING)
            if ours and entry.is_file(follow_symlinks=False) and time.time() - entry.stat().st_mtime > _LEFT_BEHIND_S:
                os.unlink(entry.path)
    except OSError:
        pass  # What cannot be swept does no harm to the write.


def _flush_folder(folder):
    handle = os.open(folder, os.O_RDONLY)
    try:
        os.fsync(handle)
    except OSError:
        pass  # Some file systems flush no folders; the file itself is on the disk.
    finally:
        os.close(handle)


@contextmanager
def held(path):
    """Hold a file for reading, changing and writing it: others who hold it so wait. DiskError where it is not there.

    The lock is on the file itself. Whoever waited for one that was replaced meanwhile goes on to wait for the new one.
    """
    path = regular(path)
    while True:
        try:
            handle = os.open(path, os.O_RDONLY | os.O_CLOEXEC)
        except OSError as error:
            raise DiskError(tr("{0}: cannot be read ({1})", path, _reason(error))) from None
        try:
            _lock(handle)
            if _is_at(handle, path):
                yield
                return
        finally:
            os.close(handle)


def _lock(handle):
    # A file system without locks: as before there were any.
    with suppress(OSError):
        fcntl.flock(handle, fcntl.LOCK_EX)


def _is_at(handle, path):
    """Whether an open file is still the one at a path."""
    try:
        there = os.stat(path)
    except OSError:
        return False
    mine = os.fstat(handle)
    return (there.st_dev, there.st_ino) == (mine.st_dev, mine.st_ino)
