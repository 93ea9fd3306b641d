"""What all scales have alike: how keys and wheel move them; ticks, marks and whiskers."""

import math

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QFontMetricsF, QPen

from . import theme

_WHEEL, _ARROW, FINE = 0.01, 0.005, 0.1
_KEYS = {
    Qt.Key.Key_Left: -_ARROW, Qt.Key.Key_Down: -_ARROW, Qt.Key.Key_Right: _ARROW, Qt.Key.Key_Up: _ARROW,
    Qt.Key.Key_PageDown: -10 * _ARROW, Qt.Key.Key_PageUp: 10 * _ARROW,
}  # fmt: skip


def fineness(event):
    """How far a move goes: ten times finer with Shift."""
    return FINE if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else 1.0


def key_step(event):
    """The share of a scale that a key moves along it, or None for another key."""
    return _KEYS[event.key()] * fineness(event) if event.key() in _KEYS else None


def wheel_step(event):
    """The share of a scale that the wheel moves along it."""
    return math.copysign(_WHEEL * fineness(event), event.angleDelta().y() or event.angleDelta().x())


def paint_ticks(painter, scale, x_of, base, width, enabled=True):
    """A scale's line with long and short ticks above it."""
    ink = theme.colour("quiet" if enabled else "line")
    painter.setPen(QPen(ink, 1.0))
    painter.drawLine(QPointF(7.0, base), QPointF(width - 7.0, base))
    long, short = scale.ticks()
    for values, height, pen in ((short, 3.0, theme.colour("line")), (long, 6.0, ink)):
        painter.setPen(QPen(pen, 1.0))
        for v in values:
            x = x_of(v)
            painter.drawLine(QPointF(x, base - height), QPointF(x, base))


def paint_marks(painter, marks, x_of, base, width):
    """Real things below the scale, as many as there is room for."""
    painter.setFont(theme.font(7.5))
    metrics = QFontMetricsF(painter.font())
    free_from = 0.0
    for value, label in marks:
        x = x_of(value)
        painter.setPen(QPen(theme.colour("quiet"), 1.0))
        painter.drawLine(QPointF(x, base), QPointF(x, base + 4.0))
        wide = metrics.horizontalAdvance(label)
        left = min(max(x - wide / 2.0, 0.0), width - wide)
        if left < free_from:
            continue
        free_from = left + wide + 6.0
        painter.drawText(QPointF(left, base + 15.0), label)


def paint_whisker(painter, low, high, base):
    """One standard error to either side, never too narrow to be seen."""
    if high - low < 5.0:
        low, high = (low + high) / 2 - 2.5, (low + high) / 2 + 2.5
    painter.setPen(QPen(theme.colour("verdigris"), 2.0))
    painter.drawLine(QPointF(low, base + 3.0), QPointF(high, base + 3.0))
    for x in (low, high):
        painter.drawLine(QPointF(x, base), QPointF(x, base + 6.0))
