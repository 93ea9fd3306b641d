"""A surface that varies, as a mixture: a compiled surface for every step along its maps, and how much there is of each.

A place of the specimen has, in each map, a level between two of these steps; it is one of the two neighbours, by
chance in the tracer and by its share in the instruments. Every member is lossless and reciprocal, and so it is.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache
from itertools import product

import numpy as np

from ..maps import Layer, Map
from ..maps.laying import laid, levels_on, tile_on, tile_size
from ..maps.palette import Palette, palette_of
from ..shapes.lying import LiesOn, Spot
from .compile import CompiledSurface, compile_surface
from .model import Surface
from .parameters import PARAMETERS
from .values import BUMP, COAT_BUMP, HEIGHTS

MOST_MEMBERS = 96
"""Compiled surfaces of one bank; each takes a megabyte."""
_NEXT = 0.05
QUADRATURE = 7
"""Of the members of a bank for the instruments, along one map."""
_OF_COLOURS, _ALIKE = (3, 5), 0.4
"""Along one of colours, whose readings are close to linear: of those that differ by less than this, and of others."""
COLOURS = 20
"""Of the palette that stands for a picture in colour."""


@dataclass(frozen=True, eq=False)
class Axis:
    """One chain of layers (or three, for red, green and blue), the parameters that it drives, and the levels at which
    surfaces are compiled: numbers that rise, or colours of a palette."""

    chains: tuple[tuple[Layer, ...], ...]
    names: tuple[str, ...]
    nodes: np.ndarray
    palette: Palette | None = None

    def between(self, levels, smoothly=False):
        """[(node (m,), share (m,)), …] between which levels (m, chains) lie; the shares sum to 1.

        smoothly: all nodes share in every place, by the polynomial through them; some shares are below 0.
        """
        if smoothly and self.palette is None and len(self.nodes) > 1:
            return [(np.full(len(levels), i), s) for i, s in enumerate(_lagrange(self.nodes, levels[:, 0]))]
        if self.palette is not None:
            nodes, shares = self.palette.of(levels)
            return list(zip(nodes.T, shares.T, strict=True))
        level, nodes = levels[:, 0], self.nodes
        if len(nodes) == 1:
            return [(np.zeros(len(level), np.int64), np.ones(len(level)))]
        i = np.clip(np.searchsorted(nodes, level, side="right") - 1, 0, len(nodes) - 2)
        t = np.clip((level - nodes[i]) / (nodes[i + 1] - nodes[i]), 0.0, 1.0)
        return [(i, 1.0 - t), (i + 1, t)]


@dataclass(frozen=True)
class Bump:
    """A height that varies: its layers, heights at level 0 and 1 in mm, how far apart two heights are compared, and the
    mean square of its slopes over a tile."""

    layers: tuple[Layer, ...]
    low_mm: float
    high_mm: float
    step_mm: float
    mean_square: float


@dataclass(frozen=True, eq=False)
class Bank:
    """members: (surface, compiled) at every combination of the axes' nodes, the last axis changing fastest; middle: the
    surface as compiled half-way, where one has to stand for all. is_quadrature: the nodes are those of a Gaussian
    quadrature over the whole body, for instruments, which need no middle."""

    surface: Surface
    axes: tuple[Axis, ...]
    members: tuple[tuple[Surface, CompiledSurface], ...]
    middle: CompiledSurface | None
    bump: Bump | None = None
    coat_bump: Bump | None = None
    is_quadrature: bool = False

    @property
    def lies_on(self) -> LiesOn:
        return self.surface.lies_on

    def shares(self, spot: Spot | None = None, part=0):
        """How much of the body, or of a spot on it, each member makes up: (members,), sum 1."""
        return _shares(self.axes, self.lies_on, spot, part, self.is_quadrature)

    def laid(self):
        """The layers of the axes, and of the bumps after them, for the kernels: see `maps.laying.Laid`."""
        return laid((*_chains(self.axes), *(b.layers for b in (self.bump, self.coat_bump) if b)), self.lies_on)


def _chains(axes):
    return tuple(chain for a in axes for chain in a.chains)


@lru_cache(maxsize=64)
def _shares(axes, lies_on, spot, part, is_quadrature):
    levels = levels_on(_chains(axes), lies_on, spot, part)
    # Of a spot the levels may lie where a polynomial through the nodes of the whole is not to be trusted.
    within = spot is None or _reach_over(axes, levels)
    shares = joint_shares(levels, axes, is_quadrature and within)
    shares.flags.writeable = False
    return shares


def _reach_over(axes, levels):
    """Whether levels (m, chains) lie within the nodes of every axis, or next to them."""
    at = 0
    for a in axes:
        own, at = levels[:, at], at + len(a.chains)
        if a.palette is None and not (a.nodes[0] - _NEXT <= own.min() and own.max() <= a.nodes[-1] + _NEXT):
            return False
    return True


def _lagrange(nodes, t):
    """(n, m): the polynomials that are 1 at one of n nodes and 0 at the others, at levels t (m,)."""
    out = np.ones((len(nodes), len(t)))
    for i, node in enumerate(nodes):
        for other in np.delete(nodes, i):
            out[i] *= (t - other) / (node - other)
    return out


def gauss_nodes(levels, count):
    """Nodes of the Gaussian quadrature over the distribution of levels (m,), at most `count`, rising (Golub & Welsch
    1969, the recurrence by Stieltjes's procedure)."""
    before, now = np.zeros_like(levels), np.ones_like(levels)
    norm, alphas, betas = float(len(levels)), [], []
    for _ in range(count):
        alpha = float((levels * now * now).sum()) / norm
        alphas.append(alpha)
        before, now = now, (levels - alpha) * now - (betas[-1] if betas else 0.0) * before
        fresh = float((now * now).sum())
        if fresh < 1e-13 * len(levels):
            break
        betas.append(fresh / norm)
        norm = fresh
    matrix = np.diag(alphas) + sum(np.diag(np.sqrt(betas[: len(alphas) - 1]), k) for k in (-1, 1))
    return np.linalg.eigvalsh(matrix)


def joint_shares(levels, axes, smoothly=False):
    """Shares (members,) of places with levels (m, chains of all axes), each between nodes of every axis."""
    count = math.prod(len(a.nodes) for a in axes)
    if not axes:
        return np.ones(1)
    ends = np.cumsum([len(a.chains) for a in axes])
    parts = [a.between(own, smoothly) for a, own in zip(axes, np.split(levels, ends[:-1], axis=1), strict=True)]
    out = np.zeros(count)
    for corner in product(*parts):
        index, share = np.zeros(len(levels), np.int64), np.ones(len(levels))
        for (node, own), axis in zip(corner, axes, strict=True):
            index, share = index * len(axis.nodes) + node, share * own
        out += np.bincount(index, share, count)
    return out / len(levels)


def compile_bank(surface: Surface, constants=None, make: Callable = compile_surface, is_quadrature=False) -> Bank:
    """The bank of a surface that has maps. make: what compiles one member; is_quadrature: few members at the nodes of a
    quadrature, whose mean is exact where a reading changes smoothly along a map. InputError as `compile_surface`."""
    axes = _axes(surface, is_quadrature)
    plain = {name: value for name, value in surface.given.items() if name not in HEIGHTS}
    members = []
    for levels in product(*(a.nodes for a in axes)):
        at = {name: level for a, level in zip(axes, levels, strict=True) for name in a.names}
        member = Surface({**plain, **{name: surface.input(name).at(level) for name, level in at.items()}})
        members.append((member, make(member, constants)))
    bumps = bump_of(surface), bump_of(surface, COAT_BUMP)
    middle = None if is_quadrature else make(surface.uniform(), constants)
    return Bank(surface, axes, tuple(members), middle, *bumps, is_quadrature)


def bump_of(surface, name=BUMP) -> Bump | None:
    """The bump of a surface, or of its coat; None where the height does not vary."""
    value = surface.input(name)
    if not isinstance(value, Map) or value.low == value.high:
        return None
    low, high = (0.001 * end for end in (value.low, value.high))
    steps, square = [], 0.0
    for layer in value.layers:
        wide, tall = tile_size(layer, surface.lies_on)
        levels = tile_on(layer, surface.lies_on).levels
        pitch = tall / levels.shape[0], wide / levels.shape[1]
        steps.append(min(pitch))
        if min(levels.shape) > 1:
            slopes = np.gradient((high - low) * layer.amount * levels, *pitch)
            square += float(sum((s**2).mean() for s in slopes))
    return Bump(value.layers, low, high, max(min(steps), 1e-4), square)


def _widened(surface, bump, coat_bump):
    """A surface whose finish and coat are as wide as bumps that are finer than the spot make them."""
    if bump is None and coat_bump is None:
        return surface
    below, own = (b.mean_square if b else 0.0 for b in (bump, coat_bump))
    # Slopes add by their mean squares; of a microfacet finish that is alpha² (both directions together).
    if surface["coat.amount"] <= 0.0:
        return surface.with_values({"roughness": _wider(surface["roughness"], below)})
    follows, n = 1.0 - surface["coat.levelling"], surface["coat.ior"]
    # What leans with the coat's face looks less steep through it, see `bumps.leaning_at`; the rest of how it widens
    # what lies below is counted where lobes under a rough coat are.
    together = max(0.0, n - 2.0 * (n - 1.0) * follows) / n
    return surface.with_values(
        {
            "roughness": _wider(surface["roughness"], together * below),
            "coat.roughness": _wider(surface["coat.roughness"], follows**2 * below + own),
        }
    )


def _wider(roughness, mean_square):
    return min((roughness**4 + mean_square) ** 0.25, 1.0)


def _axes(surface, is_quadrature=False):
    """Maps with the same layers drive one axis; the nodes are as many as memory allows."""
    groups = {}
    for name, own in surface.maps.items():
        if name in HEIGHTS:
            continue
        groups.setdefault(own.chains(), []).append(name)
    wanted = {chains: max(_count(surface, n) for n in names) for chains, names in groups.items()}
    while math.prod(wanted.values()) > MOST_MEMBERS:
        wanted[max(wanted, key=wanted.get)] -= 1
    axes = []
    for chains, names in groups.items():
        if len(chains) > 1:
            palette = _palette(chains, surface.lies_on, wanted[chains])
            axes.append(_of_palette(chains, tuple(names), palette))
            continue
        finest = max(names, key=lambda n: _count(surface, n))
        if is_quadrature and wanted[chains] > 1:
            count = min(wanted[chains], max(_gauss_count(surface, n) for n in names))
            axes.append(_quadrature(chains, tuple(names), surface.lies_on, count))
            continue
        axes.append(Axis(chains, tuple(names), _nodes(surface, finest, wanted[chains])))
    return tuple(axes)


def _gauss_count(surface, name):
    p = PARAMETERS[name]
    if p.kind == "colour":
        return _OF_COLOURS[_span(surface.input(name)) > _ALIKE]
    return min(p.varies, QUADRATURE)


# The same axes as before, where a solve moves what a map's ends are: what they share is told once.
@lru_cache(maxsize=32)
def _quadrature(chains, names, lies_on, count):
    return Axis(chains, names, gauss_nodes(levels_on(chains, lies_on)[:, 0], count))


@lru_cache(maxsize=8)
def _of_palette(chains, names, palette):
    return Axis(chains, names, palette.colours, palette)


@lru_cache(maxsize=8)
def _palette(chains, lies_on, count):
    return palette_of(levels_on(chains, lies_on), count)


def _span(value: Map):
    return float(np.abs(np.subtract(value.high, value.low)).max())


def _count(surface, name):
    p, value = PARAMETERS[name], surface.input(name)
    if _span(value) == 0.0:
        return 1
    if value.is_coloured:
        return COLOURS
    return max(p.varies, math.ceil(_span(value) / p.varies_grain) + 1) if p.varies_grain else p.varies


def _nodes(surface, name, count):
    """Levels at which to compile: even along a gauge of the parameter, over what the map holds."""
    p, value = PARAMETERS[name], surface.input(name)
    low, high = _reach(value.layers, surface.lies_on)
    if count == 1 or high - low < 1e-6:
        return np.array([0.5 * (low + high)])
    levels = np.linspace(low, high, count)
    if p.scale == "linear" or p.components:
        return levels
    bend = np.sqrt if p.scale == "root" else lambda v: np.log(np.maximum(v, 0.0) + 1e-3 * p.span[1])
    fine = np.linspace(low, high, 2049)
    along = bend(np.asarray([value.at(t) for t in fine]))
    if along[0] > along[-1]:
        fine, along = fine[::-1], along[::-1]
    return np.sort(np.interp(np.linspace(along[0], along[-1], count), along, fine))


def _reach(layers, lies_on):
    """The lowest and highest level that a chain has anywhere."""
    if len(layers) > 1:
        return 0.0, 1.0
    levels = tile_on(layers[0], lies_on).texels
    most = np.iinfo(levels.dtype).max
    return float(levels.min()) / most, float(levels.max()) / most


def compiled_as(surface: Surface, constants=None) -> CompiledSurface | Bank:
    """A surface compiled for the tracer: one for all of it, or a bank where it varies."""
    return compile_bank(surface, constants) if surface.maps else compile_surface(surface, constants)


def compile_measured(surface: Surface, constants_reading=None) -> CompiledSurface | Bank:
    """As an instrument sees the surface whose spot is wide against the mean free path: see `Surface.as_measured`."""
    bumps = bump_of(surface), bump_of(surface, COAT_BUMP)

    def make(one, constants):
        return compile_surface(_widened(one, *bumps).as_measured(), constants)

    if not surface.maps:
        return make(surface, constants_reading)
    return compile_bank(surface, constants_reading, make, is_quadrature=True)
