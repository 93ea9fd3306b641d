"""USD stages as models: written here as text by hand, read with their parts, units and UVs, refused where hostile."""

import numpy as np
import pytest

from photometra.errors import InputError
from photometra.shapes.meshfiles import kept_shape, read_mesh

BOX = """
        float3[] extent = [(0, 0, 0), (1, 1, 1)]
        int[] faceVertexCounts = [4, 4, 4, 4, 4, 4]
        int[] faceVertexIndices = [0, 3, 2, 1, 4, 5, 6, 7, 0, 1, 5, 4, 1, 2, 6, 5, 2, 3, 7, 6, 3, 0, 4, 7]
        point3f[] points = [(0, 0, 0), (1, 0, 0), (1, 1, 0), (0, 1, 0), (0, 0, 1), (1, 0, 1), (1, 1, 1), (0, 1, 1)]
        texCoord2f[] primvars:st = [{}] (interpolation = "faceVarying")
""".format(", ".join(["(0, 0), (1, 0), (1, 1), (0, 1)"] * 6))
STAGE = f"""#usda 1.0
(
    metersPerUnit = 0.01
    upAxis = "Z"
    {{}}
)
def Xform "lamp"
{{{{
    def Mesh "foot"
    {{{{{BOX}
    }}}}
    def Mesh "shade"
    {{{{{BOX}
        double3 xformOp:translate = (0, 0, 2)
        uniform token[] xformOpOrder = ["xformOp:translate"]
    }}}}
    def Mesh "hidden"
    {{{{{BOX}
        token visibility = "invisible"
    }}}}
}}}}
"""


def test_a_stage_comes_with_its_parts_unit_and_uvs(tmp_path):
    (tmp_path / "lamp.usda").write_text(STAGE.format(""))
    mesh = read_mesh(tmp_path / "lamp.usda")
    assert [p.name for p in mesh.parts] == ["lamp/foot", "lamp/shade"] and mesh.unit_mm == pytest.approx(10.0)
    shape = kept_shape("meshes/lamp.glb", mesh.as_kept(mesh.unit_mm))
    assert set(shape.parts) == {"lamp/foot", "lamp/shade"} and not any(shape.open_parts)
    low, high = shape.mesh.bounds()
    # Two centimetres up the z axis stand the shade's feet: 30 mm of lamp, upright.
    assert np.allclose(high - low, (10.0, 30.0, 10.0), atol=0.01)
    assert len(shape.mesh.uvs) == shape.mesh.size and shape.mesh.uvs.max() == pytest.approx(1.0)


def test_what_lies_outside_its_folder_is_not_fetched(tmp_path):
    (tmp_path / "secret.usda").write_text(STAGE.format(""))
    folder = tmp_path / "show"
    folder.mkdir()
    (folder / "bad.usda").write_text(STAGE.format("subLayers = [@../secret.usda@]"))
    with pytest.raises(InputError, match="outside its own folder"):
        read_mesh(folder / "bad.usda")
    (folder / "part.usda").write_text(STAGE.format(""))
    (folder / "good.usda").write_text("#usda 1.0\n(\n    subLayers = [@part.usda@]\n)\n")
    assert len(read_mesh(folder / "good.usda").parts) == 2


@pytest.mark.parametrize(
    "text", ["", "no stage", "#usda 1.0\n(", "#usda 1.0\n", STAGE.format("").replace("[4, 4, 4, 4, 4, 4]", "[4, 4, 9]")]
)
def test_spoilt_stages_are_one_sentence(tmp_path, text):
    (tmp_path / "a.usda").write_text(text)
    with pytest.raises(InputError, match=r"a\.usda: "):
        read_mesh(tmp_path / "a.usda")
