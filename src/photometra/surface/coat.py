"""The coat's arrays: what it reflects itself, and how it lets through what lies below.

Below a coat every facet has the coat's index above it and meets light bent by it (`lobes`). Two symmetric weights,
one for the mirror lobes and one for the body, let in just what the coat passes on, so that white below stays white.
What the coat throws back down meets the base again: as each round loses what the base absorbs, dark and coloured bases
get darker and more saturated (after Saunderson 1942, as in OpenPBR 1.1).
"""

import numpy as np

from ..colour import reflectance_of_rgb
from ..optics.fresnel import fresnel_dielectric
from . import lobes
from .albedo import FACETS, MU, body_weight, facet_shares, finish_weight, hemispherical, landing, lost_lobe
from .split import split_of

_DARKEST = 1e-4
_LEAST_BELOW = 0.05
"""However dark the base, this share of the draws goes there."""


def compile_coat(surface, smoothest_alpha, scalars, curves):
    """Fill in the coat's own lobe; returns what it passes on by cosine, (COSINES,), or None where there is no coat."""
    amount, ior = surface["coat.amount"], surface["coat.ior"]
    if amount <= 0.0 or ior <= 1.0 + 1e-6:
        return None
    alpha = max(surface["coat.roughness"] ** 2, smoothest_alpha)
    scalars[lobes.COAT], scalars[lobes.COAT_ALPHA], scalars[lobes.COAT_IOR] = amount, alpha, ior
    sides = []
    for relative in (ior, 1.0 / ior):
        f = fresnel_dielectric(FACETS, relative)
        reflected, passed = facet_shares(alpha, relative)
        sides.append(((reflected @ f)[None], (passed @ (1.0 - f))[None]))
    parts = split_of(*sides[0], *sides[1], np.array([ior]))
    curve = (parts.lost_out * np.sqrt(1.0 - parts.out_through)[:, None])[0]
    curves[lobes.COAT_CURVE] = curve
    curves[lobes.COAT_REFLECTS] = sides[0][0][0]
    scalars[lobes.COAT_LOST] = np.pi * hemispherical(curve)
    return parts.passed[0]


def cover(surface, passed, albedo, scalars, tables):
    """Fill in how the coat lets through what lies below, whose hemispherical albedo by wavelength is `albedo`."""
    ior = scalars[lobes.COAT_IOR]
    alpha, alpha_haze, haze = (scalars[row] for row in (lobes.ALPHA, lobes.ALPHA_HAZE, lobes.HAZE))
    landed = landing(alpha)
    if haze > 0.0:
        landed = (1.0 - haze) * landed + haze * landing(alpha_haze)
    over_finish = finish_weight(passed, landed, *lost_lobe(1.0 - landed.sum(axis=1)))
    over_body = body_weight(passed[None], surface["diffuse_roughness"])[0]
    white = np.maximum(reflectance_of_rgb(surface["coat.colour"]), _DARKEST)
    bent = np.sqrt(1.0 - (1.0 - MU**2) / ior**2)
    once = white[:, None] ** (0.5 / bent)
    # Light from a mirror base comes up within the way out; from a body it fills all angles, and most are thrown back.
    let_out = hemispherical(passed)
    scalars[lobes.BELOW_COAT] = max(_LEAST_BELOW, let_out * float(albedo.mean()))
    back_mirror, back_even = 1.0 - let_out, 1.0 - let_out / ior**2
    back_finish = back_mirror + (back_even - back_mirror) * surface["roughness"]
    tables[lobes.COAT_OVER_FINISH] = over_finish * once * np.sqrt(_darkened(albedo, back_finish))[:, None]
    tables[lobes.COAT_OVER_BODY] = over_body * once * np.sqrt(_darkened(albedo, back_even))[:, None]
    tables[lobes.COAT_PASS] = passed * once * _darkened(albedo, back_even)[:, None]


def _darkened(albedo, back):
    """How much less a base gives than a white one would, where `back` of its light is thrown back to it."""
    return (1.0 - back) / (1.0 - back * albedo)
