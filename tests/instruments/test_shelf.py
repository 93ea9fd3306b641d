"""The shelf of instruments: what each is asked, what it answers, and that one surface has one answer."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_lab
from photometra.instruments import INSTRUMENTS, Question, measured, model_of
from photometra.instruments.goniophotometer import lit_patches
from photometra.instruments.transmissometer import media_of
from photometra.optics.media import interreflections, slab_transmittance
from photometra.readings import make_reading
from photometra.surface import Surface
from photometra.surface.bank import compile_measured
from photometra.surface.compile import compile_surface

WAX = Surface({"subsurface": 1.0, "roughness": 0.3})


@pytest.mark.parametrize("key", INSTRUMENTS)
def test_a_reading_of_a_surface_is_met_by_that_surface(key):
    reading = measured(key, WAX)
    model = model_of(reading, WAX, compile_measured(WAX))
    assert reading.difference(model) == pytest.approx(np.zeros_like(model), abs=1e-12)
    assert np.isfinite(model).all() and Question.of(reading).kind_key == INSTRUMENTS[key].kind_key


@pytest.mark.parametrize(("kind", "columns"), [
    ("photograph", {"incidence_deg": [45.0], "view_deg": [0.0], "red": [0.1], "green": [0.1], "blue": [0.1]}),
    ("coefficients", {"wavelength_nm": [550.0], "absorption_per_mm": [0.1], "scatter_per_mm": [1.0]}),
    ("constants", {"wavelength_nm": [550.0], "n": [1.5], "k": [0.0]}),
])  # fmt: skip
def test_kinds_without_an_instrument_have_a_model_too(kind, columns):
    model = model_of(make_reading("r", kind, columns), WAX, compile_measured(WAX))
    assert model.shape[1] == 1 and np.isfinite(model).all()


def test_coefficients_are_those_of_the_interior():
    milk = Surface({"transmission": 1.0, "interior.absorption": (0.2,) * 3, "interior.scatter": (3.0,) * 3})
    reading = make_reading("c", "coefficients", {"wavelength_nm": [550.0], "absorption_per_mm": [0.1]})
    assert model_of(reading, milk, compile_measured(milk))[:, 0] == pytest.approx([0.2, 3.0, 3.0])
    with pytest.raises(ValueError, match="no interior"):
        model_of(reading, Surface(), compile_measured(Surface()))


def test_media_share_the_light_let_in():
    s = Surface({"transmission": 0.4, "subsurface": 0.5, "subsurface.shallow": 0.3, "interior.scatter": (1.0,) * 3})
    shares = [share for share, _, _, _ in media_of(compile_surface(s), WAVELENGTHS[:3])]
    # What is not clear is half subsurface, and that is shallow by three tenths.
    assert sorted(shares) == pytest.approx(sorted([0.4, 0.3 * 0.7, 0.3 * 0.3]))


def test_a_lit_patch_of_an_even_grey_shows_its_reflectance():
    chalk = Surface({"ior": 1.0, "colour": (0.5, 0.3, 0.2)})
    red, green, blue = lit_patches(compile_surface(chalk), [45.0, -30.0], [0.0, 20.0])
    assert red == pytest.approx([0.5, 0.5], abs=0.01) and green == pytest.approx([0.3, 0.3], abs=0.01)
    assert blue == pytest.approx([0.2, 0.2], abs=0.01)


def test_gauze_lets_the_instruments_look_into_a_black_trap():
    gauze, whole = (WAX.with_values({"opacity": o}) for o in (0.4, 1.0))
    for key in ("spectrophotometer", "glossmeter", "goniophotometer", "scatterprobe", "reflectometer"):
        a, b = (measured(key, s).stacked()[0] for s in (gauze, whole))
        assert a == pytest.approx(0.4 * b, rel=1e-9)
    through = measured("transmissometer", Surface({"opacity": 0.25})).columns["total"]
    assert through == pytest.approx(np.full(through.size, 0.75))


@settings(max_examples=60, deadline=None)
@given(st.floats(0.0, 0.99), st.floats(0.0, 0.99), st.floats(0.0, 1.0))
def test_light_between_two_faces_is_the_sum_of_its_rounds(first, second, once):
    echo = let = 0.0
    carried = 1.0 - first
    for _ in range(4000):
        carried *= once
        let += carried * (1.0 - second)
        carried *= second * once
        echo += carried * (1.0 - first)
        carried *= first
    assert interreflections(1.0 - first, first, second, 1.0 - second, once) == pytest.approx((echo, let), abs=1e-9)
    if once == 1.0:
        assert first + echo + let == pytest.approx(1.0)


@pytest.mark.parametrize("ior", [1.33, 1.5168, 2.4])
def test_a_clear_pane_lets_through_what_textbooks_say(ior):
    # (1 - R) / (1 + R) with R = ((n - 1) / (n + 1))² is 2n / (n² + 1).
    assert slab_transmittance(ior, 0.0, 3.0) == pytest.approx(2.0 * ior / (ior**2 + 1.0), rel=1e-12)


def test_a_colorimeter_sees_what_is_open_as_the_spectrophotometer_does():
    gauze = Surface({"opacity": 0.5, "colour": (0.5, 0.3, 0.2)})
    spectrum = measured("spectrophotometer", gauze)
    read = measured("colorimeter", gauze).columns
    lab = xyz_to_lab(reflectance_to_xyz(spectrum.x, spectrum.columns["reflectance"]))
    assert [read[c][0] for c in "Lab"] == pytest.approx(list(lab), abs=1e-9)
    assert [measured("colorimeter", Surface({"opacity": 0.0})).columns[c][0] for c in "Lab"] == pytest.approx([0.0] * 3)


def test_a_colour_let_through_is_what_the_transmissometer_reads():
    ruby = Surface({"transmission": 1.0, "interior.colour": (0.6, 0.05, 0.04), "interior.depth": 3.0})
    through = measured("transmissometer", ruby, thickness_mm=4.5)
    read = measured("colorimeter", ruby, "0:di", thickness_mm=4.5)
    lab = xyz_to_lab(reflectance_to_xyz(through.x, through.columns["total"]))
    assert [read.columns[c][0] for c in "Lab"] == pytest.approx(list(lab), abs=1e-6) and read.thickness_mm == 4.5


@pytest.mark.parametrize("aspecular", [15, 25, 45, 75, 110])
def test_a_multi_angle_head_reads_a_diffuser_evenly_and_a_lobe_by_its_own_formula(aspecular):
    """Against the GGX formula of a rough metal, averaged over the receptor by brute force, with nothing of ours."""
    white = measured("spectrophotometer", Surface({"colour": (1.0,) * 3, "ior": 1.0}), f"45as{aspecular}")
    assert white.columns["reflectance"] == pytest.approx(np.ones(white.rows), abs=0.005)
    alpha, view = 0.4**2, np.radians(45.0 - aspecular)
    across, along = np.meshgrid(*[np.radians(np.linspace(-2.0, 2.0, 41))] * 2)
    t, a = view + along, across
    l = np.array([np.sin(np.radians(-45.0)), 0.0, np.cos(np.radians(45.0))])  # noqa: E741
    v = np.stack([np.sin(t) * np.cos(a), np.sin(a), np.cos(t) * np.cos(a)])
    h = v + l[:, None, None]
    h /= np.linalg.norm(h, axis=0)
    d = alpha**2 / (np.pi * (h[2] ** 2 * (alpha**2 - 1.0) + 1.0) ** 2)
    lam = lambda z: 0.5 * (np.sqrt(1.0 + alpha**2 * (1.0 / z**2 - 1.0)) - 1.0)  # noqa: E731
    single = d / (1.0 + lam(v[2]) + lam(l[2])) / (4.0 * v[2] * l[2])
    mirror = Surface({"metalness": 1.0, "face_colour": (1.0,) * 3, "edge_colour": (1.0,) * 3, "roughness": 0.4})
    read = measured("spectrophotometer", mirror, f"45as{aspecular}").columns["reflectance"][20]
    # A perfect mirror's facets, and besides what has met several of them.
    assert np.pi * single.mean() <= read * 1.001 and read - np.pi * single.mean() < 0.08
