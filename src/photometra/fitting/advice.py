"""What evidence says about which parameter, and which further reading would say most: both from sensitivities."""

from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, field

import numpy as np

from ..errors import InputError
from ..instruments import INSTRUMENTS, constants_reading, measured
from ..optics.threads import thread_count
from ..readings import Reading
from ..readings.geometries import MULTI_ANGLE, THROUGH
from ..surface import PARAMETERS, Surface, scalar_owner
from .problem import Cancelled, Problem, free_names, range_of
from .solver import counting
from .uncertainty import covariance_of, errors_of, marginal

_LOBES_DEG = (20.0, 45.0, 70.0)
_RARE = ("gonioreflectometer",)
"""What few can take, and says little that a lobe in the plane does not."""


@dataclass(frozen=True, eq=False)
class Sensitivities:
    """How far each reading alone pins each scalar down, all others held: standard errors (readings, scalars).

    inf where a reading does not depend on it. `spans`: the usual range of each scalar, to judge an error by.
    """

    readings: tuple[Reading, ...]
    scalars: tuple[str, ...]
    errors: np.ndarray
    spans: np.ndarray


def solvable_scalars(surface: Surface):
    """Every scalar of a surface that could be solved for as it stands; spectra and absent strata left out."""
    out = []
    for p in PARAMETERS.values():
        # Of nothing there is no slope: an absent layer, and dispersion, whose 0 means none.
        absent = p.woken and surface[p.name] == 0.0
        if p.solvable and surface.applies(p.name) and not absent and p.kind in ("number", "colour", "coefficient"):
            scalars = surface.scalars_of(p.name)
            out += scalars if len(scalars) <= 3 else []
    return out


def _slopes_by_reading(surface, readings, scalars, cancel, pool, constants):
    """[(m, n)]: slopes of each reading's residuals by each scalar, at the surface as it stands, its systematic effects
    marginalised."""
    problem = Problem(surface, readings, scalars, cancel=cancel)
    problem.constants = constants
    x, n = problem.here(), len(scalars)
    whole = problem.slopes(x, pool, lambda at: np.concatenate(problem.parts(at)))
    ends = np.cumsum([int(c.sum()) for c in problem.counted])
    stretch = problem.stretch(x)
    return [marginal(part[:, :n] / stretch, part[:, n:]) for part in np.split(whole, ends[:-1])]


def sensitivities(surface: Surface, readings, cancel=None) -> Sensitivities:
    """Which reading depends on which parameter. `Cancelled` is raised where cancel (a threading.Event) is set."""
    active = tuple(counting(surface, readings))
    scalars = tuple(solvable_scalars(surface))
    if not active or not scalars:
        return Sensitivities(active, scalars, np.zeros((len(active), len(scalars))), np.ones(len(scalars)))
    with ThreadPoolExecutor(max_workers=thread_count()) as pool:
        parts = _slopes_by_reading(surface, active, scalars, cancel, pool, constants_reading(readings))
    with np.errstate(divide="ignore"):
        errors = np.stack([1.0 / np.linalg.norm(part, axis=0) for part in parts])
    spans = np.array([np.ptp(scalar_owner(s)[0].span) for s in scalars])
    return Sensitivities(active, scalars, errors, spans)


def tied(surface: Surface, readings, free, cancel=None):
    """[(scalar, scalar, correlation)] of the free scalars of a surface as it stands, the strongest first.

    From the slopes of all active readings together, as a solve's own; [] where there is nothing to tell apart.
    """
    active = counting(surface, readings)
    try:
        scalars = free_names(surface, free)
    except InputError:
        return []
    if len(scalars) < 2 or not active:
        return []
    with ThreadPoolExecutor(max_workers=thread_count()) as pool:
        parts = _slopes_by_reading(surface, active, scalars, cancel, pool, constants_reading(readings))
    width = np.array([high - low for low, high in (range_of(s, {}) for s in scalars)])
    _, alike = errors_of(np.vstack(parts) * width, np.ones(len(scalars), bool))
    pairs = [
        (scalars[i], scalars[j], float(alike[i, j])) for i, j in zip(*np.triu_indices(len(scalars), 1), strict=True)
    ]
    return sorted(pairs, key=lambda pair: -abs(pair[2]))


@dataclass(frozen=True)
class Advice:
    """A reading that could be taken: by which instrument, how set up, and what it would make of standard errors.

    before, after: {scalar: standard error}; inf where the evidence says nothing. covariances: (n, n) each, before and
    after, in the same order.
    """

    instrument: str
    setting: str
    before: dict[str, float]
    after: dict[str, float]
    covariances: tuple[np.ndarray, np.ndarray] = field(compare=False, repr=False, default=())

    def gain(self, scalar=None):
        """How many times smaller a standard error becomes; of all free scalars, the geometric mean."""
        names = [scalar] if scalar else list(self.after)
        ratios = [min(self.before[n], 1e12) / max(self.after[n], 1e-12) for n in names]
        return float(np.exp(np.mean(np.log(np.maximum(ratios, 1.0)))))


def _candidates():
    """(instrument, setting in words, its arguments) of every reading worth weighing."""
    for key, tool in INSTRUMENTS.items():
        if key in _RARE:
            continue
        if tool.geometries:
            # What most can take; a multi-angle head is rare, and light let through needs a slab.
            for geometry in (g for g in tool.geometries if g not in (*MULTI_ANGLE, THROUGH)):
                yield key, geometry, {"geometry": geometry}
        elif key == "goniophotometer":
            views = sorted(set(tool.default["view_deg"]))
            for incidence in _LOBES_DEG:
                yield key, f"{incidence:g}°", {"places": {"incidence_deg": [incidence] * len(views), "view_deg": views}}
        else:
            yield key, "", {}


def next_readings(surface: Surface, readings, free, bounds=None, size_mm=0.0, report=None, cancel=None) -> list[Advice]:
    """Which instrument, used as usual, would shrink the standard errors of the free parameters most, the best first.

    From the slopes at the surface as it stands: the information of each candidate is added to that of the evidence.
    size_mm: thickness of the slab a transmissometer would read. report(done, of) is called on the way.
    """
    scalars = free_names(surface, free)
    constants = constants_reading(readings)
    width = np.array([high - low for low, high in (range_of(s, bounds or {}) for s in scalars)])
    candidates = list(_candidates())
    found = []
    with ThreadPoolExecutor(max_workers=thread_count()) as pool:
        active = counting(surface, readings)
        known = _slopes_by_reading(surface, active, scalars, cancel, pool, constants) if active else []
        known = np.vstack([*known, np.zeros((1, width.size))]) * width
        before = _covariance(known, width)
        for i, (key, setting, how) in enumerate(candidates):
            if cancel is not None and cancel.is_set():
                raise Cancelled
            if report:
                report(i, len(candidates))
            try:
                reading = measured(key, surface, constants=constants, thickness_mm=size_mm, **how)
                (slopes,) = _slopes_by_reading(surface, [reading], scalars, cancel, pool, constants)
            except InputError:
                # This surface has nothing for that instrument to read.
                continue
            after = _covariance(np.vstack([known, slopes * width]), width)
            errors = (_errors(c, scalars) for c in (before, after))
            found.append(Advice(key, setting, *errors, (before, after)))
    return sorted(found, key=lambda a: -a.gain())


def _covariance(scaled, width):
    return covariance_of(scaled) * np.outer(width, width)


def _errors(covariance, scalars):
    errors = np.sqrt(np.maximum(np.diag(covariance), 0.0))
    return dict(zip(scalars, (float(e) for e in errors), strict=True))
