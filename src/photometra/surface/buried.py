"""What lies under a coat, as seen through it: light bent, blurred, absorbed, and thrown back and forth.

Directional albedos come from an exact balance on a grid of cosines inside the coat (adding, averaged over the turn
about the normal): with R the base, C the coat's inner face and E the absorption of one passage, light that goes down
comes up and out as y = E R E (t + C y). The finish keeps a lobe: that of the base in bent directions, its slopes
widened by what two passages through a rough coat add (`blurs`, `widened`), times two symmetric weights that give it the
balance's energy. Later rounds and lost light leave evenly (a product of two tables); the body is weighted by Williams &
Clapper's (1953) way out.
"""

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from ..optics.fresnel import dielectric_scalar
from ..optics.jit import kernel, leaf
from ..optics.microfacet import ggx_d, sample_visible_normal, smith_lambda
from . import rows
from .albedo import LEAST_COSINE, MU, cosine_weights, shared
from .rows import at_cosine
from .split import alpha_of, balanced, data_table, far_shares

_BEYOND, _WITHIN = 12, 20
NODES = _BEYOND + _WITHIN
"""Cosines inside the coat: those of total reflection, and those that lead out, even in the cosine outside."""
FACET_COSINES = np.linspace(0.0, 1.0, 40)
_FACETS = FACET_COSINES.size
_DRAWS, _DRAWS_WITH_STROKES = 610, 768
_GOLDEN = 0.5 * (math.sqrt(5.0) - 1.0)
_APART = 3
_NO_TURN = np.zeros(1)
_TURNS_OF_STROKES = (np.arange(4) + 0.5) * np.pi / 8.0
BLUR = 0.08
"""Slope width above which later rounds no longer follow the mirror direction of the first."""


@leaf
def joined(a, b):
    """The width of GGX that is as high as the distribution of the sum of two slopes of GGX, within 3 per cent (by
    quadrature over their characteristic functions)."""
    if a + b <= 0.0:
        return 0.0
    both = a * b
    return math.sqrt(a * a + b * b + 2.0 * both * math.sqrt(both) / (a + b))


@leaf
def widened(base, added, coat):
    """The width of a base's slopes as a coat blurs them, `coat` being its own slope width: as `joined`, with less of
    both together, as what a coat adds has a core as GGX but shorter tails, the more so the rougher it is and the wider
    the base; its core is wider, too, than its scatter says, the more so the stronger it bends light (all fitted to
    `references/tables/lobes.csv`, walked)."""
    if base + added <= 0.0:
        return 0.0
    both, bends = base * added, added / max(coat, 1e-9)
    alone = base * base + (1.0 + coat * (0.1 + (2.1 - 1.4 * bends) * bends)) * added * added
    joint = (1.6 - 0.9 * coat) * max(0.0, 1.0 - 1.2 * base)
    return math.sqrt(alone + joint * both * math.sqrt(both) / (base + added))


@leaf
def blur(curves, mu_o, mu_i):
    """How far two passages through the coat's face widen a lobe below it, against the face's own slope width."""
    return joined(at_cosine(curves[rows.COAT_BLUR], mu_o), at_cosine(curves[rows.COAT_BLUR], mu_i))


@leaf
def drawn_blur(curves, mu):
    """The `blur` with which facets are drawn for light at a cosine: wide enough for what leaves more aslant."""
    return blur(curves, mu, 0.5 * mu)


@lru_cache(maxsize=1)
def _blur_table():
    """(indices, slope widths, cosines, shares of what a slope next to nothing does), see `tools/make_blur.py`."""
    head, lines = data_table("blur")
    values = np.array(lines, float)
    indices, alphas = (np.unique(values[:, i]) for i in range(2))
    shares = values[:, 2:].reshape(indices.size, alphas.size, -1)
    shares = np.concatenate([np.ones_like(shares[:, :1]), shares], axis=1)
    return indices, np.concatenate([[0.0], alphas]), np.array(head[2:], float), shares


@lru_cache(maxsize=64)
def blurs(alpha, ior):
    """By how many widths of the coat's slopes one passage at a cosine (`MU`) widens a lobe below it, (COSINES,).

    A slope s of the coat turns light as one of (1 - μ / (n μ′)) s / 2 of the base would (Stam 2001, by Snell's law on a
    tilted facet); wide slopes do less: those that stand towards the light are seen, total reflection takes others.
    What is seen aslant is a little wider than its core (fitted as in `widened`).
    """
    indices, alphas, cosines, shares = _blur_table()
    flat = np.array([np.interp(ior, indices, of) for of in shares.reshape(indices.size, -1).T])
    of_alpha = [np.interp(math.sqrt(alpha), np.sqrt(alphas), of) for of in flat.reshape(alphas.size, -1).T]
    bent = np.sqrt(1.0 - (1.0 - MU**2) / ior**2)
    aslant = 1.0 + 0.22 * math.sqrt(alpha) * (1.0 - MU)
    return 0.5 * np.interp(MU, cosines, of_alpha) * (1.0 - MU / (ior * bent)) * aslant


@kernel
def _node(nu, ior):
    """Where a cosine inside the coat stands on the grid, 0..NODES - 1."""
    out2 = 1.0 - ior * ior * (1.0 - nu * nu)
    if out2 >= 0.0:
        return _BEYOND + math.sqrt(out2) * (_WITHIN - 1)
    edge = math.sqrt(1.0 - 1.0 / (ior * ior))
    return min(nu / edge, 1.0) * _BEYOND


def inner_cosines(ior):
    """The cosines of the grid, (NODES,)."""
    edge = math.sqrt(1.0 - 1.0 / ior**2)
    outside = np.linspace(0.0, 1.0, _WITHIN)
    return np.concatenate([np.linspace(0.0, edge, _BEYOND, endpoint=False), np.sqrt(1.0 - (1.0 - outside**2) / ior**2)])


@kernel
def _met(sx, sy, c, ax, ay, k, count):
    """(normal, cosine to it, mirrored direction) of the k-th of so many facets drawn for light from (sx, sy, c).

    The draws are a lattice by the golden ratio: with rows of nodes whole rows cross the edge of total reflection at
    once. Without strokes half a turn stands for all of it.
    """
    turn = (k * _GOLDEN) % 1.0
    u1 = (k + 0.5) / count
    hx, hy, hz = sample_visible_normal(sx, sy, c, ax, ay, 0.5 * turn if ax == ay else turn, u1)
    cos_o = min(1.0, sx * hx + sy * hy + c * hz)
    return hx, hy, hz, cos_o, 2.0 * cos_o * hx - sx, 2.0 * cos_o * hy - sy, 2.0 * cos_o * hz - c


@kernel
def _by_facet(shares, cos_o, place, amount):
    """Add an amount to (_FACETS, n) shares at a facet's cosine and a place 0..n - 1."""
    x = cos_o * (shares.shape[0] - 1)
    f = min(int(x), shares.shape[0] - 2)
    shared(shares[f], place, amount * (1.0 - (x - f)))
    shared(shares[f + 1], place, amount * (x - f))


@kernel
def _refracted_on(g_o, lambda_i):
    """Of light that met a facet, 1 + Λ(o) = g_o, the share that refraction takes past all others: Smith's shadowing of
    both ways at one height, B(1 + Λ(o), 1 + Λ(i)) (Heitz et al. 2016), over that of the way in alone."""
    g_i = 1.0 + lambda_i
    return g_o * math.exp(math.lgamma(g_o) + math.lgamma(g_i) - math.lgamma(g_o + g_i))


@kernel
def _through_face(ax, ay, eta, ior, cosines, goes_in, phis, count, reflected, passed):
    """Single scattering of the coat's face, eta far over near, from each cosine to those of the grid inside.

    goes_in: from outside, so that what passes lands inside; else from inside, and what is reflected does.
    """
    for i in range(cosines.shape[0]):
        c = max(cosines[i], LEAST_COSINE)
        s = math.sqrt(1.0 - c * c)
        for phi in phis:
            sx, sy = s * math.cos(phi), s * math.sin(phi)
            g_o = 1.0 + smith_lambda(sx, sy, c, ax, ay)
            for k in range(count):
                hx, hy, hz, cos_o, x, y, z = _met(sx, sy, c, ax, ay, k, count)
                weight = 1.0 / (count * phis.shape[0])
                f = dielectric_scalar(cos_o, eta)
                if z > 0.0:
                    g = weight * f * g_o / (g_o + smith_lambda(x, y, z, ax, ay))
                    if goes_in:
                        reflected[i, 0] += g
                    else:
                        shared(reflected[i], _node(z, ior), g)
                c2 = 1.0 - (1.0 - cos_o * cos_o) / (eta * eta)
                if c2 > 0.0:
                    q = cos_o / eta - math.sqrt(c2)
                    z = q * hz - c / eta
                    if z < 0.0:
                        x, y = q * hx - sx / eta, q * hy - sy / eta
                        g = weight * (1.0 - f) * _refracted_on(g_o, smith_lambda(x, y, -z, ax, ay))
                        if goes_in:
                            shared(passed[i], _node(-z, ior), g)
                        else:
                            passed[i, 0] += g


@kernel
def _base_shares(ax, ay, ior, cosines, phis, count, shares):
    """(NODES, _FACETS, NODES): from each cosine over which facets to which cosine, of facets that reflect all."""
    for i in range(cosines.shape[0]):
        c = max(cosines[i], LEAST_COSINE)
        s = math.sqrt(1.0 - c * c)
        for phi in phis:
            sx, sy = s * math.cos(phi), s * math.sin(phi)
            g_o = 1.0 + smith_lambda(sx, sy, c, ax, ay)
            for k in range(count):
                _, _, _, cos_o, x, y, z = _met(sx, sy, c, ax, ay, k, count)
                if z <= 0.0:
                    continue
                g = g_o / ((g_o + smith_lambda(x, y, z, ax, ay)) * count * phis.shape[0])
                _by_facet(shares[i], cos_o, _node(z, ior), g)


@kernel
def _bent_landing(base_x, base_y, coat_x, coat_y, ior, curves, cosines, phis, count, landed):
    """Over which facets to which cosine outside a lobe in bent directions sends light, (COSINES, _FACETS, COSINES);
    what is thrown back is left out."""
    for i in range(cosines.shape[0]):
        added = drawn_blur(curves, cosines[i])
        ax, ay = widened(base_x, added * coat_x, coat_x), widened(base_y, added * coat_y, coat_y)
        c = math.sqrt(1.0 - (1.0 - cosines[i] ** 2) / (ior * ior))
        s = math.sqrt(max(0.0, 1.0 - c * c))
        for phi in phis:
            sx, sy = s * math.cos(phi), s * math.sin(phi)
            drawn = 1.0 + smith_lambda(sx, sy, c, ax, ay)
            for k in range(count):
                hx, hy, hz, cos_o, x, y, z = _met(sx, sy, c, ax, ay, k, count)
                out2 = 1.0 - ior * ior * (1.0 - z * z)
                if z <= 0.0 or out2 <= 0.0:
                    continue
                out = math.sqrt(out2)
                # The lobe's own width goes by both directions.
                both = blur(curves, cosines[i], out)
                wx, wy = widened(base_x, both * coat_x, coat_x), widened(base_y, both * coat_y, coat_y)
                g = ggx_d(hx, hy, hz, wx, wy) / (ggx_d(hx, hy, hz, ax, ay) * count * phis.shape[0])
                g *= drawn / (1.0 + smith_lambda(sx, sy, c, wx, wy) + smith_lambda(x, y, z, wx, wy))
                _by_facet(landed[i], cos_o, out * (landed.shape[2] - 1), g)


def _rule(is_even):
    """(turns of the light, draws of facets for each) without strokes, or with them."""
    return (_NO_TURN, _DRAWS) if is_even else (_TURNS_OF_STROKES, _DRAWS_WITH_STROKES)


@lru_cache(maxsize=64)
def rough_face(ax, ay, ior):
    """(in (COSINES, NODES), out (NODES,), back (NODES, NODES)) of the coat's face, lost light given back.

    What comes in at each cosine outside lands inside; of what goes up inside a share gets out, the rest is thrown back.
    """
    inner = inner_cosines(ior)
    # From outside a third of the cosines will do: where light lands changes slowly, how much is scaled later.
    some = MU[::_APART]
    sizes = ((some.size, NODES), (some.size, NODES), (NODES, NODES), (NODES, NODES))
    r_out, t_in, r_in, t_out = (np.zeros(size) for size in sizes)
    rule = _rule(ax == ay)
    _through_face(ax, ay, ior, ior, some, True, *rule, r_out, t_in)
    _through_face(ax, ay, 1.0 / ior, ior, inner, False, *rule, r_in, t_out)
    weights = cosine_weights(inner)
    lost_out, lost_in = (
        np.clip(1.0 - r.sum(axis=1) - t.sum(axis=1), 0.0, 1.0) for r, t in ((r_out, t_in), (r_in, t_out))
    )
    # Lost light leaves on either side as `split_of` says of the same face.
    far_out, far_in = far_shares(alpha_of(ax, ay), ior)
    grids = (lambda rows_: rows_ @ cosine_weights(some)), (lambda rows_: rows_ @ weights)
    far_out, far_in = balanced(lost_out, lost_in, far_out[::_APART], np.interp(inner, MU, far_in), ior, grids)
    stays, goes = (1.0 - far_in) * lost_in, far_in * lost_in
    for light, into, spread in ((far_out * lost_out, t_in, goes), (stays, r_in, stays)):
        mean = float(spread @ weights)
        if mean > 1e-9:
            into += np.outer(light, spread * weights / mean)
    # What is too little to tell where it goes leaves outside.
    out = 1.0 - r_in.sum(axis=1)
    between = np.stack([np.interp(MU, some, row) for row in np.eye(some.size)], axis=1)
    return between @ t_in, out, r_in


@lru_cache(maxsize=64)
def _base(ax, ay, ior):
    """(_FACETS, NODES, NODES) of `_base_shares`: facets come first, as a sum over them is one product of matrices."""
    shares = np.zeros((NODES, _FACETS, NODES))
    _base_shares(ax, ay, ior, inner_cosines(ior), *_rule(ax == ay), shares)
    return np.ascontiguousarray(shares.transpose(1, 0, 2))


@lru_cache(maxsize=64)
def _landing(ax, ay, coat_x, coat_y, ior):
    landed, curves = np.zeros((MU.size, _FACETS, MU.size)), np.zeros((rows.CURVES, MU.size))
    curves[rows.COAT_BLUR] = blurs(alpha_of(coat_x, coat_y), ior)
    _bent_landing(ax, ay, coat_x, coat_y, ior, curves, MU, *_rule(ax == ay and coat_x == coat_y), landed)
    return landed.sum(axis=1), landed.sum(axis=2)


def _mixed(scalars, of):
    """What `of` gives of the slope widths of the finish and of its haze, together."""
    haze = scalars[rows.HAZE]
    first = of(scalars[rows.ALPHA_X], scalars[rows.ALPHA_Y])
    return first if haze <= 0.0 else (1.0 - haze) * first + haze * of(scalars[rows.HAZE_X], scalars[rows.HAZE_Y])


def blurred_landing(scalars):
    """Where the finish's lobe, as seen through the coat, sends light: to which cosine outside (COSINES, COSINES), and
    over which facets (COSINES, _FACETS)."""
    coat = tuple(float(scalars[row]) for row in (rows.COAT_X, rows.COAT_Y, rows.COAT_IOR))
    return tuple(_mixed(scalars, lambda ax, ay, k=k: _landing(float(ax), float(ay), *coat)[k]) for k in range(2))


def _dot(a, b):
    return np.einsum("lj,lj->l", *np.broadcast_arrays(a, b))


@dataclass(frozen=True, eq=False)
class Rounds:
    """What leaves of the finish alone (wavelengths, COSINES), and what a body of whatever colour adds to it: a product
    of two vectors, so that one solution serves all of them (Sherman & Morrison 1950).

    lit, kept: what leaves, and what goes on below, for light that a body sends out; again, seen, more: of a body's own
    light, of the light outside and of what goes on, what gets to the body, by wavelength.
    """

    finish: np.ndarray
    lit: np.ndarray
    kept: np.ndarray
    again: np.ndarray
    seen: np.ndarray
    more: np.ndarray

    def with_body(self, body):
        """(what leaves in all, what goes on below) with a body that sends so much back evenly, by wavelength."""
        share = body / (1.0 - body * self.again)
        return tuple(
            alone + (share * of)[:, None] * self.lit for alone, of in ((self.finish, self.seen), (self.kept, self.more))
        )


class Balance:
    """The balance of light under a coat, by wavelength, or by one that stands for all."""

    def __init__(self, scalars, absorption, face):
        """absorption: what one passage along the normal leaves, (wavelengths,); face: the `Sides` of the coat's own."""
        self.ior = float(scalars[rows.COAT_IOR])
        self.cosines = inner_cosines(self.ior)
        self.weights = cosine_weights(self.cosines)
        enter, self.leave, self.back = rough_face(scalars[rows.COAT_X], scalars[rows.COAT_Y], self.ior)
        self.enter = enter * (face.passed[0] / np.maximum(enter.sum(axis=1), 1e-9))[:, None]
        self.once = absorption[:, None] ** (1.0 / np.maximum(self.cosines, 1e-3))
        self.facets = _mixed(scalars, lambda ax, ay: _base(ax, ay, self.ior))

    def first(self, facets):
        """What leaves after one round on `facets` (wavelengths, NODES, NODES), by cosine outside."""
        return self._down(facets) @ self.leave @ self.enter.T

    def rounds(self, finish, passed, on=None):
        """The `Rounds` of light between the coat and a base whose interface sends back `finish` (wavelengths, NODES,
        NODES), passes `passed` (wavelengths, NODES) to a body, and `on` to what lies below that."""
        down = self._down(finish)
        sources = [down @ self.leave, self.once * passed, self.once * (np.zeros_like(passed) if on is None else on)]
        sources = np.stack(np.broadcast_arrays(*sources), axis=-1)
        alone, lit, kept = np.moveaxis(np.linalg.solve(np.eye(NODES) - down @ self.back, sources), -1, 0)
        spread = passed * self.weights / np.maximum(passed @ self.weights, 1e-9)[:, None] * self.once
        again, seen, more = (_dot(spread, of @ self.back.T) for of in (lit, alone, kept))
        leaves = (of @ self.enter.T for of in (alone, lit, kept))
        return Rounds(*leaves, again, seen + _dot(spread, self.leave), more)

    def _down(self, base):
        return self.once[:, :, None] * base * self.once[:, None, :]

    def lobes(self, reflectance):
        """The base's facets (wavelengths, NODES, NODES) for what they reflect, (_FACETS, wavelengths)."""
        return np.tensordot(reflectance, self.facets, (0, 0))

    def even(self, sent, taken):
        """A base that sends on evenly: (wavelengths, NODES) of shares sent by cosine, spread as `taken`."""
        return sent[:, :, None] * np.atleast_2d(taken * self.weights)[:, None, :]
