"""Gauges for three numbers at once (colours, coefficients), and the chooser of optical constants."""

from dataclasses import replace

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QColor, QPainter, QPen
from PyQt6.QtWidgets import (
    QGridLayout,
    QHBoxLayout,
    QPushButton,
    QSizePolicy,
    QToolButton,
    QVBoxLayout,
    QWidget,
)

from ..colour import linear_srgb_to_xyz
from ..errors import InputError
from ..figures import figures
from ..maps import Map
from ..surface import Parameter, format_value, hex_colour, is_spectrum, parse, rgb_of, spectrum_of
from ..surface.scale import Scale
from ..surface.values import DEFAULT_IOR
from ..words import lowered, tr
from . import theme
from .colour_picker import ColourPicker
from .colour_range import ColourRange
from .gauge import Pin, Track, ValueEdit, tooltip
from .map_button import MapButton
from .spectrum_strip import SpectrumStrip
from .text import Label


class Swatch(QWidget):
    """A patch of one colour, given as linear sRGB."""

    def __init__(self, width=34, height=20, parent=None):
        super().__init__(parent)
        self.setFixedSize(width, height)
        self._colour = QColor(0, 0, 0)

    def show_colour(self, linear):
        self._colour = QColor(hex_colour(linear))
        self.update()

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.fillRect(self.rect(), self._colour)
        painter.setPen(QPen(theme.colour("line"), 1.0))
        painter.drawRect(self.rect().adjusted(0, 0, -1, -1))


class SwatchButton(Swatch):
    """A patch that is pressed, by mouse or keys, to pick the colour."""

    clicked = pyqtSignal()

    def __init__(self, width, name, parent=None):
        super().__init__(width, parent=parent)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.setAccessibleName(tr("{0}: pick the colour", name))
        self.setToolTip(tr("Pick the colour by its chromaticity, in Rec.709, P3, Rec.2020 or ACEScg"))

    def mouseReleaseEvent(self, event):
        if event.button() == Qt.MouseButton.LeftButton and self.rect().contains(event.position().toPoint()):
            self.clicked.emit()

    def keyPressEvent(self, event):
        if event.key() in (Qt.Key.Key_Space, Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.clicked.emit()
        else:
            super().keyPressEvent(event)

    def paintEvent(self, event):
        super().paintEvent(event)
        if self.hasFocus():
            painter = QPainter(self)
            painter.setPen(QPen(theme.colour("verdigris"), 2.0))
            painter.drawRect(self.rect().adjusted(1, 1, -2, -2))


class TripleGauge(QWidget):
    """A colour or a coefficient: swatch, pin and text above a track for red, green and blue."""

    changed = pyqtSignal(object, bool)
    freed = pyqtSignal(bool)
    refused = pyqtSignal(str)

    def __init__(self, p: Parameter, parent=None):
        super().__init__(parent)
        self.parameter = p
        self.setObjectName(f"gauge {p.name}")
        self.setToolTip(
            tooltip(p)
            + (
                tr("<br>Type #rrggbb, r, g, b (linear), or acescg r, g, b; p3, rec2020")
                if p.kind == "colour"
                else tr("<br>Type r, g, b")
            )
        )
        self._value = p.default
        label = Label(p.label)
        self.swatch = SwatchButton(20 if p.varies else 34, p.label)
        self.swatch.clicked.connect(self.pick)
        self.picker = None
        self.swatch.setVisible(p.kind == "colour")
        self.pin = Pin()
        self.pin.setAccessibleName(tr("{0}: free", p.label))
        self.pin.setVisible(p.solvable)
        self.turn_button = QToolButton()
        self.turn_button.setText("λ")
        self.turn_button.setCheckable(True)
        self.turn_button.setFixedSize(22, 20)
        self.turn_button.setToolTip(tr("By wavelength, or by red, green and blue"))
        self.turn_button.setAccessibleName(tr("{0}: by wavelength", p.label))
        self.turn_button.clicked.connect(self._turned)
        self.edit = ValueEdit()
        self.edit.setFixedWidth(74 if p.kind == "colour" else 106)
        self.edit.setAccessibleName(tr("{0}, value", p.label))
        head = QHBoxLayout()
        head.setContentsMargins(0, 0, 0, 0)
        head.setSpacing(3 if p.varies else 6)
        for part in (self.swatch, self.turn_button, self.pin, self.edit):
            head.addWidget(part)
        head.insertWidget(0, label, 1)
        self._map = self._state = None
        self.map_button = MapButton(p.label) if p.varies else None
        self.range = ColourRange(p, p.label) if p.varies else None
        if p.varies:
            head.insertWidget(3, self.map_button)
            self.range.end_chosen.connect(self._show_end)
            self.range.setVisible(False)
        self._triple = QWidget()
        grid = QGridLayout(self._triple)
        grid.setContentsMargins(0, 0, 0, 0)
        grid.setHorizontalSpacing(6)
        grid.setVerticalSpacing(0)
        self.tracks, self.numbers = [], []
        # Colours live in their lower half; the root spreads them as the eye does.
        low, high = p.span
        for i, name in enumerate((tr("Red"), tr("Green"), tr("Blue"))):
            track = Track(
                Scale(0.0 if p.scale != "log" else low, high, "log" if p.scale == "log" else "root"),
                (),
                f"{p.label}, {lowered(name)}",
            )
            track.moved.connect(lambda v, goes_on, i=i: self._moved(i, v, goes_on))
            title, number = Label(name), Label()
            title.setObjectName("quiet")
            number.setMinimumWidth(98)
            number.setAlignment(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)
            for text in (title, number):
                text.setFont(theme.font(8.5))
            grid.addWidget(title, i, 0)
            grid.addWidget(track, i, 1)
            grid.addWidget(number, i, 2)
            self.tracks.append(track)
            self.numbers.append(number)
        self.leaving = Label()
        self.leaving.setObjectName("quiet")
        self.leaving.setFont(theme.font(8.5))
        self.leaving.setVisible(False)
        self._ior, self._leaves = DEFAULT_IOR, None
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 2, 0, 4)
        column.setSpacing(1)
        column.addLayout(head)
        column.addWidget(self.leaving)
        if p.varies:
            column.addWidget(self.range)
        column.addWidget(self._triple)
        self.strip = SpectrumStrip(Scale(0.0 if p.scale != "log" else low, high, p.scale), p.label)
        self.strip.moved.connect(self._emit)
        self.strip.setVisible(False)
        column.addWidget(self.strip)
        self.edit.typed.connect(self._typed)
        self.pin.clicked.connect(self.freed)

    def show_state(self, value, sigmas, is_free, hill=None):
        """value: three numbers, a spectrum, or a Map between two such; sigmas: as many standard errors or None, of a
        Map those of its low end and of its high end."""
        self.pin.setChecked(is_free)
        shown = (value, list(sigmas), hill, self.range.end if self.range is not None else "")
        if shown == self._state:
            # What was typed and refused goes; the rest stands as it is.
            self.edit.show_text(self.edit.shown)
            return
        self._state = shown
        self._map, self._sigmas, self._hill = value if isinstance(value, Map) else None, sigmas, hill
        if self.range is not None:
            self.range.setVisible(self._map is not None)
        if self._map is not None:
            self.range.show_map(self._map, hill)
            value = getattr(self._map, self.range.end)
            sigmas = sigmas[: len(value)] if self.range.end == "low" else sigmas[len(value) :]
        self._show(tuple(value), sigmas)

    def _show_end(self):
        if self._map is not None:
            self.show_state(self._map, self._sigmas, self.pin.isChecked(), self._hill)

    def _emit(self, value, goes_on):
        """Tell a new value; of a map that of the end which is chosen."""
        whole = value if self._map is None else replace(self._map, **{self.range.end: tuple(value)})
        self.changed.emit(whole, goes_on)

    def _show(self, value, sigmas):
        self._value = value
        if self.parameter.kind == "colour":
            self.swatch.show_colour(rgb_of(self.parameter, value))
        spectral = is_spectrum(value)
        self.edit.show_text("spectrum" if spectral else format_value(self.parameter, value))
        self.turn_button.setChecked(spectral)
        self._triple.setVisible(not spectral)
        self.strip.setVisible(spectral)
        if spectral:
            self.strip.show_values(value, sigmas)
            return
        for track, number, v, s in zip(self.tracks, self.numbers, value, sigmas, strict=True):
            track.show_value(v, s)
            number.setText(f"{v:.4f} ± {figures(s, 1)}" if s is not None else f"{v:.4f}")

    def show_leaving(self, colour, ior):
        """Show what of the colour leaves through an interface of index `ior`: what an eye or an instrument sees."""
        self._ior, leaves = ior, (tuple(colour), ior)
        if leaves == self._leaves:
            return
        self._leaves = leaves
        self.leaving.setVisible(True)
        luminance = float(linear_srgb_to_xyz(colour)[1])
        self.leaving.setText(tr("what leaves: {0}, albedo {1}", hex_colour(colour), f"{luminance:.3f}"))

    def pick(self):
        """Open the plane of chromaticities under the swatch."""
        picker = self.picker = ColourPicker(self.parameter, self._value, self)
        picker.changed.connect(self._emit)
        picker.refused.connect(self.refused)
        picker.destroyed.connect(lambda: setattr(self, "picker", None))
        picker.adjustSize()
        corner = self.swatch.mapToGlobal(self.swatch.rect().bottomLeft())
        there = self.screen().availableGeometry()
        picker.move(
            max(there.left(), min(corner.x(), there.right() - picker.width())),
            max(there.top(), min(corner.y() + 4, there.bottom() - picker.height())),
        )
        picker.show()
        picker.plane.setFocus()

    def _moved(self, i, value, goes_on):
        changed = list(self._value)
        changed[i] = round(value, 5)
        self._emit(tuple(changed), goes_on)

    def _turned(self, by_wavelength):
        """Give the same value by wavelength, or by red, green and blue."""
        turn = spectrum_of if by_wavelength else rgb_of
        self._emit(tuple(round(v, 5) for v in turn(self.parameter, self._value)), False)

    def _typed(self, text):
        if text.strip() == "spectrum":
            return
        try:
            plain = text.removesuffix(self.parameter.unit) if self.parameter.unit else text
            value = parse(self.parameter, plain, self._ior)
        except InputError as error:
            self.refused.emit(str(error))
            return
        if text.strip() != format_value(self.parameter, self._value):
            self._emit(value, False)


class ConstantsRow(QWidget):
    """Which optical constants stand for the body: a table's name, its colour, and the way to the browser."""

    browse = pyqtSignal()
    cleared = pyqtSignal()

    def __init__(self, p: Parameter, parent=None):
        super().__init__(parent)
        self.setToolTip(tooltip(p))
        self.swatch = Swatch()
        self.name = Label()
        self.name.setObjectName("heading")
        self.name.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Preferred)
        self.button = QPushButton(tr("Browse…"))
        self.button.setToolTip(tr("Choose from the built-in tables, or the one closest to your reading (Ctrl+B)"))
        self.clear_button = QPushButton(tr("Clear"))
        self.clear_button.setToolTip(tr("Use colours or an index instead of a table"))
        row = QHBoxLayout()
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        row.addWidget(self.swatch)
        row.addWidget(self.name, 1)
        row.addWidget(self.clear_button)
        row.addWidget(self.button)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 2, 0, 6)
        column.setSpacing(3)
        column.addWidget(Label(p.label))
        column.addLayout(row)
        self.button.clicked.connect(self.browse)
        self.clear_button.clicked.connect(self.cleared)

    def show_state(self, key, title, colour):
        self.name.setToolTip(title)
        self.name.setText(title or tr("none: by colour or index"))
        self.clear_button.setVisible(bool(key))
        self.swatch.setVisible(colour is not None)
        if colour is not None:
            self.swatch.show_colour(colour)
