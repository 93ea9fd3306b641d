"""Palettes and quadratures: what stands for many levels by few, against arithmetic that shares nothing."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.colour import delta_e_2000, linear_srgb_to_xyz, xyz_to_lab
from photometra.maps import Generator, Layer, Map, Placement
from photometra.maps.laying import MOST_LAID, _laid, laid
from photometra.maps.palette import palette_of
from photometra.shapes.lying import LiesOn
from photometra.surface import Surface
from photometra.surface.bank import compiled_as, gauss_nodes
from photometra.tracing import Rendering, Scene, uniform_environment
from photometra.tracing.materials import materials_of
from photometra.tracing.shading import member_at


def wood(count=3000, seed=2):
    rng = np.random.default_rng(seed)
    t = rng.uniform(size=(count, 1))
    return np.clip((np.array([0.45, 0.25, 0.1]) * (1 - t) + np.array([0.12, 0.05, 0.02]) * t), 0.0, 1.0)


class TestPalette:
    @settings(max_examples=4, deadline=None)
    @given(st.integers(2, 24), st.integers(0, 1000))
    def test_shares_are_shares_and_colours_lie_within(self, count, seed):
        levels = np.random.default_rng(seed).uniform(size=(400, 3))
        palette = palette_of(levels, count)
        nodes, shares = palette.of(levels)
        assert len(palette.colours) <= count and palette.colours.min() >= 0.0 and palette.colours.max() <= 1.0
        assert np.allclose(shares.sum(axis=1), 1.0) and shares.min() >= -1e-9
        assert nodes.min() >= 0 and nodes.max() < len(palette.colours)

    def test_the_colours_of_a_wood_are_met(self):
        levels = wood()
        nodes, shares = (palette := palette_of(levels, 20)).of(levels)
        mixed = (palette.colours[nodes] * shares[..., None]).sum(axis=1)
        off = delta_e_2000(*(xyz_to_lab(linear_srgb_to_xyz(c)) for c in (mixed, levels)))
        assert off.mean() < 2.0 and np.abs(mixed.mean(axis=0) - levels.mean(axis=0)).max() < 0.002

    def test_a_picture_of_few_colours_has_just_these(self):
        few = np.array([[0.1, 0.2, 0.3], [0.8, 0.1, 0.05]])
        palette = palette_of(np.repeat(few, 50, axis=0), 16)
        assert len(palette.colours) == 2
        assert np.abs(np.sort(palette.colours, axis=0) - np.sort(few, axis=0)).max() < 0.02
        one = palette_of(np.full((10, 3), 0.25), 16)
        nodes, shares = one.of(np.full((4, 3), 0.25))
        assert len(one.colours) == 1 and not nodes.any() and np.allclose(shares.sum(axis=1), 1.0)


class TestQuadrature:
    def test_even_levels_give_the_nodes_of_gauss_and_legendre(self):
        even = (np.arange(200_000) + 0.5) / 200_000
        wanted, _ = np.polynomial.legendre.leggauss(6)
        assert np.allclose(gauss_nodes(even, 6), 0.5 * (wanted + 1.0), atol=1e-6)

    @settings(max_examples=30, deadline=None)
    @given(st.integers(2, 7), st.integers(0, 10_000))
    def test_powers_up_to_twice_the_nodes_are_exact(self, count, seed):
        rng = np.random.default_rng(seed)
        levels = rng.beta(*rng.uniform(0.3, 4.0, 2), size=3000)
        nodes = gauss_nodes(levels, count)
        assert np.all(np.diff(nodes) > 0.0) and levels.min() <= nodes[0] and nodes[-1] <= levels.max()
        # Weights by the first powers must then meet the higher ones too.
        vander = np.vander(nodes, count, increasing=True).T
        weights = np.linalg.solve(vander, [np.mean(levels**k) for k in range(count)])
        for k in range(2 * count):
            assert weights @ nodes**k == pytest.approx(np.mean(levels**k), rel=1e-5, abs=1e-8)

    def test_two_levels_need_two_nodes_however_many_are_asked_for(self):
        nodes = gauss_nodes(np.repeat([0.0, 1.0], [900, 100]), 7)
        assert np.allclose(nodes, [0.0, 1.0], atol=1e-9)


class TestChoice:
    def test_the_tracer_takes_members_as_often_as_their_shares_say(self):
        # The kernel at places, against the shares of the same bank reckoned with NumPy.
        noise = (Layer(Generator("noise"), Placement("front", (30.0, 30.0))),)
        bank = compiled_as(Surface({"metalness": 1.0, "roughness": Map(noise, 0.1, 0.5)}))
        scene = Scene(uniform_environment(), stage=False)
        _, _, varying = materials_of(bank, scene)
        rng, state = np.random.default_rng(5), np.array([12345], np.uint64)
        normals = rng.normal(size=(20_000, 3))
        normals /= np.linalg.norm(normals, axis=1, keepdims=True)
        counts = np.zeros(len(bank.members))
        for n in normals:
            place = 30.0 * n + (0.0, 30.0, 0.0)
            chosen = member_at(0, *place, 0, 0.0, 0.0, scene.array(), scene.mesh.arrays, tuple(varying), state)
            counts[chosen - 1] += 1
        shares = bank.shares()
        spread = np.sqrt(shares * (1.0 - shares) / len(normals)) + 0.004
        assert np.all(np.abs(counts / len(normals) - shares) < 4.0 * spread)

    def test_without_maps_no_random_number_is_spent(self):
        # What does not vary gives the same bits whether or not the tracer knows of maps.
        plain = Surface({"metalness": 1.0, "roughness": 0.3})
        pictures = []
        for surface in (plain, plain.lying_on(LiesOn("puck"))):
            rendering = Rendering(compiled_as(surface), Scene(uniform_environment()), 16, 16)
            rendering.add(4)
            pictures.append(rendering.picture())
        assert np.array_equal(*pictures)


def test_laid_maps_stay_within_their_budget():
    for seed in range(20):
        laid(((Layer(Generator("noise", seed)), Layer(Generator("scratches", seed))),), LiesOn())
    assert 0 < _laid.bytes <= MOST_LAID
