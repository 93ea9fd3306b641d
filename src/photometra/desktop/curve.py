"""A small chart of a curve or two, with words below."""

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QFontMetricsF, QLinearGradient, QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..colour import WAVELENGTHS, sensor_matrix
from ..figures import figures
from . import theme

_VISIBLE_NM = (400.0, 700.0)


def _hues(low, high):
    """A gradient over wavelengths in their own hues."""
    gradient = QLinearGradient(0.0, 0.0, 1.0, 0.0)
    for nm in np.linspace(low, high, 31):
        rgb = np.clip(sensor_matrix()[int(np.argmin(np.abs(WAVELENGTHS - nm)))], 0.0, None)
        rgb = rgb / max(rgb.max(), 1e-9)
        # Pure hues would shout; white is mixed in, and what is hardly seen is faint.
        rgb = 0.7 * rgb + 0.3
        inside = 0.6 if _VISIBLE_NM[0] < nm < _VISIBLE_NM[1] else 0.3
        gradient.setColorAt((nm - low) / (high - low), QColor.fromRgbF(*(float(v) for v in rgb), inside))
    return gradient


class Curve(QWidget):
    """Curves over one axis, with the highest value written: the first is drawn strong, or filled; a second one thin.

    mark: an x with a dashed line.

    is_spectrum: x is in nm, and the curve is filled with the hues of the wavelengths.
    """

    def __init__(self, words, parent=None):
        super().__init__(parent)
        self.words, self.is_filled, self.is_spectrum, self.mark = words, False, False, None
        self.curves = []
        self.setMinimumSize(100, 60)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setAccessibleName(words)

    def show_curves(self, curves, words, is_filled=False, is_spectrum=False, mark=None):
        """curves: [(x (n,), y (n,))]; NaN is left out."""
        self.curves = []
        for x, y in curves:
            x, y = np.asarray(x, float), np.asarray(y, float)
            known = np.isfinite(x) & np.isfinite(y)
            self.curves.append((x[known], y[known]))
        self.words, self.is_filled, self.is_spectrum, self.mark = words, is_filled, is_spectrum, mark
        self.update()

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        area = QRectF(4.0, 4.0, self.width() - 8.0, self.height() - 24.0)
        painter.fillRect(area, theme.colour("raised"))
        painter.setFont(theme.font(8.0))
        painter.setPen(theme.colour("quiet"))
        below = QRectF(0.0, self.height() - 18.0, self.width(), 16.0)
        words = QFontMetricsF(painter.font()).elidedText(self.words, Qt.TextElideMode.ElideMiddle, below.width())
        painter.drawText(below, Qt.AlignmentFlag.AlignCenter, words)
        drawn = [c for c in self.curves if c[0].size > 1]
        if not drawn:
            return
        left, right = min(c[0][0] for c in drawn), max(c[0][-1] for c in drawn)
        high = max(float(c[1].max()) for c in drawn) or 1.0

        def points_of(x, y):
            across = area.left() + area.width() * (x - left) / ((right - left) or 1.0)
            up = area.bottom() - 0.94 * area.height() * np.maximum(y, 0.0) / high
            return [QPointF(*p) for p in np.stack([across, up], axis=1).tolist()]

        first = points_of(*drawn[0])
        if self.is_filled or self.is_spectrum:
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(theme.colour("quiet"))
            if self.is_spectrum:
                gradient = _hues(left, right)
                gradient.setStart(area.left(), 0.0)
                gradient.setFinalStop(area.right(), 0.0)
                painter.setBrush(gradient)
            ends = QPointF(first[0].x(), area.bottom()), QPointF(first[-1].x(), area.bottom())
            painter.drawPolygon(QPolygonF([ends[0], *first, ends[1]]))
        if self.mark is not None:
            at = points_of(np.array([self.mark]), np.array([0.0]))[0].x()
            painter.setPen(QPen(theme.colour("text"), 1.0, Qt.PenStyle.DashLine))
            painter.drawLine(QPointF(at, area.top()), QPointF(at, area.bottom()))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        if not self.is_filled:
            painter.setPen(QPen(theme.colour("verdigris"), 1.8))
            painter.drawPolyline(QPolygonF(first))
        for curve in drawn[1:]:
            painter.setPen(QPen(theme.colour("text"), 1.1, Qt.PenStyle.DashLine))
            painter.drawPolyline(QPolygonF(points_of(*curve)))
        if not self.is_filled:
            # Over the curves, which would strike the number through where they begin high.
            told, metrics = figures(high), QFontMetricsF(painter.font())
            box = QRectF(area.left() + 2.0, area.top() + 1.0, metrics.horizontalAdvance(told) + 5.0, metrics.height())
            painter.fillRect(box, theme.colour("raised"))
            painter.setPen(theme.colour("text"))
            painter.drawText(box, Qt.AlignmentFlag.AlignCenter, told)
