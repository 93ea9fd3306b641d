"""Large pictures in tiles, and the small chart of the numbers: what they draw, and what they keep."""

import numpy as np
import pytest
from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QImage, QPainter

from photometra.desktop import tiles as tiles_module
from photometra.desktop.curve import Curve
from photometra.desktop.tiles import TILE, Tiles
from photometra.errors import InputError
from photometra.imaging.pyramid import pyramid_from

from .conftest import PATIENCE_MS
from .test_comparing import colours


@pytest.fixture
def tiles(qapp):
    made = Tiles()
    yield made
    made.end()


def squares(height, width):
    """A picture whose red says the row and whose green the column, in 0..1."""
    y, x = np.mgrid[0:height, 0:width]
    return np.stack([y / height, x / width, np.full_like(x, 0.25, float)], axis=-1).astype(np.float32)


def drawn(tiles, qtbot, area, width=320, height=240):
    """The picture drawn into an area of a widget of a size, once everything asked for is there."""
    image = QImage(width, height, QImage.Format.Format_RGB888)

    def draw():
        image.fill(0)
        painter = QPainter(image)
        tiles.draw(painter, area, QRectF(0.0, 0.0, width, height))
        painter.end()

    draw()
    qtbot.waitUntil(lambda: tiles.is_whole, timeout=PATIENCE_MS)
    draw()
    return colours(image)


def test_near_by_a_picture_is_drawn_pixel_by_pixel(tiles, qtbot):
    linear = squares(900, 1400)
    tiles.show(pyramid_from(linear), lambda part: part)
    seen = drawn(tiles, qtbot, QRectF(-600.0, -300.0, 1400.0, 900.0))
    # Within an 8-bit step and a half float.
    assert np.abs(seen - linear[300:540, 600:920]).max() < 0.004


def test_from_afar_it_is_the_mean_of_what_it_shows(tiles, qtbot):
    linear = squares(900, 1400)
    tiles.show(pyramid_from(linear), lambda part: part)
    seen = drawn(tiles, qtbot, QRectF(0.0, 0.0, 280.0, 180.0))
    assert seen[90, 140] == pytest.approx([0.5, 0.5, 0.25], abs=0.01)
    assert not seen[200:].any() and not seen[:, 300:].any()


def test_beyond_the_edge_there_is_nothing_and_nothing_is_asked_for(tiles, qtbot):
    tiles.show(pyramid_from(squares(300, 300)), lambda part: part)
    assert not drawn(tiles, qtbot, QRectF(5000.0, 0.0, 300.0, 300.0)).any()
    assert tiles.is_whole


def test_only_so_many_tiles_are_kept(tiles, qtbot, monkeypatch):
    monkeypatch.setattr(tiles_module, "_KEPT", 4)
    made = []

    def shown(part):
        made.append(part.shape)
        return part

    tiles.show(pyramid_from(squares(3 * TILE, 5 * TILE)), shown)
    whole = QRectF(0.0, 0.0, 5.0 * TILE, 3.0 * TILE)
    for x in (0.0, -2.0 * TILE, -4.0 * TILE):
        drawn(tiles, qtbot, whole.translated(x, 0.0), TILE, TILE)
    assert len(tiles._kept) <= 4
    assert max(h for h, _, _ in made) <= 512 and len(made) < 20


def test_another_way_to_the_screen_draws_anew_and_a_failure_is_told(tiles, qtbot):
    pyramid = pyramid_from(np.full((400, 400, 3), 0.5, np.float32))
    area = QRectF(0.0, 0.0, 400.0, 400.0)
    tiles.show(pyramid, lambda part: part)
    assert drawn(tiles, qtbot, area)[100, 100] == pytest.approx([0.5] * 3, abs=0.01)
    tiles.show(pyramid, lambda part: 0.5 * part)
    assert drawn(tiles, qtbot, area)[100, 100] == pytest.approx([0.25] * 3, abs=0.01)
    told = []
    tiles.failed.connect(told.append)

    def broken(_part):
        raise InputError("this view cannot be shown")

    tiles.show(pyramid, broken)
    drawn(tiles, qtbot, area)
    qtbot.waitUntil(lambda: "this view cannot be shown" in told, timeout=PATIENCE_MS)


def picture_of(curve):
    curve.resize(200, 120)
    return colours(curve.grab().toImage().convertToFormat(QImage.Format.Format_RGB888))


def test_a_curve_draws_what_it_is_given(qapp):
    curve = Curve("nothing yet")
    empty = picture_of(curve)
    x = np.linspace(0.0, 1.0, 50)
    curve.show_curves([(x, x)], "rising")
    rising = picture_of(curve)
    curve.show_curves([(x, x), (x, 1.0 - x)], "rising and falling")
    both = picture_of(curve)
    assert (rising != empty).any() and (both != rising).any()
    # A rising line: low on the left, high on the right.
    ink = np.abs(rising - empty).sum(axis=2)[20:95] > 0.3
    rows = np.arange(20, 95)
    left, right = (np.mean(rows[ink[:, c].nonzero()[0]]) for c in (60, 160))
    assert left > right + 20.0


def test_a_spectrum_has_its_hues_and_gaps_are_left_out(qapp):
    curve = Curve("spectrum")
    nm = np.arange(380.0, 781.0, 10.0)
    curve.show_curves([(nm, np.ones(nm.size))], "flat", is_spectrum=True)
    seen = picture_of(curve)[60]
    blue, green, red = (seen[round(4 + 192 * (v - 380.0) / 400.0)] for v in (450.0, 530.0, 620.0))
    assert blue.argmax() == 2 and green.argmax() == 1 and red.argmax() == 0
    curve.show_curves([(nm, np.where(nm > 600.0, np.nan, 1.0))], "gap")
    assert curve.curves[0][0].max() == 600.0
    curve.show_curves([(nm[:1], np.ones(1))], "one value is no curve")
    picture_of(curve)
