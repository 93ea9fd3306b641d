"""The sight: the picture in the booth, on its mid-grey surround, with the strip of its controls."""

from dataclasses import replace

import numpy as np
from PyQt6.QtCore import QPointF, Qt, QTimer, pyqtSignal
from PyQt6.QtGui import QImage
from PyQt6.QtWidgets import (
    QComboBox,
    QHBoxLayout,
    QSizePolicy,
    QToolButton,
    QVBoxLayout,
    QWidget,
)

from ..errors import InputError
from ..imaging.booths import UNIFORM, display_of, environment_names, scene_of
from ..imaging.comparing import ramp
from ..imaging.display import FILMIC, PLAIN, exposure_for_white
from ..imaging.framing import in_view
from ..imaging.visible import drawn_error, top_of
from ..study import Pin, Reference, shown_names
from ..surface.checks import picture_findings
from ..words import tr
from . import theme
from .called import called
from .chain_strip import ChainStrip
from .compare_strip import CompareStrip
from .comparison import DIVIDER, FLICKER, SIDE, Comparison, Setting
from .drag_field import DragField
from .layer_strip import LayerStrip
from .numbers_sheet import NumbersSheet
from .picture import LINE, NEUTRAL, PATCH, PIN, REGION, Picture
from .readouts import Readouts
from .rendering import RenderLoop, Request
from .scrolling import Sideways
from .session import Session
from .surveyor import Surveyor
from .text import Label

_PICK_RADIUS = 3
_SMALLEST_REGION = 0.02
_BAND = 0.006
"""Half the width of a line's band, in sides of the view's square."""


class Sight(QWidget):
    """Picture and strip, following the session; owns the render loop."""

    probed = pyqtSignal(object)
    """The scene-linear pixel under the pointer (3,), or None."""
    progressed = pyqtSignal(object)
    """Each new Frame."""
    emptied = pyqtSignal()
    """There is no specimen, and so no picture."""
    booth_wanted = pyqtSignal(bool)

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
        self.picture.turned.connect(self.turn_light)
        self.picture.orbited.connect(self.orbit)
        self.picture.neared.connect(self.near)
        self.picture.framed.connect(self._framed)
        self.layer, self.parts = "", ()
        self._marks = False
        self._compared = None
        self.layers = LayerStrip(session)
        self.layers.chosen.connect(self._show_layer)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        self.chain = ChainStrip(session)
        self.chain.pick_wanted.connect(self.pick)
        self.chain.marks_wanted.connect(self._mark)
        self.comparison = Comparison(self)
        self.comparison.changed.connect(self._compare)
        self.comparison.made.connect(self._take_compared)
        self.comparison.failed.connect(session.said)
        self.compare_strip = CompareStrip(session, self.comparison)
        self.numbers = NumbersSheet(session)
        self.numbers.pin_wanted.connect(self.pick)
        self.numbers.profile_wanted.connect(self._compare)
        self.surveyor = Surveyor(session, self.picture, self)
        self.readouts = Readouts(session, self.picture, self.numbers, self.comparison, self)
        self.picture.divided.connect(lambda place: self.comparison.set(place=place))
        column.addWidget(Sideways(self._strip()))
        column.addWidget(Sideways(self.chain))
        column.addWidget(self.compare_strip)
        column.addWidget(self.picture, 1)
        foot = QWidget()
        foot.setObjectName("panel")
        foot.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.foot = QHBoxLayout(foot)
        self.foot.setContentsMargins(0, 0, 0, 0)
        self.foot.setSpacing(0)
        layers = Sideways(self.layers)
        layers.setSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Fixed)
        self.foot.addWidget(layers)
        column.addWidget(foot)
        session.surface_changed.connect(self._ask)
        session.surface_changed.connect(self.readouts.read_photograph)
        session.booth_changed.connect(self.booth_changed)
        self.booth_changed()

    def _strip(self):
        strip = QWidget()
        strip.setObjectName("panel")
        strip.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        row = QHBoxLayout(strip)
        row.setContentsMargins(6, 2, 6, 1)
        row.setSpacing(3)
        self.environment = QComboBox()
        self.environment.setFixedWidth(106)
        self.environment.setToolTip(tr("The light around the booth"))
        self.environment.setAccessibleName(tr("Environment"))
        self.environment.activated.connect(self._environment_chosen)
        self.turn = DragField(tr("azimuth"), "°", -180.0, 180.0, 0.5, 0, tr("Azimuth of the environment, in degrees"))
        self.strength = DragField(
            tr("intensity"), "×", 0.0, 20.0, 0.01, 2, tr("Intensity of the environment, a factor")
        )
        for field, key in ((self.turn, "turn"), (self.strength, "strength")):
            field.changed.connect(lambda v, goes_on, key=key: self._set_booth(key, v, goes_on))
        self.booth_button = self._tool(tr("Booth"), tr("Shape, camera, lamps and rendering (B)"), True)
        self.booth_button.setShortcut("B")
        self.booth_button.clicked.connect(self.booth_wanted)
        for part in (self.booth_button, self.environment, self.turn, self.strength):
            row.addWidget(part)
        row.addStretch(1)
        against = Label(tr("compare with"))
        against.setObjectName("quiet")
        for part in (against, self.compare_strip.partner, self.compare_strip.more):
            row.addWidget(part)
        return strip

    def _tool(self, text, tip, checkable=False):
        button = QToolButton()
        button.setText(text)
        button.setToolTip(tip)
        button.setCheckable(checkable)
        return button

    # Following the session.

    def booth_changed(self):
        booth = self.session.study.booth
        kept = shown_names(self.session.study.pictures)
        names = [*environment_names(), UNIFORM, *kept]
        if booth.environment not in names:
            # What the study asks for and has not is said, not hidden behind another name.
            kept[booth.environment] = tr("{0} (missing)", booth.environment)
            names.append(booth.environment)
        shown = [self.environment.itemData(i) for i in range(self.environment.count())]
        if shown != names:
            self.environment.clear()
            for name in names:
                self.environment.addItem(kept.get(name, called(name).replace("-", " ")), name)
        self.environment.setCurrentIndex(self.environment.findData(booth.environment))
        self.show_pins()
        self.readouts.read_numbers()
        self.readouts.read_photograph()
        self.turn.show_value(booth.turn)
        self.strength.show_value(booth.strength)
        self._ask()

    def show_pins(self):
        """Draw the pins while anybody looks at their numbers or at a photograph, and not in the way otherwise."""
        wanted = self.numbers.isVisible() or isinstance(self.comparison.partner, Reference)
        self.picture.pins = self.session.study.booth.pins if wanted else ()
        self.picture.update()

    def look_at(self, parts):
        """Show some parts of the shape alone, by their names; all where there are none."""
        if tuple(parts) != self.parts:
            self.parts = tuple(parts)
            self._ask()

    def _ask(self):
        specimen = self.session.specimen
        self.picture.is_awaited = specimen is not None
        if specimen is None:
            self.loop.rest()
            self.picture.show_frame(None)
            self.emptied.emit()
            return
        if self.picture.width() < 16:
            return
        ratio = self.picture.devicePixelRatioF()
        width, height = round(self.picture.width() * ratio), round(self.picture.height() * ratio)
        self.loop.ask(Request.of(specimen, self.session.study, width, height, self.layer, self.parts))

    def _take_frame(self, frame):
        if self.session.specimen is None:
            return  # It was on its way when the last specimen went.
        self.picture.show_frame(frame)
        self._show_marks()
        self.comparison.submit(frame)
        self.readouts.frame_came(frame)
        self.surveyor.frame_came(frame)
        found = picture_findings(frame.request.surface, frame.request.booth.effort, frame.energy_cut)
        self.layers.show_finding(found[0] if found else None)
        self.progressed.emit(frame)

    def _compare(self):
        """Follow the comparison: have its picture made anew, or drop it."""
        partner, setting = self.comparison.partner, self.comparison.setting
        self.picture.divider = (setting.place, setting.angle) if partner and setting.mode == DIVIDER else None
        self.picture.is_halved = partner is not None and setting.mode == SIDE
        self.comparison.patch = self._statistics_patch()
        self.show_pins()
        if partner is None:
            self.picture.show_instead(None)
        elif setting.mode == FLICKER and self._compared is not None and self._compared.other is not None:
            self.picture.show_instead(self._compared.other if self.comparison.is_other_shown else self._compared.image)
        else:
            self.comparison.submit(self.picture.frame)

    def _statistics_patch(self):
        """The chosen pin where it is a patch and anybody looks at the numbers: statistics are told of that."""
        chosen = self.numbers.chosen if self.numbers.isVisible() else None
        return chosen if chosen is not None and chosen.form == PATCH else None

    def _take_compared(self, found):
        self._compared = found
        if self.comparison.partner is None:
            return
        shows_other = self.comparison.is_other_shown and found.other is not None
        self.picture.show_instead(found.other if shows_other else found.image)
        self.compare_strip.show_apart(found.apart, found.where)

    def _mark(self, on):
        self._marks = on
        self._show_marks()

    def _show_marks(self):
        """Mark what is clipped and what is below black, where that is wanted."""
        frame = self.picture.frame
        if not self._marks or frame is None:
            self.picture.show_marks(None)
            return
        clipped, below = display_of(self.session.study.booth).marks(frame.linear)
        overlay = np.zeros((*clipped.shape, 4), np.uint8)
        for where, name in ((clipped, "brick"), (below, "straw")):
            c = theme.colour(name)
            overlay[where] = (c.red(), c.green(), c.blue(), 255)
        height, width, _ = overlay.shape
        image = QImage(overlay.data, width, height, 4 * width, QImage.Format.Format_RGBA8888).copy()
        self.picture.show_marks(image)

    # What the person does.

    def _set_booth(self, key, value, goes_on):
        self.session.set_booth(dragging=True, **{key: value})
        if not goes_on:
            self.session.settle()

    def turn_light(self, by, goes_on):
        turn = (self.session.study.booth.turn + by + 180.0) % 360.0 - 180.0
        self._set_booth("turn", turn, goes_on)

    def orbit(self, round_about, up, goes_on):
        v = self.session.study.booth.viewpoint
        turn = (v.turn + round_about + 180.0) % 360.0 - 180.0
        self._set_booth("viewpoint", replace(v, turn=turn, rise=min(max(v.rise + up, -20.0), 89.0)), goes_on)

    def near(self, factor):
        v = self.session.study.booth.viewpoint
        self.session.set_booth(
            tr("distance of the camera"),
            dragging=True,
            viewpoint=replace(v, distance=min(max(v.distance * factor, 0.8), 50.0)),
        )

    def _framed(self, dragged):
        what = self.picture.picking
        self.pick("")
        (x0, y0), (x1, y1) = dragged
        if what in (PATCH, LINE):
            self._place_pin(what, (x0, y0), (x1, y1))
            return
        region = min(x0, x1), min(y0, y1), max(x0, x1), max(y0, y1)
        wide, high = region[2] - region[0], region[3] - region[1]
        if min(wide, high) < _SMALLEST_REGION:
            self.session.said.emit(tr("That region is too small; drag a larger rectangle"))
            self.session.booth_changed.emit()
        else:
            self.session.set_booth(region=tuple(round(v, 4) for v in region))

    def want_region(self, on):
        """Let a region be drawn in the picture, or render all of it again."""
        if on:
            self.pick(REGION)
        else:
            self.pick("")
            self.session.set_booth(tr("whole picture"), region=None)

    def _show_layer(self, name):
        self.layer = name
        self._ask()

    def _environment_chosen(self, index):
        self.session.set_booth(environment=self.environment.itemData(index))

    def show_error(self, error):
        """Lay what a solve's standard errors look like over the picture; None takes it off."""
        if error is None:
            self.surveyor.lay_over(None)
            return
        data = drawn_error(error)
        height, width, _ = data.shape
        image = QImage(data.tobytes(), width, height, 4 * width, QImage.Format.Format_RGBA8888).copy()
        colours = [tuple(c) for c in ramp(np.linspace(0.0, 1.0, 9))]
        legend = (tr("ΔE2000 of one standard error"), "0", f"{top_of(error):g}", colours)
        self.surveyor.lay_over(image, legend)

    def toggle_plain(self):
        """The plain view, or back to the configuration's own."""
        now = self.session.study.booth.view
        self.session.set_booth(view=FILMIC if now == PLAIN else PLAIN)

    def pick(self, what):
        """Take the next click in the picture as `NEUTRAL` or `WHITE`, or the next drag as `REGION`; "" takes none."""
        self.picture.pick(what)
        self.chain.show_picking(what)
        self.numbers.show_picking(what)

    def around(self, x, y):
        """Mean scene-linear colour of the small square about a pixel."""
        linear = self.picture.frame.linear
        r = max(1, round(_PICK_RADIUS / self.picture.frame.step))
        square = linear[max(0, y - r) : y + r + 1, max(0, x - r) : x + r + 1]
        return square.reshape(-1, 3).mean(axis=0)

    def _picked(self, x, y):
        what = self.picture.picking
        self.pick("")
        if what == PIN:
            height, width, _ = self.picture.frame.linear.shape
            at = (x + 0.5) / width, (y + 0.5) / height
            self._place_pin(PIN, at, at)
            return
        colour = [float(v) for v in self.around(x, y)]
        try:
            if what == NEUTRAL:
                if min(colour) <= 1e-5:
                    raise InputError(tr("that place is too dark to balance on; choose a lighter grey"))
                # Only the hue of the light counts.
                white = tuple(v / max(colour) for v in colour)
                self.session.set_booth(tr("white balance"), white=white)
            else:
                self.session.set_booth(tr("expose for white"), exposure=round(exposure_for_white(colour), 3))
        except InputError as error:
            self.session.said.emit(str(error))

    def _place_pin(self, form, begin, end):
        """Place a pin of a form, from one place of the picture to another, both 0..1."""
        height, width, _ = self.picture.frame.linear.shape
        (x, y), (to_x, to_y) = np.round(in_view((begin, end), width / height), 5).tolist()
        pins = self.session.study.booth.pins
        n = 1 + sum(p.form == form for p in pins)
        pin = Pin(f"{called(form)} {n}", x, y, form=form)
        if form != PIN:
            if max(abs(to_x - x), abs(to_y - y)) < _SMALLEST_REGION:
                self.session.said.emit(tr("That {0} is too small; press, drag and release", form))
                return
            pin = replace(pin, to_x=to_x, to_y=to_y, radius=_BAND if form == LINE else pin.radius)
        self.session.set_booth(pins=(*pins, pin))
        self.numbers.choose(len(pins))

    def _probe(self, at):
        self.readouts.point_at(at)
        if at is None:
            self.probed.emit(None)
        else:
            self.probed.emit(np.array(self.picture.frame.linear[at[1], at[0]], float))

    def patch_position(self, index):
        """Where the middle of a neutral patch (0..3) stands in the picture widget."""
        frame = self.picture.frame
        scene = scene_of(self.session.study, self.session.specimen)
        height, width, _ = frame.linear.shape
        x, y = scene.patch_place(index, width, height)
        return QPointF(x * self.picture.width(), y * self.picture.height())

    def reset(self):
        """Look at the whole picture of another study, compared with nothing."""
        self.pick("")
        self.compare_strip.compare_with(None)
        self.comparison.set(**vars(Setting()))
        self.layers.show_whole()
        self.chain.marks.setChecked(False)

    def end(self):
        self.readouts.end()
        self.surveyor.end()
        self.comparison.end()
        self.loop.end()
