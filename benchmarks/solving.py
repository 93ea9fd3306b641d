"""Solving: each demo specimen with its own free parameters, and five readings with six parameters."""

from photometra.demo import SAMPLES, make_study
from photometra.fitting import solve
from photometra.instruments import measured

from .figures import Figure, median_seconds


def run():
    study = make_study()
    # The lantern is many parts, and has no evidence of its own.
    for s in (one for one in study.specimens if one.readings):
        seconds = median_seconds(lambda s=s: solve(s.surface, s.readings, s.free), 3)
        names = len(solve(s.surface, s.readings, s.free).solved)
        yield Figure(f"solve, {s.name}: {len(s.readings)} readings, {names} parameters", seconds, "s", 2.0)
    plate = study.specimens[1]
    # Of the very plate: what contradicts the other readings would be no evidence to solve from.
    truth = SAMPLES[1].truth
    more = (measured("spectrophotometer", truth, "45:0"), measured("refractometer", truth))
    readings = (*plate.readings, *more)
    free = ["roughness", "ior", "haze.amount", "colour"]
    seconds = median_seconds(lambda: solve(plate.surface, readings, free), 3)
    yield Figure("solve, five readings, six parameters", seconds, "s", 2.0)
