"""The clear wall and the interface of a sheet: what they reflect, let through, and give back of what is lost.

A polished wall is both faces at once, facet by facet. Of a rough one the light that went in by one facet leaves by any
other: its totals are those of a slab with rough faces (`faces`), by cosine. The lobes keep the shares that they have of
themselves, as far as the totals reach; the rest leaves evenly.
"""

import numpy as np

from ..optics.slab import slab_shares
from ..optics.slopes import median_of_two_faces
from . import facets, rows
from .albedo import (
    ASLANT_POWER,
    FACETS,
    MU,
    by_wavelength,
    hemispherical,
    landed_of,
    lost_turn,
    multiple_scattering_lobe,
    shares_of,
)
from .faces import is_rough, rough_faces
from .split import reflectances_of

SMOOTHEST_ALPHA = 1e-4
"""A perfect polish is drawn as this slope width: far below any aperture or pixel, yet never singular."""
_STEPS = 20
"""Of the fixed point by which the lobe through a wall gets its energy."""
_ROUGH_FROM, _ROUGH_TO = 0.0025, 0.04
"""Slope widths between which a wall goes over from facet by facet to a slab with rough faces."""
_ASLANT = 0.2
"""The cosine from which on a wall's echo is held to the slab's total."""


def compile_sheet(scalars, spectra, tables):
    """Fill in a sheet's interface and wall, by wavelength; returns what the body is let, and what the wall lets through
    in all, (n, COSINES) each.

    It sends light on in the mirror image of its reflection, as narrow as two faces of an index bend it, (n - 1) times
    the sum of their slopes, where a mirror turns it by twice its own.
    """
    shares, t = shares_of(scalars, 1.0), scalars[rows.TRANSMISSION]
    face, face_let = reflectances_of(scalars, spectra, rows.FRONT, False)
    spectra[rows.WALL_ECHO] = 1.0
    wall, let = np.empty_like(face), np.empty_like(face)
    facets.wall_reflectances(FACETS, rows.FRONT, scalars, np.ascontiguousarray(spectra), wall, let)

    def seen(table, of=shares):
        return by_wavelength(of.reflected @ table)

    lost = np.broadcast_to(1.0 - shares.reflected.sum(axis=1), (face.shape[1], MU.size))
    in_all = (seen(wall) + _stays(wall, seen) * lost, seen(let) + _goes(wall, let, seen) * lost)
    if t > 0.0 and is_rough(scalars):
        in_all = _as_rough_slab(scalars, spectra, in_all)
        # What comes back from the far face is less than facet by facet, as the way within is longer.
        echo, left = np.maximum(seen(wall - face), 1e-9), in_all[0] - seen(face)
        spectra[rows.WALL_ECHO] = np.clip((left / echo)[:, MU >= _ASLANT].min(axis=1), 0.0, 1.0)
        wall = face + spectra[rows.WALL_ECHO] * (wall - face)
    _narrow(scalars, spectra)
    width = scalars[rows.THROUGH_WIDTH]
    thin = shares_of(scalars, 1.0, width)
    wanted = np.minimum(seen(let), in_all[1])
    if thin.reflected_turn is not None:
        # The even light is to make up for what the lobe has less of at one turn than at another.
        uneven = np.abs(by_wavelength(thin.reflected_turn @ let)).sum(axis=0)
        wanted = np.maximum(np.minimum(wanted, in_all[1] - uneven), 0.0)
    landed = np.stack([landed_of(scalars, width, kind) for kind in (0, 1)])
    tables[rows.THROUGH_WEIGHT], onward = _weighed(landed, let, seen(let, thin), wanted)
    stays, goes = (np.maximum(whole - lobe, 0.0) for whole, lobe in zip(in_all, (seen(wall), onward), strict=True))
    into_body = seen(face_let) + (1.0 - _stays(face, seen)) * lost
    mixed = (1.0 - t) * _stays(face, seen) * lost + t * stays
    weighed = onward / np.maximum(seen(let, thin), 1e-9)
    for row, turned, scale, even, table, of, by in (
        (
            rows.MULTIPLE_OUT,
            rows.MULTIPLE_OUT_TURN,
            rows.MULTIPLE_OUT_SCALE,
            mixed,
            face + t * (wall - face),
            shares,
            1.0,
        ),
        (rows.PASSED_OUT, rows.PASSED_OUT_TURN, rows.PASSED_OUT_SCALE, goes, let, thin, weighed),
    ):
        tables[row], mean = multiple_scattering_lobe(even)
        scalars[scale] = np.sqrt(np.pi * mean).mean()
        if of.reflected_turn is not None:
            # What the lobe has more of at one turn than at another, the even light has less of.
            tables[turned : turned + 2] = lost_turn(-by_wavelength(of.reflected_turn @ table) * by, mean)
    return np.clip(into_body, 0.0, 1.0), in_all[1]


def _stays(reflectance, seen):
    """Of lost light the share (n, 1) that stays on its side: as much as of all that facets reflect and let on."""
    passed, reflected = hemispherical(seen(1.0 - reflectance)), hemispherical(seen(reflectance))
    return (reflected / np.maximum(reflected + passed, 1e-12))[:, None]


def _goes(wall, let, seen):
    """Of lost light the share (n, 1) that a wall lets through, less what it absorbs."""
    kept = hemispherical(by_wavelength(let)) / np.maximum(hemispherical(by_wavelength(1.0 - wall)), 1e-12)
    return (1.0 - _stays(wall, seen)) * kept[:, None]


def _as_rough_slab(scalars, spectra, polished):
    """(reflected, let through) of a wall in all, by cosine: a slab's with rough faces, `polished` where they hardly
    are."""
    alpha = np.sqrt(scalars[rows.ALPHA_X] * scalars[rows.ALPHA_Y])
    alpha = max(alpha, scalars[rows.HAZE] * np.sqrt(scalars[rows.HAZE_X] * scalars[rows.HAZE_Y]))
    x = np.clip(np.log(alpha / _ROUGH_FROM) / np.log(_ROUGH_TO / _ROUGH_FROM), 0.0, 1.0)
    if x <= 0.0:
        return polished
    index = spectra[rows.ETA]
    faces = rough_faces(scalars, index, aslant=True)
    slab = slab_shares(spectra[rows.ABSORPTION], 0.0, 0.0, scalars[rows.WALL], index, faces)
    share = x * x * (3.0 - 2.0 * x)
    return tuple((1.0 - share) * a + share * b for a, b in zip(polished, slab, strict=True))


def _narrow(scalars, spectra):
    """Fill in by how much narrower the lobe is that goes through."""
    narrowest = SMOOTHEST_ALPHA / max(min(scalars[rows.ALPHA_X], scalars[rows.ALPHA_Y]), SMOOTHEST_ALPHA)
    index = abs(float(spectra[rows.ETA].mean()) - 1.0)
    scalars[rows.THROUGH_WIDTH] = np.clip(0.5 * index * median_of_two_faces(), narrowest, 1.0)


def _weighed(landed, let, alone, wanted):
    """Weights (n, COSINES) whose products give a lobe, which lands where `landed` says, the energy that is wanted; and
    the energy that they give.

    landed (2, COSINES, COSINES): of facets that let all through, and as Fresnel's factor rises aslant; let: by facet;
    alone: what the lobe gives unweighted.
    """
    aslant = np.stack([np.ones(FACETS.size), (1.0 - FACETS) ** ASLANT_POWER], axis=1)
    even, edge = np.linalg.lstsq(aslant, let, rcond=None)[0][:, :, None]

    def by_two(weight):
        # No fit of two numbers may say that hardly anything is let through where something is.
        first = weight @ landed[0].T
        return np.maximum(even * first + edge * (weight @ landed[1].T), 0.05 * first + 1e-12)

    exact = alone / by_two(np.ones_like(wanted))

    def energy(weight):
        return weight * exact * by_two(weight)

    weight = np.ones_like(wanted)
    for _ in range(_STEPS):
        weight = np.sqrt(weight * weight * wanted / np.maximum(energy(weight), 1e-12))
    return weight, energy(weight)
