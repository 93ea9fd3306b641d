"""Verbs that hand work over: render and export."""

import re
import time
from dataclasses import replace
from pathlib import Path
from typing import Annotated

import typer

from ..imaging.rendering import render_picture
from ..study import read_file
from .output import Refused, output_path, print_json, tell
from .studies import Assignments, Json, SpecimenName, StudyPath, changed

_LARGEST = 8192


def _size(text):
    match = re.fullmatch(r"(\d+)\s*[xX×]\s*(\d+)", text.strip())
    if not match or not all(1 <= int(v) <= _LARGEST for v in match.groups()):
        raise Refused(f"--size '{text}' should be WxH, as 512x512, each from 1 to {_LARGEST}")
    return int(match[1]), int(match[2])


def render(
    study: StudyPath,
    specimen: SpecimenName,
    output: Annotated[Path, typer.Option("-o", metavar="FILE", help="EXR (scene-linear) or PNG (as shown).")],
    assignments: Assignments = None,
    size: Annotated[str, typer.Option(metavar="WxH")] = "512x512",
    samples: Annotated[int | None, typer.Option(min=1, max=1_000_000, help="Stop at so many a pixel.")] = None,
    seconds: Annotated[float | None, typer.Option(min=0.01, max=86_400, help="Stop after so long.")] = None,
    noise: Annotated[float | None, typer.Option(min=1e-5, max=1.0, help="Stop at this relative noise.")] = None,
    environment: Annotated[
        str | None, typer.Option(metavar="NAME|FILE|uniform", help="Instead of the booth's own.")
    ] = None,
    seed: Annotated[int, typer.Option(min=0, max=2**31)] = 1,
    as_json: Json = False,
):
    """Render a specimen in the booth. Stops at 64 samples unless told otherwise."""
    if sum(v is not None for v in (samples, seconds, noise)) > 1:
        raise Refused("give one of --samples, --seconds and --noise, not several")
    width, height = _size(size)
    path = output_path(output, (".exr", ".png"))
    document = read_file(study)
    one = document.specimen(specimen)
    one = replace(one, surface=changed(one, assignments))
    _, rendering = render_picture(
        document, one, path, width, height, samples, seconds, noise, environment, seed, _teller()
    )
    cut = rendering.energy_cut()
    if cut > 0.005:
        tell(f"note: the bounce limits cut off {100 * cut:.1f} % of the light")
    mean = [float(v) for v in rendering.picture().reshape(-1, 3).mean(axis=0)]
    if as_json:
        print_json(
            {
                "specimen": one.name,
                "file": str(path),
                "size": [width, height],
                "samples": rendering.samples,
                "seconds": rendering.seconds,
                "noise": rendering.noise(),
                "mean": mean,
                "energy_cut": cut,
            }
        )
    else:
        noise = f"noise {100 * rendering.noise():.2f} %"
        tell(f"wrote {path}: {rendering.samples} samples, {noise}, {rendering.seconds:.1f} s")


def _teller():
    """A reporter that says how far the picture is every other second."""
    told = time.perf_counter()

    def report(rendering):
        nonlocal told
        if time.perf_counter() - told > 2.0:
            told = time.perf_counter()
            tell(f"{rendering.samples} samples, noise {100 * rendering.noise():.2f} %")

    return report


def export(
    study: StudyPath,
    specimen: SpecimenName,
    standard: Annotated[str, typer.Option("--as", metavar="materialx", help="The open standard to write.")],
    output: Annotated[Path, typer.Option("-o", metavar="FILE")],
):
    """Write a specimen's surface in an open material standard."""
    if standard != "materialx":
        raise Refused(f"--as '{standard}' is not a standard it writes; choose materialx")
    from ..exchange import write_materialx

    path = output_path(output, (".mtlx",))
    left_out = write_materialx(read_file(study).specimen(specimen), path)
    tell(f"wrote {path}")
    for sentence in left_out:
        tell(f"not carried: {sentence}")


def register(app):
    app.command("render")(render)
    app.command("export")(export)
