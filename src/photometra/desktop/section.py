"""The section: the surface drawn as strata, cut from air down to the interior, with one ray and its true split."""

import math
import random

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QPainter, QPainterPath, QPen, QPolygonF
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..figures import figures
from ..instruments import InnerSplit, Split
from ..surface import STRATA, Surface, hex_colour
from ..words import tr
from . import theme
from .called import called
from .hatchings import glass, hatch, pigment
from .section_light import LARGEST_ANGLE, LightDrawing

_LEFT = 15.0


class Section(LightDrawing, QWidget):
    """Draws a surface and the way of a ray. Drag the lamp to turn the ray; click a stratum to choose it.

    Left and right turn the ray, up and down go through the strata. `angle` is the lamp's, in degrees from the normal:
    into a clear interior it can be drawn below the surface, where it is above 90.
    """

    angle_changed = pyqtSignal(float)
    chosen = pyqtSignal(str)

    def __init__(self, parent=None):
        super().__init__(parent)
        self.angle = 35.0
        self.stratum = "finish"
        self._surface, self._split, self._inner, self._size_mm = Surface(), None, None, 60.0
        self._constants_title = ""
        self._dragging = False
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setFixedHeight(268)
        self.setAccessibleName(tr("Section of the surface"))
        self.setToolTip(tr("The surface cut open. Drag the lamp to turn the ray; click a stratum to see its gauges."))

    def sizeHint(self):
        return QSize(336, 268)

    def show_surface(self, surface: Surface, size_mm, constants_title=""):
        self._surface, self._size_mm, self._constants_title = surface, size_mm, constants_title
        if not self._has_inside and self.angle > LARGEST_ANGLE:
            self._turn_to(35.0)
        self.update()

    def show_split(self, split: Split | None, inner: InnerSplit | None = None):
        """Shares of the ray from outside, and of one from within where the lamp is there."""
        self._split, self._inner = split, inner
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
        if name == "sheen":
            return QRectF(0.0, finish.top() - 52.0, w, 18.0)
        bottom = self._sheet_floor if self._surface.is_sheet else h - 20.0
        if name == "reverse":
            return QRectF(0.0, bottom, w, h - bottom)
        if self._surface.is_sheet:
            top, middle = finish.bottom(), finish.bottom() + (24.0 if clear else 34.0)
        else:
            top, middle = finish.bottom(), (finish.bottom() + 24.0 if clear else bottom - 20.0)
        return QRectF(0.0, top, w, middle - top) if name == "body" else QRectF(0.0, middle, w, bottom - middle)

    @property
    def _floor(self):
        """Where the far side of a clear interior is drawn."""
        return float(self.height()) - 22.0

    @property
    def _sheet_floor(self):
        """Where the reverse side of a sheet is drawn."""
        return self._ground + 64.0

    @property
    def _has_inside(self):
        return self._is_clear and not self._surface.is_sheet

    @property
    def is_within(self):
        """Whether the lamp stands in the interior."""
        return self.angle > 90.0

    @property
    def _is_clear(self):
        return self._surface["transmission"] > 0.0 and self._surface["metalness"] < 1.0

    def lamp(self):
        """Where the lamp of the incoming ray stands."""
        r = 84.0 if self.is_within else min(112.0, self._point.x() - 16.0)
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
            self._turn_to(math.degrees(math.atan2(max(0.0, -at.x()), -at.y())))

    def mouseReleaseEvent(self, _event):
        self._dragging = False

    def keyPressEvent(self, event):
        key = event.key()
        if key in (Qt.Key.Key_Left, Qt.Key.Key_Right):
            by = 1.0 if key == Qt.Key.Key_Left else -1.0
            # The way from outside to within leads over the horizon.
            across = self.angle + by > LARGEST_ANGLE and not self.is_within and by > 0.0 and self._has_inside
            back = self.is_within and self.angle + by < 180.0 - LARGEST_ANGLE
            self._turn_to(180.0 - LARGEST_ANGLE if across else LARGEST_ANGLE if back else self.angle + by)
        elif key in (Qt.Key.Key_Up, Qt.Key.Key_Down):
            i = STRATA.index(self.stratum) + (1 if key == Qt.Key.Key_Down else -1)
            self.chosen.emit(STRATA[min(max(i, 0), len(STRATA) - 1)])
        else:
            super().keyPressEvent(event)

    def _turn_to(self, angle):
        within = self._has_inside and angle > 90.0
        angle = min(max(angle, 180.0 - LARGEST_ANGLE), 180.0) if within else min(max(angle, 0.0), LARGEST_ANGLE)
        angle = round(angle, 1)
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
        self._paint_sheen(painter)
        if self._split is not None:
            self._paint_light(painter)
        self._paint_names(painter)

    def _paint_matter(self, painter):
        w, h = float(self.width()), float(self.height())
        bottom = self._sheet_floor if self._surface.is_sheet else self._floor if self._is_clear else h - 20.0
        body = QRectF(0.0, self._ground, w, bottom - self._ground)
        if self._surface["metalness"] > 0.0:
            painter.setOpacity(self._surface["metalness"])
            hatch(painter, body, 7.0, theme.colour("line"))
            painter.setOpacity(1.0)
        if self._surface["metalness"] < 1.0:
            painter.setOpacity(1.0 - self._surface["metalness"])
            if self._is_clear:
                glass(painter, body, self._clear_tint())
            else:
                pigment(painter, body, self._surface.as_measured().rgb("colour"))
            painter.setOpacity(1.0)
        painter.setPen(
            QPen(theme.colour("quiet" if self._surface["metalness"] < 1.0 else "line"), 1.0, Qt.PenStyle.DashLine)
        )
        band = self._band("interior")
        painter.drawLine(band.topLeft(), band.topRight())
        band, sheet = self._band("reverse"), self._surface.is_sheet
        if sheet:
            chosen = self.stratum == "reverse"
            painter.setPen(QPen(theme.colour("verdigris" if chosen else "text"), 1.8 if chosen else 1.4))
        if sheet or not self._is_clear:
            painter.drawLine(band.topLeft(), band.topRight())

    def _clear_tint(self):
        """What white becomes on its way through a clear interior, or None where it stays white."""
        if self._surface["interior.colour"] == (1.0, 1.0, 1.0):
            return None
        deep = self._surface["thickness"] if self._surface.is_sheet else self._size_mm
        ratio = deep / self._surface["interior.depth"]
        return [c**ratio for c in self._surface.rgb("interior.colour")]

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
        tint = QColor(hex_colour(self._surface.rgb("coat.colour")))
        tint.setAlpha(round(30 + 70 * amount))
        painter.fillPath(sheet, tint)
        painter.setPen(QPen(ink, 1.8 if chosen else 1.0))
        painter.drawPolyline(QPolygonF(upper))

    def _paint_sheen(self, painter):
        """Fibres stand on all the rest, the straighter the less rough; none are a dashed line."""
        chosen, amount = self.stratum == "sheen", self._surface["sheen.amount"]
        band = self._band("sheen")
        if amount <= 0.0:
            painter.setPen(QPen(theme.colour("verdigris" if chosen else "line"), 1.0, Qt.PenStyle.DashLine))
            y = band.center().y()
            painter.drawLine(QPointF(0.0, y), QPointF(float(self.width()), y))
            return
        ink = QColor(hex_colour(self._surface.rgb("sheen.colour")))
        ink.setAlpha(round(90 + 150 * amount))
        painter.setPen(QPen(theme.colour("verdigris") if chosen else ink, 1.1))
        foot = self._band("coat").top() if self._surface["coat.amount"] > 0.0 else self._ground - 4.0
        stray = random.Random(23)
        for i in range(int(self.width() / 4.0)):
            x = 4.0 * i + stray.uniform(-1.5, 1.5)
            lean = stray.gauss(0.0, 3.0 + 20.0 * self._surface["sheen.roughness"])
            high = stray.uniform(0.6, 1.0) * (foot - band.top())
            way = QPainterPath(QPointF(x, foot))
            way.quadTo(QPointF(x + 0.2 * lean, foot - 0.6 * high), QPointF(x + lean, foot - high))
            painter.drawPath(way)

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

    def _paint_names(self, painter):
        """The strata's names down the left edge, the chosen one with a bar."""
        for name in STRATA:
            band = self._band(name)
            chosen = name == self.stratum
            painter.setPen(Qt.PenStyle.NoPen)
            if chosen:
                painter.setBrush(theme.colour("verdigris"))
                painter.drawRect(QRectF(0.0, band.top(), 4.0, band.height()))
            words = {
                "sheen": self._sheen_words,
                "coat": self._coat_words,
                "film": self._film_words,
                "body": self._matter,
                "interior": self._inside,
                "reverse": self._reverse_words,
            }
            text = words[name]() if name in words else called(name)
            solid_body = name == "body" and not self._is_clear and not self._surface.is_sheet
            y = band.bottom() - 10.0 if solid_body else band.center().y()
            if name == "reverse" and self._surface.is_sheet:
                y = band.top() + 16.0
            if name == "interior" and self._surface.is_sheet and not self._is_clear:
                continue
            if name == "finish":
                y = self._ground + 14.0
            if name == "film":
                y = band.center().y()
            if name == "coat":
                y = band.center().y() - 4.0
            if name == "sheen":
                y = band.center().y() - 4.0
            # Over a clear body the interface's name stands there already: the finish's goes beside it.
            beside = name == "finish" and self._is_clear
            if beside:
                y = self._band("body").center().y()
            self._label(painter, QPointF(_LEFT + (62.0 if beside else 0.0), y), text)

    def _sheen_words(self):
        amount = self._surface["sheen.amount"]
        return tr("sheen, {0} %", f"{100 * amount:.0f}") if amount > 0.0 else tr("no sheen")

    def _reverse_words(self):
        if self._surface["metalness"] >= 1.0:
            return tr("no back side")
        if not self._surface.is_sheet:
            return tr("no back side: a solid; translucency would let light through")
        return tr("back side")

    def _coat_words(self):
        amount = self._surface["coat.amount"]
        if amount <= 0.0:
            return tr("no coat")
        words = tr("coat {0} µm", figures(self._surface["coat.thickness"]))
        return words + (f", {100 * amount:.0f} %" if amount < 1.0 else "")

    def _film_words(self):
        if not self._has_film:
            return tr("no film")
        share = self._surface["film.amount"]
        return tr("film {0} nm", figures(self._surface["film.thickness"], 4)) + (
            f", {100 * share:.0f} %" if share < 1.0 else ""
        )

    def _matter(self):
        m = self._surface["metalness"]
        if m >= 1.0:
            return tr("metal: {0}", self._constants_title) if self._constants_title else tr("metal")
        if m > 0.0:
            return tr("metal and dielectric, mixed")
        return tr("interface") if self._is_clear else tr("body")

    def _inside(self):
        if self._surface["metalness"] >= 1.0:
            return tr("no interior: a metal lets no light through")
        if self._surface.is_sheet:
            return tr("wall {0} mm", figures(self._surface["thickness"]))
        if self._is_clear:
            return tr("interior")
        if self._surface["subsurface"] > 0.0:
            return tr("interior: scattering")
        return tr("interior: closed; transmission would open it")
