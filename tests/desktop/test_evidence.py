"""Evidence in the real window: the import sheet, pasting, colour targets, the shelf, and the edits of a reading."""

from dataclasses import replace

import numpy as np
import pytest
from PyQt6.QtCore import QMimeData, QPoint, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QComboBox, QFileDialog, QInputDialog, QLabel, QLineEdit

from photometra.desktop.arrivals_sheet import ArrivalsSheet
from photometra.instruments import measured
from photometra.readings import Systematic, read_file, with_uncertainty
from photometra.study import Study
from photometra.surface import Surface

from .conftest import PATIENCE_MS, click, drag

CTRL = Qt.KeyboardModifier.ControlModifier
SHIFT = Qt.KeyboardModifier.ShiftModifier
METALS = {n: {"metalness": 1.0, "constants": n.lower()} for n in ("Gold", "Copper")}


def drop(window, *paths):
    data = QMimeData()
    data.setUrls([QUrl.fromLocalFile(str(p)) for p in paths])
    window.dropEvent(QDropEvent(
        QPointF(50, 50), Qt.DropAction.CopyAction, data, Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier
    ))  # fmt: skip


def sheet_of(window, qtbot):
    """The import sheet, once it is there."""
    there = window.files
    qtbot.waitUntil(lambda: there.import_sheet is not None and there.import_sheet.isVisible(), timeout=PATIENCE_MS)
    return there.import_sheet


def choose(box: QComboBox, data):
    """Take an entry of a box by keyboard."""
    box.setFocus()
    QTest.keyClick(box, Qt.Key.Key_Home)
    for _ in range(box.count()):
        if box.currentData() == data:
            break
        QTest.keyClick(box, Qt.Key.Key_Down)
    assert box.currentData() == data


def retype(edit: QLineEdit, text):
    edit.setFocus()
    edit.selectAll()
    QTest.keyClicks(edit, text)
    QTest.keyClick(edit, Qt.Key.Key_Return)


class TestImporting:
    def test_a_sheet_shows_what_was_understood_before_it_is_taken(self, window, tmp_path, qtbot):
        path = tmp_path / "plate.txt"
        path.write_text("Wavelength / nm;R / %;Remark\n400;12,5;x\n500;13,5;y\n600;20;z\n")
        drop(window, path)
        sheet = sheet_of(window, qtbot)
        count = len(window.session.specimen.readings)
        assert sheet.kind.currentData() == "reflectance" and sheet.decimal.currentData() == ","
        assert "column 'Remark' was left out" in sheet.doubts.text() and "no geometry" in sheet.doubts.text()
        assert sheet.table.horizontalHeaderItem(2).text() == "? Remark"
        retype(sheet.form.fields["rule"], "2 % + 0.002")
        qtbot.waitUntil(lambda: sheet.understood.reading.rule == "2 % + 0.002", timeout=PATIENCE_MS)
        assert len(window.session.specimen.readings) == count
        click(sheet.take_button)
        reading = window.session.reading
        assert reading.name == "plate" and reading.sigma["reflectance"] == pytest.approx([0.0045, 0.0047, 0.006])
        window.activateWindow()
        qtbot.waitUntil(window.isActiveWindow, timeout=PATIENCE_MS)
        QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
        assert len(window.session.specimen.readings) == count

    def test_plates_of_two_thicknesses_are_taken_together_each_with_its_own(self, window, tmp_path, qtbot):
        path = tmp_path / "smoked.csv"
        path.write_text("nm;T total 3mm (%);T total 6mm (%)\n400;62,1;42,3\n550;68,0;50,6\n700;74,8;61,2\n")
        drop(window, path)
        sheet = sheet_of(window, qtbot)
        assert sheet.heading.text() == "Understood as transmittance, 3 mm and 6 mm: 3 rows"
        assert sheet.form.fields["thickness_mm"].text() == "3 mm" and not sheet.form.fields["thickness_mm"].isEnabled()
        assert sheet.form.fields["tolerance"].isEnabled()
        retype(sheet.form.fields["name"], "Smoked")
        qtbot.waitUntil(lambda: "Smoked" in sheet.understood.reading.name, timeout=PATIENCE_MS)
        click(sheet.take_button)
        taken = window.session.specimen.readings[-2:]
        assert [(r.name, r.thickness_mm) for r in taken] == [("Smoked 3 mm", 3.0), ("Smoked 6 mm", 6.0)]

    def test_columns_nobody_knows_can_be_named(self, window, tmp_path, qtbot):
        path = tmp_path / "a.csv"
        path.write_text("Golflengte,Helligkeit\n400,0.2\n700,0.4\n")
        drop(window, path)
        sheet = sheet_of(window, qtbot)
        assert not sheet.take_button.isEnabled() and "Golflengte" in sheet.doubts.text()
        for i, name in enumerate(("wavelength_nm", "reflectance")):
            choose(sheet.table.cellWidget(0, i), name)
            qtbot.waitUntil(lambda i=i, n=name: sheet.understood.meanings[i].name == n, timeout=PATIENCE_MS)
        assert sheet.take_button.isEnabled()
        click(sheet.take_button)
        assert window.session.reading.columns["reflectance"] == pytest.approx([0.2, 0.4])

    def test_one_of_several_samples_is_chosen_and_cancel_takes_none(self, window, tmp_path, qtbot):
        path, study = tmp_path / "set.cgats", window.session.study
        path.write_text(
            "CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\n"
            "BEGIN_DATA\nA1 50 1 2\nA2 60 1 1\nEND_DATA\n"
        )
        drop(window, path)
        sheet = sheet_of(window, qtbot)
        choose(sheet.sample, "A2")
        qtbot.waitUntil(lambda: sheet.understood.sample == "A2", timeout=PATIENCE_MS)
        assert sheet.understood.reading.columns["L"] == pytest.approx([60.0])
        QTest.keyClick(sheet, Qt.Key.Key_Escape)
        assert window.session.study is study

    def test_a_table_is_pasted(self, window, qtbot):
        QApplication.clipboard().setText("angle\tgloss\n20\t80\n60\t90\n")
        QTest.keyClick(window, Qt.Key.Key_V, CTRL | SHIFT)
        click(sheet_of(window, qtbot).take_button)
        assert window.session.reading.kind_key == "gloss" and window.session.reading.rows == 2

    def test_a_colour_is_typed(self, window, qtbot):
        QTest.keyClick(window, Qt.Key.Key_T, CTRL)
        dialog = window.acts.colour_target
        QTest.keyClicks(dialog.edit, "52.1, 8.3,")
        assert not dialog.take_button.isEnabled() and "three numbers" in dialog.says.text()
        QTest.keyClicks(dialog.edit, " 24.7")
        click(dialog.take_button)
        reading = window.session.reading
        assert reading.kind_key == "colour" and [reading.columns[c][0] for c in "Lab"] == [52.1, 8.3, 24.7]


class TestShelf:
    def test_a_device_is_warmed_calibrated_and_read(self, window, qtbot):
        window.session.choose(1)
        QTest.keyClick(window, Qt.Key.Key_D, CTRL)
        sheet = window.sheets["shelf"]
        click(sheet.cards["glossmeter"])
        count = len(window.session.specimen.readings)
        click(sheet.measure_button)
        qtbot.waitUntil(lambda: "is off" in sheet.says.text(), timeout=PATIENCE_MS)
        click(sheet.power)
        click(sheet.measure_button)
        qtbot.waitUntil(lambda: "still cold" in sheet.says.text(), timeout=PATIENCE_MS)
        qtbot.waitUntil(lambda: sheet.device.state(sheet.now).wait_s == 0.0, timeout=PATIENCE_MS)
        click(sheet.measure_button)
        qtbot.waitUntil(lambda: "not calibrated" in sheet.says.text(), timeout=PATIENCE_MS)
        click(sheet.standards.itemAt(0).widget())
        assert sheet.standards.itemAt(0).widget().text() == "gloss tile ✓"
        click(sheet.measure_button)
        qtbot.waitUntil(lambda: len(window.session.specimen.readings) == count + 1, timeout=PATIENCE_MS)
        assert "simulated gloss meter, mean of 3" in window.session.reading.source
        QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
        assert len(window.session.specimen.readings) == count


class TestSheets:
    def test_the_agreement_of_the_study_is_sorted_followed_and_exported(self, window, qtbot, tmp_path, monkeypatch):
        qtbot.waitUntil(lambda: window.session.is_current, timeout=PATIENCE_MS)
        QTest.keyClick(window, Qt.Key.Key_G, CTRL)
        sheet = window.sheets["agreement"]
        readings = sum(len(s.readings) for s in window.session.study.specimens)
        assert sheet.table.rowCount() == readings and f"of {readings} readings" in sheet.state.text()
        header = sheet.table.horizontalHeader()
        at = QPoint(header.sectionViewportPosition(3) + 12, header.height() // 2)
        QTest.mouseClick(header.viewport(), Qt.MouseButton.LeftButton, pos=at)
        values = [float(sheet.table.item(r, 3).text()) for r in range(readings)]
        falls = header.sortIndicatorOrder() == Qt.SortOrder.DescendingOrder
        assert header.sortIndicatorSection() == 3 and values == sorted(values, reverse=falls)
        QTest.mouseClick(header.viewport(), Qt.MouseButton.LeftButton, pos=at)
        again = [float(sheet.table.item(r, 3).text()) for r in range(readings)]
        assert again == values[::-1] != values
        sheet.table.selectRow(0)
        QTest.keyClick(sheet.table, Qt.Key.Key_Return)
        assert window.session.specimen.name == sheet.table.item(0, 0).text()
        out = tmp_path / "agreement.csv"
        monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *a, **k: (str(out), ""))
        click(sheet.export_button)
        lines = out.read_text(encoding="utf-8").splitlines()
        assert len(lines) == readings + 1 and lines[0].startswith("specimen,reading")
        QTest.keyClick(sheet.table, Qt.Key.Key_Escape)
        assert window.middle.currentWidget() is not sheet

    def test_what_the_evidence_says_and_what_to_read_next(self, window, qtbot):
        window.session.choose(8)
        QTest.keyClick(window, Qt.Key.Key_K, CTRL)
        sheet = window.sheets["evidence"]
        qtbot.waitUntil(lambda: len(sheet.table.rows) == 3 and not sheet.seen.is_running, timeout=PATIENCE_MS)
        assert "• Sheen" in sheet.table.columns
        click(sheet.table, sheet.table.rect_of(2, 0).center().toPoint())
        assert "Lobe at 45° alone would pin" in sheet._words.text()
        click(sheet.ask_button)
        qtbot.waitUntil(lambda: bool(sheet.advice), timeout=PATIENCE_MS)
        best = max(sheet.advice, key=lambda a: a.gain())
        assert best.instrument == "goniophotometer" and best.gain() > 1.5
        click(sheet._list.itemAtPosition(0, 2).widget())
        assert window.middle.currentWidget() is window.sheets["shelf"]
        assert window.sheets["shelf"].key == "goniophotometer"

    def test_a_reading_is_edited_and_every_edit_undone(self, window, qtbot, tmp_path, monkeypatch):
        window.session.choose_reading(1)
        QTest.keyClick(window, Qt.Key.Key_L, CTRL)
        sheet, before = window.sheets["reading"], window.session.reading
        retype(sheet.form.fields["rule"], "2 %")
        assert window.session.reading.sigma["reflectance"] == pytest.approx(0.02 * before.columns["reflectance"])
        retype(sheet.form.fields["tolerance"], "0.4")
        assert window.session.reading.tolerance == 0.4
        for key, text, value in (
            ("bandpass_nm", "20 nm", 20.0),
            ("illuminated_mm", "9", 9.0),
            ("collected_mm", "6,5", 6.5),
        ):
            retype(sheet.form.fields[key], text)
            assert getattr(window.session.reading, key) == value
        retype(sheet.form.fields["systematic"], "gain 3 %")
        assert window.session.reading.systematic == Systematic(0.03)
        retype(sheet.form.fields["systematic"], "gain a lot")
        assert window.session.reading.systematic == Systematic(0.03)
        for _ in range(4):
            QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
        assert window.session.reading.systematic == before.systematic and window.session.reading.tolerance == 0.4
        retype(sheet.step, "40")
        click(sheet.buttons["resample"])
        assert np.all(np.diff(window.session.reading.x) == 40.0)
        out = tmp_path / "r.txt"
        monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *a, **k: (str(out), ""))
        click(sheet.buttons["export"])
        assert read_file(out).columns["reflectance"] == pytest.approx(window.session.reading.columns["reflectance"])
        for _ in range(3):
            QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
        assert window.session.reading == before


def test_a_click_on_a_mark_leaves_it_out_and_another_counts_it_again(window, qtbot):
    window.session.choose_reading(1)
    qtbot.waitUntil(lambda: window.session.is_current, timeout=PATIENCE_MS)
    chart, reading = window.chart, window.session.reading
    QTest.qWait(100)
    scene = chart.plot.vb.mapViewToScene(QPointF(float(reading.x[10]), float(reading.columns["reflectance"][10])))
    at = chart._graphs.mapFromScene(scene)
    click(chart._graphs.viewport(), at)
    assert window.session.reading.masked[10] and window.session.reading.masked.sum() == 1
    QTest.qWait(500)
    click(chart._graphs.viewport(), at)
    assert not window.session.reading.masked.any()


def test_bounds_are_set_from_the_pin_by_keyboard(window, monkeypatch):
    gauge = window.strata.gauges["roughness"]
    monkeypatch.setattr(QInputDialog, "getText", lambda *a, **k: ("0.1 to 0.3", True))
    gauge.pin.setFocus()
    QTest.keyClick(gauge.pin, Qt.Key.Key_L)
    assert dict(window.session.specimen.bounds) == {"roughness": (0.1, 0.3)}
    assert "between 0.1 and 0.3" in gauge.pin.toolTip()
    monkeypatch.setattr(QInputDialog, "getText", lambda *a, **k: ("0.3 to 0.1", True))
    QTest.keyClick(gauge.pin, Qt.Key.Key_L)
    assert dict(window.session.specimen.bounds) == {"roughness": (0.1, 0.3)}


def test_a_colour_becomes_a_spectrum_and_is_drawn(window):
    window.session.choose(8)
    window.session.choose_stratum("body")
    gauge = window.strata.gauges["colour"]
    click(gauge.turn_button)
    assert len(window.session.specimen.surface["colour"]) == 21 and gauge.strip.isVisible()
    # It has its own width only once the panel has been laid out with it.
    QTest.qWait(50)
    middle = gauge.strip.point_of(10).toPoint()
    drag(gauge.strip, middle, QPoint(middle.x(), 20))
    assert window.session.specimen.surface["colour"][10] > 0.7
    QTest.keyClick(gauge.strip, Qt.Key.Key_Down)
    assert window.session.specimen.surface["colour"][10] < 0.9
    click(gauge.turn_button)
    assert len(window.session.specimen.surface["colour"]) == 3


def test_other_thicknesses_are_shown_and_tried(window, qtbot):
    window.session.choose(3)
    specimen = window.session.specimen
    for i in (3, 2, 1):
        specimen = specimen.without_reading(i)
    vague = with_uncertainty(specimen.readings[0], "20 %")
    held = specimen.with_reading_at(0, vague).with_free("film.ior", False).with_free("roughness", False)
    held = held.with_values({"film.thickness": 140.0}).with_free("film.thickness", True)
    window.session.change_specimen(held, "one vague reading")
    with qtbot.waitSignal(window.solve_sheet.outcome, timeout=PATIENCE_MS) as outcome:
        click(window.strata.solve_button)
    minima = outcome.args[0].minima
    buttons = window.solve_sheet.minimum_buttons if minima else []
    assert minima and len(buttons) == len(minima)
    click(buttons[0])
    assert window.session.specimen.surface["film.thickness"] == pytest.approx(minima[0].value)


def test_linked_specimens_are_solved_together_as_one_step(window, qtbot):
    """Gold's gloss and copper's lobe, one finish: both get it, with one bar, and one undo takes it back."""
    gloss = measured("glossmeter", Surface({**METALS["Gold"], "roughness": 0.31}))
    lobe = measured("goniophotometer", Surface({**METALS["Copper"], "roughness": 0.31}))
    study = Study("Two")
    for (name, metal), reading in zip(METALS.items(), (gloss, lobe), strict=True):
        study = study.with_new_specimen(name, surface=Surface({**metal, "roughness": 0.5}))
        one = replace(study.specimens[-1].with_reading(reading), free=frozenset({"roughness"}))
        study = study.with_specimen_at(len(study.specimens) - 1, one)
    window.session.open(study.with_link(1, "finish", "Gold"))
    window.session.history.mark_saved()
    QTest.keyClick(window, Qt.Key.Key_Return, CTRL)
    qtbot.waitUntil(lambda: window.solve_sheet.title.text().startswith("Solved"), timeout=PATIENCE_MS)
    assert "Gold" in window.solve_sheet.title.text() and "Copper" in window.solve_sheet.title.text()
    gold, copper = window.session.study.specimens
    assert gold.surface["roughness"] == copper.surface["roughness"] == pytest.approx(0.31, abs=0.01)
    assert gold.sigmas["roughness"] == pytest.approx(copper.sigmas["roughness"]) and gold.sigmas["roughness"] > 0.0
    words = [label.text() for label in window.solve_sheet._report.findChildren(QLabel)]
    assert any(w.startswith("Copper: ") for w in words) and any(w.startswith("Gold: ") for w in words)
    QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
    assert [s.surface["roughness"] for s in window.session.study.specimens] == [0.5, 0.5]


class TestSeveralAtOnce:
    def folder(self, tmp_path):
        folder = tmp_path / "quay"
        folder.mkdir()
        (folder / "a gloss.csv").write_text("# name: Hull\nangle_deg,gloss_units\n20,4\n60,31\n85,52\n")
        wide = "sample,400,450,500,550,600,650,700\nBuoy,5,6,9,20,40,50,55\nOar,30,31,32,33,34,35,36\n"
        (folder / "colours.csv").write_text(wide)
        (folder / "notes.txt").write_text("remember the milk")
        return folder

    def test_a_folder_is_looked_at_together_and_taken_as_one_step(self, window, qtbot, tmp_path):
        before = window.session.study
        drop(window, self.folder(tmp_path))
        sheet = sheet_of(window, qtbot)
        assert isinstance(sheet, ArrivalsSheet) and sheet.heading.text() == "3 samples in 3 files, 1 not understood"
        assert sheet.refused.isVisible() and "notes.txt" in sheet.refused.text()
        rows = [sheet.table.item(r, 2).text() for r in range(3)]
        assert rows == ["Hull", "Buoy", "Oar"] and sheet.take_button.text() == "Take 3"
        at = sheet.table.visualItemRect(sheet.table.item(2, 0))
        QTest.mouseClick(
            sheet.table.viewport(), Qt.MouseButton.LeftButton, pos=at.center() - QPoint(at.width() // 2 - 10, 0)
        )
        assert sheet.take_button.text() == "Take 2"
        sheet.table.item(0, 4).setText(before.specimens[0].name.upper())
        sheet.table.setCurrentCell(1, 2)
        assert "per cent" in sheet.doubts.text() or "unit" in sheet.doubts.text()
        click(sheet.take_button)
        study = window.session.study
        assert len(study.specimens) == len(before.specimens) + 1 and study.specimens[-1].name == "Buoy"
        assert len(study.specimens[0].readings) == len(before.specimens[0].readings) + 1
        window.activateWindow()
        qtbot.waitUntil(window.isActiveWindow, timeout=PATIENCE_MS)
        assert window.session.history.undo_label == "import readings"
        QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
        assert [s.name for s in window.session.study.specimens] == [s.name for s in before.specimens]
        assert window.session.study.specimens == before.specimens

    def test_all_samples_of_one_file_go_to_one_specimen_as_repeats(self, window, qtbot, tmp_path):
        window.session.choose(1)
        window.files.bring_in(self.folder(tmp_path) / "colours.csv")
        first = sheet_of(window, qtbot)
        assert first.all_button.isVisible()
        click(first.all_button)
        qtbot.waitUntil(lambda: isinstance(window.files.import_sheet, ArrivalsSheet), timeout=PATIENCE_MS)
        sheet = window.files.import_sheet
        name = window.session.specimen.name
        before = len(window.session.specimen.readings)
        choose(sheet.target, name)
        assert {sheet.table.item(r, 4).text() for r in range(2)} == {name}
        click(sheet.take_button)
        assert len(window.session.study.specimen(name).readings) == before + 2
