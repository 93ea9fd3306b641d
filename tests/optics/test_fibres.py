"""The layer of fibres: reciprocity, its limit of an even tangle, and its albedo by brute force."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from references.fibres import layer

from photometra.instruments.integrate import directional_albedo
from photometra.optics.fibre_orders import order_shares
from photometra.optics.fibres import DEPTH, fibre_albedo, fibre_brdf, fibre_crossing
from photometra.surface import Surface
from photometra.surface.compile import compile_surface

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


@pytest.mark.parametrize("s", [0.3, 0.6, 1.0])
def test_every_order_comes_back_as_an_independent_walk_has_it(s):
    cosines, shares = order_shares(s)
    for mu in (0.25, 0.6, 1.0):
        walked = layer(60_000, 1, mu, s, DEPTH)
        for side in range(2):
            # Straight through is not scattered; of the walk's last orders and ours the sums are told.
            theirs = walked[side, 1 - (side == 0) :]
            ours = np.array([np.interp(mu, cosines, order) for order in shares[side]])
            assert ours[:3] == pytest.approx(theirs[:3], abs=0.009)
            assert ours.sum() == pytest.approx(theirs.sum(), abs=0.012)


def test_white_fibres_keep_the_light_of_what_they_stand_on():
    felt = {"colour": (1.0, 1.0, 1.0), "sheen.amount": 1.0, "sheen.colour": (1.0, 1.0, 1.0), "sheen.roughness": 0.5}
    white = compile_surface(Surface(felt))
    dyed = compile_surface(Surface({**felt, "sheen.colour": (0.5,) * 3, "colour": (0.0,) * 3, "ior": 1.0}))
    cosines, (orders, _) = order_shares(0.5)
    for mu in (0.2, 0.5, 1.0):
        assert directional_albedo(white, mu, [550.0])[0] == pytest.approx(1.0, abs=0.015)
        wanted = sum(0.5 ** (k + 1) * np.interp(mu, cosines, order) for k, order in enumerate(orders))
        assert directional_albedo(dyed, mu, [550.0])[0] == pytest.approx(wanted, abs=0.01)
