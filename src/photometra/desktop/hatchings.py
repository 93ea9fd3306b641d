"""How the section shows classes of matter, as on an engineering drawing."""

import random
from functools import lru_cache

from PyQt6.QtCore import QLineF, QPointF, Qt
from PyQt6.QtGui import QColor, QPen, QPolygonF

from ..surface import hex_colour
from . import theme


def hatch(painter, area, step, ink):
    """Metal: even lines at 45 degrees."""
    painter.save()
    painter.setClipRect(area)
    painter.setPen(QPen(ink, 1.0))
    lines, x = [], -area.height()
    while x < area.width():
        lines.append(QLineF(area.left() + x, area.bottom(), area.left() + x + area.height(), area.top()))
        x += step
    painter.drawLines(lines)
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
    for width, grains in _grains(int(area.width() // 11) + 1, int(area.height() // 9) + 1):
        painter.setPen(QPen(tint, width, cap=Qt.PenCapStyle.RoundCap))
        painter.drawPoints(grains.translated(0.0, area.top()))
    painter.restore()


@lru_cache(maxsize=8)
def _grains(columns, rows):
    """((width, places), …) of grains in even disorder, of a few sizes."""
    grain = random.Random(5)
    of_size = {width: QPolygonF() for width in (1.8, 2.3, 2.8, 3.3, 3.8)}
    for row in range(rows):
        for column in range(columns):
            x = 11.0 * (column + 0.5 * (row % 2)) + grain.uniform(-3, 3)
            y = 9.0 * row + 8.0 + grain.uniform(-2.5, 2.5)
            grain.choice(list(of_size.values())).append(QPointF(x, y))
    return tuple(of_size.items())


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
