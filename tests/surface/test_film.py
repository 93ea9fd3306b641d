"""The film on a surface: what instruments read of it is Airy's sum over the body, spread by the finish."""

import warnings

import numpy as np
import pytest

from photometra.instruments import directional_albedo
from photometra.instruments.transmissometer import transmittance
from photometra.optics import colours_from_constants, constants_from_colours, film_reflectance, fresnel_conductor
from photometra.surface import Surface, rows, table
from photometra.surface.checks import findings
from photometra.surface.compile import compile_surface

with warnings.catch_warnings():
    warnings.simplefilter("ignore")
    import tmm

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


LEAF = {"film.amount": 1.0, "film.constants": "gold", "ior": 1.52, "roughness": 0.0}


def stack(thickness, cosine=1.0):
    """(R, T) of gold on glass at `AT`, unpolarised, by the transfer-matrix library."""
    n, k = table("gold").on_grid(AT)
    each = [
        [tmm.coh_tmm(p, [1.0, a + 1j * b, 1.52], [np.inf, thickness, np.inf], np.arccos(cosine), nm) for p in "sp"]
        for nm, a, b in zip(AT, n, k, strict=True)
    ]
    return np.array([[np.mean([one[share] for one in both]) for both in each] for share in "RT"])


@pytest.mark.parametrize("thickness", [15.0, 100.0])
@pytest.mark.parametrize("cosine", [0.99, 0.4])
def test_gold_leaf_on_a_black_body_reflects_what_the_stack_does(thickness, cosine):
    leaf = compile_surface(Surface({**LEAF, "film.thickness": thickness, "colour": (0, 0, 0)}))
    assert directional_albedo(leaf, cosine, AT) == pytest.approx(stack(thickness, cosine)[0], abs=2e-3)


@pytest.mark.parametrize("thickness", [8.0, 20.0])
def test_a_gilded_pane_lets_through_what_two_stacks_do(thickness):
    """Both faces of a slab are gilded, and the glass is thick: no phase between them."""
    pane = compile_surface(Surface({**LEAF, "film.thickness": thickness, "transmission": 1.0}))
    _, t = stack(thickness)
    n, k = table("gold").on_grid(AT)
    back = np.array([
        tmm.coh_tmm("s", [1.52, a + 1j * b, 1.0], [np.inf, thickness, np.inf], 0.0, nm)["R"]
        for nm, a, b in zip(AT, n, k, strict=True)
    ])  # fmt: skip
    regular, total = transmittance(pane, AT, 3.0)
    assert regular == pytest.approx(t**2 / (1.0 - back**2), abs=2e-3) and total == pytest.approx(regular, abs=2e-3)


@pytest.mark.parametrize("side", [rows.FRONT, rows.REVERSE])
def test_a_wall_gilded_on_its_outer_face_is_no_mirror_of_itself(side):
    """A half-silvered window: it lets through the same from either side, and reflects otherwise."""
    wall = compile_surface(Surface({**LEAF, "film.thickness": 20.0, "transmission": 1.0, "thin_walled": True}))
    n, k = table("gold").on_grid(AT)
    stacked = [("incoherent", [1.0, a + 1j * b, 1.52, 1.0], nm) for nm, a, b in zip(AT, n, k, strict=True)]
    wanted = []
    for _, indices, nm in stacked:
        layers, sizes, phases = indices, [np.inf, 20.0, 1e6, np.inf], ["i", "c", "i", "i"]
        if side == rows.REVERSE:
            layers, sizes, phases = layers[::-1], sizes[::-1], phases[::-1]
        one = tmm.inc_tmm("s", layers, sizes, phases, 0.0, nm)
        wanted.append((one["R"], one["T"]))
    found = [directional_albedo(wall, 1.0, AT, side, way=way) for way in (1.0, -1.0)]
    assert np.transpose(found) == pytest.approx(np.array(wanted), abs=3e-3)


@pytest.mark.parametrize("changes", [
    {"roughness": 0.6}, {"roughness": 1.0}, {"roughness": 0.5, "transmission": 1.0},
    {"roughness": 0.4, "coat.amount": 1.0, "coat.roughness": 0.3}, {"thin_walled": True, "transmission": 0.5,
    "roughness": 0.4},
])  # fmt: skip
def test_a_film_that_absorbs_makes_a_white_surface_darker_however_rough(changes):
    clear, gilded = (
        compile_surface(Surface({**LEAF, "colour": (1, 1, 1), **changes, "film.amount": a, "film.thickness": 30.0}))
        for a in (0.0, 1.0)
    )
    for cosine in (1.0, 0.5, 0.2):
        whole = directional_albedo(clear, cosine, [450.0, 650.0])
        less = directional_albedo(gilded, cosine, [450.0, 650.0])
        assert np.all(less > 0.05) and less[0] < 0.75, "gold takes half of the blue"
        assert np.all(less <= 1.0) and (changes.get("transmission") or np.all(less < whole))
