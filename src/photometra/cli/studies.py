"""Verbs on the study itself: demo, new, add, set, show, check."""

import tempfile
from dataclasses import asdict
from pathlib import Path
from typing import Annotated

import typer

from ..fitting import applicable
from ..maps import Map
from ..optics.interface import colour_leaving
from ..readings import averaged
from ..readings import read_file as read_reading
from ..study import SUFFIX, Study, change_file, read_file, write_file
from ..study.inputs import entry_of
from ..surface import PARAMETERS, format_value, hex_colour, parameter, parse, spectrum_from
from ..surface.inputs import is_map, parse_map, told
from ..surface.values import DEFAULT_IOR, parse_length
from .output import Refused, print_json, table, tell

StudyPath = Annotated[Path, typer.Argument(metavar="STUDY", help="A .photometra file.")]
SpecimenName = Annotated[str, typer.Argument(metavar="SPECIMEN", help="The specimen's name.")]
Json = Annotated[bool, typer.Option("--json", help="Print one JSON object.")]
Assignments = Annotated[list[str] | None, typer.Option("--set", metavar="NAME=VALUE ...", help="Values for this run.")]


def parsed(assignments, surface=None):
    """{parameter: value} of NAME=VALUE words, for a surface; what one says of the index holds for those after it."""
    values = {}
    for word in assignments or ():
        name, sign, text = word.partition("=")
        if not sign:
            raise Refused(f"'{word}' should be NAME=VALUE, as roughness=0.3")
        p = parameter(name.strip())
        ior = values.get("ior", surface["ior"] if surface else DEFAULT_IOR)
        if is_map(text):
            present = surface.input(p.name) if surface else None
            values[p.name] = parse_map(p, text, ior, None if isinstance(present, Map) else present)
        else:
            values[p.name] = _from_file(p, text.strip()[1:]) if text.strip().startswith("@") else parse(p, text, ior)
    return values


def _from_file(p, path):
    """The spectrum of a colour or coefficient from a file of a reading: NAME=@FILE."""
    if not p.components:
        raise Refused(f"{p.name} is no colour or coefficient: only those can come from a file")
    reading = averaged(read_reading(path))
    wanted = ("reflectance", "total") if p.kind == "colour" else ("scatter_per_mm", "absorption_per_mm")
    if p.name.endswith("absorption"):
        wanted = wanted[::-1]
    column = next((c for c in wanted if c in reading.columns), None)
    if column is None or reading.kind.along != "wavelength_nm":
        raise Refused(f"{path}: there is no {' or '.join(wanted)} by wavelength in it for {p.name}")
    return spectrum_from(p, reading.x, reading.columns[column])


def changed(specimen, assignments):
    """A specimen's surface with NAME=VALUE words applied."""
    return specimen.surface.with_values(parsed(assignments, specimen.surface))


def new_path(path):
    path = Path(path)
    if path.suffix != SUFFIX:
        raise Refused(f"{path}: a study's name ends in {SUFFIX}")
    if path.exists():
        raise Refused(f"{path}: there is a file of this name already; choose another")
    if not path.parent.is_dir():
        raise Refused(f"{path}: there is no folder {path.parent}")
    return path


def demo(
    to: Annotated[Path | None, typer.Option("--to", metavar="FILE", help="Only write the demo study here.")] = None,
):
    """Open the window on a fresh copy of the demo study."""
    from ..demo import NAME, write_demo

    if to is not None:
        write_demo(new_path(to))
        tell(f"wrote {to}")
        return 0
    from ..desktop import open_window

    path = Path(tempfile.mkdtemp(prefix="photometra-demo-")) / f"{NAME}{SUFFIX}"
    # Making it takes seconds: the window stands meanwhile.
    return open_window(path, write_demo)


def new(study: StudyPath):
    """Make an empty study."""
    path = new_path(study)
    write_file(Study(path.stem), path)
    tell(f"wrote {path}")


def add(
    study: StudyPath,
    specimen: SpecimenName,
    size: Annotated[str, typer.Option("--size-mm", metavar="LENGTH", help="Diameter, as 60 or 6cm.")] = "60",
):
    """Add a specimen to a study."""
    size_mm = parse_length(parameter("thickness"), "size", size)
    document = change_file(study, lambda document: document.with_new_specimen(specimen, size_mm))
    tell(f"added '{document.specimens[-1].name}'")


def set_values(
    study: StudyPath,
    specimen: SpecimenName,
    assignments: Annotated[list[str], typer.Argument(metavar="NAME=VALUE ...")],
):
    """Set parameters of a specimen's surface."""
    changes = {}

    def change(one):
        changes.update(parsed(assignments, one.surface))
        one.followed(changes)
        return one.with_values(changes)

    after = change_specimen(study, specimen, change)
    for name in changes:
        tell(f"{name} = {_told(PARAMETERS[name], after.surface)}")


def _told(p, surface, sigma=None):
    """What a parameter has, for people."""
    value = surface.input(p.name)
    return told(p, value) if isinstance(value, Map) else format_value(p, value, sigma)


def change_specimen(study, name, change):
    """Change one specimen of a study's file, by name; the specimen as written. change: Specimen -> Specimen."""
    where = []

    def change_study(document):
        where.append(document.index(name))
        return document.with_specimen_at(where[0], change(document.specimens[where[0]]))

    return change_file(study, change_study).specimens[where[0]]


def json_of(value):
    return entry_of(value).model_dump(mode="json", exclude_defaults=True) if isinstance(value, Map) else value


def _plain(specimen):
    return {
        "name": specimen.name,
        "size_mm": specimen.size_mm,
        "parameters": {name: json_of(specimen.surface.input(name)) for name in PARAMETERS},
        "free": applicable(specimen.surface, sorted(specimen.free)),
        "bounds": {name: list(pair) for name, pair in specimen.bounds.items()},
        "shape": specimen.shape,
        "wall_mm": specimen.wall_mm,
        "follows": dict(specimen.follows),
        "assigned": [{"parts": part, "specimen": name} for part, name in specimen.assigned],
        "photograph": asdict(specimen.reference) if specimen.reference else None,
        "sigmas": dict(specimen.sigmas),
        "readings": [
            {
                "name": r.name,
                "kind": r.kind_key,
                "geometry": r.geometry,
                "rows": r.rows,
                "tolerance": r.tolerance,
                "active": r.active,
                "source": r.source,
                "thickness_mm": r.thickness_mm,
                "bandpass_nm": r.bandpass_nm,
                "illuminated_mm": r.illuminated_mm,
                "collected_mm": r.collected_mm,
                "place": r.spot.text if r.spot else "",
                "systematic": asdict(r.systematic),
                "illuminant": r.illuminant,
                "observer": r.observer,
                "notes": r.notes,
                "date": r.date,
            }
            for r in specimen.readings
        ],
        "notes": specimen.notes,
    }


def show(
    study: StudyPath,
    specimen: Annotated[str | None, typer.Argument(metavar="[SPECIMEN]")] = None,
    as_json: Json = False,
):
    """Show a study, or one specimen of it."""
    document = read_file(study)
    chosen = [document.specimen(specimen)] if specimen else list(document.specimens)
    if as_json:
        booth = document.booth
        names = {s.name for s in chosen}
        proofs = [
            {"name": p.name, "specimen": p.specimen, "note": p.note, "date": p.date, "agreement": list(p.agreement)}
            for p in document.proofs
            if p.specimen in names
        ]
        print_json(
            {
                "name": document.name,
                "booth": asdict(booth),
                "specimens": [_plain(s) for s in chosen],
                "proofs": proofs,
            }
        )
        return
    if not chosen:
        tell("this study has no specimens yet; add one with: photometra add STUDY SPECIMEN")
    for s in chosen:
        rows = []
        for p in PARAMETERS.values():
            if s.surface.applies(p.name):
                sigma = s.sigmas.get(p.name)
                value = _told(p, s.surface, sigma)
                if p.name == "colour":
                    leaving = colour_leaving(s.surface.rgb("colour"), s.surface["ior"])
                    value += f" (leaves {hex_colour(leaving)})"
                rows.append((p.name, value, "free" if p.name in s.free else ""))
        table(f"{s.name}, {s.size_mm:g} mm", ("parameter", "value", ""), rows)
        for stratum, leader in s.follows:
            tell(f"{stratum} follows '{leader}'")
        rows = [(r.name, r.label, r.rows, "" if r.active else "not counted") for r in s.readings]
        table("", ("reading", "kind", "rows", ""), rows)


def register(app):
    app.command("demo")(demo)
    app.command("new")(new)
    app.command("add")(add)
    app.command("set")(set_values)
    app.command("show")(show)
