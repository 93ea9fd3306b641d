"""The question every mesh file leaves open: how long is one of its units, and which way is up."""

from PyQt6.QtWidgets import QButtonGroup, QDialog, QDialogButtonBox, QRadioButton, QVBoxLayout

from ..figures import figures
from ..shapes.meshfiles import UNITS_MM, FileMesh
from .text import Label


class MeshQuestion(QDialog):
    """Asks with the mesh's own extents at hand, so that the right unit is plain to see."""

    def __init__(self, mesh: FileMesh, size_mm, parent=None):
        super().__init__(parent)
        self.setWindowTitle("How large is this mesh?")
        extents = [float(v) for v in mesh.extents]
        column = QVBoxLayout(self)
        column.setSpacing(6)
        words = " × ".join(figures(v, 4) for v in extents)
        column.addWidget(Label(f"{mesh.name} is {words} units large, in {mesh.triangles:,} triangles. One unit is"))
        self._units, self._factors = QButtonGroup(self), []
        choices = [
            (f"1 {name}, so that it is {figures(max(extents) * factor, 4)} mm across", factor)
            for name, factor in UNITS_MM.items()
        ]
        choices.append((f"what makes it as large as the specimen, {size_mm:g} mm", size_mm / max(*extents, 1e-12)))
        for text, factor in choices:
            button = QRadioButton(text)
            self._units.addButton(button, len(self._factors))
            self._factors.append(factor)
            column.addWidget(button)
        # A mesh between 5 mm and half a metre is likely what stands in a booth.
        likely = next((i for i, f in enumerate(self._factors[:-1]) if 5.0 <= max(extents) * f <= 500.0), -1)
        self._units.button(likely % len(self._factors)).setChecked(True)
        column.addSpacing(6)
        column.addWidget(Label("Up is"))
        self._ups = QButtonGroup(self)
        for i, axis in enumerate(("y", "z")):
            button = QRadioButton(f"its {axis} axis")
            button.setChecked(i == 0)
            self._ups.addButton(button, i)
            column.addWidget(button)
        buttons = QDialogButtonBox(QDialogButtonBox.StandardButton.Ok | QDialogButtonBox.StandardButton.Cancel)
        buttons.button(QDialogButtonBox.StandardButton.Ok).setText("Take it")
        buttons.accepted.connect(self.accept)
        buttons.rejected.connect(self.reject)
        column.addWidget(buttons)

    @property
    def unit_mm(self):
        return self._factors[self._units.checkedId()]

    @property
    def up(self):
        return "yz"[self._ups.checkedId()]
