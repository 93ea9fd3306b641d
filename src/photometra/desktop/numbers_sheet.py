"""The numbers of the picture: its pins in a table, a line's profile or a spectrum, and the histogram."""

from dataclasses import replace
from pathlib import Path

import numpy as np
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QFileDialog,
    QHBoxLayout,
    QHeaderView,
    QPushButton,
    QTableWidget,
    QTableWidgetItem,
    QToolButton,
    QVBoxLayout,
    QWidget,
)

from ..disk import write_table
from ..errors import InputError
from ..study.booth import PIN_FORMS
from ..words import tr
from . import theme
from .called import called
from .curve import Curve
from .session import Session
from .text import Label

_NOTHING_CHOSEN = tr("point at the picture for its spectrum")
_COLUMNS = (tr("Pin"), "ΔE", tr("linear"), "Y", tr("spread"), "Lab")


class NumbersSheet(QWidget):
    """Follows pins and picture; `show_numbers` is given what was read off them."""

    closed = pyqtSignal()
    pin_wanted = pyqtSignal(str)
    """The form of the pin that is to be placed in the picture next; "" for none."""
    profile_wanted = pyqtSignal()
    """Another pin is chosen."""
    # While the pointer is on the picture, its spectrum is shown instead of the chosen pin's.
    is_pointing = False

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.table = QTableWidget(0, len(_COLUMNS))
        self.table.setHorizontalHeaderLabels(_COLUMNS)
        self.table.setAccessibleName(tr("Pins"))
        self.table.setToolTip(
            tr("ΔE2000 to the partner; linear red, green, blue; luminance Y; spread of Y; L*, a*, b*")
        )
        self.table.verticalHeader().setVisible(False)
        self.table.verticalHeader().setDefaultSectionSize(20)
        self.table.setShowGrid(False)
        self.table.setFont(theme.font(8.0))
        self.table.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.table.horizontalHeader().setSectionResizeMode(QHeaderView.ResizeMode.Fixed)
        self.table.horizontalHeader().setFont(theme.font(8.5))
        self.table.itemChanged.connect(self._edited)
        self.table.itemSelectionChanged.connect(self.profile_wanted)
        self.pin_buttons = {}
        for form, tip in zip(PIN_FORMS, (
            tr("Click in the picture to place a point; it is the mean of a small circle"),
            tr("Drag a rectangle in the picture; its mean is read"),
            tr("Drag a line in the picture, as across a highlight; radiance is read along it"),
        ), strict=True):  # fmt: skip
            button = QPushButton(called(form))
            button.setCheckable(True)
            button.setToolTip(tip)
            button.clicked.connect(lambda on, form=form: self.pin_wanted.emit(form if on else ""))
            self.pin_buttons[form] = button
        self.remove_button, self.export_button = QPushButton(tr("Remove")), QPushButton(tr("Export…"))
        self.remove_button.setToolTip(tr("Take the chosen pins away"))
        self.remove_button.clicked.connect(self._remove)
        self.export_button.setToolTip(tr("Write all pins as CSV"))
        self.export_button.clicked.connect(self._choose_and_export)
        close = QToolButton()
        close.setText("×")
        close.setToolTip(tr("Back to the chart"))
        close.clicked.connect(self.closed)
        acts = QHBoxLayout()
        for button in (*self.pin_buttons.values(), self.remove_button, self.export_button):
            acts.addWidget(button)
        acts.addStretch(1)
        self.counting = Label()
        self.counting.setObjectName("quiet")
        self.counting.setFont(theme.font(8.5))
        self.counting.setWordWrap(True)
        left, right = QVBoxLayout(), QVBoxLayout()
        left.addLayout(acts)
        left.addWidget(self.table, 1)
        left.addWidget(self.counting)
        self.profile, self.histogram = Curve(_NOTHING_CHOSEN), Curve("histogram")
        right.addWidget(self.profile, 1)
        right.addWidget(self.histogram, 1)
        both = QHBoxLayout(self)
        both.setContentsMargins(10, 6, 6, 8)
        both.addLayout(left, 3)
        both.addLayout(right, 1)
        both.addWidget(close, 0, Qt.AlignmentFlag.AlignTop)
        self.read = []
        self._filling = False
        session.booth_changed.connect(self._fill)
        session.surface_changed.connect(self._show_counting)
        self._fill()

    @property
    def chosen(self):
        """The pin that is chosen first, else the last one; None without pins."""
        pins = self.session.study.booth.pins
        rows = sorted({i.row() for i in self.table.selectedIndexes()})
        return pins[rows[0]] if rows and rows[0] < len(pins) else pins[-1] if pins else None

    @property
    def line(self):
        """The chosen pin where it is a line; else None."""
        chosen = self.chosen
        return chosen if chosen is not None and chosen.form == "line" else None

    def show_picking(self, what):
        """Show which form of pin the picture is waiting for."""
        for form, button in self.pin_buttons.items():
            button.setChecked(form == what)

    def _fill(self):
        """Have a row for each pin."""
        self._filling = True
        pins = self.session.study.booth.pins
        self.table.setRowCount(len(pins))
        for r, pin in enumerate(pins):
            for c in range(len(_COLUMNS)):
                if self.table.item(r, c) is None:
                    item = QTableWidgetItem()
                    if c:
                        item.setFlags(item.flags() & ~Qt.ItemFlag.ItemIsEditable)
                    self.table.setItem(r, c, item)
            self.table.item(r, 0).setText(pin.name)
            self.table.item(r, 0).setCheckState(Qt.CheckState.Checked if pin.counts else Qt.CheckState.Unchecked)
        self._filling = False
        self.table.resizeColumnsToContents()
        self._show_counting()
        self.remove_button.setEnabled(bool(pins))
        self.export_button.setEnabled(bool(pins))

    def _show_counting(self):
        """Say what the ticks mean for the next solve."""
        self.counting.setText(self._counting(sum(p.counts for p in self.session.study.booth.pins)))

    def _counting(self, n):
        specimen = self.session.specimen
        if specimen is None or specimen.reference is None:
            return tr("Load a photograph (Ctrl+Shift+P), and a solve can count what the ticked pins show of it.")
        if not n:
            return tr("Tick pins on the specimen, and the next solve counts what the photograph shows there.")
        return tr(
            "{0} {1}: a solve renders in the loop, and says its cost.",
            n,
            tr("pins count") if n > 1 else tr("pin counts"),
        )

    def show_numbers(self, read, profiles, counts):
        """read: an `AtPin` or None for each pin; profiles: [(place, luminance)]; counts: histogram."""
        self.read = read
        self._filling = True
        for r, at in enumerate(read):
            if r < self.table.rowCount():
                for c, text in enumerate(_texts(at), 1):
                    self.table.item(r, c).setText(text)
        self._filling = False
        self.table.resizeColumnsToContents()
        self.histogram.show_curves([counts], tr("stops about white, −10 to +6"), is_filled=True, mark=0.0)
        if profiles and self.line is not None and not self.is_pointing:
            beside = tr(", partner dashed") if len(profiles) > 1 else ""
            self.profile.show_curves(profiles, f"{self.line.name}{beside}")
        elif self.chosen is None and not self.is_pointing:
            self.profile.show_curves([], _NOTHING_CHOSEN)

    def show_spectrum(self, name, found):
        """found: (wavelength_nm, radiance) of the pin or place of a name; None where it was given up."""
        if found is not None and (self.is_pointing or self.line is None):
            self.profile.show_curves([found], tr("{0}, 380–780 nm", name), is_spectrum=True)

    def choose(self, row):
        """Choose a pin; what it shows stands in the chart until the pointer moves on in the picture."""
        self.is_pointing = False
        self.table.setCurrentCell(row, 0)

    def _edited(self, item):
        pins = self.session.study.booth.pins
        if self._filling or item.column() or item.row() >= len(pins):
            return
        counts = item.checkState() == Qt.CheckState.Checked
        if counts != pins[item.row()].counts:
            changed = tuple(replace(p, counts=counts) if r == item.row() else p for r, p in enumerate(pins))
            self.session.set_booth(tr("what counts"), pins=changed)
            return
        name = " ".join(item.text().split())[:40] or pins[item.row()].name
        changed = tuple(replace(p, name=name) if r == item.row() else p for r, p in enumerate(pins))
        self.session.set_booth(tr("name of a pin"), pins=changed)

    def _remove(self):
        rows = {i.row() for i in self.table.selectedIndexes()} or {self.table.rowCount() - 1}
        pins = tuple(p for r, p in enumerate(self.session.study.booth.pins) if r not in rows)
        self.session.set_booth(tr("remove a pin"), pins=pins)

    def _choose_and_export(self):
        name, _ = QFileDialog.getSaveFileName(self, tr("Export the pins"), "pins.csv", tr("CSV (*.csv)"))
        if name:
            self.export(Path(name))

    def export(self, path):
        """Write the pins as CSV; said where it cannot be written."""
        head = [
            "pin",
            "form",
            "x",
            "y",
            "to_x",
            "to_y",
            "radius",
            "red",
            "green",
            "blue",
            "luminance",
            "spread",
            "L",
            "a",
            "b",
            "delta_e_2000",
        ]
        rows = []
        for pin, at in zip(self.session.study.booth.pins, self.read, strict=False):
            numbers = [] if at is None else [*at.linear, at.luminance, at.spread, *at.lab, at.delta_e]
            cells = ["" if np.isnan(v) else repr(float(v)) for v in numbers]
            end = ("", "") if pin.form == PIN_FORMS[0] else (pin.to_x, pin.to_y)
            rows.append([pin.name, pin.form, pin.x, pin.y, *end, pin.radius, *cells])
        try:
            write_table(path, head, rows)
        except InputError as error:
            self.session.said.emit(str(error))
            return
        self.session.said.emit(tr("Wrote {0}", path))


def _texts(at):
    """A pin's numbers as the table has them."""
    if at is None:
        return ("–",) * (len(_COLUMNS) - 1)
    return (
        "" if np.isnan(at.delta_e) else f"{at.delta_e:.2f}", " ".join(f"{v:.3f}" for v in at.linear),
        f"{at.luminance:.4f}", f"{100.0 * at.spread:.0f} %", " ".join(f"{v:.1f}" for v in at.lab).replace("-", "−"),
    )  # fmt: skip
