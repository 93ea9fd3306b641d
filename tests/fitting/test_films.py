"""Film thickness is found from any start, and every thickness that could be is shown by its misfit."""

import threading

import numpy as np
import pytest

from photometra.fitting import film_misfits, solve
from photometra.instruments import film_colours, measured
from photometra.optics import film_reflectance
from photometra.surface import Surface, table

BASES = {
    "titanium": {"metalness": 1.0, "constants": "titanium", "film.ior": 2.3},
    "glass": {"ior": 1.52, "colour": (0.0, 0.0, 0.0), "film.ior": 1.38},
}


def filmed(base, thickness):
    return Surface({**BASES[base], "roughness": 0.1, "film.amount": 1.0, "film.thickness": thickness})


@pytest.mark.parametrize("base", BASES)
@pytest.mark.parametrize(
    ("truth", "start"), [(75.0, 900.0), (310.0, 20.0), pytest.param(640.0, 0.0, marks=pytest.mark.long)]
)
def test_a_thickness_is_found_within_a_hundredth_from_any_start(base, truth, start):
    readings = (measured("spectrophotometer", filmed(base, truth), "di:8"),)
    found = solve(filmed(base, start), readings, ["film.thickness"])
    assert found.surface["film.thickness"] == pytest.approx(truth, rel=0.01)


def test_the_misfit_is_least_at_the_truth_and_needs_a_reading():
    surface = filmed("titanium", 200.0)
    reading = measured("spectrophotometer", surface, "di:8")
    tried = np.array([100.0, 190.0, 200.0, 210.0, 400.0])
    found = film_misfits(surface, (reading,), tried)
    assert np.argmin(found) == 2 and found[2] < 1e-9
    assert film_misfits(surface, (reading.with_changes(active=False),), tried) is None
    stopped = threading.Event()
    stopped.set()
    assert film_misfits(surface, (reading,), tried, stopped) is None


def test_film_colours_are_airys_sum_seen_under_daylight():
    from photometra.colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_linear_srgb

    thickness = np.array([0.0, 55.0, 420.0])
    found = film_colours(filmed("titanium", 1.0), thickness, 0.8)
    spectra = film_reflectance(0.8, WAVELENGTHS, 2.3, thickness[:, None], *table("titanium").on_grid())
    assert found == pytest.approx(xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, spectra)), abs=1e-9)


def test_film_colours_by_angle_shift_as_the_path_shortens():
    facing, aslant = film_colours(filmed("glass", 300.0), 300.0, np.array([1.0, 0.4]))
    assert not np.allclose(facing / facing.sum(), aslant / aslant.sum(), atol=0.01)
