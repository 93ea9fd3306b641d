"""Solving for the free parameters: bounded least squares over all active readings.

Residuals are (model - reading) / uncertainty. Slopes are one-sided differences, their columns taken on a
thread pool. Deterministic for given input. Standard errors come from the slopes at the solution, widened by
the root of the reduced chi-square where the readings scatter more than they say they do.
"""

import os
import time
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass

import numpy as np

from ..instruments import constants_reading, model_of
from ..surface import PARAMETERS, Surface, parameter, scalar_owner, scalars_of
from ..surface.compile import compile_measured

_STEP = 1e-4
_SCANS = {
    "film.thickness": (tuple(range(15, 1006, 15)), "reflectance"),
    "roughness": ((0.02, 0.08, 0.16, 0.26, 0.4, 0.6, 0.85), None),
    "coat.roughness": ((0.02, 0.08, 0.16, 0.26, 0.4, 0.6), None),
}
"""Values tried first, and the kind of reading that judges them where there is one (or all do): a film has many
minima, and a highlight far too narrow or too wide has no slope to follow."""
_WOKEN_HAZE = 0.05
"""The least haze a solve starts from where haze is free: at 0 its spread has no slope."""
_TOO_ALIKE = 0.995
_TOO_WIDE = 0.3
"""A combination whose standard error is wider than this share of the parameters' ranges is not determined."""


class Cancelled(Exception):
    """The caller asked to stop."""


@dataclass(frozen=True)
class Solved:
    """One solved scalar. `sigma` is None where the value sits at a bound, or no reading depends on it."""

    name: str
    value: float
    sigma: float | None
    start: float
    at_bound: bool


@dataclass(frozen=True)
class Undetermined:
    """Scalars that the evidence cannot tell apart, and a sentence that says so."""

    names: tuple[str, ...]
    sentence: str


@dataclass(frozen=True, eq=False)
class Solution:
    """The outcome of a solve. `correlation` is (m, m) in the order of `solved`; NaN where there is none."""

    surface: Surface
    solved: tuple[Solved, ...]
    chi2_start: float
    chi2_reduced: float
    correlation: np.ndarray
    undetermined: tuple[Undetermined, ...]
    points: int
    evaluations: int
    seconds: float


def free_names(surface: Surface, names) -> list[str]:
    """The scalars to solve for, from parameter or scalar names; ValueError where one cannot be solved."""
    # A free amount wakes what depends on it.
    awake = surface.with_values({"haze.amount": _WOKEN_HAZE}) if "haze.amount" in names else surface
    scalars = []
    for name in names:
        p, component = scalar_owner(name)
        if not p.solvable:
            raise ValueError(f"{p.name} cannot be solved for; set it by hand")
        if not awake.applies(p.name):
            raise ValueError(f"{p.name} does nothing on this surface as it stands; hold it")
        scalars += [name] if component is not None else scalars_of(name, awake[name])
    order = list(PARAMETERS)
    return sorted(dict.fromkeys(scalars), key=lambda s: order.index(scalar_owner(s)[0].name))


class _Problem:
    """Residuals and slopes over one set of readings; counts its evaluations and obeys a cancel."""

    def __init__(self, surface, readings, scalars, low, high, report, cancel):
        self.surface, self.readings, self.scalars = surface, readings, scalars
        self.low, self.high = low, high
        self.constants = constants_reading(readings)
        self.sigmas = [r.stacked()[1] for r in readings]
        self.counted = [r.counted for r in readings]
        self.report, self.cancel = report, cancel
        self.evaluations = 0
        self.best = float("inf")

    def at(self, x):
        return self.surface.with_scalars(dict(zip(self.scalars, x, strict=True)))

    def residuals(self, x, kind=None):
        """All residuals at x, or those of one kind of reading alone."""
        if self.cancel is not None and self.cancel.is_set():
            raise Cancelled
        surface = self.at(x)
        compiled = compile_measured(surface, self.constants)
        parts = [
            (r.difference(model_of(r, surface, compiled, self.constants)) / sigma)[counted]
            for r, sigma, counted in zip(self.readings, self.sigmas, self.counted, strict=True)
            if kind in (None, r.kind_key)
        ]
        self.evaluations += 1
        return np.concatenate(parts)

    def watched(self, x):
        """Residuals, with the misfit told to whoever watches."""
        r = self.residuals(x)
        self.best = min(self.best, float(r @ r))
        if self.report:
            self.report(self.evaluations, self.best)
        return r

    def slopes(self, x, pool):
        step = _STEP * (self.high - self.low)
        # Away from the nearer bound, so that a step never leaves the range.
        step = np.where(x + step > self.high, -step, step)
        moved = [x + np.where(np.arange(x.size) == i, step, 0.0) for i in range(x.size)]
        here, *there = pool.map(self.residuals, [x, *moved])
        return np.stack([(t - here) / s for t, s in zip(there, step, strict=True)], axis=1)


def _range(scalar, bounds):
    p, _ = scalar_owner(scalar)
    low, high = p.hard
    if scalar in bounds:
        low, high = max(low, bounds[scalar][0]), min(high, bounds[scalar][1])
    if not low < high:
        raise ValueError(f"{scalar}: the lower bound must be below the upper one")
    return low, high


def solve(surface: Surface, readings, free, bounds=None, report=None, cancel=None) -> Solution:
    """Solve for `free` parameters from the active readings.

    readings: all of the specimen's; free: parameter or scalar names; bounds: {scalar: (low, high)} inside the hard
    range; report(evaluations, chi-square) is called on the way; cancel: a threading.Event, upon which Cancelled is
    raised. ValueError, in a sentence, where there is nothing to solve or to solve from.
    """
    from scipy.optimize import least_squares

    began = time.perf_counter()
    active = [r for r in readings if r.active and not (r.kind_key == "constants" and surface["metalness"] > 0)]
    scalars = free_names(surface, free)
    if not scalars:
        raise ValueError("no parameter is free; free at least one")
    if not active:
        raise ValueError("there is no active reading to solve from; import or activate one")
    ranges = np.array([_range(s, bounds or {}) for s in scalars], float)
    low, high = ranges.T
    start = np.array([surface.scalar(s) for s in scalars], float)
    problem = _Problem(surface, active, scalars, low, high, report, cancel)
    # Constants of the specimen count even where their own agreement is not asked for.
    problem.constants = constants_reading(readings)
    margin = 1e-7 * (high - low)
    x = np.clip(start, low + margin, high - margin)
    with ThreadPoolExecutor(max_workers=os.cpu_count() or 2) as pool:
        first = problem.watched(x)
        if "haze.amount" in scalars:
            i = scalars.index("haze.amount")
            x[i] = min(max(x[i], _WOKEN_HAZE), high[i] - margin[i])
        x = _scanned(problem, x, scalars, pool)
        found = least_squares(
            problem.watched, x, jac=lambda at: problem.slopes(at, pool), bounds=(low, high), x_scale="jac",
            xtol=1e-5, ftol=1e-5, gtol=1e-5, max_nfev=60,
        )  # fmt: skip
    return _solution(problem, found, start, float(first @ first), began)


def _scanned(problem, x, scalars, pool):
    """The start, or a better one with another value of what must be looked for far and wide."""
    kinds = {r.kind_key for r in problem.readings}
    for name, (values, kind) in _SCANS.items():
        if name not in scalars:
            continue
        i = scalars.index(name)
        inside = [v for v in values if problem.low[i] < v < problem.high[i]]
        tries = [x, *(np.where(np.arange(x.size) == i, v, x) for v in inside)]
        told_by = kind if kind in kinds else None
        costs = [float(r @ r) for r in pool.map(lambda at, k=told_by: problem.residuals(at, k), tries)]
        x = tries[int(np.argmin(costs))]
    return x


def _solution(problem, found, start, chi2_start, began):
    scalars, width = problem.scalars, problem.high - problem.low
    near = 1e-5 * width
    at_bound = (found.x - problem.low < near) | (problem.high - found.x < near)
    jacobian = found.jac
    moving = (np.linalg.norm(jacobian * width, axis=0) > 1e-6) & ~at_bound
    freedom = max(1, found.fun.size - int(moving.sum()))
    reduced = float(found.fun @ found.fun) / freedom
    sigma = np.full(len(scalars), np.nan)
    correlation = np.full((len(scalars), len(scalars)), np.nan)
    if moving.any():
        scaled = jacobian[:, moving] * width[moving]
        covariance = np.linalg.pinv(scaled.T @ scaled, rcond=1e-14, hermitian=True)
        deviation = np.sqrt(np.maximum(np.diag(covariance), 1e-300))
        sigma[moving] = deviation * width[moving] * np.sqrt(max(1.0, reduced))
        correlation[np.ix_(moving, moving)] = covariance / np.outer(deviation, deviation)
    solved = tuple(
        Solved(n, float(v), None if np.isnan(s) else float(s), float(o), bool(b))
        for n, v, s, o, b in zip(scalars, found.x, sigma, start, at_bound, strict=True)
    )
    return Solution(
        surface=problem.at(found.x),
        solved=solved,
        chi2_start=chi2_start / freedom,
        chi2_reduced=reduced,
        correlation=correlation,
        undetermined=tuple(_undetermined(scalars, jacobian * width, moving, at_bound)),
        points=int(found.fun.size),
        evaluations=problem.evaluations,
        seconds=time.perf_counter() - began,
    )


def _undetermined(scalars, scaled, moving, at_bound):
    """What the evidence cannot tell, from the slopes in units of each parameter's range."""
    for name, moves, bound in zip(scalars, moving, at_bound, strict=True):
        if not moves and not bound:
            yield Undetermined((name,), f"no active reading depends on {name}")
    names = [n for n, m in zip(scalars, moving, strict=True) if m]
    if len(names) < 1:
        return
    _, strengths, directions = np.linalg.svd(scaled[:, moving], full_matrices=False)
    told = set()
    for strength, direction in zip(strengths[::-1], directions[::-1], strict=True):
        if strength * _TOO_WIDE >= 1.0:
            break
        part = tuple(n for n, d in zip(names, direction, strict=True) if abs(d) > 0.3)
        told.add(part)
        if len(part) == 1:
            yield Undetermined(part, f"the evidence hardly limits {part[0]}")
        else:
            joined = " and ".join(part)
            yield Undetermined(part, f"the evidence cannot tell {joined} apart: they only appear together")
    covariance = np.linalg.pinv(scaled[:, moving].T @ scaled[:, moving], rcond=1e-14, hermitian=True)
    deviation = np.sqrt(np.maximum(np.diag(covariance), 1e-300))
    alike = np.abs(covariance / np.outer(deviation, deviation))
    for i, j in zip(*np.triu_indices(len(names), 1), strict=True):
        if alike[i, j] > _TOO_ALIKE and (names[i], names[j]) not in told:
            yield Undetermined(
                (names[i], names[j]),
                f"{names[i]} and {names[j]} trade against each other: a further reading should tell them apart",
            )


def default_free(surface: Surface) -> frozenset[str]:
    """Parameters a newcomer would leave free on a surface: what applies and differs between samples."""
    wanted = {"roughness", "haze.amount", "ior", "colour"}
    return frozenset(n for n in wanted if parameter(n).solvable and surface.applies(n) and n in PARAMETERS)
