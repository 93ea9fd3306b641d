"""What a clear interior lets through by its thickness, and light that meets its surface from within."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.colour import reflectance_of_rgb, reflectance_to_xyz
from photometra.colour.observers import WAVELENGTHS
from photometra.instruments import depth_colours, inner_split
from photometra.surface import Surface
from photometra.surface.compile import compile_surface

RUBY = Surface({"transmission": 1.0, "interior.colour": (0.6, 0.03, 0.04), "interior.depth": 4.0, "ior": 1.5})


def test_a_slab_follows_the_closed_form_with_both_faces():
    thickness = np.array([0.5, 4.0, 12.0])
    _, luminous = depth_colours(RUBY, thickness)
    r = (0.5 / 2.5) ** 2
    for t, found in zip(thickness, luminous, strict=True):
        once = reflectance_of_rgb((0.6, 0.03, 0.04)) ** (t / 4.0)
        expected = (1.0 - r) ** 2 * once / (1.0 - r * r * once**2)
        assert found == pytest.approx(reflectance_to_xyz(WAVELENGTHS, expected)[1], rel=1e-6)


def test_colours_deepen_and_a_metal_has_none():
    colours, luminous = depth_colours(RUBY, np.geomspace(0.1, 100.0, 12))
    assert np.all(np.diff(luminous) < 0.0)
    saturation = colours[:, 0] / np.maximum(colours[:, 1], 1e-9)
    assert saturation[0] < 1.3 and saturation[7] > 10.0
    with pytest.raises(ValueError, match="lets nothing through"):
        depth_colours(Surface({"metalness": 1.0}), [1.0])


@given(st.floats(1.05, 2.5), st.floats(0.0, 88.0))
def test_from_within_snell_and_fresnel_hold_and_beyond_the_critical_angle_all_is_thrown_back(ior, angle):
    compiled = compile_surface(Surface({"transmission": 1.0, "roughness": 0.0, "ior": ior}))
    inner = inner_split(compiled, angle)
    critical = np.degrees(np.arcsin(1.0 / ior))
    assert inner.critical_deg == pytest.approx(critical, abs=1e-3)
    assert inner.returned.share + inner.leaves.share == pytest.approx(1.0, abs=1e-6)
    if angle > critical + 0.5:
        assert inner.leaves_deg is None and inner.returned.share == pytest.approx(1.0, abs=5e-3)
    elif angle < critical - 2.0:
        assert np.sin(np.radians(inner.leaves_deg)) == pytest.approx(ior * np.sin(np.radians(angle)), abs=1e-6)
        assert inner.returned.share < 0.9
