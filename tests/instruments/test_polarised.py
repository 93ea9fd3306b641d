"""Ellipsometer, reflectometer, goniophotometer and colorimeter against closed forms and another library."""

import math

import numpy as np
import pytest
import tmm

from photometra.colour import reflectance_to_xyz, xyz_to_lab
from photometra.instruments import brdf, measured
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
