"""The thin film against an independent transfer-matrix library, and its limits."""

import warnings

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.optics import film_reflectance, fresnel_conductor, fresnel_dielectric
from photometra.optics.film import film_transmittance

with warnings.catch_warnings():
    warnings.simplefilter("ignore")
    import tmm


def by_transfer_matrix(cosine, wavelength, film, thickness, base, share="R"):
    angle = np.arccos(cosine)
    return np.mean(
        [tmm.coh_tmm(p, [1.0, film, base], [np.inf, thickness, np.inf], angle, wavelength)[share] for p in ("s", "p")]
    )


@settings(max_examples=200)
@given(
    st.floats(0.01, 1.0),
    st.floats(380.0, 780.0),
    st.floats(1.2, 2.8),
    st.floats(0.0, 0.5),
    st.floats(0.5, 1500.0),
    st.floats(0.1, 4.0),
    st.floats(0.0, 6.0),
)
def test_agrees_with_the_transfer_matrix(cosine, wavelength, n1, k1, thickness, n2, k2):
    expected = by_transfer_matrix(cosine, wavelength, n1 + 1j * k1, thickness, n2 + 1j * k2)
    found = film_reflectance(cosine, wavelength, n1 + 1j * k1, thickness, n2, k2)
    assert found == pytest.approx(expected, abs=1e-10)


@settings(max_examples=200)
@given(
    st.floats(0.01, 1.0), st.floats(380.0, 780.0), st.floats(0.1, 2.8), st.floats(0.0, 5.0), st.floats(0.5, 200.0),
    st.floats(1.0, 2.5),
)  # fmt: skip
def test_what_an_absorbing_film_lets_through_agrees(cosine, wavelength, n1, k1, thickness, n2):
    expected = by_transfer_matrix(cosine, wavelength, n1 + 1j * k1, thickness, n2, "T")
    assert film_transmittance(cosine, wavelength, n1 + 1j * k1, thickness, n2) == pytest.approx(expected, abs=1e-10)


@given(st.floats(0.01, 1.0), st.floats(1.01, 2.8), st.floats(0.5, 1500.0), st.floats(0.1, 4.0), st.floats(0.0, 6.0))
def test_a_clear_film_agrees_too(cosine, n1, thickness, n2, k2):
    expected = by_transfer_matrix(cosine, 550.0, n1, thickness, n2 + 1j * k2)
    assert film_reflectance(cosine, 550.0, n1, thickness, n2, k2) == pytest.approx(expected, abs=1e-10)


@given(st.floats(0.001, 1.0), st.floats(1.0, 3.0), st.floats(0.0, 5.0), st.floats(1.1, 2.5))
def test_no_film_is_the_bare_base(cosine, n, k, film):
    found = film_reflectance(cosine, 550.0, film, 0.0, n, k)
    assert found >= 0.0 and found == pytest.approx(float(fresnel_conductor(cosine, n, k)), abs=1e-11)


def test_a_film_of_the_base_changes_nothing():
    thickness = np.linspace(0.0, 900.0, 40)
    bare = float(fresnel_dielectric(0.6, 1.7))
    assert film_reflectance(0.6, 550.0, 1.7, thickness, 1.7) == pytest.approx(np.full(40, bare), abs=1e-12)


def test_a_quarter_wave_of_the_root_index_reflects_nothing():
    film = np.sqrt(1.52)
    assert film_reflectance(1.0, 550.0, film, 550.0 / (4.0 * film), 1.52) == pytest.approx(0.0, abs=1e-14)


def test_a_bubble_in_a_denser_outer_medium():
    # A thin gap of air between two glasses: frustrated total reflection, nearly gone when the gap is thin.
    cosine = np.cos(np.radians(60.0))
    reflectance = film_reflectance(cosine, 550.0, 1.0, np.array([1.0, 50.0, 5000.0]), 1.5, 0.0, 1.5)
    assert reflectance[0] < 1e-3 < reflectance[1] < reflectance[2]
    assert reflectance[2] == pytest.approx(1.0, abs=1e-6)


@pytest.mark.parametrize(
    "arguments",
    [
        (1.2, 550.0, 1.4, 100.0, 1.5),
        (0.5, 0.0, 1.4, 100.0, 1.5),
        (0.5, 550.0, 0.0, 100.0, 1.5),
        (0.5, 550.0, 1.4, -1.0, 1.5),
        (0.5, 550.0, 1.4 - 0.1j, 100.0, 1.5),
        (0.5, 550.0, 1.4, 100.0, 1.5, -0.1),
    ],
)
def test_outside_its_domain_it_says_so(arguments):
    with pytest.raises(ValueError):
        film_reflectance(*arguments)


def test_shapes_broadcast_and_grazing_reflects_all():
    r = film_reflectance(np.linspace(0, 1, 9)[:, None], np.linspace(400, 700, 31), 1.38, 110.0, 1.52)
    assert r.shape == (9, 31)
    assert np.all(r[0] == 1.0)
