"""Photographs in the real window: looked at closely, lined up as one, counted by a solve; and two proofs compared."""

import numpy as np
import pytest
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtGui import QWheelEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QFileDialog, QInputDialog
from tests.imaging.test_camera_profiles import fractions, profile

from photometra.colour import encode_srgb, linear_srgb_to_xyz, xyz_to_lab
from photometra.desktop.comparison import linear_of
from photometra.imaging.lining_up import scale_and_turn
from photometra.imaging.references import our_chart
from photometra.pictures import encoded_exr, write_png

from .conftest import PATIENCE_MS, click, drag
from .test_comparing import CTRL, kept, whole_picture

RAIL = 5


def wheel(widget, at, by):
    at = QPointF(at)
    event = QWheelEvent(at, widget.mapToGlobal(at), QPoint(), QPoint(0, by), Qt.MouseButton.NoButton,
                        Qt.KeyboardModifier.NoModifier, Qt.ScrollPhase.NoScrollPhase, False)  # fmt: skip
    QApplication.sendEvent(widget, event)


@pytest.fixture
def sheet(window, qtbot):
    """The sheet of the rail's photograph."""
    window.session.choose(RAIL)
    whole_picture(qtbot, window)
    QTest.keyClick(window, Qt.Key.Key_P, CTRL | Qt.KeyboardModifier.ShiftModifier)
    found = window.sheets["photograph"]
    qtbot.waitUntil(lambda: found.view.tiles.pyramid is not None and found.view.tiles.is_whole, timeout=PATIENCE_MS)
    return found


def test_the_photograph_is_zoomed_about_the_pointer_and_moved_about(sheet, qtbot):
    assert sheet.window().minimumSizeHint().width() <= 1280
    view = sheet.view
    at = view.point_of((0.3, 0.4)).toPoint()
    for _ in range(8):
        wheel(view, at, 120)
    assert view.zoom > 4.0 and (view.point_of((0.3, 0.4)) - QPointF(at)).manhattanLength() < 6.0
    view.grab()
    qtbot.waitUntil(lambda: view.tiles.is_whole, timeout=PATIENCE_MS)
    # What is seen is the photograph itself, at its own pixels.
    colour = view.grab().toImage().pixelColor(at).getRgbF()[:3]
    h, w, _ = view.tiles.pyramid.levels[0].shape
    pixel = view.tiles.pyramid.levels[0][int(0.4 * h), int(0.3 * w)].astype(np.float32)
    shown = view.tiles._shown(np.tile(pixel, (2, 2, 1)))[0, 0]
    assert colour == pytest.approx(tuple(shown), abs=0.12)
    before = view.point_of((0.5, 0.5))
    QTest.mousePress(view, Qt.MouseButton.RightButton, pos=at)
    QTest.mouseMove(view, at + QPoint(40, -25))
    QTest.mouseRelease(view, Qt.MouseButton.RightButton, pos=at + QPoint(40, -25))
    assert (view.point_of((0.5, 0.5)) - before - QPointF(40, -25)).manhattanLength() < 1.5
    QTest.mouseDClick(view, Qt.MouseButton.LeftButton, pos=at)
    assert view.zoom == 1.0 and view.area.left() > 0.0


def test_a_curve_that_the_file_does_not_have_is_said_and_not_taken(sheet, window, qtbot):
    said = []
    window.session.said.connect(said.append)
    sheet.curve.setFocus()
    QTest.keyClick(sheet.curve, Qt.Key.Key_End)
    sheet.curve.activated.emit(sheet.curve.currentIndex())
    assert sheet.curve.currentText() == "profile"
    qtbot.waitUntil(lambda: bool(said) and "no colour profile in the file" in said[-1], timeout=PATIENCE_MS)
    assert sheet.reference.curve == "sRGB" and sheet.curve.currentText() == "sRGB"
    sheet.curve.setCurrentText("gamma 2.2")
    sheet.curve.activated.emit(sheet.curve.currentIndex())
    qtbot.waitUntil(lambda: sheet.reference.curve == "gamma 2.2", timeout=PATIENCE_MS)


def test_the_frame_is_moved_scaled_and_turned_and_the_render_lies_over_it(sheet, window, qtbot):
    view = sheet.view
    bare = view.grab().toImage()
    assert view.render is not None and view.opacity == pytest.approx(0.35)
    sheet.overlay.changed.emit(0.0, False)
    assert view.grab().toImage() != bare
    drag(view, view.point_of((0.5, 0.5)).toPoint(), view.point_of((0.55, 0.45)).toPoint())
    assert np.mean(sheet.reference.corners, axis=0) == pytest.approx([0.55, 0.45], abs=0.01)
    for field, keys in ((sheet.scale, "60"), (sheet.turn, "12")):
        field.setFocus()
        QTest.keyClick(field, Qt.Key.Key_Return)
        QTest.keyClicks(QApplication.focusWidget(), keys)
        QTest.keyClick(QApplication.focusWidget(), Qt.Key.Key_Return)
    scale, turn = scale_and_turn(sheet.reference.corners, view.tiles.pyramid.aspect)
    assert (scale, turn) == (pytest.approx(0.6), pytest.approx(12.0))
    for _ in range(3):
        QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
    assert sheet.reference.corners == ((0.0, 0.0), (1.0, 0.0), (1.0, 1.0), (0.0, 1.0))


def test_the_camera_is_brought_to_where_the_photograph_was_taken(sheet, window, qtbot):
    click(sheet.tasks["camera"])
    view, corners = sheet.view, sheet.reference.corners
    at = QPoint(view.width() // 2, view.height() // 2)
    drag(view, at, at + QPoint(50, 20))
    viewpoint = window.session.study.booth.viewpoint
    assert (viewpoint.turn, viewpoint.rise) == (pytest.approx(-20.0, abs=1.0), pytest.approx(19.0, abs=1.0))
    wheel(view, at, 240)
    assert window.session.study.booth.viewpoint.distance == pytest.approx(0.81 * viewpoint.distance)
    before = window.session.study.booth.turn
    QTest.mousePress(view, Qt.MouseButton.RightButton, pos=at)
    QTest.mouseMove(view, at + QPoint(30, 0))
    QTest.mouseRelease(view, Qt.MouseButton.RightButton, pos=at + QPoint(30, 0))
    booth = window.session.study.booth
    assert booth.turn == pytest.approx(before + 15.0, abs=1.0) and view.zoom == 1.0
    assert sheet.reference.corners == corners
    # The render that is laid over it follows.
    qtbot.waitUntil(lambda: sheet._frame.request.booth == booth, timeout=PATIENCE_MS)
    assert view.render is sheet._frame.image


def test_what_of_the_light_a_solve_finds_is_ticked(sheet, window, qtbot):
    click(sheet.tasks["camera"])
    for name in ("exposure", "azimuth"):
        click(sheet.free_light[name])
    assert window.session.specimen.reference.free_light == ("exposure", "azimuth")
    assert not sheet.free_light["strength"].isChecked()
    QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
    assert window.session.specimen.reference.free_light == ("exposure",) and not sheet.free_light["azimuth"].isChecked()
    assert sheet.window().minimumSizeHint().width() <= 1280


def test_a_charts_colours_are_taken_from_a_file(sheet, window, qtbot, tmp_path):
    """A chart of one's own: every colour of ours turned darker."""
    own = 0.6 * our_chart()
    lab = xyz_to_lab(linear_srgb_to_xyz(own))
    table = "\n".join(f"{i + 1},{L:.3f},{a:.3f},{b:.3f}" for i, (L, a, b) in enumerate(lab))
    (tmp_path / "own.csv").write_text("sample,L,a,b\n" + table)
    (tmp_path / "few.csv").write_text("sample,L,a,b\n1,50,0,0\n")
    write_png(tmp_path / "chart.png", encode_srgb(np.kron(our_chart().reshape(4, 6, 3), np.ones((20, 20, 1)))))
    sheet.load(tmp_path / "chart.png")
    qtbot.waitUntil(lambda: not sheet.job.is_running and sheet.view.tiles.pyramid.width == 120, timeout=PATIENCE_MS)
    click(sheet.tasks["chart"])
    said = []
    window.session.said.connect(said.append)
    sheet.load_chart(tmp_path / "few.csv")
    qtbot.waitUntil(lambda: bool(said) and "24 colours" in said[-1], timeout=PATIENCE_MS)
    sheet.load_chart(tmp_path / "own.csv")
    qtbot.waitUntil(lambda: "own.csv" in said[-1], timeout=PATIENCE_MS)
    sheet._dragged(((0.0, 0.0), (1.0, 0.0), (1.0, 1.0), (0.0, 1.0)), False)
    click(sheet.calibrate_button)
    assert sheet.reference.matrix == pytest.approx((0.6, 0, 0, 0, 0.6, 0, 0, 0, 0.6), abs=0.01)


def test_a_grey_patch_ties_the_exposure_to_the_render(sheet, window, qtbot):
    click(sheet.tasks["grey"])
    click(sheet.tie)
    # The frame stays where it is while a grey is looked for.
    corners = sheet.reference.corners
    drag(sheet.view, sheet.view.point_of((0.0, 0.0)).toPoint(), sheet.view.point_of((0.2, 0.2)).toPoint())
    assert sheet.view.corners == sheet.reference.corners == corners
    grey, said, before = (0.545, 0.895), [], sheet.reference
    window.session.said.connect(said.append)
    click(sheet.view, sheet.view.point_of(grey).toPoint())
    rendered = sheet._rendered_at(grey, sheet.view.tiles.pyramid.aspect)
    reference = sheet.reference
    # How the channels mix stays as the chart had it.
    scaled = np.array(reference.matrix).reshape(3, 3) / np.array(before.matrix).reshape(3, 3)
    assert scaled == pytest.approx(np.tile(scaled[0], (3, 1))) and not said
    frame = linear_of(reference, window.session.study.images[reference.picture], 240, 160)
    at = frame[round(grey[1] * 160), round(grey[0] * 240)]
    assert np.ptp(at) < 0.1 * at.mean() and at.mean() == pytest.approx(rendered, rel=0.1)
    # Beyond the render's edge there is nothing to tie to.
    sheet._line_up(((1.2, 0.0), (2.2, 0.0), (2.2, 1.0), (1.2, 1.0)), False)
    click(sheet.view, sheet.view.point_of((0.1, 0.5)).toPoint())
    assert "no light there" in said[-1]


def test_a_cameras_profile_gives_its_colours_and_a_neutral_balances_them(sheet, window, tmp_path, monkeypatch):
    camera = [[0.7, -0.1, -0.05], [-0.4, 1.2, 0.2], [-0.05, 0.2, 0.6]]
    entries = {50708: (2, 7, b"Skerry\0"), 50721: fractions(camera), 50722: fractions(camera),
               50778: (3, 1, [17]), 50779: (3, 1, [21])}  # fmt: skip
    answers = [str(profile(tmp_path / "skerry.dcp", entries))]
    monkeypatch.setattr(QFileDialog, "getOpenFileName", lambda *_: (answers[-1], ""))
    monkeypatch.setattr(QInputDialog, "getInt", lambda *_: (5000, True))
    said, before = [], window.session.specimen.reference
    window.session.said.connect(said.append)
    click(sheet.tasks["grey"])
    assert sheet.profile_button.isVisible()
    click(sheet.profile_button)
    assert "Skerry has them at 5000 K" in said[-1] and "mixed by a matrix" not in sheet.says.text()
    matrix = np.array(window.session.specimen.reference.matrix).reshape(3, 3)
    assert matrix.sum(axis=1) == pytest.approx(1.0) and abs(matrix[0, 1]) > 0.01
    click(sheet.view, sheet.view.point_of((0.545, 0.895)).toPoint())
    balanced = np.array(window.session.specimen.reference.matrix).reshape(3, 3)
    # Channel by channel: the colours that mix stay those of the camera.
    assert balanced / matrix == pytest.approx(np.tile((balanced / matrix)[0], (3, 1)))
    click(sheet.tasks["frame"])
    assert not sheet.profile_button.isVisible() and "mixed by a matrix" in sheet.says.text()
    click(sheet.tasks["grey"])
    answers.append(str(tmp_path / "none.dcp"))
    (tmp_path / "none.dcp").write_bytes(b"nothing")
    kept_as = window.session.specimen.reference
    click(sheet.profile_button)
    assert "not a camera profile" in said[-1] and window.session.specimen.reference == kept_as
    for _ in range(2):
        window.menus.undo.trigger()
    assert window.session.specimen.reference == before


def test_a_patch_gets_its_own_statistics_and_halves_show_the_pins_where_they_are(window, qtbot):
    window.session.choose(RAIL)
    whole_picture(qtbot, window)
    QTest.keyClick(window, Qt.Key.Key_M, CTRL | Qt.KeyboardModifier.ShiftModifier)
    comparison, strip, picture = window.sight.comparison, window.sight.compare_strip, window.sight.picture
    strip.compare_with(window.session.specimen.reference)
    comparison.set(mode="ΔE2000")
    window.sight.numbers.choose(0)
    qtbot.waitUntil(lambda: strip.words.text().startswith("Left: ΔE mean"), timeout=PATIENCE_MS)
    window.sight.numbers.choose(2)
    qtbot.waitUntil(lambda: strip.words.text().startswith("ΔE mean"), timeout=PATIENCE_MS)
    comparison.set(mode="side by side")
    width, _ = picture.width(), picture.height()
    middle = picture.pixel_at(QPointF(0.25 * width, 50.0))
    assert picture.is_halved and picture.pixel_at(QPointF(0.75 * width, 50.0)) == pytest.approx(middle, abs=1)
    assert middle[0] == pytest.approx(0.5 * picture.frame.linear.shape[1], abs=1.0)


@pytest.mark.long
def test_a_solve_counts_the_pins_of_the_photograph_and_can_be_stopped(window, qtbot):
    window.session.choose(RAIL)
    whole_picture(qtbot, window)
    card = window.ledger.photograph_card
    assert card.isVisible() and "4 pins count" in window.strata._solve_text.text()
    qtbot.waitUntil(lambda: "of 4 pins within" in card.accessibleName(), timeout=PATIENCE_MS)
    before = window.session.specimen.surface
    click(window.strata.solve_button)
    qtbot.waitUntil(lambda: "M paths" in window.solve_sheet.state.text(), timeout=PATIENCE_MS)
    # The picture stands back meanwhile, and goes on afterwards.
    held = window.sight.picture.frame.samples
    QTest.qWait(900)
    assert window.sight.picture.frame.samples <= held + 1
    click(window.solve_sheet.cancel_button)
    qtbot.waitUntil(lambda: not window.solve_sheet.job.is_running, timeout=PATIENCE_MS)
    qtbot.waitUntil(lambda: window.sight.picture.frame.samples > held + 1, timeout=PATIENCE_MS)
    assert window.solve_sheet.state.text().startswith("Stopped") and window.session.specimen.surface == before
    # Unticked, they no longer count.
    QTest.keyClick(window, Qt.Key.Key_M, CTRL | Qt.KeyboardModifier.ShiftModifier)
    table = window.sight.numbers.table
    for row in range(4):
        at = table.visualItemRect(table.item(row, 0))
        QTest.mouseClick(table.viewport(), Qt.MouseButton.LeftButton, pos=QPoint(at.left() + 11, at.center().y()))
    assert not any(p.counts for p in window.session.study.booth.pins)
    assert "pin" not in window.strata._solve_text.text()
    qtbot.waitUntil(lambda: "not counted" in card.accessibleName(), timeout=PATIENCE_MS)
    click(card)
    assert window.sheets["photograph"].isVisible()
    window.session.choose(0)
    assert not card.isVisible()


def test_a_damaged_photograph_is_said_once(window, qtbot):
    said = []
    window.session.said.connect(said.append)
    study = window.session.study
    name = study.specimens[RAIL].reference.picture
    window.session.history.apply(study.with_image(name, study.images[name][:900]), "spoil it")
    window.session.choose(RAIL)
    whole_picture(qtbot, window, 3)
    qtbot.waitUntil(lambda: bool(said), timeout=PATIENCE_MS)
    assert len(said) == 1 and said[0].startswith(f"{name}: ")


@pytest.mark.long
def test_two_proofs_are_compared_with_each_other(window, qtbot):
    first = kept(window, qtbot)
    QTest.keyClick(window, Qt.Key.Key_J, CTRL)
    qtbot.waitUntil(lambda: len(window.session.study.proofs) == 2, timeout=PATIENCE_MS)
    second = window.session.study.proofs[1]
    window.session.set_values({"roughness": 0.7})
    QTest.keyClick(window, Qt.Key.Key_J, CTRL | Qt.KeyboardModifier.ShiftModifier)
    proofs = window.sheets["proofs"]
    for row, modifier in ((0, Qt.KeyboardModifier.NoModifier), (1, CTRL)):
        at = proofs.list.visualItemRect(proofs.list.item(row)).center()
        QTest.mouseClick(proofs.list.viewport(), Qt.MouseButton.LeftButton, modifier, at)
    assert proofs.pair == [first, second] and not proofs.back_button.isEnabled()
    assert "Roughness: 0.420 → 0.050" in proofs.differs.text()
    click(proofs.compare_button)
    comparison, strip = window.sight.comparison, window.sight.compare_strip
    assert (comparison.instead, comparison.partner) == (first, second)
    assert strip.which.text() == "Proof 1 and Proof 2" and strip.now_button.isVisible()
    made = []
    comparison.made.connect(made.append)
    comparison.set(mode="ΔE2000")
    qtbot.waitUntil(lambda: bool(made) and made[-1].apart is not None, timeout=PATIENCE_MS)
    assert made[-1].apart.pixels > 1000 and made[-1].apart.largest > 0.5
    click(strip.now_button)
    assert comparison.instead is None and comparison.partner == second and not strip.which.isVisible()
    images = window.session.study.images
    assert linear_of(first, images[first.picture], 60, 40).shape == (40, 60, 3)
    assert encoded_exr(np.zeros((2, 2, 3)))[:4] == b"v/1\x01"
