"""The picture beside its partner, a photograph or a proof: which is shown where, and how far they are apart."""

from dataclasses import dataclass, replace

import numpy as np
from PyQt6.QtCore import QObject, QTimer, pyqtSignal
from PyQt6.QtGui import QImage

from ..imaging.booths import display_of
from ..imaging.comparing import (
    LARGEST_SHOWN,
    Apart,
    apart,
    beyond_divider,
    delta_e_map,
    luminance_difference,
    ramp,
    signed_ramp,
)
from ..imaging.framing import in_frame
from ..imaging.probing import at_pin, histogram, profile
from ..imaging.references import proof_in_frame, reference_in_frame
from ..study import Pin, Proof, Reference
from ..words import tr
from .images import image_of
from .workers import Latest

DIVIDER, SIDE, BLEND, FLICKER, LUMINANCE, COLOUR = MODES = (
    tr("divider"), tr("side by side"), tr("blend"), tr("flicker"), tr("luminance"), tr("ΔE2000")
)  # fmt: skip
_MAPS = (LUMINANCE, COLOUR)
_LUMINANCE_SPAN = 0.5


@dataclass(frozen=True)
class Setting:
    """How two pictures are compared. place 0..1 across and angle of the divider; opacity of the partner in a blend."""

    mode: str = DIVIDER
    place: float = 0.5
    angle: float = 0.0
    opacity: float = 0.5
    hertz: float = 2.0


@dataclass(frozen=True, eq=False)
class Compared:
    """What is to be seen: the picture, the other one for a flicker, and how far apart they are where it is a map.

    where: the name of the patch that this is told of; "" for all of it.
    """

    image: QImage
    other: QImage | None
    apart: Apart | None
    where: str = ""


def linear_of(kept, data, width, height):
    """The scene-linear picture of a photograph or proof in the frame of a render, (height, width, 3); NaN beyond its
    edge."""
    in_frame = reference_in_frame if isinstance(kept, Reference) else proof_in_frame
    return in_frame(kept, data, width, height)


def compared(linear, partner, data, booth, setting, region=None) -> Compared:
    """A render's scene-linear picture (h, w, 3) with its partner, as a setting has it."""
    height, width, _ = linear.shape
    other = linear_of(partner, data, width, height)
    display = display_of(booth)
    if setting.mode in _MAPS:
        pair = display.balanced(linear), display.balanced(other)
        if setting.mode == COLOUR:
            values = delta_e_map(*pair)
            return Compared(image_of(ramp(values / LARGEST_SHOWN)), None, apart(values, region))
        values = luminance_difference(*pair)
        return Compared(image_of(signed_ramp(values / _LUMINANCE_SPAN)), None, apart(values, region))
    ours, theirs = (_shown(display, picture) for picture in (linear, other))
    if setting.mode == FLICKER:
        return Compared(image_of(ours), image_of(theirs), None)
    if setting.mode == BLEND:
        return Compared(image_of(ours + setting.opacity * (theirs - ours)), None, None)
    if setting.mode == SIDE:
        return Compared(image_of(_side_by_side(ours, theirs)), None, None)
    beyond = beyond_divider(width, height, setting.angle, setting.place)[..., None]
    return Compared(image_of(np.where(beyond, theirs, ours)), None, None)


def _shown(display, linear):
    """A picture on the screen; mid-grey where nothing is known of it."""
    known = np.isfinite(linear).all(axis=-1, keepdims=True)
    return np.where(known, display.picture(np.nan_to_num(linear)), 0.466)


def _side_by_side(left, right):
    """The middle half of each picture, so that both keep their size and shape."""
    width = left.shape[1]
    half, quarter = width // 2, width // 4
    out = np.empty_like(left)
    out[:, :half] = left[:, quarter : quarter + half]
    out[:, half:] = right[:, quarter : quarter + width - half]
    return out


def read_numbers(linear, booth, line=None, partner=None, data=b""):
    """(what is at each pin, [profiles along a line's pin: of the render, of its partner], the histogram) of a render's
    picture (h, w, 3)."""
    display = display_of(booth)
    balanced, other = display.balanced(linear), None
    if partner is not None:
        other = display.balanced(linear_of(partner, data, linear.shape[1], linear.shape[0]))
    read = [at_pin(balanced, p, other) for p in booth.pins]
    profiles = [profile(picture, line) for picture in (balanced, other) if picture is not None] if line else []
    return read, profiles, histogram(balanced)


class Comparison(QObject):
    """Keeps partner and setting, and has the picture of both made away from the window's thread."""

    made = pyqtSignal(object)
    """A Compared."""
    failed = pyqtSignal(str)
    changed = pyqtSignal()

    def __init__(self, parent=None):
        super().__init__(parent)
        self.partner: Reference | Proof | None = None
        self.instead: Proof | None = None
        self.patch: Pin | None = None
        self.setting = Setting()
        self.is_other_shown = False
        self.data = self.instead_data = b""
        self._worker = Latest("comparison", self)
        self._worker.done.connect(self.made)
        self._worker.failed.connect(self.failed)
        self._flicker = QTimer(self)
        self._flicker.timeout.connect(self._turn)

    def with_partner(self, partner, data, instead=None, instead_data=b""):
        """Compare with a partner, whose picture's bytes are given; None for none. instead: a proof that is compared in
        place of the present picture."""
        self.partner, self.data = partner, data
        self.instead, self.instead_data = instead, instead_data
        self._pace()
        self.changed.emit()

    def set(self, **changes):
        """Change how they are compared."""
        self.setting = replace(self.setting, **changes)
        self._pace()
        self.changed.emit()

    def _pace(self):
        self.is_other_shown = False
        if self.partner is not None and self.setting.mode == FLICKER:
            self._flicker.start(int(500.0 / max(self.setting.hertz, 0.1)))
        else:
            self._flicker.stop()

    def _turn(self):
        self.is_other_shown = not self.is_other_shown
        self.changed.emit()

    def submit(self, frame):
        """Have the picture of a frame and the partner made."""
        partner, data, setting = self.partner, self.data, self.setting
        instead, instead_data, patch = self.instead, self.instead_data, self.patch
        if partner is None or frame is None:
            return

        def job():
            # What is only looked at may be denoised; differences are of the mean as it was rendered.
            linear, booth = frame.linear if setting.mode in _MAPS else frame.shown, frame.request.booth
            if instead is not None:
                linear = linear_of(instead, instead_data, linear.shape[1], linear.shape[0])
            region = booth.region
            if patch is not None:
                ends = np.array([(patch.x, patch.y), (patch.to_x, patch.to_y)])
                ends = np.clip(in_frame(ends, linear.shape[1] / linear.shape[0]), 0.0, 1.0)
                region = (*ends.min(axis=0), *ends.max(axis=0))
            found = compared(linear, partner, data, booth, setting, region)
            return replace(found, where=patch.name if patch is not None else "")

        self._worker.submit(job)

    def end(self):
        self._flicker.stop()
        self._worker.end()
