"""Gauges, pins, section and sheets, worked with mouse, wheel and keyboard in the real window."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtGui import QWheelEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QPushButton

from photometra.colour import to_xyz
from photometra.colour.limits import to_uv
from photometra.desktop.film_chart import _TRIED, candidates
from photometra.desktop.roughness_row import values_around
from photometra.surface import PARAMETERS
from photometra.surface.scale import Scale
from photometra.surface.values import xyz_of_colour

from .conftest import PATIENCE_MS, click, drag, track_point


class TestScale:
    @pytest.mark.parametrize("kind", ["linear", "root", "log"])
    @given(place=st.floats(0.0, 1.0))
    def test_places_come_back_and_rise(self, kind, place):
        scale = Scale(0.01, 250.0, kind)
        assert scale.place(scale.value(place)) == pytest.approx(place, abs=1e-9)
        assert scale.value(min(1.0, place + 0.01)) >= scale.value(place)

    def test_beyond_the_range_the_nearer_end_and_ticks_within(self):
        for kind in ("linear", "root", "log"):
            scale = Scale(0.5, 20.0, kind)
            assert scale.place(-5.0) == 0.0 and scale.place(1e9) == pytest.approx(1.0)
            long, short = scale.ticks()
            assert long and all(0.5 <= v <= 20.0 + 1e-9 for v in (*long, *short))
        assert Scale(0.0, 10.0, "log").place(0.0) == 0.0
        with pytest.raises(ValueError):
            Scale(1.0, 1.0)

    def test_roughness_is_spread_by_its_root(self):
        assert Scale(0.0, 1.0, "root").value(0.5) == 0.25


def value(window, name):
    return window.session.specimen.surface[name]


def type_into(edit, text):
    edit.setFocus()
    edit.selectAll()
    QTest.keyClicks(edit, text)
    QTest.keyClick(edit, Qt.Key.Key_Return)


@pytest.mark.parametrize(("text", "expected"), [("gloss 0.7", 0.3), ("0.11", 0.11), ("alpha .25", 0.5), ("7 %", 0.07)])
def test_typing_in_any_convention(window, text, expected):
    gauge = window.strata.gauges["roughness"]
    type_into(gauge.edit, text)
    assert value(window, "roughness") == pytest.approx(expected)
    assert gauge.edit.text() == f"{expected:.3f}"


def test_typing_what_will_not_do_says_so_and_changes_nothing(window):
    gauge, before = window.strata.gauges["roughness"], value(window, "roughness")
    type_into(gauge.edit, "very")
    assert value(window, "roughness") == before
    assert "'very' is not a number" in window._said.text() and window._said.isVisible()
    QTest.keyClick(gauge.edit, Qt.Key.Key_Escape)
    assert gauge.edit.text() == f"{before:.3f}"


def test_lengths_are_typed_in_their_units(window):
    click(window.ledger.specimen_cards[2])
    window.session.choose_stratum("interior")
    type_into(window.strata.gauges["interior.depth"].edit, "380 um")
    assert value(window, "interior.depth") == pytest.approx(0.38)


def test_arrows_ends_and_wheel(window):
    track = window.strata.gauges["roughness"].track
    track.setFocus()
    before = value(window, "roughness")
    QTest.keyClick(track, Qt.Key.Key_Right)
    step = value(window, "roughness") - before
    QTest.keyClick(track, Qt.Key.Key_Right, Qt.KeyboardModifier.ShiftModifier)
    fine = value(window, "roughness") - before - step
    assert 0.0 < fine < 0.3 * step
    QTest.keyClick(track, Qt.Key.Key_Home)
    assert value(window, "roughness") == 0.0
    QTest.keyClick(track, Qt.Key.Key_End)
    assert value(window, "roughness") == 1.0
    middle = QPointF(track.rect().center())
    QApplication.sendEvent(track, QWheelEvent(
        middle, track.mapToGlobal(middle), QPoint(), QPoint(0, -120), Qt.MouseButton.NoButton,
        Qt.KeyboardModifier.NoModifier, Qt.ScrollPhase.NoScrollPhase, False,
    ))  # fmt: skip
    assert 0.9 < value(window, "roughness") < 1.0


def test_a_press_on_the_scale_brings_the_needle_there(window):
    track = window.strata.gauges["roughness"].track
    click(track, track_point(track, 0.1))
    assert value(window, "roughness") == pytest.approx(0.1, abs=0.01)


def test_pins_free_and_hold(window):
    gauge = window.strata.gauges["roughness"]
    assert gauge.pin.isChecked() and "roughness" in window.session.specimen.free
    click(gauge.pin)
    assert "roughness" not in window.session.specimen.free and not gauge.pin.isChecked()
    click(gauge.pin)
    assert "roughness" in window.session.specimen.free


def test_a_colour_by_track_and_by_text(window):
    window.session.choose(8)
    window.session.choose_stratum("body")
    gauge = window.strata.gauges["colour"]
    type_into(gauge.edit, "#3050a0")
    QTest.qWait(50)
    r, g, b = value(window, "colour")
    drag(gauge.tracks[0], QPoint(round(gauge.tracks[0].x_of(r)), 12), QPoint(round(gauge.tracks[0].x_of(0.5)), 12))
    after = value(window, "colour")
    assert after[0] == pytest.approx(0.5, abs=0.02) and after[1:] == pytest.approx((g, b), abs=1e-4)


def test_only_gauges_that_apply_are_shown(window):
    click(window.ledger.specimen_cards[0])
    window.session.choose_stratum("body")
    shown = {name for name, g in window.strata.gauges.items() if g.isVisible()}
    assert shown == {"metalness", "constants", "tint", "opacity"}
    window.session.set_values({"metalness": 0.0, "constants": ""})
    shown = {name for name, g in window.strata.gauges.items() if g.isVisible()}
    assert {"ior", "abbe", "colour", "diffuse_roughness"} <= shown and "face_colour" not in shown


def test_every_gauge_and_field_has_a_tooltip(window):
    for name, gauge in window.strata.gauges.items():
        tip = gauge.toolTip()
        assert PARAMETERS[name].meaning in tip, name
    for field in (window.sight.turn, window.sight.strength, window.sight.chain.exposure, window.sight.environment):
        assert field.toolTip()


class TestSection:
    def test_click_a_stratum_and_drag_the_lamp(self, window, qtbot):
        section = window.strata.section
        click(window.ledger.specimen_cards[2])
        click(section, section._band("interior").center().toPoint())
        assert window.session.stratum == "interior"
        assert window.strata.gauges["transmission"].isVisible()
        before = section._split
        drag(section, section.lamp().toPoint(), QPoint(20, 40))
        assert section.angle > 50.0
        qtbot.waitUntil(lambda: section._split is not before, timeout=PATIENCE_MS)
        QTest.keyClick(section, Qt.Key.Key_Left)
        QTest.keyClick(section, Qt.Key.Key_Up)
        assert window.session.stratum == "body"
        click(section, section._band("film").center().toPoint())
        assert window.session.stratum == "film" and window.strata.film_chart.isVisible()

    def test_its_percentages_follow_the_gauges(self, window, qtbot):
        click(window.ledger.specimen_cards[1])
        window.session.set_values({"sheen.amount": 0.0})
        section = window.strata.section
        qtbot.waitUntil(lambda: section._split is not None and section._split.body.share > 0, timeout=PATIENCE_MS)
        first = section._split.reflected.share
        window.session.choose_stratum("body")
        type_into(window.strata.gauges["ior"].edit, "2.4")
        qtbot.waitUntil(lambda: section._split.reflected.share > 2.0 * first, timeout=PATIENCE_MS)
        s = section._split
        total = s.reflected.share + s.body.share + s.absorbed.share + s.leaves.share + s.returned.share
        assert total == pytest.approx(1.0, abs=0.01)


class TestRoughnessByEye:
    @given(st.floats(0.0, 1.0))
    def test_values_stand_evenly_about_the_present_one(self, roughness):
        values = values_around(roughness)
        assert roughness in values and len(values) == 7
        assert values == sorted(values) and values[0] >= 0.0 and values[-1] <= 1.0

    @pytest.mark.long
    def test_a_click_takes_a_ball(self, window, qtbot):
        row = window.strata.roughness_row
        # It may still have what another test left.
        is_current = lambda: len(row.values) == 7 and row.values[3] == value(window, "roughness") == row._present  # noqa: E731
        qtbot.waitUntil(is_current, timeout=PATIENCE_MS)
        smooth, rough = (image.pixelColor(20, 14) for image in (row._images[0], row._images[6]))
        assert smooth != rough
        wanted = row.values[1]
        click(row, row.place_of(1).center().toPoint())
        assert value(window, "roughness") == wanted
        qtbot.waitUntil(lambda: row._present == wanted, timeout=PATIENCE_MS)
        QTest.keyClick(row, Qt.Key.Key_Right)
        assert value(window, "roughness") > wanted
        window.session.history.undo()
        assert value(window, "roughness") == wanted


class TestFilmChart:
    @pytest.mark.long
    def test_strips_dips_and_a_drag(self, window, qtbot):
        click(window.ledger.specimen_cards[3])
        window.session.choose_stratum("film")
        chart = window.strata.film_chart
        qtbot.waitUntil(lambda: chart.of_state == chart.state and chart.misfits is not None, timeout=PATIENCE_MS)
        # Both ends are shown where it varies, and the nearer one is dragged.
        y = round(chart._area.center().y())
        drag(chart, QPoint(round(chart.x_of(400.0)), y), QPoint(round(chart.x_of(300.0)), y))
        varied = window.session.specimen.surface.input("film.thickness")
        assert varied.low == pytest.approx(300.0, abs=8.0) and varied.high == 70.0
        window.session.set_values({"film.thickness": 140.0}, "one thickness")
        window.session.settle()
        qtbot.waitUntil(lambda: chart.of_state == chart.state and chart.misfits is not None, timeout=PATIENCE_MS)
        # The true thickness lies about 60 nm, the deepest of several dips.
        dips = candidates(chart.misfits)
        assert len(dips) >= 1
        assert _TRIED[np.argmin(chart.misfits)] == pytest.approx(64.0, abs=16.0)
        bare = chart._by_thickness[0]
        assert np.ptp(bare) < 0.15 < np.ptp(chart._by_thickness, axis=0).max(), "bare titanium is grey, a film is not"
        before = chart.misfits
        drag(chart, QPoint(round(chart.x_of(1000.0)), y), QPoint(round(chart.x_of(70.0)), y))
        assert value(window, "film.thickness") == pytest.approx(70.0, abs=8.0)
        QTest.keyClick(chart, Qt.Key.Key_Right)
        QTest.qWait(300)
        assert chart.misfits is before, "another thickness leaves the misfits as they are"
        window.session.history.undo()
        window.session.history.undo()
        assert value(window, "film.thickness") == 140.0

    def test_without_a_reading_it_says_so(self, window, qtbot):
        click(window.ledger.specimen_cards[0])
        session = window.session
        bare = session.specimen
        for _ in bare.readings:
            bare = bare.without_reading(0)
        session.change_specimen(bare, "remove readings")
        session.choose_stratum("film")
        chart = window.strata.film_chart
        qtbot.waitUntil(lambda: chart._by_thickness is not None, timeout=PATIENCE_MS)
        QTest.qWait(200)
        assert chart.misfits is None
        chart.grab()


def test_a_finding_offers_its_mend_as_one_undoable_click(window):
    click(window.ledger.specimen_cards[1])
    window.session.choose_stratum("body")
    type_into(window.strata.gauges["ior"].edit, "1")
    row = window.strata._doubts.itemAt(0).widget()
    button = row.findChild(QPushButton)
    QTest.qWait(50)
    click(button)
    assert value(window, "ior") == 1.5
    window.session.history.undo()
    assert value(window, "ior") == 1.0
    assert "to mend" in window.route.steps["Material"].toolTip()


def test_the_route_takes_you_there(window, qtbot):
    steps = window.route.steps
    click(steps["Material"])
    assert window.session.stratum == "body"
    click(steps["Finish"])
    assert window.session.stratum == "finish"
    assert steps["Layers"].toolTip() == "Layers: bare"
    click(steps["Layers"])
    assert window.session.stratum == "coat"
    click(window.ledger.specimen_cards[3])
    assert steps["Layers"].toolTip() == "Layers: film, not solved"
    click(steps["Light"])
    assert window.sight.picture.picking
    qtbot.waitUntil(lambda: window.session.is_current, timeout=PATIENCE_MS)
    click(steps["Agreement"])
    found = window.session.agreements_of(window.session.specimen)
    worst = max(range(len(found)), key=lambda i: found[i].value / found[i].reading.tolerance)
    assert window.session.reading_index == worst
    click(steps["Hand-over"])
    assert window.hand_over.isVisible()


def test_the_chosen_readings_chart_is_shown_large(window, qtbot):
    for i, card in enumerate(window.ledger.reading_cards):
        click(card)
        assert window.session.reading_index == i
        reading = window.session.reading
        assert reading.name in window.chart.title.text()
        marks = [item for item in window.chart.plot.items if type(item).__name__ == "ScatterPlotItem"]
        bars = [item for item in window.chart.plot.items if type(item).__name__ == "ErrorBarItem"]
        lines = [item for item in window.chart.plot.items if type(item).__name__ == "PlotDataItem"]
        assert len(marks) == len(bars) == len(lines) == len(reading.kind.values)
        assert np.asarray(marks[0].data["x"]) == pytest.approx(reading.x)


def test_a_reading_left_out_is_not_counted(window, qtbot):
    session = window.session
    specimen = session.specimen
    session.change_specimen(specimen.with_reading_at(3, specimen.readings[3].with_changes(active=False)), "leave out")
    assert "3 readings count" in window.strata._solve_text.text()


def test_cancelling_a_solve_changes_nothing(window, qtbot):
    click(window.ledger.specimen_cards[1])
    before = window.session.study
    QTest.keyClick(window, Qt.Key.Key_Return, Qt.KeyboardModifier.ControlModifier)
    qtbot.waitUntil(lambda: len(window.solve_sheet.curve._points) > 1, timeout=PATIENCE_MS)
    click(window.solve_sheet.cancel_button)
    qtbot.waitUntil(lambda: not window.solve_sheet.job.is_running, timeout=PATIENCE_MS)
    qtbot.waitUntil(lambda: window.solve_sheet.title.text() == "Not solved", timeout=PATIENCE_MS)
    assert window.session.study is before and "nothing was changed" in window.solve_sheet.state.text()
    click(window.solve_sheet.close_button)
    assert window.lower.currentWidget() is window.chart


def test_themes_change_the_whole_window(window, qapp):
    from photometra.desktop import theme

    for name in ("light", "dim"):
        window.use_theme(name)
        assert theme.current().name == name
        ground = window.grab().toImage().pixelColor(6, window.height() - 60).name()
        assert ground == theme.current().panel


def test_specimens_by_keyboard(window):
    QTest.keyClick(window, Qt.Key.Key_Down, Qt.KeyboardModifier.ControlModifier)
    assert window.session.index == 1
    QTest.keyClick(window, Qt.Key.Key_Up, Qt.KeyboardModifier.ControlModifier)
    assert window.session.index == 0
    card = window.ledger.specimen_cards[2]
    card.setFocus()
    QTest.keyClick(card, Qt.Key.Key_Space)
    assert window.session.index == 2


def picker_of(window, qtbot):
    """The picker of the duster's body colour, opened by its swatch."""
    window.session.choose(8)
    window.session.choose_stratum("body")
    gauge = window.strata.gauges["colour"]
    click(gauge.swatch)
    qtbot.waitUntil(lambda: gauge.picker is not None and gauge.picker.isVisible(), timeout=PATIENCE_MS)
    return gauge, gauge.picker


def test_a_place_beyond_rec709_is_picked_and_becomes_a_spectrum_of_its_colour(window, qtbot):
    _, picker = picker_of(window, qtbot)
    before = window.session.specimen.surface["colour"]
    picker.space.setCurrentIndex(picker.space.findData("acescg"))
    QTest.mouseClick(picker.plane, Qt.MouseButton.LeftButton, pos=picker.plane.point((0.12, 0.53)).toPoint())
    picked = window.session.specimen.surface["colour"]
    assert len(picked) > 3 and "spectrum" in picker.says.text()
    assert to_uv(xyz_of_colour(picked)) == pytest.approx((0.12, 0.53), abs=0.004)
    QTest.keyClick(picker.plane, Qt.Key.Key_Right, Qt.KeyboardModifier.ShiftModifier)
    assert window.session.specimen.surface["colour"] != picked
    picker.close()
    window.menus.undo.trigger()
    window.menus.undo.trigger()
    assert window.session.specimen.surface["colour"] == before


def test_numbers_of_a_space_are_typed_and_what_is_out_of_range_is_refused(window, qtbot):
    gauge, picker = picker_of(window, qtbot)
    picker.space.setCurrentIndex(picker.space.findData("p3"))
    for edit, text in zip(picker.numbers, ("0.5", "0.25", "0.1"), strict=True):
        type_into(edit, text)
    kept = window.session.specimen.surface["colour"]
    assert xyz_of_colour(kept) == pytest.approx(to_xyz("p3") @ np.array([0.5, 0.25, 0.1]), abs=2e-3)
    said = []
    gauge.refused.connect(said.append)
    type_into(picker.numbers[0], "1.7")
    assert said and "outside" in said[0] and window.session.specimen.surface["colour"] == kept
    track = picker.luminance
    drag(track, track_point(track, xyz_of_colour(kept)[1]), track_point(track, 0.4))
    assert xyz_of_colour(window.session.specimen.surface["colour"])[1] == pytest.approx(0.4, abs=0.03)
    picker.close()
