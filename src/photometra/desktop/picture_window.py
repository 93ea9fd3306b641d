"""A window of its own for the picture, as on a second screen."""

from PyQt6.QtCore import QSize, pyqtSignal
from PyQt6.QtGui import QAction
from PyQt6.QtWidgets import QMainWindow, QWidget

from ..words import tr

_SIZE = QSize(900, 760)


class PictureWindow(QMainWindow):
    """Holds a widget until it is closed; `left` tells that the widget may go home."""

    left = pyqtSignal()

    def __init__(self, held: QWidget, home: QMainWindow):
        super().__init__(home)
        self.setWindowTitle(tr("Picture – {0}", home.windowTitle()))
        self.setCentralWidget(held)
        self.resize(_SIZE)
        home_again = QAction(tr("Put the picture back"), self)
        home_again.setShortcuts(["Shift+F", "Esc"])
        home_again.triggered.connect(self.close)
        self.addAction(home_again)

    def closeEvent(self, event):
        held = self.takeCentralWidget()
        super().closeEvent(event)
        if held is not None:
            self.left.emit()
        self.deleteLater()
