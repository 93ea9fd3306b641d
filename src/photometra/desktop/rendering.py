"""The render thread: always at work on the newest request, and quick to answer a change.

The picture that is looked at is denoised, where that is wanted: at once after the first sample, then whenever there are
twice as many. The mean as it was rendered goes along for all that reads numbers.
"""

import atexit
import gc
import threading
import time
from dataclasses import dataclass, replace
from functools import cache

import numpy as np
from PyQt6.QtCore import QObject, pyqtSignal
from PyQt6.QtGui import QImage

from ..imaging.booths import compiled_in, display_of, limits_of, scene_of
from ..imaging.denoising import denoised, error_left, guides_for, is_available, quality_for
from ..study import Specimen, Study
from ..surface.constants import FROM_READING
from ..tracing import Rendering
from ..words import tr
from .images import image_of
from .scheduler import SCHEDULER
from .workers import error_text

_EMIT_EVERY = 0.12
_MOST_SAMPLES = 1_000_000
_FEWEST_FOR_NOISE = 8
_STEPS, _DENOISED_STEPS = (4, 2), (4,)
"""Picture sizes tried first after a change, as parts of the whole: raw, and where they are denoised."""
_FIRST_S, _FIRST_SAMPLES = 0.4, 4
"""How long, at the most, samples are gathered for the first denoised picture of full size, and how many."""
_ERROR_EVERY = 4
"""How many times the samples make it worth to tell anew how far off the picture is."""


@dataclass(frozen=True)
class Request:
    """What to render. Of readings only those that the surface takes its constants from, of the study its booth."""

    specimen: Specimen
    study: Study
    width: int
    height: int
    layer: str = ""
    """The picture of what light met first, instead of the whole."""
    parts: tuple[str, ...] = ()
    """Names of the parts that are looked at alone."""

    @classmethod
    def of(cls, specimen, study, width, height, layer="", parts=()):
        seen = _seen(specimen) if specimen.assigned else replace(_seen(specimen), name="")
        names = {name for _, name in specimen.assigned} - {specimen.name}
        others = tuple(_seen(s) for s in study.specimens if s.name in names)
        booth = Study("", others, study.booth, study.pictures, study.meshes)
        return cls(seen, booth, width, height, layer, tuple(parts))

    @property
    def booth(self):
        return self.study.booth

    @property
    def surface(self):
        return self.specimen.surface

    def same_light(self, other):
        """Whether only the display differs."""
        return other is not None and _undisplayed(self) == _undisplayed(other)


def _seen(specimen):
    """A specimen without what no picture shows."""
    own = specimen.readings if specimen.surface["constants"] == FROM_READING else ()
    return Specimen(
        specimen.name, specimen.size_mm, specimen.surface, own, shape=specimen.shape, wall_mm=specimen.wall_mm,
        assigned=specimen.assigned,
    )  # fmt: skip


def _undisplayed(request):
    """The request without what only shows the picture or ends it; of a layer counts only whether there is one."""
    booth = replace(request.booth, exposure=0.0, white=None, view="", compression=0.0, off=(), pins=())
    e = booth.effort
    booth = replace(booth, effort=replace(e, samples=0, seconds=0.0, noise=0.0))
    return replace(request, study=replace(request.study, booth=booth), layer="some" if request.layer else "")


@dataclass(frozen=True, eq=False)
class Frame:
    """A picture as far as it is. `step` 1 is full size.

    linear: scene-linear (h, w, 3), the mean as it was rendered, for all that is measured; shown: what `image` shows,
    denoised from the mean of so many samples, 0 for not at all; error: about how far that is from the final picture,
    mean ΔE2000, where it is known.
    """

    image: QImage
    linear: np.ndarray
    shown: np.ndarray
    denoised: int
    error: float | None
    request: Request
    step: int
    samples: int
    noise: float
    seconds: float
    energy_cut: float
    since_change: float


@cache
def _spare_libraries():
    """Have garbage collection look no more, once a picture stands, at what libraries and kernels are made of: a hundred
    thousand objects that stay, and a stall of a tenth of a second each time."""
    gc.freeze()
    # At the end all is looked through: libraries complain of what is left over.
    atexit.register(gc.unfreeze)


class RenderLoop(QObject):
    """Renders the newest request progressively. Frames come as signals, at most about eight a second."""

    frame = pyqtSignal(object)
    failed = pyqtSignal(str)

    def __init__(self, parent=None):
        super().__init__(parent)
        self._wake = threading.Condition()
        self._request = None
        self._fresh = self._redisplay = self._paused = self._held = self._ended = False
        self._denoises = is_available()
        self._clean = None
        self._cancel = threading.Event()
        self._asked_at = 0.0
        self._thread = threading.Thread(target=self._run, name="rendering", daemon=True)
        self._thread.start()

    def ask(self, request: Request, restart=False):
        """Render this from now on. A request that differs in display alone keeps the samples."""
        with self._wake:
            if not restart and request == self._request:
                return
            if not restart and request.same_light(self._request):
                self._redisplay = True
            else:
                self._fresh = True
                self._cancel.set()
                SCHEDULER.picture_pending(True)
                self._asked_at = time.perf_counter()
            self._request = request
            self._wake.notify()

    def rest(self):
        """Render nothing more until the next request."""
        with self._wake:
            self._request, self._fresh, self._redisplay = None, True, False
            self._cancel.set()
            SCHEDULER.picture_pending(False)
            self._wake.notify()

    def restart(self):
        with self._wake:
            request = self._request
        if request is not None:
            self.ask(request, restart=True)

    def pause(self, paused):
        with self._wake:
            self._paused = paused
            self._wake.notify()

    def hold(self, on):
        """Stand back while other work wants the cores: changes are shown, but nothing is refined."""
        with self._wake:
            self._held = on
            self._wake.notify()

    def denoise(self, on):
        """Whether what is shown is denoised from now on, where that can be done."""
        with self._wake:
            self._denoises = on and is_available()
            self._redisplay = True
            self._wake.notify()

    @property
    def denoises(self):
        return self._denoises

    @property
    def is_paused(self):
        return self._paused

    def end(self):
        with self._wake:
            self._ended = True
            self._cancel.set()
            SCHEDULER.picture_pending(False)
            self._wake.notify()
        self._thread.join()

    def _run(self):
        rendering, step = None, 1
        while True:
            with self._wake:
                while not (self._ended or self._fresh or self._redisplay or self._works(rendering)):
                    self._wake.wait()
                if self._ended:
                    return
                fresh, redisplay = self._fresh, self._redisplay
                self._fresh = self._redisplay = False
                if fresh:
                    self._cancel = threading.Event()
                request, cancel = self._request, self._cancel
            try:
                if fresh:
                    rendering = self._begin(request, cancel) if request is not None else None
                elif redisplay and rendering is not None and rendering.samples:
                    self._show(rendering, request, step, cancel)
                elif rendering is not None:
                    self._advance(rendering, request, cancel)
            except Exception as error:
                rendering = None
                SCHEDULER.picture_pending(False)
                if not self._ended:
                    self.failed.emit(error_text(error))

    def _works(self, rendering):
        if rendering is None or self._paused or self._held:
            return False
        if rendering.samples == 0:
            return True
        e = self._request.booth.effort
        return not (
            rendering.samples >= (e.samples or _MOST_SAMPLES)
            or (e.seconds and rendering.seconds >= e.seconds)
            or (e.noise and rendering.samples >= _FEWEST_FOR_NOISE and rendering.noise() <= e.noise)
        )

    def _begin(self, request, cancel):
        """Compile, show a small picture at once, a larger one next, and hand back the full one to go on with."""
        scene = scene_of(request.study, request.specimen, parts=request.parts)
        compiled = compiled_in(scene, request.specimen)
        limits, layered, region = limits_of(request.booth), bool(request.layer), request.booth.region
        steps = _DENOISED_STEPS if self._denoises else _STEPS
        for step in steps:
            small = Rendering(
                compiled,
                scene,
                max(16, request.width // step),
                max(16, request.height // step),
                limits=limits,
                layered=layered,
                region=region,
            )
            # The first is seen through, however fast changes come: a drag is to be followed.
            is_first = step == steps[0]
            if not small.add(1, None if is_first else cancel):
                return None
            self._show(small, request, step, None if is_first else cancel)
        rendering = Rendering(compiled, scene, request.width, request.height, 1, limits, layered, region)
        # A few samples cost less than denoising does, and it makes more of them.
        first = int(_FIRST_S / (small.seconds * step * step)) if self._denoises else 1
        return rendering if self._advance(rendering, request, cancel, min(max(first, 1), _FIRST_SAMPLES)) else None

    def _advance(self, rendering, request, cancel, count=None):
        """Add samples for about as long as a frame lasts, or so many, then show the picture."""
        if count is None:
            each = rendering.seconds / rendering.samples if rendering.samples else 1.0
            count = max(1, min(16, int(_EMIT_EVERY / max(each, 1e-4))))
        most = request.booth.effort.samples or _MOST_SAMPLES
        if not rendering.add(max(1, min(count, most - rendering.samples)), cancel):
            return False
        self._show(rendering, request, 1, cancel)
        _spare_libraries()
        return True

    def _show(self, rendering, request, step, cancel):
        """Show the picture as it is; denoise it first where its turn has come, and then tell how far off it is."""
        linear = rendering.layers()[request.layer] if request.layer else rendering.picture()
        clean = self._cleaned(rendering, request, linear, cancel)
        is_late = cancel is not None and cancel.is_set()
        if self._ended or is_late or (self._denoises and clean is None):
            return
        if not self._fresh:
            SCHEDULER.picture_pending(False)
        self._tell(rendering, request, step, linear, clean)
        is_new = clean is not None and clean.samples == rendering.samples >= _ERROR_EVERY * clean.told_at
        if is_new and step == 1 and not request.layer and not self._fresh:
            clean.error, clean.told_at = error_left(rendering, display_of(request.booth), cancel), clean.samples
            if clean.error is not None and not self._ended:
                self._tell(rendering, request, step, linear, clean)

    def _cleaned(self, rendering, request, linear, cancel):
        """The denoised picture to show: the last of this rendering, or a new one where there are twice the samples.

        None where none is wanted, or where a change came meanwhile."""
        if not self._denoises:
            self._clean = None
            return None
        kept, n = self._clean, rendering.samples
        is_same = kept is not None and kept.rendering is rendering and kept.layer == request.layer
        due = not is_same or n >= 2 * kept.samples or (n > kept.samples and not self._works(rendering))
        if not due:
            return kept
        quality = quality_for(rendering)
        try:
            picture = denoised(linear, guides_for(rendering, quality), quality, rendering.window, cancel)
        except RuntimeError as error:
            # The picture goes on without; a view is no reason to lose it.
            self._denoises = False
            self.failed.emit(tr("{0}; it is shown as rendered", error))
            return None
        if picture is not None:
            # Until it is told anew, the error falls as chance does with the samples.
            told = (kept.error and kept.error * (kept.samples / n) ** 0.5, kept.told_at) if is_same else ()
            self._clean = _Clean(rendering, request.layer, n, picture, *told)
        return self._clean if picture is not None else kept if is_same else None

    def _tell(self, rendering, request, step, linear, clean):
        shown = linear if clean is None else clean.picture
        image = image_of(display_of(request.booth).picture(shown))
        self.frame.emit(
            Frame(
                image, linear, shown, 0 if clean is None else clean.samples, clean.error if clean else None, request,
                step, rendering.samples, rendering.noise(), rendering.seconds, rendering.energy_cut(),
                time.perf_counter() - self._asked_at,
            )
        )  # fmt: skip


@dataclass(eq=False)
class _Clean:
    """The last denoised picture: of which rendering and layer, from how many samples; about how far off it is, and from
    how many samples that was told."""

    rendering: Rendering
    layer: str
    samples: int
    picture: np.ndarray
    error: float | None = None
    told_at: int = 0
