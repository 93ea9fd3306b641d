"""Shapes whose surface is moved by heights: cut finely enough to hold them, then moved along their normals.

An edge longer than wanted is halved in every triangle that has it, so that no cracks open; places that triangles share
are moved once, along the mean of their normals.
"""

from dataclasses import replace

import numpy as np

from .mesh import mesh_from
from .smoothing import welded
from .standing import LIFT, Shape

MOST_TRIANGLES = 400_000
"""Of a displaced shape: with more, a dragged height would answer too late."""
_MOST_ROUNDS = 12
_PER_TRIANGLE = 0.6
"""Of a triangle's area against the square of its wanted edge, as halving leaves it on the mean."""


def ball_of(radius, edge_mm) -> Shape:
    """The ball as a shape, of triangles with edges of about a length: an octahedron, halved on and on."""
    corners = np.vstack([np.eye(3), -np.eye(3)])
    x, y, z, left, down, back = range(6)
    faces = [(x, y, z), (y, left, z), (left, down, z), (down, x, z), (y, x, back), (left, y, back), (down, left, back),
             (x, down, back)]  # fmt: skip
    places = corners[np.array(faces)]
    rounds = int(np.ceil(np.log2(max(np.sqrt(2.0) * radius / edge_mm, 1.0))))
    for _ in range(min(rounds, int(np.log2(MOST_TRIANGLES / 8) / 2.0))):
        a, b, c = places[:, 0], places[:, 1], places[:, 2]
        ab, bc, ca = (_unit(p + q) for p, q in ((a, b), (b, c), (c, a)))
        places = np.concatenate([np.stack(t, axis=1) for t in ((a, ab, ca), (ab, b, bc), (ca, bc, c), (ab, bc, ca))])
    mesh = mesh_from(
        (radius * places + [0.0, radius, 0.0]).reshape(-1, 3), np.arange(3 * len(places)).reshape(-1, 3), places,
        uvs=_uvs_of_ball(places),
    )  # fmt: skip
    return Shape(mesh, 2.0 * radius, centre=(0.0, radius, 0.0))


def _uvs_of_ball(normals):
    """UVs (t, 3, 2) as the ball has them: round it once, and from pole to pole. No triangle crosses the seam."""
    turn = np.arctan2(normals[..., 0], normals[..., 2]) / (2.0 * np.pi)
    on_axis = np.hypot(normals[..., 0], normals[..., 2]) < 1e-9
    middle = normals.mean(axis=1, keepdims=True)
    its = np.arctan2(middle[..., 0], middle[..., 2]) / (2.0 * np.pi)
    # At the seam and the poles a corner goes with its triangle.
    turn = np.where(on_axis, its, turn + np.round(its - turn))
    return np.stack([0.5 + turn, 0.5 + np.arcsin(np.clip(normals[..., 1], -1.0, 1.0)) / np.pi], axis=-1)


def _unit(v):
    return v / np.maximum(np.linalg.norm(v, axis=-1, keepdims=True), 1e-12)


def displaced(shape: Shape, heights, finest_mm, radius) -> Shape:
    """A shape moved by heights. heights: for each of its parts a function of places (m, 9: place, normal, UV, chance)
    that gives how far each lies out, (m,) mm, or None where it stays; finest_mm: the edges that are wanted.

    At most `MOST_TRIANGLES`, or what the shape has itself. radius: of the booth, on whose stage it is set down again.
    """
    mesh = shape.mesh
    a = mesh.corners[:, :3].astype(float)
    corners = np.stack([a, a + mesh.corners[:, 3:6], a + mesh.corners[:, 6:]], axis=1)
    normals = mesh.normals.reshape(-1, 3, 3).astype(float)
    uvs = mesh.uvs.reshape(-1, 3, 2).astype(float) if len(mesh.uvs) else np.zeros((len(corners), 3, 2))
    part = mesh.material
    moves = np.isin(part, [i for i, height in enumerate(heights) if height is not None])
    every = np.concatenate([corners, normals, uvs], axis=2)
    fine, of = _cut(every[moves], part[moves], finest_mm, MOST_TRIANGLES - int((~moves).sum()))
    moved, turned = _moved(fine, of, heights)
    places = np.concatenate([corners[~moves], moved])
    places[..., 1] += max(0.0, LIFT * radius - float(places[..., 1].min()))
    whole = mesh_from(
        places.reshape(-1, 3), np.arange(3 * len(places)).reshape(-1, 3), np.concatenate([normals[~moves], turned]),
        np.concatenate([part[~moves], of]), np.concatenate([uvs[~moves], fine[..., 6:]]),
    )  # fmt: skip
    return replace(shape, mesh=whole, height=float(places[..., 1].max()))


def _cut(corners, part, edge, most):
    """Triangles (t, 3, 8: place, normal, UV), and their parts, cut until no edge is longer, or there are too many."""
    area = 0.5 * np.linalg.norm(np.cross(*(corners[:, k, :3] - corners[:, 0, :3] for k in (1, 2))), axis=1).sum()
    edge = max(edge, float(np.sqrt(area / (_PER_TRIANGLE * max(most, 1)))))
    for _ in range(_MOST_ROUNDS):
        after = np.roll(corners, -1, axis=1)
        long = np.linalg.norm(after[..., :3] - corners[..., :3], axis=2) > edge
        if not long.any() or len(corners) + int(long.sum()) > most:
            break
        halves = 0.5 * (corners + after)
        halves[..., 3:6] = _unit(halves[..., 3:6])
        corners, part = _halved(corners, part, long, halves)
    return corners, part


def _halved(corners, part, long, halves):
    """Every triangle cut at the middles of its long edges: in two, three or four, or left whole."""
    count = long.sum(axis=1)
    out, of = [corners[count == 0]], [part[count == 0]]
    for n in (1, 2, 3):
        chosen = np.flatnonzero(count == n)
        if not len(chosen):
            continue
        # Turned so that a single long edge comes first, or a single short one last.
        first = np.argmax(long[chosen], axis=1) if n == 1 else np.argmin(long[chosen], axis=1) + 1
        order = (np.arange(3) + first[:, None]) % 3
        (a, b, c), (ab, bc, ca) = (
            np.moveaxis(np.take_along_axis(of_[chosen], order[..., None], axis=1), 1, 0) for of_ in (corners, halves)
        )
        pieces = {
            1: ((a, ab, c), (ab, b, c)), 2: ((ab, b, bc), (a, ab, bc), (a, bc, c)),
            3: ((a, ab, ca), (ab, b, bc), (ca, bc, c), (ab, bc, ca)),
        }[n]  # fmt: skip
        out += [np.stack(piece, axis=1) for piece in pieces]
        of += [part[chosen]] * len(pieces)
    return np.concatenate(out), np.concatenate(of)


def _moved(corners, part, heights):
    """(places, normals) (t, 3, 3) of triangles moved by their parts' heights."""
    places = corners[..., :3].reshape(-1, 3)
    scale = max(float(np.abs(places).max()), 1e-9)
    _, first, place = np.unique(_alike(places / (1e-6 * scale)), return_index=True, return_inverse=True)
    mean = _summed(place, corners[..., 3:6].reshape(-1, 3), len(first))
    normal = _unit(mean)
    at = np.column_stack([places[first], normal, corners[..., 6:].reshape(-1, 2)[first], np.full(len(first), 0.5)])
    of = np.repeat(part, 3)[first]
    height = np.zeros(len(first))
    for i, its in enumerate(heights):
        if its is not None and (of == i).any():
            height[of == i] = its(at[of == i])
    moved = (places[first] + height[:, None] * normal)[place].reshape(-1, 3, 3)
    across = np.cross(moved[:, 1] - moved[:, 0], moved[:, 2] - moved[:, 0])
    # What was one smooth surface stays one: corners of one place and one normal share their new normal.
    _, smooth = np.unique(place * np.int64(len(place)) + _alike(corners[..., 3:6].reshape(-1, 3) * 200.0),
                          return_inverse=True)  # fmt: skip
    normals = _unit(_summed(smooth, np.repeat(across, 3, axis=0), int(smooth.max()) + 1))[smooth]
    return moved, normals.reshape(-1, 3, 3)


def _alike(vectors):
    """For vectors (n, 3) the number of the first that rounds to the same whole numbers, (n,)."""
    return welded(np.round(vectors).astype(np.float32))


def _summed(group, vectors, count):
    return np.stack([np.bincount(group, vectors[:, k], count) for k in range(3)], axis=1)
