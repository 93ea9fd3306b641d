"""A surface: the values of the parameters that stand for a specimen. Immutable."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from types import MappingProxyType

from ..errors import InputError
from ..maps import Map
from ..shapes.lying import LiesOn
from ..words import tr
from . import values
from .parameters import ENDS, PARAMETERS, STRATA, parameter, scalar_owner, scalars_of
from .spectrum import RGB_NAMES, component_names, is_spectrum, rgb_of, spectrum_of

_BALL = LiesOn()


@dataclass(frozen=True)
class Surface:
    """Values by dotted name, each a constant or a `Map`; what is not set has its default. Equal surfaces compare equal.

    lies_on: the body that its maps lie on; always the same where there are none. `surface[name]` of what a map drives
    is the value half-way along its range, for all that wants one value to stand for it.
    """

    given: Mapping[str, object] = field(default_factory=dict)
    lies_on: LiesOn = _BALL

    def __post_init__(self):
        checked = {name: values.checked(parameter(name), v) for name, v in self.given.items()}
        kept = {name: v for name, v in checked.items() if v != PARAMETERS[name].default}
        object.__setattr__(self, "given", MappingProxyType(dict(sorted(kept.items()))))
        if not self.maps and self.lies_on != _BALL:
            object.__setattr__(self, "lies_on", _BALL)

    def __getitem__(self, name):
        value = self.input(name)
        return value.middle if isinstance(value, Map) else value

    def input(self, name):
        """What a parameter has: a constant, or the Map that drives it."""
        return self.given[name] if name in self.given else parameter(name).default

    @property
    def maps(self):
        """{name: Map} of the parameters that vary."""
        return {name: value for name, value in self.given.items() if isinstance(value, Map)}

    def uniform(self) -> "Surface":
        """The surface with one value everywhere: half-way along the range of what varies."""
        return (
            Surface({**self.given, **{name: value.middle for name, value in self.maps.items()}}) if self.maps else self
        )

    def lying_on(self, lies_on: LiesOn) -> "Surface":
        """The surface on another body: its maps lie there then."""
        return Surface(self.given, lies_on)

    def __hash__(self):
        return hash((tuple(self.given.items()), self.lies_on))

    def __reduce__(self):
        # A read-only view of a dict cannot be pickled; what it shows can.
        return Surface, (dict(self.given), self.lies_on)

    def with_values(self, changes: Mapping[str, object]) -> "Surface":
        """A surface with some values changed.

        A face or edge colour has no meaning beside chosen constants: setting one lets the constants go,
        unless constants are set in the same change.
        """
        changes = dict(changes)
        if {"face_colour", "edge_colour"} & changes.keys() and self["metalness"] > 0:
            changes.setdefault("constants", "")
        return Surface({**self.given, **changes}, self.lies_on)

    def as_measured(self) -> "Surface":
        """The surface as an instrument sees it whose spot is wide against the mean free path.

        Light that wanders below leaves within the spot: the subsurface share joins the body, in its own colour.
        """
        share = self["subsurface"]
        if share <= 0.0:
            return self
        colours = [self["colour"], *(colour for _, colour, _ in self.subsurface_depths())]
        shares = [1.0 - share, *(share * part for part, _, _ in self.subsurface_depths())]
        if any(map(is_spectrum, colours)):
            colours = [spectrum_of(PARAMETERS["colour"], c) for c in colours]
        mixed = tuple(sum(w * c[i] for w, c in zip(shares, colours, strict=True)) for i in range(len(colours[0])))
        return self.with_values({"subsurface": 0.0, "colour": mixed})

    def subsurface_depths(self):
        """((share, colour, mean free path in mm), ...) of the middle, shallow and deep matter; the shares sum to 1."""
        shallow, deep = self["subsurface.shallow"], self["subsurface.deep"]
        more = max(1.0, shallow + deep)
        parts = ((1.0 - (shallow + deep) / more, ""), (shallow / more, "shallow_"), (deep / more, "deep_"))
        scale = self["subsurface.scale"]
        return tuple(
            (share, self[f"subsurface.{which}colour"], tuple(r * scale for r in self[f"subsurface.{which}radius"]))
            for share, which in parts
        )

    @property
    def lets_light_in(self):
        """Whether light travels within it as within a body."""
        return self["metalness"] < 1.0 and self["transmission"] > 0.0 and not self.is_sheet

    @property
    def is_sheet(self):
        """Whether light that goes through comes out on a reverse side, instead of into an interior."""
        return self["metalness"] < 1.0 and (self["thin_walled"] or self["reverse.translucency"] > 0.0)

    def scalar(self, name):
        """The value behind a scalar's name (`roughness`, `colour.g`)."""
        p, component = scalar_owner(name)
        value = self.input(p.name)
        end, _, rest = (component or "").partition(".")
        if end in ENDS:
            if not isinstance(value, Map):
                raise InputError(tr("{0}: {1} does not vary over this surface; it has one value", name, p.name))
            value, component = getattr(value, end), rest or None
        elif isinstance(value, Map):
            raise InputError(tr("{0}: {1} varies; say {2}.low or {3}.high", name, p.name, p.name, p.name))
        if component is None:
            return value
        names, numbers = _components(p, value, component)
        return numbers[names.index(component)]

    def rgb(self, name):
        """A colour or coefficient as red, green and blue, for those who know no spectra."""
        return rgb_of(parameter(name), self[name])

    def with_scalars(self, scalars: Mapping[str, float]) -> "Surface":
        """A surface with scalars changed, as the solver does."""
        changes = {}
        for name, value in scalars.items():
            p, component = scalar_owner(name)
            whole = changes.get(p.name, self.input(p.name))
            end, _, rest = (component or "").partition(".")
            if end in ENDS and isinstance(whole, Map):
                number = _with_number(p, getattr(whole, end), rest or None, value)
                changes[p.name] = replace(whole, **{end: number})
            else:
                changes[p.name] = _with_number(p, whole, component, value)
        return Surface({**self.given, **changes}, self.lies_on)

    def applies(self, name) -> bool:
        """Whether a parameter does anything on this surface as it stands."""
        return parameter(name).applies(self)

    def awake(self, names) -> "Surface":
        """The surface with every amount among `names` that is 0 where a solve starts it, so that all have a slope."""
        asleep = [n for n in names if PARAMETERS[n].woken and self[n] == 0.0 and n not in self.maps]
        return self.with_values({n: PARAMETERS[n].woken for n in asleep})

    def scalars_of(self, name):
        """The scalar names of what a parameter has on this surface."""
        return scalars_of(name, self.input(name))


def _components(p, value, component):
    """(names, numbers) of a value, turned into RGB or a spectrum as `component` is of one or the other."""
    numbers = rgb_of(p, value) if component in RGB_NAMES else spectrum_of(p, value)
    return component_names(numbers), list(numbers)


def _with_number(p, value, component, number):
    """A value with one of its numbers changed; the number itself where it has only one."""
    if component is None:
        return float(number)
    names, numbers = _components(p, value, component)
    numbers[names.index(component)] = float(number)
    return tuple(numbers)


def parameters_of(stratum):
    """The declarations of one stratum, in order."""
    if stratum not in STRATA:
        raise InputError(tr("there is no stratum '{0}'", stratum))
    return [p for p in PARAMETERS.values() if p.stratum == stratum]
