"""Index of refraction by wavelength from an index and an Abbe number."""

import numpy as np

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
        raise ValueError("the index of refraction must be at least 1")
    if not np.all(abbe >= 0.0):
        raise ValueError("the Abbe number must not be negative (0: no dispersion)")
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
        raise ValueError("wavelength_nm must be above 0")
    a, b = cauchy_terms(ior, abbe)
    return a + b / wavelength**2


def abbe_number(n_d, n_f, n_c):
    """V_d from the indices at the d, F and C lines; inf where there is no dispersion."""
    with np.errstate(divide="ignore"):
        return np.divide(np.asarray(n_d, float) - 1.0, np.asarray(n_f, float) - np.asarray(n_c, float))
