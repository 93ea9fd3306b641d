"""The virtual instruments against standards, closed forms and brute force."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.instruments import (
    INSTRUMENTS,
    brdf,
    constants_reading,
    directional_albedo,
    glossmeter,
    light_split,
    measured,
)
from photometra.instruments.glossmeter import RECEPTOR_DEG, SOURCE_DEG, gloss, spectral_rule
from photometra.instruments.integrate import flux_into_aperture
from photometra.optics import cauchy_ior, fresnel_conductor, fresnel_dielectric
from photometra.surface import Surface, table
from photometra.surface.compile import compile_surface

WHITE_METAL = {"metalness": 1.0, "face_colour": (1.0, 1.0, 1.0), "edge_colour": (1.0, 1.0, 1.0)}


def values(key, surface, geometry="", **more):
    reading = measured(key, surface, geometry, **more)
    return reading.columns[reading.kind.values[0]]


class TestSpectrophotometer:
    def test_a_chalky_white_without_an_interface_reads_one(self):
        white = Surface({"ior": 1.0, "colour": (1.0, 1.0, 1.0), "roughness": 1.0})
        for geometry in ("di:8", "de:8", "45:0"):
            assert values("spectrophotometer", white, geometry) == pytest.approx(np.ones(41), abs=0.01)

    @pytest.mark.parametrize("roughness", [0.0, 0.1, 0.4])
    def test_specular_included_reads_a_metal_whatever_its_finish(self, roughness):
        s = Surface({"metalness": 1.0, "constants": "brass-70-30", "roughness": roughness})
        reading = measured("spectrophotometer", s, "di:8")
        n, k = table("brass-70-30").on_grid(reading.x)
        facing = fresnel_conductor(np.cos(np.radians(8.0)), n, k)
        # Roughness sends a little of the light round twice, which darkens it slightly.
        assert reading.columns["reflectance"] == pytest.approx(facing, abs=0.002 + 0.1 * roughness**2)

    def test_specular_excluded_loses_just_the_mirror_of_a_polished_plate(self):
        mirror = np.full(41, float(fresnel_dielectric(np.cos(np.radians(8.0)), 1.5)))
        for colour in (0.0, 0.3):
            s = Surface({"roughness": 0.0, "ior": 1.5, "colour": (colour,) * 3})
            lost = values("spectrophotometer", s, "di:8") - values("spectrophotometer", s, "de:8")
            # The gloss trap swallows a hundredth of the body's light as well.
            assert lost == pytest.approx(mirror, abs=5e-4 + 0.01 * colour)

    def test_a_matt_surface_reads_alike_both_ways(self):
        s = Surface({"roughness": 1.0, "colour": (0.5, 0.5, 0.5)})
        assert values("spectrophotometer", s, "de:8") == pytest.approx(values("spectrophotometer", s, "di:8"), abs=0.01)


class TestGlossMeter:
    def test_the_standard_reads_one_hundred_whatever_lies_below(self):
        for colour in ((0.0, 0.0, 0.0), (0.04, 0.04, 0.04)):
            s = Surface({"ior": 1.567, "roughness": 0.0, "colour": colour})
            assert values("glossmeter", s) == pytest.approx([100.0, 100.0, 100.0], abs=0.5)

    @pytest.mark.parametrize("ior", [1.4, 1.5, 1.7, 2.0])
    def test_polished_glass_reads_by_fresnel(self, ior):
        s = Surface({"ior": ior, "roughness": 0.0, "colour": (0.0, 0.0, 0.0)})
        cosines = np.cos(np.radians([20.0, 60.0, 85.0]))
        by_hand = 100.0 * fresnel_dielectric(cosines, ior) / fresnel_dielectric(cosines, 1.567)
        # The apertures average over a degree or more, which matters where Fresnel is steep.
        assert values("glossmeter", s) == pytest.approx(by_hand, rel=0.012)

    def test_a_perfect_mirror_reads_as_the_standards_own_loss_tells(self):
        mirror = values("glossmeter", Surface({**WHITE_METAL, "roughness": 0.0}))
        by_hand = 100.0 / fresnel_dielectric(np.cos(np.radians([20.0, 60.0, 85.0])), 1.567)
        assert mirror == pytest.approx(by_hand, rel=0.012)

    def test_gloss_falls_with_roughness_and_more_so_near_the_normal(self):
        read = np.array(
            [
                values("glossmeter", Surface({"roughness": r, "colour": (0.0, 0.0, 0.0)}))
                for r in (0.05, 0.1, 0.2, 0.35, 0.6)
            ]
        )
        assert np.all(np.diff(read, axis=0) < 0.0)
        assert np.all(read[2:, 0] < 0.25 * read[2:, 1])

    @pytest.mark.long
    @pytest.mark.parametrize("values", [
        {"roughness": 0.1}, {"roughness": 0.25}, {"roughness": 0.5},
        {"roughness": 0.6, "coat.amount": 1.0, "coat.roughness": 0.15},
    ])  # fmt: skip
    @pytest.mark.parametrize("angle", [20.0, 60.0, 85.0])
    def test_the_rule_is_a_plain_random_average_over_both_apertures(self, values, angle):
        compiled = compile_surface(Surface({**values, "haze.amount": 0.2}))
        rng = np.random.default_rng(5)
        theta, n = np.radians(angle), 150_000
        source = np.radians(SOURCE_DEG) * (rng.random((n, 2)) - 0.5)
        out = np.radians(RECEPTOR_DEG[angle]) * (rng.random((n, 2)) - 0.5)
        keep = (theta + out[:, 0] < np.pi / 2) & (theta + source[:, 0] < np.pi / 2)
        total = 0.0
        block = n // 64
        for start in range(0, n, block):
            s = source[start]
            wo = np.array([-np.sin(theta + s[0]) * np.cos(s[1]), -np.sin(s[1]), np.cos(theta + s[0]) * np.cos(s[1])])
            o = out[start : start + block]
            inside = keep[start : start + block]
            t = theta + o[:, 0]
            wi = np.column_stack([np.sin(t) * np.cos(o[:, 1]), np.sin(o[:, 1]), np.cos(t) * np.cos(o[:, 1])])
            f = brdf(compiled, wo, wi[inside], np.array([555.0]))[:, 0]
            total += np.sum(f * wi[inside, 2] * np.cos(o[inside, 1])) * wo[2]
        area = np.prod(np.radians(RECEPTOR_DEG[angle]))
        by_chance = total / n * area
        reflected = float(fresnel_dielectric(np.cos(theta), 1.567)) * np.cos(theta)
        expected = gloss(compiled, [angle])[0] * reflected / 100.0
        assert by_chance == pytest.approx(expected, rel=0.04)

    def test_the_spectral_rule_is_exact_for_low_powers(self):
        from photometra.colour import WAVELENGTHS, grid_weights

        w = grid_weights("C")[:, 1] / grid_weights("C")[:, 1].sum()
        nodes, weights = spectral_rule()
        for power in range(6):
            assert weights @ (nodes / 500.0) ** power == pytest.approx(w @ (WAVELENGTHS / 500.0) ** power, rel=1e-9)


class TestRefractometer:
    def test_it_reads_cauchys_curve(self):
        reading = measured("refractometer", Surface({"ior": 1.62, "abbe": 36.0}))
        assert reading.columns["n"] == pytest.approx(cauchy_ior(reading.x, 1.62, 36.0), abs=2e-5)

    def test_a_metal_has_no_index_for_it(self):
        with pytest.raises(ValueError, match="dielectrics only"):
            measured("refractometer", Surface({"metalness": 1.0}))


def test_names_and_geometries_that_do_not_exist():
    with pytest.raises(ValueError, match="no instrument 'ruler'"):
        measured("ruler", Surface())
    with pytest.raises(ValueError, match="has no geometry"):
        measured("spectrophotometer", Surface(), "30:30")
    with pytest.raises(ValueError, match="has no geometry"):
        measured("glossmeter", Surface(), "di:8")
    wax = Surface({"subsurface": 1.0})
    assert all(measured(key, wax).rows for key in INSTRUMENTS)


def test_the_first_active_constants_count(demo):
    brass = demo.specimens[0]
    assert constants_reading(brass.readings) is not None
    idle = tuple(r.with_changes(active=False) for r in brass.readings)
    assert constants_reading(idle) is None


_ANY = st.sampled_from(
    [
        Surface(WHITE_METAL),
        Surface({"metalness": 1.0, "constants": "brass-70-30", "haze.amount": 0.3}),
        Surface({"colour": (0.7, 0.2, 0.1), "roughness": 0.2}),
        Surface({"transmission": 1.0, "interior.colour": (0.9, 0.3, 0.2), "abbe": 40.0}),
        Surface({"transmission": 0.5, "metalness": 0.3}),
    ]
)


@settings(max_examples=25)
@given(_ANY, st.floats(0.0, 85.0))
def test_the_rays_shares_add_up(surface, angle):
    split = light_split(surface, compile_surface(surface), angle, 20.0)
    shares = [split.reflected, split.body, split.absorbed, split.leaves, split.returned]
    assert all(s.share >= -1e-9 for s in shares)
    assert sum(s.share for s in shares) == pytest.approx(1.0, abs=0.01)
    assert split.lobe[1].max() == pytest.approx(1.0)


def test_the_ray_is_refracted_by_snell():
    split = light_split(Surface({"transmission": 1.0}), compile_surface(Surface({"transmission": 1.0})), 40.0, 10.0)
    assert np.sin(np.radians(split.refracted_deg[1])) == pytest.approx(np.sin(np.radians(40.0)) / 1.5, abs=1e-9)
    # A clear plate at 40 degrees: what leaves and what is thrown back at the far side, by Fresnel.
    r = float(fresnel_dielectric(np.cos(np.radians(40.0)), 1.5))
    assert split.returned.share / (split.leaves.share + split.returned.share) == pytest.approx(r, abs=2e-3)


_FINISHES = {
    "enamel": {"ior": 1.53, "colour": (0.1, 0.1, 0.1)},
    "filmed": {"metalness": 1.0, "constants": "titanium", "film.amount": 1.0, "film.thickness": 60.0, "film.ior": 2.3},
    "varnished": {"coat.amount": 1.0, "coat.ior": 1.5, "colour": (0.3, 0.2, 0.1)},
    "brushed": {"metalness": 1.0, "constants": "brass-70-30", "anisotropy": 0.6},
}


class TestRules:
    """The rules that instruments are read by, against rules many times as fine."""

    @pytest.mark.parametrize("roughness", [0.0, 0.02, 0.1, 0.145, 0.3, 0.8])
    @pytest.mark.parametrize("finish", _FINISHES)
    def test_what_a_trap_takes_and_what_is_sent_anywhere(self, finish, roughness):
        given = {**_FINISHES[finish], "roughness": roughness}
        compiled = compile_surface(Surface({**given, "coat.roughness": roughness} if "coat.ior" in given else given))
        nm, beam, half = np.array([420.0, 550.0, 700.0]), np.radians(8.0), (np.radians(5.0),) * 2
        fine = flux_into_aperture(compiled, beam, half, nm, is_round=True, order=(64, 48))
        assert flux_into_aperture(compiled, beam, half, nm, is_round=True) == pytest.approx(fine, abs=3e-5)
        fine = directional_albedo(compiled, np.cos(beam), nm, order=(96, 60))
        assert directional_albedo(compiled, np.cos(beam), nm) == pytest.approx(fine, abs=8e-5)

    @pytest.mark.parametrize("roughness", [0.1, 0.175, 0.25, 0.5])
    @pytest.mark.parametrize("angle", [20.0, 60.0, 85.0])
    def test_gloss(self, angle, roughness, monkeypatch):
        compiled = [compile_surface(Surface({**_FINISHES[f], "roughness": roughness})) for f in ("enamel", "filmed")]
        found = [gloss(c, [angle])[0] for c in compiled]
        for rule in ("_ORDERS", "_ORDERS_WIDE"):
            monkeypatch.setattr(glossmeter, rule, {angle: (40, 30)})
        for rule in ("_SOURCE_NODES", "_SOURCE_NODES_WIDE"):
            monkeypatch.setattr(glossmeter, rule, (5, 5))
        assert found == pytest.approx([gloss(c, [angle])[0] for c in compiled], rel=3e-4)
