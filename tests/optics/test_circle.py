"""The circle by polynomials against the library's own functions."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.optics.circle import circle, turns_of


@given(st.floats(-50.0, 50.0))
def test_cosine_and_sine_of_turns(turns):
    cosine, sine = circle(turns)
    assert cosine == pytest.approx(math.cos(2.0 * math.pi * turns), abs=1e-9)
    assert sine == pytest.approx(math.sin(2.0 * math.pi * turns), abs=1e-9)


@given(st.floats(-10.0, 10.0), st.floats(-10.0, 10.0))
def test_turns_of_a_direction(y, x):
    assert turns_of(y, x) == pytest.approx(
        math.atan2(y, x) / (2.0 * math.pi) if (x, y) != (0.0, 0.0) else 0.0, abs=1e-9
    )


@pytest.mark.parametrize(
    ("y", "x", "turns"), [(0.0, 1.0, 0.0), (1.0, 0.0, 0.25), (-1.0, 0.0, -0.25), (1.0, 1.0, 0.125)]
)
def test_the_axes_are_exact(y, x, turns):
    assert turns_of(y, x) == pytest.approx(turns, abs=1e-12)
    assert circle(turns) == pytest.approx((math.cos(2.0 * math.pi * turns), math.sin(2.0 * math.pi * turns)), abs=1e-11)
