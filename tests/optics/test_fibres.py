"""The layer of fibres: reciprocity, its limit of an even tangle, and its albedo by brute force."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.optics.fibres import DEPTH, fibre_albedo, fibre_brdf, fibre_crossing

_COSINE = st.floats(0.01, 1.0)
_SPREAD = st.floats(0.05, 1.0)


@given(_COSINE, _COSINE, st.floats(0.0, 1.0), _SPREAD)
def test_it_is_reciprocal_and_never_negative(a, b, hz, s):
    assert fibre_brdf(a, b, hz, s) == pytest.approx(fibre_brdf(b, a, hz, s), rel=1e-12)
    assert fibre_brdf(a, b, hz, s) >= 0.0


@given(_COSINE, _COSINE, st.floats(0.0, 1.0))
def test_a_tangle_scatters_once_as_any_even_layer_does(a, b, hz):
    # Single scattering by an even slab of optical depth d (Chandrasekhar 1960): no direction is preferred.
    expected = (1.0 - np.exp(-DEPTH * (1.0 / a + 1.0 / b))) / (4.0 * np.pi * (a + b))
    assert fibre_brdf(a, b, hz, 1.0) == pytest.approx(expected, rel=1e-9)


@given(_SPREAD)
def test_flakes_cover_what_their_distribution_says(s):
    assert fibre_crossing(0.0, s) == pytest.approx(1.0)
    assert fibre_crossing(1.0, s) == pytest.approx(s)


@pytest.mark.parametrize("s", [0.1, 0.4, 1.0])
def test_the_albedo_is_the_integral_of_the_brdf_and_below_one(s):
    mu = np.array([0.05, 0.3, 0.7, 1.0])
    found = fibre_albedo(mu, s)
    rng = np.random.default_rng(3)
    for m, value in zip(mu, found, strict=True):
        o = np.array([np.sqrt(1.0 - m * m), 0.0, m])
        z = np.sqrt(rng.random(60_000))
        phi = 2.0 * np.pi * rng.random(60_000)
        i = np.stack([np.sqrt(1.0 - z * z) * np.cos(phi), np.sqrt(1.0 - z * z) * np.sin(phi), z], axis=1)
        h = o + i
        hz = h[:, 2] / np.linalg.norm(h, axis=1)
        drawn = np.pi * np.array([fibre_brdf(m, a, b, s) for a, b in zip(z, hz, strict=True)])
        assert value == pytest.approx(drawn.mean(), abs=5.0 * drawn.std() / np.sqrt(z.size) + 2e-3)
    assert np.all(found < 1.0) and np.all(np.diff(found) < 0.0), "brighter aslant"
