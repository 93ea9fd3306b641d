"""Tables of a compiled surface: what an interface's single scattering gives back, by cosine.

The energy that a microfacet model loses to multiple scattering is found here by quadrature over the visible
normals, for the very roughness of the surface, so no table is shipped or interpolated in roughness.
"""

import math
from functools import lru_cache

import numpy as np

from ..optics.diffuse import oren_nayar_multiple, oren_nayar_parts
from ..optics.jit import kernel
from ..optics.microfacet import sample_visible_normal, smith_lambda
from .lobes import COSINES

MU = np.linspace(0.0, 1.0, COSINES)
_POLAR, _POLAR_WEIGHTS = (x / 2 for x in np.polynomial.legendre.leggauss(48))
_POLAR = _POLAR + 0.5
_TURNS = 32


@lru_cache(maxsize=4)
def _hemisphere(count):
    """Weights of a table over the cosine for its cosine-weighted mean, exact where it is linear between samples."""
    step = 1.0 / (count - 1)
    weights = 2.0 * np.linspace(0.0, 1.0, count) * step
    weights[0] = 2.0 * step * step / 6.0
    weights[-1] = 2.0 * (step / 2.0 - step * step / 6.0)
    return weights


def hemispherical(table):
    """Cosine-weighted mean over the hemisphere of tables (..., n) whose cosines run evenly over 0..1."""
    return table @ _hemisphere(table.shape[-1])


@kernel
def _facet_shares(alpha, eta, mu, polar, polar_weights, turns, reflected, passed, landed):
    """Over which facets the light at each cosine goes: shares by the cosine at the facet, before Fresnel.

    `eta` is far over near. Quadrature in the numbers that `sample_visible_normal` takes: Gauss in one, midpoints
    over half a turn in the other; each node is shared between the two nearest facet cosines.
    """
    last = reflected.shape[1] - 1
    for i in range(mu.shape[0]):
        c = max(mu[i], 1e-4)
        s = math.sqrt(1.0 - c * c)
        g_o = 1.0 + smith_lambda(s, 0.0, c, alpha, alpha)
        for a in range(polar.shape[0]):
            for b in range(turns):
                hx, hy, hz = sample_visible_normal(s, 0.0, c, alpha, alpha, 0.5 * (b + 0.5) / turns, polar[a])
                cos_o = min(1.0, s * hx + c * hz)
                weight = polar_weights[a] / turns
                place = max(0.0, cos_o) * last
                k = min(int(place), last - 1)
                t = place - k
                z = 2.0 * cos_o * hz - c
                if z > 0.0:
                    x = 2.0 * cos_o * hx - s
                    y = 2.0 * cos_o * hy
                    g = weight * g_o / (g_o + smith_lambda(x, y, z, alpha, alpha))
                    reflected[i, k] += g * (1.0 - t)
                    reflected[i, k + 1] += g * t
                    place = min(z, 1.0) * (landed.shape[1] - 1)
                    q = min(int(place), landed.shape[1] - 2)
                    landed[i, q] += g * (1.0 - (place - q))
                    landed[i, q + 1] += g * (place - q)
                c2 = 1.0 - (1.0 - cos_o * cos_o) / (eta * eta)
                if c2 > 0.0:
                    q = cos_o / eta - math.sqrt(c2)
                    z = q * hz - c / eta
                    if z < 0.0:
                        x = q * hx - s / eta
                        y = q * hy
                        g = weight / (1.0 + smith_lambda(x, y, -z, alpha, alpha))
                        passed[i, k] += g * (1.0 - t)
                        passed[i, k + 1] += g * t


FACETS = np.linspace(0.0, 1.0, 128)
"""Cosines at a facet at which its reflectance is asked for."""


@lru_cache(maxsize=64)
def _shares(alpha, eta):
    sizes = ((COSINES, FACETS.size), (COSINES, FACETS.size), (COSINES, COSINES))
    found = tuple(np.zeros(size) for size in sizes)
    _facet_shares(float(alpha), float(eta), MU, _POLAR, _POLAR_WEIGHTS, _TURNS, *found)
    return found


def facet_shares(alpha, eta):
    """(reflected, passed), each (COSINES, FACETS.size): times a reflectance at `FACETS` they give shares of the light.

    All that depends on the finish alone; what a facet reflects (film, metal, dispersion) is multiplied in later.
    """
    return _shares(alpha, eta)[:2]


def landing(alpha):
    """(COSINES, COSINES): of light at one cosine that facets which reflect all send out, the share at each other."""
    return _shares(alpha, 1.0)[2]


def lost_lobe(lost):
    """Lost energy by cosine (..., COSINES) -> (tables whose products make a reciprocal lobe, hemispherical means)."""
    lost = np.clip(lost, 0.0, 1.0)
    mean = hemispherical(lost)
    scale = np.where(mean < 1e-9, 0.0, 1.0 / np.sqrt(np.pi * np.maximum(mean, 1e-9)))
    return lost * scale[..., None], np.where(mean < 1e-9, 0.0, mean)


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
    operator = math.pi * f * _hemisphere(COSINES)
    return _balanced(operator, passed, passed / np.sqrt(np.maximum(hemispherical(passed), 1e-12))[..., None])


def _balanced(operator, passed, w):
    """From `w`, the weight with which w(o) times `operator` of w gives `passed`; (..., COSINES)."""
    for _ in range(40):
        w = np.sqrt(w * passed / np.maximum(w @ operator.T, 1e-12))
    return w


def finish_weight(passed, landed, lost_curve, lost_mean):
    """As `body_weight`, for lobes of facets that send light where `landed` says and give back what they lose.

    passed: (COSINES,); lost_curve, lost_mean: the `lost_lobe` of those facets.
    """
    operator = landed.copy()
    if lost_mean > 0.0:
        operator += math.pi * np.outer(lost_curve, lost_curve * _hemisphere(COSINES))
    return _balanced(operator, passed, np.sqrt(passed))
