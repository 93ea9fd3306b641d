"""Light scattered more than once in a layer of fibres: successive orders of scattering (van de Hulst 1980, 4.4).

On a few cosines up and down and depths in between, averaged over the turn about the normal; the source of one order
runs straight between two depths, which the way out then takes exactly.
"""

from functools import lru_cache

import numpy as np

from .fibres import DEPTH

_NODES, _LEVELS, _TURNS, _ORDERS = 20, 33, 24, 14
"""Cosines of a hemisphere, depths, turns, and orders followed one by one; what is left after them goes on as it did."""


@lru_cache(maxsize=1)
def _rule():
    nodes, weights = np.polynomial.legendre.leggauss(_NODES)
    return 0.5 * (nodes + 1.0), 0.5 * weights


def _crossing(mu, s):
    return np.sqrt(np.maximum(0.0, 1.0 - mu * mu) + s * s * mu * mu)


def _scattering(mu, s):
    """(n, n, 2): of light at cosine i, per radian and unit of depth, what goes to cosine j on the side it came from and
    on the other; mean over the turn."""
    phi = np.pi * (np.arange(_TURNS) + 0.5) / _TURNS
    a, b, turn = mu[:, None, None], mu[None, :, None], np.cos(phi)
    sides = []
    for sign in (1.0, -1.0):
        flat = 1.0 - a * a + 1.0 - b * b + 2.0 * np.sqrt((1.0 - a * a) * (1.0 - b * b)) * turn
        z = (a + sign * b) ** 2
        z = z / np.maximum(flat + z, 1e-12)
        q = s * s * (1.0 - z) + z
        sides.append((s**3 / (np.pi * q * q)).mean(axis=2) / 4.0)
    return np.stack(sides, axis=2)


def _ways(mu, s):
    """(down, up), (n, levels, levels): what a source at each depth adds to the light at each, by cosine."""
    rate = _crossing(mu, s) / mu
    step = DEPTH / (_LEVELS - 1)
    x = rate * step
    once = np.exp(-x)
    # Of a source that runs straight over a step: what its near and its far end add beyond it.
    near = np.where(x > 1e-4, 1.0 - (1.0 - once) / np.maximum(x, 1e-12), 0.5 * x) / rate
    far = np.where(x > 1e-4, (1.0 - once) / np.maximum(x, 1e-12) - once, 0.5 * x) / rate
    down = np.zeros((mu.size, _LEVELS, _LEVELS))
    for k in range(1, _LEVELS):
        down[:, k] = once[:, None] * down[:, k - 1]
        down[:, k, k] += near
        down[:, k, k - 1] += far
    return down / mu[:, None, None], down[:, ::-1, ::-1] / mu[:, None, None]


@lru_cache(maxsize=32)
def order_shares(s):
    """(cosines (n,), shares (2, orders, n)): of white fibres of width s, what comes back and what is let through after
    1, 2, … scatterings, by the cosine at which the light came. The last order holds all further ones.
    """
    mu, weights = _rule()
    depths = np.linspace(0.0, DEPTH, _LEVELS)
    same, other = np.moveaxis(2.0 * np.pi * _scattering(mu, s) * weights[None, :, None], 2, 0)
    down, up = _ways(mu, s)
    # By the cosine of what comes in (first axis): its light at each depth, per unit that falls on the layer.
    light_down = np.exp(-depths * (_crossing(mu, s) / mu)[:, None])[:, :, None] * np.eye(mu.size)[:, None, :]
    light_down = light_down / (mu * weights)[:, None, None]
    light_up = np.zeros_like(light_down)
    flux = mu * weights
    out = np.zeros((2, _ORDERS, mu.size))
    # `same` sends light back to the hemisphere that it came from, `other` on into the one that it goes to.
    back, on = (same / weights[None, :] * weights[:, None]), (other / weights[None, :] * weights[:, None])
    for k in range(_ORDERS):
        source_down = light_down @ on + light_up @ back
        source_up = light_down @ back + light_up @ on
        light_down = np.einsum("jkl,ilj->ikj", down, source_down, optimize=True)
        light_up = np.einsum("jkl,ilj->ikj", up, source_up, optimize=True)
        out[0, k], out[1, k] = light_up[:, 0] @ flux, light_down[:, -1] @ flux
    # Late orders fall off alike: the tail is a geometric row.
    ratio = np.clip(out[:, -1] / np.maximum(out[:, -2], 1e-12), 0.0, 0.95)
    out[:, -1] /= 1.0 - ratio
    # Upright fibres are too peaked for so few cosines by a hundredth or two: what falls in must come out.
    straight = np.exp(-DEPTH * _crossing(mu, s) / mu)
    return mu, out * (1.0 - straight) / out.sum(axis=(0, 1))
