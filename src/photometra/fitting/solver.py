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

from ..instruments import constants_reading
from ..surface import PARAMETERS, Surface, parameter
from ..surface.constants import FROM_MODEL
from .minima import Minimum, descended, distinct, scanned
from .problem import WOKEN_HAZE, Problem, free_names
from .uncertainty import Undetermined, errors_of, undetermined

_RUNGS = ((False, 1e-6, 60),)
_RUNGS_RENDERED = ((True, 3e-3, 12), (False, 1e-3, 8))
"""Passes of a solve: whether rough, its tolerances, and how many steps it may take."""


@dataclass(frozen=True)
class Solved:
    """One solved scalar. `sigma` is None where the value sits at a bound, or no reading depends on it."""

    name: str
    value: float
    sigma: float | None
    start: float
    at_bound: bool


@dataclass(frozen=True, eq=False)
class Solution:
    """The outcome of a solve. `correlation` is (m, m) in the order of `solved`; NaN where there is none.

    minima: others that fit nearly as well, the best first. robust: whether far-off points counted less.
    """

    surface: Surface
    solved: tuple[Solved, ...]
    chi2_start: float
    chi2_reduced: float
    correlation: np.ndarray
    undetermined: tuple[Undetermined, ...]
    minima: tuple[Minimum, ...]
    points: int
    evaluations: int
    seconds: float
    robust: bool = False


def counting(surface, readings):
    """The readings that a solve counts: active ones that a free parameter could answer."""
    ours = surface["metalness"] > 0 and surface["constants"] != FROM_MODEL
    return [r for r in readings if r.active and not (r.kind_key == "constants" and ours)]


def solve(
    surface: Surface, readings, free, bounds=None, report=None, cancel=None, robust=False, further=None
) -> Solution:
    """Solve for `free` parameters from the active readings.

    readings: all of the specimen's; free: parameter or scalar names; bounds: {parameter or scalar: (low, high)} inside
    the hard range; report(evaluations, chi-square) is called on the way; cancel: a threading.Event, upon which
    `Cancelled` is raised. robust: points far off count less (soft L1 beyond 2 standard uncertainties). further:
    evidence that is no reading (see `Problem`), with a `rough` state in which the way is found before the end in full.
    ValueError, in a sentence, where there is nothing to solve or to solve from.
    """
    from scipy.optimize import least_squares

    began = time.perf_counter()
    active = counting(surface, readings)
    scalars = free_names(surface, free)
    if not scalars:
        raise ValueError("no parameter is free; free at least one")
    if not active and further is None:
        raise ValueError("there is no active reading to solve from; import or activate one")
    start = np.array([surface.scalar(s) for s in scalars], float)
    problem = Problem(surface, active, scalars, bounds, report, cancel, further)
    low, high = problem.low, problem.high
    # Constants of the specimen count even where their own agreement is not asked for.
    problem.constants = constants_reading(readings)
    margin = 1e-7 * (high - low)
    loss = "soft_l1" if robust else "linear"
    x = np.clip(problem.here(), low + margin, high - margin)
    with ThreadPoolExecutor(max_workers=os.cpu_count() or 2) as pool:
        if further is not None:
            further.rough = True
        first = problem.watched(x)[: problem.points]
        if "haze.amount" in scalars:
            i = scalars.index("haze.amount")
            x[i] = min(max(x[i], WOKEN_HAZE), high[i] - margin[i])
        x, others, judge = scanned(problem, x, pool)
        tried = descended(problem, [x, *others], pool, judge) if others else []
        if tried:
            x = np.clip(tried[0][1], low + margin, high - margin)
        for rough, tolerance, most in _RUNGS_RENDERED if further is not None else _RUNGS:
            if further is not None:
                further.rough = rough
                problem.best = float("inf")
            found = least_squares(
                problem.watched, x, jac=lambda at: problem.slopes(at, pool), bounds=(low, high), x_scale="jac",
                loss=loss, f_scale=2.0, xtol=tolerance, ftol=tolerance, gtol=tolerance, max_nfev=most,
            )  # fmt: skip
            x = np.clip(found.x, low + margin, high - margin)
    return _solution(problem, found, start, float(first @ first), tried, robust, began)


def _solution(problem, found, start, chi2_start, tried, robust, began):
    scalars, width = problem.scalars, problem.high - problem.low
    near = 1e-5 * width
    at_bound = (found.x - problem.low < near) | (problem.high - found.x < near)
    scaled = found.jac * width
    moving = (np.linalg.norm(scaled, axis=0) > 1e-6) & ~at_bound
    freedom = max(1, problem.points - int(moving.sum()))
    evidence = found.fun[: problem.points]
    reduced = float(evidence @ evidence) / freedom
    # Outliers would widen every error; the middle of the residuals tells how far the rest scatters.
    scatter = (1.4826 * float(np.median(np.abs(evidence)))) ** 2 if robust else reduced
    sigma, correlation = errors_of(scaled, moving)
    sigma = sigma * width * problem.stretch(found.x) * np.sqrt(max(1.0, scatter))
    solved = tuple(
        Solved(n, float(v), None if np.isnan(s) else float(s), float(o), bool(b))
        for n, v, s, o, b in zip(scalars, problem.outward(found.x), sigma, start, at_bound, strict=True)
    )
    return Solution(
        surface=problem.at(found.x),
        solved=solved,
        chi2_start=chi2_start / freedom,
        chi2_reduced=reduced,
        correlation=correlation,
        undetermined=tuple(undetermined(scalars, scaled, moving, at_bound)),
        minima=distinct(problem, (float(found.cost), found.x), tried, freedom),
        points=problem.points,
        evaluations=problem.evaluations,
        seconds=time.perf_counter() - began,
        robust=robust,
    )


def default_free(surface: Surface) -> frozenset[str]:
    """Parameters a newcomer would leave free on a surface: what applies and differs between samples."""
    wanted = {"roughness", "haze.amount", "ior", "colour"}
    return frozenset(n for n in wanted if parameter(n).solvable and surface.applies(n) and n in PARAMETERS)
