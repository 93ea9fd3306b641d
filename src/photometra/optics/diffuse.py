"""Energy-preserving Oren–Nayar (Portsmouth, Kutz & Hill 2024; Fujii's form of Oren & Nayar 1994).

`r` is the diffuse roughness 0..1. The single-scattering part is linear in the albedo; what it loses
comes back in a reciprocal second part, so that an albedo of 1 reflects exactly 1 from every direction.
"""

import math

from .circle import turns_of
from .jit import kernel, leaf

_C1 = 0.5 - 2.0 / (3.0 * math.pi)
_C2 = 2.0 / 3.0 - 28.0 / (15.0 * math.pi)


@leaf
def oren_nayar_albedo(mu, r):
    """Directional albedo of the single-scattering part for albedo 1."""
    s = math.sqrt(max(0.0, 1.0 - mu * mu))
    m = max(mu, 1e-9)
    g = s * (2.0 * math.pi * turns_of(s, m) - s * m) + (2.0 / 3.0) * ((s / m) * (1.0 - s * s * s) - s)
    return (1.0 + r * g / math.pi) / (1.0 + _C1 * r)


@kernel
def oren_nayar_mean(r):
    """Cosine-weighted mean of `oren_nayar_albedo` over the hemisphere."""
    return (1.0 + _C2 * r) / (1.0 + _C1 * r)


@leaf
def oren_nayar_parts(ox, oy, mu_o, ix, iy, mu_i, r):
    """The two parts of the BRDF for albedo 1, per steradian: single, and what multiple scattering adds.

    Combine as rho * single + oren_nayar_multiple(rho, r) * multiple.
    """
    if r <= 0.0:
        return 1.0 / math.pi, 0.0
    s = ox * ix + oy * iy
    t = max(mu_i, mu_o, 1e-6) if s > 0.0 else 1.0
    single = (1.0 + r * s / t) / (math.pi * (1.0 + _C1 * r))
    lost = (1.0 - oren_nayar_albedo(mu_o, r)) * (1.0 - oren_nayar_albedo(mu_i, r))
    return single, max(0.0, lost) / (math.pi * (1.0 - oren_nayar_mean(r)))


@kernel
def oren_nayar_multiple(rho, r):
    """Weight of the second part for albedo `rho`."""
    mean = oren_nayar_mean(r)
    return rho * rho * mean / (1.0 - rho * (1.0 - mean))
