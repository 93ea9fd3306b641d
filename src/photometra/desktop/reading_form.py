"""What a reading says beside its numbers, as fields: name, geometry, thickness, uncertainty and the rest."""

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QFileDialog, QGridLayout, QLineEdit, QWidget

from ..colour import ILLUMINANTS, OBSERVERS
from ..colour.lamps import LAMPS
from ..errors import InputError
from ..readings import Kind, Reading
from ..readings.lamps import LAMP_FILES, lamp_from_file
from ..readings.model import LENGTHS
from ..words import tr
from .text import Label

_COLOURED = ("reflectance", "colour")
_FIELDS = (
    ("name", tr("Name"), tr("What this reading is called")),
    ("geometry", tr("Geometry"), tr("How the light comes and is looked at: diffuse and 8°, mirror part in or "
                                    "out; 45° and 0°")),
    ("thickness_mm", tr("Thickness"), tr("Of the slab that was read, in mm")),
    ("rule", tr("Uncertainty"), tr("One standard uncertainty of every value, as 2 %, as 0.002, or as 2 % + 0.002")),
    ("systematic", tr("Systematic"), tr("What all its values share, one standard uncertainty each: gain 1 %, "
                                        "offset 0.001, thickness 0.05 mm, angle 0.1°; or none")),
    ("bandpass_nm", tr("Band-pass"), tr("Full width at half maximum of what the instrument takes for one "
                                        "wavelength, in nm")),
    ("illuminated_mm", tr("Illuminated"), tr("Diameter of the area that is lit, in mm; empty where it is wide")),
    ("collected_mm", tr("Collected"), tr("Diameter of the area that is looked at, in mm; empty where it is wide")),
    ("spot", tr("Place"), tr("Where on a specimen that varies it was taken: x y z and a diameter in mm, as 0 55 "
                             "18, 8 mm; empty for all of it")),
    ("tolerance", tr("Tolerance"), tr("How far the model may be, in the measure this kind is told in")),
    ("illuminant", tr("Illuminant"), tr("Light under which the colour is told: a CIE illuminant, a lamp, or a "
                                        "spectrum from a file")),
    ("observer", tr("Observer"), tr("CIE 1931 2° or CIE 1964 10°")),
    ("source", tr("Source"), tr("Who or what read it")),
    ("date", tr("Date"), tr("When it was read")),
    ("notes", tr("Notes"), tr("Whatever else should be known")),
)  # fmt: skip
_NUMBERS = (*LENGTHS, "tolerance")
_LIGHTS = (*ILLUMINANTS, *(lamp for lamp in LAMPS if lamp not in ILLUMINANTS))
_FROM_A_FILE = tr("from a file…")


class ReadingForm(QWidget):
    """Fields for one reading. `edited` comes when a field is left or a choice made, with what it says now; `lit` when
    a light is chosen, with its name and, of a measured one, its power."""

    edited = pyqtSignal(str, object)
    lit = pyqtSignal(str, tuple)
    refused = pyqtSignal(str)

    def __init__(self, parent=None):
        super().__init__(parent)
        grid = QGridLayout(self)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(4)
        self.fields, self._labels = {}, {}
        for row, (key, title, tip) in enumerate(_FIELDS):
            if key in ("geometry", "illuminant", "observer"):
                field = QComboBox()
                field.activated.connect(lambda _i, k=key, f=field: self._chosen(k, f))
            else:
                field = QLineEdit()
                field.editingFinished.connect(lambda k=key, f=field: self._left(k, f))
            field.setToolTip(tip)
            field.setAccessibleName(title)
            label = Label(title)
            label.setObjectName("quiet")
            label.setBuddy(field)
            grid.addWidget(label, row, 0)
            grid.addWidget(field, row, 1)
            self.fields[key], self._labels[key] = field, label
        self.fields["illuminant"].addItems([*_LIGHTS, _FROM_A_FILE])
        self._light = _LIGHTS[0]
        self.fields["observer"].addItems(OBSERVERS)
        grid.setColumnStretch(1, 1)

    def _chosen(self, key, box):
        """A choice was made."""
        text = box.currentText()
        if key != "illuminant":
            self.edited.emit(key, text)
            return
        power = ()
        if text == _FROM_A_FILE:
            path, _ = QFileDialog.getOpenFileName(self, tr("Spectrum of the light"), "", LAMP_FILES)
            try:
                found = lamp_from_file(path) if path else None
            except InputError as error:
                self.refused.emit(str(error))
                found = None
            if found is None:
                box.setCurrentText(self._light)
                return
            text, power = found.name, found.power
        self.lit.emit(text, power)

    def _left(self, key, field):
        text = field.text().strip()
        if not field.isModified():
            return
        field.setModified(False)
        if key in _NUMBERS:
            try:
                value = float(text.replace(",", ".").removesuffix("mm").removesuffix("nm") or "0")
            except ValueError:
                self.refused.emit(tr("'{0}' is not a number", text))
                return
            self.edited.emit(key, value)
        elif text or key not in ("name", "rule"):
            self.edited.emit(key, text)

    def show_kind(self, kind: Kind | None):
        """Have the fields that a kind of reading needs."""
        shown = {
            "geometry": bool(kind and kind.geometries),
            **{key: bool(kind and kind.takes(key)) for key in LENGTHS},
            "systematic": bool(kind and kind.effects),
            "illuminant": bool(kind and kind.key in _COLOURED),
            "observer": bool(kind and kind.key in _COLOURED),
        }
        for key, on in shown.items():
            self.fields[key].setVisible(on)
            self._labels[key].setVisible(on)
        if kind and kind.geometries:
            box = self.fields["geometry"]
            if [box.itemText(i) for i in range(box.count())] != list(kind.geometries):
                box.clear()
                box.addItems(kind.geometries)

    def hold(self, keys):
        """Let these fields be read and not written: what they say is not the same for all that is taken."""
        for key, field in self.fields.items():
            field.setEnabled(key not in keys)

    def show_reading(self, reading: Reading):
        """Show what a reading says; a field that is being typed in is left alone."""
        self.show_kind(reading.kind)
        relative, absolute = reading.kind.usual_sigma
        usual = " + ".join(
            p for p in (f"{100 * relative:g} %" if relative else "", f"{absolute:g}" if absolute else "") if p
        )
        self.fields["rule"].setPlaceholderText(tr("as it came; usual {0}", usual))
        for key, field in self.fields.items():
            value = getattr(reading, key)
            if key == "illuminant":
                self._show_light(field, reading)
            elif isinstance(field, QComboBox):
                field.setCurrentText(str(value))
            elif not (field.hasFocus() and field.isModified()):
                unit = f" {key[-2:]}" if key in LENGTHS else ""
                text = (
                    (f"{value:g}{unit}" if value else "")
                    if key in _NUMBERS
                    else str(getattr(value, "text", value or ""))
                )
                if text != field.text():
                    field.setText(text)
                    field.setCursorPosition(0)

    def _show_light(self, box, reading):
        """A light by its name among those there are, a measured one before the last."""
        names = [*_LIGHTS, *([] if reading.illuminant in _LIGHTS else [reading.illuminant]), _FROM_A_FILE]
        if [box.itemText(i) for i in range(box.count())] != names:
            box.clear()
            box.addItems(names)
        self._light = reading.illuminant
        box.setCurrentText(self._light)
