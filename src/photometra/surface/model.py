"""A surface: the values of the parameters that stand for a specimen. Immutable."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType

from . import values
from .parameters import PARAMETERS, STRATA, parameter, scalar_owner


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
        mixed = tuple(
            (1.0 - share) * a + share * b for a, b in zip(self["colour"], self["subsurface.colour"], strict=True)
        )
        return self.with_values({"subsurface": 0.0, "colour": mixed})

    def scalar(self, name):
        """The value behind a scalar's name (`roughness`, `colour.g`)."""
        p, component = scalar_owner(name)
        return self[p.name] if component is None else self[p.name][component]

    def with_scalars(self, scalars: Mapping[str, float]) -> "Surface":
        """A surface with scalars changed, as the solver does."""
        changes = {}
        for name, value in scalars.items():
            p, component = scalar_owner(name)
            if component is None:
                changes[p.name] = float(value)
            else:
                triple = list(changes.get(p.name, self[p.name]))
                triple[component] = float(value)
                changes[p.name] = tuple(triple)
        return Surface({**self.given, **changes})

    def applies(self, name) -> bool:
        """Whether a parameter does anything on this surface as it stands."""
        only = PARAMETERS[name].only_for
        if only == "coat":
            return self["coat.amount"] > 0.0
        if only == "film":
            return self["film.amount"] > 0.0
        if only == "any metal":
            return self["metalness"] > 0.0
        if only == "metal":
            return self["metalness"] > 0.0 and not self["constants"]
        if name in ("ior", "abbe") and self["constants"] and self["metalness"] < 1.0:
            return False
        if only == "dielectric":
            if name in ("colour", "diffuse_roughness", "subsurface") and self["transmission"] >= 1.0:
                return False
            if name in ("colour", "diffuse_roughness") and self["subsurface"] >= 1.0:
                return False
            return self["metalness"] < 1.0
        if only == "clear":
            return self["metalness"] < 1.0 and self["transmission"] > 0.0
        if only == "scatter":
            return self.applies("interior.scatter") and max(self["interior.scatter"]) > 0.0
        if only == "subsurface":
            return self.applies("subsurface") and self["subsurface"] > 0.0
        if name == "haze.spread":
            return self["haze.amount"] > 0.0
        return True


def parameters_of(stratum):
    """The declarations of one stratum, in order."""
    if stratum not in STRATA:
        raise ValueError(f"there is no stratum '{stratum}'")
    return [p for p in PARAMETERS.values() if p.stratum == stratum]
