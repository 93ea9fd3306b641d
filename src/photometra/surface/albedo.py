"""Tables of a compiled surface: what an interface's single scattering gives back, by cosine.

The energy that a microfacet model loses to multiple scattering is found here by quadrature over the visible
normals, for the very roughness and index of the surface, so no table is shipped or interpolated in roughness.
"""

import math

import numpy as np

from ..optics.diffuse import oren_nayar_multiple, oren_nayar_parts
from ..optics.fresnel import dielectric_scalar
from ..optics.jit import kernel
from ..optics.microfacet import sample_visible_normal, smith_lambda
from .lobes import COSINES

MU = np.linspace(0.0, 1.0, COSINES)
_POLAR, _POLAR_WEIGHTS = (x / 2 for x in np.polynomial.legendre.leggauss(48))
_POLAR = _POLAR + 0.5
_TURNS = 32

# Exact for a piecewise linear table times the cosine.
_STEP = 1.0 / (COSINES - 1)
_HEMISPHERE = 2.0 * MU * _STEP
_HEMISPHERE[0] = 2.0 * _STEP * _STEP / 6.0
_HEMISPHERE[-1] = 2.0 * (_STEP / 2.0 - _STEP * _STEP / 6.0)


def hemispherical(table):
    """Cosine-weighted mean over the hemisphere of tables (..., COSINES), exact for linear pieces."""
    return table @ _HEMISPHERE


@kernel
def single_scattering(alpha, eta, metal, mu, polar, polar_weights, turns, reflected, passed):
    """Share reflected and passed on by the single scattering of a GGX interface, for each cosine.

    `eta` is far over near; with `metal` the facets reflect all. Quadrature in the numbers that
    `sample_visible_normal` takes: Gauss in one, midpoints over half a turn in the other.
    """
    for i in range(mu.shape[0]):
        c = max(mu[i], 1e-4)
        s = math.sqrt(1.0 - c * c)
        g_o = 1.0 + smith_lambda(s, 0.0, c, alpha, alpha)
        r_sum = 0.0
        t_sum = 0.0
        for a in range(polar.shape[0]):
            for b in range(turns):
                hx, hy, hz = sample_visible_normal(s, 0.0, c, alpha, alpha, 0.5 * (b + 0.5) / turns, polar[a])
                cos_o = min(1.0, s * hx + c * hz)
                weight = polar_weights[a] / turns
                f = 1.0 if metal else dielectric_scalar(cos_o, eta)
                z = 2.0 * cos_o * hz - c
                if z > 0.0:
                    x = 2.0 * cos_o * hx - s
                    y = 2.0 * cos_o * hy
                    g = g_o / (g_o + smith_lambda(x, y, z, alpha, alpha))
                    r_sum += weight * f * g
                if f < 1.0:
                    k = cos_o / eta - math.sqrt(max(0.0, 1.0 - (1.0 - cos_o * cos_o) / (eta * eta)))
                    z = k * hz - c / eta
                    if z < 0.0:
                        x = k * hx - s / eta
                        y = k * hy
                        t_sum += weight * (1.0 - f) / (1.0 + smith_lambda(x, y, -z, alpha, alpha))
        reflected[i] = r_sum
        passed[i] = t_sum


def interface_shares(alpha, eta, metal=False):
    """(reflected, passed) of single scattering at each of `MU`, shape (COSINES,) each."""
    reflected, passed = np.empty(COSINES), np.empty(COSINES)
    single_scattering(float(alpha), float(eta), metal, MU, _POLAR, _POLAR_WEIGHTS, _TURNS, reflected, passed)
    return reflected, passed


def lost_lobe(lost):
    """Lost energy by cosine -> (table whose products make a reciprocal lobe, hemispherical mean)."""
    lost = np.clip(lost, 0.0, 1.0)
    mean = hemispherical(lost)
    if mean < 1e-9:
        return np.zeros_like(lost), 0.0
    return lost / math.sqrt(math.pi * mean), float(mean)


@kernel
def _body_kernel(mu, r, turns, out):
    for i in range(mu.shape[0]):
        for j in range(mu.shape[0]):
            total = 0.0
            for b in range(turns):
                phi = math.pi * (b + 0.5) / turns
                s_i = math.sqrt(1.0 - mu[j] * mu[j])
                single, multiple = oren_nayar_parts(
                    math.sqrt(1.0 - mu[i] * mu[i]),
                    0.0,
                    mu[i],
                    s_i * math.cos(phi),
                    s_i * math.sin(phi),
                    mu[j],
                    r,
                )
                total += single + oren_nayar_multiple(1.0, r) * multiple
            out[i, j] = total / turns


def body_weight(passed, diffuse_roughness):
    """Weight w by cosine so that w(o) w(i) f(o, i), f a body of albedo 1, takes in just what `passed` lets in.

    Reciprocal and lossless at once: the symmetric scaling of Sinkhorn (1964), solved by its fixed point.
    passed: (..., COSINES).
    """
    if diffuse_roughness <= 0.0:
        return passed / np.sqrt(np.maximum(hemispherical(passed), 1e-12))[..., None]
    f = np.empty((COSINES, COSINES))
    _body_kernel(np.minimum(MU, 1.0), float(diffuse_roughness), 24, f)
    operator = math.pi * f * _HEMISPHERE
    w = passed / np.sqrt(np.maximum(hemispherical(passed), 1e-12))[..., None]
    for _ in range(40):
        w = np.sqrt(w * passed / np.maximum(w @ operator.T, 1e-12))
    return w
