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


def _scattered():
    """Rays from all round towards places near the middle: (origins, directions)."""
    rng = np.random.default_rng(0)
    origins = rng.normal(size=(_RAYS, 3))
    origins *= 3.0 / np.linalg.norm(origins, axis=1, keepdims=True)
    return origins, rng.uniform(-1.0, 1.0, (_RAYS, 3)) - origins


def _side_by_side():
    """Rays of a camera, row by row: (origins, directions)."""
    side = int(_RAYS**0.5)
    x, y = np.meshgrid(np.linspace(-0.4, 0.4, side), np.linspace(0.4, -0.4, side))
    directions = np.stack([x.ravel(), y.ravel(), np.full(x.size, -1.0)], axis=1)
    return np.tile([0.0, 0.0, 3.0], (x.size, 1)), directions


def run():
    vertices, faces = _mesh()
    ours = mesh_from(vertices, faces)
    theirs = RayMeshIntersector(trimesh.Trimesh(vertices.astype(np.float32), faces, process=False))
    for kind, rays, aim in (("scattered", _scattered(), 2.0), ("side by side", _side_by_side(), 3.0)):
        origins, directions = rays
        directions /= np.linalg.norm(directions, axis=1, keepdims=True)
        count = len(origins)
        triangle, distance = np.empty(count, np.int64), np.empty(count)
        parts = [slice(k * count // _THREADS, (k + 1) * count // _THREADS) for k in range(_THREADS)]
        with ThreadPoolExecutor(_THREADS) as pool:

            def part(p, found=triangle, at=distance, o=origins, d=directions):
                nearest_of_many(o[p], d[p], *ours.tree, found[p], at[p])

            own = median_seconds(lambda pool=pool, part=part, parts=parts: list(pool.map(part, parts)), 7)
        embree = median_seconds(lambda o=origins, d=directions: theirs.intersects_first(o, d), 7)
        agree = float(np.mean((theirs.intersects_first(origins, directions) >= 0) == (triangle >= 0)))
        yield Figure(f"closest hits, rays {kind}, against one Embree call", embree / own, "×", aim, True)
        yield Figure(f"closest hits, rays {kind}, two threads", count / own / 1e6, "M/s", 1.0, True)
        yield Figure(f"rays {kind} that hit or miss as Embree's do", 100.0 * agree, "%", 99.99, True)
    yield Figure(
        "building the hierarchy of 120 k triangles", median_seconds(lambda: mesh_from(vertices, faces), 3), "s", 0.5
    )
