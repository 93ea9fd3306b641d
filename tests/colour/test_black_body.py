"""Planck's law, and the lamps that follow from it."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.colour import WAVELENGTHS
from photometra.colour.black_body import SECOND_RADIATION, black_body
from photometra.colour.lamps import lamp_spectrum
from photometra.colour.observers import illuminant, observer


@given(st.floats(1500.0, 12000.0))
def test_the_peak_moves_as_wien_says(kelvin):
    at = np.linspace(100.0, 4000.0, 39_001)
    assert at[np.argmax(black_body(at, kelvin))] == pytest.approx(SECOND_RADIATION / 4.965114 / kelvin, abs=0.2)


@given(st.floats(1500.0, 12000.0), st.floats(1.01, 2.0))
def test_a_hotter_body_is_brighter_everywhere(kelvin, times):
    assert (black_body(WAVELENGTHS, kelvin * times) > black_body(WAVELENGTHS, kelvin)).all()


def test_illuminant_a_is_a_black_body_of_2856_kelvin():
    # The illuminants' tables end at 780 nm and are held beyond, where an eye sees a hundred-thousandth.
    given = observer()[0] <= 780.0
    grid = observer()[0][given]
    planck, standard = black_body(grid, 2855.5), illuminant("A")[given]
    middle = int(np.flatnonzero(grid == 560.0)[0])
    assert planck / planck[middle] == pytest.approx(standard / standard[middle], rel=2e-3)


def test_a_lamp_of_2700_kelvin_is_redder_than_one_of_9000():
    warm, cold = lamp_spectrum("2700 K"), lamp_spectrum("9000 K")
    assert warm[-1] / warm[0] > 5.0 > 1.0 > cold[-1] / cold[0]
    with pytest.raises(ValueError, match="no lamp"):
        lamp_spectrum("200 K")
