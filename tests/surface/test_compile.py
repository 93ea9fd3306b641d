"""What a surface's colours have nothing to do with is compiled once for all of them, and is each one's own."""

import numpy as np
import pytest

from photometra.surface import Surface
from photometra.surface import compile as compiling
from photometra.surface.compile import compile_surface

RED, BLUE = (0.7, 0.1, 0.05), (0.05, 0.1, 0.6)
SURFACES = {
    "enamel": {"roughness": 0.2},
    "varnished": {"coat.amount": 0.8, "coat.roughness": 0.1, "coat.colour": (0.9, 0.7, 0.4)},
    "canvas": {"thin_walled": True, "reverse.translucency": 0.3, "coat.amount": 1.0},
    "wax": {"subsurface": 0.8, "subsurface.shallow": 0.3, "coat.amount": 0.5},
    "gilded in part": {"metalness": 0.5, "coat.amount": 0.5, "sheen.amount": 0.4},
}


def dyed(surface, colour):
    wanders = "subsurface" in SURFACES[surface]
    names = ("subsurface.colour", "subsurface.shallow_colour") if wanders else ("colour", "reverse.colour")
    return Surface({"ior": 1.5, **SURFACES[surface], **dict.fromkeys(names, colour)})


@pytest.mark.parametrize("name", SURFACES)
def test_a_colour_after_another_is_as_if_it_had_come_first(name):
    compiling._undyed.cache_clear()
    red = compile_surface(dyed(name, RED))
    first = [a.copy() for a in red.arrays]
    blue = compile_surface(dyed(name, BLUE))
    assert compiling._undyed.cache_info().hits == 1
    compiling._undyed.cache_clear()
    for one, other in zip(blue.arrays, compile_surface(dyed(name, BLUE)).arrays, strict=True):
        assert np.array_equal(one, other)
    for one, other in zip(first, red.arrays, strict=True):
        assert np.array_equal(one, other), "the second colour went into the first"
    assert not np.array_equal(red.spectra, blue.spectra)


def test_constants_read_of_the_specimen_count():
    nm = np.array([380.0, 580.0, 780.0])
    metal = Surface({"metalness": 1.0, "constants": "reading"})
    one, other = (compile_surface(metal, (nm, np.full(3, n), np.full(3, 3.0))) for n in (0.5, 1.5))
    assert not np.array_equal(one.spectra, other.spectra)
