"""A photograph as evidence: hidden parameters found again from a synthetic one, rendering in the loop."""

import threading
from dataclasses import replace

import numpy as np
import pytest

from photometra.colour import delta_e_2000, encode_srgb, linear_srgb_to_xyz, xyz_to_lab
from photometra.fitting import Cancelled, solve
from photometra.imaging import photographed
from photometra.imaging.booths import compiled_in, scene_of
from photometra.imaging.framing import in_view
from photometra.imaging.photographed import Photographed, pins_agreement, under_found_light
from photometra.imaging.probing import covered
from photometra.pictures import encoded_exr, write_png
from photometra.study import Booth, Lamp, Pin, Reference, Specimen, Study
from photometra.surface import Surface
from photometra.tracing import Rendering

WIDTH, HEIGHT = 480, 320
BOOTH = Booth(environment="overcast", key=Lamp(strength=30.0, size=0.5, turn=-30.0, rise=50.0))


def pictured(study, specimen, samples, pins=(), seed=77):
    """A render of a specimen; with pins only about them."""
    scene, only = scene_of(study, specimen), None
    if pins:
        only = np.zeros((HEIGHT, WIDTH), bool)
        for pin in pins:
            rows, columns, _ = covered(replace(pin, radius=pin.radius + 0.02), WIDTH, HEIGHT)
            for dy in range(-3, 4):
                for dx in range(-3, 4):
                    only[np.clip(rows + dy, 0, HEIGHT - 1), np.clip(columns + dx, 0, WIDTH - 1)] = True
    rendering = Rendering(compiled_in(scene, specimen), scene, WIDTH, HEIGHT, seed, only=only)
    rendering.add(samples)
    return rendering.picture()


def photograph_of(hidden, guess, samples=96, booth=BOOTH):
    """A study with a noisy synthetic photograph of a hidden surface, pins on its body and across its highlight, and a
    guess instead of the surface; and its specimen."""
    specimen = Specimen("bracket", surface=Surface(hidden))
    study = Study("photographed", (specimen,), booth)
    rough = pictured(study, specimen, 6) @ [0.2, 0.7, 0.1]
    # The ball stands in the middle third; the lamp's image is its brightest place.
    rough[:, : WIDTH // 3] = rough[:, 2 * WIDTH // 3 :] = rough[HEIGHT // 2 :] = 0.0
    y, x = np.unravel_index(np.argmax(rough), rough.shape)
    x, y = in_view(((x + 0.5) / WIDTH, (y + 0.5) / HEIGHT), WIDTH / HEIGHT)
    pins = (
        Pin("lamp", x - 0.14, y, 0.012, "line", x + 0.16, y, True),
        Pin("body", 0.44, 0.55, form="patch", to_x=0.5, to_y=0.61, counts=True),
        Pin("side", 0.6, 0.45, 0.025, counts=True),
        Pin("not counted", 0.5, 0.5),
    )
    rng = np.random.default_rng(5)
    linear = pictured(study, specimen, samples, pins)
    noisy = linear + rng.normal(size=linear.shape) * np.hypot(0.015 * np.sqrt(np.maximum(linear, 0.0)), 0.002)
    start = replace(
        specimen, surface=specimen.surface.with_values(guess), reference=Reference("images/p.exr", "linear")
    )
    study = study.with_image("images/p.exr", encoded_exr(np.maximum(noisy, 0.0))).with_booth(pins=pins)
    return study.with_specimen_at(0, start), start


def apart(a, b):
    return float(delta_e_2000(*(xyz_to_lab(linear_srgb_to_xyz(np.array(c))) for c in (a, b))))


@pytest.mark.long
def test_roughness_and_body_colour_are_found_in_a_photograph(monkeypatch):
    hidden, guess = {"colour": (0.42, 0.13, 0.06), "roughness": 0.22}, {"colour": (0.3, 0.3, 0.3), "roughness": 0.5}
    monkeypatch.setattr(photographed, "_PATHS", 200_000)
    study, start = photograph_of(hidden, guess)
    evidence = Photographed(study, start)
    found = solve(start.surface, (), ("roughness", "colour"), further=evidence)
    assert found.surface["roughness"] == pytest.approx(hidden["roughness"], abs=0.02)
    assert apart(found.surface["colour"], hidden["colour"]) < 1.5
    assert all(p.within for p in evidence.agreement(found.surface)) and found.chi2_reduced < 2.0
    assert not all(p.within for p in evidence.agreement(start.surface))
    truth = {
        **{f"colour.{c}": v for c, v in zip("rgb", hidden["colour"], strict=True)},
        "roughness": hidden["roughness"],
    }
    assert all(s.sigma and abs(s.value - truth[s.name]) < 3.0 * s.sigma for s in found.solved)


@pytest.mark.long
@pytest.mark.parametrize(("hidden", "guess", "within", "paths"), [
    ({"colour": (0.3, 0.16, 0.08), "roughness": 0.6, "coat.amount": 1.0, "coat.roughness": 0.12},
     {"coat.roughness": 0.35}, {"coat.roughness": 0.03}, 200_000),
    ({"metalness": 1.0, "constants": "titanium", "roughness": 0.25, "film.amount": 1.0, "film.thickness": 60.0,
      "film.ior": 2.3}, {"film.thickness": 110.0}, {"film.thickness": 4.0}, 60_000),
])  # fmt: skip
def test_coats_and_films_are_found_too(hidden, guess, within, paths, monkeypatch):
    monkeypatch.setattr(photographed, "_PATHS", paths)
    study, start = photograph_of(hidden, guess, 48)
    found = solve(start.surface, (), tuple(guess), further=Photographed(study, start))
    for name, most in within.items():
        assert found.surface[name] == pytest.approx(hidden[name], abs=most)


@pytest.mark.long
def test_the_light_of_a_photograph_is_found_too(monkeypatch):
    """Taken under a light turned by 6°, an environment a fifth brighter beside the lamp, and exposed 0.3 stops more."""
    monkeypatch.setattr(photographed, "_PATHS", 100_000)
    hidden, guess = {"colour": (0.42, 0.13, 0.06), "roughness": 0.25}, {"roughness": 0.4}
    booth = replace(BOOTH, environment="window")
    taken_under = replace(booth, turn=6.0, strength=1.2)
    study, start = photograph_of(hidden, guess, 96, taken_under)
    reference = replace(start.reference, exposure=0.3, free_light=("exposure", "azimuth", "strength"))
    start = replace(start, reference=reference)
    study = study.with_booth(turn=0.0, strength=1.0).with_specimen_at(0, start)
    evidence = Photographed(study, start)
    found = solve(start.surface, (), ("roughness",), further=evidence)
    light = {e.name: e for e in found.effects}
    for name, truth in (("exposure", 2.0**0.3), ("azimuth_deg", 6.0), ("strength", 1.2)):
        assert abs(light[name].value - truth) < 3.0 * light[name].sigma, (name, light[name])
        assert light[name].sigma < 0.2 * dict(evidence.effects).get(name, 0.5) or name != "azimuth_deg"
    assert found.surface["roughness"] == pytest.approx(0.25, abs=0.02)
    changed, one = under_found_light(study, start, found.effects)
    assert changed.booth.turn == pytest.approx(light["azimuth_deg"].value)
    assert one.reference.exposure == pytest.approx(0.3 - np.log2(light["exposure"].value))
    assert all(p.within for p in evidence.agreement(found.surface, effects=found.effects))
    # Once booth and photograph are so, nothing is left to find.
    one = replace(one, reference=replace(one.reference, free_light=()), surface=found.surface)
    assert all(p.within for p in Photographed(changed.with_specimen_at(0, one), one).agreement(found.surface))


def test_strength_and_exposure_without_a_lamp_are_not_both_solved(plain):
    study, start = plain
    one = replace(start, reference=replace(start.reference, free_light=("exposure", "strength")))
    assert set(Photographed(study, one).effects) == {"gain", "strength"}
    dark = study.with_booth(key=Lamp())
    with pytest.raises(ValueError, match="say the same where no lamp is on"):
        Photographed(dark, one)


@pytest.fixture(scope="module")
def plain():
    return photograph_of({"colour": (0.3, 0.2, 0.1), "roughness": 0.3}, {"roughness": 0.4}, 8)


def test_the_same_surface_gives_the_same_residuals_and_a_cancel_is_obeyed(plain):
    study, start = plain
    evidence = Photographed(study, start)
    evidence.rough = True
    first = evidence.model(start.surface)
    assert first.size == evidence.points == 24 + 3 + 3 and [p.name for p in evidence.pins] == ["lamp", "body", "side"]
    assert np.array_equal(evidence.model(start.surface), first)
    assert (evidence.sigmas() > 0.0).all() and evidence.values.shape == first.shape
    few = evidence.paths
    evidence.rough = False
    assert evidence.paths > 4 * few
    stop = threading.Event()
    stop.set()
    with pytest.raises(Cancelled):
        evidence.model(start.surface, stop)
    with pytest.raises(Cancelled):
        solve(start.surface, (), ("roughness",), further=evidence, cancel=stop)


def test_the_pins_are_told_of_any_picture(plain):
    study, start = plain
    told = {p.name: p for p in pins_agreement(study, start, pictured(study, start, 24, study.booth.pins))}
    assert set(told) == {"lamp", "body", "side"}
    assert told["lamp"].value > told["lamp"].tolerance and not told["lamp"].within and told["body"].within
    assert pins_agreement(study, replace(start, reference=None), np.zeros((8, 12, 3))) == []


def test_what_cannot_be_counted_is_said(plain, tmp_path):
    study, start = plain
    with pytest.raises(ValueError, match="bracket has no photograph"):
        Photographed(study, replace(start, reference=None))
    with pytest.raises(ValueError, match="no pin counts"):
        Photographed(study.with_booth(pins=study.booth.pins[3:]), start)
    away = (Pin("away", 6.0, 0.5, counts=True),)
    with pytest.raises(ValueError, match="neither cut off nor clipped"):
        Photographed(study.with_booth(pins=away), start)
    # Where an encoded photograph is as bright as it can be, it says nothing.
    linear = np.full((HEIGHT, WIDTH, 3), 0.4)
    linear[: HEIGHT // 2] = 1.0
    write_png(tmp_path / "p.png", encode_srgb(linear))
    study = study.with_image("images/p.png", (tmp_path / "p.png").read_bytes())
    one = replace(start, reference=Reference("images/p.png"))
    assert [p.name for p in Photographed(study, one).pins] == ["body"]
