"""The strip of the comparison: with what, how, and how far apart."""

import numpy as np
from PyQt6.QtCore import QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QPainter
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QMenu, QToolButton, QWidget

from ..imaging.comparing import LARGEST_SHOWN, ramp, signed_ramp
from ..words import tr
from . import theme
from .called import called
from .comparison import BLEND, COLOUR, DIVIDER, FLICKER, LUMINANCE, MODES, Comparison
from .drag_field import DragField
from .session import Session
from .text import Label

PHOTOGRAPH = "photograph"


class Legend(QWidget):
    """The colours of a map with the numbers at their ends."""

    def __init__(self, parent=None):
        super().__init__(parent)
        self.setFixedSize(150, 22)
        self._mode = COLOUR
        self.setAccessibleName(tr("Legend of the map"))

    def show_map(self, mode):
        self._mode = mode
        self.update()

    def paintEvent(self, _event):
        painter = QPainter(self)
        signed = self._mode == LUMINANCE
        x = np.linspace(-1.0, 1.0, 64) if signed else np.linspace(0.0, 1.0, 64)
        colours = (signed_ramp if signed else ramp)(x)
        low, high = ("−50 %", "+50 %") if signed else ("0", f"{LARGEST_SHOWN:g}")
        painter.setFont(theme.font(8.0))
        painter.setPen(theme.colour("quiet"))
        painter.drawText(QRectF(0.0, 0.0, 36.0, 22.0), Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter, low)
        painter.drawText(QRectF(114.0, 0.0, 36.0, 22.0), Qt.AlignmentFlag.AlignVCenter, high)
        for i, c in enumerate(colours):
            painter.fillRect(QRectF(40.0 + 70.0 * i / 64.0, 6.0, 1.6, 10.0), QColor.fromRgbF(*(float(v) for v in c)))


class CompareStrip(QWidget):
    """The way to compare, and the numbers; seen while there is a partner. `partner` and `more` stand elsewhere."""

    reference_wanted = pyqtSignal()
    keep_wanted = pyqtSignal()
    proofs_wanted = pyqtSignal()

    def __init__(self, session: Session, comparison: Comparison, parent=None):
        super().__init__(parent)
        self.session, self.comparison = session, comparison
        self.setObjectName("panel")
        row = QHBoxLayout(self)
        row.setContentsMargins(6, 2, 6, 2)
        row.setSpacing(4)
        self.partner = QComboBox()
        self.partner.setAccessibleName(tr("Compare with"))
        self.partner.setToolTip(tr("What the picture is compared with: a photograph of the specimen, or a proof"))
        self.partner.activated.connect(self._chosen)
        self.partner.setFixedWidth(132)
        self.more = QToolButton()
        self.more.setText("…")
        self.more.setAccessibleName(tr("Photographs and proofs"))
        self.more.setToolTip(tr("Load and line up a photograph; keep a proof; look at the proofs"))
        self.more.setPopupMode(QToolButton.ToolButtonPopupMode.InstantPopup)
        menu = QMenu(self.more)
        menu.addAction(tr("Photograph of the specimen…"), self.reference_wanted.emit)
        menu.addAction(tr("Keep a proof"), self.keep_wanted.emit)
        menu.addAction(tr("Proofs"), self.proofs_wanted.emit)
        self.more.setMenu(menu)
        self.mode = QComboBox()
        self.mode.setAccessibleName(tr("Way of comparing"))
        self.mode.addItems(MODES)
        self.mode.activated.connect(lambda _i: comparison.set(mode=self.mode.currentText()))
        self.opacity = DragField(
            tr("opacity"), "%", 0.0, 100.0, 0.5, 0, tr("How much of the partner shows in the blend")
        )
        self.opacity.changed.connect(lambda v, _g: comparison.set(opacity=v / 100.0))
        self.rate = DragField(tr("rate"), "Hz", 0.2, 10.0, 0.05, 1, tr("How many times a second the two change places"))
        self.rate.changed.connect(lambda v, _g: comparison.set(hertz=v))
        self.angle = DragField(tr("angle"), "°", -90.0, 90.0, 0.5, 0, tr("How far the divider is turned from upright"))
        self.angle.changed.connect(lambda v, _g: comparison.set(angle=v))
        self.legend = Legend()
        self.words = Label()
        self.words.setFont(theme.font(8.5))
        self.which = Label()
        self.which.setFont(theme.font(8.5, theme.MEDIUM))
        self.now_button = QToolButton()
        self.now_button.setText(tr("now"))
        self.now_button.setToolTip(tr("Compare the present picture again, instead of a proof"))
        self.now_button.clicked.connect(lambda: self.compare_with(self.comparison.partner))
        for part in (
            self.which,
            self.now_button,
            self.mode,
            self.angle,
            self.opacity,
            self.rate,
            self.legend,
            self.words,
        ):
            row.addWidget(part)
        row.addStretch(1)
        for signal in (session.document_changed, session.chosen_changed, comparison.changed):
            signal.connect(self.refresh)
        self.refresh()

    def choices(self):
        """[(words, partner)] of what there is to compare with."""
        specimen = self.session.specimen
        out = [(tr("none"), None)]
        if specimen is not None and specimen.reference is not None:
            out.append((called(PHOTOGRAPH), specimen.reference))
        proofs = self.session.study.proofs
        out += [(p.name, p) for p in proofs if specimen is not None and p.specimen == specimen.name]
        out += [(f"{p.specimen}: {p.name}", p) for p in proofs if specimen is None or p.specimen != specimen.name]
        return out

    def compare_with(self, partner, instead=None):
        """Compare with a partner; None for none. instead: a proof in place of the present picture."""
        images = self.session.study.images
        data, instead_data = (images.get(p.picture, b"") if p is not None else b"" for p in (partner, instead))
        self.comparison.with_partner(partner, data, instead, instead_data)

    def _chosen(self, index):
        self.compare_with(self.choices()[index][1])

    def refresh(self):
        """Show the choices, and drop a partner that is gone or was changed."""
        choices = self.choices()
        words = [w for w, _ in choices]
        if [self.partner.itemText(i) for i in range(self.partner.count())] != words:
            self.partner.clear()
            self.partner.addItems(words)
        at = next((i for i, (_, p) in enumerate(choices) if p == self.comparison.partner), None)
        if at is None:
            was_photograph = self.comparison.partner is not None and not hasattr(self.comparison.partner, "surface")
            again = (
                choices[1][1] if was_photograph and len(choices) > 1 and choices[1][0] == called(PHOTOGRAPH) else None
            )
            self.compare_with(again)
            return
        if self.comparison.instead is not None and self.comparison.instead not in self.session.study.proofs:
            self.compare_with(self.comparison.partner)
            return
        self.partner.setCurrentIndex(at)
        instead = self.comparison.instead
        self.which.setVisible(instead is not None)
        self.now_button.setVisible(instead is not None)
        if instead is not None:
            self.which.setText(tr("{0} and {1}", instead.name, choices[at][0]))
        on, s = self.comparison.partner is not None, self.comparison.setting
        self.mode.setCurrentText(s.mode)
        self.angle.setVisible(on and s.mode == DIVIDER)
        self.opacity.setVisible(on and s.mode == BLEND)
        self.rate.setVisible(on and s.mode == FLICKER)
        self.angle.show_value(s.angle)
        self.opacity.show_value(100.0 * s.opacity)
        self.rate.show_value(s.hertz)
        is_map = on and s.mode in (COLOUR, LUMINANCE)
        self.words.setVisible(is_map)
        self.legend.setVisible(is_map)
        self.legend.show_map(s.mode)
        self.setVisible(on)

    def show_apart(self, a, where=""):
        """Say how far apart the two are, in the patch of a name."""
        if a is None:
            return
        where = f"{where}: " if where else ""
        if self.comparison.setting.mode == COLOUR:
            self.words.setText(
                tr(
                    "{0}ΔE mean {1}, median {2}, 95 % below {3}",
                    where,
                    f"{a.mean:.2f}",
                    f"{a.median:.2f}",
                    f"{a.p95:.2f}",
                )
            )
        else:
            self.words.setText(
                tr(
                    "{0}differs by {1} % on the mean, 95 % below {2} %",
                    where,
                    f"{100 * a.mean:.1f}",
                    f"{100 * a.p95:.0f}",
                )
            )
