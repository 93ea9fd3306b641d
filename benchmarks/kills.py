"""Workers of a cluster killed at chance moments of 20 pictures, its scheduler of 5: the same bits in the end, nothing
lost, no process left. `python -m benchmarks kills` takes some ten minutes.
"""

import os
import random
import signal
import subprocess
import sys
import tempfile
import threading
import time
from pathlib import Path

import numpy as np

from photometra.demo import make_study
from photometra.errors import InputError
from photometra.farm import open_cluster
from photometra.imaging.booths import compiled_in, scene_of
from photometra.imaging.rendering import render_picture
from photometra.pictures import read_picture
from photometra.tracing import Rendering

from .figures import Figure

_PICTURES, _SCHEDULERS = 20, 5
_SIDE, _SAMPLES, _BATCH = 160, 64, 8
_LONG = 1024
"""Samples of a picture whose scheduler is killed."""


def _rendered(view, seed, place=None):
    rendering = Rendering(*view, _SIDE, _SIDE, seed=seed, place=place)
    while rendering.samples < _SAMPLES:
        if not rendering.add(_BATCH):
            raise AssertionError("a picture was given up")
    return rendering.picture()


def workers_killed(count=_PICTURES, seed=11):
    """(pictures that are the same to the bit, workers killed) of `count`, with one or two kills in each."""
    chance, study = random.Random(seed), make_study()
    views = []
    for specimen in (study.specimens[0], study.specimens[1]):
        scene = scene_of(study, specimen)
        views.append((compiled_in(scene, specimen), scene))
    alike = killed = 0
    with open_cluster("local:2") as place:
        for i in range(count):
            view = views[i % 2]
            over = threading.Event()

            def kill(over=over):
                nonlocal killed
                for _ in range(chance.randint(1, 2)):
                    if over.wait(chance.uniform(0.1, 2.0)):
                        return
                    pids = list(place._client.run(os.getpid, on_error="ignore").values())
                    if pids:
                        os.kill(chance.choice(pids), signal.SIGKILL)
                        killed += 1

            killer = threading.Thread(target=kill)
            killer.start()
            there = _rendered(view, i, place)
            over.set()
            killer.join()
            alike += np.array_equal(there, _rendered(view, i))
    return alike, killed


def schedulers_killed(count=_SCHEDULERS, seed=12):
    """Of `count` pictures whose scheduler was killed on the way, how many went on here, from what was kept, to the same
    bits."""
    chance, study = random.Random(seed), make_study()
    one, alike = study.specimens[1], 0
    with tempfile.TemporaryDirectory() as folder:
        whole = Path(folder) / "whole.exr"
        render_picture(study, one, whole, _SIDE, _SIDE, samples=_LONG)
        for i in range(count):
            address, path = Path(folder) / f"{i}.json", Path(folder) / f"{i}.exr"
            started = [_dask(name, address, *more) for name, more in _DASK]
            try:
                while not address.exists():
                    time.sleep(0.1)
                with open_cluster(f"file:{address}") as place:
                    threading.Timer(chance.uniform(1.0, 4.0), started[0].kill).start()
                    _lost(lambda place=place, path=path: _made(study, one, path, place))
            except InputError:
                # Closing what is lost may fail, too.
                pass
            finally:
                for process in started:
                    process.kill()
                    process.wait()
            _made(study, one, path, None)
            alike += np.array_equal(read_picture(path), read_picture(whole))
    return alike


_DASK = (("dask_scheduler", ("--port", "0", "--no-dashboard")), ("dask_worker", ("--nthreads", "1", "--no-dashboard")))


def _dask(name, address, *more):
    words = [sys.executable, "-m", f"distributed.cli.{name}", *more, "--scheduler-file", str(address)]
    return subprocess.Popen(words, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)


def _made(study, one, path, place):
    render_picture(study, one, path, _SIDE, _SIDE, samples=_LONG, place=place, resume=True)


def _lost(act):
    try:
        act()
    except InputError as error:
        if "\n" in str(error):
            raise AssertionError(f"no one sentence: {error}") from error
    else:
        raise AssertionError("the scheduler outlived its picture")


def run():
    alike, killed = workers_killed()
    yield Figure(f"of {_PICTURES} pictures the same to the bit, {killed} workers killed", alike, "", _PICTURES,
                 more_is_better=True)  # fmt: skip
    left = [p for p in _children() if "dask" in p]
    yield Figure("processes left", len(left), "", 0.0)
    yield Figure(
        f"of {_SCHEDULERS} whose scheduler was killed, gone on",
        schedulers_killed(),
        "",
        _SCHEDULERS,
        more_is_better=True,
    )


def _children():
    """Command lines of the processes that this one started and that still run."""
    out = []
    for entry in Path("/proc").iterdir():
        try:
            if entry.name.isdigit() and f"PPid:\t{os.getpid()}\n" in (entry / "status").read_text():
                out.append((entry / "cmdline").read_bytes().decode(errors="replace"))
        except OSError:
            continue
    return out
