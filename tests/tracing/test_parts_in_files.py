"""What files call their parts and materials: OBJ written by hand as programs write it, glTF by another library, USD."""

import numpy as np
import pytest
import trimesh

from photometra.shapes.meshfiles import kept_shape, read_mesh
from photometra.shapes.objparts import named_parts
from photometra.study.model import Specimen, matches

CORNERS = "v 0 0 0\nv 1 0 0\nv 0 1 0\nv 0 0 1\n"


@pytest.mark.parametrize(("text", "parts"), [
    ("f 1 2 3\nf 1 2 4\n", {"part": ("", 2)}),
    ("usemtl tin\nf 1 2 3\nf 1 2 4\n", {"part": ("tin", 2)}),
    ("usemtl tin\nf 1 2 3\nusemtl lead\nf 1 2 4\nusemtl tin\nf 2 3 4\n", {"tin": ("tin", 2), "lead": ("lead", 1)}),
    ("g left\nf 1 2 3\ng right\nf 1 2 4\n", {"left": ("", 1), "right": ("", 1)}),
    ("o lamp\ng lamp_mesh\nusemtl tin\nf 1 2 3\n", {"lamp": ("tin", 1)}),
    ("o lamp\ng a\nf 1 2 3\ng b\nf 1 2 4\n", {"lamp/a": ("", 1), "lamp/b": ("", 1)}),
    ("o lamp\nusemtl tin\nf 1 2 3\nusemtl lead\nf 1 2 4\no wick\nf 2 3 4\n",
     {"lamp/tin": ("tin", 1), "lamp/lead": ("lead", 1), "wick": ("lead", 1)}),
    ("o lamp\r\nusemtl old tin \r\nf 1 2 3\r\n", {"lamp": ("old tin", 1)}),
    ("g\nf 1 2 3\nusemtl tin\nf 1 2 4\n", {"no material": ("", 1), "tin": ("tin", 1)}),
    ("o empty\no lamp\nf 1 2 3\n", {"lamp": ("", 1)}),
])  # fmt: skip
def test_objects_groups_and_materials_of_an_obj(tmp_path, text, parts):
    (tmp_path / "a.obj").write_bytes((CORNERS + text).encode())
    found = read_mesh(tmp_path / "a.obj").parts
    assert {p.name: (p.material, len(p.faces)) for p in found} == parts


def test_what_stands_between_the_parts_is_kept(tmp_path):
    text = "# a lamp\no one\nv 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\no two\nv 5 0 0\nv 6 0 0\nv 5 1 0\nf -3 -2 -1\n"
    (tmp_path / "a.obj").write_text(text)
    by = {p.name: p for p in read_mesh(tmp_path / "a.obj").parts}
    assert by["two"].vertices[:, 0].min() == 5.0 and by["one"].vertices[:, 0].max() == 1.0
    assert named_parts(CORNERS + "f 1 2 3\n") == (CORNERS + "f 1 2 3\n", {"": ""})


def test_materials_of_a_gltf_are_kept_with_the_study(tmp_path):
    scene = trimesh.Scene()
    for name, material in (("bowl", "spun brass"), ("foot", None)):
        box = trimesh.creation.box()
        if material:
            box.visual = trimesh.visual.TextureVisuals(material=trimesh.visual.material.PBRMaterial(name=material))
        scene.add_geometry(box, node_name=name, geom_name=name)
    (tmp_path / "a.glb").write_bytes(trimesh.exchange.gltf.export_glb(scene))
    mesh = read_mesh(tmp_path / "a.glb")
    shape = kept_shape("a.glb", mesh.as_kept(1.0))
    assert dict(zip(shape.parts, shape.materials, strict=True)) == {"bowl": "spun brass", "foot": ""}


def test_a_usd_mesh_bound_to_two_materials_is_two_parts(tmp_path):
    from pxr import Sdf, Usd, UsdGeom, UsdShade, Vt

    stage = Usd.Stage.CreateNew(str(tmp_path / "a.usda"))
    mesh = UsdGeom.Mesh.Define(stage, "/lamp")
    mesh.CreatePointsAttr([(0, 0, 0), (1, 0, 0), (0, 1, 0), (0, 0, 1)])
    mesh.CreateFaceVertexCountsAttr([3, 3, 3])
    mesh.CreateFaceVertexIndicesAttr([0, 1, 2, 0, 1, 3, 1, 2, 3])
    tin, lead = (UsdShade.Material.Define(stage, f"/materials/{n}") for n in ("tin", "lead"))
    UsdShade.MaterialBindingAPI.Apply(mesh.GetPrim()).Bind(tin)
    subset = UsdGeom.Subset.CreateGeomSubset(
        mesh, "window", UsdGeom.Tokens.face, Vt.IntArray([2]), UsdShade.Tokens.materialBind
    )
    UsdShade.MaterialBindingAPI.Apply(subset.GetPrim()).Bind(lead)
    assert Sdf.Path("/lamp") == mesh.GetPath()
    stage.Save()
    found = {p.name: (p.material, len(p.faces)) for p in read_mesh(tmp_path / "a.usda").parts}
    assert found == {"lamp/window": ("lead", 1), "lamp/rest": ("tin", 2)}


def test_a_surface_goes_to_all_that_a_file_calls_one_material():
    one = Specimen("lamp", 60.0).with_assigned("@brass*", "Brass").with_assigned("foot", "Teak")
    assert one.assigned_to("bowl", "brass spun") == "Brass" and one.assigned_to("bowl", "tin") is None
    assert one.assigned_to("foot", "brass spun") == "Teak"
    # A part that is called so is still meant by its name.
    assert matches("@odd", "@odd") and not matches("@odd", "part", "even") and matches("@*", "part", "any")
    assert np.all([matches("*", "part", m) for m in ("", "brass")])
