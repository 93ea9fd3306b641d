"""The coat's arrays: what it reflects itself, and what is seen of the base below it, by the balance in `buried`.

A surface that is coated in part is the mixture of the bare one and of the coated one.
"""

import math

import numpy as np

from ..optics.fresnel import fresnel_dielectric
from . import facets, rows
from .albedo import FACETS, MU, body_weight, facet_shares, finish_weight, hemispherical, lost_turn, shares_of
from .buried import BLUR, FACET_COSINES, Balance, blurred_landing, blurs
from .spectrum import reflectance_of
from .split import alpha_of, far_shares, far_shares_of, film_absorbs, film_losses, sent_back, split_of

_DARKEST = 1e-4
COLOUR_UM = 50.0
"""The thickness at which a coat has its colour."""
_LEAST_BELOW = 0.05
"""However dark the base, this share of the draws goes there."""
_LITTLE = 0.01
_STEPS = 12
"""Of the fixed point by which the finish's lobe gets its energy."""
_MOST = 9.0
"""No coat lets more than so many times as much go on below as would go on without it."""


def compile_coat(surface, widths, scalars, curves):
    """Fill in the coat's own lobe; returns the `Sides` of its face, or None where there is no coat.

    widths: the slope widths of the coat's face, across the strokes and along them.
    """
    amount, ior = surface["coat.amount"], surface["coat.ior"]
    if amount <= 0.0 or ior <= 1.0 + 1e-6:
        return None
    scalars[rows.COAT], scalars[rows.COAT_IOR] = amount, ior
    scalars[rows.COAT_X], scalars[rows.COAT_Y] = widths
    sides, turn = [], None
    for relative in (ior, 1.0 / ior):
        f = fresnel_dielectric(FACETS, relative)
        shares = facet_shares(*widths, relative)
        sides.append(tuple(part[None] for part in shares.split(f, 1.0 - f)))
        turns = shares.split_turn(f, 1.0 - f)
        if turn is None and turns is not None:
            passed_turn = turns[1]
            turn = -turns[0] - turns[1]
    parts = split_of(*sides[0], *sides[1], np.array([ior]), far_shares(alpha_of(*widths), ior))
    (curve,), (mean,) = parts.back_out
    curves[rows.COAT_CURVE] = curve
    if turn is not None:
        far = parts.far[0][0]
        curves[rows.COAT_TURN : rows.COAT_TURN + 2] = lost_turn((1.0 - far) * turn, mean)
        passes = passed_turn + far * turn
        curves[rows.COAT_PASS_TURN : rows.COAT_PASS_TURN + 2] = passes / np.maximum(parts.passed[0], 1e-9)
    curves[rows.COAT_REFLECTS] = sides[0][0][0]
    curves[rows.COAT_BLUR] = blurs(alpha_of(scalars[rows.COAT_X], scalars[rows.COAT_Y]), scalars[rows.COAT_IOR])
    scalars[rows.COAT_MULTIPLE] = np.pi * hemispherical(curve)
    return parts


class Buried:
    """The base under a coat but for its body's colour, which `show` adds: whatever that is, the rest stays."""

    def __init__(self, surface, face, scalars, spectra, tables):
        """Fill in what is seen of the base's finish under the coat, whose own face has these `Sides`."""
        white = np.maximum(reflectance_of(surface["coat.colour"]), _DARKEST) ** (surface["coat.thickness"] / COLOUR_UM)
        spectra[rows.COAT_ONCE] = np.sqrt(white)
        # Where nothing but the body has a colour, one wavelength stands for all.
        is_even = scalars[rows.ACHROMATIC] > 0.0 and scalars[rows.METALNESS] <= 0.0 and np.ptp(white) < 1e-9
        count = 1 if is_even else None
        balance = Balance(scalars, np.sqrt(white[:count]), face)
        base = _Base(surface, scalars, spectra[:, :count], balance)
        self._lit, self._escape = base.lit, base.escape
        self._back = 1.0 - base.escape - base.absorbed
        self._odd, self._share = None, (1.0 - scalars[rows.METALNESS]) * scalars[rows.TRANSMISSION]
        if scalars[rows.SHEET] > 0.0:
            # Coated alike on both sides: what is even and what is odd about the sheet's middle go separately.
            self._rounds = balance.rounds(base.finish + base.clear, base.passed)
            self._odd = balance.rounds(base.finish - base.clear, base.passed)
            self._finish = 0.5 * (self._rounds.finish + self._odd.finish)
        else:
            self._rounds = balance.rounds(base.finish, base.passed, self._share * base.passed)
            self._finish = self._rounds.finish
        first = balance.first(base.facets)
        rest = _finish(scalars, tables, white[:count], balance, base, first, self._finish)
        scalars[rows.COAT_REST_SCALE] = math.sqrt(math.pi * rest)

    def show(self, surface, scalars, spectra, tables, bare):
        """Fill in what is seen of the body, and what goes on below.

        bare: (share let in below by wavelength and cosine, share a bare sheet lets through by the same or None).
        """
        colour = reflectance_of(surface["colour"])
        # What a body sends back of the light that the base's interface passes to it.
        lit = self._lit * colour * self._escape / (1.0 - colour * self._back)
        if self._odd is not None:
            even, odd = self._rounds.with_body(lit)[0], self._odd
            odd = odd.with_body((1.0 - 2.0 * scalars[rows.TRANSLUCENCY]) * lit)[0]
            seen, let = 0.5 * (even + odd), 0.5 * (even - odd)
            tables[rows.COAT_PASS] = np.sqrt(np.clip(let / np.maximum(bare[1], 1e-9), 0.0, _MOST))
        else:
            seen, let = self._rounds.with_body(lit)
            tables[rows.COAT_PASS] = np.clip(let / np.maximum(self._share * bare[0], 1e-9), 0.0, _MOST)
        bare_body = np.maximum(self._lit * spectra[rows.BODY], 1e-6)[:, None]
        body = body_weight(np.maximum(seen - self._finish, 0.0) / bare_body, surface["diffuse_roughness"])
        bare_weight = np.maximum(tables[rows.BODY_WEIGHT], 1e-9)
        ratio = body / bare_weight
        # At grazing the bare body's weight is all but nothing, and a ratio to it would rise without end: the product
        # of the two is right in the middle of the last cell instead.
        ratio[:, 0] = 2.0 * (body[:, 0] + body[:, 1]) / (bare_weight[:, 0] + bare_weight[:, 1]) - ratio[:, 1]
        tables[rows.COAT_BODY] = np.maximum(ratio, 0.0)
        scalars[rows.BELOW_COAT] = max(_LEAST_BELOW, float(hemispherical(seen + let).mean()))


def _finish(scalars, tables, white, balance, base, first, finish):
    """Fill in the finish's lobe and its even rest; returns the rest's mean.

    first, finish: what leaves of it after one round and in all, by wavelength and cosine. The lobe has the energy of
    the first round, and of later ones as far as they go the same way.
    """
    landed, met = blurred_landing(scalars)
    weight = finish_weight(balance.enter @ (base.landing @ balance.leave), landed, MU * 0.0, 0.0)
    widest = scalars[rows.ALPHA_X] ** 2 + 0.5 * scalars[rows.COAT_X] ** 2
    sharp = math.exp(-widest / BLUR**2) * (1.0 - scalars[rows.HAZE])
    bent = np.sqrt(1.0 - (1.0 - MU**2) / balance.ior**2)
    lobe = weight * white[:, None] ** (0.5 / bent)
    most = 2.0 * lobe
    wanted = first + sharp * np.maximum(finish - first, 0.0)
    # Facets reflect alike all over a lobe: their mean at each cosine stands for them.
    reflects = (met @ base.reflected / np.maximum(met.sum(axis=1), 1e-12)[:, None]).T
    for _ in range(_STEPS):
        # Where facets reflect next to nothing no weight makes up for it: what is missing is the rest's.
        lobe = np.minimum(lobe * np.sqrt(wanted / np.maximum(reflects * lobe * (lobe @ landed.T), 1e-12)), most)
    tables[rows.COAT_FINISH] = lobe
    rest = np.maximum(finish - reflects * lobe * (lobe @ landed.T), 0.0)
    mean = hemispherical(rest)[:, None]
    tables[rows.COAT_REST] = rest / np.sqrt(math.pi * np.maximum(mean, 1e-12))
    return float(mean.mean())


class _Base:
    """What the base does with light inside the coat, by wavelength, on the grid of a `Balance`.

    reflected: what a facet reflects by its cosine; landing: where facets that reflect all send light; facets: the
    base's facets alone; finish: with the light they lose at first; clear: what a clear wall sends on to its other side;
    passed: what is let in by cosine; escape, absorbed: the shares of a body's light that get out at once, and that a
    film takes; lit: how much of the surface is a body.
    """

    def __init__(self, surface, scalars, spectra, balance):
        self._scalars, self._props, self._balance = scalars, np.ascontiguousarray(spectra), balance
        count, nodes = spectra.shape[1], balance.cosines.size
        self.landing = balance.facets.sum(axis=0)
        lost = np.clip(1.0 - self.landing.sum(axis=1), 0.0, 1.0)
        mean_lost = float(lost @ balance.weights)
        m, t = scalars[rows.METALNESS], scalars[rows.TRANSMISSION]
        self.reflected, self.lit = np.zeros((FACET_COSINES.size, count)), (1.0 - m) * (1.0 - t)
        self.clear, again = np.zeros((count, nodes, nodes)), np.zeros((count, nodes, nodes))
        self.passed, self.escape = np.zeros((count, nodes)), np.ones(count)
        self.absorbed = film_losses(scalars, self._props, True)
        if m > 0.0:
            f, _ = self._reflectances(True)
            kept = sent_back(f, FACET_COSINES, mean_lost)
            self.reflected += m * f
            again += m * balance.even(kept[:, None] * lost, lost / max(mean_lost, 1e-9))
        if m < 1.0:
            f, let_in = self._reflectances(False)
            passed, relative, own = self._let_in(f, let_in, lost, mean_lost)
            taken = balance.lobes(1.0 - f - let_in).sum(axis=2) if self.absorbed.any() else 0.0
            if scalars[rows.SHEET] > 0.0 and t > 0.0:
                wall, let = np.empty_like(f), np.empty_like(f)
                facets.wall_reflectances(FACET_COSINES, rows.UNDER, scalars, self._props, wall, let)
                f = f + t * (wall - f)
                self.clear += (1.0 - m) * t * balance.lobes(let)
            else:
                # What is not sent back is let in, on this very grid.
                sent = balance.lobes(f).sum(axis=2) + own
                passed = np.clip(1.0 - sent - taken, 0.0, 1.0)
            self.reflected += (1.0 - m) * f
            own_mean = np.maximum(own @ balance.weights, 1e-9)[..., None]
            again += (1.0 - m) * balance.even(own, own / own_mean)
            self.passed, self.escape = passed, passed @ balance.weights / relative**2
        self.facets = balance.lobes(self.reflected)
        self.finish = self.facets + again

    def _reflectances(self, metal):
        reflected, let = (np.empty((FACET_COSINES.size, self._props.shape[1])) for _ in range(2))
        facets.facet_reflectances(FACET_COSINES, rows.UNDER, metal, self._scalars, self._props, reflected, let)
        return reflected, let

    def _let_in(self, f, let_in, lost, mean_lost):
        """(passed by cosine, relative index, lost light that stays in the coat by cosine) of the base's interface."""
        relative = self._props[rows.ETA] / self._scalars[rows.COAT_IOR]
        # Where the two do not differ there is still an interface, one that bends nothing.
        relative = np.where(np.abs(relative - 1.0) < 1e-6, 1.0 + 1e-6, relative)
        is_simple = mean_lost < _LITTLE or (np.abs(relative - 1.0) < 1e-3).all()
        if self._scalars[rows.SHEET] <= 0.0 and is_simple:
            # What is let in is what is not sent back; of the little that is lost a facet's mean goes on.
            stays = 2.0 * np.trapezoid(f * FACET_COSINES[:, None], FACET_COSINES, axis=0)
            return np.ones((relative.size, self._balance.cosines.size)), relative, stays[:, None] * lost
        sides, lost = [], []
        for index in (relative, 1.0 / relative):
            shares = shares_of(self._scalars, float(index.mean()))
            both = fresnel_dielectric(np.maximum(FACETS, 1e-6)[:, None], index)
            both = both, 1.0 - both
            if self._scalars[rows.FILM] > 0.0 and not sides:
                both = [np.stack([np.interp(FACETS, FACET_COSINES, c) for c in of.T], axis=1) for of in (f, let_in)]
            sides.append([part.T for part in shares.split(*both)])
            if film_absorbs(self._scalars, self._props):
                lost.append(shares.lost(*both).T)
        far = far_shares_of(self._scalars, float(relative.mean()))
        parts = split_of(*sides[0], *sides[1], relative, far, lost=lost or None)
        at = self._balance.cosines
        passed, own = (np.stack([np.interp(at, MU, row) for row in of]) for of in (parts.passed, parts.sent_back))
        return passed, relative, own
