"""Where the tasks of a picture are done: on this process's own threads, unless another place is given.

A place has `sums(view, arrays, jobs, cancel)`: for each job, shares (tile, begin, count) of one view, its list of
`Sums` in the order of the jobs, so that a picture has the same bits wherever it was made; fewer once `cancel` is set.
`can_be_lost`: whether it may raise on the way.
"""

from concurrent.futures import ThreadPoolExecutor
from functools import cache

from ..optics.threads import thread_count
from .tasks import Task, sums_of


@cache
def _pool():
    return ThreadPoolExecutor(max_workers=thread_count(), thread_name_prefix="tracing")


class Threads:
    """This process's own threads."""

    can_be_lost = False

    def sums(self, view, arrays, jobs, cancel=None):
        def one(job):
            if cancel is not None and cancel.is_set():
                return []
            return [sums_of(Task(view, *share), arrays) for share in job]

        for done in [_pool().submit(one, job) for job in jobs]:
            yield done.result()
