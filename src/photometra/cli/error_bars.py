"""The verb error-bars: fresh studies of what was solved, and how often the truth lies within their bars."""

from dataclasses import asdict
from typing import Annotated

import typer

from ..figures import figures
from ..fitting import applicable, solve
from ..study import read_file
from ..surface.parameters import scalar_owner
from .hand_over import Cluster, place_of
from .output import Refused, print_json, table, tell
from .solving import Free, Robust
from .studies import Json, SpecimenName, StudyPath

_TOLD_EVERY = 10


def error_bars(
    study: StudyPath,
    specimen: SpecimenName,
    free: Free = None,
    studies: Annotated[int, typer.Option(min=5, max=10_000, help="How many fresh studies.")] = 50,
    robust: Robust = False,
    cluster: Cluster = None,
    as_json: Json = False,
):
    """Try the error bars of a solve: read the solved surface anew many times, with the readings' own uncertainties,
    solve each, and say how often the truth lies within the bars."""
    from ..fitting.bootstrap import bootstrap

    document = read_file(study)
    one = document.specimen(specimen)
    names = free or applicable(one.surface, one.free)
    solution = solve(one.surface, one.readings, names, one.bounds, robust=robust)
    if not solution.verdict.fits:
        raise Refused(f"{solution.verdict.sentence} Error bars of what does not fit are none; see photometra solve")

    def report(done, of):
        if done % _TOLD_EVERY == 0 or done == of:
            tell(f"{done} of {of} studies")

    try:
        with place_of(cluster) as place:
            found = bootstrap(
                solution.surface, one.surface, one.readings, names, studies, one.bounds, robust, report, place=place
            )
    except KeyboardInterrupt:
        raise Refused("stopped; nothing was changed") from None
    shares = found.within(1.0), found.within(2.0)
    if as_json:
        print_json({
            "specimen": one.name, "studies": studies, "within_1": shares[0], "within_2": shares[1],
            "chi2_reduced": list(found.chi2), "scalars": [asdict(t) for t in found.scalars],
        })  # fmt: skip
        return
    rows = [
        (
            t.name, figures(t.true, 5), figures(t.stated, 2), figures(t.scatter, 2), f"{t.bias:+.2f}",
            f"{t.within_1:.0%}", f"{t.within_2:.0%}", scalar_owner(t.name)[0].unit,
        )
        for t in found.scalars
    ]  # fmt: skip
    heads = ("parameter", "solved", "standard error", "scatter", "bias, in errors", "within 1", "within 2", "")
    table(f"{one.name}: {studies} fresh studies of the solved surface", heads, rows)
    print(
        f"The truth lies within one standard error in {shares[0]:.0%} (68 % would be right), within two in "
        f"{shares[1]:.0%} (95 %)."
    )


def register(app):
    app.command("error-bars")(error_bars)
