"""Looking far and wide before and after a local solve: scans for a start, and the other minima that fit as well."""

from dataclasses import dataclass

import numpy as np

from ..surface import PARAMETERS, Surface, scalar_owner
from ..words import with_unit
from .descent import Descent

_FURTHER = 5
_ROUNDS = 10
_WORST = 50.0
"""How many times the best chi-square another minimum may have and still be worth showing."""


@dataclass(frozen=True, eq=False)
class Minimum:
    """Another place where the misfit is smallest about itself: its surface, what tells it apart, its chi-square."""

    surface: Surface
    name: str
    value: float
    chi2_reduced: float


def scanned(problem, x, pool):
    """(start, [further starts], the kind of reading that judges them): by values of what must be looked for widely.

    The start is the one given, or a better one.
    """
    kinds = {r.kind_key for r in problem.readings}
    others, judge = [], None
    # A film has many minima, and a highlight far too narrow or too wide has no slope to follow.
    for name in [n for n in PARAMETERS if PARAMETERS[n].scan and n in problem.scalars]:
        values, judges = PARAMETERS[name].scan, PARAMETERS[name].scan_judges
        i = problem.scalars.index(name)
        inside = [v for v in values if problem.low[i] < v < problem.high[i]]
        if not inside:
            continue
        tries = [x, *(np.where(np.arange(x.size) == i, v, x) for v in inside)]
        told_by = next((k for k in judges if k in kinds), None)
        costs = np.array([float(r @ r) for r in pool.map(lambda at, k=told_by: problem.residuals(at, k), tries)])
        if PARAMETERS[name].is_many_valued:
            others, judge = [tries[1 + j] for j in _dips(costs[1:])], told_by
        x = tries[int(np.argmin(costs))]
    return x, others, judge


def _dips(costs):
    """Places of a scan lower than their neighbours, the lowest first."""
    padded = np.concatenate([[np.inf], costs, [np.inf]])
    places = np.flatnonzero((padded[1:-1] <= padded[:-2]) & (padded[1:-1] < padded[2:]))
    return places[np.argsort(costs[places], kind="stable")][:_FURTHER]


def descended(problem, starts, pool, judge):
    """Short local solves from several starts by one kind of reading, [(cost by all of them, x)], the lowest first."""
    found = []
    for x in starts:
        end = Descent(
            lambda at: problem.watched(at, judge),
            lambda at: problem.slopes(at, pool, lambda there: problem.residuals(there, judge)),
            x, problem.low, problem.high, 1e-4, _ROUNDS,
        ).found()  # fmt: skip
        whole = problem.residuals(end.x)
        found.append((0.5 * float(whole @ whole), end.x))
    return sorted(found, key=lambda f: f[0])


def distinct(problem, best, found, freedom):
    """The `Minimum`s among (cost, x) that are not the best one again, the lowest chi-square first."""
    out = []
    name = next((n for n in problem.scalars if scalar_owner(n)[0].is_many_valued), None)
    if name is None:
        return ()
    i = problem.scalars.index(name)
    taken = [float(problem.outward(best[1])[i])]
    for cost, x in found:
        value = float(problem.outward(x)[i])
        if any(abs(value - t) < 0.03 * max(t, 30.0) for t in taken) or cost > _WORST * max(best[0], freedom / 2.0):
            continue
        taken.append(value)
        out.append(Minimum(problem.at(x), name, value, 2.0 * cost / freedom))
    return tuple(out)


def told(minimum):
    """A minimum in a few words: `film thickness 312.4 nm`."""
    p, _ = scalar_owner(minimum.name)
    return with_unit(f"{p.words} {minimum.value:.{p.digits}f}", p.unit)
