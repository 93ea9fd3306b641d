"""The verb solve, in all its ways: alone, with its photograph, together with what is linked."""

import threading
import time
from dataclasses import asdict, replace
from functools import partial
from typing import Annotated

import typer

from ..figures import figures
from ..fitting import applicable, members_of, solve, solve_together, told
from ..study import change_file
from ..study import read_file as read_study
from ..study.proof import FREE_LIGHT
from ..surface import hex_colour
from ..surface.parameters import scalar_owner
from .hand_over import Cluster, place_of
from .output import Refused, print_json, table, tell
from .studies import Json, SpecimenName, StudyPath

Free = Annotated[
    list[str] | None, typer.Option("--free", metavar="NAME ...", help="Instead of the specimen's own.")
]  # fmt: skip
Robust = Annotated[bool, typer.Option("--robust", help="Robust fit: outliers are down-weighted.")]


def fit(
    study: StudyPath,
    specimen: SpecimenName,
    free: Free = None,
    save: Annotated[bool, typer.Option("--save", help="Keep the outcome in the study.")] = False,
    robust: Robust = False,
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
    linked: Annotated[
        bool, typer.Option("--linked", help="Solve those linked with it too, from the readings of all.")
    ] = False,
    cluster: Cluster = None,
    as_json: Json = False,
):
    """Solve for the free parameters from the active readings. Exit code 1 where they are not described by it."""
    document = read_study(study)
    one = document.specimen(specimen)
    stop = threading.Event()
    further = None
    if free_light and not photograph:
        raise Refused("--free-light is of a photograph's light: give --photograph too")
    if cluster and not photograph:
        raise Refused("--cluster has the pictures of a photograph solve rendered elsewhere: give --photograph too")
    if linked:
        if photograph or free or robust or posterior or visible:
            raise Refused("--linked solves what is free of each specimen, from readings alone; leave the rest away")
        return _together(study, document, one, save, as_json)
    if free_light:
        one = _with_free_light(one, free_light)
    with place_of(cluster) as place:
        if photograph:
            from ..imaging.photographed import Photographed

            further = Photographed(document, one, place=place)
            work = f"{further.points} numbers off the photograph, {further.paths} paths an evaluation"
            tell(f"rendering in the loop: {work}")
        try:
            solution = solve(
                one.surface, one.readings, free or applicable(one.surface, one.free), one.bounds,
                report=_progress(further) if further else None, cancel=stop, robust=robust, further=further,
                keep_rgb=rgb,
            )  # fmt: skip
        except KeyboardInterrupt:
            raise Refused("stopped; nothing was changed") from None
        pins = further.agreement(solution.surface, effects=solution.effects) if further else ()
    if save:
        change_file(study, partial(_kept, one, solution))
    verdict = solution.verdict
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
                **({"pins": [asdict(p) for p in pins]} if further else {}),
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


def _together(study, document, one, save, as_json):
    """Solve a specimen and those linked with it at once; the exit code."""
    members = members_of(document, one)
    if not members:
        raise Refused(f"no specimen that has readings is linked with '{one.name}'; see photometra link")
    try:
        found = solve_together(members)
    except KeyboardInterrupt:
        raise Refused("stopped; nothing was changed") from None
    if save:
        change_file(study, partial(_all_kept, document, found))
    is_good = all(s.verdict.is_good for s in found.values())
    if as_json:
        print_json({"together": [
            {"specimen": name, "free": [
                {"name": s.name, "value": s.value, "sigma": s.sigma, "start": s.start, "at_bound": s.at_bound}
                for s in solution.solved
            ], "chi2_reduced": solution.chi2_reduced, "fits": solution.verdict.fits, "status": solution.verdict.status}
            for name, solution in found.items()
        ]})  # fmt: skip
        return 0 if is_good else 1
    rows = []
    for name, solution in found.items():
        if not solution.verdict.is_good:
            print(f"{name}: {solution.verdict.sentence}")
        for s in solution.solved:
            sigma = "at a bound" if s.at_bound else "not determined" if s.sigma is None else f"± {figures(s.sigma, 2)}"
            unit = scalar_owner(s.name)[0].unit
            rows.append((name, s.name, figures(s.start, 5), figures(s.value, 5), sigma, unit))
    table(", ".join(found), ("specimen", "parameter", "start", "value", "", ""), rows)
    last = next(iter(found.values()))
    before, after = (figures(c, 4) for c in (last.chi2_start, last.chi2_reduced))
    print(f"together: reduced chi-square {before} -> {after}, {last.points} values, {last.seconds:.2f} s")
    return 0 if is_good else 1


def _all_kept(before, found, document):
    for name, solution in found.items():
        document = _kept(before.specimen(name), solution, document)
    return document


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


def register(app):
    app.command("solve")(fit)
    app.command("fit")(fit)
