"""The tracer: the furnace, the instruments' numbers, light drawn as it falls, and orderly work."""

import threading

import numpy as np
import pytest
from benchmarks.surfaces import faults, stratified
from scipy.stats import chi2

from photometra.colour import coefficients_of_rgb, sensor_matrix
from photometra.instruments import directional_albedo
from photometra.surface import Surface
from photometra.surface.compile import compile_surface
from photometra.tracing import Limits, Rendering, Scene, environment_from, uniform_environment
from photometra.tracing.environment import density_at, direction_drawn, place_towards, radiance_at
from photometra.tracing.scene import PATCHES
from photometra.tracing.spectral import HEROES, LUMINANCE, choose_wavelengths, light_spectra, sensor_table, with_lights

METAL = {"metalness": 1.0, "face_colour": (1.0, 1.0, 1.0), "edge_colour": (1.0, 1.0, 1.0)}
LOSSLESS = {
    "metal": METAL,
    "glass": {"transmission": 1.0, "ior": 1.5},
    "dispersive glass": {"transmission": 1.0, "ior": 1.62, "abbe": 36.0},
    "enamel": {"colour": (1.0, 1.0, 1.0)},
}
FURNACE = Limits(reflection=1024, transmission=4096, volume=50_000)


def furnace(surface, size=64, samples=64, **more):
    rendering = Rendering(
        compile_surface(surface), Scene(uniform_environment(), stage=False, **more), size, size, 3, FURNACE
    )
    rendering.add(samples)
    return rendering


def on_the_ball(rendering):
    """Mean colour over the part of the picture that the ball surely fills."""
    h, w = rendering.height, rendering.width
    y, x = np.mgrid[:h, :w]
    disc = (x - w / 2 + 0.5) ** 2 + (y - h / 2 + 0.5) ** 2 < (0.36 * h) ** 2
    return rendering.picture()[disc].mean(axis=0)


@pytest.mark.long
@pytest.mark.parametrize(
    ("matter", "roughness"),
    [
        *((m, r) for m in ("metal", "glass", "enamel") for r in (0.0, 0.1, 0.3, 0.6, 1.0)),
        ("dispersive glass", 0.1),
        ("dispersive glass", 1.0),
    ],
)
def test_white_furnace(matter, roughness):
    # Of the paths through rough glass some few carry much: twelve pictures of as many samples are off by 0.3 % each.
    samples = 768 if matter == "dispersive glass" else 192
    rendering = furnace(Surface({**LOSSLESS[matter], "roughness": roughness}), samples=samples)
    assert on_the_ball(rendering) == pytest.approx(np.ones(3), abs=5e-3)


@pytest.mark.parametrize("size_mm", [0.2, 60.0, 5000.0])
def test_the_furnace_does_not_care_for_size_or_limits(size_mm):
    rendering = furnace(Surface({"transmission": 1.0}), samples=16, radius=size_mm / 2)
    assert on_the_ball(rendering) == pytest.approx(np.ones(3), abs=1e-2)
    assert rendering.energy_cut() < 1e-3


def test_tight_limits_blacken_glass_and_the_loss_is_counted():
    rendering = Rendering(
        compile_surface(Surface({"transmission": 1.0, "roughness": 0.0})),
        Scene(uniform_environment(), stage=False), 48, 48, 1, Limits(reflection=2, transmission=1),
    )  # fmt: skip
    rendering.add(16)
    missing = 1.0 - float(rendering.picture()[..., 1].mean())
    assert missing > 0.01
    assert rendering.energy_cut() == pytest.approx(missing, rel=0.25)


@pytest.mark.parametrize("surface", [
    Surface({"metalness": 1.0, "constants": "brass-70-30", "roughness": 0.3, "haze.amount": 0.2}),
    Surface({"colour": (0.6, 0.2, 0.1), "roughness": 0.15}),
], ids=["brass", "enamel"])  # fmt: skip
def test_the_middle_of_the_ball_shows_what_the_instrument_reads(surface):
    """Facing us in the furnace, the radiance is the directional albedo at normal incidence."""
    compiled = compile_surface(surface)
    scene = Scene(uniform_environment(), stage=False)
    rendering = Rendering(compiled, scene, 65, 65, 5, FURNACE)
    rendering.add(300)
    seen = rendering.picture()[29:36, 29:36].reshape(-1, 3).mean(axis=0)
    read = directional_albedo(compiled, 0.995) @ sensor_matrix()
    assert seen == pytest.approx(read, abs=0.006)


def test_absorption_follows_beer_and_lambert():
    """Without reflections to speak of, the middle of a weak glass ball shows exp(-a d)."""
    s = Surface({"transmission": 1.0, "ior": 1.0005, "roughness": 0.0, "interior.absorption": (0.02, 0.02, 0.02)})
    rendering = furnace(s, samples=64, radius=20.0)
    middle = rendering.picture()[28:36, 28:36].reshape(-1, 3).mean(axis=0)
    assert middle == pytest.approx(np.full(3, np.exp(-0.02 * 40.0)), abs=0.01)


@pytest.mark.long
def test_the_neutral_patches_show_their_own_reflectance_under_an_even_sky():
    sky = environment_from(np.ones((8, 16, 3), np.float32))
    scene = Scene(sky, turn=20.0)
    rendering = Rendering(compile_surface(Surface({"colour": (0, 0, 0), "ior": 1.0})), scene, 300, 200, 2)
    rendering.add(96)
    found = []
    for i in range(len(PATCHES)):
        x, y = scene.patch_place(i, 300, 200)
        px, py = int(x * 300), int(y * 200)
        found.append(rendering.picture()[py - 2 : py + 3, px - 2 : px + 3].reshape(-1, 3).mean(axis=0))
    found = np.array(found)
    # The black ball hides a little of the sky from each; the colours are neutral and in ratio.
    assert found.max(axis=1) - found.min(axis=1) == pytest.approx(np.zeros(4), abs=0.012)
    assert found[:, 1] / found[3, 1] == pytest.approx(np.array(PATCHES) / PATCHES[3], rel=0.12)
    assert np.all(found[:, 1] < np.array(PATCHES)) and np.all(found[:, 1] > 0.6 * np.array(PATCHES))


def shares(e):
    """Of each cell of an environment, by the sums that directions are drawn from."""
    return np.diff(e.rows, prepend=0.0)[:, None] * np.diff(e.columns, axis=1, prepend=0.0)


@pytest.mark.long
def test_light_is_drawn_as_the_density_says_and_integrates_to_the_same():
    rng = np.random.default_rng(4)
    radiance = (rng.random((16, 32, 3)) ** 8).astype(np.float32)
    radiance[3, 7] = 60.0
    e = environment_from(radiance)
    probability = shares(e)
    turn, draws = 0.7, 40_000
    counts = np.zeros((8, 16))
    weighed = np.zeros(3)
    for u in rng.random((draws, 2)):
        x, y, z, density, u_drawn, v_drawn = direction_drawn(*u, turn, *e.arrays[1:])
        u_seen, v_seen = place_towards(x, y, z, turn)
        assert (u_seen, v_seen) == pytest.approx((u_drawn, v_drawn), abs=1e-6)
        # Next to a pole the sine that the density is over is known from y to no more than this.
        known = 1e-6 + 1e-12 / max(1.0 - y * y, 1e-12)
        assert density == pytest.approx(density_at(u_drawn, v_drawn, y, e.rows, e.columns), rel=known)
        weighed += np.array(radiance_at(u_seen, v_seen, e.radiance)) / density
        row = min(int(np.arccos(np.clip(y, -1, 1)) / np.pi * 8), 7)
        column = int(((np.arctan2(x, -z) + turn) / (2 * np.pi) + 0.5) % 1.0 * 16)
        counts[row, min(column, 15)] += 1
    expected = probability.reshape(8, 2, 16, 2).sum(axis=(1, 3)) * draws
    full = expected > 15
    assert np.sum((counts[full] - expected[full]) ** 2 / expected[full]) < chi2.ppf(1 - 1e-4, full.sum() - 1)
    polar, round_about = (np.arange(180) + 0.5) / 180 * np.pi, (np.arange(360) + 0.5) / 360 * 2 * np.pi
    theta, phi = np.meshgrid(polar, round_about, indexing="ij")
    plain = np.zeros(3)
    for t, p in zip(theta.ravel(), phi.ravel(), strict=True):
        d = np.sin(t) * np.sin(p), np.cos(t), -np.sin(t) * np.cos(p)
        plain += np.array(radiance_at(*place_towards(*d, turn), e.radiance)) * np.sin(t)
    plain *= (np.pi / 180) * (2 * np.pi / 360)
    assert weighed / draws == pytest.approx(plain, rel=0.03)


def test_wavelengths_cover_the_film():
    """Averaged over all heroes, a flat spectrum reads 1, 1, 1 and a light its own RGB."""
    film, lights = with_lights(sensor_table()), np.empty((HEROES, 3))
    index, nearest = np.empty(HEROES, np.int64), np.empty(HEROES, np.int64)
    fraction, weights = np.empty(HEROES), np.empty((HEROES, 3))
    rgb = np.array([0.2, 0.7, 0.4])
    light = np.append(coefficients_of_rgb(rgb), 0.0)
    light[-1] = light[-2]
    flat, coloured, n = np.zeros(3), np.zeros(3), 4000
    for i in range(n):
        choose_wavelengths((i + 0.5) / n, index, fraction, nearest, film, weights, lights)
        at = light[index] * (1.0 - fraction) + light[index + 1] * fraction
        flat += weights.sum(axis=0)
        coloured += at @ weights
    assert flat / n == pytest.approx(np.ones(3), abs=1e-3)
    assert coloured / n == pytest.approx(rgb, abs=4e-3)
    assert light_spectra().sum(axis=1) == pytest.approx(np.ones(82))


class TestRendering:
    surface = compile_surface(Surface({"metalness": 1.0}))

    def scene(self):
        return Scene(environment_from(np.random.default_rng(0).random((8, 16, 3))))

    def test_it_depends_on_the_seed_alone_and_not_on_how_samples_come(self):
        once, parts, other = (Rendering(self.surface, self.scene(), 70, 40, seed) for seed in (4, 4, 5))
        once.add(5)
        parts.add(2)
        parts.add(3)
        other.add(5)
        assert np.array_equal(once.picture(), parts.picture())
        assert not np.array_equal(once.picture(), other.picture())

    def test_noise_falls_with_the_root_of_the_samples(self):
        rendering = Rendering(self.surface, self.scene(), 64, 64)
        assert rendering.noise() == float("inf")
        rendering.add(16)
        first = rendering.noise()
        rendering.add(240)
        assert rendering.noise() < 0.45 * first

    @pytest.mark.parametrize("steps", [(16,), (1, 1, 2, 4, 8), (3, 2, 9, 2), (23,), (24,)])
    def test_the_noise_told_is_how_far_pictures_of_other_seeds_are_apart(self, steps):
        scene = self.scene()
        renderings = [Rendering(compile_surface(Surface({"roughness": 0.4})), scene, 48, 48, seed) for seed in range(8)]
        for rendering in renderings:
            for count in steps:
                rendering.add(count)
        luminances = np.array([r.picture() @ LUMINANCE for r in renderings])
        spread = luminances.var(axis=0, ddof=1)
        told = np.mean([r.noise() for r in renderings])
        assert 0.97 < told / (np.sqrt(spread.mean()) / luminances.mean()) < 1.4
        variance = np.mean([r.variance() for r in renderings], axis=0)
        rough = spread.reshape(4, 12, 4, 12).mean(axis=(1, 3))
        ratio = variance.reshape(4, 12, 4, 12).mean(axis=(1, 3))[rough > 0.0] / rough[rough > 0.0]
        assert ratio.min() > 0.7 and ratio.max() < 2.5 and 0.95 < ratio.mean() < 1.9

    def test_a_cancel_is_obeyed_and_leaves_the_count(self):
        rendering = Rendering(self.surface, self.scene(), 256, 256)
        cancel = threading.Event()
        cancel.set()
        assert not rendering.add(64, cancel) and rendering.samples == 0

    def test_strength_and_turn_act_on_the_light(self):
        bright, plain = (
            Rendering(self.surface, Scene(self.scene().environment, strength=s), 32, 32) for s in (3.0, 1.0)
        )
        for r in (bright, plain):
            r.add(4)
        assert bright.picture() == pytest.approx(3.0 * plain.picture(), rel=1e-4)
        # To turn the light is to roll its picture the other way.
        sky = np.full((16, 32, 3), 0.05, np.float32)
        sky[4:7, 9:12] = 40.0
        turned, rolled, still = (
            Rendering(self.surface, Scene(environment_from(np.roll(sky, -roll, axis=1)), turn=turn), 32, 32)
            for turn, roll in ((90.0, 0), (0.0, 8), (0.0, 0))
        )
        for r in (turned, rolled, still):
            r.add(64)
        assert turned.picture().mean(axis=(0, 2)) == pytest.approx(rolled.picture().mean(axis=(0, 2)), rel=0.1)
        assert abs(turned.picture() - still.picture()).mean() > 5.0 * abs(turned.picture() - rolled.picture()).mean()

    def test_a_clamp_is_off_by_default_and_bounds_when_on(self):
        radiance = np.zeros((64, 128, 3), np.float32)
        radiance[10, 20] = 1e5
        scene = Scene(environment_from(radiance))
        free = Rendering(self.surface, scene, 48, 48)
        clamped = Rendering(self.surface, scene, 48, 48, 1, Limits(clamp=10.0))
        for r in (free, clamped):
            r.add(8)
        assert free.picture().max() > 100.0 > clamped.picture().max()


def test_damaged_environments_are_mended_or_refused():
    e = environment_from(np.array([[[np.nan, -1.0, 2.0]] * 4] * 4))
    assert np.all(np.isfinite(e.radiance)) and e.radiance.min() == 0.0
    assert shares(e).min() > 0.0 and shares(e).sum() == pytest.approx(1.0)
    dark = environment_from(np.zeros((4, 8, 3)))
    assert shares(dark).min() > 0.0 and shares(dark).sum() == pytest.approx(1.0)
    with pytest.raises(ValueError):
        environment_from(np.ones((4, 8)))


@pytest.mark.long
def test_any_surface_makes_no_light_and_breaks_no_path():
    """Finite, never negative, never above what came in, on the ball and on shapes with walls and without an inside.

    The first of `python -m benchmarks surfaces`, which tries 5000.
    """
    assert faults(stratified(np.random.default_rng(12), 60), size=12, samples=5) == []
