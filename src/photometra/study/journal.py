"""What keeps work from being lost: an autosave journal for each study in work, and a note of who has it open."""

import hashlib
import json
import os
from dataclasses import dataclass
from pathlib import Path

import platformdirs

from .model import Study
from .storage import SUFFIX, StudyError, read_file, write_file


def journal_folder() -> Path:
    return Path(platformdirs.user_state_dir("photometra")) / "journal"


def _is_running(pid):
    """Whether a process is there that is not this one."""
    if pid == os.getpid():
        return False
    try:
        os.kill(pid, 0)
    except ProcessLookupError:
        return False
    except PermissionError:
        return True
    return True


@dataclass(frozen=True)
class Rescue:
    """Unsaved work that an ended program left behind. `path` is the study's own file, or None."""

    journal: Path
    path: Path | None
    name: str

    def study(self) -> Study:
        return read_file(self.journal)

    def discard(self):
        for file in (self.journal, self.journal.with_suffix(".json")):
            file.unlink(missing_ok=True)


class Journal:
    """The autosave of one program: written while there is unsaved work, removed once it is saved."""

    def __init__(self):
        self._file = journal_folder() / f"{os.getpid()}{SUFFIX}"

    def keep(self, study: Study, path):
        """Write the study's present state. Safe to call from a worker; never raises for a full disk."""
        try:
            self._file.parent.mkdir(parents=True, exist_ok=True)
            about = {"path": str(path) if path else "", "name": study.name, "pid": os.getpid()}
            write_file(study, self._file)
            self._file.with_suffix(".json").write_text(json.dumps(about), encoding="utf-8")
        except (OSError, StudyError):
            return False
        return True

    def clear(self):
        for file in (self._file, self._file.with_suffix(".json")):
            file.unlink(missing_ok=True)


def rescues() -> list[Rescue]:
    """Work left behind by programs that are no longer running, the newest first."""
    found = []
    for about in sorted(journal_folder().glob("*.json"), key=lambda p: p.stat().st_mtime, reverse=True):
        study = about.with_suffix(SUFFIX)
        try:
            data = json.loads(about.read_text(encoding="utf-8"))
            pid, path, name = int(data["pid"]), str(data["path"]), str(data["name"])
        except (OSError, ValueError, KeyError, TypeError):
            continue
        if study.exists() and not _is_running(pid) and pid != os.getpid():
            found.append(Rescue(study, Path(path) if path else None, name))
    return found


class Claim:
    """A note beside nothing of the user's: which process has a study file open."""

    def __init__(self, path):
        digest = hashlib.sha256(str(Path(path).resolve()).encode()).hexdigest()[:24]
        self._file = journal_folder() / f"{digest}.open"

    def holder(self):
        """The id of another running process that has the study open, or None."""
        try:
            pid = int(self._file.read_text())
        except (OSError, ValueError):
            return None
        return pid if _is_running(pid) else None

    def take(self):
        try:
            self._file.parent.mkdir(parents=True, exist_ok=True)
            self._file.write_text(str(os.getpid()))
        except OSError:
            pass  # A claim is a courtesy: without it the study opens all the same.

    def release(self):
        try:
            if self._file.read_text() == str(os.getpid()):
                self._file.unlink()
        except OSError:
            pass
