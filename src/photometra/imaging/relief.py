"""The shape that stands in the booth where surfaces displace it: their heights, laid on and baked into a mesh."""

from functools import lru_cache

import numpy as np

from ..maps import Map
from ..maps.laying import laid, tile_size
from ..maps.placing import levels_at
from ..shapes.body import body_of
from ..shapes.displacing import ball_of, displaced
from ..surface.values import DISPLACEMENT
from ..tracing.scene import OWN

_FINEST = 1.0 / 250.0
"""Of the shape's extent: what no picture shows of a relief is not cut."""
_STEPS_PER_TILE = 128.0
_CHANCES = 32


def relieved(shape, surface, dressed, lies_on, radius):
    """A shape (None for the ball), displaced by the maps of the specimen's surface and of what its parts are dressed
    in; itself where nothing displaces it."""
    reliefs = []
    for i in range(max(1, len(shape.parts) if shape is not None else 1)):
        has = dressed[i] if dressed else OWN if i == 0 else None
        its = surface if has == OWN else has[0] if has else None
        value = its.input(DISPLACEMENT) if its is not None else None
        is_relief = isinstance(value, Map) and value.low != value.high and not value.is_missing
        reliefs.append((value.layers, value.low, value.high) if is_relief else None)
    if not any(reliefs):
        return shape
    return _displaced(lies_on, tuple(reliefs), radius)


@lru_cache(maxsize=3)
def _displaced(lies_on, reliefs, radius):
    body = body_of(lies_on)
    finest = _FINEST * float(body.extent.max())
    tiles = [min(tile_size(layer, lies_on)) for relief in reliefs if relief for layer in relief[0]]
    wanted = max(finest, min(tiles) / _STEPS_PER_TILE)
    shape = body.shape or ball_of(body.radius, wanted)
    return displaced(shape, [relief and _heights(relief, lies_on) for relief in reliefs], wanted, radius)


def _heights(relief, lies_on):
    layers, low, high = relief
    there = laid((layers,), lies_on)
    # The planes of a box are chosen by chance; a height between them is their mean.
    chances = _CHANCES if any(layer.placement.way == "box" for layer in layers) else 1

    def heights(places):
        level, levels = np.zeros(len(places)), np.empty((len(places), 1))
        for k in range(chances):
            at = np.column_stack([places[:, :8], np.full(len(places), (k + 0.5) / chances)])
            levels_at(there.layers, there.texels, there.chains, at, levels)
            level += levels[:, 0] / chances
        return low + (high - low) * level

    return heights
