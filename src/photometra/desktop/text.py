"""Words on the screen: what a person or a file said is shown as it stands, and never read as markup."""

from html import escape

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QLabel, QMessageBox


class Label(QLabel):
    """A label of plain text."""

    def __init__(self, text="", parent=None):
        super().__init__(parent)
        self.setTextFormat(Qt.TextFormat.PlainText)
        self.setText(text)


def tip_of(text):
    """A tooltip that shows a text as it stands, its lines kept."""
    if "<" not in text and "&" not in text:
        return text
    return "<span>" + escape(text).replace("\n", "<br>") + "</span>"


def message(parent, icon, text, more=""):
    """A message box of plain text, not yet shown."""
    box = QMessageBox(icon, "Photometra", text, parent=parent)
    box.setTextFormat(Qt.TextFormat.PlainText)
    box.setInformativeText(more)
    # Qt reads the second text by itself; its label is plain once it is made.
    for label in box.findChildren(QLabel):
        label.setTextFormat(Qt.TextFormat.PlainText)
    return box
