"""Who has which room in the window: the picture first, the chart when it is wanted, sheets while they are used.

Sizes are kept from run to run.
"""

from PyQt6.QtCore import QObject, Qt
from PyQt6.QtWidgets import QSplitter

from .picture_window import PictureWindow

_RESULT_HEIGHT = 310
"""What the result of a solve needs to be read without scrolling."""
_CHART_HEIGHT = 258
_LEDGER, _STRATA = 206, 330
"""Least widths of the side panels, and their first ones: narrower, their cards and gauges would be cut off."""


class Arrangement(QObject):
    """Of the main window: its two splitters, and what stands under the picture."""

    def __init__(self, window):
        super().__init__(window)
        self._window = window
        self._apart = self._before_result = None
        self.looking, self.across = QSplitter(Qt.Orientation.Vertical), QSplitter(Qt.Orientation.Horizontal)
        for part in (window.sight, window.lower):
            self.looking.addWidget(part)
        self.looking.setStretchFactor(0, 1)
        self.looking.setStretchFactor(1, 0)
        for splitter in (self.looking, self.across):
            splitter.setHandleWidth(4)
            splitter.setChildrenCollapsible(False)
        window.ledger.setMinimumWidth(_LEDGER)
        window.strata.setMinimumWidth(_STRATA)
        window.sight.setMinimumHeight(260)
        window.lower.setMinimumHeight(150)
        window.sight.foot.addWidget(window.chart.card, 1)
        window.chart.card.clicked.connect(lambda: self.show_chart(True))
        window.chart.folded.connect(lambda: self.show_chart(False))
        window.lower.currentChanged.connect(self._changed)

    def set_out(self):
        """Give all parts the sizes of the last run, or their first ones; once the menus are there."""
        w, settings = self._window, self._window.settings
        for part in (w.ledger, w.middle, w.strata):
            self.across.addWidget(part)
        self.across.setStretchFactor(1, 1)
        if settings.contains("layout/window"):
            w.restoreGeometry(settings.value("layout/window"))
        ledger, strata, below = (
            settings.value(f"layout/{name}", size, int)
            for name, size in (("ledger", _LEDGER), ("strata", _STRATA), ("below", _CHART_HEIGHT))
        )
        self.across.setSizes([ledger, w.width() - ledger - strata, strata])
        self.looking.setSizes([w.height() - below, below])
        w.menus.chart.setChecked(settings.value("layout/chart", False, bool))
        self._settle()

    def keep(self):
        """Remember the sizes for the next run."""
        w = self._window
        if w.menus.alone.isChecked():
            return
        kept = {"window": w.saveGeometry(), "ledger": w.ledger.width(), "strata": w.strata.width()}
        if w.lower.isVisible():
            kept["below"] = (self._before_result or self.looking.sizes())[1]
        for name, value in kept.items():
            w.settings.setValue(f"layout/{name}", value)
        w.settings.setValue("layout/chart", w.menus.chart.isChecked())

    def _changed(self):
        """Something else stands under the picture: what was asked for is seen, also where the picture stood alone."""
        w = self._window
        if w.lower.currentWidget() is not w.chart:
            w.menus.alone.setChecked(False)
        if self._before_result and w.lower.currentWidget() not in (w.solve_sheet, w.map_sheet, w.parts_sheet):
            # The room that the result of a solve took is the picture's again.
            self.looking.setSizes(self._before_result)
            self._before_result = None
        self._settle()

    def _settle(self):
        w = self._window
        is_chart = w.lower.currentWidget() is w.chart
        w.lower.setVisible(not w.menus.alone.isChecked() and (not is_chart or w.menus.chart.isChecked()))
        w.chart.card.setVisible(is_chart and not w.menus.chart.isChecked())

    def show_alone(self, on):
        """Give the picture all of the window, or its neighbours their places again."""
        for part in (self._window.ledger, self._window.strata, self._window.route):
            part.setVisible(not on)
        self._settle()

    def show_chart(self, on):
        """Let the chart stand under the picture, or fold it to its card."""
        self._window.menus.chart.setChecked(on)
        self._settle()

    def take_room(self):
        """Give the lower part of the middle what a result or a map needs, for as long as it is seen."""
        sizes = self.looking.sizes()
        if sizes[1] < _RESULT_HEIGHT:
            self._before_result = sizes if sizes[1] else [sum(sizes) - _CHART_HEIGHT, _CHART_HEIGHT]
            self.looking.setSizes([sum(sizes) - _RESULT_HEIGHT, _RESULT_HEIGHT])

    def show_apart(self, on):
        """Put the picture in a window of its own, as for a second screen, or back into this one."""
        if on:
            self._apart = PictureWindow(self._window.sight, self._window)
            self._apart.left.connect(self._take_picture_back)
            self._apart.show()
        else:
            self.close_apart()

    def close_apart(self):
        if self._apart is not None:
            self._apart.close()

    def _take_picture_back(self):
        self._apart = None
        self.looking.insertWidget(0, self._window.sight)
        self._window.menus.apart.setChecked(False)
