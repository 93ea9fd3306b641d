"""The strip of the display's chain: exposure, white balance, highlight compression, view; each with its own switch."""

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QToolButton, QWidget

from ..colour import linear_srgb_to_xyz
from ..colour.temperature import temperature_of
from ..errors import InputError
from ..imaging.display import BALANCE, CHAIN, COMPRESSION, EXPOSURE, FILMIC, PLAIN, VIEW, view_names
from ..words import tr
from . import theme
from .drag_field import DragField
from .session import Session
from .text import Label


def white_words(white):
    """A white in words: its temperature and tint (above 0 towards green), or that there is none."""
    if white is None:
        return tr("unchanged")
    try:
        kelvin, tint = temperature_of(linear_srgb_to_xyz(white))
    except InputError:
        return tr("far from white")
    beside = f" {1000.0 * tint:+.0f}".replace("-", "−") if abs(tint) >= 5e-4 else ""
    return f"{round(kelvin, -1):.0f} K{beside}"


_STEP_WORDS = {
    EXPOSURE: tr("exposure"), BALANCE: tr("white balance"), COMPRESSION: tr("highlights"), VIEW: tr("view transform"),
}  # fmt: skip


class StepSwitch(QToolButton):
    """A step of the chain: a full dot while it is on, a ring while it is off."""

    def __init__(self, step, parent=None):
        super().__init__(parent)
        self.setCheckable(True)
        self.setFixedSize(18, 22)
        self.setToolTip(tr("Switch {0} off or on", _STEP_WORDS[step]))
        self.setAccessibleName(tr("{0} on", _STEP_WORDS[step]))

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("verdigris"), 1.0, Qt.PenStyle.DotLine))
            painter.drawRoundedRect(QRectF(0.5, 0.5, self.width() - 1.0, self.height() - 1.0), 3.0, 3.0)
        painter.setPen(QPen(theme.colour("verdigris" if self.isChecked() else "quiet"), 1.4))
        painter.setBrush(theme.colour("verdigris") if self.isChecked() else Qt.BrushStyle.NoBrush)
        painter.drawEllipse(QPointF(self.width() / 2.0, self.height() / 2.0), 4.2, 4.2)


class ChainStrip(QWidget):
    """Follows the booth. `pick_wanted` asks for a place in the picture: "neutral" or "white", or "" for none."""

    pick_wanted = pyqtSignal(str)
    marks_wanted = pyqtSignal(bool)

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.setObjectName("panel")
        row = QHBoxLayout(self)
        row.setContentsMargins(6, 1, 6, 2)
        row.setSpacing(2)
        self.switches = {}
        self.exposure = DragField(tr("exposure"), "EV", -12.0, 12.0, 0.02, 2, tr("Exposure in stops"), sign=True)
        self.exposure.changed.connect(lambda v, goes_on: self._set("exposure", v, goes_on))
        self.expose = self._tool(
            tr("White"), tr("Expose so that a white you click just reaches white (W)"), "W", tr("white")
        )
        self.neutral = self._tool(
            tr("Neutral"),
            tr("Balance on a place that is known to be neutral: click it in the picture (N)"),
            "N",
            tr("neutral"),
        )
        self.white = Label()
        self.white.setFont(theme.font(8.5))
        self.white.setToolTip(
            tr(
                "Colour temperature of the white that is balanced to, and its tint: + to green, − to magenta "
                "(Duv · 1000)"
            )
        )
        self.unbalance = QToolButton()
        self.unbalance.setText("×")
        self.unbalance.setFixedWidth(22)
        self.unbalance.setToolTip(tr("Clear the white balance"))
        self.unbalance.clicked.connect(lambda: session.set_booth(tr("clear the white balance"), white=None))
        self.compression = DragField(
            tr("highlights"), "", 0.0, 1.0, 0.005, 2, tr("How far highlights roll off towards white")
        )
        self.compression.changed.connect(lambda v, goes_on: self._set("compression", v, goes_on))
        self.view = QComboBox()
        self.view.setToolTip(
            tr("View transform: how scene light becomes screen light (Ctrl+P: the plain one and back)")
        )
        self.view.setAccessibleName(tr("View transform"))
        self.view.activated.connect(lambda i: session.set_booth(view=self.view.itemData(i)))
        self.view.setFixedWidth(70)
        self.marks = QToolButton()
        self.marks.setText(tr("Clip"))
        self.marks.setCheckable(True)
        self.marks.setShortcut("C")
        self.marks.setToolTip(tr("Mark what is clipped at white, and what is below black (C)"))
        self.marks.toggled.connect(self.marks_wanted)
        for step, parts in (
            (EXPOSURE, (self.exposure, self.expose)),
            (BALANCE, (self.neutral, self.white, self.unbalance)),
            (COMPRESSION, (self.compression,)),
            (VIEW, (self.view,)),
        ):
            row.addWidget(self._switch(step))
            for part in parts:
                row.addWidget(part)
            row.addStretch(1)
        row.addWidget(self.marks)
        session.booth_changed.connect(self.refresh)
        self.refresh()

    def _tool(self, text, tip, key, what):
        button = QToolButton()
        button.setText(text)
        button.setToolTip(tip)
        button.setCheckable(True)
        button.setShortcut(key)
        button.clicked.connect(lambda on: self.pick_wanted.emit(what if on else ""))
        return button

    def _switch(self, step):
        button = StepSwitch(step)
        button.clicked.connect(lambda on: self._switched(step, on))
        self.switches[step] = button
        return button

    def _switched(self, step, on):
        off = set(self.session.study.booth.off)
        off = off - {step} if on else off | {step}
        word = tr("{0} on", _STEP_WORDS[step]) if on else tr("{0} off", _STEP_WORDS[step])
        self.session.set_booth(word, off=tuple(s for s in CHAIN if s in off))

    def _set(self, key, value, goes_on):
        self.session.set_booth(dragging=True, **{key: value})
        if not goes_on:
            self.session.settle()

    def show_picking(self, what):
        """Show which place is being asked for."""
        self.neutral.setChecked(what == "neutral")
        self.expose.setChecked(what == "white")

    def refresh(self):
        booth = self.session.study.booth
        if not self.view.count():
            for name in view_names():
                self.view.addItem({PLAIN: tr("plain sRGB"), FILMIC: tr("filmic")}.get(name, name), name)
        self.view.setCurrentIndex(max(0, self.view.findData(booth.view)))
        self.exposure.show_value(booth.exposure)
        self.compression.show_value(booth.compression)
        self.white.setText(white_words(booth.white))
        self.unbalance.setEnabled(booth.white is not None)
        for step, button in self.switches.items():
            button.setChecked(step not in booth.off)
        for part, step in ((self.exposure, EXPOSURE), (self.compression, COMPRESSION), (self.view, VIEW)):
            part.setEnabled(step not in booth.off)
        self.white.setEnabled(BALANCE not in booth.off)
