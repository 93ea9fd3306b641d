"""The queue in the window: pictures one after another, paused, put sooner, stopped and gone on with."""

import numpy as np
from PyQt6.QtTest import QTest

from photometra.imaging.checkpoint import part_of
from photometra.imaging.rendering import render_picture
from photometra.pictures import read_picture

from .conftest import PATIENCE_MS, click


def opened(window, samples):
    sheet = window.sheets["queue"]
    window.show_sheet("queue")
    sheet.samples.setValue(samples)
    sheet.size.setItemData(0, (96, 64))
    sheet.size.setCurrentIndex(0)
    return sheet


def test_pictures_are_made_one_after_another_as_the_study_was(window, qtbot, tmp_path):
    sheet, study = opened(window, 3), window.session.study
    names = [s.name for s in study.specimens[:2]]
    for i, name in enumerate(names):
        sheet.add(name, tmp_path / f"{i}.exr")
    # What is changed meanwhile is not theirs.
    window.session.set_values({"roughness": 0.9})
    qtbot.waitUntil(lambda: all(j.state == "done" for j in sheet.jobs), timeout=PATIENCE_MS)
    assert "nothing waits" in sheet.state.text() and "done" in sheet.rows[0].accessibleName()
    render_picture(study, study.specimens[0], tmp_path / "wanted.exr", 96, 64, samples=3)
    assert np.array_equal(read_picture(tmp_path / "0.exr"), read_picture(tmp_path / "wanted.exr"))
    assert sheet.jobs[1].image is not None and sheet.jobs[1].done == 1.0
    for row in list(sheet.rows):
        click(row.stop)
    assert not sheet.jobs


def test_it_pauses_reorders_and_stops(window, qtbot, tmp_path):
    sheet = opened(window, 100_000)
    for i in range(3):
        sheet.add(window.session.specimen.name, tmp_path / f"{i}.exr")
    first, second, third = sheet.jobs
    qtbot.waitUntil(lambda: first.done > 0.0, timeout=PATIENCE_MS)
    click(sheet.rows[2].up)
    assert sheet.jobs == [first, third, second] and sheet.rows[1].job is third
    click(sheet.pause)
    assert "paused" in sheet.state.text() and sheet.pause.text() == "Go on"
    QTest.qWait(700)
    held = first.done
    QTest.qWait(1500)
    assert first.done == held and first.state == "rendering"
    for row in (sheet.rows[2], sheet.rows[1]):
        click(row.stop)
    assert sheet.jobs == [first]
    click(sheet.rows[0].stop)
    qtbot.waitUntil(lambda: first.state == "stopped", timeout=PATIENCE_MS)
    assert not (tmp_path / "0.exr").exists()
    click(sheet.pause)
    click(sheet.rows[0].stop)


def test_what_cannot_be_written_or_reached_is_said_and_the_next_goes_on(window, qtbot, tmp_path):
    sheet, said = opened(window, 2), []
    window.session.said.connect(said.append)
    sheet.place.setText("nowhere")
    sheet.add(window.session.specimen.name, tmp_path / "a.exr")
    qtbot.waitUntil(lambda: sheet.jobs[0].state == "failed", timeout=PATIENCE_MS)
    assert "'nowhere' is not known" in said[-1]
    sheet.place.setText("")
    sheet.add(window.session.specimen.name, tmp_path / "none" / "b.exr")
    sheet.add(window.session.specimen.name, tmp_path / "c.exr")
    qtbot.waitUntil(lambda: sheet.jobs[-1].state == "done", timeout=PATIENCE_MS)
    assert [j.state for j in sheet.jobs] == ["failed", "failed", "done"] and "b.exr" in said[-1]
    for row in list(sheet.rows):
        click(row.stop)


def test_what_was_stopped_is_kept_and_goes_on(window, qtbot, tmp_path):
    sheet, path = opened(window, 100_000), tmp_path / "long.exr"
    sheet.add(window.session.specimen.name, path)
    qtbot.waitUntil(lambda: sheet.jobs[0].done > 0.0, timeout=PATIENCE_MS)
    click(sheet.rows[0].stop)
    qtbot.waitUntil(lambda: sheet.jobs[0].state == "stopped", timeout=PATIENCE_MS)
    assert part_of(path).exists() and not path.exists()
    click(sheet.rows[0].stop)


def test_a_ladder_goes_into_the_queue_and_is_written(window, qtbot, tmp_path, monkeypatch):
    sheet, path = opened(window, 2), tmp_path / "steps"
    window.session.choose(3)
    window.show_sheet("ladder")
    ladder = window.sheets["ladder"]
    ladder.ranges[ladder.across][2].setValue(3)
    monkeypatch.setattr("photometra.desktop.ladder_sheet.QFileDialog.getSaveFileName", lambda *_: (str(path), ""))
    click(ladder.queue_button)
    assert "ladder of roughness" in sheet.rows[0].accessibleName()
    qtbot.waitUntil(lambda: sheet.jobs[0].state == "done", timeout=PATIENCE_MS)
    assert sheet.jobs[0].done == 1.0 and read_picture(path.with_suffix(".png")).shape[:2] == (64 + 8, 3 * 96 + 16)
    click(sheet.rows[0].stop)
