"""What a benchmark prints: a measured value, the figure to reach, and their ratio."""

import os
import statistics
import subprocess
import sys
import tempfile
import time
from dataclasses import dataclass


@dataclass(frozen=True)
class Figure:
    """`ratio` is above 1 where the figure is met, whichever way is better."""

    name: str
    value: float
    unit: str
    target: float
    more_is_better: bool = False

    @property
    def ratio(self):
        if self.value == self.target:
            return 1.0
        above, below = (self.value, self.target) if self.more_is_better else (self.target, self.value)
        return above / below if below else float("inf")

    def __str__(self):
        sign = "≥" if self.more_is_better else "≤"
        return (
            f"{self.name:58} {self.value:10.4g} {self.unit:8} {sign} {self.target:<8g}"
            f" ratio {self.ratio:6.2f} {'' if self.ratio >= 1.0 else 'NOT MET'}"
        )


def environment():
    """The environment of a program with a window: without a screen it draws off it."""
    with_screen = dict(os.environ)
    # As installed, with the bytecode of its modules kept.
    with_screen.pop("PYTHONDONTWRITEBYTECODE", None)
    with_screen["PYTHONPYCACHEPREFIX"] = f"{tempfile.gettempdir()}/photometra-bytecode-{os.getuid()}"
    if not with_screen.get("DISPLAY"):
        with_screen["QT_QPA_PLATFORM"] = "offscreen"
    return with_screen


def told_by(module, *arguments):
    """The lines that a module prints, run by itself with a fresh folder for its settings, and arguments."""
    with tempfile.TemporaryDirectory() as folder:
        own = {**environment(), "XDG_STATE_HOME": folder, "XDG_CONFIG_HOME": folder}
        asked = [sys.executable, "-m", module, folder, *map(str, arguments)]
        return subprocess.run(asked, capture_output=True, text=True, env=own, check=True).stdout.splitlines()


def median_seconds(job, repeats=5):
    """Median time of `job()`, after one run that does not count."""
    job()
    times = []
    for _ in range(repeats):
        start = time.perf_counter()
        job()
        times.append(time.perf_counter() - start)
    return statistics.median(times)
