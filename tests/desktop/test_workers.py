"""Work away from the window's thread: the newest job wins, long jobs end one way or the other, frames come in order."""

import threading
import time
from dataclasses import replace

import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest

from photometra.desktop.drag_field import DragField
from photometra.desktop.rendering import RenderLoop, Request
from photometra.desktop.workers import Latest, LongJob, error_text
from photometra.errors import InputError
from photometra.imaging.denoising import is_available

from .conftest import PATIENCE_MS, drag


@pytest.fixture
def latest(qapp):
    made = []

    def make(**more):
        made.append(Latest("test", **more))
        return made[-1]

    yield make
    for worker in made:
        worker.end()


class TestLatest:
    def test_of_the_waiting_only_the_newest_is_done(self, latest, qtbot):
        worker, gate, done = latest(), threading.Event(), []
        worker.done.connect(done.append)
        worker.submit(lambda: gate.wait(5) and "first")
        qtbot.waitUntil(lambda: not worker.is_idle, timeout=PATIENCE_MS)
        time.sleep(0.05)
        for i in range(5):
            worker.submit(lambda i=i: i)
        gate.set()
        qtbot.waitUntil(lambda: len(done) == 2, timeout=PATIENCE_MS)
        QTest.qWait(50)
        assert done == ["first", 4] and worker.is_idle

    def test_a_delay_lets_newer_jobs_take_the_place(self, latest, qtbot):
        worker, done = latest(delay=0.2), []
        worker.done.connect(done.append)
        began = time.monotonic()
        for i in range(4):
            worker.submit(lambda i=i: i)
            QTest.qWait(15)
        qtbot.waitUntil(lambda: bool(done), timeout=PATIENCE_MS)
        assert done == [3] and time.monotonic() - began >= 0.19

    def test_a_failure_is_told_and_the_next_job_runs(self, latest, qtbot):
        worker, done, failed = latest(), [], []
        worker.done.connect(done.append)
        worker.failed.connect(failed.append)

        def wrong():
            raise InputError("no such thing")

        worker.submit(wrong)
        qtbot.waitUntil(lambda: bool(failed), timeout=PATIENCE_MS)
        worker.submit(lambda: 1)
        qtbot.waitUntil(lambda: bool(done), timeout=PATIENCE_MS)
        assert (failed, done) == (["no such thing"], [1])

    def test_an_end_in_the_middle_of_a_delay_is_prompt(self, qapp):
        worker = Latest("test", delay=30.0)
        worker.submit(lambda: 1)
        time.sleep(0.05)
        began = time.monotonic()
        worker.end()
        assert time.monotonic() - began < 5.0


class TestLongJob:
    @pytest.fixture
    def job(self, qapp):
        made = LongJob()
        made.told = []
        made.finished.connect(lambda r: made.told.append(("finished", r)))
        made.failed.connect(lambda t: made.told.append(("failed", t)))
        made.cancelled.connect(lambda: made.told.append(("cancelled", None)))
        yield made
        made.end()

    def test_it_finishes_and_may_be_started_again_at_once(self, job, qtbot):
        chained = []
        job.finished.connect(lambda _: chained.append(job.start(lambda *_: 2)) if len(chained) == 0 else None)
        assert job.start(lambda report, cancel: 1)
        qtbot.waitUntil(lambda: len(job.told) == 2, timeout=PATIENCE_MS)
        assert chained == [True] and job.told == [("finished", 1), ("finished", 2)]

    def test_one_at_a_time(self, job, qtbot):
        gate = threading.Event()
        assert job.start(lambda *_: gate.wait(5))
        assert not job.start(lambda *_: 1) and job.is_running
        gate.set()
        qtbot.waitUntil(lambda: not job.is_running, timeout=PATIENCE_MS)

    def test_a_cancel_is_no_failure_however_the_job_ends(self, job, qtbot):
        def stops(report, cancel):
            cancel.wait(5)
            return None

        def breaks(report, cancel):
            cancel.wait(5)
            raise RuntimeError("stopped")

        for n, work in enumerate((stops, breaks), 1):
            job.start(work)
            job.cancel()
            qtbot.waitUntil(lambda n=n: len(job.told) == n, timeout=PATIENCE_MS)
        assert job.told == [("cancelled", None)] * 2

    def test_what_nobody_foresaw_is_told_with_its_kind(self, capsys):
        assert error_text(InputError("one sentence")) == "one sentence"
        assert "KeyError" in error_text(KeyError("x"))
        assert "KeyError" in capsys.readouterr().err


class TestRenderLoop:
    @pytest.fixture
    def loop(self, qapp):
        made = RenderLoop()
        made.frames, made.failures = [], []
        made.frame.connect(made.frames.append)
        made.failed.connect(made.failures.append)
        yield made
        made.end()

    @pytest.fixture
    def request_of(self, demo):
        return lambda **booth: Request.of(demo.specimens[1], demo.with_booth(**booth), 64, 48)

    def test_sizes_step_up_and_samples_grow(self, loop, request_of, qtbot):
        loop.denoise(False)
        loop.ask(request_of())
        qtbot.waitUntil(lambda: len(loop.frames) >= 5, timeout=PATIENCE_MS)
        assert [f.step for f in loop.frames[:3]] == [4, 2, 1]
        assert [f.linear.shape[:2] for f in loop.frames[:3]] == [(16, 16), (24, 32), (48, 64)]
        full = [f.samples for f in loop.frames if f.step == 1]
        assert full == sorted(full)

    @pytest.mark.skipif(not is_available(), reason="no library to denoise with on this machine")
    def test_denoised_a_small_picture_comes_first_and_no_frame_is_raw(self, loop, request_of, qtbot):
        loop.ask(request_of())
        qtbot.waitUntil(lambda: any(f.error is not None for f in loop.frames), timeout=PATIENCE_MS)
        assert loop.frames[0].step == 4 and {f.step for f in loop.frames[1:]} == {1}
        assert all(0 < f.denoised <= f.samples for f in loop.frames)

    def test_a_new_view_keeps_the_samples_a_new_light_does_not(self, loop, request_of, qtbot):
        loop.ask(request_of())
        qtbot.waitUntil(lambda: bool(loop.frames) and loop.frames[-1].samples > 40, timeout=PATIENCE_MS)
        loop.frames.clear()
        loop.ask(request_of(exposure=3.0))
        qtbot.waitUntil(lambda: any(f.request.booth.exposure == 3.0 for f in loop.frames), timeout=PATIENCE_MS)
        first = next(f for f in loop.frames if f.request.booth.exposure == 3.0)
        assert first.step == 1 and first.samples > 40
        loop.frames.clear()
        loop.ask(request_of(turn=90.0))
        qtbot.waitUntil(lambda: any(f.request.booth.turn == 90.0 for f in loop.frames), timeout=PATIENCE_MS)
        assert next(f for f in loop.frames if f.request.booth.turn == 90.0).step == 4

    def test_what_cannot_be_rendered_is_told_and_the_loop_goes_on(self, loop, request_of, qtbot):
        loop.ask(request_of(environment="moon"))
        qtbot.waitUntil(lambda: bool(loop.failures), timeout=PATIENCE_MS)
        assert "moon" in loop.failures[0]
        loop.ask(request_of())
        qtbot.waitUntil(lambda: bool(loop.frames), timeout=PATIENCE_MS)

    def test_readings_count_only_where_the_surface_asks_for_them(self, demo):
        brass = demo.specimens[0]
        assert Request.of(brass, demo, 8, 8).specimen.readings == ()
        own = replace(brass, surface=brass.surface.with_values({"constants": "reading"}))
        assert Request.of(own, demo, 8, 8).specimen.readings == brass.readings


class TestDragField:
    @pytest.fixture
    def field(self, qapp, qtbot):
        made = DragField("exposure", "EV", -12.0, 12.0, 0.02, 2, "Exposure in stops", sign=True)
        qtbot.addWidget(made)
        made.resize(140, 24)
        made.show()
        made.told = []
        made.changed.connect(lambda v, goes_on: made.told.append((v, goes_on)))
        return made

    def test_a_drag_goes_on_until_the_release(self, field):
        drag(field, QPoint(20, 12), QPoint(70, 12))
        assert field.value == pytest.approx(1.0)
        assert [goes_on for _, goes_on in field.told][-1] is False and field.told[0][1] is True

    def test_it_stays_in_its_range(self, field):
        field.show_value(11.99)
        drag(field, QPoint(20, 12), QPoint(120, 12))
        assert field.value == 12.0

    @pytest.mark.parametrize(("typed", "value"), [("1.5", 1.5), ("−2", -2.0), ("0,25 EV", 0.25), ("99", 12.0)])
    def test_typing(self, field, typed, value):
        field.setFocus()
        QTest.keyClick(field, Qt.Key.Key_Return)
        field._edit.setText(typed)
        QTest.keyClick(field._edit, Qt.Key.Key_Return)
        assert field.value == value

    def test_typing_nonsense_changes_nothing(self, field):
        field.show_value(0.5)
        QTest.mouseDClick(field, Qt.MouseButton.LeftButton)
        field._edit.setText("bright")
        QTest.keyClick(field._edit, Qt.Key.Key_Return)
        assert field.value == 0.5 and field.told == []

    def test_arrows_and_fine_arrows(self, field):
        field.setFocus()
        QTest.keyClick(field, Qt.Key.Key_Right)
        assert field.value == pytest.approx(0.1)
        QTest.keyClick(field, Qt.Key.Key_Up, Qt.KeyboardModifier.ShiftModifier)
        assert field.value == pytest.approx(0.11)
