"""The window: from start to screen, and from a moving gauge to the next picture. Each in a process of its own."""

import statistics
import subprocess
import sys
import time

from .figures import Figure, environment

_UNTIL_SHOWN = """
window.show()
def look():
    if window.isVisible() and window.windowHandle().isExposed():
        print("shown", flush=True)
        window.close()
    else:
        QTimer.singleShot(1, look)
QTimer.singleShot(0, look)
application.exec()
"""

_START = """
import sys, time
from photometra.desktop import app
application = app.make_application()
from PyQt6.QtCore import QSettings, QTimer
settings = QSettings(sys.argv[1], QSettings.Format.IniFormat)
from photometra.desktop import theme
theme.apply(application, "dim")
window = app.make_window(settings)
"""

_BARE = """
from PyQt6.QtWidgets import QApplication, QLabel, QMainWindow
from PyQt6.QtCore import QTimer
application = QApplication([])
window = QMainWindow()
window.setCentralWidget(QLabel("bare"))
window.resize(1280, 800)
"""

_LATENCY = """
import statistics, sys, time
from PyQt6.QtCore import QPoint, QSettings, Qt
from PyQt6.QtTest import QTest
from photometra.demo import make_study
from photometra.desktop import app, theme
application = app.make_application()
theme.apply(application, "dim")
from photometra.desktop.main_window import MainWindow
window = MainWindow(QSettings(sys.argv[1], QSettings.Format.IniFormat))
window.sight.picture.setFixedSize(512, 512)
window.show()
window.session.open(make_study())
window.session.history.mark_saved()
seen = []
window.sight.loop.frame.connect(lambda f: seen.append((time.perf_counter(), f)))
def until(holds, patience=30.0):
    end = time.perf_counter() + patience
    while not holds():
        if time.perf_counter() > end:
            raise SystemExit("no picture in time")
        QTest.qWait(2)
until(lambda: any(f.step == 1 and f.samples > 2 for _, f in seen) and window.session.is_current)
track = window.strata.gauges["roughness"].track
small, full = [], []
for i in range(24):
    seen.clear()
    target = 0.1 + 0.3 * ((i * 7) % 24) / 24
    start = time.perf_counter()
    QTest.mouseClick(track, Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier,
                     QPoint(round(track.x_of(target)), 12))
    surface = window.session.specimen.surface
    until(lambda: any(f.step == 1 and f.request.surface == surface for _, f in seen))
    mine = [(t, f) for t, f in seen if f.request.surface == surface]
    small.append(mine[0][0] - start)
    full.append(next(t for t, f in mine if f.step == 1) - start)
    QTest.qWait(150)
print("latency", statistics.median(small), max(small), statistics.median(full), max(full), flush=True)
window.session.history.mark_saved()
window.close()
"""


def _started(folder, program=_START):
    start = time.perf_counter()
    child = subprocess.Popen(
        [sys.executable, "-c", program + _UNTIL_SHOWN, f"{folder}/w.ini"],
        stdout=subprocess.PIPE,
        text=True,
        env=environment(),
    )
    child.stdout.readline()
    seconds = time.perf_counter() - start
    child.wait()
    return seconds


def run():
    import tempfile

    with tempfile.TemporaryDirectory() as folder:
        _started(folder)
        # In turn with a window that has nothing in it, so that a busy host shows as such.
        pairs = [(_started(folder), _started(folder, _BARE)) for _ in range(5)]
        bare = _median(b for _, b in pairs)
        yield Figure("start of the program to window on screen", _median(a for a, _ in pairs), "s", 1.5)
        yield Figure(
            f"the same against a bare Qt window ({bare:.2f} s)", _median(a / b for a, b in pairs), "times", 2.5
        )
        done = subprocess.run(
            [sys.executable, "-c", _LATENCY, f"{folder}/w.ini"],
            capture_output=True, text=True, env=environment(), check=True,
        )  # fmt: skip
        small, small_most, full, full_most = map(float, done.stdout.split()[1:])
        yield Figure("gauge moves to first new picture, median of 24", small, "s", 0.06)
        yield Figure("gauge moves to first new picture, slowest of 24", small_most, "s", 0.1)
        yield Figure("gauge moves to full-size first sample, 512 × 512, median", full, "s", 0.5)
        yield Figure("gauge moves to full-size first sample, slowest of 24", full_most, "s", 0.5)


def _median(values):
    return statistics.median(values)
