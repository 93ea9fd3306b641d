"""Meshes: the hierarchy against every triangle, true sizes of the shapes, and files as people have them."""

import numpy as np
import pytest
import trimesh
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.errors import InputError
from photometra.shapes.mesh import MOST_TRIANGLES, NO_MESH, mesh_from
from photometra.shapes.meshfiles import UNITS_MM, MeshError, kept_shape, read_mesh
from photometra.shapes.rays import DEPTH, nearest, nearest_of_many, ray_room, stands_in_way
from photometra.shapes.standing import SHAPES, STEPS_MM, shape_of
from photometra.shapes.vectors import BOXES, CODES

R = 30.0


def of_all(mesh, origins, directions):
    """(triangle, distance) for every ray, in the mesh's own order."""
    triangle, distance = np.empty(len(origins), np.int64), np.empty(len(origins))
    nearest_of_many(origins, directions, *mesh.tree, triangle, distance)
    return triangle, distance


def by_hand(mesh, origins, directions):
    """The same by meeting each triangle with each ray (Cramer's rule on the plane's own equation)."""
    a, e1, e2 = (mesh.corners[:, i : i + 3].astype(float) for i in (0, 3, 6))
    normal = np.cross(e1, e2)
    found = np.full(len(origins), np.inf)
    for i, (o, d) in enumerate(zip(origins, directions, strict=True)):
        with np.errstate(divide="ignore", invalid="ignore"):
            t = np.einsum("ij,ij->i", a - o, normal) / (normal @ d)
        p = o + t[:, None] * d - a
        dot = lambda x, y: np.einsum("ij,ij->i", x, y)  # noqa: E731
        d11, d12, d22, p1, p2 = dot(e1, e1), dot(e1, e2), dot(e2, e2), dot(p, e1), dot(p, e2)
        with np.errstate(divide="ignore", invalid="ignore"):
            u = (d22 * p1 - d12 * p2) / (d11 * d22 - d12**2)
            v = (d11 * p2 - d12 * p1) / (d11 * d22 - d12**2)
        inside = (u >= -1e-9) & (v >= -1e-9) & (u + v <= 1.0 + 1e-9) & (t > 0.0)
        found[i] = t[inside].min() if inside.any() else np.inf
    return found


@settings(max_examples=25, deadline=None)
@given(st.integers(1, 300), st.integers(0, 10_000))
def test_the_hierarchy_finds_what_every_triangle_by_itself_would(count, seed):
    rng = np.random.default_rng(seed)
    vertices = rng.normal(size=(3 * count, 3)) * rng.choice([0.01, 1.0, 100.0])
    mesh = mesh_from(vertices, np.arange(3 * count).reshape(-1, 3))
    origins = rng.normal(size=(20, 3)) * 2.0 * np.abs(vertices).max()
    towards = vertices[rng.integers(0, len(vertices), 20)] * rng.uniform(0.2, 1.0, (20, 1)) - origins
    towards /= np.linalg.norm(towards, axis=1, keepdims=True)
    triangle, distance = of_all(mesh, origins, towards)
    expected = by_hand(mesh, origins, towards)
    assert np.array_equal(triangle >= 0, np.isfinite(expected))
    hits = triangle >= 0
    assert distance[hits] == pytest.approx(expected[hits], rel=1e-6)
    stack = ray_room()
    for origin, direction, far in zip(origins, towards, distance, strict=True):
        # Anything at all, just short of the nearest, and just beyond.
        ways = [(1e30, far < 1e30), *([(0.999 * far, False), (1.001 * far, True)] if far < 1e30 else [])]
        for end, is_met in ways:
            assert stands_in_way(*origin, *direction, 0.0, end, *mesh.tree, stack) == is_met


def test_no_mesh_outgrows_the_stack():
    """Triangles ever closer to one corner, each a fixed share of the last: every division parts off one alone."""
    count = 60_000
    places = np.concatenate([0.5 ** np.linspace(0.0, 60.0, 4000), np.zeros(count - 4000)])
    size = 0.2 * np.maximum(places, 1e-6)
    a = np.stack([places, 0.0 * places, 0.0 * places], axis=1)
    vertices = np.concatenate([a, a + size[:, None] * [1.0, 0, 0], a + size[:, None] * [0, 1.0, 0]])
    mesh = mesh_from(vertices, np.arange(3 * count).reshape(3, -1).T)
    levels = np.zeros(len(mesh.nodes), int)
    for node, level in enumerate(levels):
        for held in mesh.nodes[node, CODES : CODES + BOXES].astype(int):
            if held > 0:
                levels[held] = level + 1
    assert levels.max() + 1 < DEPTH


def test_rays_along_the_axes_and_from_far_away_are_met():
    box = trimesh.creation.box((2.0, 2.0, 2.0))
    mesh = mesh_from(box.vertices, box.faces)
    for axis in range(3):
        for sign in (-1.0, 1.0):
            for far in (3.0, 200.0):
                origin, towards = np.full((1, 3), 0.3), np.zeros((1, 3))
                origin[0, axis], towards[0, axis] = -sign * far, sign
                triangle, distance = of_all(mesh, origin, towards)
                assert triangle[0] >= 0 and distance[0] == pytest.approx(far - 1.0, rel=1e-6)


def test_a_hit_says_where_on_the_triangle_and_keeps_to_its_range():
    mesh = mesh_from([[0, 0, 0], [1, 0, 0], [0, 1, 0]], [[0, 1, 2]])
    stack = ray_room()
    triangle, t, u, v = nearest(0.2, 0.3, 5.0, 0.0, 0.0, -1.0, 0.0, 1e30, *mesh.tree, stack)
    assert (triangle, t) == (0, pytest.approx(5.0)) and (u, v) == (pytest.approx(0.2), pytest.approx(0.3))
    assert nearest(0.2, 0.3, 5.0, 0.0, 0.0, -1.0, 0.0, 4.9, *mesh.tree, stack)[0] == -1
    assert nearest(0.2, 0.3, 5.0, 0.0, 0.0, -1.0, 5.1, 1e30, *mesh.tree, stack)[0] == -1
    assert nearest(0.2, 0.3, 5.0, 0.0, 0.0, -1.0, 0.0, 1e30, *NO_MESH.tree, stack)[0] == -1


@pytest.mark.parametrize(("vertices", "faces", "words"), [
    ([[0, 0, 0]], np.zeros((0, 3), int), "needs triangles"),
    ([[0, 0, np.nan], [1, 0, 0], [0, 1, 0]], [[0, 1, 2]], "finite"),
    ([[0, 0, 0], [1, 1, 1], [2, 2, 2]], [[0, 1, 2]], "area"),
    (np.zeros((3, 3)), np.zeros((MOST_TRIANGLES + 1, 3), int), "may have"),
])  # fmt: skip
def test_meshes_that_will_not_do_are_refused(vertices, faces, words):
    with pytest.raises(ValueError, match=words):
        mesh_from(vertices, faces)


def triangles(shape, material=None):
    m = shape.mesh
    a = m.corners[:, :3].astype(float)
    corners = np.stack([a, a + m.corners[:, 3:6], a + m.corners[:, 6:]], axis=1)
    return corners if material is None else corners[m.material == material]


def solid(corners):
    mesh = trimesh.Trimesh(corners.reshape(-1, 3), np.arange(3 * len(corners)).reshape(-1, 3), process=False)
    mesh.merge_vertices(merge_norm=True, merge_tex=True, digits_vertex=4)
    return mesh


class TestShapes:
    @pytest.mark.parametrize("name", [n for n in SHAPES if n not in ("ball", "cloth", "filled")])
    def test_they_are_closed_and_their_normals_look_outward(self, name):
        shape = shape_of(name, R)
        mesh = solid(triangles(shape))
        assert mesh.is_watertight and mesh.volume > 0.0
        corners, normals = triangles(shape), shape.mesh.normals.reshape(-1, 3, 3)
        flat = np.cross(corners[:, 1] - corners[:, 0], corners[:, 2] - corners[:, 0])
        flat /= np.linalg.norm(flat, axis=1, keepdims=True)
        assert np.einsum("ij,ikj->ik", flat, normals).min() > 0.97

    @pytest.mark.parametrize("name", [n for n in SHAPES if n != "ball"])
    @pytest.mark.parametrize("radius", [1.0, 30.0, 400.0])
    def test_they_stand_on_the_stage_within_the_booth(self, name, radius):
        shape = shape_of(name, radius)
        low, high = shape.mesh.bounds()
        booth = shape.radius or radius
        assert 0.0 < low[1] < 0.4 * booth and high[1] == pytest.approx(shape.height, rel=1e-5)
        assert max(-low[0], high[0]) < 1.5 * booth and np.all(np.abs([low[2], high[2]]) < 1.2 * booth)

    def test_the_step_block_has_its_true_thicknesses_whatever_the_specimen(self):
        for radius in (5.0, 300.0):
            corners = triangles(shape_of("steps", radius))
            for i, thick in enumerate(STEPS_MM):
                x = -30.0 + 12.0 * i + 6.0
                near = corners[np.abs(corners[..., 0].mean(axis=1) - x) < 4.0]
                assert np.ptp(near[..., 2]) == pytest.approx(thick, abs=1e-4)
        assert solid(triangles(shape_of("steps", 30.0))).volume == pytest.approx(12.0 * 36.0 * sum(STEPS_MM), rel=1e-3)

    @pytest.mark.parametrize("wall", [1.0, 2.5, 5.0])
    def test_a_vessels_wall_is_as_thick_as_it_says(self, wall):
        mesh = shape_of("vessel", R, wall).mesh
        origin, towards = np.array([[0.0, 30.0, 100.0]]), np.array([[0.0, 0.0, -1.0]])
        _, first = of_all(mesh, origin, towards)
        _, second = of_all(mesh, origin - [[0, 0, first[0] + 1e-3]], towards)
        assert second[0] + 1e-3 == pytest.approx(wall, abs=0.02)

    def test_the_liquid_fills_its_vessel_without_a_gap(self):
        shape = shape_of("filled", R)
        assert set(np.unique(shape.mesh.material)) == {0, 1, 2} and shape.stock == ("glass", "boundary")
        wet, top = triangles(shape, 2), triangles(shape, 0)
        # The liquid's own skin: its level, and the boundary seen from within.
        skin = solid(np.concatenate([wet, top]))
        assert skin.is_watertight and skin.volume > 0.0

    def test_a_shape_that_is_not_there_is_named_with_those_that_are(self):
        with pytest.raises(ValueError, match="ball, puck, disc"):
            shape_of("cube", R)
        assert shape_of("ball", R) is None


class TestFiles:
    @pytest.mark.parametrize("suffix", [".obj", ".ply", ".stl", ".glb"])
    def test_each_format_comes_in_as_it_is(self, tmp_path, suffix):
        path = tmp_path / f"probe{suffix}"
        trimesh.creation.box((10.0, 20.0, 30.0)).export(path)
        mesh = read_mesh(path)
        assert mesh.extents == pytest.approx([10.0, 20.0, 30.0]) and mesh.triangles == 12

    @pytest.mark.parametrize("unit", UNITS_MM)
    def test_it_is_kept_in_millimetres_standing_on_the_stage(self, tmp_path, unit):
        path = tmp_path / "probe.obj"
        mesh = trimesh.creation.icosphere(3, 0.02)
        mesh.apply_translation([5.0, -3.0, 1.0])
        mesh.export(path)
        shape = kept_shape("meshes/probe.glb", read_mesh(path).as_kept(50.0 * UNITS_MM[unit] / UNITS_MM["cm"]))
        across = 0.04 * 50.0 * UNITS_MM[unit] / 10.0
        low, high = shape.mesh.bounds()
        assert 2.0 * shape.radius == pytest.approx(across, rel=1e-3)
        assert low[1] == pytest.approx(2e-4 * shape.radius, rel=0.1) and shape.height == pytest.approx(high[1])
        assert abs(low[0] + high[0]) < 1e-3 * across and not shape.is_open

    def test_z_may_point_up_and_open_meshes_are_known(self, tmp_path):
        path = tmp_path / "sheet.ply"
        trimesh.Trimesh([[0, 0, 0], [40, 0, 0], [40, 0, 20], [0, 0, 20]], [[0, 1, 2], [0, 2, 3]]).export(path)
        shape = kept_shape("meshes/sheet.glb", read_mesh(path).as_kept(1.0, "z"))
        assert shape.is_open and shape.height == pytest.approx(20.0, rel=1e-2)

    @pytest.mark.parametrize(("name", "content", "words"), [
        ("a.obj", b"", "no triangles|damaged"), ("a.stl", b"solid nothing\nendsolid", "no triangles|damaged"),
        ("a.ply", b"ply\nformat ascii 1.0\nelement vertex 3000000000\n", "damaged"), ("a.glb", b"glTF\0\0", "damaged"),
        ("a.blend", b"x", "not a mesh"), ("a.obj", b"v 1 2 nan\nv 0 0 0\nv 1 0 0\nf 1 2 3\n", "no triangles|damaged"),
    ])  # fmt: skip
    def test_damaged_files_get_one_sentence(self, tmp_path, name, content, words):
        path = tmp_path / name
        path.write_bytes(content)
        with pytest.raises(MeshError, match=words) as told:
            read_mesh(path)
        assert str(path) in str(told.value) and "\n" not in str(told.value)

    def test_what_is_too_large_or_too_small_is_said(self, tmp_path):
        path = tmp_path / "ball.obj"
        trimesh.creation.icosphere(1, 1.0).export(path)
        for unit in (1e-6, 1e6):
            with pytest.raises(MeshError, match="not between"):
                read_mesh(path).as_kept(unit)
        with pytest.raises(MeshError, match="damaged"):
            kept_shape("meshes/x.ply", b"not a mesh")
        with pytest.raises(InputError, match="no such file"):
            read_mesh(tmp_path / "absent.obj")

    @settings(max_examples=60, deadline=None)
    @given(st.binary(max_size=300), st.sampled_from([".obj", ".ply", ".stl", ".glb", ".gltf"]))
    def test_no_bytes_break_the_reader(self, tmp_path_factory, content, suffix):
        path = tmp_path_factory.mktemp("mesh") / f"x{suffix}"
        path.write_bytes(content)
        try:
            read_mesh(path)
        except MeshError as error:
            assert str(path) in str(error)


def test_a_face_that_names_a_vertex_that_is_not_there_is_refused(tmp_path):
    path = tmp_path / "a.ply"
    path.write_text(
        "ply\nformat ascii 1.0\nelement vertex 3\nproperty float x\nproperty float y\nproperty float z\n"
        "element face 1\nproperty list uchar int vertex_indices\nend_header\n0 0 0\n1 0 0\n0 1 0\n3 0 1 7\n"
    )
    with pytest.raises(MeshError, match="names vertex 8, but there are 3"):
        read_mesh(path)


def test_parts_names_uvs_and_authored_normals_stay(tmp_path):
    """An OBJ of two objects with texture coordinates and normals of its own, as a modeller writes it."""
    path = tmp_path / "lantern.obj"
    path.write_text(
        "mtllib none.mtl\no lid\nv 0 0 0\nv 10 0 0\nv 0 10 0\nvt 0 0\nvt 1 0\nvt 0 1\nvn 0 0.6 0.8\nusemtl brass\n"
        "f 1/1/1 2/2/1 3/3/1\no rim\nv 0 0 5\nv 10 0 5\nv 0 10 5\nvn 0 0 1\nf 4/1/2 5/2/2 6/3/2\n"
    )
    mesh = read_mesh(path)
    assert [p.name for p in mesh.parts] == ["lid", "rim"] and mesh.triangles == 2
    assert all(p.uv is not None and p.uv.shape == (3, 2) for p in mesh.parts)
    assert mesh.parts[0].normals == pytest.approx(np.tile([0.0, 0.6, 0.8], (3, 1)))
    kept = mesh.as_kept(1.0)
    shape = kept_shape("meshes/lantern.glb", kept)
    assert shape.parts == ("lid", "rim") and shape.is_open
    assert np.unique(shape.mesh.normals.reshape(-1, 3).round(4), axis=0) == pytest.approx(
        np.array([[0.0, 0.0, 1.0], [0.0, 0.6, 0.8]]), abs=1e-3
    )
    again = tmp_path / "again.glb"
    again.write_bytes(kept)
    parts = {p.name: p for p in read_mesh(again).parts}
    assert set(parts) == {"lid", "rim"} and sorted(parts["lid"].uv.ravel().tolist()) == pytest.approx(
        [0, 0, 0, 0, 1, 1]
    )


def test_a_mesh_kept_by_an_earlier_version_still_stands():
    box = trimesh.creation.box((10.0, 20.0, 30.0))
    box.apply_translation([0.0, 10.0, 0.0])
    shape = kept_shape("meshes/old.ply", box.export(file_type="ply"))
    assert not shape.is_open and shape.radius == pytest.approx(15.0)
