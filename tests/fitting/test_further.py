"""Evidence that is no reading: a stand-in of a closed form, whose solution and error bar are known."""

import threading

import numpy as np
import pytest

from photometra.fitting import Cancelled, solve
from photometra.fitting.problem import _RENDERED_STEP, Problem
from photometra.instruments import measured
from photometra.surface import Surface

WANTED, SIGMA = 0.31, 0.02


class Level:
    """Says what the roughness is, `count` times over, and notes how it was asked."""

    def __init__(self, count=4, wanted=WANTED, sigma=SIGMA):
        self.points, self.sigma, self.effects = count, sigma, {}
        self.values = np.full(count, wanted)
        self.rough = False
        self.asked = []

    def model(self, surface, cancel=None, amounts=None):
        if cancel is not None and cancel.is_set():
            raise Cancelled
        self.asked.append((self.rough, surface["roughness"]))
        return np.full(self.points, surface["roughness"])

    def sigmas(self):
        return np.full(self.points, self.sigma)


def test_it_is_solved_by_itself_with_the_error_bar_that_is_due():
    evidence = Level()
    found = solve(Surface({"roughness": 0.6}), (), ("roughness",), further=evidence)
    assert found.surface["roughness"] == pytest.approx(WANTED, abs=1e-5) and found.points == 4
    # Four equal statements: half the error of one.
    assert found.solved[0].sigma == pytest.approx(0.5 * SIGMA, rel=1e-3)
    assert found.chi2_start > 50.0 and found.chi2_reduced < 1e-6


def test_the_way_is_found_roughly_and_the_end_in_full():
    evidence = Level()
    solve(Surface({"roughness": 0.6}), (), ("roughness",), further=evidence)
    rough = [r for r, _ in evidence.asked]
    turn = rough.index(False)
    assert all(rough[:turn]) and not any(rough[turn:])
    # By the time it is asked in full the place is known.
    assert abs(evidence.asked[turn][1] - WANTED) < 0.01


def test_it_counts_beside_readings_as_their_weights_have_it():
    truth = Surface({"roughness": 0.2})
    gloss = measured("glossmeter", truth)
    alone = solve(Surface({"roughness": 0.4}), (gloss,), ("roughness",))
    assert alone.surface["roughness"] == pytest.approx(0.2, abs=1e-3)
    sure, unsure = (
        solve(Surface({"roughness": 0.4}), (gloss,), ("roughness",), further=Level(wanted=0.25, sigma=s))
        for s in (1e-5, 10.0)
    )
    assert sure.surface["roughness"] == pytest.approx(0.25, abs=1e-3)
    assert unsure.surface["roughness"] == pytest.approx(0.2, abs=1e-3)
    assert sure.points == unsure.points == alone.points + 4


def test_slopes_are_taken_over_a_step_that_noise_does_not_drown():
    problem = Problem(Surface({"roughness": 0.4}), (), ["roughness"], further=Level())
    evidence = problem.further
    problem.slopes(problem.here(), _Here())
    values = [v for _, v in evidence.asked]
    assert np.ptp(values) == pytest.approx(_RENDERED_STEP * (problem.high - problem.low)[0])
    # A judge of one kind of reading leaves it out.
    assert problem.parts(problem.here(), "gloss") == []


class _Here:
    """A pool that works where it stands."""

    map = staticmethod(map)


def test_without_any_evidence_or_when_stopped_nothing_is_found():
    with pytest.raises(ValueError, match="no active reading to solve from"):
        solve(Surface(), (), ("roughness",))
    stop = threading.Event()
    stop.set()
    with pytest.raises(Cancelled):
        solve(Surface(), (), ("roughness",), further=Level(), cancel=stop)


def test_bounds_hold_for_it_too():
    found = solve(Surface({"roughness": 0.6}), (), ("roughness",), bounds={"roughness": (0.4, 0.9)}, further=Level())
    assert found.surface["roughness"] == pytest.approx(0.4, abs=1e-4)
    assert found.solved[0].at_bound and found.solved[0].sigma is None


def test_what_is_left_free_of_it_is_found_with_its_error_bar():
    """Values g (r + a) at two offsets a known to a constant: roughness, gain and shift from three equations."""

    class Shifted(Level):
        def __init__(self):
            super().__init__(6, sigma=1e-3)
            self.places = np.array([0.0, 0.5, 1.0, 0.0, 0.5, 1.0])
            self.effects = {"gain": 0.5, "azimuth_deg": 10.0}
            self.values = 1.25 * (WANTED + (3.0 + 1.0) * self.places)

        def model(self, surface, cancel=None, amounts=None):
            return surface["roughness"] + (amounts["azimuth_deg"] + 1.0) * self.places

    evidence = Shifted()
    found = solve(Surface({"roughness": 0.6, "metalness": 1.0}), (), ("roughness",), further=evidence)
    exposure, azimuth = found.effects
    # A factor of all and a slope of their own: the product of gain and slope is known, the prior shares it out.
    assert exposure.name == "exposure" and azimuth.name == "azimuth_deg" and "°" in azimuth.told
    assert exposure.value * found.surface["roughness"] == pytest.approx(1.25 * WANTED, rel=1e-3)
    assert exposure.value * (azimuth.value + 1.0) == pytest.approx(5.0, rel=1e-3)
    # By the same token neither is known by itself.
    assert exposure.sigma > 0.1 and found.solved[0].sigma > 0.02
