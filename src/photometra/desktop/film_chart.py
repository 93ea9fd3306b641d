"""The film chart: the colour a film gives by thickness and by angle, and how well each thickness fits the evidence."""

import threading
from functools import partial

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt, QTimer
from PyQt6.QtGui import QColor, QPainter, QPen, QPolygonF

from ..fitting import film_misfits, reflectance_reading
from ..instruments import constants_reading, film_colours
from ..maps import Map
from ..words import tr
from . import theme
from .scheduler import LATER
from .session import Session
from .strip_chart import StripChart
from .workers import AFTER_THE_PICTURE, Latest

THICKEST_NM = 2000.0
_STRIP = np.linspace(0.0, THICKEST_NM, 401)
_TRIED = np.arange(0.0, THICKEST_NM + 1.0, 16.0)
_ANGLES = np.linspace(0.0, 89.0, 90)
_RESTS_MS = 400
_CURVE, _GAP = 46.0, 16.0

_TIP = tr(
    "The colour of the surface by the thickness of its film, 0 to 2000 nm: click or drag to take "
    "one.<br>Above it the misfit to the reflectance readings: every dip is a thickness that could "
    "be.<br>Below, the colour by angle."
)


class FilmChart(StripChart):
    """Two strips of true colours: by thickness, with the misfit above it, and by angle. Click or drag to choose."""

    def __init__(self, session: Session, parent=None):
        super().__init__(126, tr("Film chart"), _TIP, parent)
        self.session = session
        self.misfits = None
        self._by_thickness = self._by_angle = None
        self._told = None
        self._cancel = threading.Event()
        self._worker = Latest(tr("film chart"), self, AFTER_THE_PICTURE, LATER)
        self._worker.done.connect(self._computed)
        # Trying every thickness takes a second of both cores: not while a gauge moves.
        self._rest = QTimer(self, singleShot=True, interval=_RESTS_MS)
        self._rest.timeout.connect(self._want_misfits)
        session.surface_changed.connect(self.refresh)
        session.readings_changed.connect(self.refresh)

    # Following.

    def refresh(self):
        """Have the strips computed anew, and then the misfits where what they depend on has changed."""
        specimen = self.session.specimen
        if specimen is None or not self.isVisible():
            return
        if _misfit_key(specimen) != self._told:
            self._cancel.set()
            # The misfits of another surface are none of this one's.
            self.misfits = self._told = None
        self.state = (specimen.surface, specimen.readings)
        self.update()
        self._worker.submit(partial(_strips_of, specimen))

    def _computed(self, found):
        what, values = found
        if what == "strips":
            self.of_state, self._by_thickness, self._by_angle = values
            self._rest.start()
        elif self.session.specimen is not None and values[0] == _misfit_key(self.session.specimen):
            self._told, self.misfits = values
        self.update()

    def _want_misfits(self):
        """The misfits over all thicknesses, once the strips are there and unless they still hold."""
        specimen = self.session.specimen
        key = specimen and _misfit_key(specimen)
        if specimen is None or key == self._told:
            return
        self._cancel.set()
        self._cancel = threading.Event()
        self.misfits = None
        self._worker.submit(partial(_misfits_of, specimen, key, self._cancel))

    def end(self):
        self._rest.stop()
        self._cancel.set()
        self._worker.end()

    # Choosing.

    @property
    def _area(self):
        return QRectF(8.0, _CURVE + 4.0, self.width() - 16.0, 26.0)

    def x_of(self, thickness):
        return self._area.left() + self._area.width() * min(1.0, thickness / THICKEST_NM)

    def value_at(self, x):
        share = (x - self._area.left()) / self._area.width()
        return round(THICKEST_NM * min(max(share, 0.0), 1.0), 1)

    def takes(self, position):
        return position.y() < self._area.bottom() + _GAP

    def keyPressEvent(self, event):
        steps = {Qt.Key.Key_Left: -1.0, Qt.Key.Key_Right: 1.0, Qt.Key.Key_PageDown: -25.0, Qt.Key.Key_PageUp: 25.0}
        if event.key() in steps:
            now = self._thicknesses()[0]
            self.moved.emit(min(max(now + steps[event.key()], 0.0), THICKEST_NM), False)
        else:
            super().keyPressEvent(event)

    # Drawing.

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        specimen = self.session.specimen
        if specimen is None:
            return
        area = self._area
        painter.setFont(theme.font(7.5))
        self._paint_misfits(painter, area)
        self.paint_strip(painter, area, self._by_thickness)
        painter.setPen(theme.colour("quiet"))
        for nm in (0, 500, 1000, 1500, 2000):
            x = self.x_of(nm)
            wide = 44.0
            left = min(max(x - wide / 2, 0.0), self.width() - wide)
            side = Qt.AlignmentFlag.AlignHCenter
            if nm in (0, 2000):
                side = Qt.AlignmentFlag.AlignLeft if nm == 0 else Qt.AlignmentFlag.AlignRight
                left = area.left() if nm == 0 else area.right() - wide
            painter.drawText(QRectF(left, area.bottom() + 1.0, wide, 13.0), side, f"{nm} nm" if nm else "0")
        below = area.translated(0.0, area.height() + _GAP)
        below.setHeight(18.0)
        self.paint_strip(painter, below, self._by_angle)
        painter.setPen(theme.colour("quiet"))
        foot = QRectF(below.left(), below.bottom() + 1.0, below.width(), 13.0)
        painter.drawText(foot, Qt.AlignmentFlag.AlignLeft, tr("normal incidence"))
        painter.drawText(foot, Qt.AlignmentFlag.AlignHCenter, "45°")
        painter.drawText(foot, Qt.AlignmentFlag.AlignRight, tr("edge on"))
        for thickness in self._thicknesses():
            x = self.x_of(thickness)
            painter.setPen(QPen(theme.colour("text"), 1.6))
            painter.drawLine(QPointF(x, 3.0), QPointF(x, area.bottom() + 2.0))
            painter.setBrush(theme.colour("verdigris"))
            painter.setPen(QPen(theme.colour("raised"), 1.0))
            painter.drawPolygon(QPolygonF([QPointF(x + a, b) for a, b in ((-5, 0), (5, 0), (0, 8))]))
        self.paint_waiting(painter)
        self.paint_focus(painter)

    def _thicknesses(self):
        """The film's thickness in nm; both ends of the range where it varies."""
        value = self.session.specimen.surface.input("film.thickness")
        return (value.low, value.high) if isinstance(value, Map) else (value,)

    def _paint_misfits(self, painter, area):
        curve = QRectF(area.left(), 8.0, area.width(), _CURVE - 10.0)
        painter.setPen(theme.colour("quiet"))
        if self.misfits is None:
            waits = reflectance_reading(self.session.specimen.readings) is not None
            words = tr("trying every thickness…") if waits else tr("no reflectance reading to judge the thickness by")
            painter.drawText(curve, Qt.AlignmentFlag.AlignCenter, words)
            return
        height = np.log10(np.maximum(self.misfits, 1e-3))
        low, high = float(height.min()), max(float(height.max()), float(height.min()) + 0.5)
        at = [
            QPointF(self.x_of(t), curve.bottom() - curve.height() * (h - low) / (high - low))
            for t, h in zip(_TRIED, height, strict=True)
        ]
        painter.setPen(QPen(theme.colour("verdigris"), 1.4))
        painter.drawPolyline(QPolygonF(at))
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(QColor(theme.colour("straw")))
        for i in candidates(self.misfits):
            painter.drawEllipse(at[i], 3.0, 3.0)
        painter.setPen(theme.colour("quiet"))
        corner = Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignBottom
        painter.drawText(curve, corner, tr("misfit (log)"))


def candidates(misfits):
    """Places of the dips that fit nearly as well as the best: within ten times its misfit."""
    padded = np.concatenate([[np.inf], misfits, [np.inf]])
    dips = np.flatnonzero((padded[1:-1] < padded[:-2]) & (padded[1:-1] <= padded[2:]))
    return [int(i) for i in dips if misfits[i] <= 10.0 * misfits.min()]


def _misfit_key(specimen):
    """What the misfits depend on: everything but the present thickness."""
    return specimen.surface.with_values({"film.thickness": 1.0}), specimen.readings


def _strips_of(specimen):
    surface, constants = specimen.surface, constants_reading(specimen.readings)
    by_thickness = film_colours(surface, _STRIP, constants=constants)
    by_angle = film_colours(surface, surface["film.thickness"], np.cos(np.radians(_ANGLES)), constants)
    return "strips", ((surface, specimen.readings), by_thickness, by_angle)


def _misfits_of(specimen, key, cancel):
    surface = specimen.surface
    whole = surface if surface["film.amount"] > 0.0 else surface.with_values({"film.amount": 1.0})
    found = film_misfits(whole, specimen.readings, _TRIED, cancel)
    return "misfits", (None if cancel.is_set() else key, found)
