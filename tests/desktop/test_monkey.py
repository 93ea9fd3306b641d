"""Random clicks, drags, keys and menu entries: a short run of `python -m benchmarks monkey`, and what it has found."""

import pytest
from benchmarks.monkey import Monkey
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtGui import QAction
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QGraphicsView

from .conftest import click


@pytest.mark.parametrize("seed", [pytest.param(11, marks=pytest.mark.long), 12])
def test_whatever_is_pressed_nothing_fails(make_window, own_demo, seed):
    window = make_window(own_demo if seed % 2 else None)
    window.closeEvent, close = (lambda event: event.ignore()), window.closeEvent
    outcome = Monkey(window, seed).run(250)
    window.closeEvent = close
    assert outcome.events == 250 and outcome.errors == []


def test_in_an_empty_study_gauges_change_nothing_and_say_so(make_window, qtbot):
    window = make_window()
    study = window.session.study
    with qtbot.waitSignal(window.session.said, check_params_cb=lambda s: "specimen first" in s):
        window.session.set_values({"roughness": 0.5})
    window.strata.gauges["roughness"].changed.emit(0.4, False)
    window.session.set_free("roughness", True)
    assert window.session.study is study


def test_charts_have_no_menu_of_the_plotting_library(window):
    graphs = window.chart._graphs
    for x in range(5, graphs.width(), 60):
        QTest.mouseClick(graphs.viewport(), Qt.MouseButton.RightButton, pos=QPoint(x, graphs.height() // 2))
    QTest.qWait(20)
    views = [graphs, *window.findChildren(QGraphicsView)]
    assert len(views) > 1
    assert not [a for view in views for a in view.scene().findChildren(QAction) if "Export" in a.text()]


def test_the_hand_over_stands_still_once_the_last_specimen_is_gone(make_window, qtbot):
    window = make_window()
    window.session.history.apply(window.session.study.with_new_specimen("Cup"), "add")
    window.open_hand_over()
    assert window.hand_over.isEnabled()
    window.acts.remove_specimen()
    assert not window.hand_over.isEnabled()
    click(window.hand_over.render_button)
    window.session.history.undo()
    assert window.hand_over.isEnabled()
