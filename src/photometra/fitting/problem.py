"""What a solve minimises: the readings' residuals over free scalars within their ranges, and their slopes."""

from collections import OrderedDict

import numpy as np

from ..errors import InputError
from ..instruments import as_shown, constants_reading, predicted, question_with
from ..surface import PARAMETERS, Surface, scalar_owner
from ..surface.bank import compile_measured
from ..surface.parameters import ENDS
from ..words import tr
from .agreement import colours_of
from .effects import REACH, effects_of

_STEP, _RENDERED_STEP = 1e-4, 3e-3
"""What a slope is taken over at first, of a range; all the time where a render with its noise is in the loop."""
_TOLD_APART, _LEAST_STEP, _MOST_STEP = 1.0, 1e-7, 1e-2
"""What slopes are taken over from then on: one standard error of what the evidence tells of an unknown with all
others held, within such shares of its range. Over more they are bent; over less the model's own roughness shows."""
_FAR_OFF = 10.0
"""By how many times a step may be off before a slope is taken anew."""
_COLOUR_SIGMA = 0.002
"""Where a spectrum is met by red, green and blue alone: how closely its colour is, in L*, a*, b*."""
_KEPT, _KEPT_COMPILED = 400, 8
"""How many models of readings, and compiled surfaces (a megabyte each), are kept at a time."""
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
            raise InputError(tr("{0} cannot be solved for; set it by hand", p.name))
        if not awake.applies(p.name):
            raise InputError(tr("{0} does nothing on this surface as it stands; hold it", p.name))
        end = component if component in ENDS and p.components else None
        of_end = [s for s in awake.scalars_of(p.name) if end and s.startswith(f"{p.name}.{end}.")]
        scalars += of_end or ([name] if component is not None else awake.scalars_of(name))
    order = list(PARAMETERS)
    return sorted(dict.fromkeys(scalars), key=lambda s: order.index(scalar_owner(s)[0].name))


def applicable(surface: Surface, names) -> list[str]:
    """Those of the names that do anything on a surface: what does not apply is not in the way of a solve."""
    awake = surface.awake([n for n in names if n in PARAMETERS])
    out = []
    for name in names:
        p, component = scalar_owner(name)
        # The end of a range that is no more: the map was taken off, the parameter stayed free.
        is_gone = (component or "").partition(".")[0] in ENDS and p.name not in surface.maps
        if awake.applies(p.name) and not is_gone:
            out.append(name)
    return out


def range_of(scalar, bounds):
    """(low, high) of a scalar: its hard range, narrowed by `bounds` {scalar: (low, high)}."""
    p, _ = scalar_owner(scalar)
    low, high = p.hard
    for name in (p.name, scalar):
        if name in bounds:
            low, high = max(low, bounds[name][0]), min(high, bounds[name][1])
    if not low < high:
        raise InputError(tr("{0}: the lower bound must be below the upper one", scalar))
    return low, high


def _offset_of(scalar):
    """What is added to a scalar before its logarithm is taken; NaN where the solver takes it as it is."""
    p, _ = scalar_owner(scalar)
    if p.scale != "log":
        return np.nan
    return 0.0 if p.hard[0] > 0.0 else 0.1 * p.span[0]


class Problem:
    """Residuals and slopes over one set of readings; counts its evaluations and obeys a cancel.

    Its unknowns x are the free scalars, as the solver's own numbers (`inward`), and after them the systematic
    `effects`, in their standard uncertainties. `points` is how many residuals are evidence, with the priors of the
    effects, which come after the readings'.

    Where a whole spectrum is free, further residuals say that its numbers hang together, so that a spectrum is smooth
    where the evidence leaves it open.

    further: evidence that is no reading, as a photograph: `points`, its `values`, their `model(surface, cancel,
    amounts)`, noisy but always the same for the same surface, their standard uncertainties `sigmas()`, (points,) each,
    and its `effects`, {name: standard uncertainty}: `gain` is a factor of all values, others are the model's.
    by_colour: spectra of reflectance count by their colour above all, where red, green and blue cannot follow them.
    """

    def __init__(
        self, surface, readings, scalars, bounds=None, report=None, cancel=None, further=None, by_colour=False
    ):  # fmt: skip
        self.surface, self.readings, self.scalars, self.further = surface, readings, scalars, further
        self._bounds, self._by_colour = bounds, by_colour
        self._offset = np.array([_offset_of(s) for s in scalars])
        ranges = np.array([range_of(s, bounds or {}) for s in scalars], float).reshape(-1, 2)
        self.effects = effects_of(readings, surface, further)
        reach = np.full(len(self.effects), REACH)
        self.low = np.concatenate([self.inward(ranges[:, 0]), -reach])
        self.high = np.concatenate([self.inward(ranges[:, 1]), reach])
        self.constants = constants_reading(readings)
        self.sigmas = [r.stacked()[1] for r in readings]
        self.counted = [r.counted for r in readings]
        self.points = int(sum(c.sum() for c in self.counted)) + (further.points if further else 0) + len(self.effects)
        self.report, self.cancel = report, cancel
        self.evaluations = 0
        self.best = float("inf")
        self._steps = None
        self._spectra = self._free_spectra()
        self._models, self._compilations = OrderedDict(), OrderedDict()

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
        """The inverse of `inward`, of all unknowns: the scalars' values."""
        x = np.asarray(x, float)[: self._offset.size]
        with np.errstate(over="ignore"):
            return np.where(np.isnan(self._offset), x, np.maximum(np.exp(x) - self._offset, 0.0))

    def stretch(self, x):
        """How far a scalar moves for one of the solver's numbers, at x."""
        x = np.asarray(x, float)[: self._offset.size]
        return np.where(np.isnan(self._offset), 1.0, np.exp(np.where(np.isnan(self._offset), 0.0, x)))

    def _whole(self, scalars):
        """All unknowns, from scalars inward: no effect is there."""
        return np.clip(np.concatenate([scalars, np.zeros(len(self.effects))]), self.low, self.high)

    def here(self):
        """The surface's own scalars, inward."""
        return self._whole(self.inward([self.surface.scalar(s) for s in self.scalars]))

    def awake(self):
        """As `here`, with amounts that are next to nothing where a solve starts them: at 0 much has no slope."""
        woken = np.array([scalar_owner(s)[0].woken for s in self.scalars])
        here = self.outward(self.here())
        return self._whole(self.inward(np.where(here < 0.1 * woken, woken, here)))

    def at(self, x):
        """The surface at x."""
        return self.surface.with_scalars(dict(zip(self.scalars, self.outward(x), strict=True)))

    def amounts(self, x, of):
        """{effect: amount} of one reading (-1: of what is no reading) at x."""
        unknowns = np.asarray(x, float)[self._offset.size :]
        return {e.name: float(z) * e.sigma for e, z in zip(self.effects, unknowns, strict=True) if e.of == of}

    @staticmethod
    def _once(kept, key, work, most):
        """What `work` gives, kept for a while: effects are moved one by one where the surface stays as it is."""
        try:
            return kept[key]
        except KeyError:
            made = kept[key] = work()
        while len(kept) > most:
            kept.popitem(last=False)
        return made

    def _compiled(self, x):
        """(surface, compiled) at x."""
        place = np.asarray(x, float)[: self._offset.size].tobytes()

        def work():
            if self.cancel is not None and self.cancel.is_set():
                raise Cancelled
            surface = self.at(x)
            self.evaluations += 1
            return surface, compile_measured(surface, self.constants)

        return place, *self._once(self._compilations, place, work, _KEPT_COMPILED)

    def model(self, x, i):
        """What reading i would say at x, as its instrument shows it, (value columns, n)."""
        place, surface, compiled = self._compiled(x)
        reading, by = self.readings[i], self.amounts(x, i)
        key = place, i, by.get("thickness_mm", 0.0), by.get("angle_deg", 0.0)
        exact = self._once(
            self._models, key, lambda: predicted(question_with(reading, by), surface, compiled, self.constants), _KEPT
        )
        return as_shown(reading, exact, by)

    def _beside(self, x):
        """Residuals of what is no reading."""
        place, surface, _ = self._compiled(x)
        amounts = self.amounts(x, -1)
        gain = 1.0 + amounts.pop("gain", 0.0)
        key = place, "further", getattr(self.further, "rough", False), tuple(amounts.values())
        model = self._once(self._models, key, lambda: self.further.model(surface, self.cancel, amounts), _KEPT)
        return (gain * model - self.further.values) / self.further.sigmas()

    def parts(self, x, kind=None):
        """Residuals at x, [(m,)]: of what is no reading, then reading by reading; those of one kind of reading alone
        where it is given."""
        beside = [self._beside(x)] if self.further and kind is None else []
        return beside + [
            (r.difference(self.model(x, i)) / sigma)[counted]
            for i, (r, sigma, counted) in enumerate(zip(self.readings, self.sigmas, self.counted, strict=True))
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
        bends = [np.diff(self.outward(x)[i], n=2) / bend for i, bend in self._spectra]
        prior = np.asarray(x, float)[self._offset.size :]
        colours = self._colours(x, kind) if self._by_colour else ()
        return np.concatenate([*self.parts(x, kind), prior, *bends, *colours])

    def _colours(self, x, kind):
        # A colour that is to be met is the reading's as it stands, whatever its instrument may be off by.
        x = self._whole(np.asarray(x, float)[: self._offset.size])
        for i, r in enumerate(self.readings):
            if r.kind_key == "reflectance" and kind in (None, r.kind_key) and np.unique(r.x[~r.masked]).size >= 2:
                yield np.subtract(*colours_of(r, self.model(x, i))) / _COLOUR_SIGMA

    def watched(self, x, kind=None):
        """Residuals, with the misfit told to whoever watches."""
        r = self.residuals(x, kind)
        self.best = min(self.best, float(r @ r))
        if self.report:
            self.report(self.evaluations, self.best)
        return r

    def slopes(self, x, pool, of=None):
        """One-sided differences of `of` (the residuals), (m, n): each column on the pool."""
        of, width = of or self.residuals, self.high - self.low
        if self.further:
            return self._differences(x, pool, of, _RENDERED_STEP * width, range(x.size))
        steps = _STEP * width if self._steps is None else self._steps
        out = self._differences(x, pool, of, steps, range(x.size))
        wanted = self._steps_for(out)
        again = np.flatnonzero(np.maximum(wanted / steps, steps / wanted) > _FAR_OFF)
        if again.size:
            out[:, again] = self._differences(x, pool, of, wanted, again)
            wanted = self._steps_for(out)
        self._steps = wanted
        return out

    def _steps_for(self, slopes):
        """What slopes are best taken over, (n,), from slopes (m, n)."""
        width = self.high - self.low
        with np.errstate(divide="ignore"):
            return np.clip(_TOLD_APART / np.linalg.norm(slopes, axis=0), _LEAST_STEP * width, _MOST_STEP * width)

    def _differences(self, x, pool, of, steps, which):
        """Columns `which` of the slopes, (m, len(which)), over given steps (n,)."""
        # Away from the nearer bound, so that a step never leaves the range.
        steps = np.where(x + steps > self.high, -steps, steps)
        moved = [x + np.where(np.arange(x.size) == i, steps, 0.0) for i in which]
        # What stands here is kept, and the effects' own columns then ask little more.
        here, there = of(x), pool.map(of, moved)
        return np.stack([(t - here) / steps[i] for t, i in zip(there, which, strict=True)], axis=1)
