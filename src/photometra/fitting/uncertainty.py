"""How sure a solve is: standard errors, correlations, and what the evidence cannot tell apart, in words."""

from dataclasses import dataclass

import numpy as np

from ..surface.parameters import scalar_owner, spoken
from ..words import tr

_TOO_ALIKE = 0.995
_SEED = 1
_LOOSE = 2.0
"""Standard errors beyond a bound to which the evidence would take what is only loosely bound."""
_TOO_WIDE = 0.3
"""A combination whose standard error is wider than this share of the parameters' ranges is not determined."""


@dataclass(frozen=True)
class Undetermined:
    """Scalars that the evidence cannot tell apart, and a sentence that says so."""

    names: tuple[str, ...]
    sentence: str


def covariance_of(scaled):
    """Covariance (n, n) from slopes (m, n) in units of each scalar's range.

    Before any evidence a scalar lies somewhere in its range: what the evidence does not tell is as wide as that.
    """
    return np.linalg.inv(scaled.T @ scaled + np.eye(scaled.shape[1]))


def errors_of(scaled, moving):
    """(standard errors in ranges (n,), correlations (n, n)); NaN for what does not move."""
    n = moving.size
    sigma, correlation = np.full(n, np.nan), np.full((n, n), np.nan)
    if moving.any():
        covariance = covariance_of(scaled[:, moving])
        deviation = np.sqrt(np.diag(covariance))
        sigma[moving] = deviation
        correlation[np.ix_(moving, moving)] = covariance / np.outer(deviation, deviation)
    return sigma, correlation


def loosely_bound(scaled, residuals, bound):
    """Which scalars at a bound (n,) the evidence would not take far beyond it: what trades with them is as uncertain as
    if the bound were not there. scaled: slopes (m, n) in units of the ranges, at residuals (m,)."""
    covariance = covariance_of(scaled)
    beyond = -covariance @ (scaled.T @ residuals)
    moves = np.linalg.norm(scaled, axis=0) > 1e-6
    return bound & moves & (np.abs(beyond) < _LOOSE * np.sqrt(np.diag(covariance)))


def marginal(slopes, of_effects):
    """Slopes (m, n) as they count once effects of a standard normal prior, with slopes (m, k), are marginalised.

    (S' W S) is then the information, with W the inverse of I + E E'.
    """
    if not of_effects.shape[1]:
        return slopes
    u, s, _ = np.linalg.svd(of_effects, full_matrices=False)
    return slopes - u @ ((1.0 - 1.0 / np.sqrt(1.0 + s * s))[:, None] * (u.T @ slopes))


def undetermined(scalars, scaled, moving, at_bound):
    """What the evidence cannot tell, from the slopes in units of each parameter's range."""
    for name, moves, bound in zip(scalars, moving, at_bound, strict=True):
        if not moves and not bound:
            yield Undetermined((name,), tr("no active reading depends on {0}", spoken(name)))
    names = [n for n, m in zip(scalars, moving, strict=True) if m]
    if len(names) < 1:
        return
    # With a row of nothing for each scalar, so that directions without any evidence are there too.
    whole = np.vstack([scaled[:, moving], np.zeros((len(names), len(names)))])
    _, strengths, directions = np.linalg.svd(whole, full_matrices=False)
    told = set()
    for strength, direction in zip(strengths[::-1], directions[::-1], strict=True):
        if strength * _TOO_WIDE >= 1.0:
            break
        part = tuple(n for n, d in zip(names, direction, strict=True) if abs(d) > 0.3)
        if not part:
            continue
        told.add(part)
        if len(part) == 1:
            yield Undetermined(part, tr("the evidence hardly limits {0}", spoken(part[0])))
        else:
            joined = tr(" and ").join(spoken(n) for n in part)
            apart = tr("the evidence cannot tell {0} apart: they only appear together", joined)
            yield Undetermined(part, _mean_alone(part) or apart)
    _, alike = errors_of(scaled[:, moving], np.ones(len(names), bool))
    for i, j in zip(*np.triu_indices(len(names), 1), strict=True):
        if abs(alike[i, j]) > _TOO_ALIKE and (names[i], names[j]) not in told:
            pair = names[i], names[j]
            both = tr("{0} and {1}", spoken(pair[0]), spoken(pair[1]))
            traded = tr("{0} trade against each other: a further reading should tell them apart", both)
            yield Undetermined(pair, _mean_alone(pair) or traded)


def _mean_alone(names):
    """What to say where the two ends of one map are all that trade; empty otherwise."""
    ends = [[word for word in name.split(".") if word in ("low", "high")] for name in names]
    of, *others = (".".join(word for word in name.split(".") if word not in ("low", "high")) for name in names)
    if sorted(ends) != [["high"], ["low"]] or others != [of]:
        return ""
    return tr(
        "the evidence knows only the mean of {0} over the map: a smaller spot at two places of the "
        "specimen would tell its low from its high",
        spoken(of),
    )


def ways_of(solution):
    """(scalars (n,), ways (n, k)): steps of all solved scalars together, independent of each other, each one standard
    error long; the longest first, against each scalar's own standard error."""
    kept = [i for i, s in enumerate(solution.solved) if s.sigma]
    names = tuple(solution.solved[i].name for i in kept)
    sigma = np.array([solution.solved[i].sigma for i in kept])
    correlation = np.nan_to_num(solution.correlation[np.ix_(kept, kept)], nan=0.0)
    np.fill_diagonal(correlation, 1.0)
    values, vectors = np.linalg.eigh(0.5 * (correlation + correlation.T))
    order = np.argsort(values)[::-1]
    return names, sigma[:, None] * vectors[:, order] * np.sqrt(np.maximum(values[order], 0.0))


def moved(surface, names, values):
    """A surface with scalars at other values, each within its range."""
    ranges = [scalar_owner(name)[0].hard for name in names]
    kept = {n: float(min(max(v, low), high)) for n, v, (low, high) in zip(names, values, ranges, strict=True)}
    return surface.with_scalars(kept)


def equally_good(solution, count):
    """Surfaces that the evidence tells no further apart than its error bars: `count` draws of all solved scalars
    together, by their covariance, always the same ones; none where the solve has no standard errors."""
    names, ways = ways_of(solution)
    if not names:
        return []
    at = np.array([solution.surface.scalar(n) for n in names])
    steps = np.random.default_rng(_SEED).normal(size=(count, ways.shape[1]))
    return [moved(solution.surface, names, at + ways @ z) for z in steps]
