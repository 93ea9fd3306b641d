"""Advice from the readings: a port that is narrow against how far light wanders must be told of."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.errors import InputError
from photometra.fitting import agreements, evidence_findings, solve
from photometra.fitting.sense import reach_mm
from photometra.instruments import measured
from photometra.instruments.transmissometer import media_of
from photometra.readings import make_reading
from photometra.surface import Surface
from photometra.surface.compile import compile_surface

WAX = Surface({"subsurface": 1.0, "subsurface.colour": (0.8, 0.6, 0.3), "subsurface.radius": (2.0, 1.0, 0.5)})


def said(surface, **areas):
    reading = measured("spectrophotometer", surface, **areas)
    return [f.sentence for f in evidence_findings(surface, agreements(surface, (reading,))) if "wide" in f.sentence]


def test_a_reading_of_wax_must_say_how_wide_it_looks():
    (sentence,) = said(WAX)
    assert "does not say how wide" in sentence and "mm it would read too dark" in sentence
    assert not said(WAX, illuminated_mm=8.0) and not said(WAX, illuminated_mm=8.0, collected_mm=6.0)
    assert not said(Surface()) and not said(WAX.with_values({"subsurface.scale": 0.001}))


def asks_for_metal(surface, *readings):
    """What a gauge's panel says of readings, where it asks whether this is a metal."""
    found = evidence_findings(surface, agreements(surface, readings))
    return [f for f in found if f.mend == {"metalness": 1.0} and "is it a metal?" in f.sentence]


def test_a_gloss_that_no_face_without_metal_has_asks_for_one():
    # Polished metal reads 500 to 1900 at 20 degrees; diamond, by Fresnel with 2.42, 349 there and 211 at 60; glass 90.
    for gloss, asks in (([612.0, 498.0, 118.0], 1), ([349.0, 211.0, 112.0], 0), ([90.0, 94.0, 99.0], 0)):
        reading = make_reading("handle", "gloss", {"angle_deg": [20.0, 60.0, 85.0], "gloss_units": gloss})
        found = asks_for_metal(Surface(), reading)
        assert len(found) == asks
        assert not asks_for_metal(Surface({"metalness": 1.0}), reading)
    (found,) = asks_for_metal(
        Surface(), make_reading("handle", "gloss", {"angle_deg": [20.0, 60.0], "gloss_units": [612.0, 498.0]})
    )
    assert found.sentence.startswith("handle has 498 GU at 60°") and found.mend_label == "A metal"


def test_measured_constants_of_a_metal_are_asked_for_where_they_are_not_used():
    # Copper and crown glass, as tables of both have them.
    at = [450.0, 550.0, 650.0]
    copper = make_reading("pot", "constants", {"wavelength_nm": at, "n": [1.16, 1.02, 0.21], "k": [2.4, 2.58, 3.67]})
    crown = make_reading("pane", "constants", {"wavelength_nm": at, "n": [1.525, 1.519, 1.514], "k": [1e-8] * 3})
    (found,) = asks_for_metal(Surface(), copper)
    assert found.sentence.startswith("by pot the extinction coefficient is up to 3.7")
    assert not asks_for_metal(Surface(), crown)

    def unused(surface):
        found = evidence_findings(surface, agreements(surface, (copper,)))
        return [f.mend for f in found if "face and edge" in f.sentence]

    assert unused(Surface({"metalness": 1.0})) == [{"constants": "reading"}]
    for other in ({}, {"metalness": 1.0, "constants": "reading"}, {"metalness": 1.0, "constants": "copper"}):
        assert unused(Surface(other)) == []


def test_light_that_passes_a_surface_that_lets_none_through_asks_whether_it_is_clear():
    reading = make_reading(
        "pane", "transmittance", {"wavelength_nm": [400.0, 700.0], "regular": [np.nan, np.nan], "total": [0.8, 0.84]},
        thickness_mm=4.0,
    )  # fmt: skip
    (found,) = (f for f in evidence_findings(Surface(), agreements(Surface(), (reading,))) if f.mend)
    assert found.mend == {"transmission": 1.0} and "up to 84 % of the light passes" in found.sentence
    with pytest.raises(InputError, match=r"no parameter is free.*by pane up to 84 %"):
        solve(Surface(), (reading,), ())
    for clear in ({"transmission": 1.0}, {"subsurface": 1.0}, {"thin_walled": True, "reverse.translucency": 0.5}):
        assert not any(f.mend for f in evidence_findings(Surface(clear), agreements(Surface(clear), (reading,))))


@given(st.floats(1.2, 2.45), st.floats(0.0, 1.0), st.sampled_from(["glossmeter", "reflectometer"]))
@settings(max_examples=12)
def test_no_reading_of_what_is_no_metal_asks_for_one(ior, roughness, instrument):
    surface = Surface({"ior": ior, "roughness": roughness, "colour": (0.9, 0.9, 0.9)})
    assert not asks_for_metal(surface, measured(instrument, surface))


@pytest.mark.parametrize("colour", [0.3, 0.6, 0.9])
def test_how_far_light_wanders_is_two_diffusion_lengths(colour):
    surface = WAX.with_values({"subsurface.colour": (colour,) * 3, "subsurface.radius": (1.0,) * 3})
    ((_, absorption, scatter, _),) = media_of(compile_surface(surface), np.array([550.0]))
    missing = absorption[0] / (absorption[0] + scatter[0])
    assert reach_mm(surface) == pytest.approx(2.0 / np.sqrt(3.0 * missing), rel=0.35)
