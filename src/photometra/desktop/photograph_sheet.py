"""A photograph of the specimen: loaded, calibrated by a grey or a chart, lined up with the render by four points."""

from dataclasses import replace
from pathlib import Path
from uuid import uuid4

import numpy as np
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QCheckBox, QComboBox, QFileDialog, QHBoxLayout, QInputDialog, QPushButton, QVBoxLayout

from ..colour import linear_srgb_to_xyz
from ..errors import InputError
from ..imaging.booths import display_of
from ..imaging.camera_profiles import PROFILE_FILES, read_profile
from ..imaging.curves import CURVES, curve_of
from ..imaging.lining_up import scale_and_turn, scaled, turned
from ..imaging.pyramid import kept_pyramid, pyramid_in
from ..imaging.references import (
    as_calibrated,
    calibrated_by_chart,
    calibrated_by_neutral,
    chart_from,
    our_chart,
    place_in_frame,
)
from ..pictures import PictureError
from ..readings import read_file
from ..study import WHOLE, Reference
from ..study.proof import IDENTITY
from ..words import lowered, tr
from .drag_field import DragField
from .photograph_view import PhotographView
from .session import Session
from .sheet import Sheet
from .text import Label
from .workers import LongJob

FRAME, CAMERA, CHART, GREY = "frame", "camera", "chart", "grey"
_GREY_RADIUS = 4
_FIELD_WIDTH = 98


class PhotographSheet(Sheet):
    """Follows the chosen specimen's reference."""

    compare_wanted = pyqtSignal(object)

    def __init__(self, session: Session, parent=None):
        super().__init__(tr("Photograph"), parent)
        self.session = session
        self.view = PhotographView()
        self.view.dragged.connect(self._dragged)
        self.view.tiles.failed.connect(session.said)
        self.view.clicked.connect(self._clicked)
        self.job = LongJob(self)
        self.job.finished.connect(self._loaded)
        self.job.failed.connect(session.said)
        self.decoding = LongJob(self)
        self.decoding.finished.connect(lambda _: self.refresh())
        self.decoding.failed.connect(session.said)
        self.recoding = LongJob(self)
        self.recoding.finished.connect(lambda curve: self._change("curve", curve=curve))
        self.recoding.failed.connect(self._not_recoded)
        self.reading_chart = LongJob(self)
        self.reading_chart.finished.connect(self._take_chart)
        self.reading_chart.failed.connect(session.said)
        self._frame = self._drawn = None
        self.chart = None
        self.task = FRAME
        self.chart_corners = ((0.2, 0.2), (0.8, 0.2), (0.8, 0.8), (0.2, 0.8))
        self.load_button = QPushButton(tr("Load…"))
        self.load_button.setToolTip(tr("EXR, HDR, TIFF, PNG or JPEG"))
        self.load_button.clicked.connect(self._choose)
        self.curve = QComboBox()
        self.curve.addItems(CURVES)
        self.curve.setAccessibleName(tr("Curve"))
        self.curve.setToolTip(tr("How the file's numbers stand for light"))
        self.curve.activated.connect(lambda _i: self._choose_curve(self.curve.currentText()))
        self.exposure = DragField(
            tr("exposure"), "EV", -12.0, 12.0, 0.02, 2, tr("Stops added to the photograph"), sign=True
        )
        self.exposure.changed.connect(self._exposed)
        self.scale = DragField(tr("scale"), "%", 2.0, 400.0, 0.2, 1, tr("How wide the frame is against the photograph"))
        self.scale.changed.connect(self._scaled)
        self.turn = DragField(
            tr("turn"), "°", -180.0, 180.0, 0.1, 1, tr("How far the frame is turned in the photograph")
        )
        self.turn.changed.connect(self._turned)
        self.overlay = DragField(
            tr("render"), "%", 0.0, 100.0, 0.5, 0, tr("How much of the render is laid over its frame")
        )
        self.overlay.changed.connect(lambda v, _g: self._lay_over(v))
        self.overlay.show_value(35.0)
        for field in (self.scale, self.turn, self.overlay):
            field.setFixedWidth(_FIELD_WIDTH)
        self.tie = QCheckBox(tr("exposure as the render there"))
        self.tie.setToolTip(tr("The clicked grey becomes as light as what the render shows at that place"))
        self.free_light = {}
        for name, tip in (
            (tr("exposure"), tr("How much light the photograph took in")),
            (tr("azimuth"), tr("How far the environment is turned")),
            (tr("strength"), tr("How bright the environment is beside the lamps")),
        ):
            box = QCheckBox(tr("solve {0}", name))
            box.setToolTip(tr("{0}: found by the solve along with the surface, with an error bar", tip))
            box.clicked.connect(self._free_the_light)
            self.free_light[name] = box
        self.chart_button = QPushButton(tr("Chart's values…"))
        self.chart_button.setToolTip(tr("Colours of your own chart, 24 rows of L*, a*, b* or XYZ, as CSV or CGATS.17"))
        self.chart_button.clicked.connect(self._choose_chart)
        self.profile_button = QPushButton(tr("Camera profile…"))
        self.profile_button.setToolTip(
            tr("The matrix of a camera by its profile (.dcp), for linear numbers of the camera")
        )
        self.profile_button.clicked.connect(self._choose_profile)
        self.tasks = {}
        for task, words, tip in (
            (
                FRAME,
                tr("Line up"),
                tr("Drag the frame, or its four corners, to where the render lies in the photograph"),
            ),
            (CAMERA, tr("Camera"), tr("Drag to go round the specimen, with the right button to turn the light")),
            (GREY, tr("Neutral"), tr("Click a patch that is known to be neutral")),
            (CHART, tr("Chart"), tr("Drag the four corners to the outer corners of a chart of 24 patches")),
        ):
            button = QPushButton(words)
            button.setCheckable(True)
            button.setToolTip(tip)
            button.clicked.connect(lambda _c=False, t=task: self._take_up(t))
            self.tasks[task] = button
        self.calibrate_button = QPushButton(tr("Calibrate by the chart"))
        self.calibrate_button.setObjectName("primary")
        self.calibrate_button.clicked.connect(self._calibrate)
        self.compare_button = QPushButton(tr("Compare"))
        self.compare_button.clicked.connect(lambda: self.compare_wanted.emit(self.reference))
        self.says = Label()
        self.says.setWordWrap(True)
        row, lower = QHBoxLayout(), QHBoxLayout()
        for part in (self.load_button, self.curve, self.exposure, *self.tasks.values()):
            row.addWidget(part)
        row.addStretch(1)
        row.addWidget(self.compare_button)
        lower.addWidget(self.says, 1)
        for part in (self.tie, self.scale, self.turn, *self.free_light.values(), self.overlay, self.profile_button,
                     self.chart_button, self.calibrate_button):  # fmt: skip
            lower.addWidget(part)
            # Shown by what is being done; until then they must not take room in the window.
            part.hide()
        column = QVBoxLayout()
        column.addLayout(row)
        column.addWidget(self.view, 1)
        column.addLayout(lower)
        self.body.addLayout(column, 1)
        self.residuals = None
        session.document_changed.connect(self.refresh)
        session.chosen_changed.connect(self.refresh)

    def opened(self):
        self.refresh()
        self.load_button.setFocus()

    @property
    def reference(self) -> Reference | None:
        specimen = self.session.specimen
        return specimen.reference if specimen is not None else None

    def _pyramid(self):
        """The photograph where it is decoded; else None, and it is begun to be."""
        r = self.reference
        data = self.session.study.images[r.picture]
        found = kept_pyramid(r.picture, data, r.curve)
        if found is None:
            self.decoding.start(lambda _report, _cancel: pyramid_in(r.picture, data, r.curve))
        return found

    # Doing.

    def _choose_curve(self, curve):
        """Take another curve, once the photograph could be decoded by it."""
        r = self.reference
        data = self.session.study.images[r.picture]

        def job(_report, _cancel):
            pyramid_in(r.picture, data, curve)
            return curve

        self.recoding.start(job)

    def _not_recoded(self, sentence):
        self.session.said.emit(sentence)
        self.refresh()

    def _choose(self):
        name, _ = QFileDialog.getOpenFileName(
            self, tr("Photograph of the specimen"), "", tr("Pictures (*.exr *.hdr *.tif *.tiff *.png *.jpg *.jpeg)")
        )
        if name:
            self.load(Path(name))

    def load(self, path):
        """Load a photograph in the background, and give it to the chosen specimen."""
        if self.session.specimen is None:
            self.session.said.emit(tr("Add a specimen first; a photograph belongs to one."))
            return

        wanted = self.session.specimen.name

        def job(_report, _cancel):
            name = f"images/photograph-{uuid4().hex[:12]}{path.suffix.lower()}"
            try:
                data = path.read_bytes()
                # Decoded here once, so that the window need not.
                curve = curve_of(path)
                reduced = pyramid_in(name, data, curve).reduced
            except OSError as error:
                raise PictureError(tr("{0}: cannot be read ({1})", path, error.strerror)) from None
            except PictureError as error:
                raise PictureError(str(error).replace(name, str(path))) from None
            return wanted, Reference(name, curve), data, reduced

        self.job.start(job)

    def _loaded(self, found):
        wanted, reference, data, reduced = found
        study = self.session.study.with_image(reference.picture, data)
        try:
            i = study.index(wanted)
        except InputError as error:
            self.session.said.emit(str(error))
            return
        if reduced > 1:
            self.session.said.emit(tr("A very large photograph: it is shown and read at 1/{0} of its size.", reduced))
        self.residuals = None
        specimen = replace(study.specimens[i], reference=reference)
        self.session.history.apply(study.with_specimen_at(i, specimen), tr("load a photograph"))

    def _change(self, label, key=None, **changes):
        specimen = self.session.specimen
        if self.reference is not None:
            changed = replace(specimen, reference=replace(self.reference, **changes))
            self.session.change_specimen(changed, tr("{0} of the photograph", label), key)

    def _exposed(self, value, goes_on):
        self._change("exposure", tr("photograph exposure"), exposure=value)
        if not goes_on:
            self.session.settle()

    def _free_the_light(self):
        free = tuple(name for name, box in self.free_light.items() if box.isChecked())
        self._change(tr("free light"), free_light=free)

    def _take_up(self, task):
        self.task = task
        self.refresh()

    def _dragged(self, corners, goes_on):
        if self.task == CHART:
            self.chart_corners = corners
        elif self.task == FRAME:
            self._line_up(corners, goes_on)

    def _line_up(self, corners, goes_on):
        self._change("corners", tr("photograph corners"), corners=tuple((float(x), float(y)) for x, y in corners))
        if not goes_on:
            self.session.settle()

    def _scaled(self, percent, goes_on):
        r, pyramid = self.reference, self.view.tiles.pyramid
        if r is not None and pyramid is not None:
            now, _ = scale_and_turn(r.corners, pyramid.aspect)
            self._line_up(scaled(r.corners, percent / 100.0 / max(now, 1e-6)), goes_on)

    def _turned(self, degrees, goes_on):
        r, pyramid = self.reference, self.view.tiles.pyramid
        if r is not None and pyramid is not None:
            _, now = scale_and_turn(r.corners, pyramid.aspect)
            self._line_up(turned(r.corners, degrees - now, pyramid.aspect), goes_on)

    def show_frame(self, frame):
        """Follow the render, which is laid over its frame."""
        self._frame = frame
        if self.isVisible():
            self._lay_over(self.overlay.value)

    def _lay_over(self, percent):
        self.view.show_render(self._frame.image if self._frame is not None else None, percent / 100.0)
        self.view.update()

    def _choose_chart(self):
        name, _ = QFileDialog.getOpenFileName(
            self, tr("Colours of the chart"), "", tr("Tables (*.csv *.txt *.tsv *.cgats *.it8)")
        )
        if name:
            self.load_chart(Path(name))

    def load_chart(self, path):
        """Take the chart's colours from a file instead of our own."""
        self.reading_chart.start(lambda _report, _cancel: (path, chart_from(read_file(path, "colour"))))

    def _take_chart(self, found):
        path, self.chart = found
        self.session.said.emit(tr("The chart's colours are those of {0}.", path.name))
        self.refresh()

    def _clicked(self, x, y):
        if self.task != GREY or self.reference is None or not (0.0 <= x < 1.0 and 0.0 <= y < 1.0):
            return
        pyramid = self._pyramid()
        if pyramid is None:
            return
        linear = pyramid.levels[0]
        h, w, _ = linear.shape
        i, j, r = int(y * h), int(x * w), max(_GREY_RADIUS, w // 400)
        patch = linear[max(0, i - r) : i + r + 1, max(0, j - r) : j + r + 1].astype(np.float32)
        shown = self._rendered_at((x, y), pyramid.aspect) if self.tie.isChecked() else None
        if self.tie.isChecked() and shown is None:
            self.session.said.emit(
                tr("The render has no light there to tie the exposure to; line the photograph up first.")
            )
            return
        if shown is not None:
            shown /= 2.0**self.reference.exposure
        try:
            matrix = calibrated_by_neutral(patch.reshape(-1, 3).mean(axis=0), shown, self.reference.matrix)
        except InputError as error:
            self.session.said.emit(str(error))
            return
        self.residuals = None
        self._change(tr("white balance"), matrix=tuple(float(v) for v in matrix.reshape(-1)), residual=0.0)

    def _choose_profile(self):
        """Take the matrix of a camera's profile, for the light that the person names; then a neutral balances it."""
        path, _ = QFileDialog.getOpenFileName(self, tr("Camera profile"), "", PROFILE_FILES)
        if not path:
            return
        try:
            profile = read_profile(path)
        except InputError as error:
            self.session.said.emit(str(error))
            return
        kelvin = float(profile.kelvin[-1])
        if len(profile.kelvin) > 1:
            low, high = sorted(round(k) for k in profile.kelvin)
            asked = tr("Temperature of the light, K ({0}: {1} to {2})", profile.name, low, high)
            kelvin, wanted = QInputDialog.getInt(self, tr("Camera profile"), asked, round(kelvin), 1000, 25_000, 100)
            if not wanted:
                return
        self.residuals = None
        matrix = tuple(float(v) for v in profile.matrix(float(kelvin)).reshape(-1))
        self._change(tr("camera profile"), matrix=matrix, residual=0.0)
        self.session.said.emit(
            tr("Colours as {0} has them at {1} K; now click a neutral patch.", profile.name, f"{kelvin:.0f}")
        )

    def _rendered_at(self, place, aspect):
        """Luminance of the render where a place of the photograph lies in it; None beyond its edge, or in the dark."""
        if self._frame is None:
            return None
        linear = self._frame.linear
        h, w, _ = linear.shape
        x, y = place_in_frame(self.reference, place, aspect, w / h)
        if not (0.0 <= x < 1.0 and 0.0 <= y < 1.0):
            return None
        i, j = int(y * h), int(x * w)
        part = linear[max(0, i - _GREY_RADIUS) : i + _GREY_RADIUS + 1, max(0, j - _GREY_RADIUS) : j + _GREY_RADIUS + 1]
        shown = float(linear_srgb_to_xyz(part.reshape(-1, 3).astype(float).mean(axis=0))[1])
        return shown if shown > 1e-5 else None

    def _calibrate(self):
        pyramid = self._pyramid()
        if pyramid is None:
            return
        wanted = (our_chart() if self.chart is None else self.chart) / 2.0**self.reference.exposure
        try:
            found = calibrated_by_chart(pyramid, self.chart_corners, wanted)
        except InputError as error:
            self.session.said.emit(str(error))
            return
        self.residuals = found.residuals
        matrix = tuple(float(v) for v in found.matrix.reshape(-1))
        self._change("calibration", matrix=matrix, residual=float(found.residuals.mean()))

    # Following.

    def refresh(self):
        if not self.isVisible():
            return
        r = self.reference
        for task, button in self.tasks.items():
            button.setChecked(task == self.task)
            button.setEnabled(r is not None)
        for part in (self.curve, self.exposure, self.compare_button):
            part.setEnabled(r is not None)
        for part in (self.calibrate_button, self.chart_button):
            part.setVisible(self.task == CHART and r is not None)
        for part in (self.tie, self.profile_button):
            part.setVisible(self.task == GREY and r is not None)
        for part in (self.scale, self.turn):
            part.setVisible(self.task == FRAME and r is not None)
        self.overlay.setVisible(self.task in (FRAME, CAMERA) and r is not None)
        for name, box in self.free_light.items():
            box.setVisible(self.task == CAMERA and r is not None)
            box.setChecked(r is not None and name in r.free_light)
        if r is None:
            self._drawn = None
            self.view.show_photograph(None, None, WHOLE)
            self.state.setText("")
            self.says.setText("")
            return
        self.curve.setCurrentText(r.curve)
        self.exposure.show_value(r.exposure)
        self.state.setText(tr("of the {0}", lowered(self.session.specimen.name)))
        pyramid = self._pyramid()
        if pyramid is None:
            self.says.setText(tr("The photograph is being decoded…"))
            return
        display = display_of(self.session.study.booth)
        drawn = (pyramid, r.curve, r.matrix, r.exposure, display)
        corners = self.chart_corners if self.task == CHART else r.corners
        if drawn != self._drawn:
            self._drawn = drawn
            self.view.show_photograph(
                pyramid, lambda linear: display.picture(np.ascontiguousarray(as_calibrated(linear, r))), corners
            )
        self.view.show_corners(corners, self.task == CHART, self.task == FRAME, self.task == CAMERA)
        self.view.show_residuals(self.residuals)
        scale, turn = scale_and_turn(r.corners, pyramid.aspect)
        self.scale.show_value(100.0 * scale)
        self.turn.show_value(turn)
        self._lay_over(self.overlay.value)
        self.says.setText(self._words(r))

    def _words(self, r):
        if self.task == GREY:
            return tr("Click a patch that is known to be neutral.")
        if self.residuals is not None:
            rows = "; ".join(" ".join(f"{v:.2f}" for v in r.matrix[i : i + 3]) for i in (0, 3, 6)).replace("-", "−")
            return tr(
                "The chart is met within ΔE {0} on the mean, {1} at the worst. Matrix {2}.",
                f"{self.residuals.mean():.2f}",
                f"{self.residuals.max():.2f}",
                rows,
            )
        if r.residual > 0.0:
            return tr("Calibrated by a chart, ΔE {0} on the mean.", f"{r.residual:.2f}")
        if r.matrix != IDENTITY:
            is_gains = not any(v for i, v in enumerate(r.matrix) if i % 4)
            return (
                tr("Balanced on a neutral patch.")
                if is_gains
                else tr("Its channels are mixed by a matrix, of a chart or a camera profile.")
            )
        return tr("Not calibrated: its colours are those of the camera.")

    def end(self):
        for job in (self.job, self.decoding, self.recoding, self.reading_chart):
            job.end()
        self.view.end()
