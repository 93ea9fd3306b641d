"""Materials that others wrote come in as what they mean; ours come back from every standard as what they were."""

import json
import math
import struct

import MaterialX as mx
import numpy as np
import pytest
import trimesh
from pxr import Gf, Usd, UsdGeom, UsdLux, UsdShade

from photometra.errors import InputError
from photometra.exchange import read_materials, write_standard
from photometra.exchange.graph import linear
from photometra.exchange.loss import fitted, fitted_as_gltf, loss_between
from photometra.exchange.materialx import openpbr_inputs
from photometra.imaging.booths import scene_of
from photometra.instruments.summary import colour_and_gloss
from photometra.maps import Generator, Layer, Map, Placement
from photometra.maps.laying import levels_on
from photometra.optics import fresnel_dielectric
from photometra.pictures import read_picture, write_png
from photometra.study import Booth, Lamp, Specimen, Study, Viewpoint
from photometra.surface import Surface
from photometra.tracing.environment import place_towards, radiance_at
from photometra.tracing.scene import patch_box

STANDARD_SUFFIXES = [("materialx", ".mtlx"), ("gltf", ".glb"), ("usd", ".usda")]


def document(tmp_path, body, head=""):
    path = tmp_path / "look.mtlx"
    path.write_text(f'<?xml version="1.0"?>\n<materialx version="1.39"{head}>\n{body}\n</materialx>\n')
    return path


def material(shader, inputs, nodes="", category="open_pbr_surface"):
    return f"""{nodes}
  <{category} name="s" type="surfaceshader">{inputs}</{category}>
  <surfacematerial name="Sea_chest_paint" type="material">
    <input name="surfaceshader" type="surfaceshader" nodename="s" />
  </surfacematerial>"""


def burleys():
    """What MaterialX calls the model that has these inputs."""
    library = mx.createDocument()
    mx.loadLibraries(mx.getDefaultDataLibraryFolders(), mx.getDefaultDataSearchPath(), library)
    return next(d.getNodeString() for d in library.getNodeDefs() if d.getActiveInput("clearcoatGloss") is not None)


def number(name, value, kind="float"):
    return f'<input name="{name}" type="{kind}" value="{value}" />'


def of_one(path, **more):
    (taken,) = read_materials(path, **more)
    return taken


class TestRoundTrips:
    @pytest.mark.long
    @pytest.mark.parametrize(("standard", "suffix"), STANDARD_SUFFIXES)
    def test_every_demo_specimen_comes_back_as_near_as_was_said(self, demo, tmp_path, standard, suffix):
        for one in demo.specimens[:9]:
            path = tmp_path / f"{standard}{suffix}"
            fits, _ = write_standard(standard, demo, one, path)
            back = of_one(path, size_mm=one.size_mm)
            told, before = fits[one.name].fitted, colour_and_gloss(one.surface.uniform())
            if one.surface["constants"] == "reading" or back.understood is None:
                continue
            found = loss_between(before, colour_and_gloss(back.specimen.surface.uniform()))
            # What came back is off what went out by no more than both ways say that they are off the standard.
            assert found.delta_e < told.delta_e + 0.5, one.name
            for off, out, home in zip(found.gloss, told.gloss, back.understood.fitted.gloss, strict=True):
                assert off == pytest.approx(out + home, abs=0.5), one.name

    @pytest.mark.parametrize(
        "model",
        ["standard_surface", *(pytest.param(m, marks=pytest.mark.long) for m in ("gltf_pbr", "UsdPreviewSurface"))],
    )
    def test_a_document_in_another_model_comes_back(self, tmp_path, model):
        """Valid, in that model alone, and as near as it said: a hazy metal, and a map where the model has an input."""
        given = {"metalness": 1.0, "constants": "brass-70-30", "roughness": 0.3, "haze.amount": 0.3}
        varied = Map((Layer(Generator("checker"), Placement("uv", (20.0, 20.0))),), 0.2, 0.5)
        for one in (Specimen("Hazy", 40.0, Surface(given)), Specimen("Tile", 40.0, Surface({"roughness": varied}))):
            path = tmp_path / f"{one.name}.mtlx"
            fits, lost = write_standard("materialx", Study("T", (one,)), one, path, model=model)
            doc = mx.createDocument()
            mx.readFromXmlFile(doc, str(path))
            assert {n.getCategory() for n in doc.getNodes() if n.getType() == "surfaceshader"} - {"mix"} == {model}
            back = of_one(path, size_mm=40.0)
            surface, told = back.specimen.surface, fits[one.name].fitted
            found = loss_between(colour_and_gloss(one.surface.uniform()), colour_and_gloss(surface.uniform()))
            assert found.delta_e < told.delta_e + 0.5, (model, one.name)
            if one.name == "Hazy":
                assert surface["haze.amount"] == pytest.approx(0.3, abs=1e-3) and surface["haze.spread"] > 0.1
            else:
                assert isinstance(surface.input("roughness"), Map) and not any("map" in s for s in lost)

    @pytest.mark.long
    def test_fitting_is_never_worse_than_renaming_and_mostly_far_better(self):
        hazy = Specimen(
            "Hazy", 60.0, Surface({"metalness": 1.0, "constants": "gold", "roughness": 0.2, "haze.amount": 0.3})
        )
        lacquer = Specimen(
            "Lacquer", 60.0, Surface({"coat.amount": 1.0, "coat.colour": (0.9, 0.6, 0.3), "colour": (0.4,) * 3})
        )
        for fit in (fitted(hazy), fitted_as_gltf(lacquer)):
            assert fit.fitted.error < 0.5 * fit.renamed.error and fit.changed
        plain = fitted(Specimen("Plain", 60.0, Surface({"roughness": 0.3})))
        assert not plain.changed and plain.fitted is plain.renamed

    def test_ours_and_theirs_as_curves(self):
        plain = fitted(Specimen("Plain", 60.0, Surface({"roughness": 0.05, "colour": (0.0,) * 3}))).compared
        assert plain.rms_by_angle < 1e-3
        # A black, nearly smooth dielectric reflects by Fresnel alone.
        wanted = fresnel_dielectric(np.cos(np.radians(plain.angles_deg)), 1.5)
        assert plain.by_angle[0] == pytest.approx(wanted, abs=2e-3)
        # glTF's coat has an index of 1.5: the colour can be fitted, the rise aslant not wholly.
        lacquered = Specimen("Lacquered", 60.0, Surface({"coat.amount": 1.0, "coat.ior": 2.0, "roughness": 0.3}))
        lost = fitted_as_gltf(lacquered).compared
        assert 0.02 < lost.rms_by_angle < 0.12

    @pytest.mark.parametrize(
        ("standard", "file", "picture", "within"),
        [
            ("materialx", "tile.mtlx", "tile-maps/specular_roughness.png", 1e-3),
            ("usd", "tile.usda", "tile-maps/deck-tile-specular_roughness.png", 1e-3),
            ("gltf", "tile.glb", None, 3e-3),
        ],
    )
    def test_a_map_leaves_and_comes_back_as_levels(self, tmp_path, standard, file, picture, within):
        """Roughness by a checker on UVs: the same distribution, within the bits of the picture."""
        varied = Map((Layer(Generator("checker"), Placement("uv", (20.0, 20.0))),), 0.1, 0.6)
        one = Specimen("Deck tile", 40.0, Surface({"roughness": varied, "colour": (0.3, 0.3, 0.3)}))
        _, lost = write_standard(standard, Study("T", (one,)), one, tmp_path / file)
        assert picture is None or (tmp_path / picture).exists()
        assert not any("map" in sentence for sentence in lost), lost
        back = of_one(tmp_path / file, size_mm=40.0).specimen
        given = back.surface.input("roughness")
        assert (given.low, given.high) == pytest.approx((0.1, 0.6), abs=within)
        before, after = (levels_on(s.surface.input("roughness").chains(), s.surface.lies_on) for s in (one, back))
        # The finest lines between the squares are blurred by the picture's pixels.
        assert np.mean(np.abs(before - after) > 0.02) < 0.05

    @pytest.mark.long
    def test_parts_keep_names_places_and_surfaces(self, demo, tmp_path):
        lantern = demo.specimen("Gallery lantern")
        write_standard("gltf", demo, lantern, tmp_path / "l.glb")
        write_standard("usd", demo, lantern, tmp_path / "l.usda")
        scene = trimesh.load(tmp_path / "l.glb")
        stage = Usd.Stage.Open(str(tmp_path / "l.usda"))
        assert UsdGeom.GetStageMetersPerUnit(stage) == 0.001 and UsdGeom.GetStageUpAxis(stage) == "Y"
        meshes = [UsdGeom.Mesh(p) for p in stage.Traverse() if p.IsA(UsdGeom.Mesh)]
        assert len(meshes) == len(scene.geometry) == 14
        # In metres and in millimetres, the same extent.
        points = np.concatenate([np.array(m.GetPointsAttr().Get()) for m in meshes])
        assert np.ptp(points, axis=0) == pytest.approx(1000.0 * (scene.bounds[1] - scene.bounds[0]), rel=1e-4)
        lens = next(m for m in meshes if m.GetPrim().GetName() == "lens")
        bound = UsdShade.MaterialBindingAPI(lens.GetPrim()).ComputeBoundMaterial()[0]
        assert bound.GetPrim().GetCustomDataByKey("photometra")["specimen"] == "Lens prism"
        shader = bound.ComputeSurfaceSource("")[0]
        assert shader.GetIdAttr().Get() == "UsdPreviewSurface"
        names = {t.specimen.name for t in read_materials(tmp_path / "l.glb")}
        assert names == {t.specimen.name for t in read_materials(tmp_path / "l.usda")} and "Lens prism" in names


class TestTheBooth:
    """A stage holds camera, lamps and surroundings as they stand; read back with the standard's own library."""

    @pytest.fixture(scope="class")
    @staticmethod
    def staged(tmp_path_factory):
        folder = tmp_path_factory.mktemp("stage")
        booth = Booth(
            environment="window", turn=25.0, strength=1.5, key=Lamp(strength=4.0, size=0.5, turn=-30.0, rise=50.0),
            viewpoint=Viewpoint(turn=20.0, rise=12.0, focal_mm=70.0, f_number=8.0),
        )  # fmt: skip
        study = Study("T", (Specimen("Plate", 50.0, Surface()),), booth)
        write_standard("usd", study, study.specimens[0], folder / "a.usda")
        return study, Usd.Stage.Open(str(folder / "a.usda")), folder

    def test_its_camera_sees_each_place_where_ours_does(self, staged):
        study, stage, _ = staged
        scene = scene_of(study, study.specimens[0])
        camera = UsdGeom.Camera(stage.GetPrimAtPath("/booth/camera")).GetCamera()
        frustum = camera.frustum
        for i in range(4):
            x, y = scene.patch_place(i, 1500, 1000)
            left, top, size, depth = patch_box(scene.radius)
            place = Gf.Vec3d(left + (i + 0.5) * size, 0.0, top + 0.5 * depth)
            seen = (frustum.ComputeViewMatrix() * frustum.ComputeProjectionMatrix()).Transform(place)
            assert (0.5 + 0.5 * seen[0], 0.5 - 0.5 * seen[1]) == pytest.approx((x, y), abs=1e-6)
        assert camera.focalLength == pytest.approx(700.0) and camera.fStop == pytest.approx(8.0)

    def test_its_surroundings_look_the_same_from_the_specimen(self, staged):
        """By the words of OpenEXR: longitude 0 along +z, 90 degrees along +x, from +180 at the left to -180."""
        study, stage, folder = staged
        sky = UsdLux.DomeLight(stage.GetPrimAtPath("/booth/surroundings"))
        assert sky.GetIntensityAttr().Get() == 1.5
        picture = read_picture(folder / str(sky.GetTextureFileAttr().Get().path))
        ours = scene_of(study, study.specimens[0]).environment
        height, width, _ = picture.shape
        rng = np.random.default_rng(4)
        for _ in range(40):
            row, column = int(rng.integers(height // 4, 3 * height // 4)), int(rng.integers(0, width))
            latitude = math.pi * (0.5 - (row + 0.5) / height)
            longitude = math.pi * (1.0 - 2.0 * (column + 0.5) / width)
            x, z = math.cos(latitude) * math.sin(longitude), math.cos(latitude) * math.cos(longitude)
            u, v = place_towards(x, math.sin(latitude), z, math.radians(study.booth.turn))
            assert picture[row, column] == pytest.approx(np.array(radiance_at(u, v, ours.radiance)), rel=0.02, abs=0.01)

    def test_its_lamp_faces_the_specimen(self, staged):
        study, stage, _ = staged
        lamp = UsdLux.RectLight(stage.GetPrimAtPath("/booth/key_light"))
        scene = scene_of(study, study.specimens[0])
        matrix = UsdGeom.Xformable(lamp).GetLocalTransformation()
        middle, forward = matrix.Transform(Gf.Vec3d(0, 0, 0)), matrix.TransformDir(Gf.Vec3d(0, 0, -1))
        towards = Gf.Vec3d(*map(float, scene.target)) - middle
        assert Gf.Dot(forward, towards.GetNormalized()) == pytest.approx(1.0)
        assert lamp.GetIntensityAttr().Get() == 4.0 and lamp.GetWidthAttr().Get() == pytest.approx(25.0)
        assert tuple(lamp.GetColorAttr().Get()) == pytest.approx((1.0, 1.0, 1.0), abs=0.02)
        assert not stage.GetPrimAtPath("/booth/back_light")


class TestOthersDocuments:
    def test_openpbr_with_its_own_defaults(self, tmp_path):
        given = number("base_color", "0.5, 0.2, 0.1", "color3") + number("coat_weight", 0.7)
        taken = of_one(document(tmp_path, material("s", given)))
        surface = taken.specimen.surface
        assert taken.specimen.name == "Sea chest paint" and taken.model == "open_pbr_surface"
        assert surface["coat.amount"] == 0.7 and surface["coat.ior"] == 1.6 and surface["roughness"] == 0.3
        # The standard darkens what is under a coat more than it is: our colour is the one that looks like theirs.
        found = taken.understood
        assert found.changed == "colour" and found.fitted.delta_e < 0.1 < found.renamed.delta_e
        bare = of_one(document(tmp_path, material("s", number("base_color", "0.5, 0.2, 0.1", "color3"))))
        assert bare.understood.changed is None and bare.understood.fitted.delta_e < 0.5
        assert openpbr_inputs(bare.specimen)[0]["base_color"][1] == pytest.approx((0.5, 0.2, 0.1), abs=2e-3)

    def test_standard_surface_by_the_librarys_own_translation(self, tmp_path):
        given = (
            number("base_color", "0.9, 0.6, 0.2", "color3") + number("base", 1.0) + number("metalness", 1.0)
            + number("specular_roughness", 0.25) + number("thin_walled", "false", "boolean")
        )  # fmt: skip
        taken = of_one(document(tmp_path, material("s", given, category="standard_surface")))
        surface = taken.specimen.surface
        assert surface["metalness"] == 1.0 and surface["roughness"] == pytest.approx(0.25, abs=1e-6)
        assert surface["face_colour"] == pytest.approx((0.9, 0.6, 0.2), abs=1e-6)

    def test_preview_gltf_and_burleys(self, tmp_path):
        preview = number("diffuseColor", "0.3, 0.3, 0.3", "color3") + number("ior", 1.45) + number("clearcoat", 0.4)
        surface = of_one(document(tmp_path, material("s", preview, category="UsdPreviewSurface"))).specimen.surface
        assert (surface["ior"], surface["coat.amount"], surface["roughness"]) == pytest.approx((1.45, 0.4, 0.5))
        glass = number("transmission", 1) + number("metallic", 0) + number("thickness", 0.02) + number("ior", 1.6)
        glass += number("attenuation_distance", 0.01) + number("attenuation_color", "0.9, 0.2, 0.2", "color3")
        surface = of_one(document(tmp_path, material("s", glass, category="gltf_pbr"))).specimen.surface
        assert surface["interior.depth"] == 10.0 and surface["interior.colour"] == pytest.approx((0.9, 0.2, 0.2))
        assert not surface["thin_walled"] and surface["transmission"] == 1.0
        plain = number("baseColor", "0.4, 0.4, 0.4", "color3") + number("specular", 0.5) + number("clearcoat", 1.0)
        surface = of_one(document(tmp_path, material("s", plain, category=burleys()))).specimen.surface
        assert surface["ior"] == pytest.approx(1.5, abs=0.01) and surface["coat.amount"] == 0.25

    def test_a_graph_is_worked_out_pixel_by_pixel(self, tmp_path):
        """0.2 + 0.5 (1 - x) of a ramp, tiled twice: its ends and its mean by hand."""
        ramp = np.repeat(np.linspace(0.0, 1.0, 64)[None, :, None], 8, axis=0).repeat(3, axis=2)
        write_png(tmp_path / "ramp.png", ramp)
        nodes = """
  <nodegraph name="g">
    <tiledimage name="i" type="float"><input name="file" type="filename" value="ramp.png" />
      <input name="uvtiling" type="vector2" value="2, 1" /></tiledimage>
    <invert name="v" type="float"><input name="in" type="float" nodename="i" /></invert>
    <multiply name="m" type="float"><input name="in1" type="float" nodename="v" />
      <input name="in2" type="float" value="0.5" /></multiply>
    <add name="a" type="float"><input name="in1" type="float" nodename="m" />
      <input name="in2" type="float" value="0.2" /></add>
    <output name="rough" type="float" nodename="a" />
  </nodegraph>"""
        given = '<input name="specular_roughness" type="float" nodegraph="g" output="rough" />'
        surface = of_one(document(tmp_path, material("s", given, nodes))).specimen.surface
        rough = surface.input("roughness")
        assert (rough.low, rough.high) == pytest.approx((0.2, 0.7), abs=1e-4)
        levels = levels_on(rough.chains(), surface.lies_on)
        assert rough.low + (rough.high - rough.low) * levels.mean() == pytest.approx(0.45, abs=0.01)

    def test_a_picture_as_it_stands_is_kept_as_it_stands(self, tmp_path):
        colours = np.random.default_rng(4).uniform(0.1, 0.9, (16, 16, 3))
        write_png(tmp_path / "coat_colour.png", colours)
        nodes = """<image name="i" type="color3"><input name="file" type="filename" value="coat_colour.png"
  colorspace="srgb_texture" /></image>"""
        given = '<input name="coat_color" type="color3" nodename="i" />' + number("coat_weight", 1)
        given_map = of_one(document(tmp_path, material("s", given, nodes))).specimen.surface.input("coat.colour")
        source = given_map.layers[0].source
        assert source.encoding == "sRGB" and source.data == (tmp_path / "coat_colour.png").read_bytes()

    def test_colour_spaces(self):
        assert linear(np.array([0.5] * 3), "srgb_texture") == pytest.approx(0.21404, abs=1e-4)
        # White stays white in every space; the primaries of a wider one lie outside.
        for space in ("acescg", "lin_ap1", "lin_displayp3", "lin_rec709"):
            assert linear(np.ones(3), space) == pytest.approx(1.0, abs=1e-3)
        assert linear(np.array([1.0, 0.0, 0.0]), "acescg")[1] < 0.0

    def test_what_is_not_understood_is_told_and_the_rest_taken(self, tmp_path):
        nodes = '<noise2d name="n" type="float" />'
        given = '<input name="specular_roughness" type="float" nodename="n" />' + number("emission_luminance", 10)
        taken = of_one(document(tmp_path, material("s", given + number("coat_weight", 0.5), nodes)))
        assert taken.specimen.surface["coat.amount"] == 0.5 and taken.specimen.surface["roughness"] == 0.3
        assert any("'noise2d' is not understood" in n for n in taken.notes)
        assert any("glows" in n for n in taken.notes) and "glows" in taken.specimen.notes

    def test_lengths_by_the_unit(self, tmp_path):
        given = number("subsurface_weight", 1) + number("subsurface_radius", 0.2)
        path = document(tmp_path, material("s", given))
        assert of_one(path, unit_mm=10.0).specimen.surface["subsurface.radius"][0] == pytest.approx(2.0)
        taken = of_one(path)
        assert taken.specimen.surface["subsurface.radius"][0] == pytest.approx(0.2)
        assert any("how long its unit is" in n for n in taken.notes)


class TestHostile:
    @pytest.mark.parametrize(
        ("text", "sentence"),
        [
            ("", "not a MaterialX document"),
            ("<materialx", "not a MaterialX document"),
            ('<!DOCTYPE m [<!ENTITY a "b">]><materialx version="1.39">&a;</materialx>', "entities of its own"),
            ('<materialx version="1.39"></materialx>', "no material"),
            ('<materialx version="1.39"><surface name="s" type="surfaceshader" /></materialx>', "is a surface"),
        ],
    )
    def test_documents(self, tmp_path, text, sentence):
        path = tmp_path / "x.mtlx"
        path.write_text(text)
        with pytest.raises(InputError, match=sentence) as told:
            read_materials(path)
        assert "\n" not in str(told.value)

    def test_a_circle_of_nodes_ends(self, tmp_path):
        nodes = """<add name="a" type="float"><input name="in1" type="float" nodename="b" /></add>
  <add name="b" type="float"><input name="in1" type="float" nodename="a" /></add>"""
        given = '<input name="specular_roughness" type="float" nodename="a" />'
        assert of_one(document(tmp_path, material("s", given, nodes))).specimen.surface["roughness"] == 0.3

    @pytest.mark.parametrize(
        "file", ["/dev/zero", "../../../../etc/passwd", "http://nowhere/x.png", "gone.png", "x.mtlx"]
    )
    def test_pictures_elsewhere_are_not_opened(self, tmp_path, file):
        folder = tmp_path / "deep" / "deeper"
        folder.mkdir(parents=True)
        (folder / "x.mtlx").write_text("no picture")
        nodes = f'<image name="i" type="float"><input name="file" type="filename" value="{file}" /></image>'
        given = '<input name="specular_roughness" type="float" nodename="i" />'
        taken = of_one(document(folder, material("s", given, nodes)))
        assert taken.specimen.surface["roughness"] == 0.3 and len(taken.notes) == 1

    def test_gltf_and_usd(self, tmp_path):
        glb = tmp_path / "x.glb"
        for data in (
            b"glTF",
            b"{}",
            b"[]",
            b'{"materials": 3}',
            b'{"materials": [{"pbrMetallicRoughness": 4}]}',
            b"\xff" * 40,
        ):
            glb.write_bytes(data)
            with pytest.raises(InputError) as told:
                read_materials(glb)
            assert str(glb) in str(told.value)
        usd = tmp_path / "x.usda"
        usd.write_text('#usda 1.0\ndef "a" (references = @../../etc/other.usda@) {}\n')
        with pytest.raises(InputError, match="outside its own folder"):
            read_materials(usd)
        usd.write_text("#usda 1.0\n")
        with pytest.raises(InputError, match="no material"):
            read_materials(usd)


def test_a_glb_is_whole(demo, tmp_path):
    """Lengths, alignment and extensions as the standard wants them, read from the bytes."""
    write_standard("gltf", demo, demo.specimens[3], tmp_path / "v.glb")
    data = (tmp_path / "v.glb").read_bytes()
    magic, version, length = struct.unpack_from("<4sII", data)
    assert (magic, version, length) == (b"glTF", 2, len(data)) and len(data) % 4 == 0
    size = struct.unpack_from("<I", data, 12)[0]
    doc = json.loads(data[20 : 20 + size])
    (made,) = doc["materials"]
    assert set(doc["extensionsUsed"]) == set(made["extensions"]) and "KHR_materials_iridescence" in made["extensions"]
    for view in doc["bufferViews"]:
        assert view["byteOffset"] % 4 == 0
        assert view["byteOffset"] + view["byteLength"] <= doc["buffers"][0]["byteLength"]
    for accessor in doc["accessors"]:
        each = {"VEC3": 12, "VEC2": 8}[accessor["type"]]
        assert doc["bufferViews"][accessor["bufferView"]]["byteLength"] == accessor["count"] * each
    normals = [m["primitives"][0]["attributes"]["NORMAL"] for m in doc["meshes"]]
    assert normals


@pytest.mark.long
def test_the_library_reads_what_is_written(demo, tmp_path):
    for one in demo.specimens[:9]:
        write_standard("materialx", demo, one, tmp_path / "a.mtlx")
        doc = mx.createDocument()
        mx.readFromXmlFile(doc, str(tmp_path / "a.mtlx"))
        assert doc.validate()[0]
        for graph in doc.getNodeGraphs():
            for node in graph.getNodes("image"):
                assert (tmp_path / node.getInputValue("file")).exists()


class TestHaze:
    def hazy(self, **more):
        given = {
            "metalness": 1.0,
            "constants": "brass-70-30",
            "roughness": 0.18,
            "haze.amount": 0.35,
            "haze.spread": 0.4,
        }
        return Specimen("Hazy brass", 40.0, Surface({**given, **more}))

    @pytest.mark.long
    def test_it_goes_along_as_a_mix_of_two_surfaces_and_comes_back(self, tmp_path):
        one = self.hazy()
        fits, lost = write_standard("materialx", Study("T", (one,)), one, tmp_path / "a.mtlx")
        assert not any("haze" in sentence for sentence in lost)
        text = (tmp_path / "a.mtlx").read_text()
        assert text.count("<open_pbr_surface ") == 2 and "<mix " in text
        back = of_one(tmp_path / "a.mtlx", size_mm=40.0)
        surface = back.specimen.surface
        assert back.specimen.name == "Hazy brass" and back.model == "open_pbr_surface"
        assert surface["haze.amount"] == pytest.approx(0.35, abs=1e-4)
        # What instruments read is what it was: gloss of a hazy metal, that one lobe cannot have.
        loss = loss_between(colour_and_gloss(one.surface), colour_and_gloss(surface))
        assert loss.delta_e < 0.6 and max(abs(g) for g in loss.gloss) < 3.0, loss
        alone = fitted(one)
        assert fits["Hazy brass"].fitted.error < 0.5 * alone.fitted.error

    def test_with_a_map_of_roughness_both_have_their_own(self, tmp_path):
        varied = Map((Layer(Generator("checker"), Placement("uv", (20.0, 20.0))),), 0.1, 0.4)
        one = self.hazy(roughness=varied)
        write_standard("materialx", Study("T", (one,)), one, tmp_path / "a.mtlx")
        given = of_one(tmp_path / "a.mtlx", size_mm=40.0).specimen.surface
        assert isinstance(given.input("roughness"), Map) and given["haze.amount"] == pytest.approx(0.35, abs=1e-4)

    def test_a_mix_of_others_is_told_and_the_heavier_taken(self, tmp_path):
        body = """
  <open_pbr_surface name="a" type="surfaceshader"><input name="base_color" type="color3" value="0.8, 0.1, 0.1" />
  </open_pbr_surface>
  <open_pbr_surface name="b" type="surfaceshader"><input name="base_color" type="color3" value="0.1, 0.1, 0.8" />
  </open_pbr_surface>
  <mix name="m" type="surfaceshader"><input name="fg" type="surfaceshader" nodename="a" />
  <input name="bg" type="surfaceshader" nodename="b" /><input name="mix" type="float" value="0.3" /></mix>
  <surfacematerial name="Both" type="material"><input name="surfaceshader" type="surfaceshader" nodename="m" />
  </surfacematerial>"""
        taken = of_one(document(tmp_path, body))
        assert any("a mix of two surfaces" in note for note in taken.notes)
        red, _, blue = taken.specimen.surface["colour"]
        assert blue > red


@pytest.mark.parametrize(("unit", "long_mm"), [("mm", 1.0), ("cm", 10.0), ("m", 1000.0)])
def test_a_document_for_a_scene_in_another_unit_comes_back_the_same(tmp_path, unit, long_mm):
    milky = {"transmission": 1.0, "interior.colour": (0.9, 0.6, 0.3), "interior.depth": 12.0, "roughness": 0.05}
    wax = {"subsurface": 1.0, "subsurface.colour": (0.8, 0.7, 0.5), "subsurface.radius": (3.0, 2.0, 1.0)}
    for name, given, length, wanted in (
        ("Glass", milky, "transmission_depth", 12.0),
        ("Wax", wax, "subsurface_radius", 3.0),
    ):
        one = Specimen(name, 40.0, Surface(given))
        write_standard("materialx", Study("T", (one,)), one, tmp_path / "a.mtlx", unit)
        doc = mx.createDocument()
        mx.readFromXmlFile(doc, str(tmp_path / "a.mtlx"))
        port = doc.getNodes("open_pbr_surface")[0].getInput(length)
        assert port.getValue() == pytest.approx(wanted / long_mm, rel=1e-5)
        back = of_one(tmp_path / "a.mtlx", size_mm=40.0).specimen.surface
        key = "interior.depth" if name == "Glass" else "subsurface.radius"
        assert back[key] == pytest.approx(given[key], rel=1e-3)
