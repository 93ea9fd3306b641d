"""The window on small screens: it shrinks to 960 × 540, and what does not fit can be scrolled to."""

import pytest
from PyQt6.QtCore import QPoint
from PyQt6.QtWidgets import QScrollArea

from photometra.desktop.scrolling import Sideways
from photometra.surface import STRATA

from .conftest import click


@pytest.mark.parametrize("size", [(1024, 700), (960, 540)])
def test_the_window_takes_a_small_size_and_every_sheet_with_it(window, qtbot, size):
    window.resize(*size)
    qtbot.wait(50)
    assert (window.width(), window.height()) == size
    for name in window.sheets:
        window.show_sheet(name)
        qtbot.wait(10)
        assert (window.width(), window.height()) == size, name
    window.show_sheet()


def test_a_control_beyond_the_edge_is_reached_by_scrolling(window, qtbot):
    window.resize(960, 540)
    qtbot.wait(50)
    row = next(a for a in window.sight.findChildren(Sideways) if a.widget() is window.sight.chain)
    marks = window.sight.chain.marks

    def inside():
        return 0 <= marks.mapTo(row, QPoint(0, 0)).x() <= row.width() - marks.width()

    assert not inside() and row.horizontalScrollBar().maximum() > 0
    row.horizontalScrollBar().setValue(row.horizontalScrollBar().maximum())
    assert inside()
    before = marks.isChecked()
    click(marks)
    assert marks.isChecked() != before
    click(marks)


@pytest.mark.long
def test_at_the_usual_size_no_card_and_no_gauge_is_cut_off_at_its_side(window, qtbot):
    """Both side panels scroll downwards only: what is wider than they are would be lost."""
    window.resize(1280, 800)
    window.arrangement.across.setSizes([0, 2000, 0])
    qtbot.wait(50)
    for i, card in enumerate(window.ledger.specimen_cards):
        click(card)
        for stratum in STRATA:
            window.session.choose_stratum(stratum)
            qtbot.wait(10)
            for panel in (window.ledger, window.strata):
                area = panel.findChild(QScrollArea)
                wide = area.widget().minimumSizeHint().width()
                assert wide <= area.viewport().width(), (i, stratum, type(panel).__name__)


def test_at_the_usual_size_no_page_needs_scrolling(window, qtbot):
    """Nothing is cut off at 1280 × 800; wrapped text asks for more than it needs, and must not get it."""
    pages = [(window.middle, sheet) for sheet in window.sheets.values()]
    pages += [(window.lower, window.lower.widget(i)) for i in range(window.lower.count())]
    window.resize(1280, 800)
    for stack, page in pages:
        window.show_sheet()
        stack.setCurrentWidget(page)
        qtbot.wait(30)
        place = page.parentWidget().parentWidget()
        bars = place.verticalScrollBar().maximum(), place.horizontalScrollBar().maximum()
        assert bars == (0, 0), type(page).__name__
    window.show_sheet()
    window.lower.setCurrentWidget(window.chart)
