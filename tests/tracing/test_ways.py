"""Small parts of the booth: tangents along the strokes, the camera's ray, surfaces side by side, named layers."""

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from photometra.desktop.layer_strip import present
from photometra.shapes.standing import shape_of
from photometra.surface import Surface, rows
from photometra.surface.compile import compile_surface
from photometra.tracing import LAYER_NAMES, Camera, Scene, uniform_environment
from photometra.tracing.kernels import LAYERS, STAGE_LAYER, SUBSURFACE_LAYER
from photometra.tracing.materials import materials_of
from photometra.tracing.scene import aim, way_round

R = 30.0
_UNIT = st.floats(-1.0, 1.0)


def unit(x, y, z):
    v = np.array([x, y, z])
    assume(np.linalg.norm(v) > 0.1)
    return v / np.linalg.norm(v)


@given(_UNIT, _UNIT, _UNIT, st.sampled_from([None, "disc", "steps"]))
def test_tangents_stand_square_on_the_normal_and_on_each_other(x, y, z, name):
    scene = Scene(uniform_environment(), radius=R, shape=shape_of(name, R) if name else None).array()
    n = unit(x, y, z)
    place = np.array([0.0, R, 0.0]) + R * n
    found = np.array(way_round(*place, *n, scene)).reshape(2, 3)
    frame = np.vstack([found, n])
    assert frame @ frame.T == pytest.approx(np.eye(3), abs=1e-6)
    assert np.linalg.det(frame) == pytest.approx(1.0, abs=1e-6)


def test_strokes_of_a_ball_run_level_and_those_of_a_block_straight():
    ball = Scene(uniform_environment(), radius=R).array()
    for turn in (0.0, 1.0, 4.0):
        n = np.array([np.sin(turn), 0.0, np.cos(turn)])
        way = np.array(way_round(*(R * n + [0.0, R, 0.0]), *n, ball)[:3])
        assert way[1] == pytest.approx(0.0, abs=1e-12) and abs(way @ n) < 1e-12
    block = Scene(uniform_environment(), radius=R, shape=shape_of("steps", R)).array()
    assert way_round(3.0, 10.0, 5.0, 0.0, 0.0, 1.0, block)[:3] == pytest.approx((1.0, 0.0, 0.0))


def test_strokes_of_a_disc_run_round_its_own_middle():
    shape = shape_of("disc", R)
    scene = Scene(uniform_environment(), radius=R, shape=shape).array()
    axis, middle = np.array(shape.axis), np.array(shape.centre)
    across = np.cross(axis, [1.0, 0.0, 0.0])
    for out in (np.array([1.0, 0.0, 0.0]), across):
        way = np.array(way_round(*(middle + 10.0 * out), *axis, scene)[:3])
        assert abs(way @ out) < 1e-6 and abs(way @ axis) < 1e-6


@given(_UNIT, _UNIT, st.integers(0, 1000))
def test_every_ray_of_a_place_in_the_picture_meets_in_the_plane_of_focus(x, y, seed):
    scene = Scene(uniform_environment(), radius=R, camera=Camera(f_number=2.0))
    camera = scene.camera_array(64, 48)
    state = np.array([seed], np.uint64)
    origin, direction = np.empty(3), np.empty(3)
    met = []
    for _ in range(4):
        aim(x, y, camera, state, origin, direction)
        assert np.linalg.norm(direction) == pytest.approx(1.0)
        off = origin - camera[0]
        assert np.linalg.norm(off) <= np.linalg.norm(camera[4]) + 1e-9, "within the lens"
        along = (camera[6, 0] - off @ camera[1]) / (direction @ camera[1])
        met.append(origin + along * direction)
    assert np.ptp(met, axis=0) == pytest.approx(np.zeros(3), abs=1e-6)


def test_a_pinhole_has_no_lens_and_takes_no_numbers():
    camera = Scene(uniform_environment(), radius=R).camera_array(64, 48)
    state = np.array([5], np.uint64)
    origin, direction = np.empty(3), np.empty(3)
    aim(0.0, 0.0, camera, state, origin, direction)
    assert state[0] == 5 and origin == pytest.approx(camera[0]) and direction == pytest.approx(camera[1])
    assert Camera().field_of_view == pytest.approx(21.0, abs=0.05)


class TestMatter:
    water = compile_surface(Surface({"transmission": 1.0, "ior": 1.333}))

    def test_a_shape_without_others_has_the_specimens_surface_alone(self):
        matter, media = materials_of(self.water, Scene(uniform_environment()))[:2]
        assert media[:, :2].tolist() == [[-1, 0]] and all(len(part) == 1 for part in matter)
        assert np.array_equal(matter[0][0], self.water.scalars)

    def test_a_liquid_has_air_above_it_and_glass_around_it(self):
        matter, media = materials_of(self.water, Scene(uniform_environment(), shape=shape_of("filled", R)))[:2]
        assert media.tolist() == [[-1, 0, 0], [-1, 1, 1], [1, 0, 0]]
        eta = matter[1][:, rows.ETA, 34]
        assert eta[2] == pytest.approx(eta[0] / eta[1]) and eta[2] < 1.0 < eta[0] < eta[1]

    def test_what_lets_no_light_in_meets_the_glass_as_itself(self):
        metal = compile_surface(Surface({"metalness": 1.0}))
        matter, _ = materials_of(metal, Scene(uniform_environment(), shape=shape_of("filled", R)))[:2]
        assert np.array_equal(matter[0][2], metal.scalars)

    def test_the_rod_of_a_cloth_is_not_the_cloth(self):
        matter, media = materials_of(self.water, Scene(uniform_environment(), shape=shape_of("cloth", R)))[:2]
        assert len(media) == 2 and matter[0][1, rows.TRANSMISSION] == 0.0


def test_layers_have_the_kernels_order_and_are_offered_where_they_can_be():
    assert len(LAYER_NAMES) == LAYERS
    assert LAYER_NAMES[SUBSURFACE_LAYER] == "subsurface" and LAYER_NAMES[STAGE_LAYER] == "stage"
    for lobe, name in ((rows.SHEEN_LOBE, "sheen"), (rows.COAT_LOBE, "coat"), (rows.REVERSE_LOBE, "reverse")):
        assert LAYER_NAMES[lobe] == name
    assert present(Surface({"metalness": 1.0})) == ["finish", "stage"]
    assert present(Surface()) == ["finish", "body", "stage"]
    assert present(Surface({"transmission": 1.0})) == ["finish", "transmission", "stage"]
    assert present(Surface({"subsurface": 1.0, "coat.amount": 1.0})) == ["coat", "finish", "subsurface", "stage"]
    cloth = Surface({"reverse.translucency": 0.2, "subsurface": 1.0})
    assert present(cloth) == ["finish", "body", "reverse", "stage"]
