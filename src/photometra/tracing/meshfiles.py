"""Meshes from files, and as a study keeps them: a PLY in millimetres, y up, standing on the stage."""

import io
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

import numpy as np

from ..errors import InputError
from .mesh import MOST_TRIANGLES, mesh_from
from .shapes import LIFT, Shape

SUFFIXES = (".obj", ".ply", ".stl", ".glb", ".gltf")
UNITS_MM = {"mm": 1.0, "cm": 10.0, "m": 1000.0, "inch": 25.4}
_LARGEST_FILE = 500_000_000


class MeshError(InputError):
    """A mesh file that cannot be used; the message is one sentence for people."""


@dataclass(frozen=True, eq=False)
class FileMesh:
    """A mesh as its file has it: vertices (v, 3) in the file's own unit, which few files state, and faces (t, 3)."""

    name: str
    vertices: np.ndarray
    faces: np.ndarray

    @property
    def extents(self):
        return np.ptp(self.vertices, axis=0)

    @property
    def unit_mm(self):
        """How long one unit is where the format says so (glTF is in metres, y up), or None."""
        return UNITS_MM["m"] if Path(self.name).suffix.lower() in (".glb", ".gltf") else None

    def as_ply(self, unit_mm, up="y"):
        """The mesh as a study keeps it; `unit_mm` says how long one unit is, `up` which axis points up (y or z)."""
        import trimesh

        vertices = self.vertices * float(unit_mm)
        if up == "z":
            vertices = np.stack([vertices[:, 0], vertices[:, 2], -vertices[:, 1]], axis=1)
        low, high = vertices.min(axis=0), vertices.max(axis=0)
        if not 0.1 <= float((high - low).max()) <= 10_000.0:
            raise MeshError(f"{self.name}: {(high - low).max():.3g} mm across is not between 0.1 and 10000 mm")
        vertices = vertices - [0.5 * (low[0] + high[0]), low[1], 0.5 * (low[2] + high[2])]
        return trimesh.Trimesh(vertices, self.faces, process=False).export(file_type="ply")


def read_mesh(path) -> FileMesh:
    """A mesh file, all its parts as one. MeshError, naming the file, where it cannot be used."""
    import trimesh

    path = Path(path)
    if path.suffix.lower() not in SUFFIXES:
        raise MeshError(f"{path}: not a mesh that can be read; give {', '.join(s[1:].upper() for s in SUFFIXES)}")
    if not path.is_file():
        raise MeshError(f"{path}: there is no such file")
    if path.stat().st_size > _LARGEST_FILE:
        raise MeshError(f"{path}: the file is larger than 500 MB; thin the mesh out first")
    try:
        mesh = trimesh.load(path, force="mesh", process=False, skip_materials=True)
        vertices, faces = np.asarray(mesh.vertices, float), np.asarray(mesh.faces, np.int64)
    except Exception as error:
        # Each format's reader raises errors of its own kind.
        raise MeshError(f"{path}: the mesh is damaged or is not one ({type(error).__name__})") from None
    if vertices.ndim != 2 or not len(faces) or not np.all(np.isfinite(vertices)):
        raise MeshError(f"{path}: there are no triangles in it")
    if faces.min() < 0 or faces.max() >= len(vertices):
        bad = int(faces.max() if faces.max() >= len(vertices) else faces.min())
        raise MeshError(f"{path}: a face names vertex {bad + 1}, but there are {len(vertices)}; export the mesh again")
    if len(faces) > MOST_TRIANGLES:
        raise MeshError(f"{path}: {len(faces):,} triangles are more than the {MOST_TRIANGLES:,} that can be taken")
    return FileMesh(path.name, vertices, faces)


@lru_cache(maxsize=4)
def kept_shape(name, data: bytes) -> Shape:
    """The Shape of a mesh that a study keeps; its own size makes the booth's. MeshError where it is damaged."""
    import trimesh

    try:
        mesh = trimesh.load(io.BytesIO(data), file_type="ply", process=True)
        smooth = mesh.smooth_shaded
        vertices, faces = np.asarray(smooth.vertices, float), np.asarray(smooth.faces, np.int64)
        normals = np.asarray(smooth.vertex_normals, float)
        is_open = not mesh.is_watertight
    except Exception as error:
        raise MeshError(f"{name}: the mesh kept in the study is damaged ({type(error).__name__})") from None
    radius = 0.5 * float(np.ptp(vertices, axis=0).max())
    vertices = vertices + np.array([0.0, LIFT * radius, 0.0])
    try:
        built = mesh_from(vertices, faces, normals[faces])
    except InputError as error:
        raise MeshError(f"{name}: {error}") from None
    return Shape(built, float(vertices[:, 1].max()), is_open=is_open, radius=radius)
