"""A search over every command of the menus, by its name."""

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QDialog, QLineEdit, QListWidget, QListWidgetItem, QVBoxLayout

from ..words import tr

_SIZE = 460, 380


def commands_of(bar):
    """[(words, action)] of all that the menus of a bar hold, as `Study › Save`."""
    found = []

    def gather(menu, path):
        for action in menu.actions():
            words = action.text().replace("&", "")
            if action.menu() is not None:
                gather(action.menu(), [*path, words])
            elif words and not action.isSeparator():
                found.append((" › ".join([*path, words]), action))

    for action in bar.actions():
        if action.menu() is not None:
            gather(action.menu(), [action.text().replace("&", "")])
    return found


class CommandSearch(QDialog):
    """Type a part of each word, arrow to a command, Return does it."""

    def __init__(self, bar, parent=None):
        super().__init__(parent)
        self.setWindowTitle(tr("Find a command"))
        self.resize(*_SIZE)
        self._commands = commands_of(bar)
        self.field = QLineEdit()
        self.field.setPlaceholderText(tr("what do you want to do?"))
        self.field.setAccessibleName(tr("Command"))
        self.field.textChanged.connect(self._filter)
        self.field.installEventFilter(self)
        self.list = QListWidget()
        self.list.setAccessibleName(tr("Commands"))
        self.list.itemActivated.connect(lambda _: self._do())
        column = QVBoxLayout(self)
        column.addWidget(self.field)
        column.addWidget(self.list, 1)
        self._filter("")

    def _filter(self, text):
        parts = text.casefold().split()
        self.list.clear()
        for words, action in self._commands:
            if all(part in words.casefold() for part in parts):
                keys = ", ".join(k.toString() for k in action.shortcuts())
                item = QListWidgetItem(f"{words}    {keys}" if keys else words)
                item.setData(Qt.ItemDataRole.UserRole, action)
                if not action.isEnabled():
                    item.setFlags(Qt.ItemFlag.NoItemFlags)
                self.list.addItem(item)
        self.list.setCurrentRow(0)

    def eventFilter(self, watched, event):
        """Arrows typed in the field move in the list."""
        if watched is self.field and event.type() == event.Type.KeyPress:
            step = {Qt.Key.Key_Down: 1, Qt.Key.Key_Up: -1}.get(event.key())
            if step:
                row = min(max(self.list.currentRow() + step, 0), self.list.count() - 1)
                self.list.setCurrentRow(row)
                return True
            if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
                self._do()
                return True
        return super().eventFilter(watched, event)

    def _do(self):
        item = self.list.currentItem()
        if item is None or not item.flags():
            return
        action = item.data(Qt.ItemDataRole.UserRole)
        self.accept()
        action.trigger()
