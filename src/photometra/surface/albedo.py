"""Tables of a compiled surface: what an interface's single scattering gives back, by cosine.

The energy that a microfacet model loses to multiple scattering is found here by quadrature over the visible
normals, for the very roughness of the surface, so no table is shipped or interpolated in roughness.
"""

import math
from dataclasses import dataclass, fields
from functools import lru_cache

import numpy as np

from ..optics.diffuse import oren_nayar_multiple, oren_nayar_parts
from ..optics.jit import kernel
from ..optics.microfacet import sample_visible_normal, sent_back_until, smith_lambda
from ..optics.quadrature import gauss, towards_end
from . import rows
from .rows import COSINES

MU = np.linspace(0.0, 1.0, COSINES)
LEAST_COSINE = 1e-3
"""What stands for grazing: far above the smoothest slope, whose facets would seem to lose light below."""


_POLAR, _TURNS = towards_end(36), 32
_POLAR_OUTSIDE, _TURNS_OUTSIDE = towards_end(20), 16
"""Where nothing is reflected totally, fewer nodes do."""
_GRAIN_POLAR, _GRAIN_TURNS = towards_end(16), 32
"""With strokes every turn of the light is visited too, each a little less finely."""
_REST = gauss(8)
"""Of normals that send nothing back above the surface: light is but let through by them."""


def cosine_weights(cosines):
    """Weights (n,) of a table at growing cosines for its cosine-weighted mean, exact where linear between them."""
    a, b = cosines[:-1], cosines[1:]
    step = b - a
    return np.append(step * (2.0 * a + b) / 3.0, 0.0) + np.append(0.0, step * (a + 2.0 * b) / 3.0)


@lru_cache(maxsize=4)
def _hemisphere(count):
    return cosine_weights(np.linspace(0.0, 1.0, count))


def hemispherical(table):
    """Cosine-weighted mean over the hemisphere of tables (..., n) whose cosines run evenly over 0..1."""
    return table @ _hemisphere(table.shape[-1])


@kernel
def shared(row, x, amount):
    """Add an amount to the two samples of a row nearest to a place 0..n - 1."""
    x = min(max(x, 0.0), row.shape[0] - 1.0)
    k = min(int(x), row.shape[0] - 2)
    row[k] += amount * (1.0 - (x - k))
    row[k + 1] += amount * (x - k)


@kernel
def _pass_on(ox, oy, c, hx, hy, hz, cos_o, eta, ax, ay, weight, row):
    """Share what a facet lets through by the cosine at it; nothing beyond the critical angle."""
    c2 = 1.0 - (1.0 - cos_o * cos_o) / (eta * eta)
    if c2 <= 0.0:
        return
    q = cos_o / eta - math.sqrt(c2)
    z = q * hz - c / eta
    if z < 0.0:
        let = weight / (1.0 + smith_lambda(q * hx - ox / eta, q * hy - oy / eta, -z, ax, ay))
        shared(row, cos_o * (row.shape[0] - 1), let)


@kernel
def _facet_shares(ax, ay, phi, eta, mu, polar, polar_weights, turns, rest, rest_weights,
                  reflected, passed, landed, total):  # fmt: skip
    """Over which facets the light at each cosine goes: shares by the cosine at the facet, before Fresnel.

    `eta` is far over near; beyond the critical angle the share goes into `total` instead, as no table over the facet's
    cosine has so sharp an edge. `phi`: the turn of the light from across the strokes. Quadrature in the numbers that
    `sample_visible_normal` takes: Gauss in one, as far as facets send light back and from there on, midpoints in the
    other, over half a turn where there are no strokes.
    """
    span = 0.5 if ax == ay else 1.0
    for i in range(mu.shape[0]):
        c = max(mu[i], LEAST_COSINE)
        s = math.sqrt(1.0 - c * c)
        sx = s * math.cos(phi)
        sy = s * math.sin(phi)
        g_o = 1.0 + smith_lambda(sx, sy, c, ax, ay)
        for b in range(turns):
            turn = span * (b + 0.5) / turns
            until = sent_back_until(sx, sy, c, ax, ay, turn, 1.0)
            for a in range(polar.shape[0]):
                hx, hy, hz = sample_visible_normal(sx, sy, c, ax, ay, turn, until * polar[a])
                cos_o = min(1.0, sx * hx + sy * hy + c * hz)
                weight = until * polar_weights[a] / turns
                x = 2.0 * cos_o * hx - sx
                y = 2.0 * cos_o * hy - sy
                z = max(2.0 * cos_o * hz - c, 1e-9)
                g = weight * g_o / (g_o + smith_lambda(x, y, z, ax, ay))
                if 1.0 - (1.0 - cos_o * cos_o) / (eta * eta) > 0.0:
                    shared(reflected[i], cos_o * (reflected.shape[1] - 1), g)
                else:
                    total[i] += g
                shared(landed[0, i], z * (landed.shape[2] - 1), g)
                shared(landed[1, i], z * (landed.shape[2] - 1), g * (1.0 - cos_o) ** ASLANT_POWER)
                _pass_on(sx, sy, c, hx, hy, hz, cos_o, eta, ax, ay, weight, passed[i])
            for a in range(rest.shape[0]):
                place = until + (1.0 - until) * rest[a]
                hx, hy, hz = sample_visible_normal(sx, sy, c, ax, ay, turn, place)
                cos_o = min(1.0, sx * hx + sy * hy + c * hz)
                weight = (1.0 - until) * rest_weights[a] / turns
                _pass_on(sx, sy, c, hx, hy, hz, cos_o, eta, ax, ay, weight, passed[i])


ASLANT_POWER = 5
"""Of a facet's reflectance against the light's angle (Schlick 1994), where two numbers are to stand for all of it."""

FACETS = np.linspace(0.0, 1.0, 128)
"""Cosines at a facet at which its reflectance is asked for."""


_LIGHT_TURNS = (np.arange(4) + 0.5) * np.pi / 8.0


@lru_cache(maxsize=64)
def _shares(ax, ay, eta):
    """(mean over the turn of reflected, passed, landed, total), and the turns of the same, or None."""
    sizes = ((COSINES, FACETS.size), (COSINES, FACETS.size), (2, COSINES, COSINES), (COSINES,))
    mean = tuple(np.zeros(size) for size in sizes)
    if ax == ay:
        rule = (*_POLAR, _TURNS) if eta < 1.0 else (*_POLAR_OUTSIDE, _TURNS_OUTSIDE)
        _facet_shares(ax, ay, 0.0, eta, MU, *rule, *_REST, *mean)
        return mean, None
    turn = tuple(np.zeros((2, *size)) for size in sizes)
    for phi in _LIGHT_TURNS:
        found = tuple(np.zeros(size) for size in sizes)
        _facet_shares(ax, ay, float(phi), eta, MU, *_GRAIN_POLAR, _GRAIN_TURNS, *_REST, *found)
        for into, part in zip(mean, found, strict=True):
            into += part / _LIGHT_TURNS.size
        for into, part in zip(turn, found, strict=True):
            for row, k in zip(into, (2.0, 4.0), strict=True):
                row += 2.0 / _LIGHT_TURNS.size * np.cos(k * phi) * part
    return mean, turn


@dataclass(frozen=True, eq=False)
class Shares:
    """Where the light at each cosine goes: times a reflectance at `FACETS` they give shares of the light.

    reflected, passed: (COSINES, FACETS.size), means over the turn about the normal; total (COSINES,): what is thrown
    back beyond the critical angle. The turns (2, ...) are what the cosines of twice and four times the angle from
    across the strokes add, or None without strokes.
    """

    reflected: np.ndarray
    passed: np.ndarray
    total: np.ndarray
    reflected_turn: np.ndarray | None
    passed_turn: np.ndarray | None
    total_turn: np.ndarray | None

    def mixed_with(self, wide, haze):
        """These shares and those of a haze together."""
        pairs = ((getattr(self, f.name), getattr(wide, f.name)) for f in fields(Shares))
        return Shares(*(None if a is None or b is None else (1.0 - haze) * a + haze * b for a, b in pairs))

    def split(self, f, let):
        """(reflected, passed) of facets that reflect `f` and let through `let`, (FACETS.size, ...) each, (COSINES, ...)
        each."""
        edge = self.total.reshape(-1, *[1] * (f.ndim - 1))
        return self.reflected @ f + edge, self.passed @ let

    def lost(self, f, let):
        """What a single bounce lets out on neither side, and later ones still do: less by what two facets absorb."""
        kept = np.maximum(f + let, 1e-9)
        lost = np.clip(1.0 - sum(self.split(f / kept, let / kept)), 0.0, 1.0)
        return lost * (2.0 * np.trapezoid(kept * FACETS.reshape(-1, *[1] * (f.ndim - 1)), FACETS, axis=0)) ** 2

    def split_turn(self, f, let):
        """As `split`, of the turns (2, COSINES, ...); None without strokes."""
        if self.reflected_turn is None:
            return None
        edge = self.total_turn.reshape(2, -1, *[1] * (f.ndim - 1))
        return self.reflected_turn @ f + edge, self.passed_turn @ let


def facet_shares(ax, ay, eta) -> Shares:
    """All that depends on the finish alone; what a facet reflects (film, metal, dispersion) is multiplied in later."""
    (reflected, passed, _, total), turn = _shares(float(ax), float(ay), float(eta))
    if turn is None:
        return Shares(reflected, passed, total, None, None, None)
    return Shares(reflected, passed, total, turn[0], turn[1], turn[3])


def shares_of(scalars, eta, width=1.0) -> Shares:
    """`facet_shares` of a compiled finish and its haze together, for far over near `eta`, slopes `width` times as
    wide."""
    haze = scalars[rows.HAZE]
    shares = facet_shares(width * scalars[rows.ALPHA_X], width * scalars[rows.ALPHA_Y], eta)
    if haze <= 0.0:
        return shares
    return shares.mixed_with(facet_shares(width * scalars[rows.HAZE_X], width * scalars[rows.HAZE_Y], eta), haze)


def landing(ax, ay, kind=0):
    """(COSINES, COSINES): of light at one cosine that facets which reflect all send out, the share at each other.

    kind: 1 for facets that reflect (1 - cosine) to the `ASLANT_POWER` instead.
    """
    return _shares(float(ax), float(ay), 1.0)[0][2][kind]


def landed_of(scalars, width=1.0, kind=0):
    """`landing` of a compiled finish and its haze together, their slopes `width` times as wide."""
    haze = scalars[rows.HAZE]
    landed = landing(width * scalars[rows.ALPHA_X], width * scalars[rows.ALPHA_Y], kind)
    if haze > 0.0:
        wide = landing(width * scalars[rows.HAZE_X], width * scalars[rows.HAZE_Y], kind)
        landed = (1.0 - haze) * landed + haze * wide
    return landed


def by_wavelength(table):
    """(…, COSINES, n) as (…, n, COSINES)."""
    return np.swapaxes(table, -1, -2)


def lost_turn(turn, mean):
    """The turn of a `multiple_scattering_lobe`'s table, from the turn of what is lost and its hemispherical mean."""
    if turn is None:
        return 0.0
    mean = np.asarray(mean)[..., None]
    return np.where(mean < 1e-9, 0.0, turn / np.sqrt(np.pi * np.maximum(mean, 1e-9)))


def multiple_scattering_lobe(lost):
    """Lost energy by cosine (..., COSINES) -> (tables whose products make a reciprocal lobe, hemispherical means)."""
    lost = np.clip(lost, 0.0, 1.0)
    mean = hemispherical(lost)
    scale = np.where(mean < 1e-9, 0.0, 1.0 / np.sqrt(np.pi * np.maximum(mean, 1e-9)))
    return lost * scale[..., None], np.where(mean < 1e-9, 0.0, mean)


@kernel
def _body_kernel(mu, r, turns, out):
    for i in range(mu.shape[0]):
        for j in range(mu.shape[0]):
            total = 0.0
            for b in range(turns):
                phi = math.pi * (b + 0.5) / turns
                s_i = math.sqrt(1.0 - mu[j] * mu[j])
                single, multiple = oren_nayar_parts(
                    math.sqrt(1.0 - mu[i] * mu[i]),
                    0.0,
                    mu[i],
                    s_i * math.cos(phi),
                    s_i * math.sin(phi),
                    mu[j],
                    r,
                )
                total += single + oren_nayar_multiple(1.0, r) * multiple
            out[i, j] = total / turns


@lru_cache(maxsize=16)
def _body_operator(diffuse_roughness):
    """(COSINES, COSINES): from a table over the cosine to what a white body of it sends out."""
    f = np.empty((COSINES, COSINES))
    _body_kernel(np.minimum(MU, 1.0), diffuse_roughness, 24, f)
    return math.pi * f * _hemisphere(COSINES)


def body_weight(passed, diffuse_roughness):
    """Weight w by cosine so that w(o) w(i) f(o, i), f a body of albedo 1, takes in just what `passed` lets in.

    Reciprocal and lossless at once: the symmetric scaling of Sinkhorn (1964), solved by its fixed point.
    passed: (..., COSINES).
    """
    even = passed / np.sqrt(np.maximum(hemispherical(passed), 1e-12))[..., None]
    if diffuse_roughness <= 0.0:
        return even
    return _balanced(_body_operator(float(diffuse_roughness)), passed, even)


def _balanced(operator, passed, w):
    """From `w`, the weight with which w(o) times `operator` of w gives `passed`; (..., COSINES)."""
    for _ in range(40):
        w = np.sqrt(w * passed / np.maximum(w @ operator.T, 1e-12))
    return w


def finish_weight(passed, landed, lost_curve, lost_mean):
    """As `body_weight`, for lobes of facets that send light where `landed` says and give back what they lose.

    passed: (COSINES,); lost_curve, lost_mean: the `multiple_scattering_lobe` of those facets.
    """
    operator = landed.copy()
    if lost_mean > 0.0:
        operator += math.pi * np.outer(lost_curve, lost_curve * _hemisphere(COSINES))
    return _balanced(operator, passed, np.sqrt(passed))
