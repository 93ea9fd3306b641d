"""What a thin film does to the colour of a polished surface, by thickness and by angle."""

import numpy as np

from ..colour import WAVELENGTHS, reflectance_of_rgb, reflectance_to_xyz, xyz_to_linear_srgb
from ..optics import cauchy_ior, constants_from_colours, film_reflectance
from ..surface import Surface
from ..surface.compile import body_constants


def film_colours(surface: Surface, thickness_nm, cos_theta=1.0, constants=None):
    """Linear sRGB under D65, (n, 3), of the surface's interface with films of other thicknesses or at other angles.

    thickness_nm and cos_theta broadcast to (n,); film index and body are the surface's own, the film whole.
    constants: the specimen's own, as `constants_reading`.
    """
    thickness, cosine = np.broadcast_arrays(np.atleast_1d(thickness_nm), np.atleast_1d(cos_theta))
    at = (cosine[:, None], WAVELENGTHS, surface["film.ior"], thickness[:, None])
    reflectance = np.zeros((thickness.size, WAVELENGTHS.size))
    m = surface["metalness"]
    body = body_constants(surface, constants)
    if m < 1.0:
        n = body[0] if surface["constants"] else cauchy_ior(WAVELENGTHS, surface["ior"], surface["abbe"])
        reflectance += (1.0 - m) * film_reflectance(*at, n)
    if m > 0.0:
        if not surface["constants"]:
            body = constants_from_colours(
                reflectance_of_rgb(surface["face_colour"]), reflectance_of_rgb(surface["edge_colour"])
            )
        reflectance += m * reflectance_of_rgb(surface["tint"]) * film_reflectance(*at, *body)
    return xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, np.clip(reflectance, 0.0, 1.0)))
