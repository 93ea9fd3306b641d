"""How kernels read the arrays: tables by cosine and by turn, spectra by wavelength, directions by the strokes."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.surface import Surface, rows
from photometra.surface.albedo import MU, facet_shares, lost_turn
from photometra.surface.compile import compile_surface

_ANGLE = st.floats(0.0, 6.28)


@given(st.floats(-2.0, 2.0), st.floats(-2.0, 2.0), st.floats(0.0, 1.0))
def test_a_straight_table_is_read_exactly(a, b, mu):
    assert rows.at_cosine(a + b * MU, mu) == pytest.approx(a + b * mu, abs=1e-12)


@given(_ANGLE, st.floats(0.05, 0.95))
def test_a_turn_is_its_two_harmonics(phi, mu):
    s = np.sqrt(1.0 - mu * mu)
    x, y = s * np.cos(phi), s * np.sin(phi)
    second, fourth = np.full(rows.COSINES, 0.3), np.full(rows.COSINES, -0.1)
    expected = 0.3 * np.cos(2.0 * phi) - 0.1 * np.cos(4.0 * phi)
    assert rows.turn_at(second, fourth, x, y, mu) == pytest.approx(expected, abs=1e-9)
    table = np.stack([np.full(rows.COSINES, 0.5), second, fourth])
    assert rows.at_direction(table, 0, 1, x, y, mu, 1.0) == pytest.approx(max(0.0, 0.5 + expected), abs=1e-9)
    assert rows.at_direction(table, 0, 1, x, y, mu, 0.0) == pytest.approx(0.5)
    assert rows.turn_at(second, fourth, 0.0, 0.0, 1.0) == 0.0, "straight on there is no turn"


@given(_ANGLE, st.floats(-180.0, 180.0))
def test_turning_to_the_strokes_keeps_lengths_and_runs_along_them(phi, rotation):
    scalars = compile_surface(Surface({"rotation": rotation})).scalars
    x, y = rows.to_lobe_frame(np.cos(phi), np.sin(phi), scalars)
    assert np.hypot(x, y) == pytest.approx(1.0)
    # What points the strokes' own way lies along them alone.
    t = np.radians(rotation)
    assert rows.to_lobe_frame(np.cos(t), np.sin(t), scalars) == pytest.approx((0.0, 1.0), abs=1e-9)


def test_no_strokes_no_turns_and_strokes_average_to_what_is_there():
    even = facet_shares(0.3, 0.3, 1.0)
    assert even.reflected_turn is None and even.split_turn(np.ones(128), np.zeros(128)) is None
    grooved = facet_shares(0.4, 0.1, 1.0)
    assert grooved.reflected_turn.shape == (2, *grooved.reflected.shape)
    total = grooved.reflected.sum(axis=1)
    for phi_part in (1.0, -1.0):
        at_turn = total + phi_part * grooved.reflected_turn[0].sum(axis=1) + grooved.reflected_turn[1].sum(axis=1)
        assert np.all(at_turn > 0.0) and np.all(at_turn < 1.12)
    assert lost_turn(None, 0.2) == 0.0


@pytest.mark.parametrize("eta", [1.0 / 1.5, 1.0 / 2.4])
def test_beyond_the_critical_angle_a_polish_throws_everything_back(eta):
    shares = facet_shares(1e-4, 1e-4, eta)
    critical = np.sqrt(1.0 - eta**2)
    beyond, before = critical - 0.02 > MU, critical + 0.02 < MU
    assert shares.total[beyond][3:] == pytest.approx(np.ones(beyond.sum() - 3), abs=0.01)
    # What is left is the tail of GGX.
    assert np.all(shares.total[before] < 1e-5)
    # Whatever facets reflect, nothing of a polish is lost.
    reflected, passed = shares.split(np.full(128, 0.3), np.full(128, 0.7))
    assert (reflected + passed)[3:] == pytest.approx(np.ones(61), abs=0.01)


def test_spectra_are_taken_between_their_samples():
    spectra = np.stack([np.arange(82.0), np.arange(82.0) ** 2])
    props = np.empty((2, 2))
    rows.gather(spectra, np.array([3, 80]), np.array([0.25, 1.0]), props)
    assert props == pytest.approx(np.array([[3.25, 81.0], [9.0 + 0.25 * 7.0, 6561.0]]))


def test_what_varies_is_gathered_anew_and_what_does_not_once():
    rng = np.random.default_rng(2)
    spectra = np.repeat(rng.random((rows.SPECTRA, 1)), 82, axis=1)
    varying = [1, 4, rows.SPECTRA - 1]
    spectra[varying] = rng.random((3, 82))
    spectra[varying[1], :-1] = spectra[varying[1], 0]
    props, plain = np.empty((rows.SPECTRA, 4)), np.empty((rows.SPECTRA, 4))
    own = np.full(rows.SPECTRA + 1, -1)
    for _ in range(3):
        index, fraction = rng.integers(0, 81, 4), rng.random(4)
        rows.gather(spectra, index, fraction, plain)
        rows.gather_varying(spectra, index, fraction, props, own)
        assert props == pytest.approx(plain, rel=1e-12)
    assert own[0] == 3 and list(own[1:4]) == varying
