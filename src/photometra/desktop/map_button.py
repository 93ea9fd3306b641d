"""The button of a gauge that gives its parameter a map, and what it offers."""

from functools import partial

from PyQt6.QtCore import QPointF, QRectF, pyqtSignal
from PyQt6.QtGui import QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import QMenu, QToolButton

from ..maps import GENERATORS
from ..words import tr
from . import theme


class MapButton(QToolButton):
    """Shows whether a map drives the parameter; pressed, it offers sources, or the present map.

    chosen: the key of a generator; picture_wanted; edit_wanted; shared: the parameter whose map is to drive this one
    too; taken_off.
    """

    chosen = pyqtSignal(str)
    picture_wanted = pyqtSignal()
    edit_wanted = pyqtSignal()
    shared = pyqtSignal(str)
    taken_off = pyqtSignal()

    def __init__(self, label, parent=None):
        super().__init__(parent)
        self.setFixedSize(22, 20)
        self.setAccessibleName(tr("{0}: map", label))
        self.setToolTip(
            tr("Let it vary over the surface: by scratches, prints, weave, grain…, or a picture of your own")
        )
        self.setPopupMode(QToolButton.ToolButtonPopupMode.InstantPopup)
        self._others, self._is_mapped = (), False
        self.menu_ = QMenu(self)
        self.menu_.aboutToShow.connect(self._fill)
        self.setMenu(self.menu_)

    def show_state(self, is_mapped, others):
        """others: (name, label) of the parameters whose maps could drive this one too."""
        self._is_mapped, self._others = is_mapped, others
        self.update()

    def _fill(self):
        menu = self.menu_
        menu.clear()
        if self._is_mapped:
            menu.addAction(tr("Edit the map…"), self.edit_wanted.emit)
            menu.addAction(tr("Use a constant"), self.taken_off.emit)
            menu.addSeparator()
        for kind in GENERATORS.values():
            menu.addAction(kind.label, partial(self.chosen.emit, kind.key)).setToolTip(kind.meaning)
        menu.addAction(tr("Picture…"), self.picture_wanted.emit)
        if self._others:
            shared = menu.addMenu(tr("Same map as"))
            for name, label in self._others:
                shared.addAction(label, partial(self.shared.emit, name))
        menu.setToolTipsVisible(True)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        ink = theme.colour("verdigris" if self._is_mapped else "quiet")
        if self.underMouse() or self.hasFocus():
            painter.setPen(QPen(theme.colour("line"), 1.0))
            painter.drawRoundedRect(QRectF(0.5, 0.5, self.width() - 1.0, self.height() - 1.0), 3.0, 3.0)
        # A distribution: a hill on its line.
        hill = QPolygonF(
            [QPointF(x, 15.0 - h) for x, h in ((4, 0), (6, 1), (8, 5), (10, 9), (12, 7), (14, 3), (16, 1), (18, 0))]
        )
        painter.setPen(QPen(ink, 1.3))
        if self._is_mapped:
            painter.setBrush(theme.colour("verdigris", 110))
            painter.drawPolygon(hill)
        else:
            painter.drawPolyline(hill)
        painter.drawLine(QPointF(4.0, 15.0), QPointF(18.0, 15.0))
