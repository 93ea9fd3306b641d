"""How the section shows classes of matter, as on an engineering drawing."""

import random

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QColor, QPen

from ..surface import hex_colour
from . import theme


def hatch(painter, area, step, ink):
    """Metal: even lines at 45 degrees."""
    painter.save()
    painter.setClipRect(area)
    painter.setPen(QPen(ink, 1.0))
    x = -area.height()
    while x < area.width():
        painter.drawLine(QPointF(area.left() + x, area.bottom()), QPointF(area.left() + x + area.height(), area.top()))
        x += step
    painter.restore()


def pigment(painter, area, colour):
    """A coloured body: grains of its own colour (linear sRGB), in even disorder."""
    painter.save()
    painter.setClipRect(area)
    painter.setPen(Qt.PenStyle.NoPen)
    tint = QColor(hex_colour(colour))
    tint.setAlpha(70)
    painter.fillRect(area, tint)
    tint.setAlpha(255)
    painter.setBrush(tint)
    grain = random.Random(5)
    for row in range(int(area.height() // 9) + 1):
        for column in range(int(area.width() // 11) + 1):
            x = 11.0 * (column + 0.5 * (row % 2)) + grain.uniform(-3, 3)
            y = area.top() + 9.0 * row + 8.0 + grain.uniform(-2.5, 2.5)
            r = grain.uniform(0.9, 1.9)
            painter.drawEllipse(QPointF(x, y), r, r)
    painter.restore()


def glass(painter, area, colour=None):
    """A clear interior: groups of three short strokes, on the colour (linear sRGB) that white becomes in it."""
    painter.save()
    painter.setClipRect(area)
    if colour is not None:
        tint = QColor(hex_colour(colour))
        tint.setAlpha(150)
        painter.fillRect(area, tint)
    painter.setPen(QPen(theme.colour("line"), 1.0))
    place = random.Random(3)
    for row in range(int(area.height() // 34) + 1):
        for column in range(int(area.width() // 62) + 1):
            x = 62.0 * (column + 0.5 * (row % 2)) + place.uniform(-8, 8)
            y = area.top() + 34.0 * row + 20.0 + place.uniform(-4, 4)
            for k, length in enumerate((9.0, 14.0, 9.0)):
                left = x + 5.0 * k
                painter.drawLine(QPointF(left, y + length / 2), QPointF(left + length, y - length / 2))
    painter.restore()
