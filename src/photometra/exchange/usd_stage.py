"""USD, out and in: a stage with the parts in millimetres and their materials, for MaterialX and for a fall-back."""

import json
from pathlib import Path

import numpy as np

from ..disk import replacing
from ..errors import InputError
from ..names import one_line, stem_of
from ..shapes.usd import check_layers
from ..study import Specimen, Study
from ..surface import PARAMETERS
from ..words import tr
from . import baked
from .booth_stage import add_booth
from .coming_in import Coming, specimen_from
from .graph import Graph, Value, constant, normals_of
from .loss import Fitted, fits_of, fitted
from .materialx import as_one_value, openpbr_inputs
from .models import PREVIEW_OF, from_preview, to_preview
from .pieces import pieces_of
from .reading import Taken, taken
from .theirs import surface_of

_NORMAL_MAPS = ("ND_normalmap", "ND_normalmap_float", "ND_normalmap_vector2")
_PREVIEW, _OPENPBR = "UsdPreviewSurface", "ND_open_pbr_surface_surfaceshader"
_IMAGES = ("ND_image_float", "ND_image_color3", "ND_image_vector3")
SUFFIXES = (".usda", ".usdc", ".usd")


def write_usd(study: Study, specimen: Specimen, path, place) -> tuple[dict[str, Fitted], list[str]]:
    """Write a stage of what stands for a specimen; readings and standard errors go along as custom data.

    place: where the values that lose least are looked for. Returns ({specimen: how close its values come}, sentences on
    what could not be carried).
    """
    from pxr import Tf, Usd, UsdGeom, UsdShade

    pieces = pieces_of(study, specimen)
    notes, fits, made, carried = [], fits_of(pieces, fitted, place), {}, {}
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
            for piece in pieces:
                at = "/specimen/" + "/".join(Tf.MakeValidIdentifier(p) or "part" for p in piece.name.split("/"))
                while at in taken:
                    at += "_"
                taken.add(at)
                mesh = _mesh(stage, at, piece)
                if piece.specimen is None:
                    continue
                name = piece.specimen.name
                if name not in made:
                    files = _pictures(piece, Path(path)) if piece.uvs is not None else {}
                    carried[name] = set(files)
                    made[name] = _material(stage, piece.specimen, fits[name].inputs, files)
                UsdShade.MaterialBindingAPI.Apply(mesh.GetPrim()).Bind(made[name])
            add_booth(stage, study, specimen, path)
            stage.GetRootLayer().Save()
            temporary.write_bytes(inner.read_bytes())
        finally:
            inner.unlink(missing_ok=True)
    for name in made:
        one = next(p.specimen for p in pieces if p.specimen and p.specimen.name == name)
        there = {m for m in one.surface.maps if baked.input_of(one.surface, m) in carried[name]}
        lost = [tr("the map of {0}: carried as one value", m) for m in one.surface.maps if m not in there]
        told = {as_one_value(PARAMETERS[m].words) for m in one.surface.maps}
        notes += [f"{name}: {s}" for s in (*lost, *openpbr_inputs(one)[1]) if s not in told]
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


def _pictures(piece, path):
    """{input of OpenPBR: (type, asset path)} of a specimen's maps, written to a folder beside the stage."""
    out = {}
    for key, (kind, data) in baked.textures_of(piece.specimen).items():
        name = f"{stem_of(piece.specimen.name)}-{baked.file_name(key, data)}"
        file = Path(f"{path.stem}-maps") / name
        (path.parent / file).parent.mkdir(exist_ok=True)
        baked.write(path.parent / file, data)
        out[key] = kind, f"./{file.as_posix()}"
    return out


def _material(stage, specimen, inputs, files):
    """A material with OpenPBR for those that read MaterialX, and a fall-back for all; files: pictures of its inputs."""
    from pxr import Sdf, Tf, UsdShade

    types = {
        "float": Sdf.ValueTypeNames.Float,
        "color3": Sdf.ValueTypeNames.Color3f,
        "boolean": Sdf.ValueTypeNames.Bool,
        "vector3": Sdf.ValueTypeNames.Float3,
    }
    material = UsdShade.Material.Define(stage, f"/specimen/materials/{Tf.MakeValidIdentifier(specimen.name)}")
    material.GetPrim().SetCustomDataByKey("photometra", _told(specimen))
    full = UsdShade.Shader.Define(stage, f"{material.GetPath()}/openpbr")
    full.CreateIdAttr(_OPENPBR)
    for key, (kind, value) in inputs.items():
        full.CreateInput(key, types[kind]).Set(tuple(map(float, value)) if kind == "color3" else value)
    for key, (kind, file) in files.items():
        image = _image(stage, f"{material.GetPath()}/{key}_image", f"ND_image_{kind}", file)
        place = _placed_by_uvs(stage, material, "place", "ND_geompropvalue_vector2", "geomprop", "out")
        image.CreateInput("texcoord", Sdf.ValueTypeNames.Float2).ConnectToSource(place)
        port = full.GetInput(key) or full.CreateInput(key, types[kind])
        end = image.CreateOutput("out", types[kind])
        if key in baked.NORMALS:
            node = UsdShade.Shader.Define(stage, f"{material.GetPath()}/{key}_vectors")
            node.CreateIdAttr(_NORMAL_MAPS[1])
            node.CreateInput("in", types[kind]).ConnectToSource(end)
            end = node.CreateOutput("out", types[kind])
        port.ConnectToSource(end)
    material.CreateSurfaceOutput("mtlx").ConnectToSource(full.CreateOutput("out", Sdf.ValueTypeNames.Token))
    plain = UsdShade.Shader.Define(stage, f"{material.GetPath()}/preview")
    plain.CreateIdAttr(_PREVIEW)
    for key, value in to_preview(inputs, lambda _: None).items():
        kind = "color3" if isinstance(value, tuple) else "float"
        plain.CreateInput(key, types[kind]).Set(tuple(map(float, value)) if kind == "color3" else float(value))
    for key, (kind, file) in files.items():
        theirs = "normal" if key == baked.NORMAL else PREVIEW_OF.get(key)
        if theirs is None:
            continue
        image = _image(stage, f"{material.GetPath()}/{theirs}_texture", "UsdUVTexture", file)
        image.CreateInput("sourceColorSpace", Sdf.ValueTypeNames.Token).Set("raw")
        place = _placed_by_uvs(stage, material, "st", "UsdPrimvarReader_float2", "varname", "result")
        image.CreateInput("st", Sdf.ValueTypeNames.Float2).ConnectToSource(place)
        end = image.CreateOutput("r" if kind == "float" else "rgb", types[kind])
        if key == baked.NORMAL:
            image.CreateInput("scale", Sdf.ValueTypeNames.Float4).Set((2.0, 2.0, 2.0, 1.0))
            image.CreateInput("bias", Sdf.ValueTypeNames.Float4).Set((-1.0, -1.0, -1.0, 0.0))
            plain.CreateInput(theirs, Sdf.ValueTypeNames.Normal3f)
        (plain.GetInput(theirs) or plain.CreateInput(theirs, types[kind])).ConnectToSource(end)
    material.CreateSurfaceOutput().ConnectToSource(plain.CreateOutput("surface", Sdf.ValueTypeNames.Token))
    return material


def _image(stage, at, identifier, file):
    from pxr import Sdf, UsdShade

    image = UsdShade.Shader.Define(stage, at)
    image.CreateIdAttr(identifier)
    image.CreateInput("file", Sdf.ValueTypeNames.Asset).Set(Sdf.AssetPath(file))
    return image


def _placed_by_uvs(stage, material, name, identifier, port, end):
    """The output of the one node of a material that gives its UVs to pictures."""
    from pxr import Sdf, UsdShade

    node = UsdShade.Shader.Define(stage, f"{material.GetPath()}/{name}")
    node.CreateIdAttr(identifier)
    node.CreateInput(port, Sdf.ValueTypeNames.String).Set("st")
    return node.CreateOutput(end, Sdf.ValueTypeNames.Float2)


def read_usd_materials(path, size_mm=60.0) -> list[Taken]:
    """The materials of a stage as specimens: OpenPBR where there is one, else its fall-back. InputError otherwise."""
    from pxr import Tf, Usd, UsdGeom, UsdShade

    path = Path(path)
    if not path.is_file():
        raise InputError(tr("{0}: there is no such file", path))
    check_layers(path)
    try:
        stage = Usd.Stage.Open(str(path), Usd.Stage.LoadNone)
    except Tf.ErrorException:
        raise InputError(tr("{0}: this is not a USD stage, or a damaged one", path)) from None
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
        told = tr(" (of {0})", ", ".join(others[:3])) if others else ""
        raise InputError(tr("{0}: there is no material of OpenPBR or {1} in this stage{2}", path, _PREVIEW, told))
    return out


def _driven(port, graph):
    """The picture that drives an input; None, told, where it is a graph of more than that, or is not there."""
    from pxr import UsdShade

    source, output, _ = port.GetConnectedSource()
    node = UsdShade.Shader(source.GetPrim())
    kind = node.GetIdAttr().Get() if node else ""
    if kind in _NORMAL_MAPS and node.GetInput("in") and node.GetInput("in").HasConnectedSource():
        found, scale = _driven(node.GetInput("in"), graph), node.GetInput("scale")
        steep = scale.Get() if scale and scale.Get() is not None else 1.0
        return None if found is None else Value(normals_of(found.data, np.ravel(steep)))
    if kind not in (*_IMAGES, "UsdUVTexture"):
        graph.note(tr("the graph at {0}: carried as the standard's own value", port.GetBaseName()))
        return None
    file, space = node.GetInput("file"), node.GetInput("sourceColorSpace")
    name = str(getattr(file.Get(), "path", "")) if file else ""
    # A fall-back's picture of a colour is encoded unless it says that it is not.
    is_plain = kind in _IMAGES or output != "rgb" or port.GetBaseName() == "normal"
    said = str(space.Get()) if space and space.Get() else "raw" if is_plain else "auto"
    channel = {"r": 0, "g": 1, "b": 2, "a": 3}.get(output)
    is_single = channel is not None or str(port.GetTypeName()) == "float"
    picked = channel or 0 if is_single else None
    found = graph.picture_at(name, "srgb_texture" if said in ("sRGB", "auto") else "", picked)
    scale, bias = (
        np.ravel(end.Get()).astype(float)
        if (end := node.GetInput(k)) and end.Get() is not None
        else np.full(4, otherwise)
        for k, otherwise in (("scale", 1.0), ("bias", 0.0))
    )
    if found is None or (np.all(scale == 1.0) and not np.any(bias)):
        return found
    own = slice(picked, picked + 1) if picked is not None else slice(0, 3)
    return Value(found.data * scale[own] + bias[own])


def _taken(name, shader, is_full, unit_mm, path, size_mm):
    graph, at = Graph(path.parent), {}
    for port in shader.GetInputs():
        if port.HasConnectedSource():
            value = _driven(port, graph)
            if value is not None:
                at[port.GetBaseName()] = value
            continue
        value = port.Get()
        if isinstance(value, (bool, int, float)) or (hasattr(value, "__len__") and not isinstance(value, str)):
            at[port.GetBaseName()] = constant(*np.ravel(np.asarray(value, float)))
    told = shader.GetPrim().GetParent().GetCustomDataByKey("photometra") or {}
    values = at if is_full else from_preview(at, graph.note)
    named = one_line(str(told.get("specimen") or name.replace("_", " ")))
    specimen = specimen_from(named, Coming(graph, values, unit_mm if is_full else 1.0, size_mm))
    closure = surface_of("open_pbr_surface" if is_full else _PREVIEW, at)
    return taken(specimen, "OpenPBR in USD" if is_full else _PREVIEW, graph.notes, closure)
