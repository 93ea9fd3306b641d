"""What the charts over a strip of true colours have in common: a drag along the strip chooses a value."""

import numpy as np
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QImage, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..colour import encode_srgb
from ..words import tr
from . import theme


class StripChart(QWidget):
    """Click or drag to choose; `moved` carries the value and whether the move goes on."""

    moved = pyqtSignal(float, bool)

    # What the chart is to show, and what that which it shows was made of.
    state = of_state = None

    def __init__(self, height, name, tip, parent=None):
        super().__init__(parent)
        self._dragging = False
        self.setFixedHeight(height)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.SizeHorCursor)
        self.setAccessibleName(name)
        self.setToolTip(tip)

    def showEvent(self, _event):
        self.refresh()

    def value_at(self, x):
        """The value that stands at a place of the strip."""
        raise NotImplementedError

    def takes(self, _position):
        """Whether a press there chooses."""
        return True

    def mousePressEvent(self, event):
        if event.button() == Qt.MouseButton.LeftButton and self.takes(event.position()):
            self._dragging = True
            self.moved.emit(self.value_at(event.position().x()), True)

    def mouseMoveEvent(self, event):
        if self._dragging:
            self.moved.emit(self.value_at(event.position().x()), True)

    def mouseReleaseEvent(self, event):
        if self._dragging:
            self._dragging = False
            self.moved.emit(self.value_at(event.position().x()), False)

    def paint_strip(self, painter, area, colours):
        """A strip of linear sRGB colours (n, 3), or a blank where there are none yet."""
        if colours is None:
            painter.fillRect(area, theme.colour("faint"))
            return
        shown = np.clip(encode_srgb(np.maximum(colours, 0.0)), 0.0, 1.0)
        row = np.ascontiguousarray((shown * 255.0 + 0.5).astype(np.uint8))
        painter.drawImage(area, QImage(row.data, len(row), 1, 3 * len(row), QImage.Format.Format_RGB888))
        painter.setPen(QPen(theme.colour("line"), 1.0))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawRect(area)

    def paint_waiting(self, painter):
        """Veil what is of another state than the present one, until its own is there."""
        if self.of_state != self.state:
            veil = theme.colour("panel")
            veil.setAlpha(190)
            painter.fillRect(self.rect(), veil)
            painter.setPen(theme.colour("quiet"))
            painter.drawText(self.rect(), Qt.AlignmentFlag.AlignCenter, tr("being worked out for this surface…"))

    def paint_focus(self, painter):
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("verdigris"), 1.0, Qt.PenStyle.DotLine))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRoundedRect(self.rect().adjusted(0, 0, -1, -1), 3, 3)
