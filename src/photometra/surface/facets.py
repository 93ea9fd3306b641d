"""What one facet of a surface reflects and lets through: metal and dielectric, film, coat above, and clear wall."""

import math

from ..optics.film import film_scalar
from ..optics.fresnel import conductor_scalar, dielectric_scalar, face_edge_scalar
from ..optics.jit import kernel, leaf
from ..optics.media import interreflections
from .rows import (
    ABSORPTION,
    ACHROMATIC,
    COAT_IOR,
    ETA,
    FACE_EDGE,
    FILM,
    FILM_K,
    FILM_N,
    FILM_THICKNESS,
    FRONT,
    INNER,
    METAL_A,
    METAL_B,
    METAL_TINT,
    METALNESS,
    REVERSE,
    SHEET,
    TRANSMISSION,
    UNDER,
    WALL,
    WAVELENGTH,
)


@leaf
def relative_index(props, j, side):
    """Index of the far side over that of the viewer's side."""
    eta = props[ETA, j]
    return 1.0 / eta if side == INNER else eta


@kernel
def _filmed(f, cos_d, outer, base, film_k, scalars, props, j):
    """A bare reflectance `f`, with as much of the surface filmed as there is film."""
    film = scalars[FILM]
    if cos_d <= 0.0:
        return f
    over = film_scalar(
        cos_d, props[WAVELENGTH, j], complex(props[FILM_N, j], film_k), scalars[FILM_THICKNESS], base, outer
    )
    return f + film * (min(1.0, over) - f)


@kernel
def _dielectric_under(cos_d, outer, scalars, props, j):
    # Over a clear body the film is clear too: what it would absorb must not count as let in.
    eta = props[ETA, j]
    f = dielectric_scalar(cos_d, eta / outer)
    if scalars[FILM] <= 0.0:
        return f
    return _filmed(f, cos_d, outer, complex(eta, 0.0), 0.0, scalars, props, j)


@kernel
def dielectric_facet(cos_d, side, scalars, props, j):
    """Reflectance of a dielectric facet with its film at the call's j-th wavelength, on a side or UNDER the coat."""
    if side == INNER:
        eta = props[ETA, j]
        f = dielectric_scalar(cos_d, 1.0 / eta)
        if scalars[FILM] <= 0.0:
            return f
        return _filmed(f, cos_d, eta, complex(1.0, 0.0), 0.0, scalars, props, j)
    return _dielectric_under(cos_d, scalars[COAT_IOR] if side == UNDER else 1.0, scalars, props, j)


@kernel
def wall_facet(cos_d, side, scalars, props, j):
    """(reflected, let through) of a clear wall: both faces and all that goes to and fro between them, no phase kept.

    A film lies on the outer face; a wall of index 1 with a film is a bubble. Both faces' sum is Stokes's (1862).
    """
    first = dielectric_facet(cos_d, UNDER if side == UNDER else FRONT, scalars, props, j)
    eta = props[ETA, j] / (scalars[COAT_IOR] if side == UNDER else 1.0)
    second = dielectric_scalar(cos_d, eta)
    if side == REVERSE:
        first, second = second, first
    within = math.sqrt(max(1e-12, 1.0 - (1.0 - cos_d * cos_d) / (eta * eta)))
    pass_once = math.exp(-props[ABSORPTION, j] * scalars[WALL] / within)
    if first * second * pass_once * pass_once > 1.0 - 1e-9:
        return 1.0, 0.0
    echo, let = interreflections(first, second, pass_once)
    return first + echo, let


@kernel
def _metal_under(cos_d, outer, scalars, props, j):
    n, k = props[METAL_A, j] / outer, props[METAL_B, j] / outer
    f = conductor_scalar(cos_d, n, k)
    if scalars[FILM] <= 0.0:
        return f
    return _filmed(f, cos_d, outer, complex(n * outer, k * outer), props[FILM_K, j], scalars, props, j)


@kernel
def metal_facet(cos_d, side, scalars, props, j):
    """Reflectance of a metal facet with film and tint at the call's j-th wavelength, from outside or UNDER the coat."""
    if scalars[FACE_EDGE] > 0.0:
        f = face_edge_scalar(cos_d, props[METAL_A, j], props[METAL_B, j])
    else:
        f = _metal_under(cos_d, scalars[COAT_IOR] if side == UNDER else 1.0, scalars, props, j)
    return f * props[METAL_TINT, j]


@kernel
def facet_reflectances(cosines, side, metal, scalars, props, out):
    """Reflectance of the metal or the dielectric part's facets by cosine and wavelength into out (m, n)."""
    for i in range(cosines.shape[0]):
        for j in range(props.shape[1]):
            if metal:
                out[i, j] = metal_facet(cosines[i], side, scalars, props, j)
            else:
                out[i, j] = dielectric_facet(cosines[i], side, scalars, props, j)


@kernel
def wall_reflectances(cosines, side, scalars, props, reflected, let):
    """What facets of a clear wall reflect and let through, by cosine and wavelength, into two arrays (m, n)."""
    for i in range(cosines.shape[0]):
        for j in range(props.shape[1]):
            reflected[i, j], let[i, j] = wall_facet(cosines[i], side, scalars, props, j)


@kernel
def interface_reflectance(cos_d, side, scalars, props, out):
    """Fresnel reflectance at each wavelength into `out`; returns the mean, and the mean share that a facet lets in.

    What is let in goes on to the interior, or through a sheet; the share of a coloured body is not counted.
    """
    n = out.shape[0]
    m = 0.0 if side == INNER else scalars[METALNESS]
    t = 1.0 if side == INNER else scalars[TRANSMISSION]
    is_wall = scalars[SHEET] > 0.0 and t > 0.0
    mean = 0.0
    passed = 0.0
    even = scalars[ACHROMATIC] > 0.0
    bare = 0.0
    for j in range(n):
        f = 0.0
        if m < 1.0:
            if j == 0 or not even:
                bare = dielectric_facet(cos_d, side, scalars, props, j)
            f = bare
            if is_wall:
                reflected, let = wall_facet(cos_d, side, scalars, props, j)
                f += t * (reflected - f)
                passed += let
            else:
                passed += 1.0 - f
            f *= 1.0 - m
        if m > 0.0:
            f += m * metal_facet(cos_d, side, scalars, props, j)
        out[j] = f
        mean += f
    return mean / n, (1.0 - m) * t * passed / n
