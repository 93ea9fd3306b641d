"""A photograph of 4096 × 4096: how long until it is seen, how fast it pans and zooms, what memory it takes."""

import subprocess
import sys
import tempfile
from pathlib import Path

from .figures import Figure, environment

_SIDE = 4096
_PAN = """
import resource, statistics, sys, time
import numpy as np
from pathlib import Path
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtGui import QWheelEvent
from PyQt6.QtTest import QTest
from photometra.desktop import app, theme
application = app.make_application()
theme.apply(application, "dim")
from photometra.desktop.photograph_view import PhotographView
from photometra.imaging.display import Display
from photometra.imaging.framing import WHOLE
from photometra.imaging.pyramid import pyramid_of
def peak():
    return resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
before = peak()
began = time.perf_counter()
pyramid = pyramid_of(Path(sys.argv[1]), "linear")
decoded = time.perf_counter() - began
view = PhotographView()
view.resize(920, 640)
view.show()
view.show_photograph(pyramid, Display().picture, WHOLE)
began = time.perf_counter()
def until_whole():
    view.grab()
    while not view.tiles.is_whole:
        application.processEvents()
        time.sleep(0.001)
until_whole()
seen = time.perf_counter() - began
def wheel(by):
    at = QPointF(500.0, 300.0)
    application.sendEvent(view, QWheelEvent(at, view.mapToGlobal(at), QPoint(), QPoint(0, by), Qt.MouseButton.NoButton,
                          Qt.KeyboardModifier.NoModifier, Qt.ScrollPhase.NoScrollPhase, False))
frames, whole = [], []
def frame(act):
    began = time.perf_counter()
    act()
    view.repaint()
    application.processEvents()
    frames.append(time.perf_counter() - began)
    whole.append(view.tiles.is_whole)
QTest.mousePress(view, Qt.MouseButton.RightButton, pos=QPoint(450, 300))
for i in range(240):
    if i % 60 == 0:
        for _ in range(2):
            frame(lambda: wheel(120))
    step = QPoint(450 + round(200 * np.sin(i / 15)), 300 + round(150 * np.cos(i / 11)))
    frame(lambda: QTest.mouseMove(view, step))
QTest.mouseRelease(view, Qt.MouseButton.RightButton, pos=QPoint(450, 300))
for _ in range(12):
    frame(lambda: wheel(-120))
ms = sorted(1000 * f for f in frames)
print("pan", decoded, seen, statistics.median(ms), ms[int(0.95 * len(ms))], peak() - before)
view.end()
"""


def run():
    import numpy as np

    from photometra.pictures import write_exr

    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "large.exr"
        rng = np.random.default_rng(1)
        tile = rng.uniform(0.02, 1.4, size=(512, 512, 3)).astype(np.float32)
        write_exr(path, np.tile(tile, (_SIDE // 512, _SIDE // 512, 1)), half=True)
        done = subprocess.run(
            [sys.executable, "-c", _PAN, str(path)], capture_output=True, text=True, env=environment(), check=True
        )  # fmt: skip
    decoded, seen, median, most, memory = map(float, done.stdout.split("pan")[1].split())
    yield Figure("4096 × 4096 EXR, from the file to its pyramid", decoded, "s", 3.0)
    yield Figure("from there to all of it on the screen", seen, "s", 0.5)
    yield Figure("panning and zooming over it, median", 1000.0 / median, "frames/s", 30.0, True)
    yield Figure("panning and zooming over it, 95 of 100 faster than", 1000.0 / most, "frames/s", 30.0, True)
    yield Figure("memory at the most, in the making too", memory, "MB", 600.0)
