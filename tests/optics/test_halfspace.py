"""Chandrasekhar's half-space against his own tables and identities."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.optics.halfspace import diffuse_albedo, directional_reflectance, h_function, single_albedo


def test_published_values_of_h():
    # Chandrasekhar (1960), table XI: isotropic scattering.
    assert h_function(1.0, 1.0) == pytest.approx(2.9078, abs=1e-4)
    assert h_function(1.0, 0.5) == pytest.approx(2.0128, abs=1e-4)
    assert np.all(h_function(0.0, np.linspace(0, 1, 5)) == 1.0)


@given(st.floats(0.0, 1.0))
def test_the_mean_of_h_is_known_in_closed_form(single):
    nodes, weights = np.polynomial.legendre.leggauss(64)
    mean = 0.5 * weights @ h_function(single, 0.5 * (nodes + 1.0))
    # Its zeroth moment: 2 (1 - sqrt(1 - w)) / w.
    expected = 2.0 * (1.0 - np.sqrt(1.0 - single)) / single if single > 1e-9 else 1.0
    assert mean == pytest.approx(expected, abs=2e-6)


@given(st.floats(0.0, 1.0))
def test_albedos_convert_both_ways(diffuse):
    assert diffuse_albedo(float(single_albedo(np.array(diffuse)))) == pytest.approx(diffuse, abs=1e-4)


def test_reflectance_runs_from_nothing_to_all():
    assert directional_reflectance(0.0, 0.7) == 0.0
    assert directional_reflectance(1.0, np.array([0.1, 1.0])) == pytest.approx([1.0, 1.0])
    assert np.all(np.diff([diffuse_albedo(s) for s in np.linspace(0, 1, 9)]) > 0)
