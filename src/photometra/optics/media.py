"""Light inside matter: absorption along a path, and through a slab."""

import math

import numpy as np

from ..errors import InputError
from ..words import tr
from .fresnel import fresnel_dielectric
from .jit import leaf


def absorption_from_extinction(wavelength_nm, k):
    """Absorption coefficient per mm of a medium with extinction coefficient k: 4 pi k / wavelength."""
    return 4.0 * math.pi * np.asarray(k, float) / (np.asarray(wavelength_nm, float) * 1e-6)


def absorption_from_colour(transmitted, depth_mm):
    """Absorption coefficient per mm with which `transmitted` (0..1] of the light is left at `depth_mm`."""
    return -np.log(np.maximum(np.asarray(transmitted, float), 1e-6)) / np.asarray(depth_mm, float)


_HALVES = 2.0 ** -np.arange(1076.0)
_LOG2_E = 1.0 / math.log(2.0)


@leaf
def left_after(depth):
    """exp(-depth) for an optical depth of 0 or more, the share of light that is left; within 5e-11 of it.

    A power of two from a table, the rest by a polynomial (least squares of the relative error): a third of the
    library's time, and a loop of these is worked out several at a time.
    """
    x = min(depth * _LOG2_E, 1074.0)
    whole = int(x)
    f = x - whole
    low = 0.9999999999590171 + f * (-0.693147175704073 + f * (0.2402264105867518 + f * -0.05550336876829935))
    high = 0.009615303063347468 + f * (
        -0.001327415416417122 + f * (0.0001469911558908491 + f * -1.074489593508602e-05)
    )  # fmt: skip
    return _HALVES[whole] * (low + f * f * f * f * high)


@leaf
def interreflections(let_in, near, far, let_out, once):
    """(thrown back by the far face, let through) of light that goes to and fro between two faces, no phase kept.

    let_in: what the near face lets through, either way; near, far: what the faces reflect from within; let_out: what
    the far face lets through; once: what one passage between them leaves. What the near face throws back at first is
    not counted. Arrays by way of `interreflections.py_func`. Source: Stokes (1862).
    """
    rounds = 1.0 - near * far * once * once
    return let_in * let_in * once * once * far / rounds, let_in * let_out * once / rounds


def slab_transmittance(ior, absorption_per_mm, thickness_mm):
    """Regular transmittance of a plane slab in air at normal incidence, multiple reflections included.

    Arguments broadcast. T = (1-R)² e / (1 - R² e²), e = exp(-a d): incoherent sum over the internal
    reflections (Born & Wolf 1999, section 7.6, without interference). ior >= 1; absorption and
    thickness >= 0, else ValueError.
    """
    ior, absorption = np.asarray(ior, float), np.asarray(absorption_per_mm, float)
    thickness = np.asarray(thickness_mm, float)
    if not np.all(ior >= 1.0):
        raise InputError(tr("the index of refraction must be at least 1"))
    if not (np.all(absorption >= 0.0) and np.all(thickness >= 0.0)):
        raise InputError(tr("absorption and thickness must not be negative"))
    r = fresnel_dielectric(1.0, ior)
    e = np.exp(-absorption * thickness)
    return interreflections.py_func(1.0 - r, r, r, 1.0 - r, e)[1]
