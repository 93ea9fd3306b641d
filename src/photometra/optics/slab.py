"""Light through and from a plane slab that absorbs and scatters: adding and doubling, by wavelength at once.

Diffuse light is taken on a few directions of a quadrature; a layer so thin that it is known closely is doubled until
it is the slab, and its two faces are added (Prahl, van Gemert & Welch 1993). The phase function is Henyey and
Greenstein's (1941), its forward peak counted as light that goes straight on (Wiscombe 1977).
"""

from functools import cache
from typing import NamedTuple

import numpy as np

_BELOW, _ABOVE = 6, 8
_THINNEST = 1e-4


@cache
def _gauss():
    nodes, weights = np.polynomial.legendre.leggauss(_BELOW)
    return 0.5 * (nodes + 1.0), 0.5 * weights


@cache
def _radau():
    """Radau's rule on 0..1 with 1 among its nodes."""
    from scipy.special import roots_jacobi

    x, w = roots_jacobi(_ABOVE - 1, 1.0, 0.0)
    nodes = np.append(x, 1.0)
    weights = np.append(w / (1.0 - x), 2.0 / _ABOVE**2)
    return 0.5 * (nodes + 1.0), 0.5 * weights


def directions(ior):
    """(cosines, weights), (w, n) each: the quadrature within media of indices `ior` (w,), split where light is trapped.

    The last node is the normal itself. Weights sum to 1.
    """
    critical = np.sqrt(np.maximum(0.0, 1.0 - 1.0 / np.asarray(ior, float) ** 2))[:, None]
    (x, w), (y, v) = _gauss(), _radau()
    mu = np.concatenate([critical * x, critical + (1.0 - critical) * y], axis=1)
    return np.maximum(mu, 1e-9), np.maximum(np.concatenate([critical * w, (1.0 - critical) * v], axis=1), 1e-12)


def _phase(g, mu, weights):
    """(forward, backward) redistribution between the nodes, (w, n, n) each; rows sum, weighed, to 2 together."""
    n = mu.shape[1]
    moments = (g ** np.arange(n) - g**n) / (1.0 - g**n)
    legendre = np.stack([np.polynomial.legendre.Legendre.basis(k)(mu) for k in range(n)], axis=-1)
    scaled = legendre * ((2 * np.arange(n) + 1) * moments)
    parity = (-1.0) ** np.arange(n)
    along, back = scaled @ np.swapaxes(legendre, 1, 2), (scaled * parity) @ np.swapaxes(legendre, 1, 2)
    # What the rule misses of the whole goes where the light already is, so that nothing is lost.
    missing = 2.0 - ((along + back) * weights[:, None, :]).sum(axis=2)
    i = np.arange(n)
    along[:, i, i] += missing / weights
    return along, back


def _layer(absorption, scatter, g, thickness, mu, weights):
    """(R, T) of a slab without faces, (w, n, n): what becomes of flux in one node, in the others."""
    peak = g ** mu.shape[1]
    scatter = scatter * (1.0 - peak)
    depth = (absorption + scatter) * thickness
    albedo = np.where(depth > 0.0, scatter / np.maximum(absorption + scatter, 1e-300), 0.0)
    doublings = max(0, int(np.ceil(np.log2(max(float(depth.max()), 1e-30) / _THINNEST))))
    along, back = _phase(g, mu, weights)
    step = (depth / 2.0**doublings)[:, None, None]
    eye = np.eye(mu.shape[1])
    a = 0.5 * albedo[:, None, None]
    into = step / 2.0 / mu[:, :, None]
    forth = into * (eye - a * along * weights[:, None, :])
    over = into * a * back * weights[:, None, :]
    inner = np.linalg.inv(eye + forth)
    g_all = np.linalg.inv(eye + forth - over @ inner @ over)
    reflect, transmit = 2.0 * g_all @ over @ inner, 2.0 * g_all - eye
    for _ in range(doublings):
        between = transmit @ np.linalg.inv(eye - reflect @ reflect)
        reflect, transmit = reflect + between @ reflect @ transmit, between @ transmit
    flux = mu * weights
    scale = flux[:, :, None] / flux[:, None, :]
    return reflect * scale, transmit * scale


class Faces(NamedTuple):
    """What both faces of a slab do to light, on the cosines that `directions(ior)` gives within it.

    outside (w,): share of light at normal incidence that a face sends back outside; enter (w, n): what it lets in, by
    the cosine at which it goes on; back (w, n, n): from each cosine within (second axis) what it sends back to which
    (last axis); leave (w, n): what it lets out. Of light at several cosines outside they are (w, k) and (w, k, n).
    """

    outside: np.ndarray
    enter: np.ndarray
    back: np.ndarray
    leave: np.ndarray

    @classmethod
    def polished(cls, face_in, faces_within, let_in=None, let_out=None):
        """Of faces that bend light as mirrors do, from their reflectances: face_in (w,), faces_within (w, n).

        let_in, let_out: what they let through, where that is not all the rest.
        """
        within = np.asarray(faces_within, float)
        enter = np.zeros_like(within)
        enter[:, -1] = 1.0 - np.asarray(face_in) if let_in is None else let_in
        leave = 1.0 - within if let_out is None else let_out
        return cls(np.asarray(face_in, float), enter, within[:, :, None] * np.eye(within.shape[1]), leave)


def slab_shares(absorption, scatter, g, thickness_mm, ior, faces: Faces):
    """(reflected, let through), (w,) or (w, k) each as the faces are: the shares of light, in all directions together.

    absorption, scatter: coefficients per mm (w,); g: asymmetry, -1..1; ior: the slab's index (w,). Lengths in mm.
    """
    absorption, scatter = np.broadcast_arrays(np.asarray(absorption, float), np.asarray(scatter, float))
    mu, weights = directions(ior)
    n = mu.shape[1]
    if scatter.max(initial=0.0) > 0.0:
        reflect, transmit = _layer(absorption, scatter, g, thickness_mm, mu, weights)
    else:
        straight = np.exp(-absorption[:, None] * thickness_mm / mu)
        reflect, transmit = np.zeros((mu.shape[0], n, n)), straight[:, :, None] * np.eye(n)
    let_in = faces.enter.reshape(mu.shape[0], -1, n).swapaxes(1, 2)
    enter = np.concatenate([let_in, np.zeros_like(let_in)], axis=1)
    back = np.swapaxes(faces.back, 1, 2)
    whole = np.eye(2 * n) - np.block([[back @ reflect, back @ transmit], [back @ transmit, back @ reflect]])
    inside = np.linalg.solve(whole, enter)
    down, up = inside[:, :n], inside[:, n:]
    back, on = (
        np.einsum("wn,wnk->wk", faces.leave, light).reshape(faces.outside.shape)
        for light in (reflect @ down + transmit @ up, transmit @ down + reflect @ up)
    )
    return faces.outside + back, on
