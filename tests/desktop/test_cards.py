"""Cards and their menus, the sheet of a finished solve, and the chart's words, in the real window."""

import numpy as np
from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QLabel, QMenu

from photometra.desktop.ledger import OUT, UNKNOWN, WITHIN, verdict_of
from photometra.desktop.solve_report import Whisker
from photometra.fitting import agreements
from photometra.surface.parameters import titled

from .conftest import PATIENCE_MS, click


def choose_in_menu(index):
    """When a menu opens, take its entry `index` by keyboard."""

    def look():
        menu = QApplication.activePopupWidget()
        if not isinstance(menu, QMenu):
            QTimer.singleShot(20, look)
            return
        for _ in range(index + 1):
            QTest.keyClick(menu, Qt.Key.Key_Down)
        QTest.keyClick(menu, Qt.Key.Key_Return)

    QTimer.singleShot(20, look)


def test_a_readings_menu_leaves_it_out_and_removes_it(window):
    card = window.ledger.reading_cards[3]
    choose_in_menu(1)
    window.ledger._menu(3, card.mapToGlobal(card.rect().center()))
    assert not window.session.specimen.readings[3].active
    choose_in_menu(1)
    window.ledger._menu(3, card.mapToGlobal(card.rect().center()))
    assert window.session.specimen.readings[3].active
    choose_in_menu(2)
    window.ledger._menu(3, card.mapToGlobal(card.rect().center()))
    assert len(window.session.specimen.readings) == 3 == len(window.ledger.reading_cards)
    window.session.history.undo()
    assert len(window.ledger.reading_cards) == 4


def test_verdicts_carry_a_sign_and_a_word(demo):
    found = agreements(demo.specimens[0].surface, demo.specimens[0].readings)
    assert {verdict_of(a)[0] for a in found} == {WITHIN, OUT}
    assert verdict_of(None) == (UNKNOWN, "being measured")
    metal_index = agreements(demo.specimens[0].surface, demo.specimens[2].readings[:1])[0]
    assert verdict_of(metal_index) == (OUT, "cannot be read")


def test_cards_say_what_they_show(window):
    names = [c.accessibleName() for c in window.ledger.reading_cards]
    assert names[0] == "Optical constants: within" and names[3] == "Gloss: out"
    assert "simulated" in window.ledger.reading_cards[1].toolTip()
    click(window.ledger.reading_cards[3])
    verdict = window.chart.verdict.text()
    assert verdict.startswith("largest gloss difference: 1") and verdict.endswith(f" of 2 allowed, out {OUT}")


def test_an_axis_says_the_numbers_themselves(window):
    for i in (0, 1, 2, 1, 3, 1):
        window.session.choose_reading(i)
        assert window.chart.plot.getAxis("left").autoSIPrefixScale == 1.0
        assert window.chart.rest.getAxis("bottom").autoSIPrefixScale == 1.0
    low, high = window.chart.plot.getAxis("left").range
    assert 0.0 < low + 0.5 < high < 1.2


def test_a_finished_solve_shows_its_work(window, qtbot):
    click(window.ledger.specimen_cards[2])
    with qtbot.waitSignal(window.solve_sheet.outcome, timeout=PATIENCE_MS) as outcome:
        click(window.strata.solve_button)
    solution = outcome.args[0]
    words = [label.text() for label in window.solve_sheet._report.findChildren(QLabel)]
    for one in solution.solved:
        assert titled(one.name) in words and f"± {one.sigma:.2g}" in words
    assert len(window.solve_sheet._report.findChildren(Whisker)) == len(solution.solved) == 3
    assert sum(w == WITHIN for w in words) == 3
    # What the instruments were found to be off by stands beside it, a line for each reading.
    assert any(w.startswith("Gloss: gain") for w in words) and len({e.reading for e in solution.effects}) == 3
    assert "χ²" in window.solve_sheet.state.text()
    assert np.all(np.isfinite(solution.correlation))
