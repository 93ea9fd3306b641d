"""How much of a specimen has which level of a map: worked out beside the window, and kept for a while."""

from collections import OrderedDict
from dataclasses import dataclass

import numpy as np
from PyQt6.QtCore import QObject, pyqtSignal

from ..colour.spaces import RGB_TO_XYZ
from ..maps.laying import levels_on
from .workers import Latest

_BINS, _KEPT = 48, 32


@dataclass(frozen=True, eq=False)
class Distribution:
    """shares: how much lies between each two of edges, levels 0..1; mean: the mean level."""

    edges: np.ndarray
    shares: np.ndarray
    mean: float


class Distributions(QObject):
    """Distributions of maps on a body. `of` gives None the first time, and `arrived` tells when to ask again."""

    arrived = pyqtSignal()

    def __init__(self, parent=None):
        super().__init__(parent)
        self._kept = OrderedDict()
        self._wanted = []
        self._worker = Latest("distributions", self)
        self._worker.done.connect(self._done)
        self._worker.failed.connect(lambda _: self._next())

    def of(self, value, lies_on):
        """The Distribution of a Map on a body, or None while it is worked out."""
        key = value.chains(), lies_on
        if key in self._kept:
            self._kept.move_to_end(key)
            return self._kept[key]
        if key not in self._wanted:
            self._wanted.append(key)
            if self._worker.is_idle:
                self._next()
        return None

    def _next(self):
        if self._wanted:
            key = self._wanted[0]
            self._worker.submit(lambda: (key, distribution_of(*key)), at_once=True)

    def _done(self, found):
        key, distribution = found
        self._kept[key] = distribution
        while len(self._kept) > _KEPT:
            self._kept.popitem(last=False)
        self._wanted = [k for k in self._wanted if k != key]
        self.arrived.emit()
        self._next()

    def end(self):
        self._worker.end()


def distribution_of(chains, lies_on) -> Distribution:
    """The Distribution of a map's chains over a body; of a coloured one that of its luminance."""
    found = levels_on(chains, lies_on)
    levels = found @ RGB_TO_XYZ[1] if len(chains) == 3 else found[:, 0]
    shares, edges = np.histogram(levels, _BINS, (0.0, 1.0))
    return Distribution(edges, shares / len(levels), float(levels.mean()))
