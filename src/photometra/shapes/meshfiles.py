"""Meshes from files, and as a study keeps them: a GLB of their parts in millimetres, y up, standing on the stage."""

import io
import json
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from urllib.parse import unquote

import numpy as np

from ..disk import read_bytes, regular
from ..errors import InputError
from ..figures import figures
from ..words import tr
from . import usd
from .mesh import MOST_TRIANGLES, mesh_from
from .objparts import named_parts
from .smoothing import is_closed, shaded, welded
from .standing import LIFT, Shape

SUFFIXES = (".obj", ".ply", ".stl", ".glb", ".gltf", *usd.SUFFIXES)
UNITS_MM = {"mm": 1.0, "cm": 10.0, "m": 1000.0, "inch": 25.4}
_LARGEST_FILE = 500_000_000
_LARGEST_JSON = 64_000_000


class MeshError(InputError):
    """A mesh file that cannot be used; the message is one sentence for people."""


@dataclass(frozen=True, eq=False)
class Part:
    """One named part of a mesh: vertices (v, 3), faces (t, 3); uv (v, 2) and normals (v, 3) where the file has them;
    material: what the file calls what it is made of, empty where it says nothing."""

    name: str
    vertices: np.ndarray
    faces: np.ndarray
    uv: np.ndarray | None = None
    normals: np.ndarray | None = None
    material: str = ""


@dataclass(frozen=True, eq=False)
class FileMesh:
    """A mesh as its file has it, its parts in the file's own unit, which few files state; stated_mm, stated_up: those
    that do, of one unit in mm and of the axis that points up."""

    name: str
    parts: tuple[Part, ...]
    stated_mm: float | None = None
    stated_up: str = "y"

    @property
    def vertices(self):
        return np.concatenate([p.vertices for p in self.parts])

    @property
    def triangles(self):
        return sum(len(p.faces) for p in self.parts)

    @property
    def extents(self):
        return np.ptp(self.vertices, axis=0)

    @property
    def unit_mm(self):
        """How long one unit is where the format says so (glTF is in metres, y up), or None."""
        if self.stated_mm is not None:
            return self.stated_mm
        return UNITS_MM["m"] if Path(self.name).suffix.lower() in (".glb", ".gltf") else None

    def as_kept(self, unit_mm, up=None):
        """The mesh as a study keeps it, a GLB of its parts in mm; `unit_mm` says how long one unit is, `up` which axis
        points up (y or z)."""
        import trimesh

        up = up or self.stated_up

        def placed(v):
            return np.stack([v[:, 0], v[:, 2], -v[:, 1]], axis=1) if up == "z" else v

        whole = placed(self.vertices * float(unit_mm))
        low, high = whole.min(axis=0), whole.max(axis=0)
        if not 0.1 <= float((high - low).max()) <= 10_000.0:
            raise MeshError(
                tr("{0}: {1} mm across is not between 0.1 and 10000 mm", self.name, figures((high - low).max()))
            )
        middle = np.array([0.5 * (low[0] + high[0]), low[1], 0.5 * (low[2] + high[2])])
        scene = trimesh.Scene()
        for part in self.parts:
            visual = _visual_of(part)
            normals = None if part.normals is None else placed(part.normals)
            made = trimesh.Trimesh(
                placed(part.vertices * float(unit_mm)) - middle, part.faces, vertex_normals=normals, visual=visual,
                process=False,
            )  # fmt: skip
            scene.add_geometry(made, node_name=part.name, geom_name=part.name)
        # Authored normals alone are kept: what a part has none of is smoothed anew each time.
        with_normals = any(p.normals is not None for p in self.parts)
        return trimesh.exchange.gltf.export_glb(scene, include_normals=with_normals)


def _visual_of(part):
    """What the library carries a part's texture coordinates and material's name by."""
    import trimesh

    if part.uv is None and not part.material:
        return None
    material = trimesh.visual.material.PBRMaterial(name=part.material) if part.material else None
    return trimesh.visual.TextureVisuals(uv=part.uv, material=material)


def _parts_of(loaded, materials=None):
    """[Part] of what trimesh loaded: each geometry where it stands in its scene, with what its file says of it.

    materials: {part: material} where the library does not keep them."""
    import trimesh

    if isinstance(loaded, trimesh.Trimesh):
        pairs = [(next(iter(materials or ()), ""), loaded, np.eye(4))]
    else:
        pairs = []
        # In the order of their names: the library keeps none that is always the same.
        for node in sorted(loaded.graph.nodes_geometry):
            matrix, geometry = loaded.graph[node]
            pairs.append((node, loaded.geometry[geometry], matrix))
    out, taken = [], set()
    for name, mesh, matrix in pairs:
        if not isinstance(mesh, trimesh.Trimesh) or not len(mesh.faces):
            continue
        own, n = str(name)[:80] or "part", 2
        while own in taken:
            own, n = f"{str(name)[:80]} {n}", n + 1
        taken.add(own)
        uv = getattr(mesh.visual, "uv", None)
        if materials is not None:
            material = materials.get(str(name), "")
        else:
            material = getattr(getattr(mesh.visual, "material", None), "name", None) or ""
        vertices, faces = np.asarray(mesh.vertices, float), np.asarray(mesh.faces, np.int64)
        normals = np.asarray(mesh.vertex_normals, float) if "vertex_normals" in mesh._cache else None
        if uv is None and normals is None and np.array_equal(faces.ravel(), np.arange(len(vertices))):
            # Every triangle with three vertices of its own, as STL has them: those at one place become one.
            used, faces = np.unique(welded(vertices)[faces], return_inverse=True)
            vertices, faces = vertices[used], faces.reshape(-1, 3)
        if normals is not None:
            normals = normals @ np.linalg.inv(matrix[:3, :3])
            normals /= np.maximum(np.linalg.norm(normals, axis=1, keepdims=True), 1e-12)
        out.append(
            Part(
                own, vertices @ matrix[:3, :3].T + matrix[:3, 3], faces,
                None if uv is None else np.asarray(uv, float), normals, str(material)[:80],
            )
        )  # fmt: skip
    return out


def _source(path):
    """(where the library reads a mesh from, {part: material} where it would lose them): an OBJ as UTF-8, whatever its
    names and comments are written in, with an object for each part."""
    if path.suffix.lower() != ".obj":
        return {"file_obj": str(path)}, None
    data = path.read_bytes()
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        text = data.decode("latin-1")
    text, materials = named_parts(text)
    return {"file_obj": io.BytesIO(text.encode()), "file_type": "obj"}, materials


def _how_to_read(suffix):
    """What the library is told of a format, so that it keeps parts apart and texture coordinates on them."""
    if suffix.lower() == ".obj":
        return {"split_objects": True, "group_material": False, "skip_materials": True}
    # Of a glTF without its materials the library drops the coordinates too; pictures it only opens when asked.
    return {"skip_materials": suffix.lower() not in (".glb", ".gltf")}


def _check_beside(path):
    """Refuse a glTF whose buffers or pictures are not ordinary files in its own folder: reading trusts nothing."""
    try:
        text = json.loads(read_bytes(path, _LARGEST_JSON))
        named = [e.get("uri") for key in ("buffers", "images") for e in text.get(key, ())]
    except (ValueError, AttributeError, TypeError, RecursionError):
        raise MeshError(tr("{0}: the mesh is damaged or is not one (its JSON cannot be read)", path)) from None
    folder = path.resolve().parent
    for uri in named:
        if not isinstance(uri, str) or uri.startswith("data:"):
            continue
        file = (folder / unquote(uri)).resolve()
        if not file.is_relative_to(folder):
            raise MeshError(
                tr("{0}: it asks for '{1}', outside its own folder; put all its files in one", path, uri[:80])
            )
        regular(file)


def read_mesh(path) -> FileMesh:
    """A mesh file with its parts. MeshError, naming the file, where it cannot be used."""
    import trimesh

    path = Path(path)
    if path.suffix.lower() not in SUFFIXES:
        raise MeshError(
            tr("{0}: not a mesh that can be read; give {1}", path, ", ".join(s[1:].upper() for s in SUFFIXES))
        )
    if regular(path).stat().st_size > _LARGEST_FILE:
        raise MeshError(tr("{0}: the file is larger than 500 MB; thin the mesh out first", path))
    if path.suffix.lower() in usd.SUFFIXES:
        return _checked(path, _stage(path))
    if path.suffix.lower() == ".gltf":
        _check_beside(path)
    try:
        source, materials = _source(path)
        parts = _parts_of(trimesh.load(**source, process=False, **_how_to_read(path.suffix)), materials)
    except MemoryError:
        raise MeshError(tr("{0}: there is not enough memory to read it; thin the mesh out first", path)) from None
    except Exception as error:
        # Each format's reader raises errors of its own kind.
        raise MeshError(tr("{0}: the mesh is damaged or is not one ({1})", path, type(error).__name__)) from None
    return _checked(path, FileMesh(path.name, tuple(parts)))


def _stage(path):
    """The FileMesh of a USD stage: every triangle with corners of its own where they have texture coordinates."""
    found, unit_mm, up = usd.parts_of_stage(path)
    parts = []
    for name, vertices, faces, uvs, material in found:
        if uvs is None:
            parts.append(Part(name[-80:], vertices, faces, material=material[:80]))
        else:
            own = np.arange(3 * len(faces)).reshape(-1, 3)
            corners = vertices[faces].reshape(-1, 3)
            parts.append(Part(name[-80:], corners, own, uvs.reshape(-1, 2), material=material[:80]))
    return FileMesh(path.name, tuple(parts), unit_mm, up)


def _checked(path, found: FileMesh) -> FileMesh:
    """A FileMesh whose numbers can be; MeshError otherwise."""
    parts = found.parts
    if parts and any(p.vertices.ndim != 2 or p.vertices.shape[1] != 3 for p in parts):
        raise MeshError(tr("{0}: a vertex needs three numbers; export the mesh again", path))
    if not parts or found.vertices.ndim != 2 or not np.all(np.isfinite(found.vertices)):
        raise MeshError(tr("{0}: there are no triangles in it", path))
    for part in parts:
        if part.faces.min() < 0 or part.faces.max() >= len(part.vertices):
            bad = int(part.faces.max() if part.faces.max() >= len(part.vertices) else part.faces.min())
            raise MeshError(
                tr(
                    "{0}: a face names vertex {1}, but there are {2}; export the mesh again",
                    path,
                    bad + 1,
                    len(part.vertices),
                )
            )
    if found.triangles > MOST_TRIANGLES:
        raise MeshError(
            tr(
                "{0}: {1} triangles are more than the {2} that can be taken",
                path,
                f"{found.triangles:,}",
                f"{MOST_TRIANGLES:,}",
            )
        )
    return found


@lru_cache(maxsize=4)
def kept_shape(name, data: bytes) -> Shape:
    """The Shape of a mesh that a study keeps; its own size makes the booth's. MeshError where it is damaged."""
    import trimesh

    try:
        loaded = trimesh.load(io.BytesIO(data), file_type=Path(name).suffix[1:].lower(), process=False)
        parts = _parts_of(loaded)
        vertices, faces, normals, is_open = _shaded(parts)
        part_of, uvs = _parts_and_uvs(parts)
    except Exception as error:
        raise MeshError(tr("{0}: the mesh kept in the study is damaged ({1})", name, type(error).__name__)) from None
    radius = 0.5 * float(np.ptp(vertices, axis=0).max())
    vertices = vertices + np.array([0.0, LIFT * radius, 0.0])
    try:
        built = mesh_from(vertices, faces, normals, part_of, uvs)
    except InputError as error:
        raise MeshError(f"{name}: {error}") from None
    return Shape(
        built,
        float(vertices[:, 1].max()),
        is_open=is_open,
        radius=radius,
        parts=tuple(p.name for p in parts),
        open_parts=tuple(not is_closed(p.vertices, p.faces) for p in parts),
        materials=tuple(p.material for p in parts),
    )


def _parts_and_uvs(parts):
    """(part of each triangle (t,), UVs of its corners (t, 3, 2) or None where no part has any)."""
    part_of = np.repeat(np.arange(len(parts)), [len(p.faces) for p in parts])
    if all(p.uv is None for p in parts):
        return part_of, None
    return part_of, np.concatenate([np.zeros((len(p.faces), 3, 2)) if p.uv is None else p.uv[p.faces] for p in parts])


def _shaded(parts):
    """(vertices, faces, normals of the corners (t, 3, 3), whether it is open) of all parts: normals as authored, else
    smoothed within each part."""
    firsts = np.cumsum([0, *(len(p.vertices) for p in parts)])
    vertices = np.concatenate([p.vertices for p in parts])
    faces = np.concatenate([p.faces + first for p, first in zip(parts, firsts, strict=False)])
    sizes = [len(p.faces) for p in parts]
    normals, is_closed = shaded(vertices, faces, np.repeat(np.arange(len(parts)), sizes))
    for part, last in zip(parts, np.cumsum(sizes), strict=True):
        if part.normals is not None:
            normals[last - len(part.faces) : last] = part.normals[part.faces]
    return vertices, faces, normals, not is_closed
