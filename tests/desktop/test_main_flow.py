"""The whole job in the real window, with mouse and keyboard: choose, tune, balance, solve, undo, save, reopen."""

import numpy as np
import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QLabel

from photometra.demo.samples import SAMPLES
from photometra.desktop.solve_report import Hill
from photometra.fitting import agreements
from photometra.study import read_file

from .conftest import PATIENCE_MS, click, drag, track_point, wait_for_picture

CTRL = Qt.KeyboardModifier.ControlModifier


def test_from_opening_to_reopening(window, make_window, qtbot):
    session = window.session
    assert window.windowTitle().startswith("own – Photometra")
    assert [c._specimen.name for c in window.ledger.specimen_cards] == [s.name for s in session.study.specimens]

    # Choose the plate by its card.
    click(window.ledger.specimen_cards[1])
    assert session.specimen.name == "Enamelled number plate"
    first = wait_for_picture(qtbot, window)
    qtbot.waitUntil(lambda: session.is_current, timeout=PATIENCE_MS)
    assert len(window.ledger.reading_cards) == 4
    out = [a for a in session.agreements_of(session.specimen) if not a.within]
    assert out, "the demo starts off"

    # Drag its roughness; picture, agreement and section follow.
    track = window.strata.gauges["roughness"].track
    before = session.specimen.surface["roughness"]
    drag(track, track_point(track, before), track_point(track, 0.6))
    assert session.specimen.surface["roughness"] == pytest.approx(0.6, abs=0.02)
    second = wait_for_picture(qtbot, window)
    qtbot.waitUntil(lambda: session.is_current, timeout=PATIENCE_MS)
    assert not np.allclose(first.linear, second.linear)
    # The whole drag is one step.
    QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
    assert session.specimen.surface["roughness"] == before and session.history.is_saved
    QTest.keyClick(window, Qt.Key.Key_Z, CTRL | Qt.KeyboardModifier.ShiftModifier)
    assert session.specimen.surface["roughness"] == pytest.approx(0.6, abs=0.02)

    # Balance on the 18 % patch by clicking it.
    frame = wait_for_picture(qtbot, window, samples=8)
    click(window.sight.chain.neutral)
    assert window.sight.picture.picking
    at = window.sight.patch_position(1).toPoint()
    click(window.sight.picture, at)
    white = session.study.booth.white
    assert white is not None and max(white) == 1.0
    around = window.sight.around(*window.sight.picture.pixel_at(at.toPointF()))
    balanced = wait_for_picture(qtbot, window)
    assert balanced.request.booth.white == white
    window.probe_line.show_pixel(around)
    lab = [float(v.replace("−", "-")) for v in window.probe_line.parts["Lab"].text().split()]
    assert abs(lab[1]) < 3.0 and abs(lab[2]) < 3.0
    assert frame.linear.shape == balanced.linear.shape

    # Solve with the button; the true sample is found, with error bars on the gauges.
    tuned = session.specimen
    with qtbot.waitSignal(window.solve_sheet.outcome, timeout=PATIENCE_MS):
        click(window.strata.solve_button)
    assert window.lower.currentWidget() is window.solve_sheet
    solved = session.specimen
    truth = SAMPLES[1].truth
    for name in ("roughness", "ior", "haze.amount"):
        assert abs(solved.surface[name] - truth[name]) < 2.0 * solved.sigmas[name], name
    assert track._sigma == solved.sigmas["roughness"]
    assert "±" in window.strata.gauges["roughness"].edit.text()
    assert all(a.within for a in agreements(solved.surface, solved.readings))

    # One undo brings everything back, one redo the solve.
    QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
    assert session.specimen == tuned
    QTest.keyClick(window, Qt.Key.Key_Z, CTRL | Qt.KeyboardModifier.ShiftModifier)
    assert session.specimen == solved

    # Save, and open the file again in another window.
    assert window.windowTitle().startswith("own * –")
    QTest.keyClick(window, Qt.Key.Key_S, CTRL)
    qtbot.waitUntil(lambda: session.history.is_saved, timeout=PATIENCE_MS)
    assert read_file(session.path) == session.study
    again = make_window(session.path)
    assert again.session.study == session.study
    click(again.ledger.specimen_cards[1])
    qtbot.waitUntil(lambda: again.session.is_current, timeout=PATIENCE_MS)
    assert all(a.within for a in again.session.agreements_of(again.session.specimen))


def test_a_drag_is_answered_by_a_small_picture_first(window, qtbot):
    track = window.strata.gauges["roughness"].track
    seen = []
    window.sight.loop.frame.connect(seen.append)
    drag(track, track_point(track, 0.42), track_point(track, 0.2))
    wanted = window.session.specimen.surface
    qtbot.waitUntil(lambda: any(f.request.surface == wanted and f.step == 1 for f in seen), timeout=PATIENCE_MS)
    steps = [f.step for f in seen if f.request.surface == wanted]
    assert steps[0] == 4 and steps == sorted(steps, reverse=True)


def test_pause_resume_and_restart(window, qtbot):
    line, picture = window.probe_line, window.sight.picture
    click(line.pause)
    assert line.pause.text() == "Resume" and window.sight.loop.is_paused
    # What is under way is finished first.
    QTest.qWait(1500)
    held = picture.frame.samples
    QTest.qWait(700)
    assert picture.frame.samples == held
    assert line.progress.text().startswith(f"{held} sample") and "noise" in line.progress.text()
    click(line.pause)
    qtbot.waitUntil(lambda: picture.frame.samples > held, timeout=PATIENCE_MS)
    qtbot.waitUntil(lambda: picture.frame.samples > 6, timeout=PATIENCE_MS)
    click(line.restart)
    qtbot.waitUntil(lambda: picture.frame.samples < 6, timeout=PATIENCE_MS)


def test_the_light_is_turned_strengthened_exposed_and_changed(window, qtbot):
    session, sight = window.session, window.sight
    booth = session.study.booth
    drag(sight.chain.exposure, QPoint(20, 12), QPoint(60, 12))
    assert session.study.booth.exposure == pytest.approx(booth.exposure + 0.8, abs=0.1)
    drag(sight.picture, QPoint(100, 100), QPoint(160, 100), button=Qt.MouseButton.RightButton)
    assert session.study.booth.turn == pytest.approx(booth.turn + 30.0, abs=2.0)
    QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
    assert session.study.booth.turn == booth.turn
    sight.strength.setFocus()
    QTest.keyClick(sight.strength, Qt.Key.Key_Return)
    QTest.keyClicks(sight.strength._edit, "2.5")
    QTest.keyClick(sight.strength._edit, Qt.Key.Key_Return)
    assert session.study.booth.strength == 2.5
    sight.environment.setFocus()
    QTest.keyClick(sight.environment, Qt.Key.Key_Down)
    assert session.study.booth.environment != booth.environment
    QTest.keyClick(window, Qt.Key.Key_P, CTRL)
    assert session.study.booth.view == "plain"
    frame = wait_for_picture(qtbot, window)
    assert frame.request.booth == session.study.booth


def test_the_probe_reads_the_pixel_under_the_pointer(window, qtbot):
    picture, line = window.sight.picture, window.probe_line
    # The probe reads the picture as rendered.
    window.sight.loop.denoise(False)
    wait_for_picture(qtbot, window)
    qtbot.waitUntil(lambda: picture.frame.denoised == 0, timeout=PATIENCE_MS)
    click(line.pause)
    QTest.qWait(200)
    at = QPoint(picture.width() // 2, picture.height() // 2)
    QTest.mouseMove(picture, at + QPoint(3, 3))
    QTest.mouseMove(picture, at)
    x, y = picture.pixel_at(at.toPointF())
    expected = picture.frame.linear[y, x]
    qtbot.waitUntil(lambda: line.parts["linear"].text() != "–", timeout=2000)
    shown = [float(v) for v in line.parts["linear"].text().split()]
    assert shown == pytest.approx(expected, abs=6e-4, rel=1e-2)
    exposed = [float(v) for v in line.parts["exposed"].text().split()]
    assert exposed == pytest.approx(expected * 2.0**0.7, abs=6e-4, rel=1e-2)
    on_screen = [int(v) for v in line.parts["shown"].text().split()]
    colour = picture.frame.image.pixelColor(x, y)
    assert on_screen == pytest.approx([colour.red(), colour.green(), colour.blue()], abs=3)
    window.sight.loop.denoise(True)


@pytest.mark.long
def test_expose_for_white(window, qtbot):
    wait_for_picture(qtbot, window, samples=8)
    click(window.sight.chain.expose)
    click(window.sight.picture, window.sight.patch_position(3).toPoint())
    booth = window.session.study.booth
    at = window.sight.picture.pixel_at(window.sight.patch_position(3))
    luminance = window.sight.around(*at) @ np.array([0.2126, 0.7152, 0.0722])
    assert luminance * 2.0**booth.exposure == pytest.approx(1.0, rel=0.1)


@pytest.mark.long
def test_the_error_of_a_solve_is_seen_until_something_changes(window, qtbot, monkeypatch):
    monkeypatch.setattr("photometra.imaging.visible._SAMPLES", 4)
    sheet = window.solve_sheet
    with qtbot.waitSignal(sheet.outcome, timeout=PATIENCE_MS):
        click(window.strata.solve_button)
    click(sheet.error_button)
    qtbot.waitUntil(lambda: sheet.error_words.isVisible(), timeout=PATIENCE_MS)
    assert "The evidence leaves" in sheet.error_words.text()
    picture = window.sight.picture
    qtbot.waitUntil(lambda: picture._survey is not None and "standard error" in picture._legend[0], timeout=PATIENCE_MS)
    # Instruments can be ranked by it now.
    evidence = window.sheets["evidence"]
    window.show_sheet("evidence")
    qtbot.waitUntil(lambda: evidence.goal.findData("seen") >= 0, timeout=PATIENCE_MS)
    evidence.goal.setCurrentIndex(evidence.goal.findData("seen"))
    click(evidence.ask_button)
    qtbot.waitUntil(lambda: bool(evidence.advice) and not evidence.job.is_running, timeout=PATIENCE_MS)
    words = [w.text() for w in evidence.findChildren(QLabel) if "at most in the picture" in w.text()]
    left = [float(w.rpartition("ΔE ")[2]) for w in words]
    assert left and left == sorted(left), "the instrument that leaves least to be seen comes first"
    window.show_sheet()
    window.session.set_booth("turn", turn=40.0)
    qtbot.waitUntil(lambda: not picture._legend or "standard error" not in picture._legend[0], timeout=PATIENCE_MS)
    assert picture._survey is None
    window.session.set_values({"roughness": 0.5})
    click(sheet.error_button)
    click(sheet.error_button)
    assert not sheet.error_button.isChecked()


@pytest.mark.long
def test_what_the_evidence_leaves_is_sampled_and_stepped(window, qtbot, monkeypatch):
    monkeypatch.setattr("photometra.fitting.posterior.ROUNDS", 1)
    sheet = window.solve_sheet
    with qtbot.waitSignal(sheet.outcome, timeout=PATIENCE_MS):
        click(window.strata.solve_button)
    click(sheet.sample_button)
    assert sheet.sample_button.text() == "Stop"
    qtbot.waitUntil(lambda: bool(sheet.findChildren(Hill)), timeout=PATIENCE_MS)
    assert sheet.sample_button.text() == "Sample"
    hill = sheet.findChildren(Hill)[0]
    assert hill.accessibleName().startswith("Posterior of roughness: 0.")
    click(sheet.equal_button)
    ladder = window.sheets["ladder"]
    qtbot.waitUntil(lambda: ladder.isVisible() and len(ladder.cells) == 1 and len(ladder.cells[0]) == 6, timeout=5000)
    assert ladder.axes[0].label == "Equally good surfaces"
    click(ladder.go_button)
    # Of another surface the evidence says nothing.
    window.session.set_values({"roughness": 0.5})
    window.show_sheet()
    click(sheet.sample_button)
    assert not sheet.sample_job.is_running


def test_a_command_is_found_by_its_words(window, qtbot):
    QTest.keyClick(window, Qt.Key.Key_A, Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.ShiftModifier)
    search = window.command_search
    qtbot.waitUntil(search.isVisible, timeout=2000)
    QTest.keyClicks(search.field, "what evid")
    assert search.list.count() == 1 and "Evidence › What the evidence says" in search.list.item(0).text()
    QTest.keyClick(search.field, Qt.Key.Key_Return)
    assert window.middle.currentWidget() is window.sheets["evidence"] and not search.isVisible()
    window.show_sheet()
