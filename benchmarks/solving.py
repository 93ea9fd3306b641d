"""Solving: each demo specimen with its own free parameters, and five readings with six parameters."""

from photometra.demo import make_study
from photometra.fitting import solve
from photometra.instruments import measured

from .figures import Figure, median_seconds


def run():
    study = make_study()
    for s in study.specimens:
        seconds = median_seconds(lambda s=s: solve(s.surface, s.readings, s.free), 3)
        names = len(solve(s.surface, s.readings, s.free).solved)
        yield Figure(f"solve, {s.name}: {len(s.readings)} readings, {names} parameters", seconds, "s", 2.0)
    plate = study.specimens[1]
    more = (
        measured("spectrophotometer", plate.surface.with_values({"ior": 1.532}), "45:0"),
        measured("refractometer", plate.surface.with_values({"ior": 1.532})),
    )
    readings = (*plate.readings, *more)
    free = ["roughness", "ior", "haze.amount", "colour"]
    seconds = median_seconds(lambda: solve(plate.surface, readings, free), 3)
    yield Figure("solve, five readings, six parameters", seconds, "s", 2.0)
