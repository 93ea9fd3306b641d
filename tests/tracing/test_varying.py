"""Maps and parts in the tracer: no light lost, the instruments' mean, and the right surface at the right place."""

import numpy as np
import pytest

from photometra.colour import linear_srgb_to_xyz, reflectance_to_xyz
from photometra.demo.lantern import lantern
from photometra.imaging.booths import compiled_in, environment, scene_of
from photometra.imaging.surveys import outlined, tinted
from photometra.instruments import directional_albedo
from photometra.maps import Adjustments, Generator, Layer, Map, Picture, Placement
from photometra.pictures import write_png
from photometra.shapes.lying import LiesOn
from photometra.shapes.meshfiles import kept_shape
from photometra.shapes.standing import shape_of
from photometra.study import Specimen, Study
from photometra.surface import Surface
from photometra.surface.bank import compiled_as
from photometra.tracing import Limits, Rendering, Scene, uniform_environment
from photometra.tracing.survey import NO_PART, STAGE_PART, survey

ALONE = Scene(uniform_environment(), stage=False)
LONG = Limits(reflection=1024, transmission=4096, volume=50_000)


def flat(kind, **settings):
    return (Layer(Generator(kind, 1, tuple(sorted(settings.items()))), Placement("box", (12.0, 12.0))),)


def disc_of(rendering):
    """The grey of every pixel of the ball's own disc."""
    h, w = rendering.height, rendering.width
    found = survey(ALONE, w, h).part == 0
    return rendering.picture()[found].mean(axis=1)


CHECKER, NOISE, SPECKS = flat("checker", square=3.0), flat("noise", feature=2.0), flat("specks", size=1.0)
WHITE = {"colour": (1.0, 1.0, 1.0), "face_colour": (1.0, 1.0, 1.0), "edge_colour": (1.0, 1.0, 1.0)}
MAPPED = {
    "rough metal": {"metalness": 1.0, "roughness": Map(NOISE, 0.1, 0.9)},
    "metal in a body": {"metalness": Map(CHECKER, 0.0, 1.0), "roughness": 0.4},
    "patchy coat": {"coat.amount": Map(SPECKS, 0.0, 1.0), "coat.roughness": Map(NOISE, 0.05, 0.4)},
    "holes": {"opacity": Map(CHECKER, 0.3, 1.0)},
    "all at once": {
        "roughness": Map(NOISE, 0.2, 0.8), "metalness": Map(CHECKER, 0.0, 1.0), "opacity": Map(SPECKS, 1.0, 0.4),
        "haze.amount": Map(NOISE, 0.0, 0.5),
    },
    "interior": {
        "subsurface": Map(SPECKS, 1.0, 0.0), "subsurface.colour": (1.0, 1.0, 1.0),
        "subsurface.radius": Map(CHECKER, (0.2, 0.3, 0.4), (6.0, 4.0, 2.0)),
    },
    "milk": {
        "transmission": Map(CHECKER, 0.0, 1.0), "interior.scatter": Map(NOISE, (0.0, 0.0, 0.0), (0.4, 0.3, 0.2)),
        "subsurface": 1.0, "subsurface.colour": (1.0, 1.0, 1.0),
    },
}  # fmt: skip


@pytest.mark.parametrize(
    "name", [pytest.param(n, marks=[pytest.mark.long] if n in ("interior", "milk") else []) for n in MAPPED]
)
def test_white_furnace(name):
    rendering = Rendering(compiled_as(Surface({**WHITE, **MAPPED[name]})), ALONE, 64, 64, limits=LONG)
    rendering.add(128)
    pixels = disc_of(rendering)
    assert pixels.mean() == pytest.approx(1.0, abs=0.01)
    # No black patches: every block of the disc is white, not only the mean.
    assert pixels.min() > 0.8


HILLS = (Layer(Generator("noise", 1, (("feature", 6.0),)), Placement("box", (40.0, 40.0))),)


@pytest.mark.parametrize(
    "values",
    [
        {"metalness": 1.0, "roughness": 0.3, "bump": Map(HILLS, 0.0, 3000.0)},
        {"metalness": 1.0, "roughness": 0.0, "bump": Map(HILLS, 0.0, 1000.0)},
        {"roughness": 0.5, "haze.amount": 0.3, "bump": Map(HILLS, 2000.0, 0.0)},
        {"coat.amount": 1.0, "coat.roughness": 0.1, "sheen.amount": 0.2, "bump": Map(HILLS, 0.0, 800.0)},
        {"transmission": 1.0, "roughness": 0.1, "bump": Map(HILLS, 0.0, 500.0)},
        {"roughness": Map(NOISE, 0.2, 0.8), "metalness": Map(CHECKER, 0.0, 1.0), "bump": Map(HILLS, 0.0, 1500.0)},
    ],
)
def test_bumps_lose_no_light_and_make_no_black_patches(values):
    rendering = Rendering(compiled_as(Surface({**WHITE, **values})), ALONE, 64, 64, limits=LONG)
    rendering.add(64)
    pixels = disc_of(rendering)
    assert pixels.mean() == pytest.approx(1.0, abs=0.01)
    assert pixels.min() > 0.8


def test_a_slope_turns_the_highlight_as_a_turned_face_would():
    # A ramp of 0.2 rising to the right over a mirror: seen from the front at the middle, it shows what lies to the left
    # of the ball by twice the slope's angle, as the ball itself does off its middle at the place with that normal.
    ramp = (Layer(Generator("gradient"), Placement("front", (1e4, 60.0), turn_deg=-90.0, repeat="hold")),)
    mirror = {"metalness": 1.0, "face_colour": (1.0, 1.0, 1.0), "edge_colour": (1.0, 1.0, 1.0), "roughness": 0.0}
    scene = Scene(environment("window"), stage=False)
    lean = np.arctan(0.2)
    pictures = []
    for values in (mirror, {**mirror, "bump": Map(ramp, 0.0, 0.2 * 60.0 * 1000.0)}):
        rendering = Rendering(compiled_as(Surface(values)), scene, 160, 160)
        rendering.add(32)
        pictures.append(rendering.picture())
    seen = survey(scene, 160, 160)
    normal = seen.places[..., 3:6]
    there = seen.part == 0
    wanted = np.array([-np.sin(lean), 0.0, np.cos(lean)])
    away = np.where(there, np.linalg.norm(normal - wanted, axis=-1), 9.0)
    y, x = np.unravel_index(np.argmin(away), away.shape)
    middle = np.where(there, np.linalg.norm(normal - (0.0, 0.0, 1.0), axis=-1), 9.0)
    v, u = np.unravel_index(np.argmin(middle), middle.shape)
    here, turned = (p[b - 1 : b + 2, a - 1 : a + 2].mean() for p, b, a in ((pictures[1], v, u), (pictures[0], y, x)))
    assert here == pytest.approx(turned, rel=0.15)


@pytest.mark.parametrize("shape", ["cloth", "puck"])
def test_white_furnace_on_other_shapes(shape):
    surface = Surface({**WHITE, "roughness": Map(NOISE, 0.2, 0.8), "sheen.amount": Map(SPECKS, 0.0, 0.6)})
    surface = surface.with_values({"thin_walled": shape == "cloth"}).lying_on(LiesOn(shape))
    scene = Scene(uniform_environment(), stage=False, shape=shape_of(shape, 30.0))
    rendering = Rendering(compiled_as(surface), scene, 48, 48, limits=LONG)
    rendering.add(64)
    pixels = rendering.picture()[survey(scene, 48, 48).part == 0]
    assert pixels.mean() == pytest.approx(1.0, abs=0.015)


TITANIUM = {"metalness": 1.0, "constants": "titanium", "film.amount": 1.0, "roughness": 0.2}


@pytest.mark.parametrize(
    "values",
    [
        {"metalness": 1.0, "constants": "brass-70-30", "roughness": Map(NOISE, 0.08, 0.5)},
        {**TITANIUM, "film.thickness": Map(NOISE, 30.0, 90.0)},
        {"colour": Map(CHECKER, (0.6, 0.5, 0.4), (0.05, 0.1, 0.2)), "roughness": 0.4},
        {"colour": (0.3, 0.2, 0.1), "coat.amount": Map(SPECKS, 0.0, 1.0), "coat.colour": (0.9, 0.6, 0.3)},
        {"colour": (0.1, 0.1, 0.2), "sheen.amount": Map(NOISE, 0.0, 0.8)},
        {"colour": (0.5, 0.4, 0.3), "constants": "copper", "metalness": Map(NOISE, 0.0, 1.0)},
    ],
)
def test_the_picture_has_the_instruments_mean(values):
    # In a white furnace a ball shows its albedo by the angle it is seen at.
    bank = compiled_as(Surface(values))
    rendering = Rendering(bank, ALONE, 72, 72, limits=LONG)
    rendering.add(96)
    seen = survey(ALONE, 72, 72)
    eye = ALONE.camera_array(72, 72)[0]
    away = eye - seen.places[..., :3]
    cosine = (away * seen.places[..., 3:6]).sum(axis=-1) / np.linalg.norm(away, axis=-1)
    # Pixels at the edge show what is behind as well.
    inside = (seen.part == 0) & (cosine > 0.35)
    found = linear_srgb_to_xyz(rendering.picture()[inside])[:, 1].mean()
    mu, nm = np.linspace(0.3, 1.0, 15), np.arange(380.0, 781.0, 10.0)
    wanted = 0.0
    for share, (_, compiled) in zip(bank.shares(), bank.members, strict=True):
        if share > 1e-6:
            bright = [reflectance_to_xyz(nm, directional_albedo(compiled, m, nm))[1] for m in mu]
            wanted += share * float(np.interp(cosine[inside], mu, bright).mean())
    assert found == pytest.approx(wanted, rel=0.015)


def test_light_has_the_interior_of_the_place_where_it_was_let_in():
    # Wax, dark on its left and pale on its right: away from where they meet each side is as a ball of it alone.
    across = Placement("front", (1e4, 60.0), turn_deg=-90.0, repeat="hold")
    split = (Layer(Generator("gradient"), across, Adjustments(black=0.499, white=0.501)),)
    wax = {"subsurface": 1.0, "subsurface.radius": (0.5, 0.5, 0.5)}
    dark, pale = (0.2, 0.2, 0.2), (0.9, 0.9, 0.9)
    pictures = []
    for colour in (dark, pale, Map(split, dark, pale), Map(split, pale, dark)):
        rendering = Rendering(compiled_as(Surface({**wax, "subsurface.colour": colour})), ALONE, 48, 48, limits=LONG)
        rendering.add(48)
        pictures.append(rendering.picture().mean(axis=-1))
    place = survey(ALONE, 48, 48)
    there = (place.part == 0) & (np.abs(place.places[..., 0]) > 6.0)
    darker, paler, *both = (p[there] for p in pictures)
    for one in both:
        is_pale = np.abs(one - paler) < np.abs(one - darker)
        assert 0.3 < is_pale.mean() < 0.7
        assert one[is_pale].mean() == pytest.approx(paler[is_pale].mean(), rel=0.03)
        assert one[~is_pale].mean() == pytest.approx(darker[~is_pale].mean(), rel=0.06)


def test_a_map_of_one_value_gives_the_constants_picture():
    constant = {"metalness": 1.0, "constants": "brass-70-30", "roughness": 0.3}
    mapped = {**constant, "roughness": Map(NOISE, 0.3, 0.3)}
    pictures = []
    for values in (constant, mapped):
        rendering = Rendering(compiled_as(Surface(values)), ALONE, 48, 48)
        rendering.add(64)
        pictures.append(rendering.picture())
    assert np.abs(pictures[0].mean() - pictures[1].mean()) < 0.002


def test_a_picture_lies_where_it_was_laid(tmp_path):
    # White on the left, black on the right, as seen from the front.
    levels = np.zeros((32, 32, 3))
    levels[:, :16] = 1.0
    write_png(tmp_path / "half.png", levels)
    source = Picture("maps/half.00000001.png", data=(tmp_path / "half.png").read_bytes())
    layers = (Layer(source, Placement("front", repeat="hold")),)
    surface = Surface({"colour": Map(layers, (0.0, 0.0, 0.0), (0.9, 0.9, 0.9)), "roughness": 0.9})
    rendering = Rendering(compiled_as(surface), ALONE, 64, 64)
    rendering.add(32)
    row = rendering.picture()[32].mean(axis=1)
    assert row[24:30].mean() > 0.6 and row[34:40].mean() < 0.2


class TestParts:
    @pytest.fixture(scope="class")
    def study(self):
        study = Study().with_new_specimen("red", surface=Surface({"colour": (0.7, 0.02, 0.02)}))
        study = study.with_new_specimen("green", surface=Surface({"colour": (0.02, 0.5, 0.02)}))
        study = study.with_new_specimen("lantern").with_mesh(2, "lantern.glb", lantern().as_kept(1.0))
        one = study.specimens[2].with_assigned("frame/*", "red").with_assigned("frame/roof", "green")
        return study.with_specimen_at(2, one).with_booth(environment="uniform")

    def test_the_lantern_is_of_closed_named_parts(self):
        shape = kept_shape("meshes/lantern.glb", lantern().as_kept(1.0))
        assert len(shape.parts) >= 10 and not any(shape.open_parts) and not shape.is_open
        assert {"lens", "chimney", "wick", "handle", "frame/roof"} <= set(shape.parts)
        # Outward normals: the light of a furnace would not come back from a part turned inside out.
        low, high = shape.mesh.bounds()
        assert low[1] > 0.0 and 88.0 < high[1] < 95.0

    def test_every_part_has_its_own_surface_and_others_are_grey(self, study):
        scene = scene_of(study, study.specimens[2])
        rendering = Rendering(compiled_in(scene, study.specimens[2]), scene, 96, 96)
        rendering.add(48)
        seen = survey(scene, 96, 96)
        picture = rendering.picture()
        means = {
            p: picture[seen.part == i].mean(axis=0)
            for i, p in enumerate(scene.shape.parts)
            if (seen.part == i).sum() > 12
        }
        assert means["frame/base"][0] > 2.5 * means["frame/base"][1]
        assert means["frame/roof"][1] > 2.5 * means["frame/roof"][0]
        assert np.ptp(means["lens"]) < 0.1 * means["lens"].mean()

    def test_a_survey_tells_parts_places_and_the_stage(self, study):
        scene = scene_of(study.with_booth(environment="overcast"), study.specimens[2])
        seen = survey(scene, 80, 60)
        assert {NO_PART, STAGE_PART} <= set(np.unique(seen.part)) and (seen.part >= 0).sum() > 200
        there = seen.part >= 0
        assert np.allclose(np.linalg.norm(seen.places[there][:, 3:6], axis=1), 1.0, atol=0.03)
        assert tinted(seen)[there][:, 3].min() == 255 and not tinted(seen)[~there].any()
        edge = outlined(seen, {scene.shape.parts.index("frame/roof")})
        assert 10 < edge.sum() < there.sum()

    def test_the_glass_of_the_vessel_is_a_specimen_like_any_other(self):
        water = Surface({"ior": 1.333, "transmission": 1.0, "roughness": 0.0})
        dark = Surface(
            {
                "ior": 1.52,
                "transmission": 1.0,
                "roughness": 0.0,
                "interior.colour": (0.02, 0.2, 0.02),
                "interior.depth": 2.0,
            }
        )
        study = Study().with_new_specimen("water", surface=water).with_new_specimen("bottle", surface=dark)
        one = study.specimens[0]
        study = study.with_specimen_at(0, Specimen(one.name, one.size_mm, one.surface, shape="filled"))
        study = study.with_booth(environment="uniform")
        pictures = []
        for assigned in (None, "bottle"):
            filled = study.specimens[0] if assigned is None else study.specimens[0].with_assigned("vessel", assigned)
            scene = scene_of(study.with_specimen_at(0, filled), filled)
            rendering = Rendering(compiled_in(scene, filled), scene, 40, 40, limits=LONG)
            rendering.add(24)
            pictures.append(rendering.picture()[survey(scene, 40, 40).part >= 0].mean(axis=0))
        assert np.allclose(pictures[0], 1.0, atol=0.03)
        assert pictures[1][1] > 1.1 * pictures[1][0] and pictures[1].mean() < 0.5
