"""Rendering: samples accumulate in tiles on a thread pool, and a cancel is obeyed within one tile."""

import threading
import time

import numpy as np

from .guides import guides_of
from .kernels import LAYERS
from .places import Threads
from .scene import Scene
from .spectral import LUMINANCE
from .survey import coverage
from .tasks import Limits, Sums, View, prepared

TILE = 64
_TOGETHER = 512
"""Of single pixels about so many are one job."""
_BRIGHTEST = 1e30
_AROUND = 4.0
"""Over about so many pixels (a standard deviation) the halves of the samples tell a variance."""
LAYER_NAMES = ("sheen", "coat", "finish", "body", "transmission", "reverse", "subsurface", "stage")
"""What light can have met first, in the kernels' order."""


def _runs(only):
    """Tiles (x0, x1, y0, y1) that hold the marked pixels, each once: runs along the rows, some together."""
    edges = np.diff(only.astype(np.int8), axis=1, prepend=0, append=0)
    (rows, begins), (_, ends) = np.nonzero(edges == 1), np.nonzero(edges == -1)
    together, size = [], 0
    for y, x0, x1 in zip(rows, begins, ends, strict=True):
        together.append((int(x0), int(x1), int(y), int(y) + 1))
        size += int(x1 - x0)
        if size >= _TOGETHER:
            yield together
            together, size = [], 0
    if together:
        yield together


class Rendering:
    """A picture in progress, of one compiled surface in one scene.

    `picture()` is scene-linear Rec.709 at exposure 0, unbalanced, float32 (height, width, 3). layered: keep the
    pictures of `layers()` as well. region: (left, top, right, bottom) in 0..1, outside which nothing is rendered; only:
    instead of it the pixels, bool (height, width), that are. sensor: as `sensor_table`, where it is not the eye's.
    place: where the tasks are done, see `places`.
    """

    def __init__(
        self, compiled, scene: Scene, width, height, seed=1, limits=None, layered=False, region=None, only=None,
        sensor=None, place=None,
    ):  # fmt: skip
        self.width, self.height = int(width), int(height)
        self.samples = 0
        self.seconds = 0.0
        self._place = place or Threads()
        self._view = View(compiled, scene, self.width, self.height, int(seed), limits or Limits(), layered, sensor)
        self._arrays = prepared(self._view)
        self._total = np.zeros((self.height, self.width, 3))
        self._squares = np.zeros((self.height, self.width))
        self._cut = np.zeros((self.height, self.width))
        self._apart = np.zeros((LAYERS if layered else 0, self.height, self.width, 3))
        # Sums of the first P / 2 and of the first P samples, P the largest power of two of which there are as many.
        self._kept = np.zeros((2, self.height, self.width, 3), np.float32)
        self._followed = {}
        self.window = None
        """(x0, y0, x1, y1) of the region that is rendered; None for the whole picture."""
        if only is not None:
            self._jobs, self._region = list(_runs(only)), only
            return
        left, top, right, bottom = region or (0.0, 0.0, 1.0, 1.0)
        x0, x1 = round(left * self.width), max(round(right * self.width), round(left * self.width) + 1)
        y0, y1 = round(top * self.height), max(round(bottom * self.height), round(top * self.height) + 1)
        self._jobs = [
            [(x, min(x + TILE, x1), y, min(y + TILE, y1))] for y in range(y0, y1, TILE) for x in range(x0, x1, TILE)
        ]
        self._region = (slice(y0, y1), slice(x0, x1))
        if region is not None:
            self.window = (x0, y0, x1, y1)

    def add(self, count=1, cancel: threading.Event | None = None) -> bool:
        """Add `count` samples to every pixel; False, and the picture of no use, when cancelled on the way."""
        start = time.perf_counter()
        spans = self._runs_of(count)
        jobs = [[(tile, begin, n) for tile in tiles for begin, n in spans] for tiles in self._jobs]
        every = self._place.sums(self._view, self._arrays, jobs, cancel)
        if self._place.keeps_whole:
            every = list(every)
            if cancel is not None and cancel.is_set():
                return False
        # In the order of the tiles, whichever was done first.
        for done in every:
            for i, sums in enumerate(done):
                self._merge(sums, sum(spans[i % len(spans)]))
        if cancel is not None and cancel.is_set():
            return False
        self.samples += count
        self.seconds += time.perf_counter() - start
        return True

    def _runs_of(self, count):
        """The next samples in runs, each (number of its first, how many), that end at every power of two."""
        runs, at, end = [], self.samples, self.samples + count
        while at < end:
            to = min(end, 1 << at.bit_length())
            runs.append((at, to - at))
            at = to
        return runs

    def state(self):
        """{name: array} of all that `take_state` needs to go on from here."""
        return self._sums() | {"samples": np.array(self.samples), "seconds": np.array(self.seconds)}

    def take_state(self, state):
        """Go on from the `state()` of another rendering of the same view; False, and nothing taken, where it is of
        another size."""
        into = self._sums()
        if any(name not in state or state[name].shape != array.shape for name, array in into.items()):
            return False
        for name, array in into.items():
            array[...] = state[name]
        self.samples, self.seconds = int(state["samples"]), float(state["seconds"])
        return True

    def _sums(self):
        return {
            "total": self._total, "kept": self._kept, "squares": self._squares, "cut": self._cut, "apart": self._apart,
        }  # fmt: skip

    def guides(self):
        """Coverage, distance, normal and albedo of the view; see `guides.Guides`."""
        return guides_of(self._view, arrays=self._arrays)

    def masks(self):
        """{name: share of each pixel (height, width)} of the stage and of every part of the shape; `specimen` of a
        shape that has no parts."""
        shape, scene = self._view.scene.shape, self._view.scene
        names = shape.whole_parts if shape is not None and shape.parts else ("specimen",)
        return dict(zip(("stage", *names), np.moveaxis(coverage(scene, self.width, self.height), 2, 0), strict=True))

    def followed(self, count):
        """As `guides()`, of what is seen in and through smooth surfaces; `count` places of each pixel; kept."""
        if count not in self._followed:
            self._followed[count] = guides_of(self._view, count, True, self._arrays)
        return self._followed[count]

    def halves(self):
        """Of about either half of the samples the mean, as `picture()`, and how many they are; None below two samples.

        One is of the first so many as are a power of two: each is laid out as evenly as can be.
        """
        if self.samples < 2:
            return None
        first, n = self._first_half()
        others = self.samples - n
        return (self._mean_of(first, n), n), (self._mean_of(self._total - first, others), others)

    def _first_half(self):
        power = 1 << (self.samples.bit_length() - 1)
        return (self._kept[1], power) if 2 * (self.samples - power) >= power else (self._kept[0], power // 2)

    def _merge(self, sums: Sums, samples):
        """Add a tile's sums, with which it has so many samples."""
        x0, x1, y0, y1 = sums.tile
        at = (slice(y0, y1), slice(x0, x1))
        self._total[at] += sums.total
        self._squares[at] += sums.squares
        self._cut[at] += sums.cut
        self._apart[:, at[0], at[1]] += sums.layers
        if samples & (samples - 1) == 0:
            self._kept[0][at] = self._kept[1][at]
            self._kept[1][at] = np.clip(self._total[at], -_BRIGHTEST, _BRIGHTEST)

    def picture(self):
        """The mean so far; float32 (height, width, 3)."""
        return self._mean_of(self._total)

    def _mean_of(self, total, samples=None):
        # Lamps and skies may be as strong as a person likes; single precision ends somewhere.
        return np.clip(total / max(1, samples or self.samples), -_BRIGHTEST, _BRIGHTEST).astype(np.float32)

    def noise(self):
        """Relative standard error of a pixel's luminance, in the root mean square; inf below two samples.

        Told from how far the halves of the samples are apart, for one pixel's samples are laid out evenly and scatter
        less than as many by chance. What that gains for the whole over its halves is not counted: it is a little too
        much.
        """
        if self.samples < 2:
            return float("inf")
        mean = self._total[self._region] @ LUMINANCE / self.samples
        return float(np.sqrt(self._halves_apart()[self._region].mean()) / max(1e-12, np.abs(mean).mean()))

    def _halves_apart(self):
        """Variance of each pixel's mean luminance, of one degree of freedom (height, width)."""
        first, n = self._first_half()
        others = self.samples - n
        luminance, of_first = self._total @ LUMINANCE, first @ LUMINANCE
        return np.square((luminance - of_first) / others - of_first / n) * (n * others / self.samples**2)

    def variance(self):
        """Variance of each pixel's mean luminance, (height, width); infinite below two samples.

        As its samples would have by chance, times what the halves scatter less than that in the pixels around it.
        """
        from scipy.ndimage import gaussian_filter

        n = self.samples
        if n < 2:
            return np.full((self.height, self.width), np.inf)
        mean = self._total @ LUMINANCE / n
        by_chance = np.maximum(self._squares / n - mean * mean, 0.0) / (n - 1)
        around = gaussian_filter(np.stack([self._halves_apart(), by_chance]), (0, _AROUND, _AROUND), truncate=3.0)
        return by_chance * np.clip(around[0] / np.maximum(around[1], 1e-300), 0.0, 1.0)

    def energy_cut(self):
        """Share of the light that the bounce limits cut off, against the mean radiance seen."""
        return float(self._cut[self._region].mean() / max(1, self.samples))

    def layers(self):
        """{name: picture} of what light met first, which add up to the whole; empty unless layered."""
        return {name: self._mean_of(part) for name, part in zip(LAYER_NAMES, self._apart, strict=False)}
