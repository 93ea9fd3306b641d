"""The library in the real window: looked for, taken from, kept in; all that changes the study can be undone."""

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest

from photometra.library import default_library, read_entry
from photometra.study import Specimen, Study, write_file

from .conftest import PATIENCE_MS, click

pytestmark = pytest.mark.usefixtures("own_indexes")


@pytest.fixture
def sheet(window, qtbot):
    QTest.keyClick(window, Qt.Key.Key_B, Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.ShiftModifier)
    made = window.sheets["library"]
    assert window.middle.currentWidget() is made
    qtbot.waitUntil(lambda: made.model.rowCount() >= 40, timeout=PATIENCE_MS)
    yield made
    for field in (made.words, made.low, made.high):
        field.clear()
    for box in (made.matter, made.stratum, made.fact, made.order):
        box.setCurrentIndex(0)


def names(sheet):
    return [f.name for _, f in sheet.model.found]


def look_for(sheet, qtbot, words, count):
    sheet.words.setFocus()
    sheet.words.selectAll()
    QTest.keyClicks(sheet.words, words)
    qtbot.waitUntil(lambda: len(names(sheet)) == count, timeout=PATIENCE_MS)


def test_search_as_you_type_and_take(sheet, window, qtbot):
    look_for(sheet, qtbot, "merc", 1)
    assert names(sheet) == ["Mercury"] and sheet.name.text() == "Mercury"
    assert "Gloss at 60°" in sheet.about.text() and "chosen here by eye" in sheet.about.text()
    count = len(window.session.study.specimens)
    click(sheet.take_button)
    assert window.session.specimen.name == "Mercury" and window.session.specimen.surface["constants"] == "mercury"
    window.menus.undo.trigger()
    assert len(window.session.study.specimens) == count


@pytest.mark.long
def test_the_picture_of_the_chosen_entry_refines_while_it_is_seen(sheet, window, qtbot):
    look_for(sheet, qtbot, "merc", 1)
    picture = sheet.picture
    assert picture.isVisible() and not picture.pixmap().isNull()
    qtbot.waitUntil(lambda: "samples, denoised" in picture.toolTip(), timeout=PATIENCE_MS)
    assert picture.pixmap().width() == picture.width()
    of_mercury = picture.pixmap().toImage()
    look_for(sheet, qtbot, "sandstone", 1)
    qtbot.waitUntil(lambda: picture.toolTip().startswith(("16 ", "64 ", "256 ")), timeout=PATIENCE_MS)
    assert picture.pixmap().toImage() != of_mercury
    QTest.keyClick(sheet, Qt.Key.Key_Escape)
    qtbot.waitUntil(lambda: not picture._job.is_running, timeout=PATIENCE_MS)


def test_by_a_range_and_by_agreement(sheet, window, qtbot):
    sheet.fact.setCurrentIndex(sheet.fact.findData("gloss60"))
    QTest.keyClicks(sheet.low, "500")
    qtbot.waitUntil(lambda: 0 < len(names(sheet)) < 8, timeout=PATIENCE_MS)
    assert all(f.facts["gloss60"] >= 500.0 for _, f in sheet.model.found)
    QTest.keyClicks(sheet.high, "x")
    qtbot.waitUntil(lambda: "is no number" in sheet.state.text(), timeout=PATIENCE_MS)
    sheet.high.clear()
    sheet.order.setCurrentIndex(1)
    qtbot.waitUntil(lambda: len(sheet.model.scores) == len(names(sheet)) > 0, timeout=PATIENCE_MS)
    scores = [sheet.model.scores[f.path] for _, f in sheet.model.found]
    assert scores == sorted(scores)
    assert "× tolerance" in sheet.model.data(sheet.model.index(0))


def test_a_stratum_is_taken_or_followed(sheet, window, qtbot):
    window.session.choose_stratum("finish")
    look_for(sheet, qtbot, "sandstone", 1)
    click(sheet.stratum_button)
    assert window.session.specimen.surface["roughness"] == 0.9
    window.menus.undo.trigger()
    click(sheet.follow_button)
    assert window.session.specimen.leader_in("finish") == "Sandstone"
    window.menus.undo.trigger()
    assert window.session.specimen.leader_in("finish") is None


def test_a_specimen_is_kept_and_found_again(sheet, window, qtbot):
    click(sheet.keep_button)
    qtbot.waitUntil(lambda: "Brass lamp bracket" in names(sheet), timeout=PATIENCE_MS)
    (path,) = default_library().glob("*.photometra")
    assert read_entry(path).specimens[0].surface.given == window.session.specimen.surface.given
    path.unlink()


def test_another_folder_is_opened_and_remembered(sheet, window, qtbot, tmp_path):
    folder = tmp_path / "boat"
    folder.mkdir()
    write_file(Study("Oar", (Specimen("Oar, spruce"),)), folder / "oar.photometra")
    (folder / "spoilt.photometra").write_bytes(b"no")
    sheet.open_folder(str(folder))
    qtbot.waitUntil(lambda: "Oar, spruce" in names(sheet), timeout=PATIENCE_MS)
    assert "1 cannot be read" in sheet.state.text()
    look_for(sheet, qtbot, "spoilt", 1)
    assert not sheet.take_button.isEnabled() and "damaged or is not a study" in sheet.about.text()


def test_what_another_program_puts_into_a_folder_or_takes_out_is_seen(sheet, window, qtbot, tmp_path):
    folder = tmp_path / "shared"
    folder.mkdir()
    write_file(Study("Cleat", (Specimen("Cleat, bronze"),)), folder / "cleat.photometra")
    sheet.open_folder(str(folder))
    qtbot.waitUntil(lambda: "Cleat, bronze" in names(sheet), timeout=PATIENCE_MS)
    write_file(Study("Thole", (Specimen("Thole pin, oak"),)), folder / "thole.photometra")
    qtbot.waitUntil(lambda: "Thole pin, oak" in names(sheet), timeout=PATIENCE_MS)
    (folder / "cleat.photometra").unlink()
    qtbot.waitUntil(lambda: "Cleat, bronze" not in names(sheet), timeout=PATIENCE_MS)
