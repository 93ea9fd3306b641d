"""What one thin film on a base reflects and lets through: the exact Airy sum."""

import cmath
import math

import numpy as np

from ..errors import InputError
from ..words import tr
from .circle import circle
from .fresnel import checked_cosine
from .jit import kernel, leaf, mapped

_LEAST = 1e-150
"""What a root is taken to be at least, where it is divided by."""


@leaf
def _summed(a, b, n_re, n_im, d_re, d_im, cos_b, sin_b):
    """|(r01 + r12 q) / (1 + r01 r12 q)|² for r01 = a / b, r12 = n / d and q = cos_b + i sin_b, in one division."""
    x = n_re * cos_b - n_im * sin_b
    y = n_re * sin_b + n_im * cos_b
    above_re, above_im = a * d_re + b * x, a * d_im + b * y
    below_re, below_im = b * d_re + a * x, b * d_im + a * y
    return (above_re * above_re + above_im * above_im) / (below_re * below_re + below_im * below_im)


@leaf
def clear_film(cos_i, wavelength, film, thickness, base_n, base_k, outer):
    """`film_scalar` for a film through which light passes without loss, at angles at which it does: |q| = 1, and r01
    is real. In real numbers and without a branch: a loop of these is worked out several at a time."""
    sin_i2 = outer * outer * (1.0 - cos_i * cos_i)
    e0 = outer * outer
    e1 = film * film
    e2_re, e2_im = base_n * base_n - base_k * base_k, 2.0 * base_n * base_k
    kz0 = outer * cos_i
    kz1 = math.sqrt(e1 - sin_i2)
    # u + i v is the root of (n + i k)² - sin²; whichever of the two does not cancel comes first, and u v = n k.
    t = e2_re - sin_i2
    root = math.sqrt(0.5 * (math.sqrt(t * t + e2_im * e2_im) + abs(t)))
    other = 0.5 * e2_im / max(root, _LEAST)
    u, v = (root, other) if t >= 0.0 else (other, root)
    cos_b, sin_b = circle(2.0 * thickness / wavelength * kz1)
    s = _summed(kz0 - kz1, kz0 + kz1, kz1 - u, -v, kz1 + u, v, cos_b, sin_b)
    a, b = e1 * kz0 - e0 * kz1, e1 * kz0 + e0 * kz1
    x_re, x_im, y_re, y_im = e2_re * kz1, e2_im * kz1, e1 * u, e1 * v
    p = _summed(a, b, x_re - y_re, x_im - y_im, x_re + y_re, x_im + y_im, cos_b, sin_b)
    return 0.5 * (s + p)


@kernel
def film_scalar(cos_i, wavelength, film, thickness, base, outer):
    """Unpolarised reflectance of a film; `film` and `base` complex, `outer` real, lengths in one unit.

    Airy's sum r = (r01 + r12 q) / (1 + r01 r12 q), q = exp(2 i b), b = 2 pi n1 d cos(t1) / wavelength,
    for s and p apart (Born & Wolf 1999, section 1.6). The sign of each root is the one that decays
    into the medium.
    """
    if film.imag == 0.0 and film.real * film.real > outer * outer * (1.0 - cos_i * cos_i):
        return clear_film(cos_i, wavelength, film.real, thickness, base.real, base.imag, outer)
    s, p = film_amplitudes(cos_i, wavelength, film, thickness, base, outer)
    return 0.5 * (s.real * s.real + s.imag * s.imag + p.real * p.real + p.imag * p.imag)


@leaf
def _faces(cos_i, film, base, outer):
    """(kz1, r01, r12, p01, p12): the film's normal wave number against k0, and the amplitudes at both of its faces, for
    s and for p; film and base may absorb."""
    sin_i2 = outer * outer * (1.0 - cos_i * cos_i)
    kz0 = outer * cos_i
    e0 = outer * outer
    e1 = film * film
    e2 = base * base
    kz1 = cmath.sqrt(e1 - sin_i2)
    kz2 = cmath.sqrt(e2 - sin_i2)
    if kz1.imag < 0.0:
        kz1 = -kz1
    if kz2.imag < 0.0:
        kz2 = -kz2
    r01 = (kz0 - kz1) / (kz0 + kz1)
    r12 = (kz1 - kz2) / (kz1 + kz2)
    p01 = (e1 * kz0 - e0 * kz1) / (e1 * kz0 + e0 * kz1)
    p12 = (e2 * kz1 - e1 * kz2) / (e2 * kz1 + e1 * kz2)
    return kz1, r01, r12, p01, p12


@leaf
def _passage(times, wavelength, thickness, kz1):
    """What so many passages of the film leave of an amplitude, exp(i b)."""
    b = times * 2.0 * math.pi * thickness / wavelength
    return math.exp(-b * kz1.imag) * complex(math.cos(b * kz1.real), math.sin(b * kz1.real))


@kernel
def film_amplitudes(cos_i, wavelength, film, thickness, base, outer):
    """(s, p): the complex amplitudes that `film_scalar` squares; at normal incidence p is -s."""
    kz1, r01, r12, p01, p12 = _faces(cos_i, film, base, outer)
    q = _passage(2.0, wavelength, thickness, kz1)
    return (r01 + r12 * q) / (1.0 + r01 * r12 * q), (p01 + p12 * q) / (1.0 + p01 * p12 * q)


@kernel
def film_shares(cos_i, wavelength, film, thickness, base, outer):
    """(reflected, let into the base) of unpolarised light, as `film_scalar`; the base real, so that light can go on.

    A film that absorbs lets less through than it does not reflect; what it lets through is the same from either side.
    From the amplitudes t = t01 t12 exp(i b) / (1 + r01 r12 q) (Born & Wolf 1999, section 1.6), for p of the
    magnetic field.
    """
    reflected = film_scalar(cos_i, wavelength, film, thickness, base, outer)
    if film.imag == 0.0:
        return reflected, 1.0 - reflected
    left = base.real * base.real - outer * outer * (1.0 - cos_i * cos_i)
    if left <= 0.0 or cos_i <= 0.0:
        return reflected, 0.0
    kz0 = outer * cos_i
    kz2 = math.sqrt(left)
    kz1, r01, r12, p01, p12 = _faces(cos_i, film, base, outer)
    once = _passage(1.0, wavelength, thickness, kz1)
    s = (1.0 + r01) * (1.0 + r12) * once / (1.0 + r01 * r12 * once * once)
    p = (1.0 + p01) * (1.0 + p12) * once / (1.0 + p01 * p12 * once * once)
    s_let = (s.real * s.real + s.imag * s.imag) * kz2 / kz0
    p_let = (p.real * p.real + p.imag * p.imag) * (kz2 / (base.real * base.real)) / (kz0 / (outer * outer))
    return reflected, 0.5 * (s_let + p_let)


@kernel
def _film(cos_theta, wavelength, film, thickness, base, outer, out):
    for i in range(out.size):
        # At exact grazing from the outer medium everything is reflected; the sum would be 0/0.
        if cos_theta[i] <= 0.0:
            out[i] = 1.0
        else:
            out[i] = film_scalar(cos_theta[i], wavelength[i], film[i], thickness[i], base[i], outer[i])


def film_reflectance(cos_theta, wavelength_nm, film_n, film_thickness_nm, base_n, base_k=0.0, outer_n=1.0):
    """Unpolarised power reflectance of a film of `film_n` on a base of `base_n + i base_k`.

    All arguments broadcast. cos_theta: in the outer medium, 0..1. wavelength_nm > 0, in vacuum.
    film_n: real, or complex n + i k for a film that absorbs. film_thickness_nm >= 0; at 0 the bare
    base is returned. outer_n > 0, real. Returns 0..1. Raises ValueError outside these domains.
    Source: Airy (1833) in the form of Born & Wolf (1999), section 1.6.
    """
    film_n = np.asarray(film_n, dtype=complex)
    base = np.asarray(base_n, dtype=float) + 1j * np.asarray(base_k, dtype=float)
    wavelength, thickness = np.asarray(wavelength_nm, float), np.asarray(film_thickness_nm, float)
    outer = np.asarray(outer_n, dtype=float)
    if not np.all(wavelength > 0.0):
        raise InputError(tr("wavelength_nm must be above 0"))
    if not np.all(thickness >= 0.0):
        raise InputError(tr("film_thickness_nm must not be negative"))
    if not (np.all(film_n.real > 0.0) and np.all(base.real > 0.0) and np.all(outer > 0.0)):
        raise InputError(tr("film_n, base_n and outer_n must be above 0"))
    if not (np.all(film_n.imag >= 0.0) and np.all(base.imag >= 0.0)):
        raise InputError(tr("an extinction coefficient must not be negative"))
    return mapped(_film, float, checked_cosine(cos_theta), wavelength, film_n, thickness, base, outer)


@kernel
def _let(cos_theta, wavelength, film, thickness, base, outer, out):
    for i in range(out.size):
        out[i] = film_shares(cos_theta[i], wavelength[i], film[i], thickness[i], complex(base[i], 0.0), outer[i])[1]


def film_transmittance(cos_theta, wavelength_nm, film_n, film_thickness_nm, base_n, outer_n=1.0):
    """Unpolarised share of the power that a film of `film_n` on a base of `base_n` lets into the base.

    Arguments and source as `film_reflectance`, but that the base is real. At grazing nothing is let in.
    """
    whole = film_reflectance(cos_theta, wavelength_nm, film_n, film_thickness_nm, base_n, 0.0, outer_n)
    at = (np.asarray(cos_theta, float), np.asarray(wavelength_nm, float), np.asarray(film_n, complex))
    below = (np.asarray(film_thickness_nm, float), np.asarray(base_n, float), np.asarray(outer_n, float))
    return np.minimum(mapped(_let, float, *at, *below), 1.0 - whole)


@kernel
def _amplitudes(cos_theta, wavelength, film, thickness, base, outer, is_p, out):
    for i in range(out.size):
        s, p = film_amplitudes(cos_theta[i], wavelength[i], film[i], thickness[i], base[i], outer[i])
        out[i] = p if is_p[i] > 0.0 else s


def reflection_amplitudes(cos_theta, wavelength_nm, base, film=1.0, film_thickness_nm=0.0, outer_n=1.0):
    """(r_s, r_p), complex, of a base under a film; at normal incidence r_p = -r_s.

    base and film: complex n + i k, time as exp(-i w t); arguments broadcast, cos_theta above 0. With no thickness the
    base is bare. Source: as `film_reflectance`; signs as in Azzam & Bashara (1977), section 4.2.
    """
    at = (checked_cosine(cos_theta), np.asarray(wavelength_nm, float), np.asarray(film, complex))
    below = (np.asarray(film_thickness_nm, float), np.asarray(base, complex), np.asarray(outer_n, float))
    return mapped(_amplitudes, complex, *at, *below, 0.0), mapped(_amplitudes, complex, *at, *below, 1.0)
