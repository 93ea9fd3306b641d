"""Closest hits on a mesh of 120 k triangles: ours on two threads against one Embree call on the same rays."""

from concurrent.futures import ThreadPoolExecutor

import numpy as np
import trimesh
from trimesh.ray.ray_pyembree import RayMeshIntersector

from photometra.shapes.mesh import mesh_from
from photometra.shapes.rays import nearest_of_many

from .figures import Figure, median_seconds

_RAYS = 400_000
_THREADS = 2


def _mesh():
    """A lumpy ball of 120 000 triangles."""
    rows, columns = 245, 246
    polar = np.linspace(0.0, np.pi, rows)[:, None]
    turn = np.linspace(0.0, 2.0 * np.pi, columns, endpoint=False)[None]
    r = 1.0 + 0.06 * np.sin(9.0 * turn) * np.sin(7.0 * polar)
    places = np.stack(
        [r * np.sin(polar) * np.cos(turn), r * np.cos(polar) + 0 * turn, r * np.sin(polar) * np.sin(turn)], -1
    )
    i, j = np.meshgrid(np.arange(rows - 1), np.arange(columns), indexing="ij")
    a, b, c, d = ((x * columns + y % columns).ravel() for x, y in ((i, j), (i, j + 1), (i + 1, j + 1), (i + 1, j)))
    return places.reshape(-1, 3), np.concatenate([np.stack([a, b, c], 1), np.stack([a, c, d], 1)])


def run():
    vertices, faces = _mesh()
    rng = np.random.default_rng(0)
    origins = rng.normal(size=(_RAYS, 3))
    origins *= 3.0 / np.linalg.norm(origins, axis=1, keepdims=True)
    directions = rng.uniform(-1.0, 1.0, (_RAYS, 3)) - origins
    directions /= np.linalg.norm(directions, axis=1, keepdims=True)
    ours = mesh_from(vertices, faces)
    theirs = RayMeshIntersector(trimesh.Trimesh(vertices.astype(np.float32), faces, process=False))
    triangle, distance = np.empty(_RAYS, np.int64), np.empty(_RAYS)
    parts = [slice(k * _RAYS // _THREADS, (k + 1) * _RAYS // _THREADS) for k in range(_THREADS)]
    with ThreadPoolExecutor(_THREADS) as pool:

        def all_rays():
            list(
                pool.map(
                    lambda p: nearest_of_many(origins[p], directions[p], *ours.tree, triangle[p], distance[p]),
                    parts,
                )
            )

        own = median_seconds(all_rays, 5)
    embree = median_seconds(lambda: theirs.intersects_first(origins, directions), 5)
    agree = float(np.mean((theirs.intersects_first(origins, directions) >= 0) == (triangle >= 0)))
    yield Figure("closest hits, against one Embree call", embree / own, "×", 2.0, True)
    yield Figure("closest hits, two threads", _RAYS / own / 1e6, "M/s", 1.0, True)
    yield Figure("rays that hit or miss as Embree's do", 100.0 * agree, "%", 99.99, True)
    yield Figure(
        "building the hierarchy of 120 k triangles", median_seconds(lambda: mesh_from(vertices, faces), 3), "s", 0.5
    )
