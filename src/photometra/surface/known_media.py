"""Measured scattering media, and how a surface takes one: in a clear interior, or as its subsurface."""

from dataclasses import dataclass
from functools import cache
from importlib.resources import files

import numpy as np

from ..optics.dispersion import cauchy_ior
from ..optics.fresnel import fresnel_dielectric
from ..optics.halfspace import single_albedo
from .albedo import FACETS, hemispherical


@dataclass(frozen=True)
class KnownMedium:
    """A medium by its reduced scattering and its absorption per mm (red, green, blue), and its index."""

    name: str
    scatter: tuple[float, float, float]
    absorption: tuple[float, float, float]
    ior: float

    def as_interior(self):
        """The changes with which a surface is a clear boundary around this medium."""
        return {
            "metalness": 0.0, "constants": "", "ior": self.ior, "transmission": 1.0, "thin_walled": False,
            "interior.colour": (1.0, 1.0, 1.0), "interior.absorption": self.absorption,
            "interior.scatter": self.scatter, "interior.asymmetry": 0.0,
        }  # fmt: skip

    def as_subsurface(self):
        """The changes with which a surface has this medium as its subsurface: by colour and mean free path."""
        eta = float(cauchy_ior(np.array([589.3]), self.ior, 0.0)[0])
        escape = (1.0 - hemispherical(fresnel_dielectric(FACETS, eta))) / eta**2
        tried = 1.0 - np.linspace(1.0, 0.0, 512) ** 2
        by_colour = single_albedo(tried, escape, eta)
        extinct = [s + a for s, a in zip(self.scatter, self.absorption, strict=True)]
        single = [s / e for s, e in zip(self.scatter, extinct, strict=True)]
        colour = tuple(float(v) for v in np.interp(single, by_colour, tried))
        return {
            "metalness": 0.0, "constants": "", "ior": self.ior, "transmission": 0.0, "subsurface": 1.0,
            "subsurface.colour": colour, "subsurface.radius": tuple(1.0 / e for e in extinct), "subsurface.scale": 1.0,
        }  # fmt: skip


@cache
def known_media() -> tuple[KnownMedium, ...]:
    """The media of Jensen, Marschner, Levoy & Hanrahan (2001), figure 5, by name."""
    lines = files("photometra.surface").joinpath("media/translucent.csv").read_text(encoding="utf-8").splitlines()
    rows = [line.split(",") for line in lines if line and not line.startswith("#")][1:]
    found = [KnownMedium(name, tuple(map(float, v[:3])), tuple(map(float, v[3:6])), float(v[6])) for name, *v in rows]
    return tuple(sorted(found, key=lambda m: m.name))
