"""What an interface makes of the reflectance of the body below it (Saunderson 1942)."""

from functools import lru_cache

import numpy as np

from .fresnel import fresnel_dielectric

BEAM_DEG = 8.0
"""Where the light comes in that is told of, as in a spectrophotometer."""


@lru_cache(maxsize=64)
def shares(ior):
    """(let in at 8 degrees, thrown back of diffuse light from below) of a smooth interface; ior 1 and up.

    The second is 1 - (1 - k) / n², k the reflectance of diffuse light from above.
    """
    x, w = np.polynomial.legendre.leggauss(64)
    cosine, w = 0.5 * (x + 1.0), 0.5 * w
    diffuse = float(2.0 * np.sum(w * cosine * fresnel_dielectric(cosine, ior)))
    beam = float(fresnel_dielectric(np.cos(np.radians(BEAM_DEG)), ior))
    return 1.0 - beam, 1.0 - (1.0 - diffuse) / ior**2


def colour_leaving(colour, ior):
    """What comes back through the interface of light at 8 degrees, the mirror part left out; colour 0..1."""
    let_in, back = shares(float(ior))
    colour = np.asarray(colour, float)
    return let_in * (1.0 - back) * colour / (1.0 - back * colour)


def colour_below(leaving, ior):
    """The inverse of `colour_leaving`; above what can leave it is above 1."""
    let_in, back = shares(float(ior))
    share = np.asarray(leaving, float) / let_in
    return share / (1.0 - back + back * share)
