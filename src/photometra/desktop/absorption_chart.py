"""The absorption chart: colour and transmittance of the interior against its thickness."""

from functools import partial

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from ..errors import InputError
from ..instruments import constants_reading, depth_colours
from ..surface.scale import Scale
from ..words import tr
from . import theme
from .scheduler import LATER
from .session import Session
from .strip_chart import StripChart
from .workers import AFTER_THE_PICTURE, Latest

_SCALE = Scale(0.1, 1000.0, "log")
_TRIED = np.geomspace(0.1, 1000.0, 121)
_CURVE = 40.0
_ENDS = {0.1: Qt.AlignmentFlag.AlignLeft, 1000.0: Qt.AlignmentFlag.AlignRight}

_TIP = tr(
    "What a slab of the interior lets through, 0.1 to 1000 mm thick, and its colour.<br>The line marks "
    "the specimen's own thickness; drag the needle to move the depth at which the colour holds."
)


class AbsorptionChart(StripChart):
    """A strip of true colours with the transmittance above it. Dragging moves the depth at which the colour holds."""

    def __init__(self, session: Session, parent=None):
        super().__init__(100, tr("Absorption chart"), _TIP, parent)
        self.session = session
        self.colours = self.transmittance = None
        self._worker = Latest(tr("absorption chart"), self, AFTER_THE_PICTURE, LATER)
        self._worker.done.connect(self._computed)
        session.surface_changed.connect(self.refresh)
        session.readings_changed.connect(self.refresh)

    def refresh(self):
        specimen = self.session.specimen
        there = specimen is not None and specimen.surface.applies("interior.depth")
        self.setVisible(there)
        if there and self.isVisible():
            self.state = (specimen.surface, specimen.readings)
            self.update()
            self._worker.submit(partial(_colours_of, specimen))

    def _computed(self, found):
        if found is not None:
            self.of_state, (self.colours, self.transmittance) = found
            self.update()

    def end(self):
        self._worker.end()

    @property
    def _area(self):
        return QRectF(8.0, _CURVE + 6.0, self.width() - 16.0, 26.0)

    def x_of(self, thickness):
        return self._area.left() + self._area.width() * min(max(_SCALE.place(thickness), 0.0), 1.0)

    def value_at(self, x):
        share = min(max((x - self._area.left()) / self._area.width(), 0.0), 1.0)
        return float(f"{_SCALE.value(share):.3g}")

    def keyPressEvent(self, event):
        step = {Qt.Key.Key_Left: 1 / 1.05, Qt.Key.Key_Right: 1.05}.get(event.key())
        if step is None:
            super().keyPressEvent(event)
        else:
            depth = self.session.specimen.surface["interior.depth"] * step
            self.moved.emit(float(f"{min(max(depth, 0.1), 1000.0):.3g}"), False)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        specimen, area = self.session.specimen, self._area
        if specimen is None or self.colours is None:
            return
        painter.setFont(theme.font(7.5))
        self.paint_strip(painter, area, self.colours)
        painter.setPen(theme.colour("quiet"))
        for mm in (0.1, 1.0, 10.0, 100.0, 1000.0):
            wide, x = 50.0, self.x_of(mm)
            left = min(max(x - wide / 2, area.left()), area.right() - wide)
            side = _ENDS.get(mm, Qt.AlignmentFlag.AlignHCenter)
            painter.drawText(QRectF(left, area.bottom() + 2.0, wide, 13.0), side, f"{mm:g} mm")
        curve = QRectF(area.left(), 6.0, area.width(), _CURVE - 4.0)
        painter.drawText(curve, Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignTop, "transmittance")
        painter.setPen(QPen(theme.colour("verdigris"), 1.4))
        painter.drawPolyline(
            QPolygonF([
                QPointF(self.x_of(t), curve.bottom() - curve.height() * float(v))
                for t, v in zip(_TRIED, self.transmittance, strict=True)
            ])
        )  # fmt: skip
        own = own_thickness(specimen)
        x, share = self.x_of(own), float(np.interp(own, _TRIED, self.transmittance))
        painter.setPen(QPen(theme.colour("text"), 1.2, Qt.PenStyle.DashLine))
        painter.drawLine(QPointF(x, 4.0), QPointF(x, area.bottom()))
        words, wide = f"{own:g} mm: {100 * share:.1f} %", 92.0
        left = min(max(x + 4.0, area.left()), area.right() - wide)
        painter.setPen(theme.colour("text"))
        painter.drawText(QRectF(left, curve.bottom() - 13.0, wide, 13.0), Qt.AlignmentFlag.AlignLeft, words)
        x = self.x_of(specimen.surface["interior.depth"])
        painter.setBrush(theme.colour("verdigris"))
        painter.setPen(QPen(theme.colour("raised"), 1.0))
        foot = area.bottom() + 1.0
        painter.drawPolygon(QPolygonF([QPointF(x + a, foot + b) for a, b in ((-5, 6), (5, 6), (0, -4))]))
        self.paint_waiting(painter)
        self.paint_focus(painter)


def own_thickness(specimen):
    """How thick the specimen is where light goes straight through, in mm."""
    if specimen.surface.is_sheet:
        return specimen.surface["thickness"]
    return specimen.wall_mm if specimen.shape == "vessel" else specimen.size_mm


def _colours_of(specimen):
    try:
        found = depth_colours(specimen.surface, _TRIED, constants_reading(specimen.readings))
        return (specimen.surface, specimen.readings), found
    except InputError:
        return None
