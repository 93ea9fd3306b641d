"""Keys of one's own: every command of the menus with its key, changed in place, kept with the settings."""

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeySequence
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QDialog,
    QHBoxLayout,
    QKeySequenceEdit,
    QLineEdit,
    QPushButton,
    QTableWidget,
    QTableWidgetItem,
    QVBoxLayout,
)

from ..words import tr
from .commands import commands_of
from .text import Label

_SIZE = 560, 480
_GROUP = "keys"
_FIRST = "keys as they were made"


def _written(action):
    return ", ".join(k.toString(QKeySequence.SequenceFormat.NativeText) for k in action.shortcuts())


def _named(bar):
    """[(name, action)] of the commands that have names of their own; lists that change, as of recent files, do not."""
    return [(action.objectName(), action) for _, action in commands_of(bar) if action.objectName()]


def use_saved(bar, settings):
    """Give the commands of a bar the keys that a person chose, and remember what they had."""
    for words, action in _named(bar):
        action.setProperty(_FIRST, [k.toString() for k in action.shortcuts()])
        name = f"{_GROUP}/{words}"
        if settings.contains(name):
            said = settings.value(name, "", str)
            action.setShortcuts([QKeySequence(said)] if said else [])


class ShortcutsDialog(QDialog):
    """Choose a command, press keys; a key that another command has is not taken."""

    def __init__(self, bar, settings, parent=None):
        super().__init__(parent)
        self.setWindowTitle(tr("Keyboard shortcuts"))
        self.resize(*_SIZE)
        self._settings, self._commands = settings, _named(bar)
        self.field = QLineEdit()
        self.field.setPlaceholderText(tr("find a command"))
        self.field.setAccessibleName(tr("Find a command"))
        self.field.textChanged.connect(self._filter)
        self.table = QTableWidget(len(self._commands), 2)
        self.table.setAccessibleName(tr("Commands and their keys"))
        self.table.setHorizontalHeaderLabels([tr("command"), tr("key")])
        self.table.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.table.setSelectionMode(QAbstractItemView.SelectionMode.SingleSelection)
        self.table.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        self.table.verticalHeader().hide()
        self.table.horizontalHeader().setStretchLastSection(True)
        shown = {action: words for words, action in commands_of(bar)}
        for row, (_, action) in enumerate(self._commands):
            self.table.setItem(row, 0, QTableWidgetItem(shown[action].removesuffix("…")))
            self.table.setItem(row, 1, QTableWidgetItem(_written(action)))
        self.table.resizeColumnToContents(0)
        self.table.itemSelectionChanged.connect(self._chosen)
        self.keys = QKeySequenceEdit()
        self.keys.setMaximumSequenceLength(1)
        self.keys.setAccessibleName(tr("New key"))
        self.keys.editingFinished.connect(self._take)
        self.clear_button = QPushButton(tr("No key"))
        self.clear_button.clicked.connect(lambda: self._set(QKeySequence()))
        self.restore_button = QPushButton(tr("Restore"))
        self.restore_button.setToolTip(tr("The key that this command had at first"))
        self.restore_button.clicked.connect(self._restore)
        self.restore_all_button = QPushButton(tr("Restore all"))
        self.restore_all_button.clicked.connect(self._restore_all)
        self.says = Label()
        self.says.setObjectName("quiet")
        self.says.setWordWrap(True)
        close = QPushButton(tr("Close"))
        close.clicked.connect(self.accept)
        row = QHBoxLayout()
        for part in (self.keys, self.clear_button, self.restore_button, self.restore_all_button):
            row.addWidget(part, 1 if part is self.keys else 0)
        row.addWidget(close)
        column = QVBoxLayout(self)
        for part in (self.field, self.table):
            column.addWidget(part)
        column.addWidget(self.says)
        column.addLayout(row)
        self.table.selectRow(0)

    def _filter(self, text):
        parts = text.casefold().split()
        first = None
        for row in range(len(self._commands)):
            words = self.table.item(row, 0).text().casefold()
            is_found = all(part in words for part in parts)
            self.table.setRowHidden(row, not is_found)
            first = row if is_found and first is None else first
        if first is not None:
            self.table.selectRow(first)

    def _row(self):
        rows = self.table.selectionModel().selectedRows()
        return rows[0].row() if rows else None

    def _chosen(self):
        row = self._row()
        self.says.setText("")
        if row is not None:
            shortcuts = self._commands[row][1].shortcuts()
            self.keys.setKeySequence(shortcuts[0] if shortcuts else QKeySequence())

    def _take(self):
        if not self.keys.keySequence().isEmpty():
            self._set(self.keys.keySequence())

    def _set(self, sequence):
        row = self._row()
        if row is None:
            return
        words, action = self._commands[row]
        if list(action.shortcuts()) == [sequence]:
            return
        other = next((w for w, a in self._commands if a is not action and sequence in a.shortcuts()), None)
        if other is not None and not sequence.isEmpty():
            self._chosen()
            self.says.setText(tr("{0} belongs to '{1}'; give that another key first.", sequence.toString(), other))
            return
        action.setShortcuts([] if sequence.isEmpty() else [sequence])
        self._settings.setValue(f"{_GROUP}/{words}", sequence.toString())
        self._show(row)

    def _show(self, row):
        self.table.item(row, 1).setText(_written(self._commands[row][1]))
        self._chosen()

    def _restore(self):
        row = self._row()
        if row is not None:
            self._restored(row)
            self._show(row)

    def _restored(self, row):
        words, action = self._commands[row]
        action.setShortcuts([QKeySequence(k) for k in action.property(_FIRST) or []])
        self._settings.remove(f"{_GROUP}/{words}")

    def _restore_all(self):
        for row in range(len(self._commands)):
            self._restored(row)
            self.table.item(row, 1).setText(_written(self._commands[row][1]))
        self._chosen()

    def keyPressEvent(self, event):
        # Return ends the choice of a key; it must not close the dialog.
        if event.key() not in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            super().keyPressEvent(event)
