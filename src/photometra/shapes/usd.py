"""Meshes of USD stages, their paths as names of parts: what composes a stage must lie in the stage's own folder."""

from pathlib import Path

import numpy as np

from ..errors import InputError
from ..words import tr

SUFFIXES = (".usd", ".usda", ".usdc", ".usdz")
_MOST_LAYERS = 200


def parts_of_stage(path):
    """([(name, vertices (v, 3), faces (t, 3), UVs of the corners (t, 3, 2) or None, material)], millimetres of a unit,
    the axis that points up) of a stage as it stands at its default time; polygons cut into triangles, in world space. A
    mesh whose faces are bound to several materials is a part for each.

    InputError, naming the file, where it is none, or asks for a file outside its folder.
    """
    from pxr import Tf, Usd, UsdGeom

    path = Path(path)
    check_layers(path)
    try:
        stage = Usd.Stage.Open(str(path))
    except Tf.ErrorException:
        stage = None
    if stage is None:
        raise InputError(tr("{0}: the stage is damaged or is not one; export it again", path))
    parts = []
    # Instances are looked into: each is a part of its own.
    for prim in Usd.PrimRange(stage.GetPseudoRoot(), Usd.TraverseInstanceProxies()):
        mesh = UsdGeom.Mesh(prim)
        if not mesh or mesh.ComputeVisibility() == UsdGeom.Tokens.invisible:
            continue
        if mesh.ComputePurpose() in (UsdGeom.Tokens.proxy, UsdGeom.Tokens.guide):
            continue
        parts += _parts(prim, mesh, path)
    up = "z" if UsdGeom.GetStageUpAxis(stage) == UsdGeom.Tokens.z else "y"
    return parts, 1000.0 * UsdGeom.GetStageMetersPerUnit(stage), up


def check_layers(path):
    """Refuse a stage that is composed of files elsewhere: reading trusts nothing."""
    from pxr import Sdf, Tf

    folder, todo, seen = path.resolve().parent, [path], set()
    while todo:
        file = todo.pop().resolve()
        if file in seen:
            continue
        seen.add(file)
        if len(seen) > _MOST_LAYERS:
            raise InputError(tr("{0}: it is composed of more than {1} files; flatten it first", path, _MOST_LAYERS))
        try:
            layer = Sdf.Layer.FindOrOpen(str(file))
        except Tf.ErrorException:
            layer = None
        if layer is None:
            if file == path.resolve():
                raise InputError(tr("{0}: the stage is damaged or is not one; export it again", path))
            continue
        for asked in layer.GetCompositionAssetDependencies():
            found = Path(layer.ComputeAbsolutePath(asked))
            if "[" in asked or not asked:
                continue
            if not found.resolve().is_relative_to(folder):
                raise InputError(
                    tr("{0}: it asks for '{1}', outside its own folder; put all its files in one", path, asked[:80])
                )
            todo.append(found)


def _parts(prim, mesh, path):
    """The parts of one mesh, [] where it has no faces."""
    from pxr import Usd, UsdGeom

    points = np.asarray(mesh.GetPointsAttr().Get() or (), float).reshape(-1, 3)
    counts = np.asarray(mesh.GetFaceVertexCountsAttr().Get() or (), int)
    corners = np.asarray(mesh.GetFaceVertexIndicesAttr().Get() or (), int)
    if not len(points) or not len(counts):
        return []
    if (counts < 3).any() or counts.sum() != len(corners) or corners.min() < 0 or corners.max() >= len(points):
        raise InputError(tr("{0}: the faces of {1} do not go with its points; export it again", path, prim.GetPath()))
    # Fans: first corner, and each two that follow.
    firsts = np.concatenate([[0], np.cumsum(counts)[:-1]])
    of = np.repeat(np.arange(len(counts)), counts - 2)
    step = np.arange(len(of)) - np.repeat(np.concatenate([[0], np.cumsum(counts - 2)[:-1]]), counts - 2)
    places = np.stack([firsts[of], firsts[of] + step + 1, firsts[of] + step + 2], axis=1)
    if mesh.GetOrientationAttr().Get() == UsdGeom.Tokens.leftHanded:
        places = places[:, ::-1]
    faces = corners[places]
    matrix = np.array(UsdGeom.XformCache(Usd.TimeCode.Default()).GetLocalToWorldTransform(prim)).reshape(4, 4)
    world = points @ matrix[:3, :3] + matrix[3, :3]
    if np.linalg.det(matrix[:3, :3]) < 0.0:
        faces, places = faces[:, ::-1], places[:, ::-1]
    name, uvs = str(prim.GetPath())[1:], _uvs(prim, faces, places)
    out = []
    for own, material, kept in _by_material(prim, len(counts)):
        there = kept[of]
        if there.any():
            of_part = f"{name}/{own}" if own else name
            used, renumbered = np.unique(faces[there], return_inverse=True)
            out.append((of_part, world[used], renumbered.reshape(-1, 3), None if uvs is None else uvs[there], material))
    return out


def _by_material(prim, count):
    """[(name of the subset or "", material's name or "", which of the faces (count,))]."""
    from pxr import UsdShade

    def bound(of):
        found, _ = UsdShade.MaterialBindingAPI(of).ComputeBoundMaterial()
        return found.GetPath().name if found else ""

    rest, out = np.ones(count, bool), []
    for subset in UsdShade.MaterialBindingAPI(prim).GetMaterialBindSubsets():
        own = np.zeros(count, bool)
        indices = np.asarray(subset.GetIndicesAttr().Get() or (), int)
        own[indices[(indices >= 0) & (indices < count)]] = True
        own &= rest
        rest &= ~own
        out.append((subset.GetPrim().GetName(), bound(subset.GetPrim()), own))
    # What no subset has is bound to as the mesh is.
    return [*out, ("rest" if out else "", bound(prim), rest)]


def _uvs(prim, faces, places):
    from pxr import UsdGeom

    for primvar in UsdGeom.PrimvarsAPI(prim).GetPrimvarsWithValues():
        if primvar.GetTypeName().role == "TextureCoordinate" or primvar.GetPrimvarName() in ("st", "uv", "UVMap"):
            flat = np.asarray(primvar.ComputeFlattened() or (), float)
            if flat.ndim != 2 or flat.shape[1] < 2:
                continue
            if primvar.GetInterpolation() == UsdGeom.Tokens.faceVarying and len(flat) > places.max():
                return flat[places][..., :2]
            if len(flat) > faces.max():
                return flat[faces][..., :2]
    return None
