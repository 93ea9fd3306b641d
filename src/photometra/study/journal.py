"""What keeps work from being lost: an autosave journal for each study in work, and a note of who has it open.

Whether another program still runs is told by a lock that the system lets go when that program ends, not by its process
number: a number is used again after a restart, and in a container always.
"""

import fcntl
import hashlib
import json
import os
from contextlib import suppress
from dataclasses import dataclass
from pathlib import Path
from uuid import uuid4

import platformdirs

from ..disk import read_bytes, write_text
from ..errors import InputError
from ..names import one_line
from ..words import tr
from .model import Study
from .storage import SUFFIX, read_file, write_file

_MOST_NOTE = 100_000


def journal_folder() -> Path:
    return Path(platformdirs.user_state_dir("photometra")) / "journal"


def _locked(path):
    """An open handle of a file, locked until it is closed; None where another program holds it. Makes the file."""
    handle = os.open(path, os.O_RDWR | os.O_CREAT | os.O_CLOEXEC, 0o600)
    try:
        fcntl.flock(handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError:
        os.close(handle)
        return None
    return handle


def _is_held(path):
    """Whether a running program (this one too) holds a file's lock."""
    if not path.exists():
        return False
    try:
        handle = _locked(path)
    except OSError:
        return True
    if handle is None:
        return True
    os.close(handle)
    return False


@dataclass(frozen=True)
class Rescue:
    """Unsaved work that an ended program left behind. `path` is the study's own file, or None."""

    journal: Path
    path: Path | None
    name: str

    def study(self) -> Study:
        return read_file(self.journal)

    def discard(self):
        for suffix in (SUFFIX, ".json", ".lock"):
            self.journal.with_suffix(suffix).unlink(missing_ok=True)


class Journal:
    """The autosave of one program: written while there is unsaved work, removed once it is saved."""

    def __init__(self):
        self._file = journal_folder() / f"{os.getpid()}-{uuid4().hex[:12]}{SUFFIX}"
        self._lock = None

    def keep(self, study: Study, path):
        """Write the study's present state; a sentence where that fails, or "". Safe to call from a worker."""
        try:
            self._file.parent.mkdir(parents=True, exist_ok=True)
            if self._lock is None:
                self._lock = _locked(self._file.with_suffix(".lock"))
            write_file(study, self._file)
            about = {"path": str(path) if path else "", "name": study.name}
            write_text(self._file.with_suffix(".json"), json.dumps(about))
        except (OSError, InputError) as error:
            return tr("Autosave failed, so a crash would lose what is not saved: {0}", error)
        return ""

    def clear(self):
        """Remove what was kept."""
        for suffix in (SUFFIX, ".json", ".lock"):
            self._file.with_suffix(suffix).unlink(missing_ok=True)
        if self._lock is not None:
            os.close(self._lock)
            self._lock = None


def rescues() -> list[Rescue]:
    """Work left behind by programs that are no longer running, the newest first.

    Every study in the folder is offered, whether or not its note can be read: none is passed over unseen.
    """
    found, entries = [], []
    try:
        names = [Path(e.path) for e in os.scandir(journal_folder())]
    except OSError:
        return found
    for path in names:
        # What another program was writing may be gone by now: no reason to pass over the rest.
        with suppress(OSError):
            if path.is_file():
                entries.append((path.stat().st_mtime, path))
    for _, study in sorted(entries, reverse=True):
        if study.suffix == SUFFIX and not _is_held(study.with_suffix(".lock")):
            path, name = _about(study)
            found.append(Rescue(study, Path(path) if path else None, name))
    return found


def _about(journal):
    """(the path of the study's own file or "", its name), as the note beside a journal has them."""
    try:
        data = json.loads(read_bytes(journal.with_suffix(".json"), _MOST_NOTE))
        return str(data["path"]), one_line(data["name"])
    except (InputError, ValueError, KeyError, TypeError, RecursionError):
        return "", tr("a study")


class Claim:
    """Which processes have a study file open: each holds a note of its own, beside nothing of the user's."""

    def __init__(self, path):
        digest = hashlib.sha256(str(Path(path).resolve()).encode(errors="surrogateescape")).hexdigest()[:24]
        self._pattern = f"{digest}.*.open"
        self._file = journal_folder() / f"{digest}.{uuid4().hex[:12]}.open"
        self._lock = None

    def holder(self):
        """The id of another running process that has the study open, or None; what ended programs left is removed."""
        for file in sorted(journal_folder().glob(self._pattern)):
            try:
                holder = int(file.read_text()[:20])
            except (OSError, ValueError):
                continue  # Of a program that is just about to lock it and write its number.
            if holder == os.getpid():
                continue
            if _is_held(file):
                return holder
            file.unlink(missing_ok=True)
        return None

    def take(self):
        try:
            self._file.parent.mkdir(parents=True, exist_ok=True)
            self._lock = _locked(self._file)
            if self._lock is not None:
                os.write(self._lock, str(os.getpid()).encode())
        except OSError:
            pass  # A claim is a courtesy: without it the study opens all the same.

    def release(self):
        if self._lock is None:
            return
        self._file.unlink(missing_ok=True)
        os.close(self._lock)
        self._lock = None
