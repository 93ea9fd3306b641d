"""What a solve is worth: whether the model describes the evidence, where it does not, and what would help."""

from dataclasses import dataclass

import numpy as np

from ..errors import InputError
from ..figures import figures
from ..readings import Reading
from ..readings.model import place_text
from ..surface import PARAMETERS, is_spectrum, spectrum_of
from ..surface.parameters import spoken
from ..words import tr
from .agreement import misfit
from .effects import NAMES
from .sense import kinds_by

CONVERGED, STOPPED, STUCK = "converged", "stopped", "stuck"
SPECTRAL_ROWS = 8
"""Wavelengths from which a reading says more than red, green and blue can hold."""
MOST_CHI2 = 9.0
"""A reading whose residuals are above three standard uncertainties in the root mean square is not described."""
_WORTH_SAYING = 0.5
"""What is left of the misfit at the most, for a further parameter to be named."""
_MOST_TRIED, _STEPS = 10, 4
_RARE = 1e-3
_TOO_FEW, _FEWEST_FOR_RUNS = -3.09, 12
"""Standard deviations below the mean number of runs, which chance falls short of once in a thousand."""
_FAR = 3.0


@dataclass(frozen=True)
class Misfit:
    """A reading that the solved surface does not describe. chi2: its mean square residual; where: in words."""

    reading: str
    chi2: float
    value: float
    tolerance: float
    where: str


@dataclass(frozen=True)
class Verdict:
    """status: how the solve ended, `CONVERGED`, `STOPPED` (at its limit of steps) or `STUCK` (its steps became too
    small where the misfit still is large). misfits: what is not described; helps: what would help; doubts: what speaks
    against the error bars as they stand; a sentence each.
    """

    status: str = CONVERGED
    misfits: tuple[Misfit, ...] = ()
    helps: tuple[str, ...] = ()
    doubts: tuple[str, ...] = ()

    @property
    def fits(self):
        return not self.misfits

    @property
    def is_good(self):
        """Whether the outcome may be taken as an answer."""
        return self.fits and self.status == CONVERGED

    @property
    def sentence(self):
        """What to say first."""
        if not self.fits:
            worst = self.misfits[0]
            return tr(
                "Does not fit: {0} is missed {1}, by {2} σ on average",
                worst.reading,
                worst.where,
                f"{np.sqrt(worst.chi2):.1f}",
            )
        if self.status == STOPPED:
            return tr("Stopped at its limit of steps: the values may not have settled; solve again from here")
        return tr("Converged")


def misfits(problem, x) -> tuple[Misfit, ...]:
    """The counted readings that are not described at x, the worst first."""
    found = []
    for i, (r, sigma, counted) in enumerate(zip(problem.readings, problem.sigmas, problem.counted, strict=True)):
        if not counted.any():
            continue
        model = problem.model(x, i)
        residuals = np.where(counted, r.difference(model) / sigma, 0.0)
        chi2 = float(np.sum(residuals**2) / counted.sum())
        value = misfit(r, model)
        # Within its tolerance a reading is met, however finely it was read.
        if value > r.tolerance and chi2 > MOST_CHI2:
            found.append(Misfit(r.name, chi2, value, r.tolerance, _where(r, residuals)))
    return tuple(sorted(found, key=lambda m: -m.chi2))


def doubts(problem, x, chi2, freedom, effects) -> tuple[str, ...]:
    """What speaks against error bars, in words: a chi-square that chance does not give, residuals that hang together
    (Wald & Wolfowitz 1940), and effects far from what was stated.
    """
    from scipy.special import chdtri  # slow to import, and not needed to open the window

    out = []
    most = float(chdtri(freedom, _RARE)) / freedom
    if chi2 > most:
        out.append(
            tr(
                "the residuals scatter more than the readings say: χ² is {0} for each degree of freedom, "
                "where chance stays below {1} in 999 cases of 1000; the error bars are wider by {2}",
                figures(chi2, 2),
                figures(most, 2),
                figures(np.sqrt(chi2), 2),
            )
        )
    for i, r in enumerate(problem.readings):
        residuals = np.where(problem.counted[i], r.difference(problem.model(x, i)) / problem.sigmas[i], np.nan)
        runs, expected = _runs(r, residuals)
        if runs is not None:
            out.append(
                tr(
                    "what is left of {0} is no scatter: it changes sign {1} times along the axis, where "
                    "about {2} would be chance; the model or the reading is off in a way that the bars leave "
                    "out",
                    r.name,
                    runs,
                    f"{expected:.0f}",
                )
            )
    for e in effects:
        if abs(e.deviation) > _FAR:
            out.append(
                tr(
                    "the {0} of {1} had to be {2} times its stated uncertainty from what it should be: look "
                    "at the instrument, or state it",
                    NAMES[e.name],
                    e.reading,
                    f"{abs(e.deviation):.1f}",
                )
            )
    return tuple(out)


def _runs(reading, residuals):
    """(how often residuals (value columns, n) change their sign, how often by chance), or None where it is chance."""
    changes, mean, variance = 0, 0.0, 0.0
    for row in residuals:
        for _, order in reading.series():
            signs = row[order][np.isfinite(row[order])] > 0.0
            n, up = signs.size, int(signs.sum())
            if n < _FEWEST_FOR_RUNS or up in (0, n):
                continue
            both = 2.0 * up * (n - up)
            changes += int(np.count_nonzero(signs[1:] != signs[:-1]))
            mean += both / n
            variance += both * (both - n) / (n * n * (n - 1.0))
    if variance > 0.0 and (changes - mean) / np.sqrt(variance) < _TOO_FEW:
        return changes, mean
    return None, mean


def _where(reading: Reading, residuals):
    """Where in a reading the residuals are largest, in words."""
    of_row = np.abs(residuals).max(axis=0)
    worst = int(np.argmax(of_row))
    high = np.flatnonzero(of_row > 0.7 * of_row[worst])
    x = reading.x
    if len(reading.kind.places) == 1 and high.size > 2 and reading.rows > 4:
        return tr("at {0} to ", place_text(reading.kind.along, float(x[high].min()))) + place_text(
            reading.kind.along, float(x[high].max())
        )
    told = [place_text(c, float(reading.columns[c][worst])) for c in reading.kind.places]
    return tr("at ") + ", ".join(told)


def helps(problem, x, pool, free) -> tuple[str, ...]:
    """Which held parameter, once free, would lower the misfit most: by a few steps of least squares from here."""
    surface = problem.at(x)
    here = problem.residuals(x)[: problem.points]
    whole = float(here @ here)
    found = []
    for p in _candidates(surface, free)[:_MOST_TRIED]:
        left = _left(problem, surface, p, pool)
        if left is not None and left < _WORTH_SAYING * whole:
            found.append((left, p))
    found.sort(key=lambda f: f[0])
    gains = [(f"{100 * (1 - left / whole):.0f}", p) for left, p in found[:2]]
    out = [tr("freeing {0} ({1}) would take away {2} % of the misfit", p.words, p.name, gain) for gain, p in gains]
    rgb = [n for n in free if PARAMETERS.get(n) and PARAMETERS[n].components and not is_spectrum(surface[n])]
    if rgb and _has_spectrum(problem):
        out.insert(
            0, tr("{0} is solved as red, green and blue; by wavelength it could follow the spectrum", spoken(rgb[0]))
        )
    for words, name in kinds_by(surface, problem.readings):
        out.insert(0, tr("{0} of 1: {1}", PARAMETERS[name].words, words))
    if not out:
        out.append(tr("no single parameter would mend it: look for another kind of surface, or at the reading itself"))
    return tuple(out)


def _has_spectrum(problem):
    """Whether a reading says more of a colour than red, green and blue can hold."""
    return any(r.kind.along == "wavelength_nm" and np.unique(r.x).size >= SPECTRAL_ROWS for r in problem.readings)


def _candidates(surface, free):
    """Held parameters that could be freed, amounts that are absent among them."""
    out = []
    for p in PARAMETERS.values():
        held = p.solvable and p.name not in free and surface.applies(p.name)
        if (held and p.kind == "number" and (surface[p.name] != 0.0 or p.woken or p.hard[0] < 0.0)) or (
            held and p.components and p.told_by and not is_spectrum(surface[p.name])
        ):
            out.append(p)
    # What differs between samples first: amounts and roughness before the rest.
    return sorted(out, key=lambda p: (not p.told_by, not p.woken))


def _left(problem, surface, p, pool):
    """The misfit left after a few steps in the free parameters and p; None where p cannot be tried."""
    if p.components and _has_spectrum(problem):
        surface = surface.with_values({p.name: spectrum_of(p, surface[p.name])})
    wider = problem.widened(surface.awake([p.name]), p.name)
    if wider is None:
        return None
    from scipy.optimize import least_squares  # slow to import, and not needed to open the window

    def evidence(at):
        return wider.residuals(at)[: wider.points]

    margin = 1e-7 * (wider.high - wider.low)
    try:
        # Effects begin at nothing again: where the model does not fit they are as far off as they may be.
        start = np.clip(wider.here(), wider.low + margin, wider.high - margin)
        found = least_squares(
            evidence, start, jac=lambda at: wider.slopes(at, pool, evidence), bounds=(wider.low, wider.high),
            x_scale="jac", max_nfev=_STEPS,
        )  # fmt: skip
    except InputError:
        return None
    return 2.0 * float(found.cost)
