"""Readings made of other readings by a closed form."""

import numpy as np

from ..errors import InputError
from ..optics.dispersion import constants_from_ellipsometry
from ..readings import Reading, averaged, make_reading
from ..words import tr

_STEP_DEG = 1e-3


def constants_of_ellipsometry(reading: Reading) -> Reading:
    """Optical constants of a bare surface from its ellipsometry, angles averaged, with their standard uncertainty.

    Of a filmed surface they are the pseudo-constants of the whole. ValueError where a point has no answer.
    """
    keep = ~reading.masked
    angle, psi, delta = (reading.columns[c][keep] for c in ("angle_deg", "psi_deg", "delta_deg"))
    n, k = constants_from_ellipsometry(angle, psi, delta)
    if not (np.isfinite(n).all() and np.isfinite(k).all()):
        raise InputError(tr("{0}: a point of it has no constants of a bare surface; leave it out", reading.name))
    by_psi, by_delta = (
        [(a - b) / _STEP_DEG for a, b in zip(constants_from_ellipsometry(angle, *moved), (n, k), strict=True)]
        for moved in ((psi + _STEP_DEG, delta), (psi, delta + _STEP_DEG))
    )
    s = [reading.sigma[c][keep] for c in ("psi_deg", "delta_deg")]
    sigma = {c: np.maximum(np.hypot(by_psi[i] * s[0], by_delta[i] * s[1]), 1e-6) for i, c in enumerate(("n", "k"))}
    columns = {"wavelength_nm": reading.columns["wavelength_nm"][keep], "n": n, "k": np.maximum(k, 0.0)}
    whole = make_reading(
        tr("Constants of {0}", reading.name), "constants", columns, sigma, source=tr("from {0}", reading.name)
    )
    return averaged(whole)
