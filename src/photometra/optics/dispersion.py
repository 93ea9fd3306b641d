"""Index of refraction by wavelength: from an index and an Abbe number, or from a model of electrons."""

import numpy as np

from ..errors import InputError
from ..words import tr

LINE_D_SODIUM_NM = 589.3
"""The sodium doublet's mean, where `ior` is stated."""
LINE_D_NM = 587.56
LINE_F_NM = 486.13
LINE_C_NM = 656.27


def cauchy_terms(ior, abbe):
    """A and B (nm²) of Cauchy's n = A + B / wavelength² for an index at 589.3 nm and an Abbe number.

    The Abbe number is V_d = (n_d - 1) / (n_F - n_C). An `abbe` of 0 means no dispersion: B = 0.
    Solved exactly, because n_d itself depends on B. Raises ValueError for ior < 1 or abbe < 0.
    """
    ior, abbe = np.broadcast_arrays(np.asarray(ior, float), np.asarray(abbe, float))
    if not np.all(ior >= 1.0):
        raise InputError(tr("the index of refraction must be at least 1"))
    if not np.all(abbe >= 0.0):
        raise InputError(tr("the Abbe number must not be negative (0: no dispersion)"))
    spread = LINE_F_NM**-2 - LINE_C_NM**-2
    offset = LINE_D_NM**-2 - LINE_D_SODIUM_NM**-2
    # ior - 1 + B * offset = abbe * B * spread
    with np.errstate(divide="ignore", invalid="ignore"):
        b = np.where(abbe > 0.0, (ior - 1.0) / (abbe * spread - offset), 0.0)
    return ior - b * LINE_D_SODIUM_NM**-2, b


def cauchy_ior(wavelength_nm, ior, abbe):
    """Index at `wavelength_nm` of a medium with index `ior` at 589.3 nm and Abbe number `abbe`.

    Arguments broadcast; wavelength_nm > 0; abbe 0 means no dispersion. Two-term Cauchy (1836).
    Raises ValueError outside the domains.
    """
    wavelength = np.asarray(wavelength_nm, dtype=float)
    if not np.all(wavelength > 0.0):
        raise InputError(tr("wavelength_nm must be above 0"))
    a, b = cauchy_terms(ior, abbe)
    return a + b / wavelength**2


def abbe_number(n_d, n_f, n_c):
    """V_d from the indices at the d, F and C lines; inf where there is no dispersion."""
    with np.errstate(divide="ignore"):
        return np.divide(np.asarray(n_d, float) - 1.0, np.asarray(n_f, float) - np.asarray(n_c, float))


EV_NM = 1239.841984
"""Photon energy in eV times wavelength in nm (CODATA 2018)."""


def drude_lorentz(wavelength_nm, background, plasma_ev, damping_ev, oscillators=()):
    """(n, k) at wavelengths of free electrons and bound ones: Drude (1900) and Lorentz (1905), time as exp(-i w t).

    eps = background - plasma² / (E² + i damping E) + sum of strength e² / (e² - E² - i width E), over oscillators
    (strength, energy e, width), with the photon energy E; energies and widths in eV, above 0. background > 0.
    Raises ValueError outside the domains.
    """
    energy = EV_NM / np.asarray(wavelength_nm, float)
    if background <= 0.0 or damping_ev <= 0.0 or plasma_ev < 0.0:
        raise InputError(tr("background and damping must be above 0, the plasma energy not below"))
    eps = background - plasma_ev**2 / (energy**2 + 1j * damping_ev * energy)
    for strength, at, width in oscillators:
        if strength < 0.0 or at <= 0.0 or width <= 0.0:
            raise InputError(tr("an oscillator's energy and width must be above 0, its strength not below"))
        eps = eps + strength * at**2 / (at**2 - energy**2 - 1j * width * energy)
    root = np.sqrt(eps)
    return root.real, root.imag


def constants_from_ellipsometry(angle_deg, psi_deg, delta_deg):
    """(n, k) of a bare surface in air from psi and delta, as `instruments.polarised` states them; arguments broadcast.

    The closed inversion of one interface (Azzam & Bashara 1977, section 4.2); under a film, the pseudo-constants.
    """
    rho = np.tan(np.radians(psi_deg)) * np.exp(-1j * np.radians(delta_deg))
    sine2 = np.sin(np.radians(angle_deg)) ** 2
    tangent2 = np.tan(np.radians(angle_deg)) ** 2
    eps = sine2 * (1.0 + tangent2 * ((1.0 - rho) / (1.0 + rho)) ** 2)
    root = np.sqrt(eps)
    root = np.where(root.imag < 0.0, -root, root)
    return root.real, root.imag


def index_by_formula(number, c, um):
    """Index of refraction at wavelengths in µm by one of the nine customary dispersion formulas: 1 Sellmeier, 2 the
    same of squared poles, 3 polynomial, 4 and 9 mixed, 5 Cauchy, 6 gases, 7 Herzberger, 8 Lorentz–Lorenz."""
    um, c = np.asarray(um, float), np.asarray(c, float)
    square = um**2
    pairs = list(zip(c[1::2], c[2::2], strict=False))
    with np.errstate(all="ignore"):
        if number == 1:
            return np.sqrt(1.0 + c[0] + sum(a * square / (square - b**2) for a, b in pairs))
        if number == 2:
            return np.sqrt(1.0 + c[0] + sum(a * square / (square - b) for a, b in pairs))
        if number == 3:
            return np.sqrt(c[0] + sum(a * um**b for a, b in pairs))
        if number == 4:
            c = np.concatenate([c, np.zeros(max(0, 9 - c.size))])
            out = c[0] + sum(c[i] * um ** c[i + 1] / (square - c[i + 2] ** c[i + 3]) for i in (1, 5) if c[i] != 0.0)
            return np.sqrt(out + sum(a * um**b for a, b in zip(c[9::2], c[10::2], strict=False)))
        if number == 5:
            return c[0] + sum(a * um**b for a, b in pairs)
        if number == 6:
            return 1.0 + c[0] + sum(a / (b - 1.0 / square) for a, b in pairs)
        if number == 7:
            c = np.concatenate([c, np.zeros(max(0, 6 - c.size))])
            pole = 1.0 / (square - 0.028)
            return c[0] + c[1] * pole + c[2] * pole**2 + c[3] * square + c[4] * square**2 + c[5] * square**3
        if number == 8:
            right = c[0] + c[1] * square / (square - c[2]) + c[3] * square
            return np.sqrt((1.0 + 2.0 * right) / (1.0 - right))
        if number == 9:
            return np.sqrt(c[0] + c[1] / (square - c[2]) + c[3] * (um - c[4]) / ((um - c[4]) ** 2 + c[5]))
    raise ValueError(number)


def index_of_reflectance(face):
    """Index of a dielectric that reflects a share of light at normal incidence: Fresnel's law turned round."""
    root = np.sqrt(face)
    return (1.0 + root) / (1.0 - root)
