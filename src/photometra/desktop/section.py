"""The section: the surface drawn as strata, cut from air down to the interior, with one ray and its true split."""

import math
import random

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QFont, QFontMetricsF, QPainter, QPainterPath, QPen, QPolygonF, QRadialGradient
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..instruments import Split
from ..surface import STRATA, Surface, hex_colour
from . import theme
from .hatchings import glass, hatch, pigment

_LEFT = 15.0
_LARGEST_ANGLE = 85.0
_SPREAD_DRAWN = 12.0
"""How much the fan of colours in a clear interior is widened, so that it can be seen; said beside it."""


class Section(QWidget):
    """Draws a surface and the way of a ray. Drag the lamp to turn the ray; click a stratum to choose it.

    Left and right turn the ray, up and down go through the strata.
    """

    angle_changed = pyqtSignal(float)
    chosen = pyqtSignal(str)

    def __init__(self, parent=None):
        super().__init__(parent)
        self.angle = 35.0
        self.stratum = "finish"
        self._surface, self._split, self._size_mm = Surface(), None, 60.0
        self._constants_title = ""
        self._dragging = False
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setFixedHeight(268)
        self.setAccessibleName("Section of the surface")
        self.setToolTip("The surface cut open. Drag the lamp to turn the ray; click a stratum to see its gauges.")

    def sizeHint(self):
        return QSize(336, 268)

    def show_surface(self, surface: Surface, size_mm, constants_title=""):
        self._surface, self._size_mm, self._constants_title = surface, size_mm, constants_title
        self.update()

    def show_split(self, split: Split | None):
        self._split = split
        self.update()

    def show_stratum(self, name):
        self.stratum = name
        self.update()

    # Places.

    @property
    def _ground(self):
        return 132.0

    @property
    def _point(self):
        return QPointF(0.40 * self.width(), self._ground)

    def _band(self, name):
        """The rectangle of a stratum."""
        w, h = float(self.width()), float(self.height())
        finish = QRectF(0.0, self._ground - 9.0, w, 18.0)
        clear = self._is_clear
        if name == "finish":
            return finish
        if name == "film":
            return QRectF(0.0, finish.top() - 16.0, w, 16.0)
        if name == "coat":
            return QRectF(0.0, finish.top() - 34.0, w, 18.0)
        top, middle = finish.bottom(), (finish.bottom() + 24.0 if clear else h - 22.0)
        return QRectF(0.0, top, w, middle - top) if name == "body" else QRectF(0.0, middle, w, h - middle)

    @property
    def _is_clear(self):
        return self._surface["transmission"] > 0.0 and self._surface["metalness"] < 1.0

    def lamp(self):
        """Where the lamp of the incoming ray stands."""
        r = min(112.0, self._point.x() - 16.0)
        t = math.radians(self.angle)
        return QPointF(self._point.x() - r * math.sin(t), self._ground - r * math.cos(t))

    # What the person does.

    def mousePressEvent(self, event):
        if event.button() != Qt.MouseButton.LeftButton:
            return
        at = event.position()
        lamp = self.lamp()
        if math.hypot(at.x() - lamp.x(), at.y() - lamp.y()) < 14.0:
            self._dragging = True
            return
        for name in STRATA:
            if self._band(name).contains(at):
                self.chosen.emit(name)
                return

    def mouseMoveEvent(self, event):
        if self._dragging:
            at = event.position() - self._point
            self._turn_to(math.degrees(math.atan2(-at.x(), max(1e-6, -at.y()))))

    def mouseReleaseEvent(self, _event):
        self._dragging = False

    def keyPressEvent(self, event):
        key = event.key()
        if key in (Qt.Key.Key_Left, Qt.Key.Key_Right):
            self._turn_to(self.angle + (1.0 if key == Qt.Key.Key_Left else -1.0))
        elif key in (Qt.Key.Key_Up, Qt.Key.Key_Down):
            i = STRATA.index(self.stratum) + (1 if key == Qt.Key.Key_Down else -1)
            self.chosen.emit(STRATA[min(max(i, 0), len(STRATA) - 1)])
        else:
            super().keyPressEvent(event)

    def _turn_to(self, angle):
        angle = round(min(max(angle, 0.0), _LARGEST_ANGLE), 1)
        if angle != self.angle:
            self.angle = angle
            self.update()
            self.angle_changed.emit(angle)

    # The drawing.

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.fillRect(self.rect(), theme.colour("raised"))
        self._paint_matter(painter)
        self._paint_profile(painter)
        self._paint_coat(painter)
        self._paint_film(painter)
        if self._split is not None:
            self._paint_light(painter)
        self._paint_names(painter)

    def _paint_matter(self, painter):
        w, h = float(self.width()), float(self.height())
        body = QRectF(0.0, self._ground, w, h - self._ground)
        if self._surface["metalness"] > 0.0:
            painter.setOpacity(self._surface["metalness"])
            hatch(painter, body, 7.0, theme.colour("line"))
            painter.setOpacity(1.0)
        if self._surface["metalness"] < 1.0:
            painter.setOpacity(1.0 - self._surface["metalness"])
            if self._is_clear:
                glass(painter, body, self._clear_tint())
            else:
                pigment(painter, body, self._surface.as_measured()["colour"])
            painter.setOpacity(1.0)
        if self._surface["metalness"] < 1.0:
            band = self._band("interior")
            painter.setPen(QPen(theme.colour("quiet"), 1.0, Qt.PenStyle.DashLine))
            painter.drawLine(band.topLeft(), band.topRight())
        elif not self._is_clear:
            band = self._band("interior")
            painter.setPen(QPen(theme.colour("line"), 1.0, Qt.PenStyle.DashLine))
            painter.drawLine(band.topLeft(), band.topRight())

    def _clear_tint(self):
        """What white becomes on its way through a clear interior, or None where it stays white."""
        if self._surface["interior.colour"] == (1.0, 1.0, 1.0):
            return None
        ratio = self._size_mm / self._surface["interior.depth"]
        return [c**ratio for c in self._surface["interior.colour"]]

    def _profile(self):
        """The finish: slopes as wide as alpha makes them."""
        amplitude = 9.0 * self._surface["roughness"] ** 1.3
        grain = random.Random(11)
        profile = QPolygonF()
        x, step = -4.0, 4.0
        while x < self.width() + 8.0:
            profile.append(QPointF(x, self._ground + amplitude * grain.uniform(-0.8, 0.8)))
            x += step
        return profile

    def _paint_profile(self, painter):
        profile, chosen = self._profile(), self.stratum == "finish"
        air = QPainterPath()
        air.addPolygon(profile)
        air.lineTo(self.width() + 8.0, 0.0)
        air.lineTo(-4.0, 0.0)
        painter.fillPath(air, theme.colour("raised"))
        painter.setPen(QPen(theme.colour("verdigris" if chosen else "text"), 2.0 if chosen else 1.4))
        painter.drawPolyline(profile)

    def _paint_coat(self, painter):
        """The coat lies over all, its face as rough as its own finish; a coat that is not there is a dashed line."""
        chosen, amount = self.stratum == "coat", self._surface["coat.amount"]
        ink = theme.colour("verdigris" if chosen else "text" if amount > 0.0 else "line")
        y = self._band("coat").center().y()
        if amount <= 0.0:
            painter.setPen(QPen(ink, 1.0, Qt.PenStyle.DashLine))
            painter.drawLine(QPointF(0.0, y), QPointF(float(self.width()), y))
            return
        grain, rough = random.Random(7), 7.0 * self._surface["coat.roughness"] ** 1.3
        steps = range(int(self.width() // 4) + 3)
        upper = [QPointF(4.0 * i - 4.0, y + rough * grain.uniform(-0.8, 0.8)) for i in steps]
        sheet = QPainterPath()
        sheet.addPolygon(self._profile())
        for p in reversed(upper):
            sheet.lineTo(p)
        tint = QColor(hex_colour(self._surface["coat.colour"]))
        tint.setAlpha(round(30 + 70 * amount))
        painter.fillPath(sheet, tint)
        painter.setPen(QPen(ink, 1.8 if chosen else 1.0))
        painter.drawPolyline(QPolygonF(upper))

    @property
    def _has_film(self):
        return self._surface["film.amount"] > 0.0 and self._surface["film.thickness"] > 0.0

    def _paint_film(self, painter):
        """The film follows the finish, in the colour it gives; a film that is not there is a dashed line."""
        chosen = self.stratum == "film"
        ink = theme.colour("verdigris" if chosen else "text" if self._has_film else "line")
        if not self._has_film:
            painter.setPen(QPen(ink, 1.0, Qt.PenStyle.DashLine))
            y = self._band("film").center().y()
            painter.drawLine(QPointF(0.0, y), QPointF(float(self.width()), y))
            return
        lower = self._profile()
        # Thick films are drawn thicker, by the root, so that a nanometre film still shows.
        rise = 3.0 + 14.0 * math.sqrt(self._surface["film.thickness"] / 5000.0)
        upper = QPolygonF([QPointF(p.x(), p.y() - rise) for p in lower])
        sheet = QPainterPath()
        sheet.addPolygon(lower)
        for p in reversed(list(upper)):
            sheet.lineTo(p)
        tint = QColor(hex_colour(self._split.reflected.colour)) if self._split else theme.colour("quiet")
        tint.setAlpha(round(80 + 150 * self._surface["film.amount"]))
        painter.fillPath(sheet, tint)
        painter.setPen(QPen(ink, 1.8 if chosen else 1.0))
        painter.drawPolyline(upper)

    def _paint_light(self, painter):
        split, p = self._split, self._point
        # The split comes from a worker: for a moment it may be that of another matter.
        clear = self._is_clear and split.refracted_deg is not None
        t = math.radians(self.angle)
        self._paint_lobe(painter)
        painter.setPen(QPen(theme.colour("line"), 1.0, Qt.PenStyle.DashDotLine))
        painter.drawLine(QPointF(p.x(), 10.0), QPointF(p.x(), self._ground + 26.0))
        # The lamp and its ray.
        lamp = self.lamp()
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
        painter.drawArc(arc, 90 * 16, int(self.angle * 16))
        self._label(
            painter,
            QPointF(p.x() - 46.0 * math.sin(t / 2) - 12.0, p.y() - 48.0 * math.cos(t / 2)),
            f"{self.angle:.0f}°",
        )
        # What is reflected, along the mirror direction.
        reach = 96.0
        tip = QPointF(p.x() + reach * math.sin(t), p.y() - reach * math.cos(t))
        self._ray(painter, p, tip, split.reflected)
        x = self.width() - 8.0
        text = f"{_percent(split.reflected.share)} reflected"
        if split.haze_share > 0.0:
            text += f", {_percent(split.haze_share)} of it haze"
        self._label(painter, QPointF(x, 14.0), text, split.reflected.colour, right=True)
        y = self._ground + (44.0 if clear else 26.0)
        if self._mean_free_paths() is not None:
            self._paint_cloud(painter)
        if self._surface["metalness"] < 1.0 and not clear:
            self._paint_body_light(painter, p)
            self._label(
                painter,
                QPointF(x, y),
                f"{_percent(split.body.share)} back out of the body",
                split.body.colour,
                right=True,
            )
            y += 19.0
        if clear:
            self._paint_clear_light(painter, p)
            deep = self._size_mm / math.cos(math.radians(split.refracted_deg[1]))
            spread = split.refracted_deg[2] - split.refracted_deg[0]
            words = f"path {deep:.1f} mm"
            if spread > 1e-3:
                words += f"; spread {spread:.2f}°, drawn × {_SPREAD_DRAWN:g}"
            self._label(painter, QPointF(x, y), words, right=True)
            y = self.height() - 14.0
            self._label(
                painter, QPointF(x, y),
                f"{_percent(split.leaves.share)} leaves, {_percent(split.returned.share)} thrown back",
                split.leaves.colour, right=True,
            )  # fmt: skip
            y -= 19.0
        self._label(painter, QPointF(x, y), f"{_percent(split.absorbed.share)} absorbed", right=True)

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
            return tuple(r * s["subsurface.scale"] for r in s["subsurface.radius"])
        if s["transmission"] > 0.0 and max(s["interior.scatter"]) > 0.0:
            return tuple(1.0 / max(v, 1e-6) for v in s["interior.scatter"])
        return None

    def _paint_cloud(self, painter):
        """Clouds of one mean free path for red, green and blue, to scale, beside a bar in millimetres."""
        floor = float(self.height()) - 30.0
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
        words = " ".join(f"{v:.3g}" for v in paths)
        y = self._ground + 64.0
        self._label(painter, QPointF(self.width() - 8.0, y), f"mean free path {words} mm", right=True)
        bar = 10.0 ** math.floor(math.log10(0.5 * self._size_mm))
        left, y = at.x() + 40.0, at.y() + 18.0
        painter.setPen(QPen(theme.colour("text"), 1.4))
        painter.drawLine(QPointF(left, y), QPointF(left + bar * scale, y))
        for x in (left, left + bar * scale):
            painter.drawLine(QPointF(x, y - 3.0), QPointF(x, y + 3.0))
        self._label(painter, QPointF(left + bar * scale + 8.0, y), f"{bar:g} mm")

    def _paint_clear_light(self, painter, p):
        far = float(self.height()) - 30.0
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
                painter.drawLine(end, QPointF(end.x() + 30.0 * math.tan(out), far + 30.0))
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

    def _paint_names(self, painter):
        """The strata's names down the left edge, the chosen one with a bar."""
        for name in STRATA:
            band = self._band(name)
            chosen = name == self.stratum
            painter.setPen(Qt.PenStyle.NoPen)
            if chosen:
                painter.setBrush(theme.colour("verdigris"))
                painter.drawRect(QRectF(0.0, band.top(), 4.0, band.height()))
            words = {"coat": self._coat_words, "film": self._film_words, "body": self._matter, "interior": self._inside}
            text = words[name]() if name in words else name
            y = band.bottom() - 10.0 if name == "body" and not self._is_clear else band.center().y()
            if name == "finish":
                y = self._ground + 14.0
            if name == "film":
                y = band.center().y()
            if name == "coat":
                y = band.center().y() - 8.0
            # Over a clear body the interface's name stands there already: the finish's goes beside it.
            beside = name == "finish" and self._is_clear
            if beside:
                y = self._band("body").center().y()
            self._label(painter, QPointF(_LEFT + (62.0 if beside else 0.0), y), text)

    def _coat_words(self):
        amount = self._surface["coat.amount"]
        if amount <= 0.0:
            return "no coat"
        return f"coat, index {self._surface['coat.ior']:.3g}" + (f", {100 * amount:.0f} %" if amount < 1.0 else "")

    def _film_words(self):
        if not self._has_film:
            return "no film"
        share = self._surface["film.amount"]
        return f"film {self._surface['film.thickness']:.4g} nm" + (f", {100 * share:.0f} %" if share < 1.0 else "")

    def _matter(self):
        m = self._surface["metalness"]
        if m >= 1.0:
            return f"metal: {self._constants_title}" if self._constants_title else "metal"
        if m > 0.0:
            return "metal and dielectric, mixed"
        return "interface" if self._is_clear else "body"

    def _inside(self):
        if self._surface["metalness"] >= 1.0:
            return "no interior: a metal lets no light through"
        if self._is_clear:
            return "interior"
        if self._surface["subsurface"] > 0.0:
            return "interior: light wanders"
        return "interior: closed; transmission or subsurface would open it"


def _percent(share):
    value = 100.0 * share
    return f"{value:.1f} %" if value >= 0.05 or value == 0.0 else "< 0.1 %"
