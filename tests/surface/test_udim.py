"""Sets of tiles numbered by UDIM, and pictures of normals: made here with arithmetic alone."""

import numpy as np
import pytest

from photometra.errors import InputError
from photometra.maps import Map, Picture
from photometra.maps.baking import heights_of_normals, tile_of
from photometra.pictures import read_native, write_png
from photometra.surface import PARAMETERS, Surface
from photometra.surface.inputs import parse_map, picture_from
from photometra.surface.udim import tiles_of


def test_a_set_of_tiles_becomes_one_picture_over_its_squares(tmp_path):
    for number, grey in ((1001, 0.2), (1002, 0.4), (1012, 0.8)):
        write_png(tmp_path / f"skin_rough.{number}.png", np.full((8, 8, 3), grey))
    write_png(tmp_path / "other.1001.png", np.zeros((8, 8, 3)))
    assert set(tiles_of(tmp_path / "skin_rough.1002.png")) == {(0, 0), (1, 0), (1, 1)}
    assert not tiles_of(tmp_path / "other.1001.png")
    value = parse_map(PARAMETERS["roughness"], f"map:{tmp_path}/skin_rough.<UDIM>.png,low=0,high=1")
    source = value.layers[0].source
    assert source.spans == (2, 2) and value.layers[0].placement.way == "uv"
    levels = tile_of(value.layers[0], (10.0, 10.0)).levels
    # Lower left, lower right, upper left (missing), upper right.
    assert [round(float(levels[r, c]), 2) for r, c in ((12, 4), (12, 12), (4, 4), (4, 12))] == [0.2, 0.4, 0.0, 0.8]
    write_png(tmp_path / "skin_rough.1002.png", np.full((4, 8, 3), 0.1))
    with pytest.raises(InputError, match="size and depth"):
        picture_from(tmp_path / "skin_rough.1001.png")


def test_native_depths_are_kept(tmp_path):
    write_png(tmp_path / "a.png", np.full((2, 3, 3), 0.5))
    assert read_native(tmp_path / "a.png").dtype == np.uint8 and read_native(tmp_path / "a.png").shape == (2, 3, 3)


def test_normals_become_the_heights_they_are_of(tmp_path):
    n = 128
    y, x = np.mgrid[0:n, 0:n] / n
    height = 5.0 * np.sin(2.0 * np.pi * 3.0 * x) * np.cos(2.0 * np.pi * 2.0 * y)
    # Green points up, rows run down.
    normal = np.stack([-np.gradient(height, axis=1), np.gradient(height, axis=0), np.ones_like(height)], axis=-1)
    normal /= np.linalg.norm(normal, axis=-1, keepdims=True)
    write_png(tmp_path / "wall_normal.png", 0.5 + 0.5 * normal)
    value = parse_map(PARAMETERS["bump"], f"map:{tmp_path}/wall_normal.png,size=20mm")
    source = value.layers[0].source
    assert source.channel == "normal"
    found = heights_of_normals(source)
    inner = slice(2, -2), slice(2, -2)
    assert np.abs((found - found.mean()) - (height - height.mean()))[inner].max() < 0.1
    # True heights in µm over a tile of 60 mm, as nobody said which body: parse knows the ball.
    assert value.high == pytest.approx(1000.0 * np.ptp(height) * 20.0 / n, rel=0.02) and value.low == 0.0
    with pytest.raises(InputError, match="give them to a bump"):
        Surface({"roughness": Map(value.layers, 0.1, 0.3)})
    assert isinstance(source, Picture)
