"""Light scattered isotropically in a deep medium: Chandrasekhar's H function, and albedos from one to the other.

The medium is a half-space without an interface. `single` is the albedo of one scattering, `diffuse` the share of
even light from all sides that comes back out. Source: Chandrasekhar (1960), chapter V.
"""

from functools import cache

import numpy as np

from .fresnel import fresnel_dielectric
from .slab import Faces, directions

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
    return _h_from(single, _h_at_nodes(float(single)), np.asarray(mu, float))


def _h_from(single, at_nodes, mu):
    """H at cosines (m,) from H at the nodes; of several albedos (k, 1) with theirs (k, nodes) it is (k, m)."""
    inner = 0.5 * single * np.inner(_WEIGHTS * at_nodes * _NODES, 1.0 / (mu[..., None] + _NODES))
    return 1.0 / (np.sqrt(1.0 - single) + inner)


def directional_reflectance(single, mu):
    """Share of light at cosine `mu` that a half-space gives back: 1 - sqrt(1 - single) H(mu)."""
    return 1.0 - np.sqrt(1.0 - single) * h_function(single, mu)


def diffuse_albedo(single):
    """Share of even light from all sides that a half-space gives back."""
    return float(2.0 * np.sum(_WEIGHTS * _NODES * directional_reflectance(single, _NODES)))


_SINGLE = 1.0 - np.linspace(1.0, 0.0, 81) ** 3
"""Single-scattering albedos of the table, spread so that its steep end near 1 is as finely sampled as the rest."""


@cache
def _even():
    """What half-spaces of the table's albedos give back of even light."""
    return np.array([diffuse_albedo(s) for s in _SINGLE])


@cache
def _of_table():
    """H at the nodes for the table's albedos, (albedos, nodes)."""
    return np.array([_h_at_nodes(float(s)) for s in _SINGLE])


def _behind(faces, ior):
    """What half-spaces of the table's albedos give back through faces of an index (of both only the first counts), as a
    share of the light that the face lets in along the normal."""
    (mu,), (weights,) = directions(np.array([ior]))
    h = _h_from(_SINGLE[:, None], _of_table(), mu)
    # From which cosine to which: half the albedo times the far one's share, H of both, over their sum.
    shares = 0.5 * _SINGLE[:, None, None] * (h[:, :, None] * h[:, None, :]) * (mu * weights) / (mu[:, None] + mu)
    whole = 1.0 - np.sqrt(1.0 - _SINGLE)[:, None] * h
    shares *= (whole / np.maximum(shares.sum(axis=2), 1e-12))[:, :, None]
    first = (faces.enter[0] / faces.enter[0].sum()) @ shares
    up = np.linalg.solve(np.eye(mu.size) - np.swapaxes(faces.back[0] @ shares, 1, 2), first[:, :, None])[:, :, 0]
    return up @ faces.leave[0]


def polished(ior) -> Faces:
    """A polished face of an index above 1, on the cosines of `directions`."""
    (mu,), _ = directions(np.array([ior]))
    return Faces.polished(fresnel_dielectric(np.ones(1), ior), fresnel_dielectric(mu, 1.0 / ior)[None])


def single_albedo(colour, escape=1.0, ior=1.0, faces=None):
    """The albedo of one scattering with which a half-space under an interface looks, along the normal, like `colour`.

    colour: reflectance of the even body below its interface that it is to equal, 0..1, any shape. escape: share of
    even light from below that the interface lets out; of several, their mean counts. faces: the interface on the
    directions of an index, `ior` (`slab.Faces`); a polished one where there are none; without an index the colour is
    the diffuse albedo. Inverted on a table, 2e-4.
    """
    wanted = np.clip(np.asarray(colour, float), 0.0, 1.0)
    if ior <= 1.0 + 1e-4:
        looks = _even()
    else:
        looks = _behind(faces or polished(ior), ior)
        e = np.mean(escape)
        wanted = wanted * e / (1.0 - (1.0 - e) * wanted)
    # Towards white what is missing goes as the root of what one scattering takes: in this power it runs straight.
    missing = np.cbrt(np.maximum(1.0 - looks, 0.0))[::-1] ** 2
    t = np.interp(np.cbrt(1.0 - wanted) ** 2, missing, np.cbrt(1.0 - _SINGLE)[::-1])
    return 1.0 - t**3
