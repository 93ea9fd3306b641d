"""The solve: its progress while it runs, and afterwards what was found, how sure it is, and what it changed."""

import math
import time
from functools import partial

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QFont, QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import (
    QHBoxLayout,
    QPushButton,
    QScrollArea,
    QSizePolicy,
    QVBoxLayout,
    QWidget,
)

from ..errors import InputError
from ..figures import figures
from ..fitting import agreements, applicable, members_of, solve, solve_together, told
from ..fitting.posterior import sampled
from ..imaging.photographed import Photographed, under_found_light
from ..imaging.visible import visible_error
from ..surface import PARAMETERS
from ..words import tr
from . import theme
from .ledger import short_number
from .session import Session
from .solve_report import (
    clear,
    correlation,
    effects,
    fill_posterior,
    first_words,
    label,
    parameters,
    readings,
    strongest,
)  # fmt: skip
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
        painter.drawText(QPointF(area.left(), area.bottom() + 15.0), tr("misfit (log) against evaluations"))
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


class SolveSheet(QWidget):
    """Runs a solve for the session's specimen and shows what came of it. The outcome is one undoable step."""

    closed = pyqtSignal()
    next_wanted = pyqtSignal()
    equal_wanted = pyqtSignal()
    error_shown = pyqtSignal(object)
    """A VisibleError to lay over the picture, or None to take it off."""
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
        self.job.cancelled.connect(partial(self._failed, tr("Stopped; nothing was changed.")))
        self._began = 0.0
        self._specimen = None
        self.title = label(tr("Solve"), "heading", 9.5, QFont.Weight.DemiBold)
        self.state = label("", "quiet")
        self.state.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Preferred)
        self.cancel_button = QPushButton(tr("Cancel"))
        self.cancel_button.clicked.connect(self.job.cancel)
        self.close_button = QPushButton(tr("Back"))
        self.close_button.setToolTip(tr("Back to the reading"))
        self.close_button.clicked.connect(self.closed)
        head = QHBoxLayout()
        head.setContentsMargins(12, 6, 12, 2)
        head.setSpacing(10)
        head.addWidget(self.title)
        head.addWidget(self.state, 1)
        self.next_button = QPushButton(tr("What next?"))
        self.next_button.setToolTip(tr("Which reading depends on what, and which further one would say most (Ctrl+K)"))
        self.next_button.clicked.connect(self.next_wanted)
        self.error_button = QPushButton(tr("See the error"))
        self.error_button.setCheckable(True)
        self.error_button.setToolTip(
            tr("How far the picture may be off by the evidence alone: ΔE of one standard error")
        )
        self.error_button.clicked.connect(self._see_error)
        self.sample_button = QPushButton(tr("Sample"))
        self.sample_button.setToolTip(
            tr("Sample the posterior: what the evidence leaves, also where it is not as even as error bars are")
        )
        self.sample_button.clicked.connect(self._sample)
        self.sample_job = LongJob(self)
        self.sample_job.progressed.connect(self._sampling)
        self.sample_job.finished.connect(self._sampled)
        self.sample_job.failed.connect(self._not_sampled)
        self.sample_job.cancelled.connect(partial(self._not_sampled, tr("Sampling was stopped.")))
        self.equal_button = QPushButton(tr("Equally good"))
        self.equal_button.setToolTip(
            tr("A ladder of surfaces that the evidence tells no further apart than its error bars")
        )
        self.equal_button.clicked.connect(self.equal_wanted)
        self.error_job = LongJob(self)
        self.error_job.progressed.connect(lambda at: self.state.setText(tr("rendering {0} of {1}…", at[0], at[1])))
        self.error_job.finished.connect(self._error_seen)
        self.error_job.failed.connect(self.session.said)
        self.error_words = label("")
        self.error_words.setWordWrap(True)
        self.error_words.setContentsMargins(12, 0, 12, 2)
        self.error_words.setVisible(False)
        self.aspect = 4.0 / 3.0
        """Of the picture that the error is laid over."""
        self._together, self._members = {}, ()
        """Of linked specimens that are solved together: what was found of all, and what they were."""
        self.solution = self._beside = None
        """The last solve's outcome that was kept."""
        head.addWidget(self.cancel_button)
        head.addWidget(self.error_button)
        head.addWidget(self.sample_button)
        head.addWidget(self.equal_button)
        head.addWidget(self.next_button)
        head.addWidget(self.close_button)
        self.curve = FallingMisfit()
        self._report = QScrollArea()
        self._report.setWidgetResizable(True)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 6)
        column.setSpacing(2)
        column.addLayout(head)
        column.addWidget(self.error_words)
        column.addWidget(self.curve, 1)
        column.addWidget(self._report, 3)

    def start(self, robust=False, keep_rgb=False, linked=False):
        """Solve for the chosen specimen's free parameters; False where a solve is running.

        linked: with those that are linked with it, where any has readings and no photograph counts; robust: outliers
        are down-weighted; keep_rgb: no colour is turned into a spectrum.
        """
        specimen = self.session.specimen
        if specimen is None or self.job.is_running:
            return False
        self._specimen, self._began = specimen, time.perf_counter()
        self.title.setText(tr("Solving for the {0}", specimen.name))
        self.state.setObjectName("quiet")
        self.state.setText("")
        self.curve.clear()
        self.curve.setVisible(True)
        self._report.setVisible(False)
        self.cancel_button.setVisible(True)
        self.close_button.setVisible(False)
        self.error_button.setChecked(False)
        self.sample_job.cancel()
        for button in (self.error_button, self.sample_button, self.equal_button):
            button.setEnabled(False)
        self.error_words.setVisible(False)
        self.error_shown.emit(None)

        study = self.session.study
        is_photographed = bool(study.counting_pins(specimen))
        members = members_of(study, specimen) if linked and not is_photographed else ()
        if members:
            others = ", ".join(m.name for m in members if m.name != specimen.name)
            self.title.setText(tr("Solving for the {0}, together with {1}", specimen.name, others))
        self._together, self._members = {}, members

        def job(report, cancel):
            if members:
                return self._all(members, report, cancel)
            further = Photographed(study, specimen) if is_photographed else None
            solution = solve(
                specimen.surface, specimen.readings, applicable(specimen.surface, specimen.free), specimen.bounds,
                lambda n, chi2: report((n, chi2, further.paths if further else 0)), cancel, robust, further, keep_rgb,
            )  # fmt: skip
            told = []
            for surface in (specimen.surface, solution.surface):
                rows = [(a.reading.name, a, a.reading.tolerance) for a in agreements(surface, specimen.readings)]
                found = solution.effects if surface is solution.surface else ()
                pins = further.agreement(surface, cancel, found) if further else ()
                told.append([*rows, *((p.name, p, p.tolerance) for p in pins)])
            return solution, *told

        return self.job.start(job)

    def _all(self, members, report, cancel):
        """Solve for linked specimens at once; what came of the chosen one, and its readings before and after."""
        found = solve_together(members, lambda n, chi2: report((n, chi2, 0)), cancel)
        told = []
        for after in (False, True):
            rows = []
            for m in members:
                surface = found[m.name].surface if after else m.surface
                rows += [
                    (f"{m.name}: {a.reading.name}", a, a.reading.tolerance) for a in agreements(surface, m.readings)
                ]
            told.append(rows)
        self._together = found
        return found[self._specimen.name], *told

    def _progressed(self, at):
        evaluations, chi2, paths = at
        self.curve.add(evaluations, chi2)
        cost = tr(" of {0} M paths", f"{paths / 1000000.0:.2f}") if paths else ""
        seconds = time.perf_counter() - self._began
        self.state.setText(
            tr("{0} s, {1} evaluations{2}, misfit {3}", f"{seconds:.1f}", evaluations, cost, figures(chi2, 4))
        )

    def _failed(self, sentence):
        self.title.setText(tr("Not solved"))
        self.state.setText(sentence)
        self.cancel_button.setVisible(False)
        self.close_button.setVisible(True)

    def _finished(self, found):
        solution, before, after = found
        self.cancel_button.setVisible(False)
        self.close_button.setVisible(True)
        try:
            now = self.session.study.specimen(self._specimen.name)
        except InputError:
            self._failed(tr("The specimen was removed meanwhile; nothing was changed."))
            return
        if (now.surface, now.readings) != (self._specimen.surface, self._specimen.readings) or self._others_changed():
            self._failed(tr("The specimen was changed meanwhile; nothing was changed by the solve. Solve again."))
            return
        self.session.take_solutions(self._together or {now.name: solution})
        verdict = solution.verdict
        title = (
            tr("Solved")
            if verdict.is_good
            else tr("Does not fit")
            if not verdict.fits
            else tr("Stopped before it settled")
        )
        self.title.setText(f"{title}: {now.name}")
        self.title.setObjectName("heading" if verdict.is_good else "brickheading")
        for changed in (self.title, self.state):
            changed.style().unpolish(changed)
            changed.style().polish(changed)
        if self._together:
            self.title.setText(f"{title}: {', '.join(self._together)}")
        before_and_after = " → ".join(short_number(v) for v in (solution.chi2_start, solution.chi2_reduced))
        cost = tr(
            "{0} points, {1} evaluations, {2} s", solution.points, solution.evaluations, f"{solution.seconds:.1f}"
        )
        words = tr("reduced χ² {0}  ·  {1}  ·  Ctrl+Z undoes it", before_and_after, cost)
        # The title leaves little room: what matters least goes into the tooltip.
        self.state.setText(f"χ² {before_and_after}")
        self.state.setToolTip(words)
        self._show_report(solution, before, after)
        self.solution = solution
        for button in (self.error_button, self.sample_button, self.equal_button):
            button.setEnabled(any(solution.sigmas.values()))
        self.outcome.emit(solution)

    def _others_changed(self):
        """Whether one of the specimens that were solved together is another by now, or gone."""
        there = {s.name: (s.surface, s.readings) for s in self.session.study.specimens}
        return any(there.get(m.name) != (m.surface, m.readings) for m in self._members)

    def _sample(self):
        """Sample the posterior of what was solved, or stop it."""
        if self.sample_job.is_running:
            self.sample_job.cancel()
            return
        specimen, solution = self.session.specimen, self.solution
        if specimen is None or solution is None or specimen.surface != solution.surface:
            self.session.said.emit(tr("The surface is no longer the one that was solved; solve again before sampling."))
            return
        free = [s.name for s in solution.solved]
        self.sample_button.setText(tr("Stop"))
        self.sample_job.start(
            lambda report, cancel: (solution, sampled(
                solution.surface, specimen.readings, free, specimen.bounds, solution, lambda *at: report(at), cancel,
                solution.robust,
            ))
        )  # fmt: skip

    def _sampling(self, at):
        done, of, worth = at
        self.state.setText(tr("sampling, round {0} of at most {1}: worth {2} draws", done, of, f"{worth:.0f}"))

    def _sampled(self, found):
        solution, posterior = found
        self.sample_button.setText(tr("Sample"))
        self.state.setText("")
        if solution is self.solution and self._beside is not None:
            clear(self._beside)
            fill_posterior(self._beside, solution, posterior)

    def _not_sampled(self, sentence):
        self.sample_button.setText(tr("Sample"))
        self.state.setText("")
        self.session.said.emit(sentence)

    def _see_error(self, on):
        """Render what one standard error of the whole solve looks like, or take it off the picture."""
        specimen, solution = self.session.specimen, self.solution
        if not on:
            self.error_words.setVisible(False)
            self.error_job.cancel()
            self.error_shown.emit(None)
            return
        if specimen is None or solution is None or specimen.surface != solution.surface:
            self.error_button.setChecked(False)
            self.session.said.emit(
                tr("The surface is no longer the one that was solved; solve again to see its error.")
            )
            return
        study, aspect = self.session.study, self.aspect
        self.error_job.start(
            lambda report, cancel: visible_error(study, specimen, solution, aspect, lambda *at: report(at), cancel)
        )

    def _error_seen(self, error):
        self.state.setText("")
        if error is not None and self.error_button.isChecked():
            self.error_words.setText(f"{error.sentence}.")
            self.error_words.setVisible(True)
            self.error_shown.emit(error)

    def _show_report(self, solution, before, after):
        self.curve.setVisible(False)
        self._report.setVisible(True)
        holder = QWidget()
        whole = QVBoxLayout(holder)
        whole.setContentsMargins(12, 2, 4, 2)
        whole.setSpacing(5)
        left, right = QVBoxLayout(), QVBoxLayout()
        for look, sentence in first_words(solution):
            note = label(sentence, look)
            note.setWordWrap(True)
            left.addWidget(note)
        left.addLayout(parameters(solution))
        self._beside = QVBoxLayout()
        left.addLayout(self._beside)
        left.addSpacing(6)
        right.addLayout(readings(before, after))
        right.addSpacing(4)
        for u in solution.undetermined:
            note = label(f"! {u.sentence}", "brick")
            note.setWordWrap(True)
            left.addWidget(note)
        for sentence in solution.verdict.doubts:
            note = label(f"! {sentence[0].upper()}{sentence[1:]}.", "brick")
            note.setWordWrap(True)
            left.addWidget(note)
        if solution.minima:
            left.addLayout(self._minima(solution))
        if solution.effects:
            left.addLayout(effects(solution))
        if self._specimen.reference is not None and self._specimen.reference.free_light:
            self.light_button = QPushButton(tr("Set the light so"))
            self.light_button.setToolTip(
                tr("Booth and photograph take on the light that the solve found; undo with Ctrl+Z")
            )
            self.light_button.clicked.connect(partial(self._set_light, solution))
            left.addWidget(self.light_button, 0, Qt.AlignmentFlag.AlignLeft)
        pair = strongest(solution)
        if pair:
            told = label(pair, "quiet", 8.5)
            told.setWordWrap(True)
            left.addWidget(told)
        self.correlation = correlation(solution)
        if self.correlation is not None:
            right.addWidget(self.correlation)
        both = QHBoxLayout()
        both.setSpacing(8)
        for side, stretch in ((left, 3), (right, 2)):
            side.addStretch(1)
            both.addLayout(side, stretch)
        whole.addLayout(both)
        self._report.setWidget(holder)

    def _set_light(self, solution, _checked=False):
        """Booth and photograph as the solve found the light, where it was left free; one step."""
        study = self.session.study
        try:
            i = study.index(self._specimen.name)
        except InputError:
            i = None
        if i is None or study.specimens[i].reference is None:
            self.session.said.emit(tr("The specimen or its photograph was removed meanwhile; nothing was changed."))
            return
        changed, specimen = under_found_light(study, study.specimens[i], solution.effects)
        self.session.history.apply(changed.with_specimen_at(i, specimen), tr("set the light as solved"))
        self.light_button.setEnabled(False)

    def _minima(self, solution):
        """Other values that fit nearly as well, each to be tried with a click."""
        row = QVBoxLayout()
        row.setSpacing(3)
        row.addWidget(label(tr("These fit too; click to try one:"), "quiet"))
        self.minimum_buttons = []
        for m in solution.minima:
            button = QPushButton(f"{told(m)},  χ² {short_number(m.chi2_reduced)}")
            chi2 = short_number(m.chi2_reduced), short_number(solution.chi2_reduced)
            button.setToolTip(tr("Try it: {0}, reduced χ² {1} instead of {2}. Ctrl+Z undoes it", told(m), *chi2))
            button.clicked.connect(partial(self._try, m))
            self.minimum_buttons.append(button)
            row.addWidget(button, 0, Qt.AlignmentFlag.AlignLeft)
        return row

    def _try(self, minimum, _checked=False):
        """Put another minimum in place of what was found."""
        specimen = self.session.specimen
        if specimen is None or self._specimen is None or specimen.name != self._specimen.name:
            return
        changes = {
            name: minimum.surface.input(name)
            for name in PARAMETERS
            if minimum.surface.input(name) != specimen.surface.input(name)
        }
        if changes:
            self.session.set_values(changes, tr("try {0}", told(minimum)))

    def end(self):
        self.error_job.end()
        self.sample_job.end()
        self.job.end()
