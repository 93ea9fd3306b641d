"""Verbs that hand work over: render and export."""

import re
from contextlib import contextmanager
from dataclasses import asdict, replace
from pathlib import Path
from typing import Annotated

import typer

from ..exchange import MODELS, OPENPBR, STANDARDS, read_materials, write_standard
from ..imaging.booths import as_it_stands
from ..imaging.denoising import is_available
from ..imaging.rendering import DEFAULT_SAMPLES, header_of, is_written, render_picture
from ..names import stem_of
from ..shapes.meshfiles import SUFFIXES, UNITS_MM, read_mesh
from ..shapes.standing import SHAPES, shape_of
from ..study import VIEWPOINTS, change_file, read_file
from ..surface import PARAMETERS, parameter
from ..surface.checks import picture_findings
from ..surface.values import parse_length
from .output import Refused, output_path, print_json, table, tell
from .progress import noise_told, watched
from .studies import Assignments, Json, SpecimenName, StudyPath, changed

_LARGEST = 8192


def picture_size(text):
    match = re.fullmatch(r"(\d+)\s*[xX×]\s*(\d+)", text.strip())
    if not match or not all(1 <= int(v) <= _LARGEST for v in match.groups()):
        raise Refused(f"--size '{text}' should be WxH, as 512x512, each from 1 to {_LARGEST}")
    return int(match[1]), int(match[2])


Cluster = Annotated[
    str | None,
    typer.Option(
        "--cluster", metavar="local:N|tcp://HOST:PORT|file:FILE",
        help="Have it done by the workers of a Dask cluster: processes of this machine, or one that is running.",
    ),
]  # fmt: skip
Resume = Annotated[bool, typer.Option("--resume", help="Go on from what an earlier run has left done.")]


@contextmanager
def place_of(cluster):
    """The place for the tasks of pictures that `--cluster` names; None for this process."""
    if cluster is None:
        yield None
        return
    from ..farm import open_cluster

    with open_cluster(cluster) as place:
        tell(f"on {cluster}: {place.workers()} threads")
        yield place


def render(
    study: StudyPath,
    specimen: Annotated[str | None, typer.Argument(metavar="[SPECIMEN]", help="The specimen's name.")] = None,
    output: Annotated[
        Path | None,
        typer.Option("-o", metavar="FILE", help="EXR (scene-linear) or PNG (as shown); a folder for --all."),
    ] = None,
    every: Annotated[bool, typer.Option("--all", help="Every specimen of the study, into a folder, as EXR.")] = False,
    assignments: Assignments = None,
    size: Annotated[str, typer.Option(metavar="WxH")] = "512x512",
    samples: Annotated[int | None, typer.Option(min=1, max=1_000_000, help="Stop at so many a pixel.")] = None,
    seconds: Annotated[float | None, typer.Option(min=0.01, max=86_400, help="Stop after so long.")] = None,
    noise: Annotated[float | None, typer.Option(min=1e-5, max=1.0, help="Stop at this relative noise.")] = None,
    environment: Annotated[
        str | None, typer.Option(metavar="NAME|FILE|uniform", help="Instead of the booth's own.")
    ] = None,
    shape: Annotated[
        str | None,
        typer.Option(metavar="NAME|FILE", help=f"Instead of the specimen's own: {', '.join(SHAPES)}, or a mesh."),
    ] = None,
    unit: Annotated[
        str | None, typer.Option(metavar="mm|cm|m|inch", help="How long one unit of a mesh file is.")
    ] = None,
    viewpoint: Annotated[
        str | None, typer.Option(metavar="NAME", help=f"A named view: {', '.join(VIEWPOINTS)}.")
    ] = None,
    region: Annotated[
        str | None, typer.Option(metavar="L,T,R,B", help="Render only this part, in shares of the picture.")
    ] = None,
    clamp: Annotated[float | None, typer.Option(min=0.0, help="Most radiance a path may bring; 0 for any.")] = None,
    layers: Annotated[
        bool, typer.Option("--layers", help="Give an EXR a layer for each thing light met first.")
    ] = False,
    guides: Annotated[
        bool,
        typer.Option(
            "--guides",
            help="Give an EXR alpha, depth in mm, normal, albedo, variance, part masks as layers.",
        ),
    ] = False,
    denoise: Annotated[
        bool, typer.Option("--denoise", help="Denoise a PNG, or give an EXR the denoised picture as a layer.")
    ] = False,
    seed: Annotated[int, typer.Option(min=0, max=2**31)] = 1,
    cluster: Cluster = None,
    resume: Resume = False,
    as_json: Json = False,
):
    """Render a specimen in the booth, or all of them. Stops at 64 samples unless told otherwise."""
    if sum(v is not None for v in (samples, seconds, noise)) > 1:
        raise Refused("give one of --samples, --seconds and --noise, not several")
    width, height = picture_size(size)
    if output is None:
        raise Refused("say where to write with -o: a file, or with --all a folder")
    if every == (specimen is not None):
        raise Refused("name a specimen, or give --all, not both" if every else "name a specimen, or give --all")
    document = read_file(study)
    named = _folder_of_all(document, output) if every else {specimen: output_path(output, (".exr", ".png"))}
    if (layers or guides) and any(path.suffix.lower() != ".exr" for path in named.values()):
        raise Refused(f"{'--layers' if layers else '--guides'} needs an EXR: a PNG has no layers")
    if denoise and not is_available():
        raise Refused("--denoise needs the Python package pyoidn, which is not installed here: pip install pyoidn")
    told = []
    with place_of(cluster) as place:
        if every:
            made_folder(output)
        for name, path in named.items():
            one = document.specimen(name)
            one = replace(one, surface=changed(one, assignments))
            whole, one = standing(document, one, shape, unit)
            whole = _looked_at(whole, viewpoint, region, clamp)
            if (
                every
                and resume
                and is_written(
                    path, header_of(whole, one, width, height, environment, seed), samples or DEFAULT_SAMPLES
                )
            ):
                tell(f"{path} is there already")
                continue
            ends = samples or (DEFAULT_SAMPLES if seconds is None and noise is None else None), seconds, noise
            with watched(one.name, *ends) as report:
                _, rendering = render_picture(
                    whole, one, path, width, height, *ends, environment, seed, report, layered=layers, guided=guides,
                    clean=denoise, place=place, resume=resume,
                )  # fmt: skip
            told.append(_told_of(whole, one, path, rendering, as_json))
    if as_json:
        print_json(told if every else told[0])


def _folder_of_all(document, folder):
    """{specimen: file} of every specimen of a study in a folder."""
    if not document.specimens:
        raise Refused("there is no specimen in this study to show")
    stems = [stem_of(s.name) for s in document.specimens]
    # Two names may leave the same letters.
    again = {stem for stem in stems if stems.count(stem) > 1}
    return {
        s.name: folder / (f"{stem}-{i + 1}.exr" if stem in again else f"{stem}.exr")
        for i, (s, stem) in enumerate(zip(document.specimens, stems, strict=True))
    }


def made_folder(folder):
    """A folder to write to, made where there is none."""
    if folder.exists() and not folder.is_dir():
        raise Refused(f"{folder}: this is a file; give a folder")
    if not folder.exists() and not folder.parent.is_dir():
        raise Refused(f"{folder}: there is no folder {folder.parent}")
    folder.mkdir(exist_ok=True)


def _told_of(document, one, path, rendering, as_json):
    """What to say of a finished picture; as data, and in words where that is all."""
    cut = rendering.energy_cut()
    for finding in picture_findings(one.surface, document.booth.effort, cut):
        tell(f"note: {finding.sentence}")
    mean = [float(v) for v in rendering.picture().reshape(-1, 3).mean(axis=0)]
    if not as_json:
        tell(f"wrote {path}: {rendering.samples} samples, {noise_told(rendering)}, {rendering.seconds:.1f} s")
    return {
        "specimen": one.name,
        "file": str(path),
        "size": [rendering.width, rendering.height],
        "samples": rendering.samples,
        "seconds": rendering.seconds,
        "noise": rendering.noise(),
        "mean": mean,
        "energy_cut": cut,
    }


def standing(document, specimen, shape, unit):
    """The study and the specimen with another shape: one by name, or a mesh from a file with its unit."""
    if shape is None:
        return document, specimen
    if Path(shape).suffix.lower() not in SUFFIXES:
        shape_of(shape, 1.0)
        return document, as_it_stands(replace(specimen, shape=shape))
    if unit is not None and unit not in UNITS_MM:
        raise Refused(f"--unit '{unit}' is not known; give one of {', '.join(UNITS_MM)}")
    mesh = read_mesh(shape)
    unit_mm = UNITS_MM.get(unit, mesh.unit_mm)
    if unit_mm is None:
        raise Refused(f"--unit: this mesh file does not say how long one unit is; give one of {', '.join(UNITS_MM)}")
    kept = mesh.as_kept(unit_mm)
    document = document.with_mesh(document.index(specimen.name), shape, kept)
    stood = replace(specimen, shape=document.specimen(specimen.name).shape)
    return document, as_it_stands(stood, document.meshes)


def _looked_at(document, viewpoint, region, clamp):
    changes = {}
    if viewpoint is not None:
        if viewpoint not in VIEWPOINTS:
            raise Refused(f"--viewpoint '{viewpoint}' is not a named view; choose from {', '.join(VIEWPOINTS)}")
        changes["viewpoint"] = VIEWPOINTS[viewpoint]
    if region is not None:
        try:
            left, top, right, bottom = (float(v) for v in region.split(","))
        except ValueError:
            raise Refused(f"--region '{region}' should be four numbers, as 0.25,0.2,0.75,0.8") from None
        if not (0.0 <= left < right <= 1.0 and 0.0 <= top < bottom <= 1.0):
            raise Refused(f"--region '{region}' should be left,top,right,bottom, growing, each from 0 to 1")
        changes["region"] = (left, top, right, bottom)
    if clamp is not None:
        changes["effort"] = replace(document.booth.effort, clamp=clamp)
    return document.with_booth(**changes) if changes else document


def export(
    study: StudyPath,
    specimen: SpecimenName,
    standard: Annotated[
        str, typer.Option("--as", metavar="STANDARD", help=f"The open standard to write: {', '.join(STANDARDS)}.")
    ],
    output: Annotated[Path, typer.Option("-o", metavar="FILE")],
    unit: Annotated[str, typer.Option(metavar="mm|cm|m", help="Of the scene that a MaterialX document is for.")] = "mm",
    model: Annotated[
        str, typer.Option(metavar="MODEL", help=f"Of a MaterialX document: {', '.join(MODELS)}.")
    ] = OPENPBR,
    assignments: Assignments = None,
    cluster: Cluster = None,
    as_json: Json = False,
):
    """Write a specimen in an open material standard, with the values that come closest as instruments see it."""
    if standard not in STANDARDS:
        raise Refused(f"--as '{standard}' is not a standard it writes; choose {', '.join(STANDARDS)}")
    from ..exchange.carried import carried
    from ..exchange.loss import told_loss
    from ..exchange.materialx import UNITS

    if unit not in UNITS:
        raise Refused(f"--unit '{unit}' is not known; give {', '.join(UNITS)}")
    if unit != "mm" and standard != "materialx":
        raise Refused(f"--unit is of MaterialX: {standard} says itself how long its unit is")
    if model not in MODELS:
        raise Refused(f"--model '{model}' is not known; give {', '.join(MODELS)}")
    if model != OPENPBR and standard != "materialx":
        raise Refused(f"--model is of MaterialX: {standard} has one of its own")
    path = output_path(output, STANDARDS[standard])
    document = read_file(study)
    i = document.index(specimen)
    one = replace(document.specimens[i], surface=changed(document.specimens[i], assignments))
    document = document.with_specimen_at(i, one)
    with place_of(cluster) as place:
        fits, left_out = write_standard(standard, document, one, path, unit, place, model)
    ways = carried(one, fits[one.name], standard, model) if one.name in fits else {}
    if as_json:
        print_json({"file": str(path), "standard": standard, "carried": ways, "not_carried": left_out, "losses": [
            {"specimen": name, "delta_e": fit.fitted.delta_e, "gloss": list(fit.fitted.gloss),
             "rms_by_angle": fit.compared.rms_by_angle,
             "renamed_delta_e": fit.renamed.delta_e, "renamed_gloss": list(fit.renamed.gloss),
             "fitted": list(fit.changed)}
            for name, fit in fits.items()
        ]})  # fmt: skip
        return
    tell(f"wrote {path}")
    for name, fit in fits.items():
        tell(f"{name}: {told_loss(fit)}")
    if ways:
        table(one.name, ("parameter", "carried"), [(PARAMETERS[name].label, way) for name, way in ways.items()])
    for sentence in left_out:
        tell(f"not carried: {sentence}")


def import_material(
    study: StudyPath,
    file: Annotated[Path, typer.Argument(metavar="FILE", help="A .mtlx, .gltf, .glb or .usd with materials.")],
    material: Annotated[list[str] | None, typer.Option("--material", metavar="NAME", help="Only these of it.")] = None,
    size: Annotated[str, typer.Option(metavar="LENGTH", help="How large each specimen is.")] = "60",
    unit: Annotated[
        str | None, typer.Option(metavar="mm|cm|m|inch", help="How long one unit of the document's lengths is.")
    ] = None,
    as_json: Json = False,
):
    """Take materials from a file of an open standard, each as a specimen, and say what of each was not carried."""
    if unit is not None and unit not in UNITS_MM:
        raise Refused(f"--unit '{unit}' is not known; give one of {', '.join(UNITS_MM)}")
    found = read_materials(file, UNITS_MM.get(unit), parse_length(parameter("thickness"), "size", size))
    if material:
        wanted = {m.casefold() for m in material}
        chosen = [t for t in found if t.specimen.name.casefold() in wanted]
        if not chosen:
            there = ", ".join(f"'{t.specimen.name}'" for t in found[:20])
            raise Refused(f"--material: there is no such material in {file}; there is {there}")
        found = chosen
    names = []

    def change(document):
        for taken in found:
            document = document.with_specimen(taken.specimen)
            names.append(document.specimens[-1].name)
        return document

    change_file(study, change)
    if as_json:
        print_json({"specimens": [
            {"name": name, "model": t.model, "notes": list(t.notes), "understood": _told_understood(t.understood)}
            for name, t in zip(names, found, strict=True)
        ]})  # fmt: skip
        return
    for name, taken in zip(names, found, strict=True):
        tell(f"added '{name}', of {taken.model}" + (f": {taken.understood}" if taken.understood else ""))
        for note in taken.notes:
            tell(f"not carried: {note}")


def _told_understood(found):
    if found is None:
        return None
    return {"delta_e": found.fitted.delta_e, "gloss": list(found.fitted.gloss), "fitted": found.changed,
            "as_written_delta_e": found.renamed.delta_e}  # fmt: skip


def numbers(
    study: StudyPath,
    specimen: SpecimenName,
    unit: Annotated[str, typer.Option(metavar="mm|cm|m", help="Of lengths.")] = "mm",
    assignments: Assignments = None,
    as_json: Json = False,
):
    """Print a specimen's surface in the conventions of other programs, to type by hand."""
    from ..exchange.conventions import conventions_of

    one = read_file(study).specimen(specimen)
    found = conventions_of(replace(one, surface=changed(one, assignments)), unit)
    if as_json:
        print_json({"specimen": one.name, "unit": unit, "rows": [asdict(row) for row in found]})
        return
    table(one.name, ("", "convention", "number", ""), [(r.what, r.convention, r.text, r.note) for r in found])


def register(app):
    app.command("render")(render)
    app.command("export")(export)
    app.command("import-material")(import_material)
    app.command("numbers")(numbers)
