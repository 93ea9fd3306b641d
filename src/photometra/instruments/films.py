"""What a thin film does to the colour of a polished surface, by thickness and by angle."""

import numpy as np

from ..colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_linear_srgb
from ..surface import Surface, facets, rows
from ..surface.compile import compile_surface


def film_colours(surface: Surface, thickness_nm, cos_theta=1.0, constants=None):
    """Linear sRGB under D65, (n, 3), of the surface's facets with films of other thicknesses or at other angles.

    thickness_nm and cos_theta broadcast to (n,); film index and body are the surface's own, the film whole.
    constants: the specimen's own, as `constants_reading`.
    """
    thickness, cosine = np.broadcast_arrays(np.atleast_1d(thickness_nm), np.atleast_1d(cos_theta))
    filmed = surface.with_values({"film.amount": 1.0, "film.thickness": 1.0})
    scalars, spectra, _, _ = compile_surface(filmed, constants).arrays
    scalars, props = scalars.copy(), np.ascontiguousarray(spectra[:, :-1])
    reflectance = np.empty((thickness.size, WAVELENGTHS.size))
    for t, c, row in zip(thickness, cosine, reflectance, strict=True):
        scalars[rows.FILM_THICKNESS] = t
        facets.interface_reflectance(float(c), rows.FRONT, scalars, props, row)
    return xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, np.clip(reflectance, 0.0, 1.0)))
