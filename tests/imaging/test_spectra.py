"""Spectra of a render, and renders of some pixels only."""

import threading

import numpy as np
import pytest

from photometra.colour import WAVELENGTHS, sensor_matrix
from photometra.imaging.booths import compiled_in, scene_of
from photometra.imaging.spectra import spectrum_at
from photometra.study import Booth, Specimen, Study
from photometra.surface import Surface
from photometra.tracing import Rendering
from photometra.tracing.bands import BANDS_NM, band_films

RED = Surface({"metalness": 0.0, "colour": (0.45, 0.12, 0.06), "roughness": 0.4})


def marked(rows, columns, height=48, width=64):
    only = np.zeros((height, width), bool)
    only[rows, columns] = True
    return only


def test_the_spectrum_of_a_place_has_the_colour_of_the_picture_there():
    specimen, only = Specimen("red", surface=RED), marked(slice(26, 30), slice(28, 32))
    study = Study("spectra", (specimen,), Booth(environment="overcast"))
    nm, radiance = spectrum_at(study, specimen, only, paths=400_000)
    assert (nm[0], nm[-1], nm.size) == (380.0, 780.0, 41)
    scene = scene_of(study, specimen)
    rendering = Rendering(compiled_in(scene, specimen), scene, 64, 48, only=only)
    rendering.add(2048)
    seen = np.interp(WAVELENGTHS, nm, radiance) @ sensor_matrix()
    assert seen == pytest.approx(rendering.picture()[only].mean(axis=0), rel=0.03)
    assert radiance[-1] > 3.0 * radiance[10]
    stop = threading.Event()
    stop.set()
    assert spectrum_at(study, specimen, only, stop) is None


def test_in_a_white_furnace_every_wavelength_is_one():
    specimen = Specimen("chalk", surface=Surface({"colour": (1.0, 1.0, 1.0), "roughness": 0.3}))
    study = Study("furnace", (specimen,), Booth(environment="uniform"))
    _, radiance = spectrum_at(study, specimen, marked(slice(22, 26), slice(30, 34)), paths=80_000)
    assert radiance == pytest.approx(np.ones(41), abs=0.02)


def test_the_films_cover_every_band_once_and_read_one_of_a_flat_spectrum():
    films = band_films()
    assert np.array_equal(np.unique(np.concatenate([b for b, _ in films])), np.arange(BANDS_NM.size))
    for bands, table in films:
        assert 4.0 * table[:, 1:].mean(axis=0) == pytest.approx([1.0, 1.0, 1.0])
        nm = WAVELENGTHS[0] + 5.0 * table[:, 0]
        for c in range(3):
            mine = nm[table[:, 1 + c] > 0.0]
            assert np.abs(mine - BANDS_NM[bands[c]]).max() <= 5.0 + 1e-9


def test_pixels_rendered_alone_are_those_of_the_whole_picture():
    specimen = Specimen("red", surface=RED)
    study = Study("some", (specimen,), Booth(environment="overcast"))
    scene = scene_of(study, specimen)
    compiled = compiled_in(scene, specimen)
    only = np.random.default_rng(3).random((48, 64)) < 0.2
    whole, some = Rendering(compiled, scene, 64, 48), Rendering(compiled, scene, 64, 48, only=only)
    for rendering in (whole, some):
        assert rendering.add(3)
    assert np.array_equal(some.picture()[only], whole.picture()[only])
    assert not some.picture()[~only].any() and 0.0 < some.noise() < np.inf
