"""The booth's geometry: rays against the ball and the stage, markings, camera, random numbers."""

from itertools import pairwise

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from photometra.optics.rng import random_uniform, seeded
from photometra.tracing import PATCHES, Camera, Scene, uniform_environment
from photometra.tracing.scene import (
    CHECKER_MM,
    NOTHING,
    SPECIMEN,
    STAGE,
    STAGE_DARK,
    STAGE_LIGHT,
    STAGE_RIM,
    hit,
    patch_box,
    stage_radius,
    stage_reflectance,
)
from photometra.tracing.spectral import (
    HEROES,
    choose_wavelengths,
    light_spectra,
    lights_on_film,
    sensor_table,
    wavelength_number,
    with_lights,
)

R = 30.0
SCENE = Scene(uniform_environment(), radius=R).array()
_UNIT = st.floats(-1.0, 1.0)


def unit(x, y, z):
    v = np.array([x, y, z])
    assume(np.linalg.norm(v) > 0.1)
    return v / np.linalg.norm(v)


@given(_UNIT, _UNIT, _UNIT, _UNIT, _UNIT, _UNIT)
def test_a_hit_on_the_ball_lies_on_it_and_is_the_first(a, b, c, x, y, z):
    origin = np.array([0.0, R, 0.0]) + 200.0 * unit(a, b, c)
    towards = unit(x, y, z)
    bare = Scene(uniform_environment(), radius=R, stage=False).array()
    what, t = hit(*origin, *towards, False, bare)
    middle = np.array([0.0, R, 0.0]) - origin
    along = middle @ towards
    off = np.linalg.norm(middle - along * towards)
    assert (what == SPECIMEN) == (off < R and along > 0.0) or abs(off - R) < 1e-6
    if what == SPECIMEN:
        place = origin + t * towards
        assert np.linalg.norm(place - [0.0, R, 0.0]) == pytest.approx(R, rel=1e-9)
        assert t < along + 1e-6


@given(_UNIT, _UNIT, _UNIT, _UNIT, _UNIT, _UNIT, st.floats(0.0, 0.999))
def test_from_anywhere_within_the_far_wall_is_met(a, b, c, x, y, z, depth):
    origin = np.array([0.0, R, 0.0]) + depth * R * unit(a, b, c)
    towards = unit(x, y, z)
    what, t = hit(*origin, *towards, True, SCENE)
    assert what == SPECIMEN and t >= 0.0
    assert np.linalg.norm(origin + t * towards - [0.0, R, 0.0]) == pytest.approx(R, rel=1e-6)


@given(st.floats(-3.0, 3.0), st.floats(-3.0, 3.0))
def test_the_stage_is_met_from_above_only_and_within_its_rim(x, z):
    down = hit(x * R, 10.0 * R, z * R, 0.0, -1.0, 0.0, False, SCENE)
    distance = np.hypot(x, z) * R
    if distance > stage_radius(R):
        assert down[0] == NOTHING
    elif distance > R:
        assert down[0] == STAGE and down[1] == pytest.approx(10.0 * R)
    assert hit(x * R, -R, z * R, 0.0, 1.0, 0.0, False, SCENE)[0] != STAGE
    assert hit(2.0 * R, 5.0, 0.0, 0.0, 1.0, 0.0, False, SCENE)[0] == NOTHING


def test_the_stages_markings_have_their_real_size_and_values():
    left, top, size, depth = patch_box(R)
    patches = np.array(PATCHES)
    for i, value in enumerate(PATCHES):
        assert stage_reflectance(left + (i + 0.5) * size, top + 0.5 * depth, R, patches) == value
    assert stage_reflectance(left - 0.03 * R, top + 0.5 * depth, R, patches) == STAGE_RIM
    assert stage_reflectance(0.0, -0.97 * stage_radius(R), R, patches) == STAGE_RIM
    row = [stage_reflectance((i + 0.5) * CHECKER_MM, -45.0, R, patches) for i in range(-3, 4)]
    assert set(row) == {STAGE_LIGHT, STAGE_DARK}
    assert all(a != b for a, b in pairwise(row))


@pytest.mark.parametrize(("width", "height"), [(400, 400), (800, 400), (300, 600)])
def test_the_ball_fits_the_picture_whatever_its_shape(width, height):
    scene = Scene(uniform_environment(), radius=R, stage=False, camera=Camera(rise=0.0))
    eye, forward, right, up = scene.camera_array(width, height)[:4]
    assert np.linalg.norm(forward) == pytest.approx(1.0)
    assert right @ up == pytest.approx(0.0, abs=1e-12) and forward @ up == pytest.approx(0.0, abs=1e-12)
    assert np.linalg.norm(right) / np.linalg.norm(up) == pytest.approx(width / height)
    # The ball's edge, seen from the eye, lies within both half angles.
    edge = np.tan(np.arcsin(R / np.linalg.norm(eye - [0.0, R, 0.0])))
    assert edge < min(np.linalg.norm(right), np.linalg.norm(up))


def test_patches_stand_in_a_row_below_the_ball_for_any_size():
    for radius in (1.0, 30.0, 900.0):
        scene = Scene(uniform_environment(), radius=radius)
        places = [scene.patch_place(i, 700, 430) for i in range(4)]
        xs, ys = zip(*places, strict=True)
        assert np.all(np.diff(xs) > 0.03) and np.ptp(ys) < 0.01
        assert all(0.0 < x < 1.0 for x in xs) and all(0.8 < y < 1.0 for y in ys)


def test_random_numbers_are_even_and_apart():
    states = {seeded(s, p, n) for s in range(4) for p in range(20) for n in range(20)}
    assert len(states) == 1600
    state = np.array([seeded(1, 2, 3)], np.uint64)
    numbers = np.array([random_uniform(state) for _ in range(20_000)])
    assert numbers.min() >= 0.0 and numbers.max() < 1.0
    counts, _ = np.histogram(numbers, 20, (0.0, 1.0))
    assert np.sum((counts - 1000.0) ** 2 / 1000.0) < 50.0
    assert abs(np.corrcoef(numbers[:-1], numbers[1:])[0, 1]) < 0.03


def test_wavelengths_lie_evenly_over_samples_and_over_pixels():
    over_samples = np.sort([wavelength_number(5, 9, i, 0.3, 0.1) for i in range(64)])
    assert np.diff(over_samples).max() < 3.0 / 64.0
    # All of a path's wavelengths together: what counts is where they stand within a step between them.
    within = np.sort([HEROES * wavelength_number(5, 9, i, 0.3, 0.1) % 1.0 for i in range(16)])
    assert np.diff(within).max() < 3.0 / 16.0
    beside = np.sort([HEROES * wavelength_number(x, y, 0, 0.0, 0.4) % 1.0 for x in range(4) for y in range(4)])
    assert np.diff(beside).max() < 3.0 / 16.0
    assert all(0.0 <= wavelength_number(x, 7, x, p, 0.99) < 1.0 for x in range(50) for p in (0.0, 0.999))


def test_what_the_film_makes_of_a_light_is_the_mean_over_its_wavelengths():
    eye, basis = sensor_table(), light_spectra()
    film, lights = with_lights(eye), np.zeros((HEROES, 3))
    index, nearest = np.zeros(HEROES, np.int64), np.zeros(HEROES, np.int64)
    fraction, weights, total = np.zeros(HEROES), np.zeros((HEROES, 3)), np.zeros((3, 3))
    for i in range(4096):
        choose_wavelengths((i + 0.5) / 4096, index, fraction, nearest, film, weights, lights)
        assert lights == pytest.approx(
            basis[index] * (1.0 - fraction[:, None]) + basis[index + 1] * fraction[:, None], abs=1e-5
        )
        total += lights.T @ weights / 4096
    assert lights_on_film(eye) == pytest.approx(total, abs=1e-4)
    # A light of red, green and blue alone is seen as that.
    assert lights_on_film(eye) == pytest.approx(np.eye(3), abs=2e-3)
