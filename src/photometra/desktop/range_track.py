"""The scale of a parameter that a map drives: the map's distribution over it, between two handles."""

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QFontMetricsF, QPainter, QPainterPath, QPen, QPolygonF
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..surface.scale import Scale
from ..words import tr
from . import theme
from .scale_parts import fineness, key_step, paint_marks, paint_ticks, paint_whisker, wheel_step

_HILL, _BASE = 24.0, 39.0
_TAKES = 9.0
"""How near a handle a press takes hold of it, in pixels."""


class RangeTrack(QWidget):
    """Two handles on a scale, at the map's level 0 and 1, and how much of the surface has which value between them.

    Drag a handle, or the hill between them to move both; the wheel and the arrow keys move the handle used last, the
    space bar takes the other.
    """

    moved = pyqtSignal(float, float, bool)
    """Both ends, and whether the move goes on."""

    def __init__(self, scale: Scale, marks=(), name="", parent=None):
        super().__init__(parent)
        self.scale, self.marks = scale, marks
        self.ends = [scale.low, scale.high]
        self.sigmas = (None, None)
        self.hill = None
        self.active = 0
        self._held = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setAccessibleName(tr("{0}, from and to", name))
        self.setCursor(Qt.CursorShape.SizeHorCursor)
        self.setMinimumWidth(90)
        self.setFixedHeight(int(_BASE) + (24 if marks else 8))

    def sizeHint(self):
        return QSize(240, self.height())

    def show_range(self, low, high, sigmas, hill):
        """hill: a `Distribution` of the map's levels, None while it is being worked out."""
        self.ends, self.sigmas, self.hill = [low, high], sigmas, hill
        self.update()

    def x_of(self, value):
        """Where a value stands, in the widget's own pixels."""
        return 7.0 + self.scale.place(value) * (self.width() - 14.0)

    def value_of_level(self, level):
        return self.ends[0] + (self.ends[1] - self.ends[0]) * level

    @property
    def _ink(self):
        """The colour of what can be moved: pale where it follows another specimen."""
        return "verdigris" if self.isEnabled() else "line"

    # Moving.

    def _shift(self, which, share, goes_on):
        for i in which:
            self.ends[i] = self.scale.value(self.scale.place(self.ends[i]) + share)
        self.update()
        self.moved.emit(*self.ends, goes_on)

    def mousePressEvent(self, event):
        if event.button() != Qt.MouseButton.LeftButton:
            return
        x = event.position().x()
        at = [self.x_of(v) for v in self.ends]
        near = min((0, 1), key=lambda i: abs(at[i] - x))
        between = min(at) + _TAKES < x < max(at) - _TAKES
        self._from = x
        if between and event.position().y() < _BASE - 4.0:
            self._held = (0, 1)
            return
        self._held, self.active = (near,), near
        if abs(at[near] - x) > _TAKES:
            self._shift(self._held, (x - at[near]) / (self.width() - 14.0), True)
        self.update()

    def mouseMoveEvent(self, event):
        if self._held is None:
            return
        x = event.position().x()
        self._shift(self._held, fineness(event) * (x - self._from) / (self.width() - 14.0), True)
        self._from = x

    def mouseReleaseEvent(self, event):
        if self._held is not None and event.button() == Qt.MouseButton.LeftButton:
            self._held = None
            self.moved.emit(*self.ends, False)

    def wheelEvent(self, event):
        if not self.hasFocus():
            event.ignore()
            return
        self._shift((self.active,), wheel_step(event), False)

    def keyPressEvent(self, event):
        step = key_step(event)
        if step is not None:
            self._shift((self.active,), step, False)
        elif event.key() == Qt.Key.Key_Space:
            self.active = 1 - self.active
            self.update()
        else:
            super().keyPressEvent(event)

    # Drawing.

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        if self.hill is not None:
            self._paint_hill(painter)
        else:
            painter.setFont(theme.font(7.5))
            painter.setPen(theme.colour("quiet"))
            painter.drawText(
                QRectF(0.0, 4.0, self.width(), _HILL), Qt.AlignmentFlag.AlignCenter, tr("reading the map…")
            )
        paint_ticks(painter, self.scale, self.x_of, _BASE, self.width(), self.isEnabled())
        if self.marks:
            paint_marks(painter, self.marks, self.x_of, _BASE, self.width())
        for end, sigma in zip(self.ends, self.sigmas, strict=True):
            if sigma:
                paint_whisker(painter, self.x_of(end - sigma), self.x_of(end + sigma), _BASE)
        for i, end in enumerate(self.ends):
            self._paint_handle(painter, i, self.x_of(end))
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("verdigris"), 1.0, Qt.PenStyle.DotLine))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRoundedRect(QRectF(0.5, 0.5, self.width() - 1.0, self.height() - 1.0), 3.0, 3.0)

    def _paint_hill(self, painter):
        levels, shares = self.hill.edges, self.hill.shares
        at = [self.x_of(self.value_of_level(t)) for t in levels]
        # What is rare shows too: heights go by the square root of how much there is for each pixel.
        tall = [(s / max(abs(b - a), 0.5)) ** 0.5 for a, b, s in zip(at, at[1:], shares, strict=False)]
        most = max(tall) or 1.0
        path = QPainterPath(QPointF(at[0], _BASE))
        for a, b, h in zip(at, at[1:], tall, strict=False):
            y = _BASE - 2.0 - _HILL * h / most
            path.lineTo(a, y)
            path.lineTo(b, y)
        path.lineTo(at[-1], _BASE)
        path.closeSubpath()
        painter.setPen(QPen(theme.colour(self._ink, 170), 1.0))
        painter.setBrush(theme.colour(self._ink, 70))
        painter.drawPath(path)
        x = self.x_of(self.value_of_level(self.hill.mean))
        painter.setPen(QPen(theme.colour("text"), 1.0, Qt.PenStyle.DashLine))
        painter.drawLine(QPointF(x, 11.0), QPointF(x, _BASE - 1.0))
        painter.setFont(theme.font(7.5))
        wide = QFontMetricsF(painter.font()).horizontalAdvance(tr("mean"))
        painter.drawText(QPointF(min(max(x - 0.5 * wide, 0.0), self.width() - wide), 9.0), tr("mean"))

    def _paint_handle(self, painter, i, x):
        """Half a needle, its upright edge at the value, leaning out of the range."""
        out = -1.0 if (i == 0) == (self.ends[0] <= self.ends[1]) else 1.0
        shape = QPolygonF(
            [QPointF(x, _BASE + 1.0), QPointF(x, _BASE - 15.0), QPointF(x + 6.0 * out, _BASE - 10.0)]
        )  # fmt: skip
        painter.setPen(QPen(theme.colour("text"), 1.0) if i == self.active and self.hasFocus() else Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour(self._ink))
        painter.drawPolygon(shape)
