"""Ellipsometer and reflectometer: what a smooth stack does to light of either polarisation."""

import math

import numpy as np

from ..colour import WAVELENGTHS, interpolated
from ..errors import InputError
from ..optics.film import reflection_amplitudes
from ..surface import rows
from ..words import tr
from .integrate import flux_into_aperture

RECEPTOR_HALF_ANGLE_DEG = 1.5
_MOST_DEG = 89.0


def _stack(compiled, wavelengths):
    """(base, film) complex indices of the dielectric and of the metal under the film, at wavelengths."""
    s = interpolated(WAVELENGTHS, compiled.spectra[:, : WAVELENGTHS.size], wavelengths)
    metal = s[rows.METAL_A] + 1j * s[rows.METAL_B]
    film = s[rows.FILM_N] + 1j * s[rows.FILM_K]
    return (s[rows.ETA] + 0j, film), (metal, film)


def _states(compiled, wavelengths):
    """[(share, base, film, its thickness)] of the parts that light meets side by side: metal or not, filmed or bare."""
    scalars = compiled.scalars
    metalness, film = scalars[rows.METALNESS], scalars[rows.FILM]
    out = []
    for share, (base, over) in zip((1.0 - metalness, metalness), _stack(compiled, wavelengths), strict=True):
        for part, thickness in ((share * (1.0 - film), 0.0), (share * film, scalars[rows.FILM_THICKNESS])):
            if part > 0.0:
                out.append((part, base, over, thickness))
    return out


def _amplitudes(state, cosine, wavelengths, outer=1.0):
    _, base, film, thickness = state
    return reflection_amplitudes(cosine, wavelengths, base, film, thickness, outer)


def ellipsometry(compiled, angle_deg, wavelengths):
    """(psi, delta) in degrees, (2, n), of a smooth surface; delta in 0..360, 180 at normal incidence.

    tan(psi) exp(i delta) = r_p / r_s with time as exp(+i w t) (Azzam & Bashara 1977).
    """
    return told(coherence(compiled, angle_deg, wavelengths))


def coherence(compiled, angle_deg, wavelengths):
    """(|r_s|², |r_p|², r_p r_s*), (3, n) complex: what of parts that lie side by side adds up.

    ValueError under a coat, which is too thick for a phase, and for a metal known by its colours.
    """
    if compiled.scalars[rows.COAT] > 0.0:
        raise InputError(tr("an ellipsometer cannot read through a coat; take the coat off"))
    if compiled.scalars[rows.FACE_EDGE] > 0.0:
        raise InputError(
            tr("face and edge colour have no phase; choose a table of constants for an ellipsometer to read")
        )
    cosine = np.cos(np.radians(np.clip(angle_deg, 0.0, _MOST_DEG)))
    ss, pp, sp = np.zeros(cosine.size), np.zeros(cosine.size), np.zeros(cosine.size, complex)
    for state in _states(compiled, wavelengths):
        s, p = _amplitudes(state, cosine, wavelengths)
        ss += state[0] * np.abs(s) ** 2
        pp += state[0] * np.abs(p) ** 2
        sp += state[0] * p * np.conj(s)
    return np.stack([ss, pp, sp])


def told(sums):
    """(psi, delta) in degrees, (2, n), of what `coherence` gives."""
    ss, pp, sp = sums
    psi = np.degrees(np.arctan2(np.sqrt(pp.real), np.sqrt(ss.real)))
    return np.stack([psi, np.degrees(-np.angle(sp)) % 360.0])


def _polarised(compiled, cosine, wavelengths):
    """Power reflectance (s, p), (n,) each, of the smooth stack, its coat counted without phase."""
    out = [np.zeros(cosine.size), np.zeros(cosine.size)]
    coat, ior = compiled.scalars[rows.COAT], compiled.scalars[rows.COAT_IOR]
    for state in _states(compiled, wavelengths):
        bare = [np.abs(r) ** 2 for r in _amplitudes(state, cosine, wavelengths)]
        if coat > 0.0:
            within = np.sqrt(1.0 - (1.0 - cosine**2) / ior**2)
            face = [np.abs(r) ** 2 for r in reflection_amplitudes(cosine, wavelengths, ior + 0j)]
            under = [np.abs(r) ** 2 for r in _amplitudes(state, within, wavelengths, ior)]
            bare = [
                b + coat * (f + (1.0 - f) ** 2 * u / (1.0 - f * u) - b)
                for b, f, u in zip(bare, face, under, strict=True)
            ]
        for i in range(2):
            out[i] += state[0] * bare[i]
    return out


def specular_reflectance(compiled, angle_deg, wavelengths, polarisation):
    """Share (n,) of a beam that is sent into a small receptor about its mirror direction, by polarisation (share of p).

    The receptor's light is the surface's own, roughness and all; how s and p part in it is as in the mirror direction,
    which holds for lobes that are not much wider than the receptor.
    """
    half = math.radians(RECEPTOR_HALF_ANGLE_DEG)
    angles = np.clip(np.asarray(angle_deg, float), 0.0, _MOST_DEG)
    out = np.empty(angles.size)
    for angle in np.unique(angles):
        at = angles == angle
        out[at] = flux_into_aperture(
            compiled, math.radians(angle), (half, half), np.asarray(wavelengths)[at], is_round=True
        )
    if compiled.scalars[rows.FACE_EDGE] > 0.0:
        if np.any(np.asarray(polarisation) != 0.5):
            raise InputError(
                tr("face and edge colour have no polarisation; choose a table of constants to read s and p")
            )
        return out
    s, p = _polarised(compiled, np.cos(np.radians(angles)), wavelengths)
    chosen = s + (p - s) * np.asarray(polarisation, float)
    return out * chosen / np.maximum(0.5 * (s + p), 1e-12)
