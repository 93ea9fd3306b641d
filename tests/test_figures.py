"""One way to write a number: what a person would write, and what reads back as the number it was."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.figures import MINUS, figures, with_error


@pytest.mark.parametrize(
    ("value", "digits", "text"),
    [
        (190.0, 2, "190"), (1234.5, 3, "1234"), (0.012345, 3, "0.0123"), (-4.0, 3, "−4"), (0.0, 3, "0"), (-0.0, 3, "0"),
        (2.134e-8, 3, "2.13 × 10⁻⁸"), (3.0e9, 2, "3 × 10⁹"), (0.99999, 3, "1"), (1.5e-5, 2, "0.000015"),
        (float("inf"), 3, "∞"), (float("-inf"), 3, "−∞"), (float("nan"), 3, "not known"),
    ],
)  # fmt: skip
def test_numbers_are_written_as_people_write_them(value, digits, text):
    assert figures(value, digits) == text


def test_a_sign_is_given_where_it_is_asked_for():
    assert [figures(v, 2, sign=True) for v in (0.5, -0.5, 0.0)] == ["+0.5", "−0.5", "+0"]


@given(st.floats(-1e6, 1e6).filter(lambda v: abs(v) > 1e-4 or v == 0.0), st.integers(1, 6))
def test_what_is_written_is_the_number_within_its_figures(value, digits):
    text = figures(value, digits)
    assert "e" not in text and "-" not in text and not text.startswith(".")
    assert float(text.replace(MINUS, "-")) == pytest.approx(value, rel=0.51 * 10.0 ** (1 - digits), abs=1e-12)


@pytest.mark.parametrize(
    ("value", "sigma", "text"),
    [(0.160312, 0.0016, "0.1603"), (312.44, 12.0, "312"), (-2.5, 0.21, "−2.50"), (1.23456, None, "1.235"),
     (1.23456, 0.0, "1.235"), (0.5, math.inf, "0.5")],
)  # fmt: skip
def test_a_value_goes_as_far_as_its_error(value, sigma, text):
    assert with_error(value, sigma) == text
