"""Faults of the program itself: their traces go to a log, never to a person as if the input were bad."""

import platform
import sys
import traceback
from datetime import datetime
from pathlib import Path

import platformdirs

from . import __version__
from .names import one_line

EXIT_CODE = 3
"""Of a command that ended by a fault of its own."""
_MOST_BYTES = 1_000_000
_MOST_REPORTS = 20


def log_file() -> Path:
    return Path(platformdirs.user_state_dir("photometra")) / "faults.log"


_remarked: set[str] = set()
_listeners: list = []


def remark(sentence):
    """Say once that something about this machine was worked round; also to whoever listens, as the window does."""
    if sentence in _remarked:
        return
    _remarked.add(sentence)
    print(f"photometra: note: {sentence}", file=sys.stderr)
    for listener in _listeners:
        listener(sentence)


def listen(listener):
    """Have `listener(sentence)` called for each remark, those made before included. It may come from any thread."""
    _listeners.append(listener)
    for sentence in sorted(_remarked):
        listener(sentence)


def trace_of(error):
    """An error with its trace, as Python tells it."""
    return "".join(traceback.format_exception(error))


def report(error, told) -> Path | None:
    """Write a report of a fault to a file of its own: trace, version, machine, and what else is told {name: text};
    where it is, None where it cannot be written. Only the latest are kept."""
    folder = log_file().parent / "reports"
    lines = {"when": datetime.now().isoformat(timespec="seconds"), "version": __version__,
             "python": sys.version.split()[0], "machine": platform.platform(), **told}  # fmt: skip
    head = "".join(f"{name}: {one_line(str(value))}\n" for name, value in lines.items())
    try:
        folder.mkdir(parents=True, exist_ok=True)
        for old in sorted(folder.glob("fault-*.txt"))[: -_MOST_REPORTS + 1]:
            old.unlink(missing_ok=True)
        path = folder / f"fault-{datetime.now():%Y%m%d-%H%M%S-%f}.txt"
        path.write_text(f"{head}\n{trace_of(error)}", encoding="utf-8")
    except OSError:
        return None
    return path


def note(error) -> Path:
    """Write an error with its trace to the log and to standard error; where the log is."""
    told = trace_of(error)
    print(told, file=sys.stderr, end="")
    path = log_file()
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        if path.exists() and path.stat().st_size > _MOST_BYTES:
            path.replace(path.with_suffix(".old.log"))
        with path.open("a", encoding="utf-8") as out:
            out.write(f"{datetime.now().isoformat(timespec='seconds')}\n{told}\n")
    except OSError:
        pass  # Standard error has it already.
    return path
