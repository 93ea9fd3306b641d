"""The import sheet: what was understood of a file or of pasted text, before it is taken; and the ways to correct it."""

from dataclasses import replace
from pathlib import Path

import pyqtgraph as pg
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QComboBox,
    QDialog,
    QDialogButtonBox,
    QFormLayout,
    QHBoxLayout,
    QLineEdit,
    QTableWidget,
    QTableWidgetItem,
    QVBoxLayout,
)

from ..readings import KINDS, Choices, Understood, plain_name, understand
from ..readings.columns import MEASURES, UNITS
from ..readings.tables import SEPARATORS
from ..words import lowered, tr
from . import theme
from .chart import draw_reading, style_plot
from .reading_form import ReadingForm
from .text import Label
from .workers import Latest

_ROWS_SHOWN = 60
_LEFT_OUT = tr("left out")
_UNIT_SIGNS = {"percent": "%", "um": "µm", "ev": "eV", "deg": "°", "1/mm2": "1/mm²", "1/cm2": "1/cm²", "gu": "GU"}

_APART = ("geometry", "thickness_mm")
"""What readings of one sample may differ in."""


class ImportSheet(QDialog):
    """Shows an `Understood`, has it understood anew at every correction, and gives the readings that are taken."""

    taken = pyqtSignal(object)
    all_wanted = pyqtSignal()
    """All samples of the file are to be taken, not the one alone."""

    def __init__(self, text, understood: Understood, parent=None, choices=None):
        super().__init__(parent)
        self.setWindowTitle(tr("Import a reading"))
        self.resize(980, 640)
        self._text, self.choices = text, choices or Choices()
        self._worker = Latest("import", self)
        self._worker.done.connect(self.show_understood)
        self.heading = Label()
        self.heading.setObjectName("heading")
        self.heading.setWordWrap(True)
        self.table = QTableWidget()
        self.table.setEditTriggers(QTableWidget.EditTrigger.NoEditTriggers)
        self.table.setAccessibleName(tr("The table as it was read"))
        self.table.verticalHeader().setVisible(False)
        self.preview = pg.PlotWidget()
        style_plot(self.preview.getPlotItem(), self.preview)
        self.preview.setMinimumHeight(150)
        self.preview.setAccessibleName(tr("The reading as it would be taken"))
        self.doubts = Label()
        self.doubts.setWordWrap(True)
        self.doubts.setTextFormat(Qt.TextFormat.PlainText)
        self.form = ReadingForm()
        self.form.edited.connect(self._said)
        self.form.lit.connect(
            lambda name, power: self._choose(more={**self.choices.more, "illuminant": name, "light": power})
        )
        self.form.refused.connect(self._show_problem)
        buttons = QDialogButtonBox(QDialogButtonBox.StandardButton.Cancel)
        self.take_button = buttons.addButton(tr("Take it"), QDialogButtonBox.ButtonRole.AcceptRole)
        self.take_button.setObjectName("primary")
        self.all_button = buttons.addButton(tr("All samples…"), QDialogButtonBox.ButtonRole.ActionRole)
        self.all_button.setToolTip(tr("Every sample of the file to a specimen of its own, or as repeats of one"))
        self.all_button.clicked.connect(self._take_all)
        buttons.accepted.connect(self._take)
        buttons.rejected.connect(self.reject)
        left, right = QVBoxLayout(), QVBoxLayout()
        left.addWidget(self.heading)
        left.addWidget(self.table, 3)
        left.addWidget(self.preview, 2)
        right.addLayout(self._reading_choices())
        right.addSpacing(6)
        right.addWidget(self.form)
        right.addSpacing(8)
        right.addWidget(self.doubts)
        right.addStretch(1)
        right.addWidget(buttons)
        both = QHBoxLayout(self)
        both.setSpacing(14)
        both.addLayout(left, 5)
        both.addLayout(right, 3)
        self.show_understood(understood)

    def _reading_choices(self):
        """The fields that say how the text is to be read."""
        lines = QFormLayout()
        lines.setVerticalSpacing(4)
        self.kind, self.sample, self.separator, self.decimal = (QComboBox() for _ in range(4))
        self.kind.addItem(tr("not known"), "")
        for k in KINDS.values():
            self.kind.addItem(k.label, k.key)
        for sign, name in SEPARATORS.items():
            self.separator.addItem(name, sign)
        for sign, name in ((".", tr("point")), (",", tr("comma"))):
            self.decimal.addItem(name, sign)
        for title, box, key in (
            (tr("Kind"), self.kind, "kind"), (tr("Which sample"), self.sample, "sample"),
            (tr("Column separator"), self.separator, "separator"), (tr("Decimal sign"), self.decimal, "decimal"),
        ):  # fmt: skip
            box.setAccessibleName(title)
            box.setMinimumWidth(120)
            box.activated.connect(lambda _i, k=key, b=box: self._choose(**{k: b.currentData() or ""}))
            lines.addRow(title, box)
        self._lines = lines
        return lines

    def _choose(self, **changes):
        """Take a correction, and understand anew away from the window's thread."""
        self.choices = replace(self.choices, **changes)
        text, path, choices = self._text, self.understood.path, self.choices
        self._worker.submit(lambda: understand(text, path, choices))

    def _said(self, key, value):
        self._choose(more={**self.choices.more, key: value})

    def _column_chosen(self, i, name=None, unit=None):
        there = self.choices.columns.get(i, (self.understood.meanings[i].name, self.understood.meanings[i].unit))
        if name is not None:
            there = (name, next(iter(UNITS[MEASURES[name]])) if name else "")
        if unit is not None:
            there = (there[0], unit)
        self._choose(columns={**self.choices.columns, i: there})

    # Showing.

    def show_understood(self, understood: Understood):
        """Show what is understood now."""
        self.understood = understood
        reading = understood.reading
        self.kind.setCurrentIndex(max(0, self.kind.findData(understood.kind)))
        self.separator.setCurrentIndex(max(0, self.separator.findData(understood.sheet.separator)))
        self.decimal.setCurrentIndex(max(0, self.decimal.findData(understood.sheet.decimal)))
        self._lines.setRowVisible(self.sample, len(understood.samples) > 1)
        # Of pasted text there is no file to go through again.
        self.all_button.setVisible(len(understood.samples) > 1 and Path(understood.path).is_file())
        if [self.sample.itemData(i) for i in range(self.sample.count())] != list(understood.samples):
            self.sample.clear()
            for name in understood.samples:
                self.sample.addItem(name, name)
        self.sample.setCurrentIndex(max(0, self.sample.findData(understood.sample)))
        self._show_table()
        self.take_button.setEnabled(reading is not None)
        self.form.show_kind(KINDS.get(understood.kind))
        style_plot(self.preview.getPlotItem(), self.preview)
        self.preview.clear()
        if reading is None:
            self._show_problem(understood.problem)
            return
        others = understood.beside
        beside = tr(" and {0}", ", ".join(r.told_apart for r in others)) if others else ""
        self.heading.setText(tr("Understood as {0}{1}: {2} rows", lowered(reading.label), beside, reading.rows))
        self.form.show_reading(reading)
        self.form.hold({k for k in _APART if any(getattr(r, k) not in ("", 0.0, getattr(reading, k)) for r in others)})
        draw_reading(self.preview.getPlotItem(), reading)
        self._tell([f"? {d}" for d in understood.doubts], "quiet")

    def _show_problem(self, sentence):
        if self.understood.reading is None:
            self.heading.setText(tr("Not understood yet: say in the table what its columns are"))
        sentence = sentence.removeprefix(f"{self.understood.path}: ").removeprefix(f"{self.understood.path}, ")
        self._tell([f"! {sentence}", *(f"? {d}" for d in self.understood.doubts)], "brick")

    def _tell(self, lines, look):
        self.doubts.setText("\n".join(lines) or tr("Nothing is doubtful."))
        self.doubts.setObjectName(look)
        self.doubts.style().unpolish(self.doubts)
        self.doubts.style().polish(self.doubts)

    def _show_table(self):
        u, table = self.understood, self.table
        rows = u.rows[:_ROWS_SHOWN]
        table.clear()
        table.setColumnCount(len(u.meanings))
        table.setRowCount(2 + len(rows))
        table.setHorizontalHeaderLabels([f"? {m.raw}" if i in u.doubtful else m.raw for i, m in enumerate(u.meanings)])
        for i, m in enumerate(u.meanings):
            table.setCellWidget(0, i, self._meaning_box(i, m))
            if m.name:
                table.setCellWidget(1, i, self._unit_box(i, m))
            for j, cells in enumerate(rows):
                item = QTableWidgetItem(cells[i] if i < len(cells) else "")
                item.setTextAlignment(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)
                if not m.name and not m.is_sigma:
                    item.setForeground(theme.colour("quiet"))
                table.setItem(2 + j, i, item)
            table.setColumnWidth(i, 132)

    def _meaning_box(self, i, meaning):
        box = QComboBox()
        box.setAccessibleName(tr("Column {0} is", i + 1))
        box.setToolTip(tr("What this column is"))
        if meaning.is_sigma:
            of = plain_name(meaning.name)
            box.addItem(tr("uncertainty of {0}", of) if of else tr("uncertainty"), meaning.name)
        box.addItem(_LEFT_OUT, "")
        if ":" in meaning.name:
            box.addItem(plain_name(meaning.name), meaning.name)
        for name in MEASURES:
            box.addItem(plain_name(name), name)
        box.setCurrentIndex(0 if meaning.is_sigma else max(0, box.findData(meaning.name)))
        box.activated.connect(lambda _i: self._column_chosen(i, name=box.currentData()))
        return box

    def _unit_box(self, i, meaning):
        box = QComboBox()
        box.setAccessibleName(tr("Unit of column {0}", i + 1))
        units = UNITS[meaning.measure]
        if not meaning.unit and len(units) > 1:
            box.addItem(tr("unit not said"), "")
        for unit in units:
            box.addItem(_UNIT_SIGNS.get(unit, unit) or tr("no unit"), unit)
        box.setCurrentIndex(max(0, box.findData(meaning.unit)))
        box.activated.connect(lambda _i: self._column_chosen(i, unit=box.currentData()))
        return box

    # Ending.

    def keyPressEvent(self, event):
        # Return in a field is for that field, not for the whole sheet.
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter) and isinstance(self.focusWidget(), QLineEdit):
            return
        super().keyPressEvent(event)

    def _take_all(self):
        self.all_wanted.emit()
        self.reject()

    def _take(self):
        if self.understood.reading is not None and self._worker.is_idle:
            self.taken.emit(self.understood.readings)
            self.accept()

    def done(self, result):
        self._worker.end()
        super().done(result)
