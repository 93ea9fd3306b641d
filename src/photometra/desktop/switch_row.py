"""The control for a parameter that is true or false."""

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QHBoxLayout, QWidget

from ..surface import Parameter
from .gauge import tooltip


class SwitchRow(QWidget):
    """One tick, by the parameter's label."""

    changed = pyqtSignal(object, bool)

    def __init__(self, p: Parameter, parent=None):
        super().__init__(parent)
        self.parameter = p
        self.setToolTip(tooltip(p))
        self.box = QCheckBox(p.label)
        self.box.setAccessibleName(p.label)
        self.box.clicked.connect(lambda on: self.changed.emit(on, False))
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 4, 0, 4)
        row.addWidget(self.box)
        row.addStretch(1)

    def show_state(self, value, _sigma, _is_free):
        self.box.setChecked(value)
