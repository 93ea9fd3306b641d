"""What a solve minimises: measures of agreement, scales, bounds and smoothness."""

from concurrent.futures import ThreadPoolExecutor

import numpy as np
import pytest

from photometra.fitting import misfit, solve
from photometra.fitting.problem import Problem, range_of
from photometra.fitting.uncertainty import errors_of, undetermined
from photometra.instruments import measured
from photometra.readings import make_reading
from photometra.surface import Surface

WAX = Surface({"subsurface": 1.0, "subsurface.radius": (2.0, 1.0, 0.5)})


def test_measures_of_the_newer_kinds():
    lobe = make_reading("l", "lobe", {"incidence_deg": [45, 45], "view_deg": [0, 45], "brdf_per_sr": [0.1, 2.0]})
    assert misfit(lobe, np.array([[0.11, 2.2]])) == pytest.approx(0.1)
    two = make_reading("c", "colour", {"L": [50.0, 50.0], "a": [0.0, 0.0], "b": [0.0, 0.0]})
    assert misfit(two, np.array([[50.0, 60.0], [0.0, 0.0], [0.0, 0.0]])) > 8.0
    patch = {"incidence_deg": [45.0], "view_deg": [0.0], "red": [0.2], "green": [0.2], "blue": [0.2]}
    grey = make_reading("p", "photograph", patch)
    assert misfit(grey, np.full((3, 1), 0.2)) < 1e-9 < misfit(grey, np.full((3, 1), 0.3))


def test_what_a_gauge_has_as_a_logarithm_is_solved_as_one():
    problem = Problem(WAX, [measured("scatterprobe", WAX)], ["ior", "subsurface.radius.r"])
    x = problem.here()
    assert x[0] == pytest.approx(1.5) and x[1] == pytest.approx(np.log(2.0))
    assert problem.outward(problem.inward([1.6, 3.0])) == pytest.approx([1.6, 3.0])
    assert problem.stretch(x) == pytest.approx([1.0, 2.0])
    assert problem.at(x) == WAX
    with ThreadPoolExecutor(2) as pool:
        slopes = problem.slopes(x, pool)
    # The gain of the reading is the third unknown, its prior the last residual.
    assert slopes.shape == (43, 3) and np.isfinite(slopes).all()


def test_a_coefficient_of_nothing_has_a_logarithm_too():
    glass = Surface({"transmission": 1.0})
    problem = Problem(glass, [], ["interior.absorption.r"])
    assert np.isfinite(problem.here()).all() and problem.at(problem.here()) == glass


def test_bounds_narrow_the_range_of_a_parameter_or_of_one_of_its_numbers():
    assert range_of("roughness", {}) == (0.0, 1.0)
    assert range_of("roughness", {"roughness": (0.1, 3.0)}) == (0.1, 1.0)
    assert range_of("colour.g", {"colour": (0.1, 0.5), "colour.g": (0.2, 0.9)}) == (0.2, 0.5)
    with pytest.raises(ValueError, match="lower bound"):
        range_of("roughness", {"roughness": (0.5, 0.5)})
    plate = Surface({"roughness": 0.1})
    found = solve(plate, (measured("glossmeter", plate),), ["roughness"], {"roughness": (0.2, 0.4)})
    assert found.solved[0].at_bound and found.solved[0].value == pytest.approx(0.2, abs=1e-4)


def test_a_spectrum_is_smooth_where_the_evidence_leaves_it_open():
    plate = Surface({"colour": (0.3,) * 21})
    places = {"wavelength_nm": [450.0, 460.0, 650.0, 660.0]}
    reading = measured("spectrophotometer", plate, "45:0", places=places)
    found = solve(plate.with_values({"colour": (0.1,) * 21}), (reading,), ["colour"])
    colour = np.array(found.surface["colour"])
    assert colour[4] == pytest.approx(0.3, abs=0.01) and colour[14] == pytest.approx(0.3, abs=0.01)
    assert np.abs(np.diff(colour, n=2)).max() < 0.02 and found.points == 4


def test_words_for_what_cannot_be_told():
    alike = np.array([[1e3, 1e3], [1e3, 1e3 + 1e-6]])
    said = [u.sentence for u in undetermined(["a", "b"], alike, np.ones(2, bool), np.zeros(2, bool))]
    assert said[0] == "the evidence cannot tell a and b apart: they only appear together"
    ends = ["colour.low.r", "colour.high.r"]
    (said,) = (u.sentence for u in undetermined(ends, alike, np.ones(2, bool), np.zeros(2, bool)))
    assert said.startswith("the evidence knows only the mean of body colour, red over the map: a smaller spot")
    sigma, correlation = errors_of(np.diag([10.0, 100.0]), np.array([True, False]))
    # Its range is a prior of its own: 1 / sqrt(100 + 1).
    assert sigma[0] == pytest.approx(101.0**-0.5) and np.isnan(sigma[1]) and correlation[0, 0] == pytest.approx(1.0)
    silent = [u.sentence for u in undetermined(["a"], np.zeros((2, 1)), np.zeros(1, bool), np.zeros(1, bool))]
    assert silent == ["no active reading depends on a"]


def test_slopes_are_those_of_small_steps_however_well_a_thing_is_known():
    """A film is known to hundredths of a nanometre, its range is thousands: a fixed share of it would be bent."""
    truth = Surface({"metalness": 1.0, "constants": "titanium", "roughness": 0.2, "film.amount": 1.0, "film.ior": 2.3,
                     "film.thickness": 60.0})  # fmt: skip
    readings = [measured("ellipsometer", truth, name="E"), measured("glossmeter", truth, name="G")]
    problem = Problem(truth, readings, ["roughness", "film.thickness", "film.ior"])
    x = problem.here()
    with ThreadPoolExecutor(max_workers=1) as pool:
        for _ in range(2):
            slopes = problem.slopes(x, pool)
    for i in range(3):
        step = np.zeros(x.size)
        step[i] = 1e-3 / np.linalg.norm(slopes[:, i])
        central = (problem.residuals(x + step) - problem.residuals(x - step)) / (2.0 * step[i])
        assert np.linalg.norm(slopes[:, i] - central) < 0.05 * np.linalg.norm(central), problem.scalars[i]
