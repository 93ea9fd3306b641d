"""The first lesson, done as a newcomer does it: every step is noticed by itself; left, it is taken up again."""

from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest

from photometra.desktop.lesson import LESSONS

from .conftest import PATIENCE_MS, click, drag, wait_for_picture


def test_the_first_lesson_notices_each_step(window, qtbot):
    bar, steps = window.lesson, len(LESSONS["metal"][1])
    assert not bar.isVisible()
    bar.begin("metal")
    # The bracket is chosen and made of brass: those two are done at once.
    qtbot.waitUntil(lambda: bar.at == 2, timeout=5000)
    assert bar.isVisible() and "Gloss" in bar.words.text() and bar.count.text() == f"A first metal, 3 of {steps}"
    click(next(c for c in window.ledger.reading_cards if "Gloss" in c.accessibleName()))
    qtbot.waitUntil(lambda: bar.at == 3, timeout=5000)
    drag(window.strata.gauges["roughness"].track, QPoint(60, 12), QPoint(150, 12))
    qtbot.waitUntil(lambda: bar.at == 4, timeout=5000)
    click(bar.leave)
    assert not bar.isVisible()
    bar.begin("metal")
    assert bar.at == 4 and "press Solve" in bar.words.text(), "taken up where it was left"
    click(window.strata.solve_button)
    qtbot.waitUntil(lambda: bar.at == 5, timeout=PATIENCE_MS)
    # A proof is of a whole picture.
    wait_for_picture(qtbot, window)
    QTest.keyClick(window, Qt.Key.Key_J, Qt.KeyboardModifier.ControlModifier)
    qtbot.waitUntil(lambda: bar.at == 6, timeout=PATIENCE_MS)
    click(bar.skip)
    assert bar.count.text() == "A first metal" and bar.words.text().startswith("Done") and not bar.skip.isVisible()
    click(bar.leave)
    bar.begin("metal")
    assert bar.at == 0, "finished, it begins anew"
    bar.stop()


def test_every_step_of_every_lesson_can_be_asked_about(window, qtbot):
    """With nothing done, and with no specimen at all, no step raises."""
    for _, steps in LESSONS.values():
        for step in steps:
            step.is_done(window, step.begun(window))
    window.files.new()
    assert not window.session.study.specimens
    for _, steps in LESSONS.values():
        for step in steps:
            step.is_done(window, step.begun(window))
