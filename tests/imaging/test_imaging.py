"""Pictures in and out, and the chain from scene-linear to the screen."""

import threading

import numpy as np
import PyOpenColorIO as ocio
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.colour import delta_e_2000, encode_srgb, linear_srgb_to_xyz, xyz_to_lab
from photometra.errors import InputError
from photometra.imaging.booths import compiled_in, environment, environment_names, scene_of
from photometra.imaging.display import (
    FILMIC,
    PLAIN,
    Display,
    balance_matrix,
    exposure_for_white,
    view_names,
)
from photometra.imaging.pyramid import pyramid_of
from photometra.imaging.rendering import render_picture
from photometra.pictures import PictureError, read_header, read_picture, write_exr, write_png
from photometra.study import Booth, Specimen, Study
from photometra.surface import Surface
from photometra.tracing import Rendering

_RNG = np.random.default_rng(3)


class TestPictures:
    def test_what_a_header_promises_is_bounded_before_it_is_decoded(self, tmp_path, monkeypatch):
        write_exr(tmp_path / "a.exr", np.zeros((64, 64, 3)))
        monkeypatch.setattr("photometra.pictures._MOST_NUMBERS", 64 * 64 * 3 - 1)
        for read in (read_picture, lambda path: pyramid_of(path, "sRGB")):
            with pytest.raises(PictureError, match="64 × 64 in 3 channels is more than can be held"):
                read(tmp_path / "a.exr")

    def test_as_bright_as_a_person_may_make_it_nothing_overflows(self):
        with np.errstate(all="raise"):
            for view in (PLAIN, FILMIC):
                shown = Display(30.0, None, view, 1.0).picture(np.full((2, 2, 3), 1e30, np.float32))
                assert np.isfinite(shown).all() and shown.min() > 0.7

    def test_exr_keeps_floats_and_header(self, tmp_path):
        pixels = (_RNG.random((6, 9, 3)) * 50.0 - 1.0).astype(np.float32)
        write_exr(tmp_path / "a.exr", pixels, {"photometra:specimen": "Brass ✓"})
        assert np.array_equal(read_picture(tmp_path / "a.exr"), pixels)
        assert read_header(tmp_path / "a.exr")["photometra:specimen"] == "Brass ✓"
        write_exr(tmp_path / "h.exr", pixels, half=True)
        assert read_picture(tmp_path / "h.exr") == pytest.approx(pixels, rel=1e-3, abs=1e-3)

    def test_png_is_what_the_screen_shows(self, tmp_path):
        shown = np.linspace(-0.2, 1.2, 24, dtype=np.float32).reshape(2, 4, 3)
        write_png(tmp_path / "a.png", shown)
        assert read_picture(tmp_path / "a.png") == pytest.approx(np.clip(shown, 0, 1), abs=0.5 / 255 + 1e-6)

    def test_greys_become_three_channels(self, tmp_path):
        import OpenImageIO as oiio

        buffer = oiio.ImageBuf(np.full((4, 5, 1), 0.25, np.float32))
        buffer.write(str(tmp_path / "g.tif"))
        assert read_picture(tmp_path / "g.tif").shape == (4, 5, 3)

    @pytest.mark.parametrize(("content", "words"), [
        (b"", "the file is empty"), (b"not a picture", "not a picture file"), (b"\x76\x2f\x31\x01" + b"\0" * 40, "."),
    ])  # fmt: skip
    def test_what_is_no_picture_is_said(self, tmp_path, content, words):
        path = tmp_path / "a.exr"
        path.write_bytes(content)
        with pytest.raises(PictureError, match=words) as caught:
            read_picture(path)
        assert str(path) in str(caught.value) and "\n" not in str(caught.value)

    def test_a_truncated_picture_is_said(self, tmp_path):
        path = tmp_path / "a.exr"
        write_exr(path, _RNG.random((64, 64, 3)))
        whole = path.read_bytes()
        path.write_bytes(whole[: len(whole) // 2])
        with pytest.raises(PictureError):
            read_picture(path)

    def test_missing_files_and_folders(self, tmp_path):
        with pytest.raises(InputError, match="no such file"):
            read_picture(tmp_path / "a.exr")
        with pytest.raises(InputError, match="cannot write here"):
            write_exr(tmp_path / "no" / "a.exr", np.zeros((2, 2, 3)))


class TestDisplay:
    def test_the_plain_view_is_exposure_then_srgb(self):
        linear = _RNG.random((5, 7, 3)).astype(np.float32)
        shown = Display(exposure=-1.0, view=PLAIN).picture(linear)
        assert shown == pytest.approx(encode_srgb(linear / 2.0), abs=1e-6)

    @pytest.mark.parametrize("view", [FILMIC, "Un-tone-mapped"])
    def test_views_are_opencolorios_own(self, view):
        if view not in view_names():
            pytest.skip("this configuration has no such view")
        config = ocio.Config.CreateFromFile("ocio://default")
        display = config.getDefaultDisplay()
        name = config.getDefaultView(display) if view == FILMIC else view
        source = config.getColorSpace("lin_rec709").getName()
        processor = config.getProcessor(source, display, name, ocio.TRANSFORM_DIR_FORWARD).getDefaultCPUProcessor()
        level = 2.0 ** _RNG.uniform(-7.0, 4.0, (200, 1))
        linear = (level * _RNG.uniform(0.05, 1.0, (200, 3))).astype(np.float32)
        expected = linear.copy().reshape(1, -1, 3)
        processor.applyRGB(expected)
        expected = np.clip(expected.reshape(-1, 3), 0.0, 1.0)
        one_by_one = np.array([Display(view=view).pixel(p).shown for p in linear])
        assert one_by_one == pytest.approx(expected, abs=1e-4)
        # Whole pictures go by a baked table, which a screen of 8 bits cannot tell from it.
        assert Display(view=view).picture(linear[None])[0] == pytest.approx(expected, abs=0.01)
        assert np.abs(Display(view=view).picture(linear[None])[0] - expected).mean() < 0.1 / 255

    def test_every_step_of_a_pixel(self):
        white = (1.0, 0.8, 0.6)
        stages = Display(1.0, white, PLAIN).pixel(np.array(white) * 0.25)
        assert stages.linear == pytest.approx([0.25, 0.2, 0.15])
        assert stages.exposed == pytest.approx([0.5, 0.4, 0.3])
        # The balanced patch is neutral, its luminance kept.
        assert stages.balanced == pytest.approx(np.full(3, stages.balanced[1]), abs=2e-4)
        luminance = linear_srgb_to_xyz(stages.exposed)[1]
        assert stages.balanced[1] == pytest.approx(luminance, rel=1e-3)
        assert stages.lab[1:] == pytest.approx([0, 0], abs=0.1)
        assert stages.shown == pytest.approx(encode_srgb(stages.balanced), abs=1e-6)

    @given(st.tuples(*[st.floats(0.05, 5.0)] * 3))
    def test_any_lit_patch_can_be_made_neutral(self, white):
        lab = xyz_to_lab(linear_srgb_to_xyz(balance_matrix(white) @ np.array(white)))
        assert delta_e_2000(lab, (lab[0], 0.0, 0.0)) < 0.05

    def test_what_cannot_be_balanced_or_exposed_for(self):
        assert np.array_equal(balance_matrix(None), np.eye(3))
        for white in ((0.0, 0.0, 0.0), (1.0, 0.0, 1.0), (np.nan, 1.0, 1.0)):
            with pytest.raises(ValueError):
                balance_matrix(white)
        assert exposure_for_white((0.25, 0.25, 0.25)) == pytest.approx(2.0)
        with pytest.raises(ValueError, match="too dark"):
            exposure_for_white((0.0, 0.0, 0.0))

    def test_an_unknown_view_names_those_there_are(self):
        with pytest.raises(ValueError, match="choose from plain, filmic"):
            Display(view="sepia").pixel((0.1, 0.1, 0.1))


class TestBooths:
    def test_shipped_environments_are_lit_and_lat_long(self):
        assert len(environment_names()) >= 2
        for name in environment_names():
            radiance = environment(name).radiance
            assert radiance.shape[1] == 2 * radiance.shape[0]
            assert radiance.min() >= 0.0 and radiance.max() > 1.0

    def test_by_file_by_study_and_by_nothing(self, tmp_path):
        sky = np.full((4, 8, 3), 0.5, np.float32)
        write_exr(tmp_path / "sky.exr", sky)
        assert environment(str(tmp_path / "sky.exr"), may_be_file=True).radiance == pytest.approx(sky)
        data = (tmp_path / "sky.exr").read_bytes()
        assert environment("pictures/sky.exr", {"pictures/sky.exr": data}).radiance == pytest.approx(sky)
        with pytest.raises(PictureError, match="choose from uniform"):
            environment("moon")
        with pytest.raises(PictureError, match=r"pictures/sky\.exr"):
            environment("pictures/sky.exr", {"pictures/sky.exr": b"spoilt"})

    def test_the_furnace_has_no_stage_and_keeps_its_strength(self):
        booth = Booth(strength=3.0)
        study, specimen = Study(booth=booth), Specimen("Probe", 50.0)
        assert scene_of(study, specimen).stage and scene_of(study, specimen).strength == 3.0
        furnace = scene_of(study, specimen, "uniform")
        assert not furnace.stage and furnace.strength == 1.0 and furnace.radius == 25.0


class TestRenderPicture:
    def test_it_stops_where_it_is_told(self, demo, tmp_path):
        path = tmp_path / "a.exr"
        for stop, holds in (
            ({"samples": 5}, lambda r: r.samples == 5),
            ({"seconds": 0.2}, lambda r: r.seconds < 3.0),
            ({"noise": 0.2}, lambda r: r.noise() <= 0.2),
        ):
            _, rendering = render_picture(demo, demo.specimens[0], path, 24, 16, **stop)
            assert holds(rendering)
        header = read_header(path)
        assert header["photometra:specimen"] == "Brass lamp bracket"
        assert header["photometra:parameter:constants"] == "brass-70-30"
        assert header["photometra:parameter:roughness"] == "0.42"

    def test_a_cancel_midway_writes_nothing(self, demo, tmp_path):
        cancel, told = threading.Event(), []

        def after_the_first(rendering):
            told.append(rendering.samples)
            cancel.set()

        path = tmp_path / "a.exr"
        made = render_picture(
            demo, demo.specimens[0], path, 24, 16, samples=999, report=after_the_first, cancel=cancel
        )  # fmt: skip
        assert made is None and len(told) == 1 and 0 < told[0] < 999
        assert list(tmp_path.iterdir()) == []


class TestWrittenPictures:
    def test_the_header_says_what_made_it(self, demo, tmp_path):
        study = demo.with_booth(turn=25.0, exposure=-0.5)
        render_picture(study, demo.specimens[0], tmp_path / "a.exr", 16, 12, samples=1, seed=7)
        header = read_header(tmp_path / "a.exr")
        assert header["photometra:environment"] == study.booth.environment and header["photometra:seed"] == "7"
        assert header["photometra:turn"] == "25.0" and header["photometra:exposure"] == "-0.5"
        assert header["photometra:camera:focal_mm"] == "64.75" and header["Software"].startswith("Photometra ")
        assert header["photometra:shape"] == "ball" and header["photometra:samples"] == "1"

    def test_a_region_is_a_data_window_of_the_whole(self, demo, tmp_path):
        study = demo.with_booth(region=(0.25, 0.5, 0.75, 1.0))
        render_picture(study, demo.specimens[0], tmp_path / "a.exr", 32, 24, samples=1)
        import OpenImageIO as oiio

        spec = oiio.ImageInput.open(str(tmp_path / "a.exr")).spec()
        assert (spec.x, spec.y, spec.width, spec.height) == (8, 12, 16, 12)
        assert (spec.full_width, spec.full_height) == (32, 24)
        whole = render_picture(demo, demo.specimens[0], tmp_path / "b.exr", 32, 24, samples=1)[1].picture()
        assert np.array_equal(read_picture(tmp_path / "a.exr"), whole[12:24, 8:24])

    def test_guides_are_those_of_a_ball_by_hand(self, tmp_path):
        """Coverage, distance and normal of a ball without a stage, against the ray's own equation."""
        specimen = Specimen("Probe", 50.0, Surface({"colour": (0.5, 0.2, 0.1), "roughness": 1.0}))
        study = Study(booth=Booth())
        scene = scene_of(study, specimen, "uniform")
        compiled = compiled_in(scene, specimen)
        size = 48
        guides = Rendering(compiled, scene, size, size).guides()
        camera = scene.camera_array(size, size)
        x, y = np.meshgrid((np.arange(size) + 0.5) / size * 2 - 1, 1 - (np.arange(size) + 0.5) / size * 2)
        d = camera[1] + x[..., None] * camera[2] + y[..., None] * camera[3]
        d /= np.linalg.norm(d, axis=-1, keepdims=True)
        o = camera[0] - [0.0, 25.0, 0.0]
        b = d @ o
        root = b * b - (o @ o - 25.0**2)
        inside = (root > 150.0) & (guides.alpha == 1.0)
        t = -b - np.sqrt(np.maximum(root, 0.0))
        assert guides.alpha[root < -60.0].max() == 0.0 and inside.sum() > 100
        assert np.abs(guides.depth - t)[inside].max() < 0.8
        normal = (o + t[..., None] * d) / 25.0
        assert np.sum(normal * guides.normal, axis=-1)[inside].min() > 0.995
        red, green, blue = guides.albedo[inside].mean(axis=0)
        assert red > green > blue > 0.0 and red < 0.5
