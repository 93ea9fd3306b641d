"""Frames, pins and corners over their whole domain."""

import itertools

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.imaging.framing import corners_within, in_frame, in_view
from photometra.imaging.lining_up import moved, scale_and_turn, scaled, turned
from photometra.imaging.probing import binned, covered, profile
from photometra.imaging.pyramid import pyramid_from
from photometra.imaging.references import homography, mapped, place_in_frame
from photometra.study import WHOLE, Pin, Reference
from photometra.study.booth import PIN_FORMS
from photometra.tracing.render import _runs

aspects = st.floats(0.2, 5.0)
places = st.tuples(st.floats(-1.0, 2.0), st.floats(-1.0, 2.0))
sizes = st.integers(1, 60)


@given(places, aspects, aspects)
def test_a_place_is_the_same_in_every_frame_of_the_view(place, ours, theirs):
    assert in_view(in_frame(place, ours), ours) == pytest.approx(np.array(place), abs=1e-9)
    # By way of the corners, or by way of the view.
    by_corners = mapped(homography(WHOLE, corners_within(ours, theirs)), in_frame(place, ours))
    assert by_corners == pytest.approx(in_frame(place, theirs), abs=1e-6)


@given(aspects)
def test_the_square_in_the_middle_is_in_every_frame(aspect):
    inside = in_frame(WHOLE, aspect)
    assert inside.min() >= -1e-12 and inside.max() <= 1.0 + 1e-12
    assert inside.mean(axis=0) == pytest.approx([0.5, 0.5])
    # One way the square fills the frame.
    assert np.isclose(np.ptp(inside, axis=0), 1.0).any()


@given(st.floats(0.05, 4.0), st.floats(-170.0, 170.0), st.floats(-1.0, 1.0), st.floats(-1.0, 1.0), aspects)
def test_scale_and_turn_are_read_back(factor, degrees, dx, dy, aspect):
    corners = moved(turned(scaled(WHOLE, factor), degrees, aspect), dx, dy)
    scale, turn = scale_and_turn(corners, aspect)
    assert scale == pytest.approx(factor, rel=1e-6) and turn == pytest.approx(degrees, abs=1e-5)
    assert np.mean(corners, axis=0) == pytest.approx([0.5 + dx, 0.5 + dy], abs=1e-9)


@given(places, st.floats(0.2, 3.0), st.floats(-80.0, 80.0), aspects, aspects)
def test_a_place_of_a_lined_up_photograph_is_found_in_the_render(place, factor, degrees, theirs, ours):
    corners = turned(scaled(WHOLE, factor), degrees, theirs)
    reference = Reference("images/p.png", corners=corners)
    photograph = mapped(homography(WHOLE, corners), in_frame(in_view(place, ours), theirs))
    assert place_in_frame(reference, photograph, theirs, ours) == pytest.approx(np.array(place), abs=1e-6)


@given(st.sampled_from(PIN_FORMS), places, places, st.floats(1e-4, 0.5), sizes, sizes)
def test_a_pin_covers_pixels_of_the_picture_each_once(form, begin, end, radius, width, height):
    pin = Pin("p", *begin, radius, form, *end)
    rows, columns, along = covered(pin, width, height)
    assert rows.size == columns.size == along.size
    assert ((rows >= 0) & (rows < height) & (columns >= 0) & (columns < width)).all()
    assert np.unique(rows * width + columns).size == rows.size
    if form != "line":
        assert not along.any()


@given(st.lists(st.floats(0.0, 1.0), min_size=1, max_size=40), st.integers(1, 30))
def test_bins_keep_every_value(along, bins):
    along = np.array(along)
    values = 1.0 + along
    middles, means = binned(along, values, bins)
    known = np.isfinite(means)
    counts = np.bincount(np.minimum((along * bins).astype(int), bins - 1), minlength=bins)
    assert np.array_equal(known, counts > 0)
    assert np.sum(means[known] * counts[known]) == pytest.approx(values.sum())
    assert np.abs(means[known] - 1.0 - middles[known]).max() <= 0.5 / bins + 1e-9


def test_what_is_not_known_of_a_picture_leaves_a_gap_in_its_profile():
    picture = np.ones((90, 90, 3))
    picture[:, 34:56] = np.nan
    _, luminance = profile(picture, Pin("p", 0.02, 0.5, 0.01, "line", 0.98, 0.5), 10)
    assert np.isnan(luminance[[4, 5]]).all() and np.isfinite(luminance[[0, 1, 2, 7, 8, 9]]).all()


@given(sizes, sizes, st.integers(0, 2**31))
def test_the_tiles_of_marked_pixels_hold_each_of_them_once(width, height, seed):
    only = np.random.default_rng(seed).random((height, width)) < 0.4
    count = np.zeros((height, width), int)
    for x0, x1, y0, y1 in (tile for together in _runs(only) for tile in together):
        assert x0 < x1 and y0 < y1
        count[y0:y1, x0:x1] += 1
    assert np.array_equal(count, only.astype(int))


@given(st.integers(1, 300), st.integers(1, 300), st.floats(0.01, 1e6))
def test_a_level_is_never_coarser_than_what_is_asked_for(width, height, step):
    pyramid = pyramid_from(np.zeros((height, width, 3), np.float32))
    level = pyramid.level_for(step)
    assert 0 <= level < len(pyramid.levels) and (level == 0 or 2**level <= step * (1.0 + 1e-6))
    shapes = [v.shape[:2] for v in pyramid.levels]
    assert all(b == (a[0] // 2, a[1] // 2) for a, b in itertools.pairwise(shapes))
