"""Under the picture: what light met first, each a picture of its own, one click away."""

from dataclasses import replace

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QButtonGroup, QHBoxLayout, QToolButton, QWidget

from ..tracing import LAYER_NAMES
from ..words import tr
from . import theme
from .called import called
from .session import Session
from .text import Label

_WHOLE = "whole"


def present(surface):
    """Names of the layers that a surface can have, in order."""
    s = surface
    dielectric = s["metalness"] < 1.0
    opaque = dielectric and s["transmission"] < 1.0
    there = {
        "sheen": s["sheen.amount"] > 0.0,
        "coat": s["coat.amount"] > 0.0,
        "finish": True,
        "body": opaque and (s["subsurface"] < 1.0 or s.is_sheet),
        "transmission": dielectric and s["transmission"] > 0.0,
        "reverse": s.applies("reverse.colour"),
        "subsurface": s.applies("subsurface.radius"),
        "stage": True,
    }
    return [name for name in LAYER_NAMES if there[name]]


class LayerStrip(QWidget):
    """One button for the whole and one for each layer there is."""

    chosen = pyqtSignal(str)
    """A layer's name, or "" for the whole picture."""

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.setObjectName("panel")
        self.setFixedHeight(24)
        self.buttons = {}
        self._group = QButtonGroup(self)
        row = QHBoxLayout(self)
        row.setContentsMargins(8, 0, 8, 0)
        row.setSpacing(3)
        title = Label(tr("first hit"))
        title.setObjectName("quiet")
        title.setFont(theme.font(8.5))
        row.addWidget(title)
        for name in (_WHOLE, *LAYER_NAMES):
            button = QToolButton()
            button.setText(tr("all") if name == _WHOLE else called(name))
            button.setFont(theme.font(8.5))
            button.setCheckable(True)
            button.setToolTip(
                tr("The whole picture") if name == _WHOLE else tr("Only light whose first hit is {0}", _THE[name])
            )
            button.clicked.connect(lambda _on, name=name: self.chosen.emit("" if name == _WHOLE else name))
            self._group.addButton(button)
            self.buttons[name] = button
            row.addWidget(button)
        row.addStretch(1)
        self.finding = Label()
        self.finding.setObjectName("brick")
        self.finding.setFont(theme.font(8.5))
        self.mend = QToolButton()
        self.mend.setFont(theme.font(8.5))
        self.mend.clicked.connect(self._mended)
        row.addWidget(self.finding)
        row.addWidget(self.mend)
        self.show_finding(None)
        self.buttons[_WHOLE].setChecked(True)
        session.surface_changed.connect(self.refresh)
        self.refresh()

    def show_whole(self):
        """Choose all light again."""
        if not self.buttons[_WHOLE].isChecked():
            self.buttons[_WHOLE].click()

    def show_finding(self, finding):
        """What is doubtful about the running picture, with its mend; None for nothing."""
        self._mend = dict(finding.mend) if finding else {}
        self.finding.setText(f"! {finding.sentence}" if finding else "")
        self.mend.setText(finding.mend_label if finding else "")
        self.mend.setVisible(finding is not None)

    def _mended(self):
        effort = self.session.study.booth.effort
        self.session.set_booth(tr("mend"), effort=replace(effort, **self._mend))

    def refresh(self):
        """Show the layers the present surface has; where the chosen one is gone, the whole comes back."""
        specimen = self.session.specimen
        there = present(specimen.surface) if specimen else []
        for name, button in self.buttons.items():
            button.setVisible(name == _WHOLE or name in there)
            if button.isChecked() and name not in (_WHOLE, *there):
                self.buttons[_WHOLE].click()


_THE = {
    "sheen": tr("the fibres"),
    "coat": tr("the coat"),
    "finish": tr("the finish"),
    "body": tr("the body"),
    "transmission": tr("the clear interior"),
    "reverse": tr("the back side"),
    "subsurface": tr("subsurface scattering"),
    "stage": tr("the stage, or nothing"),
}
