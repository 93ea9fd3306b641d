"""The ledger: the specimens of the study, and a card for each reading of the chosen one."""

from functools import partial
from html import escape

import numpy as np
from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QAction, QFont, QFontMetricsF, QPainter, QPen, QPolygonF
from PyQt6.QtWidgets import (
    QFrame,
    QHBoxLayout,
    QMenu,
    QScrollArea,
    QSizePolicy,
    QToolButton,
    QVBoxLayout,
    QWidget,
)

from ..figures import figures
from ..words import tr
from . import theme
from .session import Session
from .text import Label, tip_of

WITHIN, OUT, UNKNOWN = "✓", "✗", "…"


def drawn(reading, values):
    """Values as they are drawn: logarithms of kinds that span decades."""
    if not reading.kind.is_log:
        return values
    # What is below its own uncertainty is nothing: it stands at the foot of the chart.
    foot = 0.5 * min(float(s.min()) for s in reading.sigma.values())
    with np.errstate(invalid="ignore", divide="ignore"):
        return np.log10(np.maximum(values, max(foot, 1e-12)))


def short_number(value):
    """A misfit in three figures, without a power of ten."""
    return figures(value) if value < 1000.0 else f"{value:.0f}"


def verdict_of(agreement):
    """(sign, word) of one agreement or None."""
    if agreement is None:
        return UNKNOWN, tr("being measured")
    if agreement.problem:
        return OUT, tr("cannot be read")
    return (WITHIN, tr("within")) if agreement.within else (OUT, tr("out"))


class Card(QWidget):
    """Something that can be chosen: by click, or by keyboard with Space or Enter."""

    chosen = pyqtSignal()
    menu_wanted = pyqtSignal(object)

    def __init__(self, height, parent=None):
        super().__init__(parent)
        self.is_chosen = False
        self.setFixedHeight(height)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def sizeHint(self):
        return QSize(220, self.height())

    def mark_chosen(self, on):
        self.is_chosen = on
        self.update()

    def mousePressEvent(self, event):
        if event.button() == Qt.MouseButton.LeftButton:
            self.chosen.emit()

    def contextMenuEvent(self, event):
        self.menu_wanted.emit(event.globalPos())

    def keyPressEvent(self, event):
        if event.key() in (Qt.Key.Key_Space, Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.chosen.emit()
        elif event.key() == Qt.Key.Key_Down:
            self.focusNextChild()
        elif event.key() == Qt.Key.Key_Up:
            self.focusPreviousChild()
        else:
            super().keyPressEvent(event)

    def _ground(self, painter):
        box = QRectF(0.5, 0.5, self.width() - 1.0, self.height() - 1.0)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setPen(QPen(theme.colour("verdigris" if self.hasFocus() else "faint"), 1.0))
        painter.setBrush(theme.colour("raised") if self.is_chosen else theme.colour("panel"))
        painter.drawRoundedRect(box, 4.0, 4.0)
        if self.is_chosen:
            painter.setPen(Qt.PenStyle.NoPen)
            painter.setBrush(theme.colour("verdigris"))
            painter.drawRoundedRect(QRectF(0.0, 5.0, 3.5, self.height() - 10.0), 1.5, 1.5)


class SpecimenCard(Card):
    """A specimen's name, size, and how many of its readings agree."""

    def __init__(self, parent=None):
        super().__init__(40, parent)

    def mark_chosen(self, on):
        self.setFixedHeight(40 if on else 28)
        super().mark_chosen(on)

    def show_specimen(self, specimen, agreements):
        self._specimen, self._agreements = specimen, agreements
        self.update()
        self.setToolTip(tip_of(specimen.notes or specimen.name))
        self.setAccessibleName(specimen.name)

    def paintEvent(self, _event):
        painter = QPainter(self)
        self._ground(painter)
        painter.setFont(theme.font(9.5, QFont.Weight.Medium))
        painter.setPen(theme.colour("text"))
        metrics = QFontMetricsF(painter.font())
        room = self.width() - (20.0 if self.is_chosen else 62.0)
        name = metrics.elidedText(self._specimen.name, Qt.TextElideMode.ElideRight, room)
        painter.drawText(QPointF(11.0, 17.0 if self.is_chosen else 18.5), name)
        painter.setFont(theme.font(8.5))
        good = sum(a.within for a in self._agreements)
        total = len(self._specimen.readings)
        matter = tr("metal") if self._specimen.surface["metalness"] >= 0.5 else tr("dielectric")
        if self._specimen.surface["transmission"] > 0.5 and matter == "dielectric":
            matter = tr("clear")
        if self.is_chosen:
            painter.setPen(theme.colour("quiet"))
            painter.drawText(QPointF(11.0, 32.0), f"{matter}, {self._specimen.size_mm:g} mm")
        if total:
            counted = len(self._agreements) == total
            words = tr("{0} of {1} ", good, total) if self.is_chosen else f"{good}/{total} "
            text = words + (WITHIN if good == total else OUT) if counted else UNKNOWN
            painter.setPen(theme.colour("quiet" if not counted or good == total else "brick"))
            painter.drawText(
                QRectF(0.0, 20.0 if self.is_chosen else 5.5, self.width() - 9.0, 17.0),
                Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter,
                text,
            )


class ReadingCard(Card):
    """A reading: its name, a small plot of evidence and model, the misfit against its tolerance, the verdict."""

    def __init__(self, parent=None):
        super().__init__(74, parent)

    def show_reading(self, reading, agreement):
        self._reading, self._agreement = reading, agreement
        self.update()
        metric = reading.kind.metric_label
        self.setToolTip(
            tr(
                "<b>{0}</b><br>{1}<br>Judged by the {2}; tolerance {3}",
                escape(reading.name),
                escape(reading.source),
                metric,
                f"{reading.tolerance:g}",
            )
        )
        self.setAccessibleName(f"{reading.name}: {verdict_of(agreement)[1]}")

    def paintEvent(self, _event):
        painter = QPainter(self)
        self._ground(painter)
        active = self._reading.active
        sign, word = verdict_of(self._agreement)
        bad = sign == OUT
        verdict = theme.font(8.5, QFont.Weight.Medium if bad else QFont.Weight.Normal)
        text = f"{word} {sign}" if active else tr("not counted")
        painter.setFont(theme.font(9.0, QFont.Weight.Medium))
        painter.setPen(theme.colour("text" if active else "quiet"))
        room = self.width() - 26.0 - QFontMetricsF(verdict).horizontalAdvance(text)
        name = QFontMetricsF(painter.font()).elidedText(self._reading.name, Qt.TextElideMode.ElideRight, room)
        painter.drawText(QPointF(11.0, 17.0), name)
        painter.setFont(verdict)
        painter.setPen(theme.colour("brick" if bad and active else "quiet"))
        right = QRectF(0.0, 4.0, self.width() - 9.0, 17.0)
        painter.drawText(right, Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter, text)
        self._paint_spark(painter, QRectF(11.0, 26.0, self.width() - 104.0, 40.0))
        if self._agreement is not None and not self._agreement.problem:
            self._paint_misfit(painter, QRectF(self.width() - 86.0, 26.0, 77.0, 40.0))

    def _paint_misfit(self, painter, area):
        """The misfit in tolerances: a bar with the tolerance as a line across."""
        value, tolerance = self._agreement.value, self._reading.tolerance
        symbol = self._reading.kind.symbol
        painter.setPen(theme.colour("text"))
        painter.setFont(theme.font(9.5, QFont.Weight.Medium))
        digits = 2 if value < 10 else 1
        shown = f"{value:.{digits}f}" if value >= 0.01 else figures(value, 1)
        painter.drawText(
            area.adjusted(0, 0, 0, -18),
            Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter,
            f"{symbol} {shown}",
        )
        bar = QRectF(area.left(), area.bottom() - 8.0, area.width(), 5.0)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("faint"))
        painter.drawRect(bar)
        # The bar's middle is the tolerance; beyond twice of it the bar is full.
        painter.setBrush(theme.colour("quiet" if self._agreement.within else "brick"))
        painter.drawRect(QRectF(bar.left(), bar.top(), bar.width() * min(1.0, 0.5 * value / tolerance), bar.height()))
        painter.setPen(QPen(theme.colour("text"), 1.2))
        x = bar.center().x()
        painter.drawLine(QPointF(x, bar.top() - 3.0), QPointF(x, bar.bottom() + 3.0))

    def _paint_spark(self, painter, area):
        reading = self._reading
        x = reading.x
        values = drawn(reading, reading.stacked()[0])
        # Until the newest agreement is there, the card may still have that of the reading before an edit.
        fits = self._agreement is not None and self._agreement.reading.rows == reading.rows
        model = self._agreement.model if fits else None
        model = None if model is None else drawn(reading, model)
        both = values if model is None else np.concatenate([values, model])
        low, high = float(np.nanmin(both)), float(np.nanmax(both))
        span, left = high - low or 1.0, float(x.min())
        wide = float(x.max()) - left or 1.0

        def place(a, b):
            return QPointF(
                area.left() + area.width() * (a - left) / wide,
                area.bottom() - area.height() * (b - low) / span,
            )

        if model is not None:
            painter.setPen(QPen(theme.colour("verdigris"), 1.4))
            for row in model:
                for _, rows in reading.series():
                    painter.drawPolyline(QPolygonF([place(x[k], row[k]) for k in rows]))
        painter.setPen(QPen(theme.colour("straw"), 3.0, cap=Qt.PenCapStyle.RoundCap))
        seen = np.isfinite(values) & ~reading.masked
        for row, known in zip(values, seen, strict=True):
            marks = [k for k in range(0, len(x), max(1, len(x) // 20)) if known[k]]
            painter.drawPoints(QPolygonF([place(x[k], row[k]) for k in marks]))


class PhotographCard(Card):
    """The specimen's photograph: how far the picture is from it at the pins that count."""

    def __init__(self, parent=None):
        super().__init__(40, parent)
        self._pins = []
        self.setToolTip(tr("The photograph of the specimen; tick pins (Ctrl+Shift+M), and a solve counts them"))

    def show_pins(self, pins):
        """pins: a `PinAgreement` of each that counts."""
        self._pins = pins
        self.setAccessibleName(tr("Photograph: {0}", self._words()))
        self.update()

    def _words(self):
        if not self._pins:
            return tr("not counted")
        worst = max(self._pins, key=lambda p: p.value / p.tolerance)
        good = sum(p.within for p in self._pins)
        return tr("{0} of {1} pins within, {2}: {3}", good, len(self._pins), worst.name, worst.told)

    def paintEvent(self, _event):
        painter = QPainter(self)
        self._ground(painter)
        painter.setFont(theme.font(9.0, QFont.Weight.Medium))
        painter.setPen(theme.colour("text" if self._pins else "quiet"))
        painter.drawText(QPointF(11.0, 17.0), tr("Photograph"))
        bad = not all(p.within for p in self._pins)
        painter.setFont(theme.font(8.5, QFont.Weight.Medium if bad else QFont.Weight.Normal))
        painter.setPen(theme.colour("brick" if bad else "quiet"))
        if self._pins:
            sign = tr("out {0}", OUT) if bad else tr("within {0}", WITHIN)
            painter.drawText(QRectF(0.0, 4.0, self.width() - 9.0, 17.0), Qt.AlignmentFlag.AlignRight, sign)
        painter.setPen(theme.colour("quiet"))
        words = QFontMetricsF(painter.font()).elidedText(
            self._words(), Qt.TextElideMode.ElideRight, self.width() - 20.0
        )  # fmt: skip
        painter.drawText(QPointF(11.0, 32.0), words)


class Ledger(QWidget):
    """The left-hand panel."""

    photograph_wanted = pyqtSignal()

    import_wanted = pyqtSignal()
    add_wanted = pyqtSignal()
    reading_wanted = pyqtSignal()
    edit_wanted = pyqtSignal()
    more_wanted = pyqtSignal(object)
    """The ways to come by a reading are wanted, at a place of the screen."""

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.specimen_cards, self.reading_cards = [], []
        self._specimens, self._readings = QVBoxLayout(), QVBoxLayout()
        for column in (self._specimens, self._readings):
            column.setSpacing(5)
        holder = QWidget()
        inner = QVBoxLayout(holder)
        inner.setContentsMargins(8, 8, 4, 8)
        inner.setSpacing(6)
        inner.addLayout(self._head(tr("Specimens"), tr("Add…"), tr("Add a specimen (Ctrl+Shift+N)"), self.add_wanted))
        inner.addLayout(self._specimens)
        inner.addSpacing(8)
        readings = self._head(
            tr("Readings"),
            tr("Import…"),
            tr("Import a reading from a file (Ctrl+I), or drop the file here"),
            self.import_wanted,
        )
        self.more_button = QToolButton()
        self.more_button.setText("…")
        self.more_button.setToolTip(tr("More ways to come by evidence: paste, type a colour, take from the shelf"))
        self.more_button.setAccessibleName(tr("More ways to come by evidence"))
        self.more_button.clicked.connect(
            lambda: self.more_wanted.emit(self.more_button.mapToGlobal(self.more_button.rect().bottomLeft()))
        )
        readings.addWidget(self.more_button)
        inner.addLayout(readings)
        inner.addLayout(self._readings)
        self.photograph_card = PhotographCard()
        self.photograph_card.chosen.connect(self.photograph_wanted)
        inner.addWidget(self.photograph_card)
        self._empty = Label(tr("No reading yet. Import one, or drop a file on the window."))
        self._empty.setObjectName("quiet")
        self._empty.setWordWrap(True)
        inner.addWidget(self._empty)
        inner.addStretch(1)
        scroll = QScrollArea()
        scroll.setWidgetResizable(True)
        scroll.setFrameShape(QFrame.Shape.NoFrame)
        scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        scroll.setWidget(holder)
        whole = QVBoxLayout(self)
        whole.setContentsMargins(0, 0, 0, 0)
        whole.addWidget(scroll)
        session.chosen_changed.connect(self.refresh)
        session.document_changed.connect(self.refresh)
        session.agreements_changed.connect(self.refresh)
        session.reading_chosen.connect(self._mark)
        self._state = None
        self.refresh()

    def _head(self, title, action, tip, signal):
        row = QHBoxLayout()
        row.setSpacing(4)
        label = Label(title)
        label.setObjectName("heading")
        button = QToolButton()
        button.setText(action)
        button.setToolTip(tip)
        button.clicked.connect(signal)
        row.addWidget(label, 1)
        row.addWidget(button)
        return row

    def refresh(self):
        specimens, chosen = self.session.study.specimens, self.session.specimen
        found = {s.name: self.session.agreements_of(s) for s in specimens}
        state = (specimens, self.session.index, {n: tuple(map(id, a)) for n, a in found.items()})
        if state == self._state:
            return
        self._state = state
        self._match(self.specimen_cards, self._specimens, len(specimens), SpecimenCard, self.session.choose)
        for card, specimen in zip(self.specimen_cards, specimens, strict=True):
            card.show_specimen(specimen, found[specimen.name])
        readings = chosen.readings if chosen else ()
        matching = {a.reading.name: a for a in (found[chosen.name] if chosen else ())}
        self._match(self.reading_cards, self._readings, len(readings), ReadingCard, self._take_reading)
        for card, reading in zip(self.reading_cards, readings, strict=True):
            card.show_reading(reading, matching.get(reading.name))
        self._empty.setVisible(not readings)
        self.photograph_card.setVisible(chosen is not None and chosen.reference is not None)
        self._mark()

    def _match(self, cards, layout, count, make, choose):
        """Have as many cards as there are things to show, keeping those that are there."""
        while len(cards) > count:
            card = cards.pop()
            layout.removeWidget(card)
            card.deleteLater()
        while len(cards) < count:
            card, i = make(), len(cards)
            card.chosen.connect(partial(choose, i))
            if make is ReadingCard:
                card.menu_wanted.connect(partial(self._menu, i))
            cards.append(card)
            layout.addWidget(card)

    def _take_reading(self, i):
        self.session.choose_reading(i)
        self.reading_wanted.emit()

    def _mark(self):
        for i, card in enumerate(self.specimen_cards):
            card.mark_chosen(i == self.session.index)
        for i, card in enumerate(self.reading_cards):
            card.mark_chosen(i == self.session.reading_index)

    def _menu(self, i, at):
        specimen = self.session.specimen
        reading = specimen.readings[i]
        menu = QMenu(self)
        count = QAction(tr("Include again") if not reading.active else tr("Exclude"), menu)
        count.triggered.connect(
            lambda: self.session.change_specimen(
                specimen.with_reading_at(i, reading.with_changes(active=not reading.active)),
                tr("count a reading") if not reading.active else tr("leave a reading out"),
            )
        )
        edit = QAction(tr("Edit…"), menu)
        edit.triggered.connect(lambda: (self.session.choose_reading(i), self.edit_wanted.emit()))
        remove = QAction(tr("Remove the reading"), menu)
        remove.triggered.connect(
            lambda: self.session.change_specimen(specimen.without_reading(i), tr("remove a reading"))
        )
        menu.addActions([edit, count, remove])
        menu.exec(at)
