"""Maps laid on a body: rows and texels for the kernels, and the levels at places of it."""

import math
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from ..shapes.body import body_of, has_uvs, over_uvs, places_of
from ..shapes.lying import LiesOn, Spot
from . import placing
from .baking import Kept, Tile, filling, tile_of
from .edges import worn_edges
from .generators import generator, settings_of
from .model import COMBINES, PLACEMENTS, REPEATS, Generator, Layer, Picture


class Laid(NamedTuple):
    """Chains of layers as the kernels take them: layers (n, LAYER_ROWS), texels (bytes,), chains (c, 2)."""

    layers: np.ndarray
    texels: np.ndarray
    chains: np.ndarray


def tile_size(layer: Layer, lies_on: LiesOn):
    """(width, height) in mm of a layer's tile as it lies on a body."""
    wide, high = layer.placement.size_mm
    if fills(layer):
        extent = body_of(lies_on).extent
        return max(float(extent[0]), 1e-3), max(float(extent[1]), 1e-3)
    if isinstance(layer.source, Generator) and not generator(layer.source.kind).fits:
        own = generator(layer.source.kind).tile_mm
        return wide or own, high or wide or own
    body, way = body_of(lies_on), layer.placement.way
    once = {
        "uv": tuple(span * body.uv_mm for span in _spans(layer)),
        "top": (body.extent[0], body.extent[2]),
        "side": (body.extent[2], body.extent[1]),
        "cylinder": (2.0 * math.pi * body.radius, body.extent[1]),
        "sphere": (2.0 * math.pi * body.radius, math.pi * body.radius),
    }.get(way, (body.extent[0], body.extent[1]))
    # A height alone not given goes with the width.
    return (wide, high or wide) if wide else tuple(max(float(v), 1e-3) for v in once)


def tile_on(layer: Layer, lies_on: LiesOn) -> Tile:
    """The baked tile of a layer as it lies on a body. PictureError where a picture cannot be read."""
    size, source = tile_size(layer, lies_on), layer.source
    if not fills(layer):
        return tile_of(layer, size)
    return filling(layer, size, lambda: worn_edges(settings_of(source), lies_on, source.seed), lies_on)


def fills(layer: Layer) -> bool:
    """Whether a layer is of the body itself and fills it, however it is placed."""
    return isinstance(layer.source, Generator) and generator(layer.source.kind).fills


def _spans(layer):
    """Over how many UV squares a layer's tile lies."""
    return layer.source.spans if isinstance(layer.source, Picture) else (1, 1)


MOST_LAID = 512 * 2**20
_laid = Kept(MOST_LAID, lambda one: one.texels.nbytes)
"""Laid maps: one tile alone is shared with the baked ones, several are copied together."""


def laid(chains: tuple[tuple[Layer, ...], ...], lies_on: LiesOn) -> Laid:
    """Chains of layers laid on a body. PictureError where a picture cannot be read."""
    return _laid.get((chains, lies_on), lambda: _lay(chains, lies_on))


def _lay(chains, lies_on):
    rows, texels, spans = [], [], []
    first_byte = 0
    body = body_of(lies_on)
    for layers in chains:
        spans.append((len(rows), len(layers)))
        for layer in layers:
            size = tile_size(layer, lies_on)
            tile = tile_on(layer, lies_on).texels
            rows.append(_row(layer, size, body, tile, first_byte))
            flat = np.ascontiguousarray(tile).reshape(-1).view(np.uint8)
            texels.append(flat)
            first_byte += flat.size
    whole = texels[0] if len(texels) == 1 else np.concatenate([placing.NO_TEXELS, *texels])
    return Laid(np.array(rows).reshape(-1, placing.LAYER_ROWS), whole, np.array(spans, np.int64).reshape(-1, 2))


def _row(layer, size, body, tile, first_byte):
    p = layer.placement
    row = np.zeros(placing.LAYER_ROWS)
    # UVs are laid in their own units about their middle; all else in mm about the body's.
    unit = body.uv_mm if p.way == "uv" else 1.0
    turn = math.radians(p.turn_deg)
    row[placing.WAY] = PLACEMENTS.index(p.way)
    row[placing.PER_MM_U], row[placing.PER_MM_V] = unit / size[0], unit / size[1]
    row[placing.TURN_COS], row[placing.TURN_SIN] = math.cos(turn), math.sin(turn)
    row[placing.OFFSET_U], row[placing.OFFSET_V] = p.offset_mm[0] / size[0], p.offset_mm[1] / size[1]
    row[placing.REPEAT], row[placing.SHUFFLE] = REPEATS.index(p.repeat), float(p.shuffle)
    if p.way == "uv":
        # Without a size of its own a tile fills the UV square.
        row[placing.OFFSET_U] += 0.5 * _spans(layer)[0] * unit / size[0]
        row[placing.OFFSET_V] += 0.5 * _spans(layer)[1] * unit / size[1]
    row[placing.MIDDLE_X : placing.MIDDLE_Z + 1], row[placing.RADIUS] = body.middle, body.radius
    row[placing.COMBINE], row[placing.AMOUNT] = COMBINES.index(layer.combine), layer.amount
    row[placing.FIRST], row[placing.BYTES] = first_byte, tile.itemsize
    row[placing.HIGH], row[placing.WIDE] = tile.shape[-2:]
    if tile.ndim == 3:
        # However it is placed, it fills the box of the body.
        row[placing.WAY], row[placing.DEEP] = placing.WITHIN, len(tile)
        row[[placing.PER_MM_U, placing.PER_MM_V, placing.PER_MM_W]] = 1.0 / np.maximum(body.extent, 1e-3)
    return row


@lru_cache(maxsize=32)
def levels_on(chains, lies_on: LiesOn, spot: Spot | None = None, part: int = 0):
    """Levels of chains of layers at even places over a body, or over a spot on it: (places, chains)."""
    there = laid(chains, lies_on)
    places = places_of(lies_on, spot, part)
    out = np.empty((len(places), len(chains)))
    placing.levels_at(there.layers, there.texels, there.chains, np.array(places), out)
    out.flags.writeable = False
    return out


def baked_over_uvs(chains, lies_on: LiesOn, side):
    """Levels of chains of layers over the UVs of a body, (side, side, chains), row 0 at the top; None without UVs."""
    if not has_uvs(lies_on):
        return None
    there = laid(chains, lies_on)
    out = np.empty((side * side, len(chains)))
    placing.levels_at(there.layers, there.texels, there.chains, over_uvs(lies_on, side), out)
    return out.reshape(side, side, len(chains))
