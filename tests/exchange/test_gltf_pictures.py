"""The pictures of a glTF, and what else comes in as maps: each from its channel, as it lies, and normals as heights."""

import json
import struct

import numpy as np
import pytest

from photometra.exchange import write_standard
from photometra.exchange.gltf_pictures import Pictures
from photometra.exchange.graph import Graph
from photometra.maps import Generator, Layer, Map, Placement
from photometra.maps.laying import levels_on, tile_size
from photometra.pictures import encoded_levels, encoded_png
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
        ("opacity", 0.2, 0.9, {}),
        ("coat.amount", 0.1, 0.8, {"coat.ior": 1.5}),
        ("coat.roughness", 0.1, 0.5, {"coat.amount": 1.0, "coat.ior": 1.5}),
        ("film.thickness", 150.0, 450.0, {"film.amount": 1.0, "ior": 2.0}),
        ("anisotropy", 0.1, 0.7, {"metalness": 1.0}),
        ("transmission", 0.2, 0.7, {}),
        ("sheen.roughness", 0.3, 0.8, {"sheen.amount": 0.5}),
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
