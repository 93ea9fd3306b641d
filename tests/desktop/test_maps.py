"""Maps and parts in the real window: given by the gauge's menu, dragged, typed, looked at; parts chosen and dressed."""

import numpy as np
import pytest
from PyQt6.QtCore import QPoint, Qt, QTimer
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication
from tests.tracing.test_nesting import ball as solid_ball

from photometra.imaging.booths import dressed, standing
from photometra.maps import Map
from photometra.pictures import write_png
from photometra.shapes.meshfiles import FileMesh, read_mesh
from photometra.study import Specimen, Study
from photometra.surface import Surface

from .conftest import PATIENCE_MS, answer, click, drag, wait_for_picture

LANTERN = "Gallery lantern"


def from_menu(button, *texts):
    """Press a button with a menu, and choose an entry by its text, in a menu of that menu where there are two."""

    def choose():
        menu, text = QApplication.activePopupWidget(), texts[len(chosen)]
        action = next((a for a in menu.actions() if a.text() == text), None) if menu is not None else None
        if action is None:
            QTimer.singleShot(20, choose)
            return
        QTest.mouseClick(menu, Qt.MouseButton.LeftButton, pos=menu.actionGeometry(action).center())
        chosen.append(text)
        if len(chosen) < len(texts):
            QTimer.singleShot(300, choose)

    chosen = []

    # A menu takes no click in its first moments.
    QTimer.singleShot(300, choose)
    click(button)
    for _ in range(200):
        if len(chosen) == len(texts):
            return
        QTest.qWait(20)
    raise AssertionError(f"no menu came up for {texts[len(chosen)]}")


@pytest.fixture
def rough(window, qtbot):
    """The window on the bracket, its roughness driven by scratches."""
    gauge = window.strata.gauges["roughness"]
    from_menu(gauge.map_button, "Scratches")
    qtbot.waitUntil(lambda: gauge.range.hill is not None, timeout=PATIENCE_MS)
    return window


def value(window, name="roughness"):
    return window.session.specimen.surface.input(name)


def test_a_gauge_is_given_a_map_and_shows_its_distribution(rough, qtbot):
    gauge = rough.strata.gauges["roughness"]
    assert isinstance(value(rough), Map) and gauge.range.isVisible() and not gauge.track.isVisible()
    assert rough.lower.currentWidget() is rough.map_sheet
    assert gauge.range.hill.shares.sum() == pytest.approx(1.0) and 0.0 < gauge.range.hill.mean < 1.0
    qtbot.waitUntil(lambda: rough.map_sheet.tile.millimetres == (40.0, 40.0), timeout=PATIENCE_MS)
    frame = wait_for_picture(qtbot, rough)
    assert frame.request.surface.maps
    rough.session.history.undo()
    assert value(rough) == 0.42 and gauge.track.isVisible()
    rough.session.history.redo()


def test_handles_and_hill_are_dragged_and_ends_typed(rough, qtbot):
    gauge = rough.strata.gauges["roughness"]
    track = gauge.range
    before = value(rough)
    at = QPoint(round(track.x_of(before.high)), 34)
    drag(track, at, at + QPoint(30, 0))
    assert value(rough).high > before.high and value(rough).low == before.low
    middle = QPoint(round(track.x_of(value(rough).middle)), 25)
    low, high = value(rough).low, value(rough).high
    drag(track, middle, middle - QPoint(20, 0))
    assert value(rough).low < low and value(rough).high < high
    gauge.edit.setFocus()
    gauge.edit.selectAll()
    QTest.keyClicks(gauge.edit, "0.08 to gloss 0.69")
    QTest.keyClick(gauge.edit, Qt.Key.Key_Return)
    assert value(rough).low == 0.08 and value(rough).high == pytest.approx(0.31)
    track.setFocus()
    track.active = 0
    QTest.keyClick(track, Qt.Key.Key_Right)
    assert value(rough).low > 0.08
    # One number takes the map off.
    gauge.edit.setFocus()
    gauge.edit.selectAll()
    QTest.keyClicks(gauge.edit, "0.2")
    QTest.keyClick(gauge.edit, Qt.Key.Key_Return)
    assert value(rough) == 0.2


def test_the_sheet_changes_layers_places_and_levels(rough, qtbot):
    sheet = rough.map_sheet
    click(sheet.invert, QPoint(8, sheet.invert.height() // 2))
    assert value(rough).layers[0].adjustments.invert
    sheet.fields["width"].setFocus()
    QTest.keyClick(sheet.fields["width"], Qt.Key.Key_Return)
    QTest.keyClicks(sheet.fields["width"]._edit, "25")
    QTest.keyClick(sheet.fields["width"]._edit, Qt.Key.Key_Return)
    assert value(rough).layers[0].placement.size_mm[0] == 25.0
    add = next(b for b in sheet.findChildren(type(sheet.remove)) if b.toolTip() == "Add a layer")
    click(add)
    assert len(value(rough).layers) == 2 and sheet.combine.isVisible()
    # Chosen as a mask, it gets a layer to be a mask of.
    sheet.combine.setFocus()
    QTest.keyClicks(sheet.combine, "mask")
    QTest.keyClick(sheet.combine, Qt.Key.Key_Return)
    qtbot.waitUntil(lambda: [la.combine for la in value(rough).layers[1:]] == ["mask", "mix"], timeout=PATIENCE_MS)
    click(sheet.remove)
    click(sheet.remove)
    assert len(value(rough).layers) == 1
    length = dict(sheet._settings)["length"]
    drag(length, QPoint(20, 12), QPoint(60, 12))
    assert dict(value(rough).layers[0].source.settings)["length"] > 12.0


def test_values_are_seen_over_the_specimen_and_told_at_the_pointer(rough, qtbot):
    wait_for_picture(qtbot, rough)
    click(rough.map_sheet.seen)
    picture = rough.sight.picture
    qtbot.waitUntil(lambda: picture._survey is not None and bool(picture._legend), timeout=PATIENCE_MS)
    assert picture._legend[0] == "Roughness"
    QTest.mouseMove(picture, picture.rect().center())
    qtbot.waitUntil(lambda: "roughness 0." in rough.probe_line.mapped.text(), timeout=PATIENCE_MS)
    click(rough.map_sheet.seen)
    assert picture._survey is None


def test_a_bump_has_nothing_to_set_until_a_map_drives_it(window, qtbot):
    gauge = window.strata.gauges["bump"]
    assert gauge.bare.isVisible() and not gauge.track.isVisible() and not gauge.edit.isVisible()
    from_menu(gauge.map_button, "Noise")
    qtbot.waitUntil(lambda: gauge.range.hill is not None, timeout=PATIENCE_MS)
    assert gauge.edit.text() == "0.0 to 250.0" and not gauge.bare.isVisible()
    frame = wait_for_picture(qtbot, window)
    assert frame.request.surface.input("bump").high == 250.0


def test_what_lies_on_the_shapes_own_edges_has_nothing_to_place(window, qtbot):
    window.session.choose(1)
    window.session.choose_stratum("body")
    window.show_map("colour")
    sheet = window.map_sheet
    assert sheet.filled.isVisible() and not sheet.way.isVisible() and not sheet.fields["width"].isVisible()
    window.session.choose(5)
    window.show_map("colour")
    assert sheet.way.isVisible() and sheet.fields["width"].isVisible() and not sheet.filled.isVisible()


def test_a_picture_of_ones_own_drives_a_colour(window, qtbot, tmp_path):
    file = tmp_path / "albedo.png"
    write_png(file, np.random.default_rng(3).uniform(size=(16, 16, 3)))
    window.session.choose(8)
    window.files.bring_in_map(file, "colour")
    qtbot.waitUntil(lambda: isinstance(value(window, "colour"), Map), timeout=PATIENCE_MS)
    assert value(window, "colour").is_coloured and window.lower.currentWidget() is window.map_sheet
    window.session.choose_stratum("body")
    gauge = window.strata.gauges["colour"]
    assert gauge.range.isVisible()
    click(gauge.range, QPoint(gauge.range.width() - 10, 20))
    assert gauge.range.end == "high"
    said = []
    answer("OK", said.append)
    window.files.bring_in_map(tmp_path / "none.png", "colour")
    qtbot.waitUntil(lambda: bool(said), timeout=PATIENCE_MS)
    assert "none.png" in said[0]


@pytest.mark.long
def test_a_map_is_solved_and_shows_its_error_bars(window, qtbot):
    window.session.choose(3)
    window.session.choose_stratum("film")
    click(window.strata.solve_button)
    qtbot.waitUntil(lambda: "film.thickness.low" in window.session.specimen.sigmas, timeout=180_000)
    gauge = window.strata.gauges["film.thickness"]
    assert all(gauge.range.sigmas) and abs(value(window, "film.thickness").low - 88.0) < 1.0


class TestParts:
    @pytest.fixture
    def lantern(self, window, qtbot):
        window.session.choose(window.session.study.index(LANTERN))
        window.show_parts()
        qtbot.waitUntil(lambda: bool(window.parts_sheet._numbers), timeout=PATIENCE_MS)
        wait_for_picture(qtbot, window, step=4, samples=1)
        return window

    def test_parts_are_chosen_in_the_picture_and_in_the_tree(self, lantern, qtbot):
        surveyor, picture, sheet = lantern.sight.surveyor, lantern.sight.picture, lantern.parts_sheet
        lens = sheet._numbers["lens"]
        seen = lambda: surveyor._found is not None and bool((surveyor._found.part == lens).any())  # noqa: E731
        qtbot.waitUntil(seen, timeout=PATIENCE_MS)
        part = surveyor._found.part
        ys, xs = np.nonzero(part == sheet._numbers["lens"])
        i = len(ys) // 2
        ratio = picture.width() / part.shape[1]
        QTest.mouseClick(picture, Qt.MouseButton.LeftButton, pos=QPoint(round(xs[i] * ratio), round(ys[i] * ratio)))
        assert sheet.chosen == ["lens"]
        assert surveyor.parts == {sheet._numbers["lens"]}
        group = next(x for x in sheet._items() if x.text(0) == "frame")
        sheet.tree.clearSelection()
        click(sheet.tree.viewport(), sheet.tree.visualItemRect(group).center())
        assert len(sheet.chosen) == 7

    def test_which_of_two_clear_parts_counts_is_seen_and_turned_round(self, window, qtbot):
        mesh = FileMesh("cup", (solid_ball("glass", 30.0), solid_ball("water", 20.0, (25.0, 0.0, 0.0)))).as_kept(1.0)
        clear = Surface({"transmission": 1.0, "roughness": 0.0})
        cup = Specimen("Cup", 60.0, Surface()).with_assigned("glass", "Pane").with_assigned("water", "Sea")
        study = Study(
            "T", (cup, Specimen("Pane", 60.0, clear), Specimen("Sea", 60.0, clear.with_values({"ior": 1.33})))
        )
        window.session.history.apply(study.with_mesh(0, "cup.glb", mesh), "a cup")
        window.session.choose(0)
        window.show_parts()
        sheet = window.parts_sheet

        def inside():
            return {x.text(0): x.text(2) for x in sheet._items()}

        qtbot.waitUntil(lambda: inside().get("water") == "closed, gives way to glass", timeout=PATIENCE_MS)
        assert inside()["glass"] == "closed"
        # Given its surface again, the glass comes last.
        item = next(x for x in sheet._items() if x.text(0) == "glass")
        sheet.tree.clearSelection()
        click(sheet.tree.viewport(), sheet.tree.visualItemRect(item).center())
        sheet.assign("Pane")
        qtbot.waitUntil(lambda: inside().get("glass") == "closed, gives way to water", timeout=PATIENCE_MS)
        for _ in range(2):
            window.menus.undo.trigger()

    def test_a_part_is_looked_at_alone_and_that_is_said(self, lantern, qtbot):
        sheet, sight = lantern.parts_sheet, lantern.sight
        whole = wait_for_picture(qtbot, lantern).linear
        lens = next(x for x in sheet._items() if x.text(0) == "lens")
        sheet.tree.clearSelection()
        click(sheet.tree.viewport(), sheet.tree.visualItemRect(lens).center())
        click(sheet.alone)
        assert sight.parts == ("lens",)
        qtbot.waitUntil(lambda: sight.picture.frame.request.parts == ("lens",), timeout=PATIENCE_MS)
        frame = wait_for_picture(qtbot, lantern)
        assert frame.linear.shape == whole.shape and abs(frame.linear - whole).mean() > 0.02
        qtbot.waitUntil(
            lambda: (
                sight.surveyor._found is not None
                and set(np.unique(sight.surveyor._found.part)) <= {-1, -2, sheet._numbers["lens"]}
            ),
            timeout=PATIENCE_MS,
        )
        QTest.keyClick(lantern, Qt.Key.Key_J, Qt.KeyboardModifier.ControlModifier)
        assert "all parts shown" in lantern._said.text() and not lantern.session.study.proofs
        click(sheet.alone)
        assert sight.parts == ()
        qtbot.waitUntil(lambda: sight.picture.frame.request.parts == (), timeout=PATIENCE_MS)

    def test_a_group_is_given_a_surface_and_a_variant_made(self, lantern, qtbot):
        sheet, session = lantern.parts_sheet, lantern.session
        group = next(x for x in sheet._items() if x.text(0) == "frame")
        click(sheet.tree.viewport(), sheet.tree.visualItemRect(group).center())
        from_menu(sheet.give, "Heat-tinted vane")
        assert session.specimen.assigned_to("frame/base") == "Heat-tinted vane"
        count = len(session.study.specimens)
        click(sheet.variant)
        assert len(session.study.specimens) == count + 1
        assert session.specimen.assigned_to("frame/roof") == "Heat-tinted vane 2"
        session.history.undo()
        from_menu(sheet.give, "None")
        shape = standing(session.specimen, session.study.meshes)
        assert dressed(session.study, session.specimen, shape)[shape.parts.index("frame/base")] is None

    def test_tints_lie_over_the_picture_while_they_are_wanted(self, lantern, qtbot):
        click(lantern.parts_sheet.tints)
        qtbot.waitUntil(lambda: lantern.sight.picture._survey is not None, timeout=PATIENCE_MS)
        lantern.show_parts()
        assert lantern.sight.picture._survey is None


def test_a_stratum_that_follows_says_so_and_is_unlinked(window):
    session = window.session
    session.choose(3)
    session.link("finish", "Brass lamp bracket")
    assert session.specimen.surface["roughness"] == 0.42
    assert window.strata._link.isVisible() and "Brass lamp bracket" in window.strata._link_text.text()
    assert not window.strata.gauges["roughness"].isEnabled()
    click(window.strata._unlink)
    assert window.strata.gauges["roughness"].isEnabled() and not window.strata._link.isVisible()


@pytest.mark.long
def test_a_roughness_taken_by_eye_moves_the_whole_range(rough, qtbot):
    row = rough.strata.roughness_row
    before = value(rough)
    qtbot.waitUntil(lambda: row.values and row.is_current, timeout=PATIENCE_MS)
    wanted = row.values[1]
    click(row, row.place_of(1).center().toPoint())
    after = value(rough)
    assert isinstance(after, Map) and after.middle == pytest.approx(wanted, abs=0.01)
    assert after.high - after.low == pytest.approx(before.high - before.low)


def test_two_parameters_share_one_map(rough):
    gauge = rough.strata.gauges["haze.amount"]
    rough.session.set_values({"haze.amount": 0.2})
    gauge.map_button.shared.emit("roughness")
    assert value(rough, "haze.amount").layers == value(rough).layers
    assert rough.map_sheet.name == "haze.amount"
    QTest.keyClick(rough, Qt.Key.Key_Z, Qt.KeyboardModifier.ControlModifier)
    assert value(rough, "haze.amount") == 0.2


def test_a_readings_place_is_typed_and_kept(window, qtbot):
    window.session.choose_reading(3)
    window.show_sheet("reading")
    field = window.sheets["reading"].form.fields["spot"]
    field.setFocus()
    QTest.keyClicks(field, "0 60 10, 8 mm")
    QTest.keyClick(field, Qt.Key.Key_Return)
    assert window.session.reading.spot.diameter_mm == 8.0
    field.selectAll()
    QTest.keyClicks(field, "on the left")
    QTest.keyClick(field, Qt.Key.Key_Return)
    assert window.session.reading.spot.diameter_mm == 8.0 and "is no place" in window._said.text()


def test_missing_pictures_are_named_and_found_again(window, qtbot, tmp_path, monkeypatch):
    from PyQt6.QtWidgets import QFileDialog

    from photometra.study import write_file
    from photometra.surface import PARAMETERS
    from photometra.surface.inputs import new_map, picture_from

    picture, moved = tmp_path / "wear.png", tmp_path / "moved"
    write_png(picture, np.random.default_rng(6).uniform(size=(8, 8, 3)))
    source = picture_from(picture, PARAMETERS["roughness"], linked=True)
    window.session.set_values({"roughness": new_map(window.session.specimen.surface, "roughness", source)})
    write_file(window.session.study, tmp_path / "linked.photometra")
    window.session.history.mark_saved()
    moved.mkdir()
    picture.rename(moved / "renamed.png")
    window.files.open(tmp_path / "linked.photometra")
    qtbot.waitUntil(lambda: "without their pictures: wear.png" in window._said.text(), timeout=PATIENCE_MS)
    assert value(window).is_missing
    monkeypatch.setattr(QFileDialog, "getExistingDirectory", lambda *_a, **_k: str(moved))
    window.files.relink()
    qtbot.waitUntil(lambda: not value(window).is_missing, timeout=PATIENCE_MS)
    assert "1 found" in window._said.text()


def test_the_place_of_a_reading_is_clicked_in_the_picture(window, qtbot):
    """What a click says is where the ray meets the ball; beside it the reading is of all of it again."""
    session, picture = window.session, window.sight.picture
    session.choose(0)
    session.choose_reading(1)
    wait_for_picture(qtbot, window)
    window.acts.pick_place()
    surveyor = window.sight.surveyor
    qtbot.waitUntil(lambda: surveyor._found is not None, timeout=PATIENCE_MS)
    before = session.reading
    rows, columns = np.nonzero(surveyor._found.part >= 0)
    y, x = int(rows.mean()), int(columns.mean())
    height, width, _ = picture.frame.linear.shape
    at = QPoint(round((x + 0.5) * picture.width() / width), round((y + 0.5) * picture.height() / height))
    QTest.mouseClick(picture, Qt.MouseButton.LeftButton, pos=at)
    qtbot.waitUntil(lambda: session.reading.spot is not None, timeout=PATIENCE_MS)
    spot, radius = session.reading.spot, session.specimen.size_mm / 2.0
    assert np.hypot(np.hypot(spot.x, spot.z), spot.y - radius) == pytest.approx(radius, rel=0.01)
    assert spot.diameter_mm == (before.collected_mm or 8.0) and session.reading.name == before.name
    window.acts.pick_place()
    qtbot.waitUntil(lambda: surveyor._found is not None, timeout=PATIENCE_MS)
    QTest.mouseClick(picture, Qt.MouseButton.LeftButton, pos=QPoint(6, 6))
    qtbot.waitUntil(lambda: session.reading.spot is None, timeout=PATIENCE_MS)
    # Afterwards a click is a click again.
    assert not surveyor._places

    def test_a_surface_goes_to_all_that_the_file_calls_one_material(self, window, qtbot, tmp_path):
        session, sheet = window.session, window.parts_sheet
        corners = "v 0 0 0\nv 9 0 0\nv 0 9 0\nv 0 0 9\n"
        parts = "o bowl\nusemtl spun brass\nf 1 2 3\no foot\nusemtl teak\nf 1 2 4\no ring\nusemtl spun brass\nf 2 3 4\n"
        (tmp_path / "lamp.obj").write_text(corners + parts)
        session.choose(0)
        data = read_mesh(tmp_path / "lamp.obj").as_kept(1.0)
        session.history.apply(session.study.with_mesh(session.index, "lamp.obj", data), "mesh")
        window.show_parts()
        qtbot.waitUntil(lambda: set(sheet._numbers) == {"bowl", "foot", "ring"}, timeout=PATIENCE_MS)
        head = sheet.tree.header()
        for column in range(4):
            words = head.fontMetrics().horizontalAdvance(sheet.tree.headerItem().text(column))
            assert not sheet.tree.isColumnHidden(column) and words + 12 <= head.sectionSize(column)
        foot = next(x for x in sheet._items() if x.text(0) == "foot")
        assert foot.text(3) == "teak"
        from_menu(sheet.give, "All that the file calls spun brass", "Heat-tinted vane")
        one = session.specimen
        assert one.assigned_to("ring", "spun brass") == one.assigned_to("bowl", "spun brass") == "Heat-tinted vane"
        assert one.assigned_to("foot", "teak") is None
