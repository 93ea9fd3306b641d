"""No word is cut off: every label, button and box of every view shows its text, at 1280 × 800 and at 150 % on 1080p."""

import pytest
from PyQt6.QtCore import QRect
from PyQt6.QtWidgets import QAbstractButton, QComboBox, QLabel, QToolButton

from photometra.surface import STRATA

from .conftest import click

_MARGIN = 2
"""Pixels by which a letter may reach into the margin that its widget has."""


def cut_texts(top):
    """[(class, text, needed, has)] of what is seen of a widget and its children, and is wider than its place."""
    out = []
    for part in (top, *top.findChildren(QLabel), *top.findChildren(QAbstractButton), *top.findChildren(QComboBox)):
        text, has = _text_of(part), _room_of(part)
        if not text or not part.isVisible() or has <= 0 or part.visibleRegion().isEmpty():
            continue
        needed = max(part.fontMetrics().horizontalAdvance(line) for line in text.splitlines() or [text])
        if needed > has + _MARGIN and text not in part.toolTip():
            out.append((type(part).__name__, text, needed, has))
    return out


def _text_of(part):
    if isinstance(part, QLabel):
        return "" if part.wordWrap() or part.pixmap().width() else part.text()
    if isinstance(part, QComboBox):
        return part.currentText()
    if isinstance(part, QToolButton) and part.popupMode() == QToolButton.ToolButtonPopupMode.InstantPopup:
        return ""
    return part.text().replace("&", "") if isinstance(part, QAbstractButton) else ""


def _room_of(part):
    room: QRect = part.contentsRect()
    if isinstance(part, QComboBox):
        # The arrow's share.
        return room.width() - 18
    return room.width()


@pytest.mark.parametrize(("width", "height"), [pytest.param(1280, 800, marks=pytest.mark.long), (1280, 720)])
def test_every_sheet_shows_its_words(window, qtbot, width, height):
    window.resize(width, height)
    for i in (0, 5):
        window.session.choose(i)
        for name in window.sheets:
            window.show_sheet(name)
            qtbot.wait(60)
            assert cut_texts(window) == [], (name, i)
    window.show_sheet()
    for page in range(window.lower.count()):
        window.lower.setCurrentIndex(page)
        qtbot.wait(30)
        assert cut_texts(window) == [], type(window.lower.currentWidget()).__name__
    window.lower.setCurrentWidget(window.chart)


@pytest.mark.long
def test_every_stratum_of_every_specimen_shows_its_words(window, qtbot):
    window.resize(1280, 800)
    for card in window.ledger.specimen_cards:
        click(card)
        for stratum in STRATA:
            window.session.choose_stratum(stratum)
            qtbot.wait(15)
            assert cut_texts(window.strata) == [], (card.accessibleName(), stratum)


def test_every_dialog_shows_its_words(window, qtbot):
    window.open_hand_over()
    window.browse_constants()
    window.menus._edit_keys()
    qtbot.wait(200)
    for dialog in (window.hand_over, window.browser, window.menus.keys):
        assert dialog.isVisible() and cut_texts(dialog) == [], type(dialog).__name__
    window.menus.keys.accept()
