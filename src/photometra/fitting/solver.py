"""Solving for the free parameters: bounded least squares over all active readings.

Residuals are (model - reading) / uncertainty. What the values of a reading share, as the gain of its instrument, is
solved for along with the surface, with its stated uncertainty as a prior (`effects`). Slopes are one-sided
differences, their columns taken on a thread pool. Deterministic for given input. Standard errors come from the slopes
at the solution, widened by the root of the reduced chi-square where the readings scatter more than they say they do.
"""

import time
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, field, replace

import numpy as np

from ..errors import InputError
from ..instruments import constants_reading
from ..optics.threads import thread_count
from ..surface import PARAMETERS, Surface, is_spectrum, scalar_owner, spectrum_of
from ..surface.constants import FROM_MODEL
from ..words import tr
from .descent import Descent
from .effects import FACTORS, PHOTOGRAPH, Found
from .minima import Minimum, descended, distinct, scanned
from .problem import Problem, free_names
from .sense import kinds_by
from .uncertainty import Undetermined, errors_of, loosely_bound, marginal, undetermined
from .verdict import CONVERGED, SPECTRAL_ROWS, STOPPED, STUCK, Verdict, doubts, helps, misfits

_RUNGS = ((False, 1e-6, 100),)
_RUNGS_RENDERED = ((True, 3e-3, 12), (False, 1e-3, 8))
"""Passes of a solve: whether rough, its tolerances, and how many steps it may take."""
_MISSED_BY_RGB = 4.0
"""Mean square residual of such a reading from which a free colour is solved by wavelength."""
_NO_ERROR = 1e-9
"""A standard error below this share of the range comes of a jump in the model, not of the evidence."""


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

    minima: others that fit nearly as well, the best first. robust: whether far-off points counted less. verdict:
    whether it describes the evidence. spectral: names of the colours that were given as red, green and blue and are
    solved by wavelength, as the evidence asks for it. effects: what the instruments were found to be off by.
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
    verdict: Verdict = field(default_factory=Verdict)
    spectral: tuple[str, ...] = ()
    effects: tuple[Found, ...] = ()

    @property
    def sigmas(self):
        """{scalar: standard error}, None where there is none; none at all where the model does not fit."""
        return {s.name: s.sigma if self.verdict.fits else None for s in self.solved}


def counting(surface, readings):
    """The readings that a solve counts: active ones that a free parameter could answer."""
    ours = surface["metalness"] > 0 and surface["constants"] != FROM_MODEL
    return [r for r in readings if r.active and not (r.kind_key == "constants" and ours)]


def solve(
    surface: Surface, readings, free, bounds=None, report=None, cancel=None, robust=False, further=None, keep_rgb=False
) -> Solution:
    """Solve for `free` parameters from the active readings.

    readings: all of the specimen's; free: parameter or scalar names; bounds: {parameter or scalar: (low, high)} inside
    the hard range; report(evaluations, chi-square) is called on the way; cancel: a threading.Event, upon which
    `Cancelled` is raised. robust: points far off count less (soft L1 beyond 2 standard uncertainties). further:
    evidence that is no reading (see `Problem`), with a `rough` state in which the way is found before the end in full.

    A free colour that is red, green and blue is solved by wavelength where a spectral reading counts that it cannot
    follow; keep_rgb leaves it as it is, and has the colour of such a reading met above all.
    ValueError, in a sentence, where there is nothing to solve or to solve from.
    """
    began = time.perf_counter()
    active = counting(surface, readings)
    scalars = free_names(surface, free)
    if not scalars:
        shown = "".join(f"; {words}" for words, _ in kinds_by(surface, active))
        raise InputError(tr("no parameter is free that does anything on this surface; free at least one") + shown)
    if not active and further is None:
        raise InputError(tr("there is no active reading to solve from; import or activate one"))
    with ThreadPoolExecutor(max_workers=thread_count()) as pool:

        def descend(start, names, by_colour=False):
            problem = Problem(start, active, names, bounds, report, cancel, further, by_colour)
            # Constants of the specimen count even where their own agreement is not asked for.
            problem.constants = constants_reading(readings)
            return problem, *_descend(problem, pool, robust)

        problem, found, tried, first = descend(surface, scalars)
        spectral = _missed_by_rgb(problem, found.x, free) if further is None else ()
        if spectral and keep_rgb:
            problem, found, tried, _ = descend(problem.at(found.x), scalars, by_colour=True)
        elif spectral:
            there = problem.at(found.x)
            wider = there.with_values({n: spectrum_of(PARAMETERS[n], there[n]) for n in spectral})
            other = descend(wider, free_names(wider, free))
            if other[1].cost < 0.5 * found.cost:
                problem, found, tried, _ = other
            else:
                spectral = ()
        solution = _solution(problem, found, surface, float(first @ first), tried, robust, began)
        status = STOPPED if found.status == 0 else CONVERGED
        missed = misfits(problem, found.x)
        if missed and found.status == 3:
            status = STUCK
        names = [scalar_owner(n)[0].name for n in scalars]
        told = helps(problem, found.x, pool, dict.fromkeys(names)) if missed and further is None else ()
        freedom = max(1, problem.points - len(problem.effects) - len(solution.solved))
        doubted = doubts(problem, found.x, solution.chi2_reduced, freedom, solution.effects)
    return replace(
        solution, verdict=Verdict(status, missed, told, doubted), spectral=() if keep_rgb else spectral,
        seconds=time.perf_counter() - began,
    )  # fmt: skip


def _descend(problem, pool, robust):
    """(least squares' result, short solves from other starts, the first residuals) of one problem."""
    low, high, further = problem.low, problem.high, problem.further
    margin = 1e-7 * (high - low)
    x = np.clip(problem.here(), low + margin, high - margin)
    if further is not None:
        further.rough = True
    first = problem.watched(x)[: problem.points]
    x = np.clip(problem.awake(), low + margin, high - margin)
    x, others, judge = scanned(problem, x, pool)
    tried = descended(problem, [x, *others], pool, judge) if others else []
    if tried:
        x = np.clip(tried[0][1], low + margin, high - margin)
    for rough, tolerance, most in _RUNGS_RENDERED if further is not None else _RUNGS:
        if further is not None:
            further.rough = rough
            problem.best = float("inf")
        descent = Descent(
            problem.watched, lambda at: problem.slopes(at, pool), x, low, high, tolerance, most, robust, further is None
        )
        found = descent.found()
        x = np.clip(found.x, low + margin, high - margin)
    return found, tried, first


def _missed_by_rgb(problem, x, free):
    """Names of the free colours that should be solved by wavelength: one for each kind of reading that is missed."""
    surface = problem.at(x)
    parts = problem.parts(x)[-len(problem.readings) :] if problem.readings else []
    out = []
    for r, part in zip(problem.readings, parts, strict=True):
        if r.kind.along != "wavelength_nm" or np.unique(r.x).size < SPECTRAL_ROWS or not part.size:
            continue
        if float(part @ part) / part.size <= _MISSED_BY_RGB:
            continue
        for p in PARAMETERS.values():
            is_rgb = p.name in free and p.components and surface.applies(p.name) and not is_spectrum(surface[p.name])
            if is_rgb and r.kind_key in p.told_by:
                out.append(p.name)
                break
    return tuple(dict.fromkeys(out))


def _solution(problem, found, before, chi2_start, tried, robust, began):
    scalars, n = problem.scalars, len(problem.scalars)
    start = [before.scalar(s) for s in scalars]
    width = problem.high - problem.low
    near = 1e-5 * width
    bound = (found.x - problem.low < near) | (problem.high - found.x < near)
    scaled = found.jac * width
    moving = (np.linalg.norm(scaled, axis=0) > 1e-6) & ~bound
    freedom = max(1, problem.points - int(moving.sum()))
    evidence = found.fun[: problem.points]
    reduced = float(evidence @ evidence) / freedom
    # Outliers would widen every error; the middle of the residuals tells how far the rest scatters.
    scatter = (1.4826 * float(np.median(np.abs(evidence)))) ** 2 if robust else reduced
    loose = loosely_bound(scaled, found.fun, bound)
    errors, correlation = errors_of(scaled, moving | loose)
    wider = np.sqrt(max(1.0, scatter))
    values = problem.outward(found.x)
    surface, held = _without_idle(problem, problem.at(found.x), start)
    least = _NO_ERROR * problem.stretch(found.x) * width[:n]
    sigma = np.minimum(errors[:n] * width[:n] * problem.stretch(found.x) * wider, _ranges(problem))
    sigma = np.where((sigma < least) | held, np.nan, sigma)
    values = np.where(held, start, values)
    solved = tuple(
        Solved(name, float(v), None if np.isnan(s) or b else float(s), float(o), bool(b))
        for name, v, s, o, b in zip(scalars, values, sigma, start, bound[:n] & ~held, strict=True)
    )
    told = slice(0, n)
    rows = np.ones(found.fun.size, bool)
    rows[problem.points - len(problem.effects) : problem.points] = False
    alone = marginal(scaled[rows, :n], found.jac[rows, n:])
    return Solution(
        surface=surface,
        solved=solved,
        chi2_start=chi2_start / freedom,
        chi2_reduced=reduced,
        correlation=correlation[told, told],
        undetermined=tuple(undetermined(scalars, alone, (moving | loose)[told], bound[told])),
        minima=distinct(problem, (float(found.cost), found.x), tried, freedom),
        points=problem.points - len(problem.effects),
        evaluations=problem.evaluations,
        seconds=time.perf_counter() - began,
        robust=robust,
        effects=_effects_found(problem, found.x[n:], errors[n:] * width[n:] * wider),
    )


def _ranges(problem):
    """How wide the range of each scalar is."""
    n = len(problem.scalars)
    return problem.outward(problem.high[:n]) - problem.outward(problem.low[:n])


def _without_idle(problem, surface, start):
    """(surface, (n,) bool): what an amount of zero has put to sleep is held where it was."""
    idle = np.array([not surface.applies(scalar_owner(s)[0].name) for s in problem.scalars], bool)
    kept = {s: v for s, v, i in zip(problem.scalars, start, idle, strict=True) if i}
    return surface.with_scalars(kept) if kept else surface, idle


def _effects_found(problem, unknowns, errors):
    """A `Found` for each effect of the problem."""
    out = []
    for e, z, error in zip(problem.effects, unknowns, errors, strict=True):
        reading = problem.readings[e.of] if e.of >= 0 else None
        is_photograph = reading is None or reading.kind_key == "photograph"
        name = "exposure" if is_photograph and e.name == "gain" else e.name
        value = float(z) * e.sigma + (1.0 if name in FACTORS else 0.0)
        out.append(
            Found(
                reading.name if reading else PHOTOGRAPH,
                name,
                value,
                None if np.isnan(error) else float(error) * e.sigma,
                e.sigma,
            )
        )
    return tuple(out)
