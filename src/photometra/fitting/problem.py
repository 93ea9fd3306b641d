"""What a solve minimises: the readings' residuals over free scalars within their ranges, and their slopes."""

import numpy as np

from ..errors import InputError
from ..instruments import constants_reading, model_of
from ..surface import PARAMETERS, Surface, scalar_owner, scalars_of
from ..surface.compile import compile_measured
from .agreement import colours_of

_STEP, _RENDERED_STEP = 1e-4, 3e-3
"""What a slope is taken over, of a range: more where a render with its noise is in the loop."""
_COLOUR_SIGMA = 0.002
"""Where a spectrum is met by red, green and blue alone: how closely its colour is, in L*, a*, b*."""
_ROUGH_COLOUR, _ROUGH_COEFFICIENT = 0.15, 0.5
"""How much a spectrum's neighbours may bend against each other: of a reflectance, of a coefficient's own size."""


class Cancelled(Exception):
    """The caller asked to stop."""


def free_names(surface: Surface, names) -> list[str]:
    """The scalars to solve for, from parameter or scalar names; ValueError where one cannot be solved."""
    # A free amount wakes what depends on it.
    awake = surface.awake([n for n in names if n in PARAMETERS])
    scalars = []
    for name in names:
        p, component = scalar_owner(name)
        if not p.solvable:
            raise InputError(f"{p.name} cannot be solved for; set it by hand")
        if not awake.applies(p.name):
            raise InputError(f"{p.name} does nothing on this surface as it stands; hold it")
        scalars += [name] if component is not None else scalars_of(name, awake[name])
    order = list(PARAMETERS)
    return sorted(dict.fromkeys(scalars), key=lambda s: order.index(scalar_owner(s)[0].name))


def applicable(surface: Surface, names) -> list[str]:
    """Those of the names that do anything on a surface: what does not apply is not in the way of a solve."""
    awake = surface.awake([n for n in names if n in PARAMETERS])
    return [n for n in names if awake.applies(scalar_owner(n)[0].name)]


def range_of(scalar, bounds):
    """(low, high) of a scalar: its hard range, narrowed by `bounds` {scalar: (low, high)}."""
    p, _ = scalar_owner(scalar)
    low, high = p.hard
    for name in (p.name, scalar):
        if name in bounds:
            low, high = max(low, bounds[name][0]), min(high, bounds[name][1])
    if not low < high:
        raise InputError(f"{scalar}: the lower bound must be below the upper one")
    return low, high


def _offset_of(scalar):
    """What is added to a scalar before its logarithm is taken; NaN where the solver takes it as it is."""
    p, _ = scalar_owner(scalar)
    if p.scale != "log":
        return np.nan
    return 0.0 if p.hard[0] > 0.0 else 0.1 * p.span[0]


class Problem:
    """Residuals and slopes over one set of readings; counts its evaluations and obeys a cancel.

    Where a whole spectrum is free, further residuals say that its numbers hang together, so that a spectrum is smooth
    where the evidence leaves it open; `points` is how many residuals are evidence.

    further: evidence that is no reading, as a photograph: it has `points`, and `residuals(surface, cancel)` in standard
    uncertainties, (points,), noisy but always the same for the same surface. by_colour: spectra of reflectance count
    by their colour above all, where red, green and blue cannot follow them.
    """

    def __init__(
        self, surface, readings, scalars, bounds=None, report=None, cancel=None, further=None, by_colour=False
    ):  # fmt: skip
        self.surface, self.readings, self.scalars, self.further = surface, readings, scalars, further
        self._bounds, self._by_colour = bounds, by_colour
        self._offset = np.array([_offset_of(s) for s in scalars])
        ranges = np.array([range_of(s, bounds or {}) for s in scalars], float).reshape(-1, 2)
        self.low, self.high = self.inward(ranges[:, 0]), self.inward(ranges[:, 1])
        self.constants = constants_reading(readings)
        self.sigmas = [r.stacked()[1] for r in readings]
        self.counted = [r.counted for r in readings]
        self.points = int(sum(c.sum() for c in self.counted)) + (further.points if further else 0)
        self.report, self.cancel = report, cancel
        self.evaluations = 0
        self.best = float("inf")
        self._spectra = self._free_spectra()

    def _free_spectra(self):
        """[(indices of a spectrum's scalars in order, how much they may bend)]."""
        found = {}
        for i, s in enumerate(self.scalars):
            p, component = scalar_owner(s)
            if component is not None and component.isdigit():
                found.setdefault(p, []).append((int(component), i))
        out = []
        for p, nodes in found.items():
            values = np.abs(np.array([self.surface.scalar(self.scalars[i]) for _, i in nodes]))
            bend = _ROUGH_COLOUR if p.kind == "colour" else _ROUGH_COEFFICIENT * max(float(values.max()), 1e-3)
            if len(nodes) > 2:
                out.append(([i for _, i in sorted(nodes)], bend))
        return out

    def inward(self, values):
        """Values of the scalars as the solver's own numbers: logarithms where a gauge would have them so."""
        with np.errstate(invalid="ignore", divide="ignore"):
            return np.where(np.isnan(self._offset), values, np.log(np.asarray(values, float) + self._offset))

    def outward(self, x):
        """The inverse of `inward`."""
        with np.errstate(over="ignore"):
            return np.where(np.isnan(self._offset), x, np.maximum(np.exp(x) - self._offset, 0.0))

    def stretch(self, x):
        """How far a scalar moves for one of the solver's numbers, at x."""
        return np.where(np.isnan(self._offset), 1.0, np.exp(np.where(np.isnan(self._offset), 0.0, x)))

    def here(self):
        """The surface's own scalars, inward."""
        return np.clip(self.inward([self.surface.scalar(s) for s in self.scalars]), self.low, self.high)

    def awake(self):
        """As `here`, with amounts that are next to nothing where a solve starts them: at 0 much has no slope."""
        woken = np.array([scalar_owner(s)[0].woken for s in self.scalars])
        here = self.here()
        return np.clip(np.where(self.outward(here) < 0.1 * woken, self.inward(woken), here), self.low, self.high)

    def at(self, x):
        """The surface at x."""
        values = self.outward(np.asarray(x, float))
        return self.surface.with_scalars(dict(zip(self.scalars, values, strict=True)))

    def parts(self, x, kind=None):
        """Residuals at x, [(m,)]: of what is no reading, then reading by reading; those of one kind of reading alone
        where it is given."""
        if self.cancel is not None and self.cancel.is_set():
            raise Cancelled
        surface = self.at(x)
        compiled = compile_measured(surface, self.constants)
        self.evaluations += 1
        beside = [self.further.residuals(surface, self.cancel)] if self.further and kind is None else []
        return beside + [
            (r.difference(model_of(r, surface, compiled, self.constants)) / sigma)[counted]
            for r, sigma, counted in zip(self.readings, self.sigmas, self.counted, strict=True)
            if kind in (None, r.kind_key)
        ]

    def widened(self, surface, name):
        """The same problem from another surface, with one more parameter free; None where it cannot be."""
        try:
            scalars = [*self.scalars, *(s for s in free_names(surface, [name]) if s not in self.scalars)]
        except InputError:
            return None
        wider = Problem(surface, self.readings, scalars, self._bounds, None, self.cancel, self.further)
        wider.constants = self.constants
        return wider

    def residuals(self, x, kind=None):
        """All residuals at x; after the evidence those of smoothness, and of the colours of spectra."""
        bends = [np.diff(self.outward(np.asarray(x))[i], n=2) / bend for i, bend in self._spectra]
        return np.concatenate([*self.parts(x, kind), *bends, *(self._colours(x, kind) if self._by_colour else ())])

    def _colours(self, x, kind):
        surface = self.at(x)
        compiled = compile_measured(surface, self.constants)
        for r in self.readings:
            if r.kind_key == "reflectance" and kind in (None, r.kind_key) and np.unique(r.x[~r.masked]).size >= 2:
                model = model_of(r, surface, compiled, self.constants)
                yield np.subtract(*colours_of(r, model)) / _COLOUR_SIGMA

    def watched(self, x, kind=None):
        """Residuals, with the misfit told to whoever watches."""
        r = self.residuals(x, kind)
        self.best = min(self.best, float(r @ r))
        if self.report:
            self.report(self.evaluations, self.best)
        return r

    def slopes(self, x, pool, of=None):
        """One-sided differences of `of` (the residuals), (m, n): each column on the pool."""
        step = (_RENDERED_STEP if self.further else _STEP) * (self.high - self.low)
        # Away from the nearer bound, so that a step never leaves the range.
        step = np.where(x + step > self.high, -step, step)
        moved = [x + np.where(np.arange(x.size) == i, step, 0.0) for i in range(x.size)]
        here, *there = pool.map(of or self.residuals, [x, *moved])
        return np.stack([(t - here) / s for t, s in zip(there, step, strict=True)], axis=1)
