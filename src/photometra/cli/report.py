"""The verb report: a calibration report of a study, or of one specimen."""

from pathlib import Path
from typing import Annotated

import typer

from ..study import read_file
from .output import Refused, output_path, print_json, tell
from .studies import Json, StudyPath

_SUFFIXES, _PAPERS = (".html", ".pdf"), ("A4", "Letter")
_SIGNS = {"point": ".", "comma": ","}


def report(
    study: StudyPath,
    output: Annotated[Path, typer.Option("-o", metavar="FILE", help="HTML (one file, all in it) or PDF.")],
    specimens: Annotated[list[str] | None, typer.Argument(metavar="[SPECIMEN ...]", help="Only these.")] = None,
    paper: Annotated[str, typer.Option(metavar="A4|Letter")] = "A4",
    decimal: Annotated[str, typer.Option(metavar="point|comma", help="The decimal sign of its numbers.")] = "point",
    as_json: Json = False,
):
    """Write a calibration report: readings against the model, parameters with errors, pictures, what exports lose."""
    if paper not in _PAPERS:
        raise Refused(f"--paper '{paper}' is not known; give {' or '.join(_PAPERS)}")
    if decimal not in _SIGNS:
        raise Refused(f"--decimal '{decimal}' is not known; give {' or '.join(_SIGNS)}")
    path = output_path(output, _SUFFIXES)
    document = read_file(study)
    chosen = [document.specimen(name) for name in specimens] if specimens else list(document.specimens)
    if not chosen:
        raise Refused(f"{study}: there is no specimen in this study to report on")
    from ..report import contents_of, write_report

    contents = contents_of(
        document, chosen, lambda name, done, of: tell(f"{name}, {done + 1} of {of}"), decimal=_SIGNS[decimal]
    )
    write_report(contents, path, paper)
    if as_json:
        print_json({"file": str(path), "digest": contents.digest, "specimens": [
            {"name": s.name, "within": s.within, "readings": s.count} for s in contents.sections
        ]})  # fmt: skip
    else:
        tell(f"wrote {path}")


def register(app):
    app.command("report")(report)
