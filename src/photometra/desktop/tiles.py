"""A large picture on the screen: the part that is seen, in tiles that are made away from the window's thread."""

import math
import threading
from collections import OrderedDict

import numpy as np
from PyQt6.QtCore import QObject, QRectF, pyqtSignal

from .images import image_of
from .workers import error_text

TILE = 256
_KEPT = 320
_BASE = 512
"""The picture as a whole is kept at no more than this many pixels across, and stands in until a tile is there."""


class Tiles(QObject):
    """Draws a pyramid's view; `arrived` says that more of it can be drawn. Memory: `_KEPT` tiles at the most."""

    arrived = pyqtSignal()
    failed = pyqtSignal(str)

    def __init__(self, parent=None):
        super().__init__(parent)
        self.pyramid = None
        self._shown = None
        self._kept = OrderedDict()
        self._stale = {}
        self._wanted = []
        self._round = 0
        self._ended = False
        self._wake = threading.Condition()
        self._thread = threading.Thread(target=self._run, name="tiles", daemon=True)
        self._thread.start()

    def show(self, pyramid, shown):
        """Draw another pyramid, or by another `shown(linear (h, w, 3) float32)` -> values for the screen."""
        with self._wake:
            # What is there stands in for what is being made, as long as it is of the same picture.
            self._stale = {k: v for k, v in self._kept.items() if k[0] == "base"} if pyramid is self.pyramid else {}
            self.pyramid, self._shown = pyramid, shown
            self._kept.clear()
            self._wanted = []
            self._round += 1

    @property
    def is_whole(self):
        """Whether everything that was asked for last is there."""
        with self._wake:
            return not self._wanted

    def draw(self, painter, area, clip):
        """Paint the picture into `area` of the widget, as far as `clip` shows it; asks for what is missing."""
        if self.pyramid is None:
            return
        scale = area.width() / self.pyramid.width
        level = self.pyramid.level_for(1.0 / scale)
        seen = clip.intersected(area)
        if seen.isEmpty():
            return
        base = self._base_level()
        wanted = [("base", base, 0, 0)]
        if level < base:
            size = TILE * 2**level * scale
            left, top = (math.floor((v - o) / size) for v, o in ((seen.left(), area.left()), (seen.top(), area.top())))
            right, bottom = (
                math.ceil((v - o) / size) for v, o in ((seen.right(), area.left()), (seen.bottom(), area.top()))
            )
            wanted += [("tile", level, j, i) for j in range(max(top, 0), bottom) for i in range(max(left, 0), right)]
        with self._wake:
            images = {key: self._kept.get(key) or self._stale.get(key) for key in wanted}
            for key in wanted:
                if key in self._kept:
                    self._kept.move_to_end(key)
            self._wanted = [key for key in wanted if key not in self._kept and self._exists(key)]
            self._wake.notify()
        for (kind, at, j, i), image in images.items():
            if image is None:
                continue
            if kind == "base":
                painter.drawImage(area, image)
                continue
            edge = TILE * 2**at * scale
            wide, high = (n * 2**at * scale for n in (image.width(), image.height()))
            painter.drawImage(QRectF(area.left() + i * edge, area.top() + j * edge, wide, high), image)

    def _base_level(self):
        levels = self.pyramid.levels
        return next((n for n, v in enumerate(levels) if max(v.shape[:2]) <= _BASE), len(levels) - 1)

    def _exists(self, key):
        kind, level, j, i = key
        h, w, _ = self.pyramid.levels[level].shape
        return kind == "base" or (j * TILE < h and i * TILE < w)

    def _run(self):
        while True:
            with self._wake:
                while not self._wanted and not self._ended:
                    self._wake.wait()
                if self._ended:
                    return
                key, now, pyramid, shown = self._wanted[0], self._round, self.pyramid, self._shown
            kind, level, j, i = key
            part = pyramid.levels[level]
            if kind == "tile":
                part = part[j * TILE : (j + 1) * TILE, i * TILE : (i + 1) * TILE]
            try:
                image = image_of(shown(np.ascontiguousarray(part, np.float32)))
            except Exception as error:
                image = None
                self.failed.emit(error_text(error))
            with self._wake:
                if self._ended:
                    return
                if now != self._round:
                    continue
                self._wanted = [k for k in self._wanted if k != key]
                if image is not None:
                    self._kept[key] = image
                while len(self._kept) > _KEPT:
                    self._kept.popitem(last=False)
            self.arrived.emit()

    def end(self):
        with self._wake:
            self._ended = True
            self._wake.notify()
        self._thread.join()
