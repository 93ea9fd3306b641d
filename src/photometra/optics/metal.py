"""A metal by its colours and by its constants: from one to the other, wavelength by wavelength.

Gulbrandsen (2014) writes n and k by the reflectance facing us and a number 0..1 that tells how the reflectance
goes towards the edge; here that number is found from the reflectance at `COS_EDGE`.
"""

import numpy as np

from .fresnel import COS_EDGE, fresnel_conductor

_STEPS = 50
_BRIGHTEST = 0.9999
_CLEAREST = 1e-3
"""The least k: a metal that reflects nothing would be air, and under a coat a mirror beyond the critical angle."""


def _by_edge(face, share):
    """n and k with reflectance `face` facing us; `share` 0 gives the largest n, 1 the smallest."""
    root = np.sqrt(face)
    n = share * (1.0 - face) / (1.0 + face) + (1.0 - share) * (1.0 + root) / (1.0 - root)
    k2 = (face * (n + 1.0) ** 2 - (n - 1.0) ** 2) / (1.0 - face)
    return n, np.sqrt(np.maximum(k2, _CLEAREST**2))


def constants_from_colours(face, edge):
    """(n, k) of the metal that reflects `face` facing us and `edge` at 82 degrees; arrays of 0..1, broadcast.

    The face is met exactly (up to 0.9999, where n and k run away); an edge that no metal of this face has is met as
    nearly as one can. Source: Gulbrandsen (2014).
    """
    face, edge = np.broadcast_arrays(np.clip(face, 0.0, _BRIGHTEST), np.clip(edge, 0.0, 1.0))
    low, high = np.zeros(face.shape), np.ones(face.shape)
    for _ in range(_STEPS):
        middle = 0.5 * (low + high)
        # The smaller n, the brighter the edge.
        too_dark = fresnel_conductor(COS_EDGE, *_by_edge(face, middle)) < edge
        low, high = np.where(too_dark, middle, low), np.where(too_dark, high, middle)
    return _by_edge(face, 0.5 * (low + high))


def colours_from_constants(n, k):
    """(face, edge) of a metal: its reflectance facing us and at 82 degrees."""
    return fresnel_conductor(1.0, n, k), fresnel_conductor(COS_EDGE, n, k)
