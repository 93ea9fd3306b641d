"""The booth in the real window: shapes, camera, lamps, limits, regions, layers, meshes, and the section's light."""

from dataclasses import replace

import numpy as np
import pytest
import trimesh
from PyQt6.QtCore import QPoint, QPointF, Qt, QTimer
from PyQt6.QtGui import QWheelEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QDialogButtonBox, QFileDialog, QRadioButton

from photometra.desktop.absorption_chart import own_thickness
from photometra.desktop.mesh_question import MeshQuestion
from photometra.imaging.denoising import is_available
from photometra.shapes.meshfiles import kept_shape
from photometra.study import VIEWPOINTS, read_file

from .conftest import PATIENCE_MS, click, drag, wait_for_picture

RUBY, AWNING, FELT, PRISM = 6, 7, 8, 2


def booth(window):
    return window.session.study.booth


def place(widget, x, y):
    return QPoint(round(x * widget.width()), round(y * widget.height()))


def choose(box, text):
    """Take an entry of a combo box from the keyboard."""
    box.setFocus()
    index = box.findText(text)
    assert index >= 0, text
    steps = index - box.currentIndex()
    for _ in range(abs(steps)):
        QTest.keyClick(box, Qt.Key.Key_Down if steps > 0 else Qt.Key.Key_Up)
    assert box.currentText() == text


@pytest.fixture
def sheet(window):
    click(window.sight.booth_button)
    assert window.lower.currentWidget() is window.booth_sheet
    return window.booth_sheet


def test_a_drag_in_the_picture_goes_round_the_specimen_and_is_one_step(window, qtbot):
    picture, before = window.sight.picture, booth(window).viewpoint
    seen = wait_for_picture(qtbot, window).linear
    drag(picture, place(picture, 0.5, 0.5), place(picture, 0.3, 0.6))
    moved = booth(window).viewpoint
    assert moved.turn > before.turn + 20.0 and moved.rise > before.rise + 3.0
    other = wait_for_picture(qtbot, window).linear
    assert other.shape == seen.shape and np.abs(other - seen).mean() > 0.01
    window.menus.undo.trigger()
    assert booth(window).viewpoint == before


def test_the_wheel_brings_the_camera_nearer(window):
    picture, before = window.sight.picture, booth(window).viewpoint.distance
    at = QPointF(place(picture, 0.5, 0.5))
    for angle in (QPoint(0, 120), QPoint(0, 120)):
        event = QWheelEvent(
            at, picture.mapToGlobal(at), QPoint(), angle, Qt.MouseButton.NoButton, Qt.KeyboardModifier.NoModifier,
            Qt.ScrollPhase.NoScrollPhase, False,
        )  # fmt: skip
        QApplication.sendEvent(picture, event)
    assert booth(window).viewpoint.distance == pytest.approx(before * 0.81, rel=1e-6)


def test_shape_view_and_lamps_are_set_in_the_sheet_seen_and_kept(window, sheet, qtbot):
    ball = wait_for_picture(qtbot, window).linear
    choose(sheet.shape, "puck")
    assert window.session.specimen.shape == "puck"
    qtbot.waitUntil(
        lambda: window.sight.picture.frame.request.specimen.shape == "puck" and window.sight.picture.frame.step == 1,
        timeout=PATIENCE_MS,
    )
    assert np.abs(window.sight.picture.frame.linear - ball).mean() > 0.01
    choose(sheet.viewpoint, "above")
    assert booth(window).viewpoint == VIEWPOINTS["above"]
    field = sheet.fields["back", "strength"]
    drag(field, QPoint(20, 12), QPoint(120, 12))
    assert booth(window).back.strength == pytest.approx(5.0, abs=0.6)
    choose(sheet.fields["back", "spectrum"], "A")
    assert booth(window).back.spectrum == "A"
    warm = wait_for_picture(qtbot, window, samples=4).linear.mean(axis=(0, 1))
    assert warm[0] > 1.05 * warm[2], "an incandescent lamp behind it"
    path = window.session.path
    window.files.save()
    qtbot.waitUntil(lambda: window.session.history.is_saved, timeout=PATIENCE_MS)
    kept = read_file(path)
    assert kept.booth == booth(window) and kept.specimens[0].shape == "puck"


def test_the_wall_of_a_vessel_has_its_field_only_there(window, sheet):
    assert not sheet.wall.isVisible()
    choose(sheet.shape, "vessel")
    assert sheet.wall.isVisible()
    sheet.wall.setFocus()
    QTest.keyClick(sheet.wall, Qt.Key.Key_Return)
    edit = sheet.wall._edit
    edit.selectAll()
    QTest.keyClicks(edit, "4.5")
    QTest.keyClick(edit, Qt.Key.Key_Return)
    assert window.session.specimen.wall_mm == 4.5


@pytest.mark.long
def test_the_picture_stops_where_it_is_told(window, sheet, qtbot):
    field = sheet.fields["effort", "samples"]
    field.setFocus()
    QTest.keyClick(field, Qt.Key.Key_Return)
    field._edit.selectAll()
    QTest.keyClicks(field._edit, "6")
    QTest.keyClick(field._edit, Qt.Key.Key_Return)
    assert booth(window).effort.samples == 6
    window.probe_line.restart.click()
    wait_for_picture(qtbot, window, samples=6)
    QTest.qWait(500)
    assert window.sight.picture.frame.samples == 6


def test_a_region_is_drawn_with_the_mouse_and_taken_back(window, sheet, qtbot):
    picture = window.sight.picture
    click(sheet.region)
    drag(picture, place(picture, 0.25, 0.3), place(picture, 0.75, 0.8))
    assert booth(window).region == pytest.approx((0.25, 0.3, 0.75, 0.8), abs=0.01)
    linear = wait_for_picture(qtbot, window).linear
    h, w, _ = linear.shape
    assert linear[: int(0.28 * h)].max() == 0.0 and linear[int(0.4 * h), int(0.5 * w)].max() > 0.0
    click(sheet.region)
    assert booth(window).region is None
    click(sheet.region)
    drag(picture, place(picture, 0.5, 0.5), place(picture, 0.5, 0.5) + QPoint(2, 2))
    assert booth(window).region is None and not sheet.region.isChecked()


def test_what_light_met_first_is_one_click_away(window, qtbot):
    window.session.choose(FELT)
    whole = wait_for_picture(qtbot, window).linear
    strip = window.sight.layers
    shown = {name for name, b in strip.buttons.items() if b.isVisible()}
    assert shown == {"whole", "sheen", "finish", "body", "stage"}
    click(strip.buttons["sheen"])
    qtbot.waitUntil(lambda: window.sight.picture.frame.request.layer == "sheen", timeout=PATIENCE_MS)
    only = wait_for_picture(qtbot, window).linear
    assert only[2, 2].max() == 0.0 and 0.0 < only.mean() < 0.5 * whole.mean()
    # Without fibres there is no such picture: the whole comes back.
    window.session.set_values({"sheen.amount": 0.0})
    assert strip.buttons["whole"].isChecked() and window.sight.layer == ""


def test_limits_that_take_light_are_said_and_mended_with_a_click(window, qtbot):
    window.session.choose(PRISM)
    effort = booth(window).effort
    window.session.set_booth("limits", effort=type(effort)(reflection=1, transmission=1))
    qtbot.waitUntil(lambda: window.sight.layers.mend.isVisible(), timeout=PATIENCE_MS)
    assert "limits take" in window.sight.layers.finding.text()
    click(window.sight.layers.mend)
    assert booth(window).effort.transmission == 256 and booth(window).effort.reflection == 16
    qtbot.waitUntil(lambda: not window.sight.layers.mend.isVisible(), timeout=PATIENCE_MS)
    window.menus.undo.trigger()
    assert booth(window).effort.transmission == 1


def answer_mesh(unit, up="y"):
    """When the question of units comes up, tick and accept."""

    def look():
        dialog = QApplication.activeModalWidget()
        if not isinstance(dialog, MeshQuestion):
            QTimer.singleShot(20, look)
            return
        for button in dialog.findChildren(QRadioButton):
            if button.text().startswith(unit) or button.text() == f"its {up} axis":
                button.click()
        click(dialog.findChild(QDialogButtonBox).button(QDialogButtonBox.StandardButton.Ok))

    QTimer.singleShot(20, look)


@pytest.mark.long
def test_a_mesh_comes_in_with_its_unit_and_stands_in_the_booth(window, qtbot, tmp_path):
    path = tmp_path / "bracket probe.obj"
    trimesh.creation.cylinder(0.02, 0.05).export(path)
    answer_mesh("1 m,", "z")
    window.files.bring_in(path)
    qtbot.waitUntil(lambda: window.session.specimen.shape.startswith("meshes/"), timeout=PATIENCE_MS)
    name = window.session.specimen.shape
    assert name.startswith("meshes/bracket-probe.") and name in window.session.study.meshes
    frame = wait_for_picture(qtbot, window)
    assert frame.request.specimen.shape == name
    from photometra.imaging.booths import standing

    shape = standing(window.session.specimen, window.session.study.meshes)
    assert shape.height == pytest.approx(50.0, rel=1e-2) and not shape.is_open
    window.menus.undo.trigger()
    assert window.session.specimen.shape == "ball" and name not in window.session.study.meshes


def test_a_damaged_mesh_is_refused_with_one_sentence(window, qtbot, tmp_path, monkeypatch):
    told = []
    monkeypatch.setattr(window.files, "refuse", told.append)
    window.files._fetcher.failed.disconnect()
    window.files._fetcher.failed.connect(window.files._not_fetched)
    path = tmp_path / "x.stl"
    path.write_bytes(b"solid")
    window.files.bring_in(path)
    qtbot.waitUntil(lambda: bool(told), timeout=PATIENCE_MS)
    assert "x.stl" in told[0] and window.session.specimen.shape == "ball"


class TestSection:
    def test_drawn_below_the_surface_the_lamp_shows_total_reflection(self, window, qtbot):
        window.session.choose(PRISM)
        section = window.strata.section
        qtbot.waitUntil(lambda: section._split is not None, timeout=PATIENCE_MS)
        point = section._point
        drag(section, section.lamp().toPoint(), QPoint(round(point.x() - 70), round(point.y() + 50)), 12)
        assert section.is_within and section.angle == pytest.approx(180.0 - 54.5, abs=2.0)
        qtbot.waitUntil(lambda: section._inner is not None, timeout=PATIENCE_MS)
        assert section._inner.leaves_deg is None and section._inner.returned.share > 0.95
        drag(section, section.lamp().toPoint(), QPoint(round(point.x() - 20), round(point.y() + 80)), 12)
        qtbot.waitUntil(
            lambda: section._inner.leaves_deg is not None and section._inner.leaves.share > 0.9, timeout=PATIENCE_MS
        )
        assert section._inner.critical_deg == pytest.approx(42.2, abs=0.3)
        # A metal has no inside: the lamp comes back out.
        window.session.choose(0)
        assert not section.is_within

    def test_every_stratum_is_chosen_by_a_click_on_it(self, window):
        window.session.choose(AWNING)
        section = window.strata.section
        for name in ("sheen", "coat", "film", "body", "reverse"):
            click(section, section._band(name).center().toPoint())
            assert window.session.stratum == name

    def test_light_through_a_sheet_is_told(self, window, qtbot):
        window.session.choose(AWNING)
        section = window.strata.section
        qtbot.waitUntil(lambda: section._split is not None and section._split.leaves.share > 0.01, timeout=PATIENCE_MS)
        before = section._split.leaves.share
        window.session.set_values({"reverse.translucency": 0.6})
        qtbot.waitUntil(lambda: section._split.leaves.share > 1.5 * before, timeout=PATIENCE_MS)


def test_a_tick_makes_a_wall_and_its_thickness_counts(window, qtbot):
    window.session.choose(RUBY)
    window.session.choose_stratum("interior")
    switch = window.strata.gauges["thin_walled"]
    assert not window.strata.gauges["thickness"].isVisible()
    window.strata._scroll.ensureWidgetVisible(switch)
    QTest.qWait(50)
    click(switch.box, QPoint(8, switch.box.height() // 2))
    assert window.session.specimen.surface["thin_walled"] is True
    assert window.strata.gauges["thickness"].isVisible()
    assert own_thickness(window.session.specimen) == 1.0


def test_the_absorption_chart_shows_the_interior_and_moves_its_depth(window, qtbot):
    window.session.choose(RUBY)
    window.session.choose_stratum("interior")
    chart = window.strata.absorption_chart
    qtbot.waitUntil(lambda: chart.transmittance is not None, timeout=PATIENCE_MS)
    assert np.all(np.diff(chart.transmittance) <= 1e-9) and chart.transmittance[0] > 0.85
    middle, before = QPoint(round(chart.x_of(4.0)), 60), chart.transmittance.copy()
    drag(chart, middle, QPoint(round(chart.x_of(40.0)), 60))
    assert window.session.specimen.surface["interior.depth"] == pytest.approx(40.0, rel=0.05)
    qtbot.waitUntil(lambda: chart.transmittance.sum() > before.sum(), timeout=PATIENCE_MS)
    QTest.keyClick(chart, Qt.Key.Key_Left)
    assert window.session.specimen.surface["interior.depth"] < 40.0
    window.session.choose(0)
    assert not chart.isVisible()


def test_a_known_medium_is_taken_from_its_menu(window):
    window.session.choose(4)
    window.session.choose_stratum("interior")
    parts = window.strata.media_button.menu().actions()
    assert [a.text() for a in parts] == ["In a clear interior", "As the subsurface"]
    marble = next(a for a in parts[1].menu().actions() if a.text() == "Marble")
    marble.trigger()
    s = window.session.specimen.surface
    assert s["ior"] == 1.5 and s["subsurface"] == 1.0 and s["subsurface.radius"][0] == pytest.approx(0.456, abs=0.01)
    window.menus.undo.trigger()
    assert window.session.specimen.surface["ior"] != 1.5 or window.session.specimen.surface["transmission"] == 0.0


def test_a_film_takes_its_table_from_the_browser_and_lets_it_go(window):
    window.session.choose(3)
    window.session.choose_stratum("film")
    row = window.strata.gauges["film.constants"]
    click(row.button)
    browser = window.browser
    QTest.keyClicks(browser.search, "silver")
    browser.list.selectRow(next(r for r in range(browser.list.rowCount()) if not browser.list.isRowHidden(r)))
    click(browser.use_button)
    assert window.session.specimen.surface["film.constants"] == "silver"
    assert not window.strata.gauges["film.ior"].isVisible()
    browser.close()
    click(row.clear_button)
    assert window.session.specimen.surface["film.constants"] == ""


def test_letting_a_metals_table_go_keeps_its_colours_and_says_the_loss(window):
    said = []
    window.session.said.connect(said.append)
    window.session.choose_stratum("body")
    click(window.strata.gauges["constants"].clear_button)
    s = window.session.specimen.surface
    red, green, blue = s["face_colour"]
    assert s["constants"] == "" and red > green > blue, "brass is yellow still"
    assert "of its table" in said[-1]


def test_a_gltf_says_its_unit_itself_and_nobody_is_asked(window, qtbot, tmp_path):
    path = tmp_path / "probe.glb"
    trimesh.creation.box((0.02, 0.03, 0.04)).export(path)
    window.files.bring_in(path)
    qtbot.waitUntil(lambda: window.session.specimen.shape.startswith("meshes/probe."), timeout=PATIENCE_MS)
    kept = kept_shape(window.session.specimen.shape, window.session.study.meshes[window.session.specimen.shape])
    assert kept.radius == pytest.approx(20.0)


def test_clear_matter_on_a_cloth_becomes_a_thin_wall_at_once(window):
    window.session.set_values({"metalness": 0.0, "constants": "", "transmission": 0.6})
    sheet = window.booth_sheet
    sheet.shape.setCurrentIndex(sheet.shape.findData("cloth"))
    sheet.shape.activated.emit(sheet.shape.currentIndex())
    assert window.session.specimen.shape == "cloth" and window.session.specimen.surface["thin_walled"]
    window.session.history.undo()
    assert window.session.specimen.shape == "ball" and not window.session.specimen.surface["thin_walled"]


@pytest.mark.skipif(not is_available(), reason="no library to denoise with on this machine")
def test_what_is_looked_at_is_denoised_and_what_is_read_is_not(window, qtbot):
    window.session.set_booth("effort", effort=replace(booth(window).effort, samples=4))
    frame = wait_for_picture(qtbot, window, samples=4)
    qtbot.waitUntil(lambda: window.sight.picture.frame.error is not None, timeout=PATIENCE_MS)
    frame = window.sight.picture.frame
    assert frame.denoised == 4 and 0.0 < frame.error < 5.0
    assert np.abs(np.diff(frame.shown, axis=1)).mean() < 0.5 * np.abs(np.diff(frame.linear, axis=1)).mean()
    QTest.mouseMove(window.sight.picture, place(window.sight.picture, 0.5, 0.5))
    read = window.probe_line.parts["linear"].text()
    QTest.keyClick(window, Qt.Key.Key_D)
    qtbot.waitUntil(lambda: window.sight.picture.frame.denoised == 0, timeout=PATIENCE_MS)
    raw = window.sight.picture.frame
    assert np.array_equal(raw.linear, frame.linear) and raw.shown is raw.linear
    assert window.probe_line.parts["linear"].text() == read
    assert not window.settings.value("denoise", True, bool)
    QTest.keyClick(window, Qt.Key.Key_D)
    qtbot.waitUntil(lambda: window.sight.picture.frame.denoised == 4, timeout=PATIENCE_MS)


def test_a_measured_lamp_comes_from_a_file_and_another_puts_it_away(window, sheet, monkeypatch, tmp_path):
    path = tmp_path / "bench tube.csv"
    path.write_text("nm,power\n" + "\n".join(f"{nm},{1 + (nm > 600)}" for nm in range(380, 781, 5)))
    monkeypatch.setattr(QFileDialog, "getOpenFileName", lambda *a, **k: (str(path), ""))
    box = sheet.fields["key", "spectrum"]
    box.setFocus()
    QTest.keyClick(box, Qt.Key.Key_End)
    lamp = booth(window).key
    assert lamp.spectrum == "bench tube" and len(lamp.measured) == 81 and box.currentText() == "bench tube"
    choose(box, "A")
    assert booth(window).key.spectrum == "A" and booth(window).key.measured == ()
    path.write_text("nothing of a lamp\n")
    QTest.keyClick(box, Qt.Key.Key_End)
    assert "no wavelength with its power" in window._said.text() and box.currentText() == "A"
