"""How far a long picture is: a line that moves in a terminal, a sentence every other second elsewhere."""

import math
import sys
import time
from contextlib import contextmanager

from ..names import shown
from .output import tell

_EVERY_S = 2.0


def noise_told(rendering):
    """The picture's noise in words: after one sample nobody knows it."""
    noise = rendering.noise()
    return f"noise {100 * noise:.2f} %" if math.isfinite(noise) else "noise not known yet"


def share_done(rendering, samples=None, seconds=None, noise=None):
    """How much of a picture is done, 0..1: of its samples, of its time, or of what its noise still asks for, which
    falls with the root of the samples."""
    if noise is not None:
        now = rendering.noise()
        return min(1.0, (noise / now) ** 2) if math.isfinite(now) and now > 0.0 else 0.0
    if seconds is not None:
        return min(1.0, rendering.seconds / seconds)
    return min(1.0, rendering.samples / samples) if samples else 0.0


@contextmanager
def watched(name, samples=None, seconds=None, noise=None):
    """A reporter for a rendering in progress, `report(Rendering)`; the ends are those of `imaging.rendering`."""
    if not sys.stderr.isatty():
        yield _teller()
        return
    from rich.console import Console
    from rich.progress import BarColumn, Progress, TextColumn, TimeElapsedColumn, TimeRemainingColumn

    columns = (
        TextColumn("{task.description}", markup=False), BarColumn(), TextColumn("{task.fields[state]}", markup=False),
        TimeElapsedColumn(), TimeRemainingColumn(),
    )  # fmt: skip
    with Progress(*columns, console=Console(stderr=True), transient=True) as progress:
        task = progress.add_task(shown(name), total=1.0, state="")

        def report(rendering):
            state = f"{rendering.samples} samples, {noise_told(rendering)}"
            progress.update(task, completed=share_done(rendering, samples, seconds, noise), state=state)

        yield report


def _teller():
    told = time.perf_counter()

    def report(rendering):
        nonlocal told
        if time.perf_counter() - told > _EVERY_S:
            told = time.perf_counter()
            tell(f"{rendering.samples} samples, {noise_told(rendering)}")

    return report
