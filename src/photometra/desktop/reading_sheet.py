"""The sheet of one reading: what it says beside its numbers, and what can be done to it. Every change can be undone."""

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QFileDialog, QHBoxLayout, QLineEdit, QPushButton, QVBoxLayout

from ..errors import InputError
from ..readings import averaged, resampled, with_mask, with_uncertainty, write_file
from ..words import tr
from .chart import ReadingChart
from .reading_form import ReadingForm
from .session import Session
from .sheet import Sheet
from .text import Label


class ReadingSheet(Sheet):
    """Follows the chosen reading."""

    remove_wanted = pyqtSignal()

    def __init__(self, session: Session, parent=None):
        super().__init__(tr("Reading"), parent)
        self.session = session
        self.form = ReadingForm()
        self.form.edited.connect(self._edited)
        self.form.lit.connect(self._lit)
        self.form.refused.connect(session.said)
        self.points = Label()
        self.points.setWordWrap(True)
        self.step = QLineEdit("20")
        self.step.setAccessibleName(tr("Step"))
        self.step.setFixedWidth(60)
        self.step.setToolTip(tr("Step of the new places, in the unit of the reading's axis"))
        self.buttons = {}
        acts = QVBoxLayout()
        acts.setSpacing(6)
        heading = Label(tr("Its points"))
        heading.setObjectName("heading")
        acts.addWidget(heading)
        acts.addWidget(self.points)
        for key, title, tip, act in (
            ("unmask", tr("Count all points"), tr("Count every point again that was left out"), self._unmask),
            ("average", tr("Average repeats"), tr("Make one point of those that read the same place"), self._average),
            ("resample", tr("Resample"), tr("Put the points at even steps, coarser than now"), self._resample),
            ("export", tr("Export…"), tr("Write the reading as CSV, or as CGATS.17 text"), self._export),
            ("active", "", tr("Whether solves and verdicts count this reading"), self._toggle),
            ("remove", tr("Remove"), tr("Take the reading out of the study"), self.remove_wanted.emit),
        ):
            button = QPushButton(title)
            button.setToolTip(tip)
            button.clicked.connect(lambda _c=False, a=act: a())
            self.buttons[key] = button
            if key == "resample":
                row = QHBoxLayout()
                row.addWidget(button, 1)
                row.addWidget(self.step)
                acts.addLayout(row)
            else:
                acts.addWidget(button)
        acts.addStretch(1)
        left = QVBoxLayout()
        left.addWidget(self.form)
        left.addStretch(1)
        both = QHBoxLayout()
        both.setSpacing(22)
        both.addLayout(left, 3)
        both.addLayout(acts, 2)
        self.body.addLayout(both)
        self.chart = ReadingChart(session, folds=False)
        self.body.addWidget(self.chart, 1)
        for signal in (session.reading_chosen, session.readings_changed, session.chosen_changed):
            signal.connect(self.refresh)

    def opened(self):
        self.refresh()
        self.form.fields["name"].setFocus()

    def refresh(self):
        reading = self.session.reading
        self.setEnabled(reading is not None)
        if reading is None or not self.isVisible():
            return
        self.state.setText(f"{reading.name}: {reading.label}")
        self.form.show_reading(reading)
        masked = int(reading.masked.sum())
        unit = reading.kind.axis_label.partition("/")[2].strip()
        self.points.setText(
            tr("{0} points", reading.rows) + (tr(", {0} left out", masked) if masked else "")
            + tr(". Click a mark below to leave it out. Steps are in {0}.", unit or reading.kind.axis_label)
        )  # fmt: skip
        self.buttons["unmask"].setEnabled(masked > 0)
        self.buttons["resample"].setEnabled(reading.kind.independent == 1)
        self.buttons["active"].setText(tr("Exclude") if reading.active else tr("Include again"))

    def _change(self, make, label):
        """Apply a change to the chosen reading, or say why not."""
        reading = self.session.reading
        try:
            changed = make(reading)
        except InputError as error:
            self.session.said.emit(str(error))
            self.refresh()
            return
        if changed != reading:
            self.session.change_reading(changed, label)

    def _edited(self, key, value):
        if key == "rule":
            self._change(lambda r: with_uncertainty(r, value), tr("uncertainty of a reading"))
        else:
            self._change(
                lambda r: r.remade(**{key: value}), tr("{0} of a reading", key.removesuffix("_mm").removesuffix("_nm"))
            )

    def _lit(self, name, power):
        self._change(lambda r: r.remade(illuminant=name, light=power), tr("illuminant of a reading"))

    def _unmask(self):
        self._change(lambda r: with_mask(r, range(r.rows), False), tr("count all points"))

    def _average(self):
        self._change(averaged, tr("average repeats"))

    def _resample(self):
        def make(reading):
            try:
                step = float(self.step.text().replace(",", "."))
            except ValueError:
                raise InputError(tr("'{0}' is not a step", self.step.text())) from None
            return resampled(reading, step)

        self._change(make, tr("resample a reading"))

    def _toggle(self):
        self._change(lambda r: r.with_changes(active=not r.active), tr("count a reading or not"))

    def _export(self):
        reading = self.session.reading
        name, _ = QFileDialog.getSaveFileName(
            self, tr("Export the reading"), f"{reading.name}.csv", tr("CSV (*.csv);;CGATS.17 text (*.txt)")
        )
        if not name:
            return
        try:
            write_file(reading, name)
        except OSError as error:
            self.session.said.emit(tr("{0}: cannot be written ({1})", name, error.strerror))
            return
        self.session.said.emit(tr("Wrote {0}", name))
