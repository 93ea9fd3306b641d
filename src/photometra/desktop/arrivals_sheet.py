"""Many readings at once: what was understood of every sample of every file, and to which specimen each goes."""

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QComboBox,
    QDialog,
    QDialogButtonBox,
    QHBoxLayout,
    QHeaderView,
    QTableWidget,
    QTableWidgetItem,
    QVBoxLayout,
)

from ..words import counted, tr
from .text import Label, tip_of

_SIZE = 900, 520
_TAKE, _FILE, _SAMPLE, _AS, _TO = range(5)
_HEADS = (tr("take"), tr("file"), tr("sample"), tr("understood as"), tr("specimen"))
_REFUSED_SHOWN = 6


class ArrivalsSheet(QDialog):
    """Shows arrivals; `taken` gives [(specimen's name, readings)] of those that are ticked."""

    taken = pyqtSignal(object)

    def __init__(self, arrivals, refused, specimens, parent=None):
        """refused: [(file, why)]; specimens: names of those in the study."""
        super().__init__(parent)
        self.setWindowTitle(tr("Import several readings"))
        self.resize(*_SIZE)
        self._arrivals = arrivals
        self.heading = Label(_told(arrivals, refused))
        self.heading.setObjectName("heading")
        self.target = QComboBox()
        self.target.setAccessibleName(tr("Where the samples go"))
        self.target.addItem(tr("each sample to a specimen of its name"), None)
        for name in specimens:
            self.target.addItem(tr("all to {0}, as repeats", name), name)
        self.target.activated.connect(self._retarget)
        self.table = QTableWidget(len(arrivals), len(_HEADS))
        self.table.setAccessibleName(tr("What was understood of each sample"))
        self.table.setHorizontalHeaderLabels(list(_HEADS))
        self.table.verticalHeader().setVisible(False)
        self.table.setEditTriggers(QTableWidget.EditTrigger.DoubleClicked | QTableWidget.EditTrigger.EditKeyPressed)
        for row, arrival in enumerate(arrivals):
            self._fill(row, arrival)
        head = self.table.horizontalHeader()
        self.table.resizeColumnsToContents()
        head.setSectionResizeMode(_AS, QHeaderView.ResizeMode.Stretch)
        self.table.itemChanged.connect(self._count)
        self.doubts = Label()
        self.doubts.setObjectName("quiet")
        self.doubts.setWordWrap(True)
        self.table.currentCellChanged.connect(lambda row, *_: self._tell(row))
        # What columns there might be is told in full where the pointer rests.
        short = [f"! {str(reason).replace(str(file), file.name).partition(';')[0]}" for file, reason in refused]
        more = [tr("! and {0} more", len(short) - _REFUSED_SHOWN)] if len(short) > _REFUSED_SHOWN else []
        self.refused = Label("\n".join([*short[:_REFUSED_SHOWN], *more]))
        self.refused.setToolTip(tip_of("\n".join(reason for _, reason in refused)))
        self.refused.setObjectName("brick")
        self.refused.setWordWrap(True)
        self.refused.setVisible(bool(refused))
        buttons = QDialogButtonBox(QDialogButtonBox.StandardButton.Cancel)
        self.take_button = buttons.addButton(tr("Take them"), QDialogButtonBox.ButtonRole.AcceptRole)
        self.take_button.setObjectName("primary")
        buttons.accepted.connect(self._take)
        buttons.rejected.connect(self.reject)
        above = QHBoxLayout()
        above.addWidget(self.heading, 1)
        above.addWidget(self.target)
        column = QVBoxLayout(self)
        column.addLayout(above)
        column.addWidget(self.table, 1)
        for part in (self.doubts, self.refused, buttons):
            column.addWidget(part)
        if arrivals:
            self.table.setCurrentCell(0, _SAMPLE)
        self._count()

    def _fill(self, row, arrival):
        tick = QTableWidgetItem()
        tick.setFlags(Qt.ItemFlag.ItemIsUserCheckable | Qt.ItemFlag.ItemIsEnabled | Qt.ItemFlag.ItemIsSelectable)
        tick.setCheckState(Qt.CheckState.Checked)
        self.table.setItem(row, _TAKE, tick)
        doubted = f"? {arrival.told}" if arrival.doubts else arrival.told
        for column, text in ((_FILE, arrival.file.name), (_SAMPLE, arrival.sample), (_AS, doubted)):
            item = QTableWidgetItem(text)
            item.setFlags(Qt.ItemFlag.ItemIsEnabled | Qt.ItemFlag.ItemIsSelectable)
            item.setToolTip(tip_of("\n".join([str(arrival.file), *arrival.doubts])))
            self.table.setItem(row, column, item)
        name = QTableWidgetItem(arrival.sample)
        name.setToolTip(tr("The specimen that it goes to; a new name makes a new one"))
        self.table.setItem(row, _TO, name)

    def _retarget(self, _index):
        wanted = self.target.currentData()
        for row, arrival in enumerate(self._arrivals):
            self.table.item(row, _TO).setText(wanted or arrival.sample)

    def _tell(self, row):
        doubts = self._arrivals[row].doubts if 0 <= row < len(self._arrivals) else ()
        self.doubts.setText("\n".join(f"? {d}" for d in doubts) or tr("Nothing is doubtful about it."))

    def _ticked(self):
        rows = range(len(self._arrivals))
        return [r for r in rows if self.table.item(r, _TAKE).checkState() == Qt.CheckState.Checked]

    def _count(self, *_):
        count = len(self._ticked())
        self.take_button.setEnabled(count > 0)
        self.take_button.setText(tr("Take it") if count == 1 else tr("Take {0}", count))

    def _take(self):
        chosen = [
            (self.table.item(r, _TO).text().strip() or self._arrivals[r].sample, self._arrivals[r].readings)
            for r in self._ticked()
        ]
        if chosen:
            self.taken.emit(chosen)
            self.accept()


def _told(arrivals, refused):
    files = len({a.file for a in arrivals}) + len(refused)
    samples = counted(len(arrivals), "{0} sample", "{0} samples")
    missed = tr(", {0} not understood", len(refused)) if refused else ""
    return counted(files, "{1} in {0} file{2}", "{1} in {0} files{2}", samples, missed)
