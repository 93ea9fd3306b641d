"""The picture's white is the instrument's: patches have the colours in the picture that are computed for D65."""

import warnings

import numpy as np
import pytest

from photometra.colour import (
    WAVELENGTHS,
    delta_e_2000,
    light_basis,
    linear_srgb_to_xyz,
    reflectance_to_xyz,
    sensor_matrix,
    xyz_to_lab,
)
from photometra.tracing.spectral import sensor_table

with warnings.catch_warnings():
    warnings.simplefilter("ignore")
    from colour import SDS_COLOURCHECKERS

PATCHES = list(SDS_COLOURCHECKERS["BabelColor Average"].values())


def test_measured_patches_have_their_own_colours_in_the_picture():
    """By the very table from which a path takes its wavelengths and weights, all of its cells in turn."""
    table = sensor_table()
    place, weights = table[:, 0], table[:, 1:]
    differences = []
    for patch in PATCHES:
        nm, values = np.array(patch.wavelengths), np.array(patch.values)
        on_grid = np.interp(WAVELENGTHS, nm, values)
        rgb = 4.0 * (np.interp(place, np.arange(WAVELENGTHS.size), on_grid)[:, None] * weights).mean(axis=0)
        seen, computed = linear_srgb_to_xyz(rgb), reflectance_to_xyz(nm, values)
        differences.append(delta_e_2000(xyz_to_lab(seen), xyz_to_lab(computed)))
    assert len(PATCHES) == 24 and max(differences) < 0.2, (
        f"mean {np.mean(differences):.3f}, most {max(differences):.3f}"
    )


def test_lights_of_three_numbers_come_back_as_the_same_numbers():
    basis = light_basis()
    assert basis.min() >= 0.0 and basis.sum(axis=1) == pytest.approx(np.ones(len(basis)), abs=1e-6)
    assert basis.T @ sensor_matrix() == pytest.approx(np.eye(3), abs=5e-4)
