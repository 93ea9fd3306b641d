"""What the evidence says: which reading pins which parameter down, and which further reading would say most."""

import numpy as np
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QComboBox,
    QGridLayout,
    QHBoxLayout,
    QProgressBar,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ..figures import figures
from ..fitting import next_readings, sensitivities
from ..instruments import instrument
from ..instruments.devices import TRAITS
from ..surface.parameters import scalar_owner, spoken, titled
from ..words import lowered, tr
from . import theme
from .heat_table import HeatTable
from .session import Session
from .sheet import Sheet
from .text import Label
from .workers import LongJob

_SHOWN, _WORTH_IT = 6, 1.05
_MOST_COLUMNS = 13

_SEEN = "seen"


class EvidenceSheet(Sheet):
    """Sensitivities and advice for the chosen specimen, computed when the sheet is opened or its surface settles."""

    shelf_wanted = pyqtSignal(str)

    def __init__(self, session: Session, parent=None):
        super().__init__(tr("What the evidence says"), parent)
        self.session = session
        self._for = None
        self.seen = LongJob(self)
        self.seen.finished.connect(self._show_sensitivities)
        self.seen.failed.connect(self.state.setText)
        self.job = LongJob(self)
        self.job.progressed.connect(lambda at: self.bar.setValue(int(100 * (at[0] + 1) / at[1])))
        self.job.finished.connect(self._show_advice)
        self.job.failed.connect(self._advice_failed)
        self.job.cancelled.connect(lambda: self._advice_failed(tr("Stopped.")))
        self.table = HeatTable(cell_width=40.0, cell_height=26.0)
        self.table.setAccessibleName(tr("Which reading pins which parameter down"))
        self.table.chosen.connect(self._cell_chosen)
        self._words = Label()
        self._words.setWordWrap(True)
        self._words.setObjectName("quiet")
        self._scroll = QScrollArea()
        self._scroll.setWidgetResizable(False)
        self._scroll.setWidget(self.table)
        self.advice_head = Label(tr("Next reading"))
        self.advice_head.setObjectName("heading")
        self.goal = QComboBox()
        self.goal.setAccessibleName(tr("Parameter to know better"))
        self.goal.setToolTip(tr("Whose standard error the next reading should shrink"))
        self.goal.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToContents)
        self.goal.activated.connect(self._rank)
        self.ask_button = QPushButton(tr("Rank the instruments"))
        self.ask_button.setToolTip(tr("Compute for every instrument how much its reading would narrow the error bars"))
        self.ask_button.clicked.connect(self._weigh)
        self.bar = QProgressBar()
        self.bar.setTextVisible(False)
        self.bar.setVisible(False)
        row = QHBoxLayout()
        row.addWidget(self.advice_head)
        row.addWidget(Label(tr("to know")))
        row.addWidget(self.goal)
        row.addWidget(self.ask_button)
        row.addWidget(self.bar, 1)
        row.addStretch(1)
        self._list = QGridLayout()
        self._list.setHorizontalSpacing(14)
        self._list.setVerticalSpacing(5)
        holder = QWidget()
        held = QVBoxLayout(holder)
        held.setContentsMargins(0, 0, 0, 0)
        held.addLayout(self._list)
        held.addStretch(1)
        self.body.addWidget(self._scroll)
        self.body.addWidget(self._words)
        self.body.addSpacing(10)
        self.body.addLayout(row)
        self.body.addWidget(holder, 1)
        self.advice, self._error = [], None
        session.surface_changed.connect(self.refresh)
        session.readings_changed.connect(self.refresh)
        session.chosen_changed.connect(self.refresh)

    def opened(self):
        self.refresh()
        self.table.setFocus()

    def refresh(self):
        """Have the sensitivities of the chosen specimen as it stands reckoned, where they are not yet."""
        specimen = self.session.specimen
        if not self.isVisible() or specimen is None or self.seen.is_running:
            return
        state = (specimen.surface, specimen.readings, specimen.free)
        if state == self._for:
            return
        if self._for is None or self._for[0] != specimen.surface or self._for[2] != specimen.free:
            self._show_advice([])
        self._for = state
        self.state.setText(tr("{0}: computing…", specimen.name))
        self.seen.start(lambda _report, cancel: (state, sensitivities(specimen.surface, specimen.readings, cancel)))

    def _show_sensitivities(self, found):
        state, s = found
        specimen = self.session.specimen
        if specimen is None:
            return
        if state != (specimen.surface, specimen.readings, specimen.free):
            self.refresh()
            return
        told = np.isfinite(s.errors).any(axis=0) if s.readings else np.zeros(0, bool)
        free = np.array(
            [any(scalar_owner(x)[0].name == scalar_owner(f)[0].name for f in specimen.free) for x in s.scalars], bool
        )
        keep = _worth_showing(s, told, free) if s.readings else []
        self.sensitivities, self._kept = s, keep
        columns = [("• " if free[j] else "") + titled(s.scalars[j]) for j in keep]
        cells = [[_cell(s, i, j) for j in keep] for i in range(len(s.readings))]
        self.table.show_table([r.name for r in s.readings], columns, cells)
        self._scroll.setFixedHeight(min(self.table.height() + 14, 330))
        self.state.setText(
            tr("{0}: what each reading alone would leave open, ±", specimen.name)
            if s.readings else tr("There is no active reading.")
        )  # fmt: skip
        names = [s.scalars[j] for j in keep if free[j]]
        goals = [(tr("all that is free"), ""), *((n, n) for n in names)]
        if self._error is not None and self._error[0] == specimen.surface:
            goals.insert(1, (tr("what would be seen"), _SEEN))
        if [self.goal.itemData(i) for i in range(self.goal.count())] != [data for _, data in goals]:
            self.goal.clear()
            for words, data in goals:
                self.goal.addItem(words, data)
        self.ask_button.setEnabled(bool(names))
        silent = [s.scalars[j] for j in keep if not told[j]]
        self._words.setText(
            tr("No reading depends on {0}: no solve can find it from these.", tr(' or ').join(silent)) if silent
            else tr("The fuller the cell, the better that reading knows that parameter; a • marks what is "
                    "free.")
        )  # fmt: skip

    def _cell_chosen(self, i, j):
        s, k = self.sensitivities, self._kept[j]
        self._words.setText(_told(s, i, k))

    # Advice.

    def _weigh(self):
        specimen = self.session.specimen
        if specimen is None:
            return
        if self.job.is_running:
            self.job.cancel()
            return
        self.bar.setVisible(True)
        self.bar.setValue(0)
        self.ask_button.setText(tr("Cancel"))
        self.job.start(
            lambda report, cancel: next_readings(
                specimen.surface, specimen.readings, specimen.free, specimen.bounds, specimen.size_mm,
                lambda i, n: report((i, n)), cancel,
            )
        )  # fmt: skip

    def _advice_failed(self, sentence):
        self._show_advice([])
        self._words.setText(sentence)

    def _show_advice(self, advice):
        self.advice = advice
        self.bar.setVisible(False)
        self.ask_button.setText(tr("Rank the instruments"))
        self._rank()

    def _rank(self):
        while self._list.count():
            self._list.takeAt(0).widget().deleteLater()
        scalar = self.goal.currentData() or None
        gains = {id(a): self._gain(a, scalar) for a in self.advice}
        ranked = sorted(self.advice, key=lambda a: -gains[id(a)])
        telling = [a for a in ranked if gains[id(a)] >= _WORTH_IT][:_SHOWN]
        if self.advice and len(telling) < len(ranked):
            rest = Label(
                tr("No other instrument would say anything new.") if telling else tr("No further reading would help.")
            )
            rest.setObjectName("quiet")
            self._list.addWidget(rest, len(telling), 0, 1, 3)
        for i, a in enumerate(telling):
            gain = gains[id(a)]
            tool = instrument(a.instrument)
            name = Label(f"{i + 1}.  {tool.label} {a.setting}".strip())
            name.setFont(theme.font(9.5, weight=theme.MEDIUM))
            words = Label(self._seen_words(a) if scalar == _SEEN else _gain_words(a, gain, scalar))
            self._list.addWidget(name, i, 0)
            self._list.addWidget(words, i, 1)
            if a.instrument in TRAITS:
                button = QPushButton(tr("Take it from the shelf"))
                button.setToolTip(tr("Open the shelf at the {0}", lowered(tool.label)))
                button.clicked.connect(lambda _c=False, key=a.instrument: self.shelf_wanted.emit(key))
                self._list.addWidget(button, i, 2, Qt.AlignmentFlag.AlignRight)
        self._list.setColumnStretch(1, 1)

    def take_error(self, error):
        """What a solve's error bars look like, once it is known: instruments can be ranked by it."""
        specimen = self.session.specimen
        if error is not None and specimen is not None:
            self._error, self._for = (specimen.surface, error), None
            self.refresh()

    def _visible(self, advice):
        """(before, after): the largest ΔE2000 that the evidence leaves in the picture."""
        _, error = self._error
        return tuple(error.under(list(advice.after), c) for c in advice.covariances)

    def _gain(self, advice, scalar):
        if scalar != _SEEN:
            return advice.gain(scalar)
        before, after = self._visible(advice)
        return before / max(after, 1e-9)

    def _seen_words(self, advice):
        before, after = self._visible(advice)
        return tr("ΔE {0} at most in the picture would become ΔE {1}", figures(before, 2), figures(after, 2))

    def end(self):
        self.seen.end()
        self.job.end()


def _worth_showing(s, told, free):
    """Columns of what is free, and of what else the readings know best, in the order of the section."""
    share = np.where(np.isfinite(s.errors), s.errors / s.spans, np.inf).min(axis=0)
    ranked = sorted(np.flatnonzero(told | free), key=lambda j: (not free[j], share[j]))
    return sorted(int(j) for j in ranked[: max(_MOST_COLUMNS, int(free.sum()))])


def _gain_words(advice, gain, scalar):
    if scalar is None:
        return tr("standard errors {0} times smaller, on the whole", figures(gain, 2))
    before, after = advice.before[scalar], advice.after[scalar]
    return tr("± {0} would become ± {1}, {2} times smaller", figures(before, 2), figures(after, 2), figures(gain, 2))


def _cell(s, i, j):
    error, span = s.errors[i, j], s.spans[j]
    if not np.isfinite(error) or error > 3.0 * span:
        return None
    # Full shade where a reading knows a thousandth of the usual range, none where it knows nothing of it.
    shade = min(1.0, max(0.04, -np.log10(error / span) / 3.0))
    text = f"{error:.0e}".replace("e-0", "e-") if error < 9.5e-4 else figures(error, 1)
    return shade, text.removeprefix("0"), _told(s, i, j)


def _told(s, i, j):
    error, reading, scalar = s.errors[i, j], s.readings[i], s.scalars[j]
    if not np.isfinite(error) or error > 3.0 * s.spans[j]:
        return tr("{0} does not depend on {1}: moving it mends nothing there.", reading.name, spoken(scalar))
    unit = scalar_owner(scalar)[0].unit
    return tr(
        "{0} alone would pin {1} down to ± {2} {3}", reading.name, spoken(scalar), figures(error, 2), unit
    ).strip() + tr(", were all else known.")
