"""A finished picture of a specimen in its booth, written to a file with what made it in its header."""

import time
from dataclasses import asdict
from pathlib import Path

from .. import __version__
from ..errors import InputError
from ..maps import Map
from ..pictures import PictureError, read_header, write_picture
from ..surface import PARAMETERS
from ..surface.inputs import told
from ..tracing import Limits, Rendering
from ..words import tr
from . import checkpoint
from .booths import UNIFORM, compiled_in, display_of, limits_of, scene_of
from .denoising import clean_picture

DEFAULT_SAMPLES = 64
_BATCH_SECONDS = 1.0
_LARGEST_BATCH = 16
_KEEP_EVERY_S = 60.0
_FEWEST_FOR_NOISE = 8


def render_picture(
    study, specimen, path, width, height, samples=None, seconds=None, noise=None, environment=None, seed=1,
    report=None, cancel=None, layered=False, guided=False, clean=False, place=None, resume=False,
):  # fmt: skip
    """Render until a count of samples, a time or a relative noise is reached, then write EXR or PNG.

    study: for its booth and pictures. environment: a name instead of the booth's own. report(Rendering) is called
    about once a second; where `cancel` (a threading.Event) is set nothing is written and None comes back. layered: an
    EXR gets, as named layers, what the light met first; guided: alpha, depth, normal, albedo, variance of the mean
    luminance, and a mask for each part. clean: an EXR gets the denoised picture as a layer beside the mean, a PNG is
    of it. Of a booth's region the EXR holds a data window. place: where it is done, see `tracing.places`; resume: go on
    from what an earlier run kept beside the path, which every run of more than a minute does. Returns (path,
    Rendering). InputError, in a sentence, where something cannot be read or written.
    """
    if Path(path).suffix.lower() == ".png":
        display_of(study.booth).check()
    scene = scene_of(study, specimen, environment)
    # In the furnace nothing may be lost to the limits: its purpose is to show what the surface loses.
    furnace = (environment or study.booth.environment) == UNIFORM
    limits = Limits(reflection=1024, transmission=4096, volume=50_000) if furnace else limits_of(study.booth)
    compiled = compiled_in(scene, specimen)
    rendering = Rendering(compiled, scene, width, height, seed, limits, layered, study.booth.region, place=place)
    if samples is None and seconds is None and noise is None:
        samples = DEFAULT_SAMPLES
    booth = study.booth
    header = header_of(study, specimen, width, height, environment, seed)
    made_of = {**header, "limits": asdict(limits), "layered": layered, "region": booth.region}
    if resume:
        checkpoint.go_on(path, rendering, made_of)
    keeper = _Keeper(lambda: checkpoint.keep(path, rendering, made_of))
    try:
        if not _advance(rendering, samples, seconds, noise, _both(keeper, report), cancel):
            if place is not None and place.keeps_whole and rendering.samples:
                checkpoint.keep(path, rendering, made_of)
            return None
    except InputError as error:
        if not rendering.samples:
            raise
        checkpoint.keep(path, rendering, made_of)
        raise InputError(tr("{0}; {1} samples are kept: go on with --resume", error, rendering.samples)) from None
    header |= {"photometra:samples": rendering.samples, "photometra:noise": rendering.noise()}
    layers = rendering.layers()
    if guided:
        guides = rendering.guides()
        layers = {
            "A": guides.alpha, "Z": guides.depth, "normal": guides.normal, "albedo": guides.albedo,
            **({"variance": rendering.variance()} if rendering.samples > 1 else {}),
            **{f"mask.{_channel(name)}": mask for name, mask in rendering.masks().items()}, **layers,
        }  # fmt: skip
    picture = rendering.picture()
    if clean:
        header["photometra:denoised"] = "yes" if Path(path).suffix.lower() == ".png" else "the layer of that name"
        looked_at = clean_picture(rendering)
        if Path(path).suffix.lower() == ".png":
            picture = looked_at
        else:
            layers = {**layers, "denoised": looked_at}
    write_picture(path, picture, display_of(booth), header, layers, rendering.window)
    if resume or keeper.has_kept:
        checkpoint.drop(path)
    return Path(path), rendering


def _channel(part):
    """A part's name as one of a channel, in which a point would begin a layer within the layer."""
    return part.replace(".", "_")


class _Keeper:
    """Has what is done kept once a minute."""

    def __init__(self, keep):
        self._keep, self._last, self.has_kept = keep, time.monotonic(), False

    def __call__(self, _rendering):
        if time.monotonic() - self._last >= _KEEP_EVERY_S:
            self._keep()
            self._last, self.has_kept = time.monotonic(), True


def _both(keeper, report):
    def reported(rendering):
        keeper(rendering)
        if report:
            report(rendering)

    return reported


def header_of(study, specimen, width, height, environment=None, seed=1):
    """What makes a picture what it is, but for its samples, as its file's header says it."""
    booth = study.booth
    return {
        "Software": f"Photometra {__version__}",
        "photometra:study": study.name,
        "photometra:specimen": specimen.name,
        "photometra:shape": specimen.shape,
        "photometra:size_mm": specimen.size_mm,
        "photometra:pixels": f"{width} x {height}",
        "photometra:seed": seed,
        "photometra:environment": environment or booth.environment,
        "photometra:turn": booth.turn,
        "photometra:strength": booth.strength,
        "photometra:exposure": booth.exposure,
        "photometra:white": _text(booth.white) if booth.white else "as it is",
        **{f"photometra:camera:{k}": v for k, v in asdict(booth.viewpoint).items()},
        **{f"photometra:lamp:{n}": _text(tuple(asdict(lamp).values())) for n, lamp in _lamps(booth) if lamp.strength},
        **{f"photometra:parameter:{k}": _input(k, v) for k, v in specimen.surface.given.items()},
    }


def is_written(path, header, samples):
    """Whether a file is there that says of itself what `header_of` gives, with as many samples."""
    if not Path(path).exists():
        return False
    try:
        there = read_header(path)
    except PictureError:
        return False
    wanted = {**header, "photometra:samples": samples}
    ours = {k for k in there if k.startswith("photometra:")} - {"photometra:noise", "photometra:denoised"}
    return ours == {k for k in wanted if k.startswith("photometra:")} and all(
        _alike(there[k], v) for k, v in wanted.items() if k in ours
    )


def _alike(a, b):
    try:
        return abs(float(a) - float(b)) <= 1e-5 * max(1.0, abs(float(b)))
    except ValueError:
        return str(a) == str(b)


def _input(name, value):
    return told(PARAMETERS[name], value) if isinstance(value, Map) else _text(value)


def _lamps(booth):
    return (("key", booth.key), ("back", booth.back))


def _text(value):
    return ", ".join(repr(v) for v in value) if isinstance(value, tuple) else str(value)


def _advance(rendering, samples, seconds, noise, report, cancel):
    """Add samples in growing batches until the wanted count, time or noise is reached; False when cancelled.

    Batches follow the samples there are, never the clock but where a time is given: the sums of a picture are added in
    the same order however fast, and however often cut off, it is made.
    """
    began = time.perf_counter()
    while True:
        if samples is not None and rendering.samples >= samples:
            return True
        if noise is not None and rendering.samples >= _FEWEST_FOR_NOISE and rendering.noise() <= noise:
            return True
        elapsed = time.perf_counter() - began
        if seconds is not None and rendering.samples and elapsed >= seconds:
            return True
        batch = min(max(1, rendering.samples), _LARGEST_BATCH)
        if samples is not None:
            batch = min(batch, samples - rendering.samples)
        if seconds is not None and rendering.samples:
            each = rendering.seconds / rendering.samples
            batch = max(1, min(batch, int(min(_BATCH_SECONDS, seconds - elapsed) / each)))
        if not rendering.add(batch, cancel):
            return False
        report(rendering)
