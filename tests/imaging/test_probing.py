"""Numbers off a picture: pins, profiles, histograms."""

import numpy as np
import pytest

from photometra.imaging.probing import STOPS, at_pin, histogram, profile


def test_a_pin_is_the_mean_of_a_small_circle():
    picture = np.full((40, 60, 3), 0.25)
    picture[10:20, 20:30] = (0.5, 0.5, 0.5)
    inside = at_pin(picture, 25 / 60, 15 / 40, 0.08)
    assert inside.linear == pytest.approx([0.5] * 3) and inside.spread == pytest.approx(0.0, abs=1e-9)
    assert inside.lab[0] == pytest.approx(76.07, abs=0.02) and inside.luminance == pytest.approx(0.5)
    edge = at_pin(picture, 20 / 60, 15 / 40, 0.1)
    assert 0.25 < edge.luminance < 0.5 and edge.spread > 0.1
    assert at_pin(picture, 25 / 60, 15 / 40, 0.08, np.full_like(picture, 0.25)).delta_e > 15.0
    assert np.isnan(inside.delta_e) and at_pin(np.full((4, 4, 3), np.nan), 0.5, 0.5, 0.1) is None


def test_a_profile_runs_straight_between_two_places():
    ramp = np.repeat(np.repeat(np.linspace(0.0, 1.0, 101)[None, :, None], 30, axis=0), 3, axis=2)
    t, luminance = profile(ramp, (0.5 / 101, 0.5), (100.5 / 101, 0.5), 11)
    assert luminance == pytest.approx(t, abs=1e-9)
    assert np.ptp(profile(ramp, (0.5, 0.1), (0.5, 0.9))[1]) < 1e-9


def test_a_histogram_counts_every_pixel_once_in_stops_about_white():
    picture = np.concatenate([np.full((4, 4, 3), 1.0), np.full((4, 4, 3), 0.25), np.zeros((4, 8, 3))], axis=1)
    stops, share = histogram(picture, 64)
    assert share.sum() == pytest.approx(1.0) and share[0] == pytest.approx(0.5)
    assert share[(stops > -2.2) & (stops < -1.8)].sum() == pytest.approx(0.25)
    assert stops[0] > STOPS[0] and stops[-1] < STOPS[1]
