"""Features of the generators have the sizes in mm that they say, measured off the tiles by Fourier and by counting."""

import numpy as np
import pytest
from scipy import ndimage

from photometra.maps import Adjustments, Generator, Layer, Map, Placement
from photometra.maps.baking import drawn, tile_of
from photometra.maps.laying import levels_on
from photometra.shapes.lying import LiesOn

SIZE = (40.0, 40.0)


def made(kind, tile=SIZE, **settings):
    return drawn(Generator(kind, 1, tuple(sorted(settings.items()))), tile)


def strongest_period(levels, size, axis):
    """The period in mm that is strongest along an axis of a tile."""
    along = levels - levels.mean()
    power = (np.abs(np.fft.rfft(along, axis=axis)) ** 2).sum(axis=1 - axis)
    power[0] = 0.0
    return size / int(np.argmax(power))


@pytest.mark.parametrize("thread", [0.5, 0.8, 1.6])
def test_threads_of_a_weave_repeat_every_two(thread):
    # A tile that holds whole repeats; in another the threads are fitted to it.
    side = 16.0 * thread
    levels = made("weave", (side, side), warp=thread, weft=2.0 * thread)
    # In a plain weave row and column alternate: the pattern comes again after two threads.
    assert strongest_period(levels, side, 1) == pytest.approx(2.0 * thread, rel=0.05)
    assert strongest_period(levels, side, 0) == pytest.approx(4.0 * thread, rel=0.05)


@pytest.mark.parametrize("spacing", [2.0, 4.0])
def test_rings_of_a_grain_are_as_far_apart_as_said(spacing):
    levels = made("grain", (80.0, 80.0), spacing=spacing)
    assert strongest_period(levels, 80.0, 0) == pytest.approx(spacing, rel=0.12)


def test_squares_of_a_checker_are_squares():
    levels = made("checker", square=5.0)
    labels, count = ndimage.label(levels > 0.5)
    areas = np.bincount(labels.ravel())[1:] * (SIZE[0] / levels.shape[0]) ** 2
    assert count == 32 and np.allclose(areas, 25.0, rtol=0.02)


@pytest.mark.parametrize(("density", "size"), [(5.0, 1.0), (12.0, 0.6)])
def test_specks_are_as_many_and_as_large_as_said(density, size):
    levels = made("specks", density=density, size=size)
    _, count = ndimage.label(levels > 0.3)
    expected = density * SIZE[0] * SIZE[1] / 100.0
    # By chance, and some lie over another.
    assert 0.65 * expected < count < expected + 4.0 * expected**0.5
    covered = (levels > 0.5).mean() / (expected * np.pi * (0.5 * size) ** 2 / (SIZE[0] * SIZE[1]))
    assert 0.5 < covered < 1.6


@pytest.mark.parametrize("feature", [2.0, 5.0])
def test_blotches_of_noise_grow_with_their_feature(feature):
    levels = made("noise", feature=feature, octaves=1.0)
    centred = levels - levels.mean()
    power = np.abs(np.fft.fft2(centred)) ** 2
    alike = np.real(np.fft.ifft2(power))[0] / power.mean()
    half = np.argmax(alike < 0.5) * SIZE[0] / levels.shape[1]
    # Half as alike at about half a feature.
    assert 0.25 * feature < half < 0.8 * feature
    # Every level is as frequent as any other.
    assert np.abs(np.sort(levels.ravel()) - np.linspace(0.0, 1.0, levels.size)).max() < 0.12


def test_flakes_cover_their_share_and_each_has_one_level():
    levels = drawn(Generator("flakes", 3, (("cover", 0.7), ("size", 0.5))), (12.0, 12.0))
    assert (levels > 0.0).mean() == pytest.approx(0.7, abs=0.05)
    # One for each square of its size.
    assert len(np.unique(levels)) - 1 == pytest.approx(0.7 * (12.0 / 0.5) ** 2, rel=0.08)


def test_ridges_of_a_print_are_spaced_as_said():
    levels = drawn(Generator("fingerprints", 2, (("density", 0.4), ("ridge", 0.5))), (50.0, 50.0))
    power = np.abs(np.fft.fft2(levels - levels.mean())) ** 2
    u, v = np.meshgrid(np.fft.fftfreq(levels.shape[1], 50.0 / levels.shape[1]),
                       np.fft.fftfreq(levels.shape[0], 50.0 / levels.shape[0]))  # fmt: skip
    per_mm = np.hypot(u, v)
    ring = (per_mm > 0.7) & (per_mm < 4.0)
    mean = (per_mm[ring] * power[ring]).sum() / power[ring].sum()
    # Rings about the core lie as said; below it they are drawn out, and so farther apart.
    assert 0.45 < 1.0 / mean < 1.0


class TestOnABody:
    def test_a_smaller_tile_keeps_the_distribution(self):
        layers = [
            Layer(Generator("noise", 1, (("feature", 1.0),)), Placement("cylinder", (side, side)))
            for side in (8.0, 16.0)
        ]
        both = [np.sort(levels_on(((layer,),), LiesOn())[:, 0]) for layer in layers]
        assert np.abs(both[0] - both[1]).max() < 0.08

    def test_levels_of_a_black_and_white_map_are_shares_of_the_surface(self):
        checker = Layer(Generator("checker", 1, (("square", 2.0),)), Placement("box", (8.0, 8.0)))
        levels = levels_on(((checker,),), LiesOn("puck", 50.0))[:, 0]
        assert levels.mean() == pytest.approx(0.5, abs=0.03)
        dark = Layer(checker.source, checker.placement, Adjustments(invert=True, gamma=3.0))
        assert levels_on(((dark,),), LiesOn("puck", 50.0))[:, 0].mean() == pytest.approx(0.5, abs=0.06)

    def test_a_contrast_of_nothing_is_the_middle_everywhere(self):
        grey = Layer(Generator("noise"), adjustments=Adjustments(contrast=0.0))
        assert np.allclose(tile_of(grey, SIZE).levels, 0.5, atol=1e-4)
        assert Map((grey,), 0.2, 0.6).middle == pytest.approx(0.4)
