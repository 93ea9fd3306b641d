"""Looking far and wide: dips of a scan, other minima, and what a further reading is worth."""

import threading

import numpy as np
import pytest

from photometra.fitting import Cancelled, next_readings, sensitivities, solve, told
from photometra.fitting.advice import solvable_scalars
from photometra.fitting.minima import _dips
from photometra.instruments import INSTRUMENTS, measured
from photometra.readings import with_uncertainty
from photometra.surface import PARAMETERS, Surface, scalar_owner

FILMED = Surface({
    "metalness": 1.0, "constants": "titanium", "roughness": 0.1, "film.amount": 1.0, "film.thickness": 240.0,
    "film.ior": 2.3,
})  # fmt: skip


def test_dips_are_lower_than_their_neighbours_and_come_lowest_first():
    assert _dips(np.array([3.0, 1.0, 2.0, 0.5, 4.0, 2.5])).tolist() == [3, 1, 5]
    assert _dips(np.array([1.0, 2.0, 3.0])).tolist() == [0]


@pytest.fixture(scope="module")
def vague():
    """A film by a vague spectrum: more than one thickness fits."""
    reading = with_uncertainty(measured("spectrophotometer", FILMED), "15 %")
    return solve(FILMED.with_values({"film.thickness": 900.0}), (reading,), ["film.thickness"])


def test_other_minima_are_told_apart_and_fit_worse(vague):
    assert vague.surface["film.thickness"] == pytest.approx(240.0, abs=1.0)
    values = [m.value for m in vague.minima]
    assert values and all(abs(v - 240.0) > 7.0 for v in values) and len(set(values)) == len(values)
    worse = [m.chi2_reduced for m in vague.minima]
    assert worse == sorted(worse) and worse[0] > vague.chi2_reduced
    assert told(vague.minima[0]).startswith("film thickness ") and told(vague.minima[0]).endswith(" nm")


def test_another_minimum_is_one_indeed(vague):
    other = vague.minima[0]
    reading = with_uncertainty(measured("spectrophotometer", FILMED), "15 %")

    def chi2(thickness):
        model = measured("spectrophotometer", FILMED.with_values({"film.thickness": thickness}))
        away = reading.columns["reflectance"] - model.columns["reflectance"]
        return float(np.mean((away / reading.sigma["reflectance"]) ** 2))

    here = chi2(other.value)
    assert here < chi2(other.value - 6.0) and here < chi2(other.value + 6.0)


@pytest.mark.parametrize("surface", [FILMED, Surface(), Surface({"transmission": 1.0, "abbe": 50.0})])
def test_what_could_be_solved_applies_and_is_there(surface):
    scalars = solvable_scalars(surface)
    owners = {scalar_owner(s)[0].name for s in scalars}
    assert owners and all(surface.applies(n) and PARAMETERS[n].solvable for n in owners)
    assert ("film.thickness" in owners) == (surface["film.amount"] > 0.0)
    # Of an absent layer there is nothing to be sensitive to.
    assert "coat.amount" not in owners and ("abbe" in owners) == (surface["abbe"] > 0.0)


def test_sensitivities_are_the_errors_of_a_solve_for_that_scalar_alone():
    plate = Surface({"roughness": 0.15, "colour": (0.2, 0.2, 0.2)})
    reading = measured("glossmeter", plate)
    s = sensitivities(plate, (reading,))
    alone = solve(plate.with_values({"roughness": 0.2}), (reading,), ["roughness"])
    assert s.errors[0, s.scalars.index("roughness")] == pytest.approx(alone.solved[0].sigma, rel=0.03)
    nothing = sensitivities(plate, ())
    assert nothing.errors.shape == (0, len(nothing.scalars))


def test_a_further_reading_never_makes_an_error_larger_and_a_cancel_is_obeyed():
    plate = Surface({"roughness": 0.15, "colour": (0.2, 0.2, 0.2)})
    advised = next_readings(plate, (measured("refractometer", plate),), ["roughness", "ior"])
    assert {a.instrument for a in advised} < set(INSTRUMENTS)
    for a in advised:
        assert all(a.after[n] <= a.before[n] * (1.0 + 1e-9) for n in a.after) and a.gain() >= 1.0
    assert advised == sorted(advised, key=lambda a: -a.gain())
    stopped = threading.Event()
    stopped.set()
    with pytest.raises(Cancelled):
        next_readings(plate, (), ["roughness"], cancel=stopped)
    with pytest.raises(Cancelled):
        sensitivities(plate, (measured("glossmeter", plate),), stopped)
