"""Slabs and what wanders in them: adding and doubling, the transmissometer and the scatter probe."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.instruments import measured
from photometra.instruments.scatterprobe import scatter_profile
from photometra.optics.fresnel import fresnel_dielectric
from photometra.optics.halfspace import directional_reflectance, single_albedo
from photometra.optics.media import slab_transmittance
from photometra.optics.slab import Faces, directions, slab_shares
from photometra.surface import Surface
from photometra.surface.compile import compile_surface

GLASS = Surface({"ior": 1.52, "abbe": 60.0, "transmission": 1.0, "roughness": 0.0})


def shares(albedo, depth, g, ior):
    mu, _ = directions([ior])
    within = fresnel_dielectric(mu, 1.0 / ior) if ior > 1.0 else np.zeros_like(mu)
    entry = np.array([fresnel_dielectric(1.0, ior) if ior > 1.0 else 0.0])
    found = slab_shares(
        [(1.0 - albedo) * depth], [albedo * depth], g, 1.0, np.array([ior]), Faces.polished(entry, within)
    )
    return [float(v[0]) for v in found]


def test_published_slabs():
    # van de Hulst (1980), table 35, and Giovanelli (1955), as Prahl, van Gemert & Welch (1993) quote them.
    assert shares(0.9, 2.0, 0.75, 1.0) == pytest.approx([0.09739, 0.66096], abs=2e-5)
    assert shares(0.9, 1e4, 0.0, 1.5)[0] == pytest.approx(0.2600, abs=2e-4)


@pytest.mark.parametrize("albedo", [0.3, 0.8, 0.99])
def test_a_deep_slab_is_chandrasekhars_half_space(albedo):
    assert shares(albedo, 1e4, 0.0, 1.0)[0] == pytest.approx(directional_reflectance(albedo, 1.0), abs=1e-5)


@settings(max_examples=40, deadline=None)
@given(st.floats(0.0, 1.0), st.floats(1e-3, 300.0), st.floats(-0.9, 0.9), st.floats(1.0, 2.4))
def test_a_slab_keeps_its_light(albedo, depth, g, ior):
    reflected, passed = shares(albedo, depth, g, ior)
    assert passed >= -1e-9 and reflected >= 0.0 and reflected + passed <= 1.0 + 1e-9
    # Each doubling doubles what rounding left: some 6e-9 for the deepest.
    assert sum(shares(1.0, depth, g, ior)) == pytest.approx(1.0, abs=1e-7)


def test_a_clear_pane_and_one_that_only_absorbs():
    pane = measured("transmissometer", GLASS, thickness_mm=5.0)
    index = compile_surface(GLASS).index_at(pane.x)
    assert pane.columns["total"] == pytest.approx(slab_transmittance(index, 0.0, 5.0), abs=1e-6)
    grey = measured("transmissometer", GLASS.with_values({"interior.absorption": (0.2,) * 3}), thickness_mm=5.0)
    assert grey.columns["regular"] == pytest.approx(slab_transmittance(index, 0.2, 5.0), rel=2e-4)
    assert grey.columns["total"] == pytest.approx(grey.columns["regular"], abs=1e-4)


def test_milk_sends_light_everywhere_but_keeps_it():
    milk = GLASS.with_values({"interior.scatter": (2.0,) * 3, "interior.asymmetry": 0.8})
    passed = measured("transmissometer", milk, thickness_mm=2.0)
    sent_back = measured("spectrophotometer", milk, thickness_mm=2.0)
    # At 8 degrees the sphere sees the face as from straight on, within 1e-5.
    assert passed.columns["total"] + sent_back.columns["reflectance"] == pytest.approx(np.ones(passed.rows), abs=1e-4)
    beer = slab_transmittance(compile_surface(milk).index_at(passed.x), 2.0, 2.0)
    assert passed.columns["regular"] == pytest.approx(beer, rel=1e-3)


def test_roughness_takes_the_straight_beam_and_leaves_the_whole():
    smooth, rough = (
        measured("transmissometer", GLASS.with_values({"roughness": r}), thickness_mm=2.0) for r in (0.0, 0.4)
    )
    assert (rough.columns["regular"] < 0.2 * smooth.columns["regular"]).all()
    # Aslant at the far face some of it is thrown back (walked: 0.0085 at an index of 1.52).
    lost = smooth.columns["total"] - rough.columns["total"]
    assert (lost > 0.004).all() and (lost < 0.018).all()
    with pytest.raises(ValueError, match="this surface is a metal"):
        measured("transmissometer", Surface({"metalness": 1.0}))


def test_a_scatter_profile_sums_to_what_comes_back_and_falls_as_diffusion_says():
    radius = np.geomspace(0.021, 59.0, 3000)
    wax = Surface({"ior": 1.0001, "subsurface": 1.0, "subsurface.radius": (1.0,) * 3, "subsurface.colour": (0.9,) * 3})
    compiled = compile_surface(wax)
    profile = scatter_profile(compiled, radius, np.full(radius.size, 550.0))
    # Without an interface the colour is the diffuse albedo; a straight beam gives back less. A hundredth lies nearer.
    single = float(single_albedo(0.9))
    assert np.trapezoid(2.0 * np.pi * radius * profile, radius) == pytest.approx(
        directional_reflectance(single, 1.0), abs=0.012
    )
    # Far off, two sources of opposite sign are left (Farrell, Patterson & Wilson 1992); Milne's wall is at 0.71.
    rate = np.sqrt(3.0 * (1.0 - single))
    far = (radius > 5.0) & (radius < 16.0)
    dipole = 0.0
    for depth in (1.0, 1.0 + 2.0 * 0.71):
        away = np.hypot(radius[far], depth)
        dipole += depth * (rate + 1.0 / away) * np.exp(-rate * away) / away**2
    ratio = profile[far] / dipole
    assert np.ptp(ratio) < 0.2 * ratio.mean()


def test_the_profile_grows_with_the_mean_free_path():
    wax = Surface({"subsurface": 1.0, "subsurface.radius": (1.0,) * 3, "subsurface.colour": (0.8,) * 3})
    wide = wax.with_values({"subsurface.scale": 2.0})
    radius = np.array([0.5, 1.0, 2.0, 4.0])
    one, two = (
        scatter_profile(compile_surface(s), r, np.full(4, 550.0)) for s, r in ((wax, radius), (wide, 2 * radius))
    )
    assert two == pytest.approx(one / 4.0, rel=1e-6)
    with pytest.raises(ValueError, match="scatters inside"):
        measured("scatterprobe", GLASS)
