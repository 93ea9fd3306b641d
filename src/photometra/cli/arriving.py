"""The verb import-all: a folder, or several files, at once, every sample of them a specimen."""

from pathlib import Path
from typing import Annotated

import typer

from ..errors import InputError
from ..readings import Choices, text_of, understand
from ..study import SUFFIX, change_file, read_file
from .output import Refused, print_json, table, tell
from .studies import Json, StudyPath

_MOST_FILES, _MOST_SPECIMENS = 500, 500
_OTHERS = {".png", ".jpg", ".jpeg", ".tif", ".tiff", ".exr", ".hdr", ".obj", ".ply", ".stl", ".glb", ".gltf", SUFFIX}


def import_all(
    study: StudyPath,
    paths: Annotated[list[Path], typer.Argument(metavar="FILE|FOLDER ...")],
    into: Annotated[
        str | None, typer.Option("--into", metavar="SPECIMEN", help="All of it readings of this one, as repeats.")
    ] = None,
    as_json: Json = False,
):
    """Take every reading of a folder or of several files: each sample becomes a specimen, or goes to the one so named.

    Says what was understood of each; what cannot be taken is named, and the rest taken. Exit code 1 where some was not.
    """
    files = _files(paths)
    rows, told, refused = [], [], []
    for file in files:
        try:
            rows += list(_readings(file))
        except (InputError, OSError) as error:
            refused.append((file, str(error)))
    if not rows:
        raise Refused(f"nothing was taken: {refused[0][1]}" if refused else "there is no file to take a reading from")

    def change(document):
        if into is not None:
            document.index(into)
        for file, sample, readings, doubts in rows:
            name = into or sample
            if not any(s.name.casefold() == name.casefold() for s in document.specimens):
                if len(document.specimens) >= _MOST_SPECIMENS:
                    raise Refused(f"more than {_MOST_SPECIMENS} specimens in one study; take fewer files at once")
                document = document.with_new_specimen(name)
            i = document.index(name)
            one = document.specimens[i]
            for reading in readings:
                one = one.with_reading(reading)
            document = document.with_specimen_at(i, one)
            told.append({
                "file": str(file), "sample": sample, "specimen": one.name, "doubts": list(doubts),
                "readings": [f"{r.label}, {r.rows} rows" for r in readings],
            })  # fmt: skip
        return document

    read_file(study)
    change_file(study, change)
    if as_json:
        print_json({"taken": told, "refused": [{"file": str(f), "reason": reason} for f, reason in refused]})
        return 1 if refused else 0
    table(
        f"{len(told)} samples of {len(files)} files", ("specimen", "file", "understood as", "doubts"),
        [(t["specimen"], Path(t["file"]).name, "; ".join(t["readings"]), len(t["doubts"]) or "") for t in told],
    )  # fmt: skip
    for t in told:
        for doubt in t["doubts"]:
            tell(f"note: {Path(t['file']).name}: {doubt}")
    for _, reason in refused:
        tell(f"not taken: {reason}")
    return 1 if refused else 0


def _files(paths):
    out = []
    for path in paths:
        if path.is_dir():
            inside = sorted(p for p in path.iterdir() if p.is_file() and not p.name.startswith("."))
            out += [p for p in inside if p.suffix.lower() not in _OTHERS]
        else:
            out.append(path)
    if len(out) > _MOST_FILES:
        raise Refused(f"{len(out)} files are more than the {_MOST_FILES} that are taken at once")
    return out


def _readings(file):
    """(file, sample, its readings, doubts) of every sample in a file."""
    text = text_of(file)
    first = understand(text, file)
    if first.reading is None:
        raise InputError(first.problem)
    if len(first.samples) <= 1:
        yield file, first.reading.name or file.stem, first.readings, first.doubts
        return
    # That the file holds several is no doubt here: all are taken.
    doubts = tuple(d for d in first.doubts if "samples;" not in d)
    for sample in first.samples:
        found = understand(text, file, Choices(sample=sample))
        if found.reading is None:
            raise InputError(found.problem)
        yield file, sample, found.readings, doubts
        doubts = ()


def register(app):
    app.command("import-all")(import_all)
