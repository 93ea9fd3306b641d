"""F1 in the window: the page of what has the keyboard, links, and the way back."""

from PyQt6.QtCore import Qt, QUrl
from PyQt6.QtTest import QTest

from .conftest import click


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
