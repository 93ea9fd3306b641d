"""Specular gloss (ISO 2813): the light a surface sends into the meter's receptor, against black glass."""

import math
from functools import cache

import numpy as np

from ..colour import WAVELENGTHS, grid_weights
from ..errors import InputError
from ..optics.quadrature import gauss
from ..surface import Surface
from ..surface.compile import compile_surface
from ..words import tr
from .integrate import flux_into_aperture, narrowest_width

ANGLES_DEG = (20.0, 60.0, 85.0)
STANDARD_IOR = 1.567
"""Polished black glass of this index reads 100 at every angle."""
SOURCE_DEG = (0.75, 2.5)
"""Aperture of the source's image, in the plane of incidence and across it (ISO 2813:2014, table 1)."""
RECEPTOR_DEG = {20.0: (1.8, 3.6), 60.0: (4.4, 11.7), 85.0: (4.0, 6.0)}
_SOURCE_NODES, _SOURCE_NODES_WIDE, _WIDE = (3, 3), (2, 2), 0.03
"""Nodes over the source's image; over it a lobe of wide slopes hardly changes: within 2 parts in 10⁴ as well."""
_ORDERS = {20.0: (8, 6), 60.0: (10, 8), 85.0: (12, 10)}
_ORDERS_WIDE = {20.0: (4, 5), 60.0: (5, 8), 85.0: (6, 10)}
"""Nodes outwards and about a lobe: near grazing it is drawn out, and needs most; one of wide slopes hardly changes on
the way outwards. Gloss within 2 parts in 10⁴ of rules four times as fine, for a roughness of 0.05 and more; of 0.02
within 4."""
_SPECTRAL_NODES = 5


@cache
def spectral_rule():
    """Wavelengths and weights for light C seen through V(lambda): its own Gauss rule, exact to degree 9.

    Golub & Welsch (1969) on the discrete weights, the recurrence by Stieltjes' procedure.
    """
    w = grid_weights("C")[:, 1]
    w = w / w.sum()
    x = (WAVELENGTHS - 580.0) / 200.0
    before, now = np.zeros_like(x), np.ones_like(x)
    diagonal, off = [], []
    for _ in range(_SPECTRAL_NODES):
        norm = w @ (now * now)
        diagonal.append(w @ (x * now * now) / norm)
        b = norm / (w @ (before * before)) if off or before.any() else 0.0
        off.append(math.sqrt(b))
        before, now = now, (x - diagonal[-1]) * now - b * before
    nodes, vectors = np.linalg.eigh(np.diag(diagonal) + np.diag(off[1:], 1) + np.diag(off[1:], -1))
    return 580.0 + 200.0 * nodes, vectors[0] ** 2


def _flux(compiled, angle_deg):
    """Light C, V(lambda) weighed, from the source's aperture into the receptor's."""
    theta = math.radians(angle_deg)
    half_source = [math.radians(d) / 2.0 for d in SOURCE_DEG]
    half = [math.radians(d) / 2.0 for d in RECEPTOR_DEG[angle_deg]]
    wavelengths, weights = spectral_rule()
    is_wide = narrowest_width(compiled) > _WIDE
    (xs, wx), (ys, wy) = (gauss(n) for n in (_SOURCE_NODES_WIDE if is_wide else _SOURCE_NODES))
    order = (_ORDERS_WIDE if is_wide else _ORDERS)[angle_deg]
    total = 0.0
    for x, w_x in zip(xs, wx, strict=True):
        sx = half_source[0] * (2.0 * x - 1.0)
        # The finish is isotropic: half of the source across stands for both.
        for y, w_y in zip(ys, wy, strict=True):
            source = sx, half_source[1] * y
            flux = flux_into_aperture(compiled, theta, half, wavelengths, source, order=order)
            total += w_x * w_y * math.cos(theta + sx) * float(weights @ flux)
    return total


@cache
def _standard_flux(angle_deg):
    glass = Surface({"ior": STANDARD_IOR, "colour": (0.0, 0.0, 0.0), "roughness": 0.0})
    return _flux(compile_surface(glass), angle_deg)


def gloss(compiled, angles_deg):
    """Gloss units (n,) at angles of 20, 60 or 85 degrees; ValueError for another."""
    for angle in angles_deg:
        if float(angle) not in RECEPTOR_DEG:
            raise InputError(tr("gloss is read at 20, 60 or 85 degrees"))
    return np.array([100.0 * _flux(compiled, float(a)) / _standard_flux(float(a)) for a in angles_deg])
