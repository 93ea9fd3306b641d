"""How long the window's own thread stands still while a person works and a picture renders: the stall meter.

python -m benchmarks stalls            a row for each kind of work
python -m benchmarks.stalls FOLDER     the same, with where the thread stood in the longest gaps

A timer beats every 2 ms; a gap between two beats is a time in which the window neither draws nor answers.
"""

import faulthandler
import sys
import tempfile
import threading
import time

from .figures import Figure, told_by

_MOST_S = 0.05
_BEAT_MS = 2


def standing():
    """Where the main thread stands, the innermost first, as lines of our own code and of pyqtgraph's.

    Not by its frames: who holds one keeps what is local to it alive, a painter too, beyond the end of its paint event.
    """
    with tempfile.TemporaryFile("w+") as file:
        faulthandler.dump_traceback(file, all_threads=True)
        file.seek(0)
        _, _, ours = file.read().partition(f"hread 0x{threading.main_thread().ident:016x}")
    lines = ours.partition("\n\n")[0].splitlines()
    return [f"{line}\n" for line in lines if "photometra" in line or "pyqtgraph" in line]


class Meter:
    """The gaps between the beats of a timer on the window's thread, and where that thread stood in long ones."""

    def __init__(self, application):
        from PyQt6.QtCore import Qt, QTimer

        self.gaps, self.places, self._last, self._is_over = [], [], time.perf_counter(), False
        self._timer = QTimer(application, timerType=Qt.TimerType.PreciseTimer)
        self._timer.timeout.connect(self._beat)
        self._timer.start(_BEAT_MS)
        threading.Thread(target=self._watch, daemon=True).start()

    def _beat(self):
        now = time.perf_counter()
        self.gaps.append(now - self._last)
        self._last = now

    def begin(self):
        self.gaps, self.places, self._last = [], [], time.perf_counter()

    def longest(self):
        return max(self.gaps, default=0.0)

    def _watch(self):
        told = 0.0
        while not self._is_over:
            time.sleep(0.005)
            last = self._last
            if last != told and time.perf_counter() - last > _MOST_S:
                told = last
                self.places.append("".join(standing()[:4]))


def worked(folder):
    """[(what was done, longest gap in s, gaps above 50 ms, where the thread stood in them)] in a window on the demo."""
    from PyQt6.QtCore import QPoint, QSettings, Qt
    from PyQt6.QtTest import QTest

    from photometra.demo import make_study
    from photometra.desktop import app, theme

    application = app.make_application()
    theme.apply(application, "dim")
    from photometra.desktop.main_window import MainWindow

    window = MainWindow(QSettings(f"{folder}/stalls.ini", QSettings.Format.IniFormat))
    window.show()
    window.session.open(make_study())
    seen = []
    window.sight.loop.frame.connect(lambda f: seen.append(f.step))
    end = time.perf_counter() + 60.0
    while not (window.session.is_current and seen.count(1) > 4) and time.perf_counter() < end:
        QTest.qWait(5)
    QTest.qWait(2000)
    meter, button, none = Meter(application), Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier

    def drag_gauge():
        track = window.strata.gauges["roughness"].track
        at = [round(track.x_of(0.1 + 0.006 * abs(40 - i))) for i in range(80)]
        QTest.mousePress(track, button, none, QPoint(at[0], 12))
        for x in at:
            QTest.mouseMove(track, QPoint(x, 12))
            QTest.qWait(16)
        QTest.mouseRelease(track, button, none, QPoint(at[-1], 12))
        QTest.qWait(700)

    def orbit():
        picture = window.sight.picture
        middle = picture.rect().center()
        QTest.mousePress(picture, button, none, middle)
        for i in range(80):
            QTest.mouseMove(picture, middle + QPoint(2 * i - 80, abs(40 - i) - 20))
            QTest.qWait(16)
        QTest.mouseRelease(picture, button, none, middle)
        QTest.qWait(700)

    def with_sheet(name):
        window.toggle_sheet(name)
        QTest.qWait(300)
        drag_gauge()
        window.toggle_sheet(name)
        QTest.qWait(200)

    def specimens():
        for i in list(range(len(window.session.study.specimens))) * 2:
            window.session.choose(i)
            QTest.qWait(350)

    def undo():
        for _ in range(6):
            window.session.history.undo()
            QTest.qWait(120)
        for _ in range(6):
            window.session.history.redo()
            QTest.qWait(120)

    out = []
    for name, act in (
        ("dragging a gauge", drag_gauge), ("turning the specimen", orbit),
        ("dragging, the agreement open", lambda: with_sheet("agreement")),
        ("dragging, the evidence open", lambda: with_sheet("evidence")),
        ("undo and redo", undo), ("from specimen to specimen", specimens),
    ):  # fmt: skip
        meter.begin()
        act()
        out.append((name, meter.longest(), sum(g > _MOST_S for g in meter.gaps), list(meter.places)))
    window.session.history.mark_saved()
    window.close()
    return out


def run():
    for line in told_by("benchmarks.stalls"):
        name, longest, count = line.rsplit("\t", 2)
        yield Figure(f"longest stall, {name} ({count} above 50 ms)", 1000.0 * float(longest), "ms", 1000.0 * _MOST_S)


if __name__ == "__main__":
    for name, longest, count, places in worked(sys.argv[1]):
        print(f"{name}\t{longest:.4f}\t{count}")
        print(f"{name}: {1000 * longest:.0f} ms, {count} above 50 ms", *places, sep="\n", file=sys.stderr)
