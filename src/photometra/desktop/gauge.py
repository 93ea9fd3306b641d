"""The gauge: the control for one number, drawn as an instrument's scale with real-world marks."""

from dataclasses import replace

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QFont, QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import QHBoxLayout, QLineEdit, QSizePolicy, QToolButton, QVBoxLayout, QWidget

from ..errors import InputError
from ..maps import Map
from ..surface import Parameter, format_value
from ..surface.scale import Scale
from ..surface.values import parse_number
from ..words import tr
from . import theme
from .language import as_typed, in_field
from .map_button import MapButton
from .range_track import RangeTrack
from .scale_parts import FINE, key_step, paint_marks, paint_ticks, paint_whisker, wheel_step
from .text import Label


class Track(QWidget):
    """The scale itself: ticks, marks, needle, and the whisker of ± one standard error.

    Drag, wheel and arrow keys move the needle (Shift: ten times finer); Home and End go to the ends.
    """

    moved = pyqtSignal(float, bool)
    """The value, and whether the move goes on (a drag) or is done."""

    def __init__(self, scale: Scale, marks=(), name="", parent=None):
        super().__init__(parent)
        self.scale, self.marks = scale, marks
        self._value, self._sigma = scale.low, None
        self._dragging = False
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setAccessibleName(name)
        self.setCursor(Qt.CursorShape.SizeHorCursor)
        self.setMinimumWidth(90)
        self.setFixedHeight(38 if marks else 22)

    def sizeHint(self):
        return QSize(240, self.height())

    def show_value(self, value, sigma=None):
        if (value, sigma) != (self._value, self._sigma):
            self._value, self._sigma = value, sigma
            self.update()

    @property
    def value(self):
        return self._value

    def x_of(self, value):
        """Where a value stands, in the widget's own pixels."""
        return 7.0 + self.scale.place(value) * (self.width() - 14.0)

    def value_at(self, x):
        return self.scale.value((x - 7.0) / (self.width() - 14.0))

    def _move(self, value, goes_on):
        self._value = value
        self.update()
        self.moved.emit(value, goes_on)

    def _nudge(self, share, goes_on=False):
        self._move(self.scale.value(self.scale.place(self._value) + share), goes_on)

    def mousePressEvent(self, event):
        if event.button() == Qt.MouseButton.LeftButton:
            self._dragging, self._from = True, event.position().x()
            # A press on the needle takes hold of it; a press elsewhere brings it there.
            self._grip = self.x_of(self._value) - self._from
            if abs(self._grip) > 8.0:
                self._grip = 0.0
                self._move(self.value_at(self._from), True)

    def mouseMoveEvent(self, event):
        if not self._dragging:
            return
        x = event.position().x()
        if event.modifiers() & Qt.KeyboardModifier.ShiftModifier:
            share = (x - self._from) / (self.width() - 14.0) * FINE
            self._nudge(share, True)
            self._from, self._grip = x, self.x_of(self._value) - x
        else:
            self._from = x
            self._move(self.value_at(x + self._grip), True)

    def mouseReleaseEvent(self, event):
        if self._dragging and event.button() == Qt.MouseButton.LeftButton:
            self._dragging = False
            self._move(self._value, False)

    def wheelEvent(self, event):
        # The wheel scrolls the page unless the gauge was chosen first.
        if not self.hasFocus():
            event.ignore()
            return
        self._nudge(wheel_step(event))

    def keyPressEvent(self, event):
        step = key_step(event)
        if step is not None:
            self._nudge(step)
        elif event.key() == Qt.Key.Key_Home:
            self._move(self.scale.low, False)
        elif event.key() == Qt.Key.Key_End:
            self._move(self.scale.high, False)
        else:
            super().keyPressEvent(event)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        enabled = self.isEnabled()
        base = 15.0
        paint_ticks(painter, self.scale, self.x_of, base, self.width(), enabled)
        if self.marks:
            paint_marks(painter, self.marks, self.x_of, base, self.width())
        if self._sigma and enabled:
            paint_whisker(painter, self.x_of(self._value - self._sigma), self.x_of(self._value + self._sigma), base)
        x = self.x_of(self._value)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("verdigris") if enabled else theme.colour("line"))
        painter.drawPolygon(
            QPolygonF(
                [
                    QPointF(x, base + 1.0),
                    QPointF(x - 4.5, base - 9.0),
                    QPointF(x, base - 13.0),
                    QPointF(x + 4.5, base - 9.0),
                ]
            )
        )
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("verdigris"), 1.0, Qt.PenStyle.DotLine))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRoundedRect(QRectF(0.5, 0.5, self.width() - 1.0, self.height() - 1.0), 3.0, 3.0)


TO = tr("{0} to {1}", "", "")
"""What stands between the two ends of a range."""


class ValueEdit(QLineEdit):
    """A number as text. `typed` is emitted with what was entered; Escape brings the old text back."""

    typed = pyqtSignal(str)

    def __init__(self, parent=None):
        super().__init__(parent)
        self.setAlignment(Qt.AlignmentFlag.AlignRight)
        self.shown = ""
        self.returnPressed.connect(self._enter)

    def show_text(self, text):
        self.shown = text = in_field(text)
        if not (self.hasFocus() and self.isModified()):
            self.setText(text)
            self.setCursorPosition(0)

    def _enter(self):
        self.setModified(False)
        self.typed.emit(as_typed(self.text()))
        self.selectAll()

    def focusInEvent(self, event):
        super().focusInEvent(event)
        self.selectAll()

    def focusOutEvent(self, event):
        super().focusOutEvent(event)
        if self.isModified():
            self.setModified(False)
            self.typed.emit(as_typed(self.text()))
        self.setText(self.shown)

    def keyPressEvent(self, event):
        if event.key() == Qt.Key.Key_Escape:
            self.setModified(False)
            self.setText(self.shown)
            self.selectAll()
        else:
            super().keyPressEvent(event)


class Pin(QToolButton):
    """Held (the pin stands in) or free (it hangs loose). The word stands beside the drawing; bounds are a bracket."""

    bounds_wanted = pyqtSignal()

    def __init__(self, parent=None):
        super().__init__(parent)
        self.setCheckable(True)
        self.setFixedSize(46, 20)
        self.setContextMenuPolicy(Qt.ContextMenuPolicy.CustomContextMenu)
        self.customContextMenuRequested.connect(lambda _at: self.bounds_wanted.emit())
        self.show_bounds(None)

    def show_bounds(self, bounds):
        """Say between which values a solve may find the parameter, where that was narrowed."""
        self.bounds = bounds
        text = tr("Free: a solve may change this parameter. Held: it stays as it is.")
        if bounds:
            text += tr("<br>A solve finds it between {0} and {1}.", f"{bounds[0]:g}", f"{bounds[1]:g}")
        self.setToolTip(text + tr("<br>Right button, or the L key: limits for a solve."))
        self.update()

    def keyPressEvent(self, event):
        if event.key() == Qt.Key.Key_L:
            self.bounds_wanted.emit()
        else:
            super().keyPressEvent(event)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        free = self.isChecked()
        ink = theme.colour("verdigris" if free else "quiet")
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("verdigris"), 1.0, Qt.PenStyle.DotLine))
            painter.drawRoundedRect(QRectF(0.5, 0.5, self.width() - 1.0, self.height() - 1.0), 3.0, 3.0)
        painter.save()
        painter.translate(9.0, 10.0)
        if free:
            painter.translate(0.0, -1.0)
            painter.rotate(38.0)
        painter.setPen(QPen(ink, 1.4))
        painter.drawLine(QPointF(0.0, 0.0), QPointF(0.0, 7.0))
        painter.setBrush(Qt.BrushStyle.NoBrush if free else ink)
        painter.drawEllipse(QPointF(0.0, -3.0), 3.2, 3.2)
        painter.restore()
        painter.setPen(ink)
        if self.bounds:
            painter.drawPolyline(
                QPolygonF([QPointF(3.0, 4.0), QPointF(1.0, 4.0), QPointF(1.0, 16.0), QPointF(3.0, 16.0)])
            )
            painter.drawPolyline(
                QPolygonF([QPointF(45.0, 4.0), QPointF(47.0, 4.0), QPointF(47.0, 16.0), QPointF(45.0, 16.0)])
            )
        painter.setFont(theme.font(8.0, QFont.Weight.Medium if free else QFont.Weight.Normal))
        painter.drawText(
            QRectF(18.0, 0.0, 30.0, 20.0), Qt.AlignmentFlag.AlignVCenter, tr("free") if free else tr("held")
        )


def tooltip(p: Parameter):
    """Meaning, unit and range of a parameter, and what may be typed."""
    low, high = p.hard
    unit = f" {p.unit}" if p.unit else ""
    text = tr("<b>{0}</b> <span>({1})</span><br>{2}", p.label, p.name, p.meaning)
    if p.kind == "number":
        text += tr("<br>{0} to {1}{2}", f"{low:g}", f"{high:g}", unit)
    if p.converters:
        text += tr("<br>You may also type: {0}", ", ".join(f"{c} …" for c in p.converters))
    if p.unit in ("mm", "1/mm"):
        text += tr("<br>Units are understood: nm, µm, mm, cm, m")
    return text


class Gauge(QWidget):
    """One numeric parameter: its name, pin and value above its track; of one that a map drives, the map's distribution
    between its low and high end.

    changed(value or Map, goes_on) when the person moves it; freed(bool) when the pin is turned; refused(sentence) when
    what was typed will not do.
    """

    changed = pyqtSignal(object, bool)
    freed = pyqtSignal(bool)
    refused = pyqtSignal(str)

    def __init__(self, p: Parameter, parent=None):
        super().__init__(parent)
        self.parameter = p
        self.setObjectName(f"gauge {p.name}")
        self.setToolTip(tooltip(p))
        self.track = Track(Scale(*p.span, p.scale), p.marks, p.label)
        self.range = RangeTrack(Scale(*p.span, p.scale), p.marks, p.label) if p.varies else None
        self.map_button = MapButton(p.label) if p.varies else None
        self._map = self._state = None
        # What shows only where it varies has nothing to set without a map.
        self.bare = Label(tr("the same everywhere; give it a map")) if p.varies == 1 else None
        label = Label(p.label)
        self.pin = Pin()
        self.pin.setVisible(p.solvable)
        self.pin.setAccessibleName(tr("{0}: free", p.label))
        self.edit = ValueEdit()
        self.edit.setFixedWidth(112 if p.varies else 128)
        self.edit.setAccessibleName(tr("{0}, value", p.label))
        head = QHBoxLayout()
        head.setContentsMargins(0, 0, 0, 0)
        head.setSpacing(4)
        head.addWidget(label, 1)
        if p.varies:
            head.addWidget(self.map_button)
        head.addWidget(self.pin)
        head.addWidget(self.edit)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 2, 0, 4)
        column.setSpacing(2)
        column.addLayout(head)
        column.addWidget(self.track)
        if p.varies:
            self.range.setVisible(False)
            self.range.moved.connect(self._ranged)
            column.addWidget(self.range)
        if self.bare is not None:
            self.bare.setObjectName("quiet")
            column.addWidget(self.bare)
        label.setBuddy(self.track)
        self.track.moved.connect(self._moved)
        self.edit.typed.connect(self._typed)
        self.pin.clicked.connect(self.freed)

    def show_state(self, value, sigma, is_free, hill=None):
        """sigma: of a value; of a Map (low's, high's). hill: the map's Distribution, None until it is known."""
        self.pin.setChecked(is_free)
        shown = (value, sigma, hill)
        if shown == self._state:
            # What was typed and refused goes; the rest stands as it is.
            self.edit.show_text(self.edit.shown)
            return
        self._state = shown
        self._map = value if isinstance(value, Map) else None
        if self.range is not None:
            self.range.setVisible(self._map is not None)
            self.track.setVisible(self._map is None and self.bare is None)
        if self.bare is not None:
            self.bare.setVisible(self._map is None)
            self.edit.setVisible(self._map is not None)
        if self._map is not None:
            self.range.show_range(value.low, value.high, sigma, hill)
            self.edit.show_text(format_value(self.parameter, value).removesuffix(self.parameter.unit).strip())
            return
        self.track.show_value(value, sigma)
        self.edit.show_text(format_value(self.parameter, value, sigma))

    def _rounded(self, value):
        value = (
            round(value, max(self.parameter.digits + 1, 4)) if self.parameter.scale != "log" else float(f"{value:.4g}")
        )
        low, high = self.parameter.hard
        return min(max(value, low), high)

    def _moved(self, value, goes_on):
        self.changed.emit(self._rounded(value), goes_on)

    def _ranged(self, low, high, goes_on):
        self.changed.emit(replace(self._map, low=self._rounded(low), high=self._rounded(high)), goes_on)

    def _typed(self, text):
        # The text may still carry the standard error it was shown with.
        text = text.split("±")[0] if "±" in text else text
        try:
            if self._map is not None and TO in text:
                low, high = text.removesuffix(self.parameter.unit).split(TO, 1)
                ends = {"low": parse_number(self.parameter, low), "high": parse_number(self.parameter, high)}
                value = replace(self._map, **ends)
            else:
                # One number for what varies takes its map off.
                value = parse_number(self.parameter, text)
        except InputError as error:
            self.refused.emit(str(error))
            return
        self.changed.emit(value, False)
