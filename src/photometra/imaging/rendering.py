"""A finished picture of a specimen in its booth, written to a file with what made it in its header."""

import time
from pathlib import Path

from ..tracing import Limits, Rendering
from .booths import UNIFORM, compiled_in, display_of, limits_of, scene_of
from .pictures import write_picture

DEFAULT_SAMPLES = 64
_BATCH_SECONDS = 1.0
_FEWEST_FOR_NOISE = 8


def render_picture(
    study, specimen, path, width, height, samples=None, seconds=None, noise=None, environment=None, seed=1,
    report=None, cancel=None, layered=False,
):  # fmt: skip
    """Render until a count of samples, a time or a relative noise is reached, then write EXR or PNG.

    study: for its booth and pictures. environment: a name instead of the booth's own. report(Rendering) is called
    about once a second; where `cancel` (a threading.Event) is set nothing is written and None comes back. layered: an
    EXR gets, as named layers, what the light met first. Returns (path, Rendering). ValueError, in a sentence, where
    something cannot be read or written.
    """
    scene = scene_of(study, specimen, environment)
    # In the furnace nothing may be lost to the limits: its purpose is to show what the surface loses.
    furnace = (environment or study.booth.environment) == UNIFORM
    limits = Limits(reflection=1024, transmission=4096, volume=50_000) if furnace else limits_of(study.booth)
    compiled = compiled_in(scene, specimen)
    rendering = Rendering(compiled, scene, width, height, seed, limits, layered, study.booth.region)
    if samples is None and seconds is None and noise is None:
        samples = DEFAULT_SAMPLES
    if not _advance(rendering, samples, seconds, noise, report, cancel):
        return None
    header = {
        "photometra:study": study.name,
        "photometra:specimen": specimen.name,
        "photometra:samples": rendering.samples,
        **{f"photometra:parameter:{k}": _text(v) for k, v in specimen.surface.given.items()},
    }
    write_picture(path, rendering.picture(), display_of(study.booth), header, rendering.layers())
    return Path(path), rendering


def _text(value):
    return ", ".join(repr(v) for v in value) if isinstance(value, tuple) else str(value)


def _advance(rendering, samples, seconds, noise, report, cancel):
    """Add samples in growing batches until the wanted count, time or noise is reached; False when cancelled."""
    began = time.perf_counter()
    batch = 1
    while True:
        if samples is not None:
            batch = min(batch, samples - rendering.samples)
        if not rendering.add(batch, cancel):
            return False
        elapsed = time.perf_counter() - began
        if report:
            report(rendering)
        if samples is not None and rendering.samples >= samples:
            return True
        if seconds is not None and elapsed >= seconds:
            return True
        if noise is not None and rendering.samples >= _FEWEST_FOR_NOISE and rendering.noise() <= noise:
            return True
        each = rendering.seconds / rendering.samples
        left = _BATCH_SECONDS if seconds is None else min(_BATCH_SECONDS, seconds - elapsed)
        batch = max(1, min(2 * batch, int(left / each)))
