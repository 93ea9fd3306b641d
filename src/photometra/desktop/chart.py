"""The chart of the chosen reading: measured marks with error bars, the model's lines, and the residuals below.

A click on a mark leaves that point out of every reckoning, or counts it again.
"""

import numpy as np
import pyqtgraph as pg
from PyQt6.QtCore import QPointF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import QAbstractButton, QHBoxLayout, QSizePolicy, QToolButton, QVBoxLayout, QWidget

from ..errors import InputError
from ..figures import figures
from ..readings import plain_name, with_mask
from ..words import tr
from . import theme
from .ledger import OUT, drawn, verdict_of
from .session import Session
from .text import Label, tip_of

_SYMBOLS = ("o", "t1", "s")
_REACH_PX = 9.0
_MOST_LABELS = 6


def own_menu_only(view):
    """Take the plotting library's own menu and export from a view: they know nothing of readings."""
    scene = view.scene()
    for action in scene.contextMenu:
        action.triggered.disconnect()
        action.deleteLater()
    scene.contextMenu = []


def style_plot(plot, view):
    """Give a plot the theme's looks."""
    own_menu_only(view)
    view.setBackground(theme.colour("raised"))
    for side in ("left", "bottom"):
        axis = plot.getAxis(side)
        axis.setPen(pg.mkPen(theme.colour("line")))
        axis.setTextPen(pg.mkPen(theme.colour("quiet")))
        axis.setTickFont(theme.font(8.0))
    plot.showGrid(x=True, y=True, alpha=0.12)
    plot.setMenuEnabled(False)
    plot.setMouseEnabled(False, False)
    plot.hideButtons()


def label_axis(axis, words):
    """Give an axis its words, and its numbers as they are: never in thousandths."""
    looks = {"font-size": "8pt", "color": theme.current().quiet}
    # Switching the prefixes off would leave the scale they had; in no range at all they have none.
    axis.setLabel(words, siPrefixEnableRanges=((-1.0, -1.0),), **looks)
    axis.updateAutoSIPrefix()


def draw_reading(plot, reading, model=None):
    """Draw a reading's marks with error bars, and a model's lines (value columns, n); fits the plot to them."""
    values, sigma = reading.stacked()
    straw, verdigris = theme.colour("straw"), theme.colour("verdigris")
    series = reading.series()
    plot.setLogMode(False, False)
    # What ends highest is named above its end, the others below theirs.
    highest = int(np.argmax([row[np.isfinite(row)][-1] if np.isfinite(row).any() else -np.inf for row in values]))
    for i, (row, s) in enumerate(zip(values, sigma, strict=True)):
        there = np.isfinite(row)
        y = drawn(reading, row)
        up, down = (np.abs(drawn(reading, row + d * s) - y) for d in (1.0, -1.0))
        plot.addItem(
            pg.ErrorBarItem(
                x=reading.x[there], y=y[there], top=up[there], bottom=np.minimum(down, 10.0 * up + 1e-12)[there],
                beam=0.0, pen=pg.mkPen(straw, width=1.0),
            )
        )  # fmt: skip
        for masked, brush in ((False, pg.mkBrush(straw)), (True, pg.mkBrush(None))):
            at = there & (reading.masked == masked)
            if not at.any():
                continue
            plot.addItem(
                pg.ScatterPlotItem(
                    x=reading.x[at], y=y[at], size=5.5, symbol=_SYMBOLS[i % 3], brush=brush,
                    pen=pg.mkPen(straw, width=1.0) if masked else pg.mkPen(None),
                )
            )  # fmt: skip
        for told, rows in series:
            if model is not None:
                line = drawn(reading, model[i][rows])
                plot.addItem(pg.PlotDataItem(x=reading.x[rows], y=line, pen=pg.mkPen(verdigris, width=2.0)))
            words = ", ".join(w for w in (plain_name(reading.kind.values[i]) if len(values) > 1 else "", told) if w)
            kept = rows[there[rows]]
            if words and kept.size and len(series) * len(values) <= _MOST_LABELS:
                label = pg.TextItem(words, color=theme.colour("text"), anchor=(1, 1 if i == highest else 0))
                label.setFont(theme.font(8.5))
                label.setPos(float(reading.x[kept[-1]]), float(y[kept[-1]]))
                plot.addItem(label)
    both = drawn(reading, values if model is None else np.concatenate([values, model]))
    low, high = float(np.nanmin(both)), float(np.nanmax(both))
    span = max(high - low, 0.02 * abs(high), 1e-6)
    plot.setYRange(low - 0.1 * span, high + 0.1 * span, padding=0.0)
    left, right = float(reading.x.min()), float(reading.x.max())
    margin = 0.05 * max(right - left, 1.0 if right - left < 1e-9 else 1e-9)
    plot.setXRange(left - margin, right + margin, padding=0.0)
    plot.getAxis("left").setTicks([_decades(low, high)] if reading.kind.is_log else None)


def _decades(low, high):
    """Ticks of a drawn logarithm at whole powers of ten."""
    first, last = int(np.floor(low)), int(np.ceil(high))
    every = max(1, (last - first) // 5)
    return [(float(d), f"{10.0**d:g}" if -4 < d < 5 else f"1e{d}") for d in range(first, last + 1, every)]


class ChartCard(QAbstractButton):
    """The chart folded to a line: whose it is and how it agrees; pressed, it unfolds."""

    def __init__(self, parent=None):
        super().__init__(parent)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        self.setMinimumWidth(150)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self._name, self._verdict, self._is_out = "", "", False

    def show_state(self, name, verdict, is_out):
        self._name, self._verdict, self._is_out = name, verdict, is_out
        words = f"{name}, {verdict}" if verdict else name
        self.setAccessibleName(tr("Show the chart: {0}", words))
        self.setToolTip(tip_of(tr("{0}\nShow the chart under the picture (Ctrl+Shift+F)", words)))
        self.update()

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setFont(theme.font(8.5))
        metrics, room = painter.fontMetrics(), self.rect().adjusted(4, 0, -22, 0)
        verdict = metrics.elidedText(self._verdict, Qt.TextElideMode.ElideRight, int(0.6 * room.width()))
        right = Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter
        painter.setPen(theme.colour("brick" if self._is_out else "quiet"))
        painter.drawText(room, right, verdict)
        left = room.width() - metrics.horizontalAdvance(verdict) - 8
        painter.setPen(theme.colour("text"))
        name = metrics.elidedText(self._name, Qt.TextElideMode.ElideRight, left)
        painter.drawText(room.adjusted(0, 0, left - room.width(), 0), right, name)
        # A small arrow, up.
        x, y = self.width() - 12.0, self.height() / 2.0
        painter.setPen(QPen(theme.colour("verdigris" if self.hasFocus() else "quiet"), 1.6))
        painter.drawPolyline(QPolygonF([QPointF(x - 5.0, y + 2.5), QPointF(x, y - 2.5), QPointF(x + 5.0, y + 2.5)]))


class ReadingChart(QWidget):
    """Follows the chosen reading. card: the line that stands for it while it is folded; folds: whether it can be."""

    folded = pyqtSignal()

    def __init__(self, session: Session, folds=True, parent=None):
        super().__init__(parent)
        self.session = session
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self._shown = ()
        self.title, self.verdict = Label(), Label()
        self.title.setObjectName("heading")
        # A long name must not widen the window.
        self.title.setSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Preferred)
        head = QHBoxLayout()
        head.setContentsMargins(12, 5, 12, 0)
        head.addWidget(self.title, 1)
        head.addWidget(self.verdict)
        fold = QToolButton()
        fold.setText("×")
        fold.setToolTip(tr("Fold the chart; the picture has its room (Ctrl+Shift+F)"))
        fold.setAccessibleName(tr("Fold the chart"))
        fold.setFixedSize(22, 20)
        fold.clicked.connect(self.folded)
        fold.setVisible(folds)
        head.addWidget(fold)
        self.card = ChartCard()
        self._graphs = pg.GraphicsLayoutWidget()
        self._graphs.setAccessibleName(tr("Chart of the reading"))
        self._graphs.setToolTip(tr("Click a mark to leave that point out, or to count it again"))
        self._graphs.ci.layout.setSpacing(2)
        self._graphs.ci.layout.setContentsMargins(4, 4, 10, 4)
        self.plot = self._graphs.addPlot(row=0, col=0)
        self.rest = self._graphs.addPlot(row=1, col=0)
        self._graphs.ci.layout.setRowStretchFactor(0, 3)
        self._graphs.ci.layout.setRowStretchFactor(1, 1)
        self._graphs.scene().sigMouseClicked.connect(self._clicked)
        self.rest.setXLink(self.plot)
        for plot in (self.plot, self.rest):
            plot.getAxis("left").setWidth(56)
        self.plot.getAxis("bottom").setStyle(showValues=False)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        column.addLayout(head)
        column.addWidget(self._graphs, 1)
        session.reading_chosen.connect(self.refresh)
        session.readings_changed.connect(self.refresh)
        session.agreements_changed.connect(self.refresh)
        self.restyle()

    def restyle(self):
        """Take on the present theme."""
        for plot in (self.plot, self.rest):
            style_plot(plot, self._graphs)
        label_axis(self.rest.getAxis("left"), tr("in σ"))
        self.refresh()

    def showEvent(self, event):
        super().showEvent(event)
        self.refresh()

    def refresh(self):
        reading = self.session.reading
        found = [a for a in self.session.agreements_of(self.session.specimen) if a.reading == reading]
        shown = (reading, found[0] if found else None, theme.current().name)
        if shown == self._shown:
            # Agreements of other specimens arrive one by one; this chart is none of theirs.
            return
        self._shown = shown
        self.plot.clear()
        self.rest.clear()
        if reading is None:
            self.title.setText(tr("No reading is chosen"))
            self.verdict.setText("")
            self.card.show_state(tr("no reading"), "", False)
            return
        agreement = found[0] if found else None
        self.title.setText(reading.name)
        for axis, words in (
            (self.plot.getAxis("left"), reading.kind.value_label),
            (self.rest.getAxis("bottom"), reading.kind.axis_label),
        ):  # fmt: skip
            label_axis(axis, words)
        self._show_verdict(reading, agreement)
        if not self.isVisible():
            # Folded, or behind a sheet: what nobody sees is drawn once it is seen.
            self._shown = None
            return
        x = reading.x
        straw, verdigris = theme.colour("straw"), theme.colour("verdigris")
        draw_reading(self.plot, reading, agreement.model if agreement is not None else None)
        self.rest.addItem(pg.InfiniteLine(0.0, angle=0, pen=pg.mkPen(verdigris, width=1.2)))
        if agreement is not None and agreement.model is not None:
            for i, row in enumerate(-agreement.residuals):
                at = reading.counted[i]
                unit = pg.ErrorBarItem(
                    x=x[at], y=row[at], height=np.full(int(at.sum()), 2.0), beam=0.0, pen=pg.mkPen(straw, width=1.0)
                )
                self.rest.addItem(unit)
                marks = pg.ScatterPlotItem(
                    x=x[at], y=row[at], size=4.0, symbol=_SYMBOLS[i % 3], pen=pg.mkPen(None), brush=pg.mkBrush(straw)
                )
                self.rest.addItem(marks)
            largest = max(3.0, 1.15 * float(np.abs(agreement.residuals).max()))
            self.rest.setYRange(-largest, largest, padding=0.0)
        ticks = _ticks_at(np.unique(x)) if np.unique(x).size <= 8 else None
        for plot in (self.plot, self.rest):
            plot.getAxis("bottom").setTicks([ticks] if ticks else None)

    def _clicked(self, event):
        """Mask the point nearest the click, where it is near enough, or count it again."""
        reading = self.session.reading
        if reading is None or event.button() != Qt.MouseButton.LeftButton:
            return
        values = drawn(reading, reading.stacked()[0])
        best, nearest = None, _REACH_PX
        for i in range(reading.rows):
            for y in values[:, i]:
                if np.isfinite(y):
                    at = self.plot.vb.mapViewToScene(QPointF(float(reading.x[i]), float(y))) - event.scenePos()
                    away = float(np.hypot(at.x(), at.y()))
                    if away < nearest:
                        best, nearest = i, away
        if best is None:
            return
        on = not reading.masked[best]
        try:
            changed = with_mask(reading, [best], on)
        except InputError as error:
            self.session.said.emit(str(error))
            return
        self.session.change_reading(changed, tr("leave a point out") if on else tr("count a point again"))

    def _show_verdict(self, reading, agreement):
        sign, word = verdict_of(agreement)
        short = word
        if agreement is not None and agreement.problem:
            word = agreement.problem
        elif agreement is not None:
            short = f"{reading.kind.metric_label} {figures(agreement.value)}, {word}"
            word = tr(
                "{0}: {1} of {2} allowed, {3}",
                reading.kind.metric_label,
                figures(agreement.value),
                f"{reading.tolerance:g}",
                word,
            )
        self.verdict.setText(f"{word} {sign}")
        self.card.show_state(reading.name, f"{short} {sign}", sign == OUT)
        self.verdict.setObjectName("brick" if sign == OUT else "quiet")
        self.verdict.style().unpolish(self.verdict)
        self.verdict.style().polish(self.verdict)


def _ticks_at(x):
    """A tick at each of a few places; where two are too close to be read, only the first has its number."""
    span, last, ticks = float(x[-1] - x[0]) or 1.0, -np.inf, []
    for v in map(float, x):
        near = v - last < 0.09 * span
        ticks.append((v, "" if near else f"{v:g}"))
        last = last if near else v
    return ticks
