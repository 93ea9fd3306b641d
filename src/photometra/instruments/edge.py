"""Edge loss: light that wanders below a surface and leaves beside the area that is looked at.

What is lit and what is looked at are discs about one centre. Light that leaves at a distance r from where it entered is
collected as often as a disc shifted by r still covers the other (Atkins & Billmeyer 1966 name the loss; the overlap of
two circles is elementary); how often it leaves at r tells the scatter probe's kept walks.
"""

import math
from dataclasses import replace
from weakref import WeakKeyDictionary

import numpy as np

from ..colour import WAVELENGTHS
from ..surface import Surface, rows
from ..surface.compile import CompiledSurface, compile_apart
from ..surface.spectrum import reflectance_of
from .scatterprobe import MIDDLES, exitance, face_of
from .transmissometer import media_of


def overlap(radius_a, radius_b, apart):
    """Area that two circles share whose centres are `apart` (array), over that of the smaller: 1 within, 0 beyond."""
    small, large = sorted((radius_a, radius_b))
    d = np.clip(np.asarray(apart, float), large - small + 1e-12, large + small)
    x = np.clip((d * d + small * small - large * large) / (2.0 * d * small), -1.0, 1.0)
    y = np.clip((d * d + large * large - small * small) / (2.0 * d * large), -1.0, 1.0)
    kite = (small + large - d) * (d + small - large) * (d - small + large) * (d + small + large)
    area = small**2 * np.arccos(x) + large**2 * np.arccos(y) - 0.5 * np.sqrt(np.maximum(kite, 0.0))
    return np.where(apart <= large - small, 1.0, area / (math.pi * small * small))


def collected(compiled, wavelengths, illuminated_mm, collected_mm):
    """Share of the light that wanders below and comes back, which is collected, (n,) at wavelengths in nm.

    compiled: with what wanders apart from the body (`compile_surface`); diameters in mm, 0 as the other.
    """
    lit, seen = (0.5 * (d or illuminated_mm or collected_mm) for d in (illuminated_mm, collected_mm))
    face = face_of(compiled)
    caught, whole = np.zeros(np.size(wavelengths)), np.zeros(np.size(wavelengths))
    for share, absorption, scatter, asymmetry in media_of(compiled, wavelengths):
        extinction = np.maximum(absorption + scatter, 1e-9)
        path = np.repeat(1.0 / extinction, MIDDLES.size)
        albedo = np.repeat(scatter / extinction, MIDDLES.size)
        radius = path * np.tile(MIDDLES, extinction.size)
        # Over the logarithm of the radius: dP = 2 pi r exitance dr.
        weight = (exitance(radius, albedo, path, face, asymmetry) * radius**2).reshape(-1, MIDDLES.size)
        caught += share * np.sum(weight * overlap(lit, seen, radius).reshape(weight.shape), axis=1)
        whole += share * np.sum(weight, axis=1)
    return np.where(whole > 0.0, caught / np.maximum(whole, 1e-30), 1.0)


def has_edge(asked, surface: Surface):
    """Whether an instrument's areas and a surface are such that light is lost beside them."""
    return (asked.illuminated_mm > 0.0 or asked.collected_mm > 0.0) and surface.applies("subsurface.radius")


def _wandering(surface):
    """Share of what a body sends back (`Surface.as_measured`) that has wandered below, on `WAVELENGTHS`."""
    share = surface["subsurface"]
    below = sum(part * reflectance_of(colour) for part, colour, _ in surface.subsurface_depths() if part > 0.0)
    whole = (1.0 - share) * reflectance_of(surface["colour"]) + share * below
    return share * below / np.maximum(whole, 1e-9)


_KEPT = WeakKeyDictionary()


def with_edge(compiled: CompiledSurface, surface: Surface, illuminated_mm, collected_mm, constants=None):
    """The compiled surface (as `compile_measured`) as such areas see it: its body sends back what is collected.

    Kept as long as `compiled` is, for readings that follow each other with the same areas.
    """
    kept = _KEPT.setdefault(compiled, {})
    areas = illuminated_mm, collected_mm
    if areas not in kept:
        share = collected(compile_apart(surface, constants), WAVELENGTHS, *areas)
        left = 1.0 - _wandering(surface) * (1.0 - share)
        spectra = compiled.spectra.copy()
        spectra[[rows.BODY, rows.BODY_MULTIPLE]] *= np.append(left, left[-1])
        kept[areas] = replace(compiled, spectra=spectra)
    return kept[areas]
