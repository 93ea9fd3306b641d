"""Clear parts that cut through each other: which of the two is where both would be, by path lengths and the furnace."""

import numpy as np
import OpenImageIO as oiio
import pytest
import trimesh

from photometra.imaging.booths import giving_way, scene_of, standing, undressed_findings
from photometra.imaging.rendering import render_picture
from photometra.shapes.cutting import crossings, cut_apart
from photometra.shapes.meshfiles import FileMesh, Part
from photometra.shapes.nesting import containers_of
from photometra.study import Specimen, Study
from photometra.surface import Surface
from photometra.tracing import uniform_environment
from photometra.tracing.survey import coverage, survey

from .test_nesting import ball, rendered, shape_with

ALMOST_AIR = {"transmission": 1.0, "ior": 1.0005, "roughness": 0.0}
GLASS, WATER = {"transmission": 1.0, "ior": 1.5, "roughness": 0.0}, {"transmission": 1.0, "ior": 1.33, "roughness": 0.0}


def block(name, low, high):
    made = trimesh.creation.box((40.0, 40.0, high - low))
    return Part(name, np.asarray(made.vertices) + np.array([0.0, 0.0, 0.5 * (low + high)]), np.asarray(made.faces))


def volume(shape, *groups):
    """What triangles of groups (number, side) enclose together, by the divergence theorem."""
    m, total = shape.mesh, 0.0
    for number, side in groups:
        a = m.corners[m.material == number].astype(float)
        total += side * np.sum(np.cross(a[:, 3:6], a[:, 6:9]) * a[:, :3]) / 6.0
    return total


@pytest.mark.parametrize(("first", "length_mm"), [((0, 1), 25.0), ((1, 0), 15.0)])
def test_the_first_has_the_whole_of_its_length_and_the_other_what_is_left(first, length_mm):
    a = 0.03
    shape = cut_apart(shape_with(block("grey", -20.0, 5.0), block("clear", -5.0, 20.0)), first)
    grey = {**ALMOST_AIR, "interior.absorption": (a, a, a)}
    surfaces = [(grey, ALMOST_AIR)[i] for i in shape.whole]
    picture = rendered(shape, surfaces, uniform_environment(), size=33, samples=64)
    assert picture[15:18, 15:18].mean() == pytest.approx(np.exp(-a * length_mm), rel=0.01)


@pytest.mark.parametrize("first", [(0, 1), (1, 0)])
def test_white_furnace(first):
    """Water that goes into its glass: nothing is lost or made, whichever counts."""
    shape = cut_apart(shape_with(ball("glass", 30.0), ball("water", 20.0, (18.0, 6.0, 5.0))), first)
    picture = rendered(shape, [(GLASS, WATER)[i] for i in shape.whole], uniform_environment())
    assert picture.mean() == pytest.approx(1.0, abs=0.003)


def test_surfaces_are_cut_along_each_other():
    glass, water = ball("glass", 30.0), ball("water", 20.0, (25.0, 0.0, 0.0))
    uncut = shape_with(glass, water)
    shape = cut_apart(uncut, (0, 1))
    assert shape.parts == ("glass", "water", "glass") and shape.whole == (0, 1, 0) and shape.outer == (-1, -1, 1)
    assert containers_of(shape) == shape.outer and shape.whole_parts == uncut.parts
    both = trimesh.boolean.difference(
        [trimesh.Trimesh(p.vertices, p.faces, process=False) for p in (water, glass)], engine="manifold"
    )
    assert volume(shape, (0, 1), (2, 1)) == pytest.approx(volume(uncut, (0, 1)), rel=1e-4)
    assert volume(shape, (1, 1), (2, -1)) == pytest.approx(both.volume, rel=1e-3)
    normals = shape.mesh.normals.reshape(-1, 3, 3)
    assert np.linalg.norm(normals, axis=-1) == pytest.approx(1.0, abs=1e-4)
    # What is smooth stays smooth: the normals of a ball point away from its middle.
    corners = uncut.mesh.corners[uncut.mesh.material == 0, :3]
    a = shape.mesh.corners[shape.mesh.material == 0, :3] - 0.5 * (corners.min(axis=0) + corners.max(axis=0))
    out = a / np.linalg.norm(a, axis=1, keepdims=True)
    assert np.median(np.sum(out * normals[shape.mesh.material == 0, 0], axis=1)) > 0.999


def test_what_lies_beside_or_within_or_touches_is_left_as_it_is():
    for parts in (
        (ball("a", 10.0), ball("b", 10.0, (40.0, 0.0, 0.0))),
        (ball("a", 30.0), ball("b", 10.0)),
        (block("a", -20.0, 0.0), block("b", 0.0, 20.0)),
    ):
        shape = shape_with(*parts)
        assert crossings(shape, (0, 1)) == ((), ()) and cut_apart(shape, (0, 1)) is shape
    assert cut_apart(shape_with(ball("a", 30.0), ball("b", 20.0, (25.0, 0, 0))), (0,)).whole == ()


class TestInAStudy:
    @pytest.fixture
    def study(self):
        mesh = FileMesh("cup", (ball("glass", 30.0), ball("water", 20.0, (25.0, 0.0, 0.0)))).as_kept(1.0)
        cup = Specimen("Cup", 60.0, Surface()).with_assigned("glass", "Glass").with_assigned("water", "Water")
        study = Study("T", (cup, Specimen("Glass", 60.0, Surface(GLASS)), Specimen("Water", 60.0, Surface(WATER))))
        return study.with_mesh(0, "cup.glb", mesh)

    def test_the_part_that_was_given_its_surface_first_counts(self, study):
        cup = study.specimens[0]
        scene = scene_of(study, cup)
        assert scene.shape.parts == ("glass", "water", "glass") and len(scene.dressed) == 3
        assert scene.dressed[0] == scene.dressed[2]
        again = cup.with_assigned("glass", "Glass")
        assert scene_of(study, again).shape.parts == ("glass", "water", "water")

    def test_parts_keep_their_numbers_and_names_in_what_is_seen(self, study, tmp_path):
        cup = study.specimens[0]
        scene = scene_of(study, cup)
        assert set(np.unique(survey(scene, 60, 40).part)) <= {-2, -1, 0, 1}
        seen = coverage(scene, 30, 20)
        assert seen.shape == (20, 30, 3) and np.all(seen.sum(axis=2) < 1.001)
        render_picture(study, cup, tmp_path / "cup.exr", 24, 16, samples=1, guided=True)
        source = oiio.ImageInput.open(str(tmp_path / "cup.exr"))
        names = source.spec().channelnames
        source.close()
        assert sum("glass" in n for n in names) == sum("water" in n for n in names) == 1

    def test_it_is_said(self, study):
        cup = study.specimens[0]
        said = [f.sentence for f in undressed_findings(study, cup, standing(cup, study.meshes))]
        assert said == ["glass and water cut through each other: there it is glass, which was given its surface first."]
        assert giving_way(study, cup, standing(cup, study.meshes)) == {1: ("glass",)}

    def test_a_part_looked_at_alone_is_whole(self, study):
        alone = scene_of(study, study.specimens[0], parts=("water",)).shape
        assert alone.whole == () and set(alone.mesh.material) == {1}
