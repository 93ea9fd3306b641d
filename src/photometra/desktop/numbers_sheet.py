"""The numbers of the picture: its pins in a table, a profile between two of them, and the histogram."""

import csv
from dataclasses import replace
from pathlib import Path

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QFileDialog,
    QHBoxLayout,
    QHeaderView,
    QPushButton,
    QSizePolicy,
    QTableWidget,
    QTableWidgetItem,
    QToolButton,
    QVBoxLayout,
    QWidget,
)

from ..imaging.probing import STOPS
from . import theme
from .session import Session

_COLUMNS = ("Pin", "linear", "luminance", "spread", "Lab", "ΔE")


class Curve(QWidget):
    """A small chart of one curve, filled or not, with words below."""

    def __init__(self, words, is_filled, parent=None):
        super().__init__(parent)
        self.words, self.is_filled = words, is_filled
        self.x, self.y = np.zeros(0), np.zeros(0)
        self.setMinimumSize(100, 60)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setAccessibleName(words)

    def show_curve(self, x, y, words):
        self.x, self.y, self.words = np.asarray(x), np.asarray(y), words
        self.update()

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        area = QRectF(4.0, 4.0, self.width() - 8.0, self.height() - 24.0)
        painter.fillRect(area, theme.colour("raised"))
        painter.setFont(theme.font(8.0))
        painter.setPen(theme.colour("quiet"))
        painter.drawText(
            QRectF(4.0, self.height() - 18.0, self.width() - 8.0, 16.0), Qt.AlignmentFlag.AlignCenter, self.words
        )
        if self.x.size < 2:
            return
        wide, high = float(np.ptp(self.x)) or 1.0, float(self.y.max()) or 1.0
        points = [
            QPointF(
                area.left() + area.width() * float(x - self.x[0]) / wide,
                area.bottom() - 0.94 * area.height() * float(max(y, 0.0)) / high,
            )
            for x, y in zip(self.x, self.y, strict=True)
        ]
        if self.is_filled:
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(theme.colour("quiet"))
            painter.drawPolygon(QPolygonF([area.bottomLeft(), *points, area.bottomRight()]))
            # White stands at 0 stops.
            at = area.left() + area.width() * (0.0 - STOPS[0]) / (STOPS[1] - STOPS[0])
            painter.setPen(QPen(theme.colour("text"), 1.0, Qt.PenStyle.DashLine))
            painter.drawLine(QPointF(at, area.top()), QPointF(at, area.bottom()))
        else:
            painter.setPen(QPen(theme.colour("verdigris"), 1.8))
            painter.drawPolyline(QPolygonF(points))


class NumbersSheet(QWidget):
    """Follows pins and picture; `show_numbers` is given what was read off them."""

    closed = pyqtSignal()
    pin_wanted = pyqtSignal(bool)
    """Whether the next click in the picture is to place a pin."""
    profile_wanted = pyqtSignal()
    """Other pins are chosen for the profile."""

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.table = QTableWidget(0, len(_COLUMNS))
        self.table.setHorizontalHeaderLabels(_COLUMNS)
        self.table.setAccessibleName("Pins")
        self.table.verticalHeader().setVisible(False)
        self.table.verticalHeader().setDefaultSectionSize(20)
        self.table.setShowGrid(False)
        self.table.setFont(theme.font(8.5))
        self.table.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.table.horizontalHeader().setSectionResizeMode(QHeaderView.ResizeMode.ResizeToContents)
        self.table.horizontalHeader().setFont(theme.font(8.5))
        self.table.itemChanged.connect(self._renamed)
        self.table.itemSelectionChanged.connect(self.profile_wanted)
        self.pin_button, self.remove_button, self.export_button = (QPushButton(t) for t in ("Pin", "Remove", "Export…"))
        self.pin_button.setCheckable(True)
        self.pin_button.setToolTip("Click in the picture to place a pin; it is the mean of a small circle")
        self.pin_button.clicked.connect(self.pin_wanted)
        self.remove_button.setToolTip("Take the chosen pins away")
        self.remove_button.clicked.connect(self._remove)
        self.export_button.setToolTip("Write all pins as CSV")
        self.export_button.clicked.connect(self._choose_and_export)
        close = QToolButton()
        close.setText("×")
        close.setToolTip("Back to the chart")
        close.clicked.connect(self.closed)
        acts = QHBoxLayout()
        for button in (self.pin_button, self.remove_button, self.export_button):
            acts.addWidget(button)
        acts.addStretch(1)
        left, right = QVBoxLayout(), QVBoxLayout()
        left.addLayout(acts)
        left.addWidget(self.table, 1)
        self.profile, self.histogram = Curve("two pins make a profile", False), Curve("histogram", True)
        right.addWidget(self.profile, 1)
        right.addWidget(self.histogram, 1)
        both = QHBoxLayout(self)
        both.setContentsMargins(10, 6, 6, 8)
        both.addLayout(left, 5)
        both.addLayout(right, 2)
        both.addWidget(close, 0, Qt.AlignmentFlag.AlignTop)
        self.read = []
        self._filling = False
        session.booth_changed.connect(self._fill)
        self._fill()

    @property
    def ends(self):
        """The two pins between which the profile runs: the first two that are chosen, else the first two; or None."""
        pins = self.session.study.booth.pins
        rows = sorted({i.row() for i in self.table.selectedIndexes()})
        chosen = [pins[r] for r in rows if r < len(pins)]
        ends = chosen[:2] if len(chosen) >= 2 else list(pins[:2])
        return tuple(ends) if len(ends) == 2 else None

    def _fill(self):
        """Have a row for each pin."""
        self._filling = True
        pins = self.session.study.booth.pins
        self.table.setRowCount(len(pins))
        for r, pin in enumerate(pins):
            for c in range(len(_COLUMNS)):
                item = self.table.item(r, c) or QTableWidgetItem()
                if c:
                    item.setFlags(item.flags() & ~Qt.ItemFlag.ItemIsEditable)
                self.table.setItem(r, c, item)
            self.table.item(r, 0).setText(pin.name)
        self._filling = False
        self.remove_button.setEnabled(bool(pins))
        self.export_button.setEnabled(bool(pins))

    def show_numbers(self, read, line, counts):
        """read: an `AtPin` or None for each pin; line: (place, luminance) of the profile or None; counts: histogram."""
        self.read = read
        self._filling = True
        for r, at in enumerate(read):
            if r < self.table.rowCount():
                for c, text in enumerate(_texts(at), 1):
                    self.table.item(r, c).setText(text)
        self._filling = False
        self.histogram.show_curve(*counts, "stops about white, −10 to +6")
        if line is None:
            self.profile.show_curve([], [], "two pins make a profile")
        else:
            self.profile.show_curve(*line, f"pin to pin, up to {float(np.max(line[1])):.3g}")

    def _renamed(self, item):
        pins = self.session.study.booth.pins
        if self._filling or item.column() or item.row() >= len(pins):
            return
        name = " ".join(item.text().split())[:40] or pins[item.row()].name
        changed = tuple(replace(p, name=name) if r == item.row() else p for r, p in enumerate(pins))
        self.session.set_booth("name of a pin", pins=changed)

    def _remove(self):
        rows = {i.row() for i in self.table.selectedIndexes()} or {self.table.rowCount() - 1}
        pins = tuple(p for r, p in enumerate(self.session.study.booth.pins) if r not in rows)
        self.session.set_booth("remove a pin", pins=pins)

    def _choose_and_export(self):
        name, _ = QFileDialog.getSaveFileName(self, "Export the pins", "pins.csv", "CSV (*.csv)")
        if name:
            self.export(Path(name))

    def export(self, path):
        """Write the pins as CSV; said where it cannot be written."""
        head = ["pin", "x", "y", "radius", "red", "green", "blue", "luminance", "spread", "L", "a", "b", "delta_e_2000"]
        try:
            with open(path, "w", newline="", encoding="utf-8") as out:
                writer = csv.writer(out)
                writer.writerow(head)
                for pin, at in zip(self.session.study.booth.pins, self.read, strict=False):
                    numbers = [] if at is None else [*at.linear, at.luminance, at.spread, *at.lab, at.delta_e]
                    cells = ["" if np.isnan(v) else repr(float(v)) for v in numbers]
                    writer.writerow([pin.name, pin.x, pin.y, pin.radius, *cells])
        except OSError as error:
            self.session.said.emit(f"{path}: cannot be written ({error.strerror})")
            return
        self.session.said.emit(f"Wrote {path}")


def _texts(at):
    """A pin's numbers as the table has them."""
    if at is None:
        return ("–",) * (len(_COLUMNS) - 1)
    return (
        " ".join(f"{v:.3f}" for v in at.linear), f"{at.luminance:.4f}", f"{100.0 * at.spread:.0f} %",
        " ".join(f"{v:.1f}" for v in at.lab).replace("-", "−"), "" if np.isnan(at.delta_e) else f"{at.delta_e:.2f}",
    )  # fmt: skip
