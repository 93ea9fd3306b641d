"""The photograph on its own: zoomed and moved about, with four corners to drag, and the render laid over its frame."""

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen, QPolygonF, QTransform
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..errors import InputError
from ..imaging.framing import corners_within
from ..imaging.lining_up import moved
from ..imaging.references import CHART_SHAPE, homography, mapped
from ..study import WHOLE
from ..words import tr
from . import theme
from .picture import light_turn_of, orbit_of, wheel_factor
from .tiles import Tiles

_REACH = 16.0
_MARGIN = 12.0
_FARTHEST, _NEAREST = 0.5, 32.0


class PhotographView(QWidget):
    """The photograph, and four corners that can be dragged: of the render's frame, or of a chart.

    The wheel zooms about the pointer, the right button moves the picture about, a double click shows all of it again.
    """

    dragged = pyqtSignal(object, bool)
    """The corners ((x, y), ...) in 0..1 of the photograph, and whether the drag goes on."""
    clicked = pyqtSignal(float, float)
    orbited = pyqtSignal(float, float, bool)
    """The booth's camera is to go round and up by degrees; whether the drag goes on."""
    turned = pyqtSignal(float, bool)
    neared = pyqtSignal(float)

    def __init__(self, parent=None):
        super().__init__(parent)
        self.tiles = Tiles(self)
        self.tiles.arrived.connect(self.update)
        self.corners = WHOLE
        self.has_grid = False
        self.is_frame_held, self.is_camera_held = True, False
        self.render, self.opacity, self.residuals = None, 0.0, None
        self.zoom, self._middle = 1.0, (0.5, 0.5)
        self._held = self._frame_from = self._pressed = self._moving = self._orbiting = None
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setMinimumHeight(220)
        self.setAccessibleName(tr("Photograph"))
        self.setToolTip(tr("The wheel zooms, the right button moves the picture about, a double click shows all of it"))

    def show_photograph(self, pyramid, shown, corners):
        """Show a pyramid by a way to the screen, with four corners."""
        if pyramid is None or self.tiles.pyramid is None or pyramid.aspect != self.tiles.pyramid.aspect:
            self.zoom, self._middle = 1.0, (0.5, 0.5)
        self.tiles.show(pyramid, shown)
        self.show_corners(corners)

    def show_corners(self, corners, has_grid=False, is_frame_held=False, is_camera_held=False):
        """Show other corners over the same photograph; a chart's have a grid between them.

        is_frame_held: a drag within the corners moves all four; is_camera_held: drags and the wheel move the booth's
        camera and light instead, as they do in the sight.
        """
        self.has_grid, self.is_frame_held, self.is_camera_held = has_grid, is_frame_held, is_camera_held
        if self._held is None and self._frame_from is None:
            self.corners = corners
        self.update()

    def show_residuals(self, residuals):
        """Write ΔE2000 (24,) into the patches of a chart; None for none."""
        self.residuals = residuals
        self.update()

    def show_render(self, image, opacity):
        """Lay a render over its frame; None, or an opacity of 0, for none."""
        self.render, self.opacity = image, opacity
        if image is not None:
            self.update()

    @property
    def _has_handles(self):
        """Whether the corners can be dragged: only while they stand for something that is being placed."""
        return self.has_grid or self.is_frame_held

    @property
    def _fitting(self):
        """Widget pixels of one of the photograph's, where all of it is seen."""
        p = self.tiles.pyramid
        return min((self.width() - 2 * _MARGIN) / p.width, (self.height() - 2 * _MARGIN) / p.height)

    @property
    def area(self):
        """Where the photograph stands in the widget."""
        p = self.tiles.pyramid
        if p is None:
            return QRectF(self.rect())
        w, h = (n * self._fitting * self.zoom for n in (p.width, p.height))
        return QRectF(
            0.5 * self.width() - self._middle[0] * w, 0.5 * self.height() - self._middle[1] * h, w, h
        )  # fmt: skip

    def point_of(self, place):
        """Where a place (0..1 of the photograph) stands in the widget."""
        a = self.area
        return QPointF(a.left() + place[0] * a.width(), a.top() + place[1] * a.height())

    def _place(self, point):
        a = self.area
        return (point.x() - a.left()) / a.width(), (point.y() - a.top()) / a.height()

    def wheelEvent(self, event):
        if self.tiles.pyramid is None:
            return
        if self.is_camera_held:
            self.neared.emit(wheel_factor(event))
            return
        at, before = event.position(), self._place(event.position())
        self.zoom = min(max(self.zoom * 1.25 ** (event.angleDelta().y() / 120.0), _FARTHEST), _NEAREST)
        after = self._place(at)
        self._shift(before[0] - after[0], before[1] - after[1])

    def _shift(self, dx, dy):
        self._middle = tuple(min(max(m + d, -0.2), 1.2) for m, d in zip(self._middle, (dx, dy), strict=True))
        self.update()

    def mouseDoubleClickEvent(self, _event):
        self.zoom, self._middle = 1.0, (0.5, 0.5)
        self.update()

    def mousePressEvent(self, event):
        if self.tiles.pyramid is None:
            return
        if event.button() != Qt.MouseButton.LeftButton:
            self._moving = event.position()
            return
        if self.is_camera_held:
            self._orbiting = event.position()
            return
        away = [(self.point_of(c) - event.position()).manhattanLength() for c in self.corners]
        nearest = int(np.argmin(away))
        self._pressed = event.position()
        if self._has_handles and away[nearest] < _REACH:
            self._held = nearest
        elif self.is_frame_held and self._is_within(event.position()):
            self._frame_from = event.position()

    def _is_within(self, point):
        outline = QPolygonF([self.point_of(c) for c in self.corners])
        return outline.containsPoint(point, Qt.FillRule.OddEvenFill)

    def mouseMoveEvent(self, event):
        if self._orbiting is not None:
            by, self._orbiting = event.position() - self._orbiting, event.position()
            self.orbited.emit(*orbit_of(by), True)
        elif self._moving is not None:
            by, self._moving = event.position() - self._moving, event.position()
            if self.is_camera_held:
                self.turned.emit(light_turn_of(by), True)
                return
            self._shift(-by.x() / self.area.width(), -by.y() / self.area.height())
        elif self._held is not None or self._frame_from is not None:
            self._drag(event.position(), True)

    def mouseReleaseEvent(self, event):
        if event.button() != Qt.MouseButton.LeftButton:
            self._moving = None
            if self.is_camera_held:
                self.turned.emit(0.0, False)
            return
        if self._orbiting is not None:
            self._orbiting = None
            self.orbited.emit(0.0, 0.0, False)
            return
        if self._held is not None or self._frame_from is not None:
            self._drag(event.position(), False)
        elif self._pressed is not None and (event.position() - self._pressed).manhattanLength() < 4.0:
            self.clicked.emit(*self._place(event.position()))
        self._held = self._frame_from = self._pressed = None

    def _drag(self, point, goes_on):
        if self._held is not None:
            x, y = self._place(point)
            corners = list(self.corners)
            corners[self._held] = (min(max(x, -0.5), 1.5), min(max(y, -0.5), 1.5))
            self.corners = tuple(corners)
        else:
            by, self._frame_from = point - self._frame_from, point
            self.corners = moved(self.corners, by.x() / self.area.width(), by.y() / self.area.height())
        self.update()
        self.dragged.emit(self.corners, goes_on)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.fillRect(self.rect(), theme.SURROUND)
        if self.tiles.pyramid is None:
            painter.setPen(theme.colour("text"))
            painter.drawText(self.rect(), Qt.AlignmentFlag.AlignCenter, tr("Load a photograph of the specimen"))
            return
        painter.setRenderHints(QPainter.RenderHint.Antialiasing | QPainter.RenderHint.SmoothPixmapTransform)
        self.tiles.draw(painter, self.area, QRectF(self.rect()))
        self._paint_render(painter)
        outline = QPolygonF([self.point_of(c) for c in (*self.corners, self.corners[0])])
        for ink, wide in (("window", 3.0), ("text", 1.2)):
            painter.setPen(QPen(theme.colour(ink), wide))
            painter.drawPolyline(outline)
        if self.has_grid:
            self._paint_grid(painter)
        painter.setBrush(theme.colour("raised"))
        for c in self.corners if self._has_handles else ():
            painter.drawEllipse(self.point_of(c), 5.5, 5.5)

    def _paint_render(self, painter):
        """The render where the four corners put it; its frame may be wider or narrower than the photograph's."""
        if self.render is None or self.opacity <= 0.0 or self.has_grid:
            return
        w, h = float(self.render.width()), float(self.render.height())
        try:
            places = mapped(homography(WHOLE, self.corners), corners_within(w / h, self.tiles.pyramid.aspect))
        except InputError:
            return
        onto = QTransform()
        source = QPolygonF([QPointF(x * w, y * h) for x, y in WHOLE])
        if QTransform.quadToQuad(source, QPolygonF([self.point_of(p) for p in places]), onto):
            painter.save()
            painter.setTransform(onto)
            painter.setOpacity(self.opacity)
            painter.drawImage(QRectF(0.0, 0.0, w, h), self.render)
            painter.restore()

    def _paint_grid(self, painter):
        """The middles of a chart's patches, as they will be read."""
        try:
            matrix = homography(WHOLE, self.corners)
        except InputError:
            return
        columns, rows = CHART_SHAPE
        painter.setFont(theme.font(8.5))
        painter.setPen(QPen(theme.colour("text"), 1.0))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        for i in range(columns * rows):
            cx, cy = i % columns + 0.5, i // columns + 0.5
            patch = [
                ((cx + dx) / columns, (cy + dy) / rows)
                for dx, dy in ((-0.25, -0.25), (0.25, -0.25), (0.25, 0.25), (-0.25, 0.25))
            ]
            outline = QPolygonF([self.point_of(p) for p in mapped(matrix, patch)])
            painter.drawPolygon(outline)
            if self.residuals is not None:
                box = outline.boundingRect()
                for off, ink in ((1.0, "window"), (0.0, "text")):
                    painter.setPen(theme.colour(ink))
                    painter.drawText(box.translated(off, off), Qt.AlignmentFlag.AlignCenter, f"{self.residuals[i]:.1f}")
                painter.setPen(QPen(theme.colour("text"), 1.0))

    def end(self):
        self.tiles.end()
