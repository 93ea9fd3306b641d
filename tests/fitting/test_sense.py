"""Advice from the readings: a port that is narrow against how far light wanders must be told of."""

import numpy as np
import pytest

from photometra.fitting import agreements, evidence_findings
from photometra.fitting.sense import reach_mm
from photometra.instruments import measured
from photometra.instruments.transmissometer import media_of
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


@pytest.mark.parametrize("colour", [0.3, 0.6, 0.9])
def test_how_far_light_wanders_is_two_diffusion_lengths(colour):
    surface = WAX.with_values({"subsurface.colour": (colour,) * 3, "subsurface.radius": (1.0,) * 3})
    ((_, absorption, scatter, _),) = media_of(compile_surface(surface), np.array([550.0]))
    missing = absorption[0] / (absorption[0] + scatter[0])
    assert reach_mm(surface) == pytest.approx(2.0 / np.sqrt(3.0 * missing), rel=0.35)
