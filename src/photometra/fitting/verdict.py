"""What a solve is worth: whether the model describes the evidence, where it does not, and what would help."""

from dataclasses import dataclass

import numpy as np

from ..errors import InputError
from ..instruments import model_of
from ..readings import Reading
from ..readings.model import place_text
from ..surface import PARAMETERS, is_spectrum, spectrum_of
from ..surface.compile import compile_measured
from .agreement import misfit

CONVERGED, STOPPED, STUCK = "converged", "stopped", "stuck"
SPECTRAL_ROWS = 8
"""Wavelengths from which a reading says more than red, green and blue can hold."""
MOST_CHI2 = 9.0
"""A reading whose residuals are above three standard uncertainties in the root mean square is not described."""
_WORTH_SAYING = 0.5
"""What is left of the misfit at the most, for a further parameter to be named."""
_MOST_TRIED, _STEPS = 10, 2


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
    small where the misfit still is large). misfits: what is not described; helps: what would help, a sentence each.
    """

    status: str = CONVERGED
    misfits: tuple[Misfit, ...] = ()
    helps: tuple[str, ...] = ()

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
            return f"Does not fit: {worst.reading} is missed {worst.where}, by {np.sqrt(worst.chi2):.1f} σ on average"
        if self.status == STOPPED:
            return "Stopped at its limit of steps: the values may not have settled; solve again from here"
        return "Converged"


def misfits(problem, surface) -> tuple[Misfit, ...]:
    """The counted readings that a surface does not describe, the worst first."""
    compiled = compile_measured(surface, problem.constants)
    found = []
    for r, sigma, counted in zip(problem.readings, problem.sigmas, problem.counted, strict=True):
        if not counted.any():
            continue
        model = model_of(r, surface, compiled, problem.constants)
        residuals = np.where(counted, r.difference(model) / sigma, 0.0)
        chi2 = float(np.sum(residuals**2) / counted.sum())
        value = misfit(r, model)
        # Within its tolerance a reading is met, however finely it was read.
        if value > r.tolerance and chi2 > MOST_CHI2:
            found.append(Misfit(r.name, chi2, value, r.tolerance, _where(r, residuals)))
    return tuple(sorted(found, key=lambda m: -m.chi2))


def _where(reading: Reading, residuals):
    """Where in a reading the residuals are largest, in words."""
    of_row = np.abs(residuals).max(axis=0)
    worst = int(np.argmax(of_row))
    high = np.flatnonzero(of_row > 0.7 * of_row[worst])
    x = reading.x
    if len(reading.kind.places) == 1 and high.size > 2 and reading.rows > 4:
        return f"at {place_text(reading.kind.along, float(x[high].min()))} to " + place_text(
            reading.kind.along, float(x[high].max())
        )
    told = [place_text(c, float(reading.columns[c][worst])) for c in reading.kind.places]
    return "at " + ", ".join(told)


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
    out = [f"freeing {p.label.lower()} ({p.name}) would take away {100 * (1 - left / whole):.0f} % of the misfit"
           for left, p in found[:2]]  # fmt: skip
    rgb = [n for n in free if PARAMETERS.get(n) and PARAMETERS[n].components and not is_spectrum(surface[n])]
    if rgb and _has_spectrum(problem):
        out.insert(0, f"{rgb[0]} is solved as red, green and blue; by wavelength it could follow the spectrum")
    if not out:
        out.append("no single parameter would mend it: look for another kind of surface, or at the reading itself")
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
    """The misfit left after a few damped steps in the free parameters and p; None where p cannot be tried."""
    if p.components and _has_spectrum(problem):
        surface = surface.with_values({p.name: spectrum_of(p, surface[p.name])})
    wider = problem.widened(surface.awake([p.name]), p.name)
    if wider is None:
        return None
    reach = 0.5 * (wider.high - wider.low)
    try:
        x = wider.here()
        least = best = wider.residuals(x)[: wider.points]
        for _ in range(_STEPS):
            slopes = wider.slopes(x, pool, lambda at: wider.residuals(at)[: wider.points])
            step = np.linalg.lstsq(slopes, -best, rcond=1e-8)[0]
            x = np.clip(x + np.clip(step, -reach, reach), wider.low, wider.high)
            best = wider.residuals(x)[: wider.points]
            least = min(least, best, key=lambda r: float(r @ r))
    except InputError:
        return None
    return float(least @ least)
