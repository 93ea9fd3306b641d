"""What lies over a surface: the coat with its own lobe, and the fibres; how each lets through what lies below."""

import math

from ..optics.fibres import fibre_brdf
from ..optics.fresnel import dielectric_scalar
from ..optics.jit import kernel
from ..optics.microfacet import ggx_d, half_way, smith_lambda
from .rows import (
    ANISOTROPIC,
    BELOW_COAT,
    BODY_LOBE,
    COAT,
    COAT_CURVE,
    COAT_IOR,
    COAT_LOBE,
    COAT_MULTIPLE,
    COAT_OVER_BODY,
    COAT_OVER_FINISH,
    COAT_PASS,
    COAT_PASS_TURN,
    COAT_REFLECTS,
    COAT_TURN,
    COAT_X,
    COAT_Y,
    FINISH_LOBE,
    INNER,
    REVERSE_LOBE,
    SHEEN,
    SHEEN_COLOUR,
    SHEEN_LOBE,
    SHEEN_OVER_BODY,
    SHEEN_OVER_FINISH,
    SHEEN_SPREAD,
    THROUGH_LOBE,
    at_cosine,
    at_direction,
    turn_at,
)


@kernel
def coat_shares(mu_o, side, scalars, curves):
    """Chance of drawing the coat's facets, and its lost lobe; the rest goes to what lies below."""
    if side == INNER or scalars[COAT] <= 0.0:
        return 0.0, 0.0
    facets = scalars[COAT] * at_cosine(curves[COAT_REFLECTS], mu_o)
    lost = scalars[COAT] * scalars[COAT_MULTIPLE] * at_cosine(curves[COAT_CURVE], mu_o)
    total = facets + lost + scalars[BELOW_COAT]
    return facets / total, lost / total


@kernel
def coated(wo, wi, side, density, sheet, scalars, grid, tables, curves, parts):
    """Lay the coat over what is evaluated so far, add its own lobe, and return the density with it.

    A sheet is coated on both sides, so that light through it meets the coat as reflected light does.
    """
    coat = scalars[COAT]
    mu_o = wo[2]
    mu_i = wi[2]
    facets, lost = coat_shares(mu_o, side, scalars, curves)
    density *= 1.0 - facets - lost
    n = parts.shape[1]
    if mu_i < 0.0 and not sheet:
        for j in range(n):
            parts[THROUGH_LOBE, j] *= 1.0 - coat + coat * at_cosine(tables[COAT_PASS, grid[j]], mu_o)
        return density
    mu_i = abs(mu_i)
    more = 1.0
    if scalars[ANISOTROPIC] > 0.0:
        more += turn_at(curves[COAT_PASS_TURN], curves[COAT_PASS_TURN + 1], wo[0], wo[1], mu_o)
        more *= 1.0 + turn_at(curves[COAT_PASS_TURN], curves[COAT_PASS_TURN + 1], wi[0], wi[1], mu_i)
        more = max(0.0, more)
    # A mirror lobe comes up as it went down: the turn must count once, not twice.
    once = math.sqrt(more)
    for j in range(n):
        over = _through_coat(tables[COAT_OVER_FINISH, grid[j]], coat * once, coat, mu_o, mu_i)
        parts[FINISH_LOBE, j] *= over
        parts[THROUGH_LOBE, j] *= over
        over = _through_coat(tables[COAT_OVER_BODY, grid[j]], coat * more, coat, mu_o, mu_i)
        parts[BODY_LOBE, j] *= over
        parts[REVERSE_LOBE, j] *= over
    if wi[2] < 0.0:
        return density
    hx, hy, hz, cos_d = half_way(wo, wi[0], wi[1], mu_i)
    ax = scalars[COAT_X]
    ay = scalars[COAT_Y]
    d = ggx_d(hx, hy, hz, ax, ay) / (4.0 * mu_o)
    lam_o = smith_lambda(wo[0], wo[1], mu_o, ax, ay)
    value = dielectric_scalar(cos_d, scalars[COAT_IOR]) * d / (1.0 + lam_o + smith_lambda(wi[0], wi[1], mu_i, ax, ay))
    anisotropic = scalars[ANISOTROPIC]
    there = at_direction(curves, COAT_CURVE, COAT_TURN, wo[0], wo[1], mu_o, anisotropic)
    value += mu_i * there * at_direction(curves, COAT_CURVE, COAT_TURN, wi[0], wi[1], mu_i, anisotropic)
    for j in range(n):
        parts[COAT_LOBE, j] = coat * value
    return density + facets * d / (1.0 + lam_o) + lost * mu_i / math.pi


@kernel
def _through_coat(weight, turned, coat, mu_o, mu_i):
    """What the coat leaves of light that goes down through it and comes up again; `turned` is the coat by direction."""
    return 1.0 - coat + turned * at_cosine(weight, mu_o) * at_cosine(weight, mu_i)


@kernel
def fibred(wo, wi, sheet, scalars, props, curves, parts):
    """Lay the fibres over what is evaluated so far, and add what they send back themselves."""
    mu_o = wo[2]
    mu_i = wi[2]
    n = parts.shape[1]
    if mu_i < 0.0 and not sheet:
        # Into an interior the light passes the fibres once.
        once = at_cosine(curves[SHEEN_OVER_FINISH], mu_o)
        for j in range(n):
            parts[THROUGH_LOBE, j] *= once * once
        return
    mu = abs(mu_i)
    finish = at_cosine(curves[SHEEN_OVER_FINISH], mu_o) * at_cosine(curves[SHEEN_OVER_FINISH], mu)
    body = at_cosine(curves[SHEEN_OVER_BODY], mu_o) * at_cosine(curves[SHEEN_OVER_BODY], mu)
    for j in range(n):
        parts[COAT_LOBE, j] *= finish
        parts[FINISH_LOBE, j] *= finish
        parts[THROUGH_LOBE, j] *= finish
        parts[BODY_LOBE, j] *= body
        parts[REVERSE_LOBE, j] *= body
    if mu_i > 0.0:
        _, _, hz, _ = half_way(wo, wi[0], wi[1], mu_i)
        value = scalars[SHEEN] * mu_i * fibre_brdf(mu_o, mu_i, hz, scalars[SHEEN_SPREAD])
        for j in range(n):
            parts[SHEEN_LOBE, j] = value * props[SHEEN_COLOUR, j]
