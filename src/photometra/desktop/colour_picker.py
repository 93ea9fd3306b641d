"""A colour by its place in the plane of chromaticities, and its three numbers in a named space, however wide.

The plane shows what the spectrum bounds, what each space holds, and how far a reflectance of this luminance can reach.
"""

from functools import lru_cache

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QImage, QPainter, QPainterPath, QPen, QPolygonF
from PyQt6.QtWidgets import QComboBox, QDialog, QGridLayout, QHBoxLayout, QVBoxLayout, QWidget

from ..colour import SPACES, encode_srgb, to_xyz, xyz_to_linear_srgb
from ..colour.limits import from_uv, gamut_of, reflectance_limit, spectral_locus, to_uv
from ..errors import InputError
from ..surface import Parameter
from ..surface.scale import Scale
from ..surface.values import VISIBLY_OFF, colour_of_xyz, parse_number, xyz_of_colour
from ..words import tr
from . import theme
from .gauge import Track, ValueEdit
from .images import image_of
from .scale_parts import FINE
from .text import Label

LABELS = {
    "rec709": tr("Rec.709 (sRGB), linear"), "p3": tr("Display P3, linear"), "rec2020": tr("Rec.2020, linear"),
    "acescg": "ACEScg", "aces2065-1": "ACES2065-1",
}  # fmt: skip
_SHORT = {"rec709": "709", "p3": "P3", "rec2020": "2020", "acescg": "ACEScg"}
"""Spaces whose triangles are drawn; that of ACES2065-1 holds all of the plane."""
_U, _V = (-0.05, 0.67), (-0.02, 0.64)
_NAMED_NM = (460, 480, 500, 520, 540, 560, 580, 600, 620)
_GRID, _STEP = 132, 0.004
_PAINTED_Y = 0.35


@lru_cache(maxsize=1)
def _ground():
    """The plane's colours as far as a display shows them, (_GRID, _GRID, 3), 0..1."""
    u, v = np.meshgrid(np.linspace(*_U, _GRID), np.linspace(*_V[::-1], _GRID))
    rgb = xyz_to_linear_srgb(from_uv(np.stack([u, v], axis=-1), _PAINTED_Y))
    rgb = np.maximum(rgb, 0.0)
    rgb /= np.maximum(rgb.max(axis=-1, keepdims=True), 1e-9)
    return encode_srgb(0.75 * rgb)


class ChromaticityPlane(QWidget):
    """CIE 1976 u′, v′. Click, drag or arrow keys (Shift: finer) move the colour."""

    moved = pyqtSignal(float, float, bool)

    def __init__(self, parent=None):
        super().__init__(parent)
        self.setFixedSize(QSize(404, 370))
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.CrossCursor)
        self.setAccessibleName(tr("Chromaticity u′, v′"))
        self._image: QImage | None = None
        self._at, self._space, self._limit = (0.1978, 0.4683), "rec709", reflectance_limit(0.5)

    def show_state(self, at, luminance, space):
        self._at, self._space, self._limit = at, space, reflectance_limit(luminance)
        self.update()

    def point(self, uv):
        """Where u′, v′ stand, in the widget's own pixels."""
        x = (uv[0] - _U[0]) / (_U[1] - _U[0]) * self.width()
        return QPointF(x, (_V[1] - uv[1]) / (_V[1] - _V[0]) * self.height())

    def _polygon(self, places):
        return QPolygonF([self.point(p) for p in places])

    def _move(self, position, goes_on):
        u = _U[0] + position.x() / self.width() * (_U[1] - _U[0])
        v = _V[1] - position.y() / self.height() * (_V[1] - _V[0])
        self.moved.emit(float(np.clip(u, 0.0, _U[1])), float(np.clip(v, 0.01, _V[1])), goes_on)

    def mousePressEvent(self, event):
        if event.button() == Qt.MouseButton.LeftButton:
            self._move(event.position(), True)

    def mouseMoveEvent(self, event):
        if event.buttons() & Qt.MouseButton.LeftButton:
            self._move(event.position(), True)

    def mouseReleaseEvent(self, event):
        if event.button() == Qt.MouseButton.LeftButton:
            self._move(event.position(), False)

    def keyPressEvent(self, event):
        keys = Qt.Key
        along = {keys.Key_Left: (-1, 0), keys.Key_Right: (1, 0), keys.Key_Up: (0, 1), keys.Key_Down: (0, -1)}
        if event.key() not in along:
            super().keyPressEvent(event)
            return
        step = _STEP * (FINE if event.modifiers() & Qt.KeyboardModifier.ShiftModifier else 1.0)
        du, dv = along[event.key()]
        self.moved.emit(max(0.0, self._at[0] + du * step), max(0.01, self._at[1] + dv * step), False)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        nm, locus = spectral_locus()
        edge = QPainterPath()
        edge.addPolygon(self._polygon(locus))
        edge.closeSubpath()
        painter.setClipPath(edge)
        if self._image is None:
            self._image = image_of(_ground())
        painter.setOpacity(0.62)
        painter.drawImage(QRectF(self.rect()), self._image)
        painter.setOpacity(1.0)
        painter.setClipping(False)
        painter.setPen(QPen(theme.colour("quiet"), 1.2))
        painter.drawPath(edge)
        self._paint_wavelengths(painter, nm, locus)
        self._paint_gamuts(painter)
        painter.setPen(QPen(theme.colour("text"), 1.1, Qt.PenStyle.DashLine))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawPolygon(self._polygon(self._limit))
        at = self.point(self._at)
        for ink, width in ((theme.colour("window"), 4.0), (theme.colour("text"), 1.8)):
            painter.setPen(QPen(ink, width))
            painter.drawEllipse(at, 6.0, 6.0)
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("verdigris"), 1.0, Qt.PenStyle.DotLine))
            painter.drawRect(self.rect().adjusted(0, 0, -1, -1))

    def _paint_wavelengths(self, painter, nm, locus):
        painter.setFont(theme.font(7.5))
        middle = self.point((0.21, 0.46))
        for named in _NAMED_NM:
            at = self.point(locus[int(np.argmin(np.abs(nm - named)))])
            out = at - middle
            out /= max(1e-6, (out.x() ** 2 + out.y() ** 2) ** 0.5)
            painter.setPen(QPen(theme.colour("quiet"), 1.0))
            painter.drawLine(at, at + 4.0 * out)
            where = at + 15.0 * out
            painter.drawText(
                QRectF(where.x() - 15.0, where.y() - 7.0, 30.0, 14.0), Qt.AlignmentFlag.AlignCenter, str(named)
            )

    def _paint_gamuts(self, painter):
        for space, short in _SHORT.items():
            chosen = space == self._space
            ink = theme.colour("text") if chosen else theme.colour("text", 110)
            painter.setPen(QPen(ink, 1.8 if chosen else 0.9))
            corners = gamut_of(space)
            painter.drawPolygon(self._polygon(corners))
            if chosen:
                painter.setFont(theme.font(8.0, theme.MEDIUM))
                # Beside the middle of its purple edge, where no wavelength is written.
                painter.drawText(self.point(0.5 * (corners[0] + corners[2])) + QPointF(8.0, 14.0), short)


class ColourPicker(QDialog):
    """Changes one colour while it is open. changed: the value, and whether the move goes on; refused: a sentence."""

    changed = pyqtSignal(object, bool)
    refused = pyqtSignal(str)

    def __init__(self, p: Parameter, value, parent=None):
        super().__init__(parent, Qt.WindowType.Popup)
        self.parameter = p
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_DeleteOnClose)
        self.plane = ChromaticityPlane()
        self.plane.moved.connect(self._placed)
        self.luminance = Track(Scale(0.0, 1.0, "root"), (), tr("Luminance Y"))
        self.luminance.moved.connect(self._lit)
        self.luminance_text = Label()
        self.space = QComboBox()
        self.space.setAccessibleName(tr("Colour space"))
        for space in SPACES:
            self.space.addItem(LABELS[space], space)
        self.space.currentIndexChanged.connect(self._show)
        self.numbers = [ValueEdit() for _ in range(3)]
        for edit, name in zip(self.numbers, (tr("Red"), tr("Green"), tr("Blue")), strict=True):
            edit.setAccessibleName(name)
            edit.typed.connect(self._typed)
        self.says = Label()
        self.says.setObjectName("quiet")
        self.says.setWordWrap(True)
        self.says.setMinimumHeight(46)
        self.says.setAlignment(Qt.AlignmentFlag.AlignTop)
        heading = Label(p.label)
        heading.setObjectName("heading")
        lit = QHBoxLayout()
        lit.addWidget(Label(tr("Luminance Y")))
        lit.addWidget(self.luminance, 1)
        lit.addWidget(self.luminance_text)
        fields = QGridLayout()
        fields.addWidget(self.space, 0, 0, 1, 3)
        for i, edit in enumerate(self.numbers):
            fields.addWidget(edit, 1, i)
        column = QVBoxLayout(self)
        column.setContentsMargins(12, 10, 12, 10)
        for part in (heading, self.plane):
            column.addWidget(part)
        for layout in (lit, fields):
            column.addLayout(layout)
        column.addWidget(self.says)
        self._xyz, self._off = xyz_of_colour(value), 0.0
        self._is_spectrum = len(value) > 3
        self._show()

    def _uv(self):
        """The place of the colour; black has that of white."""
        return to_uv(self._xyz if self._xyz[1] > 1e-6 else to_xyz("rec709").sum(axis=1))

    def _show(self):
        space = self.space.currentData()
        uv, y = self._uv(), float(self._xyz[1])
        self.plane.show_state(tuple(uv), y, space)
        self.luminance.show_value(y)
        self.luminance_text.setText(f"{y:.3f}")
        for edit, v in zip(self.numbers, np.linalg.solve(to_xyz(space), self._xyz), strict=True):
            edit.show_text(f"{v:.4f}".replace("-", "−"))
        if self._off > VISIBLY_OFF:
            self.says.setText(
                tr("No reflectance is as saturated as that; the nearest is ΔE {0} from it.", f"{self._off:.1f}")
            )
        elif self._is_spectrum:
            self.says.setText(
                tr("Beyond Rec.709: kept as a spectrum. Dashed: how far reflectances reach at this luminance.")
            )
        else:
            self.says.setText(tr("Within Rec.709. Dashed: how far reflectances reach at this luminance."))

    def _take(self, xyz, goes_on):
        self._xyz = np.asarray(xyz, float)
        value, self._off = colour_of_xyz(self.parameter, self._xyz)
        self._is_spectrum = len(value) > 3
        self._show()
        self.changed.emit(tuple(round(v, 5) for v in value), goes_on)

    def _placed(self, u, v, goes_on):
        self._take(from_uv(np.array([u, v]), max(float(self._xyz[1]), 1e-3)), goes_on)

    def _lit(self, y, goes_on):
        self._take(from_uv(self._uv(), y), goes_on)

    def _typed(self, _text):
        try:
            numbers = [parse_number(self.parameter, edit.text()) for edit in self.numbers]
        except InputError as error:
            self.refused.emit(str(error))
            self._show()
            return
        self._take(to_xyz(self.space.currentData()) @ np.array(numbers), False)
