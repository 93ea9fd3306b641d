"""The picture beside its partner, a photograph or a proof: which is shown where, and how far they are apart."""

from dataclasses import dataclass, replace
from functools import lru_cache

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
from ..imaging.pictures import decoded_picture
from ..imaging.probing import at_pin, histogram, profile
from ..imaging.references import decoded, warped
from ..study import Proof, Reference
from .images import image_of
from .workers import Latest

DIVIDER, SIDE, BLEND, FLICKER, LUMINANCE, COLOUR = MODES = (
    "divider", "side by side", "blend", "flicker", "luminance", "ΔE2000"
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
    """What is to be seen: the picture, the other one for a flicker, and how far apart they are where it is a map."""

    image: QImage
    other: QImage | None
    apart: Apart | None


@lru_cache(maxsize=4)
def picture_in(name, data):
    """A kept picture's numbers (h, w, 3), decoded once."""
    return decoded_picture(name, data)


@lru_cache(maxsize=4)
def partner_linear(partner, data, width, height):
    """A partner's scene-linear picture in the frame of a render, (height, width, 3); NaN beyond its edge."""
    pixels = picture_in(partner.picture, data)
    if isinstance(partner, Reference):
        pixels = decoded(pixels, partner.curve) * np.float32(2.0**partner.exposure)
        pixels = pixels @ np.array(partner.matrix, np.float32).reshape(3, 3).T
        return warped(pixels, partner.corners, width, height)
    # A lens keeps its view from foot to head, whatever the width: middles and heights lie on each other.
    reach = 0.5 * (width / height) / (pixels.shape[1] / pixels.shape[0])
    left, right = 0.5 - reach, 0.5 + reach
    return warped(pixels, ((left, 0.0), (right, 0.0), (right, 1.0), (left, 1.0)), width, height)


def compared(linear, partner, data, booth, setting, region=None) -> Compared:
    """A render's scene-linear picture (h, w, 3) with its partner, as a setting has it."""
    height, width, _ = linear.shape
    other = partner_linear(partner, data, width, height)
    display = display_of(booth)
    if setting.mode in _MAPS:
        pair = display.balanced(linear), display.balanced(other)
        if setting.mode == COLOUR:
            values = delta_e_map(*pair)
            return Compared(image_of(ramp(values / LARGEST_SHOWN)), None, apart(values, region))
        values = luminance_difference(*pair)
        return Compared(image_of(signed_ramp(values / _LUMINANCE_SPAN)), None, apart(values, region))
    known = np.isfinite(other).all(axis=-1, keepdims=True)
    ours, theirs = display.picture(linear), display.picture(np.nan_to_num(other))
    theirs = np.where(known, theirs, 0.466)
    if setting.mode == FLICKER:
        return Compared(image_of(ours), image_of(theirs), None)
    if setting.mode == BLEND:
        return Compared(image_of(ours + setting.opacity * (theirs - ours)), None, None)
    if setting.mode == SIDE:
        return Compared(image_of(_side_by_side(ours, theirs)), None, None)
    beyond = beyond_divider(width, height, setting.angle, setting.place)[..., None]
    return Compared(image_of(np.where(beyond, theirs, ours)), None, None)


def _side_by_side(left, right):
    """The middle half of each picture, so that both keep their size and shape."""
    width = left.shape[1]
    half, quarter = width // 2, width // 4
    out = np.empty_like(left)
    out[:, :half] = left[:, quarter : quarter + half]
    out[:, half:] = right[:, quarter : quarter + width - half]
    return out


def read_numbers(linear, booth, ends, partner=None, data=b""):
    """(what is at each pin, the profile between two pins or None, the histogram) of a render's picture (h, w, 3)."""
    display = display_of(booth)
    balanced, other = display.balanced(linear), None
    if partner is not None:
        other = display.balanced(partner_linear(partner, data, linear.shape[1], linear.shape[0]))
    read = [at_pin(balanced, p.x, p.y, p.radius, other) for p in booth.pins]
    line = profile(balanced, *((p.x, p.y) for p in ends)) if ends is not None else None
    return read, line, histogram(balanced)


class Comparison(QObject):
    """Keeps partner and setting, and has the picture of both made away from the window's thread."""

    made = pyqtSignal(object)
    """A Compared."""
    failed = pyqtSignal(str)
    changed = pyqtSignal()

    def __init__(self, parent=None):
        super().__init__(parent)
        self.partner: Reference | Proof | None = None
        self.setting = Setting()
        self.is_other_shown = False
        self.data = b""
        self._worker = Latest("comparison", self)
        self._worker.done.connect(self.made)
        self._worker.failed.connect(self.failed)
        self._flicker = QTimer(self)
        self._flicker.timeout.connect(self._turn)

    def with_partner(self, partner, data):
        """Compare with a partner, whose picture's bytes are given; None for none."""
        self.partner, self.data = partner, data
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
        if partner is not None and frame is not None:
            booth = frame.request.booth
            self._worker.submit(lambda: compared(frame.linear, partner, data, booth, setting, booth.region))

    def end(self):
        self._flicker.stop()
        self._worker.end()
