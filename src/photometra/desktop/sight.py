"""The sight: the picture in the booth, on its mid-grey surround, with the strip of its controls."""

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, QTimer, pyqtSignal
from PyQt6.QtGui import QPainter, QPen
from PyQt6.QtWidgets import (
    QComboBox,
    QHBoxLayout,
    QSizePolicy,
    QToolButton,
    QVBoxLayout,
    QWidget,
)

from ..imaging.booths import UNIFORM, environment_names
from ..imaging.display import FILMIC, PLAIN, exposure_for_white, view_names
from . import theme
from .drag_field import DragField
from .rendering import Frame, RenderLoop, Request
from .session import Session

_PICK_RADIUS = 3
NEUTRAL, WHITE = "neutral", "white"


class Picture(QWidget):
    """Shows frames and says where the pointer is. Dragging with the right button turns the environment."""

    pointed = pyqtSignal(object)
    """(x, y) in picture pixels, or None when the pointer leaves."""
    picked = pyqtSignal(int, int)
    turned = pyqtSignal(float, bool)
    resized = pyqtSignal()

    def __init__(self, parent=None):
        super().__init__(parent)
        self.frame: Frame | None = None
        self.picking = ""
        self._turning = None
        self._pointer = None
        self.setMouseTracking(True)
        self.setMinimumSize(240, 160)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setAccessibleName("Picture")
        self.setToolTip("Drag with the right button to turn the light. Point to read a pixel.")

    def sizeHint(self):
        return QSize(680, 400)

    def show_frame(self, frame):
        self.frame = frame
        self.update()
        self._tell()

    def pick(self, what):
        """Take the next click as a place to pick; "" ends it."""
        self.picking = what
        self.setCursor(Qt.CursorShape.CrossCursor if what else Qt.CursorShape.ArrowCursor)
        self.update()

    def pixel_at(self, position):
        """(x, y) of the frame under a place of the widget, or None."""
        if self.frame is None:
            return None
        height, width, _ = self.frame.linear.shape
        x, y = int(position.x() * width / self.width()), int(position.y() * height / self.height())
        return (x, y) if 0 <= x < width and 0 <= y < height else None

    def _tell(self):
        self.pointed.emit(self.pixel_at(self._pointer) if self._pointer is not None else None)

    def mouseMoveEvent(self, event):
        self._pointer = event.position()
        if self._turning is not None:
            x = event.position().x()
            self.turned.emit((x - self._turning) * 0.5, True)
            self._turning = x
        self._tell()

    def mousePressEvent(self, event):
        if event.button() == Qt.MouseButton.RightButton:
            self._turning = event.position().x()
        elif event.button() == Qt.MouseButton.LeftButton and self.picking:
            at = self.pixel_at(event.position())
            if at is not None:
                self.picked.emit(*at)

    def mouseReleaseEvent(self, event):
        if event.button() == Qt.MouseButton.RightButton and self._turning is not None:
            self._turning = None
            self.turned.emit(0.0, False)

    def leaveEvent(self, _event):
        self._pointer = None
        self._tell()

    def resizeEvent(self, _event):
        self.resized.emit()

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.fillRect(self.rect(), theme.SURROUND)
        if self.frame is None:
            painter.setPen(Qt.GlobalColor.white)
            painter.drawText(self.rect(), Qt.AlignmentFlag.AlignCenter, "The picture is on its way…")
            return
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform, self.frame.step > 1)
        painter.drawImage(QRectF(self.rect()), self.frame.image)
        if self.picking:
            painter.setFont(theme.font(9.5))
            text = {
                NEUTRAL: "Click a place that is known to be neutral: a grey patch",
                WHITE: "Click the white to expose for",
            }
            box = QRectF(0.0, 0.0, self.width(), 26.0)
            painter.fillRect(box, theme.colour("raised", 230))
            painter.setPen(QPen(theme.colour("text")))
            painter.drawText(box, Qt.AlignmentFlag.AlignCenter, text[self.picking])


class Sight(QWidget):
    """Picture and strip, following the session; owns the render loop."""

    probed = pyqtSignal(object)
    """The scene-linear pixel under the pointer (3,), or None."""
    progressed = pyqtSignal(object)
    """Each new Frame."""

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.picture = Picture()
        self.loop = RenderLoop(self)
        self.loop.frame.connect(self._take_frame)
        self.loop.failed.connect(session.said)
        # Sizes change in runs; only the last is worth a new picture.
        self._settled = QTimer(self, singleShot=True, interval=80)
        self._settled.timeout.connect(self._ask)
        self.picture.resized.connect(self._settled.start)
        self.picture.pointed.connect(self._probe)
        self.picture.picked.connect(self._picked)
        self.picture.turned.connect(self._turned)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addWidget(self._strip())
        column.addWidget(self.picture, 1)
        session.surface_changed.connect(self._ask)
        session.booth_changed.connect(self._booth_changed)
        self._booth_changed()

    def _strip(self):
        strip = QWidget()
        strip.setObjectName("panel")
        strip.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        row = QHBoxLayout(strip)
        row.setContentsMargins(8, 4, 8, 4)
        row.setSpacing(5)
        self.environment = QComboBox()
        self.environment.setFixedWidth(108)
        self.environment.setToolTip("The light around the booth")
        self.environment.setAccessibleName("Environment")
        self.environment.activated.connect(self._environment_chosen)
        self.turn = DragField("turn", "°", -180.0, 180.0, 0.5, 0, "How far the environment is turned, in degrees")
        self.strength = DragField("strength", "×", 0.0, 20.0, 0.01, 2, "Strength of the environment, a factor")
        self.exposure = DragField("exposure", "EV", -12.0, 12.0, 0.02, 2, "Exposure in stops", sign=True)
        for field, key in ((self.turn, "turn"), (self.strength, "strength"), (self.exposure, "exposure")):
            field.changed.connect(lambda v, goes_on, key=key: self._set_booth(key, v, goes_on))
        self.neutral = self._tool(
            "Neutral", "Balance on a place that is known to be neutral: click it in the picture (N)", True
        )
        self.neutral.setShortcut("N")
        self.neutral.clicked.connect(lambda on: self.pick(NEUTRAL if on else ""))
        self.unbalance = self._tool("×", "Take the white balance away")
        self.unbalance.setFixedWidth(24)
        self.unbalance.clicked.connect(lambda: self.session.set_booth("take white balance away", white=None))
        self.expose = self._tool("White", "Expose so that a white you click just reaches white (W)", True)
        self.expose.setShortcut("W")
        self.expose.clicked.connect(lambda on: self.pick(WHITE if on else ""))
        self.view = QComboBox()
        self.view.setToolTip("View transform: how scene light becomes screen light (P: the plain one and back)")
        self.view.setAccessibleName("View transform")
        self.view.activated.connect(lambda i: self.session.set_booth("view", view=self.view.itemData(i)))
        for part in (
            self.environment,
            self.turn,
            self.strength,
            self.exposure,
            self.neutral,
            self.unbalance,
            self.expose,
        ):
            row.addWidget(part)
        row.addStretch(1)
        row.addWidget(self.view)
        return strip

    def _tool(self, text, tip, checkable=False):
        button = QToolButton()
        button.setText(text)
        button.setToolTip(tip)
        button.setCheckable(checkable)
        return button

    # Following the session.

    def _booth_changed(self):
        booth = self.session.study.booth
        names = [*environment_names(), UNIFORM, *self.session.study.pictures]
        shown = [self.environment.itemData(i) for i in range(self.environment.count())]
        if shown != names:
            self.environment.clear()
            for name in names:
                self.environment.addItem(name.removeprefix("pictures/").replace("-", " "), name)
        self.environment.setCurrentIndex(max(0, self.environment.findData(booth.environment)))
        if not self.view.count():
            for name in view_names():
                title = {PLAIN: "plain sRGB", FILMIC: "filmic"}.get(name, name)
                self.view.addItem(title, name)
            self.view.setFixedWidth(92)
        self.view.setCurrentIndex(max(0, self.view.findData(booth.view)))
        self.turn.show_value(booth.turn)
        self.strength.show_value(booth.strength)
        self.exposure.show_value(booth.exposure)
        self.unbalance.setEnabled(booth.white is not None)
        self._ask()

    def _ask(self):
        specimen = self.session.specimen
        if specimen is None or self.picture.width() < 16:
            return
        ratio = self.picture.devicePixelRatioF()
        width, height = round(self.picture.width() * ratio), round(self.picture.height() * ratio)
        self.loop.ask(Request.of(specimen, self.session.study, width, height))

    def _take_frame(self, frame):
        self.picture.show_frame(frame)
        self.progressed.emit(frame)

    # What the person does.

    def _set_booth(self, key, value, goes_on):
        self.session.set_booth(key, dragging=True, **{key: value})
        if not goes_on:
            self.session.settle()

    def _turned(self, by, goes_on):
        turn = (self.session.study.booth.turn + by + 180.0) % 360.0 - 180.0
        self._set_booth("turn", turn, goes_on)

    def _environment_chosen(self, index):
        self.session.set_booth("environment", environment=self.environment.itemData(index))

    def toggle_plain(self):
        """The plain view, or back to the configuration's own."""
        now = self.session.study.booth.view
        self.session.set_booth("view", view=FILMIC if now == PLAIN else PLAIN)

    def pick(self, what):
        """Take the next click in the picture as `NEUTRAL` or `WHITE`; "" takes none."""
        self.picture.pick(what)
        self.neutral.setChecked(what == NEUTRAL)
        self.expose.setChecked(what == WHITE)

    def around(self, x, y):
        """Mean scene-linear colour of the small square about a pixel."""
        linear = self.picture.frame.linear
        r = max(1, round(_PICK_RADIUS / self.picture.frame.step))
        square = linear[max(0, y - r) : y + r + 1, max(0, x - r) : x + r + 1]
        return square.reshape(-1, 3).mean(axis=0)

    def _picked(self, x, y):
        what = self.picture.picking
        self.pick("")
        colour = [float(v) for v in self.around(x, y)]
        try:
            if what == NEUTRAL:
                if min(colour) <= 1e-5:
                    raise ValueError("that place is too dark to balance on; choose a lighter grey")
                # Only the hue of the light counts.
                white = tuple(v / max(colour) for v in colour)
                self.session.set_booth("white balance", white=white)
            else:
                self.session.set_booth("expose for white", exposure=round(exposure_for_white(colour), 3))
        except ValueError as error:
            self.session.said.emit(str(error))

    def _probe(self, at):
        if at is None:
            self.probed.emit(None)
        else:
            self.probed.emit(np.array(self.picture.frame.linear[at[1], at[0]], float))

    def patch_position(self, index):
        """Where the middle of a neutral patch (0..3) stands in the picture widget."""
        frame = self.picture.frame
        from ..imaging.booths import scene_of

        scene = scene_of(self.session.study, self.session.specimen)
        height, width, _ = frame.linear.shape
        x, y = scene.patch_place(index, width, height)
        return QPointF(x * self.picture.width(), y * self.picture.height())

    def end(self):
        self.loop.end()
