"""What the tracer sees by wavelength: films that answer three narrow bands each, side by side over the visible."""

import numpy as np

from ..colour import WAVELENGTHS
from .spectral import HEROES

BAND_NM = 10.0
BANDS_NM = np.arange(380.0, 781.0, BAND_NM)
"""Middles of the bands."""
_CELLS = 1536


def band_films():
    """Sensors as `sensor_table`, one for every three bands: on each, all wavelengths of a path lie in its bands, and a
    flat spectrum of 1 reads 1 in them. [(indices of its bands, table (n, 4))]"""
    step = WAVELENGTHS[1] - WAVELENGTHS[0]
    out = []
    for first in range(0, BANDS_NM.size, 3):
        bands = np.minimum(np.arange(first, first + 3), BANDS_NM.size - 1)
        # Cells of the three take turns, so that the wavelengths of a path do.
        which = np.arange(_CELLS) % 3
        within = (np.arange(_CELLS) // 3 + 0.5) / (_CELLS // 3) - 0.5
        nm = np.clip(BANDS_NM[bands[which]] + within * BAND_NM, WAVELENGTHS[0], WAVELENGTHS[-1])
        weights = (which[:, None] == np.arange(3)) * (3.0 / HEROES)
        out.append((bands, np.ascontiguousarray(np.column_stack([(nm - WAVELENGTHS[0]) / step, weights]))))
    return out
