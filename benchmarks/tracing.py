"""Paths per second of each demo specimen in the booth, 512 × 512, on all cores; time to a clean picture; memory."""

import resource
import time
from dataclasses import replace

from photometra.demo import make_study
from photometra.imaging.booths import compiled_in, scene_of
from photometra.study import Specimen
from photometra.surface import Surface
from photometra.tracing import Rendering

from .figures import Figure, median_seconds

_SIDE = 512
_NOISE, _PATIENCE_S = 0.03, 120.0
COATED = Surface({"metalness": 1.0, "constants": "aluminium", "roughness": 0.35, "coat.amount": 1.0})


def _rendering(study, specimen, side=_SIDE):
    scene = scene_of(study, specimen)
    return Rendering(compiled_in(scene, specimen), scene, side, side)


def run():
    study = make_study()
    metallic = Specimen("coat over metallic", 64.0, COATED)
    for specimen in (*study.specimens, metallic):
        seconds = median_seconds(_rendering(study, specimen).add, 5)
        yield Figure(f"paths per second, {specimen.name}", _SIDE * _SIDE / seconds / 1e6, "M/s", 1.0, True)
    clear_light = replace(study, booth=replace(study.booth, environment="overcast"))
    for specimen in (study.specimens[0], study.specimens[4], study.specimens[7]):
        rendering, start = _rendering(clear_light, specimen, 256), time.perf_counter()
        while time.perf_counter() - start < _PATIENCE_S:
            rendering.add(4)
            if rendering.samples >= 8 and rendering.noise() <= _NOISE:
                break
        name = f"256 × 256 to {100 * _NOISE:g} % noise, {specimen.name}"
        yield Figure(name, time.perf_counter() - start, "s", 10.0)
    yield Figure("memory of the whole run", resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024.0, "MB", 1024.0)
