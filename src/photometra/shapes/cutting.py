"""Closed parts that cut through each other: one of two counts where both would be, and the other gives way.

A liquid is modelled a little into the wall of its glass, so that no air is left between. The booleans of Manifold
(Lalish 2022, exact on closed meshes) cut the surfaces along each other: of the part that gives way what lies within the
other is left out, and of the other what lies within it looks out into it, as a group of triangles of its own.
"""

from dataclasses import replace
from functools import cache, lru_cache

import numpy as np

from .mesh import mesh_from
from .nesting import containers_of
from .standing import Shape

_LEAST_SHARE = 1e-5
"""Of the smaller part's volume: what two that touch have in common, and what sticks out of one that lies within."""


@lru_cache(maxsize=8)
def crossings(shape: Shape, clear: tuple[int, ...]) -> tuple[tuple[tuple[int, int], ...], tuple[tuple[int, int], ...]]:
    """(pairs of parts that cut through each other, pairs of which that cannot be told), of those whose numbers are
    given: closed ones that light travels within."""
    boxes = {i: _box(shape, i) for i in clear}
    solid = _solids_of(shape)
    found, unclear = [], []
    for at, i in enumerate(clear):
        for j in clear[at + 1 :]:
            if not _overlap(boxes[i], boxes[j]):
                continue
            one, other = solid(i), solid(j)
            if one is None or other is None:
                unclear.append((i, j))
                continue
            share = (one ^ other).volume() / min(one.volume(), other.volume())
            # All of it: the one lies within the other.
            if _LEAST_SHARE < share < 1.0 - _LEAST_SHARE:
                found.append((i, j))
    return tuple(found), tuple(unclear)


@lru_cache(maxsize=8)
def cut_apart(shape: Shape, clear: tuple[int, ...]) -> Shape:
    """A shape in which no two of these closed parts are in one place; itself where none are.

    clear: numbers of parts that light travels within; of two the one that is named first counts. Further groups of
    triangles are added as parts of the same name: see `Shape.whole` and `Shape.outer`.
    """
    pairs, _ = crossings(shape, clear)
    if not pairs:
        return shape
    count, cut = len(shape.parts), {i for pair in pairs for i in pair}
    around, solid = containers_of(shape), _solids_of(shape)
    partners = {i: {*(b for a, b in pairs if a == i), *(a for a, b in pairs if b == i)} for i in cut}
    pieces, whole = [], list(range(count))
    outer = [next((k for k in _around(around, i) if k not in partners.get(i, ())), -1) for i in range(count)]
    for i in cut:
        rest = solid(i)
        own = int(rest.to_mesh().run_original_id[0])
        for j in (a for a, b in pairs if b == i):
            rest = rest - solid(j)
        for j in (b for a, b in pairs if a == i):
            triangles = _of(rest ^ solid(j), own)
            if len(triangles):
                pieces.append((len(whole), triangles))
                whole.append(i)
                outer.append(j)
            rest = rest - solid(j)
        pieces.append((i, _of(rest, own)))
    m = shape.mesh
    kept = ~np.isin(m.material, list(cut))
    a = m.corners[kept, :3]
    corners = np.stack([a, a + m.corners[kept, 3:6], a + m.corners[kept, 6:9]], axis=1)
    uvs = m.uvs[kept].reshape(-1, 3, 2) if len(m.uvs) else np.zeros((len(corners), 3, 2))
    untouched = np.concatenate([corners, m.normals[kept].reshape(-1, 3, 3), uvs], axis=2)
    every = np.concatenate([untouched, *(t for _, t in pieces)])
    number = np.concatenate([m.material[kept], *(np.full(len(t), group) for group, t in pieces)])
    normals = every[..., 3:6] / np.maximum(np.linalg.norm(every[..., 3:6], axis=-1, keepdims=True), 1e-12)
    mesh = mesh_from(
        every[..., :3].reshape(-1, 3), np.arange(3 * len(every)).reshape(-1, 3), normals, number,
        every[..., 6:8] if len(m.uvs) else None,
    )  # fmt: skip

    def with_groups(of):
        return tuple(of[i] for i in whole) if of else of

    return replace(
        shape, mesh=mesh, parts=with_groups(shape.parts), open_parts=with_groups(shape.open_parts),
        materials=with_groups(shape.materials), whole=tuple(whole), outer=tuple(outer),
    )  # fmt: skip


def _around(containers, i):
    """The parts that a part lies within, from the innermost on."""
    out = []
    while containers[i] >= 0:
        i = containers[i]
        out.append(i)
    return out


def _corners(shape, i):
    m = shape.mesh
    own = m.material == i
    a = m.corners[own, :3]
    return own, np.stack([a, a + m.corners[own, 3:6], a + m.corners[own, 6:9]], axis=1)


def _box(shape, i):
    _, corners = _corners(shape, i)
    if not len(corners):
        return np.full(3, np.inf), np.full(3, -np.inf)
    return corners.min(axis=(0, 1)), corners.max(axis=(0, 1))


def _overlap(one, other):
    return bool(np.all(one[0] < other[1]) and np.all(other[0] < one[1]))


def _solids_of(shape):
    """A function from the number of a part to its solid, each made once; gone with the call that asked for it."""
    return cache(lambda i: _solid(shape, i))


def _solid(shape, i):
    """A part as a solid with normals and UVs; None where its triangles do not close it."""
    import manifold3d

    own, corners = _corners(shape, i)
    m = shape.mesh
    uvs = m.uvs[own].reshape(-1, 3, 2) if len(m.uvs) else np.zeros((len(corners), 3, 2))
    every = np.concatenate([corners, m.normals[own].reshape(-1, 3, 3), uvs], axis=2).reshape(-1, 8)
    mesh = manifold3d.Mesh(
        np.ascontiguousarray(every, np.float32), np.arange(len(every), dtype=np.uint32).reshape(-1, 3)
    )
    mesh.merge()
    made = manifold3d.Manifold(mesh)
    if made.status() != manifold3d.Error.NoError or made.is_empty() or made.volume() <= 0.0:
        return None
    return made


def _of(solid, original):
    """The triangles (t, 3, 8) of a solid that are of one original's surface: places, normals, UVs."""
    mesh = solid.to_mesh()
    ends, faces = np.asarray(mesh.run_index) // 3, np.asarray(mesh.tri_verts)
    runs = [faces[ends[k] : ends[k + 1]] for k, run in enumerate(np.asarray(mesh.run_original_id)) if run == original]
    chosen = np.concatenate(runs) if runs else np.zeros((0, 3), int)
    return np.asarray(mesh.vert_properties, float)[chosen]
