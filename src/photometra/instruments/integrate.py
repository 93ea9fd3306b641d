"""Integrals of a surface's scattering over directions: what every instrument is built on.

Deterministic rules, smooth in the parameters, so that the solver can take differences. All go through
`lobes.evaluate`; the rules below only choose where to ask.
"""

import math
from functools import lru_cache

import numpy as np

from ..colour import WAVELENGTHS
from ..optics.jit import kernel, owning_kernel, unowned
from ..optics.microfacet import sample_visible_normal, sent_back_until
from ..optics.quadrature import gauss, towards_end
from ..surface import facets, lobes, rows


def wavelength_samples(wavelengths):
    """(index, fraction, nearest) on the spectra's grid; wavelengths outside it take its end values."""
    return _samples(np.ascontiguousarray(wavelengths, float).tobytes())


@lru_cache(maxsize=64)
def _samples(wavelengths):
    # Instruments ask for the same few hundreds of times in a solve.
    x = np.clip(np.frombuffer(wavelengths), WAVELENGTHS[0], WAVELENGTHS[-1]) - WAVELENGTHS[0]
    x /= WAVELENGTHS[1] - WAVELENGTHS[0]
    index = np.minimum(x.astype(np.int64), WAVELENGTHS.size - 1)
    return index, x - index, np.minimum(np.round(x).astype(np.int64), WAVELENGTHS.size - 1)


_POLAR, _TURNS, _TURNS_OF_STROKES, _TURNS_ASLANT, _ASLANT = 24, 7, 10, 14, 0.9
"""Nodes of a rule, and turns; more of these where the finish has strokes, or light falls in at a smaller cosine."""


@owning_kernel
def _sent_share(cos_o, side, way, polar, weights, facet, facet_weights, turns, index, fraction, grid,
                scalars, spectra, tables, curves, out):  # fmt: skip
    """Share of the light at one angle that is reflected (way 1), or that a sheet lets through (-1), by wavelength.

    Each lobe that `lobes.sample` could draw is visited on a product rule instead: Gauss in one number, midpoints
    in the other (over half a turn where the finish has no strokes), and weighed by the mixture's density there. Facets
    are visited as far as they send light back, closer together towards that end (facet: nodes on 0..1).
    """
    scalars, spectra, tables, curves = unowned(scalars), unowned(spectra), unowned(tables), unowned(curves)
    n = index.shape[0]
    props = np.empty((spectra.shape[0], n))
    rows.gather(spectra, index, fraction, props)
    sine = math.sqrt(max(0.0, 1.0 - cos_o * cos_o))
    wo = np.array([sine, 0.0, cos_o])
    span = 0.5
    if scalars[rows.ANISOTROPIC] > 0.0:
        wo[0], wo[1] = rows.to_lobe_frame(sine, 0.0, scalars)
        span = 1.0
        turns *= 3
    wi = np.empty(3)
    value = np.empty(n)
    parts = np.empty((rows.LOBES, n))
    out[:] = 0.0
    near, far = lobes.diffuse_probabilities(cos_o, side, scalars, props, grid, tables, curves)
    coat, near_cosine, far_cosine, bare, bent = lobes.mixture(cos_o, side, near, far, scalars, curves)
    sheet = scalars[rows.SHEET] > 0.0
    # A facet of what is opaque sends all back that it does not absorb, if it sends back any.
    lets_in = side == rows.INNER or scalars[rows.TRANSMISSION] * (1.0 - scalars[rows.METALNESS]) > 0.0
    mirrors = facets.interface_reflectance(1.0, side, scalars, props, value)[0] > 0.0
    for lobe in range(6):
        share = near_cosine if way > 0.0 else far_cosine
        ax = ay = 0.0
        if lobe == 3:
            share = coat if way > 0.0 else 0.0
            ax, ay = scalars[rows.COAT_X], scalars[rows.COAT_Y]
        elif lobe > 3:
            share = bent * (scalars[rows.HAZE] if lobe == 5 else 1.0 - scalars[rows.HAZE]) if way > 0.0 else 0.0
        elif lobe > 0:
            share = bare * (scalars[rows.HAZE] if lobe == 2 else 1.0 - scalars[rows.HAZE])
            ax = scalars[rows.HAZE_X] if lobe == 2 else scalars[rows.ALPHA_X]
            ay = scalars[rows.HAZE_Y] if lobe == 2 else scalars[rows.ALPHA_Y]
            if sheet:
                reflect = lobes.reflected_share(cos_o, side, curves)
                share *= reflect if way > 0.0 else 1.0 - reflect
                ax *= 1.0 if way > 0.0 else scalars[rows.THROUGH_WIDTH]
                ay *= 1.0 if way > 0.0 else scalars[rows.THROUGH_WIDTH]
        if share <= 0.0:
            continue
        for b in range(turns):
            u = span * (b + 0.5) / turns
            until = 1.0
            if lobe > 3:
                until = lobes.bent_until(wo, u, lobe - 4, scalars, curves)
            elif lobe > 0:
                until = sent_back_until(wo[0], wo[1], cos_o, ax, ay, u, 1.0)
            for a in range(polar.shape[0] if lobe == 0 else facet.shape[0]):
                place = polar[a] if lobe == 0 else until * facet[a]
                weight = share / turns * (weights[a] if lobe == 0 else until * facet_weights[a])
                if lobe == 0:
                    r = math.sqrt(place)
                    wi[0] = r * math.cos(2.0 * math.pi * u)
                    wi[1] = r * math.sin(2.0 * math.pi * u)
                    wi[2] = way * math.sqrt(1.0 - place)
                elif lobe > 3:
                    if not lobes.drawn_bent(wo, u, place, lobe - 4, scalars, curves, wi):
                        continue
                else:
                    hx, hy, hz = sample_visible_normal(wo[0], wo[1], cos_o, ax, ay, u, place)
                    cos_d = min(1.0, wo[0] * hx + wo[1] * hy + cos_o * hz)
                    if lobe < 3 and not lets_in:
                        weight *= 1.0 if mirrors else 0.0
                    elif lobe < 3 and not sheet:
                        mean, passed = facets.interface_reflectance(cos_d, side, scalars, props, value)
                        weight *= (mean if way > 0.0 else passed) / (mean + passed) if mean + passed > 0.0 else 0.0
                    wi[0] = 2.0 * cos_d * hx - wo[0]
                    wi[1] = 2.0 * cos_d * hy - wo[1]
                    wi[2] = 2.0 * cos_d * hz - cos_o
                    if wi[2] <= 0.0:
                        continue
                    wi[2] *= way
                density = lobes.evaluate(wo, wi, side, near, far, scalars, props, grid, tables, curves, parts, value)
                if density > 0.0:
                    for j in range(n):
                        out[j] += weight * value[j] / density


def directional_albedo(compiled, cos_theta, wavelengths=WAVELENGTHS, side=rows.FRONT, order=None, way=1.0):
    """Share of the light at one angle that the surface reflects, (n,), at wavelengths in nm.

    What enters a clear interior is not counted. way: -1 for what a sheet lets through instead. `order`: nodes and turns
    of the rule, which keep 5e-4 by themselves, and 5e-5 of light that falls in steeply.
    """
    out = np.empty(np.size(wavelengths))
    steep = _TURNS_OF_STROKES if compiled.scalars[rows.ANISOTROPIC] > 0.0 else _TURNS
    polar, turns = order or (_POLAR, steep if cos_theta > _ASLANT else _TURNS_ASLANT)
    _sent_share(
        float(cos_theta),
        side,
        way,
        *gauss(polar),
        *towards_end(max(2 * polar // 3, 6)),
        turns,
        *wavelength_samples(wavelengths),
        *compiled.arrays,
        out,
    )
    return out


@kernel
def _edge(x, y, c, psi, half_x, half_y, is_round):
    """Distance from (x, y) to the aperture's edge along (cos psi, c sin psi)."""
    dx = math.cos(psi)
    dy = c * math.sin(psi)
    if is_round:
        d2 = dx * dx + dy * dy
        b = (x * dx + y * dy) / d2
        return -b + math.sqrt(max(0.0, b * b - (x * x + y * y - half_x * half_x) / d2))
    tx = ((half_x - x) if dx > 0.0 else (half_x + x)) / max(abs(dx), 1e-12)
    ty = ((half_y - y) if dy > 0.0 else (half_y + y)) / max(abs(dy), 1e-12)
    return min(tx, ty)


_OUTWARD, _OUTWARD_WIDE, _WIDE, _ABOUT = 12, 6, 0.02, 10
"""Nodes of a rule over an aperture: outwards, fewer for lobes of wider slopes than so; and about, in each quarter."""
_STEPS, _STEPS_OF_STROKES = 12, 32
"""Even ones, all the way about."""


@owning_kernel
def _flux_into_aperture(theta, source_x, source_y, half_x, half_y, is_round, is_even, radial, radial_weights,
                        turning, turning_weights, index, fraction, grid,
                        scalars, spectra, tables, curves, out):  # fmt: skip
    """Light from one direction that the surface sends into an aperture about the mirror direction.

    Angles in radians. The source stands at theta + source_x in the plane of incidence and source_y across it;
    the aperture is centred on the mirror direction of theta. Polar coordinates about the source's own mirror
    direction, squeezed by cos(theta) across, as the lobe is (its half vectors tilt more); the radius runs as
    alpha sinh(v), in which a GGX lobe of any width is smooth. The turn is split at the corners, or (is_even) goes round
    in even steps: best where nothing changes much on the way, as about a round aperture seen from well above.
    """
    scalars, spectra, tables, curves = unowned(scalars), unowned(spectra), unowned(tables), unowned(curves)
    n = index.shape[0]
    props = np.empty((spectra.shape[0], n))
    rows.gather(spectra, index, fraction, props)
    value = np.empty(n)
    parts = np.empty((rows.LOBES, n))
    wi = np.empty(3)
    t = theta + source_x
    wo = np.array([-math.sin(t) * math.cos(source_y), -math.sin(source_y), math.cos(t) * math.cos(source_y)])
    # The plane of incidence lies along the shape's own way round; the lobes count from the strokes.
    wo[0], wo[1] = rows.to_lobe_frame(wo[0], wo[1], scalars)
    near, far = lobes.diffuse_probabilities(wo[2], rows.FRONT, scalars, props, grid, tables, curves)
    c = max(wo[2], 0.02)
    # The narrowest lobe sets the scale; wider ones are smooth on it.
    narrowest = scalars[rows.ALPHA_Y]
    if scalars[rows.COAT] > 0.0:
        narrowest = min(narrowest, scalars[rows.COAT_Y])
    scale = 2.0 * narrowest
    corners = np.empty(5)
    corners[0] = math.atan2((-half_y - source_y) / c, -half_x - source_x)
    corners[1] = math.atan2((-half_y - source_y) / c, half_x - source_x)
    corners[2] = math.atan2((half_y - source_y) / c, half_x - source_x)
    corners[3] = math.atan2((half_y - source_y) / c, -half_x - source_x)
    corners[4] = corners[0] + 2.0 * math.pi
    out[:] = 0.0
    for piece in range(1 if is_even else 4):
        # Counted from the edge's own normal, tan(turn) = sinh(w): even for an edge seen almost end on.
        middle = 0.5 * math.pi * (piece - 1)
        w0 = math.asinh(math.tan(corners[piece] - middle))
        width = math.asinh(math.tan(corners[piece + 1] - middle)) - w0
        for a in range(turning.shape[0]):
            w = w0 + width * turning[a]
            turn = width / math.cosh(w)
            psi = middle + math.atan(math.sinh(w))
            if is_even:
                turn = 2.0 * math.pi
                psi = turn * turning[a]
            far_v = math.asinh(_edge(source_x, source_y, c, psi, half_x, half_y, is_round) / scale)
            for b in range(radial.shape[0]):
                v = far_v * radial[b]
                rho = scale * math.sinh(v)
                angle = t + rho * math.cos(psi)
                across = source_y + rho * c * math.sin(psi)
                wi[0] = math.sin(angle) * math.cos(across)
                wi[1] = math.sin(across)
                wi[2] = math.cos(angle) * math.cos(across)
                if wi[2] <= 0.0:
                    continue
                wi[0], wi[1] = rows.to_lobe_frame(wi[0], wi[1], scalars)
                lobes.evaluate(wo, wi, rows.FRONT, near, far, scalars, props, grid, tables, curves, parts, value)
                weight = turn * turning_weights[a] * far_v * radial_weights[b]
                weight *= rho * c * scale * math.cosh(v) * math.cos(across)
                for j in range(n):
                    out[j] += weight * value[j]


def narrowest_width(compiled):
    """The slope width of the narrowest lobe that a beam meets."""
    narrowest = compiled.scalars[rows.ALPHA_Y]
    return min(narrowest, compiled.scalars[rows.COAT_Y]) if compiled.scalars[rows.COAT] > 0.0 else narrowest


def flux_into_aperture(compiled, theta, half_angles, wavelengths, source=(0.0, 0.0), is_round=False, order=None):
    """Share of a beam at `theta` that reaches an aperture about its mirror direction, (n,).

    Angles in radians; half_angles: half the aperture in the plane of incidence and across it (the radius twice
    for a round one); source: how far the beam's own direction is off the aperture's axis, less than half_angles.
    order: nodes outwards, and about, for each quarter.
    """
    out = np.empty(np.size(wavelengths))
    is_wide = narrowest_width(compiled) > _WIDE
    outward, about = order or (_OUTWARD_WIDE if is_wide else _OUTWARD, _ABOUT)
    is_even = is_round and math.cos(theta) > _ASLANT and order is None
    turning = gauss(about)
    if is_even:
        steps = _STEPS_OF_STROKES if compiled.scalars[rows.ANISOTROPIC] > 0.0 else _STEPS
        turning = (np.arange(steps) + 0.5) / steps, np.full(steps, 1.0 / steps)
    _flux_into_aperture(
        float(theta), float(source[0]), float(source[1]), float(half_angles[0]), float(half_angles[1]),
        is_round, is_even, *gauss(outward), *turning, *wavelength_samples(wavelengths), *compiled.arrays, out,
    )  # fmt: skip
    return out


@owning_kernel
def _scattered(wo, directions, index, fraction, grid, scalars, spectra, tables, curves, out):
    scalars, spectra, tables, curves = unowned(scalars), unowned(spectra), unowned(tables), unowned(curves)
    n = index.shape[0]
    props = np.empty((spectra.shape[0], n))
    rows.gather(spectra, index, fraction, props)
    value = np.empty(n)
    parts = np.empty((rows.LOBES, n))
    near, far = lobes.diffuse_probabilities(wo[2], rows.FRONT, scalars, props, grid, tables, curves)
    wi = np.empty(3)
    for d in range(directions.shape[0]):
        wi[0], wi[1] = rows.to_lobe_frame(directions[d, 0], directions[d, 1], scalars)
        wi[2] = directions[d, 2]
        lobes.evaluate(wo, wi, rows.FRONT, near, far, scalars, props, grid, tables, curves, parts, value)
        for j in range(n):
            out[d, j] = value[j] / abs(directions[d, 2])


def brdf(compiled, wo, directions, wavelengths=WAVELENGTHS):
    """BRDF per steradian, (m, n), from unit vector wo (3,) to `directions` (m, 3): x the shape's way round, z up."""
    directions = np.ascontiguousarray(directions, float)
    out = np.empty((len(directions), np.size(wavelengths)))
    scalars = compiled.scalars
    there = np.array([*rows.to_lobe_frame(float(wo[0]), float(wo[1]), scalars), float(wo[2])])
    _scattered(there, directions, *wavelength_samples(wavelengths), *compiled.arrays, out)
    return out
