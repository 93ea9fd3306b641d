"""Standards, numbers and reports in the real window; and the picture with the room it is given."""

import json
import struct
import threading

import pytest
from PyQt6.QtCore import QSettings, Qt
from PyQt6.QtGui import QGuiApplication
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog, QPushButton, QToolButton

from photometra.desktop.commands import commands_of
from photometra.exchange import read_materials, write_standard
from photometra.study import Specimen, Study, read_file
from photometra.surface import Surface

from .conftest import PATIENCE_MS, click, wait_for_picture

VANE, DUSTER = 3, 8


@pytest.fixture
def saves_as(monkeypatch):
    """Have the next file dialogs answer with a path."""

    def answer(path):
        monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_a, **_k: (str(path), ""))
        monkeypatch.setattr(QFileDialog, "getOpenFileName", lambda *_a, **_k: (str(path), ""))

    return answer


def choose_from(box, index):
    box.setFocus()
    while box.currentIndex() != index:
        QTest.keyClick(box, Qt.Key.Key_Down if box.currentIndex() < index else Qt.Key.Key_Up)


class TestHandingOver:
    @pytest.fixture
    def dialog(self, window):
        window.session.choose(VANE)
        window.open_hand_over()
        yield window.hand_over
        window.hand_over.close()

    @pytest.mark.long
    def test_a_glb_is_written_with_what_it_loses(self, dialog, saves_as, tmp_path, qtbot):
        choose_from(dialog.standard, 1)
        saves_as(tmp_path / "vane")
        with qtbot.waitSignal(dialog.written, timeout=PATIENCE_MS):
            click(dialog.export_button)
        data = (tmp_path / "vane.glb").read_bytes()
        document = json.loads(data[20 : 20 + struct.unpack_from("<I", data, 12)[0]])
        assert document["materials"][0]["name"] == "Heat-tinted vane"
        told = dialog.state.text()
        assert (
            "by the standard's own equations off by ΔE" in told
            and "by renaming alone" in told
            and "Not carried:" in told
        )
        assert "% rms by angle" in told and len(dialog.by_angle.curves) == 2
        # All of it is seen: the dialog has grown with its lines.
        assert dialog.state.height() >= dialog.state.heightForWidth(dialog.state.width())

    def test_a_stage_is_written(self, dialog, saves_as, tmp_path, qtbot):
        choose_from(dialog.standard, 2)
        saves_as(tmp_path / "vane.usda")
        with qtbot.waitSignal(dialog.written, timeout=PATIENCE_MS):
            click(dialog.export_button)
        assert "ND_open_pbr_surface_surfaceshader" in (tmp_path / "vane.usda").read_text()

    @pytest.mark.long
    def test_a_report_is_written(self, window, dialog, saves_as, tmp_path, qtbot):
        # Whose pictures and fits take least.
        window.session.choose(DUSTER)
        saves_as(tmp_path / "duster")
        with qtbot.waitSignal(dialog.written, timeout=3 * PATIENCE_MS):
            click(dialog.report_button)
        text = (tmp_path / "duster.html").read_text()
        assert "Wool-felt duster" in text and "What the evidence cannot tell" in text

    def test_a_folder_that_is_not_there_is_said(self, dialog, saves_as, tmp_path, qtbot):
        saves_as(tmp_path / "no" / "vane.html")
        click(dialog.report_button)
        qtbot.waitUntil(lambda: "no/vane.html" in dialog.state.text(), timeout=3 * PATIENCE_MS)
        assert dialog.report_button.isEnabled() and not (tmp_path / "no").exists()


class TestTakingMaterials:
    @pytest.mark.long
    def test_every_material_becomes_a_specimen_in_one_step(self, window, demo, saves_as, tmp_path, qtbot):
        lantern = demo.specimen("Gallery lantern")
        write_standard("usd", demo, lantern, tmp_path / "lantern.usda")
        count = len(window.session.study.specimens)
        saves_as(tmp_path / "lantern.usda")
        window.files.choose_materials()
        qtbot.waitUntil(lambda: len(window.session.study.specimens) > count, timeout=PATIENCE_MS)
        new = window.session.study.specimens[count:]
        assert {s.name for s in new} >= {"Brass lamp bracket 2", "Lens prism 2"}
        assert all("lantern.usda" in s.rests_on for s in new)
        assert window.session.specimen.name == new[0].name
        self.look_through(window.files.materials_sheet, qtbot)
        window.menus.undo.trigger()
        assert len(window.session.study.specimens) == count

    def look_through(self, sheet, qtbot):
        """Each against its own equations, as the keys go down the list."""
        assert sheet.isVisible() and sheet.windowTitle() == "Materials of lantern.usda"
        sheet.list.setFocus()
        seen = set()
        for _ in range(sheet.list.count() - 1):
            QTest.keyClick(sheet.list, Qt.Key.Key_Down)
            seen.add(sheet.told.text())
        row = next(i for i in range(sheet.list.count()) if sheet.list.item(i).text().startswith("Wool-felt"))
        while sheet.list.currentRow() != row:
            QTest.keyClick(sheet.list, Qt.Key.Key_Up)
        qtbot.waitUntil(lambda: len(sheet.curves[2].curves) == 2, timeout=PATIENCE_MS)
        assert "OpenPBR in USD" in sheet.heading.text() and "colour fitted" in sheet.told.text()
        assert len(seen) > 1
        ours, theirs = (y for _, y in sheet.curves[0].curves)
        assert ours == pytest.approx(theirs, abs=0.05)
        sheet.close()

    def test_what_is_none_is_said_and_changes_nothing(self, window, tmp_path, qtbot, monkeypatch):
        said = []
        monkeypatch.setattr(window.files, "refuse", said.append)
        (tmp_path / "look.mtlx").write_text("<materialx")
        before = window.session.study
        window.files.bring_in(tmp_path / "look.mtlx")
        qtbot.waitUntil(lambda: bool(said), timeout=PATIENCE_MS)
        assert "not a MaterialX document" in said[0] and window.session.study is before


def test_numbers_to_type_elsewhere_follow_the_gauges_and_are_copied(window, qtbot):
    QTest.keyClick(window, Qt.Key.Key_E, Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.ShiftModifier)
    sheet = window.sheets["conventions"]
    assert window.middle.currentWidget() is sheet

    def roughness():
        return next((r.numbers[0] for r in sheet.rows if r.convention == "α, slope width"), None)

    qtbot.waitUntil(lambda: roughness() == pytest.approx(0.42**2), timeout=PATIENCE_MS)
    window.session.set_values({"roughness": 0.5})
    qtbot.waitUntil(lambda: roughness() == pytest.approx(0.25), timeout=PATIENCE_MS)
    click(sheet.copy_button)
    lines = QGuiApplication.clipboard().text().splitlines()
    assert len(lines) == len(sheet.rows) and all(line.count("\t") == 2 for line in lines)
    sheet.table.selectRow(1)
    QTest.keyClick(sheet.table, Qt.Key.Key_C, Qt.KeyboardModifier.ControlModifier)
    assert QGuiApplication.clipboard().text() == "Roughness\tα, slope width\t0.25"
    QTest.keyClick(sheet, Qt.Key.Key_Escape)
    assert window.middle.currentWidget() is not sheet


class TestRoomForThePicture:
    def share(self, window):
        picture = window.sight.picture
        return picture.width() * picture.height() / (window.width() * window.height())

    def test_alone_it_has_the_window_and_gives_it_back(self, window, qtbot):
        before = self.share(window)
        QTest.keyClick(window, Qt.Key.Key_F)
        qtbot.waitUntil(lambda: self.share(window) > 0.75, timeout=PATIENCE_MS)
        assert not window.ledger.isVisible() and not window.lower.isVisible()
        frame = wait_for_picture(qtbot, window)
        qtbot.waitUntil(
            lambda: window.sight.picture.frame.linear.shape[1] == window.sight.picture.width(), timeout=PATIENCE_MS
        )
        assert frame is not None
        QTest.keyClick(window, Qt.Key.Key_F)
        qtbot.waitUntil(lambda: self.share(window) == pytest.approx(before, abs=0.01), timeout=PATIENCE_MS)

    def test_the_chart_is_put_away_and_comes_back_when_something_is_asked_for(self, window, qtbot):
        before = self.share(window)
        window.menus.chart.trigger()
        qtbot.waitUntil(lambda: self.share(window) > 1.5 * before, timeout=PATIENCE_MS)
        window.show_booth(True)
        assert window.lower.isVisible() and not window.chart.card.isVisible()
        window.show_booth(False)
        assert not window.lower.isVisible() and window.session.reading.name in window.chart.card.accessibleName()
        click(window.chart.card)
        assert window.lower.isVisible() and window.menus.chart.isChecked()
        click(next(b for b in window.chart.findChildren(QToolButton) if b.accessibleName() == "Fold the chart"))
        assert not window.lower.isVisible()
        click(window.ledger.reading_cards[1])
        assert window.lower.isVisible() and window.chart.title.text() == window.session.specimen.readings[1].name

    @pytest.mark.long
    def test_at_first_it_has_nearly_half_of_the_window_and_later_what_it_was_given(
        self, make_window, own_demo, tmp_path
    ):
        fresh = make_window(own_demo)
        fresh.resize(1280, 800)
        QTest.qWait(50)
        assert self.share(fresh) > 0.445 and not fresh.lower.isVisible()
        fresh.arrangement.show_chart(True)
        fresh.arrangement.across.setSizes([260, 640, 372])
        sizes = fresh.arrangement.across.sizes()
        fresh.session.history.mark_saved()
        fresh.close()
        # The tests' screen is smaller than the window was.
        QSettings(str(tmp_path / "window.ini"), QSettings.Format.IniFormat).remove("layout/window")
        again = make_window(own_demo)
        assert again.lower.isVisible() and again.arrangement.across.sizes() == sizes

    @pytest.mark.long
    def test_it_goes_into_a_window_of_its_own_and_home_again(self, window, qtbot):
        window.menus.apart.trigger()
        apart = window.sight.window()
        assert apart is not window and apart.isVisible()
        assert window.sight.picture.isVisible() and window.lower.isVisible()
        window.session.set_values({"roughness": 0.6})
        wait_for_picture(qtbot, window)
        QTest.keyClick(apart, Qt.Key.Key_Escape)
        qtbot.waitUntil(lambda: window.sight.window() is window, timeout=PATIENCE_MS)
        assert not window.menus.apart.isChecked() and window.sight.picture.isVisible()


def test_every_command_has_words_and_no_two_share_a_key(window):
    found = commands_of(window.menuBar())
    assert len(found) > 50 and len({words for words, _ in found}) == len(found)
    keys = [k.toString() for _, action in found for k in action.shortcuts()]
    keys += [b.shortcut().toString() for b in window.findChildren(type(window.sight.booth_button)) if b.shortcut()]
    keys = [k for k in keys if k]
    assert sorted(set(keys)) == sorted(keys)


def test_a_library_entry_is_a_study_that_opens(window, make_window, tmp_path):
    from photometra.library import starter_library

    path = starter_library() / "mercury.photometra"
    assert read_file(path).specimens[0].name == "Mercury"
    opened = make_window(path)
    assert opened.session.specimen.name == "Mercury"


def test_what_takes_long_to_read_says_so_and_can_be_given_up(window, tmp_path, qtbot, monkeypatch):
    gate = threading.Event()

    def slow(path, *more):
        gate.wait(PATIENCE_MS / 1000.0)
        return read_materials(path, *more)

    monkeypatch.setattr("photometra.desktop.arriving.read_materials", slow)
    one = Specimen("Cleat", 40.0, Surface({"roughness": 0.3}))
    write_standard("materialx", Study("T", (one,)), one, tmp_path / "cleat.mtlx")
    before, waiting = window.session.study, window.files.waiting
    window.files.bring_in(tmp_path / "cleat.mtlx")
    assert not waiting.isVisible()
    qtbot.waitUntil(waiting.isVisible, timeout=PATIENCE_MS)
    assert waiting.labelText() == "Reading cleat.mtlx…"
    click(waiting.findChild(QPushButton))
    assert not waiting.isVisible()
    gate.set()
    # The next is read once that one is out of the way, and is taken.
    window.files.bring_in(tmp_path / "cleat.mtlx")
    qtbot.waitUntil(lambda: window.session.study is not before, timeout=PATIENCE_MS)
    assert [s.name for s in window.session.study.specimens].count("Cleat") == 1
    window.files.materials_sheet.close()
    window.menus.undo.trigger()
