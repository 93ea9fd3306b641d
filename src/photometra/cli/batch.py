"""Verbs for many pictures: turntable, and a contact sheet of a study."""

from dataclasses import replace
from pathlib import Path
from typing import Annotated

import numpy as np
import typer

from ..imaging.booths import compiled_in, display_of, limits_of, scene_of
from ..imaging.denoising import clean_picture, is_available
from ..imaging.film import check_film, write_film
from ..imaging.ladders import mounted
from ..imaging.rendering import header_of, is_written, render_picture
from ..names import stem_of
from ..pictures import read_native, read_picture, write_picture
from ..study import read_file
from ..tracing import Rendering
from .hand_over import Cluster, made_folder, picture_size, place_of
from .output import Refused, output_path, print_json, tell
from .progress import watched
from .studies import Json, SpecimenName, StudyPath

_TURNS = ("camera", "light", "both")
_MOST_FRAMES = 1000
_BATCH = 16
"""Samples of a contact sheet's picture between two reports."""
_DENOISE = "Denoise PNGs, or give EXRs the denoised picture as a layer."


def turntable(
    study: StudyPath,
    specimen: SpecimenName,
    output: Annotated[Path, typer.Option("-o", metavar="FOLDER", help="Where the frames go: NAME.0001.exr and on.")],
    frames: Annotated[int, typer.Option(min=2, max=_MOST_FRAMES, help="Over one whole turn.")] = 36,
    turning: Annotated[str, typer.Option("--turning", metavar="camera|light|both", help="What goes round.")] = "camera",
    size: Annotated[str, typer.Option(metavar="WxH")] = "512x512",
    samples: Annotated[int, typer.Option(min=1, max=1_000_000)] = 64,
    as_png: Annotated[bool, typer.Option("--png", help="As shown, instead of scene-linear EXR.")] = False,
    denoise: Annotated[bool, typer.Option("--denoise", help=_DENOISE)] = False,
    film: Annotated[
        Path | None, typer.Option("--film", metavar="FILE.mp4", help="Make a film of the frames too, as shown.")
    ] = None,
    rate: Annotated[int, typer.Option(min=1, max=120, help="Frames a second of the film.")] = 24,
    resume: Annotated[bool, typer.Option("--resume", help="Keep frames that are there already and alike.")] = False,
    cluster: Cluster = None,
    as_json: Json = False,
):
    """Render a specimen going round, or its light: a sequence of frames."""
    if turning not in _TURNS:
        raise Refused(f"--turning '{turning}' is not known; give {' or '.join(_TURNS)}")
    if denoise and not is_available():
        raise Refused("--denoise needs the Python package pyoidn, which is not installed here: pip install pyoidn")
    width, height = picture_size(size)
    if film is not None:
        check_film(film)
        if denoise and not as_png:
            raise Refused("--film shows what the frames hold, and EXRs hold the mean: with --denoise give --png too")
    document = read_file(study)
    one = document.specimen(specimen)
    stem, written = stem_of(one.name), []
    with place_of(cluster) as place:
        made_folder(output)
        for i in range(frames):
            path = output / f"{stem}.{i + 1:04d}.{'png' if as_png else 'exr'}"
            turned = _turned(document, turning, 360.0 * i / frames)
            written.append(str(path))
            if resume and is_written(path, header_of(turned, one, width, height), samples):
                continue
            with watched(f"{one.name}, frame {i + 1} of {frames}", samples) as report:
                render_picture(
                    turned, one, path, width, height, samples=samples, clean=denoise, place=place, resume=resume,
                    report=report,
                )  # fmt: skip
            tell(f"frame {i + 1} of {frames}")
    if film is not None:
        write_film(film, (_as_shown(path, document.booth) for path in written), rate)
        tell(f"wrote {film}: {frames / rate:.1f} s")
    if as_json:
        print_json({"specimen": one.name, "frames": written, "turning": turning, "samples": samples})
    else:
        tell(f"wrote {frames} frames to {output}")


def _turned(document, turning, degrees):
    booth, changes = document.booth, {}
    if turning in ("light", "both"):
        changes["turn"] = (booth.turn + degrees + 180.0) % 360.0 - 180.0
    if turning in ("camera", "both"):
        turn = (booth.viewpoint.turn + degrees + 180.0) % 360.0 - 180.0
        changes["viewpoint"] = replace(booth.viewpoint, turn=turn)
    return document.with_booth(**changes)


def _as_shown(path, booth):
    """A frame as the booth shows it, uint8: a PNG as it is, an EXR through the display."""
    if Path(path).suffix == ".png":
        pixels = read_native(path)
        return pixels if pixels.dtype == np.uint8 else (pixels >> 8).astype(np.uint8)
    return np.round(255.0 * display_of(booth).picture(read_picture(path))).astype(np.uint8)


def contact_sheet(
    study: StudyPath,
    output: Annotated[Path, typer.Option("-o", metavar="FILE", help="PNG (as shown) or EXR (scene-linear).")],
    size: Annotated[str, typer.Option(metavar="WxH", help="Of each picture.")] = "256x256",
    columns: Annotated[int, typer.Option(min=1, max=50)] = 4,
    samples: Annotated[int, typer.Option(min=1, max=100_000)] = 32,
    cluster: Cluster = None,
    as_json: Json = False,
):
    """Render every specimen of a study under the same light, as one picture; a PNG is denoised where that can be."""
    width, height = picture_size(size)
    path = output_path(output, (".png", ".exr"))
    document = read_file(study)
    if not document.specimens:
        raise Refused(f"{study}: there is no specimen in this study to show")
    is_shown = path.suffix.lower() == ".png"
    pictures = []
    with place_of(cluster) as place:
        for i, one in enumerate(document.specimens):
            scene, limits = scene_of(document, one), limits_of(document.booth)
            rendering = Rendering(compiled_in(scene, one), scene, width, height, limits=limits, place=place)
            with watched(one.name, samples) as report:
                while rendering.samples < samples:
                    rendering.add(min(max(1, rendering.samples), _BATCH, samples - rendering.samples))
                    report(rendering)
            pictures.append(clean_picture(rendering) if is_shown else rendering.picture())
            tell(f"{one.name}, {i + 1} of {len(document.specimens)}")
    while len(pictures) % columns and len(pictures) > columns:
        pictures.append(np.full((height, width, 3), 0.18, np.float32))
    rows = [pictures[i : i + columns] for i in range(0, len(pictures), columns)]
    names = [s.name for s in document.specimens]
    header = {"Software": "Photometra", "photometra:study": document.name, "photometra:specimens": "; ".join(names)}
    write_picture(path, mounted(rows), display_of(document.booth), header)
    if as_json:
        print_json({"file": str(path), "specimens": names, "columns": min(columns, len(names)), "samples": samples})
    else:
        tell(f"wrote {path}: {len(names)} specimens, in the order of the study")


def register(app):
    app.command("turntable")(turntable)
    app.command("contact-sheet")(contact_sheet)
