"""The tracer against adding and doubling: a thin wide slab seen through."""

import pytest

from photometra.instruments import measured
from photometra.shapes.standing import shape_of
from photometra.surface import Surface
from photometra.surface.compile import compile_surface
from photometra.tracing import Camera, Rendering, Scene, uniform_environment


@pytest.mark.parametrize("absorption", [0.0, 0.05])
def test_a_block_that_keeps_its_light_is_as_bright_as_the_sky(absorption):
    """In an even sky a lossless block cannot be seen; one that absorbs is darker, and never brighter."""
    milk = Surface({
        "transmission": 1.0, "roughness": 0.0, "ior": 1.4, "interior.scatter": (0.4,) * 3,
        "interior.absorption": (absorption,) * 3,
    })  # fmt: skip
    scene = Scene(
        uniform_environment(), radius=20.0, stage=False, camera=Camera(rise=0.0), shape=shape_of("steps", 20.0)
    )
    picture = Rendering(compile_surface(milk), scene, 32, 32)
    assert picture.add(96)
    middle = picture.picture()[12:20, 8:24].mean()
    if absorption == 0.0:
        assert middle == pytest.approx(1.0, abs=0.01)
    else:
        # Both sides give what the sphere and the transmissometer read of some thickness of it.
        bright = [
            (measured("transmissometer", milk, thickness_mm=t).columns["total"].mean()
             + measured("spectrophotometer", milk, thickness_mm=t).columns["reflectance"].mean())
            for t in (1.0, 16.0)
        ]  # fmt: skip
        assert min(bright) - 0.05 < middle < max(bright) + 0.05
