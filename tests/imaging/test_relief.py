"""Displacement: the mesh is cut finely, moved by the map's heights in mm, and closed as before."""

import numpy as np
import pytest

from photometra.imaging.booths import scene_of
from photometra.maps import Generator, Layer, Map, Placement
from photometra.shapes.displacing import MOST_TRIANGLES, ball_of, displaced
from photometra.shapes.standing import SHAPES, shape_of
from photometra.study import Specimen, Study
from photometra.surface import Surface


def triangles(mesh):
    a = mesh.corners[:, :3].astype(float)
    return np.stack([a, a + mesh.corners[:, 3:6], a + mesh.corners[:, 6:]], axis=1)


def volume(mesh):
    a, b, c = np.moveaxis(triangles(mesh), 1, 0)
    return float(np.einsum("ij,ij->i", a, np.cross(b, c)).sum() / 6.0)


def closed(mesh):
    """Whether the areas of all triangles add up to nothing as vectors, which they do not where a crack is open."""
    a, b, c = np.moveaxis(triangles(mesh), 1, 0)
    areas = np.cross(b - a, c - a)
    return np.linalg.norm(areas.sum(axis=0)) < 2e-5 * np.linalg.norm(areas, axis=1).sum()


def test_the_ball_is_a_closed_ball_with_its_own_uvs():
    ball = ball_of(30.0, 1.0)
    away = np.linalg.norm(triangles(ball.mesh) - [0.0, 30.0, 0.0], axis=2)
    assert away == pytest.approx(np.full(away.shape, 30.0), abs=1e-3) and closed(ball.mesh)
    assert volume(ball.mesh) == pytest.approx(4.0 / 3.0 * np.pi * 30.0**3, rel=2e-3)
    uvs = ball.mesh.uvs.reshape(-1, 3, 2)
    assert np.ptp(uvs[..., 0], axis=1).max() < 0.26, "no triangle goes the long way round at the seam"


@pytest.mark.parametrize("height", [-1.5, pytest.param(2.0, marks=pytest.mark.long)])
def test_one_height_everywhere_makes_a_larger_or_smaller_ball(height):
    moved = displaced(ball_of(30.0, 2.0), [lambda at: np.full(len(at), height)], 1.0, 30.0)
    places = triangles(moved.mesh)
    middle = np.array([0.0, 0.5 * (places[..., 1].min() + places[..., 1].max()), 0.0])
    away = np.linalg.norm(places - middle, axis=2)
    # Between its corners a chord of the coarse ball lies up to 0.02 mm within.
    assert away == pytest.approx(np.full(away.shape, 30.0 + height), abs=0.03)
    assert places[..., 1].min() > 0.0, "it stands on the stage, not in it"
    outward = (places - middle) / away[..., None]
    assert np.einsum("tcx,tcx->tc", outward, moved.mesh.normals.reshape(-1, 3, 3)).min() > 0.999


@pytest.mark.parametrize("name", [n for n in SHAPES if n not in ("ball", "cloth", "filled")])
def test_no_cracks_open_on_any_shape(name):
    shape = shape_of(name, 30.0)
    moved = displaced(shape, [lambda at: 0.4 * np.sin(at[:, 0]) * np.sin(at[:, 1]) * np.sin(at[:, 2])], 1.5, 30.0)
    assert closed(shape.mesh) and closed(moved.mesh) and shape.mesh.size < moved.mesh.size <= MOST_TRIANGLES


def test_a_part_that_is_not_displaced_stays():
    shape = shape_of("cloth", 30.0)
    moved = displaced(shape, [lambda at: np.full(len(at), 0.5), None], 1.0, 30.0)
    rods = [triangles(m)[m.material == 1] for m in (shape.mesh, moved.mesh)]
    assert np.sort(rods[0].reshape(-1)) == pytest.approx(np.sort(rods[1].reshape(-1)))


def relief(low, high, way="top"):
    return Map((Layer(Generator("checker", 1, (("square", 10.0),)), Placement(way, (40.0, 40.0))),), low, high)


def test_a_map_of_heights_moves_the_shape_by_them_and_its_surface_lies_on_it():
    # A puck of 60 mm is 19.8 mm high: its top is raised in squares.
    puck = Specimen("Stamped", 60.0, Surface({"displacement": relief(0.0, 1.5)}), shape="puck")
    study = Study("Relief", (puck,))
    plain, stamped = (scene_of(study, s) for s in (puck.with_values({"displacement": 0.0}), puck))
    assert plain.shape is not stamped.shape and scene_of(study, puck).shape is stamped.shape, "made once"
    top = triangles(stamped.mesh)[..., 1].max()
    # Its underside is stamped too, and it stands on that.
    assert top == pytest.approx(plain.shape.height + 3.0, abs=0.02) and top == pytest.approx(stamped.shape.height)
    high, low = (np.abs(stamped.mesh.corners[:, 1] - y) < 0.05 for y in (top, top - 1.5))
    assert high.sum() > 1000 and low.sum() > 1000, "half of it is high, half is low"
    assert scene_of(study, puck.with_values({"displacement": relief(0.0, 0.0)})).shape is plain.shape


def test_between_the_planes_of_a_box_a_height_is_their_mean():
    ball = Specimen("Cast", 60.0, Surface({"displacement": relief(0.0, 3.0, "box")}))
    mesh = scene_of(Study("Relief", (ball,)), ball).mesh
    places = triangles(mesh)
    edges = np.linalg.norm(np.roll(places, -1, axis=1) - places, axis=2)
    # A cliff of 3 mm at a change of plane would be an edge that long and stand straight up.
    blended = np.abs(np.abs(mesh.normals[:, 0]) - np.abs(mesh.normals[:, 2])) < 0.05
    assert np.quantile(edges[blended], 0.98) < 2.0
