"""Whether the error bars of a solve can be believed: the parametric bootstrap (Efron & Tibshirani 1993).

The solved surface is taken as the truth, and read anew by the same instruments with chance noise of their stated
uncertainty and systematic effects drawn from theirs; every such set of readings is solved from where the person began.
How far the outcomes scatter about that truth, and how often it lies within their bars, tells of the bars. Not of the
model: what it leaves out is left out of the fresh readings too.
"""

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from ..errors import InputError
from ..instruments import constants_reading, drawn, misread, noised
from ..readings import Reading
from ..surface import Surface
from ..tracing.places import Threads
from ..words import tr
from .problem import free_names
from .solver import counting, solve

_SEED = 6100
_LEAST = 5
"""Fewer studies tell nothing of a scatter."""


@dataclass(frozen=True, eq=False)
class Trial:
    """One study to be solved. truth: the surface that is read; readings: all of the specimen's; number: of its noise;
    the rest as `solve` has it."""

    truth: Surface
    start: Surface
    readings: tuple[Reading, ...]
    free: tuple[str, ...]
    bounds: dict
    robust: bool
    number: int


@dataclass(frozen=True)
class Tried:
    """What came of the studies for one scalar. true; mean, scatter: of what was found; stated: the mean standard error;
    bias: mean of (found - true) / standard error; within_1, within_2: shares within so many standard errors; counted:
    of how many studies, those with a standard error."""

    name: str
    true: float
    mean: float
    scatter: float
    stated: float
    bias: float
    within_1: float
    within_2: float
    counted: int


@dataclass(frozen=True, eq=False)
class Bootstrap:
    """found: for each study {scalar: (value, standard error or None)}; chi2: the reduced chi-square of each."""

    truth: Surface
    found: tuple[dict, ...]
    chi2: tuple[float, ...]

    @cached_property
    def scalars(self) -> tuple[Tried, ...]:
        names = dict.fromkeys(n for one in self.found for n in one)
        return tuple(t for t in map(self._tried, names) if t is not None)

    def _tried(self, name):
        pairs = [one[name] for one in self.found if one.get(name, (0.0, None))[1]]
        if not pairs:
            return None
        true = self.truth.scalar(name)
        values, sigmas = np.array(pairs).T
        z = (values - true) / sigmas
        return Tried(
            name, true, float(values.mean()), float(values.std()), float(sigmas.mean()), float(z.mean()),
            float(np.mean(np.abs(z) <= 1.0)), float(np.mean(np.abs(z) <= 2.0)), len(pairs),
        )  # fmt: skip

    def within(self, errors):
        """The share of all scalars of all studies that lie within so many of their standard errors."""
        z = [
            abs(value - self.truth.scalar(name)) / sigma
            for one in self.found for name, (value, sigma) in one.items() if sigma
        ]  # fmt: skip
        return float(np.mean(np.array(z) <= errors)) if z else float("nan")


def fresh_readings(truth: Surface, readings, rng):
    """What the same instruments would read of a surface another day. What is not active stays as it is; constants are
    read anew about what they were."""
    constants = constants_reading(readings)
    active = counting(truth, readings)
    out = []
    for r in readings:
        if not any(r is a for a in active):
            out.append(r)
            continue
        columns = dict(r.columns)
        if r.kind_key != "constants":
            columns.update(zip(r.kind.values, misread(r, truth, drawn(r, rng), constants), strict=True))
        out.append(replace(r, columns=noised(r, columns, rng)))
    return tuple(out)


def tried(trial: Trial):
    """(reduced chi-square, {scalar: (value, standard error or None)}) of one study."""
    readings = fresh_readings(trial.truth, trial.readings, np.random.default_rng([_SEED, trial.number]))
    solution = solve(trial.start, readings, trial.free, trial.bounds, robust=trial.robust, keep_rgb=True)
    return solution.chi2_reduced, {s.name: (s.value, s.sigma) for s in solution.solved}


def bootstrap(
    truth, start, readings, free, studies=50, bounds=None, robust=False, report=None, cancel=None, place=None
):
    """Solve so many fresh studies of a surface, each from `start`; a `Bootstrap`, None where cancelled.

    truth: the solved surface; readings, free, bounds, robust: as `solve` had them. report(done, of) after each. place:
    where they are done, see `tracing.places`. The same for the same arguments, wherever it is done.
    """
    if studies < _LEAST:
        raise InputError(tr("{0} studies tell nothing of a scatter; give at least {1}", studies, _LEAST))
    if free_names(start, free) != free_names(truth, free):
        # A colour that is a spectrum by now, or a film that has been found: there is no way back to where it began.
        start = truth
    trials = [Trial(truth, start, tuple(readings), tuple(free), bounds or {}, robust, k) for k in range(studies)]
    found = []
    for one in (place or Threads()).each(tried, trials, cancel):
        found.append(one)
        if report:
            report(len(found), studies)
    if len(found) < studies:
        return None
    return Bootstrap(truth, tuple(f for _, f in found), tuple(c for c, _ in found))
