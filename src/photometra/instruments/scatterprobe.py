"""Light that wanders below a surface and leaves some way off: a focused beam's scatter profile.

One set of paths is walked without absorption, in mean free paths, and kept: what absorption takes follows from how
often each was scattered, and the scale from the mean free path (Alerstam, Andersson-Engels & Svensson 2008), so that
a profile is smooth in both and costs nothing to ask for again.
"""

import math
from functools import lru_cache

import numpy as np

from ..errors import InputError
from ..optics.fresnel import dielectric_scalar
from ..optics.jit import kernel, owning_kernel
from ..optics.microfacet import sample_visible_normal
from ..optics.phase import scattered
from ..optics.rng import random_uniform, seeded
from ..surface import rows
from ..words import tr
from .transmissometer import media_of

PATHS = 50_000
_MOST_SCATTERINGS = 1500
_BINS = 56
_NEAREST, _FARTHEST = 0.02, 60.0
_ALBEDOS = 1.0 - np.linspace(1.0, 0.0, 33) ** 3
_DEGREE, _FEWEST = 8, 12.0
_DARKEST = 0.2
_INDEX_STEP = 0.05
_SLOPES = np.array([0.0, 0.06, 0.25, 0.6, 1.0])
"""Slope widths and steps of the index whose walks are kept; a profile between them is their mixture."""
_EDGES = np.linspace(math.log(_NEAREST), math.log(_FARTHEST), _BINS + 1)
MIDDLES = np.exp(0.5 * (_EDGES[1:] + _EDGES[:-1]))
"""Radii in mean free paths, evenly spaced in their logarithm, at which profiles are kept."""


@kernel
def _met_face(dx, dy, dz, inward, ior, alpha, state):
    """Where light goes that comes to a face, z growing inwards: (whether it passed, direction).

    It goes from facet to facet until one sends it away, so that none is lost; facets hide one another only from where
    it comes.
    """
    side = -1.0 if inward else 1.0
    eta = ior if inward else 1.0 / ior
    while True:
        x, y, z = -dx, -dy, max(-side * dz, 1e-6)
        hx, hy, hz = 0.0, 0.0, 1.0
        if alpha > 0.0:
            hx, hy, hz = sample_visible_normal(x, y, z, alpha, alpha, random_uniform(state), random_uniform(state))
        cosine = min(1.0, x * hx + y * hy + z * hz)
        passes = random_uniform(state) >= dielectric_scalar(cosine, eta)
        if passes:
            along = cosine / eta - math.sqrt(max(0.0, 1.0 - (1.0 - cosine * cosine) / (eta * eta)))
            x, y, z = along * hx - x / eta, along * hy - y / eta, along * hz - z / eta
        else:
            x, y, z = 2.0 * cosine * hx - x, 2.0 * cosine * hy - y, 2.0 * cosine * hz - z
        dx, dy, dz = x, y, side * z
        if passes == (z < 0.0):
            return passes, dx, dy, dz


@owning_kernel
def _walk(ior, alpha, asymmetry, count, most, radii, scatterings):
    """Paths straight into a half-space: how far off each leaves, and after how many scatterings (-1: lost)."""
    state = np.empty(1, np.uint64)
    for i in range(count):
        state[0] = seeded(11, i, 7)
        entered = False
        while not entered:
            entered, dx, dy, dz = _met_face(0.0, 0.0, 1.0, True, ior, alpha, state)
        step = -math.log(1.0 - random_uniform(state))
        x, y, z = step * dx, step * dy, step * dz
        n = 0
        scatterings[i] = -1
        while n < most:
            dx, dy, dz = scattered(dx, dy, dz, asymmetry, random_uniform(state), random_uniform(state))
            n += 1
            step = -math.log(1.0 - random_uniform(state))
            while dz < 0.0 and z + step * dz < 0.0:
                there = -z / dz
                x += there * dx
                y += there * dy
                z = 0.0
                leaves, dx, dy, dz = _met_face(dx, dy, dz, False, ior, alpha, state)
                if leaves:
                    radii[i] = math.sqrt(x * x + y * y)
                    scatterings[i] = n
                    break
                step -= there
            if scatterings[i] >= 0:
                break
            x += step * dx
            y += step * dy
            z += step * dz


@lru_cache(maxsize=32)
def _profiles(ior, alpha, asymmetry):
    """log of exitance times radius² at the bins' middles, (33 albedos, 56), smoothed, as a spline over log radius."""
    from scipy.interpolate import CubicSpline  # slow to import, and not needed to open the window

    radii, scatterings = np.zeros(PATHS), np.zeros(PATHS, np.int64)
    _walk(ior, alpha, asymmetry, PATHS, _MOST_SCATTERINGS, radii, scatterings)
    out = scatterings >= 0
    radii, scatterings = radii[out], scatterings[out]
    place = np.digitize(np.log(np.maximum(radii, 1e-12)), _EDGES) - 1
    inside = (place >= 0) & (place < _BINS)
    place, scatterings = place[inside], scatterings[inside]
    middles, width = np.log(MIDDLES), _EDGES[1] - _EDGES[0]
    values = np.empty((_ALBEDOS.size, _BINS))
    for row, albedo in zip(values, np.maximum(_ALBEDOS, _DARKEST), strict=True):
        weight = albedo**scatterings
        total, square = (np.bincount(place, w, _BINS) for w in (weight, weight * weight))
        with np.errstate(invalid="ignore", divide="ignore"):
            paths = np.where(square > 0.0, total * total / square, 0.0)
        known = paths > _FEWEST
        # exitance = dP / (2 pi r dr), and dr = r d(log r): times r² it is dP / (2 pi d log r).
        logs = np.log(total[known] / (PATHS * 2.0 * math.pi * width))
        fit = np.polynomial.Polynomial.fit(middles[known], logs, _DEGREE, w=np.sqrt(paths[known]))
        last = int(np.flatnonzero(known)[-1])
        row[:] = fit(middles)
        # Where no path went the profile falls as it last did, straight in the radius.
        r = np.exp(middles)
        slope = (row[last] - row[last - 6]) / (r[last] - r[last - 6])
        row[last + 1 :] = row[last] + slope * (r[last + 1 :] - r[last])
    return CubicSpline(middles, values.T)


def face_of(compiled):
    """(index, slope width) of the face that light leaves by, as `exitance` takes them."""
    scalars = compiled.scalars
    return float(compiled.index_at(np.array([550.0]))[0]), math.sqrt(scalars[rows.ALPHA_X] * scalars[rows.ALPHA_Y])


def _nodes(face):
    """[(share, index, slope width)] of the kept walks whose mixture stands for a face."""
    ior, alpha = face
    low = math.floor(ior / _INDEX_STEP + 1e-9)
    above = ior / _INDEX_STEP - low
    i = int(np.clip(np.searchsorted(_SLOPES, alpha, side="right") - 1, 0, _SLOPES.size - 2))
    rougher = float(np.clip((alpha - _SLOPES[i]) / (_SLOPES[i + 1] - _SLOPES[i]), 0.0, 1.0))
    pairs = [
        (a * b, round(step * _INDEX_STEP, 2), float(_SLOPES[j]))
        for step, a in ((low, 1.0 - above), (low + 1, above)) for j, b in ((i, 1.0 - rougher), (i + 1, rougher))
    ]  # fmt: skip
    return [pair for pair in pairs if pair[0] > 1e-3]


def exitance(radius, albedo, path, face, asymmetry):
    """Exitance per mm², of a unit of light inside, at radii (n,) mm; albedo and mean free path by place (n,); face as
    `face_of`."""
    out = np.zeros(radius.size)
    inside = np.log(np.clip(radius / path, _NEAREST, _FARTHEST))
    # Between albedos the logarithm runs almost straight in the cube root of what is missing.
    t = np.cbrt(1.0 - np.clip(albedo, _ALBEDOS[0], _ALBEDOS[-1]))
    at = (1.0 - t) * (_ALBEDOS.size - 1)
    i = np.minimum(at.astype(int), _ALBEDOS.size - 2)
    for share, ior, alpha in _nodes(face):
        near, far = _along(_profiles(ior, alpha, round(asymmetry, 3)), inside, np.stack([i, i + 1]))
        out += share * np.exp(near + (at - i) * (far - near))
    return out / radius**2


def _along(splines, x, which):
    """Of many splines side by side, at every place x (n,) those which are asked for there, `which` (k, n)."""
    k = np.clip(np.searchsorted(splines.x, x, side="right") - 1, 0, splines.x.size - 2)
    d, c = x - splines.x[k], splines.c[:, k, which]
    return ((c[0] * d + c[1]) * d + c[2]) * d + c[3]


_IMAGES = np.arange(-8, 9)[:, None]


def share_of_deep(radius, albedo, path, face, asymmetry, thickness):
    """Of the light that leaves a deep body at radii (n,) mm, the share that leaves a slab of a thickness in mm, (n,).

    By diffusion, which tells ratios closely where it does not tell the light itself: a source a transport length below
    the face and its images in both faces, against the pair of the one face (Contini, Martelli & Zaccanti 1997).
    """
    ior = face[0]
    extinction = 1.0 / path
    transport = np.maximum(extinction * (1.0 - albedo) + (1.0 - asymmetry) * extinction * albedo, 1e-9)
    diffusion = 1.0 / (3.0 * transport)
    decay = np.sqrt(np.maximum(extinction * (1.0 - albedo), 0.0) / diffusion)
    # What a face throws back makes the light vanish so far outside it (Groenhuis et al. 1983).
    back = -1.440 / ior**2 + 0.710 / ior + 0.668 + 0.0636 * ior if ior > 1.0 else 0.0
    outside = 2.0 * diffusion * (1.0 + back) / (1.0 - back)
    source = np.minimum(1.0 / transport, 0.5 * thickness)

    def flux(z):
        away = np.sqrt(radius**2 + z * z)
        return z * (1.0 + decay * away) * np.exp(-decay * away) / away**3

    down = -2.0 * _IMAGES * thickness - 4.0 * _IMAGES * outside - source
    up = -2.0 * _IMAGES * thickness - (4.0 * _IMAGES - 2.0) * outside + source
    slab = -(flux(down) - flux(up)).sum(axis=0)
    deep = flux(source) + flux(2.0 * outside + source)
    return np.clip(slab / np.maximum(deep, 1e-300), 0.0, 1.0)


def scatter_profile(compiled, radius_mm, wavelengths, thickness_mm=0.0):
    """Exitance per mm² (n,) of a unit of power in a fine normal beam, at radii in mm and wavelengths in nm.

    thickness_mm: of the specimen, nothing behind it; 0 for a deep one. The beam is narrower than `_NEAREST` mean free
    paths; nearer the profile is held.
    ValueError where nothing scatters inside.
    """
    radius, wavelengths = np.maximum(np.asarray(radius_mm, float), 1e-6), np.asarray(wavelengths, float)
    media = [m for m in media_of(compiled, wavelengths) if m[2].max() > 0.0]
    if not media:
        raise InputError(tr("a scatter probe reads what scatters inside; give the surface subsurface or scattering"))
    face = face_of(compiled)
    entered = 1.0 - dielectric_scalar(1.0, face[0])
    out = np.zeros(radius.size)
    for share, absorption, scatter, asymmetry in media:
        extinction = absorption + scatter
        path = 1.0 / np.maximum(extinction, 1e-9)
        light = exitance(radius, scatter * path, path, face, asymmetry)
        if thickness_mm > 0.0:
            light *= share_of_deep(radius, scatter * path, path, face, asymmetry, thickness_mm)
        out += share * entered * light
    return out * (1.0 - compiled.scalars[rows.METALNESS])
