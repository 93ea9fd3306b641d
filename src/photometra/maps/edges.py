"""Where a body is worn: the level of its edges in space, so that no UVs are needed."""

import numpy as np

from ..shapes.body import body_of, spread_over
from ..shapes.lying import LiesOn

CELLS = 160
"""Along the longest side of the body."""
_PLACES, _FEWEST = 60_000, 2_000
_NEIGHBOURS = 40
_FLAT, _SHARP = 0.04, 0.3
"""How far neighbours lie below a place on what still counts as flat, and at a square edge, against their distance
(half of them on the other face, at 2/π of it on the mean)."""


_BEHIND = -0.5
"""Cosine of two normals below which one place is on the far side of the other."""


def worn_edges(settings, lies_on: LiesOn, seed):
    """Levels (deep, high, wide) over a body's bounding box, z, then y from the top, then x: 1 at what stands out, 0 on
    what is flat or hollow; every part has edges of its own. settings: `width`, how far from a square edge it is worn,
    in mm; `ragged`, 0..1."""
    from scipy.ndimage import binary_dilation, gaussian_filter
    from scipy.spatial import cKDTree

    body = body_of(lies_on)
    if body.shape is None:
        return np.zeros((1, 1, 1))
    pitch = float(body.extent.max()) / CELLS
    wide, high, deep = (max(1, int(np.ceil(e / pitch))) for e in body.extent)
    rng = np.random.default_rng(seed)
    places, levels = [], []
    for part in range(max(1, len(body.shape.parts))):
        own, area = spread_over(body, part, _PLACES, _FEWEST)
        places.append(own[:, :3])
        levels.append(_standing_out(own, area, 1.6 * settings["width"], rng))
    places, levels = np.concatenate(places), np.concatenate(levels)
    shape, size = np.array((deep, high, wide)), body.extent[::-1]
    # Boxes are counted along z, down y and along x.
    at = (places - body.middle)[:, ::-1] / np.maximum(size, 1e-9) * [1.0, -1.0, 1.0] + 0.5
    near = np.zeros(shape, bool)
    near[tuple(np.clip((at * shape).astype(int), 0, shape - 1).T)] = True
    boxes = np.argwhere(binary_dilation(near, iterations=2))
    middles = ((boxes + 0.5) / shape - 0.5) * [1.0, -1.0, 1.0] * size
    _, nearest = cKDTree(places).query(middles[:, ::-1] + body.middle)
    found = np.zeros(shape)
    found[tuple(boxes.T)] = levels[nearest]
    # Ragged by blotches as wide as what is worn.
    blotches = gaussian_filter(rng.standard_normal(found.shape), max(0.4 * settings["width"] / pitch, 0.6))
    blotches *= settings["ragged"] / max(3.0 * float(blotches.std()), 1e-12)
    edge = np.clip((found + found * blotches - 0.25) / 0.35, 0.0, 1.0)
    return edge * edge * (3.0 - 2.0 * edge)


def _standing_out(places, area, reach, rng):
    """How far each place stands out of its neighbours within `reach` mm: 0 flat or hollow, 1 at a square edge."""
    from scipy.spatial import cKDTree

    count = int(np.clip(_NEIGHBOURS * area / (np.pi * reach * reach), _NEIGHBOURS, len(places)))
    some = places[rng.permutation(len(places))[:count]]
    away, which = cKDTree(some[:, :3]).query(places[:, :3], k=min(_NEIGHBOURS, count), distance_upper_bound=reach)
    here = np.isfinite(away) & (away > 1e-9)
    others = some[np.where(here, which, 0)]
    # The back of a thin wall is not what it stands out of.
    here &= (others[..., 3:6] * places[:, None, 3:6]).sum(axis=-1) > _BEHIND
    towards = places[:, None, :3] - others[..., :3]
    below = (towards * places[:, None, 3:6]).sum(axis=-1) / np.where(here, away, 1.0)
    mean = np.where(here, below, 0.0).sum(axis=1) / np.maximum(here.sum(axis=1), 1)
    return np.clip((mean - _FLAT) / (_SHARP - _FLAT), 0.0, 1.0)
