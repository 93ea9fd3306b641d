"""What is made ready once the window stands: kernels are loaded, at a first start compiled before."""

import time

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from ..optics.jit import is_warm
from ..words import tr
from .workers import LongJob


class Readying(QObject):
    """Has kernels compiled by a process of its own where they are not yet; then loads those that are wanted first."""

    said = pyqtSignal(str)
    waited = pyqtSignal(str)
    """What pictures and readings wait for, told every second; "" for nothing any more."""

    def __init__(self, parent=None):
        super().__init__(parent)
        self.job = LongJob(self)
        self.job.finished.connect(lambda _: self._over(tr("The renderer is ready")))
        self.job.failed.connect(self._over)
        self._begun = 0.0
        self._clock = QTimer(self, interval=1000)
        self._clock.timeout.connect(self._tell)

    def start(self):
        compiles = not is_warm()
        if compiles:
            self._begun = time.monotonic()
            self._clock.start()
            self._tell()
        self.job.start(lambda _report, cancel: self._work(compiles, cancel))

    def _work(self, compiles, cancel):
        from ..study import members  # noqa: F401  (what files are read by, which a start does without)
        from ..tracing.warm import load, warm_apart

        if compiles:
            warm_apart(cancel)
        load(cancel)

    def _tell(self):
        self.waited.emit(
            tr(
                "The renderer is being compiled for this machine.\n"
                "This happens once and takes two or three minutes; {0} s so far.",
                round(time.monotonic() - self._begun),
            )
        )

    def _over(self, sentence):
        if self._clock.isActive():
            self._clock.stop()
            self.waited.emit("")
            self.said.emit(sentence)

    def end(self):
        self._clock.stop()
        self.job.end()
