"""What a clear interior lets through, by its thickness."""

import numpy as np

from ..colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_linear_srgb
from ..errors import InputError
from ..surface import Surface, rows
from ..surface.compile import compile_surface
from ..surface.facets import wall_facet
from ..words import tr


def depth_colours(surface: Surface, thickness_mm, constants=None):
    """(linear sRGB under D65, luminous transmittance), (n, 3) and (n,), of polished slabs of the surface's interior.

    thickness_mm: (n,). Light goes straight through, both faces counted; scattering is not. constants: the specimen's
    own, as `constants_reading`. ValueError where the surface is a metal.
    """
    if surface["metalness"] >= 1.0:
        raise InputError(tr("a metal lets nothing through"))
    slab = surface.with_values({"transmission": 1.0, "thin_walled": True})
    compiled = compile_surface(slab, constants)
    scalars, props = compiled.scalars.copy(), np.ascontiguousarray(compiled.spectra[:, :-1])
    passed = np.empty((len(thickness_mm), WAVELENGTHS.size))
    for t, row in zip(thickness_mm, passed, strict=True):
        scalars[rows.WALL] = t
        for j in range(WAVELENGTHS.size):
            row[j] = wall_facet(1.0, rows.FRONT, scalars, props, j)[1]
    xyz = reflectance_to_xyz(WAVELENGTHS, passed)
    return xyz_to_linear_srgb(xyz), xyz[:, 1]
