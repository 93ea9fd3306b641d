"""A photograph of the specimen: loaded, calibrated by a grey or a chart, lined up with the render by four points."""

from dataclasses import replace
from pathlib import Path
from uuid import uuid4

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import (
    QComboBox,
    QFileDialog,
    QHBoxLayout,
    QLabel,
    QPushButton,
    QSizePolicy,
    QVBoxLayout,
    QWidget,
)

from ..imaging.booths import display_of
from ..imaging.pictures import PictureError
from ..imaging.references import (
    CHART_SHAPE,
    CURVES,
    calibrated_by_chart,
    calibrated_by_neutral,
    chart_patches,
    curve_of,
    decoded,
    homography,
    mapped,
    our_chart,
)
from ..study import Reference
from ..study.proof import IDENTITY, WHOLE
from . import theme
from .comparison import picture_in
from .drag_field import DragField
from .images import image_of
from .session import Session
from .sheet import Sheet
from .workers import LongJob

FRAME, CHART, GREY = "frame", "chart", "grey"
_GREY_RADIUS = 4
_SHOWN_WIDTH = 700


class PhotographView(QWidget):
    """The photograph, and four corners that can be dragged: of the render's frame, or of a chart."""

    moved = pyqtSignal(object, bool)
    """The corners ((x, y), ...) in 0..1 of the photograph, and whether the drag goes on."""
    clicked = pyqtSignal(float, float)

    def __init__(self, parent=None):
        super().__init__(parent)
        self.image = None
        self.corners = WHOLE
        self.has_grid = False
        self._held = None
        self._pressed = None
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setMinimumHeight(220)
        self.setAccessibleName("Photograph")

    def show_photograph(self, image, corners, has_grid):
        """Show a picture with four corners; a chart's have a grid between them."""
        self.image, self.has_grid = image, has_grid
        if self._held is None:
            self.corners = corners
        self.update()

    @property
    def area(self):
        """Where the photograph stands in the widget."""
        if self.image is None:
            return QRectF(self.rect())
        scale = min((self.width() - 24.0) / self.image.width(), (self.height() - 24.0) / self.image.height())
        w, h = self.image.width() * scale, self.image.height() * scale
        return QRectF((self.width() - w) / 2.0, (self.height() - h) / 2.0, w, h)

    def point_of(self, corner):
        a = self.area
        return QPointF(a.left() + corner[0] * a.width(), a.top() + corner[1] * a.height())

    def _place(self, point):
        a = self.area
        return (point.x() - a.left()) / a.width(), (point.y() - a.top()) / a.height()

    def mousePressEvent(self, event):
        if event.button() != Qt.MouseButton.LeftButton or self.image is None:
            return
        away = [(self.point_of(c) - event.position()).manhattanLength() for c in self.corners]
        nearest = int(np.argmin(away))
        self._held = nearest if away[nearest] < 16.0 else None
        self._pressed = event.position()

    def mouseMoveEvent(self, event):
        if self._held is not None:
            self._move(event.position(), True)

    def mouseReleaseEvent(self, event):
        if self._held is not None:
            self._move(event.position(), False)
            self._held = None
        elif self._pressed is not None:
            self.clicked.emit(*self._place(event.position()))
        self._pressed = None

    def _move(self, point, goes_on):
        x, y = self._place(point)
        corners = list(self.corners)
        corners[self._held] = (min(max(x, -0.5), 1.5), min(max(y, -0.5), 1.5))
        self.corners = tuple(corners)
        self.update()
        self.moved.emit(self.corners, goes_on)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.fillRect(self.rect(), theme.SURROUND)
        if self.image is None:
            painter.setPen(theme.colour("text"))
            painter.drawText(self.rect(), Qt.AlignmentFlag.AlignCenter, "Load a photograph of the specimen")
            return
        painter.setRenderHints(QPainter.RenderHint.Antialiasing | QPainter.RenderHint.SmoothPixmapTransform)
        painter.drawImage(self.area, self.image)
        outline = QPolygonF([self.point_of(c) for c in (*self.corners, self.corners[0])])
        for ink, wide in (("window", 3.0), ("text", 1.2)):
            painter.setPen(QPen(theme.colour(ink), wide))
            painter.drawPolyline(outline)
        if self.has_grid:
            self._paint_grid(painter)
        painter.setBrush(theme.colour("raised"))
        for c in self.corners:
            painter.drawEllipse(self.point_of(c), 5.5, 5.5)

    def _paint_grid(self, painter):
        """The middles of a chart's patches, as they will be read."""
        try:
            matrix = homography(WHOLE, self.corners)
        except ValueError:
            return
        columns, rows = CHART_SHAPE
        painter.setPen(QPen(theme.colour("text"), 1.0))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        for i in range(columns * rows):
            cx, cy = i % columns + 0.5, i // columns + 0.5
            patch = [
                ((cx + dx) / columns, (cy + dy) / rows)
                for dx, dy in ((-0.25, -0.25), (0.25, -0.25), (0.25, 0.25), (-0.25, 0.25))
            ]
            painter.drawPolygon(QPolygonF([self.point_of(p) for p in mapped(matrix, patch)]))


class PhotographSheet(Sheet):
    """Follows the chosen specimen's reference."""

    compare_wanted = pyqtSignal(object)

    def __init__(self, session: Session, parent=None):
        super().__init__("Photograph", parent)
        self.session = session
        self.view = PhotographView()
        self.view.moved.connect(self._moved)
        self.view.clicked.connect(self._clicked)
        self.job = LongJob(self)
        self.job.finished.connect(self._loaded)
        self.job.failed.connect(session.said)
        self.task = FRAME
        self.chart_corners = ((0.2, 0.2), (0.8, 0.2), (0.8, 0.8), (0.2, 0.8))
        self.load_button = QPushButton("Load…")
        self.load_button.setToolTip("EXR, HDR, TIFF, PNG or JPEG")
        self.load_button.clicked.connect(self._choose)
        self.curve = QComboBox()
        self.curve.addItems(CURVES)
        self.curve.setAccessibleName("Curve")
        self.curve.setToolTip("How the file's numbers stand for light")
        self.curve.activated.connect(lambda _i: self._change("curve", curve=self.curve.currentText()))
        self.exposure = DragField("exposure", "EV", -12.0, 12.0, 0.02, 2, "Stops added to the photograph", sign=True)
        self.exposure.changed.connect(self._exposed)
        self.tasks = {}
        for task, words, tip in (
            (FRAME, "Line up", "Drag the four corners to where the render's frame lies in the photograph"),
            (GREY, "Neutral", "Click a patch that is known to be neutral"),
            (CHART, "Chart", "Drag the four corners to the outer corners of a chart of 24 patches"),
        ):
            button = QPushButton(words)
            button.setCheckable(True)
            button.setToolTip(tip)
            button.clicked.connect(lambda _c=False, t=task: self._take_up(t))
            self.tasks[task] = button
        self.calibrate_button = QPushButton("Calibrate by the chart")
        self.calibrate_button.setObjectName("primary")
        self.calibrate_button.clicked.connect(self._calibrate)
        self.compare_button = QPushButton("Compare")
        self.compare_button.clicked.connect(lambda: self.compare_wanted.emit(self.reference))
        self.says = QLabel()
        self.says.setWordWrap(True)
        row, lower = QHBoxLayout(), QHBoxLayout()
        for part in (self.load_button, self.curve, self.exposure, *self.tasks.values()):
            row.addWidget(part)
        row.addStretch(1)
        row.addWidget(self.compare_button)
        lower.addWidget(self.says, 1)
        lower.addWidget(self.calibrate_button)
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

    def _linear(self, every=1):
        """The photograph's scene-linear colours, before its matrix; one pixel of `every` each way."""
        r = self.reference
        pixels = picture_in(r.picture, self.session.study.images[r.picture])[::every, ::every]
        return decoded(pixels, r.curve) * np.float32(2.0**r.exposure)

    # Doing.

    def _choose(self):
        name, _ = QFileDialog.getOpenFileName(
            self, "Photograph of the specimen", "", "Pictures (*.exr *.hdr *.tif *.tiff *.png *.jpg *.jpeg)"
        )
        if name:
            self.load(Path(name))

    def load(self, path):
        """Load a photograph in the background, and give it to the chosen specimen."""
        if self.session.specimen is None:
            self.session.said.emit("Add a specimen first; a photograph belongs to one.")
            return

        def job(_report, _cancel):
            name = f"images/photograph-{uuid4().hex[:12]}{path.suffix.lower()}"
            try:
                data = path.read_bytes()
                # Decoded here once, so that the window need not.
                picture_in(name, data)
            except OSError as error:
                raise PictureError(f"{path}: cannot be read ({error.strerror})") from None
            except PictureError as error:
                raise PictureError(str(error).replace(name, str(path))) from None
            return path, name, data

        self.job.start(job)

    def _loaded(self, found):
        path, name, data = found
        study, specimen = self.session.study.with_image(name, data), self.session.specimen
        specimen = replace(specimen, reference=Reference(name, curve_of(path)))
        self.session.history.apply(study.with_specimen_at(self.session.index, specimen), "load a photograph")
        self.residuals = None

    def _change(self, label, key=None, **changes):
        specimen = self.session.specimen
        if self.reference is not None:
            changed = replace(specimen, reference=replace(self.reference, **changes))
            self.session.change_specimen(changed, f"{label} of the photograph", key)

    def _exposed(self, value, goes_on):
        self._change("exposure", "photograph exposure", exposure=value)
        if not goes_on:
            self.session.settle()

    def _take_up(self, task):
        self.task = task
        self.refresh()

    def _moved(self, corners, goes_on):
        if self.task == CHART:
            self.chart_corners = corners
        elif self.task == FRAME:
            self._change("corners", "photograph corners", corners=tuple((float(x), float(y)) for x, y in corners))
            if not goes_on:
                self.session.settle()

    def _clicked(self, x, y):
        if self.task != GREY or self.reference is None or not (0.0 <= x < 1.0 and 0.0 <= y < 1.0):
            return
        linear = self._linear()
        h, w, _ = linear.shape
        i, j, r = int(y * h), int(x * w), _GREY_RADIUS
        patch = linear[max(0, i - r) : i + r + 1, max(0, j - r) : j + r + 1].reshape(-1, 3).mean(axis=0)
        try:
            matrix = calibrated_by_neutral(patch)
        except ValueError as error:
            self.session.said.emit(str(error))
            return
        self.residuals = None
        self._change("white balance", matrix=tuple(float(v) for v in matrix.reshape(-1)), residual=0.0)

    def _calibrate(self):
        try:
            found = calibrated_by_chart(chart_patches(self._linear(), self.chart_corners), our_chart())
        except ValueError as error:
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
        self.calibrate_button.setVisible(self.task == CHART and r is not None)
        if r is None:
            self.view.show_photograph(None, WHOLE, False)
            self.state.setText("")
            self.says.setText("")
            return
        self.curve.setCurrentText(r.curve)
        self.exposure.show_value(r.exposure)
        self.state.setText(f"of the {self.session.specimen.name.lower()}")
        try:
            whole = picture_in(r.picture, self.session.study.images[r.picture])
        except PictureError as error:
            self.session.said.emit(str(error))
            return
        linear = self._linear(max(1, whole.shape[1] // _SHOWN_WIDTH)) @ np.array(r.matrix, np.float32).reshape(3, 3).T
        shown = display_of(self.session.study.booth).picture(np.ascontiguousarray(linear))
        image = image_of(shown)
        corners = self.chart_corners if self.task == CHART else r.corners
        self.view.show_photograph(image, corners, self.task == CHART)
        self.says.setText(self._words(r))

    def _words(self, r):
        if self.task == GREY:
            return "Click a patch that is known to be neutral."
        if self.residuals is not None:
            worst = int(np.argmax(self.residuals))
            return (
                f"The chart is met within ΔE {self.residuals.mean():.2f} on the mean; the worst is patch {worst + 1} "
                f"with {self.residuals[worst]:.2f}."
            )
        if r.residual > 0.0:
            return f"Calibrated by a chart, ΔE {r.residual:.2f} on the mean."
        if r.matrix != IDENTITY:
            return "Balanced on a neutral patch."
        return "Not calibrated: its colours are those of the camera."

    def end(self):
        self.job.end()
