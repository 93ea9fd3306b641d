"""Ellipsometer, reflectometer, goniophotometer and colorimeter against closed forms and another library."""

import math

import numpy as np
import pytest
import tmm

from photometra.colour import reflectance_to_xyz, xyz_to_lab
from photometra.fitting import solve
from photometra.instruments import brdf, measured
from photometra.readings import read_file
from photometra.surface import Surface, table
from photometra.surface.compile import compile_surface

VANE = Surface(
    {
        "metalness": 1.0,
        "constants": "titanium",
        "roughness": 0.02,
        "film.amount": 1.0,
        "film.thickness": 64.0,
        "film.ior": 2.32,
    }
)


@pytest.mark.parametrize(("film", "angle"), [(0.0, 60.0), (64.0, 65.0), (300.0, 75.0)])
def test_psi_and_delta_agree_with_a_transfer_matrix_library(film, angle):
    surface = VANE.with_values({"film.amount": float(film > 0.0), "film.thickness": film})
    n, k = table("titanium").on_grid(np.array([550.0]))
    layers, depths = [1.0, 2.32, complex(n[0], k[0])], [math.inf, film, math.inf]
    if not film:
        del layers[1], depths[1]
    want = tmm.ellips(layers, depths, math.radians(angle), 550.0)
    places = {"angle_deg": [angle], "wavelength_nm": [550.0]}
    reading = measured("ellipsometer", surface, places=places)
    assert reading.columns["psi_deg"][0] == pytest.approx(math.degrees(want["psi"]), abs=1e-6)
    # Its delta is 0 where ours is 180 at normal incidence, and time runs the other way.
    told = (180.0 - math.degrees(want["Delta"])) % 360.0
    assert reading.columns["delta_deg"][0] == pytest.approx(told, abs=1e-6)


def test_what_an_ellipsometer_cannot_read():
    with pytest.raises(ValueError, match="through a coat"):
        measured("ellipsometer", Surface({"coat.amount": 1.0}))
    with pytest.raises(ValueError, match="no phase"):
        measured("ellipsometer", Surface({"metalness": 1.0}))


def test_reflectance_vanishes_for_p_at_brewsters_angle():
    plate = Surface({"ior": 1.532, "roughness": 0.05, "colour": (0.0, 0.0, 0.0)})
    angles = np.arange(50.0, 65.0, 0.05)
    p = measured("reflectometer", plate, places={
        "angle_deg": angles, "wavelength_nm": np.full(angles.size, 589.3), "polarisation": np.ones(angles.size)
    })  # fmt: skip
    assert angles[np.argmin(p.columns["reflectance"])] == pytest.approx(math.degrees(math.atan(1.532)), abs=0.1)
    assert p.columns["reflectance"].min() < 1e-5
    s, p = measured("reflectometer", plate).columns["reflectance"].reshape(-1, 2).T
    both = measured("reflectometer", plate, places={
        "angle_deg": np.arange(10, 86, 5), "wavelength_nm": np.full(16, 550.0), "polarisation": np.full(16, 0.5)
    })  # fmt: skip
    assert 0.5 * (s + p) == pytest.approx(both.columns["reflectance"], rel=1e-9)


def test_the_lobe_is_the_brdf_seen_through_a_small_receptor():
    s = Surface({"roughness": 0.5, "colour": (0.2, 0.2, 0.2)})
    reading = measured("goniophotometer", s)
    i = list(reading.x).index(20.0)
    f = brdf(compile_surface(s), (-math.sin(math.pi / 4), 0.0, math.cos(math.pi / 4)),
             [(math.sin(math.radians(20.0)), 0.0, math.cos(math.radians(20.0)))], np.array([560.0]))  # fmt: skip
    assert reading.columns["brdf_per_sr"][i] == pytest.approx(f[0, 0], rel=0.01)


def test_a_colorimeter_says_what_the_spectrum_says():
    s = Surface({"colour": (0.3, 0.1, 0.05)})
    spectrum = measured("spectrophotometer", s, "45:0")
    lab = measured("colorimeter", s, "45:0", illuminant="A", observer="1964-10")
    want = xyz_to_lab(reflectance_to_xyz(spectrum.x, spectrum.columns["reflectance"], "A", "1964-10"), "A", "1964-10")
    assert [float(lab.columns[c][0]) for c in "Lab"] == pytest.approx(want, abs=1e-6)


class TestGonioreflectometer:
    """The BRDF all round: against the lobe in the plane, reciprocity, a body that sends alike everywhere, and GGX."""

    def asked(self, surface, incidence, view, azimuth):
        places = {"incidence_deg": incidence, "view_deg": view, "azimuth_deg": azimuth}
        return measured("gonioreflectometer", surface, places=places).columns["brdf_per_sr"]

    def test_across_from_the_light_it_is_the_lobe_in_the_plane(self):
        surface = Surface({"metalness": 1.0, "constants": "gold", "roughness": 0.35})
        views = [10.0, 40.0, 45.0, 60.0]
        lobe = measured("goniophotometer", surface, places={"incidence_deg": [45.0] * 4, "view_deg": views})
        table = self.asked(surface, [45.0] * 4, views, [180.0] * 4)
        assert table == pytest.approx(lobe.columns["brdf_per_sr"], rel=1e-3)
        # A view on the side of the light is one at azimuth 0, or a negative one.
        back = measured("goniophotometer", surface, places={"incidence_deg": [45.0], "view_deg": [-30.0]})
        assert self.asked(surface, [45.0], [30.0], [0.0]) == pytest.approx(back.columns["brdf_per_sr"], rel=1e-3)

    def test_it_is_reciprocal_and_even_in_azimuth(self):
        surface = Surface({"roughness": 0.5, "colour": (0.4, 0.4, 0.4)})
        there = self.asked(surface, [20.0, 20.0], [50.0, 50.0], [130.0, -130.0])
        assert there[0] == pytest.approx(there[1], rel=1e-6)
        assert self.asked(surface, [50.0], [20.0], [130.0]) == pytest.approx(there[:1], rel=2e-3)

    def test_a_rough_metal_all_round_is_ggx_with_smiths_shadowing(self):
        """Walter et al. (2007) with height-correlated Smith shadowing (Heitz 2014), a third of it reflected."""
        alpha, third = 0.4**2, (1.0 / 3.0,) * 3
        surface = Surface({"metalness": 1.0, "face_colour": third, "edge_colour": third, "roughness": 0.4})
        cases = [(30.0, 20.0, 150.0), (30.0, 45.0, 120.0), (60.0, 50.0, 165.0)]
        found = self.asked(surface, *(list(v) for v in zip(*cases, strict=True)))
        for (i, r, phi), value in zip(cases, found, strict=True):
            ti, tr, p = np.radians([i, r, phi])
            wi = np.array([np.sin(ti), 0.0, np.cos(ti)])
            wr = np.array([np.sin(tr) * np.cos(p), np.sin(tr) * np.sin(p), np.cos(tr)])
            h = (wi + wr) / np.linalg.norm(wi + wr)
            d = alpha**2 / (np.pi * (1.0 + (alpha**2 - 1.0) * h[2] ** 2) ** 2)
            lam = [0.5 * (np.sqrt(1.0 + (alpha * np.tan(t)) ** 2) - 1.0) for t in (ti, tr)]
            ggx = third[0] * d / (1.0 + sum(lam)) / (4.0 * wi[2] * wr[2])
            # Of what is lost at the first bounce a ninth at the most comes back, evenly.
            assert value == pytest.approx(ggx, rel=0.03, abs=0.002), (i, r, phi)

    def test_a_table_of_others_comes_in_and_is_solved(self, tmp_path):
        truth = Surface({"metalness": 1.0, "constants": "copper", "roughness": 0.33})
        made = measured("gonioreflectometer", truth)
        rows = zip(*(made.columns[c] for c in ("incidence_deg", "view_deg", "azimuth_deg", "brdf_per_sr")), strict=True)
        text = "theta_i,theta_r,phi,BRDF (1/sr)\n" + "".join(",".join(f"{v:.8g}" for v in row) + "\n" for row in rows)
        (tmp_path / "table.csv").write_text(text)
        reading = read_file(tmp_path / "table.csv")
        assert reading.kind_key == "brdf" and reading.rows == made.rows
        found = solve(truth.with_values({"roughness": 0.6}), (reading,), ("roughness",))
        assert found.surface["roughness"] == pytest.approx(0.33, abs=2e-3) and found.verdict.is_good
