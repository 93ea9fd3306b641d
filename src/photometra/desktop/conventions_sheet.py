"""The surface in numbers to type elsewhere: a table of conventions to copy from."""

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtGui import QGuiApplication, QKeySequence
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QComboBox,
    QHBoxLayout,
    QHeaderView,
    QPushButton,
    QTableWidget,
    QTableWidgetItem,
)

from ..exchange.conventions import UNITS_MM, conventions_of
from ..words import tr
from .session import Session
from .sheet import Sheet
from .text import Label
from .workers import Latest

_HEADS = ("", tr("convention"), tr("number"), "")


class _Rows(QTableWidget):
    """A table of whose rows more is copied than the cell that Qt would take."""

    copy_wanted = pyqtSignal()

    def keyPressEvent(self, event):
        if event.matches(QKeySequence.StandardKey.Copy):
            self.copy_wanted.emit()
        else:
            super().keyPressEvent(event)


class ConventionsSheet(Sheet):
    """Follows the chosen specimen while it is seen."""

    def __init__(self, session: Session, parent=None):
        super().__init__(tr("Numbers to type elsewhere"), parent)
        self.session = session
        self.unit = QComboBox()
        self.unit.addItems(list(UNITS_MM))
        self.unit.setAccessibleName(tr("Unit of lengths"))
        self.unit.currentIndexChanged.connect(lambda _: self.refresh())
        self.copy_button = QPushButton(tr("Copy"))
        self.copy_button.setToolTip(tr("Copy the chosen rows, or all, as a table (Ctrl+C)"))
        self.copy_button.clicked.connect(self.copy)
        self.table = _Rows(0, len(_HEADS))
        self.table.setHorizontalHeaderLabels(_HEADS)
        self.table.verticalHeader().hide()
        self.table.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.table.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.table.setShowGrid(False)
        self.table.setAccessibleName(tr("Conventions"))
        for column in range(3):
            self.table.horizontalHeader().setSectionResizeMode(column, QHeaderView.ResizeMode.ResizeToContents)
        self.table.horizontalHeader().setSectionResizeMode(3, QHeaderView.ResizeMode.Stretch)
        self.table.copy_wanted.connect(self.copy)
        foot = QHBoxLayout()
        foot.addWidget(Label(tr("lengths in")))
        foot.addWidget(self.unit)
        foot.addStretch(1)
        foot.addWidget(self.copy_button)
        self.body.addWidget(self.table, 1)
        self.body.addLayout(foot)
        self.rows = []
        self._worker = Latest("conventions", self, 0.1)
        self._worker.done.connect(self._show)
        self._worker.failed.connect(session.said)
        session.surface_changed.connect(self.refresh)
        session.chosen_changed.connect(self.refresh)

    def opened(self):
        self.refresh()
        self.table.setFocus()

    def refresh(self):
        specimen, unit = self.session.specimen, self.unit.currentText()
        if self.isVisible() and specimen is not None:
            self._worker.submit(lambda: (specimen, conventions_of(specimen, unit)))

    def _show(self, found):
        specimen, self.rows = found
        maps = len(specimen.surface.maps)
        middle = (
            tr("; {0} {1} as the middle of the range", maps, tr("map counts") if maps == 1 else tr("maps count"))
            if maps
            else ""
        )
        self.state.setText(f"{specimen.name}{middle}")
        self.table.setRowCount(len(self.rows))
        before = ""
        for i, row in enumerate(self.rows):
            texts = (row.what if row.what != before else "", row.convention, row.text, row.note)
            before = row.what
            for column, text in enumerate(texts):
                self.table.setItem(i, column, QTableWidgetItem(text))

    def copy(self):
        """Put the chosen rows, or all of them, on the clipboard as a table."""
        chosen = sorted({i.row() for i in self.table.selectedIndexes()}) or range(len(self.rows))
        lines = ["\t".join((r.what, r.convention, r.text)) for r in (self.rows[i] for i in chosen)]
        QGuiApplication.clipboard().setText("\n".join(lines))
        self.session.said.emit(tr("Copied {0} rows", len(lines)))

    def end(self):
        self._worker.end()
