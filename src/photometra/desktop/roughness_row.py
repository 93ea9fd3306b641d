"""Roughness by eye: a row of small balls from smoother to rougher around the present value; click one to take it."""

import threading
from dataclasses import replace
from functools import partial

from PyQt6.QtCore import QRectF, QSize, Qt, QTimer, pyqtSignal
from PyQt6.QtGui import QPainter, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..imaging.booths import display_of, scene_of
from ..imaging.denoising import FAST, clean_picture
from ..instruments import constants_reading
from ..surface.compile import compile_surface
from ..surface.scale import Scale
from ..tracing import Camera, Rendering
from ..words import tr
from . import theme
from .images import image_of
from .scheduler import LATER
from .session import Session
from .workers import Latest

_COUNT, _STEP = 7, 0.06
_SIDE, _SAMPLES = 41, 32
_RESTS_MS = 400
"""The row waits until nothing has moved for so long: the large picture comes first."""


def values_around(roughness):
    """Roughnesses evenly spaced to the eye, from smoother to rougher, within 0..1, with the present one among them."""
    scale = Scale(0.0, 1.0, "root")
    middle = scale.place(roughness)
    below, above = int(middle / _STEP + 1e-9), int((1.0 - middle) / _STEP + 1e-9)
    first = max(min(_COUNT // 2, below), _COUNT - 1 - above)
    return [roughness if i == first else round(scale.value(middle + (i - first) * _STEP), 4) for i in range(_COUNT)]


class RoughnessRow(QWidget):
    """Follows the session's surface while it is shown."""

    taken = pyqtSignal(float)

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.values, self._images = [], []
        self._present = None
        self._shown = self._of = None
        self._worker = Latest(tr("roughness row"), self, 0.0, LATER)
        self._worker.done.connect(self._rendered)
        self._worker.failed.connect(session.said)
        self._cancel = threading.Event()
        self._rest = QTimer(self, singleShot=True, interval=_RESTS_MS)
        self._rest.timeout.connect(self._render)
        self.setFixedHeight(_SIDE + 32)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setAccessibleName(tr("Roughness by eye"))
        self.setToolTip(tr("The specimen at other roughnesses, evenly spaced to the eye. Click one to take it."))
        for signal in (session.surface_changed, session.booth_changed):
            signal.connect(self.refresh)

    def sizeHint(self):
        return QSize(320, _SIDE + 32)

    def showEvent(self, _event):
        self.refresh()

    def refresh(self):
        """Have the row rendered anew, once things rest, where it is seen and something changed."""
        specimen = self.session.specimen
        if specimen is None or not self.isVisible():
            return
        key = (specimen.surface, specimen.size_mm, specimen.readings, self.session.study.booth)
        if key != self._shown:
            self._shown = key
            self._cancel.set()
            self._rest.start()
            self.update()

    def _render(self):
        specimen = self.session.specimen
        if specimen is not None:
            self._cancel = threading.Event()
            self._worker.submit(partial(_row_of, self._shown, specimen, self.session.study, self._cancel))

    def _rendered(self, found):
        if found is not None:
            self._of, self.values, self._images, self._present = found
            self.update()

    @property
    def is_current(self):
        """Whether the balls are of the surface and the light as they are now."""
        return self._of == self._shown

    def end(self):
        self._rest.stop()
        self._cancel.set()
        self._worker.end()

    def place_of(self, index):
        """The square in which a ball stands."""
        wide = self.width() / _COUNT
        return QRectF(index * wide + (wide - _SIDE) / 2.0, 17.0, _SIDE, _SIDE)

    def mousePressEvent(self, event):
        index = int(event.position().x() / (self.width() / _COUNT))
        if event.button() == Qt.MouseButton.LeftButton and 0 <= index < len(self.values) and self.is_current:
            self.taken.emit(self.values[index])

    def keyPressEvent(self, event):
        step = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(event.key())
        if step is None or self._present not in self.values or not self.is_current:
            super().keyPressEvent(event)
            return
        index = self.values.index(self._present) + step
        if 0 <= index < len(self.values):
            self.taken.emit(self.values[index])

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setFont(theme.font(8.0))
        painter.setPen(theme.colour("quiet"))
        painter.drawText(
            QRectF(0.0, 0.0, self.width(), 15.0),
            Qt.AlignmentFlag.AlignLeft,
            tr("by eye") if self.is_current else tr("by eye: being rendered for this surface…"),
        )
        painter.setOpacity(1.0 if self.is_current else 0.3)
        for i, (value, image) in enumerate(zip(self.values, self._images, strict=True)):
            place = self.place_of(i)
            painter.drawImage(place, image)
            chosen = value == self._present
            painter.setPen(QPen(theme.colour("verdigris" if chosen else "line"), 2.0 if chosen else 1.0))
            painter.drawRect(place)
            painter.setPen(theme.colour("text" if chosen else "quiet"))
            under = QRectF(place.left() - 4.0, place.bottom() + 1.0, place.width() + 8.0, 13.0)
            painter.drawText(under, Qt.AlignmentFlag.AlignHCenter, f"{value:.2f}")
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("verdigris"), 1.0, Qt.PenStyle.DotLine))
            painter.drawRect(self.rect().adjusted(0, 0, -1, -1))


def _row_of(key, specimen, study, cancel):
    """(what it is of, values, images, the present value); None when cancelled."""
    constants = constants_reading(specimen.readings)
    scene = scene_of(study, replace(specimen, shape="ball"))
    # The ball alone, filling its square.
    scene = replace(scene, stage=False, camera=Camera(rise=10.0, focal_mm=102.1))
    display = display_of(study.booth)
    present = specimen.surface["roughness"]
    values, images = values_around(present), []
    for value in values:
        compiled = compile_surface(specimen.surface.with_values({"roughness": value}), constants)
        rendering = Rendering(compiled, scene, _SIDE, _SIDE)
        if not rendering.add(_SAMPLES, cancel):
            return None
        looked_at = clean_picture(rendering, FAST, cancel)
        if looked_at is None:
            return None
        images.append(image_of(display.picture(looked_at)))
    return key, values, images, present
