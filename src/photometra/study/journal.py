"""What keeps work from being lost: an autosave journal for each study in work, and a note of who has it open.

Whether another program still runs is told by a lock that the system lets go when that program ends, not by its process
number: a number is used again after a restart, and in a container always.
"""

import fcntl
import hashlib
import json
import os
from dataclasses import dataclass
from pathlib import Path
from uuid import uuid4

import platformdirs

from .model import Study
from .storage import SUFFIX, StudyError, read_file, write_file


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
            self._file.with_suffix(".json").write_text(json.dumps(about), encoding="utf-8")
        except (OSError, StudyError) as error:
            return f"Autosave failed, so a crash would lose what is not saved: {error}"
        return ""

    def clear(self):
        """Remove what was kept."""
        for suffix in (SUFFIX, ".json", ".lock"):
            self._file.with_suffix(suffix).unlink(missing_ok=True)
        if self._lock is not None:
            os.close(self._lock)
            self._lock = None


def rescues() -> list[Rescue]:
    """Work left behind by programs that are no longer running, the newest first."""
    found = []
    for about in sorted(journal_folder().glob("*.json"), key=lambda p: p.stat().st_mtime, reverse=True):
        study = about.with_suffix(SUFFIX)
        try:
            data = json.loads(about.read_text(encoding="utf-8"))
            path, name = str(data["path"]), str(data["name"])
        except (OSError, ValueError, KeyError, TypeError):
            continue
        if study.exists() and not _is_held(about.with_suffix(".lock")):
            found.append(Rescue(study, Path(path) if path else None, name))
    return found


class Claim:
    """A note beside nothing of the user's: which process has a study file open."""

    def __init__(self, path):
        digest = hashlib.sha256(str(Path(path).resolve()).encode()).hexdigest()[:24]
        self._file = journal_folder() / f"{digest}.open"
        self._lock = None

    def holder(self):
        """The id of another running process that has the study open, or None."""
        try:
            pid = int(self._file.read_text()[:20])
        except (OSError, ValueError):
            return None
        return pid if pid != os.getpid() and _is_held(self._file) else None

    def take(self):
        try:
            self._file.parent.mkdir(parents=True, exist_ok=True)
            self._lock = _locked(self._file)
            if self._lock is not None:
                os.ftruncate(self._lock, 0)
                os.write(self._lock, str(os.getpid()).encode())
        except OSError:
            pass  # A claim is a courtesy: without it the study opens all the same.

    def release(self):
        if self._lock is None:
            return
        self._file.unlink(missing_ok=True)
        os.close(self._lock)
        self._lock = None
