"""What nobody foresaw: told with its trace and a report file, the work kept, and the window goes on."""

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QFontDatabase
from PyQt6.QtWidgets import QDialog, QDialogButtonBox, QPlainTextEdit, QVBoxLayout

from .. import faults
from ..words import tr
from .text import Label

_SIZE = 620, 380


class FaultDialog(QDialog):
    """One for a window: a further fault is added below the one that is shown. Nothing else is kept waiting by it."""

    def __init__(self, window):
        super().__init__(window)
        self.setWindowTitle(tr("Something went wrong"))
        self.resize(*_SIZE)
        self._last = None
        self.says, self.where = Label(), Label()
        self.says.setWordWrap(True)
        self.where.setWordWrap(True)
        self.where.setObjectName("quiet")
        self.where.setTextInteractionFlags(Qt.TextInteractionFlag.TextSelectableByMouse)
        self.trace = QPlainTextEdit()
        self.trace.setReadOnly(True)
        self.trace.setFont(QFontDatabase.systemFont(QFontDatabase.SystemFont.FixedFont))
        self.trace.setAccessibleName(tr("The trace of the fault"))
        buttons = QDialogButtonBox()
        buttons.addButton(tr("Continue"), QDialogButtonBox.ButtonRole.AcceptRole)
        buttons.accepted.connect(self.accept)
        column = QVBoxLayout(self)
        for part in (self.says, self.trace, self.where, buttons):
            column.addWidget(part)

    def tell(self, error, study_name):
        """Write the report, and show it. A fault that comes again and again, as one of drawing does, is told once."""
        if self.isVisible() and (type(error), str(error)) == self._last:
            return
        self._last = type(error), str(error)
        path = faults.report(error, {"study": study_name})
        told = faults.trace_of(error)
        before = self.trace.toPlainText() if self.isVisible() else ""
        self.says.setText(
            tr(
                "A fault of the program itself: {0}: {1}. Your work is kept, and you can continue; what you "
                "did last may not have been done.",
                type(error).__name__,
                str(error)[:300],
            )
        )
        self.trace.setPlainText(f"{before}\n{told}".strip())
        self.trace.moveCursor(self.trace.textCursor().MoveOperation.End)
        kept = tr("The report is in {0}", path) if path is not None else tr("The report could not be written")
        self.where.setText(tr("{0}; it holds the trace, the version, the machine and the name of the study.", kept))
        self.show()
        self.raise_()
