"""The picture in the sight: shows frames, says where the pointer is, and takes drags, picks, pins and the divider."""

import math

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QLinearGradient, QPainter, QPainterPath, QPen
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..imaging.framing import in_frame
from ..study.booth import PIN_FORMS
from ..words import tr
from . import theme
from .rendering import Frame

NEUTRAL, WHITE, REGION = "neutral", "white", "region"
PIN, PATCH, LINE = PIN_FORMS
_DRAGGED = (REGION, PATCH, LINE)
STUDY, RENDERER = "study", "renderer"
"""What a picture may wait for."""
_AWAITED = tr("The picture is on its way…")
_NOTHING = tr("Drop a reading, a mesh or a study here, or add a specimen.")


def orbit_of(by):
    """By how many degrees a drag brings the camera round and up."""
    return -0.4 * by.x(), 0.3 * by.y()


def light_turn_of(by):
    """By how many degrees a drag turns the environment."""
    return 0.5 * by.x()


def wheel_factor(event):
    """How many times as far off the wheel puts the camera."""
    return 0.9 ** (event.angleDelta().y() / 120.0)


class Picture(QWidget):
    """Shows frames and says where the pointer is.

    Dragging turns the camera, with the right button the environment; the wheel brings the camera nearer. While a region
    is wanted, dragging draws it.
    """

    pointed = pyqtSignal(object)
    """(x, y) in picture pixels, or None when the pointer leaves."""
    picked = pyqtSignal(int, int)
    turned = pyqtSignal(float, bool)
    orbited = pyqtSignal(float, float, bool)
    """By how many degrees round and up, and whether the drag goes on."""
    neared = pyqtSignal(float)
    divided = pyqtSignal(float)
    """The divider is dragged to a place 0..1 across."""
    framed = pyqtSignal(object)
    """What was drawn by a drag: from where to where, ((x, y), (x, y)) in 0..1."""
    resized = pyqtSignal()
    tapped = pyqtSignal(int, int)
    """A click that was no drag, in picture pixels."""

    def __init__(self, parent=None):
        super().__init__(parent)
        self.frame: Frame | None = None
        self.is_awaited, self._waits_for = False, {}
        """Whether there is something of which a picture will come."""
        self.picking = ""
        self._turning = None
        self._orbiting = None
        self._frame_from = None
        self._drawn = None
        self.pins = ()
        self.divider = None
        self.is_halved = False
        self._dividing = False
        self._instead = self._overlay = self._survey = None
        self._legend = ()
        self._pressed = None
        self._pointer = None
        self.setMouseTracking(True)
        self.setMinimumSize(240, 160)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setAccessibleName(tr("Picture"))
        self.setToolTip(
            tr(
                "Drag to go round the specimen, with the right button to turn the light; the wheel brings "
                "you nearer. Point to read a pixel."
            )
        )

    def sizeHint(self):
        return QSize(680, 400)

    def show_frame(self, frame):
        self.frame = frame
        self.update()
        self._tell()

    def wait_for(self, what, words):
        """Say, while there is no picture, that it waits for something out of the ordinary; "" once that is over."""
        self._waits_for[what] = words
        self.update()

    @property
    def waiting_words(self):
        """What stands where the picture will be."""
        told = list(filter(None, self._waits_for.values()))
        if not self.is_awaited and not self._waits_for.get(STUDY):
            told.insert(0, _NOTHING)
        return "\n\n".join(told) or _AWAITED

    def show_instead(self, image):
        """Show another picture in the frame's place; None for the frame itself."""
        self._instead = image
        self.update()

    def show_marks(self, image):
        """Lay a picture with holes over the frame; None for none."""
        self._overlay = image
        self.update()

    def show_survey(self, image, legend=()):
        """Lay a picture of parts or values over all; legend: (title, text at its low end, at its high end, colours)."""
        self._survey, self._legend = image, legend
        self.update()

    def _divider_x(self, y):
        """Where the divider runs at a height of the widget."""
        place, angle = self.divider
        return place * self.width() - (y - 0.5 * self.height()) * math.tan(math.radians(angle))

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
        across = position.x()
        if self.is_halved:
            # Each half shows the middle of its picture.
            across += 0.25 * self.width() * (1.0 if across < 0.5 * self.width() else -1.0)
        x, y = int(across * width / self.width()), int(position.y() * height / self.height())
        return (x, y) if 0 <= x < width and 0 <= y < height else None

    def _tell(self):
        self.pointed.emit(self.pixel_at(self._pointer) if self._pointer is not None else None)

    def mouseMoveEvent(self, event):
        self._pointer = event.position()
        if self._turning is not None:
            self.turned.emit(light_turn_of(event.position() - self._turning), True)
            self._turning = event.position()
        if self._orbiting is not None:
            by = event.position() - self._orbiting
            self._orbiting = event.position()
            self.orbited.emit(*orbit_of(by), True)
        if self._dividing:
            at = event.position()
            place = self.divider[0] + (at.x() - self._divider_x(at.y())) / self.width()
            self.divided.emit(min(max(place, 0.0), 1.0))
        if self._frame_from is not None:
            self._drawn = self._dragged_to(event.position())
            self.update()
        self._tell()

    def mousePressEvent(self, event):
        if event.button() == Qt.MouseButton.RightButton:
            self._turning = event.position()
        elif event.button() != Qt.MouseButton.LeftButton:
            return
        elif self.divider is not None and abs(event.position().x() - self._divider_x(event.position().y())) < 8.0:
            self._dividing = True
        elif self.picking in _DRAGGED:
            self._frame_from = event.position()
        elif self.picking:
            at = self.pixel_at(event.position())
            if at is not None:
                self.picked.emit(*at)
        else:
            self._orbiting = self._pressed = event.position()

    def _dragged_to(self, position):
        """From where the drag began to where it is, within the picture."""
        return tuple(
            (min(max(p.x() / self.width(), 0.0), 1.0), min(max(p.y() / self.height(), 0.0), 1.0))
            for p in (self._frame_from, position)
        )

    def wheelEvent(self, event):
        self.neared.emit(wheel_factor(event))

    def mouseReleaseEvent(self, event):
        if event.button() == Qt.MouseButton.RightButton and self._turning is not None:
            self._turning = None
            self.turned.emit(0.0, False)
        if event.button() == Qt.MouseButton.LeftButton:
            self._dividing = False
            if self._orbiting is not None:
                self._orbiting = None
                self.orbited.emit(0.0, 0.0, False)
                at = self.pixel_at(event.position())
                if at is not None and (event.position() - self._pressed).manhattanLength() < 4.0:
                    self.tapped.emit(*at)
            if self._frame_from is not None:
                dragged = self._dragged_to(event.position())
                self._frame_from = self._drawn = None
                self.framed.emit(dragged)

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
            painter.drawText(self.rect(), Qt.AlignmentFlag.AlignCenter, self.waiting_words)
            return
        painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform, self.frame.step > 1)
        painter.drawImage(QRectF(self.rect()), self._instead or self.frame.image)
        if self._overlay is not None:
            painter.drawImage(QRectF(self.rect()), self._overlay)
        self._paint_badge(painter)
        if self._survey is not None:
            painter.drawImage(QRectF(self.rect()), self._survey)
            if self._legend:
                self._paint_legend(painter, *self._legend)
        if self.divider is not None:
            self._paint_divider(painter)
        if self.is_halved:
            half = 0.5 * self.width()
            for left, shift in ((0.0, -0.5 * half), (half, 0.5 * half)):
                painter.save()
                painter.setClipRect(QRectF(left, 0.0, half, self.height()))
                painter.translate(shift, 0.0)
                self._paint_pins(painter)
                painter.restore()
        else:
            self._paint_pins(painter)
        if self.frame.request.booth.region is not None:
            self._paint_region(painter, self.frame.request.booth.region)
        if self._drawn is not None:
            painter.setPen(QPen(theme.colour("text"), 1.2, Qt.PenStyle.DashLine))
            begin, end = (QPointF(x * self.width(), y * self.height()) for x, y in self._drawn)
            if self.picking == LINE:
                painter.drawLine(begin, end)
            else:
                painter.setBrush(Qt.BrushStyle.NoBrush)
                painter.drawRect(QRectF(begin, end).normalized())
        if self.picking:
            painter.setFont(theme.font(9.5))
            text = {
                NEUTRAL: tr("Click a place that is known to be neutral: a grey patch"),
                WHITE: tr("Click the white to expose for"),
                REGION: tr("Drag a rectangle: only that is rendered"),
                PIN: tr("Click where the point is to stand"),
                PATCH: tr("Drag a rectangle: its mean is read"),
                LINE: tr("Drag a line, as across a highlight: radiance is read along it"),
            }
            box = QRectF(0.0, 0.0, self.width(), 26.0)
            painter.fillRect(box, theme.colour("raised", 230))
            painter.setPen(QPen(theme.colour("text")))
            painter.drawText(box, Qt.AlignmentFlag.AlignCenter, text[self.picking])

    def _paint_pins(self, painter):
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setFont(theme.font(8.5, theme.MEDIUM))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        size = self.width(), self.height()
        for pin in self.pins:
            ends = in_frame([(pin.x, pin.y), (pin.to_x, pin.to_y)], self.width() / self.height()) * size
            at, end = (QPointF(*p) for p in ends.tolist())
            r = max(4.0, pin.radius * self.height())
            for ink, wide in (("window", 3.0), ("straw" if pin.counts else "text", 1.3)):
                painter.setPen(QPen(theme.colour(ink), wide))
                if pin.form == PIN:
                    painter.drawEllipse(at, r, r)
                elif pin.form == PATCH:
                    painter.drawRect(QRectF(at, end).normalized())
                else:
                    painter.drawLine(at, end)
                    for tip in (at, end):
                        painter.drawEllipse(tip, 2.5, 2.5)
            right = at if pin.form == PIN or at.x() > end.x() else end
            beside = right + QPointF((r if pin.form == PIN else 0.0) + 5.0, 4.0)
            painter.setPen(theme.colour("window"))
            painter.drawText(beside + QPointF(1.0, 1.0), pin.name)
            painter.setPen(theme.colour("text"))
            painter.drawText(beside, pin.name)

    def _paint_badge(self, painter):
        """Say whether parts are left out, whether it is denoised, and about how far it is from the final picture."""
        words, parts = [], len(self.frame.request.parts)
        if parts:
            words.append(tr("one part alone") if parts == 1 else tr("{0} parts alone", parts))
        if self.frame.denoised:
            words.append(tr("denoised"))
        if self.frame.denoised and self.frame.error is not None:
            words.append(tr("about ΔE {0} from the final picture", f"{max(self.frame.error, 0.1):.1f}"))
        if not words:
            return
        text = " · ".join(words)
        painter.setFont(theme.font(8.0))
        wide = painter.fontMetrics().horizontalAdvance(text) + 14.0
        box = QRectF(self.width() - wide - 8.0, self.height() - 26.0, wide, 18.0)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("window", 190))
        painter.drawRoundedRect(box, 3.0, 3.0)
        painter.setPen(theme.colour("quiet"))
        painter.drawText(box, Qt.AlignmentFlag.AlignCenter, text)

    def _paint_legend(self, painter, title, low, high, colours):
        box = QRectF(12.0, self.height() - 50.0, 220.0, 38.0)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("window", 225))
        painter.drawRoundedRect(box, 4.0, 4.0)
        bar = QRectF(box.left() + 8.0, box.top() + 18.0, box.width() - 16.0, 7.0)
        shades = QLinearGradient(bar.topLeft(), bar.topRight())
        for i, (r, g, b) in enumerate(colours):
            shades.setColorAt(i / (len(colours) - 1), QColor.fromRgbF(r, g, b))
        painter.setBrush(shades)
        painter.drawRect(bar)
        painter.setFont(theme.font(8.0))
        painter.setPen(theme.colour("text"))
        painter.drawText(box.adjusted(8.0, 3.0, -8.0, 0.0), Qt.AlignmentFlag.AlignLeft, title)
        below = QRectF(bar.left(), bar.bottom(), bar.width(), 13.0)
        painter.setFont(theme.font(7.5))
        painter.drawText(below, Qt.AlignmentFlag.AlignLeft, low)
        painter.drawText(below, Qt.AlignmentFlag.AlignRight, high)

    def _paint_divider(self, painter):
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        top, bottom = QPointF(self._divider_x(0.0), 0.0), QPointF(self._divider_x(self.height()), self.height())
        for ink, wide in (("window", 3.0), ("text", 1.2)):
            painter.setPen(QPen(theme.colour(ink), wide))
            painter.drawLine(top, bottom)
        middle = QPointF(self._divider_x(self.height() / 2.0), self.height() / 2.0)
        painter.setBrush(theme.colour("raised"))
        painter.drawEllipse(middle, 6.0, 6.0)

    def _paint_region(self, painter, region):
        left, top, right, bottom = region
        w, h = float(self.width()), float(self.height())
        box = QRectF(left * w, top * h, (right - left) * w, (bottom - top) * h)
        if self.frame.request.booth.region is not None:
            outside = QPainterPath()
            outside.addRect(QRectF(self.rect()))
            outside.addRect(box)
            painter.fillPath(outside, theme.SURROUND)
        painter.setPen(QPen(theme.colour("text"), 1.0, Qt.PenStyle.DashLine))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        painter.drawRect(box)
