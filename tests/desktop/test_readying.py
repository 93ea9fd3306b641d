"""The first start: kernels are compiled elsewhere, and the window neither waits for them nor keeps anybody waiting."""

import os
import subprocess
import sys

import pytest

from photometra.desktop import readying
from photometra.errors import InputError
from photometra.tracing import warm

_WITHOUT = """
import sys
from contextlib import suppress
from PyQt6.QtCore import QSettings
from PyQt6.QtTest import QTest
from photometra.desktop import app, theme
application = app.make_application()
theme.apply(application, "dim")
from photometra.desktop.main_window import MainWindow
from photometra.optics.jit import held_back
with suppress(KeyboardInterrupt), held_back():
    window = MainWindow(QSettings(sys.argv[1], QSettings.Format.IniFormat))
    window.show()
    window.files.open(sys.argv[2])
    until = 400
    while window.session.study.name != "Harrow Skerry" and until:
        QTest.qWait(10)
        until -= 1
    s = window.session
    print(len(s.study.specimens))
    for i in range(len(s.study.specimens)):
        s.choose(i)
        QTest.qWait(30)
        for name, gauge in window.strata.gauges.items():
            if name in ("roughness", "ior", "colour") and gauge.isVisible():
                s.choose_stratum(gauge.parameter.stratum)
    for name in window.sheets:
        window.show_sheet(name)
        QTest.qWait(30)
    window.show_sheet()
    window.show_booth(True)
    window.show_parts()
    window.show_any_map()
    QTest.qWait(50)
    print("numba" in sys.modules)
    raise KeyboardInterrupt
window.session.history.mark_saved()
window.close()
print("closed")
"""


def _offscreen(**more):
    return {**os.environ, "QT_QPA_PLATFORM": "offscreen", **more}


def test_the_windows_own_thread_calls_no_kernel(tmp_path, demo_file):
    """While every other thread waits for the kernels, all of the window is used; Numba wakes where one is called."""
    done = subprocess.run(
        [sys.executable, "-c", _WITHOUT, str(tmp_path / "w.ini"), str(demo_file)], capture_output=True, text=True,
        env=_offscreen(), timeout=120,
    )  # fmt: skip
    assert done.stdout.split() == ["10", "False", "closed"], done.stderr[-2000:]


_COLD = """
import subprocess, sys, time
from PyQt6.QtCore import QSettings
from PyQt6.QtTest import QTest
from photometra.desktop import app, theme
application = app.make_application()
theme.apply(application, "dim")
from photometra.desktop.main_window import MainWindow
made, real = [], subprocess.Popen
def popen(*arguments, **more):
    made.append(real(*arguments, **more))
    return made[-1]
subprocess.Popen = popen
window = MainWindow(QSettings(sys.argv[1], QSettings.Format.IniFormat))
window.show()
told = []
window.readying.waited.connect(told.append)
window.readying.start()
window.files.open(sys.argv[2])
most, last, end = 0.0, time.perf_counter(), time.perf_counter() + 3.0
while time.perf_counter() < end:
    QTest.qWait(10)
    most, last = max(most, time.perf_counter() - last), time.perf_counter()
window.grab().save(sys.argv[3])
print(window.session.study.name, "|", len(made), made[0].poll(), len(told) >= 2, told[-1].splitlines()[0], sep="|")
window.session.history.mark_saved()
start = time.perf_counter()
window.close()
print(time.perf_counter() - start < 5.0, made[0].poll() is not None, sep="|")
"""


def test_a_first_start_says_what_it_waits_for_and_closes_at_once(tmp_path, demo_file):
    done = subprocess.run(
        [sys.executable, "-c", _COLD, str(tmp_path / "w.ini"), str(demo_file), str(tmp_path / "window.png")],
        capture_output=True, text=True, timeout=120,
        env=_offscreen(XDG_CACHE_HOME=str(tmp_path / "cache"), NUMBA_CACHE_DIR=""),
    )  # fmt: skip
    first, second = done.stdout.splitlines()
    assert first.startswith("Harrow Skerry") and "|1|None|True|The renderer is being compiled" in first
    assert second == "True|True" and done.stderr.count("Traceback") == 0


@pytest.mark.parametrize("fails", [False, True])
def test_what_failed_is_not_called_ready(qapp, qtbot, monkeypatch, fails):
    def compile_apart(_cancel):
        if fails:
            raise InputError("no room for the kernels")

    monkeypatch.setattr(readying, "is_warm", lambda: False)
    monkeypatch.setattr(warm, "warm_apart", compile_apart)
    monkeypatch.setattr(warm, "load", lambda _cancel: None)
    made, waited = readying.Readying(), []
    made.waited.connect(waited.append)
    with qtbot.waitSignal(made.said) as said:
        made.start()
    assert said.args == ["no room for the kernels" if fails else "The renderer is ready"]
    assert "being compiled" in waited[0] and waited[-1] == ""
    made.end()
