"""Colours in wide spaces: against another library's matrices, and kept where Rec.709 would clip."""

import numpy as np
import PyOpenColorIO as ocio
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra import faults
from photometra.colour import (
    SPACES,
    WAVELENGTHS,
    delta_e_2000,
    linear_srgb_to_xyz,
    reflectance_to_xyz,
    spelled,
    to_xyz,
    xyz_to_lab,
    xyz_to_linear_srgb,
)
from photometra.errors import InputError
from photometra.surface import PARAMETERS
from photometra.surface.spectrum import reflectance_of
from photometra.surface.values import parse

COLOUR = PARAMETERS["colour"]
THEIRS = {"p3": "Linear P3-D65", "rec2020": "Linear Rec.2020", "acescg": "ACEScg", "aces2065-1": "ACES2065-1"}


@pytest.mark.parametrize("space", THEIRS)
def test_the_matrices_are_those_of_another_library(space):
    config = ocio.Config.CreateFromBuiltinConfig("cg-config-v1.0.0_aces-v1.3_ocio-v2.1")
    there = config.getProcessor(THEIRS[space], "Linear Rec.709 (sRGB)").getDefaultCPUProcessor()
    for rgb in np.eye(3):
        assert xyz_to_linear_srgb(to_xyz(space) @ rgb) == pytest.approx(there.applyRGB(list(rgb)), abs=2e-4)


@pytest.mark.parametrize("word", ["ACEScg", "Rec.2020", "bt2020", "Display P3", "linear rec709", "AP1"])
def test_spaces_by_the_names_people_write(word):
    assert spelled(word) in SPACES


@given(st.tuples(*[st.floats(0.02, 0.95)] * 3), st.sampled_from(sorted(THEIRS)[1:]))
def test_a_wide_colour_is_kept_or_said_to_be_none_of_a_reflectance(rgb, space):
    said = []
    faults._remarked.clear()
    faults.listen(said.append)
    value = parse(COLOUR, f"{space} {rgb[0]}, {rgb[1]}, {rgb[2]}")
    faults._listeners.remove(said.append)
    wanted = to_xyz(space) @ np.array(rgb)
    got = linear_srgb_to_xyz(value) if len(value) == 3 else reflectance_to_xyz(WAVELENGTHS, reflectance_of(value))
    off = float(delta_e_2000(xyz_to_lab(got), xyz_to_lab(np.maximum(wanted, 0.0))))
    assert off < 1.001 or any("no reflectance is as saturated" in s for s in said)


def test_what_clipping_would_lose_is_mostly_kept():
    rng = np.random.default_rng(1)
    ours, clipped = [], []
    for _ in range(80):
        rgb = rng.uniform(0.0, 1.0, 3) ** 1.5
        xyz = to_xyz("acescg") @ rgb
        value = parse(COLOUR, "acescg " + " ".join(map(str, rgb)))
        if len(value) == 3:
            continue
        wanted = xyz_to_lab(np.maximum(xyz, 0.0))
        ours.append(delta_e_2000(xyz_to_lab(reflectance_to_xyz(WAVELENGTHS, reflectance_of(value))), wanted))
        inside = linear_srgb_to_xyz(np.clip(xyz_to_linear_srgb(xyz), 0.0, 1.0))
        clipped.append(delta_e_2000(xyz_to_lab(inside), wanted))
    assert len(ours) > 30 and np.median(ours) < 0.3 < 2.0 < np.median(clipped)


@pytest.mark.parametrize("text", ["acescg 0.5, 0.2", "rec2020", "albedo acescg 0.2, 0.2, 0.2", "p3 a, b, c"])
def test_what_is_no_colour_is_refused_in_a_sentence(text):
    with pytest.raises(InputError, match="colour:"):
        parse(COLOUR, text)
