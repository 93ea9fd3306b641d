"""The sampled posterior: against densities known in closed form, and beside the bars of a solve."""

import threading

import numpy as np
import pytest

from photometra.errors import InputError
from photometra.fitting import solve
from photometra.fitting.posterior import LEVELS, drawn, sampled
from photometra.fitting.problem import Cancelled
from photometra.instruments import measured
from photometra.surface import Surface

WIDE = np.array([-1e3, -1e3]), np.array([1e3, 1e3])


def moments(places, weights):
    share = weights / weights.sum()
    mean = share @ places
    return mean, (share[:, None] * (places - mean)).T @ (places - mean)


def test_a_bent_valley_is_followed():
    """y = x² + noise, x normal: its moments are known, and it is begun with the normal at its peak."""

    def density(p):
        return -0.5 * p[0] ** 2 - 0.5 * ((p[1] - p[0] ** 2) / 0.3) ** 2

    places, weights, worth = drawn(density, [(1.0, np.zeros(2), np.diag([1.0, 0.09]))], *WIDE)
    mean, covariance = moments(places, weights)
    assert worth > 150
    assert mean == pytest.approx([0.0, 1.0], abs=0.2)
    assert covariance == pytest.approx(np.array([[1.0, 0.0], [0.0, 2.09]]), abs=0.5)


def test_two_minima_have_the_shares_that_they_have():
    def density(p):
        return np.logaddexp(np.log(0.7) - 0.5 * np.sum(p**2), np.log(0.3) - 0.5 * np.sum((p - 8.0) ** 2))

    modes = [(0.5, np.zeros(2), np.eye(2)), (0.5, np.full(2, 8.0), np.eye(2))]
    places, weights, worth = drawn(density, modes, *WIDE)
    assert worth > 300
    assert weights[places[:, 0] > 4.0].sum() / weights.sum() == pytest.approx(0.3, abs=0.06)


def test_at_a_bound_half_of_a_normal_is_left():
    places, weights, _ = drawn(
        lambda p: -0.5 * float(p @ p), [(1.0, np.zeros(1), np.eye(1))], np.array([0.0]), np.array([50.0])
    )
    assert places[weights > 0.0].min() >= 0.0
    assert float(weights @ places[:, 0] / weights.sum()) == pytest.approx((2.0 / np.pi) ** 0.5, abs=0.06)


def test_what_no_draw_meets_is_said():
    with pytest.raises(InputError, match="no draw met"):
        drawn(lambda p: -np.inf, [(1.0, np.zeros(1), np.eye(1))], np.array([-1.0]), np.array([1.0]))


@pytest.fixture(scope="module")
def plate():
    true = Surface({"colour": (0.1, 0.25, 0.4), "roughness": 0.2})
    readings = [measured("glossmeter", true, ""), measured("spectrophotometer", true, "de:8")]
    free = ["roughness", "colour.g"]
    return readings, free, solve(true.with_values({"roughness": 0.25}), readings, free, keep_rgb=True)


@pytest.mark.long
def test_where_all_is_close_to_linear_it_agrees_with_the_bars(plate):
    readings, free, solution = plate
    rounds = []
    found = sampled(solution.surface, readings, free, None, solution, lambda *at: rounds.append(at))
    assert found.is_settled and rounds and found.samples.shape[1] == 2
    for s in solution.solved:
        low2, low, middle, high, high2 = found.interval(s.name)
        assert abs(middle - s.value) < 0.4 * s.sigma and len(LEVELS) == 5
        assert 0.5 * (high - low) == pytest.approx(s.sigma, rel=0.35)
        assert low2 < low < middle < high < high2
    again = sampled(solution.surface, readings, free, None, solution)
    assert np.array_equal(again.samples, found.samples), "the same draws again"


def test_it_stops_when_told_and_refuses_what_is_too_much(plate):
    readings, free, solution = plate
    cancel = threading.Event()
    with pytest.raises(Cancelled):
        sampled(solution.surface, readings, free, None, solution, lambda *_: cancel.set(), cancel)
    wide = solution.surface.with_values({"colour": (0.2,) * 21})
    with pytest.raises(InputError, match="at most 20 can be sampled"):
        sampled(wide, readings, ["colour"], None, solution)
    with pytest.raises(InputError, match="nothing to sample"):
        sampled(solution.surface, [], free)
