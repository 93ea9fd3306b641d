"""The surfaces of a scene, stacked for the kernels, which medium lies on either side of each, and what varies."""

from functools import lru_cache
from typing import NamedTuple

import numpy as np

from ..maps.placing import FIRST, NO_LAYERS, NO_TEXELS
from ..shapes.nesting import containers_of
from ..shapes.standing import STOCK_BOUNDARY, STOCK_GLASS, STOCK_ROD
from ..surface import Surface, rows
from ..surface.bank import Bank
from ..surface.compile import CompiledSurface, compile_boundary, compile_surface
from .scene import Scene

GLASS = Surface({"ior": 1.5168, "abbe": 64.2, "transmission": 1.0, "roughness": 0.0})
"""The plain glass that holds a liquid."""
NEUTRAL = Surface({"colour": (0.18, 0.18, 0.18), "roughness": 0.6})
"""What a part has that nobody gave a surface."""
_ROD = Surface({"colour": (0.22, 0.22, 0.22), "roughness": 0.5})


@lru_cache(maxsize=4)
def _compiled(surface):
    return compile_surface(surface)


_FLAT = (-1.0, 0.0, 0.0, 0.0, 1.0)
_SMOOTH = (*_FLAT, *_FLAT, 1.0)


class Varying(NamedTuple):
    """Which of the surfaces a place of a part has.

    parts (p, 4): the part's first surface, its first axis, how many axes, whether light may pass any of it unbroken;
    axes (a, 5): first layer, how many layers, first node, how many surfaces, and 1 where three chains of so many layers
    are red, green and blue; nodes: the levels at which surfaces are compiled, or the table of a palette; the last axis
    changes fastest; layers, texels: see `maps.placing`; bumps (p, 11): see `bumps.leaning_at`.
    """

    parts: np.ndarray
    axes: np.ndarray
    nodes: np.ndarray
    layers: np.ndarray
    texels: np.ndarray
    bumps: np.ndarray


class _Stack:
    """Surfaces being gathered, with their media, and what varies among them."""

    def __init__(self):
        self.surfaces, self.media, self.parts = [], [], []
        self.axes, self.nodes, self.layers, self.texels, self.bumps = [], [], [NO_LAYERS], [NO_TEXELS], []

    def add(self, compiled, outside=-1, inside=None):
        """Add a part: a compiled surface or a bank; the number of its medium, which is its own unless `inside` says."""
        number = len(self.surfaces)
        medium = number if inside is None else inside
        if not isinstance(compiled, Bank):
            self.surfaces.append(compiled)
            self.media.append((outside, medium, medium))
            self.parts.append((number, 0, 0, int(compiled.scalars[rows.OPACITY] < 1.0)))
            self.bumps.append(_SMOOTH)
            return number
        # Light has the interior of the place where it was let in, all the way until it leaves.
        members = [one for _, one in compiled.members]
        self.surfaces += [compiled.middle, *members]
        self.media.append((outside, medium, medium))
        for i in range(len(members)):
            self.media.append((outside, number + 1 + i if inside is None else inside, medium))
        is_open = any(one.scalars[rows.OPACITY] < 1.0 for one in members)
        self.parts.append((number + 1, len(self.axes), len(compiled.axes), int(is_open)))
        self._lay(compiled)
        return number

    def add_medium(self, compiled):
        """Add an interior that no part has by itself; its number."""
        self.surfaces.append(compiled)
        number = len(self.surfaces) - 1
        self.media.append((-1, number, number))
        return number

    def _lay(self, bank):
        laid = bank.laid()
        layer, byte = sum(map(len, self.layers)), sum(map(len, self.texels))
        own = laid.layers.copy()
        own[:, FIRST] += byte
        self.layers.append(own)
        self.texels.append(laid.texels)
        chain = 0
        for axis in bank.axes:
            first, count = laid.chains[chain]
            chain += len(axis.chains)
            is_palette = axis.palette is not None
            self.axes.append((layer + first, count, sum(map(len, self.nodes)), len(axis.nodes), int(is_palette)))
            self.nodes.append(axis.palette.table.ravel() if is_palette else np.asarray(axis.nodes, float))
        bumps = []
        for bump in (bank.bump, bank.coat_bump):
            if bump is None:
                bumps += _FLAT
                continue
            first, count = laid.chains[chain]
            chain += 1
            bumps += (layer + first, count, bump.low_mm, bump.high_mm, bump.step_mm)
        self.bumps.append((*bumps, 1.0 - bank.surface["coat.levelling"]))

    def arrays(self):
        """(materials, media, Varying)."""
        if len(self.surfaces) == 1:
            materials = tuple(a[None] for a in self.surfaces[0].arrays)
        else:
            materials = tuple(np.stack(part) for part in zip(*(s.arrays for s in self.surfaces), strict=True))
        texels = [t for t in self.texels if len(t)]
        varying = Varying(
            np.array(self.parts, np.int64), np.array(self.axes, np.int64).reshape(-1, 5),
            np.concatenate([np.zeros(0), *self.nodes]),
            np.concatenate(self.layers), texels[0] if len(texels) == 1 else np.concatenate([NO_TEXELS, *texels]),
            np.array(self.bumps, float),
        )  # fmt: skip
        return materials, np.array(self.media, np.int64), varying


def materials_of(compiled: CompiledSurface | Bank | tuple, scene: Scene):
    """((scalars, spectra, tables, curves), each stacked over the scene's surfaces; media (surfaces, 3); Varying).

    compiled: the specimen's own surface; or a tuple, one for every part of the shape, None for the shape's own glass or
    rod, or, on a mesh, a neutral grey. A medium is the number of the surface whose interior it is, -1 air; of each
    surface: the one outside it, the one inside it, and the one that stands for all the interiors of its body.
    """
    stack = _Stack()
    stock = scene.shape.stock if scene.shape else ()
    dressed = compiled if isinstance(compiled, tuple) else (compiled, *(None for _ in stock))
    if not stock:
        if isinstance(compiled, tuple) and scene.shape and len(scene.shape.parts) == len(dressed):
            whole = scene.shape.whole or tuple(range(len(dressed)))
            _nested(stack, [one or _compiled(NEUTRAL) for one in dressed], containers_of(scene.shape), whole)
            return stack.arrays()
        for one in dressed:
            stack.add(one or _compiled(NEUTRAL))
        if not isinstance(compiled, tuple) and scene.shape and scene.shape.parts:
            stack.parts *= len(scene.shape.parts)
            stack.bumps *= len(scene.shape.parts)
        return stack.arrays()
    own = stack.add(dressed[0] or _compiled(NEUTRAL))
    liquid = _middle(dressed[0] or _compiled(NEUTRAL))
    vessel = glass = None
    for kind, given in zip(stock, dressed[1:], strict=True):
        if kind == STOCK_GLASS:
            glass = given or _compiled(GLASS)
            vessel = stack.add(glass)
        elif kind == STOCK_BOUNDARY:
            # What lets no light in looks through glass as it does through air, and glass that lets none in hides it.
            clear = all(
                c.scalars[rows.TRANSMISSION] > 0.0 and c.scalars[rows.METALNESS] < 1.0 for c in (liquid, _middle(glass))
            )
            stack.add(compile_boundary(liquid, _middle(glass)) if clear else liquid, vessel, own)
        elif kind == STOCK_ROD:
            stack.add(given or _compiled(_ROD))
    return stack.arrays()


def _nested(stack, dressed, containers, whole):
    """Add the parts of a model, with the medium on either side of each: what lies within a clear part looks out into
    that, and a clear one within a clear one has the boundary of the two, polished. whole: the part that each is of,
    whose medium it has."""
    # The media first, as far as any is looked out into: their numbers are needed by the parts.
    media = {}
    for i, outer in enumerate(containers):
        for part in (whole[i], outer) if outer >= 0 and _is_clear(dressed[outer]) else ():
            if part not in media and _is_clear(dressed[part]):
                media[part] = stack.add_medium(_middle(dressed[part]))
    for i, outer in enumerate(containers):
        around = media.get(outer, -1)
        if around < 0:
            stack.add(dressed[i], inside=media.get(whole[i]))
        elif whole[i] in media:
            stack.add(compile_boundary(_middle(dressed[i]), _middle(dressed[outer])), around, media[whole[i]])
        else:
            stack.add(dressed[i], around)


def _is_clear(compiled):
    """Whether light travels within it as within a body."""
    s = _middle(compiled).scalars
    return bool(s[rows.TRANSMISSION] > 0.0 and s[rows.METALNESS] < 1.0 and s[rows.SHEET] <= 0.0)


def _middle(compiled):
    return compiled.middle if isinstance(compiled, Bank) else compiled
