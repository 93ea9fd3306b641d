"""Light scattered isotropically in a deep medium: Chandrasekhar's H function, and albedos from one to the other.

The medium is a half-space without an interface. `single` is the albedo of one scattering, `diffuse` the share of
even light from all sides that comes back out. Source: Chandrasekhar (1960), chapter V.
"""

from functools import cache

import numpy as np

_NODES, _WEIGHTS = (x / 2.0 for x in np.polynomial.legendre.leggauss(48))
_NODES = _NODES + 0.5


@cache
def _h_at_nodes(single):
    """H at the quadrature's own nodes, by iteration of its second integral equation, which always converges."""
    h = np.ones(_NODES.size)
    root = np.sqrt(1.0 - single)
    for _ in range(4000):
        inner = 0.5 * single * ((_WEIGHTS * h * _NODES) @ (1.0 / (_NODES[:, None] + _NODES)))
        following = 1.0 / (root + inner)
        if np.abs(following - h).max() < 1e-13:
            break
        # The plain iteration swings about its end; half of each step goes straight there.
        h = 0.5 * (h + following)
    return h


def h_function(single, mu):
    """Chandrasekhar's H for isotropic scattering; single 0..1, a number; mu 0..1, any shape."""
    h = _h_at_nodes(float(single))
    mu = np.asarray(mu, float)
    inner = 0.5 * single * ((_WEIGHTS * h * _NODES) * (1.0 / (mu[..., None] + _NODES))).sum(axis=-1)
    return 1.0 / (np.sqrt(1.0 - single) + inner)


def directional_reflectance(single, mu):
    """Share of light at cosine `mu` that a half-space gives back: 1 - sqrt(1 - single) H(mu)."""
    return 1.0 - np.sqrt(1.0 - single) * h_function(single, mu)


def diffuse_albedo(single):
    """Share of even light from all sides that a half-space gives back."""
    return float(2.0 * np.sum(_WEIGHTS * _NODES * directional_reflectance(single, _NODES)))


@cache
def _curve():
    """Single-scattering albedos, and by them what a half-space reflects by direction, and of light straight on."""
    # Spread so that the steep end near 1 is as finely sampled as the rest.
    single = 1.0 - np.linspace(1.0, 0.0, 81) ** 3
    both = np.append(_NODES, 1.0)
    found = np.array([directional_reflectance(s, both) for s in single])
    return single, found[:, :-1], found[:, -1]


def single_albedo(colour, escape=1.0, ior=1.0):
    """The albedo of one scattering with which a half-space under an interface looks, facing us, like `colour`.

    colour: reflectance of the even body below its interface that it is to equal, 0..1, any shape. escape: share of
    even light from below that the interface lets out; of several, their mean counts. ior: tells which light is thrown
    back for good. Light that comes in straight is given back less than even light, and what the interface throws back,
    which goes aslant, more; without an interface the colour is the diffuse albedo. Inverted on a table, 1e-3.
    """
    single, by_direction, straight = _curve()
    weight = 2.0 * _WEIGHTS * _NODES
    if ior <= 1.0 + 1e-4:
        looks = by_direction @ weight
        wanted = np.clip(np.asarray(colour, float), 0.0, 1.0)
    else:
        kept = np.sqrt(1.0 - 1.0 / ior**2) > _NODES
        aslant = (by_direction[:, kept] @ weight[kept]) / weight[kept].sum()
        e = np.mean(escape)
        looks = straight * e / (1.0 - (1.0 - e) * aslant)
        wanted = np.clip(np.asarray(colour, float), 0.0, 1.0)
        wanted = wanted * e / (1.0 - (1.0 - e) * wanted)
    # In the cube root of what is missing both run almost straight.
    missing = np.cbrt(np.maximum(1.0 - looks, 0.0))[::-1]
    t = np.interp(np.cbrt(1.0 - wanted), missing, np.cbrt(1.0 - single)[::-1])
    return 1.0 - t**3
