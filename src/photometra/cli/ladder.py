"""The verb ladder: one or two things about a surface stepped, the pictures side by side, the misfit along them."""

import math
from pathlib import Path
from typing import Annotated

import typer

from ..figures import figures
from ..fitting import worst_misfit
from ..imaging.ladders import CONSTANTS, constants_axis, number_axis, render_ladder, stepped, surfaces_axis
from ..study import read_file
from ..surface import parameter
from ..surface.values import parse_number
from .hand_over import Cluster, picture_size, place_of
from .output import Refused, output_path, print_json, table, tell
from .progress import watched
from .studies import Json, SpecimenName, StudyPath

_WHOLE = "surfaces"
_STEPS = 6


def axis_of(text, document):
    """The axis that NAME=LOW..HIGH, NAME=LOW..HIGH/STEPS, constants, constants=TABLE,TABLE or surfaces names."""
    name, _, rest = (part.strip() for part in text.partition("="))
    if name == CONSTANTS:
        return constants_axis([k.strip() for k in rest.split(",") if k.strip()] or None)
    if name == _WHOLE:
        wanted = [k.strip() for k in rest.split(",") if k.strip()]
        return surfaces_axis([document.specimen(n) for n in wanted] if wanted else document.specimens)
    span, _, steps = rest.partition("/")
    low, dots, high = span.partition("..")
    if not dots or (steps and not steps.strip().isdecimal()):
        raise Refused(f"'{text}' should be NAME=LOW..HIGH, as roughness=0.1..0.6, or with /STEPS after it")
    p = parameter(name)
    return number_axis(p.name, parse_number(p, low), parse_number(p, high), int(steps) if steps else _STEPS)


def ladder(
    study: StudyPath,
    specimen: SpecimenName,
    across: Annotated[
        str,
        typer.Option(
            "--step", metavar="NAME=LOW..HIGH[/STEPS]",
            help="What is stepped across; constants or constants=gold,silver; surfaces, or surfaces=SPECIMEN,SPECIMEN.",
        ),
    ],
    output: Annotated[Path, typer.Option("-o", metavar="FILE", help="PNG (as shown) or EXR (scene-linear).")],
    down: Annotated[
        str | None, typer.Option("--and", metavar="NAME=LOW..HIGH[/STEPS]", help="What is stepped downwards.")
    ] = None,
    size: Annotated[str, typer.Option(metavar="WxH", help="Of each picture.")] = "256x256",
    samples: Annotated[int, typer.Option(min=1, max=100_000)] = 32,
    cluster: Cluster = None,
    as_json: Json = False,
):  # fmt: skip
    """Render one or two things about a surface stepped over a range, side by side, and say how far each step is from
    the readings."""
    width, height = picture_size(size)
    path = output_path(output, (".png", ".exr"))
    document = read_file(study)
    one = document.specimen(specimen)
    first, second = axis_of(across, document), axis_of(down, document) if down else None
    if second is not None and second.name == first.name:
        raise Refused("step two different things, or one alone")
    rows = stepped(one.surface, first, second)
    with place_of(cluster) as place, watched(f"{one.name}, ladder", samples) as report:

        def follow(cell, done, of):
            report(cell)
            if cell.samples >= samples:
                tell(f"step {done + 1} of {of}")

        render_ladder(document, one, first, second, path, width, height, samples, follow, place=place)
    told = [
        {
            "across": first.labels[j],
            **({"down": second.labels[i]} if second else {}),
            "worst_misfit": None if math.isnan(worst := worst_misfit(surface, one.readings)) else worst,
        }
        for i, row in enumerate(rows)
        for j, surface in enumerate(row)
    ]
    if as_json:
        print_json({"specimen": one.name, "file": str(path), "samples": samples, "steps": told})
        return
    heads = (first.label.lower(), *((second.label.lower(),) if second else ()), "worst misfit, in tolerances")
    table(
        one.name, heads,
        [
            (step["across"], *([step["down"]] if second else []),
             "no reading" if step["worst_misfit"] is None else figures(step["worst_misfit"], 3))
            for step in told
        ],
    )  # fmt: skip
    tell(f"wrote {path}: {len(told)} steps, {samples} samples each")


def register(app):
    app.command("ladder")(ladder)
