"""Other surface models, both ways, and what a graph's nodes do: each by hand."""

from pathlib import Path

import MaterialX as mx
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.exchange.graph import Graph, constant
from photometra.exchange.models import from_burley, from_gltf, from_preview, to_gltf, to_preview
from photometra.exchange.pieces import pieces_of
from photometra.optics import fresnel_dielectric
from photometra.optics.dispersion import index_of_reflectance
from photometra.shapes.body import over_uvs, places_of
from photometra.shapes.lying import LiesOn
from photometra.study import Specimen, Study
from photometra.surface import Surface


def inputs(**values):
    return {k: ("color3" if isinstance(v, tuple) else "float", v) for k, v in values.items()}


def values(given):
    return {k: constant(*np.ravel(np.asarray(v, float))) for k, v in given.items()}


@given(st.floats(1.0001, 3.0))
def test_the_index_of_a_reflectance_is_fresnels_law_turned_round(ior):
    assert index_of_reflectance(fresnel_dielectric(1.0, ior)) == pytest.approx(ior, rel=1e-6)


class TestGltf:
    def test_what_both_have_goes_there_and_back(self):
        given = inputs(
            base_color=(0.2, 0.4, 0.6), base_metalness=0.3, specular_roughness=0.25, specular_ior=1.45, coat_weight=0.5,
            coat_roughness=0.1, thin_film_weight=0.8, thin_film_ior=1.9, thin_film_thickness=0.25, geometry_opacity=0.9,
            fuzz_weight=0.4, fuzz_color=(1.0, 0.5, 0.25), fuzz_roughness=0.6, specular_roughness_anisotropy=0.2,
        )  # fmt: skip
        told = []
        back = from_gltf(values(to_gltf(given, 60.0, told.append)), told.append)
        for name, (_, value) in given.items():
            assert back[name].mean == pytest.approx(np.ravel(value)), name
        assert told == []

    def test_glass_has_its_colour_at_a_depth_and_dispersion_in_metres_and_abbes(self):
        given = inputs(
            transmission_weight=1.0, transmission_color=(0.9, 0.5, 0.1), transmission_depth=8.0,
            transmission_dispersion_scale=1.0, transmission_dispersion_abbe_number=40.0, specular_ior=1.6,
        )  # fmt: skip
        there = to_gltf(given, 50.0, lambda _: None)
        assert there["attenuation_distance"] == 0.008 and there["thickness"] == 0.05 and there["dispersion"] == 0.5
        back = from_gltf(values(there), lambda _: None)
        assert back["transmission_depth"].mean[0] == pytest.approx(8.0)
        assert back["transmission_dispersion_abbe_number"].mean[0] == pytest.approx(40.0)
        assert "geometry_thin_walled" not in back

    @pytest.mark.parametrize(
        ("given", "word"),
        [
            ({"subsurface_weight": 1.0, "subsurface_color": (0.5, 0.4, 0.3)}, "mean free path"),
            ({"base_metalness": 1.0, "specular_color": (0.9, 0.8, 0.7)}, "tint of a metal"),
            ({"coat_weight": 1.0, "coat_color": (0.9, 0.6, 0.3)}, "coat's colour"),
            ({"coat_weight": 1.0, "coat_ior": 1.7}, "coat's index"),
            ({"base_diffuse_roughness": 0.5}, "Lambert"),
            ({"transmission_weight": 1.0, "transmission_scatter": (0.1, 0.1, 0.1)}, "only absorbs"),
        ],
    )
    def test_what_it_cannot_say_is_told(self, given, word):
        told = []
        to_gltf(inputs(**given), 60.0, told.append)
        assert len(told) == 1 and word in told[0]


class TestOthers:
    def test_preview_there_and_back(self):
        given = inputs(base_color=(0.2, 0.4, 0.6), specular_roughness=0.25, specular_ior=1.45, coat_weight=0.5)
        back = from_preview(values(to_preview(given, lambda _: None)), lambda _: None)
        for name, (_, value) in given.items():
            assert back[name].mean == pytest.approx(np.ravel(value)), name

    def test_a_body_and_what_scatters_below_it_share_one_colour(self):
        given = inputs(base_color=(0.8, 0.8, 0.8), subsurface_weight=0.25, subsurface_color=(0.4, 0.0, 0.8))
        for there in (
            to_gltf(given, 60.0, lambda _: None)["base_color"],
            to_preview(given, lambda _: None)["diffuseColor"],
        ):
            assert there == pytest.approx((0.7, 0.6, 0.8))

    def test_a_reflectance_by_colour_becomes_an_index(self):
        told = []
        found = from_preview(values({"useSpecularWorkflow": 1.0, "specularColor": (0.04, 0.04, 0.04)}), told.append)
        assert found["specular_ior"].mean[0] == pytest.approx(1.5) and len(told) == 1

    def test_burleys_gloss_of_a_coat_runs_from_rough_to_smooth(self):
        at = {"baseColor": (0.5, 0.5, 0.5), "clearcoat": 1.0}
        rough, smooth = (
            from_burley(values({**at, "clearcoatGloss": g}), lambda _: None)["coat_roughness"].mean[0]
            for g in (0.0, 1.0)
        )
        # Slope widths of 0.1 and 0.001, whose roots are the roughness.
        assert (rough**2, smooth**2) == pytest.approx((0.1, 0.001))


CASES = [
    ("multiply", {"in1": 0.5, "in2": 0.25}, 0.125),
    ("add", {"in1": 0.5, "in2": 0.25}, 0.75),
    ("subtract", {"in1": 0.5, "in2": 0.25}, 0.25),
    ("divide", {"in1": 0.5, "in2": 0.25}, 2.0),
    ("power", {"in1": 0.5, "in2": 2.0}, 0.25),
    ("min", {"in1": 0.5, "in2": 0.25}, 0.25),
    ("max", {"in1": 0.5, "in2": 0.25}, 0.5),
    ("mix", {"bg": 0.2, "fg": 0.6, "mix": 0.25}, 0.3),
    ("invert", {"in": 0.3}, 0.7),
    ("clamp", {"in": 1.7}, 1.0),
    ("absval", {"in": -0.4}, 0.4),
    ("sqrt", {"in": 0.49}, 0.7),
    ("remap", {"in": 0.5, "inlow": 0.0, "inhigh": 1.0, "outlow": 2.0, "outhigh": 4.0}, 3.0),
    ("range", {"in": 0.25, "gamma": 2.0}, 0.5),
    ("contrast", {"in": 0.75, "amount": 2.0, "pivot": 0.5}, 1.0),
    ("ifgreater", {"value1": 1.0, "value2": 0.5, "in1": 0.1, "in2": 0.9}, 0.1),
    ("ifgreatereq", {"value1": 0.5, "value2": 0.5, "in1": 0.1, "in2": 0.9}, 0.1),
    ("ifequal", {"value1": 0.4, "value2": 0.5, "in1": 0.1, "in2": 0.9}, 0.9),
]


@pytest.fixture(scope="module")
def library():
    made = mx.createDocument()
    mx.loadLibraries(mx.getDefaultDataLibraryFolders(), mx.getDefaultDataSearchPath(), made)
    return made


@pytest.mark.parametrize(("category", "given", "expected"), CASES)
def test_a_node_does_what_the_standard_says(library, category, given, expected):
    """By hand, with the standard's own defaults where nothing is given."""
    doc = mx.createDocument()
    doc.setDataLibrary(library)
    node = doc.addNode(category, "n", "float")
    for name, value in given.items():
        node.addInput(name, "float").setValueString(str(value))
    graph = Graph(Path("."))
    found = graph.output(node, "")
    assert found is not None, graph.notes
    assert found.data.ravel()[0] == pytest.approx(expected)


class TestGeometry:
    def test_the_ball_is_closed_looks_outward_and_has_its_own_size(self):
        (piece,) = pieces_of(Study(), Specimen("Float", 50.0, Surface()))
        three = piece.positions.reshape(-1, 3, 3)
        cross = np.cross(three[:, 1] - three[:, 0], three[:, 2] - three[:, 0])
        middle = np.array([0.0, 25.0, 0.0])
        assert (np.einsum("ij,ij->i", cross, three.mean(axis=1) - middle) > 0.0).all()
        # By the divergence theorem: the volume of a ball, less what its flat faces cut off.
        volume = np.einsum("ij,ij->i", three[:, 0], cross).sum() / 6.0
        assert volume == pytest.approx(4.0 / 3.0 * np.pi * 25.0**3, rel=0.005)
        assert np.linalg.norm(piece.positions - middle, axis=1) == pytest.approx(25.0)
        assert np.allclose(piece.positions, middle + 25.0 * piece.normals)

    def test_its_uvs_are_those_that_maps_lie_on(self):
        (piece,) = pieces_of(Study(), Specimen("Float", 50.0, Surface()))
        u = 0.5 + np.arctan2(piece.normals[:, 0], piece.normals[:, 2]) / (2.0 * np.pi)
        off = np.abs((piece.uvs[:, 0] - u + 0.5) % 1.0 - 0.5)
        away_from_poles = np.abs(piece.normals[:, 1]) < 0.999
        assert off[away_from_poles].max() < 1e-6
        assert piece.uvs[:, 1] == pytest.approx(0.5 + np.arcsin(piece.normals[:, 1].clip(-1, 1)) / np.pi, abs=1e-6)

    @pytest.mark.parametrize("shape", ["ball", "cloth"])
    def test_places_over_the_uvs_have_those_uvs(self, shape):
        lies_on = LiesOn(shape, 40.0)
        found = over_uvs(lies_on, 24)
        at = (np.arange(24) + 0.5) / 24
        u, v = np.meshgrid(at, 1.0 - at)
        even = places_of(lies_on)
        held = np.ptp(even[:, 6:8], axis=0).min() > 0.9
        assert held and np.abs(found[:, 6] % 1.0 - u.ravel()).mean() < 0.02
        assert np.abs(found[:, 7] % 1.0 - v.ravel()).mean() < 0.02
        assert np.linalg.norm(found[:, 3:6], axis=1) == pytest.approx(1.0, abs=1e-6)
