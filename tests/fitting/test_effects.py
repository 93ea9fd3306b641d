"""Systematic effects: instruments that are off shift no parameter beyond its bar, and say how far they are off."""

import numpy as np
import pytest

from photometra.colour import lab_to_xyz, xyz_to_lab
from photometra.errors import InputError
from photometra.fitting import solve
from photometra.fitting.uncertainty import marginal
from photometra.instruments import as_shown, drawn, measured, misread
from photometra.readings import Systematic, make_reading, systematic_of
from photometra.surface import Surface

BLUE = Surface({"colour": (0.03, 0.08, 0.3), "roughness": 0.2, "ior": 1.52})
RUBY = Surface({"transmission": 1.0, "ior": 1.53, "interior.colour": (0.62, 0.03, 0.04), "interior.depth": 4.0})


def _read(key, surface, by, rng, geometry="", systematic=None, **how):
    """A reading by an instrument that is off, with its usual noise; what it says of that is `systematic`."""
    exact = measured(key, surface, geometry, **how)
    shown = misread(exact, surface, by)
    columns = {c: v + rng.normal(size=v.size) * exact.sigma[c] for c, v in zip(exact.kind.values, shown, strict=True)}
    return exact.remade(columns={**exact.columns, **columns}, systematic=systematic)


@pytest.mark.parametrize("text", ["gain 1 %, offset 0.001", "thickness 0.05 mm", "Angle 0.1°, gain 0.5%", "none"])
def test_a_text_and_back(text):
    found = systematic_of(text)
    assert systematic_of(found.text) == systematic_of(found.exact) == found


@pytest.mark.parametrize(
    "text", ["", "2 %", "gain", "gain 1 mm", "gain -1 %", "gain 1 %, gain 2 %", "offset inf", "gain 900 %", "x" * 999]
)
def test_what_is_none_is_refused_in_a_sentence(text):
    with pytest.raises(InputError, match=r"systematic|twice"):
        systematic_of(text)


def test_a_reading_has_what_is_usual_for_its_kind_and_refuses_what_it_cannot_have():
    reading = measured("spectrophotometer", BLUE)
    assert reading.systematic == Systematic(0.01, 0.001) and measured("transmissometer", RUBY).systematic.thickness_mm
    assert reading.remade(systematic="none").systematic == Systematic()
    with pytest.raises(InputError, match="has no systematic angle"):
        reading.remade(systematic="angle 1°")
    thin = measured("transmissometer", RUBY, thickness_mm=2.0)
    assert thin.remade(thickness_mm=0.0).systematic.thickness_mm == 0.0


def test_an_instrument_two_per_cent_high_shifts_a_blue_by_less_than_its_error_bar_says():
    rng = np.random.default_rng(3)
    said = "gain 2 %"
    by = {"gain": 0.02}
    readings = [_read("spectrophotometer", BLUE, by, rng, g, said) for g in ("di:8", "de:8")]
    start = BLUE.with_values({"colour": (0.1, 0.1, 0.1)})
    found = solve(start, readings, ("colour",))
    blue = found.solved[-1]
    assert abs(blue.value - 0.3) < 2.5 * blue.sigma and found.verdict.is_good
    # Nothing tells a darker blue from a brighter instrument: the bar is as wide as the instrument is unsure.
    assert blue.sigma == pytest.approx(0.3 * 0.02 / np.sqrt(2.0), rel=0.25)
    sure = solve(start, [r.remade(systematic="none") for r in readings], ("colour",))
    assert abs(sure.solved[-1].value - 0.3) > 5.0 * sure.solved[-1].sigma


def test_the_gain_is_told_where_the_surface_tells_it():
    rng = np.random.default_rng(5)
    readings = [
        measured("refractometer", BLUE), measured("glossmeter", BLUE),
        _read("glossmeter", BLUE, {"gain": 0.03}, rng, systematic="gain 3 %"),
    ]  # fmt: skip
    found = solve(BLUE.with_values({"roughness": 0.3}), readings, ("roughness", "ior"))
    gain = next(e for e in found.effects if e.reading == readings[2].name and e.stated == 0.03)
    assert gain.value == pytest.approx(1.03, abs=3.0 * gain.sigma) and gain.sigma < 0.02
    assert gain.told.startswith("gain 1.0") and gain.deviation == pytest.approx((gain.value - 1.0) / 0.03)


def test_a_slab_that_is_thicker_than_stated_is_found_as_far_as_it_can_be():
    rng = np.random.default_rng(7)
    by = {"thickness_mm": 0.3}
    reading = _read("transmissometer", RUBY, by, rng, systematic="thickness 0.3 mm", thickness_mm=4.0)
    start = RUBY.with_values({"interior.colour": (0.4, 0.1, 0.1)})
    for one in solve(start, (reading,), ("interior.colour",)).solved:
        assert abs(one.value - RUBY.scalar(one.name)) < 2.5 * one.sigma, one
    sure = solve(start, (reading.remade(systematic="none"),), ("interior.colour",))
    assert any(abs(s.value - RUBY.scalar(s.name)) > 5.0 * s.sigma for s in sure.solved)


def test_effects_move_what_an_instrument_shows_as_they_should():
    lab = measured("colorimeter", BLUE)
    model = np.stack([lab.columns[c] for c in "Lab"])
    brighter = xyz_to_lab(1.05 * lab_to_xyz(model.T)).T
    assert as_shown(lab, model, {"gain": 0.05}) == pytest.approx(brighter, abs=1e-6)
    lobe = measured("goniophotometer", BLUE)
    turned = misread(lobe, BLUE, {"angle_deg": 1.0})[0]
    there = measured("goniophotometer", BLUE, places={**lobe.places, "view_deg": lobe.x + 1.0})
    assert turned == pytest.approx(there.columns["brdf_per_sr"])
    by = drawn(lobe, np.random.default_rng(1))
    assert set(by) == {"gain", "angle_deg"} and abs(by["gain"]) < 5 * lobe.systematic.gain


def test_marginal_slopes_give_the_information_of_the_whole_problem():
    rng = np.random.default_rng(2)
    slopes, effects = rng.normal(size=(30, 3)), rng.normal(size=(30, 4))
    whole = np.block([[slopes, effects], [np.zeros((4, 3)), np.eye(4)]])
    wanted = np.linalg.inv(whole.T @ whole)[:3, :3]
    found = marginal(slopes, effects)
    assert np.linalg.inv(found.T @ found) == pytest.approx(wanted)


def test_what_the_evidence_does_not_know_is_as_wide_as_its_range_and_what_is_asleep_is_held():
    coated = Surface({"roughness": 0.4, "coat.amount": 0.0, "coat.roughness": 0.31, "colour": (0.3, 0.3, 0.3)})
    readings = [measured("glossmeter", coated), measured("spectrophotometer", coated, "de:8")]
    found = solve(coated, readings, ("roughness", "coat.amount", "coat.roughness"))
    by_name = {s.name: s for s in found.solved}
    if by_name["coat.amount"].value == 0.0:
        assert by_name["coat.roughness"].value == 0.31 and by_name["coat.roughness"].sigma is None
    two = [measured("spectrophotometer", coated, places={"wavelength_nm": [550.0, 560.0]})]
    wide = solve(coated, two, ("ior", "colour"))
    assert all(s.sigma is None or s.sigma > 1e-4 for s in wide.solved) and wide.undetermined


def test_residuals_that_hang_together_and_a_chi_square_that_chance_does_not_give_are_told():
    exact = measured("spectrophotometer", BLUE)
    nm = exact.x
    wavy = exact.columns["reflectance"] + 0.004 * np.sin((nm - 380.0) / 400.0 * 4.0 * np.pi)
    reading = make_reading("Wavy", "reflectance", {"wavelength_nm": nm, "reflectance": wavy}, rule="0.001")
    found = solve(BLUE, [reading], ("colour",), keep_rgb=True)
    told = " ".join(found.verdict.doubts)
    assert "Wavy is no scatter" in told and "scatter more than the readings say" in told
    noisy = exact.columns["reflectance"] + 0.001 * np.random.default_rng(1).normal(size=nm.size)
    fine = make_reading("Fine", "reflectance", {"wavelength_nm": nm, "reflectance": noisy}, rule="0.001")
    assert solve(BLUE, [fine], ("colour",), keep_rgb=True).verdict.doubts == ()
