"""A picture on local workers against this process's own threads: time, overhead of a job, bytes that are moved."""

import time

from photometra.demo import make_study
from photometra.farm import open_cluster, work
from photometra.imaging.booths import compiled_in, scene_of
from photometra.tracing import Rendering

from .figures import Figure

_SIDE, _SAMPLES = 512, 16


def _made(view, place=None):
    rendering = Rendering(*view, _SIDE, _SIDE, place=place)
    taken = []
    # The first of them has the workers fetch the view and load the kernels.
    for _ in range(4):
        began = time.perf_counter()
        rendering.add(_SAMPLES)
        taken.append(time.perf_counter() - began)
    return min(taken), rendering


def run():
    study = make_study()
    for specimen in (study.specimens[0], study.specimens[4]):
        scene = scene_of(study, specimen)
        view = compiled_in(scene, specimen), scene
        here, rendering = _made(view)
        tiles = len(rendering._jobs)
        yield Figure(f"{_SIDE}² at {_SAMPLES} samples on own threads, {specimen.name}", here, "s", 60.0)
        yield Figure(f"bytes of the view, {specimen.name}", len(work.packed(rendering._view)[1]) / 1e6, "MB", 100.0)
        yield Figure("bytes that come back for each tile", 64 * 64 * 5 * 8 / 1e6, "MB", 1.0)
        for count in (1, 2, 4):
            with open_cluster(f"local:{count}") as place:
                there, _ = _made(view, place)
            yield Figure(f"{count} local workers against own threads, {specimen.name}", there / here, "×", 4.0)
            if count == 2:
                lost = 1e3 * (there - here) * 2.0 / tiles
                yield Figure(f"overhead of a tile, 2 workers, {specimen.name}", lost, "ms", 50.0)
