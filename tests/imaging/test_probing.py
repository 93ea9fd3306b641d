"""Numbers off a picture: pins, profiles, histograms."""

import numpy as np
import pytest

from photometra.imaging.framing import in_view
from photometra.imaging.probing import STOPS, at_pin, covered, histogram, profile
from photometra.study import Pin


def pin(x, y, radius=0.01, form="point", to=(0.0, 0.0), aspect=1.5):
    """A pin by places 0..1 of a frame of an aspect of 1 or more."""
    return Pin("p", 0.5 + (x - 0.5) * aspect, y, radius, form, 0.5 + (to[0] - 0.5) * aspect, to[1])


def test_a_pin_is_the_mean_of_a_small_circle():
    picture = np.full((40, 60, 3), 0.25)
    picture[10:20, 20:30] = (0.5, 0.5, 0.5)
    inside = at_pin(picture, pin(25 / 60, 15 / 40, 0.08))
    assert inside.linear == pytest.approx([0.5] * 3) and inside.spread == pytest.approx(0.0, abs=1e-9)
    assert inside.lab[0] == pytest.approx(76.07, abs=0.02) and inside.luminance == pytest.approx(0.5)
    edge = at_pin(picture, pin(20 / 60, 15 / 40, 0.1))
    assert 0.25 < edge.luminance < 0.5 and edge.spread > 0.1
    assert at_pin(picture, pin(25 / 60, 15 / 40, 0.08), np.full_like(picture, 0.25)).delta_e > 15.0
    assert np.isnan(inside.delta_e) and at_pin(np.full((4, 6, 3), np.nan), pin(0.5, 0.5, 0.1)) is None


def test_a_profile_runs_along_a_lines_band():
    ramp = np.repeat(np.repeat(np.linspace(0.0, 1.0, 300)[None, :, None], 200, axis=0), 3, axis=2)
    t, luminance = profile(ramp, pin(0.0, 0.5, 0.01, "line", (1.0, 0.5)), 10)
    assert luminance == pytest.approx(t, abs=2e-3)
    assert np.ptp(profile(ramp, pin(0.5, 0.1, 0.01, "line", (0.5, 0.9)))[1]) < 0.01
    # Backwards it falls; and slanted it is as long as it is.
    assert (np.diff(profile(ramp, pin(0.9, 0.2, 0.01, "line", (0.1, 0.8)))[1]) < 0.0).all()


def test_a_patch_is_its_rectangle_and_a_pin_stays_where_it_is_in_any_window():
    rows, columns, _ = covered(pin(0.2, 0.25, form="patch", to=(0.4, 0.5)), 300, 200)
    assert (rows.min(), rows.max(), columns.min(), columns.max()) == (50, 100, 60, 120)
    assert rows.size == 51 * 61
    assert covered(pin(0.2, 0.2, 1e-6), 300, 200)[0].size <= 4 and covered(pin(3.0, 0.2), 300, 200)[0].size == 0
    for width, height in ((300, 200), (500, 200), (200, 200), (200, 400)):
        at = Pin("p", *in_view((0.55, 0.45), width / height))
        rows, columns, _ = covered(at, width, height)
        assert np.mean(rows) == pytest.approx(0.45 * height, abs=0.6)
        assert np.mean(columns) == pytest.approx(0.55 * width, abs=0.6)


def test_a_histogram_counts_every_pixel_once_in_stops_about_white():
    picture = np.concatenate([np.full((4, 4, 3), 1.0), np.full((4, 4, 3), 0.25), np.zeros((4, 8, 3))], axis=1)
    stops, share = histogram(picture, 64)
    assert share.sum() == pytest.approx(1.0) and share[0] == pytest.approx(0.5)
    assert share[(stops > -2.2) & (stops < -1.8)].sum() == pytest.approx(0.25)
    assert stops[0] > STOPS[0] and stops[-1] < STOPS[1]
