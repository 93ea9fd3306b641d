"""A fault of the program itself: told, with a report, the work kept, and the window goes on."""

import sys

import pytest

from photometra import faults
from photometra.desktop.app import _say_what_fails
from photometra.desktop.fault_dialog import FaultDialog

from .conftest import PATIENCE_MS, click


@pytest.fixture
def hooked(window):
    kept = sys.excepthook
    _say_what_fails(window)
    hook, sys.excepthook = sys.excepthook, kept
    yield hook
    dialog = window.findChild(FaultDialog)
    dialog.close()
    dialog.deleteLater()


def fault(words):
    try:
        raise ZeroDivisionError(words)
    except ZeroDivisionError as error:
        return type(error), error, error.__traceback__


def test_it_is_told_with_its_trace_and_a_report_and_the_work_is_kept(window, hooked, qtbot):
    window.session.set_values({"roughness": 0.123})
    hooked(*fault("by <b>nought</b>"))
    dialog = window.findChild(FaultDialog)
    assert dialog.isVisible() and "ZeroDivisionError: by <b>nought</b>" in dialog.says.text()
    assert "def fault" not in dialog.trace.toPlainText() and "raise ZeroDivisionError" in dialog.trace.toPlainText()
    (report,) = (faults.log_file().parent / "reports").glob("fault-*.txt")
    told = report.read_text()
    assert str(report) in dialog.where.text() and "version: " in told and "raise ZeroDivisionError" in told
    assert "ZeroDivisionError" in faults.log_file().read_text()
    # The present state is in the journal at once, not after three seconds.
    qtbot.waitUntil(lambda: window.files._journal._file.exists(), timeout=PATIENCE_MS)
    # A second one is added; the window takes clicks all the while.
    hooked(*fault("again"))
    assert "again" in dialog.trace.toPlainText() and "nought" in dialog.trace.toPlainText()
    # The same one over and over, as from drawing, is not told over and over.
    for _ in range(3):
        hooked(*fault("again"))
    assert dialog.trace.toPlainText().count("ZeroDivisionError: again") == 1
    click(window.strata.gauges["roughness"].pin)
    dialog.accept()
    assert not dialog.isVisible()
    window.session.history.undo()


def test_only_the_latest_reports_are_kept(window):
    for i in range(25):
        assert faults.report(ValueError(str(i)), {"study": "x\nversion: forged"}) is not None
    kept = sorted((faults.log_file().parent / "reports").glob("fault-*.txt"))
    assert len(kept) == 20 and "ValueError: 24" in kept[-1].read_text()
    assert "\nversion: forged" not in kept[-1].read_text()
