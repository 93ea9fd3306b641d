"""The thin film against a plain transfer-matrix library: 81 wavelengths by 90 angles, both polarisations."""

import time
import warnings

import numpy as np

from photometra.colour import WAVELENGTHS
from photometra.optics import film_reflectance

from .figures import Figure, median_seconds


def run():
    with warnings.catch_warnings():
        warnings.simplefilter("ignore")
        import tmm

    angles = np.radians(np.arange(90.0))
    cosines = np.cos(angles)[:, None]
    ours = median_seconds(lambda: film_reflectance(cosines, WAVELENGTHS, 1.38, 120.0, 1.52), 25)
    start, found = time.perf_counter(), np.empty((90, 81))
    for i, angle in enumerate(angles):
        for j, wavelength in enumerate(WAVELENGTHS):
            found[i, j] = np.mean(
                [tmm.coh_tmm(p, [1.0, 1.38, 1.52], [np.inf, 120.0, np.inf], angle, wavelength)["R"] for p in ("s", "p")]
            )
    theirs = time.perf_counter() - start
    apart = float(np.abs(found - film_reflectance(cosines, WAVELENGTHS, 1.38, 120.0, 1.52)).max())
    yield Figure(f"thin film, times a transfer-matrix library (apart {apart:.0e})", theirs / ours, "×", 1000.0, True)
