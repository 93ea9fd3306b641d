"""The lobes: reciprocity, sampling against density, and energy, on surfaces of every kind."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.stats import chi2

from photometra.colour import WAVELENGTHS, reflectance_of_rgb
from photometra.instruments import brdf, directional_albedo
from photometra.instruments.integrate import wavelength_samples
from photometra.surface import Surface, lobes, rows
from photometra.surface.compile import compile_surface

METAL = {"metalness": 1.0, "face_colour": (1.0, 1.0, 1.0), "edge_colour": (1.0, 1.0, 1.0)}
ENAMEL = {"colour": (1.0, 1.0, 1.0)}
GLASS = {"transmission": 1.0}
FILM = {"film.amount": 1.0, "film.thickness": 420.0, "film.ior": 2.0}
OILED = {"film.amount": 0.7, "film.thickness": 600.0, "film.ior": 1.46, "colour": (0.2, 0.2, 0.2), "ior": 1.33}
VARNISH = {"coat.amount": 1.0, "coat.roughness": 0.45, "coat.ior": 1.55}
RUST = {"metalness": 0.5, "colour": (0.5, 0.2, 0.1), "diffuse_roughness": 0.8}

_FINISH = st.fixed_dictionaries({
    "roughness": st.floats(0.05, 1.0), "haze.amount": st.floats(0.0, 1.0), "haze.spread": st.floats(0.0, 1.0),
})  # fmt: skip
_MATTER = st.sampled_from([
    METAL, ENAMEL, RUST, OILED,
    {**ENAMEL, **VARNISH, "coat.colour": (0.8, 0.5, 0.2)}, {**METAL, **VARNISH},
    {**FILM, "metalness": 1.0, "constants": "titanium"}, {"ior": 2.2, "tint": (1, 0.5, 0)},
    {**ENAMEL, "sheen.amount": 0.7, "sheen.colour": (0.9, 0.4, 0.2)},
    {**METAL, "anisotropy": 0.7, "rotation": 30.0},
    {**ENAMEL, **VARNISH, "anisotropy": 0.4, "coat.anisotropy": 0.8},
    {"reverse.translucency": 0.4, "transmission": 0.3, "diffuse_roughness": 0.5, "sheen.amount": 0.3},
])  # fmt: skip


def direction(polar, turn):
    return np.array([np.sin(polar) * np.cos(turn), np.sin(polar) * np.sin(turn), np.cos(polar)])


@settings(max_examples=40)
@given(_MATTER, _FINISH, st.floats(0.0, 1.5), st.floats(0.0, 1.5), st.floats(0.0, 6.28))
def test_reflection_is_reciprocal(matter, finish, a, b, turn):
    compiled = compile_surface(Surface({**matter, **finish}))
    o, i = direction(a, 0.0), direction(b, turn)
    there, back = brdf(compiled, o, [i]), brdf(compiled, i, [o])
    assert there == pytest.approx(back, rel=1e-9, abs=1e-12)
    assert np.all(there >= 0.0) and np.all(np.isfinite(there))


def evaluated(compiled, wo, wi, side, wavelengths):
    index, fraction, nearest = wavelength_samples(wavelengths)
    scalars, spectra, tables, curves = compiled.arrays
    props = np.empty((spectra.shape[0], index.size))
    rows.gather(spectra, index, fraction, props)
    out, parts = np.empty(index.size), np.empty((rows.LOBES, index.size))
    near, far = lobes.diffuse_probabilities(wo[2], side, scalars, props, nearest, tables, curves)
    density = lobes.evaluate(wo, wi, side, near, far, scalars, props, nearest, tables, curves, parts, out)
    return out.copy(), density


@settings(max_examples=40)
@given(st.floats(0.1, 1.0), st.floats(1.1, 2.5), st.floats(0.0, 1.5), st.floats(0.0, 1.5), st.floats(0.0, 6.28))
def test_refraction_is_reciprocal_in_basic_radiance(roughness, ior, a, b, turn):
    compiled = compile_surface(Surface({**GLASS, "roughness": roughness, "ior": ior}))
    o, i = direction(a, 0.0), direction(b, turn)
    down = np.array([i[0], i[1], -i[2]])
    up = np.array([o[0], o[1], -o[2]])
    there, _ = evaluated(compiled, o, down, rows.FRONT, [550.0])
    back, _ = evaluated(compiled, i, up, rows.INNER, [550.0])
    # f cos / n² is what passes: f(o→i) |cos i| / (n_i² cos i) both ways, here carried as basic radiance.
    assert there[0] * o[2] == pytest.approx(back[0] * i[2] * ior**2, rel=2e-3, abs=1e-9)


@pytest.mark.parametrize("roughness", [0.0, 0.1, 0.3, 0.6, 1.0])
@pytest.mark.parametrize("matter", [METAL, ENAMEL, {**ENAMEL, **FILM}], ids=["metal", "enamel", "film"])
@pytest.mark.parametrize("haze", [0.0, 0.5])
def test_lossless_matter_gives_back_all_the_light(matter, roughness, haze):
    compiled = compile_surface(Surface({**matter, "roughness": roughness, "haze.amount": haze}))
    for cosine in (0.2, 0.5, 0.8, 1.0):
        assert directional_albedo(compiled, cosine, [480.0, 550.0, 650.0]) == pytest.approx(np.ones(3), abs=5e-3), (
            f"cosine {cosine}"
        )


@pytest.mark.parametrize("roughness", [0.0, 0.3, 1.0])
@pytest.mark.parametrize(
    "coat", [{"coat.roughness": 0.0}, {"coat.roughness": 0.7}, {"coat.ior": 2.2}, {"coat.amount": 0.5}]
)
@pytest.mark.parametrize("matter", [METAL, ENAMEL, {**METAL, **FILM}], ids=["metal", "enamel", "film"])
def test_a_clear_coat_takes_nothing_from_white(matter, coat, roughness):
    compiled = compile_surface(Surface({**matter, "roughness": roughness, "coat.amount": 1.0, **coat}))
    for cosine in (0.2, 0.6, 1.0):
        found = directional_albedo(compiled, cosine, [480.0, 550.0, 650.0])
        assert found == pytest.approx(np.ones(3), abs=0.012), f"cosine {cosine}"


@pytest.mark.parametrize("ior", [1.3, 1.5, 1.7])
@pytest.mark.parametrize("roughness", [0.0, 0.3, 1.0])
def test_at_grazing_a_coat_gives_no_more_than_came_in(roughness, ior):
    """A body of the coat's own index has no interface: its facets reflect nothing, and no weight may make up for it."""
    compiled = compile_surface(Surface({**ENAMEL, "roughness": roughness, "coat.amount": 1.0, "coat.ior": ior}))
    for degrees in (80.0, 85.0, 89.0, 89.9):
        cosine = np.cos(np.radians(degrees))
        assert 0.9 < directional_albedo(compiled, cosine, [550.0])[0] < 1.012, degrees


def test_a_coat_deepens_what_lies_below_and_its_colour_deepens_aslant():
    brass = {"metalness": 1.0, "constants": "brass-70-30", "roughness": 0.8}
    bare, coated = (compile_surface(Surface({**brass, "coat.amount": a})) for a in (0.0, 1.0))
    at = [460.0, 640.0]
    a, b = directional_albedo(bare, 0.9, at), directional_albedo(coated, 0.9, at) - 0.04
    assert np.all(b < a) and b[1] / b[0] > 1.1 * a[1] / a[0], "darker, and more saturated"
    # A varnish of the body's own index only takes its interface's place.
    wood = {"colour": (0.5, 0.3, 0.15), "roughness": 0.05}
    bare, coated = (compile_surface(Surface({**wood, "coat.amount": a})) for a in (0.0, 1.0))
    assert directional_albedo(coated, 0.9, at) == pytest.approx(directional_albedo(bare, 0.9, at), abs=0.01)
    amber = Surface({**METAL, "coat.amount": 1.0, "coat.colour": (0.5, 0.5, 0.5), "roughness": 0.0})
    straight, aslant = (directional_albedo(compile_surface(amber), c, [550.0])[0] for c in (1.0, 0.35))
    # Straight: the coat's own 4 %, and half of what passes it down and up.
    assert straight == pytest.approx(0.04 + 0.96 * 0.5, abs=0.02)
    assert aslant < straight


@settings(max_examples=30)
@given(_MATTER, _FINISH, st.floats(0.05, 1.0))
def test_no_surface_gives_more_than_came_in(matter, finish, cosine):
    surface = Surface({**matter, **finish})
    if not max(surface["anisotropy"], surface["coat.anisotropy"]):
        albedo = directional_albedo(compile_surface(surface), cosine, [420.0, 550.0, 680.0])
        assert np.all(albedo >= 0.0) and np.all(albedo <= 1.005)
        return
    # With strokes the light that is lost is known by its first turns only: no more came in on the mean of all turns.
    turns = [
        directional_albedo(compile_surface(surface.with_values({"rotation": r})), cosine, [550.0])[0]
        for r in (0.0, 30.0, 60.0, 90.0, -30.0, -60.0)
    ]
    assert np.mean(turns) <= 1.01 and max(turns) <= 1.06


@pytest.mark.parametrize("coat", [0.0, 0.2, 0.45, 0.7])
@pytest.mark.parametrize("roughness", [0.8, 1.0])
def test_a_rough_white_metal_under_a_coat_sends_back_all_that_came_in(roughness, coat):
    compiled = compile_surface(
        Surface({**METAL, "roughness": roughness, "coat.amount": 1.0, "coat.roughness": coat, "coat.ior": 1.55})
    )
    for cosine in (1.0, 0.7, 0.35, 0.1):
        assert directional_albedo(compiled, cosine, [550.0])[0] == pytest.approx(1.0, abs=0.005), cosine


CASES = {
    "metal": Surface({**METAL, "roughness": 0.4, "haze.amount": 0.4}),
    "enamel": Surface({"colour": (0.6, 0.6, 0.6), "roughness": 0.5, "diffuse_roughness": 0.6}),
    "glass from outside": Surface({**GLASS, "roughness": 0.5}),
    "glass from inside": Surface({**GLASS, "roughness": 0.5}),
    "rust": Surface(RUST),
    "varnished": Surface({**VARNISH, "colour": (0.5, 0.3, 0.1), "roughness": 0.5}),
    "varnished glass": Surface({**VARNISH, **GLASS, "roughness": 0.4}),
    "oiled": Surface({**OILED, "transmission": 0.5, "roughness": 0.4}),
    "brushed": Surface({**METAL, "roughness": 0.6, "anisotropy": 0.6, "haze.amount": 0.3}),
    "grooved glass": Surface({**GLASS, "roughness": 0.6, "anisotropy": 0.5}),
    "felt": Surface({"colour": (0.2, 0.2, 0.2), "sheen.amount": 1.0, "roughness": 0.7}),
    "wall": Surface({**GLASS, "thin_walled": True, "roughness": 0.6}),
    "cloth from behind": Surface({"reverse.translucency": 0.4, "reverse.colour": (0.6, 0.5, 0.4), "roughness": 0.5}),
    "varnished paper": Surface({**VARNISH, "transmission": 0.3, "reverse.translucency": 0.5, "roughness": 0.5}),
}


@pytest.mark.long
@pytest.mark.parametrize("case", CASES)
@pytest.mark.parametrize("cosine", [0.95, 0.45])
def test_drawn_directions_follow_the_density(case, cosine):
    """Chi-square over a grid of directions, expected counts by fine quadrature of `evaluate`'s density."""
    compiled = compile_surface(CASES[case])
    side = rows.INNER if case.endswith("inside") else rows.REVERSE if case.endswith("behind") else rows.FRONT
    scalars, spectra, tables, curves = compiled.arrays
    index, fraction, nearest = wavelength_samples([550.0])
    props = np.empty((spectra.shape[0], 1))
    rows.gather(spectra, index, fraction, props)
    wo = np.array([np.sqrt(1.0 - cosine**2), 0.0, cosine])
    out, wi, parts = np.empty(1), np.empty(3), np.empty((rows.LOBES, 1))
    near, far = lobes.diffuse_probabilities(cosine, side, scalars, props, nearest, tables, curves)
    rng = np.random.default_rng(7)
    draws, bands, columns, fine = 60_000, 16, 8, 14
    counts = np.zeros((bands, columns))
    kept = 0
    for u in rng.random((draws, 3)):
        if lobes.sample(wo, side, near, far, *u, scalars, props, nearest, tables, curves, wi, parts, out) > 0.0:
            z = min(int((wi[2] + 1.0) / 2.0 * bands), bands - 1)
            turn = int((np.arctan2(wi[1], wi[0]) / (2 * np.pi) + 0.5) * columns) % columns
            counts[z, turn] += 1
            kept += 1
    expected = np.zeros_like(counts)
    cell = 4.0 * np.pi / (bands * columns * fine * fine)
    for r in range(bands * fine):
        z = -1.0 + 2.0 * (r + 0.5) / (bands * fine)
        s = np.sqrt(1.0 - z * z)
        for c in range(columns * fine):
            turn = -np.pi + 2.0 * np.pi * (c + 0.5) / (columns * fine)
            wi[:] = s * np.cos(turn), s * np.sin(turn), z
            density = lobes.evaluate(
                wo, wi, side, near, far, scalars, props, nearest, tables, curves, parts, out
            )  # fmt: skip
            expected[r // fine, c // fine] += density * cell
    # What is drawn below the horizon is lost: the density integrates to the share that is kept.
    assert kept / draws == pytest.approx(expected.sum(), abs=0.01)
    expected *= draws
    full = expected > 20.0
    statistic = np.sum((counts[full] - expected[full]) ** 2 / expected[full])
    assert statistic < chi2.ppf(1.0 - 1e-4, full.sum() - 1)
    assert counts[expected < 0.5].sum() < 40


def test_spectra_are_bounded_and_the_body_is_darkened_by_its_interface():
    pigment = (0.6, 0.3, 0.1)
    compiled = compile_surface(Surface({"colour": pigment}))
    body = compiled.spectra[rows.BODY, :-1]
    assert np.all((body >= 0.0) & (body <= 1.0))
    # Light thrown back inside meets the pigment again: what leaves is darker than the pigment alone.
    assert np.all(body < reflectance_of_rgb(pigment))
    assert compiled.index_at([WAVELENGTHS[0]]) == pytest.approx([1.5])


@pytest.mark.parametrize(
    "coat", [{}, {"coat.amount": 1.0, "coat.roughness": 0.3}, {"coat.amount": 1.0, "coat.roughness": 0.7}]
)
@pytest.mark.parametrize("white", [{"colour": (1.0,) * 3}, {"metalness": 1.0, "face_colour": (1.0,) * 3}])
def test_no_white_gives_more_at_grazing_than_came_in(white, coat):
    for roughness in (0.0, 0.6):
        for fibres in (0.0, 1.0):
            given = {**white, **coat, "roughness": roughness, "sheen.amount": fibres, "edge_colour": (1.0,) * 3}
            compiled = compile_surface(Surface(given))
            for degrees in (85.0, 89.0, 89.9):
                cosine = np.cos(np.radians(degrees))
                assert directional_albedo(compiled, cosine, [550.0])[0] < 1.04, (roughness, fibres, degrees)
