"""The two ends of a colour that a map drives: swatches at level 0 and 1, and the distribution between them."""

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QLinearGradient, QPainter, QPainterPath, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..maps import Map
from ..surface import hex_colour, rgb_of
from ..words import tr
from . import theme

_END = 34.0


class ColourRange(QWidget):
    """Click an end to set its colour below; the end that is being set is framed."""

    end_chosen = pyqtSignal()

    def __init__(self, p, name, parent=None):
        super().__init__(parent)
        self.parameter, self.end = p, "low"
        self._map = self._hill = None
        self.setFixedHeight(46)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setAccessibleName(tr("{0}, from and to", name))
        self.setToolTip(tr("What the map lays on at level 0 and at level 1: click an end, and set it below"))
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def sizeHint(self):
        return QSize(240, 46)

    def show_map(self, value: Map, hill):
        self._map, self._hill = value, hill
        self.update()

    def _choose(self, end):
        self.end = end
        self.update()
        self.end_chosen.emit()

    def mousePressEvent(self, event):
        if event.button() == Qt.MouseButton.LeftButton:
            self._choose("low" if event.position().x() < 0.5 * self.width() else "high")

    def keyPressEvent(self, event):
        if event.key() in (Qt.Key.Key_Left, Qt.Key.Key_Right, Qt.Key.Key_Space):
            self._choose("high" if self.end == "low" else "low")
        else:
            super().keyPressEvent(event)

    def paintEvent(self, _event):
        if self._map is None:
            return
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        ends = [QColor(hex_colour(_shown(self.parameter, v))) for v in (self._map.low, self._map.high)]
        between = QRectF(_END + 4.0, 24.0, self.width() - 2.0 * _END - 8.0, 20.0)
        if self._hill is not None:
            tall = [s**0.5 for s in self._hill.shares]
            step = between.width() / len(tall)
            path = QPainterPath(between.topLeft())
            for i, h in enumerate(tall):
                y = between.top() - 20.0 * h / max(tall)
                path.lineTo(between.left() + i * step, y)
                path.lineTo(between.left() + (i + 1) * step, y)
            path.lineTo(between.topRight())
            painter.setPen(QPen(theme.colour("verdigris", 170), 1.0))
            painter.setBrush(theme.colour("verdigris", 70))
            painter.drawPath(path)
        shades = QLinearGradient(between.topLeft(), between.topRight())
        for t in (0.0, 0.25, 0.5, 0.75, 1.0):
            shades.setColorAt(t, QColor(hex_colour(_shown(self.parameter, self._map.at(t)))))
        painter.setPen(QPen(theme.colour("line"), 1.0))
        painter.setBrush(shades)
        painter.drawRect(between)
        for name, colour, left in (("low", ends[0], 1.0), ("high", ends[1], self.width() - _END - 1.0)):
            box = QRectF(left, 10.0, _END, 34.0)
            painter.setBrush(colour)
            chosen = name == self.end
            painter.setPen(QPen(theme.colour("verdigris" if chosen else "line"), 2.0 if chosen else 1.0))
            painter.drawRoundedRect(box, 2.0, 2.0)
        painter.setFont(theme.font(7.5))
        painter.setPen(theme.colour("quiet"))
        painter.drawText(QPointF(2.0, 8.0), tr("low"))
        painter.drawText(QPointF(self.width() - _END, 8.0), tr("high"))
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("verdigris"), 1.0, Qt.PenStyle.DotLine))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRoundedRect(QRectF(0.5, 0.5, self.width() - 1.0, self.height() - 1.0), 3.0, 3.0)


def _shown(p, value):
    """A value as a colour of the screen: coefficients by what they leave of the light over their usual range."""
    rgb = rgb_of(p, value)
    return rgb if p.kind == "colour" else tuple(1.0 - min(v / p.span[1], 1.0) for v in rgb)
