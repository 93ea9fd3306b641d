"""The question every mesh file leaves open: how long is one of its units, and which way is up."""

from PyQt6.QtWidgets import QButtonGroup, QDialog, QDialogButtonBox, QRadioButton, QVBoxLayout

from ..figures import figures
from ..shapes.meshfiles import UNITS_MM, FileMesh
from ..words import tr
from .text import Label


class MeshQuestion(QDialog):
    """Asks with the mesh's own extents at hand, so that the right unit is plain to see."""

    def __init__(self, mesh: FileMesh, size_mm, parent=None):
        super().__init__(parent)
        self.setWindowTitle(tr("How large is this mesh?"))
        extents = [float(v) for v in mesh.extents]
        column = QVBoxLayout(self)
        column.setSpacing(6)
        words = " × ".join(figures(v, 4) for v in extents)
        column.addWidget(
            Label(tr("{0} is {1} units large, in {2} triangles. One unit is", mesh.name, words, f"{mesh.triangles:,}"))
        )
        self._units, self._factors = QButtonGroup(self), []
        choices = [
            (tr("1 {0}, so that it is {1} mm across", name, figures(max(extents) * factor, 4)), factor)
            for name, factor in UNITS_MM.items()
        ]
        choices.append(
            (tr("what makes it as large as the specimen, {0} mm", f"{size_mm:g}"), size_mm / max(*extents, 1e-12))
        )
        for text, factor in choices:
            button = QRadioButton(text)
            self._units.addButton(button, len(self._factors))
            self._factors.append(factor)
            column.addWidget(button)
        # A mesh between 5 mm and half a metre is likely what stands in a booth.
        likely = next((i for i, f in enumerate(self._factors[:-1]) if 5.0 <= max(extents) * f <= 500.0), -1)
        self._units.button(likely % len(self._factors)).setChecked(True)
        column.addSpacing(6)
        column.addWidget(Label(tr("Up is")))
        self._ups = QButtonGroup(self)
        for i, axis in enumerate(("y", "z")):
            button = QRadioButton(tr("its {0} axis", axis))
            button.setChecked(i == 0)
            self._ups.addButton(button, i)
            column.addWidget(button)
        buttons = QDialogButtonBox(QDialogButtonBox.StandardButton.Ok | QDialogButtonBox.StandardButton.Cancel)
        buttons.button(QDialogButtonBox.StandardButton.Ok).setText(tr("Take it"))
        buttons.accepted.connect(self.accept)
        buttons.rejected.connect(self.reject)
        column.addWidget(buttons)

    @property
    def unit_mm(self):
        return self._factors[self._units.checkedId()]

    @property
    def up(self):
        return "yz"[self._ups.checkedId()]
