"""One scheduler for the work beside the window: what is looked at before the rest, and all of it after the picture.

The render loop has a thread of its own and says when a change waits for its first picture (`picture_pending`); other
work stands back until that picture is there, or for `PATIENCE_S` at the most. No Qt here.
"""

import heapq
import itertools
import threading
import time

from .. import faults

LOOKED_AT, LATER = range(2)
"""Priorities: what a person looks at or waits for; what is for later."""
PATIENCE_S = 0.25
_THREADS = 2


class Work:
    """A place in the queue that holds one job at a time: the newest that was put there; never two of one at once."""

    def __init__(self, name, priority=LATER, delay=0.0):
        self.name, self.priority, self.delay = name, priority, delay
        self.job = None
        self.due = 0.0
        self.at_once = False
        self.is_queued = self.is_running = self.is_ended = False

    @property
    def is_idle(self):
        return self.job is None and not self.is_running


class Scheduler:
    """Runs the jobs of many `Work`s on a few threads, by priority, then in the order in which they came."""

    def __init__(self, threads=_THREADS):
        self._wake = threading.Condition()
        self._queue = []
        self._order = itertools.count()
        self._pending_since = None
        self._threads, self._wanted = [], threads
        self._ended = False

    def submit(self, work: Work, job, at_once=False):
        """Have `job()` done in `work`'s turn, instead of what still waits there; at once: without its delay."""
        with self._wake:
            if work.is_ended or self._ended:
                return
            if work.job is None:
                # The delay counts from the first of several: a drag must not put its work off for ever.
                work.due = time.monotonic() + (0.0 if at_once else work.delay)
            work.job, work.at_once = job, at_once
            if not work.is_queued and not work.is_running:
                self._put(work)
            self._start_threads()
            self._wake.notify_all()

    def cancel(self, work: Work):
        """Forget what waits; what runs goes on to its end."""
        with self._wake:
            work.job = None
            self._wake.notify_all()

    def end(self, work: Work):
        """Take no more from `work`, and wait until what it runs has ended."""
        with self._wake:
            work.job, work.is_ended = None, True
            self._wake.notify_all()
            while work.is_running:
                self._wake.wait()

    def picture_pending(self, is_pending):
        """Whether a change waits for its first picture."""
        with self._wake:
            if not is_pending:
                self._pending_since = None
            elif self._pending_since is None:
                # Of several changes the first counts: steady work must not hold up the rest for ever.
                self._pending_since = time.monotonic()
            self._wake.notify_all()

    def shut_down(self):
        """End all threads, once what they run has ended."""
        with self._wake:
            self._ended = True
            self._wake.notify_all()
        for thread in self._threads:
            thread.join()

    def _put(self, work):
        work.is_queued = True
        heapq.heappush(self._queue, (work.priority, next(self._order), work))

    def _start_threads(self):
        while len(self._threads) < self._wanted:
            thread = threading.Thread(target=self._run, name=f"beside {len(self._threads) + 1}", daemon=True)
            self._threads.append(thread)
            thread.start()

    def _wait_for(self, work, now):
        """How long a work's job still stands back: for its delay, and for the picture."""
        left = work.due - now
        if self._pending_since is not None and not work.at_once:
            left = max(left, self._pending_since + PATIENCE_S - now)
        return left

    def _next(self):
        """(a work whose turn it is, None), or (None, how long until one may be)."""
        now, soonest, kept, found = time.monotonic(), None, [], None
        while self._queue and found is None:
            entry = heapq.heappop(self._queue)
            work = entry[2]
            if work.job is None or work.is_ended:
                work.is_queued = False
                continue
            left = self._wait_for(work, now)
            if left > 0.0:
                kept.append(entry)
                soonest = left if soonest is None else min(soonest, left)
            else:
                found = work
        for entry in kept:
            heapq.heappush(self._queue, entry)
        return found, soonest

    def _run(self):
        while True:
            with self._wake:
                work, left = self._next()
                while work is None:
                    if self._ended:
                        return
                    self._wake.wait(left)
                    work, left = self._next()
                job, work.job = work.job, None
                work.is_queued, work.is_running = False, True
            try:
                job()
            except Exception as error:
                # `Latest` tells of its own failures; this is what nobody foresaw, and no reason to lose a thread.
                faults.note(error)
            finally:
                with self._wake:
                    work.is_running = False
                    if work.job is not None and not work.is_ended:
                        self._put(work)
                    self._wake.notify_all()


SCHEDULER = Scheduler()
"""The one of this process."""
