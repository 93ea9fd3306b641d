"""A thin layer of upright fibres: what makes felt, velvet and dust light up aslant.

The fibres are a volume of microflakes with the SGGX distribution (Heitz, Dupuy, Crassin & Dachsbacher 2015), round
about the normal: S = diag(1, 1, s²), s small for upright fibres, 1 for a tangle. Light scattered once in such a layer
leaves it in closed form; it is the layer whose simulation Zeltner, Burley & Chiang (2022) fit. What comes back after
more stands in `fibre_orders`; what is scattered downward is counted as let through.
"""

import math

import numpy as np

from .jit import kernel, leaf

DEPTH = 1.0
"""Optical depth of the layer for flakes that are seen face on."""


@leaf
def fibre_crossing(mu, s):
    """Projected area of the flakes seen at cosine `mu`, against flakes seen face on."""
    return math.sqrt(max(0.0, 1.0 - mu * mu) + s * s * mu * mu)


@kernel
def fibre_brdf(mu_o, mu_i, hz, s):
    """BRDF per steradian of the layer for white fibres; `hz` is the cosine of the half vector. Reciprocal."""
    across_o = fibre_crossing(mu_o, s)
    across_i = fibre_crossing(mu_i, s)
    h = s * s * (1.0 - hz * hz) + hz * hz
    d = s * s * s / (math.pi * h * h)
    both = across_o * mu_i + across_i * mu_o
    left = -math.expm1(-DEPTH * both / max(mu_o * mu_i, 1e-12))
    return d * left / (4.0 * max(both, 1e-12))


@kernel
def _albedo_kernel(mu, s, polar, weights, turns, out):
    for i in range(mu.shape[0]):
        total = 0.0
        c = max(mu[i], 1e-4)
        sine = math.sqrt(1.0 - c * c)
        for a in range(polar.shape[0]):
            other = math.sqrt(max(0.0, 1.0 - polar[a] * polar[a]))
            for b in range(turns):
                phi = math.pi * (b + 0.5) / turns
                hx = sine + other * math.cos(phi)
                hy = other * math.sin(phi)
                hz = c + polar[a]
                hz /= math.sqrt(hx * hx + hy * hy + hz * hz)
                total += weights[a] / turns * polar[a] * fibre_brdf(c, polar[a], hz, s)
        out[i] = 2.0 * math.pi * total


def fibre_albedo(mu, s):
    """Share of the light at cosines `mu` (n,) that white fibres send back; s in 0.01..1. Within about 1e-3."""
    nodes, weights = np.polynomial.legendre.leggauss(64)
    out = np.empty(len(mu))
    _albedo_kernel(np.asarray(mu, float), float(s), 0.5 * (nodes + 1.0), 0.5 * weights, 20, out)
    return out
