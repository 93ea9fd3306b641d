"""What a solve found, laid out: parameters with their error bars, instruments' errors, readings, correlations."""

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QFont, QPainter, QPen
from PyQt6.QtWidgets import QGridLayout, QSizePolicy, QVBoxLayout, QWidget

from ..figures import figures, with_error
from ..surface import hex_colour
from ..surface.parameters import scalar_owner, spoken, titled
from ..words import tr, with_unit
from . import theme
from .heat_table import HeatTable
from .ledger import OUT, WITHIN, short_number
from .text import Label

_MOST_CORRELATED = 12
_BARS = 48


class Whisker(QWidget):
    """Start and found value on the parameter's usual range, with ± one and two standard errors."""

    def __init__(self, solved, is_sure=True, parent=None):
        super().__init__(parent)
        self._solved, self._colour = solved, "verdigris" if is_sure else "line"
        self.setMinimumWidth(36)
        self.setFixedHeight(16)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        s, y = self._solved, self.height() / 2.0
        reach = 4.0 * (s.sigma or 0.0)
        low = min(s.start, s.value - reach)
        high = max(s.start, s.value + reach)
        span = (high - low) or 1.0
        width = self.width() - 12.0

        def x_of(v):
            return 6.0 + width * (v - low) / span

        painter.setPen(QPen(theme.colour("line"), 1.0))
        painter.drawLine(QPointF(6.0, y), QPointF(6.0 + width, y))
        painter.setPen(QPen(theme.colour("quiet"), 1.4))
        x = x_of(s.start)
        painter.drawLine(QPointF(x, y - 5.0), QPointF(x, y + 5.0))
        if s.sigma:
            for times, thick in ((2.0, 1.4), (1.0, 3.2)):
                painter.setPen(QPen(theme.colour(self._colour), thick))
                painter.drawLine(
                    QPointF(x_of(s.value - times * s.sigma), y), QPointF(x_of(s.value + times * s.sigma), y)
                )
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour(self._colour))
        painter.drawEllipse(QPointF(x_of(s.value), y), 3.6, 3.6)


class Hill(QWidget):
    """The posterior of one scalar as a histogram, the middle 68 % filled; below it the error bar, to compare."""

    def __init__(self, values, solved, parent=None):
        super().__init__(parent)
        low, high = np.percentile(values, (0.5, 99.5))
        reach = 2.0 * (solved.sigma or 0.0)
        self._low, self._high = min(low, solved.value - reach), max(high, solved.value + reach)
        if not self._low < self._high:
            self._high = self._low + 1.0
        self._counts, self._edges = np.histogram(values, _BARS, (self._low, self._high))
        self._middle, self._solved = np.percentile(values, (16.0, 50.0, 84.0)), solved
        self.setMinimumWidth(60)
        self.setFixedHeight(34)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)

    def paintEvent(self, _event):
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        width, base = self.width() - 12.0, self.height() - 9.0

        def x_of(v):
            return 6.0 + width * (v - self._low) / (self._high - self._low)

        painter.setPen(Qt.PenStyle.NoPen)
        tall = max(int(self._counts.max()), 1)
        for count, a, b in zip(self._counts, self._edges[:-1], self._edges[1:], strict=True):
            within = self._middle[0] <= 0.5 * (a + b) <= self._middle[2]
            painter.setBrush(theme.colour("verdigris" if within else "line"))
            height = (base - 2.0) * count / tall
            painter.drawRect(QRectF(x_of(a), base - height, max(x_of(b) - x_of(a) - 0.6, 0.6), height))
        painter.setPen(QPen(theme.colour("text"), 1.4))
        x = x_of(self._middle[1])
        painter.drawLine(QPointF(x, 1.0), QPointF(x, base))
        y, s = base + 5.0, self._solved
        painter.setPen(QPen(theme.colour("quiet"), 2.0))
        if s.sigma:
            painter.drawLine(QPointF(x_of(s.value - s.sigma), y), QPointF(x_of(s.value + s.sigma), y))
        painter.setBrush(theme.colour("quiet"))
        painter.drawEllipse(QPointF(x_of(s.value), y), 1.6, 1.6)


def fill_posterior(column, solution, posterior):
    """Lay a sampled posterior out: what it is worth, and each scalar's interval and hill."""
    words = label(tr("{0}. Middle 68 %, with the error bar below:", posterior.sentence), "quiet", 8.5)
    words.setWordWrap(True)
    column.addWidget(words)
    grid = QGridLayout()
    grid.setHorizontalSpacing(7)
    grid.setVerticalSpacing(2)
    of = {s.name: s for s in solution.solved}
    for row, name in enumerate(posterior.names):
        _, low, middle, high, _ = posterior.interval(name)
        unit = scalar_owner(name)[0].unit
        grid.addWidget(_named(name), row, 0)
        a, b, c = (with_error(v, 0.5 * (high - low)) for v in (middle, low, high))
        words = tr("{0}  ({1} to {2}){3}", a, b, c, f" {unit}" if unit else "")
        grid.addWidget(label(words, right=True), row, 1)
        hill = Hill(posterior.samples[:, row], of[name])
        hill.setAccessibleName(tr("Posterior of {0}: {1}", spoken(name), words))
        grid.addWidget(hill, row, 2)
    grid.setColumnStretch(2, 1)
    column.addLayout(grid)


def clear(layout):
    """Take everything out of a layout."""
    while layout.count():
        item = layout.takeAt(0)
        if item.widget() is not None:
            item.widget().deleteLater()
        elif item.layout() is not None:
            clear(item.layout())


def label(text, name="", size=9.0, weight=QFont.Weight.Normal, right=False):
    label = Label(text)
    label.setObjectName(name)
    label.setFont(theme.font(size, weight))
    if right:
        label.setAlignment(Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter)
    return label


def _named(scalar):
    """A scalar in the first column: the gauge's label, and in the tooltip what files and commands call it."""
    made = label(titled(scalar), weight=QFont.Weight.Medium)
    made.setToolTip(scalar)
    return made


def first_words(solution):
    """(look, sentence) of what must be known before any number: a misfit, what would help, what was made a spectrum."""
    verdict = solution.verdict
    if not verdict.is_good:
        yield "brick", f"! {verdict.sentence}."
        if not verdict.fits:
            yield "quiet", tr("The error bars below say how far the values are tied, not how true they are.")
        for sentence in verdict.helps:
            yield "", tr("What would help: {0}.", sentence)
    for name in solution.spectral:
        shown = hex_colour(solution.surface.rgb(name))
        yield (
            "quiet",
            tr("{0} is solved by wavelength: red, green and blue could not follow. In sRGB {1}.", titled(name), shown),
        )


def parameters(solution):
    """What was found: each scalar, or a whole spectrum in one line; error bars greyed where the model does not fit."""
    grey = "" if solution.verdict.fits else "quiet"
    grid = QGridLayout()
    grid.setHorizontalSpacing(7)
    grid.setVerticalSpacing(2)
    spectra = {}
    row = 0
    for s in solution.solved:
        p, component = scalar_owner(s.name)
        if component is not None and component.isdigit():
            spectra.setdefault(p.name, []).append(s)
            continue
        grid.addWidget(_named(s.name), row, 0)
        grid.addWidget(label(figures(s.start, 4), "quiet", right=True), row, 1)
        grid.addWidget(label("→", "quiet"), row, 2)
        value = label(with_unit(with_error(s.value, s.sigma), p.unit), weight=QFont.Weight.Medium, right=True)
        grid.addWidget(value, row, 3)
        sure = (
            tr("at its bound")
            if s.at_bound
            else tr("not determined")
            if s.sigma is None
            else f"± {figures(s.sigma, 2)}"
        )
        grid.addWidget(label(sure, grey), row, 4)
        grid.addWidget(Whisker(s, not grey), row, 5)
        row += 1
    for name, parts in spectra.items():
        errors = [s.sigma for s in parts if s.sigma]
        grid.addWidget(label(tr("{0}, by wavelength", titled(name)), weight=QFont.Weight.Medium), row, 0)
        typical = tr("± {0} each", figures(np.median(errors), 2)) if errors else tr("not determined")
        grid.addWidget(label(tr("{0} values, {1}", len(parts), typical), grey), row, 1, 1, 5)
        row += 1
    grid.setColumnStretch(5, 1)
    return grid


def effects(solution):
    """What the instruments were found to be off by, in one line for each reading."""
    column = QVBoxLayout()
    column.setSpacing(1)
    column.addWidget(label(tr("Instrument errors, solved together with the surface:"), "quiet"))
    for name in dict.fromkeys(e.reading for e in solution.effects):
        ours = [e for e in solution.effects if e.reading == name]
        line = label(f"{name}: {', '.join(e.told for e in ours)}".replace("-", "−"), "quiet", 8.5)
        line.setWordWrap(True)
        stated = ", ".join(f"{e.told.split()[0]} ± {figures(e.stated)}" for e in ours)
        line.setToolTip(
            tr("Stated before: {0}. Each is an unknown with that as its prior, and widens the error bars", stated)
        )
        column.addWidget(line)
    return column


def readings(before, after):
    """The misfit of each reading, and each pin of a photograph, before and after, against its tolerance."""
    grid = QGridLayout()
    grid.setHorizontalSpacing(6)
    grid.setVerticalSpacing(2)
    for i, ((name, b, tolerance), (_, a, _)) in enumerate(zip(before, after, strict=True)):
        sign = WITHIN if a.within else OUT
        grid.addWidget(label(name), i, 0)
        grid.addWidget(label(short_number(b.value), "quiet", right=True), i, 1)
        grid.addWidget(label("→", "quiet"), i, 2)
        grid.addWidget(label(short_number(a.value), weight=QFont.Weight.Medium, right=True), i, 3)
        grid.addWidget(label(tr("of {0}", f"{tolerance:g}"), "quiet"), i, 4)
        grid.addWidget(label(sign, "" if a.within else "brick"), i, 5)
    return grid


def correlation(solution):
    """The correlations as a small table; None where there is nothing to correlate."""
    kept = [i for i, s in enumerate(solution.solved) if s.sigma and not s.name.rpartition(".")[2].isdigit()]
    if not 2 <= len(kept) <= _MOST_CORRELATED:
        return None
    names = [titled(solution.solved[i].name) for i in kept]
    c = solution.correlation
    cells = [
        [
            (float(c[i, j]), "" if i == j else _hundredths(c[i, j]),
             tr("{0} and {1}: correlation {2}", names[a], names[b], f'{c[i, j]:+.2f}'))
            if b <= a else None
            for b, j in enumerate(kept)
        ]
        for a, i in enumerate(kept)
    ]  # fmt: skip
    table = HeatTable(cell_width=26.0)
    table.setAccessibleName(tr("Correlations, in hundredths"))
    table.show_table(names, _heads(names), cells)
    return table


def _hundredths(correlation):
    rounded = round(100.0 * float(correlation))
    return f"{rounded:+d}".replace("-", "−") if rounded else "0"


def _heads(names):
    """Names over columns: of the components of one colour the first alone in full."""
    stems = [name.rpartition(", ")[0] for name in names]
    return [
        f"… {name.rpartition(', ')[2]}" if i and stem and stem == stems[i - 1] else name
        for i, (name, stem) in enumerate(zip(names, stems, strict=True))
    ]


def strongest(solution):
    """The pair that trades most against each other, in words."""
    c = np.nan_to_num(solution.correlation - np.eye(len(solution.solved)))
    if c.size < 4:
        return ""
    i, j = np.unravel_index(np.argmax(np.abs(c)), c.shape)
    names = [spoken(s.name) for s in solution.solved]
    return tr("Most correlated: {0} and {1}, {2}", names[i], names[j], f"{c[i, j]:+.2f}").replace("-", "−")
