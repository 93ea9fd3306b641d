"""Paths per second of each demo specimen in the booth, 512 × 512, on all cores."""

from photometra.demo import make_study
from photometra.imaging.booths import scene_of
from photometra.instruments import constants_reading
from photometra.surface.compile import compile_surface
from photometra.tracing import Rendering

from .figures import Figure, median_seconds

_SIDE = 512


def run():
    study = make_study()
    for specimen in study.specimens:
        compiled = compile_surface(specimen.surface, constants_reading(specimen.readings))
        rendering = Rendering(compiled, scene_of(study, specimen), _SIDE, _SIDE)
        seconds = median_seconds(rendering.add, 5)
        yield Figure(f"paths per second, {specimen.name}", _SIDE * _SIDE / seconds / 1e6, "M/s", 1.0, True)
