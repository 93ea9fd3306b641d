"""The light in the section: a ray, its lobe, and the true shares of the ways it takes."""

import math
import random

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QColor, QFont, QFontMetricsF, QPen, QPolygonF, QRadialGradient

from ..figures import figures
from ..surface import hex_colour
from ..words import tr
from . import theme

LARGEST_ANGLE = 85.0
_SPREAD_DRAWN = 12.0
"""How much the fan of colours in a clear interior is widened, so that it can be seen; said beside it."""


class LightDrawing:
    """What a `Section` draws of light; it has the places, the surface and the shares."""

    def _paint_light(self, painter):
        if self.is_within and self._inner is not None:
            self._paint_inner_light(painter)
        else:
            self._paint_outer_light(painter)

    def _paint_lamp(self, painter, t):
        """The lamp, its ray, and its angle to the normal."""
        p, lamp = self._point, self.lamp()
        painter.setPen(QPen(theme.colour("line"), 1.0, Qt.PenStyle.DashDotLine))
        painter.drawLine(QPointF(p.x(), 10.0), QPointF(p.x(), self._ground + 26.0))
        painter.setPen(QPen(theme.colour("text"), 2.2))
        painter.drawLine(lamp, p)
        painter.setBrush(theme.colour("raised"))
        painter.setPen(QPen(theme.colour("text"), 1.4))
        painter.drawEllipse(lamp, 7.0, 7.0)
        painter.setBrush(theme.colour("text"))
        painter.drawEllipse(lamp, 2.2, 2.2)
        arc = QRectF(p.x() - 34.0, p.y() - 34.0, 68.0, 68.0)
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.setPen(QPen(theme.colour("quiet"), 1.0))
        up = -1.0 if self.is_within else 1.0
        painter.drawArc(arc, 270 * 16 if self.is_within else 90 * 16, int(up * math.degrees(t) * 16))
        self._label(
            painter,
            QPointF(p.x() - 46.0 * math.sin(t / 2) - 12.0, p.y() - up * 48.0 * math.cos(t / 2)),
            f"{math.degrees(t):.0f}°",
        )

    def _paint_inner_light(self, painter):
        """A ray that comes up from within: what is thrown back, and what gets out, if the angle lets it."""
        inner, p = self._inner, self._point
        t = math.radians(180.0 - self.angle)
        self._paint_lamp(painter, t)
        back = QPointF(p.x() + 78.0 * math.sin(t), p.y() + 78.0 * math.cos(t))
        self._ray(painter, p, back, inner.returned)
        x = self.width() - 8.0
        if inner.leaves_deg is None:
            words = tr("total internal reflection: beyond {0}° nothing leaves", f"{inner.critical_deg:.1f}")
        else:
            out = math.radians(inner.leaves_deg)
            tip = QPointF(p.x() + 90.0 * math.sin(out), p.y() - 90.0 * math.cos(out))
            self._ray(painter, p, tip, inner.leaves)
            words = tr("{0} leaves at {1}°", percent(inner.leaves.share), f"{inner.leaves_deg:.1f}")
            words += tr("; nothing beyond {0}°", f"{inner.critical_deg:.1f}")
        self._label(painter, QPointF(x, 14.0), words, inner.leaves.colour if inner.leaves_deg else None, right=True)
        self._label(
            painter, QPointF(x, self.height() - 32.0), tr("{0} internally reflected", percent(inner.returned.share)),
            inner.returned.colour, right=True,
        )  # fmt: skip

    def _paint_outer_light(self, painter):
        split, p = self._split, self._point
        # The split comes from a worker: for a moment it may be that of another matter.
        clear = self._is_clear and split.refracted_deg is not None
        t = math.radians(min(self.angle, LARGEST_ANGLE))
        self._paint_lobe(painter)
        self._paint_lamp(painter, t)
        # What is reflected, along the mirror direction.
        reach = 96.0
        tip = QPointF(p.x() + reach * math.sin(t), p.y() - reach * math.cos(t))
        self._ray(painter, p, tip, split.reflected)
        x = self.width() - 8.0
        text = tr("{0} reflected", percent(split.reflected.share))
        if split.haze_share > 0.0:
            text += tr(", {0} of it haze", percent(split.haze_share))
        self._label(painter, QPointF(x, 14.0), text, split.reflected.colour, right=True)
        if self._surface.is_sheet:
            self._paint_through(painter, p, t)
        y = self._ground + (44.0 if clear else 26.0)
        if self._mean_free_paths() is not None:
            self._paint_cloud(painter)
        if self._surface["metalness"] < 1.0 and not clear and self._surface["transmission"] < 1.0:
            self._paint_body_light(painter, p)
            self._label(
                painter,
                QPointF(x, y),
                tr("{0} back out of the body", percent(split.body.share)),
                split.body.colour,
                right=True,
            )
            y += 19.0
        if clear:
            self._paint_clear_light(painter, p)
            deep = self._size_mm / math.cos(math.radians(split.refracted_deg[1]))
            spread = split.refracted_deg[2] - split.refracted_deg[0]
            words = tr("path {0} mm", f"{deep:.1f}")
            if spread > 1e-3:
                words += tr("; spread {0}°, drawn × {1}", f"{spread:.2f}", f"{_SPREAD_DRAWN:g}")
            self._label(painter, QPointF(x, y), words, right=True)
            y = self.height() - 32.0
            self._label(
                painter, QPointF(x, y),
                tr("{0} leaves, {1} internally reflected", percent(split.leaves.share), percent(split.returned.share)),
                split.leaves.colour, right=True,
            )  # fmt: skip
            y -= 19.0
        self._label(painter, QPointF(x, y), tr("{0} absorbed", percent(split.absorbed.share)), right=True)

    def _paint_through(self, painter, p, t):
        """Light through a sheet: straight on through its clear share, on all sides from its body."""
        below, leaves = self._sheet_floor, self._split.leaves
        start = QPointF(p.x() + (below - p.y()) * 0.35 * math.tan(min(t, 1.2)), below)
        if self._surface["transmission"] > 0.0:
            painter.setPen(QPen(theme.colour("text"), 1.2))
            painter.drawLine(p, start)
            self._ray(painter, start, QPointF(start.x() + 44.0 * math.sin(t), below + 44.0 * math.cos(t)), leaves)
        if self._surface.applies("reverse.colour"):
            painter.setPen(Qt.PenStyle.NoPen)
            ink = QColor(hex_colour(leaves.colour))
            ink.setAlpha(150)
            painter.setBrush(ink)
            # A cosine lobe, as light leaves a body.
            r = 12.0 + 30.0 * math.sqrt(max(0.0, leaves.share))
            painter.drawEllipse(QPointF(start.x(), below + r), r, r)
        words = tr("{0} through to the back side", percent(leaves.share))
        self._label(painter, QPointF(self.width() - 8.0, below + 16.0), words, leaves.colour, right=True)

    def _paint_lobe(self, painter):
        degrees, light = self._split.lobe
        p, reach = self._point, 84.0
        shape = QPolygonF([p])
        for d, v in zip(degrees, light, strict=True):
            # The cube root keeps the foot of a narrow lobe in sight.
            r = reach * float(v) ** (1.0 / 3.0)
            shape.append(QPointF(p.x() + r * math.sin(math.radians(d)), p.y() - r * math.cos(math.radians(d))))
        painter.setPen(QPen(theme.colour("verdigris", 150), 1.0))
        painter.setBrush(theme.colour("verdigris", 46))
        painter.drawPolygon(shape)

    def _paint_body_light(self, painter, p):
        """Light that wanders in the body: a short way in, and out again on all sides."""
        ink = QColor(hex_colour(self._split.body.colour))
        turn = random.Random(2)
        for start in (-26.0, 0.0, 30.0):
            way = [QPointF(p.x(), p.y() + 3.0)]
            for _ in range(5):
                last = way[-1]
                way.append(QPointF(last.x() + turn.uniform(-13, 13) + start / 5, last.y() + turn.uniform(-5, 15)))
            way.append(QPointF(p.x() + 1.5 * start, p.y()))
            painter.setPen(QPen(theme.colour("raised", 170), 3.2))
            painter.drawPolyline(QPolygonF(way))
            painter.setPen(QPen(ink, 1.5))
            painter.drawPolyline(QPolygonF(way))

    def _mean_free_paths(self):
        """Mean free paths in mm, red, green and blue, of what scatters below; None where nothing does."""
        s = self._surface
        if s["metalness"] >= 1.0:
            return None
        if s["transmission"] < 1.0 and s["subsurface"] > 0.0:
            return tuple(r * s["subsurface.scale"] for r in s.rgb("subsurface.radius")) if not s.is_sheet else None
        if s.applies("interior.scatter") and max(s["interior.scatter"]) > 0.0:
            return tuple(1.0 / max(v, 1e-6) for v in s.rgb("interior.scatter"))
        return None

    def _paint_cloud(self, painter):
        """Clouds of one mean free path for red, green and blue, to scale, beside a bar in millimetres."""
        floor = self._floor
        scale = (floor - self._ground) / self._size_mm
        paths = self._mean_free_paths()
        at = QPointF(0.22 * self.width(), self._ground + 0.58 * (floor - self._ground))
        inks = (QColor(200, 80, 60), QColor(90, 160, 90), QColor(70, 110, 200))
        for path, ink in sorted(zip(paths, inks, strict=True), key=lambda pair: -pair[0]):
            radius = min(max(path * scale, 1.5), 0.45 * self.width())
            cloud = QRadialGradient(at, radius)
            ink.setAlpha(150)
            cloud.setColorAt(0.0, ink)
            ink.setAlpha(20)
            cloud.setColorAt(1.0, ink)
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(cloud)
            painter.drawEllipse(at, radius, radius)
        words = " ".join(figures(v) for v in paths)
        y = self._ground + 64.0
        self._label(painter, QPointF(self.width() - 8.0, y), tr("mean free path {0} mm", words), right=True)
        bar = 10.0 ** math.floor(math.log10(0.5 * self._size_mm))
        left, y = at.x() + 40.0, at.y() + 18.0
        painter.setPen(QPen(theme.colour("text"), 1.4))
        painter.drawLine(QPointF(left, y), QPointF(left + bar * scale, y))
        for x in (left, left + bar * scale):
            painter.drawLine(QPointF(x, y - 3.0), QPointF(x, y + 3.0))
        self._label(painter, QPointF(left + bar * scale + 8.0, y), f"{bar:g} mm")

    def _paint_clear_light(self, painter, p):
        far = self._floor
        inks = (QColor(70, 110, 200), theme.colour("text"), QColor(200, 80, 60))
        angles = self._split.refracted_deg
        spread = max(angles) - min(angles) > 1e-3
        for ink, angle in zip(inks, angles, strict=True):
            if not spread and ink != inks[1]:
                continue
            t = math.radians(angles[1] + _SPREAD_DRAWN * (angle - angles[1]))
            end = QPointF(p.x() + (far - p.y()) * math.tan(t), far)
            painter.setPen(QPen(ink, 1.8 if ink == inks[1] else 1.0))
            painter.drawLine(p, end)
            out = math.radians(self.angle)
            if self.angle < 80.0:
                left = float(self.height()) - far
                painter.drawLine(end, QPointF(end.x() + left * math.tan(out), far + left))
        painter.setPen(QPen(theme.colour("text"), 1.4))
        painter.drawLine(QPointF(0.0, far), QPointF(float(self.width()), far))
        # A dimension, as on a drawing.
        x = 30.0
        painter.setPen(QPen(theme.colour("quiet"), 1.0))
        painter.drawLine(QPointF(x, self._ground + 5.0), QPointF(x, far - 5.0))
        for y, s in ((self._ground + 4.0, 1.0), (far - 4.0, -1.0)):
            painter.drawLine(QPointF(x, y), QPointF(x - 3.0, y + 7.0 * s))
            painter.drawLine(QPointF(x, y), QPointF(x + 3.0, y + 7.0 * s))
        self._label(painter, QPointF(x + 6.0, (self._ground + far) / 2.0), f"{self._size_mm:g} mm")

    def _ray(self, painter, start, end, share):
        """An arrow as thick as its share, in its colour, edged so that it shows on any ground."""
        width = 0.8 + 3.0 * math.sqrt(max(0.0, share.share))
        painter.setPen(QPen(theme.colour("text"), width + 1.2))
        painter.drawLine(start, end)
        painter.setPen(QPen(QColor(hex_colour(share.colour)), width))
        painter.drawLine(start, end)
        direction = math.atan2(end.y() - start.y(), end.x() - start.x())
        end = QPointF(end.x() + 6.0 * math.cos(direction), end.y() + 6.0 * math.sin(direction))
        head = QPolygonF([end])
        for side in (2.7, -2.7):
            head.append(
                QPointF(end.x() + 11.0 * math.cos(direction + side), end.y() + 11.0 * math.sin(direction + side))
            )
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("text"))
        painter.drawPolygon(head)

    def _label(self, painter, at, text, colour=None, right=False):
        """Words on the drawing, on a ground that keeps the hatching off them; a patch shows a light's colour."""
        painter.setFont(theme.font(8.5, QFont.Weight.Medium))
        metrics = QFontMetricsF(painter.font())
        wide = metrics.horizontalAdvance(text)
        patch = 15.0 if colour is not None else 0.0
        left = at.x() - wide - patch if right else at.x()
        box = QRectF(left - 4.0, at.y() - 8.5, wide + patch + 8.0, 17.0)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("raised", 225))
        painter.drawRoundedRect(box, 3.0, 3.0)
        if colour is not None:
            painter.setPen(QPen(theme.colour("quiet"), 1.0))
            painter.setBrush(QColor(hex_colour(colour)))
            painter.drawRect(QRectF(left, at.y() - 4.5, 9.0, 9.0))
        painter.setPen(theme.colour("text"))
        painter.drawText(QPointF(left + patch, at.y() + metrics.capHeight() / 2.0), text)


def percent(share):
    """A share for people."""
    value = 100.0 * share
    return f"{value:.1f} %" if value >= 0.05 or value == 0.0 else "< 0.1 %"
