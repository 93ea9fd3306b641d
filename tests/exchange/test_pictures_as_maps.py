"""The pictures of a glTF, and what else comes in as maps: each from its channel, as it lies, and normals as heights."""

import json
import struct

import numpy as np
import pytest

from photometra.exchange import write_standard
from photometra.exchange.baked import NORMAL, textures_of
from photometra.exchange.carried import carried
from photometra.exchange.gltf_pictures import Pictures
from photometra.exchange.graph import Graph
from photometra.maps import Generator, Layer, Map, Picture, Placement
from photometra.maps.laying import levels_on, tile_size
from photometra.names import kept_name
from photometra.pictures import encoded_levels, encoded_png
from photometra.shapes.body import body_of
from photometra.study import Specimen, Study
from photometra.surface import Surface

from .test_coming_in import document, material, of_one


class TestTexturesOfOthers:
    def glb(self, path, given, *pictures):
        """A GLB with a material, and pictures in its buffer."""
        data, views = b"", []
        for picture in pictures:
            views.append({"buffer": 0, "byteOffset": len(data), "byteLength": len(picture)})
            data += picture + b"\0" * (-len(picture) % 4)
        whole = {
            "asset": {"version": "2.0"}, "materials": [given], "bufferViews": views,
            "buffers": [{"byteLength": len(data)}],
            "images": [{"bufferView": i, "mimeType": "image/png"} for i in range(len(pictures))],
            "textures": [{"source": i} for i in range(len(pictures))],
        }  # fmt: skip
        text = json.dumps(whole).encode()
        text += b" " * (-len(text) % 4)
        head = struct.pack("<4sII", b"glTF", 2, 28 + len(text) + len(data))
        chunks = struct.pack("<I4s", len(text), b"JSON") + text + struct.pack("<I4s", len(data), b"BIN\0") + data
        path.write_bytes(head + chunks)
        return path

    def test_pictures_in_a_glb_become_maps(self, tmp_path):
        ramp = np.tile(np.linspace(0.0, 1.0, 64)[None, :, None], (64, 1, 3))
        rough = {"roughnessFactor": 0.8, "metallicFactor": 0.0, "metallicRoughnessTexture": {"index": 0}}
        path = self.glb(tmp_path / "a.glb", {"name": "Oar", "pbrMetallicRoughness": rough}, encoded_png(ramp))
        taken = of_one(path)
        given = taken.specimen.surface.input("roughness")
        assert (given.low, given.high) == pytest.approx((0.0, 0.8), abs=0.01)
        assert taken.specimen.surface["metalness"] == 0.0

    def test_pictures_of_the_extensions_become_maps(self, tmp_path):
        """Each from its own channel: red, green, blue and alpha differ."""
        ramp = np.linspace(0.0, 1.0, 32)[None, :] * np.ones((32, 1))
        whole = np.stack([ramp, 1.0 - ramp, 0.5 * ramp, 0.25 + 0.5 * ramp], axis=-1)
        at = {"index": 0}
        pennant = {
            "name": "Pennant", "alphaMode": "BLEND",
            "pbrMetallicRoughness": {"baseColorTexture": at, "metallicFactor": 0.0},
            "extensions": {
                "KHR_materials_clearcoat": {"clearcoatFactor": 0.8, "clearcoatRoughnessFactor": 0.5,
                                            "clearcoatTexture": at, "clearcoatRoughnessTexture": at},
                "KHR_materials_sheen": {"sheenColorFactor": [0.4, 0.2, 0.1], "sheenRoughnessFactor": 1.0,
                                        "sheenRoughnessTexture": at},
                "KHR_materials_iridescence": {"iridescenceFactor": 1.0, "iridescenceThicknessMinimum": 200.0,
                                              "iridescenceThicknessMaximum": 600.0, "iridescenceThicknessTexture": at},
                "KHR_materials_anisotropy": {"anisotropyStrength": 0.6, "anisotropyTexture": at},
            },
        }  # fmt: skip
        taken = of_one(self.glb(tmp_path / "a.glb", pennant, encoded_levels(whole)))
        surface = taken.specimen.surface
        for name, low, high in (
            ("opacity", 0.25, 0.75), ("coat.amount", 0.0, 0.8), ("coat.roughness", 0.0, 0.5),
            ("sheen.roughness", 0.25, 0.75), ("film.thickness", 200.0, 600.0), ("anisotropy", 0.0, 0.3),
        ):  # fmt: skip
            given = surface.input(name)
            assert (given.low, given.high) == pytest.approx((low, high), rel=1e-3), name
        # The base colour is not multiplied by its alpha.
        assert surface.input("colour").high[0] > 0.9
        assert not any("carried as its mean" in note for note in taken.notes), taken.notes
        mask = {**pennant, "alphaMode": "MASK", "alphaCutoff": 0.5, "extensions": {}}
        given = of_one(self.glb(tmp_path / "m.glb", mask, encoded_levels(whole))).specimen.surface.input("opacity")
        levels = levels_on(given.chains(), Surface().lies_on)
        # Between the two, a texel of the 32 at either edge.
        assert (given.low, given.high) == (0.0, 1.0) and np.mean((levels > 0.01) & (levels < 0.99)) < 0.07

    def test_a_picture_is_laid_by_its_transform(self, tmp_path):
        ramp = np.repeat(np.linspace(0.0, 1.0, 16)[None, :, None], 16, axis=0) * np.ones(3)
        graph = Graph(tmp_path)
        told = {"textures": [{"source": 0}], "images": [{"uri": "a.png"}]}
        (tmp_path / "a.png").write_bytes(encoded_levels(ramp))
        moved = {"index": 0, "extensions": {"KHR_texture_transform": {"scale": [2.0, 1.0], "offset": [0.25, 0.0]}}}
        found = Pictures(told, b"", graph).value(moved, "it", "", 0)
        # At u the texel of 0.25 + 2 u.
        u = (np.arange(32) + 0.5) / 32
        assert found.data[0, :, 0] == pytest.approx(np.floor((0.25 + 2.0 * u) % 1.0 * 16) / 15, abs=1e-4)
        assert not graph.notes
        for odd in ({"rotation": 1.0}, {"scale": [1.5, 1.0]}, {"scale": [1e9, 1.0]}, {"scale": [float("inf"), 1.0]}):
            moved["extensions"]["KHR_texture_transform"] = odd
            found = Pictures(told, b"", graph).value(moved, "it", "", 0)
            assert found is None or found.data.shape == (16, 16, 1)
            assert graph.notes.pop()

    def test_normals_become_the_bump_whose_slopes_they_are(self, tmp_path):
        """Waves across: z = a sin(2 pi n u), its slope a 2 pi n over the width of the picture."""
        side, waves, steep = 128, 4, 0.5
        u = (np.arange(side) + 0.5) / side
        slope = steep * np.cos(2.0 * np.pi * waves * u)
        normal = np.stack([-slope, 0.0 * slope, 1.0 + 0.0 * slope], axis=-1)
        normal /= np.linalg.norm(normal, axis=-1, keepdims=True)
        picture = encoded_levels(0.5 + 0.5 * np.broadcast_to(normal, (side, side, 3)))
        waved = {"normalTexture": {"index": 0}, "pbrMetallicRoughness": {"metallicFactor": 0.0}}
        taken = of_one(self.glb(tmp_path / "a.glb", waved, picture), size_mm=50.0)
        bump, lies_on = taken.specimen.surface.input("bump"), taken.specimen.surface.lies_on
        wide_um = 1000.0 * tile_size(bump.layers[0], lies_on)[0]
        assert bump.high - bump.low == pytest.approx(2.0 * steep * wide_um / (2.0 * np.pi * waves), rel=0.02)
        assert any("carried as heights" in note for note in taken.notes)
        # Half the scale, half the slopes; and by a graph of MaterialX the same.
        waved["normalTexture"]["scale"] = 0.5
        half = of_one(self.glb(tmp_path / "h.glb", waved, picture), size_mm=50.0).specimen.surface.input("bump")
        assert half.high == pytest.approx(0.5 * bump.high, rel=0.03)
        (tmp_path / "n.png").write_bytes(picture)
        graph = """<image name="i" type="vector3"><input name="file" type="filename" value="n.png"/></image>
          <normalmap name="n" type="vector3"><input name="in" type="vector3" nodename="i"/></normalmap>"""
        given = '<input name="geometry_normal" type="vector3" nodename="n"/>'
        there = of_one(document(tmp_path, material("s", given, graph)), size_mm=50.0)
        assert there.specimen.surface.input("bump").high == pytest.approx(bump.high, rel=1e-3)

    @pytest.mark.parametrize("spoil", [{"index": 7}, {"index": "a"}, {}, None, {"index": 0, "texCoord": 1}])
    def test_what_is_not_there_is_told_and_the_rest_taken(self, tmp_path, spoil):
        rough = {"roughnessFactor": 0.4, "metallicRoughnessTexture": spoil}
        path = self.glb(tmp_path / "a.glb", {"pbrMetallicRoughness": rough}, b"no picture")
        taken = of_one(path)
        assert taken.specimen.surface["roughness"] == pytest.approx(0.4) and any("picture" in n for n in taken.notes)


@pytest.mark.parametrize(
    ("name", "low", "high", "others"),
    [
        pytest.param("opacity", 0.2, 0.9, {}, marks=pytest.mark.long),
        pytest.param("coat.amount", 0.1, 0.8, {"coat.ior": 1.5}, marks=pytest.mark.long),
        pytest.param("coat.roughness", 0.1, 0.5, {"coat.amount": 1.0, "coat.ior": 1.5}, marks=pytest.mark.long),
        pytest.param("film.thickness", 150.0, 450.0, {"film.amount": 1.0, "ior": 2.0}, marks=pytest.mark.long),
        pytest.param("anisotropy", 0.1, 0.7, {"metalness": 1.0}, marks=pytest.mark.long),
        ("transmission", 0.2, 0.7, {}),
        pytest.param("sheen.roughness", 0.3, 0.8, {"sheen.amount": 0.5}, marks=pytest.mark.long),
    ],
)
def test_a_map_leaves_as_the_extensions_picture_and_comes_back(tmp_path, name, low, high, others):
    varied = Map((Layer(Generator("checker"), Placement("uv", (20.0, 20.0))),), low, high)
    one = Specimen("Signal flag", 40.0, Surface({name: varied, **others}))
    _, lost = write_standard("gltf", Study("T", (one,)), one, tmp_path / "a.glb")
    assert not any("map" in sentence for sentence in lost), lost
    given = of_one(tmp_path / "a.glb", size_mm=40.0).specimen.surface.input(name)
    assert (given.low, given.high) == pytest.approx((low, high), rel=0.01, abs=3e-3)
    before, after = (levels_on(g.chains(), one.surface.lies_on) for g in (varied, given))
    assert np.mean(np.abs(before - after) > 0.02) < 0.05


@pytest.mark.parametrize("name", ["sheen.amount", pytest.param("sheen.colour", marks=pytest.mark.long)])
def test_fibres_that_vary_leave_as_one_colour_and_come_back(tmp_path, name):
    """glTF has a colour alone, of weight times colour: it is that which has to come back."""
    low, high = (0.1, 0.8) if name == "sheen.amount" else ((0.1, 0.2, 0.3), (0.9, 0.6, 0.5))
    varied = Map((Layer(Generator("checker"), Placement("uv", (20.0, 20.0))),), low, high)
    surface = Surface({"sheen.amount": 0.5, "sheen.colour": (0.9, 0.5, 0.3), "sheen.roughness": 0.4, name: varied})
    one = Specimen("Felt flag", 40.0, surface)
    _, lost = write_standard("gltf", Study("T", (one,)), one, tmp_path / "a.glb")
    assert not any("map of" in sentence for sentence in lost), lost
    back = of_one(tmp_path / "a.glb", size_mm=40.0).specimen.surface
    given, weight = back.input("sheen.colour"), back["sheen.amount"]
    for end in ("low", "high"):
        amount = getattr(varied, end) if name == "sheen.amount" else 0.5
        colour = getattr(varied, end) if name == "sheen.colour" else (0.9, 0.5, 0.3)
        assert weight * np.array(getattr(given, end)) == pytest.approx(np.multiply(amount, colour), abs=6e-3)


class TestNormalsOut:
    WAVES, HEIGHT_UM = 8, 200.0

    def rippled(self, **more):
        """Ripples across the UVs, 200 µm from trough to crest."""
        ripple = 0.5 + 0.5 * np.sin(2.0 * np.pi * self.WAVES * (np.arange(512) + 0.5) / 512)
        content = encoded_levels(np.broadcast_to(ripple[None, :, None], (512, 512, 1)))
        picture = Picture(kept_name("maps", "ripple.png", content), "luminance", "data", data=content)
        bump = Map((Layer(picture, Placement("uv")),), 0.0, self.HEIGHT_UM)
        return Specimen("Rippled plate", 60.0, Surface({"bump": bump, "roughness": 0.3}), **more)

    def test_they_are_the_slopes_on_the_ball_itself(self):
        one = self.rippled()
        _, picture = textures_of(one, 256)[NORMAL]
        vectors = 2.0 * picture - 1.0
        slopes = -vectors[..., 0] / vectors[..., 2]
        u = (np.arange(256) + 0.5) / 256
        for row in (127, 64, 40):
            # By its circle of latitude: 30 mm of radius at the equator.
            around_mm = 2.0 * np.pi * 30.0 * np.cos(np.pi * ((row + 0.5) / 256 - 0.5))
            wanted = (
                0.5e-3 * self.HEIGHT_UM * 2.0 * np.pi * self.WAVES / around_mm * np.cos(2.0 * np.pi * self.WAVES * u)
            )
            assert slopes[row] == pytest.approx(wanted, abs=0.02 * np.abs(wanted).max())
        assert vectors[..., 1] == pytest.approx(0.0, abs=1e-9)

    @pytest.mark.parametrize(
        "file", [*(pytest.param(f, marks=pytest.mark.long) for f in ("a.mtlx", "a.usda")), "a.glb"]
    )
    def test_a_bump_leaves_as_normals_and_comes_back(self, tmp_path, file):
        standard = {"mtlx": "materialx", "usda": "usd", "glb": "gltf"}[file.partition(".")[2]]
        study = Study("T", (self.rippled(shape="cloth"),))
        one = study.specimens[0]
        _, lost = write_standard(standard, study, one, tmp_path / file)
        assert not any("map of" in sentence for sentence in lost), lost
        taken = of_one(tmp_path / file, size_mm=60.0)
        bump = taken.specimen.surface.input("bump")
        # It lies on a ball now, whose UVs are longer; the slopes are the same.
        longer = body_of(taken.specimen.surface.lies_on).uv_mm / body_of(one.surface.lies_on).uv_mm
        assert bump.high == pytest.approx(self.HEIGHT_UM * longer, rel=0.02)
        levels = levels_on(bump.chains(), one.surface.lies_on)[:, 0]
        before = levels_on(one.surface.input("bump").chains(), one.surface.lies_on)[:, 0]
        assert np.corrcoef(levels, before)[0, 1] > 0.99

    @pytest.mark.parametrize(("relief", "file"), [
        pytest.param(relief, file, marks=[] if i == j == 0 else [pytest.mark.long])
        for i, relief in enumerate(("follows", "levelled", "its own"))
        for j, file in enumerate(("a.mtlx", "a.usda", "a.glb"))
    ])  # fmt: skip
    def test_a_coats_relief_leaves_and_comes_back(self, tmp_path, file, relief):
        """In all of these a coat is smooth without normals of its own; here it follows what lies below."""
        standard = {"mtlx": "materialx", "usda": "usd", "glb": "gltf"}[file.partition(".")[2]]
        plain = self.rippled()
        ripple = plain.surface.input("bump")
        own = {
            "follows": {"bump": ripple},
            "levelled": {"bump": ripple, "coat.levelling": 1.0},
            "its own": {"coat.bump": ripple},
        }[relief]
        coated = Surface({"coat.amount": 1.0, "coat.roughness": 0.1, "roughness": 0.3, **own})
        study = Study("T", (Specimen("Lacquered sheet", 60.0, coated, shape="cloth"),))
        one = study.specimens[0]
        fits, _ = write_standard(standard, study, one, tmp_path / file)
        # It goes out by the normals that the coat has, or has not.
        told = carried(one, fits[one.name], standard) if relief == "levelled" else {}
        assert told.get("coat.levelling", "").startswith("within" if told else "")
        surface = of_one(tmp_path / file, size_mm=60.0).specimen.surface
        assert set(surface.maps) == {"coat.bump"} if relief == "its own" else {"bump"}
        assert surface["coat.levelling"] == (1.0 if relief == "levelled" else 0.0)
        longer = body_of(surface.lies_on).uv_mm / body_of(one.surface.lies_on).uv_mm
        assert surface.input(next(iter(own))).high == pytest.approx(self.HEIGHT_UM * longer, rel=0.03)

    def test_what_lies_by_places_on_a_mesh_is_told(self, tmp_path):
        bump = Map((Layer(Generator("noise"), Placement("top", (20.0, 20.0))),), 0.0, 100.0)
        study = Study("T", (Specimen("Awning", 60.0, Surface({"bump": bump}), shape="cloth"),))
        _, lost = write_standard("materialx", study, study.specimens[0], tmp_path / "a.mtlx")
        assert any("bump" in sentence for sentence in lost)


def test_a_fall_backs_normals_and_alpha_are_read_as_it_says(tmp_path):
    """A UsdPreviewSurface of another program: normals by scale and bias, opacity from the alpha of a picture."""
    ramp = np.tile(np.linspace(0.0, 1.0, 64), (64, 1))
    cover = np.stack([ramp, ramp, 0.0 * ramp, 0.3 + 0.5 * ramp], axis=-1)
    (tmp_path / "cover.png").write_bytes(encoded_levels(cover))
    flat = np.broadcast_to([0.5, 0.5, 1.0], (64, 64, 3)).copy()
    flat[..., 0] += 0.2 * np.sin(2.0 * np.pi * np.arange(64) / 16)
    (tmp_path / "normal.png").write_bytes(encoded_levels(flat))
    (tmp_path / "a.usda").write_text("""#usda 1.0
    def Material "Pane" {
      token outputs:surface.connect = </Pane/s.outputs:surface>
      def Shader "s" {
        uniform token info:id = "UsdPreviewSurface"
        float inputs:opacity.connect = </Pane/c.outputs:a>
        normal3f inputs:normal.connect = </Pane/n.outputs:rgb>
        token outputs:surface
      }
      def Shader "c" {
        uniform token info:id = "UsdUVTexture"
        asset inputs:file = @cover.png@
        float outputs:a
      }
      def Shader "n" {
        uniform token info:id = "UsdUVTexture"
        asset inputs:file = @normal.png@
        float4 inputs:scale = (2, 2, 2, 1)
        float4 inputs:bias = (-1, -1, -1, 0)
        token inputs:sourceColorSpace = "raw"
        float3 outputs:rgb
      }
    }
    """)
    surface = of_one(tmp_path / "a.usda", size_mm=60.0).specimen.surface
    opacity, bump = surface.input("opacity"), surface.input("bump")
    assert (opacity.low, opacity.high) == pytest.approx((0.3, 0.8), abs=1e-3)
    # Slopes of up to 0.4 / 1, four waves across.
    wide_um = 1000.0 * body_of(surface.lies_on).uv_mm
    assert bump.high == pytest.approx(2.0 * 0.4 * wide_um / (2.0 * np.pi * 4), rel=0.05)
