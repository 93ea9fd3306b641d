"""Dispersion and absorption: the lines come back, slabs add up."""

import numpy as np
import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from photometra.optics import (
    abbe_number,
    absorption_from_colour,
    absorption_from_extinction,
    cauchy_ior,
    slab_transmittance,
)
from photometra.optics.media import left_after


@given(st.floats(0.0, 800.0))
@example(1e300)
@example(np.inf)
def test_what_is_left_after_a_depth_is_the_exponential(depth):
    assert left_after(depth) == pytest.approx(np.exp(-depth), rel=1e-10, abs=1e-300)


@given(st.floats(1.01, 2.8), st.floats(12.0, 110.0))
def test_index_and_abbe_number_come_back_at_their_lines(ior, abbe):
    assert cauchy_ior(589.3, ior, abbe) == pytest.approx(ior, abs=1e-12)
    d, f, c = cauchy_ior(np.array([587.56, 486.13, 656.27]), ior, abbe)
    assert abbe_number(d, f, c) == pytest.approx(abbe, rel=1e-9)


def test_no_abbe_number_means_no_dispersion():
    assert np.all(cauchy_ior(np.linspace(380, 780, 9), 1.5, 0.0) == 1.5)


def test_crown_glass_at_its_published_lines():
    # A borosilicate crown, catalogue values: n_d 1.5168, V_d 64.17; n_F 1.52238, n_C 1.51432.
    at_sodium = 1.51673
    assert cauchy_ior(486.13, at_sodium, 64.17) == pytest.approx(1.52238, abs=2e-4)
    assert cauchy_ior(656.27, at_sodium, 64.17) == pytest.approx(1.51432, abs=2e-4)


def by_rays(ior, absorption, thickness):
    """The slab followed ray by ray, until nothing is left."""
    r = ((ior - 1.0) / (ior + 1.0)) ** 2
    e = np.exp(-absorption * thickness)
    left, out = (1.0 - r) * e, 0.0
    for _ in range(200):
        out += left * (1.0 - r)
        left *= r * e * r * e
    return out


@given(st.floats(1.0, 3.0), st.floats(0.0, 3.0), st.floats(0.0, 20.0))
def test_a_slab_is_the_sum_of_its_rays(ior, absorption, thickness):
    assert slab_transmittance(ior, absorption, thickness) == pytest.approx(
        by_rays(ior, absorption, thickness), abs=1e-12
    )


def test_a_clear_slab_passes_two_n_over_n_squared_plus_one():
    n = np.linspace(1.0, 2.5, 16)
    assert slab_transmittance(n, 0.0, 7.0) == pytest.approx(2 * n / (n * n + 1), abs=1e-12)


def test_absorption_converts_both_ways():
    a = absorption_from_colour(np.array([0.2, 0.5, 1.0]), 4.0)
    assert np.exp(-a * 4.0) == pytest.approx([0.2, 0.5, 1.0])
    # 4 pi k / wavelength: k of 1e-6 at 500 nm is about 0.0251 per mm.
    assert absorption_from_extinction(500.0, 1e-6) == pytest.approx(4e-6 * np.pi / 500e-6)


@pytest.mark.parametrize("call", [
    lambda: cauchy_ior(0.0, 1.5, 60.0),
    lambda: cauchy_ior(550.0, 0.9, 60.0),
    lambda: cauchy_ior(550.0, 1.5, -1.0),
    lambda: slab_transmittance(0.9, 0.1, 1.0),
    lambda: slab_transmittance(1.5, -0.1, 1.0),
    lambda: slab_transmittance(1.5, 0.1, -1.0),
])  # fmt: skip
def test_outside_their_domains_they_say_so(call):
    with pytest.raises(ValueError):
        call()
