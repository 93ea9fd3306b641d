"""The solver recovers what it should, says what it cannot know, and stops when told."""

import threading

import numpy as np
import pytest

from photometra.demo.making import readings_of
from photometra.demo.samples import SAMPLES
from photometra.fitting import (
    Cancelled,
    agreements,
    closest_tables,
    free_names,
    misfit,
    reflectance_reading,
    solve,
)
from photometra.instruments import measured
from photometra.readings import make_reading
from photometra.study.model import told_by
from photometra.surface import Surface


def test_a_model_agrees_with_its_own_noiseless_readings():
    s = Surface({"colour": (0.3, 0.2, 0.5), "roughness": 0.2})
    readings = tuple(measured(k, s) for k in ("spectrophotometer", "glossmeter", "refractometer"))
    for a in agreements(s, readings):
        assert a.value == pytest.approx(0.0, abs=1e-9) and a.within and a.chi2 < 1e-12


def test_misfits_are_in_the_readings_own_measure():
    gloss = make_reading("g", "gloss", {"angle_deg": [20.0, 60.0], "gloss_units": [50.0, 80.0]})
    assert misfit(gloss, np.array([[53.0, 79.0]])) == pytest.approx(3.0)
    grey = make_reading("r", "reflectance", {"wavelength_nm": [400.0, 700.0], "reflectance": [0.2, 0.2]})
    assert misfit(grey, np.array([[0.2, 0.2]])) == pytest.approx(0.0, abs=1e-9)
    assert misfit(grey, np.array([[0.25, 0.25]])) > 3.0
    nk = make_reading("c", "constants", {"wavelength_nm": [500.0, 600.0], "n": [1, 1], "k": [2, 2]})
    assert misfit(nk, np.array([[1, 1], [2.2, 2.2]])) == pytest.approx(np.sqrt(0.02))


SLOW = (
    "Beeswax seal block", "Heat-tinted vane", "Canvas awning", "Enamelled number plate", "Varnished teak rail",
)  # fmt: skip
"""Solved in several seconds each."""


def test_a_reading_the_surface_cannot_answer_has_a_reason():
    index = make_reading("n", "index", {"wavelength_nm": [589.3], "n": [1.5]})
    found = agreements(Surface({"metalness": 1.0}), (index,))[0]
    assert not found.within and "dielectrics only" in found.problem
    assert np.isnan(found.chi2)


@pytest.mark.parametrize(("sample", "seed"), [
    pytest.param(s, seed, id=f"{s.name}-{seed}", marks=[pytest.mark.long] if seed == 12 or s.name in SLOW else [])
    for s in SAMPLES for seed in (11, 12)
])  # fmt: skip
def test_hidden_samples_are_found_within_their_error_bars(sample, seed):
    readings = readings_of(sample, np.random.default_rng(seed))
    found = solve(sample.truth.with_values(sample.guess), readings, sample.free)
    assert found.chi2_reduced < 2.0 < found.chi2_start
    for one in found.solved:
        # 2 of 9 values beyond two standard errors would be rare; beyond three and a half is a fault.
        assert one.sigma is not None, one.name
        assert abs(one.value - sample.truth.scalar(one.name)) < 3.5 * one.sigma, one.name
    # What is left of a reading, but for what a slab's thickness and a zero of angles explain, is its noise.
    plain = [a for a in agreements(found.surface, readings) if not (a.reading.thickness_mm or a.reading.kind.angle)]
    assert all(a.chi2 < 4.0 for a in plain)


@pytest.mark.long
def test_error_bars_are_honest_over_many_measurements():
    """Pulls of the plate's parameters over repeated measurement: about unit width, no bias."""
    sample = next(s for s in SAMPLES if "plate" in s.name)
    pulls = []
    for seed in range(9):
        readings = readings_of(sample, np.random.default_rng(100 + seed))
        found = solve(sample.truth, readings, sample.free)
        pulls += [(o.value - sample.truth.scalar(o.name)) / o.sigma for o in found.solved if o.sigma]
    pulls = np.array(pulls)
    assert abs(pulls.mean()) < 0.5
    assert 0.6 < pulls.std() < 1.4
    assert np.mean(np.abs(pulls) < 1.0) == pytest.approx(0.68, abs=0.2)


PLATE = SAMPLES[1]


@pytest.fixture(scope="module")
def plate_readings():
    return readings_of(PLATE, np.random.default_rng(1))


@pytest.fixture(scope="module")
def guess():
    return PLATE.truth.with_values(PLATE.guess)


@pytest.mark.long
def test_a_solve_is_the_same_each_time(plate_readings, guess):
    a, b = (solve(guess, plate_readings, PLATE.free) for _ in range(2))
    assert a.surface == b.surface
    assert [s.sigma for s in a.solved] == [s.sigma for s in b.solved]
    assert a.correlation == pytest.approx(b.correlation)
    assert np.allclose(np.diag(a.correlation), 1.0) and np.allclose(a.correlation, a.correlation.T)


def test_bounds_are_kept_and_said(plate_readings, guess):
    found = solve(guess, plate_readings, PLATE.free, bounds={"ior": (1.4, 1.5)})
    ior = next(s for s in found.solved if s.name == "ior")
    assert ior.value == pytest.approx(1.5, abs=1e-4) and ior.at_bound and ior.sigma is None
    with pytest.raises(ValueError, match="lower bound"):
        solve(guess, plate_readings, ["ior"], bounds={"ior": (1.6, 1.5)})


def test_held_parameters_do_not_move(plate_readings, guess):
    start = PLATE.truth.with_values({"roughness": guess["roughness"]})
    found = solve(start, plate_readings, ["roughness"])
    assert found.surface != start and found.surface.with_values({"roughness": guess["roughness"]}) == start


def test_what_no_reading_depends_on_is_said(guess):
    index = (measured("refractometer", Surface({"ior": 1.6})),)
    found = solve(guess, index, ["roughness", "ior"])
    assert [u.names for u in found.undetermined] == [("roughness",)]
    assert found.surface["roughness"] == pytest.approx(guess["roughness"], abs=1e-6)
    assert found.surface["ior"] == pytest.approx(1.6, abs=1e-4)


def test_what_cannot_be_told_apart_is_said():
    # One reflectance at one wavelength cannot give an index and a body colour at once.
    s = Surface({"roughness": 0.0})
    one = (measured("spectrophotometer", s, "di:8", places={"wavelength_nm": [550.0, 560.0]}),)
    found = solve(s.with_values({"ior": 1.6}), one, ["ior", "colour"])
    assert found.undetermined


def test_a_cancel_stops_it(plate_readings, guess):
    cancel = threading.Event()
    seen = []

    def report(evaluations, chi2):
        seen.append((evaluations, chi2))
        if len(seen) == 3:
            cancel.set()

    with pytest.raises(Cancelled):
        solve(guess, plate_readings, PLATE.free, report=report, cancel=cancel)
    assert seen[0][1] >= seen[-1][1]


def test_what_cannot_be_solved_is_refused(plate_readings, guess):
    idle = [r.with_changes(active=False) for r in plate_readings]
    for free, readings, words in (
        ([], plate_readings, "no parameter is free"),
        (["metalness"], plate_readings, "cannot be solved for"),
        (["face_colour"], plate_readings, "does nothing"),
        (["shine"], plate_readings, "no parameter 'shine'"),
        (["ior"], idle, "no active reading"),
    ):
        with pytest.raises(ValueError, match=words):
            solve(guess, readings, free)


def test_free_names_and_what_a_newcomer_would_free():
    assert free_names(Surface(), ["colour", "roughness"]) == ["roughness", "colour.r", "colour.g", "colour.b"]
    assert told_by(Surface(), ()) == {"roughness", "ior", "colour"}
    assert told_by(Surface({"metalness": 1.0}), ()) == {"roughness", "face_colour"}


def test_the_closest_table_is_the_one_that_was_measured():
    s = Surface({"metalness": 1.0, "constants": "brass-70-30", "roughness": 0.2})
    reading = measured("spectrophotometer", s, "di:8")
    assert reflectance_reading((measured("glossmeter", s), reading)) is reading
    ranked = closest_tables(s.with_values({"constants": ""}), reading)
    assert ranked[0].key == "brass-70-30" and ranked[0].delta_e < 1e-6
    assert [c.score for c in ranked] == sorted(c.score for c in ranked)
    stopped = threading.Event()
    stopped.set()
    assert closest_tables(s, reading, cancel=stopped) is None
