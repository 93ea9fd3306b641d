"""What a slab lets through, straight on and in all, and what it throws back: transmissometer and sphere.

The beam stands normal to the slab. Faces are as the surface's facets are: rough ones as matrices between the directions
within (`surface.faces`), polished ones, and those under a film or a coat, as mirrors; the two faces' slopes decide how
much of the straight beam still meets the receptor.
"""

import math
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from ..colour import WAVELENGTHS, interpolated
from ..errors import InputError
from ..optics.media import interreflections
from ..optics.slab import Faces, directions, slab_shares
from ..optics.slopes import within_one_face, within_two_faces
from ..surface import facets, rows
from ..surface.faces import is_rough, rough_faces
from ..words import tr
from .integrate import directional_albedo

RECEPTOR_HALF_ANGLE_DEG = 2.5
"""What still counts as straight on (ASTM D1003)."""
_RECEPTOR = math.tan(math.radians(RECEPTOR_HALF_ANGLE_DEG))
DEFAULT_THICKNESS_MM = 10.0


def _on_grid(row, wavelengths):
    return interpolated(WAVELENGTHS, row[: WAVELENGTHS.size], wavelengths)


def _props(compiled, wavelengths):
    """The compiled spectra at wavelengths, as facets read them."""
    return np.ascontiguousarray(interpolated(WAVELENGTHS, compiled.spectra[:, : WAVELENGTHS.size], wavelengths))


def media_of(compiled, wavelengths):
    """[(share of the light let in, absorption, scattering per mm (n,), asymmetry)] of what is inside a surface."""
    scalars, spectra = compiled.scalars, compiled.spectra
    below = scalars[rows.TRANSMISSION]
    clear = below * scalars[rows.CLEAR_SHARE]
    shallow, deep = scalars[rows.SHALLOW_SHARE], scalars[rows.DEEP_SHARE]
    parts = (
        (clear, rows.ABSORPTION, rows.SCATTER, float(scalars[rows.ASYMMETRY])),
        ((below - clear) * (1.0 - shallow - deep), rows.SUB_ABSORPTION, rows.SUB_SCATTER, 0.0),
        ((below - clear) * shallow, rows.SHALLOW_ABSORPTION, rows.SHALLOW_SCATTER, 0.0),
        ((below - clear) * deep, rows.DEEP_ABSORPTION, rows.DEEP_SCATTER, 0.0),
    )
    return [
        (share, _on_grid(spectra[a], wavelengths), _on_grid(spectra[s], wavelengths), g)
        for share, a, s, g in parts
        if share > 1e-9
    ]


def _within_receptor(compiled, within, bend):
    """Share of a beam that meets the receptor: `within` (a function of slope widths) of slopes up to bend (w,)."""
    haze = compiled.scalars[rows.HAZE]

    def share(x, y):
        return within(bend / np.sqrt(compiled.scalars[x] * compiled.scalars[y]))

    return (1.0 - haze) * share(rows.ALPHA_X, rows.ALPHA_Y) + haze * share(rows.HAZE_X, rows.HAZE_Y)


class SlabLight(NamedTuple):
    """Shares of a normal beam, (n,) each: let through straight on (within `RECEPTOR_HALF_ANGLE_DEG`) and in all;
    returned by the first face, by both faces as mirrors, and in all directions, the body's own colour not counted.
    """

    regular: np.ndarray
    total: np.ndarray
    first_face: np.ndarray
    mirrored: np.ndarray
    reflected: np.ndarray


@lru_cache(maxsize=16)
def _slab(compiled, thickness_mm, wavelengths):
    at = np.array(wavelengths)
    props = _props(compiled, at)
    index = props[rows.ETA]
    mu, _ = directions(index)
    within, leaves, entry, enters = np.empty_like(mu), np.empty_like(mu), np.empty(at.size), np.empty(at.size)
    for j in range(at.size):
        entry[j], enters[j] = facets.coated_facet(1.0, rows.FRONT, compiled.scalars, props, j)
        for i in range(mu.shape[1]):
            within[j, i], leaves[j, i] = facets.coated_facet(mu[j, i], rows.INNER, compiled.scalars, props, j)
    rough = is_rough(compiled.scalars)
    faces = rough_faces(compiled.scalars, index) if rough else Faces.polished(entry, within, enters, leaves)
    regular, total = np.zeros(at.size), np.zeros(at.size)
    mirrored, reflected = faces.outside.copy(), faces.outside.copy()
    # Both rough faces move a beam: their slopes are small and independent.
    receptor = _within_receptor(compiled, within_two_faces, _RECEPTOR / np.maximum(index - 1.0, 1e-3))
    back_face, let_out = within[:, -1], leaves[:, -1]
    for share, absorption, scatter, g in media_of(compiled, at):
        once = np.exp(-(absorption + scatter) * thickness_mm)
        echo, straight = interreflections.py_func(enters, back_face, back_face, let_out, once)
        if rough or scatter.max() > 0.0:
            back, through = slab_shares(absorption, scatter, g, thickness_mm, index, faces)
        else:
            back, through = faces.outside + echo, straight
        regular += share * straight * receptor
        total += share * through
        # What the far face mirrors back is spread as what it lets through is.
        mirrored += share * echo * receptor
        reflected += share * (back - faces.outside)
    return SlabLight(regular, total, faces.outside, mirrored, reflected)


def slab(compiled, thickness_mm, wavelengths) -> SlabLight:
    """What a slab does to a normal beam, at wavelengths in nm. A sheet has its own wall instead of thickness_mm."""
    at = tuple(float(w) for w in np.ravel(wavelengths))
    if compiled.scalars[rows.SHEET] > 0.0:
        return _sheet(compiled, at)
    return _slab(compiled, float(thickness_mm) or DEFAULT_THICKNESS_MM, at)


@lru_cache(maxsize=16)
def _sheet(compiled, wavelengths):
    at = np.array(wavelengths)
    reflected, total = (directional_albedo(compiled, 1.0, at, way=way) for way in (1.0, -1.0))
    props = _props(compiled, at)
    faces = np.array([facets.wall_facet(1.0, rows.FRONT, compiled.scalars, props, j) for j in range(at.size)])
    straight = compiled.scalars[rows.TRANSMISSION] * faces[:, 1]
    # A mirror turns light by twice its slope, and the wall's lobe is as much narrower as `THROUGH_WIDTH` says.
    bend = np.full(at.size, 0.5 * _RECEPTOR / compiled.scalars[rows.THROUGH_WIDTH])
    regular = straight * _within_receptor(compiled, within_one_face, bend)
    return SlabLight(regular, total, faces[:, 0], faces[:, 0], reflected)


def transmittance(compiled, wavelengths, thickness_mm=0.0):
    """(regular, total) transmittance, (2, n), of a slab at wavelengths in nm; ValueError for a metal."""
    if compiled.scalars[rows.METALNESS] >= 1.0:
        raise InputError(tr("a transmissometer reads what lets light through; this surface is a metal"))
    light = slab(compiled, thickness_mm, wavelengths)
    return np.stack([light.regular, light.total]) * (1.0 - compiled.scalars[rows.METALNESS])
