"""The shelf: simulated devices that are switched on, warmed up, calibrated, and then read a piece on the bench.

The bench has a clock of its own, on which a minute passes in a second or two.
"""

import math
import time
from functools import partial

import pyqtgraph as pg
from PyQt6.QtCore import QPointF, QRectF, Qt, QTimer, pyqtSignal
from PyQt6.QtGui import QPainter, QPen
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QPushButton, QSpinBox, QVBoxLayout, QWidget

from ..demo.making import bench_piece
from ..demo.samples import SAMPLES
from ..instruments import instrument
from ..instruments.devices import TRAITS, DeviceError, simulated_shelf
from ..words import lowered, tr
from . import theme
from .chart import draw_reading, style_plot
from .ledger import Card
from .session import Session
from .sheet import Sheet
from .text import Label
from .workers import LongJob

_HASTE = 30.0
"""Seconds on the bench for each second of ours."""
_TICK_MS = 100
_WHAT = {
    "glossmeter": tr("gloss at 20, 60 and 85°"),
    "spectrophotometer": tr("reflectance by wavelength"),
    "refractometer": tr("index at six lines"),
    "goniophotometer": tr("the lobe in the plane of incidence"),
    "transmissometer": tr("transmittance, straight on and in all"),
    "ellipsometer": tr("psi and delta at 65° and 75°"),
    "scatterprobe": tr("how far light scatters inside"),
}


class DeviceCard(Card):
    """A device on the shelf: its name, what it reads, and a lamp that shows how warm it is."""

    def __init__(self, device, parent=None):
        super().__init__(52, parent)
        self.device, self.state = device, device.state(0.0)
        self.setAccessibleName(device.label)

    def show_state(self, state):
        self.state = state
        self.update()

    def paintEvent(self, _event):
        painter = QPainter(self)
        self._ground(painter)
        painter.setFont(theme.font(9.5, theme.MEDIUM))
        painter.setPen(theme.colour("text"))
        painter.drawText(QPointF(34.0, 21.0), self.device.label)
        painter.setFont(theme.font(8.5))
        painter.setPen(theme.colour("quiet"))
        painter.drawText(QPointF(34.0, 38.0), _WHAT[self.device.key])
        lamp = QRectF(12.0, 13.0, 13.0, 13.0)
        painter.setPen(QPen(theme.colour("line"), 1.2))
        painter.setBrush(theme.colour("straw", int(255 * self.state.warmth)))
        painter.drawEllipse(lamp)
        if self.state.is_on and self.state.wait_s > 0.0:
            painter.setPen(QPen(theme.colour("straw"), 2.0))
            painter.drawArc(lamp.adjusted(-3, -3, 3, 3), 90 * 16, int(-360 * 16 * min(1.0, self.state.warmth)))
        if self.state.is_on:
            word = (
                tr("warming")
                if self.state.wait_s > 0.0
                else tr("to be calibrated")
                if self.state.missing
                else tr("ready")
            )
            right = QRectF(0.0, 8.0, self.width() - 10.0, 17.0)
            painter.setPen(theme.colour("verdigris" if word == "ready" else "quiet"))
            painter.drawText(right, Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter, word)


class ShelfSheet(Sheet):
    """The shelf and the bench. A reading that is taken goes to the chosen specimen, as one undoable step."""

    read = pyqtSignal(object)

    def __init__(self, session: Session, parent=None):
        super().__init__(tr("Instrument shelf"), parent)
        self.session = session
        self.devices = simulated_shelf(seed=int(time.time()) % 10_000)
        self.now = 0.0
        self.key = next(iter(TRAITS))
        self.job = LongJob(self)
        self.job.finished.connect(self._taken)
        self.job.failed.connect(self._complain)
        self._timer = QTimer(self, interval=_TICK_MS)
        self._timer.timeout.connect(self._tick)
        self.cards = {}
        shelf = QVBoxLayout()
        shelf.setSpacing(5)
        for key, device in self.devices.items():
            card = DeviceCard(device)
            card.chosen.connect(partial(self.choose, key))
            self.cards[key] = card
            shelf.addWidget(card)
        shelf.addStretch(1)
        both = QHBoxLayout()
        both.setSpacing(18)
        both.addLayout(shelf, 4)
        both.addLayout(self._bench(), 5)
        self.body.addLayout(both, 1)
        self._show()

    def _bench(self):
        column = QVBoxLayout()
        column.setSpacing(7)
        self.name, self.says = Label(), Label()
        self.name.setObjectName("heading")
        self.says.setWordWrap(True)
        self.says.setMinimumHeight(40)
        self.piece = QComboBox()
        self.piece.setAccessibleName(tr("Piece on the bench"))
        self.piece.setToolTip(tr("What lies under the device: a piece whose surface nobody is told"))
        for sample in SAMPLES:
            self.piece.addItem(tr("a piece of the {0}", lowered(sample.name)), sample.name)
        self.piece.activated.connect(lambda _i: self._place())
        self.power = QPushButton(tr("Switch on"))
        self.power.clicked.connect(self._switch_on)
        self.standards = QHBoxLayout()
        self.geometry = QComboBox()
        self.geometry.setAccessibleName(tr("Geometry"))
        self.repeats = QSpinBox()
        self.repeats.setRange(1, 50)
        self.repeats.setValue(3)
        self.repeats.setAccessibleName(tr("Repeats"))
        self.repeats.setToolTip(tr("How many times it reads; their mean is kept"))
        self.measure_button = QPushButton(tr("Measure"))
        self.measure_button.setObjectName("primary")
        self.measure_button.setToolTip(tr("Read the piece, and add the reading to the chosen specimen"))
        self.measure_button.clicked.connect(self._measure)
        self.clock = Label()
        self.clock.setObjectName("quiet")
        column.addWidget(self.name)
        column.addWidget(_line(tr("On the bench"), self.piece))
        column.addWidget(_line(tr("Lamp"), self.power))
        holder = QWidget()
        holder.setLayout(self.standards)
        self.standards.setContentsMargins(0, 0, 0, 0)
        column.addWidget(_line(tr("Calibrate with"), holder))
        column.addWidget(_line(tr("Geometry"), self.geometry))
        column.addWidget(_line(tr("Mean of"), self.repeats))
        column.addWidget(self.measure_button)
        column.addWidget(self.says)
        self.plot = pg.PlotWidget()
        style_plot(self.plot.getPlotItem(), self.plot)
        self.plot.setAccessibleName(tr("The reading that was taken"))
        self.plot.setVisible(False)
        column.addWidget(self.plot, 1)
        column.addStretch(0)
        column.addWidget(self.clock)
        return column

    def opened(self):
        """Lay the piece that the chosen specimen is of on the bench, and let the clock run."""
        specimen = self.session.specimen
        at = self.piece.findData(specimen.name) if specimen else -1
        if at >= 0:
            self.piece.setCurrentIndex(at)
        self._place()
        self._timer.start()
        self.cards[self.key].setFocus()

    def hideEvent(self, event):
        self._timer.stop()
        super().hideEvent(event)

    def choose(self, key):
        """Take a device from the shelf."""
        self.key = key
        self.says.setText("")
        self.plot.setVisible(False)
        self._place()
        self._show()

    @property
    def device(self):
        return self.devices[self.key]

    def _tick(self):
        self.now += _HASTE * _TICK_MS / 1000.0
        self._show()

    def _place(self):
        self.device.place(bench_piece(self.piece.currentData()))
        self._show()

    def _switch_on(self):
        self.device.switch_on(self.now)
        self._say("")
        self._show()

    def _calibrate(self, standard):
        try:
            self.device.calibrate(standard, self.now)
            self._say(tr("The {0} is read.", standard))
        except DeviceError as error:
            self._complain(str(error))
        self._show()

    def _measure(self):
        device, now, geometry, repeats = self.device, self.now, self.geometry.currentText(), self.repeats.value()
        if self.session.specimen is None:
            self._complain(tr("Add a specimen first; a reading belongs to one."))
            return
        self._say(tr("Measuring…"))
        self.job.start(lambda _report, _cancel: device.measure(now, geometry, repeats))

    def _taken(self, reading):
        self._say(tr("Taken: {0}, {1} rows. It is with the chosen specimen now.", reading.label, reading.rows))
        style_plot(self.plot.getPlotItem(), self.plot)
        self.plot.clear()
        draw_reading(self.plot.getPlotItem(), reading)
        self.plot.setVisible(True)
        self.read.emit(reading)

    def _say(self, sentence):
        self.says.setObjectName("quiet")
        self._restyle(sentence)

    def _complain(self, sentence):
        self.says.setObjectName("brick")
        self._restyle(f"! {sentence[:1].upper()}{sentence[1:]}.".replace("..", "."))

    def _restyle(self, sentence):
        self.says.setText(sentence)
        self.says.style().unpolish(self.says)
        self.says.style().polish(self.says)

    def _show(self):
        """Show the bench as it stands."""
        for key, card in self.cards.items():
            card.show_state(self.devices[key].state(self.now))
            card.mark_chosen(key == self.key)
        state, device = self.device.state(self.now), self.device
        self.name.setText(device.label)
        waiting = tr("warming up, {0} s more", math.ceil(state.wait_s)) if state.wait_s > 0.0 else tr("on, steady")
        self.power.setText(waiting if state.is_on else tr("Switch on"))
        self.power.setEnabled(not state.is_on)
        self._show_standards(device, state)
        geometries = list(instrument(self.key).geometries)
        if [self.geometry.itemText(i) for i in range(self.geometry.count())] != geometries:
            self.geometry.clear()
            self.geometry.addItems(geometries)
        self.geometry.parentWidget().setVisible(bool(geometries))
        minutes, seconds = divmod(int(self.now), 60)
        self.clock.setText(
            tr("bench clock {0}:{1}  ·  runs {2} times faster than yours", minutes, f"{seconds:02d}", f"{_HASTE:g}")
        )

    def _show_standards(self, device, state):
        there = [self.standards.itemAt(i).widget() for i in range(self.standards.count())]
        if [b.property("standard") for b in there] != list(device.standards):
            for b in there:
                self.standards.removeWidget(b)
                b.deleteLater()
            there = []
            for standard in device.standards:
                button = QPushButton()
                button.setProperty("standard", standard)
                button.clicked.connect(partial(self._calibrate, standard))
                self.standards.addWidget(button)
                there.append(button)
        for button in there:
            standard = button.property("standard")
            button.setText(standard if standard in state.missing else f"{standard} ✓")

    def end(self):
        self._timer.stop()
        self.job.end()


def _line(title, widget):
    """A field with a word before it."""
    row = QWidget()
    line = QHBoxLayout(row)
    line.setContentsMargins(0, 0, 0, 0)
    label = Label(title)
    label.setObjectName("quiet")
    label.setFixedWidth(104)
    line.addWidget(label)
    line.addWidget(widget, 1)
    return row
