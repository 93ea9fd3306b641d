"""The browser of optical constants: search, look, rank by the specimen's reading, take one with a click."""

import numpy as np
import pyqtgraph as pg
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QColor, QFont, QIcon, QPainter, QPixmap
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QDialog,
    QHBoxLayout,
    QHeaderView,
    QLineEdit,
    QProgressBar,
    QPushButton,
    QTableWidget,
    QTableWidgetItem,
    QVBoxLayout,
    QWidget,
)

from ..colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_linear_srgb
from ..fitting import closest_tables, reflectance_reading
from ..optics import fresnel_conductor
from ..surface import hex_colour, table, table_names
from ..surface.constants import choosing
from ..words import tr
from . import theme
from .chart import style_plot
from .session import Session
from .text import Label
from .workers import LongJob

_NAME, _MATTER, _FACE, _DELTA, _MISFIT = range(5)
_ARROW = 14
"""Pixels beside a heading for the arrow of its order."""
_KEY = Qt.ItemDataRole.UserRole


class _Number(QTableWidgetItem):
    """A cell that sorts by its number; cells without one go to the end."""

    def __init__(self, value=None, digits=2):
        super().__init__("" if value is None else f"{value:.{digits}f}")
        self._value = float("inf") if value is None else value
        self.setTextAlignment(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)

    def __lt__(self, other):
        return self._value < other._value


def facing(key):
    """(reflectance facing us on WAVELENGTHS, linear sRGB, luminous reflectance) of a built-in table."""
    n, k = table(key).on_grid()
    spectrum = fresnel_conductor(1.0, np.maximum(n, 1e-6), k)
    xyz = reflectance_to_xyz(WAVELENGTHS, spectrum)
    return spectrum, xyz_to_linear_srgb(xyz), float(xyz[1])


def _swatch_icon(linear):
    pixmap = QPixmap(26, 16)
    pixmap.fill(QColor(hex_colour(linear)))
    painter = QPainter(pixmap)
    painter.setPen(theme.colour("line"))
    painter.drawRect(0, 0, 25, 15)
    painter.end()
    icon = QIcon(pixmap)
    # A chosen row must not tint its swatch.
    icon.addPixmap(pixmap, QIcon.Mode.Selected)
    return icon


class ConstantsBrowser(QDialog):
    """Chooses a table for the session's specimen, its body or its film. `taken` says which one was applied."""

    taken = pyqtSignal(str)

    def __init__(self, session: Session, parent=None, target="constants"):
        super().__init__(parent)
        self.session, self.target = session, target
        self.setWindowTitle(tr("Optical constants") if target == "constants" else tr("Constants of the film"))
        self.resize(1080, 660)
        self.job = LongJob(self)
        self.job.progressed.connect(lambda at: self.progress.setValue(round(100 * at[0] / at[1])))
        self.job.finished.connect(self._ranked)
        self.job.failed.connect(session.said)
        self._reading, self._looked_at = None, ""
        self.search = QLineEdit()
        self.search.setPlaceholderText(tr("Search by name, material class or author"))
        self.search.setClearButtonEnabled(True)
        self.search.textChanged.connect(self._filter)
        self.rank_button = QPushButton(tr("Closest to my reading"))
        self.rank_button.clicked.connect(self.rank)
        self.progress = QProgressBar()
        self.progress.setTextVisible(False)
        self.progress.setVisible(False)
        self.list = self._make_list()
        self.use_button = QPushButton(tr("Use"))
        self.use_button.setObjectName("primary")
        self.use_button.clicked.connect(self.use)
        close = QPushButton(tr("Close"))
        close.clicked.connect(self.reject)
        top = QHBoxLayout()
        top.addWidget(self.search, 1)
        top.addWidget(self.rank_button)
        left = QVBoxLayout()
        left.addLayout(top)
        left.addWidget(self.progress)
        left.addWidget(self.list, 1)
        foot = QHBoxLayout()
        foot.addStretch(1)
        foot.addWidget(close)
        foot.addWidget(self.use_button)
        right = QVBoxLayout()
        right.addLayout(self._make_details(), 1)
        right.addLayout(foot)
        whole = QHBoxLayout(self)
        whole.setContentsMargins(14, 12, 14, 12)
        whole.setSpacing(14)
        whole.addLayout(left, 6)
        whole.addLayout(right, 5)
        self.refresh()
        if target == "constants" and session.specimen is not None and not session.specimen.surface[target]:
            # Nothing chosen yet: what comes closest is what is looked for.
            self.rank()

    def _make_list(self):
        names = table_names()
        made = QTableWidget(len(names), 5)
        made.setHorizontalHeaderLabels([tr("Table"), tr("Material"), "F0 %", tr("ΔE2000"), tr("RMS %")])
        made.verticalHeader().setVisible(False)
        made.verticalHeader().setDefaultSectionSize(24)
        made.setShowGrid(False)
        made.setIconSize(QPixmap(26, 16).size())
        made.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        made.setSelectionMode(QAbstractItemView.SelectionMode.SingleSelection)
        made.setEditTriggers(QAbstractItemView.EditTrigger.NoEditTriggers)
        made.setTabKeyNavigation(False)
        made.setAccessibleName(tr("Tables"))
        header = made.horizontalHeader()
        header.setSectionResizeMode(QHeaderView.ResizeMode.Fixed)
        header.setSectionResizeMode(_NAME, QHeaderView.ResizeMode.Stretch)
        for row, key in enumerate(names):
            t = table(key)
            _, colour, level = facing(key)
            item = QTableWidgetItem(_swatch_icon(colour), t.name)
            item.setData(_KEY, key)
            item.setToolTip(t.source)
            made.setItem(row, _NAME, item)
            made.setItem(row, _MATTER, QTableWidgetItem(t.matter))
            made.setItem(row, _FACE, _Number(100.0 * level, 1))
            made.setItem(row, _DELTA, _Number())
            made.setItem(row, _MISFIT, _Number())
        made.setColumnHidden(_DELTA, True)
        made.setColumnHidden(_MISFIT, True)
        made.setSortingEnabled(True)
        made.sortByColumn(_NAME, Qt.SortOrder.AscendingOrder)
        made.resizeColumnsToContents()
        made.currentItemChanged.connect(lambda *_: self._show_details())
        made.itemDoubleClicked.connect(lambda *_: self.use())
        return made

    def _make_details(self):
        column = QVBoxLayout()
        self.title = Label()
        self.title.setFont(theme.font(13.0, QFont.Weight.DemiBold))
        self.swatch = QWidget()
        self.swatch.setFixedHeight(54)
        self.swatch.setAutoFillBackground(True)
        self.constants_plot = self._plot("n, k")
        self.reflectance_plot = self._plot(tr("reflectance at normal incidence, %"))
        self.source = Label()
        self.source.setWordWrap(True)
        self.source.setObjectName("quiet")
        self.note = Label()
        self.note.setWordWrap(True)
        column.addWidget(self.title)
        column.addWidget(self.swatch)
        column.addWidget(self.constants_plot, 1)
        column.addWidget(self.reflectance_plot, 1)
        column.addWidget(self.note)
        column.addWidget(self.source)
        return column

    def _plot(self, label):
        plot = pg.PlotWidget()
        style_plot(plot.getPlotItem(), plot)
        plot.setXRange(380.0, 780.0, padding=0.02)
        plot.setTitle(label, color=theme.current().quiet, size="9pt")
        return plot

    # What is shown.

    def refresh(self):
        """Take up the session's present specimen."""
        specimen = self.session.specimen
        self._reading = reflectance_reading(specimen.readings) if specimen else None
        self.rank_button.setEnabled(self._reading is not None)
        self.rank_button.setToolTip(
            tr("Rank all tables by colour difference and spectral misfit to '{0}'", self._reading.name)
            if self._reading
            else tr("The specimen has no active reflectance reading to rank by")
        )
        self.use_button.setText(tr("Use for the {0}", specimen.name) if specimen else tr("Use"))
        chosen = specimen.surface[self.target] if specimen else ""
        self._select(chosen or self.key_of_row(0))

    def key_of_row(self, row):
        return self.list.item(row, _NAME).data(_KEY)

    @property
    def key(self):
        """The table looked at."""
        row = self.list.currentRow()
        return self.key_of_row(row) if row >= 0 else ""

    def _select(self, key):
        for row in range(self.list.rowCount()):
            if self.key_of_row(row) == key:
                self.list.setCurrentCell(row, _NAME)
                self.list.scrollToItem(self.list.item(row, _NAME))
                return
        self.list.setCurrentCell(0, _NAME)

    def _filter(self, text):
        words = text.casefold().split()
        for row in range(self.list.rowCount()):
            t = table(self.key_of_row(row))
            about = f"{t.name} {t.matter} {t.source} {t.key}".casefold()
            self.list.setRowHidden(row, not all(w in about for w in words))
        if self.list.currentRow() < 0 or self.list.isRowHidden(self.list.currentRow()):
            for row in range(self.list.rowCount()):
                if not self.list.isRowHidden(row):
                    self.list.setCurrentCell(row, _NAME)
                    break

    def _show_details(self):
        if not self.key:
            return
        t = table(self.key)
        spectrum, colour, level = facing(self.key)
        self.title.setText(t.name)
        palette = self.swatch.palette()
        palette.setColor(self.swatch.backgroundRole(), QColor(hex_colour(colour)))
        self.swatch.setPalette(palette)
        self.swatch.setToolTip(
            tr(
                "At normal incidence under D65: {0}, {1} % luminous reflectance",
                hex_colour(colour),
                f"{100 * level:.1f}",
            )
        )
        verdigris, straw = theme.colour("verdigris"), theme.colour("straw")
        within = (t.wavelength_nm >= 370.0) & (t.wavelength_nm <= 790.0)
        self.constants_plot.clear()
        for values, name, style in ((t.n, "n", Qt.PenStyle.SolidLine), (t.k, "k", Qt.PenStyle.DashLine)):
            pen = pg.mkPen(verdigris, width=2.0, style=style)
            self.constants_plot.plot(t.wavelength_nm[within], values[within], pen=pen)
            label = pg.TextItem(name, color=theme.colour("text"), anchor=(1.2, 1.0 if name == "k" else 0.9))
            label.setFont(theme.font(10.0))
            label.setPos(float(t.wavelength_nm[within][-1]), float(values[within][-1]))
            self.constants_plot.addItem(label)
        # Room above for the letter of the higher curve.
        highest = max(float(t.n[within].max()), float(t.k[within].max()))
        self.constants_plot.setYRange(0.0, 1.15 * highest, padding=0.02)
        self.reflectance_plot.clear()
        beside = tr(", and {0} of the specimen", self._reading.name) if self._reading is not None else ""
        self.reflectance_plot.setTitle(tr("reflectance at normal incidence, %{0}", beside))
        self.reflectance_plot.plot(WAVELENGTHS, 100.0 * spectrum, pen=pg.mkPen(verdigris, width=2.0))
        shown = [100.0 * spectrum]
        if self._reading is not None:
            values = 100.0 * self._reading.columns["reflectance"]
            self.reflectance_plot.plot(
                self._reading.x, values, pen=None, symbol="o", symbolSize=4.5, symbolPen=None, symbolBrush=straw,
            )  # fmt: skip
            shown.append(values)
        both = np.concatenate(shown)
        margin = 0.12 * max(float(np.ptp(both)), 2.0)
        self.reflectance_plot.setYRange(float(both.min()) - margin, float(both.max()) + margin, padding=0.0)
        low, high = t.range_nm
        held = "" if t.covers else tr("; its end values are held beyond")
        self.note.setText(
            tr(
                "{0}   ·   {1} % at normal incidence   ·   {2}–{3} nm{4}",
                hex_colour(colour),
                f"{100 * level:.1f}",
                f"{low:g}",
                f"{high:g}",
                held,
            )
        )
        self.source.setText(t.source)

    # What the person does.

    def rank(self):
        """Rank every table by the reading, in a worker."""
        specimen, reading = self.session.specimen, self._reading
        if specimen is None or reading is None:
            return
        self._looked_at = self.key
        self.progress.setVisible(True)
        self.rank_button.setEnabled(False)
        self.job.start(
            lambda report, cancel: closest_tables(specimen.surface, reading, lambda i, n: report((i, n)), cancel)
        )

    def _ranked(self, found):
        self.progress.setVisible(False)
        self.rank_button.setEnabled(True)
        if found is None:
            return
        by_key = {c.key: c for c in found}
        self.list.setSortingEnabled(False)
        for row in range(self.list.rowCount()):
            c = by_key.get(self.key_of_row(row))
            self.list.setItem(row, _DELTA, _Number(c.delta_e if c else None))
            self.list.setItem(row, _MISFIT, _Number(100.0 * c.rms if c else None))
        self.list.setColumnHidden(_DELTA, False)
        self.list.setColumnHidden(_MISFIT, False)
        self.list.resizeColumnsToContents()
        self.list.setColumnWidth(_DELTA, self.list.columnWidth(_DELTA) + _ARROW)
        self.list.setSortingEnabled(True)
        self.list.sortByColumn(_DELTA, Qt.SortOrder.AscendingOrder)
        # What a person has chosen meanwhile stays chosen.
        self._select(found[0].key if self.key == self._looked_at else self.key)
        self.list.scrollToTop()

    def use(self):
        """Apply the table looked at to the specimen, as one undoable step."""
        if self.session.specimen is None or not self.key:
            return
        changes = choosing(self.key) if self.target == "constants" else {self.target: self.key}
        self.session.set_values(changes, tr("constants of {0}", table(self.key).name))
        self.taken.emit(self.key)
        self.accept()

    def done(self, result):
        self.job.end()
        super().done(result)
