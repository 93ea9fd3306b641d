"""The lobe in the plane of incidence, as a goniophotometer with a small receptor reads it; and lit colour patches."""

import math

import numpy as np

from ..colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_linear_srgb
from .glossmeter import spectral_rule
from .integrate import brdf, gauss

RECEPTOR_DEG = 1.0
"""Width of the receptor, seen from the sample; a lobe narrower than this is read as wide as this."""
_NODES = 5
_STEEPEST_DEG = 89.0


def direction_at(degrees, across=0.0):
    """Unit vector so far from the normal in the plane of incidence, and so far out of that plane; in degrees."""
    t = math.radians(max(-_STEEPEST_DEG, min(_STEEPEST_DEG, degrees)))
    a = math.radians(across)
    return math.sin(t) * math.cos(a), math.sin(a), math.cos(t) * math.cos(a)


def in_plane_lobe(compiled, incidence_deg, view_deg):
    """BRDF per steradian (n,), under light C seen through V(lambda), averaged over the receptor.

    Both angles in degrees from the normal; the mirror direction of an incidence has the same sign as it.
    """
    wavelengths, weights = spectral_rule()
    x, w = gauss(_NODES)
    offsets = RECEPTOR_DEG * (x - 0.5)
    both = np.outer(w, w).ravel()
    out = np.empty(len(view_deg))
    for i, (there, here) in enumerate(zip(incidence_deg, view_deg, strict=True)):
        back = direction_at(-there)
        seen = np.array([direction_at(here + a, b) for a in offsets for b in offsets])
        out[i] = both @ (brdf(compiled, back, seen, wavelengths) @ weights)
    return out


def lit_patches(compiled, incidence_deg, view_deg):
    """Linear RGB (3, n) of patches lit by D65 from one side, against a white diffuser lit alike."""
    rgb = np.empty((3, len(view_deg)))
    for i, (there, here) in enumerate(zip(incidence_deg, view_deg, strict=True)):
        f = brdf(compiled, direction_at(-there), np.array([direction_at(here)]))[0]
        rgb[:, i] = xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, math.pi * f))
    return rgb
