"""A Dask cluster as a place for the tasks of a picture.

A view travels as the outcome of a task, so that a worker that is lost with it costs no more than sending it again;
every job is asked for anew where its worker was lost, a few times.
"""

import logging
import re
import threading
import time
import warnings
from collections import OrderedDict
from contextlib import contextmanager, suppress

from ..disk import DiskError, regular
from ..errors import InputError
from ..words import tr
from . import work

_TRIES = 5
_WAIT_S = 0.2
_PATIENCE_S = 30.0
"""How long a cluster may be without any worker."""
_MEND_EVERY_S = 5.0
_VIEWS = 8
"""Views that are kept on the cluster at a time: a solve looks at several."""
_AHEAD = 4
"""Jobs that are on their way for every thread of the cluster: enough to keep it busy, little to cancel."""


class FarmError(InputError):
    """A cluster that cannot be reached, or was lost on the way; one sentence."""


@contextmanager
def open_cluster(text):
    """The Cluster that a text names: `local`, `local:N`, `tcp://HOST:PORT`, or `file:SCHEDULER.json`.

    It is closed, and a local one ended, however the block is left.
    """
    try:
        import dask
        from distributed import Client, LocalCluster
    except ImportError:
        raise FarmError(tr("--cluster needs the package distributed: pip install 'photometra[farm]'")) from None
    # What it says of lost workers is for those who run the cluster; here one sentence does.
    for name in ("distributed", *(n for n in logging.root.manager.loggerDict if n.startswith("distributed."))):
        logging.getLogger(name).setLevel(logging.CRITICAL + 1)
    local = re.fullmatch(r"local(?::(\d{1,3}))?", text)
    own = None
    # What a worker does is idempotent: it may be lost as often as our own tries say.
    with dask.config.set({"distributed.scheduler.allowed-failures": 4 * _TRIES, "distributed.admin.tick.limit": "30s"}):
        try:
            if local:
                own = LocalCluster(
                    n_workers=int(local[1]) if local[1] else None, threads_per_worker=1 if local[1] else None,
                    processes=True, dashboard_address=None, silence_logs=50,
                )  # fmt: skip
                client = Client(own)
            elif text.startswith("file:"):
                # Where there is no such file Dask would wait for it for ever.
                client = Client(scheduler_file=str(regular(text.removeprefix("file:"))), timeout=5)
            elif re.fullmatch(r"(tcp|tls|ucx)://.+", text):
                client = Client(text, timeout=5)
            else:
                raise FarmError(
                    tr("--cluster '{0}' is not known; give local:N, tcp://HOST:PORT or file:SCHEDULER.json", text)
                )
        except (OSError, TimeoutError, ValueError) as error:
            if own is not None:
                own.close()
            if isinstance(error, (FarmError, DiskError)):
                raise
            raise FarmError(
                tr("the cluster {0} cannot be reached ({1}); is it running?", text, type(error).__name__)
            ) from None
        try:
            yield Cluster(client, text, own)
        finally:
            client.close(timeout=5)
            if own is not None:
                own.close(timeout=5)


class Cluster:
    """A place, see `tracing.places`. bytes_sent: of views, once for each of them that was sent."""

    keeps_whole = True

    def __init__(self, client, name, own=None):
        """own: the cluster of this machine that was started for it, whose lost workers are replaced."""
        self._client, self._name, self._own = client, name, own
        self._wanted, self._mended = len(own.worker_spec) if own is not None else 0, time.monotonic()
        self._sent, self._sending = OrderedDict(), threading.Lock()
        self.bytes_sent = 0

    def workers(self):
        """How many threads the workers have together."""
        return sum(self._client.nthreads().values())

    def sums(self, view, _arrays, jobs, cancel=None):
        wanted = work.stamp()

        def ask(job):
            return self._client.submit(work.done, *self._view(view), job, wanted, pure=False, retries=_TRIES)

        yield from self._in_order(ask, jobs, cancel)

    def each(self, function, values, cancel=None):
        wanted = work.stamp()

        def ask(value):
            return self._client.submit(work.called, function, value, wanted, pure=False, retries=_TRIES)

        yield from self._in_order(ask, list(values), cancel)

    def _in_order(self, ask, jobs, cancel):
        """What comes of each job, in their order; ask(job): a future of it."""
        waiting = {}
        try:
            for i in range(len(jobs)):
                for k in range(i, min(i + max(_AHEAD * self.workers(), 8), len(jobs))):
                    if k not in waiting:
                        waiting[k] = ask(jobs[k])
                found = self._result(waiting, i, lambda i=i: ask(jobs[i]), cancel)
                if found is None:
                    return
                yield found[0]
        except OSError as error:
            # Any word to a scheduler that is no more.
            raise FarmError(tr("the cluster {0} was lost on the way ({1})", self._name, type(error).__name__)) from None
        finally:
            # Cancelled, failed or given up: no worker stays busy with it.
            if waiting:
                with suppress(OSError):
                    self._client.cancel(list(waiting.values()), force=True)

    def _view(self, view):
        """(name, future of its bytes) of a view, sent where it is not there."""
        with self._sending:
            if id(view) not in self._sent:
                name, data = work.packed(view)
                self.bytes_sent += len(data)
                with warnings.catch_warnings():
                    # It is large, and sent once.
                    warnings.simplefilter("ignore", UserWarning)
                    sent = self._client.submit(work.kept, data, key=f"view-{name}", retries=_TRIES)
                self._sent[id(view)] = name, sent, view
                while len(self._sent) > _VIEWS:
                    self._sent.popitem(last=False)
            return self._sent[id(view)][:2]

    def _mend(self):
        """Start workers anew where some of our own are gone: one that is killed while it starts takes along what would
        have started it again."""
        if self._own is None or time.monotonic() - self._mended < _MEND_EVERY_S:
            return
        self._mended = time.monotonic()
        if len(self._client.nthreads()) < self._wanted:
            self._own.scale(self._wanted)

    def _result(self, waiting, i, again, cancel):
        """(what came of a job,); None once cancelled. again(): asks for it anew. FarmError where the cluster is gone,
        or the job fails on and on."""
        from dask.distributed import CancelledError, wait
        from distributed.scheduler import KilledWorker

        alone_since = None
        for attempt in range(_TRIES + 1):
            while not waiting[i].done():
                if cancel is not None and cancel.is_set():
                    return None
                if self._client.status != "running":
                    raise FarmError(tr("the cluster {0} was lost on the way", self._name))
                self._mend()
                if self.workers():
                    alone_since = None
                elif alone_since is None:
                    alone_since = time.monotonic()
                elif time.monotonic() - alone_since > _PATIENCE_S:
                    raise FarmError(tr("the cluster {0} has had no worker for {1} s", self._name, f"{_PATIENCE_S:.0f}"))
                # A lost scheduler cancels what is waited for: its result says so below.
                with suppress(TimeoutError, CancelledError):
                    wait([waiting[i]], timeout=_WAIT_S)
            try:
                found = waiting[i].result()
            except (CancelledError, KilledWorker, OSError) as error:
                if self._client.status != "running" or attempt == _TRIES:
                    raise FarmError(
                        tr("the cluster {0} was lost on the way ({1})", self._name, type(error).__name__)
                    ) from None
                waiting[i] = again()
                continue
            del waiting[i]
            return (found,)
        return None
