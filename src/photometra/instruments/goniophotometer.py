"""The lobe in the plane of incidence, as a goniophotometer with a small receptor reads it; and lit colour patches."""

import math

import numpy as np

from ..colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_linear_srgb
from ..optics.quadrature import gauss
from .glossmeter import spectral_rule
from .integrate import brdf

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


def table_of_lobes(compiled, incidence_deg, view_deg, azimuth_deg):
    """BRDF per steradian (n,), as `in_plane_lobe`, out of the plane of incidence as well.

    incidence, view: from the normal, 0 to 90; azimuth: from the side of the light to that of the view about the normal,
    180 where the view is across from the light (Nicodemus et al. 1977). An isotropic surface is the same at ± azimuth.
    """
    wavelengths, weights = spectral_rule()
    x, w = gauss(_NODES)
    offsets = np.radians(RECEPTOR_DEG * (x - 0.5))
    both = np.outer(w, w).ravel()
    out = np.empty(len(view_deg))
    for i, (there, here, round_) in enumerate(zip(incidence_deg, view_deg, azimuth_deg, strict=True)):
        theta, phi = math.radians(min(abs(here), _STEEPEST_DEG)), math.radians(round_ + (180.0 if here >= 0.0 else 0.0))
        middle = np.array([math.sin(theta) * math.cos(phi), math.sin(theta) * math.sin(phi), math.cos(theta)])
        down = np.array([math.cos(theta) * math.cos(phi), math.cos(theta) * math.sin(phi), -math.sin(theta)])
        across = np.array([-math.sin(phi), math.cos(phi), 0.0])
        seen = np.array([middle + math.tan(a) * down + math.tan(b) * across for a in offsets for b in offsets])
        seen[:, 2] = np.maximum(seen[:, 2], math.cos(math.radians(_STEEPEST_DEG)))
        seen /= np.linalg.norm(seen, axis=1, keepdims=True)
        out[i] = both @ (brdf(compiled, direction_at(-there), seen, wavelengths) @ weights)
    return out


def lit_patches(compiled, incidence_deg, view_deg):
    """Linear RGB (3, n) of patches lit by D65 from one side, against a white diffuser lit alike."""
    rgb = np.empty((3, len(view_deg)))
    for i, (there, here) in enumerate(zip(incidence_deg, view_deg, strict=True)):
        f = brdf(compiled, direction_at(-there), np.array([direction_at(here)]))[0]
        rgb[:, i] = xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, math.pi * f))
    return rgb
