"""Verbs on evidence: import, measure, agree, fit, constants."""

import threading
import time
from dataclasses import asdict, replace
from functools import partial
from pathlib import Path
from typing import Annotated

import numpy as np
import typer

from ..colour import reflectance_to_xyz, xyz_to_linear_srgb
from ..figures import figures
from ..fitting import agreements, applicable, solve, told
from ..instruments import INSTRUMENTS, constants_reading, measured
from ..optics import fresnel_conductor
from ..readings import KINDS, Choices, letter_of, taken, text_of, understand
from ..readings import write_file as write_reading
from ..readings.files import CGATS_SUFFIXES
from ..readings.geometries import geometry_of
from ..shapes.lying import spot_of
from ..study import change_file
from ..study import read_file as read_study
from ..study.proof import FREE_LIGHT
from ..surface import hex_colour, parameter, table_names
from ..surface import table as constants_table
from ..surface.parameters import scalar_owner
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


def fit(
    study: StudyPath,
    specimen: SpecimenName,
    free: Annotated[
        list[str] | None, typer.Option("--free", metavar="NAME ...", help="Instead of the specimen's own.")
    ] = None,
    save: Annotated[bool, typer.Option("--save", help="Keep the outcome in the study.")] = False,
    robust: Annotated[bool, typer.Option("--robust", help="Robust fit: outliers are down-weighted.")] = False,
    photograph: Annotated[
        bool, typer.Option("--photograph", help="Count the ticked pins of its photograph; renders in the loop.")
    ] = False,
    free_light: Annotated[
        str,
        typer.Option(
            "--free-light", metavar="NAME,…", help=f"Solve for the photograph's light too: {', '.join(FREE_LIGHT)}."
        ),
    ] = "",
    rgb: Annotated[
        bool, typer.Option("--rgb", help="Keep colours red, green and blue, whatever spectrum they are to follow.")
    ] = False,
    visible: Annotated[
        bool, typer.Option("--visible", help="Say what one standard error looks like in the picture, in ΔE2000.")
    ] = False,
    posterior: Annotated[
        bool, typer.Option("--posterior", help="Sample what the evidence leaves, beside the error bars; half a minute.")
    ] = False,
    as_json: Json = False,
):
    """Solve for the free parameters from the active readings. Exit code 1 where they are not described by it."""
    document = read_study(study)
    one = document.specimen(specimen)
    stop = threading.Event()
    further = None
    if free_light and not photograph:
        raise Refused("--free-light is of a photograph's light: give --photograph too")
    if photograph:
        if free_light:
            one = _with_free_light(one, free_light)
        from ..imaging.photographed import Photographed

        further = Photographed(document, one)
        tell(f"rendering in the loop: {further.points} numbers off the photograph, {further.paths} paths an evaluation")
    try:
        solution = solve(
            one.surface, one.readings, free or applicable(one.surface, one.free), one.bounds,
            report=_progress(further) if further else None, cancel=stop, robust=robust, further=further, keep_rgb=rgb,
        )  # fmt: skip
    except KeyboardInterrupt:
        raise Refused("stopped; nothing was changed") from None
    if save:
        change_file(study, partial(_kept, one, solution))
    verdict = solution.verdict
    pins = further.agreement(solution.surface, effects=solution.effects) if further else ()
    seen = _visible(document, one, solution) if visible else None
    known = _posterior(one, solution, robust) if posterior else None
    if as_json:
        print_json(
            {
                "specimen": one.name,
                "visible_error": seen
                and {"mean": seen.mean, "largest": seen.largest, "place": seen.place, "causes": dict(seen.causes)},
                "posterior": known
                and {
                    "sentence": known.sentence,
                    "draws": known.draws,
                    "worth": known.worth,
                    "is_settled": known.is_settled,
                    "intervals": {n: [float(v) for v in known.interval(n)] for n in known.names},
                },
                "free": [
                    {
                        "name": s.name,
                        "value": s.value,
                        "sigma": s.sigma,
                        "start": s.start,
                        "at_bound": s.at_bound,
                    }
                    for s in solution.solved
                ],
                "chi2_reduced": solution.chi2_reduced,
                "correlation": solution.correlation.tolist(),
                "undetermined": [{"names": list(u.names), "sentence": u.sentence} for u in solution.undetermined],
                "seconds": solution.seconds,
                "status": verdict.status,
                "fits": verdict.fits,
                "misfits": [asdict(m) for m in verdict.misfits],
                "helps": list(verdict.helps),
                "doubts": list(verdict.doubts),
                "effects": [asdict(e) for e in solution.effects],
                "by_wavelength": list(solution.spectral),
                "also_fits": [
                    {"name": m.name, "value": m.value, "chi2_reduced": m.chi2_reduced} for m in solution.minima
                ],
                "points": solution.points,
                "evaluations": solution.evaluations,
                **(
                    {"pins": [asdict(p) for p in further.agreement(solution.surface, effects=solution.effects)]}
                    if further
                    else {}
                ),
            }
        )
        return 0 if verdict.is_good else 1
    if not verdict.is_good:
        print(verdict.sentence)
        for sentence in verdict.helps:
            print(f"what would help: {sentence}")
    rows = []
    for name in solution.spectral:
        value = hex_colour(solution.surface.rgb(name))
        print(
            f"{name} is solved by wavelength, as red, green and blue cannot follow the reading; it is {value} in sRGB"
        )
    for s in solution.solved:
        p, component = scalar_owner(s.name)
        if component is not None and component.isdigit():
            continue
        sigma = "at a bound" if s.at_bound else "not determined" if s.sigma is None else f"± {figures(s.sigma, 2)}"
        if s.sigma is not None and not verdict.fits:
            sigma = f"({sigma})"
        rows.append((s.name, figures(s.start, 5), figures(s.value, 5), sigma, p.unit))
    if rows:
        table(one.name, ("parameter", "start", "value", "", ""), rows)
    before, after = (figures(c, 4) for c in (solution.chi2_start, solution.chi2_reduced))
    print(f"reduced chi-square {before} -> {after}, {solution.seconds:.2f} s")
    for sentence in verdict.doubts:
        print(f"note: {sentence}")
    for name in dict.fromkeys(e.reading for e in solution.effects):
        print(f"{name}: {', '.join(e.told for e in solution.effects if e.reading == name)}")
    for pin in pins:
        print(f"pin {pin.name}: {figures(pin.value)}, tolerance {pin.tolerance:g}")
    for m in solution.minima:
        print(f"other local minimum: {told(m)}, reduced chi-square {figures(m.chi2_reduced, 4)}")
    for u in solution.undetermined:
        print(f"note: {u.sentence}")
    if known is not None:
        print(f"{known.sentence}.")
        rows = [(n, *(figures(v, 4) for v in known.interval(n)), scalar_owner(n)[0].unit) for n in known.names]
        table("", ("posterior", "2.5 %", "16 %", "median", "84 %", "97.5 %", ""), rows)
    if seen is not None:
        print(f"{seen.sentence}.")
    return 0 if verdict.is_good else 1


def _with_free_light(one, names):
    """A specimen whose photograph leaves so much of its light free."""
    wanted = tuple(dict.fromkeys(n.strip() for n in names.split(",") if n.strip()))
    unknown = [n for n in wanted if n not in FREE_LIGHT]
    if unknown:
        raise Refused(f"--free-light '{unknown[0]}' is not known; give {', '.join(FREE_LIGHT)}")
    if one.reference is None:
        raise Refused(f"{one.name} has no photograph; load one and line it up with the render")
    return replace(one, reference=replace(one.reference, free_light=wanted))


def _visible(document, one, solution):
    """What the errors of a solve look like; None, said, where it has none."""
    if not solution.verdict.fits:
        tell("note: what does not fit has no error bars to be seen")
        return None
    from ..imaging.visible import visible_error

    seen = visible_error(document, one, solution)
    if seen is None:
        tell("note: nothing that was solved has a standard error to be seen")
    return seen


def _posterior(one, solution, robust):
    """The posterior of what was solved, sampled; None, said, where it does not fit."""
    if not solution.verdict.fits:
        tell("note: what does not fit has no posterior worth sampling")
        return None
    from ..fitting.posterior import sampled

    return sampled(
        solution.surface, one.readings, [s.name for s in solution.solved], one.bounds, solution, robust=robust,
        report=lambda i, of, worth: tell(f"posterior: round {i} of at most {of}, worth {worth:.0f} draws"),
    )  # fmt: skip


def _kept(before, solution, document):
    """A study with what a solve found of a specimen, and of the light where that was free."""
    i = document.index(before.name)
    one = _solved(before, solution, document.specimens[i])
    if before.reference is not None and before.reference.free_light and one.reference is not None:
        from ..imaging.photographed import under_found_light

        one = replace(one, reference=replace(one.reference, free_light=before.reference.free_light))
        document, one = under_found_light(document, one, solution.effects)
    return document.with_specimen_at(i, one)


def _solved(before, solution, one):
    """A specimen with what a solve found; what was changed in it while the solve ran stays changed."""
    if one.surface != before.surface:
        tell("note: the surface was changed while it was solved for; only what was free is set, so solve again")
    owners = {scalar_owner(s.name)[0].name for s in solution.solved} | set(solution.spectral)
    surface = one.surface.with_values({name: solution.surface.input(name) for name in owners})
    return one.with_solved(surface, solution.sigmas)


def _progress(further):
    """A reporter that says every other second how far a solve with renders in its loop is."""
    told = began = time.perf_counter()

    def report(evaluations, chi2):
        nonlocal told
        if time.perf_counter() - told > 2.0:
            told = time.perf_counter()
            tell(f"{told - began:.0f} s, {evaluations} evaluations of {further.paths} paths, misfit {figures(chi2, 4)}")

    return report


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
    app.command("solve")(fit)
    app.command("fit")(fit)
    app.command("constants")(constants)
