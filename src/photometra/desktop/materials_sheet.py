"""Materials that came in: how each looks here against what its own equations say, and what of it was not carried."""

import numpy as np
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QDialog, QDialogButtonBox, QHBoxLayout, QListWidget, QListWidgetItem, QVBoxLayout

from ..words import tr
from .curve import Curve
from .text import Label
from .workers import Latest

_SIZE = 860, 460
_VARIES = tr("A colour of it varies: it is not compared with its own equations.")
_WORDS = (
    tr("reflectance at 8°, 400–700 nm"),
    tr("reflectance by angle, 8° to 80°"),
    tr("lobe at 45°, cube root of BRDF"),
)


class MaterialsSheet(QDialog):
    """Shows what `exchange.read_materials` took, one after the other."""

    def __init__(self, name, found, parent=None):
        """name: of the file; found: its `Taken`s."""
        super().__init__(parent)
        self.setWindowTitle(tr("Materials of {0}", name))
        self.resize(*_SIZE)
        self._found, self._shown = found, None
        self._worker = Latest(tr("compare a material"), self)
        self._worker.done.connect(self._draw)
        self._worker.failed.connect(lambda sentence: self.told.setText(sentence))
        self.list = QListWidget()
        self.list.setAccessibleName(tr("Materials that were taken"))
        self.list.setFixedWidth(230)
        for taken in found:
            item = QListWidgetItem(taken.specimen.name)
            item.setToolTip(f"{taken.specimen.name}: {taken.understood or _VARIES}")
            self.list.addItem(item)
        self.heading, self.told, self.notes = Label(), Label(), Label()
        self.heading.setObjectName("heading")
        self.notes.setObjectName("quiet")
        self.legend = Label(tr("drawn: as it is here; dashed: by the document's own equations"))
        self.legend.setObjectName("quiet")
        self.curves = [Curve(words) for words in _WORDS]
        charts = QHBoxLayout()
        for curve in self.curves:
            curve.setMinimumHeight(150)
            charts.addWidget(curve, 1)
        right = QVBoxLayout()
        for label in (self.told, self.notes):
            label.setWordWrap(True)
            label.setTextInteractionFlags(Qt.TextInteractionFlag.TextSelectableByMouse)
        right.addWidget(self.heading)
        right.addWidget(self.told)
        right.addLayout(charts, 1)
        right.addWidget(self.legend)
        right.addWidget(self.notes)
        across = QHBoxLayout()
        across.addWidget(self.list)
        across.addLayout(right, 1)
        buttons = QDialogButtonBox(QDialogButtonBox.StandardButton.Close)
        buttons.rejected.connect(self.reject)
        whole = QVBoxLayout(self)
        whole.addLayout(across, 1)
        whole.addWidget(buttons)
        self.list.currentRowChanged.connect(self._show)
        self.list.setCurrentRow(0)

    def _show(self, row):
        taken = self._found[row]
        self._shown, understood = taken, taken.understood
        self.heading.setText(tr("{0}, of {1}", taken.specimen.name, taken.model))
        self.told.setText(_VARIES if understood is None else tr("It {0}.", understood))
        self.notes.setText(
            "\n".join(tr("not carried: {0}", note) for note in taken.notes) or tr("All of it was carried.")
        )
        for part in (*self.curves, self.legend):
            part.setVisible(understood is not None)
        for curve, words in zip(self.curves, _WORDS, strict=True):
            curve.show_curves([], words)
        if understood is not None:
            self._worker.submit(lambda: (taken, understood.compared))

    def _draw(self, outcome):
        taken, c = outcome
        if taken is not self._shown:
            return
        pairs = (
            (c.wavelengths, c.by_wavelength),
            (c.angles_deg, c.by_angle),
            (c.exits_deg, [np.cbrt(v) for v in c.by_exit]),
        )
        for curve, words, (x, both) in zip(self.curves, _WORDS, pairs, strict=True):
            curve.show_curves([(x, y) for y in both], words)

    def done(self, result):
        self._worker.end()
        super().done(result)
