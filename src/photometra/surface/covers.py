"""What lies over a surface: the coat with its own lobe, and the fibres; how each lets through what lies below."""

import math

from ..optics.fibres import fibre_brdf
from ..optics.fresnel import dielectric_scalar
from ..optics.jit import kernel, leaf
from ..optics.microfacet import ggx_d, half_way, smith_lambda
from .buried import blur, drawn_blur, widened
from .facets import interface_reflectance
from .rows import (
    ALPHA_X,
    ALPHA_Y,
    ANISOTROPIC,
    BELOW_COAT,
    BODY_LOBE,
    COAT,
    COAT_BODY,
    COAT_CURVE,
    COAT_FINISH,
    COAT_IOR,
    COAT_LOBE,
    COAT_MULTIPLE,
    COAT_PASS,
    COAT_PASS_TURN,
    COAT_REFLECTS,
    COAT_REST,
    COAT_TURN,
    COAT_X,
    COAT_Y,
    FINISH_LOBE,
    HAZE,
    HAZE_X,
    HAZE_Y,
    INNER,
    REVERSE_LOBE,
    SHEEN,
    SHEEN_COLOUR,
    SHEEN_LOBE,
    SHEEN_MORE,
    SHEEN_OVER_BODY,
    SHEEN_OVER_FINISH,
    SHEEN_SPREAD,
    THROUGH_LOBE,
    TRANSMISSION,
    UNDER,
    at_cosine,
    at_direction,
    facet_chances,
    turn_at,
)


@leaf
def coat_shares(mu_o, side, scalars, curves):
    """Chance of drawing the coat's facets, and its lost lobe; the rest goes to what lies below."""
    if side == INNER or scalars[COAT] <= 0.0:
        return 0.0, 0.0
    facets = scalars[COAT] * at_cosine(curves[COAT_REFLECTS], mu_o)
    lost = scalars[COAT] * scalars[COAT_MULTIPLE] * at_cosine(curves[COAT_CURVE], mu_o)
    total = facets + lost + scalars[BELOW_COAT]
    return facets / total, lost / total


@kernel
def bent_share(mu_o, side, scalars, curves):
    """Of the draws of a facet, the share that is drawn as seen through the coat; the rest is drawn bare."""
    if side == INNER or scalars[COAT] <= 0.0:
        return 0.0
    if scalars[TRANSMISSION] <= 0.0:
        return scalars[COAT]
    # What goes on below is drawn bare.
    mean, passed = facet_chances(curves, side, mu_o)
    return scalars[COAT] * mean / (mean + passed) if mean + passed > 0.0 else 0.0


@leaf
def under_coat(x, y, z, ior):
    """A direction outside, bent into the coat."""
    x /= ior
    y /= ior
    return x, y, math.copysign(math.sqrt(max(0.0, 1.0 - x * x - y * y)), z)


@leaf
def below_widths(lobe, blurred, scalars):
    """(share, slope width across the strokes, along them) of the finish (0) or its haze (1), seen through the coat.

    blurred: the `blur` of the way down and up.
    """
    haze = scalars[HAZE]
    x = scalars[HAZE_X] if lobe == 1 else scalars[ALPHA_X]
    y = scalars[HAZE_Y] if lobe == 1 else scalars[ALPHA_Y]
    x = widened(x, blurred * scalars[COAT_X], scalars[COAT_X])
    y = widened(y, blurred * scalars[COAT_Y], scalars[COAT_Y]) if scalars[ANISOTROPIC] > 0.0 else x
    return haze if lobe == 1 else 1.0 - haze, x, y


@kernel
def _bent_facets(wo, wi, scalars, curves):
    """(value, density, cosine at the facet) of the finish and its haze through the coat, before Fresnel and weights.

    Directions are bent inside; solid angles outside are larger by n² μ′ / μ.
    """
    ior = scalars[COAT_IOR]
    ox, oy, oz = under_coat(wo[0], wo[1], wo[2], ior)
    ix, iy, iz = under_coat(wi[0], wi[1], wi[2], ior)
    hx = ox + ix
    hy = oy + iy
    hz = oz + iz
    inv = 1.0 / math.sqrt(hx * hx + hy * hy + hz * hz)
    hx *= inv
    hy *= inv
    hz *= inv
    value = 0.0
    density = 0.0
    both = blur(curves, wo[2], wi[2])
    drawn = drawn_blur(curves, wo[2])
    for lobe in range(2):
        share, ax, ay = below_widths(lobe, both, scalars)
        if share <= 0.0:
            continue
        d = share * ggx_d(hx, hy, hz, ax, ay) / (4.0 * oz)
        value += d / (1.0 + smith_lambda(ox, oy, oz, ax, ay) + smith_lambda(ix, iy, iz, ax, ay))
        _, ax, ay = below_widths(lobe, drawn, scalars)
        d = share * ggx_d(hx, hy, hz, ax, ay) / (4.0 * oz)
        density += d / (1.0 + smith_lambda(ox, oy, oz, ax, ay))
    wider = wi[2] / (ior * ior * iz)
    return value * wider, density * wider, min(1.0, ox * hx + oy * hy + oz * hz)


@kernel
def coated(wo, wi, side, density, facets_drawn, sheet, scalars, props, grid, tables, curves, parts):
    """Mix what is evaluated so far, the bare surface, with the coated one, and return the density with it.

    facets_drawn: the chance of a facet as seen through the coat, of what lies below. A sheet is coated on both sides.
    """
    coat = scalars[COAT]
    mu_o = wo[2]
    mu_i = wi[2]
    facets, lost = coat_shares(mu_o, side, scalars, curves)
    below = 1.0 - facets - lost
    density *= below
    n = parts.shape[1]
    if mu_i < 0.0:
        for j in range(n):
            let = at_cosine(tables[COAT_PASS, grid[j]], mu_o)
            if sheet:
                let *= at_cosine(tables[COAT_PASS, grid[j]], -mu_i)
            parts[THROUGH_LOBE, j] *= 1.0 - coat + coat * let
            parts[REVERSE_LOBE, j] *= 1.0 - coat + coat * let
        return density
    more = 1.0
    if scalars[ANISOTROPIC] > 0.0:
        more += turn_at(curves[COAT_PASS_TURN], curves[COAT_PASS_TURN + 1], wo[0], wo[1], mu_o)
        more *= 1.0 + turn_at(curves[COAT_PASS_TURN], curves[COAT_PASS_TURN + 1], wi[0], wi[1], mu_i)
        more = max(0.0, more)
    # A mirror lobe comes up as it went down: the turn must count once, not twice.
    once = math.sqrt(more)
    value, drawn, cos_d = _bent_facets(wo, wi, scalars, curves)
    density += below * facets_drawn * drawn
    interface_reflectance(cos_d, UNDER, scalars, props, parts[COAT_LOBE])
    for j in range(n):
        g = grid[j]
        lobe = at_cosine(tables[COAT_FINISH, g], mu_o) * at_cosine(tables[COAT_FINISH, g], mu_i) * value
        rest = at_cosine(tables[COAT_REST, g], mu_o) * at_cosine(tables[COAT_REST, g], mu_i) * mu_i
        body = at_cosine(tables[COAT_BODY, g], mu_o) * at_cosine(tables[COAT_BODY, g], mu_i)
        parts[FINISH_LOBE, j] *= 1.0 - coat
        parts[FINISH_LOBE, j] += coat * (once * lobe * parts[COAT_LOBE, j] + more * rest)
        parts[BODY_LOBE, j] *= 1.0 - coat + coat * more * body
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
def coated_from_within(wi, sheen, scalars, grid, tables, curves, parts):
    """Have the coat and the fibres take of what leaves a clear body what they take of what enters by the same way."""
    mu = -wi[2]
    coat = scalars[COAT]
    once = at_cosine(curves[SHEEN_OVER_FINISH], mu) if sheen else 1.0
    for j in range(parts.shape[1]):
        let = at_cosine(tables[COAT_PASS, grid[j]], mu) if coat > 0.0 else 1.0
        parts[THROUGH_LOBE, j] *= (1.0 - coat + coat * let) * once * once


@kernel
def fibred(wo, wi, sheet, scalars, props, grid, tables, curves, parts):
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
            g = grid[j]
            more = mu_i * at_cosine(tables[SHEEN_MORE, g], mu_o) * at_cosine(tables[SHEEN_MORE, g], mu_i)
            parts[SHEEN_LOBE, j] = value * props[SHEEN_COLOUR, j] + more
