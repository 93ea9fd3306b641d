"""Maps: what sources draw, where tiles lie, what is done to levels; held against arithmetic that shares nothing."""

import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from photometra.errors import InputError
from photometra.maps import GENERATORS, Adjustments, Generator, Layer, Map, Picture, Placement, checked_layers
from photometra.maps.baking import MOST_BYTES, _one_of, kept_bytes, tile_of
from photometra.maps.laying import laid, levels_on, tile_size
from photometra.maps.placing import levels_at
from photometra.pictures import encoded_levels, write_png
from photometra.shapes.body import places_of
from photometra.shapes.lying import LiesOn, Spot

BALL = LiesOn()
GREY = Layer(Generator("noise"))


def picture(tmp_path, levels, name="levels"):
    """A Picture of levels (h, w), 8 bits, as a file gives it."""
    file = tmp_path / f"{name}.png"
    write_png(file, np.repeat(np.asarray(levels, float)[..., None], 3, axis=2))
    return Picture(f"maps/{name}.{abs(hash(np.asarray(levels).tobytes())) % 16**8:08x}.png", data=file.read_bytes())


def levels_of(layers, places, lies_on=BALL):
    """Levels of one chain at places (m, 3) whose normals look at +z."""
    there = laid((tuple(layers),), lies_on)
    whole = np.zeros((len(places), 9))
    whole[:, :3], whole[:, 5], whole[:, 8] = places, 1.0, 0.5
    out = np.empty((len(places), 1))
    levels_at(there.layers, there.texels, there.chains, whole, out)
    return out[:, 0]


class TestGenerators:
    @pytest.mark.parametrize("kind", GENERATORS)
    def test_draw_levels_that_join_at_the_tiles_edges(self, kind):
        levels = tile_of(Layer(Generator(kind)), (20.0, 20.0)).levels
        assert 0.0 <= levels.min() <= levels.max() <= 1.0
        if kind == "gradient":
            return
        # Across the joint the tile changes no more than it does anywhere within.
        for axis in (0, 1):
            within = np.abs(np.diff(levels, axis=axis)).mean()
            joint = np.abs(np.take(levels, 0, axis) - np.take(levels, -1, axis)).mean()
            assert joint <= 3.0 * within + 0.02 or kind in ("checker", "weave")

    @pytest.mark.parametrize(
        "kind", [k for k in GENERATORS if k not in ("gradient", "checker", "flat", "weave", "edges")]
    )
    def test_are_the_same_by_seed_and_others_by_another(self, kind):
        from photometra.maps.baking import drawn

        one, again, other = (drawn(Generator(kind, seed), (12.0, 12.0)) for seed in (3, 3, 4))
        assert np.array_equal(one, again) and not np.array_equal(one, other)

    def test_scratches_cover_what_their_number_length_and_width_say(self):
        # Few enough not to cross: area = number × mean length × width of a groove at half its depth.
        source = Generator("scratches", 5, (("density", 2.0), ("length", 6.0), ("width", 0.3)))
        levels = tile_of(Layer(source), (60.0, 60.0)).levels
        covered = (levels > 0.35).mean()
        assert 0.2 < covered / (2.0 / 100.0 * 6.0 * 0.3) < 1.3

    def test_a_weave_shows_as_much_warp_as_weft_and_a_twill_more(self):
        assert tile_of(Layer(Generator("weave")), (12.0, 12.0)).levels.mean() == pytest.approx(0.5, abs=0.01)
        twill = Generator("weave", 1, (("over", 3.0),))
        assert tile_of(Layer(twill), (12.0, 12.0)).levels.mean() == pytest.approx(0.75, abs=0.01)

    def test_settings_outside_their_range_or_of_another_are_refused(self):
        for settings_, words in ((("length", 0.0),), "length of scratches"), ((("ridge", 1.0),), "no setting 'ridge'"):
            with pytest.raises(InputError, match=words):
                checked_layers("roughness", (Layer(Generator("scratches", 1, settings_)),))


class TestAdjustments:
    def test_inverting_twice_levels_and_their_inverse_and_white_change_nothing(self):
        plain = tile_of(GREY, (40.0, 40.0)).levels
        inverted = tile_of(Layer(GREY.source, adjustments=Adjustments(invert=True)), (40.0, 40.0)).levels
        assert np.allclose(1.0 - inverted, plain, atol=2e-5)
        white = levels_of((GREY, Layer(Generator("flat", 1, (("level", 1.0),)), combine="multiply")), _front(200))
        assert np.allclose(white, levels_of((GREY,), _front(200)), atol=1e-9)

    @settings(max_examples=25, deadline=None)
    @given(st.floats(0.0, 0.4), st.floats(0.6, 1.0), st.floats(0.4, 2.0))
    def test_levels_do_what_their_formula_says(self, black, white, gamma):
        plain = tile_of(GREY, (40.0, 40.0)).levels
        found = tile_of(
            Layer(GREY.source, adjustments=Adjustments(black=black, white=white, gamma=gamma)), (40.0, 40.0)
        )
        wanted = np.clip((plain - black) / (white - black), 0.0, 1.0) ** (1.0 / gamma)
        # Where a strong gamma is steep a step of the levels shows.
        seen = wanted > 0.2
        assert np.allclose(found.levels[seen], wanted[seen], atol=1e-3)

    def test_a_blur_keeps_the_mean(self):
        blurred = tile_of(Layer(GREY.source, adjustments=Adjustments(blur_mm=2.0)), (40.0, 40.0)).levels
        plain = tile_of(GREY, (40.0, 40.0)).levels
        assert blurred.mean() == pytest.approx(plain.mean(), abs=1e-3) and blurred.std() < 0.6 * plain.std()


def _front(count):
    spread = (np.arange(count)[:, None] * [0.7548776662, 0.5698402910]) % 1.0
    return np.column_stack([60.0 * spread[:, 0] - 30.0, 60.0 * spread[:, 1], np.full(count, 30.0)])


class TestPlacing:
    def test_a_picture_lies_upright_true_to_size_about_the_middle(self, tmp_path):
        # Its upper left quarter is white; 20 mm across, from the front.
        levels = np.zeros((64, 64))
        levels[:32, :32] = 1.0
        layer = Layer(picture(tmp_path, levels), Placement("front", (20.0, 20.0), repeat="hold"))
        at = np.array([[-5.0, 35.0, 30.0], [5.0, 35.0, 30.0], [-5.0, 25.0, 30.0], [5.0, 25.0, 30.0]])
        assert levels_of((layer,), at).tolist() == [1.0, 0.0, 0.0, 0.0]

    def test_offset_turn_and_size_move_it_as_said(self, tmp_path):
        levels = np.zeros((64, 64))
        levels[:32, :32] = 1.0
        source = picture(tmp_path, levels)
        moved = Layer(source, Placement("front", (20.0, 20.0), (6.0, -4.0), repeat="hold"))
        assert levels_of((moved,), np.array([[1.0, 31.0, 30.0]]))[0] == 1.0
        turned = Layer(source, Placement("front", (20.0, 20.0), turn_deg=90.0, repeat="hold"))
        # A quarter turn counter-clockwise brings the upper left to the lower left.
        assert levels_of((turned,), np.array([[-5.0, 25.0, 30.0], [-5.0, 35.0, 30.0]])).tolist() == [1.0, 0.0]

    @settings(max_examples=30, deadline=None)
    @given(st.floats(-90.0, 90.0), st.floats(-20.0, 80.0), st.integers(-3, 3), st.integers(-3, 3))
    def test_a_tile_repeats_and_a_mirrored_one_turns_back(self, x, y, i, j):
        tile = Layer(GREY.source, Placement("front", (20.0, 20.0)))
        here = np.array([[x, y, 30.0], [x + 20.0 * i, y + 20.0 * j, 30.0]])
        assert abs(np.subtract(*levels_of((tile,), here))) < 1e-6
        mirrored = Layer(GREY.source, Placement("front", (20.0, 20.0), repeat="mirror"))
        # About an edge between two tiles: the middle of one lies at 0, 30.
        either = np.array([[10.0 + x, y, 30.0], [10.0 - x, y, 30.0]])
        assert abs(np.subtract(*levels_of((mirrored,), either))) < 1e-6

    def test_layers_combine_as_their_words_say(self):
        flat = [Layer(Generator("flat", 1, (("level", v),))) for v in (0.6, 0.7)]
        for how, wanted in (("multiply", 0.42), ("add", 1.0), ("mix", 0.7), ("lighter", 0.7), ("darker", 0.6)):
            joined = Layer(flat[1].source, combine=how)
            assert levels_of((flat[0], joined), _front(1))[0] == pytest.approx(wanted, abs=1e-4)
            half = Layer(flat[1].source, combine=how, amount=0.5)
            assert levels_of((flat[0], half), _front(1))[0] == pytest.approx(0.5 * (0.6 + wanted), abs=1e-4)

    @settings(max_examples=20, deadline=None)
    @given(st.floats(0.0, 1.0), st.floats(0.0, 1.0), st.floats(0.0, 1.0), st.floats(0.0, 1.0), st.floats(0.0, 1.0))
    def test_a_mask_says_how_much_of_the_next_layer_is_taken(self, below, share, over, amount, last):
        flat = [Layer(Generator("flat", 1, (("level", v),))) for v in (below, share, over, last)]
        mask, mixed, after = (
            Layer(f.source, combine=how, amount=a)
            for f, how, a in zip(flat[1:], ("mask", "mix", "mix"), (amount, 1.0, 0.25), strict=True)
        )
        taken = 1.0 + amount * (share - 1.0)
        wanted = below + taken * (over - below)
        assert levels_of((flat[0], mask, mixed), _front(1))[0] == pytest.approx(wanted, abs=1e-4)
        # It masks the next layer alone.
        wanted += 0.25 * (last - wanted)
        assert levels_of((flat[0], mask, mixed, after), _front(1))[0] == pytest.approx(wanted, abs=1e-4)

    def test_shuffled_tiles_keep_the_distribution(self):
        shuffled = Layer(GREY.source, Placement("front", (9.0, 9.0), shuffle=True))
        plain = Layer(GREY.source, Placement("front", (9.0, 9.0)))
        both = [np.sort(levels_of((layer,), _front(20_000))) for layer in (shuffled, plain)]
        assert np.abs(both[0] - both[1]).max() < 0.05

    def test_a_gradient_over_a_ball_is_even(self):
        # Equal heights of a sphere have equal areas (Archimedes).
        layer = Layer(Generator("gradient"), Placement("front", repeat="hold"))
        levels = np.sort(levels_on(((layer,),), BALL)[:, 0])
        assert np.abs(levels - (np.arange(levels.size) + 0.5) / levels.size).max() < 0.04

    def test_a_spot_sees_its_own_place_only(self):
        layer = Layer(Generator("gradient"), Placement("front", repeat="hold"))
        top = levels_on(((layer,),), BALL, Spot(0.0, 60.0, 0.0, 12.0))
        low = levels_on(((layer,),), BALL, Spot(0.0, 0.0, 0.0, 12.0))
        assert top.min() > 0.9 and low.max() < 0.1

    @pytest.mark.parametrize("shape", ["ball", "puck", "steps", "cloth"])
    def test_places_lie_evenly_on_every_shape(self, shape):
        places = places_of(LiesOn(shape))
        assert np.allclose(np.linalg.norm(places[:, 3:6], axis=1), 1.0, atol=1e-6)
        if shape == "ball":
            assert np.allclose(np.linalg.norm(places[:, :3] - (0.0, 30.0, 0.0), axis=1), 30.0)
        assert 0.35 < places[:, 8].mean() < 0.65

    def test_size_0_lays_a_picture_once_over_the_specimen(self, tmp_path):
        layer = Layer(picture(tmp_path, np.eye(8)), Placement("front"))
        assert tile_size(layer, BALL) == (60.0, 60.0)
        around = Layer(layer.source, Placement("cylinder"))
        assert tile_size(around, BALL) == pytest.approx((2.0 * math.pi * 30.0, 60.0))


class TestMemory:
    def test_a_large_picture_of_8_bits_takes_one_byte_a_texel(self, tmp_path):
        levels = np.linspace(0.0, 1.0, 512)[None].repeat(512, axis=0)
        tile = tile_of(Layer(picture(tmp_path, levels)), (10.0, 10.0))
        assert tile.texels.nbytes == 512 * 512 and tile.texels.dtype == np.uint8
        assert np.abs(tile.levels - levels).max() < 0.003
        assert kept_bytes() <= MOST_BYTES

    def test_baked_tiles_stay_within_their_budget(self):
        from photometra.maps.baking import Kept, Tile

        kept = Kept(3000, lambda tile: tile.texels.nbytes)
        for i in range(10):
            kept.get(i, lambda: Tile(np.zeros((10, 100), np.uint8)))
        assert kept.bytes <= 3000

    def test_a_damaged_or_missing_picture_is_one_sentence_or_half(self):
        broken = Layer(Picture("maps/broken.12345678.png", data=b"\x89PNG\r\n\x1a\nnothing"))
        with pytest.raises(InputError, match=r"maps/broken\.12345678\.png"):
            tile_of(broken, (10.0, 10.0))
        missing = Layer(Picture("maps/gone.12345678.png"))
        assert tile_of(missing, (10.0, 10.0)).levels.mean() == pytest.approx(0.5, abs=0.01)
        assert Map((missing,), 0.1, 0.2).is_missing

    @pytest.mark.long
    def test_a_vast_tile_of_tiny_features_is_still_drawn_soon(self):
        for kind, settings_ in (
            ("scratches", (("density", 2000.0),)), ("flakes", (("size", 0.005),)), ("specks", (("density", 2000.0),)),
            ("fingerprints", (("density", 50.0),)),
        ):  # fmt: skip
            levels = tile_of(Layer(Generator(kind, 1, settings_)), (1e5, 1e5)).levels
            assert levels.shape == (2048, 2048)


def test_a_large_picture_is_read_band_by_band(monkeypatch):
    """The luminance of rows that are read together is that of each by itself; the whole is never held as floats."""
    rng = np.random.default_rng(5)
    pixels = rng.integers(0, 256, (700, 64, 3), dtype=np.uint8)
    picture = Picture("maps/a.png", "luminance", "data", data=encoded_levels(pixels / 255.0))
    whole = tile_of(Layer(picture, Placement("uv")), (10.0, 10.0)).levels
    assert whole.shape == (700, 64)
    assert whole == pytest.approx(pixels / 255.0 @ [0.2126, 0.7152, 0.0722], abs=3e-3)
    sizes = []
    monkeypatch.setattr("photometra.maps.baking._one_of", lambda rows: (sizes.append(rows.shape[0]), _one_of(rows))[1])
    red = Picture("maps/a.png", "red", "data", data=picture.data)
    assert tile_of(Layer(red, Placement("uv")), (10.0, 10.0)).levels == pytest.approx(pixels[..., 0] / 255.0, abs=1e-4)
    assert max(sizes) <= 256 and sum(sizes) == 700
