"""The posterior of a solve, sampled: for where least squares' bars are not to be trusted, as at a bound, between two
minima, or along a strongly bent valley.

Adaptive multiple importance sampling (Cornuet, Marin, Mira & Robert 2012): draws from a mixture of Student's t about
the solution and its other minima, and from then on about clusters of the weighted draws so far; every draw is weighed
against all the mixtures that were drawn from. A thousand draws, each independent, do what chains do in ten thousands.

Systematic effects are marginalised by their slopes at the solution: with E those slopes, residuals weigh by the inverse
of I + E Eᵀ. Before the evidence every scalar is as likely anywhere in its range, on the solver's scale: of what is on a
logarithmic gauge, the logarithm. Where the readings scatter more than they say, the evidence counts less, as the error
bars do. Deterministic.
"""

import time
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass

import numpy as np

from ..errors import InputError
from ..instruments import constants_reading
from ..optics.threads import thread_count
from ..words import tr
from .problem import Problem, free_names
from .solver import counting

MOST_SCALARS = 20
"""Of more the draws would hardly ever meet: hold some, or keep colours red, green and blue."""
ROUNDS = 16
_PER_ROUND, _PER_SCALAR = 120, 12
_WANTED, _SETTLED = 800.0, 150.0
"""Draws that the weighted ones are worth: with so many it ends; below, intervals are rough."""
_STEADY = 0.05
"""What a deviation may still change by in a round: further tails may be found."""
_KEPT = 4000
_SEED = 1
_TAIL = 3.0
"""Degrees of freedom of the t: its tails are wider than any evidence's."""
_UNKNOWN = 0.25
"""Of a range, where there is no standard error: about the deviation of what may be anywhere in it."""
_WIDER = 1.3
_PARTS, _CLUSTERED, _WIDE_SHARE = 5, 600, 0.2
LEVELS = (2.5, 16.0, 50.0, 84.0, 97.5)


@dataclass(frozen=True, eq=False)
class Posterior:
    """names of the scalars; samples (m, n), their values, all weighing the same; worth: of how many independent draws
    they are; draws: how many were tried; seconds."""

    names: tuple[str, ...]
    samples: np.ndarray
    worth: float
    draws: int
    seconds: float

    @property
    def is_settled(self):
        return self.worth >= _SETTLED

    def interval(self, name):
        """Values at `LEVELS` per cent of one scalar's samples, (5,): the middle one is the median."""
        return np.percentile(self.samples[:, self.names.index(name)], LEVELS)

    @property
    def sentence(self):
        """What to say first."""
        told = tr("{0} draws, worth {1}, in {2} s", f"{self.draws:,}", f"{self.worth:,.0f}", f"{self.seconds:.0f}")
        if self.is_settled:
            return tr("Posterior: {0}", told)
        return tr("Posterior, rough: too few draws met the evidence to be sure of the ends ({0})", told)


def sampled(surface, readings, free, bounds=None, solution=None, report=None, cancel=None, robust=False) -> Posterior:
    """Sample the posterior of `free` parameters from the active readings, from a `solution` of them.

    Arguments as `solve`; surface: the solved one; report(round, of, worth) on the way. InputError where nothing
    is to be sampled, or too much; `Cancelled` upon cancel.
    """
    began = time.perf_counter()
    active, scalars = counting(surface, readings), free_names(surface, free)
    if not scalars or not active:
        raise InputError(tr("there is nothing to sample: free a parameter, and have an active reading"))
    if len(scalars) > MOST_SCALARS:
        raise InputError(
            tr(
                "{0} values are free, and at most {1} can be sampled: hold some, or keep colours red, green and blue",
                len(scalars),
                MOST_SCALARS,
            )
        )
    problem = Problem(surface, active, scalars, bounds, cancel=cancel)
    problem.constants = constants_reading(readings)
    n = len(scalars)
    low, high = problem.low[:n], problem.high[:n]
    with ThreadPoolExecutor(max_workers=thread_count()) as pool:
        density = _density(problem, problem.here(), pool, solution, robust)
        places, weights, worth = drawn(density, _modes(problem, solution), low, high, pool.map, report)
    values = np.array([problem.outward(x) for x in _evenly(places, weights, _KEPT)])
    return Posterior(tuple(scalars), values, worth, len(places), time.perf_counter() - began)


def drawn(density, modes, low, high, each=map, report=None):
    """(places (m, n), weights (m,), worth) of a density known but for a factor, by its logarithm, within a box.

    modes: the mixture to begin with, [(share, mean (n,), covariance (n, n))]; each: as `map`. InputError where no draw
    meets the density.
    """
    n, rng = len(low), np.random.default_rng(_SEED)
    places, logs, drawn_from, before = np.empty((0, n)), np.empty(0), [], np.zeros(n)
    for i in range(ROUNDS):
        new = _of_mixture(modes, _PER_ROUND + _PER_SCALAR * n, rng)
        inside = np.all((new >= low) & (new <= high), axis=1)
        found = np.full(len(new), -np.inf)
        found[inside] = list(each(density, new[inside]))
        places, logs = np.concatenate([places, new]), np.concatenate([logs, found])
        drawn_from.append(modes)
        weights = _weights(places, logs, drawn_from)
        worth = float(weights.sum() ** 2 / np.sum(weights**2)) if weights.any() else 0.0
        if report:
            report(i + 1, ROUNDS, worth)
        spread = _deviations(places, weights)
        if worth >= _WANTED and np.all(np.abs(spread - before) <= _STEADY * spread):
            break
        before = spread
        modes = _followed(modes, places, weights, rng)
    if not weights.any():
        raise InputError(tr("no draw met the evidence; solve again, and sample from there"))
    return places, weights, worth


def _modes(problem, solution):
    """[(share, mean (n,), covariance (n, n))], inward: about the solution, and about each other minimum."""
    n = len(problem.scalars)
    at, width = problem.here()[:n], problem.high[:n] - problem.low[:n]
    known = {s.name: s.sigma for s in solution.solved} if solution is not None else {}
    sigma = np.array([known.get(s) or np.nan for s in problem.scalars]) / np.maximum(problem.stretch(at), 1e-12)
    unknown = ~np.isfinite(sigma)
    sigma = np.where(unknown, _UNKNOWN * width, np.minimum(sigma, _UNKNOWN * width))
    correlation = np.eye(n)
    if solution is not None and not unknown.any() and [s.name for s in solution.solved] == list(problem.scalars):
        # Nearly singular ones are no start.
        correlation = 0.9 * np.nan_to_num(solution.correlation) + 0.1 * np.eye(n)
    covariance = _WIDER * correlation * np.outer(sigma, sigma)
    means = [at]
    for minimum in solution.minima if solution is not None else ():
        means.append(problem.inward([minimum.surface.scalar(s) for s in problem.scalars]))
    return [(1.0 / len(means), np.asarray(mean, float), covariance) for mean in means]


def _of_mixture(modes, count, rng):
    """Draws (count, n) of a mixture of t."""
    counts = rng.multinomial(count, [share for share, _, _ in modes])
    out = []
    for (_, mean, covariance), many in zip(modes, counts, strict=True):
        normal = rng.normal(size=(many, mean.size)) @ np.linalg.cholesky(covariance).T
        out.append(mean + normal * np.sqrt(_TAIL / rng.chisquare(_TAIL, many))[:, None])
    return np.concatenate(out)


def _log_mixture(modes, places):
    """The logarithm of a mixture's density at places, but for a constant of the t's own."""
    parts = []
    for share, mean, covariance in modes:
        root = np.linalg.cholesky(covariance)
        away = np.linalg.solve(root, (places - mean).T)
        logs = -0.5 * (_TAIL + mean.size) * np.log1p(np.sum(away**2, axis=0) / _TAIL)
        parts.append(np.log(max(share, 1e-300)) + logs - np.log(np.diag(root)).sum())
    return np.logaddexp.reduce(parts, axis=0)


def _weights(places, logs, drawn_from):
    """Weights (m,) of draws against all the mixtures together, the largest 1."""
    against = np.logaddexp.reduce([_log_mixture(modes, places) for modes in drawn_from], axis=0)
    weights = logs - against
    most = weights.max(initial=-np.inf)
    return np.exp(weights - most) if np.isfinite(most) else np.zeros(len(weights))


def _followed(modes, places, weights, rng):
    """The mixture that follows the weighted draws: one part for each cluster of them, and a wide one about all."""
    if not weights.any():
        return [(share, mean, 4.0 * covariance) for share, mean, covariance in modes]
    from scipy.cluster.vq import kmeans2  # slow to import, and not needed to open the window

    n = places.shape[1]
    least = 0.02 * np.mean([covariance for _, _, covariance in modes], axis=0)
    even = _evenly(places, weights, _CLUSTERED)
    middle, spread = even.mean(axis=0), np.cov(even.T).reshape(n, n) + least
    wide = _WIDE_SHARE, middle, 4.0 * spread
    try:
        root = np.linalg.cholesky(spread)
        _, label = kmeans2(np.linalg.solve(root, (even - middle).T).T, _PARTS, minit="++", seed=rng)
    except (np.linalg.LinAlgError, ValueError):
        return [wide, *modes]
    parts = []
    for k in range(_PARTS):
        near = even[label == k]
        # Copies of one draw show no spread.
        if len(np.unique(near, axis=0)) > 2 * n + 1:
            parts.append((len(near), near.mean(axis=0), _WIDER * np.cov(near.T).reshape(n, n) + least))
    whole = sum(share for share, _, _ in parts)
    if not whole:
        return [wide, *modes]
    return [wide, *(((1.0 - _WIDE_SHARE) * share / whole, mean, covariance) for share, mean, covariance in parts)]


def _deviations(places, weights):
    """The standard deviation of each scalar over weighted draws, (n,); nothing known, nothing spread."""
    if not weights.any():
        return np.zeros(places.shape[1])
    share = weights / weights.sum()
    return np.sqrt(share @ (places - share @ places) ** 2)


def _evenly(places, weights, count):
    """So many places, taken evenly through their weights, so that no luck is added."""
    at = np.searchsorted(np.cumsum(weights) / weights.sum(), (np.arange(count) + 0.5) / count)
    return places[np.minimum(at, len(places) - 1)]


def _density(problem, start, pool, solution, robust):
    """The logarithm of the posterior density of the scalars, inward, up to a constant."""
    n = len(problem.scalars)
    rest = start[n:]
    evidence = problem.points - len(problem.effects)
    whiten = None
    if len(problem.effects):
        slopes = problem.slopes(start, pool)[:evidence, n:]
        u, s, _ = np.linalg.svd(slopes, full_matrices=False)
        whiten = u, 1.0 - 1.0 / np.sqrt(1.0 + s * s)
    scatter = max(1.0, solution.chi2_reduced) if solution is not None and not robust else 1.0

    def density(x):
        residuals = problem.residuals(np.concatenate([x, rest]))
        read, beyond = residuals[:evidence], residuals[problem.points :]
        if whiten is not None:
            u, less = whiten
            read = read - u @ (less * (u.T @ read))
        if robust:
            # As the solve's: far-off points count by their distance, not its square.
            cost = 4.0 * float(np.sum(2.0 * (np.sqrt(1.0 + 0.25 * read**2) - 1.0)))
        else:
            cost = float(read @ read)
        return -0.5 * (cost / scatter + float(beyond @ beyond))

    return density
