"""Two rough faces in a row, against slopes drawn by chance."""

import numpy as np
import pytest

from photometra.optics.slopes import within_two_faces


@pytest.mark.parametrize("x", [0.02, 0.3, 1.0, 2.0, 5.0, 20.0, 200.0])
def test_two_faces_spread_a_beam_as_drawn_slopes_do(x):
    """GGX slopes have the radius r = sqrt(u / (1 - u)) and an even turn (Walter et al. 2007)."""
    rng = np.random.default_rng(7)
    n = 2_000_000
    total = 0.0
    for _ in range(2):
        radius, turn = np.sqrt(1.0 / (1.0 - rng.random(n)) - 1.0), 2.0 * np.pi * rng.random(n)
        total = total + radius * np.exp(1j * turn)
    share = np.mean(np.abs(total) < x)
    assert within_two_faces(x) == pytest.approx(share, abs=4.0 * np.sqrt(share * (1.0 - share) / n) + 3e-4)


def test_it_grows_from_nothing_to_all():
    values = within_two_faces(np.geomspace(1e-6, 1e6, 400))
    assert np.all(np.diff(values) >= -1e-6) and values[0] < 1e-9 and values[-1] == pytest.approx(1.0, abs=1e-6)
