"""The spectrum of the light that a render shows at a place."""

import numpy as np

from ..tracing import Rendering
from ..tracing.bands import BANDS_NM, band_films
from .booths import compiled_in, limits_of, scene_of

_PATHS = 60_000
_FEWEST = 16


def spectrum_at(study, specimen, only, cancel=None, paths=_PATHS, seed=1):
    """(wavelength_nm (41,), radiance (41,)): the mean over the marked pixels, bool (h, w), of a render; None where
    cancelled. Flat white light of the environment's own strength is 1 everywhere."""
    height, width = only.shape
    scene = scene_of(study, specimen)
    compiled, limits = compiled_in(scene, specimen), limits_of(study.booth)
    films = band_films()
    samples = int(np.clip(paths / len(films) / max(int(only.sum()), 1), _FEWEST, 4096))
    radiance = np.zeros(BANDS_NM.size)
    for bands, film in films:
        rendering = Rendering(compiled, scene, width, height, seed, limits, only=only, sensor=film)
        if not rendering.add(samples, cancel):
            return None
        radiance[bands] = rendering.picture()[only].mean(axis=0)
    return BANDS_NM, radiance
