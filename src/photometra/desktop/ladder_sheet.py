"""The ladder: a sheet of small pictures that step one or two parameters, with the agreement along it."""

from dataclasses import replace
from pathlib import Path

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import (
    QComboBox,
    QFileDialog,
    QGridLayout,
    QHBoxLayout,
    QLineEdit,
    QPushButton,
    QSizePolicy,
    QSpinBox,
    QWidget,
)

from ..errors import InputError
from ..figures import figures
from ..fitting import worst_misfit
from ..imaging.booths import compiled_in, display_of, limits_of, scene_of
from ..imaging.ladders import (
    CONSTANTS,
    MOST_STEPS,
    LadderPictures,
    constants_axis,
    equal_axis,
    ladder_header,
    number_axis,
    stepped,
    surfaces_axis,
)
from ..pictures import PictureError, write_picture
from ..surface import PARAMETERS
from ..surface.values import parse_number
from ..words import lowered, tr
from . import theme
from .images import image_of
from .ledger import Card
from .session import Session
from .sheet import Sheet
from .text import Label, tip_of
from .workers import LongJob

_ROUNDS = (1, 3, 12, 32, 48)
"""Samples added to every cell in turn, so that a whole sheet is soon there and then refines."""
_SURFACES, _EQUAL, _NONE = "surfaces", "equal", ""
_CELL = 176
_CURVE_HEIGHT = 74


class Cell(Card):
    """One step's picture, to be taken by a click, or with Enter."""

    def __init__(self, label, height, parent=None):
        super().__init__(height, parent)
        self.image, self.label = None, label
        self.setMinimumWidth(60)
        self.setAccessibleName(label)
        self.setToolTip(tip_of(tr("Take {0}", label)))

    def show_image(self, image):
        self.image = image
        self.update()

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
        side = min(self.width(), self.height() - 20)
        box = QRectF((self.width() - side) / 2.0, 0.0, side, side)
        painter.fillRect(box, theme.SURROUND)
        if self.image is not None:
            painter.drawImage(box, self.image)
        if self.is_chosen or self.hasFocus():
            painter.setPen(QPen(theme.colour("verdigris"), 2.0 if self.is_chosen else 1.0))
            painter.drawRect(box.adjusted(1, 1, -1, -1))
        painter.setFont(theme.font(8.5))
        painter.setPen(theme.colour("text" if self.is_chosen else "quiet"))
        words = painter.fontMetrics().elidedText(self.label, Qt.TextElideMode.ElideRight, self.width())
        painter.drawText(QRectF(0.0, self.height() - 18.0, self.width(), 18.0), Qt.AlignmentFlag.AlignCenter, words)


class AgreementCurve(QWidget):
    """How far the worst reading is from its tolerance, step by step; below the line all readings agree."""

    def __init__(self, parent=None):
        super().__init__(parent)
        self.shares = []
        self.setFixedHeight(_CURVE_HEIGHT)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setAccessibleName(tr("Agreement along the ladder"))
        self.setToolTip(tr("The worst reading's misfit, in tolerances, on a log scale; the line is the tolerance"))

    def show_shares(self, shares):
        self.shares = list(shares)
        self.setVisible(len(self.shares) > 1)
        self.update()

    def paintEvent(self, _event):
        if len(self.shares) < 2:
            return
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        logs = np.log10(np.clip(self.shares, 0.02, 1e4))
        low, high = min(float(logs.min()), -0.3), max(float(logs.max()), 0.3)
        step = self.width() / len(self.shares)

        def y_of(v):
            return self.height() - 16.0 - (self.height() - 28.0) * (v - low) / (high - low)

        painter.setPen(QPen(theme.colour("line"), 1.0, Qt.PenStyle.DashLine))
        painter.drawLine(QPointF(0.0, y_of(0.0)), QPointF(self.width(), y_of(0.0)))
        points = [QPointF((i + 0.5) * step, y_of(float(v))) for i, v in enumerate(logs)]
        painter.setPen(QPen(theme.colour("verdigris"), 2.0))
        painter.drawPolyline(QPolygonF(points))
        painter.setFont(theme.font(8.0))
        for p, v in zip(points, self.shares, strict=True):
            good = v <= 1.0
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(theme.colour("verdigris" if good else "brick"))
            painter.drawEllipse(p, 3.4, 3.4)
            painter.setPen(theme.colour("quiet"))
            words = figures(v, 2) + (" ✓" if good else "")
            painter.drawText(
                QRectF(p.x() - 40.0, self.height() - 14.0, 80.0, 14.0), Qt.AlignmentFlag.AlignCenter, words
            )


class LadderSheet(Sheet):
    """Steps parameters of the chosen specimen. A click on a picture takes its step, undoably."""

    made = pyqtSignal()
    queued = pyqtSignal(str, object, tuple)
    """(specimen, path, axes) of a ladder that is to be rendered in the queue."""

    def __init__(self, session: Session, parent=None):
        super().__init__(tr("Ladder"), parent)
        self.session = session
        self.job = LongJob(self)
        self.job.progressed.connect(self._progressed)
        self.job.finished.connect(self._finished)
        self.job.failed.connect(session.said)
        self.job.failed.connect(lambda _sentence: self.go_button.setText(tr("Go")))
        self.across, self.down = QComboBox(), QComboBox()
        self.ranges = {}
        lines = [QHBoxLayout(), QHBoxLayout()]
        for (title, box, count), row in zip(
            ((tr("step"), self.across, 6), (tr("and"), self.down, 3)), lines, strict=True
        ):
            row.setSpacing(5)
            box.setAccessibleName(tr("{0}: what is stepped", title))
            box.setFixedWidth(112)
            low, high, steps = QLineEdit(), QLineEdit(), QSpinBox()
            for edit, word in ((low, tr("from")), (high, tr("to"))):
                edit.setFixedWidth(48)
                edit.setAccessibleName(f"{title}, {word}")
            steps.setRange(2, MOST_STEPS)
            steps.setValue(count)
            steps.setFixedWidth(44)
            steps.setAccessibleName(tr("{0}, steps", title))
            self.ranges[box] = (low, high, steps)
            box.activated.connect(lambda _i, b=box: self._chosen(b))
            word = Label(title)
            word.setObjectName("quiet")
            word.setFixedWidth(28)
            for part in (word, box, low, high, steps):
                row.addWidget(part)
            row.addStretch(1)
        self.go_button = QPushButton(tr("Go"))
        self.go_button.setObjectName("primary")
        self.go_button.clicked.connect(self._go)
        self.export_button = QPushButton(tr("Export…"))
        self.export_button.setToolTip(tr("Write the sheet as PNG or EXR"))
        self.export_button.clicked.connect(self._choose_and_export)
        self.export_button.setEnabled(False)
        self.queue_button = QPushButton(tr("Queue…"))
        self.queue_button.setToolTip(tr("Render the ladder in the queue, at the queue's size and samples, into a file"))
        self.queue_button.clicked.connect(self._choose_and_queue)
        lines[0].addWidget(self.go_button)
        lines[0].addWidget(self.export_button)
        lines[1].addWidget(self.queue_button)
        self._grid = QGridLayout()
        self._grid.setSpacing(4)
        self.curve = AgreementCurve()
        self.curve.setVisible(False)
        for line in lines:
            self.body.addLayout(line)
        self.body.addLayout(self._grid)
        self.body.addWidget(self.curve)
        self.body.addStretch(1)
        self.cells, self.axes, self._pictures = [], (None, None), None
        self._surface = self._solution = None
        session.chosen_changed.connect(self._fill)
        session.chosen_changed.connect(self._let_go)
        session.surface_changed.connect(self._mark)

    def opened(self):
        self._fill()
        self.across.setFocus()

    def take_solution(self, solution):
        """What was solved last: while the surface is still that, surfaces as good by its evidence can be stepped."""
        self._solution = solution

    def show_equal(self):
        """Step the surfaces that are equally good by the last solve."""
        at = self.across.findData(_EQUAL)
        if at < 0:
            self.session.said.emit(tr("The surface is no longer the one that was solved; solve again first."))
            return
        self.across.setCurrentIndex(at)
        self._chosen(self.across)
        self.down.setCurrentIndex(self.down.findData(_NONE))
        self._chosen(self.down)
        if not self.job.is_running:
            self._go()

    def _let_go(self):
        """A ladder of another specimen, or another study, is not this one's."""
        if self.cells:
            self.job.cancel()
            self._clear()

    def _fill(self):
        """Offer what the chosen specimen's surface has."""
        specimen = self.session.specimen
        if specimen is None or not self.isVisible():
            return
        names = [p.name for p in PARAMETERS.values() if p.kind == "number" and specimen.surface.applies(p.name)]
        for box, first in ((self.across, None), (self.down, (tr("nothing else"), _NONE))):
            before = box.currentData()
            box.clear()
            if first:
                box.addItem(*first)
            for name in names:
                box.addItem(PARAMETERS[name].label, name)
            box.addItem(tr("Optical constants"), CONSTANTS)
            box.addItem(tr("Whole surfaces"), _SURFACES)
            if not first and self._solution is not None and specimen.surface == self._solution.surface:
                box.addItem(tr("Equally good"), _EQUAL)
            at = box.findData(before if before is not None else ("roughness" if not first else _NONE))
            box.setCurrentIndex(max(0, at))
            self._chosen(box)
        self.state.setText(tr("of the {0}", lowered(specimen.name)))

    def _chosen(self, box):
        low, high, steps = self.ranges[box]
        name = box.currentData()
        is_number = name in PARAMETERS and PARAMETERS[name].kind == "number"
        for part in (low, high, steps):
            part.setVisible(is_number)
        if is_number:
            a, b = PARAMETERS[name].span
            low.setText(f"{a:g}")
            high.setText(f"{b:g}")

    def _axis(self, box):
        name = box.currentData()
        if name == _NONE:
            return None
        if name == CONSTANTS:
            return constants_axis()
        if name == _EQUAL:
            return equal_axis(self._solution)
        if name == _SURFACES:
            return surfaces_axis(self.session.study.specimens)
        low, high, steps = self.ranges[box]
        p = PARAMETERS[name]
        return number_axis(name, parse_number(p, low.text()), parse_number(p, high.text()), steps.value())

    # Making.

    def _go(self):
        if self.job.is_running:
            self.job.cancel()
            return
        specimen, axes = self.session.specimen, self._asked()
        if specimen is not None and axes is not None:
            self._begin(specimen, *axes)

    def _asked(self):
        """(across, down or None) as the fields say; None, said, where that cannot be stepped."""
        try:
            across, down = self._axis(self.across), self._axis(self.down)
            if down is not None and down.name == across.name:
                raise InputError(tr("step two different things, or one alone"))
        except InputError as error:
            self.session.said.emit(str(error))
            return None
        return across, down

    def _begin(self, specimen, across, down):
        surfaces = stepped(specimen.surface, across, down)
        self.axes, self._surface = (across, down), specimen.surface
        self._lay_out(surfaces, across, down)
        self.go_button.setText(tr("Stop"))
        self.export_button.setEnabled(False)
        study, display = self.session.study, display_of(self.session.study.booth)
        side = int(min(_CELL, self._side(len(surfaces), len(surfaces[0]))) * self.devicePixelRatioF())

        def job(report, cancel):
            scene = scene_of(study, specimen)
            compiled = [[compiled_in(scene, replace(specimen, surface=s)) for s in row] for row in surfaces]
            pictures = LadderPictures(scene, compiled, side, side, limits_of(study.booth))

            def shown(i, j, linear, samples):
                report(("cell", i, j, image_of(display.picture(linear)), samples))

            if not pictures.add(_ROUNDS[0], cancel, shown):
                return pictures
            if down is None:
                report(("curve", [worst_misfit(s, specimen.readings) for s in surfaces[0]]))
            for samples in _ROUNDS[1:]:
                if not pictures.add(samples, cancel, shown):
                    break
            return pictures

        self.job.start(job)

    def _side(self, rows, columns):
        return max(48, min((self.width() - 40) // columns - 6, (self.height() - 220) // rows - 26))

    def _clear(self):
        while self._grid.count():
            self._grid.takeAt(0).widget().deleteLater()
        self.cells = []
        self.curve.show_shares([])
        self.export_button.setEnabled(False)

    def _lay_out(self, surfaces, across, down):
        self._clear()
        height = min(_CELL, self._side(len(surfaces), len(surfaces[0]))) + 20
        for i, row in enumerate(surfaces):
            cells = []
            for j, surface in enumerate(row):
                label = across.labels[j] + (f", {down.labels[i]}" if down is not None else "")
                cell = Cell(label, height)
                cell.chosen.connect(lambda s=surface, t=label: self._take(s, t))
                self._grid.addWidget(cell, i, j)
                cells.append(cell)
            self.cells.append(cells)
        self._surfaces = surfaces
        self._mark()

    def _progressed(self, told):
        if told[0] == "curve":
            self.curve.show_shares(told[1])
            return
        _, i, j, image, samples = told
        if not self.cells or self.session.specimen is None:
            return
        if i < len(self.cells) and j < len(self.cells[i]):
            self.cells[i][j].show_image(image)
        self.state.setText(tr("of the {0}: {1} samples", lowered(self.session.specimen.name), samples))

    def _finished(self, pictures):
        self._pictures = pictures
        self.go_button.setText(tr("Go"))
        self.export_button.setEnabled(bool(self.cells))
        self.made.emit()

    # Taking, exporting and queueing.

    def _take(self, surface, label):
        now = self.session.specimen.surface
        changes = {n: surface.input(n) for n in PARAMETERS if surface.input(n) != now.input(n)}
        if changes:
            self.session.set_values(changes, tr("take {0}", label))

    def _mark(self):
        """Mark the step that the specimen stands on."""
        specimen = self.session.specimen
        for cells, row in zip(self.cells, getattr(self, "_surfaces", []), strict=False):
            for cell, surface in zip(cells, row, strict=True):
                cell.mark_chosen(specimen is not None and surface == specimen.surface)

    def _choose_and_export(self):
        name, _ = QFileDialog.getSaveFileName(self, tr("Export the ladder"), "ladder.png", tr("Pictures (*.png *.exr)"))
        if name:
            self.export(Path(name))

    def _choose_and_queue(self):
        specimen, axes = self.session.specimen, self._asked()
        if specimen is None or axes is None:
            return
        name, _ = QFileDialog.getSaveFileName(
            self, tr("Render the ladder to"), "ladder.png", tr("Pictures (*.png *.exr)")
        )
        if name:
            path = Path(name if Path(name).suffix.lower() in (".exr", ".png") else f"{name}.png")
            self.queued.emit(specimen.name, path, axes)
            self.session.said.emit(tr("{0} is in the queue (Ctrl+Shift+U)", path.name))

    def export(self, path):
        """Write the sheet of pictures: PNG as shown, EXR scene-linear; what each cell is stands in the header."""
        across, down = self.axes
        try:
            display = display_of(self.session.study.booth)
            write_picture(path, self._pictures.sheet(), display, ladder_header(across, down))
        except PictureError as error:
            self.session.said.emit(str(error))
            return
        self.session.said.emit(tr("Wrote {0}", path))

    def end(self):
        self.job.end()
