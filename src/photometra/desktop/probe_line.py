"""The probe line: what the pixel under the pointer is at each step, and how far the picture is."""

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QToolButton, QWidget

from ..imaging.booths import display_of
from ..words import tr
from . import theme
from .scrolling import Sideways
from .session import Session
from .text import Label


def _triple(values):
    return " ".join(f"{v:.3f}" if abs(v) < 10 else f"{v:.2f}" for v in values)


_TITLES = {
    "linear": tr("linear"), "exposed": tr("exposed"), "balanced": tr("balanced"), "bent": tr("roll-off"),
    "shown": tr("displayed"),
}  # fmt: skip
"""What people call a step of the chain."""


_USUAL = {"shown": "255 255 255", "Lab": "99.9 −99.9 −99.9"}
_LONGEST = "4096 samples · noise 99.9 % · 999 s"


class ProbeLine(QWidget):
    """Follows the sight: a pixel through the chain on the left, samples, noise and time on the right."""

    pause_wanted = pyqtSignal(bool)
    restart_wanted = pyqtSignal()

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self._pixel = None
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.setFixedHeight(28)
        row = QHBoxLayout(self)
        row.setContentsMargins(10, 0, 8, 0)
        row.setSpacing(4)
        self.parts = {}
        steps = QWidget()
        left = QHBoxLayout(steps)
        left.setContentsMargins(0, 0, 0, 0)
        left.setSpacing(4)
        for name in ("linear", "exposed", "balanced", "bent", "shown", "Lab"):
            title, value = Label(_TITLES.get(name, name)), Label("–")
            title.setObjectName("quiet")
            for label in (title, value):
                label.setFont(theme.font(8.5))
                left.addWidget(label)
            # As wide as what usually stands there: beside long words of a map it would be squeezed.
            value.setMinimumWidth(value.fontMetrics().horizontalAdvance(_USUAL.get(name, "0.000 0.000 0.000")) + 1)
            self.parts[name] = value
            if name == "exposed":
                self._makes_room = title, value
        self.parts["linear"].setToolTip(tr("Scene-linear Rec.709, before anything"))
        self.parts["exposed"].setToolTip(tr("After exposure"))
        self.parts["balanced"].setToolTip(tr("After white balance"))
        self.parts["bent"].setToolTip(tr("After highlight roll-off"))
        self.parts["shown"].setToolTip(tr("As displayed, 0 to 255"))
        self.parts["Lab"].setToolTip(tr("CIE L*a*b* of the balanced value, white 1 1 1 under D65"))
        self.mapped = Label()
        self.mapped.setFont(theme.font(8.5))
        self.mapped.setToolTip(tr("What the maps lay on there"))
        left.addWidget(self.mapped)
        left.addStretch(1)
        row.addWidget(Sideways(steps), 1)
        self.progress = Label()
        self.progress.setFont(theme.font(8.5))
        self.progress.setToolTip(tr("Samples a pixel, relative noise of the picture, time spent"))
        # As wide as it may become: what follows it would move with every frame.
        self.progress.setMinimumWidth(self.progress.fontMetrics().horizontalAdvance(_LONGEST))
        self.progress.setAlignment(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)
        row.addWidget(self.progress)
        self.pause = QToolButton()
        self.pause.setText(tr("Pause"))
        self.pause.setCheckable(True)
        self.pause.setToolTip(tr("Pause rendering (Ctrl+Space)"))
        self.pause.toggled.connect(self._paused)
        self.restart = QToolButton()
        self.restart.setText(tr("Restart"))
        self.restart.setToolTip(tr("Restart the picture (Ctrl+R)"))
        self.restart.clicked.connect(self.restart_wanted)
        row.addWidget(self.pause)
        row.addWidget(self.restart)
        session.booth_changed.connect(lambda: self.show_pixel(self._pixel))

    def _paused(self, on):
        self.pause.setText(tr("Resume") if on else tr("Pause"))
        self.pause_wanted.emit(on)

    def show_pixel(self, pixel):
        """Show a scene-linear pixel (3,) at each step; None clears the line."""
        self._pixel = pixel
        if pixel is None:
            for value in self.parts.values():
                value.setText("–")
            return
        stages = display_of(self.session.study.booth).pixel(pixel)
        self.parts["linear"].setText(_triple(stages.linear))
        self.parts["exposed"].setText(_triple(stages.exposed))
        self.parts["balanced"].setText(_triple(stages.balanced))
        self.parts["bent"].setText(_triple(stages.compressed))
        self.parts["shown"].setText(" ".join(f"{round(255 * float(v))}" for v in stages.shown))
        self.parts["Lab"].setText(" ".join(f"{v:.1f}" for v in stages.lab).replace("-", "−"))

    def show_mapped(self, words):
        """Show the mapped values under the pointer, in words; the exposed pixel, the linear one by a factor, makes
        room for them."""
        self.mapped.setText(words)
        for label in self._makes_room:
            label.setVisible(not words)

    def show_progress(self, frame):
        if frame.step > 1:
            self.progress.setText(tr("1/{0} size", frame.step))
            return
        noise = f"{100 * frame.noise:.1f} %" if frame.samples > 1 else "–"
        samples = tr("1 sample") if frame.samples == 1 else tr("{0} samples", frame.samples)
        text = tr("{0} · noise {1} · {2} s", samples, noise, f"{frame.seconds:.0f}")
        if frame.energy_cut > 0.005:
            text += tr(" · limits cut {0} %", f"{100 * frame.energy_cut:.1f}")
        self.progress.setText(text)
