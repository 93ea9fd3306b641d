"""Observers, illuminants, colour spaces, differences, and the uplift from RGB to spectra."""

from .difference import delta_e_2000
from .gamuts import SPACES, spelled, to_xyz
from .observers import ILLUMINANTS, OBSERVERS, WAVELENGTHS, grid_weights, observer, white_point
from .spaces import (
    adaptation,
    decode_srgb,
    encode_srgb,
    interpolated,
    lab_to_xyz,
    linear_srgb_to_xyz,
    reflectance_to_xyz,
    srgb_code,
    xyz_to_lab,
    xyz_to_linear_srgb,
)
from .uplift import coefficients_of_rgb, light_basis, reflectance_of_rgb, reflectance_of_xyz, sensor_matrix

__all__ = [
    "ILLUMINANTS",
    "OBSERVERS",
    "SPACES",
    "WAVELENGTHS",
    "adaptation",
    "coefficients_of_rgb",
    "decode_srgb",
    "delta_e_2000",
    "encode_srgb",
    "grid_weights",
    "interpolated",
    "lab_to_xyz",
    "light_basis",
    "linear_srgb_to_xyz",
    "observer",
    "reflectance_of_rgb",
    "reflectance_of_xyz",
    "reflectance_to_xyz",
    "sensor_matrix",
    "spelled",
    "srgb_code",
    "to_xyz",
    "white_point",
    "xyz_to_lab",
    "xyz_to_linear_srgb",
]
