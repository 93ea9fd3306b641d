"""The picture that is looked at: how clean it is, what its detail follows, and that no number comes from it."""

import threading

import numpy as np
import OpenImageIO as oiio
import pytest

from photometra.imaging import denoising
from photometra.imaging.booths import compiled_in, display_of, scene_of
from photometra.imaging.comparing import delta_e_map
from photometra.imaging.denoising import (
    FAST,
    HIGH,
    clean_picture,
    denoised,
    error_left,
    is_available,
    quality_for,
)
from photometra.imaging.rendering import render_picture
from photometra.pictures import read_header, read_picture
from photometra.study import Specimen, Study
from photometra.surface import Surface
from photometra.tracing import Camera, Rendering, Scene, environment_from, uniform_environment

pytestmark = pytest.mark.skipif(not is_available(), reason="no library to denoise with on this machine")
_SIDE = 128


def rendering_of(demo, specimen, samples, seed=1):
    scene = scene_of(demo, specimen)
    rendering = Rendering(compiled_in(scene, specimen), scene, _SIDE, _SIDE, seed)
    rendering.add(samples)
    return rendering


@pytest.mark.parametrize(("index", "times"), [
    pytest.param(0, 4.0, marks=pytest.mark.long), pytest.param(1, 4.0, marks=pytest.mark.long),
    pytest.param(6, 2.5, marks=pytest.mark.long),
])  # fmt: skip
def test_four_samples_denoised_are_near_what_many_give(demo, index, times):
    """Brass, enamel and ruby glass against 512 other samples; and what is said of the error is about the error."""
    specimen, display = demo.specimens[index], display_of(demo.booth)
    many = display.balanced(rendering_of(demo, specimen, 512, seed=9).picture())
    few = rendering_of(demo, specimen, 4)
    raw, clean = few.picture(), clean_picture(few)
    off = [float(delta_e_map(display.balanced(picture), many).mean()) for picture in (raw, clean)]
    assert off[0] > times * off[1]
    assert 0.5 * off[1] < error_left(few, display) < 2.0 * off[1]
    # Brightness stays: what is smoothed is neither dimmed nor lifted.
    assert clean.mean() == pytest.approx(raw.mean(), rel=0.02)
    assert np.array_equal(few.picture(), raw)


def test_the_halves_are_those_of_the_whole(demo):
    rendering = rendering_of(demo, demo.specimens[0], 1)
    assert rendering.halves() is None and error_left(rendering, display_of(demo.booth)) is None
    rendering.add(4)
    (first, m), (second, n) = rendering.halves()
    assert (m, n) == (2, 3)
    assert np.allclose((m * first + n * second) / 5, rendering.picture(), rtol=1e-5, atol=1e-6)
    assert not np.array_equal(first, second)
    whole = Rendering(rendering._view.compiled, rendering._view.scene, _SIDE, _SIDE)
    whole.add(5)
    assert np.allclose(whole.picture(), rendering.picture(), rtol=1e-5, atol=1e-6)


def test_a_cancel_ends_it_and_the_next_goes_on(demo):
    rendering = rendering_of(demo, demo.specimens[0], 1)
    cancel = threading.Event()
    cancel.set()
    assert clean_picture(rendering, HIGH, cancel) is None
    assert np.array_equal(clean_picture(rendering, FAST), clean_picture(rendering, FAST, threading.Event()))


def test_the_slower_filter_waits_for_samples_or_for_their_time(demo):
    rendering = rendering_of(demo, demo.specimens[0], 4)
    clean_picture(rendering, FAST)
    rendering.seconds = 0.0
    assert quality_for(rendering) == FAST
    rendering.seconds = 60.0
    assert quality_for(rendering) == HIGH, "samples that take a minute are worth a second"
    one = np.ones((8, 8, 3), np.float32)
    known = denoising._FILTER.fast_pixel_s
    denoising._FILTER.run(one, one, one, FAST, None)
    assert denoising._FILTER.fast_pixel_s == known, "a thumbnail tells nothing of a picture"
    cancel = threading.Event()
    cancel.set()
    assert clean_picture(rendering, FAST, cancel) is None
    assert denoising._FILTER.fast_pixel_s == known, "nor one that was given up"
    rendering.seconds = 0.0
    rendering.add(12)
    rendering.seconds = 0.0
    assert quality_for(rendering) == HIGH


def test_outside_a_region_nothing_is_touched(demo):
    scene = scene_of(demo, demo.specimens[0])
    compiled = compiled_in(scene, demo.specimens[0])
    rendering = Rendering(compiled, scene, _SIDE, _SIDE, region=(0.25, 0.25, 0.75, 0.75))
    rendering.add(1)
    clean = denoised(rendering.picture(), rendering.followed(4), FAST, rendering.window)
    assert clean[:32].max() == 0.0 and clean[40:90, 40:90].min() > 0.0


class TestWhatIsFollowed:
    def test_a_clear_wall_of_no_index_is_looked_through(self):
        """What cannot be seen leaves the sky's guides as they are; one of glass takes what it reflects from them."""
        ramp = np.zeros((64, 128, 3), np.float32)
        ramp[..., 0] = np.linspace(0.0, 1.0, 128)
        sky = environment_from(ramp)
        scene = Scene(sky, radius=25.0, stage=False)
        bare = Surface({"ior": 1.0001, "transmission": 1.0, "roughness": 0.0})
        rendering = Rendering(compiled_in(scene, Specimen("Nothing", 50.0, bare)), scene, 48, 48)
        guides = rendering.followed(16)
        assert guides.alpha[24, 24] == 1.0
        beside = np.interp(np.arange(48), [0, 1, 46, 47], guides.albedo[24, [0, 1, 46, 47], 0])
        assert np.abs(guides.albedo[24, :, 0] - beside).max() < 0.02

    def test_a_ball_of_glass_turns_the_sky_by_snells_law(self):
        """A ray that meets a ball at sin i leaves it turned by 2 (i - r): the red of the sky says where it looks."""
        ramp = np.zeros((64, 512, 3), np.float32)
        ramp[..., 0] = (np.arange(512) + 0.5) / 512
        scene = Scene(environment_from(ramp), radius=25.0, stage=False)
        glass = Surface({"ior": 1.5, "abbe": 60.0, "transmission": 1.0, "roughness": 0.0})
        size = 97
        guides = Rendering(compiled_in(scene, Specimen("Ball", 50.0, glass)), scene, size, size).followed(64)
        eye, forward, right, _ = scene.camera_array(size, size)[:4]
        middle = np.array([0.0, 25.0, 0.0])
        # Along the row through the ball's middle, turns stay in the plane of the camera's right and forward.
        for x in (38, 42, 55, 60):
            ray = forward + (2.0 * (x + 0.5) / size - 1.0) * right
            ray /= np.linalg.norm(ray)
            miss = np.linalg.norm(np.cross(middle - eye, ray)) / 25.0
            i = np.arcsin(miss)
            side = np.sign((middle - eye) @ right - ((middle - eye) @ ray) * (ray @ right))
            turn = 2.0 * (i - np.arcsin(miss / 1.5)) * side
            across = np.arctan2(ray @ right / np.linalg.norm(right), ray @ forward) + turn
            seen = 0.5 + across / (2.0 * np.pi)
            assert guides.albedo[size // 2, x, 0] == pytest.approx(seen, abs=0.06)

    def test_a_mirror_has_the_albedo_of_its_metal_in_an_even_sky(self):
        surface = Surface({"metalness": 1.0, "roughness": 0.0})
        scene = Scene(uniform_environment(), radius=25.0, stage=False)
        rendering = Rendering(compiled_in(scene, Specimen("Mirror", 50.0, surface)), scene, 32, 32)
        followed, plain = rendering.followed(4), rendering.guides()
        assert np.allclose(followed.albedo[16, 16], plain.albedo[16, 16], atol=1e-5)
        assert np.allclose(followed.albedo[0, 0], 1.0) and plain.albedo[0, 0].max() == 0.0


def test_a_file_keeps_the_mean_and_gains_a_layer(demo, tmp_path):
    study = Study(specimens=demo.specimens[:1], booth=demo.booth)
    paths = [tmp_path / name for name in ("a.exr", "b.exr", "a.png", "b.png")]
    for path, clean in zip(paths, (False, True, False, True), strict=True):
        render_picture(study, study.specimens[0], path, 48, 48, samples=2, clean=clean)
    assert np.array_equal(read_picture(paths[0]), read_picture(paths[1]))
    spec = oiio.ImageInput.open(str(paths[1])).spec()
    assert {"denoised.R", "denoised.G", "denoised.B"} <= set(spec.channelnames)
    assert read_header(paths[3])["photometra:denoised"] == "yes" and "photometra:denoised" not in read_header(paths[2])
    assert not np.array_equal(read_picture(paths[2]), read_picture(paths[3]))


def test_a_thin_wall_reflects_and_passes_what_two_faces_do():
    """A bubble of glass before a black sky, a white one behind the camera: two walls of two faces (Stokes 1862)."""
    halves = np.zeros((64, 128, 3), np.float32)
    halves[:, :32] = halves[:, 96:] = 1.0
    scene = Scene(environment_from(halves), radius=25.0, stage=False, camera=Camera(rise=0.0))
    bubble = Surface({"ior": 1.5, "transmission": 1.0, "roughness": 0.0, "thin_walled": True})
    rendering = Rendering(compiled_in(scene, Specimen("Bubble", 50.0, bubble)), scene, 65, 65)
    albedo = rendering.followed(256).albedo[29:36, 29:36].mean()
    face = (0.5 / 2.5) ** 2
    wall = 2.0 * face / (1.0 + face)
    assert albedo == pytest.approx(2.0 * wall / (1.0 + wall), rel=0.06)
