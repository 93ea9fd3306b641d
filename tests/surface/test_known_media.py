"""Measured media: in an interior as they are, as a subsurface by colour and mean free path, and back."""

import numpy as np
import pytest

from photometra.surface import Surface, rows
from photometra.surface.compile import compile_surface
from photometra.surface.known_media import known_media


def test_there_are_twelve_with_finite_numbers():
    media = known_media()
    assert len(media) == 12 and len({m.name for m in media}) == 12
    for m in media:
        assert all(np.isfinite(v) and v >= 0.0 for v in (*m.scatter, *m.absorption)) and 1.2 < m.ior < 1.6


@pytest.mark.parametrize("medium", known_media(), ids=lambda m: m.name)
def test_a_subsurface_has_the_coefficients_it_was_made_from(medium):
    compiled = compile_surface(Surface({**medium.as_subsurface(), "roughness": 0.0}))
    scatter, absorb = compiled.spectra[rows.SUB_SCATTER, :-1], compiled.spectra[rows.SUB_ABSORPTION, :-1]
    # Where colours are uplifted to spectra only their bands come back: red, green and blue in their middles.
    for wavelength, s, a in zip((620.0, 540.0, 460.0), medium.scatter, medium.absorption, strict=True):
        i = round((wavelength - 380.0) / 5.0)
        assert scatter[i] + absorb[i] == pytest.approx(s + a, rel=0.25)
        assert scatter[i] / (scatter[i] + absorb[i]) == pytest.approx(s / (s + a), abs=0.13)


def test_an_interior_has_them_as_they_are():
    milk = next(m for m in known_media() if m.name == "Whole milk")
    s = Surface(milk.as_interior())
    assert s["interior.scatter"] == milk.scatter and s["interior.absorption"] == milk.absorption
    assert s["transmission"] == 1.0 and s["ior"] == milk.ior
