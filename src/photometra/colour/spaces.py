"""From spectra to XYZ, Lab and linear Rec.709, and chromatic adaptation.

XYZ is scaled so that the perfect diffuser has Y = 1. Arrays carry the three components in the last axis.
"""

import re

import numpy as np

from ..errors import InputError
from ..words import tr
from . import observers
from .observers import weights, white_point

RGB_TO_XYZ = np.array(
    [
        [0.4123907992659595, 0.35758433938387796, 0.1804807884018343],
        [0.21263900587151036, 0.7151686787677559, 0.07219231536073371],
        [0.01933081871559185, 0.11919477979462599, 0.9505321522496606],
    ]
)
"""Linear Rec.709 (and sRGB) to XYZ, from the primaries of ITU-R BT.709 and the white 0.3127, 0.3290."""
XYZ_TO_RGB = np.linalg.inv(RGB_TO_XYZ)

_CAT16 = np.array([[0.401288, 0.650173, -0.051461], [-0.250268, 1.204414, 0.045854], [-0.002079, 0.048952, 0.953127]])


def reflectance_to_xyz(wavelength_nm, reflectance, illuminant="D65", observer="1931-2"):
    """XYZ of a reflectance (or regular transmittance) spectrum; the perfect diffuser has Y = 1.

    wavelength_nm: increasing, shape (n,), n >= 2. reflectance: (..., n), as a fraction. It is
    interpolated linearly onto 360–830 nm by 5 nm; beyond its ends the end values are held.
    illuminant: D65, D50, A, C or E. observer: "1931-2" or "1964-10". Returns (..., 3).
    Raises ValueError for an unknown name or unordered wavelengths. Source: CIE 015:2018, section 7.
    """
    wavelength, reflectance = np.asarray(wavelength_nm, float), np.asarray(reflectance, float)
    if wavelength.ndim != 1 or wavelength.size < 2 or not np.all(np.diff(wavelength) > 0):
        raise InputError(tr("wavelength_nm must be two or more increasing wavelengths"))
    if reflectance.shape[-1] != wavelength.size:
        raise InputError(tr("reflectance needs one value for each wavelength"))
    grid, _ = observers.observer(observer)
    return interpolated(wavelength, reflectance, grid) @ weights(illuminant, observer)


def interpolated(x, values, at):
    """`values` (..., n) given at increasing `x` (n,), taken linearly at `at`; the ends are held."""
    i = np.clip(np.searchsorted(x, at, side="right") - 1, 0, len(x) - 2)
    t = np.clip((at - x[i]) / (x[i + 1] - x[i]), 0.0, 1.0)
    return values[..., i] * (1.0 - t) + values[..., i + 1] * t


_CODE = re.compile(r"^(?:srgb|rgb)\s*[\s(:]\s*(\d+)\s*[,;\s]\s*(\d+)\s*[,;\s]\s*(\d+)\s*\)?$", re.I)


def srgb_code(text):
    """Linear Rec.709 (3,) of an sRGB code as people write it (`#rrggbb`, `#rgb`, `rgb 255 128 0`); None for others."""
    text = str(text).strip()
    if re.fullmatch(r"#(?:[0-9a-fA-F]{3}){1,2}", text):
        digits = text[1:] if len(text) == 7 else "".join(2 * c for c in text[1:])
        return decode_srgb([int(digits[i : i + 2], 16) / 255.0 for i in (0, 2, 4)])
    found = _CODE.match(text)
    if found and all(int(v) <= 255 for v in found.groups()):
        return decode_srgb([int(v) / 255.0 for v in found.groups()])
    return None


def _f(t):
    d = 6.0 / 29.0
    return np.where(t > d**3, np.cbrt(t), t / (3.0 * d * d) + 4.0 / 29.0)


def xyz_to_lab(xyz, illuminant="D65", observer="1931-2"):
    """CIE 1976 L*a*b* of XYZ (Y = 1 for white) against the white of an illuminant; shape (..., 3)."""
    f = _f(np.asarray(xyz, float) / white_point(illuminant, observer))
    return np.stack(
        [116.0 * f[..., 1] - 16.0, 500.0 * (f[..., 0] - f[..., 1]), 200.0 * (f[..., 1] - f[..., 2])], axis=-1
    )


def lab_to_xyz(lab, illuminant="D65", observer="1931-2"):
    """The inverse of `xyz_to_lab`."""
    lab = np.asarray(lab, float)
    fy = (lab[..., 0] + 16.0) / 116.0
    f = np.stack([fy + lab[..., 1] / 500.0, fy, fy - lab[..., 2] / 200.0], axis=-1)
    d = 6.0 / 29.0
    return np.where(f > d, f**3, 3.0 * d * d * (f - 4.0 / 29.0)) * white_point(illuminant, observer)


def xyz_to_linear_srgb(xyz):
    """Linear sRGB (Rec.709 primaries, D65) of XYZ with Y = 1 for white; unclipped, shape (..., 3)."""
    return np.asarray(xyz, float) @ XYZ_TO_RGB.T


def linear_srgb_to_xyz(rgb):
    """The inverse of `xyz_to_linear_srgb`."""
    return np.asarray(rgb, float) @ RGB_TO_XYZ.T


def encode_srgb(linear):
    """IEC 61966-2-1 encoding of linear values, odd in sign, unclipped."""
    x = np.asarray(linear, float)
    a = np.abs(x)
    return np.sign(x) * np.where(a <= 0.0031308, 12.92 * a, 1.055 * np.maximum(a, 1e-12) ** (1 / 2.4) - 0.055)


def decode_srgb(encoded):
    """The inverse of `encode_srgb`."""
    x = np.asarray(encoded, float)
    a = np.abs(x)
    return np.sign(x) * np.where(a <= 0.04045, a / 12.92, ((a + 0.055) / 1.055) ** 2.4)


def adaptation(from_white, to_white):
    """The 3×3 matrix that adapts XYZ from one white to another, fully, in CAT16 (Li et al. 2017)."""
    gain = (_CAT16 @ np.asarray(to_white, float)) / (_CAT16 @ np.asarray(from_white, float))
    return np.linalg.inv(_CAT16) @ (gain[:, None] * _CAT16)
