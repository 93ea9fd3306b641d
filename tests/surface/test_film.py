"""The film on a surface: what instruments read of it is Airy's sum over the body, spread by the finish."""

import numpy as np
import pytest

from photometra.instruments import directional_albedo
from photometra.optics import colours_from_constants, constants_from_colours, film_reflectance, fresnel_conductor
from photometra.surface import Surface, table
from photometra.surface.checks import findings
from photometra.surface.compile import compile_surface

AT = np.arange(400.0, 701.0, 10.0)
VANE = {"metalness": 1.0, "constants": "titanium", "film.amount": 1.0, "film.ior": 2.4, "roughness": 0.0}


@pytest.mark.parametrize("thickness", [20.0, 92.0, 350.0, 1400.0])
@pytest.mark.parametrize("angle", [8.0, 60.0])
def test_a_polished_metal_reads_airys_sum(thickness, angle):
    cosine = np.cos(np.radians(angle))
    found = directional_albedo(compile_surface(Surface({**VANE, "film.thickness": thickness})), cosine, AT)
    n, k = table("titanium").on_grid(AT)
    assert found == pytest.approx(film_reflectance(cosine, AT, 2.4, thickness, n, k), abs=3e-3)


def test_a_dielectric_reads_airys_sum_and_half_a_film_half_of_it():
    cosine = np.cos(np.radians(8.0))
    black = {"colour": (0, 0, 0), "roughness": 0.0, "ior": 1.52, "film.ior": 1.38, "film.thickness": 100.0}
    bare, whole, half = (
        directional_albedo(compile_surface(Surface({**black, "film.amount": a})), cosine, AT) for a in (0.0, 1.0, 0.5)
    )
    assert whole == pytest.approx(film_reflectance(cosine, AT, 1.38, 100.0, 1.52), abs=1e-4)
    assert half == pytest.approx(0.5 * (bare + whole), abs=1e-6)
    assert whole.max() < 0.6 * bare.min(), "a coated lens"


def test_roughness_spreads_the_colours_of_a_film():
    polished, rough = (
        directional_albedo(compile_surface(Surface({**VANE, "film.thickness": 1000.0, "roughness": r})), 0.99, AT)
        for r in (0.0, 0.8)
    )
    assert np.ptp(rough) < 0.8 * np.ptp(polished)


def test_no_film_and_no_thickness_are_the_bare_surface():
    bare = compile_surface(Surface({"metalness": 1.0, "constants": "titanium"}))
    for film in ({"film.amount": 0.0, "film.thickness": 500.0}, {"film.amount": 1.0, "film.thickness": 0.0}):
        same = compile_surface(Surface({"metalness": 1.0, "constants": "titanium", **film}))
        assert directional_albedo(same, 0.5) == pytest.approx(directional_albedo(bare, 0.5), abs=1e-12)


@pytest.mark.parametrize("key", ["titanium", "gold", "brass-70-30", "chromium"])
def test_a_metals_colours_and_constants_convert_both_ways(key):
    n, k = table(key).on_grid(AT)
    face, edge = colours_from_constants(n, k)
    again = constants_from_colours(face, edge)
    assert np.array(colours_from_constants(*again)) == pytest.approx(np.array([face, edge]), abs=1e-6)
    cosines = np.linspace(0.05, 1.0, 9)[:, None]
    assert fresnel_conductor(cosines, *again) == pytest.approx(fresnel_conductor(cosines, n, k), abs=0.02)


def test_colours_no_metal_has_are_met_at_the_face():
    face, edge = np.array([0.2, 1.0, 0.9]), np.array([0.05, 1.0, 0.1])
    n, k = constants_from_colours(face, edge)
    assert np.all(np.isfinite(n)) and np.all(np.isfinite(k))
    assert colours_from_constants(n, k)[0] == pytest.approx(face, abs=2e-4)


def test_a_tint_multiplies_a_metal_and_leaves_a_dielectric():
    plain, tinted = (
        directional_albedo(compile_surface(Surface({"metalness": 1.0, "constants": "silver", **t})), 0.9)
        for t in ({}, {"tint": (0.5, 0.5, 0.5)})
    )
    assert tinted == pytest.approx(0.5 * plain, rel=1e-2)
    same = [compile_surface(Surface(t)) for t in ({}, {"tint": (0.5, 0.5, 0.5)})]
    assert directional_albedo(same[0], 0.9) == pytest.approx(directional_albedo(same[1], 0.9))


def test_a_film_that_cannot_show_is_said():
    for values, words in (
        ({"film.amount": 1.0, "film.ior": 1.5, "ior": 1.505}, "cannot be seen"),
        ({"film.amount": 1.0, "film.thickness": 0.0}, "no thickness"),
    ):
        found = findings(Surface(values), 60.0, False)
        assert words in found[0].sentence and found[0].mend
        assert not findings(Surface(values).with_values(found[0].mend), 60.0, False)
