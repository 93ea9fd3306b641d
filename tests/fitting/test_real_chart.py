"""Patches of a real measured chart (as colour-science ships them), each imported into a fresh specimen and solved."""

import warnings

import numpy as np
import pytest

from photometra.fitting import STOPPED, agreements, applicable, solve
from photometra.readings import make_reading
from photometra.study import Study

with warnings.catch_warnings():
    warnings.simplefilter("ignore")
    from colour import SDS_COLOURCHECKERS

PATCHES = SDS_COLOURCHECKERS["BabelColor Average"]
NAMES = ("dark skin", "purple", "blue", "yellow", "orange", "white 9.5 (.05 D)", "neutral 5 (.70 D)", "black 2 (1.5 D)")


def _fresh(name):
    sd = PATCHES[name]
    columns = {"wavelength_nm": sd.wavelengths, "reflectance": sd.values}
    reading = make_reading(name, "reflectance", columns, geometry="45:0")
    return Study().with_new_specimen("Patch").specimens[0].with_reading(reading)


@pytest.mark.parametrize("name", NAMES)
def test_a_fresh_specimen_with_one_spectral_file_meets_its_colour(name):
    specimen = _fresh(name)
    assert applicable(specimen.surface, specimen.free) == ["colour"]
    solution = solve(specimen.surface, specimen.readings, ["colour"])
    (found,) = agreements(solution.surface, specimen.readings)
    assert found.value < 0.5 and solution.verdict.is_good
    # Its red, green and blue are the patch's own colour below the interface: brighter than what is read.
    assert np.mean(solution.surface.rgb("colour")) > np.mean(PATCHES[name].values)


@pytest.mark.parametrize(
    "name", ["blue", *(pytest.param(n, marks=pytest.mark.long) for n in ("dark skin", "neutral 5 (.70 D)"))]
)
def test_kept_as_red_green_and_blue_the_colour_is_met_all_the_same(name):
    specimen = _fresh(name)
    solution = solve(specimen.surface, specimen.readings, ["colour"], keep_rgb=True)
    (found,) = agreements(solution.surface, specimen.readings)
    assert found.value < 1.0 and len(solution.surface["colour"]) == 3 and solution.spectral == ()


def test_what_does_not_fit_says_so_and_says_what_would_help():
    specimen = _fresh("blue")
    held = specimen.surface.with_values({"colour": (0.2, 0.2, 0.2)})
    solution = solve(held, specimen.readings, ["roughness", "ior"])
    verdict = solution.verdict
    assert not verdict.fits and not verdict.is_good and verdict.misfits[0].reading == "blue"
    assert "Does not fit: blue is missed at" in verdict.sentence and verdict.misfits[0].chi2 > 9.0
    assert "body colour (colour)" in verdict.helps[0] and set(solution.sigmas.values()) == {None}


@pytest.mark.long
def test_running_into_the_limit_of_steps_is_no_convergence(monkeypatch):
    monkeypatch.setattr("photometra.fitting.solver._RUNGS", ((False, 1e-12, 2),))
    specimen = _fresh("yellow")
    verdict = solve(specimen.surface, specimen.readings, ["colour"]).verdict
    assert verdict.status == STOPPED and not verdict.is_good
