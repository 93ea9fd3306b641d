"""The picture as it is looked at: noise taken out by Open Image Denoise (Áfra), where that is installed.

What is measured in a picture is never read here: the probe, maps of difference, statistics and EXR files have the mean
as it was rendered.
"""

import threading
import time
from functools import cache
from importlib.util import find_spec
from math import sqrt

import numpy as np

from .comparing import apart, delta_e_map

FAST, HIGH = "fast", "high"
_EACH = {FAST: 4, HIGH: 6}
_HIGH_FROM, _TIMES_AS_LONG, _WORTH = 16, 4.0, 1.5
"""The slower filter is worth its time from so many samples on, or where they took so many times as long as it does,
which is about so many times as long as the fast one."""
_TELLING = 15_000
"""Pixels of a picture that tells how long one takes: small ones take most of their time before the first."""
_PLACES_FAST, _PLACES_HIGH = 8, 16
"""Places of a pixel that the guides look at."""
_LEAST_ALBEDO = 5e-3
"""Added to what a picture's light is divided by."""
_SEEN = 2
"""Every so many pixels, across and down, count for the error."""


@cache
def is_available():
    """Whether pictures can be denoised here; all else works without."""
    return find_spec("pyoidn") is not None


class _Filter:
    """One device of the library and one filter, for one picture at a time; made at the first use.

    fast_pixel_s: how long the fast one last took for a pixel of a picture that is not small, None until then.
    """

    def __init__(self):
        self._lock = threading.Lock()
        self._cancel = None
        self._made = None
        self.fast_pixel_s = None

    def _make(self):
        import pyoidn
        from pyoidn.capi import oidn_Capi, oidn_ffi

        device = pyoidn.Device()
        device.commit()
        made = pyoidn.Filter(device, pyoidn.OIDN_FILTER_TYPE_RT)
        made.set_bool("hdr", True)
        # The guides are means over places drawn evenly: without noise that counts.
        made.set_bool("cleanAux", True)
        # The binding leaves out the one call that lets a filter be stopped.
        oidn_ffi.cdef("void oidnSetFilterProgressMonitorFunction(OIDNFilter, OIDNProgressMonitorFunction, void*);")
        goes_on = oidn_ffi.callback(
            "bool(void*, double)", lambda _user, _done: self._cancel is None or not self._cancel.is_set()
        )
        oidn_Capi.oidnSetFilterProgressMonitorFunction(made._filter, goes_on, oidn_ffi.NULL)
        return device, made, goes_on

    def run(self, color, albedo, normal, quality, cancel):
        with self._lock:
            if self._made is None:
                self._made = self._make()
            device, filter_, _ = self._made
            out = np.empty_like(color)
            self._cancel = cancel
            for name, image in (("color", color), ("albedo", albedo), ("normal", normal), ("output", out)):
                filter_.set_image(name, image, 3)
            filter_.set_quality(_EACH[quality])
            filter_.commit()
            began = time.perf_counter()
            filter_.execute()
            took = time.perf_counter() - began
            trouble = device.get_error()
            self._cancel = None
        if cancel is not None and cancel.is_set():
            return None
        if trouble is not None:
            raise RuntimeError(f"the picture could not be denoised: {trouble}")
        if quality == FAST and color[..., 0].size >= _TELLING:
            self.fast_pixel_s = took / color[..., 0].size
        return out


_FILTER = _Filter()


def denoised(linear, guides, quality=HIGH, window=None, cancel=None):
    """A scene-linear picture (h, w, 3) without its noise, float32; None where `cancel` was set meanwhile.

    Denoised is the light that falls on things, the picture over their albedo, which is put back afterwards: patterns
    and edges, whose albedo is known without noise, are then no detail that must be told from noise.

    guides: `guides.Guides` of the same view, followed; window: (x0, y0, x1, y1) outside which nothing was rendered.
    Light beyond the colours of Rec.709 (negative there) loses what lies beyond.
    """
    x0, y0, x1, y1 = window or (0, 0, linear.shape[1], linear.shape[0])
    inner = (slice(y0, y1), slice(x0, x1))
    albedo = guides.albedo[inner] + np.float32(_LEAST_ALBEDO)
    light, normal = (
        np.ascontiguousarray(part, np.float32)
        for part in (np.maximum(linear[inner], 0.0) / albedo, guides.normal[inner])
    )
    found = _FILTER.run(light, np.ones_like(light), normal, quality, cancel)
    if found is None:
        return None
    found *= albedo
    if window is None:
        return found
    out = linear.copy()
    out[inner] = found
    return out


def clean_picture(rendering, quality=HIGH, cancel=None, guides=None):
    """The picture of a rendering as it is looked at: denoised where that can be done; None where cancelled. guides:
    instead of its own, see `guides_for`."""
    linear = rendering.picture()
    if not is_available():
        return linear
    return denoised(linear, guides or guides_for(rendering, quality), quality, rendering.window, cancel)


def quality_for(rendering):
    """FAST or HIGH for a rendering as it stands: the slower filter, which does the work of twice as many samples, from
    some of them on, or where they are slow to come, as of glass."""
    each = _FILTER.fast_pixel_s
    takes = float("inf") if each is None else _TIMES_AS_LONG * each * rendering.width * rendering.height
    return HIGH if rendering.samples >= _HIGH_FROM or rendering.seconds >= _WORTH * takes else FAST


def guides_for(rendering, quality):
    """What a picture's detail follows, kept with the rendering."""
    return rendering.followed(_PLACES_FAST if quality == FAST else _PLACES_HIGH)


def error_left(rendering, display, cancel=None):
    """About how far what is shown is from the final picture: mean ΔE2000 as a display balances both.

    From about two halves of the samples, each denoised: they differ by as much more than the whole is off as their
    numbers of samples say, twice where they are even. What denoising smooths away in both alike is not seen. None where
    there are no halves yet, nothing denoises, or `cancel` was set.
    """
    halves = rendering.halves()
    if halves is None or not is_available():
        return None
    guides, shown = guides_for(rendering, FAST), []
    for half, _ in halves:
        found = denoised(half, guides, FAST, rendering.window, cancel)
        if found is None:
            return None
        shown.append(display.balanced(found[::_SEEN, ::_SEEN]))
    (_, first), (_, second) = halves
    return sqrt(first * second) / rendering.samples * apart(delta_e_map(*shown)).mean
