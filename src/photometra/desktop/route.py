"""The route: the steps of the work in their order, each saying what still needs a look."""

from PyQt6.QtCore import QPointF, Qt, pyqtSignal
from PyQt6.QtGui import QFont, QFontMetricsF, QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import QAbstractButton, QHBoxLayout, QSizePolicy, QWidget

from ..instruments import constants_reading
from ..surface.checks import findings
from ..words import tr
from . import theme
from .called import called
from .session import Session
from .text import tip_of

STEPS = SPECIMEN, LIGHT, MATERIAL, FINISH, LAYERS, AGREEMENT, HAND_OVER = (
    tr("Specimen"), tr("Light"), tr("Material"), tr("Finish"), tr("Layers"), tr("Agreement"), tr("Hand-over")
)  # fmt: skip


def step_states(session: Session):
    """{step: (fine, words)}: whether a step is done, and what it says."""
    specimen, study = session.specimen, session.study
    if specimen is None:
        return {s: (False, tr("no specimen yet") if s == SPECIMEN else "") for s in STEPS}
    active = [r for r in specimen.readings if r.active]
    states = {SPECIMEN: (bool(active), tr("{0} readings", len(active)) if active else tr("no reading yet"))}
    balanced = study.booth.white is not None
    states[LIGHT] = (balanced, tr("balanced") if balanced else tr("not balanced"))
    has_constants = constants_reading(specimen.readings) is not None
    wrong = sum(not f.is_advice for f in findings(specimen.surface, specimen.size_mm, has_constants))
    states[MATERIAL] = (
        not wrong,
        tr("{0} to mend", wrong) if wrong else specimen.surface["constants"] or tr("by numbers"),
    )
    solved = "roughness" in specimen.sigmas
    states[FINISH] = (solved, tr("solved") if solved else tr("not solved yet"))
    layers = [name for name in ("coat", "film") if specimen.surface[f"{name}.amount"] > 0.0]
    unsolved = [n for n in specimen.free if n.split(".")[0] in layers and n not in specimen.sigmas]
    told = tr(" and ").join(map(called, layers)) + (tr(", not solved") if unsolved else "")
    states[LAYERS] = (not unsolved, told or tr("bare"))
    found = [a for a in session.agreements_of(specimen) if a.reading.active]
    out = sum(not a.within for a in found)
    if not found:
        states[AGREEMENT] = (False, "…" if active else tr("nothing to compare"))
    else:
        states[AGREEMENT] = (not out, tr("{0} out", out) if out else tr("all within"))
    saved = session.history.is_saved and session.path is not None
    states[HAND_OVER] = (saved, tr("saved") if saved else tr("not saved"))
    return states


class Step(QAbstractButton):
    """One step, drawn as a leg of the route."""

    def __init__(self, name, first, parent=None):
        super().__init__(parent)
        self._name, self._first = name, first
        self._fine, self._words = False, ""
        self.setAccessibleName(name)
        self.setFixedHeight(35)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def show_state(self, fine, words):
        if (fine, words) != (self._fine, self._words):
            self._fine, self._words = fine, words
            self.setToolTip(tip_of(f"{self._name}: {words}"))
            self.update()

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        w, middle = float(self.width()), 12.0
        # A line that runs on from step to step, with a station: filled once the step is fine.
        painter.setPen(QPen(theme.colour("line"), 1.6))
        painter.drawLine(QPointF(0.0 if not self._first else 18.0, middle), QPointF(w, middle))
        painter.setPen(QPen(theme.colour("verdigris" if self._fine else "quiet"), 1.6))
        painter.setBrush(theme.colour("verdigris") if self._fine else theme.colour("window"))
        painter.drawPolygon(
            QPolygonF([QPointF(18.0 + x, middle + y) for x, y in ((-5.5, 0), (0, -5.5), (5.5, 0), (0, 5.5))])
        )
        painter.setFont(theme.font(9.5, QFont.Weight.Medium))
        metrics = QFontMetricsF(painter.font())
        wide = metrics.horizontalAdvance(self._name)
        painter.fillRect(29, 1, int(wide) + 9, 20, theme.colour("window"))
        painter.setPen(theme.colour("text"))
        painter.drawText(QPointF(33.0, middle + 4.0), self._name)
        painter.setFont(theme.font(8.0))
        painter.setPen(theme.colour("quiet"))
        words = QFontMetricsF(painter.font()).elidedText(self._words, Qt.TextElideMode.ElideRight, w - 36.0)
        painter.drawText(QPointF(33.0, 31.0), words)
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("verdigris"), 1.0, Qt.PenStyle.DotLine))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRoundedRect(self.rect().adjusted(2, 1, -3, -2), 3, 3)


class Route(QWidget):
    """All steps in a row; a click goes where that step is done."""

    taken = pyqtSignal(str)

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        row = QHBoxLayout(self)
        row.setContentsMargins(6, 1, 6, 1)
        row.setSpacing(0)
        self.steps = {}
        for i, name in enumerate(STEPS):
            step = Step(name, i == 0)
            step.clicked.connect(lambda _=False, name=name: self.taken.emit(name))
            row.addWidget(step, 1)
            self.steps[name] = step
        for signal in (session.document_changed, session.agreements_changed, session.chosen_changed):
            signal.connect(self.refresh)
        self.refresh()

    def refresh(self):
        for name, state in step_states(self.session).items():
            self.steps[name].show_state(*state)
