"""What stands in the booth as triangles by part, each with the specimen whose surface it has: geometry that leaves."""

from dataclasses import dataclass

import numpy as np

from ..imaging.booths import parts_of, standing
from ..study import Specimen, Study

_ROUND, _UP = 96, 48


@dataclass(frozen=True, eq=False)
class Piece:
    """One part: corners of its triangles in mm (3 t, 3), y up, their normals, and UVs (v up) where it has any; the
    specimen whose surface it has, None for none."""

    name: str
    positions: np.ndarray
    normals: np.ndarray
    uvs: np.ndarray | None
    specimen: Specimen | None


def pieces_of(study: Study, specimen: Specimen) -> list[Piece]:
    """The parts of what stands for a specimen, the ball as one."""
    shape = standing(specimen, study.meshes)
    if shape is None:
        return [Piece("ball", *_ball(specimen.size_mm / 2.0), specimen)]
    mesh, by_name = shape.mesh, {s.name: s for s in study.specimens} | {specimen.name: specimen}
    named = parts_of(study, specimen, shape)
    out = []
    for i, part in enumerate(named or [None]):
        own = mesh.material == i if named else np.ones(len(mesh.corners), bool)
        corner = mesh.corners[own].astype(float)
        if not len(corner):
            continue
        a = corner[:, :3]
        positions = np.stack([a, a + corner[:, 3:6], a + corner[:, 6:9]], axis=1).reshape(-1, 3)
        normals = mesh.normals[own].astype(float).reshape(-1, 3)
        uvs = mesh.uvs[own].astype(float).reshape(-1, 2) if len(mesh.uvs) else None
        on = specimen if part is None else by_name.get(part.specimen)
        out.append(Piece("part" if part is None else part.name, positions, normals, uvs, on))
    return out


def _ball(radius):
    """Corners, normals and UVs of a ball that rests on the stage, its UVs as the maps lie on it."""
    u, v = np.linspace(0.0, 1.0, _ROUND + 1), np.linspace(0.0, 1.0, _UP + 1)
    i, j = (part.ravel() for part in np.meshgrid(np.arange(_ROUND), np.arange(_UP)))
    corners = np.stack(
        [np.stack([i + a, j + b], axis=1) for a, b in ((0, 0), (1, 0), (1, 1), (0, 0), (1, 1), (0, 1))], axis=1
    ).reshape(-1, 2)
    at = np.stack([u[corners[:, 0]], v[corners[:, 1]]], axis=1)
    turn, rise = (at[:, 0] - 0.5) * 2.0 * np.pi, (at[:, 1] - 0.5) * np.pi
    normals = np.stack([np.cos(rise) * np.sin(turn), np.sin(rise), np.cos(rise) * np.cos(turn)], axis=1)
    # At the poles one of two triangles has no area.
    whole = np.linalg.norm(np.cross(*_edges(normals)), axis=1) > 1e-9
    keep = np.repeat(whole, 3)
    return radius * normals[keep] + [0.0, radius, 0.0], normals[keep], at[keep]


def _edges(points):
    three = points.reshape(-1, 3, 3)
    return three[:, 1] - three[:, 0], three[:, 2] - three[:, 0]
