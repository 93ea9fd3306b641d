"""Work away from the window's thread: the newest of many small jobs, and one long job with progress and cancel."""

import threading
import time
import traceback

from PyQt6.QtCore import QObject, pyqtSignal

AFTER_THE_PICTURE = 0.05
"""Seconds by which other work stands back after a change, so that the first picture has the cores to itself."""


class Latest(QObject):
    """Runs jobs on a thread of its own, one at a time; of those that wait, only the newest. Signals come back.

    A job waits `delay` seconds first; meanwhile a newer one may take its place.
    """

    done = pyqtSignal(object)
    failed = pyqtSignal(str)

    def __init__(self, name, parent=None, delay=0.0):
        super().__init__(parent)
        self._delay = delay
        self._waiting = None
        self._ended = self._at_once = False
        self._busy = False
        self._wake = threading.Condition()
        self._thread = threading.Thread(target=self._run, name=name, daemon=True)
        self._thread.start()

    def submit(self, job, at_once=False):
        """Run `job()` soon, instead of whatever still waits; at once: without the delay, as more of the same work."""
        with self._wake:
            self._waiting, self._at_once = job, at_once
            self._wake.notify()

    @property
    def is_idle(self):
        with self._wake:
            return self._waiting is None and not self._busy

    def end(self):
        with self._wake:
            self._ended, self._waiting = True, None
            self._wake.notify()
        self._thread.join()

    def _run(self):
        while True:
            with self._wake:
                self._busy = False
                while self._waiting is None and not self._ended:
                    self._wake.wait()
                if self._delay and not self._ended and not self._at_once:
                    # Woken early by every newer job; the delay counts from the first.
                    due = time.monotonic() + self._delay
                    while not self._ended and (left := due - time.monotonic()) > 0.0:
                        self._wake.wait(left)
                if self._ended:
                    return
                job, self._waiting, self._busy = self._waiting, None, True
            try:
                result = job()
            except Exception as error:
                self._say(self.failed, error_text(error))
            else:
                self._say(self.done, result)

    def _say(self, signal, value):
        if not self._ended:
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
    """A sentence for people; what nobody foresaw also goes to standard error in full."""
    if not isinstance(error, (ValueError, OSError)):
        traceback.print_exception(error)
        return f"something went wrong inside ({type(error).__name__}: {error})"
    return str(error)
