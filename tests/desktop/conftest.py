"""The real window on the demo study, and hands to work it with."""

import pytest
from PyQt6.QtCore import QPoint, QSettings, Qt, QTimer
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QMessageBox

from photometra.desktop import app, rendering, theme

PATIENCE_MS = 40_000


@pytest.fixture(scope="session")
def qapp():
    application = app.make_application()
    theme.apply(application, "dim")
    # Pictures that nobody waits for any more would take half of the cores from the tests.
    rendering._MOST_SAMPLES = 48
    return application


def _opened(folder):
    window = app.make_window(QSettings(str(folder / "window.ini"), QSettings.Format.IniFormat))
    window.show()
    assert QTest.qWaitForWindowExposed(window, PATIENCE_MS)
    return window


def _closed(window):
    window.session.history.mark_saved()
    window.close()
    window.deleteLater()


@pytest.fixture
def make_window(qapp, qtbot, tmp_path):
    """Open a window of its own, on a study's file or on none. All are closed at the end, whatever is unsaved."""
    made = []

    def open_one(path=None):
        window = _opened(tmp_path)
        made.append(window)
        if path is not None:
            window.files.open(path)
            qtbot.waitUntil(lambda: window.session.path == path, timeout=PATIENCE_MS)
        return window

    yield open_one
    for window in made:
        _closed(window)


@pytest.fixture(scope="module")
def _shared(qapp, tmp_path_factory):
    """The one window of a module's tests, made when the first asks for it; another follows once it is closed."""
    kept = []

    def get():
        if not kept or not kept[-1].isVisible():
            kept.append(_opened(tmp_path_factory.mktemp("window")))
        return kept[-1]

    yield get
    for window in kept:
        _closed(window)


@pytest.fixture
def window(_shared, own_demo, qtbot):
    """The module's window on its own copy of the demo, as if just opened, with a first picture and all agreements."""
    made = _shared()
    _reset(made)
    made.files.open(own_demo)
    qtbot.waitUntil(lambda: made.session.path == own_demo, timeout=PATIENCE_MS)
    wait_for_picture(qtbot, made, step=4, samples=1)
    qtbot.waitUntil(lambda: made.session.is_current, timeout=PATIENCE_MS)
    yield made
    for dialog in (made.browser, made.hand_over, made.files.import_sheet, made.acts.colour_target):
        if dialog is not None:
            dialog.close()
    made.session.history.mark_saved()


def _reset(window):
    """Put back what is of the window and not of the study."""
    window.session.history.mark_saved()
    window.settings.clear()
    window.solve_sheet.end()
    window.show_sheet()
    window.lower.setCurrentWidget(window.chart)
    window.arrangement.show_chart(True)
    window.session.choose_stratum("finish")
    window.resize(1280, 800)
    window.menus.robust.setChecked(False)
    window.menus.keep_rgb.setChecked(False)
    window.sight.reset()
    window.probe_line.pause.setChecked(False)
    window.browser = window.hand_over = window.files.import_sheet = None
    if theme.current().name != "dim":
        window.use_theme("dim")
    for top in QApplication.topLevelWidgets():
        if top is not window and top.isVisible() and top.parent() is window:
            top.close()
    # Keys go to the window in front; another test's dialog may have been there last.
    window.activateWindow()
    window.setFocus()
    QTest.qWaitForWindowActive(window, 2000)


def wait_for_picture(qtbot, window, step=1, samples=2):
    """Wait for a picture of the surface as it stands, at full size unless told otherwise."""

    def there():
        frame = window.sight.picture.frame
        return (
            frame is not None
            and frame.request.surface == window.session.specimen.surface
            and frame.request.booth == window.session.study.booth
            and frame.request.specimen.shape == window.session.specimen.shape
            and frame.step <= step
            and frame.samples >= samples
        )

    qtbot.waitUntil(there, timeout=PATIENCE_MS)
    return window.sight.picture.frame


def click(widget, at=None, button=Qt.MouseButton.LeftButton):
    QTest.mouseClick(widget, button, Qt.KeyboardModifier.NoModifier, at or widget.rect().center())


def drag(widget, start, end, steps=6, button=Qt.MouseButton.LeftButton):
    """Press, move in steps, release; places in the widget's own pixels."""
    plain = Qt.KeyboardModifier.NoModifier
    QTest.mousePress(widget, button, plain, start)
    for i in range(1, steps + 1):
        QTest.mouseMove(widget, start + (end - start) * i / steps)
        QTest.qWait(1)
    QTest.mouseRelease(widget, button, plain, end)


def track_point(track, value):
    return QPoint(round(track.x_of(value)), 12)


def answer(what, then=None):
    """When a question comes up, press the button that says `what`; `then(text)` gets the question's words."""

    def look():
        box = QApplication.activeModalWidget()
        if not isinstance(box, QMessageBox):
            QTimer.singleShot(20, look)
            return
        if then is not None:
            then(box.text())
        for button in box.buttons():
            if button.text().replace("&", "") == what:
                click(button)
                return
        raise AssertionError(f"no button '{what}' among {[b.text() for b in box.buttons()]}")

    QTimer.singleShot(20, look)
