"""Interfaces against the closed forms, written out here with complex numbers and without our code."""

import numpy as np
import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from photometra.optics import fresnel_conductor, fresnel_dielectric, fresnel_face_edge
from photometra.optics.fresnel import COS_EDGE


def closed_form(cosine, n):
    """Unpolarised reflectance of air to complex index n, straight from Fresnel's amplitudes."""
    n = np.asarray(n, complex)
    inside = np.sqrt(n * n - (1.0 - cosine**2))
    r_s = (cosine - inside) / (cosine + inside)
    r_p = (n * n * cosine - inside) / (n * n * cosine + inside)
    return 0.5 * (abs(r_s) ** 2 + abs(r_p) ** 2)


@given(st.floats(0.001, 1.0), st.floats(1.0, 4.0))
def test_dielectric_is_the_closed_form(cosine, eta):
    assert fresnel_dielectric(cosine, eta) == pytest.approx(closed_form(cosine, eta), abs=1e-12)
    assert fresnel_dielectric(0.0, 1.0 + eta) == 1.0


@given(st.floats(0.001, 1.0), st.floats(0.3, 1.0))
def test_from_the_denser_side_too(cosine, eta):
    # Just beside the critical angle the roots of both are known to half of the digits.
    within = 1e-12 if abs(cosine**2 - 1.0 + eta**2) > 1e-6 else 1e-7
    assert fresnel_dielectric(cosine, eta) == pytest.approx(closed_form(cosine, eta), abs=within)


@settings(max_examples=500)
@given(st.floats(0.001, 1.0), st.floats(0.02, 6.0), st.floats(0.0, 9.0))
@example(0.5, 0.5, 1e-5)
def test_conductor_is_the_closed_form(cosine, n, k):
    assert fresnel_conductor(cosine, n, k) == pytest.approx(closed_form(cosine, n + 1j * k), abs=1e-12)


@given(st.floats(0.001, 1.0), st.floats(1.01, 3.0))
def test_both_sides_of_an_interface_reflect_alike(cosine, eta):
    inside = np.sqrt(1.0 - (1.0 - cosine**2) / eta**2)
    assert fresnel_dielectric(min(1.0, inside), 1.0 / eta) == pytest.approx(
        float(fresnel_dielectric(cosine, eta)), abs=1e-10
    )


def test_total_internal_reflection_and_brewster():
    critical = np.sqrt(1.0 - (1 / 1.5) ** 2)
    assert np.all(fresnel_dielectric(np.linspace(0.0, critical - 1e-9, 50), 1 / 1.5) == 1.0)
    brewster = np.cos(np.arctan(1.5))
    # Only s is left: half of sin²(difference of the angles), which are complementary.
    s = np.sin(np.arctan(1.5) - np.arctan(1 / 1.5)) ** 2
    assert fresnel_dielectric(brewster, 1.5) == pytest.approx(0.5 * s, abs=1e-12)


def test_arguments_broadcast_and_keep_their_domain():
    assert fresnel_dielectric(np.linspace(0, 1, 5)[:, None], [1.3, 1.5]).shape == (5, 2)
    assert fresnel_conductor(1.0, [0.2, 0.3, 0.4], 3.0).shape == (3,)
    for call in (
        lambda: fresnel_dielectric(1.1, 1.5),
        lambda: fresnel_dielectric(-0.1, 1.5),
        lambda: fresnel_dielectric(float("nan"), 1.5),
        lambda: fresnel_dielectric(0.5, 0.0),
        lambda: fresnel_conductor(0.5, 0.0, 1.0),
        lambda: fresnel_conductor(0.5, 1.0, -1.0),
    ):
        with pytest.raises(ValueError):
            call()


@given(st.floats(0.0, 1.0), st.floats(0.0, 1.0))
def test_face_and_edge_colour_pass_through_their_points(face, edge):
    assert fresnel_face_edge(1.0, face, edge) == pytest.approx(face, abs=1e-12)
    assert fresnel_face_edge(COS_EDGE, face, edge) == pytest.approx(edge, abs=1e-9)
    between = fresnel_face_edge(np.linspace(0, 1, 40), face, edge)
    assert np.all((between >= 0.0) & (between <= 1.0))
    assert fresnel_face_edge(0.0, face, edge) == pytest.approx(1.0)


@pytest.mark.filterwarnings("error")
def test_beyond_the_critical_angle_nothing_is_said_to_be_wrong():
    cosines = np.linspace(0.0, 1.0, 257)
    reflected = fresnel_dielectric(cosines, 1.0 / 1.5)
    beyond = 1.5 * np.sqrt(1.0 - cosines**2) >= 1.0
    assert np.all(reflected[beyond] == 1.0) and np.all(reflected[~beyond] < 1.0)


def test_numbers_and_arrays_of_any_shape_run_one_compiled_kernel():
    from photometra.optics import fresnel

    row, block = np.linspace(0.1, 1.0, 4), np.full((3, 4), 1.5)
    for cosine, eta in ((0.5, 1.5), (row, 1.5), (0.5, block), (row, block), (row[::2], 1.5), (block - 1.0, block.T.T)):
        found = fresnel.fresnel_dielectric(cosine, eta)
        assert np.shape(found) == np.broadcast_shapes(np.shape(cosine), np.shape(eta))
    assert len(fresnel._dielectric.signatures) == 1
