"""The agreement sheet: every reading of every specimen, how far the model is from it, and the verdict."""

from pathlib import Path

from PyQt6.QtCore import QRectF, Qt
from PyQt6.QtGui import QFontMetricsF, QPen
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QFileDialog,
    QHeaderView,
    QPushButton,
    QStyledItemDelegate,
    QTableWidget,
    QTableWidgetItem,
)

from ..disk import write_table
from ..errors import InputError
from ..words import tr
from . import theme
from .ledger import OUT, UNKNOWN, WITHIN, short_number, verdict_of
from .session import Session
from .sheet import Sheet

_COLUMNS = (tr("Specimen"), tr("Reading"), tr("In"), tr("Value"), tr("Allowed"), tr("Share"), "χ²", tr("Verdict"))
_IN_FILES = ["specimen", "reading", "in", "value", "allowed", "share", "χ²", "verdict"]
_VERDICTS_IN_FILES = {
    f"{sign} {said}".strip(): f"{sign} {plain}".strip()
    for sign, said, plain in (
        (WITHIN, tr("within"), "within"), (OUT, tr("out"), "out"), (OUT, tr("cannot be read"), "cannot be read"),
        (UNKNOWN, tr("being measured"), "being measured"), ("", tr("not counted"), "not counted"),
    )
}  # fmt: skip
"""Columns and verdicts in a file, which is the same in every language."""
_SHARE, _VERDICT = 5, 7
_ORDER = Qt.ItemDataRole.UserRole


class _Cell(QTableWidgetItem):
    """A cell sorted by its number, where it has one."""

    def __lt__(self, other):
        a, b = self.data(_ORDER), other.data(_ORDER)
        if a is None or b is None:
            return super().__lt__(other)
        return a < b


class _ShareBar(QStyledItemDelegate):
    """The misfit in tolerances as a bar, the tolerance a line across its middle."""

    def paint(self, painter, option, index):
        super().paint(painter, option, index)
        share = index.data(_ORDER)
        if share is None:
            return
        bar = QRectF(option.rect).adjusted(8.0, option.rect.height() / 2.0 - 3.0, -8.0, 0.0)
        bar.setHeight(6.0)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("faint"))
        painter.drawRect(bar)
        painter.setBrush(theme.colour("quiet" if share <= 1.0 else "brick"))
        painter.drawRect(QRectF(bar.left(), bar.top(), bar.width() * min(1.0, 0.5 * share), bar.height()))
        painter.setPen(QPen(theme.colour("text"), 1.2))
        x = bar.center().x()
        painter.drawLine(int(x), int(bar.top() - 3), int(x), int(bar.bottom() + 3))


class AgreementSheet(Sheet):
    """Follows the session's agreements. A double click, or Enter, goes to the reading."""

    def __init__(self, session: Session, parent=None):
        super().__init__(tr("Agreement"), parent)
        self.session = session
        self.export_button = QPushButton(tr("Export CSV…"))
        self.export_button.setToolTip(tr("Write this table as a CSV file"))
        self.export_button.clicked.connect(self._choose_and_export)
        self.head.insertWidget(2, self.export_button)
        self.table = QTableWidget(0, len(_COLUMNS))
        self.table.setHorizontalHeaderLabels(_COLUMNS)
        self.table.setAccessibleName(tr("Agreement of every reading"))
        self.table.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.table.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.table.setSelectionMode(QAbstractItemView.SelectionMode.SingleSelection)
        self.table.setShowGrid(False)
        self.table.setFont(theme.font(9.0))
        self.table.setHorizontalScrollMode(QAbstractItemView.ScrollMode.ScrollPerPixel)
        self.table.verticalHeader().setVisible(False)
        self.table.verticalHeader().setDefaultSectionSize(21)
        header = self.table.horizontalHeader()
        header.setSectionResizeMode(QHeaderView.ResizeMode.Fixed)
        header.setSectionResizeMode(_SHARE, QHeaderView.ResizeMode.Stretch)
        header.setFont(theme.font(8.5))
        header.setMinimumSectionSize(30)
        header.setSortIndicatorShown(True)
        self.table.setItemDelegateForColumn(_SHARE, _ShareBar(self.table))
        self.table.setSortingEnabled(True)
        self.table.sortByColumn(0, Qt.SortOrder.AscendingOrder)
        self.table.itemActivated.connect(self._go)
        self.body.addWidget(self.table, 1)
        session.agreements_changed.connect(self.refresh)
        session.document_changed.connect(self.refresh)
        self._rows = []

    def opened(self):
        self.refresh()
        self.table.setFocus()

    def rows(self):
        """[(specimen index, reading index, cells by `_COLUMNS`)], in the study's order."""
        out = []
        for i, specimen in enumerate(self.session.study.specimens):
            found = {a.reading: a for a in self.session.agreements_of(specimen)}
            for j, reading in enumerate(specimen.readings):
                a = found.get(reading)
                sign, word = verdict_of(a)
                if not reading.active:
                    sign, word = "", tr("not counted")
                value = a.value if a is not None and not a.problem else None
                share = value / reading.tolerance if value is not None else None
                chi2 = a.chi2 if value is not None else None
                cells = (
                    specimen.name, reading.name, reading.kind.symbol, value, reading.tolerance, share, chi2,
                    f"{sign} {word}".strip(),
                )  # fmt: skip
                out.append((i, j, cells))
        return out

    def refresh(self):
        if not self.isVisible():
            return
        rows = self.rows()
        if rows == self._rows:
            return
        self._rows = rows
        self.table.setUpdatesEnabled(False)
        self.table.setSortingEnabled(False)
        self.table.setRowCount(len(rows))
        for r, (i, j, cells) in enumerate(rows):
            for c, value in enumerate(cells):
                number = isinstance(value, float)
                text = "" if c == _SHARE or value is None else short_number(value) if number else str(value)
                item = _Cell(text)
                item.setData(_ORDER, value if number else None)
                item.setData(_ORDER + 1, (i, j))
                if number:
                    item.setTextAlignment(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)
                if c == _VERDICT and text.startswith(OUT):
                    item.setForeground(theme.colour("brick"))
                if c in (2, 4):
                    item.setForeground(theme.colour("quiet"))
                if c == 2:
                    item.setToolTip(self.session.study.specimens[i].readings[j].kind.metric_label)
                self.table.setItem(r, c, item)
        self.table.setSortingEnabled(True)
        # Once, when all is there: a header that follows every cell measures the whole table each time.
        words = QFontMetricsF(self.table.horizontalHeader().font())
        for c, title in enumerate(_COLUMNS):
            if c != _SHARE:
                wide = max(self.table.sizeHintForColumn(c), words.horizontalAdvance(title) + 8.0)
                self.table.setColumnWidth(c, int(wide) + 6)
        self.table.setUpdatesEnabled(True)
        verdicts = [cells[_VERDICT] for _, _, cells in rows]
        good, open_ = sum(v.startswith(WITHIN) for v in verdicts), sum(v.startswith(UNKNOWN) for v in verdicts)
        words = tr("{0} of {1} readings within tolerance", good, len(rows))
        self.state.setText(words + (tr(", {0} being measured", open_) if open_ else ""))

    def _go(self, item):
        i, j = item.data(_ORDER + 1)
        self.session.choose(i)
        self.session.choose_reading(j)

    def _choose_and_export(self):
        name, _ = QFileDialog.getSaveFileName(self, tr("Export the agreement"), "agreement.csv", tr("CSV (*.csv)"))
        if name:
            self.export(Path(name))

    def export(self, path):
        """Write the table as CSV; a sentence where it cannot be written."""
        rows = [["" if v is None else repr(v) if isinstance(v, float) else v for v in c] for _, _, c in self.rows()]
        try:
            write_table(path, _IN_FILES, [[*row[:_VERDICT], _VERDICTS_IN_FILES[row[_VERDICT]]] for row in rows])
        except InputError as error:
            self.session.said.emit(str(error))
            return
        self.session.said.emit(tr("Wrote {0}", path))
