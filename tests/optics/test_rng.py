"""Numbers that lie evenly: the (0, 2) property of every use and bounce, and no trace of one in another."""

import numpy as np
import pytest

from photometra.optics.rng import EVEN_BOUNCES, EVEN_PAIRS, even_pair, seeded


def pairs(count, which=0, bounce=1, pixel=5, begin=0):
    state = np.zeros(4, np.uint64)
    out = []
    for s in range(begin, begin + count):
        state[:] = seeded(1, pixel, s + 1), int(f"{s:032b}"[::-1], 2), seeded(1, pixel, 0), bounce
        out.append(even_pair(state, which))
    return np.array(out)


@pytest.mark.parametrize("begin", [0, 16, 48, 1024])
@pytest.mark.parametrize("which", range(EVEN_PAIRS))
@pytest.mark.parametrize("bounce", range(1, EVEN_BOUNCES + 1))
def test_every_sixteen_fill_every_kind_of_sixteen_boxes(begin, which, bounce):
    """The definition of a (0, m, 2) net: in each elementary interval one point, whatever the scrambling (Owen 1995)."""
    at = pairs(16, which, bounce, pixel=which + 7 * bounce, begin=begin)
    assert at.min() >= 0.0 and at.max() < 1.0
    for across in (1, 2, 4, 8, 16):
        boxes = np.floor(at * (across, 16 // across)).astype(int)
        assert len({tuple(b) for b in boxes}) == 16


def test_a_smooth_integral_falls_faster_than_by_chance():
    """Of x y over many pixels: the spread of the means of 64 is far below that of random numbers, and about 1 / 4."""
    means = np.array([np.prod(pairs(64, pixel=p), axis=1).mean() for p in range(200)])
    by_chance = np.sqrt(7.0 / 144.0 / 64.0)
    assert means.std() < 0.2 * by_chance
    assert means.mean() == pytest.approx(0.25, abs=4.0 * means.std() / np.sqrt(200))


def test_uses_pixels_and_bounces_are_not_alike():
    one = pairs(256).ravel()
    for other in (pairs(256, which=1), pairs(256, bounce=2), pairs(256, pixel=6)):
        assert abs(np.corrcoef(one, other.ravel())[0, 1]) < 0.15
    assert abs(np.corrcoef(pairs(1024).T)[0, 1]) < 0.02


def test_beyond_the_bounces_they_are_random():
    far = pairs(64, bounce=EVEN_BOUNCES + 1)
    boxes = {tuple(b) for b in np.floor(far[:16] * 4).astype(int)}
    assert len(boxes) < 16 and far.min() >= 0.0 and far.max() < 1.0
