"""A surface in a few numbers, as a gloss meter and a sphere spectrophotometer read it."""

import numpy as np

from ..colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_lab
from ..errors import InputError
from ..readings.geometries import INCLUDED
from .shelf import measured

GLOSS_ANGLES = (20, 60, 85)


def colour_and_gloss(surface, constants=None) -> dict[str, float]:
    """gloss20, gloss60, gloss85 in gloss units; L, a, b and Y (%) of di:8 under D65; without what cannot be read."""
    found = {}
    try:
        gloss = measured("glossmeter", surface, constants=constants, places={"angle_deg": GLOSS_ANGLES})
        found |= {f"gloss{a}": v for a, v in zip(GLOSS_ANGLES, gloss.columns["gloss_units"], strict=True)}
    except InputError:
        pass
    try:
        seen = measured("spectrophotometer", surface, INCLUDED, constants)
        xyz = reflectance_to_xyz(WAVELENGTHS, np.interp(WAVELENGTHS, seen.x, seen.stacked()[0][0]))
        found |= dict(zip("Lab", xyz_to_lab(xyz), strict=True)) | {"Y": 100.0 * xyz[1]}
    except InputError:
        pass
    return {k: float(v) for k, v in found.items()}
