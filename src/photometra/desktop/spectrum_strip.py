"""A spectrum as a gauge: a curve over the wavelengths whose points are drawn up and down."""

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..colour import WAVELENGTHS
from ..surface import NODES_NM
from ..surface.scale import Scale
from ..surface.spectrum import reflectance_of
from ..words import tr
from . import theme

_HEIGHT = 104
_MARKS = (400, 500, 600, 700)


class SpectrumStrip(QWidget):
    """Drag across it to draw the curve; Left and Right choose a point, Up and Down move it (Shift: finer)."""

    moved = pyqtSignal(object, bool)
    """The values (21,), and whether the move goes on (a drag) or is done."""

    def __init__(self, scale: Scale, name="", parent=None):
        super().__init__(parent)
        self.scale = scale
        self.values, self._sigmas = (0.0,) * len(NODES_NM), (None,) * len(NODES_NM)
        self.node = len(NODES_NM) // 2
        self._dragging = False
        self.setFixedHeight(_HEIGHT)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setAccessibleName(tr("{0}, by wavelength", name))
        self.setToolTip(tr("Draw the spectrum; arrow keys choose a point and move it"))
        self.setCursor(Qt.CursorShape.CrossCursor)

    def sizeHint(self):
        return QSize(240, _HEIGHT)

    def show_values(self, values, sigmas):
        """values (21,), and their standard errors or None."""
        self.values, self._sigmas = tuple(values), tuple(sigmas)
        self.update()

    @property
    def _area(self):
        return QRectF(8.0, 6.0, self.width() - 16.0, self.height() - 24.0)

    def point_of(self, i, value=None):
        """Where a node stands, in the widget's own pixels."""
        a = self._area
        place = self.scale.place(self.values[i] if value is None else value)
        return QPointF(a.left() + a.width() * i / (len(NODES_NM) - 1), a.bottom() - a.height() * place)

    def _set(self, i, value, goes_on):
        values = list(self.values)
        values[i] = float(min(max(value, 0.0), self.scale.high))
        self.values, self.node = tuple(values), i
        self.update()
        self.moved.emit(self.values, goes_on)

    def _draw_to(self, point, goes_on):
        a = self._area
        i = round((point.x() - a.left()) / a.width() * (len(NODES_NM) - 1))
        place = (a.bottom() - point.y()) / a.height()
        self._set(min(max(i, 0), len(NODES_NM) - 1), round(self.scale.value(place), 5), goes_on)

    def mousePressEvent(self, event):
        if event.button() == Qt.MouseButton.LeftButton:
            self._dragging = True
            self._draw_to(event.position(), True)

    def mouseMoveEvent(self, event):
        if self._dragging:
            self._draw_to(event.position(), True)

    def mouseReleaseEvent(self, event):
        if self._dragging:
            self._dragging = False
            self._draw_to(event.position(), False)

    def keyPressEvent(self, event):
        fine = 0.2 if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else 1.0
        sideways = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}.get(event.key())
        upward = {Qt.Key.Key_Up: 0.02, Qt.Key.Key_Down: -0.02}.get(event.key())
        if sideways is not None:
            self.node = min(max(self.node + sideways, 0), len(NODES_NM) - 1)
            self.update()
        elif upward is not None:
            place = self.scale.place(self.values[self.node]) + upward * fine
            self._set(self.node, round(self.scale.value(place), 6), False)
        else:
            super().keyPressEvent(event)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        a = self._area
        painter.setFont(theme.font(8.0))
        for nm in _MARKS:
            x = a.left() + a.width() * (nm - NODES_NM[0]) / (NODES_NM[-1] - NODES_NM[0])
            painter.setPen(QPen(theme.colour("line"), 1.0))
            painter.drawLine(QPointF(x, a.top()), QPointF(x, a.bottom()))
            painter.setPen(theme.colour("quiet"))
            painter.drawText(QRectF(x - 30.0, a.bottom() + 2.0, 60.0, 14.0), Qt.AlignmentFlag.AlignCenter, f"{nm} nm")
        painter.setPen(QPen(theme.colour("line"), 1.0))
        painter.drawLine(a.bottomLeft(), a.bottomRight())
        x = a.left() + a.width() * (WAVELENGTHS - WAVELENGTHS[0]) / np.ptp(WAVELENGTHS)
        y = [a.bottom() - a.height() * self.scale.place(v) for v in reflectance_of(self.values)]
        painter.setPen(QPen(theme.colour("verdigris"), 2.0))
        painter.drawPolyline(QPolygonF([QPointF(float(p), q) for p, q in zip(x, y, strict=True)]))
        for i, s in enumerate(self._sigmas):
            if s is not None:
                painter.setPen(QPen(theme.colour("verdigris"), 1.2))
                up, down = (self.point_of(i, max(0.0, self.values[i] + d * s)) for d in (1.0, -1.0))
                painter.drawLine(up, down)
            painter.setPen(QPen(theme.colour("text"), 1.2) if i == self.node and self.hasFocus() else Qt.PenStyle.NoPen)
            painter.setBrush(theme.colour("verdigris"))
            painter.drawEllipse(self.point_of(i), 2.8, 2.8)
