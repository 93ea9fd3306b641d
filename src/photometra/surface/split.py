"""Where the light goes that meets a rough dielectric interface, from both sides at once."""

from dataclasses import dataclass
from functools import lru_cache
from importlib.resources import files

import numpy as np

from ..colour import interpolated
from . import facets, rows
from .albedo import FACETS, MU, hemispherical, multiple_scattering_lobe


def data_table(name):
    """(head, lines) of one of the tables that `tools/make_lost_light.py` and `tools/make_blur.py` write."""
    text = files("photometra.surface").joinpath(f"data/{name}.csv").read_text(encoding="utf-8")
    head, *lines = [line.split(",") for line in text.splitlines() if not line.startswith("#")]
    return head, lines


def reflectances_of(scalars, spectra, side, metal):
    """What facets reflect, and what they let through, at `FACETS`, (FACETS.size, wavelengths) each."""
    reflected, let = (np.empty((FACETS.size, spectra.shape[1])) for _ in range(2))
    facets.facet_reflectances(FACETS, side, metal, scalars, np.ascontiguousarray(spectra), reflected, let)
    return reflected, let


@lru_cache(maxsize=1)
def _bounces():
    """Of rougher and rougher metals: (what diffuse light loses at the first bounce (n,), of that what leaves after 2,
    3, ... bounces (n, m), its facets by cosine (n, bins)).
    """
    head, lines = data_table("bounces")
    lines, first = np.array(lines, float), head.index("facets 0")
    leaves = lines[:, 2:first]
    return lines[:, 1], np.column_stack([leaves, 1.0 - leaves.sum(axis=1)]), lines[:, first:]


def sent_back(reflectances, cosines, lost):
    """Of the light that a metal's facets do not let out at the first bounce, the share that leaves in the end, (n,).

    reflectances: of a facet, (cosines, n); lost: what of diffuse light is lost at first if all is reflected, 0..1.
    By the walked numbers of bounces and facets: with a constant chance to leave at each (Kulla & Conty 2017) it is 5 %
    short for brass at roughness 1.
    """
    known, leaves, met = _bounces()
    leaves, met = (interpolated(known, of.T, np.asarray(lost)) for of in (leaves, met))
    at = (np.arange(met.size) + 0.5) / met.size
    f = interpolated(cosines, reflectances.T, at) @ met
    return np.polynomial.polynomial.polyval(f, np.concatenate([[0.0, 0.0], leaves]))


@lru_cache(maxsize=1)
def _walked():
    """(slope widths, indices, cosines, shares (2, widths, indices, cosines) from outside and from inside)."""
    head, lines = data_table("lost_light")
    alphas, indices = (sorted({float(line[i]) for line in lines}) for i in range(2))
    shares = np.zeros((2, len(alphas), len(indices), len(head) - 3))
    for alpha, index, side, *values in lines:
        at = int(side == "inside"), alphas.index(float(alpha)), indices.index(float(index))
        shares[at] = [float(v) for v in values]
    return np.array(alphas), np.array(indices), np.array([float(c) for c in head[3:]]), shares


def _between(grid, x):
    """(cell, share of its upper end) of x on a growing grid, its ends held."""
    i = int(np.clip(np.searchsorted(grid, x) - 1, 0, grid.size - 2))
    return i, float(np.clip((x - grid[i]) / (grid[i + 1] - grid[i]), 0.0, 1.0))


@lru_cache(maxsize=256)
def _far_shares(alpha, index):
    alphas, indices, cosines, shares = _walked()
    i, f = _between(alphas, alpha)
    j, g = _between(indices, index)
    cell = shares[:, i : i + 2, j : j + 2]
    at = np.einsum("saic,a,i->sc", cell, [1.0 - f, f], [1.0 - g, g])
    # An interface that bends nothing lets all of it through, from either side.
    at = at if index >= indices[0] else 1.0 + (at - 1.0) * (index - 1.0) / (indices[0] - 1.0)
    return tuple(np.interp(MU, cosines, row) for row in at)


def far_shares(alpha, index):
    """Of the light that facets of slope width alpha do not let out at the first bounce, the share that ends on the far
    side, at `MU`: (from outside, from inside) of an interface to an index; walked (`tools/make_lost_light.py`).
    """
    if index >= 1.0:
        return _far_shares(float(alpha), float(index))
    return _far_shares(float(alpha), 1.0 / float(index))[::-1]


def far_shares_of(scalars, index):
    """`far_shares` of a compiled finish and its haze together."""
    haze = scalars[rows.HAZE]
    first = far_shares(alpha_of(scalars[rows.ALPHA_X], scalars[rows.ALPHA_Y]), index)
    if haze <= 0.0:
        return first
    wide = far_shares(alpha_of(scalars[rows.HAZE_X], scalars[rows.HAZE_Y]), index)
    return tuple((1.0 - haze) * a + haze * b for a, b in zip(first, wide, strict=True))


def alpha_of(ax, ay):
    """The slope width that stands for two."""
    return (ax * ay) ** 0.5


@dataclass(frozen=True, eq=False)
class Sides:
    """By wavelength and cosine (n, COSINES) or by wavelength (n,).

    passed: what goes on to the far side from outside, all counted; sent_back: of the lost light what stays outside.
    back_out, back_in: the `multiple_scattering_lobe`s of what stays on its side, on_out, on_in of what goes on; the
    means after each. passed_turn: how `passed` changes with the turn about the normal (the cosine of twice the angle
    from across the strokes), or None without strokes.
    """

    passed: np.ndarray
    sent_back: np.ndarray
    back_out: tuple[np.ndarray, np.ndarray]
    back_in: tuple[np.ndarray, np.ndarray]
    on_out: tuple[np.ndarray, np.ndarray]
    on_in: tuple[np.ndarray, np.ndarray]
    far: tuple[np.ndarray, np.ndarray]
    passed_turn: np.ndarray | None = None

    @property
    def ratio(self):
        """Root of what goes on from outside over what does from inside, (n,); 0 where nothing does."""
        some = self.on_in[1] > 1e-12
        return np.sqrt(np.where(some, self.on_out[1] / np.where(some, self.on_in[1], 1.0), 0.0))

    @property
    def inverse(self):
        ratio = self.ratio
        return np.where(ratio > 0.0, 1.0 / np.where(ratio > 0.0, ratio, 1.0), 0.0)


def balanced(lost_out, lost_in, far_out, far_in, eta, mean):
    """(far_out, far_in) that reciprocity allows: what goes on from outside is n² times what goes on from inside.

    mean: the cosine-weighted mean over the hemisphere of either side's own cosines, a pair of functions.
    """
    goes_out, goes_in = mean[0](lost_out * far_out), mean[1](lost_in * far_in) * eta**2
    # The lobes lose light a little otherwise than the walk. From outside nearly all of it goes on, so that the share is
    # known best there; no more than there is within.
    wanted = np.minimum(goes_out, mean[1](lost_in) * eta**2)

    def raised(far, lost, goes, mean_of, to):
        scale = np.where(goes > 1e-12, to / np.maximum(goes, 1e-12), 0.0)[..., None]
        less = far * np.minimum(scale, 1.0)
        # More is taken from what would stay, so that no share goes beyond 1.
        stays = mean_of(lost * (1.0 - far))
        more = np.where(stays > 1e-12, (to - goes) / np.maximum(stays, 1e-12), 0.0)[..., None]
        return np.where(scale <= 1.0, less, far + (1.0 - far) * np.clip(more, 0.0, 1.0))

    out = raised(far_out, lost_out, goes_out, mean[0], wanted)
    return out, raised(far_in, lost_in, goes_in / eta**2, mean[1], wanted / eta**2)


def split_of(r_out, t_out, r_in, t_in, eta, far, turns=None, lost=None):
    """From the single-scattering shares reflected and passed, (n, COSINES) each, of an interface of index eta (n,).

    lost: what of it bounces on, from outside and from inside; None where nothing is absorbed, and it is all the rest.
    far: `far_shares` of it, (COSINES,) or (n, COSINES) each. turns: how r_out and t_out change with the turn about the
    normal, or None.
    """
    lost_out, lost_in = lost or (np.clip(1.0 - r - t, 0.0, 1.0) for r, t in ((r_out, t_out), (r_in, t_in)))
    far_out, far_in = balanced(lost_out, lost_in, *far, np.asarray(eta), (hemispherical, hemispherical))
    # With everything lost counted, what is not let in is reflected.
    passed = np.clip(t_out + far_out * lost_out, 0.0, 1.0)
    turn = None if turns is None else turns[1] - far_out * (turns[0] + turns[1])
    lobes = (multiple_scattering_lobe(part) for part in (
        (1.0 - far_out) * lost_out, (1.0 - far_in) * lost_in, far_out * lost_out, far_in * lost_in
    ))  # fmt: skip
    return Sides(passed, (1.0 - far_out) * lost_out, *lobes, (far_out, far_in), turn)


def film_absorbs(scalars, spectra):
    """Whether there is a film that takes light."""
    return scalars[rows.FILM] > 0.0 and bool(np.any(spectra[rows.FILM_K] > 0.0))


def film_losses(scalars, spectra, under):
    """Of a body's own light that meets its interface from within, the share that the film there absorbs, (n,); under:
    whether a coat lies over it."""
    if not film_absorbs(scalars, spectra):
        return np.zeros(spectra.shape[1])
    out = np.empty((FACETS.size, spectra.shape[1]))
    facets.film_absorbs(FACETS, under, scalars, np.ascontiguousarray(spectra), out)
    return 2.0 * np.trapezoid(out * FACETS[:, None], FACETS, axis=0)
