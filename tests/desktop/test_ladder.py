"""The ladder and what makes variants, in the real window."""

import numpy as np
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest

from photometra.pictures import read_header, read_picture

from .conftest import PATIENCE_MS, click

CTRL_SHIFT = Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.ShiftModifier


def retype(edit, text):
    edit.setFocus()
    edit.selectAll()
    QTest.keyClicks(edit, text)


def test_a_ladder_is_stepped_taken_and_exported(window, qtbot, tmp_path):
    window.session.choose(3)
    QTest.keyClick(window, Qt.Key.Key_L, CTRL_SHIFT)
    sheet = window.sheets["ladder"]
    assert sheet.across.currentData() == "roughness"
    low, high, steps = sheet.ranges[sheet.across]
    retype(low, "0.1")
    retype(high, "0.4")
    steps.setValue(3)
    click(sheet.go_button)
    qtbot.waitUntil(lambda: len(sheet.curve.shares) == 3, timeout=PATIENCE_MS)
    assert [len(row) for row in sheet.cells] == [3] and sheet.cells[0][0].label == "0.100"
    assert all(cell.image is not None for cell in sheet.cells[0])
    # The vane is about 0.19 rough: the middle step agrees best.
    click(sheet.go_button)
    qtbot.waitUntil(lambda: sheet.export_button.isEnabled(), timeout=PATIENCE_MS)
    before = window.session.specimen.surface
    click(sheet.cells[0][1])
    assert window.session.specimen.surface["roughness"] == float(sheet.axes[0].values[1])
    assert sheet.cells[0][1].is_chosen and not sheet.cells[0][0].is_chosen
    QTest.keyClick(window, Qt.Key.Key_Z, Qt.KeyboardModifier.ControlModifier)
    assert window.session.specimen.surface == before
    for name in ("a.png", "a.exr"):
        sheet.export(tmp_path / name)
        assert "Roughness: 0.100" in str(read_header(tmp_path / name)["Photometra:across"])
    assert np.isfinite(read_picture(tmp_path / "a.exr")).all()


def test_a_range_that_will_not_do_is_said(window):
    QTest.keyClick(window, Qt.Key.Key_L, CTRL_SHIFT)
    sheet, said = window.sheets["ladder"], []
    window.session.said.connect(said.append)
    low, _, _ = sheet.ranges[sheet.across]
    retype(low, "rough")
    click(sheet.go_button)
    assert "'rough' is not a number" in said[-1] and not sheet.cells
    retype(low, "2")
    click(sheet.go_button)
    assert "outside 0 to 1" in said[-1]


def test_a_variant_and_a_stratum_from_another_specimen(window):
    count = len(window.session.study.specimens)
    QTest.keyClick(window, Qt.Key.Key_D, CTRL_SHIFT)
    variant = window.session.specimen
    assert variant.name == "Brass lamp bracket 2" and len(window.session.study.specimens) == count + 1
    assert variant.surface == window.session.study.specimens[0].surface and not variant.readings
    window.session.choose_stratum("film")
    menus = window.menus
    menus._strata.aboutToShow.emit()
    action = next(a for a in menus._strata.actions() if "heat-tinted vane" in a.text())
    action.trigger()
    vane = window.session.study.specimen("Heat-tinted vane").surface
    now = window.session.specimen.surface
    assert now["film.thickness"] == vane["film.thickness"] and now["constants"] == "brass-70-30"
    menus.undo.trigger()
    assert window.session.specimen.surface["film.amount"] == 0.0
