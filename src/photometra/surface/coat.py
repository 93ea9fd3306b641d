"""The coat's arrays: what it reflects itself, and how it lets through what lies below.

Below a coat every facet has the coat's index above it and meets light bent by it (`lobes`). Two symmetric weights,
one for the mirror lobes and one for the body, let in just what the coat passes on, so that white below stays white.
What the coat throws back down meets the base again: as each round loses what the base absorbs, dark and coloured bases
get darker and more saturated (after Saunderson 1942, as in OpenPBR 1.1).
"""

import numpy as np

from ..optics.fresnel import fresnel_dielectric
from . import rows
from .albedo import (
    FACETS,
    MU,
    body_weight,
    facet_shares,
    finish_weight,
    hemispherical,
    landed_of,
    lost_turn,
    multiple_scattering_lobe,
)
from .spectrum import reflectance_of
from .split import split_of

_DARKEST = 1e-4
COLOUR_UM = 50.0
"""The thickness at which a coat has its colour."""
_LEAST_BELOW = 0.05
"""However dark the base, this share of the draws goes there."""


def compile_coat(surface, widths, scalars, curves):
    """Fill in the coat's own lobe; returns what it passes on by cosine, (COSINES,), or None where there is no coat.

    widths: the slope widths of the coat's face, across the strokes and along them.
    """
    amount, ior = surface["coat.amount"], surface["coat.ior"]
    if amount <= 0.0 or ior <= 1.0 + 1e-6:
        return None
    scalars[rows.COAT], scalars[rows.COAT_IOR] = amount, ior
    scalars[rows.COAT_X], scalars[rows.COAT_Y] = widths
    sides, turn = [], None
    for relative in (ior, 1.0 / ior):
        f = fresnel_dielectric(FACETS, relative)
        shares = facet_shares(*widths, relative)
        sides.append(tuple(part[None] for part in shares.split(f)))
        turns = shares.split_turn(f)
        if turn is None and turns is not None:
            passed_turn = turns[1]
            turn = -turns[0] - turns[1]
    parts = split_of(*sides[0], *sides[1], np.array([ior]))
    curve = (parts.lost_out * np.sqrt(1.0 - parts.out_through)[:, None])[0]
    curves[rows.COAT_CURVE] = curve
    if turn is not None:
        back = np.sqrt(1.0 - parts.out_through[0])
        curves[rows.COAT_TURN : rows.COAT_TURN + 2] = back * lost_turn(turn, parts.mean_out[0])
        passes = passed_turn + parts.out_through[0] * turn
        curves[rows.COAT_PASS_TURN : rows.COAT_PASS_TURN + 2] = passes / np.maximum(parts.passed[0], 1e-9)
    curves[rows.COAT_REFLECTS] = sides[0][0][0]
    scalars[rows.COAT_MULTIPLE] = np.pi * hemispherical(curve)
    return parts.passed[0]


def cover(surface, passed, albedo, scalars, tables):
    """Fill in how the coat lets through what lies below, whose hemispherical albedo by wavelength is `albedo`."""
    ior = scalars[rows.COAT_IOR]
    landed = landed_of(scalars)
    over_finish = finish_weight(passed, landed, *multiple_scattering_lobe(1.0 - landed.sum(axis=1)))
    over_body = body_weight(passed[None], surface["diffuse_roughness"])[0]
    white = np.maximum(reflectance_of(surface["coat.colour"]), _DARKEST) ** (surface["coat.thickness"] / COLOUR_UM)
    bent = np.sqrt(1.0 - (1.0 - MU**2) / ior**2)
    once = white[:, None] ** (0.5 / bent)
    # Light from a mirror base comes up within the way out; from a body it fills all angles, and most are thrown back.
    let_out = hemispherical(passed)
    scalars[rows.BELOW_COAT] = max(_LEAST_BELOW, let_out * float(albedo.mean()))
    back_mirror, back_even = 1.0 - let_out, 1.0 - let_out / ior**2
    back_finish = back_mirror + (back_even - back_mirror) * surface["roughness"]
    tables[rows.COAT_OVER_FINISH] = over_finish * once * np.sqrt(_darkened(albedo, back_finish))[:, None]
    tables[rows.COAT_OVER_BODY] = over_body * once * np.sqrt(_darkened(albedo, back_even))[:, None]
    tables[rows.COAT_PASS] = passed * once * _darkened(albedo, back_even)[:, None]


def _darkened(albedo, back):
    """How much less a base gives than a white one would, where `back` of its light is thrown back to it."""
    return (1.0 - back) / (1.0 - back * albedo)
