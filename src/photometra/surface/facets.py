"""What one facet of a surface reflects and lets through: metal and dielectric, film, coat above, and clear wall."""

import math

from ..optics.film import clear_film, film_scalar, film_shares
from ..optics.fresnel import conductor_scalar, dielectric_scalar, face_edge_scalar
from ..optics.jit import kernel, leaf
from ..optics.media import interreflections
from .rows import (
    ABSORPTION,
    ACHROMATIC,
    COAT,
    COAT_IOR,
    COAT_ONCE,
    ETA,
    FACE_EDGE,
    FILM,
    FILM_K,
    FILM_N,
    FILM_THICKNESS,
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
    WALL_ECHO,
    WAVELENGTH,
)


@leaf
def relative_index(props, j, side):
    """Index of the far side over that of the viewer's side."""
    eta = props[ETA, j]
    return 1.0 / eta if side == INNER else eta


@leaf
def _with_film(f, over, film):
    """A bare reflectance and one under the film, mixed by how much of the surface is filmed."""
    return f + film * (min(1.0, over) - f)


@kernel
def _filmed(f, cos_d, outer, base, film_k, scalars, props, j):
    """A bare reflectance `f`, with as much of the surface filmed as there is film."""
    film = scalars[FILM]
    if cos_d <= 0.0:
        return f
    over = film_scalar(
        cos_d, props[WAVELENGTH, j], complex(props[FILM_N, j], film_k), scalars[FILM_THICKNESS], base, outer
    )
    return _with_film(f, over, film)


@kernel
def _between(cos_d, near, far, scalars, props, j):
    """(reflected, let through) of a filmed facet between two indices, from the near one."""
    f = dielectric_scalar(cos_d, far / near)
    film = scalars[FILM]
    if film <= 0.0 or cos_d <= 0.0:
        return f, 1.0 - f
    index = complex(props[FILM_N, j], props[FILM_K, j])
    over, let = film_shares(cos_d, props[WAVELENGTH, j], index, scalars[FILM_THICKNESS], complex(far, 0.0), near)
    over = min(1.0, over)
    return f + film * (over - f), 1.0 - f + film * (max(0.0, min(let, 1.0 - over)) - 1.0 + f)


@kernel
def dielectric_facet(cos_d, side, scalars, props, j):
    """(reflected, let through) of a dielectric facet with its film at the call's j-th wavelength, on a side or UNDER
    the coat; the rest is absorbed by the film."""
    if side == INNER:
        return _between(cos_d, props[ETA, j], 1.0, scalars, props, j)
    return _between(cos_d, scalars[COAT_IOR] if side == UNDER else 1.0, props[ETA, j], scalars, props, j)


@kernel
def coated_facet(cos_d, side, scalars, props, j):
    """As `dielectric_facet`, FRONT or INNER, through a smooth coat where there is one: both of its faces and all that
    goes to and fro between them."""
    bare, let = dielectric_facet(cos_d, side, scalars, props, j)
    coat = scalars[COAT]
    if coat <= 0.0:
        return bare, let
    ior, eta = scalars[COAT_IOR], props[ETA, j]
    sine2 = (1.0 - cos_d * cos_d) / (ior * ior)
    if side == INNER:
        sine2 *= eta * eta
    if sine2 >= 1.0:
        return bare, let
    cos_c = math.sqrt(1.0 - sine2)
    over = dielectric_scalar(cos_c, 1.0 / ior)
    below, down = _between(cos_c, ior, eta, scalars, props, j)
    once = props[COAT_ONCE, j] ** (1.0 / cos_c)
    if below * over * once * once > 1.0 - 1e-9:
        return bare, let
    if side == INNER:
        first, into = _between(cos_d, eta, ior, scalars, props, j)
        echo, through = interreflections(into, below, over, 1.0 - over, once)
    else:
        first = over
        echo, through = interreflections(1.0 - over, over, below, down, once)
    return bare + coat * (first + echo - bare), let + coat * (through - let)


@kernel
def film_absorbs(cosines, under, scalars, props, out):
    """Of light that meets facets from within the body, what their film absorbs, by cosine and wavelength into out
    (m, n); under: whether a coat lies over it."""
    for i in range(cosines.shape[0]):
        for j in range(props.shape[1]):
            outer = scalars[COAT_IOR] if under else 1.0
            reflected, let = _between(cosines[i], props[ETA, j], outer, scalars, props, j)
            out[i, j] = 1.0 - reflected - let if props[FILM_K, j] > 0.0 else 0.0


@kernel
def wall_facet(cos_d, side, scalars, props, j):
    """(reflected, let through) of a clear wall: both faces and all that goes to and fro between them, no phase kept.

    A film lies on the outer face; a wall of index 1 with a film is a bubble. Both faces' sum is Stokes's (1862).
    """
    outer = scalars[COAT_IOR] if side == UNDER else 1.0
    filmed, let = _between(cos_d, outer, props[ETA, j], scalars, props, j)
    eta = props[ETA, j] / outer
    bare = dielectric_scalar(cos_d, eta)
    cosine = math.sqrt(max(1e-12, 1.0 - (1.0 - cos_d * cos_d) / (eta * eta)))
    # A film that absorbs reflects otherwise from within.
    within = filmed
    if scalars[FILM] > 0.0 and props[FILM_K, j] > 0.0:
        within, _ = _between(cosine, props[ETA, j], outer, scalars, props, j)
    pass_once = math.exp(-props[ABSORPTION, j] * scalars[WALL] / cosine)
    if within * bare * pass_once * pass_once > 1.0 - 1e-9:
        return 1.0, 0.0
    if side == REVERSE:
        echo, through = interreflections(1.0 - bare, bare, within, let, pass_once)
        return bare + props[WALL_ECHO, j] * echo, through
    echo, through = interreflections(let, within, bare, 1.0 - bare, pass_once)
    return filmed + props[WALL_ECHO, j] * echo, through


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
def facet_reflectances(cosines, side, metal, scalars, props, reflected, let):
    """What the metal or the dielectric part's facets reflect and let through by cosine and wavelength, into two arrays
    (m, n)."""
    for i in range(cosines.shape[0]):
        for j in range(props.shape[1]):
            reflected[i, j] = let[i, j] = 0.0
            if not metal:
                reflected[i, j], let[i, j] = dielectric_facet(cosines[i], side, scalars, props, j)
        if metal:
            _add_metal(cosines[i], side, 1.0, scalars, props, reflected[i])


@kernel
def wall_reflectances(cosines, side, scalars, props, reflected, let):
    """What facets of a clear wall reflect and let through, by cosine and wavelength, into two arrays (m, n)."""
    for i in range(cosines.shape[0]):
        for j in range(props.shape[1]):
            reflected[i, j], let[i, j] = wall_facet(cosines[i], side, scalars, props, j)


@kernel
def interface_means(cosines, side, scalars, props, room, out):
    """The two means of `interface_reflectance` by cosine, into out (2, m); room (n,): for one by wavelength."""
    for i in range(cosines.shape[0]):
        out[0, i], out[1, i] = interface_reflectance(cosines[i], side, scalars, props, room)


@kernel
def _add_dielectric(cos_d, side, m, t, scalars, props, out):
    """Add what the dielectric part reflects to `out`; returns the sum of what a facet of it lets in."""
    is_wall = scalars[SHEET] > 0.0 and t > 0.0
    even = scalars[ACHROMATIC] > 0.0
    bare = bare_let = passed = 0.0
    if not (is_wall or even) and scalars[FILM] <= 0.0:
        # A bare face, in a loop that is worked out several wavelengths at a time.
        outer = scalars[COAT_IOR] if side == UNDER else 1.0
        for j in range(out.shape[0]):
            eta = outer / props[ETA, j] if side == INNER else props[ETA, j] / outer
            f = dielectric_scalar(cos_d, eta)
            out[j] += (1.0 - m) * f
            passed += 1.0 - f
        return passed
    for j in range(out.shape[0]):
        if j == 0 or not even:
            bare, bare_let = dielectric_facet(cos_d, side, scalars, props, j)
        f = bare
        if is_wall:
            reflected, let = wall_facet(cos_d, side, scalars, props, j)
            f += t * (reflected - f)
            passed += let
        else:
            passed += bare_let
        out[j] += (1.0 - m) * f
    return passed


@leaf
def _lets_all_through(cos_d, outer, props):
    """Whether the film, met at this angle, absorbs nothing at any wavelength, nor throws all back."""
    if cos_d <= 0.0:
        return False
    least = outer * outer * (1.0 - cos_d * cos_d)
    for j in range(props.shape[1]):
        if props[FILM_K, j] > 0.0 or props[FILM_N, j] * props[FILM_N, j] <= least:
            return False
    return True


@kernel
def _add_metal(cos_d, side, m, scalars, props, out):
    """Add what the metal part reflects to `out`."""
    n = out.shape[0]
    outer = scalars[COAT_IOR] if side == UNDER else 1.0
    film = scalars[FILM]
    if scalars[FACE_EDGE] > 0.0 or (film > 0.0 and not _lets_all_through(cos_d, outer, props)):
        for j in range(n):
            out[j] += m * metal_facet(cos_d, side, scalars, props, j)
        return
    # As `metal_facet` of a metal that is bare or under a clear film, in loops that are worked out several wavelengths
    # at a time.
    inverse = 1.0 / outer
    if film > 0.0:
        thickness = scalars[FILM_THICKNESS]
        for j in range(n):
            a, b = props[METAL_A, j], props[METAL_B, j]
            f = conductor_scalar(cos_d, a * inverse, b * inverse)
            over = clear_film(cos_d, props[WAVELENGTH, j], props[FILM_N, j], thickness, a, b, outer)
            out[j] += m * props[METAL_TINT, j] * _with_film(f, over, film)
        return
    for j in range(n):
        out[j] += (
            m * props[METAL_TINT, j] * conductor_scalar(cos_d, props[METAL_A, j] * inverse, props[METAL_B, j] * inverse)
        )


@kernel
def interface_reflectance(cos_d, side, scalars, props, out):
    """Fresnel reflectance at each wavelength into `out`; returns the mean, and the mean share that a facet lets in.

    What is let in goes on to the interior, or through a sheet; the share of a coloured body is not counted.
    """
    n = out.shape[0]
    m = 0.0 if side == INNER else scalars[METALNESS]
    passed = 0.0
    for j in range(n):
        out[j] = 0.0
    if m < 1.0:
        t = 1.0 if side == INNER else scalars[TRANSMISSION]
        passed = (1.0 - m) * t * _add_dielectric(cos_d, side, m, t, scalars, props, out) / n
    if m > 0.0:
        _add_metal(cos_d, side, m, scalars, props, out)
    mean = 0.0
    for j in range(n):
        mean += out[j]
    return mean / n, passed
