"""A specimen's body as maps lie on it: its middle and extent, and places all over it."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from .lying import LiesOn, Spot
from .meshfiles import kept_shape
from .standing import Shape, shape_of

_PLACES, _DENSE = 4096, 65536
_OVER_UVS = 262_144
_FEWEST = 64
_GOLDEN = np.array([0.7548776662466927, 0.5698402909980532, 0.8191725133961645])
"""Steps of an even sequence (Roberts 2018)."""


@dataclass(frozen=True, eq=False)
class Body:
    """middle, extent: of its bounding box, (3,) mm; radius: of the ball, else half the largest extent; uv_mm: how long
    one unit of its UVs is on it, 1 without."""

    shape: Shape | None
    middle: np.ndarray
    extent: np.ndarray
    radius: float
    uv_mm: float


@lru_cache(maxsize=16)
def body_of(lies_on: LiesOn) -> Body:
    """The body that maps lie on. InputError where its shape cannot be had; a kept mesh without its bytes is a ball."""
    shape = None
    if lies_on.mesh is not None:
        shape = kept_shape(lies_on.shape, lies_on.mesh)
    elif not lies_on.shape.startswith("meshes/"):
        shape = shape_of(lies_on.shape, lies_on.size_mm / 2.0, lies_on.wall_mm)
    if shape is None:
        r = lies_on.size_mm / 2.0
        # A ball's UVs go round it once and from pole to pole.
        return Body(None, np.array([0.0, r, 0.0]), np.full(3, 2.0 * r), r, np.pi * r * np.sqrt(4.0 / np.pi))
    low, high = shape.mesh.bounds()
    return Body(shape, 0.5 * (low + high), high - low, 0.5 * float((high - low).max()), _uv_mm(shape.mesh))


def _uv_mm(mesh):
    if not len(mesh.uvs):
        return 1.0
    uv = mesh.uvs.reshape(-1, 3, 2).astype(float)
    a, b = uv[:, 1] - uv[:, 0], uv[:, 2] - uv[:, 0]
    laid = 0.5 * np.abs(a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0]).sum()
    return float(np.sqrt(_areas(mesh).sum() / laid)) if laid > 0.0 else 1.0


def _areas(mesh):
    return 0.5 * np.linalg.norm(np.cross(mesh.corners[:, 3:6], mesh.corners[:, 6:]).astype(float), axis=1)


@lru_cache(maxsize=32)
def places_of(lies_on: LiesOn, spot: Spot | None = None, part: int = 0):
    """Places spread evenly over a part of a body, or over the spot on it: (m, 9) of place, normal, UV, and a number
    0..1.

    Always the same ones. Where the spot meets nothing, the nearest places stand for it.
    """
    body = body_of(lies_on)
    count = _PLACES if spot is None else _DENSE
    even = (0.5 + np.arange(count)[:, None] * _GOLDEN) % 1.0
    places = _on_ball(body, even) if body.shape is None else _on_mesh(body.shape.mesh, part, even)
    places.flags.writeable = False
    if spot is None:
        return places
    away = np.linalg.norm(places[:, :3] - (spot.x, spot.y, spot.z), axis=1)
    within = away <= 0.5 * spot.diameter_mm
    if within.sum() < _FEWEST:
        within = np.argsort(away)[:_FEWEST]
    return places[within]


def spread_over(body: Body, part, most, fewest):
    """Places spread evenly over a part of a mesh, (m, 9) as `places_of`, `most` for the whole of it, and the part's
    area in mm²."""
    mesh = body.shape.mesh
    areas = _areas(mesh)
    own = float(areas[mesh.material == part].sum())
    count = max(fewest, int(most * own / areas.sum()))
    return _on_mesh(mesh, part, (0.5 + np.arange(count)[:, None] * _GOLDEN) % 1.0), own


def _on_ball(body, even):
    height, turn = 2.0 * even[:, 0] - 1.0, 2.0 * np.pi * even[:, 1]
    across = np.sqrt(1.0 - height**2)
    normal = np.stack([across * np.sin(turn), height, across * np.cos(turn)], axis=1)
    uv = np.stack(
        [0.5 + np.arctan2(normal[:, 0], normal[:, 2]) / (2.0 * np.pi), 0.5 + np.arcsin(height) / np.pi], axis=1
    )
    return np.concatenate([body.middle + body.radius * normal, normal, uv, even[:, 2:]], axis=1)


def _on_mesh(mesh, part, even):
    areas = np.where(mesh.material == part, _areas(mesh), 0.0)
    if areas.sum() <= 0.0:
        areas = _areas(mesh)
    chosen = np.searchsorted(np.cumsum(areas) / areas.sum(), np.sort(even[:, 0]), side="right").clip(0, len(areas) - 1)
    root = np.sqrt(even[:, 1])
    u, v = (1.0 - root)[:, None], (root * even[:, 2])[:, None]
    corner = mesh.corners[chosen].astype(float)
    normals = mesh.normals[chosen].reshape(-1, 3, 3).astype(float)
    normal = (1.0 - u - v) * normals[:, 0] + u * normals[:, 1] + v * normals[:, 2]
    normal /= np.maximum(np.linalg.norm(normal, axis=1, keepdims=True), 1e-12)
    uv = np.zeros((len(chosen), 2))
    if len(mesh.uvs):
        uvs = mesh.uvs[chosen].reshape(-1, 3, 2).astype(float)
        uv = (1.0 - u - v) * uvs[:, 0] + u * uvs[:, 1] + v * uvs[:, 2]
    chance = (even[:, 2:] * 7.0 + even[:, 1:2] * 3.0) % 1.0
    return np.concatenate([corner[:, :3] + u * corner[:, 3:6] + v * corner[:, 6:], normal, uv, chance], axis=1)


def has_uvs(lies_on: LiesOn):
    """Whether a body has UVs: a ball has its own."""
    body = body_of(lies_on)
    return body.shape is None or len(body.shape.mesh.uvs) > 0


def over_uvs(lies_on: LiesOn, side):
    """The place of a body at every texel of a square over its UVs, row 0 at the top: (side², 9) as `places_of`.

    On a mesh the nearest of many places stands for each texel.
    """
    body = body_of(lies_on)
    at = (np.arange(side) + 0.5) / side
    u, v = (part.ravel() for part in np.meshgrid(at, 1.0 - at))
    half = np.full((side * side, 1), 0.5)
    if body.shape is None:
        turn, height = (u - 0.5) * 2.0 * np.pi, np.sin((v - 0.5) * np.pi)
        across = np.sqrt(1.0 - height**2)
        normal = np.stack([across * np.sin(turn), height, across * np.cos(turn)], axis=1)
        return np.concatenate([body.middle + body.radius * normal, normal, u[:, None], v[:, None], half], axis=1)
    from scipy.spatial import cKDTree

    even = (0.5 + np.arange(_OVER_UVS)[:, None] * _GOLDEN) % 1.0
    parts = range(max(1, len(body.shape.parts)))
    places = np.concatenate([_on_mesh(body.shape.mesh, part, even) for part in parts])
    _, nearest = cKDTree(places[:, 6:8] % 1.0).query(np.stack([u, v], axis=1))
    found = places[nearest].copy()
    # What lies by UVs is known at the texel itself.
    found[:, 6:8] = np.floor(found[:, 6:8]) + np.stack([u, v], axis=1)
    found[:, 8] = 0.5
    return found
