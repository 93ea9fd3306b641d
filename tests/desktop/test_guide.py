"""F1 in the window: the page of what has the keyboard, links, and the way back."""

from PyQt6.QtCore import Qt, QUrl
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication

from photometra.desktop import theme
from photometra.desktop.shortcuts import use_saved

from .conftest import PATIENCE_MS, click


def f1(window, monkeypatch, widget):
    # The pointer is nowhere: what has the keyboard is asked about.
    monkeypatch.setattr("photometra.desktop.guide_sheet.QApplication.widgetAt", lambda _at: None)
    monkeypatch.setattr("photometra.desktop.guide_sheet.QApplication.focusWidget", lambda: widget)
    QTest.keyClick(window, Qt.Key.Key_F1)
    return window.sheets["guide"]


def test_f1_comes_to_the_page_of_a_gauge_an_instrument_and_a_view(window, qtbot, monkeypatch):
    sheet = f1(window, monkeypatch, window.strata.gauges["coat.roughness"].edit)
    assert sheet.isVisible() and sheet.topic == "coat"
    assert "Coat roughness" in sheet.page.toPlainText() and "varnish" in sheet.page.toPlainText()
    gloss = next(c for c in window.ledger.reading_cards if "Gloss" in c.accessibleName())
    assert f1(window, monkeypatch, gloss).topic == "glossmeter"
    assert f1(window, monkeypatch, window.solve_sheet.curve).topic == "solve"
    assert f1(window, monkeypatch, None).topic == "index"


def test_links_lead_on_and_back_and_fetch_nothing(window, qtbot, monkeypatch):
    sheet = f1(window, monkeypatch, None)
    sheet.page.anchorClicked.emit(QUrl("finish.md"))
    assert sheet.topic == "finish" and "GGX" in sheet.page.toPlainText()
    sheet.page.anchorClicked.emit(QUrl("https://example.com/finish.md"))
    sheet.page.anchorClicked.emit(QUrl("file:///etc/passwd"))
    assert sheet.topic == "finish"
    assert sheet.page.loadResource(2, QUrl("file:///etc/passwd")) is None
    click(sheet.back)
    assert sheet.topic == "index"
    QTest.keyClick(sheet, Qt.Key.Key_Escape)
    assert not sheet.isVisible()


CTRL = Qt.KeyboardModifier.ControlModifier


def test_point_and_ask_explains_what_is_clicked_instead_of_doing_it(window, qtbot):
    free = window.session.specimen.free
    gauge = window.strata.gauges["roughness"]
    QTest.keyClick(window, Qt.Key.Key_F1, CTRL)
    assert window.pointing.is_on
    click(gauge.pin)
    assert window.sheets["guide"].isVisible() and window.sheets["guide"].topic == "finish"
    assert not window.pointing.is_on and window.session.specimen.free == free
    # Once it has told, clicks do what they do.
    click(gauge.pin)
    assert window.session.specimen.free != free
    window.session.history.undo()
    QTest.keyClick(window, Qt.Key.Key_F1, CTRL)
    QTest.keyClick(window, Qt.Key.Key_Escape)
    assert not window.pointing.is_on and window.sheets["guide"].isVisible()
    QTest.keyClick(window, Qt.Key.Key_F1, CTRL)
    QTest.mouseClick(gauge.pin, Qt.MouseButton.RightButton)
    assert not window.pointing.is_on and window.session.specimen.free == free


def test_keys_of_ones_own_are_taken_kept_and_restored(window, qtbot):
    def opened():
        window.menus._edit_keys()
        return window.menus.keys

    dialog = opened()
    dialog.field.setText("view keep a proof")
    assert [dialog.table.isRowHidden(r) for r in range(dialog.table.rowCount())].count(False) == 1
    action = dialog._commands[dialog._row()][1]
    assert action.shortcut().toString() == "Ctrl+J"
    QTest.keyClick(dialog.keys, Qt.Key.Key_F9)
    qtbot.waitUntil(lambda: action.shortcut().toString() == "F9", timeout=5000)
    proofs = len(window.session.study.proofs)
    # A key that another command has stays with it, and that is said.
    QTest.keyClick(dialog.keys, Qt.Key.Key_G, CTRL)
    qtbot.waitUntil(lambda: "Agreement of the study" in dialog.says.text(), timeout=5000)
    assert action.shortcut().toString() == "F9"
    dialog.accept()
    # The key goes to the window in front, which this one is only once the dialog has gone.
    window.activateWindow()
    assert QTest.qWaitForWindowActive(window, PATIENCE_MS)
    QTest.keyClick(window, Qt.Key.Key_F9)
    qtbot.waitUntil(lambda: len(window.session.study.proofs) == proofs + 1, timeout=20_000)
    # The next window has it too.
    action.setShortcut("Ctrl+J")
    use_saved(window.menuBar(), window.settings)
    assert action.shortcut().toString() == "F9"
    action.setProperty("keys as they were made", ["Ctrl+J"])
    dialog = opened()
    dialog.field.setText("view keep a proof")
    click(dialog.clear_button)
    assert action.shortcuts() == [] and window.settings.value("keys/View › Keep a proof") == ""
    click(dialog.restore_all_button)
    assert action.shortcut().toString() == "Ctrl+J" and not window.settings.contains("keys/View › Keep a proof")
    dialog.accept()


def test_a_page_has_its_picture_in_the_colours_of_the_theme(window, qtbot):
    window.show_sheet("guide")
    sheet, colours = window.sheets["guide"], []
    sheet.show_page("coat")
    for name in ("light", "dim"):
        theme.apply(QApplication.instance(), name)
        qtbot.wait(50)
        image = sheet.page.loadResource(2, QUrl("pictures/coat.svg"))
        assert 200 <= image.width() / image.devicePixelRatioF() <= sheet.page.viewport().width()
        shades = {
            image.pixelColor(x, y).name() for x in range(0, image.width(), 3) for y in range(0, image.height(), 3)
        }
        colours.append((theme.colour("straw").name() in shades, theme.colour("verdigris").name() in shades))
    assert all(any(pair) for pair in colours)
    # Nothing else is to be had.
    assert sheet.page.loadResource(2, QUrl("pictures/../pages/coat.md")) is None
