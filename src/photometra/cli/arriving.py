"""The verb import-all: a folder, or several files, at once, every sample of them a specimen."""

from pathlib import Path
from typing import Annotated

import typer

from ..readings import arrivals_of, files_in
from ..study import change_file, read_file
from ..words import counted
from .output import Refused, print_json, table, tell
from .studies import Json, StudyPath


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
    files = files_in(paths)
    arrived, refused = arrivals_of(files)
    if not arrived:
        raise Refused(f"nothing was taken: {refused[0][1]}" if refused else "there is no file to take a reading from")
    where = []

    def change(document):
        if into is not None:
            document.index(into)
        document, names = document.with_arrivals([(into or a.sample, a.readings) for a in arrived])
        where.extend(names)
        return document

    read_file(study)
    change_file(study, change)
    told = [
        {"file": str(a.file), "sample": a.sample, "specimen": name, "doubts": list(a.doubts),
         "readings": a.told.split("; ")}
        for a, name in zip(arrived, where, strict=True)
    ]  # fmt: skip
    if as_json:
        print_json({"taken": told, "refused": [{"file": str(f), "reason": reason} for f, reason in refused]})
        return 1 if refused else 0
    samples, of = counted(len(told), "{0} sample", "{0} samples"), counted(len(files), "{0} file", "{0} files")
    table(
        f"{samples} of {of}", ("specimen", "file", "understood as", "doubts"),
        [(t["specimen"], Path(t["file"]).name, "; ".join(t["readings"]), len(t["doubts"]) or "") for t in told],
    )  # fmt: skip
    for t in told:
        for doubt in t["doubts"]:
            tell(f"note: {Path(t['file']).name}: {doubt}")
    for _, reason in refused:
        tell(f"not taken: {reason}")
    return 1 if refused else 0


def register(app):
    app.command("import-all")(import_all)
