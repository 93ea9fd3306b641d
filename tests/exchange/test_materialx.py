"""The exported document is valid and means what the surface means."""

import MaterialX as mx
import numpy as np
import pytest

from photometra.errors import InputError
from photometra.exchange.materialx import openpbr_inputs, write_materialx
from photometra.optics import fresnel_conductor
from photometra.study import Specimen
from photometra.surface import Surface, table

RUBY = {"transmission": 1.0, "interior.colour": (0.8, 0.1, 0.1)}


def read_back(path):
    doc = mx.createDocument()
    mx.readFromXmlFile(doc, str(path))
    return doc


def specimen(**values):
    return Specimen("Probe of mine", 40.0, Surface({k.replace("__", "."): v for k, v in values.items()}))


def test_the_demo_exports_valid_documents(demo, tmp_path):
    library = mx.createDocument()
    mx.loadLibraries(mx.getDefaultDataLibraryFolders(), mx.getDefaultDataSearchPath(), library)
    definition = library.getNodeDef("ND_open_pbr_surface_surfaceshader")
    assert definition is not None
    for s in (*demo.specimens, Specimen("Ruby", 8.0, Surface(RUBY))):
        path = tmp_path / f"{s.name}.mtlx"
        write_materialx(s, path)
        doc = read_back(path)
        assert doc.validate()[0]
        shader = doc.getNodes("open_pbr_surface")[0]
        for port in shader.getInputs():
            wanted = definition.getActiveInput(port.getName())
            assert wanted is not None and wanted.getType() == port.getType(), port.getName()
        material = doc.getNodes("surfacematerial")[0]
        mixed = doc.getNodes("mix")
        end = mixed[0].getName() if mixed else shader.getName()
        assert material.getInput("surfaceshader").getNodeName() == end
        # Haze is a second surface, mixed in.
        assert bool(mixed) == (s.surface.uniform()["haze.amount"] > 0.0)
        assert [p.name for p in tmp_path.iterdir() if p.name.startswith(".")] == []


def test_a_metals_colour_is_that_of_its_constants():
    inputs, left_out = openpbr_inputs(specimen(metalness=1.0, constants="brass-70-30", haze__amount=0.2))
    n, k = table("brass-70-30").on_grid([610.0, 550.0, 465.0])
    # Three wavelengths stand in roughly for red, green and blue.
    assert inputs["base_color"][1] == pytest.approx(tuple(fresnel_conductor(1.0, n, k)), abs=0.08)
    assert np.all(np.array(inputs["specular_color"][1]) <= 1.0)
    assert any("optical constants" in s for s in left_out) and any("haze" in s for s in left_out)


def test_glass_carries_index_dispersion_and_colour_at_depth():
    inputs, left_out = openpbr_inputs(
        specimen(transmission=1.0, ior=1.62, abbe=36.0, interior__colour=(0.8, 0.2, 0.1), interior__depth=5.0)
    )
    assert inputs["specular_ior"][1] == pytest.approx(1.62, abs=1e-4)
    assert inputs["transmission_weight"][1] == 1.0
    assert inputs["transmission_dispersion_abbe_number"][1] == 36.0
    assert inputs["transmission_depth"][1] == 5.0
    assert inputs["transmission_color"][1] == pytest.approx((0.8, 0.2, 0.1), abs=0.01)
    assert any("spectrum of the absorption" in s for s in left_out)


def test_layers_and_wandering_light_are_carried():
    inputs, _ = openpbr_inputs(
        specimen(
            coat__amount=0.8, coat__ior=1.6, coat__colour=(0.9, 0.7, 0.4), film__amount=1.0, film__thickness=320.0,
            subsurface=1.0, subsurface__radius=(2.0, 1.0, 0.5), subsurface__scale=0.5,
        )
    )  # fmt: skip
    assert (inputs["coat_weight"][1], inputs["coat_ior"][1]) == (0.8, 1.6)
    assert inputs["coat_color"][1] == (0.9, 0.7, 0.4)
    assert inputs["thin_film_thickness"][1] == pytest.approx(0.32)
    assert inputs["subsurface_radius"][1] == 1.0
    assert inputs["subsurface_radius_scale"][1] == (1.0, 0.5, 0.25)
    smoke, _ = openpbr_inputs(specimen(transmission=1.0, interior__scatter=(0.1, 0.2, 0.3), interior__asymmetry=0.6))
    depth = smoke["transmission_depth"][1]
    assert smoke["transmission_scatter"][1] == pytest.approx((0.1 * depth, 0.2 * depth, 0.3 * depth))
    assert smoke["transmission_scatter_anisotropy"][1] == 0.6
    tinted, _ = openpbr_inputs(specimen(metalness=1.0, face_colour=(0.8, 0.8, 0.8), tint=(0.5, 0.5, 0.5)))
    assert tinted["base_color"][1] == pytest.approx((0.4, 0.4, 0.4), abs=1e-3)


def test_a_plain_dielectric_loses_nothing():
    inputs, left_out = openpbr_inputs(specimen(colour=(0.5, 0.5, 0.5), roughness=0.4))
    assert left_out == []
    assert inputs["specular_roughness"][1] == 0.4
    # The interface darkens the body; what is carried is what leaves.
    assert 0.2 < inputs["base_color"][1][0] < 0.5


def test_a_place_that_cannot_be_written(tmp_path):
    with pytest.raises(InputError, match="cannot write here"):
        write_materialx(specimen(), tmp_path / "no" / "a.mtlx")


def test_strokes_fibres_sheets_and_depth_of_coat_are_carried_or_said():
    felt = specimen(
        anisotropy=0.6, rotation=30.0, sheen__amount=0.5, sheen__roughness=0.3, opacity=0.7,
        coat__amount=1.0, coat__thickness=100.0, coat__colour=(0.5, 0.5, 0.5), coat__anisotropy=0.2,
    )  # fmt: skip
    inputs, left_out = openpbr_inputs(felt)
    assert inputs["specular_roughness_anisotropy"][1] == 0.6 and inputs["coat_roughness_anisotropy"][1] == 0.2
    assert inputs["fuzz_weight"][1] == 0.5 and inputs["geometry_opacity"][1] == 0.7
    assert inputs["coat_color"][1] == pytest.approx((0.25,) * 3), "twice as thick as its colour is for"
    assert any("rotation" in s for s in left_out) and "geometry_thin_walled" not in inputs
    cloth = specimen(reverse__translucency=0.3, reverse__colour=(0.4, 0.3, 0.2))
    inputs, left_out = openpbr_inputs(cloth)
    assert inputs["geometry_thin_walled"] == ("boolean", True)
    assert inputs["subsurface_weight"][1] == pytest.approx(0.6)
    assert any("each side" in s for s in left_out)
    skin = specimen(subsurface=1.0, subsurface__shallow=0.4)
    assert any("shallow and deep" in s for s in openpbr_inputs(skin)[1])


def test_a_sheet_and_a_filmed_metal_write_valid_documents(tmp_path):
    for i, s in enumerate((
        specimen(reverse__translucency=0.3, sheen__amount=0.2),
        specimen(metalness=1.0, constants="titanium", film__amount=1.0, film__constants="silver"),
        specimen(transmission=1.0, thin_walled=True, thickness=2.0),
    )):  # fmt: skip
        path = tmp_path / f"{i}.mtlx"
        left_out = write_materialx(s, path)
        assert read_back(path).validate()[0]
        assert i != 2 or any("thickness" in sentence for sentence in left_out)
