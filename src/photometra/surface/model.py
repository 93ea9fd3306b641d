"""A surface: the values of the parameters that stand for a specimen. Immutable."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType

from ..errors import InputError
from . import values
from .parameters import PARAMETERS, STRATA, parameter, scalar_owner
from .spectrum import RGB_NAMES, component_names, is_spectrum, rgb_of, spectrum_of


@dataclass(frozen=True)
class Surface:
    """Values by dotted name; what is not set has its default. Equal surfaces compare equal."""

    given: Mapping[str, object] = field(default_factory=dict)

    def __post_init__(self):
        checked = {name: values.checked(parameter(name), v) for name, v in self.given.items()}
        kept = {name: v for name, v in checked.items() if v != PARAMETERS[name].default}
        object.__setattr__(self, "given", MappingProxyType(dict(sorted(kept.items()))))

    def __getitem__(self, name):
        return self.given[name] if name in self.given else parameter(name).default

    def __hash__(self):
        return hash(tuple(self.given.items()))

    def __reduce__(self):
        # A read-only view of a dict cannot be pickled; what it shows can.
        return Surface, (dict(self.given),)

    def with_values(self, changes: Mapping[str, object]) -> "Surface":
        """A surface with some values changed.

        A face or edge colour has no meaning beside chosen constants: setting one lets the constants go,
        unless constants are set in the same change.
        """
        changes = dict(changes)
        if {"face_colour", "edge_colour"} & changes.keys() and self["metalness"] > 0:
            changes.setdefault("constants", "")
        return Surface({**self.given, **changes})

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
    def is_sheet(self):
        """Whether light that goes through comes out on a reverse side, instead of into an interior."""
        return self["metalness"] < 1.0 and (self["thin_walled"] or self["reverse.translucency"] > 0.0)

    def scalar(self, name):
        """The value behind a scalar's name (`roughness`, `colour.g`)."""
        p, component = scalar_owner(name)
        if component is None:
            return self[p.name]
        names, numbers = _components(p, self[p.name], component)
        return numbers[names.index(component)]

    def rgb(self, name):
        """A colour or coefficient as red, green and blue, for those who know no spectra."""
        return rgb_of(parameter(name), self[name])

    def with_scalars(self, scalars: Mapping[str, float]) -> "Surface":
        """A surface with scalars changed, as the solver does."""
        changes = {}
        for name, value in scalars.items():
            p, component = scalar_owner(name)
            if component is None:
                changes[p.name] = float(value)
            else:
                names, numbers = _components(p, changes.get(p.name, self[p.name]), component)
                numbers[names.index(component)] = float(value)
                changes[p.name] = tuple(numbers)
        return Surface({**self.given, **changes})

    def applies(self, name) -> bool:
        """Whether a parameter does anything on this surface as it stands."""
        return parameter(name).applies(self)

    def awake(self, names) -> "Surface":
        """The surface with every amount among `names` that is 0 where a solve starts it, so that all have a slope."""
        return self.with_values({n: PARAMETERS[n].woken for n in names if PARAMETERS[n].woken and self[n] == 0.0})


def _components(p, value, component):
    """(names, numbers) of a value, turned into RGB or a spectrum as `component` is of one or the other."""
    numbers = rgb_of(p, value) if component in RGB_NAMES else spectrum_of(p, value)
    return component_names(numbers), list(numbers)


def parameters_of(stratum):
    """The declarations of one stratum, in order."""
    if stratum not in STRATA:
        raise InputError(f"there is no stratum '{stratum}'")
    return [p for p in PARAMETERS.values() if p.stratum == stratum]
