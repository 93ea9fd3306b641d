"""Verbs on evidence: import, measure, agree, constants."""

from pathlib import Path
from typing import Annotated

import numpy as np
import typer

from ..colour import reflectance_to_xyz, xyz_to_linear_srgb
from ..figures import figures
from ..fitting import agreements, applicable
from ..instruments import INSTRUMENTS, constants_reading, measured
from ..optics import fresnel_conductor
from ..readings import KINDS, Choices, letter_of, taken, text_of, understand
from ..readings import write_file as write_reading
from ..readings.files import CGATS_SUFFIXES
from ..readings.geometries import geometry_of
from ..readings.lamps import lamp_of
from ..shapes.lying import spot_of
from ..study import read_file as read_study
from ..surface import hex_colour, parameter, table_names
from ..surface import table as constants_table
from ..surface.values import parse_number
from .output import Refused, output_path, print_json, table, tell
from .studies import Assignments, Json, SpecimenName, StudyPath, change_specimen, changed

_PLACE_HELP = "Where on the specimen, of one that varies: x y z and a diameter in mm, as '0 55 18, 8 mm'."


def import_reading(
    study: StudyPath,
    specimen: SpecimenName,
    file: Annotated[Path, typer.Argument(metavar="FILE")],
    kind: Annotated[str | None, typer.Option("--as", metavar="KIND", help=f"One of {', '.join(KINDS)}.")] = None,
    sample: Annotated[str, typer.Option(metavar="NAME", help="Which sample, of a file that holds several.")] = "",
    systematic: Annotated[
        str, typer.Option(metavar="TEXT", help="What all its values share, as 'gain 1 %, offset 0.001', or none.")
    ] = "",
    band_pass: Annotated[str, typer.Option(metavar="NM", help="Full width at half maximum, as 10nm.")] = "",
    illuminated: Annotated[str, typer.Option(metavar="LENGTH", help="Diameter of the area lit, as 8mm.")] = "",
    collected: Annotated[str, typer.Option(metavar="LENGTH", help="Diameter of the area looked at, as 6mm.")] = "",
    place: Annotated[str, typer.Option(metavar="TEXT", help=_PLACE_HELP)] = "",
    illuminant: Annotated[
        str,
        typer.Option(metavar="NAME|FILE", help="The light that colours are told for: D50, LED, 4100 K, a file."),
    ] = "",
):
    """Take a reading from a file: CSV or CGATS.17 text, as people and instruments write them."""
    read_study(study).index(specimen)
    said = {"bandpass_nm": band_pass, "illuminated_mm": illuminated, "collected_mm": collected}
    as_one = {key: parameter("film.thickness" if key.endswith("nm") else "thickness") for key in said}
    more = {key: parse_number(as_one[key], text) for key, text in said.items() if text}
    if systematic:
        more["systematic"] = systematic
    if place:
        more["spot"] = spot_of(place)
    if illuminant:
        more["illuminant"], more["light"] = lamp_of(illuminant)
    understood = understand(text_of(file), file, Choices(kind=kind or "", sample=sample, more=more))
    taken(understood)
    for doubt in understood.doubts:
        tell(f"note: {doubt}")

    def change(one):
        for reading in understood.readings:
            one = one.with_reading(reading)
        return one

    specimen_with = change_specimen(study, specimen, change)
    for reading in understood.readings:
        tell(f"imported '{reading.name}': {reading.label}, {reading.rows} rows")
    free = applicable(specimen_with.surface, sorted(specimen_with.free))
    tell(f"free for a solve: {', '.join(free) or 'nothing yet'}")


def measure(
    study: StudyPath,
    specimen: SpecimenName,
    instrument: Annotated[str, typer.Argument(metavar="INSTRUMENT", help=f"One of {', '.join(INSTRUMENTS)}.")],
    geometry: Annotated[
        str, typer.Option(metavar="di:8|de:8|45:0|45as15…", help="Of a spectrophotometer; as people write them.")
    ] = "",
    thickness: Annotated[str, typer.Option(metavar="LENGTH", help="Of the slab that is read, as 4mm.")] = "",
    place: Annotated[str, typer.Option(metavar="TEXT", help=_PLACE_HELP)] = "",
    assignments: Assignments = None,
    output: Annotated[
        Path | None, typer.Option("-o", metavar="FILE", help="Write the reading, as CSV or (.txt) CGATS.17.")
    ] = None,
    as_json: Json = False,
):
    """Say what a virtual instrument reads on a specimen's surface."""
    one = read_study(study).specimen(specimen)
    path = output_path(output, (".csv", *CGATS_SUFFIXES)) if output else None
    thick = parse_number(parameter("thickness"), thickness) if thickness else 0.0
    geometry = geometry_of(geometry)[0] or geometry
    surface = changed(one, assignments)
    reading = measured(
        instrument, surface, geometry, constants_reading(one.readings), thickness_mm=thick, spot=spot_of(place)
    )
    if path:
        write_reading(reading, path)
        tell(f"wrote {path}")
    columns = {
        name: [letter_of(v) if name == "polarisation" else float(v) for v in reading.columns[name]]
        for name in reading.kind.columns
    }
    if as_json:
        print_json({"specimen": one.name, "instrument": instrument, "columns": columns})
    elif not path:
        rows = zip(*columns.values(), strict=True)
        table(
            f"{one.name}: {reading.label}",
            list(columns),
            [[v if isinstance(v, str) else f"{v:.6g}" for v in row] for row in rows],
        )


def agree(
    study: StudyPath,
    specimen: Annotated[str | None, typer.Argument(metavar="[SPECIMEN]")] = None,
    as_json: Json = False,
):
    """Compare every reading with the model. Exit code 1 where one is out of tolerance."""
    document = read_study(study)
    chosen = [document.specimen(specimen)] if specimen else list(document.specimens)
    out, rows, everything = [], [], True
    for s in chosen:
        entries = []
        for a in agreements(s.surface, s.readings):
            r = a.reading
            if not r.active:
                continue
            entry = {
                "name": r.name,
                "kind": r.kind_key,
                "metric": r.kind.metric,
                "value": a.value,
                "tolerance": r.tolerance,
                "within": a.within,
            }
            entries.append(entry)
            verdict = "within" if a.within else a.problem or "OUT"
            rows.append((f"{s.name}: {r.name}", r.kind.metric_label, figures(a.value, 4), f"{r.tolerance:g}", verdict))
        # Nothing to compare with is no agreement.
        within = all(e["within"] for e in entries) if entries else None
        everything = everything and within is not False
        out.append({"name": s.name, "readings": entries, "within": within})
        if not entries:
            rows.append((s.name, "", "", "", "no reading"))
    if as_json:
        print_json({"specimens": out})
    else:
        table("", ("reading", "measured in", "value", "tolerance", ""), rows)
    return 0 if everything else 1


def constants(name: Annotated[str | None, typer.Argument(metavar="[NAME]")] = None, as_json: Json = False):
    """List the tables of optical constants, or show one."""
    if name is None:
        tables = [constants_table(n) for n in table_names()]
        if as_json:
            print_json(
                {
                    "tables": [
                        {"name": t.key, "title": t.name, "matter": t.matter, "range_nm": t.range_nm} for t in tables
                    ]
                }
            )
        else:
            rows = [(t.key, t.name, t.matter, "{:g}–{:g}".format(*t.range_nm)) for t in tables]
            table("", ("name", "title", "material", "nm"), rows)
        return
    if name not in table_names():
        from ..surface.constants import check_name

        check_name(name)
        raise Refused("'reading' stands for a specimen's own constants; it is not a table")
    t = constants_table(name)
    facing = fresnel_conductor(1.0, np.maximum(t.n, 1e-6), t.k)
    colour = hex_colour(xyz_to_linear_srgb(reflectance_to_xyz(t.wavelength_nm, facing)))
    if as_json:
        print_json(
            {
                "name": t.key,
                "title": t.name,
                "matter": t.matter,
                "source": t.source,
                "range_nm": t.range_nm,
                "colour": colour,
                "columns": {
                    "wavelength_nm": t.wavelength_nm.tolist(),
                    "n": t.n.tolist(),
                    "k": t.k.tolist(),
                    "reflectance": facing.tolist(),
                },
            }
        )
        return
    rows = zip(t.wavelength_nm, t.n, t.k, facing, strict=True)
    table(
        f"{t.name} ({t.matter}), colour at normal incidence {colour}",
        ("nm", "n", "k", "reflectance"),
        [[figures(v, 5) for v in r] for r in rows],
    )
    print(t.source)


def register(app):
    app.command("import")(import_reading)
    app.command("measure")(measure)
    app.command("agree")(agree)
    app.command("constants")(constants)
