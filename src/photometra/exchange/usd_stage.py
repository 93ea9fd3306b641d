"""USD, out and in: a stage with the parts in millimetres and their materials, for MaterialX and for a fall-back."""

import json
from pathlib import Path

import numpy as np

from ..disk import replacing
from ..errors import InputError
from ..names import one_line
from ..shapes.usd import check_layers
from ..study import Specimen, Study
from .coming_in import Coming, specimen_from
from .graph import Graph, constant
from .loss import Fitted, fitted
from .materialx import openpbr_inputs
from .models import from_preview, to_preview
from .pieces import pieces_of
from .reading import Taken

_PREVIEW, _OPENPBR = "UsdPreviewSurface", "ND_open_pbr_surface_surfaceshader"
SUFFIXES = (".usda", ".usdc", ".usd")


def write_usd(study: Study, specimen: Specimen, path) -> tuple[dict[str, Fitted], list[str]]:
    """Write a stage of what stands for a specimen; readings and standard errors go along as custom data.

    Returns ({specimen: how close its values come}, sentences on what could not be carried).
    """
    from pxr import Sdf, Tf, Usd, UsdGeom, UsdShade

    notes, fits, made = [], {}, {}
    with replacing(path) as temporary:
        # The library goes by the suffix.
        inner = temporary.with_name(f"{temporary.name}{Path(path).suffix}")
        try:
            stage = Usd.Stage.CreateNew(str(inner))
            UsdGeom.SetStageUpAxis(stage, UsdGeom.Tokens.y)
            UsdGeom.SetStageMetersPerUnit(stage, 0.001)
            root = UsdGeom.Xform.Define(stage, "/specimen")
            stage.SetDefaultPrim(root.GetPrim())
            root.GetPrim().SetCustomDataByKey("photometra", _told(specimen))
            taken = set()
            for piece in pieces_of(study, specimen):
                at = "/specimen/" + "/".join(Tf.MakeValidIdentifier(p) or "part" for p in piece.name.split("/"))
                while at in taken:
                    at += "_"
                taken.add(at)
                mesh = _mesh(stage, at, piece)
                if piece.specimen is None:
                    continue
                name = piece.specimen.name
                if name not in made:
                    fits[name] = fitted(piece.specimen)
                    made[name] = _material(stage, piece.specimen, fits[name].inputs, Sdf, UsdShade, Tf)
                UsdShade.MaterialBindingAPI.Apply(mesh.GetPrim()).Bind(made[name])
            stage.GetRootLayer().Save()
            temporary.write_bytes(inner.read_bytes())
        finally:
            inner.unlink(missing_ok=True)
    for name in made:
        one = next(p.specimen for p in pieces_of(study, specimen) if p.specimen and p.specimen.name == name)
        lost = [f"the map of {m}: carried as one value" for m in one.surface.maps]
        notes += [f"{name}: {s}" for s in (*lost, *openpbr_inputs(one)[1]) if "half-way along its range" not in s]
    return fits, notes


def _told(specimen):
    """What is known of a specimen beside its surface, as plain data."""
    return {
        "specimen": specimen.name, "size_mm": float(specimen.size_mm), "rests_on": specimen.rests_on,
        "notes": specimen.notes,
        "readings": json.dumps([
            {"name": r.name, "kind": r.kind_key, "geometry": r.geometry, "tolerance": r.tolerance}
            for r in specimen.readings
        ]),
        "standard_errors": json.dumps(dict(specimen.sigmas)),
    }  # fmt: skip


def _mesh(stage, at, piece):
    from pxr import Sdf, UsdGeom, Vt

    mesh = UsdGeom.Mesh.Define(stage, at)
    points, where = np.unique(piece.positions.astype(np.float32), axis=0, return_inverse=True)
    mesh.CreatePointsAttr(Vt.Vec3fArray.FromNumpy(np.ascontiguousarray(points)))
    mesh.CreateFaceVertexCountsAttr(Vt.IntArray.FromNumpy(np.full(len(where) // 3, 3, np.int32)))
    mesh.CreateFaceVertexIndicesAttr(Vt.IntArray.FromNumpy(np.ascontiguousarray(where.ravel(), np.int32)))
    mesh.CreateExtentAttr([tuple(map(float, points.min(axis=0))), tuple(map(float, points.max(axis=0)))])
    mesh.CreateSubdivisionSchemeAttr(UsdGeom.Tokens.none)
    mesh.CreateNormalsAttr(Vt.Vec3fArray.FromNumpy(np.ascontiguousarray(piece.normals, np.float32)))
    mesh.SetNormalsInterpolation(UsdGeom.Tokens.faceVarying)
    if piece.uvs is not None:
        uvs = UsdGeom.PrimvarsAPI(mesh).CreatePrimvar(
            "st", Sdf.ValueTypeNames.TexCoord2fArray, UsdGeom.Tokens.faceVarying
        )
        uvs.Set(Vt.Vec2fArray.FromNumpy(np.ascontiguousarray(piece.uvs, np.float32)))
    return mesh


def _material(stage, specimen, inputs, Sdf, UsdShade, Tf):
    """A material with OpenPBR for those that read MaterialX, and a fall-back for all."""
    types = {
        "float": Sdf.ValueTypeNames.Float,
        "color3": Sdf.ValueTypeNames.Color3f,
        "boolean": Sdf.ValueTypeNames.Bool,
    }
    name = Tf.MakeValidIdentifier(specimen.name)
    material = UsdShade.Material.Define(stage, f"/specimen/materials/{name}")
    material.GetPrim().SetCustomDataByKey("photometra", _told(specimen))
    full = UsdShade.Shader.Define(stage, f"{material.GetPath()}/openpbr")
    full.CreateIdAttr(_OPENPBR)
    for key, (kind, value) in inputs.items():
        full.CreateInput(key, types[kind]).Set(tuple(map(float, value)) if kind == "color3" else value)
    material.CreateSurfaceOutput("mtlx").ConnectToSource(full.CreateOutput("out", Sdf.ValueTypeNames.Token))
    plain = UsdShade.Shader.Define(stage, f"{material.GetPath()}/preview")
    plain.CreateIdAttr(_PREVIEW)
    for key, value in to_preview(inputs, lambda _: None).items():
        kind = "color3" if isinstance(value, tuple) else "float"
        plain.CreateInput(key, types[kind]).Set(tuple(map(float, value)) if kind == "color3" else float(value))
    material.CreateSurfaceOutput().ConnectToSource(plain.CreateOutput("surface", Sdf.ValueTypeNames.Token))
    return material


def read_usd_materials(path, size_mm=60.0) -> list[Taken]:
    """The materials of a stage as specimens: OpenPBR where there is one, else its fall-back. InputError otherwise."""
    from pxr import Tf, Usd, UsdGeom, UsdShade

    path = Path(path)
    if not path.is_file():
        raise InputError(f"{path}: there is no such file")
    check_layers(path)
    try:
        stage = Usd.Stage.Open(str(path), Usd.Stage.LoadNone)
    except Tf.ErrorException:
        raise InputError(f"{path}: this is not a USD stage, or a damaged one") from None
    unit_mm = 1000.0 * UsdGeom.GetStageMetersPerUnit(stage)
    out, others = [], []
    for prim in stage.Traverse():
        if not prim.IsA(UsdShade.Material):
            continue
        material = UsdShade.Material(prim)
        for context, is_full in (("mtlx", True), ("", False)):
            shader = material.ComputeSurfaceSource(context)[0]
            if shader and shader.GetIdAttr().Get() == (_OPENPBR if is_full else _PREVIEW):
                out.append(_taken(prim.GetName(), shader, is_full, unit_mm, path, size_mm))
                break
        else:
            others.append(prim.GetName())
    if not out:
        told = f" (of {', '.join(others[:3])})" if others else ""
        raise InputError(f"{path}: there is no material of OpenPBR or {_PREVIEW} in this stage{told}")
    return out


def _taken(name, shader, is_full, unit_mm, path, size_mm):
    graph, at = Graph(path.parent), {}
    for port in shader.GetInputs():
        if port.HasConnectedSource():
            graph.note(f"the picture or graph at {port.GetBaseName()}: carried as the standard's own value")
            continue
        value = port.Get()
        if isinstance(value, (bool, int, float)) or (hasattr(value, "__len__") and not isinstance(value, str)):
            at[port.GetBaseName()] = constant(*np.ravel(np.asarray(value, float)))
    told = shader.GetPrim().GetParent().GetCustomDataByKey("photometra") or {}
    values = at if is_full else from_preview(at, graph.note)
    named = one_line(str(told.get("specimen") or name.replace("_", " ")))
    specimen = specimen_from(named, Coming(graph, values, unit_mm if is_full else 1.0, size_mm))
    return Taken(specimen, "OpenPBR in USD" if is_full else _PREVIEW, tuple(graph.notes))
