"""A sheet that takes the middle of the window for a while: a title, a sentence, its content, and the way back."""

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QSizePolicy, QToolButton, QVBoxLayout, QWidget

from ..words import tr
from .text import Label


class Sheet(QWidget):
    """Base of the sheets. `opened()` is called when it comes to be seen."""

    closed = pyqtSignal()

    def __init__(self, title, parent=None):
        super().__init__(parent)
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.title = Label(title)
        self.title.setObjectName("heading")
        self.state = Label()
        self.state.setObjectName("quiet")
        self.state.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Preferred)
        self.close_button = QToolButton()
        self.close_button.setText("×")
        self.close_button.setToolTip(tr("Back to the picture (Escape)"))
        self.close_button.setAccessibleName(tr("Back to the picture"))
        self.close_button.clicked.connect(self.closed)
        top = QWidget()
        top.setSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Fixed)
        self.head = QHBoxLayout(top)
        self.head.setContentsMargins(14, 8, 8, 4)
        self.head.setSpacing(10)
        self.head.addWidget(self.title)
        self.head.addWidget(self.state, 1)
        self.head.addWidget(self.close_button)
        self.body = QVBoxLayout()
        self.body.setContentsMargins(14, 4, 14, 12)
        self.body.setSpacing(8)
        whole = QVBoxLayout(self)
        whole.setContentsMargins(0, 0, 0, 0)
        whole.setSpacing(0)
        whole.addWidget(top)
        whole.addLayout(self.body, 1)

    def opened(self):
        """Called when the sheet comes to be seen."""

    def keyPressEvent(self, event):
        if event.key() == Qt.Key.Key_Escape:
            self.closed.emit()
        else:
            super().keyPressEvent(event)

    def end(self):
        """Called when the window closes."""
