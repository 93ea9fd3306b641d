"""What instruments would read on a surface as a standard's own equations have it.

The standard's library defines each of its surface models as a graph of closures; it is worked out here for the inputs
that a file has, and integrated: reflectance by angle, colour at di:8 under D65, gloss (ISO 2813). Shares no line with
our own surface.
"""

import math
from dataclasses import dataclass
from functools import cache

import numpy as np

from ..colour import linear_srgb_to_xyz, xyz_to_lab
from ..instruments.glossmeter import RECEPTOR_DEG, SOURCE_DEG, STANDARD_IOR
from ..instruments.summary import GLOSS_ANGLES
from .equations import (
    Added,
    Body,
    BurleyBody,
    Conductor,
    Dielectric,
    Facets,
    Fibres,
    Filmed,
    Layered,
    Mixed,
    Nothing,
    Schlick,
    Tinted,
    dielectric,
    facet_density,
    lattice,
    unit,
    visible_facets,
    widths,
)
from .graph import Graph, Value, library, parsed

_DRAWN, _SMALLEST = 1024, 1e-4


def surface_of(model, inputs):
    """The closure of a surface model of the library, by the category of its node and {input: Value}."""
    definition = library().getNodeDef(f"ND_{model}_surfaceshader")
    return closure_of(definition, inputs)


def closure_of(definition, inputs):
    """The closure of a definition whose implementation is a graph that ends in a surface, pictures half-way along their
    range."""
    outer = {}
    for port in definition.getActiveInputs():
        found = inputs.get(port.getName())
        found = Value(found.middle) if found is not None else parsed(port) if port.getValueString() else None
        if found is not None:
            outer[port.getName()] = found
    end = definition.getImplementation().getOutputs()[0].getConnectedNode()
    made = _Closures(Graph(None), outer)
    opacity = float(np.clip(made.value(end, "opacity", otherwise=1.0), 0.0, 1.0))
    whole = made.at(end, "bsdf")
    return whole if opacity == 1.0 else Mixed(Nothing(), whole, opacity)


class _Closures:
    """The closures of one graph, made as they are asked for."""

    def __init__(self, graph, outer):
        self.graph, self.outer = graph, outer

    def at(self, node, name):
        """The closure that a node has at an input."""
        port = node.getInput(name)
        inner = port.getConnectedNode() if port is not None else None
        return self.made(inner) if inner is not None else Nothing()

    def value(self, node, name, size=1, otherwise=0.0):
        """The numbers that a node has at an input, `otherwise` where nothing is said there."""
        found = self.graph.at(node, name, self.outer)
        data = found.mean if found is not None else np.full(size, otherwise)
        return np.resize(data, size) if size > 1 else float(data[0])

    def word(self, node, name):
        port = node.getActiveInput(name) or node.getNodeDef().getActiveInput(name)
        return port.getValueString() if port is not None else ""

    def made(self, node):
        make = getattr(self, f"_{node.getCategory()}", None)
        # Volumes send nothing back by themselves.
        return Nothing(0.0) if make is None else make(node)

    def _layer(self, node):
        return Layered(self.at(node, "top"), self.at(node, "base"))

    def _mix(self, node):
        share = float(np.clip(self.value(node, "mix"), 0.0, 1.0))
        # What has no share at all need not be worked out.
        if share in (0.0, 1.0):
            return self.at(node, "fg" if share else "bg")
        return Mixed(self.at(node, "bg"), self.at(node, "fg"), share)

    def _add(self, node):
        return Added(self.at(node, "in1"), self.at(node, "in2"))

    def _multiply(self, node):
        return Tinted(self.at(node, "in1"), self.value(node, "in2", 3))

    def _dielectric_bsdf(self, node):
        if self.word(node, "scatter_mode") == "T":
            return Nothing()
        tint = self.value(node, "tint", 3)
        return self._facets(node, Dielectric(max(self.value(node, "ior"), 1e-3)), tint=np.maximum(tint, 0.0))

    def _generalized_schlick_bsdf(self, node):
        if self.word(node, "scatter_mode") == "T":
            return Nothing()
        colours = (np.maximum(self.value(node, name, 3), 0.0) for name in ("color0", "color82", "color90"))
        return self._facets(node, Schlick(*colours, self.value(node, "exponent")), evenly=True)

    def _conductor_bsdf(self, node):
        face = Conductor(self.value(node, "ior", 3), self.value(node, "extinction", 3))
        return Layered(self._facets(node, face), Nothing(0.0))

    def _facets(self, node, face, **more):
        thickness = self.value(node, "thinfilm_thickness")
        if thickness > 0.0:
            face = Filmed(face, thickness, self.value(node, "thinfilm_ior"))
        alpha = tuple(float(v) for v in np.clip(self.value(node, "roughness", 2), _SMALLEST, 1.0))
        return Facets(face, alpha, self.value(node, "weight"), **more)

    def _oren_nayar_diffuse_bsdf(self, node):
        gives_back = self.word(node, "energy_compensation") == "true"
        colour = np.clip(self.value(node, "color", 3), 0.0, 1.0)
        return Body(colour, self.value(node, "weight"), self.value(node, "roughness"), gives_back)

    def _burley_diffuse_bsdf(self, node):
        colour = np.clip(self.value(node, "color", 3), 0.0, 1.0)
        return BurleyBody(colour, self.value(node, "weight"), self.value(node, "roughness"))

    def _subsurface_bsdf(self, node):
        # A wide spot on a wide sample: where it leaves does not matter.
        return Body(np.clip(self.value(node, "color", 3), 0.0, 1.0), self.value(node, "weight"))

    def _translucent_bsdf(self, node):
        return Nothing(0.0)

    def _sheen_bsdf(self, node):
        is_new = self.word(node, "mode") == "zeltner"
        return Fibres(self.value(node, "color", 3), self.value(node, "weight"), self.value(node, "roughness"), is_new)


# What is read on a closure.


def _at(degrees):
    return np.array([-math.sin(math.radians(degrees)), 0.0, math.cos(math.radians(degrees))])


@cache
def _even(count):
    """(count, 4) even points, by powers of the root of x⁵ = x + 1 (Roberts 2018)."""
    steps = 1.1673039782614187 ** -np.arange(1.0, 5.0)
    return (0.5 + np.arange(count)[:, None] * steps) % 1.0


def _integrated(closure, wo, points, inside=None):
    """The mean over directions of light wo (n, 3) of what leaves, (3,), by points (n, 2); inside: only within a
    `_Receptor`.

    Drawn by the facets of each width, evenly over the cosine, and evenly over the receptor, each by the share that it
    has of all (balance heuristic, Veach & Guibas 1995).
    """
    ways = [_ByFacets(alpha) for alpha in widths(closure)] + [inside if inside is not None else _ByCosine()]
    total = np.zeros(3)
    for way in ways:
        wi = way.drawn(wo, points)
        density = sum(other.density(wo, wi) for other in ways)
        counts = (wi[:, 2] > 0.0) & (density > 0.0)
        if inside is not None:
            counts &= inside.holds(wi)
        value = closure.gives(wo[counts], wi[counts]) / density[counts, None]
        total += value.sum(axis=0) / len(wo)
    return total


@dataclass(frozen=True)
class _ByFacets:
    alpha: tuple[float, float]

    def drawn(self, wo, points):
        h = visible_facets(wo, self.alpha, points)
        return 2.0 * np.sum(wo * h, axis=1, keepdims=True) * h - wo

    def density(self, wo, wi):
        h = unit(wo + wi)
        squared = (wo[:, 0] * self.alpha[0]) ** 2 + (wo[:, 1] * self.alpha[1]) ** 2
        seen = 2.0 / (1.0 + np.sqrt(1.0 + squared / wo[:, 2] ** 2))
        return np.where(h[:, 2] > 0.0, facet_density(h, self.alpha) * seen / (4.0 * wo[:, 2]), 0.0)


class _ByCosine:
    def drawn(self, wo, points):
        r, turn = np.sqrt(points[:, 0]), 2.0 * math.pi * points[:, 1]
        return np.stack([r * np.cos(turn), r * np.sin(turn), np.sqrt(1.0 - points[:, 0])], axis=1)

    def density(self, wo, wi):
        return np.maximum(wi[:, 2], 0.0) / math.pi


@dataclass(frozen=True)
class _Receptor:
    """The window of a receptor at an angle of reflection, half its sides as tangents."""

    degrees: float
    half: tuple[float, float]

    def _axes(self):
        c, s = math.cos(math.radians(self.degrees)), math.sin(math.radians(self.degrees))
        return np.array([s, 0.0, c]), np.array([c, 0.0, -s])

    def drawn(self, wo, points):
        along, up = self._axes()
        # Not the points that drew the facets: turned by half.
        x, y = (self.half[i] * (2.0 * ((points[:, 1 - i] + 0.5) % 1.0) - 1.0) for i in (0, 1))
        return unit(along + x[:, None] * up + y[:, None] * np.array([0.0, 1.0, 0.0]))

    def _seen(self, wi):
        along, up = self._axes()
        far = wi @ along
        safe = np.maximum(far, 1e-9)
        return far, wi @ up / safe, wi[:, 1] / safe

    def holds(self, wi):
        far, x, y = self._seen(wi)
        return (far > 0.0) & (np.abs(x) <= self.half[0]) & (np.abs(y) <= self.half[1])

    def density(self, wo, wi):
        far = self._seen(wi)[0]
        return np.where(self.holds(wi), 1.0 / (4.0 * self.half[0] * self.half[1] * np.maximum(far, 1e-9) ** 3), 0.0)


def reflectance(closure, degrees) -> np.ndarray:
    """Hemispherical reflectance (3,) of light at an angle, in linear Rec.709."""
    return _integrated(closure, np.tile(_at(degrees), (_DRAWN, 1)), lattice(_DRAWN))


def gloss(closure, degrees) -> float:
    """Gloss units at 20, 60 or 85 degrees, by luminance."""
    source, half = (tuple(math.tan(math.radians(0.5 * v)) for v in d) for d in (SOURCE_DEG, RECEPTOR_DEG[degrees]))
    points = _even(_DRAWN)
    x, y = ((2.0 * points[:, 2:] - 1.0) * source).T
    centre = _at(degrees)
    wo = unit(centre + x[:, None] * [centre[2], 0.0, -centre[0]] + y[:, None] * [0.0, 1.0, 0.0])
    sent = _integrated(closure, wo, points[:, :2], _Receptor(float(degrees), half))
    glass = 0.5 * sum(dielectric(np.array([centre[2]]), STANDARD_IOR))[0]
    return float(100.0 * linear_srgb_to_xyz(sent)[1] / glass)


def colour_and_gloss(closure) -> dict[str, float]:
    """gloss20, gloss60, gloss85; L, a, b of di:8 under D65, specular included; Y in per cent."""
    xyz = linear_srgb_to_xyz(reflectance(closure, 8.0))
    found = {f"gloss{a}": gloss(closure, a) for a in GLOSS_ANGLES}
    return found | {k: float(v) for k, v in zip("Lab", xyz_to_lab(xyz), strict=True)} | {"Y": 100.0 * float(xyz[1])}
