"""Rules for integrals over 0..1."""

from functools import cache

import numpy as np


@cache
def gauss(count):
    """Nodes and weights of Gauss–Legendre on 0..1."""
    nodes, weights = np.polynomial.legendre.leggauss(count)
    return 0.5 * (nodes + 1.0), 0.5 * weights


@cache
def towards_end(count):
    """The same with its places close together at 1: there, of facets, narrow finishes begin to shadow."""
    nodes, weights = gauss(count)
    return 1.0 - (1.0 - nodes) ** 2, 2.0 * (1.0 - nodes) * weights
