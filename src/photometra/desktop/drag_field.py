"""A compact number in the strip: drag sideways, wheel, arrows, or double-click to type."""

import math

from PyQt6.QtCore import QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QFont, QFontMetricsF, QPainter, QPen
from PyQt6.QtWidgets import QLineEdit, QWidget

from ..words import tr, with_unit
from . import theme
from .language import in_field


class DragField(QWidget):
    """`step` is one pixel's or one arrow's worth; Shift makes it ten times finer. Escape leaves the typing."""

    changed = pyqtSignal(float, bool)

    def __init__(self, name, unit, low, high, step, digits, tip, sign=False, parent=None):
        super().__init__(parent)
        self._name, self._unit, self._sign = name, unit, sign
        self._low, self._high, self._step, self._digits = low, high, step, digits
        self._value = 0.0
        self._from = None
        self._edit = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.SizeHorCursor)
        self.setToolTip(tr("{0}; {1} to {2}. Drag sideways, or press Enter to type", tip, f"{low:g}", f"{high:g}"))
        self.setAccessibleName(name)
        self.setFixedHeight(24)

    def sizeHint(self):
        wide = QFontMetricsF(theme.font(9.0)).horizontalAdvance(self._name + self._text(self._low))
        return QSize(int(wide) + 17, 24)

    def minimumSizeHint(self):
        return self.sizeHint()

    @property
    def value(self):
        return self._value

    def _text(self, value):
        text = f"{value:+.{self._digits}f}" if self._sign else f"{value:.{self._digits}f}"
        return with_unit(text.replace("-", "−"), self._unit)

    def show_value(self, value):
        if value != self._value:
            self._value = value
            self.update()

    def _move(self, value, goes_on):
        value = round(min(max(value, self._low), self._high), self._digits + 1)
        self._value = value
        self.update()
        self.changed.emit(value, goes_on)

    def _by(self, steps, modifiers, goes_on):
        fine = 0.1 if modifiers & Qt.KeyboardModifier.ShiftModifier else 1.0
        self._move(self._value + steps * self._step * fine, goes_on)

    def mousePressEvent(self, event):
        if event.button() == Qt.MouseButton.LeftButton:
            self._from = event.position().x()

    def mouseMoveEvent(self, event):
        if self._from is not None:
            x = event.position().x()
            self._by(x - self._from, event.modifiers(), True)
            self._from = x

    def mouseReleaseEvent(self, _event):
        if self._from is not None:
            self._from = None
            self._move(self._value, False)

    def mouseDoubleClickEvent(self, _event):
        self._from = None
        self._type()

    def wheelEvent(self, event):
        if self.hasFocus():
            self._by(math.copysign(5.0, event.angleDelta().y()), event.modifiers(), False)
        else:
            event.ignore()

    def keyPressEvent(self, event):
        steps = {Qt.Key.Key_Left: -1, Qt.Key.Key_Down: -1, Qt.Key.Key_Right: 1, Qt.Key.Key_Up: 1}
        if event.key() in steps:
            self._by(5.0 * steps[event.key()], event.modifiers(), False)
        elif event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self._type()
        else:
            super().keyPressEvent(event)

    def _type(self):
        self._edit = QLineEdit(in_field(f"{self._value:.{self._digits}f}"), self)
        self._edit.setGeometry(self.rect())
        self._edit.editingFinished.connect(self._typed)
        self._edit.selectAll()
        self._edit.show()
        self._edit.setFocus()

    def _typed(self):
        edit, self._edit = self._edit, None
        if edit is None:
            return
        text = edit.text().replace("−", "-").replace(self._unit, "").replace(",", ".").strip()
        edit.deleteLater()
        self.setFocus()
        try:
            value = float(text)
        except ValueError:
            return
        if math.isfinite(value):
            self._move(value, False)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        box = QRectF(0.5, 0.5, self.width() - 1.0, self.height() - 1.0)
        painter.setPen(QPen(theme.colour("verdigris" if self.hasFocus() else "faint"), 1.0))
        painter.setBrush(theme.colour("raised"))
        painter.drawRoundedRect(box, 3.0, 3.0)
        inner = box.adjusted(5.0, 0.0, -5.0, 0.0)
        painter.setFont(theme.font(9.0))
        painter.setPen(theme.colour("quiet"))
        painter.drawText(inner, Qt.AlignmentFlag.AlignVCenter | Qt.AlignmentFlag.AlignLeft, self._name)
        painter.setFont(theme.font(9.0, QFont.Weight.Medium))
        painter.setPen(theme.colour("text"))
        painter.drawText(inner, Qt.AlignmentFlag.AlignVCenter | Qt.AlignmentFlag.AlignRight, self._text(self._value))
