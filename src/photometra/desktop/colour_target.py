"""A colour that is to be met, typed by hand: L*a*b*, XYZ, or an sRGB code. It counts as evidence like any other."""

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import (
    QComboBox,
    QDialog,
    QDialogButtonBox,
    QDoubleSpinBox,
    QFormLayout,
    QHBoxLayout,
    QLineEdit,
    QVBoxLayout,
)

from ..colour import ILLUMINANTS, OBSERVERS, lab_to_xyz, xyz_to_linear_srgb
from ..errors import InputError
from ..readings import KINDS
from ..readings.geometries import THROUGH
from ..readings.targets import colour_target
from ..words import tr
from .colour_gauge import Swatch
from .text import Label

_GEOMETRY_WORDS = {
    "di:8": tr("di:8, specular included"), "de:8": tr("de:8, specular excluded"),
    THROUGH: tr("{0}, let through", THROUGH),
}  # fmt: skip


class ColourTarget(QDialog):
    """Asks for one colour, shows it as it is typed, and gives a reading of kind `colour`."""

    taken = pyqtSignal(object)

    def __init__(self, parent=None):
        super().__init__(parent)
        self.setWindowTitle(tr("Colour target"))
        self.reading = None
        self.edit = QLineEdit()
        self.edit.setPlaceholderText(tr("52.1, 8.3, 24.7   or   #8a6f4d   or   XYZ 21.2 20.5 9.9"))
        self.edit.setMinimumWidth(330)
        self.edit.setAccessibleName(tr("Colour"))
        self.swatch = Swatch(46, 24)
        self.illuminant, self.observer, self.geometry = QComboBox(), QComboBox(), QComboBox()
        self.illuminant.addItems(ILLUMINANTS)
        self.observer.addItems(OBSERVERS)
        for geometry in KINDS["colour"].geometries:
            self.geometry.addItem(_GEOMETRY_WORDS.get(geometry, geometry), geometry)
        self.sigma, self.tolerance = QDoubleSpinBox(), QDoubleSpinBox()
        for box, value, tip in (
            (self.sigma, 0.5, tr("One standard uncertainty, in ΔE")),
            (self.tolerance, 1.0, tr("Largest ΔE2000 allowed")),
        ):  # fmt: skip
            box.setRange(0.01, 50.0)
            box.setSingleStep(0.1)
            box.setValue(value)
            box.setToolTip(tip)
        self.thickness = QDoubleSpinBox()
        self.thickness.setRange(0.0, 10_000.0)
        self.thickness.setDecimals(3)
        self.thickness.setSuffix(" mm")
        self.thickness.setSpecialValueText(tr("the specimen's own"))
        self.thickness.setToolTip(tr("How thick the slab is that the light passes through"))
        self.says = Label(tr("L*a*b* as three numbers, XYZ with white at 100, or #rrggbb"))
        self.says.setObjectName("quiet")
        self.says.setWordWrap(True)
        line = QHBoxLayout()
        line.addWidget(self.edit, 1)
        line.addWidget(self.swatch)
        form = self._form = QFormLayout()
        form.addRow(tr("Colour"), line)
        for title, box in (
            (tr("Illuminant"), self.illuminant), (tr("Observer"), self.observer), (tr("Geometry"), self.geometry),
            (tr("Thickness"), self.thickness), (tr("Uncertainty ΔE"), self.sigma),
            (tr("Tolerance ΔE2000"), self.tolerance),
        ):  # fmt: skip
            box.setAccessibleName(title)
            form.addRow(title, box)
        buttons = QDialogButtonBox(QDialogButtonBox.StandardButton.Cancel)
        self.take_button = buttons.addButton(tr("Take it"), QDialogButtonBox.ButtonRole.AcceptRole)
        self.take_button.setEnabled(False)
        buttons.accepted.connect(self._take)
        buttons.rejected.connect(self.reject)
        column = QVBoxLayout(self)
        column.addLayout(form)
        column.addWidget(self.says)
        column.addWidget(buttons)
        self._form.setRowVisible(self.thickness, False)
        self.edit.textChanged.connect(self._read)
        for box in (self.illuminant, self.observer, self.geometry):
            box.currentIndexChanged.connect(self._read)
        for box in (self.sigma, self.tolerance, self.thickness):
            box.valueChanged.connect(self._read)

    def _read(self):
        """Understand what is typed, and show it."""
        geometry = self.geometry.currentData()
        self._form.setRowVisible(self.thickness, geometry == THROUGH)
        try:
            self.reading = colour_target(
                self.edit.text(), self.illuminant.currentText(), self.observer.currentText(),
                geometry, self.sigma.value(), self.tolerance.value(),
                self.thickness.value() if geometry == THROUGH else 0.0,
            )  # fmt: skip
        except InputError as error:
            self.reading = None
            self.says.setText(f"{str(error)[:1].upper()}{str(error)[1:]}")
        self.take_button.setEnabled(self.reading is not None)
        if self.reading is not None:
            lab = [float(self.reading.columns[c][0]) for c in "Lab"]
            self.says.setText("L* {:.2f}   a* {:.2f}   b* {:.2f}".format(*lab))
            xyz = lab_to_xyz(lab, self.illuminant.currentText(), self.observer.currentText())
            self.swatch.show_colour(tuple(xyz_to_linear_srgb(xyz)))

    def _take(self):
        if self.reading is not None:
            self.taken.emit(self.reading)
            self.accept()
