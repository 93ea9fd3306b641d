"""What the tables of a compiled surface rest on: means over the hemisphere, shares of facets, balanced weights."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.instruments import directional_albedo
from photometra.optics import fresnel_dielectric
from photometra.optics.microfacet import sample_visible_normal, sent_back_until
from photometra.surface import Surface
from photometra.surface.albedo import (
    FACETS,
    MU,
    body_weight,
    facet_shares,
    finish_weight,
    hemispherical,
    landing,
    multiple_scattering_lobe,
)
from photometra.surface.compile import compile_surface
from photometra.surface.split import far_shares, split_of


@given(st.floats(-2.0, 2.0), st.floats(-2.0, 2.0))
def test_means_are_exact_for_straight_lines(a, b):
    # 2 ∫ (a + b mu) mu dmu = a + 2/3 b.
    for mu in (MU, FACETS):
        assert hemispherical(a + b * mu) == pytest.approx(a + 2.0 / 3.0 * b, abs=1e-12)


def test_the_mean_of_fresnel_is_known():
    # Diffuse reflectance of glass of 1.5 from outside: 0.0918 (Duntley 1942).
    assert hemispherical(fresnel_dielectric(FACETS, 1.5)) == pytest.approx(0.0918, abs=3e-4)


@given(st.floats(1e-4, 1.0))
def test_mirror_facets_give_back_no_more_than_comes_in(alpha):
    reflected = facet_shares(alpha, alpha, 1.0).reflected
    total = reflected.sum(axis=1)
    assert np.all(reflected >= 0.0) and np.all(total <= 1.0 + 1e-9)
    assert landing(alpha, alpha).sum(axis=1) == pytest.approx(total, abs=1e-9)


def test_a_polish_meets_facets_at_the_angle_of_the_light():
    shares = facet_shares(1e-4, 1e-4, 1.5)
    reflected, passed = shares.reflected, shares.passed
    for i in (10, 30, 63):
        assert reflected[i] @ FACETS == pytest.approx(MU[i], abs=2e-3)
        assert passed[i] @ FACETS == pytest.approx(MU[i], abs=2e-3)
        assert landing(1e-4, 1e-4)[i] @ MU == pytest.approx(MU[i], abs=2e-3)


def test_rougher_facets_lose_more():
    lost = [1.0 - hemispherical(facet_shares(a, a, 1.0).reflected.sum(axis=1)) for a in (1e-4, 0.1, 0.4, 1.0)]
    assert lost[0] < 1e-3 and np.all(np.diff(lost) > 0.0) and lost[-1] < 0.6


def test_light_from_inside_beyond_the_critical_angle_does_not_pass():
    passed = facet_shares(1e-4, 1e-4, 1.0 / 1.5).passed
    critical = np.sqrt(1.0 - (1.0 / 1.5) ** 2)
    # What does is of facets in the tail of GGX.
    assert np.all(passed[critical - 0.03 > MU].sum(axis=1) < 1e-5)
    assert np.all(passed[critical + 0.03 < MU].sum(axis=1) > 0.9)


@given(st.lists(st.floats(0.0, 1.0), min_size=64, max_size=64))
def test_a_lost_lobe_gives_back_just_what_was_lost(lost):
    curve, mean = multiple_scattering_lobe(np.array(lost))
    # Integral of c(o) c(i) cos over the hemisphere is the loss at o.
    given_back = curve * np.pi * hemispherical(curve)
    if mean > 0.0:
        assert given_back == pytest.approx(lost, abs=1e-9)
    else:
        assert np.all(curve == 0.0)


@pytest.mark.parametrize("roughness", [0.0, 0.4, 1.0])
def test_a_white_body_gives_back_what_is_let_in(roughness):
    passed = 1.0 - fresnel_dielectric(MU, 1.5)
    w = body_weight(passed[None], roughness)[0]
    if roughness == 0.0:
        assert w * hemispherical(w) == pytest.approx(passed, abs=1e-9)
    else:
        assert w == pytest.approx(body_weight(passed[None], 0.0)[0], rel=0.25)
    assert np.all(w >= 0.0)


@pytest.mark.parametrize("alpha", [1e-4, 0.09, 0.5])
def test_a_finish_under_a_coat_is_balanced(alpha):
    passed = 1.0 - fresnel_dielectric(MU, 1.6)
    landed = landing(alpha, alpha)
    curve, mean = multiple_scattering_lobe(1.0 - landed.sum(axis=1))
    w = finish_weight(passed, landed, curve, mean)
    sent = w * (landed @ w + np.pi * curve * hemispherical(curve * w))
    assert sent[3:] == pytest.approx(passed[3:], abs=5e-3)
    if alpha < 1e-3:
        assert w[3:] == pytest.approx(np.sqrt(passed[3:]), abs=5e-3)


@given(st.floats(0.05, 1.0), st.floats(1.05, 2.5))
def test_an_interface_splits_all_its_light_from_both_sides(alpha, eta):
    sides = []
    for relative in (eta, 1.0 / eta):
        f = fresnel_dielectric(FACETS, relative)
        shares = facet_shares(alpha, alpha, relative)
        sides += [part[None] for part in shares.split(f, 1.0 - f)]
    found = split_of(*sides, np.array([eta]), far_shares(alpha, eta))
    for share in found.far:
        assert np.all((share >= 0.0) & (share <= 1.0))
    assert np.all((found.passed >= 0.0) & (found.passed <= 1.0))
    # Étendue: what passes out, times n², is what passes in (Saunderson's relation), here within the quadrature.
    inward = hemispherical(found.passed)[0]
    lost_in = np.clip(1.0 - sides[2] - sides[3], 0.0, 1.0)
    outward = hemispherical(sides[3] + found.far[1] * lost_in)[0]
    assert outward * eta**2 == pytest.approx(inward, abs=0.03)


@given(
    st.floats(0.05, 1.0), st.floats(0.002, 1.0), st.floats(0.002, 1.0), st.floats(0.0, 1.0),
    st.sampled_from([1.0, 1.3, 1.5, 1.8]),
)  # fmt: skip
def test_up_to_where_a_rule_is_laid_light_gets_away_and_beyond_it_does_not(cosine, ax, ay, turn, ior):
    sine = np.sqrt(1.0 - cosine**2)
    x, z = sine / ior, np.sqrt(1.0 - (sine / ior) ** 2)
    until = sent_back_until(x, 0.0, z, ax, ay, turn, ior)

    def gets_away(u1):
        h = np.array(sample_visible_normal(x, 0.0, z, ax, ay, turn, u1))
        there = 2.0 * (x * h[0] + z * h[2]) * h - np.array([x, 0.0, z])
        return there[2] > 0.0 and ior**2 * (1.0 - there[2] ** 2) < 1.0

    assert 0.0 <= until <= 1.0
    for share in (0.05, 0.5, 0.95, 0.9999, 1.0 - 1e-7):
        assert gets_away(share * until) or until == 0.0
    if until < 0.999:
        assert not gets_away(until + 1e-6 * (1.0 - until))


def test_what_is_read_is_smooth_where_facets_begin_to_hide_each_other():
    """A hazy metal, its haze made wider by little: slopes that a solver can take are those of the metal."""
    spreads = np.linspace(0.3, 0.36, 25)
    read = [
        directional_albedo(
            compile_surface(
                Surface({"metalness": 1.0, "roughness": 0.235, "haze.amount": 0.3, "haze.spread": float(s)})
            ),
            np.cos(np.radians(8.0)), [550.0],
        )[0]
        for s in spreads
    ]  # fmt: skip
    t = np.linspace(-1.0, 1.0, spreads.size)
    rest = read - np.polyval(np.polyfit(t, read, 4), t)
    assert np.ptp(read) > 5e-4 and np.abs(rest).max() < 2e-6
