"""Triangle meshes. Vertices are kept in single precision, which is the mesh's own definition."""

from dataclasses import dataclass

import numpy as np

from ..errors import InputError
from ..words import tr
from .tree import divided, gathered
from .vectors import GROUP_FLOATS, NODE_FLOATS

MOST_TRIANGLES = 2_000_000
"""Places in the hierarchy are kept beside the boxes, in numbers that are exact up to 2^24."""
_PAD = 1e-5
"""How much boxes are grown, against the farthest corner of all: they are met in single precision."""


@dataclass(frozen=True, eq=False)
class Mesh:
    """Triangles in the order of the hierarchy, for the kernels.

    nodes (n, NODE_FLOATS): eight boxes each, see `vectors.boxes_met`, and for each box the node that it holds, or
    -1 - its group; groups (g, GROUP_FLOATS): see `vectors.triangles_met`. corners (t, 9): a corner and the two edges
    from it; normals (t, 9): of the three corners; material (t,): whose surface it has; uvs (t, 6): texture coordinates
    of the three corners, or none (0, 6).
    """

    nodes: np.ndarray
    groups: np.ndarray
    corners: np.ndarray
    normals: np.ndarray
    material: np.ndarray
    uvs: np.ndarray

    @property
    def arrays(self):
        return self.nodes, self.corners, self.normals, self.material, self.uvs, self.groups

    @property
    def tree(self):
        """What rays are traced through."""
        return self.nodes, self.groups

    @property
    def size(self):
        return len(self.corners)

    def bounds(self):
        """(low, high) corners of all, (3,) each."""
        a = self.corners[:, :3]
        b, c = a + self.corners[:, 3:6], a + self.corners[:, 6:]
        return np.minimum.reduce([a, b, c]).min(axis=0), np.maximum.reduce([a, b, c]).max(axis=0)


def mesh_from(vertices, faces, normals=None, material=None, uvs=None) -> Mesh:
    """A Mesh from vertices (v, 3) in mm and faces (t, 3), counter-clockwise from outside.

    normals: of the corners (t, 3, 3), unit, or None for flat triangles; uvs: of the corners (t, 3, 2), or None.
    Triangles without area are left out; ValueError where none is left, there are more than two
    millions, or a number is not finite.
    """
    vertices = np.asarray(vertices, np.float32)
    faces = np.asarray(faces)
    if not len(faces) or not np.all(np.isfinite(vertices)):
        raise InputError(tr("a mesh needs triangles whose places are finite numbers"))
    if len(faces) > MOST_TRIANGLES:
        raise InputError(
            tr("a mesh may have {0} triangles, this one has {1}", f"{MOST_TRIANGLES:,}", f"{len(faces):,}")
        )
    # Large meshes: nothing here is held in double precision but for a moment.
    first, second, third = (vertices[faces[:, c]] for c in range(3))
    across = np.cross((second - first).astype(float), (third - first).astype(float))
    area = np.linalg.norm(across, axis=1)
    kept = area > 1e-14 * float(np.abs(vertices).max()) ** 2
    if not kept.any():
        raise InputError(tr("a mesh needs triangles with an area"))
    if normals is None:
        normals = np.repeat((across / np.maximum(area, 1e-300)[:, None]).astype(np.float32)[:, None], 3, axis=1)
    del across, area
    low, high = np.minimum(np.minimum(first, second), third), np.maximum(np.maximum(first, second), third)
    pad = np.float32(_PAD * np.abs(vertices).max())
    boxes = np.concatenate([low - pad, high + pad], axis=1)[kept]
    del low, high
    order, pairs = divided(boxes)
    order = np.flatnonzero(kept).astype(np.int32)[order]
    del boxes
    packed = np.concatenate([first[order], (second - first)[order], (third - first)[order]], axis=1)
    material = np.zeros(len(faces), np.int32) if material is None else np.asarray(material, np.int32)
    return Mesh(
        *gathered(pairs, packed), packed, np.asarray(normals, np.float32).reshape(-1, 9)[order], material[order],
        _NO_UVS if uvs is None else np.asarray(uvs, np.float32).reshape(-1, 6)[order],
    )  # fmt: skip


_NO_UVS = np.zeros((0, 6), np.float32)


NO_MESH = Mesh(
    np.zeros((0, NODE_FLOATS), np.float32), np.zeros((0, GROUP_FLOATS), np.float32), np.zeros((0, 9), np.float32),
    np.zeros((0, 9), np.float32), np.zeros(0, np.int32), _NO_UVS,
)  # fmt: skip
