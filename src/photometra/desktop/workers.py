"""Work away from the window's thread: the newest of many small jobs, and one long job with progress and cancel."""

import threading

from PyQt6.QtCore import QObject, pyqtSignal

from .. import faults
from ..errors import InputError
from ..words import tr
from .scheduler import LOOKED_AT, SCHEDULER, Work

AFTER_THE_PICTURE = 0.02
"""Seconds by which work on what changes stands back, so that the render loop can say that a picture is pending."""


class Latest(QObject):
    """Of many small jobs of one kind the newest, on the scheduler's threads, one at a time. Signals come back.

    A job waits `delay` seconds first; meanwhile a newer one may take its place. priority: `LOOKED_AT` or `LATER`.
    """

    done = pyqtSignal(object)
    failed = pyqtSignal(str)

    def __init__(self, name, parent=None, delay=0.0, priority=LOOKED_AT, scheduler=SCHEDULER):
        super().__init__(parent)
        self._work, self._scheduler = Work(name, priority, delay), scheduler

    def submit(self, job, at_once=False):
        """Run `job()` soon, instead of whatever still waits; at once: without the delay, as more of the same work."""
        self._scheduler.submit(self._work, lambda: self._do(job), at_once)

    @property
    def is_idle(self):
        return self._work.is_idle

    def cancel(self):
        """Forget the job that waits."""
        self._scheduler.cancel(self._work)

    def end(self):
        self._scheduler.end(self._work)

    def _do(self, job):
        try:
            result = job()
        except Exception as error:
            self._say(self.failed, error_text(error))
        else:
            self._say(self.done, result)

    def _say(self, signal, value):
        if not self._work.is_ended:
            signal.emit(value)


class LongJob(QObject):
    """One long job at a time: `job(report, cancel)` on a thread; progress and the outcome as signals."""

    progressed = pyqtSignal(object)
    finished = pyqtSignal(object)
    failed = pyqtSignal(str)
    cancelled = pyqtSignal()

    def __init__(self, parent=None):
        super().__init__(parent)
        self._thread = None
        self._cancel = threading.Event()
        self.is_running = False

    def start(self, job):
        """Start `job`; False where one is running already."""
        if self.is_running:
            return False
        self._cancel = threading.Event()
        self.is_running = True
        self._thread = threading.Thread(target=self._run, args=(job, self._cancel), name="long job", daemon=True)
        self._thread.start()
        return True

    def cancel(self):
        self._cancel.set()

    def end(self):
        self._cancel.set()
        if self._thread is not None:
            self._thread.join()

    def _run(self, job, cancel):
        try:
            result = job(self.progressed.emit, cancel)
        except Exception as error:
            told = (self.cancelled, ()) if cancel.is_set() else (self.failed, (error_text(error),))
        else:
            told = (self.cancelled, ()) if cancel.is_set() and result is None else (self.finished, (result,))
        # Whoever hears of the end may start the next job.
        self.is_running = False
        signal, values = told
        signal.emit(*values)


def error_text(error):
    """A sentence for people; what nobody foresaw goes to the log in full."""
    if not isinstance(error, (InputError, OSError)):
        where = faults.note(error)
        return tr("something went wrong inside ({0}: {1}); the trace is in {2}", type(error).__name__, error, where)
    return str(error)
