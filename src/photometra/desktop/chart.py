"""The chart of the chosen reading: measured marks with error bars, the model's line, and the residuals below."""

import numpy as np
import pyqtgraph as pg
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QHBoxLayout, QLabel, QVBoxLayout, QWidget

from . import theme
from .ledger import OUT, verdict_of
from .session import Session

_SYMBOLS = ("o", "t1")


class ReadingChart(QWidget):
    """Follows the chosen reading."""

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.title, self.verdict = QLabel(), QLabel()
        self.title.setObjectName("heading")
        head = QHBoxLayout()
        head.setContentsMargins(12, 5, 12, 0)
        head.addWidget(self.title)
        head.addWidget(self.verdict, 1, Qt.AlignmentFlag.AlignRight)
        self._graphs = pg.GraphicsLayoutWidget()
        self._graphs.setAccessibleName("Chart of the reading")
        self._graphs.ci.layout.setSpacing(2)
        self._graphs.ci.layout.setContentsMargins(4, 4, 10, 4)
        self.plot = self._graphs.addPlot(row=0, col=0)
        self.rest = self._graphs.addPlot(row=1, col=0)
        self._graphs.ci.layout.setRowStretchFactor(0, 3)
        self._graphs.ci.layout.setRowStretchFactor(1, 1)
        self.rest.setXLink(self.plot)
        for plot in (self.plot, self.rest):
            plot.setMenuEnabled(False)
            plot.setMouseEnabled(False, False)
            plot.hideButtons()
            plot.getAxis("left").setWidth(48)
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
        self._graphs.setBackground(theme.colour("raised"))
        for plot in (self.plot, self.rest):
            for side in ("left", "bottom"):
                axis = plot.getAxis(side)
                axis.setPen(pg.mkPen(theme.colour("line")))
                axis.setTextPen(pg.mkPen(theme.colour("quiet")))
                axis.setTickFont(theme.font(8.0))
            plot.showGrid(x=True, y=True, alpha=0.12)
        self.rest.getAxis("left").setLabel("in σ", **{"font-size": "8pt", "color": theme.current().quiet})
        self.refresh()

    def refresh(self):
        reading = self.session.reading
        self.plot.clear()
        self.rest.clear()
        if reading is None:
            self.title.setText("No reading is chosen")
            self.verdict.setText("")
            return
        found = [a for a in self.session.agreements_of(self.session.specimen) if a.reading == reading]
        agreement = found[0] if found else None
        self.title.setText(f"{reading.name}  ·  {reading.kind.value_label} against {reading.kind.axis_label}")
        self._show_verdict(reading, agreement)
        values, sigma = reading.stacked()
        x = reading.x
        names = reading.kind.values
        straw, verdigris = theme.colour("straw"), theme.colour("verdigris")
        for i, (row, s) in enumerate(zip(values, sigma, strict=True)):
            bars = pg.ErrorBarItem(x=x, y=row, height=2.0 * s, beam=0.0, pen=pg.mkPen(straw, width=1.0))
            marks = pg.ScatterPlotItem(
                x=x, y=row, size=5.5, symbol=_SYMBOLS[i % 2], pen=pg.mkPen(None), brush=pg.mkBrush(straw)
            )
            self.plot.addItem(bars)
            self.plot.addItem(marks)
            if len(names) > 1:
                label = pg.TextItem(names[i], color=theme.colour("text"), anchor=(0, 0.5))
                label.setFont(theme.font(9.0))
                label.setPos(float(x[-1]), float(row[-1]))
                self.plot.addItem(label)
        self.rest.addItem(pg.InfiniteLine(0.0, angle=0, pen=pg.mkPen(verdigris, width=1.2)))
        if agreement is not None and agreement.model is not None:
            for row in agreement.model:
                self.plot.addItem(pg.PlotDataItem(x=x, y=row, pen=pg.mkPen(verdigris, width=2.0)))
            for i, row in enumerate(-agreement.residuals):
                unit = pg.ErrorBarItem(
                    x=x, y=row, height=np.full_like(row, 2.0), beam=0.0, pen=pg.mkPen(straw, width=1.0)
                )
                self.rest.addItem(unit)
                self.rest.addItem(
                    pg.ScatterPlotItem(
                        x=x,
                        y=row,
                        size=4.0,
                        symbol=_SYMBOLS[i % 2],
                        pen=pg.mkPen(None),
                        brush=pg.mkBrush(straw),
                    )
                )
            largest = max(3.0, 1.15 * float(np.abs(agreement.residuals).max()))
            self.rest.setYRange(-largest, largest, padding=0.0)
        margin = 0.05 * max(float(x[-1] - x[0]), 1.0)
        self.plot.setXRange(float(x[0]) - margin, float(x[-1]) + margin, padding=0.0)
        self._fit_height(values, agreement)
        ticks = _ticks_at(x) if x.size <= 8 else None
        for plot in (self.plot, self.rest):
            plot.getAxis("bottom").setTicks([ticks] if ticks else None)

    def _fit_height(self, values, agreement):
        both = values if agreement is None or agreement.model is None else np.concatenate([values, agreement.model])
        low, high = float(both.min()), float(both.max())
        span = max(high - low, 0.02 * abs(high), 1e-6)
        self.plot.setYRange(low - 0.1 * span, high + 0.1 * span, padding=0.0)

    def _show_verdict(self, reading, agreement):
        sign, word = verdict_of(agreement)
        if agreement is not None and agreement.problem:
            word = agreement.problem
        elif agreement is not None:
            word = f"{reading.kind.metric_label}: {agreement.value:.3g} of {reading.tolerance:g} allowed, {word}"
        self.verdict.setText(f"{word} {sign}")
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
