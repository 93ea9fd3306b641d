"""From three numbers to a spectrum: smooth bounded reflectances, and a basis for lights.

Reflectance: S(l) = s(c0 t² + c1 t + c2), s(x) = 1/2 + x / (2 sqrt(1 + x²)) (Jakob & Hanika 2019), the
three coefficients found for each colour by damped Gauss–Newton on the colour it has under D65, not
read off a table, so that the round trip is limited by the gamut alone.
"""

from functools import lru_cache
from importlib.resources import files

import numpy as np

from .observers import WAVELENGTHS, grid_weights
from .spaces import RGB_TO_XYZ, XYZ_TO_RGB

_T = (WAVELENGTHS - 580.0) / 200.0
_POWERS = np.stack([_T**2, _T, np.ones_like(_T)])
_STEPS = 60


def _reflectance(c):
    x = c @ _POWERS
    return 0.5 + 0.5 * x / np.sqrt(1.0 + x * x), x


def _solved(target, c, weights):
    """Damped Gauss–Newton from `c` towards the linear RGB `target`; returns (coefficients, error)."""

    def misfit(c):
        s, x = _reflectance(c)
        # Cube roots weigh the error as the eye does: a dark colour must come back as well as a light one.
        root = np.cbrt(np.maximum(s @ weights, 1e-9))
        return root - goal, x, root

    goal = np.cbrt(np.maximum(target, 1e-9))
    damping = 1e-3
    e, x, root = misfit(c)
    for _ in range(_STEPS):
        slope = 0.5 * (1.0 + x * x) ** -1.5
        jacobian = (weights.T * slope) @ _POWERS.T / (3.0 * root[:, None] ** 2)
        normal = jacobian.T @ jacobian
        normal[np.diag_indices(3)] += damping * (np.diag(normal) + 1e-9)
        trial = c - np.linalg.solve(normal, jacobian.T @ e)
        e_t, x_t, root_t = misfit(trial)
        if e_t @ e_t < e @ e:
            c, e, x, root = trial, e_t, x_t, root_t
            damping = max(damping * 0.2, 1e-12)
            if e @ e < 1e-20:
                break
        else:
            damping *= 8.0
            if damping > 1e12:
                break
    return c, float(e @ e)


@lru_cache(maxsize=4096)
def _uplifted(rgb):
    target = np.clip(np.array(rgb), 0.0, 1.0)
    if target.max() - target.min() < 1e-9:
        return np.full(WAVELENGTHS.size, target.mean())
    return reflectance_of_xyz(target @ RGB_TO_XYZ.T)


def reflectance_of_xyz(target_xyz):
    """The reflectance on `WAVELENGTHS` whose colour under D65 is XYZ (3,), Y = 1 for white, or as near as one comes.

    Smooth and within 0..1 by its form; colours more saturated than any such reflectance come out less so.
    """
    weights = grid_weights("D65")
    target_xyz = np.asarray(target_xyz, float)
    level = np.clip(target_xyz[1], 1e-3, 1.0 - 1e-3)
    start = np.array([0.0, 0.0, (2 * level - 1) / np.sqrt(1 - (2 * level - 1) ** 2)])
    c, error = _solved(target_xyz, start, weights)
    if error > 1e-12:
        # A saturated colour: walk there from grey.
        grey = np.full(3, level) @ RGB_TO_XYZ.T
        there = start
        for share in np.linspace(0.1, 1.0, 10):
            there, walked_error = _solved(grey + share * (target_xyz - grey), there, weights)
        if walked_error < error:
            c = there
    return _reflectance(c)[0]


def reflectance_of_rgb(rgb):
    """The reflectance on `WAVELENGTHS` whose colour under D65 is the linear sRGB `rgb`, each in 0..1.

    Greys give a flat spectrum exactly. Values outside 0..1 are clipped. Shape (81,).
    """
    return _uplifted(tuple(round(float(v), 12) for v in rgb))


@lru_cache(maxsize=1)
def sensor_matrix():
    """Weights (81, 3) from radiance on `WAVELENGTHS` to linear Rec.709 in which a flat 1 reads 1, 1, 1.

    Radiances are relative to daylight D65, the white of Rec.709: a flat 1 is that light. So a surface lit by it has the
    colour in the picture that an instrument tells of it under D65.
    """
    rgb = grid_weights("D65") @ XYZ_TO_RGB.T
    return rgb / rgb.sum(axis=0)


@lru_cache(maxsize=1)
def light_basis():
    """Three spectra (81, 3), never negative, that sum to 1 everywhere: radiance of a light of given RGB.

    The smoothest such set that `sensor_matrix` turns back into the same RGB; `tools/make_light_basis.py` makes it, as
    that takes longer than a window may wait.
    """
    text = files("photometra.colour").joinpath("data/light_basis.csv").read_text(encoding="utf-8")
    return np.array([[float(v) for v in line.split(",")[1:]] for line in text.splitlines()[1:]])


def coefficients_of_rgb(rgb):
    """A spectrum without an upper bound (absorption, radiance) from linear RGB >= 0; shape (81,)."""
    return light_basis() @ np.asarray(rgb, float)
