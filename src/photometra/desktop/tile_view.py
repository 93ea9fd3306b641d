"""A map flat: its tile with a scale bar in mm, to zoom into and pan, and its histogram below."""

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt
from PyQt6.QtGui import QImage, QPainter, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..colour import encode_srgb
from ..maps import Map
from ..maps.laying import tile_on, tile_size
from ..words import tr
from . import theme
from .workers import Latest

_HISTOGRAM = 30.0
_MOST_PIXELS = 1400
"""Of a side of the picture that is drawn; larger tiles are thinned out."""


class TileView(QWidget):
    """Wheel to zoom up to single texels, drag to pan, double-click for all of it."""

    def __init__(self, parent=None):
        super().__init__(parent)
        self.setSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Expanding)
        self.setMinimumSize(110, 100)
        self.setAccessibleName(tr("The map, flat"))
        self.setToolTip(tr("The map's tile, true to size.<br>Wheel: nearer. Drag: move. Double-click: all of it."))
        self._image = self._size = self._counts = None
        self._told = tr("reading the map…")
        self._zoom, self._middle, self._from = 1.0, QPointF(0.5, 0.5), None
        self._worker = Latest(tr("map tile"), self)
        self._worker.done.connect(self._baked)
        self._worker.failed.connect(self._failed)

    def sizeHint(self):
        return QSize(150, 150)

    def show_layer(self, layer, lies_on):
        """Show one layer's tile as it lies on a body."""
        self._worker.submit(lambda: _picture_of(layer, lies_on))

    def end(self):
        self._worker.end()

    def _baked(self, found):
        levels, self._size, self._counts = found
        form = QImage.Format.Format_RGB888 if levels.ndim == 3 else QImage.Format.Format_Grayscale8
        self._image = QImage(levels.data, levels.shape[1], levels.shape[0], levels.strides[0], form).copy()
        self.update()

    def _failed(self, sentence):
        self._image, self._told = None, sentence
        self.update()

    @property
    def millimetres(self):
        """(width, height) of the tile that is shown, or None."""
        return self._size

    # Looking closer.

    def _scale(self):
        """Pixels of the screen for one millimetre."""
        area = self._area()
        return self._zoom * min(area.width() / self._size[0], area.height() / self._size[1])

    def _area(self):
        return QRectF(0.0, 0.0, self.width(), self.height() - _HISTOGRAM - 6.0)

    def wheelEvent(self, event):
        if self._image is None:
            return
        texel = max(self._size[0] / self._image.width(), 1e-9)
        most = max(1.0, 8.0 / (texel * self._scale() / self._zoom))
        self._zoom = min(max(self._zoom * 1.25 ** (event.angleDelta().y() / 120.0), 1.0), most)
        self._hold()

    def mousePressEvent(self, event):
        self._from = event.position()

    def mouseMoveEvent(self, event):
        if self._from is None or self._image is None:
            return
        by, scale = event.position() - self._from, self._scale()
        self._middle -= QPointF(by.x() / (scale * self._size[0]), by.y() / (scale * self._size[1]))
        self._from = event.position()
        self._hold()

    def mouseReleaseEvent(self, _event):
        self._from = None

    def mouseDoubleClickEvent(self, _event):
        self._zoom, self._middle = 1.0, QPointF(0.5, 0.5)
        self.update()

    def _hold(self):
        reach = 0.5 / self._zoom
        self._middle = QPointF(*(min(max(v, reach), 1.0 - reach) for v in (self._middle.x(), self._middle.y())))
        self.update()

    # Drawing.

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setFont(theme.font(7.5))
        area = self._area()
        if self._image is None:
            painter.setPen(theme.colour("quiet"))
            words = Qt.AlignmentFlag.AlignCenter | Qt.TextFlag.TextWordWrap
            painter.drawText(area.adjusted(6.0, 0.0, -6.0, 0.0), words, self._told)
            return
        scale = self._scale()
        wide, high = scale * self._size[0], scale * self._size[1]
        left = area.center().x() - self._middle.x() * wide
        top = area.center().y() - self._middle.y() * high
        target = QRectF(left, top, wide, high)
        painter.save()
        painter.setClipRect(area)
        painter.setRenderHint(
            QPainter.RenderHint.SmoothPixmapTransform, scale * self._size[0] < 2 * self._image.width()
        )
        painter.drawImage(target, self._image)
        painter.restore()
        self._paint_bar(painter, target.intersected(area), scale)
        self._paint_histogram(painter, QRectF(0.0, area.bottom() + 6.0, self.width(), _HISTOGRAM))

    def _paint_bar(self, painter, seen, scale):
        length = _round_length(0.4 * seen.width() / scale)
        words = f"{length:g} mm" if length >= 0.1 else f"{1000.0 * length:g} µm"
        box = QRectF(seen.left() + 6.0, seen.bottom() - 22.0, max(length * scale, 34.0) + 10.0, 18.0)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("window", 215))
        painter.drawRoundedRect(box, 3.0, 3.0)
        painter.setPen(QPen(theme.colour("text"), 1.6))
        y = box.bottom() - 4.0
        painter.drawLine(QPointF(box.left() + 5.0, y), QPointF(box.left() + 5.0 + length * scale, y))
        painter.drawText(
            box.adjusted(5.0, 1.0, 0.0, -5.0), Qt.AlignmentFlag.AlignLeft | Qt.AlignmentFlag.AlignTop, words
        )

    def _paint_histogram(self, painter, box):
        tall = np.sqrt(self._counts / max(float(self._counts.max()), 1.0))
        step = box.width() / len(tall)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("quiet", 150))
        foot = box.bottom() - 11.0
        for i, h in enumerate(tall):
            painter.drawRect(QRectF(box.left() + i * step, foot - h * (foot - box.top()), step, h * (foot - box.top())))
        painter.setPen(theme.colour("quiet"))
        below = QRectF(box.left(), foot, box.width(), 11.0)
        painter.drawText(below, Qt.AlignmentFlag.AlignLeft, tr("level 0"))
        painter.drawText(below, Qt.AlignmentFlag.AlignRight, "1")


def _round_length(most):
    """The largest 1, 2 or 5 times a power of ten that is not above."""
    power = 10.0 ** np.floor(np.log10(max(most, 1e-9)))
    return max(m * power for m in (1.0, 2.0, 5.0) if m * power <= most * (1 + 1e-9))


def _picture_of(layer, lies_on):
    size = tile_size(layer, lies_on)
    chains = Map((layer,), 0.0, 1.0).chains()
    levels = np.stack([tile_on(chain[0], lies_on).levels for chain in chains], axis=-1)
    levels = encode_srgb(levels).astype(np.float32) if len(chains) == 3 else levels[..., 0]
    counts, _ = np.histogram(levels, 64, (0.0, 1.0))
    thin = max(1, max(levels.shape) // _MOST_PIXELS)
    shown = np.ascontiguousarray((levels[::thin, ::thin] * 255.0 + 0.5).astype(np.uint8))
    return shown, size, counts
