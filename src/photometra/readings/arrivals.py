"""Many readings at once: every sample of every file of a folder, or of several files, and what was understood."""

from dataclasses import dataclass
from pathlib import Path

from ..errors import InputError
from ..words import tr
from .files import text_of
from .model import Reading
from .understanding import Choices, understand

_MOST_FILES, _LONGEST_NAME = 500, 60
_OTHERS = {
    ".png", ".jpg", ".jpeg", ".tif", ".tiff", ".exr", ".hdr", ".obj", ".ply", ".stl", ".glb", ".gltf", ".photometra",
}  # fmt: skip


@dataclass(frozen=True)
class Arrival:
    """One sample of a file: its readings, which differ in geometry alone, and what is doubtful about them."""

    file: Path
    sample: str
    readings: tuple[Reading, ...]
    doubts: tuple[str, ...]

    @property
    def told(self):
        """For people: `Spectral reflectance di:8, 36 rows`."""
        return "; ".join(tr("{0}, {1} rows", r.label, r.rows) for r in self.readings)


def files_in(paths) -> list[Path]:
    """The files of a list of files and folders, of folders those that may hold readings. InputError for too many."""
    out = []
    for path in map(Path, paths):
        if path.is_dir():
            inside = sorted(p for p in path.iterdir() if p.is_file() and not p.name.startswith("."))
            out += [p for p in inside if p.suffix.lower() not in _OTHERS]
        else:
            out.append(path)
    if len(out) > _MOST_FILES:
        raise InputError(tr("{0} files are more than the {1} that are taken at once", len(out), _MOST_FILES))
    return out


def arrivals_of(files, report=None, cancel=None):
    """([Arrival], [(file, why it was not taken)]) of files; report(done, of) before each, cancel: a threading.Event."""
    taken, refused = [], []
    for i, file in enumerate(files):
        if cancel is not None and cancel.is_set():
            break
        if report:
            report(i, len(files))
        try:
            taken += list(_samples(file))
        except (InputError, OSError) as error:
            refused.append((file, str(error)))
    return taken, refused


def specimen_name(found):
    """What to call a specimen that is made of what was understood: as its header names the sample, else the reading."""
    told = " ".join((found.sample or found.sheet.head.get("sample", "")).split())[:_LONGEST_NAME]
    return told if any(c.isalpha() for c in told) else found.reading.name or Path(found.path).stem


def _samples(file):
    text = text_of(file)
    first = understand(text, file)
    if first.reading is None:
        raise InputError(first.problem)
    if len(first.samples) <= 1:
        yield Arrival(file, specimen_name(first), tuple(first.readings), tuple(first.doubts))
        return
    # That the file holds several is no doubt here: all are taken.
    doubts = tuple(d for d in first.doubts if "samples;" not in d)
    for sample in first.samples:
        found = understand(text, file, Choices(sample=sample))
        if found.reading is None:
            raise InputError(found.problem)
        yield Arrival(file, sample, tuple(found.readings), doubts)
        doubts = ()
