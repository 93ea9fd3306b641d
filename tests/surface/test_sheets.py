"""Sheets, walls, strokes, fibres and the smaller parameters: against closed forms, and without making light."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.instruments import directional_albedo, measured
from photometra.optics import film_reflectance, fresnel_dielectric
from photometra.surface import Surface, rows, table
from photometra.surface.compile import colours_for, compile_boundary, compile_surface
from photometra.surface.facets import wall_facet
from photometra.surface.sheet import SMOOTHEST_ALPHA

WALL = {"transmission": 1.0, "thin_walled": True}
WHITE = {"colour": (1.0, 1.0, 1.0), "reverse.colour": (1.0, 1.0, 1.0)}
METAL = {"metalness": 1.0, "face_colour": (1.0, 1.0, 1.0), "edge_colour": (1.0, 1.0, 1.0)}


def through_wall(surface, cosine, side=rows.FRONT, at=34):
    compiled = compile_surface(Surface({"roughness": 0.0, **surface}))
    return wall_facet(cosine, side, compiled.scalars, np.ascontiguousarray(compiled.spectra[:, :-1]), at)


@given(st.floats(0.05, 1.0), st.floats(1.1, 2.5), st.floats(0.05, 1.0))
def test_a_wall_sums_all_that_goes_to_and_fro(cosine, ior, once):
    """Against the series itself, term by term, with `once` passing at each crossing."""
    depth = 3.0
    within = np.sqrt(1.0 - (1.0 - cosine**2) / ior**2)
    colour = (once**within,) * 3
    reflected, let = through_wall(
        {**WALL, "ior": ior, "interior.colour": colour, "interior.depth": depth, "thickness": depth}, cosine
    )
    r = float(fresnel_dielectric(cosine, ior))
    inside, back, out = 1.0 - r, r, 0.0
    for _ in range(400):
        inside *= once
        out += inside * (1.0 - r)
        inside *= r * once
        back += inside * (1.0 - r)
        inside *= r
    assert reflected == pytest.approx(back, abs=1e-9)
    assert let == pytest.approx(out, abs=1e-9)


@given(st.floats(0.05, 1.0), st.floats(0.0, 1500.0))
def test_a_bubble_is_a_film_with_air_on_both_sides(cosine, thickness):
    bubble = {**WALL, "ior": 1.0, "film.amount": 1.0, "film.ior": 1.33, "film.thickness": thickness}
    reflected, let = through_wall(bubble, cosine)
    wavelength = 380.0 + 34 * 5.0
    expected = float(film_reflectance(cosine, wavelength, 1.33, thickness, 1.0)) if thickness > 0.0 else 0.0
    # An index of 1 is held a millionth above it.
    assert reflected == pytest.approx(expected, rel=1e-3, abs=1e-4)
    assert reflected + let == pytest.approx(1.0, abs=1e-9)


def shares(compiled, cosine, at, side):
    """(reflected, let through) of light at one angle."""
    return tuple(directional_albedo(compiled, cosine, at, side, way=way) for way in (1.0, -1.0))


@pytest.mark.parametrize("side", [rows.FRONT, rows.REVERSE], ids=["front", "reverse"])
@pytest.mark.parametrize("sheet", [
    {**WALL, "roughness": 0.0}, {**WALL, "roughness": 0.6}, {**WALL, "film.amount": 1.0, "roughness": 0.3},
    {**WHITE, "reverse.translucency": 0.4}, {**WHITE, "reverse.translucency": 1.0, "diffuse_roughness": 0.8},
    {**WHITE, **WALL, "transmission": 0.4, "reverse.translucency": 0.5, "roughness": 0.5},
    {**WHITE, "reverse.translucency": 0.3, "coat.amount": 1.0, "sheen.amount": 0.6},
    {**WALL, "anisotropy": 0.7, "roughness": 0.5},
])  # fmt: skip
def test_a_lossless_sheet_sends_on_all_its_light(sheet, side):
    compiled = compile_surface(Surface(sheet))
    for cosine in (0.3, 0.7, 1.0):
        reflected, passed = shares(compiled, cosine, [550.0], side)
        assert reflected[0] + passed[0] == pytest.approx(1.0, abs=0.01), f"cosine {cosine}"
        assert passed[0] > 0.05


def test_each_side_of_a_cloth_has_its_own_colour_and_what_comes_through_has_both():
    cloth = Surface({
        "colour": (0.8, 0.2, 0.2), "reverse.colour": (0.2, 0.2, 0.8), "reverse.translucency": 0.3, "ior": 1.0,
    })  # fmt: skip
    compiled = compile_surface(cloth)
    at = [460.0, 640.0]
    front, through = shares(compiled, 0.9, at, rows.FRONT)
    back, through_back = shares(compiled, 0.9, at, rows.REVERSE)
    assert front[1] > 2.5 * front[0] and back[0] > 2.5 * back[1]
    assert through == pytest.approx(through_back, rel=5e-3)
    assert through == pytest.approx(0.3 / 0.7 * np.sqrt(front * back), rel=0.02)


@settings(max_examples=15)
@given(st.floats(0.0, 0.95), st.floats(0.1, 0.8), st.sampled_from([METAL, {"colour": (1.0, 1.0, 1.0)}]))
def test_strokes_lose_nothing_whichever_way_they_run(anisotropy, roughness, matter):
    for rotation in (0.0, 40.0, 90.0):
        compiled = compile_surface(
            Surface({**matter, "anisotropy": anisotropy, "roughness": roughness, "rotation": rotation})
        )
        for cosine in (0.5, 0.9):
            assert directional_albedo(compiled, cosine, [550.0])[0] == pytest.approx(1.0, abs=0.01)


def test_gloss_is_higher_along_the_strokes_than_across_them():
    brushed = {"metalness": 1.0, "roughness": 0.35, "anisotropy": 0.8}
    along, across, aslant = (
        measured("glossmeter", Surface({**brushed, "rotation": r})).columns["gloss_units"] for r in (0.0, 90.0, 45.0)
    )
    even = measured("glossmeter", Surface({**brushed, "anisotropy": 0.0})).columns["gloss_units"]
    # Seen along the strokes light spreads across them, out of the plane of the meter, where a facet's tilt turns it by
    # less than in the plane: by the cosine of the angle, so the more so the flatter it comes in.
    assert np.all(along > aslant) and np.all(aslant > across)
    assert np.all(np.diff(along / across) > 0.0) and along[1] / across[1] > 1.0 / np.cos(np.radians(60.0))
    assert np.all(even > 0.0)
    turned_back = measured("glossmeter", Surface({**brushed, "rotation": 180.0})).columns["gloss_units"]
    assert turned_back == pytest.approx(along, rel=1e-6)


def test_the_mean_slope_does_not_depend_on_anisotropy():
    for a in (0.0, 0.5, 1.0):
        s = compile_surface(Surface({"roughness": 0.5, "anisotropy": a})).scalars
        mean_square = 0.5 * (s[rows.ALPHA_X] ** 2 + s[rows.ALPHA_Y] ** 2)
        assert mean_square == pytest.approx(0.25**2, rel=1e-4)
        assert s[rows.ALPHA_Y] >= SMOOTHEST_ALPHA


@pytest.mark.parametrize("matter", [METAL, {"colour": (1.0, 1.0, 1.0)}], ids=["metal", "enamel"])
@pytest.mark.parametrize("roughness", [0.0, 0.5, 1.0])
def test_white_fibres_take_nothing_from_white(matter, roughness):
    for spread in (0.1, 0.5, 1.0):
        s = Surface({**matter, "roughness": roughness, "sheen.amount": 1.0, "sheen.roughness": spread})
        compiled = compile_surface(s)
        for cosine in (0.2, 0.6, 1.0):
            found = directional_albedo(compiled, cosine, [550.0], order=(96, 24))[0]
            assert found == pytest.approx(1.0, abs=0.01), f"spread {spread}, cosine {cosine}"


def test_fibres_light_up_aslant_in_their_own_colour():
    felt = Surface({"colour": (0.02, 0.02, 0.02), "ior": 1.0, "sheen.amount": 1.0, "sheen.colour": (0.9, 0.3, 0.3)})
    compiled = compile_surface(felt)
    facing, aslant = (directional_albedo(compiled, c, [460.0, 640.0], order=(96, 24)) for c in (1.0, 0.12))
    assert np.all(aslant > 2.0 * facing) and aslant[1] > 1.5 * aslant[0]


def test_a_coats_colour_deepens_with_its_thickness_as_beer_says():
    amber = {**METAL, "roughness": 0.0, "coat.amount": 1.0, "coat.roughness": 0.0, "coat.colour": (0.5, 0.5, 0.5)}

    def below(thickness):
        s = Surface({**amber, "coat.thickness": thickness})
        return directional_albedo(compile_surface(s), 1.0, [550.0])[0] - 0.04

    clear = below(0.0)
    assert clear == pytest.approx(0.96, abs=0.01)
    for thickness in (25.0, 50.0, 100.0):
        assert below(thickness) / clear == pytest.approx(0.5 ** (thickness / 50.0), abs=0.02)


def test_a_film_can_be_a_table():
    silver = table("silver")
    s = Surface({"metalness": 1.0, "constants": "titanium", "film.amount": 1.0, "film.constants": "silver"})
    thick = s.with_values({"film.thickness": 2000.0, "roughness": 0.0})
    found = directional_albedo(compile_surface(thick), 1.0, [550.0])[0]
    n, k = silver.on_grid(np.array([550.0]))
    # Two micrometres of silver are silver.
    expected = float((((n - 1) ** 2 + k**2) / ((n + 1) ** 2 + k**2))[0])
    assert found == pytest.approx(expected, abs=3e-3)
    with pytest.raises(ValueError, match="a reading or a model is of the body"):
        Surface({"film.constants": "reading"})


def test_instruments_look_through_what_is_open_into_a_black_trap():
    whole, gauze = (measured("spectrophotometer", Surface({"opacity": o})).columns["reflectance"] for o in (1.0, 0.4))
    assert gauze == pytest.approx(0.4 * whole)


def test_a_boundary_between_two_media_is_their_ratio_both_ways():
    oil, glass = (compile_surface(Surface({"transmission": 1.0, "ior": n})) for n in (1.4, 1.6))
    inward, outward = compile_boundary(oil, glass), compile_boundary(glass, oil)
    assert inward.spectra[rows.ETA] == pytest.approx(1.4 / 1.6)
    for side, other in ((rows.FRONT, rows.INNER), (rows.INNER, rows.FRONT)):
        for cosine in (0.3, 0.8, 1.0):
            a = directional_albedo(inward, cosine, [550.0], side)[0]
            assert a == pytest.approx(directional_albedo(outward, cosine, [550.0], other)[0], abs=1e-6)
    same = directional_albedo(compile_boundary(oil, oil), 0.5, [550.0])[0]
    assert same == pytest.approx(0.0, abs=1e-6)


def test_letting_a_table_go_keeps_the_colours_and_says_what_is_lost():
    for key in ("brass-70-30", "silver"):
        s = Surface({"metalness": 1.0, "constants": key})
        colours, error = colours_for(s)
        without = s.with_values({**colours, "constants": "", "roughness": 0.0})
        with_table = s.with_values({"roughness": 0.0})
        a, b = (directional_albedo(compile_surface(x), 0.95, [480.0, 550.0, 620.0]) for x in (without, with_table))
        assert a == pytest.approx(b, abs=error + 0.03)
        assert 0.0 < error < 0.2


@pytest.mark.parametrize(("roughness", "anisotropy"), [(0.3, 0.5), (0.3, 0.9), (0.5, 0.5), (0.8, 0.5)])
def test_a_brushed_wall_keeps_its_light_and_bends_it_less_than_a_mirror(roughness, anisotropy):
    compiled = compile_surface(Surface({**WALL, "roughness": roughness, "anisotropy": anisotropy}))
    # (n - 1) times the sum of two slopes, against twice one: for an index of 1.5 narrower by a half and more.
    assert compiled.scalars[rows.THROUGH_WIDTH] < 0.6
    for cosine in (1.0, 0.5, 0.2):
        assert sum(shares(compiled, cosine, np.array([550.0]), rows.FRONT))[0] == pytest.approx(1.0, abs=0.015)
