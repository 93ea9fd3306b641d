"""The solve: its progress while it runs, and afterwards what was found, how sure it is, and what it changed."""

import math
import time
from functools import partial

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QFont, QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import (
    QGridLayout,
    QHBoxLayout,
    QLabel,
    QPushButton,
    QScrollArea,
    QSizePolicy,
    QVBoxLayout,
    QWidget,
)

from ..fitting import agreements, solve
from ..surface.parameters import scalar_owner
from . import theme
from .ledger import OUT, WITHIN
from .session import Session
from .workers import LongJob


class FallingMisfit(QWidget):
    """The misfit against evaluations, on a log scale, as it falls."""

    def __init__(self, parent=None):
        super().__init__(parent)
        self._points = []
        self.setMinimumHeight(90)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)

    def clear(self):
        self._points = []
        self.update()

    def add(self, evaluations, chi2):
        self._points.append((evaluations, math.log10(max(chi2, 1e-6))))
        self.update()

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        area = QRectF(12.0, 10.0, self.width() - 24.0, self.height() - 30.0)
        painter.setPen(QPen(theme.colour("line"), 1.0))
        painter.drawLine(area.bottomLeft(), area.bottomRight())
        painter.setFont(theme.font(8.0))
        painter.setPen(theme.colour("quiet"))
        painter.drawText(QPointF(area.left(), area.bottom() + 15.0), "misfit (log) against evaluations")
        if len(self._points) < 2:
            return
        (x0, _), (x1, _) = self._points[0], self._points[-1]
        low, high = min(p[1] for p in self._points), max(p[1] for p in self._points)
        line = QPolygonF(
            [
                QPointF(
                    area.left() + area.width() * (x - x0) / max(1, x1 - x0),
                    area.bottom() - 4.0 - (area.height() - 8.0) * (y - low) / max(1e-6, high - low),
                )
                for x, y in self._points
            ]
        )
        painter.setPen(QPen(theme.colour("verdigris"), 2.0))
        painter.drawPolyline(line)


class Whisker(QWidget):
    """Start and found value on the parameter's usual range, with ± one and two standard errors."""

    def __init__(self, solved, parent=None):
        super().__init__(parent)
        self._solved = solved
        self.setMinimumWidth(70)
        self.setFixedHeight(16)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        s, y = self._solved, self.height() / 2.0
        reach = 4.0 * (s.sigma or 0.0)
        low = min(s.start, s.value - reach)
        high = max(s.start, s.value + reach)
        span = (high - low) or 1.0
        width = self.width() - 12.0

        def x_of(v):
            return 6.0 + width * (v - low) / span

        painter.setPen(QPen(theme.colour("line"), 1.0))
        painter.drawLine(QPointF(6.0, y), QPointF(6.0 + width, y))
        painter.setPen(QPen(theme.colour("quiet"), 1.4))
        x = x_of(s.start)
        painter.drawLine(QPointF(x, y - 5.0), QPointF(x, y + 5.0))
        if s.sigma:
            for times, thick in ((2.0, 1.4), (1.0, 3.2)):
                painter.setPen(QPen(theme.colour("verdigris"), thick))
                painter.drawLine(
                    QPointF(x_of(s.value - times * s.sigma), y), QPointF(x_of(s.value + times * s.sigma), y)
                )
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("verdigris"))
        painter.drawEllipse(QPointF(x_of(s.value), y), 3.6, 3.6)


def _label(text, name="", size=9.0, weight=QFont.Weight.Normal, right=False):
    label = QLabel(text)
    label.setObjectName(name)
    label.setFont(theme.font(size, weight))
    if right:
        label.setAlignment(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)
    return label


class SolveSheet(QWidget):
    """Runs a solve for the session's specimen and shows what came of it. The outcome is one undoable step."""

    closed = pyqtSignal()
    outcome = pyqtSignal(object)
    """The Solution, once it is kept in the study."""

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.job = LongJob(self)
        self.job.progressed.connect(self._progressed)
        self.job.finished.connect(self._finished)
        self.job.failed.connect(self._failed)
        self.job.cancelled.connect(partial(self._failed, "Stopped; nothing was changed."))
        self._began = 0.0
        self._specimen = None
        self.title = _label("Solve", "heading", 9.5, QFont.Weight.DemiBold)
        self.state = _label("", "quiet")
        self.state.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Preferred)
        self.cancel_button = QPushButton("Cancel")
        self.cancel_button.clicked.connect(self.job.cancel)
        self.close_button = QPushButton("Back to the reading")
        self.close_button.clicked.connect(self.closed)
        head = QHBoxLayout()
        head.setContentsMargins(12, 6, 12, 2)
        head.setSpacing(10)
        head.addWidget(self.title)
        head.addWidget(self.state, 1)
        head.addWidget(self.cancel_button)
        head.addWidget(self.close_button)
        self.curve = FallingMisfit()
        self._report = QScrollArea()
        self._report.setWidgetResizable(True)
        self._report.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 6)
        column.setSpacing(2)
        column.addLayout(head)
        column.addWidget(self.curve, 1)
        column.addWidget(self._report, 3)

    def start(self):
        """Solve for the chosen specimen's free parameters; False where a solve is running."""
        specimen = self.session.specimen
        if specimen is None or self.job.is_running:
            return False
        self._specimen, self._began = specimen, time.perf_counter()
        self.title.setText(f"Solving for the {specimen.name}")
        self.state.setObjectName("quiet")
        self.state.setText("")
        self.curve.clear()
        self.curve.setVisible(True)
        self._report.setVisible(False)
        self.cancel_button.setVisible(True)
        self.close_button.setVisible(False)

        def job(report, cancel):
            solution = solve(
                specimen.surface, specimen.readings, specimen.free, specimen.bounds,
                lambda n, chi2: report((n, chi2)), cancel,
            )  # fmt: skip
            before = agreements(specimen.surface, specimen.readings)
            return solution, before, agreements(solution.surface, specimen.readings)

        return self.job.start(job)

    def _progressed(self, at):
        evaluations, chi2 = at
        self.curve.add(evaluations, chi2)
        self.state.setText(f"{evaluations} evaluations, misfit {chi2:.4g}, {time.perf_counter() - self._began:.1f} s")

    def _failed(self, sentence):
        self.title.setText("Not solved")
        self.state.setText(sentence)
        self.cancel_button.setVisible(False)
        self.close_button.setVisible(True)

    def _finished(self, found):
        solution, before, after = found
        self.cancel_button.setVisible(False)
        self.close_button.setVisible(True)
        try:
            now = self.session.study.specimen(self._specimen.name)
        except ValueError:
            self._failed("The specimen was removed meanwhile; nothing was changed.")
            return
        if (now.surface, now.readings) != (self._specimen.surface, self._specimen.readings):
            self._failed("The specimen was changed meanwhile; nothing was changed by the solve. Solve again.")
            return
        self.session.take_solution(now.name, solution)
        self.title.setText(f"Solved: {now.name}")
        self.state.setText(
            f"reduced χ² {_short(solution.chi2_start)} → {_short(solution.chi2_reduced)}  ·  {solution.points} points, "
            f"{solution.evaluations} evaluations, {solution.seconds:.1f} s  ·  Ctrl+Z takes it back"
        )
        self._show_report(solution, before, after)
        self.outcome.emit(solution)

    def _show_report(self, solution, before, after):
        self.curve.setVisible(False)
        self._report.setVisible(True)
        holder = QWidget()
        whole = QVBoxLayout(holder)
        whole.setContentsMargins(12, 2, 12, 2)
        whole.setSpacing(3)
        grid = QGridLayout()
        grid.setHorizontalSpacing(12)
        grid.setVerticalSpacing(2)
        for i, s in enumerate(solution.solved):
            p, _ = scalar_owner(s.name)
            grid.addWidget(_label(s.name, weight=QFont.Weight.Medium), i, 0)
            grid.addWidget(_label(f"{s.start:.4g}", "quiet", right=True), i, 1)
            grid.addWidget(_label("→", "quiet"), i, 2)
            grid.addWidget(
                _label(_value(s) + (f" {p.unit}" if p.unit else ""), weight=QFont.Weight.Medium, right=True),
                i,
                3,
            )
            sure = "at its bound" if s.at_bound else "not determined" if s.sigma is None else f"± {s.sigma:.2g}"
            grid.addWidget(_label(sure), i, 4)
            grid.addWidget(Whisker(s), i, 5)
        grid.setColumnStretch(5, 1)
        right = QGridLayout()
        right.setHorizontalSpacing(10)
        right.setVerticalSpacing(2)
        for i, (b, a) in enumerate(zip(before, after, strict=True)):
            sign = WITHIN if a.within else OUT
            right.addWidget(_label(a.reading.name), i, 0)
            right.addWidget(_label(_short(b.value), "quiet", right=True), i, 1)
            right.addWidget(_label("→", "quiet"), i, 2)
            right.addWidget(_label(_short(a.value), weight=QFont.Weight.Medium, right=True), i, 3)
            right.addWidget(_label(f"of {a.reading.tolerance:g}", "quiet"), i, 4)
            right.addWidget(_label(sign, "" if a.within else "brick"), i, 5)
        both = QHBoxLayout()
        both.setSpacing(22)
        for part, stretch in ((grid, 3), (right, 2)):
            side = QVBoxLayout()
            side.addLayout(part)
            side.addStretch(1)
            both.addLayout(side, stretch)
        whole.addLayout(both)
        for u in solution.undetermined:
            note = _label(f"! {u.sentence}", "brick")
            note.setWordWrap(True)
            whole.addWidget(note)
        strongest = _strongest(solution)
        if strongest:
            whole.addWidget(_label(strongest, "quiet", 8.5))
        whole.addStretch(1)
        self._report.setWidget(holder)

    def end(self):
        self.job.end()


def _short(value):
    return f"{value:.3g}" if value < 1000 else f"{value:.0f}"


def _value(solved):
    if not solved.sigma:
        return f"{solved.value:.4g}"
    digits = min(6, max(0, 1 - math.floor(math.log10(solved.sigma))))
    return f"{solved.value:.{digits}f}"


def _strongest(solution):
    """The pair that trades most against each other, in words."""
    c = np.nan_to_num(solution.correlation - np.eye(len(solution.solved)))
    if c.size < 4:
        return ""
    i, j = np.unravel_index(np.argmax(np.abs(c)), c.shape)
    names = [s.name for s in solution.solved]
    return f"Most correlated: {names[i]} and {names[j]}, {c[i, j]:+.2f}".replace("-", "−")
