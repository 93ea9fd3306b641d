"""Lessons in the window: a line that says what to do next, and notices by itself when it is done.

Where a lesson was left is remembered, so that it can be taken up again, also in another run.
"""

from collections.abc import Callable
from dataclasses import dataclass

from PyQt6.QtCore import QTimer
from PyQt6.QtWidgets import QFrame, QHBoxLayout, QPushButton, QSizePolicy

from ..maps import Map
from ..words import tr
from .text import Label

_LOOK_MS = 300


@dataclass(frozen=True)
class Step:
    """What to do, in words, and whether it is done: is_done of the window, and of what `begun` gave at first."""

    words: str
    is_done: Callable
    begun: Callable = lambda _window: None


def _specimen(window):
    return window.session.specimen


def _value(name):
    return lambda w: _specimen(w).surface.input(name) if _specimen(w) else None


def _changed(name):
    """A step that is done once a parameter is another."""
    return {"is_done": lambda w, at: _value(name)(w) != at, "begun": _value(name)}


def _chosen(name):
    return lambda w, _at: _specimen(w) is not None and _specimen(w).name == name


def _reading(words):
    return lambda w, _at: w.session.reading is not None and words in w.session.reading.name


_SOLVING = {"is_done": lambda w, at: w.solve_sheet.solution is not at, "begun": lambda w: w.solve_sheet.solution}

LESSONS = {
    "metal": (tr("A first metal"), (
        Step(tr("Choose the Brass lamp bracket in the list at the left."), _chosen("Brass lamp bracket")),
        Step(tr("What it is made of is known: under Body, its optical constants are to be those of brass, "
                "70 % copper."),
             lambda w, _at: _specimen(w) and _specimen(w).surface["constants"] == "brass-70-30"),
        Step(tr("Its gloss is out. Click the card Gloss: what the gloss meter read, and what it would read "
                "here."),
             _reading("Gloss")),
        Step(tr("Drag the gauge Roughness, and watch the misfit, the section and the picture follow."),
             **_changed("roughness")),
        Step(tr("Now have it found: press Solve. The flags on the gauges say what is free."), **_SOLVING),
        Step(tr("Keep what you have: View › Keep a proof. It stands beside what you change later."),
             lambda w, at: len(w.session.study.proofs) > at, lambda w: len(w.session.study.proofs)),
        Step(tr("Hand it over: Study › Hand over… writes it for other programs, and tells what each cannot "
                "carry."),
             lambda w, _at: w.hand_over is not None),
    )),
    "glass": (tr("Glass, by what it lets through"), (
        Step(tr("Choose the Ruby signal glass."), _chosen("Ruby signal glass")),
        Step(tr("Click its card Transmittance: what is left of the light behind the slab."), _reading("Transmit")),
        Step(tr("Click Interior in the section at the right: colour is what is left of white at a depth."),
             lambda w, _at: w.session.stratum == "interior"),
        Step(tr("Drag the depth of the colour: the same glass, thicker or thinner to the same colour."),
             **_changed("interior.depth")),
        Step(tr("Press Solve: index, dispersion and colour come out of three readings together."), **_SOLVING),
        Step(tr("See what one standard uncertainty looks like: press See the error."),
             lambda w, _at: w.solve_sheet.error_button.isChecked()),
    )),
    "map": (tr("What varies: a map"), (
        Step(tr("Choose the Brass lamp bracket."), _chosen("Brass lamp bracket")),
        Step(tr("Press the small hill beside Roughness, and take Scratches."),
             lambda w, _at: isinstance(_value("roughness")(w), Map)),
        Step(tr("The gauge is a hill between two handles now, low and high. Drag one of them."),
             **_changed("roughness")),
        Step(tr("In the sheet of the map press On the specimen: the roughness in false colour, where it "
                "lies."),
             lambda w, _at: w.map_sheet.seen.isChecked()),
        Step(tr("Press Solve: low and high are solved like any value, with an error bar each."), **_SOLVING),
    )),
}  # fmt: skip


class LessonBar(QFrame):
    """The line under the route that leads through a lesson; not there while none is taken."""

    def __init__(self, window):
        super().__init__(window)
        self._window, self.key, self.at, self._begun = window, "", 0, None
        self.setObjectName("panel")
        self.words = Label()
        self.words.setWordWrap(True)
        self.words.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Preferred)
        self.count = Label()
        self.count.setObjectName("heading")
        self.skip, self.leave = QPushButton(tr("Skip")), QPushButton(tr("Leave"))
        self.skip.setToolTip(tr("Go on to the next step"))
        self.leave.setToolTip(tr("Leave the lesson; Help › Lessons takes it up where it was left"))
        self.skip.clicked.connect(self._next)
        self.leave.clicked.connect(self.stop)
        row = QHBoxLayout(self)
        row.setContentsMargins(14, 6, 10, 6)
        row.setSpacing(12)
        for part, stretch in ((self.count, 0), (self.words, 1), (self.skip, 0), (self.leave, 0)):
            row.addWidget(part, stretch)
        self._looking = QTimer(self, interval=_LOOK_MS)
        self._looking.timeout.connect(self._look)
        self.hide()

    def begin(self, key):
        """Take a lesson up where it was left; from its beginning where it was finished."""
        at = int(self._window.settings.value(f"lesson/{key}", 0))
        self.key = key
        self._show(at if at < len(LESSONS[key][1]) else 0)
        self.setVisible(True)
        self._looking.start()

    def stop(self):
        """Put the line away; where it stands is remembered."""
        self._looking.stop()
        self.hide()

    def _show(self, at):
        name, steps = LESSONS[self.key]
        self.at = at
        self._window.settings.setValue(f"lesson/{self.key}", at)
        is_over = at >= len(steps)
        self.count.setText(name if is_over else tr("{0}, {1} of {2}", name, at + 1, len(steps)))
        self.words.setText(tr("Done. Help › Lessons has the others; F1 explains whatever is under the "
                              "pointer.")
                           if is_over else steps[at].words)  # fmt: skip
        self.skip.setVisible(not is_over)
        self.leave.setText(tr("Close") if is_over else tr("Leave"))
        self._begun = None if is_over else steps[at].begun(self._window)

    def _look(self):
        _, steps = LESSONS[self.key]
        if self.at < len(steps) and steps[self.at].is_done(self._window, self._begun):
            self._next()

    def _next(self):
        self._show(self.at + 1)
