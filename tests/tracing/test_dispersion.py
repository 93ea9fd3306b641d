"""Dispersion: what each wavelength sees through glass, put together from paths that fork."""

import numpy as np
import pytest

from photometra.surface import Surface
from photometra.surface.compile import compile_surface
from photometra.tracing import Limits, Rendering, Scene, environment_from
from photometra.tracing.lights import Panel
from photometra.tracing.spectral import HEROES

GLASS = {"transmission": 1.0, "ior": 1.62, "abbe": 20.0, "roughness": 0.12}
LIMITS = Limits(reflection=64, transmission=64)


def scene():
    """Bright and dark quarters of a sky and a panel, so that what is bent elsewhere looks different."""
    sky = np.full((16, 32, 3), 0.2)
    sky[:, ::8] = sky[:, 1::8] = 1.5
    return Scene(environment_from(sky), 30.0, panels=(Panel(40.0, 30.0, 300.0, 120.0, 120.0, 6.0),))


def seen_at(nanometres, surface, seed):
    """Mean and standard error by blocks of a picture taken at one wavelength alone."""
    table = np.ones((1024, 4)) / HEROES
    table[:, 0] = (nanometres - 380.0) / 5.0
    pictures = []
    for part in range(4):
        rendering = Rendering(compile_surface(surface), scene(), 64, 64, seed + part, LIMITS, sensor=table)
        rendering.add(48)
        pictures.append(rendering.picture()[..., 1].reshape(8, 8, 8, 8).mean(axis=(1, 3)))
    return np.mean(pictures, axis=0), np.std(pictures, axis=0, ddof=1) / 2.0


@pytest.mark.long
@pytest.mark.parametrize(("nanometres", "another"), [(450.0, 650.0), (650.0, 450.0)])
def test_each_wavelength_sees_what_plain_glass_of_its_index_would_show(nanometres, another):
    """Plain glass has no forks: its four wavelengths go one way."""
    dispersive = Surface(GLASS)
    index, its_index = (float(compile_surface(dispersive).index_at(nm)) for nm in (nanometres, another))
    found, off = seen_at(nanometres, dispersive, 1)
    plain, its_off = seen_at(nanometres, Surface({**GLASS, "abbe": 0.0, "ior": index}), 11)
    deviation = (found - plain) / np.hypot(np.hypot(off, its_off), 1e-3)
    assert np.abs(deviation).max() < 6.0 and np.mean(deviation**2) < 2.5
    # The other's index would be seen: it is no small matter here.
    other, _ = seen_at(nanometres, Surface({**GLASS, "abbe": 0.0, "ior": its_index}), 21)
    assert np.mean(((found - other) / np.hypot(np.hypot(off, its_off), 1e-3)) ** 2) > 5.0


def test_layers_of_what_forks_add_up_to_the_picture():
    rendering = Rendering(compile_surface(Surface(GLASS)), scene(), 48, 48, 1, LIMITS, layered=True)
    rendering.add(4)
    assert sum(rendering.layers().values()) == pytest.approx(rendering.picture(), abs=1e-5)


def test_a_few_samples_have_little_noise_of_colour():
    """Red against green is off by less than brightness is: wavelengths on paths of their own differ more than it."""
    compiled = compile_surface(Surface({**GLASS, "abbe": 60.0}))
    many = Rendering(compiled, scene(), 48, 48, 9, LIMITS)
    many.add(256)
    few = Rendering(compiled, scene(), 48, 48, 1, LIMITS)
    few.add(4)
    off = (few.picture() - many.picture())[8:30, 12:36]
    brightness = off @ [0.2126, 0.7152, 0.0722]
    assert np.std(off[..., 0] - off[..., 1]) < 0.5 * np.std(brightness)
