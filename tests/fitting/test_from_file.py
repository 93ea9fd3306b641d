"""From a file to a value: each classical determination, by way of noisy readings written, read back and solved."""

import numpy as np
import pytest

from photometra.fitting import next_readings, sensitivities, solve
from photometra.instruments import measured
from photometra.readings import make_reading, read_file, write_file
from photometra.surface import Surface, table
from photometra.surface.compile import constants_of


@pytest.fixture
def filed(tmp_path):
    """A noisy reading of a surface by an instrument, written to a file and read back from it."""
    rng, count = np.random.default_rng(77), iter(range(99))

    def take(key, surface, suffix=".csv", scale=1.0, **how):
        exact = measured(key, surface, **how)
        columns, sigma = dict(exact.columns), {c: scale * s for c, s in exact.sigma.items()}
        for c in exact.kind.values:
            low, high = exact.kind.limits_of(c)
            columns[c] = np.clip(exact.columns[c] + rng.normal(size=exact.rows) * sigma[c], low, high)
        noisy = make_reading(
            exact.name, exact.kind_key, columns, sigma, geometry=exact.geometry, thickness_mm=exact.thickness_mm
        )
        path = tmp_path / f"{next(count)}{suffix}"
        write_file(noisy, path)
        return read_file(path)

    return take


PLATE = Surface({"ior": 1.53, "roughness": 0.12, "colour": (0.1, 0.1, 0.1)})
PANE = Surface({"ior": 1.52, "abbe": 60.0, "transmission": 1.0, "roughness": 0.03})


def within(solution, name, truth, absolute):
    one = next(s for s in solution.solved if s.name == name)
    assert one.value == pytest.approx(truth, abs=absolute), name
    assert one.sigma is not None and abs(one.value - truth) < 4.0 * one.sigma, name


def test_roughness_from_gloss_at_three_angles(filed):
    found = solve(PLATE.with_values({"roughness": 0.4}), (filed("glossmeter", PLATE, ".txt"),), ["roughness"])
    within(found, "roughness", 0.12, 0.004)


def test_index_from_brewsters_minimum(filed):
    found = solve(PLATE.with_values({"ior": 1.4}), (filed("reflectometer", PLATE),), ["ior"])
    within(found, "ior", 1.53, 0.01)


def test_index_and_abbe_number_from_three_lines(filed):
    lines = {"wavelength_nm": [486.13, 587.56, 656.27]}
    reading = filed("refractometer", PANE, places=lines)
    found = solve(PANE.with_values({"ior": 1.6, "abbe": 30.0}), (reading,), ["ior", "abbe"])
    within(found, "ior", 1.52, 3e-4)
    within(found, "abbe", 60.0, 3.0)


def test_absorption_from_two_thicknesses(filed):
    truth = PANE.with_values({"interior.absorption": (0.02, 0.11, 0.3)})
    readings = tuple(filed("transmissometer", truth, thickness_mm=t) for t in (2.0, 10.0))
    assert [r.thickness_mm for r in readings] == [2.0, 10.0]
    start = PANE.with_values({"interior.absorption": (0.1, 0.1, 0.1), "ior": 1.45})
    found = solve(start, readings, ["interior.absorption", "ior"])
    for c, v in zip("rgb", (0.02, 0.11, 0.3), strict=True):
        within(found, f"interior.absorption.{c}", v, 0.02 * v + 0.001)
    within(found, "ior", 1.52, 0.02)


def test_absorption_as_a_spectrum(filed):
    from photometra.surface import PARAMETERS, spectrum_from

    p = PARAMETERS["interior.absorption"]
    lines = spectrum_from(p, [380.0, 460.0, 560.0, 780.0], [0.05, 0.3, 0.12, 0.02])
    reading = filed("transmissometer", PANE.with_values({p.name: lines}), thickness_mm=5.0)
    found = solve(PANE.with_values({p.name: (0.1,) * 21}), (reading,), [p.name])
    assert found.surface[p.name] == pytest.approx(lines, abs=0.012)
    assert found.chi2_reduced < 1.8 and len(found.solved) == 21


def test_absorption_and_scattering_from_transmittance_and_reflectance(filed):
    truth = PANE.with_values({"interior.absorption": (0.01, 0.03, 0.08), "interior.scatter": (0.5, 0.7, 1.1)})
    readings = (filed("transmissometer", truth, thickness_mm=2.0), filed("spectrophotometer", truth, thickness_mm=2.0))
    start = PANE.with_values({"interior.absorption": (0.1,) * 3, "interior.scatter": (2.0,) * 3})
    found = solve(start, readings, ["interior.absorption", "interior.scatter"])
    for name in ("interior.absorption", "interior.scatter"):
        for c, v in zip("rgb", truth[name], strict=True):
            within(found, f"{name}.{c}", v, 0.03 * v + 0.003)


def test_mean_free_path_from_a_scatter_profile(filed):
    truth = Surface({"subsurface": 1.0, "subsurface.colour": (0.8, 0.6, 0.3), "subsurface.radius": (2.0, 1.2, 0.6)})
    start = truth.with_values({"subsurface.radius": (1.0, 1.0, 1.0)})
    found = solve(start, (filed("scatterprobe", truth),), ["subsurface.radius"])
    for c, v in zip("rgb", (2.0, 1.2, 0.6), strict=True):
        within(found, f"subsurface.radius.{c}", v, 0.03 * v)


def test_constants_of_an_unknown_metal_from_ellipsometry(filed):
    truth = Surface({"metalness": 1.0, "constants": "titanium", "roughness": 0.05})
    model = {"metalness": 1.0, "constants": "model", "roughness": 0.05, "model.strength1": 5.0, "model.energy1": 2.5,
             "model.width1": 2.0, "model.strength2": 2.0, "model.energy2": 4.5}  # fmt: skip
    free = ["model.plasma", "model.damping", "model.background",
            *(f"model.{n}{i}" for n in ("strength", "energy", "width") for i in (1, 2))]  # fmt: skip
    found = solve(Surface(model), (filed("ellipsometer", truth),), free)
    n, k = constants_of(found.surface)
    seen = slice(4, 78)
    for got, want in zip((n, k), table("titanium").on_grid(), strict=True):
        assert np.abs(got - want)[seen].max() < 0.05


@pytest.mark.parametrize("base", ["titanium", "silicon", "glass"])
def test_film_thickness_from_a_spectrum_and_the_other_thicknesses_it_could_be(filed, base):
    over = {"titanium": {"metalness": 1.0, "constants": "titanium", "film.ior": 2.3},
            "silicon": {"metalness": 1.0, "constants": "silicon", "film.ior": 1.46},
            "glass": {"ior": 1.52, "colour": (0.0, 0.0, 0.0), "film.ior": 2.1}}[base]  # fmt: skip
    truth = Surface({**over, "roughness": 0.1, "film.amount": 1.0, "film.thickness": 430.0})
    reading = filed("spectrophotometer", truth)
    found = solve(truth.with_values({"film.thickness": 20.0}), (reading,), ["film.thickness"])
    within(found, "film.thickness", 430.0, 4.3)
    assert all(m.chi2_reduced > found.chi2_reduced for m in found.minima)
    assert all(abs(m.value - 430.0) > 13.0 for m in found.minima)


@pytest.mark.long
def test_outliers_move_a_robust_solve_less(filed):
    reading = filed("spectrophotometer", PLATE, geometry="45:0")
    spoilt = dict(reading.columns)
    spoilt["reflectance"] = np.where(np.arange(reading.rows) % 9 == 4, 0.5, reading.columns["reflectance"])
    spoilt = make_reading("spoilt", "reflectance", spoilt, reading.sigma, geometry="45:0")
    plain, robust = (solve(PLATE, (spoilt,), ["colour"], robust=r).surface["colour"] for r in (False, True))
    assert abs(robust[1] - 0.1) < 0.01 < abs(plain[1] - 0.1)


def test_what_a_reading_tells_and_which_should_come_next(filed):
    glass = Surface({"ior": 1.5, "roughness": 0.2, "colour": (0.2, 0.2, 0.2)})
    readings = (filed("spectrophotometer", glass), filed("refractometer", glass))
    s = sensitivities(glass, readings)
    at = {name: i for i, name in enumerate(s.scalars)}
    assert np.isinf(s.errors[1, at["roughness"]]) and s.errors[1, at["ior"]] < 1e-3 < s.errors[0, at["ior"]]
    advised = next_readings(glass, readings, ["roughness", "ior", "colour"])
    best = max(advised, key=lambda a: a.gain("roughness"))
    assert best.instrument in ("glossmeter", "goniophotometer", "reflectometer")
    assert best.after["roughness"] < 0.01 < best.before["roughness"]
    # An index known to 1e-4 is not what another spectrum would better.
    assert all(a.gain("ior") >= 1.0 for a in advised)
