"""Which closed part of a shape lies within which other: by rays, counted odd."""

from functools import lru_cache

import numpy as np

from .standing import Shape

_RAYS = 3
_WAYS = np.array([[0.3713, 0.8121, 0.4501], [-0.7307, 0.2519, 0.6346], [0.1327, -0.6211, 0.7724]])
"""Directions along which nothing is likely to be built."""


@lru_cache(maxsize=16)
def containers_of(shape: Shape) -> tuple[int, ...]:
    """For every part of a shape the closed part that it lies within, the innermost one; -1 for none.

    Parts that cut through each other count as lying beside each other, unless they have been cut. A hollow wall does
    not contain what its hollow holds.
    """
    if shape.outer:
        return shape.outer
    count = len(shape.parts)
    corners = [shape.mesh.corners[shape.mesh.material == i].astype(float) for i in range(count)]
    boxes = [_box(c) for c in corners]
    out = []
    for i in range(count):
        around = [
            j
            for j in range(count)
            if j != i and not shape.opened[j] and len(corners[i]) and len(corners[j])
            and _encloses(boxes[j], boxes[i]) and _is_within(corners[i], corners[j])
        ]  # fmt: skip
        # The smallest of them is the innermost.
        out.append(min(around, key=lambda j: float(np.prod(boxes[j][1] - boxes[j][0])), default=-1))
    return tuple(out)


def _box(corners):
    if not len(corners):
        return np.zeros(3), np.zeros(3)
    points = np.concatenate([corners[:, :3], corners[:, :3] + corners[:, 3:6], corners[:, :3] + corners[:, 6:9]])
    return points.min(axis=0), points.max(axis=0)


def _encloses(outer, inner):
    return bool(np.all(outer[0] <= inner[0]) and np.all(inner[1] <= outer[1]))


def _is_within(inner, outer):
    """Whether most of some places of one part lie within another."""
    chosen = inner[np.linspace(0, len(inner) - 1, _RAYS).astype(int)]
    places = chosen[:, :3] + (chosen[:, 3:6] + chosen[:, 6:9]) / 3.0
    votes = sum(_crossings(place, way, outer) % 2 for place, way in zip(places, _WAYS, strict=True))
    return votes > _RAYS // 2


def _crossings(place, way, corners):
    """How many triangles (corner and two edges, (t, 9)) a ray meets (Möller & Trumbore 1997)."""
    a, e, f = corners[:, :3], corners[:, 3:6], corners[:, 6:9]
    p = np.cross(way, f)
    det = np.einsum("ij,ij->i", e, p)
    with np.errstate(divide="ignore", invalid="ignore"):
        s = place - a
        u = np.einsum("ij,ij->i", s, p) / det
        q = np.cross(s, e)
        v = q @ way / det
        t = np.einsum("ij,ij->i", f, q) / det
    return int(((u >= 0.0) & (v >= 0.0) & (u + v <= 1.0) & (t > 0.0)).sum())
