"""Where the tasks of a picture are done: on this process's own threads, unless another place is given.

A place has `sums(view, arrays, jobs, cancel)`: for each job, shares (tile, begin, count) of one view, its list of
`Sums` in the order of the jobs, so that a picture has the same bits wherever it was made; fewer once `cancel` is set.
`each(function, values, cancel)`: what a function gives of each value, in their order; both can be pickled.
`keeps_whole`: whether a batch counts as a whole or not at all, as one that is lost or stopped on the way must not be
half of it.
"""

import os
import threading
from concurrent.futures import ThreadPoolExecutor
from contextlib import suppress
from functools import cache

from ..optics.threads import thread_count
from .tasks import Task, sums_of


@cache
def _pool():
    return ThreadPoolExecutor(max_workers=thread_count(), thread_name_prefix="tracing")


@cache
def _later():
    return ThreadPoolExecutor(max_workers=thread_count(), thread_name_prefix="later", initializer=_stand_back)


def _stand_back():
    """Have this thread run when others leave it time; where the system does not let us, it takes its turn."""
    with suppress(OSError):
        os.setpriority(os.PRIO_PROCESS, threading.get_native_id(), _NICE)


_NICE = 5
"""A quarter of the time is theirs while a picture is looked at, and all of it when nothing is."""


class Threads:
    """This process's own threads. in_background: threads of their own that stand back for what is looked at."""

    def __init__(self, in_background=False):
        self.keeps_whole = in_background
        self._pool = _later if in_background else _pool

    def sums(self, view, arrays, jobs, cancel=None):
        def one(job):
            if cancel is not None and cancel.is_set():
                return []
            return [sums_of(Task(view, *share), arrays) for share in job]

        for done in [self._pool().submit(one, job) for job in jobs]:
            yield done.result()

    def each(self, function, values, cancel=None):
        # One after another: what takes long has threads of its own.
        for value in values:
            if cancel is not None and cancel.is_set():
                return
            yield function(value)
