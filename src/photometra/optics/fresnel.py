"""Reflectance of a plane interface between two media.

Conventions: time dependence exp(-i w t), so a complex index is n + i k with k >= 0 for a medium that
absorbs. `cos_theta` is the cosine of the angle of incidence, measured in the medium the light comes
from, and lies in 0..1. All reflectances are of power and unpolarised unless the name says otherwise.
"""

import math

import numpy as np

from ..errors import InputError
from ..words import tr
from .jit import kernel, leaf, mapped

_LEAST = 1e-300
"""What a product of squares is taken to be at least, where it is divided by: at grazing all is reflected."""


@leaf
def dielectric_scalar(cos_i, eta):
    """Unpolarised reflectance of a dielectric interface; `eta` is n_transmitted / n_incident.

    Without a branch and in one division, so that a loop of these is worked out several at a time.
    """
    sine2 = 1.0 - cos_i * cos_i
    # g = eta cos_t, of which the square is below 0 beyond the critical angle.
    g2 = eta * eta - sine2
    g = math.sqrt(max(0.0, g2))
    # r_s = (c - g) / (c + g), and r_p = r_s (c g - s²) / (c g + s²).
    above, below = cos_i - g, cos_i + g
    less, more = cos_i * g - sine2, cos_i * g + sine2
    f = 0.5 * above * above * (more * more + less * less) / max(below * below * more * more, _LEAST)
    return f if g2 > 0.0 else 1.0


@leaf
def conductor_scalar(cos_i, n, k):
    """Unpolarised reflectance of a plane conductor in air (Born & Wolf 1999, section 14.2)."""
    c2 = cos_i * cos_i
    s2 = 1.0 - c2
    n2 = n * n
    k2 = k * k
    t0 = n2 - k2 - s2
    a2b2 = math.sqrt(t0 * t0 + 4.0 * n2 * k2)
    # a + i b is the root of (n + i k)² - s2; whichever of the two does not cancel comes first, and a b = n k.
    if t0 >= 0.0:
        a = math.sqrt(0.5 * (a2b2 + t0))
    else:
        a = n * k / math.sqrt(0.5 * (a2b2 - t0))
    t1 = a2b2 + c2
    t2 = 2.0 * a * cos_i
    r_s = (t1 - t2) / (t1 + t2)
    t3 = c2 * a2b2 + s2 * s2
    t4 = t2 * s2
    r_p = r_s * (t3 - t4) / (t3 + t4)
    return 0.5 * (r_s + r_p)


COS_EDGE = 1.0 / 7.0
"""The cosine at which an edge colour is given: about 82 degrees, where Schlick's curve errs most."""


@leaf
def face_edge_scalar(cos_i, face, edge):
    """Reflectance of a metal known by its reflectance at 0 degrees and at 82 degrees.

    Schlick's curve with one term added that vanishes at 0 and at 90 degrees (Kutz, Hasan & Edmondson
    2021), its strength set so that the reflectance at `COS_EDGE` is `edge`. Clipped to 0..1.
    """
    m = 1.0 - cos_i
    m2 = m * m
    schlick = face + (1.0 - face) * m2 * m2 * m
    e = 1.0 - COS_EDGE
    e5 = e * e * e * e * e
    b = (face + (1.0 - face) * e5 - edge) / (COS_EDGE * e5 * e)
    return min(1.0, max(0.0, schlick - b * cos_i * m2 * m2 * m2))


@kernel
def _dielectric(cos_theta, eta, out):
    for i in range(out.size):
        out[i] = dielectric_scalar(cos_theta[i], eta[i])


@kernel
def _conductor(cos_theta, n, k, out):
    for i in range(out.size):
        out[i] = conductor_scalar(cos_theta[i], n[i], k[i])


@kernel
def _face_edge(cos_theta, face, edge, out):
    for i in range(out.size):
        out[i] = face_edge_scalar(cos_theta[i], face[i], edge[i])


def checked_cosine(cos_theta):
    """`cos_theta` as a float array; ValueError where a value is outside 0..1 or not a number."""
    cos_theta = np.asarray(cos_theta, dtype=float)
    if not np.all((cos_theta >= 0.0) & (cos_theta <= 1.0)):
        raise InputError(tr("cos_theta must lie in 0..1: it is measured on the side the light comes from"))
    return cos_theta


def fresnel_dielectric(cos_theta, eta):
    """Unpolarised power reflectance of a smooth interface between two clear media.

    cos_theta: cosine of incidence, 0..1, any shape. eta: n_transmitted / n_incident, > 0, broadcast
    against cos_theta. Returns 0..1; beyond the critical angle exactly 1.
    Raises ValueError for a cosine outside 0..1 or eta <= 0. Source: Fresnel (1823), as in Born & Wolf.
    """
    eta = np.asarray(eta, dtype=float)
    if not np.all(eta > 0.0):
        raise InputError(tr("eta, the ratio of the indices, must be above 0"))
    return mapped(_dielectric, float, checked_cosine(cos_theta), eta)


def fresnel_conductor(cos_theta, n, k):
    """Unpolarised power reflectance of a smooth metal in air with complex index n + i k.

    Arguments broadcast; n > 0, k >= 0. Returns 0..1. Raises ValueError outside those domains.
    Source: Born & Wolf (1999), section 14.2.
    """
    n, k = np.asarray(n, dtype=float), np.asarray(k, dtype=float)
    if not (np.all(n > 0.0) and np.all(k >= 0.0)):
        raise InputError(tr("n must be above 0 and k must not be negative"))
    return mapped(_conductor, float, checked_cosine(cos_theta), n, k)


def fresnel_face_edge(cos_theta, face, edge):
    """Reflectance of a metal given by its reflectance facing us and at 82 degrees; all broadcast, 0..1."""
    return mapped(_face_edge, float, checked_cosine(cos_theta), np.asarray(face, float), np.asarray(edge, float))
