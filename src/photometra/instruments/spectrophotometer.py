"""Spectral reflectance factor as an integrating sphere or a 45:0 head reads it (CIE 015:2018, section 5)."""

import math
from functools import lru_cache

import numpy as np

from ..colour import reflectance_to_xyz, xyz_to_lab
from ..errors import InputError
from ..optics.quadrature import gauss
from ..readings.geometries import MULTI_ANGLE, THROUGH
from ..surface import rows
from ..words import tr
from .goniophotometer import direction_at
from .integrate import brdf, directional_albedo, flux_into_aperture
from .transmissometer import slab, transmittance

BEAM_DEG = 8.0
TRAP_HALF_ANGLE_DEG = 5.0
"""Half angle of the gloss trap that `de:8` opens about the mirror direction, seen from the sample."""
_RING_DEG, _CONE_DEG = (40.0, 50.0), 5.0
_LIT_DEG, _RECEPTOR_DEG = 45.0, 4.0
"""Where a multi-angle head lights from, and how wide its light and its receptor are, each about the other."""
WAVELENGTHS_NM = np.arange(380.0, 781.0, 10.0)
"""Where the instrument reads unless it is told otherwise."""


def spectral_reflectance(compiled, wavelengths, geometry="di:8", thickness_mm=0.0):
    """Reflectance factor (n,) at wavelengths in nm.

    di:8 and de:8: diffuse light, viewed at 8 degrees, with the specular part in or out; by reciprocity the share
    of a beam at 8 degrees that is sent anywhere, or anywhere but into the gloss trap. 45:0: lit from a ring at
    45 degrees, viewed along the normal, against the perfect diffuser. 45as15 and so on: lit at 45 degrees, viewed so
    far from the mirror direction, counted towards the light (ASTM E2194). A clear body shows its front face alone,
    unless it is a slab of thickness_mm, over a black trap.
    """
    beam = math.radians(BEAM_DEG)
    if geometry == "45:0":
        return _ring_and_cone(compiled, wavelengths) + _from_within(compiled, wavelengths, thickness_mm, False)
    if geometry in MULTI_ANGLE:
        aspecular = float(geometry.removeprefix("45as"))
        return _lit_aslant(compiled, wavelengths, aspecular) + _from_within(compiled, wavelengths, thickness_mm, False)
    if geometry not in ("di:8", "de:8"):
        raise InputError(
            tr("a spectrophotometer has no geometry '{0}': choose from di:8, de:8, 45:0, 45as15 …", geometry)
        )
    total = _sent_anywhere(compiled, tuple(float(w) for w in np.ravel(wavelengths)))
    if geometry == "de:8":
        half = math.radians(TRAP_HALF_ANGLE_DEG)
        total = total - flux_into_aperture(compiled, beam, (half, half), wavelengths, is_round=True)
    return np.maximum(total + _from_within(compiled, wavelengths, thickness_mm, geometry == "di:8"), 0.0)


def _from_within(compiled, wavelengths, thickness_mm, is_mirror_in):
    """What comes back out of a clear slab, from what scatters in it and, with the mirror part in, from its far face."""
    if thickness_mm <= 0.0 or compiled.scalars[rows.TRANSMISSION] <= 0.0 or compiled.scalars[rows.SHEET] > 0.0:
        return 0.0
    light = slab(compiled, thickness_mm, wavelengths)
    known = light.first_face if is_mirror_in else light.mirrored
    return (1.0 - compiled.scalars[rows.METALNESS]) * np.maximum(light.reflected - known, 0.0)


def colour_read(
    compiled, illuminant="D65", observer="1931-2", geometry="di:8", thickness_mm=0.0, opacity=1.0
):  # fmt: skip
    """L*, a*, b* (3,) of a surface as a spectrum gives it: of the light sent back, or (0:di) let through.

    Where the surface is open there is a black trap behind it, or the light itself.
    """
    if geometry == THROUGH:
        spectrum = 1.0 - opacity + opacity * transmittance(compiled, WAVELENGTHS_NM, thickness_mm)[1]
    else:
        spectrum = opacity * spectral_reflectance(compiled, WAVELENGTHS_NM, geometry, thickness_mm)
    return xyz_to_lab(reflectance_to_xyz(WAVELENGTHS_NM, spectrum, illuminant, observer), illuminant, observer)


@lru_cache(maxsize=16)
def _sent_anywhere(compiled, wavelengths):
    """Share of the beam that is sent anywhere; kept, as studies often have readings with the mirror part in and out."""
    total = directional_albedo(compiled, math.cos(math.radians(BEAM_DEG)), np.array(wavelengths))
    total.flags.writeable = False
    return total


def _lit_aslant(compiled, wavelengths, aspecular_deg):
    """Mean of pi times the BRDF in the plane of incidence, over the receptor."""
    x, w = gauss(3)
    offsets = _RECEPTOR_DEG * (x - 0.5)
    seen = np.array([direction_at(_LIT_DEG - aspecular_deg + a, b) for a in offsets for b in offsets])
    return math.pi * (np.outer(w, w).ravel() @ brdf(compiled, direction_at(-_LIT_DEG), seen, wavelengths))


def _ring_and_cone(compiled, wavelengths):
    """Mean of pi times the BRDF, lit from the ring, viewed within the cone; each solid angle cosine weighed."""
    total, norm = np.zeros(np.size(wavelengths)), 0.0
    inner, outer = (math.sin(math.radians(d)) ** 2 for d in _RING_DEG)
    turns = (np.arange(16) + 0.5) * math.pi / 16
    for u, wu in zip(*gauss(4), strict=True):
        s = math.sqrt(inner + (outer - inner) * u)
        ring = np.column_stack([s * np.cos(turns), s * np.sin(turns), np.full(16, math.sqrt(1 - s * s))])
        for v, wv in zip(*gauss(3), strict=True):
            t = math.sqrt(v) * math.sin(math.radians(_CONE_DEG))
            f = brdf(compiled, (t, 0.0, math.sqrt(1 - t * t)), ring, wavelengths).mean(axis=0)
            total += wu * wv * f
            norm += wu * wv
    return math.pi * total / norm
