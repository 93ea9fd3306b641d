"""Descents: to minima known in closed form, with few slopes, to bounds, and through noise."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import least_squares

from photometra.fitting.descent import Descent
from photometra.fitting.uncertainty import loosely_bound


class Counted:
    """Residuals and slopes, counting how often either is asked for."""

    def __init__(self, residuals, slopes):
        self._both, self.asked, self.sloped = (residuals, slopes), 0, 0

    def residuals(self, x):
        self.asked += 1
        return self._both[0](np.asarray(x))

    def slopes(self, x):
        self.sloped += 1
        return self._both[1](np.asarray(x))

    def descent(self, x, low, high, **more):
        return Descent(
            self.residuals, self.slopes, np.array(x, float), np.array(low, float), np.array(high, float), **more
        )


def line(seed, n=3, m=12):
    rng = np.random.default_rng(seed)
    matrix, target = 30.0 * rng.normal(size=(m, n)), 30.0 * rng.normal(size=m)
    return matrix, target, Counted(lambda x: matrix @ x - target, lambda _x: matrix)


VALLEY = (
    lambda x: np.array([100.0 * (x[1] - x[0] ** 2), 10.0 * (1.0 - x[0])]),
    lambda x: np.array([[-200.0 * x[0], 100.0], [-10.0, 0.0]]),
)
"""Rosenbrock's (1960), its minimum 0 at (1, 1)."""


@given(st.integers(0, 10_000))
def test_what_is_linear_takes_slopes_once_or_twice(seed):
    matrix, target, problem = line(seed)
    wanted = np.linalg.lstsq(matrix, target, rcond=None)[0]
    found = problem.descent(np.zeros(3), [-20.0] * 3, [20.0] * 3).found()
    # A standard error is about 1/100 here.
    assert np.abs(found.x - wanted).max() < 1e-3 and problem.sloped <= 4
    assert found.cost == pytest.approx(0.5 * np.sum((matrix @ wanted - target) ** 2), abs=2e-3)


def test_along_a_bent_valley_it_takes_fewer_slopes_than_a_plain_descent():
    problem = Counted(*VALLEY)
    found = problem.descent([-1.2, 1.0], [-5.0, -5.0], [5.0, 5.0]).found()
    plain = least_squares(VALLEY[0], [-1.2, 1.0], jac=VALLEY[1], bounds=([-5.0, -5.0], [5.0, 5.0]), x_scale="jac")
    assert found.x == pytest.approx([1.0, 1.0], abs=5e-3) and found.cost < 2e-3
    assert problem.sloped < plain.njev
    # The slopes that it hands back are those of the end, or of the place a step before.
    assert np.abs(found.jac - VALLEY[1](found.x)).max() < 60.0


@given(st.integers(0, 2000), st.floats(0.02, 0.9))
def test_where_the_minimum_lies_beyond_a_bound_it_comes_to_rest_there(seed, share):
    matrix, target, problem = line(seed)
    free = np.linalg.lstsq(matrix, target, rcond=None)[0]
    high = np.full(3, 20.0)
    high[0] = free[0] - share
    start = np.array([high[0] - 1.0, 0.0, 0.0])
    found = problem.descent(start, [-20.0] * 3, high).found()
    rest = np.linalg.lstsq(matrix[:, 1:], target - matrix[:, 0] * high[0], rcond=None)[0]
    assert found.x == pytest.approx([high[0], *rest], abs=2e-3)


def test_a_model_with_noise_of_its_own_ends_all_the_same():
    matrix, target, _ = line(7)
    wanted = np.linalg.lstsq(matrix, target, rcond=None)[0]

    def rough(x):
        return matrix @ x - target + 1e-3 * np.sin(1e5 * x.sum() + np.arange(12))

    problem = Counted(rough, lambda _x: matrix)
    found = problem.descent(np.zeros(3), [-20.0] * 3, [20.0] * 3).found()
    assert np.abs(found.x - wanted).max() < 2e-3 and problem.asked < 20


@pytest.mark.parametrize("how", [{"robust": True}, {"is_exact": False}])
def test_where_slopes_are_not_to_be_trusted_they_are_never_corrected(how):
    problem = Counted(*VALLEY)
    found = problem.descent([-1.2, 1.0], [-5.0, -5.0], [5.0, 5.0], **how).found()
    assert found.x == pytest.approx([1.0, 1.0], abs=1e-3)
    assert problem.sloped == found.njev


@pytest.mark.parametrize(("beyond", "is_loose"), [(0.5, True), (1.5, True), (4.0, False), (-1.0, True)])
def test_a_bound_is_loose_where_the_evidence_would_hardly_go_beyond_it(beyond, is_loose):
    # One standard error of the first is 1/50 of its range; it stands so many of them before where it wants to be.
    slopes = np.array([[50.0, 0.0], [0.0, 50.0]])
    residuals = np.array([beyond, 0.0])
    found = loosely_bound(slopes, residuals, np.array([True, False]))
    assert list(found) == [is_loose, False]
    assert not loosely_bound(np.zeros((2, 2)), residuals, np.array([True, False])).any()
