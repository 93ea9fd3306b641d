"""Parts within parts: which medium is on either side of each, by closed forms and in the furnace."""

import numpy as np
import pytest
import trimesh

from photometra.shapes.meshfiles import FileMesh, Part, kept_shape
from photometra.shapes.nesting import containers_of
from photometra.shapes.standing import only_parts
from photometra.surface import Surface
from photometra.surface.compile import compile_surface
from photometra.tracing import Camera, Limits, Rendering, Scene, environment_from, uniform_environment

FURNACE = Limits(reflection=1024, transmission=4096, volume=50_000)
GLASS = {"transmission": 1.0, "ior": 1.5, "roughness": 0.0}


def ball(name, radius, middle=(0.0, 0.0, 0.0), is_turned=False, subdivisions=4):
    made = trimesh.creation.icosphere(subdivisions, radius)
    faces = made.faces[:, ::-1] if is_turned else made.faces
    return Part(name, np.asarray(made.vertices) + middle, np.asarray(faces))


def shell(name, outer, inner):
    """One part: a wall between two balls."""
    a, b = ball(name, outer), ball(name, inner, is_turned=True)
    return Part(name, np.concatenate([a.vertices, b.vertices]), np.concatenate([a.faces, b.faces + len(a.vertices)]))


def shape_with(*parts):
    return kept_shape("meshes/nested.glb", FileMesh("nested", parts).as_kept(1.0))


def rendered(shape, surfaces, environment, size=48, samples=64, **more):
    dressed = tuple(None if s is None else compile_surface(Surface(s)) for s in surfaces)
    scene = Scene(environment, radius=shape.radius, stage=False, shape=shape, camera=Camera(rise=0.0), **more)
    rendering = Rendering(dressed, scene, size, size, 3, FURNACE)
    rendering.add(samples)
    return rendering.picture()


class TestContainers:
    def test_the_innermost_is_found(self):
        shape = shape_with(
            ball("a", 30.0), ball("b", 20.0, (3.0, 0.0, 0.0)), ball("c", 5.0), ball("d", 6.0, (60.0, 0, 0))
        )
        names = dict(zip(shape.parts, containers_of(shape), strict=True))
        around = {n: shape.parts[i] if i >= 0 else None for n, i in names.items()}
        assert around == {"a": None, "b": "a", "c": "b", "d": None}

    def test_a_hollow_wall_does_not_contain_what_stands_in_its_hollow(self):
        shape = shape_with(shell("chimney", 30.0, 26.0), ball("burner", 10.0))
        assert containers_of(shape) == (-1, -1)
        assert containers_of(shape_with(shell("chimney", 30.0, 20.0), ball("seed", 2.0, (0.0, 25.0, 0.0)))) == (-1, 0)

    def test_what_cuts_through_lies_beside(self):
        assert containers_of(shape_with(ball("a", 30.0), ball("b", 20.0, (25.0, 0.0, 0.0)))) == (-1, -1)


@pytest.mark.parametrize("inner", [{"ior": 1.333}, {"ior": 1.0}, {"ior": 1.8}, {"metalness": 1.0, "roughness": 0.2}])
def test_white_furnace(inner):
    """Water, air, flint and a white metal within glass: nothing is lost or made."""
    white = {"face_colour": (1.0,) * 3, "edge_colour": (1.0,) * 3} if "metalness" in inner else {"transmission": 1.0}
    shape = shape_with(ball("outer", 30.0), ball("inner", 18.0, (4.0, 3.0, 0.0)))
    picture = rendered(shape, (GLASS, {"roughness": 0.0, **white, **inner}), uniform_environment())
    assert picture.mean() == pytest.approx(1.0, abs=0.003)
    assert np.median(picture[20:28, 20:28]) == pytest.approx(1.0, abs=0.01)


def test_glass_within_the_same_glass_is_not_seen():
    ramp = np.linspace(0.1, 2.0, 128)[None, :, None] * np.ones((64, 1, 3))
    sky = environment_from(ramp.astype(np.float32))
    both = rendered(
        shape_with(ball("outer", 30.0), ball("inner", 15.0, (5.0, 0.0, 5.0))), (GLASS, GLASS), sky, samples=256
    )
    alone = rendered(shape_with(ball("outer", 30.0)), (GLASS,), sky, samples=256)
    blocks = [p.reshape(6, 8, 6, 8, 3).mean(axis=(1, 3, 4)) for p in (both, alone)]
    assert np.abs(blocks[0] / blocks[1] - 1.0).max() < 0.03


@pytest.mark.long
def test_what_absorbs_within_takes_its_own_path_length():
    """A grey core of the glass's own index: through the middle exp(-2 r a), times both outer faces."""
    a, r = 0.05, 15.0
    core = {**GLASS, "interior.absorption": (a, a, a)}
    shape = shape_with(ball("outer", 30.0), ball("core", r))
    picture = rendered(shape, (GLASS, core), uniform_environment(), size=65, samples=512)
    face = (0.5 / 2.5) ** 2
    once = np.exp(-2.0 * r * a)
    # What comes back between the faces, to all orders; all of it passes the core once more each time.
    expected = face + (1.0 - face) ** 2 * once / (1.0 - face * once)
    assert picture[31:34, 31:34].mean() == pytest.approx(expected, rel=0.04)


def test_a_metal_within_glass_is_seen_through_two_faces():
    """A core of reflectance 0.5 that sends light back: both passes of the face, and what goes to and fro between."""
    core = {"metalness": 1.0, "roughness": 0.0, "face_colour": (0.5,) * 3, "edge_colour": (0.5,) * 3}
    shape = shape_with(ball("outer", 30.0), ball("core", 20.0))
    picture = rendered(shape, (GLASS, core), uniform_environment(), size=65, samples=512)
    face = (0.5 / 2.5) ** 2
    expected = face + (1.0 - face) ** 2 * 0.5 / (1.0 - face * 0.5)
    assert picture[31:34, 31:34].mean() == pytest.approx(expected, rel=0.02)


def test_parts_are_looked_at_alone():
    shape = shape_with(ball("lens", 20.0), ball("knob", 5.0, (0.0, 30.0, 0.0)), ball("base", 8.0, (0.0, -30.0, 0.0)))
    knob = only_parts(shape, ("knob",))
    assert set(knob.mesh.material) == {1} and knob.parts == shape.parts and knob.height == shape.height
    assert knob.mesh.size == (shape.mesh.material == 1).sum()
    low, high = knob.mesh.bounds()
    assert high - low == pytest.approx([10.0] * 3, rel=1e-3)
    assert only_parts(shape, ("knob", "lens")).mesh.size == (shape.mesh.material < 2).sum()
    assert only_parts(shape, ("handle",)) is shape and containers_of(knob) == (-1, -1, -1)
