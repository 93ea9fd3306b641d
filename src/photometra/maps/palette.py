"""Colours of a picture as a few: a palette, and for every colour the three of it between which it lies best.

A place of the picture has one of the three, by chance or by share, so that its mean colour is kept as near as a
triangle of colours of the palette comes to it.
"""

from dataclasses import dataclass
from itertools import combinations

import numpy as np

from .placing import CELLS

_ROUNDS = 24
_NEIGHBOURS = 8


@dataclass(frozen=True, eq=False)
class Palette:
    """colours (k, 3), 0..1; table (CELLS, CELLS, CELLS, 5): for the middle of each cell, by the square roots of the
    levels as the eye spreads them, three colours and the shares of the second and third."""

    colours: np.ndarray
    table: np.ndarray

    def of(self, levels):
        """(three colours (m, 3), their shares (m, 3)) of levels (m, 3)."""
        cell = np.minimum((np.sqrt(np.clip(levels, 0.0, 1.0)) * CELLS).astype(int), CELLS - 1)
        found = self.table[cell[:, 0], cell[:, 1], cell[:, 2]]
        second, third = found[:, 3], found[:, 4]
        return found[:, :3].astype(int), np.stack([1.0 - second - third, second, third], axis=1)


def palette_of(levels, count) -> Palette:
    """A palette of `count` colours for levels (m, 3), always the same for the same ones (Lloyd 1982)."""
    # Even to the eye: dark colours count as much as light ones.
    seen = np.sqrt(np.clip(levels, 0.0, 1.0))
    alike, weight = np.unique(np.round(seen * 63.0), axis=0, return_counts=True)
    alike = alike / 63.0
    count = min(count, len(alike))
    # Begun at the far ends, so that no colour of the picture lies outside what the palette spans.
    chosen = [int(np.argmin(alike.sum(axis=1)))]
    away = np.linalg.norm(alike - alike[chosen[0]], axis=1)
    while len(chosen) < count:
        chosen.append(int(np.argmax(away)))
        away = np.minimum(away, np.linalg.norm(alike - alike[chosen[-1]], axis=1))
    ends = alike[chosen]
    middles = ends.copy()
    for _ in range(_ROUNDS):
        own = np.argmin(((alike[:, None] - middles[None]) ** 2).sum(axis=2), axis=1)
        for i in range(count):
            if (own == i).any():
                middles[i] = np.average(alike[own == i], axis=0, weights=weight[own == i])
    # The outermost stay at the ends: a mean cannot be mixed of colours that all lie within it.
    half = max(2, count // 2)
    both = np.concatenate([ends[: min(half, count)], middles[np.argsort(-np.bincount(own, weight, count))]])
    _, first = np.unique(np.round(both, 4), axis=0, return_index=True)
    colours = both[np.sort(first)][:count] ** 2
    return Palette(colours, _table(colours))


def _table(colours):
    middle = ((np.arange(CELLS) + 0.5) / CELLS) ** 2
    cells = np.stack(np.meshgrid(middle, middle, middle, indexing="ij"), axis=-1).reshape(-1, 3)
    apart = (np.sqrt(cells)[:, None] - np.sqrt(colours)[None]) ** 2
    near = np.argsort(apart.sum(axis=2), axis=1)[:, :_NEIGHBOURS]
    table = np.stack([near[:, 0], near[:, 0], near[:, 0], np.zeros(len(cells)), np.zeros(len(cells))], axis=1)
    best = ((np.sqrt(colours[near[:, 0]]) - np.sqrt(cells)) ** 2).sum(axis=1)
    for a, b, c in combinations(range(near.shape[1]), 3):
        _try(table, best, cells, colours, near[:, a], near[:, b], near[:, c])
    for a, b in combinations(range(near.shape[1]), 2):
        _try(table, best, cells, colours, near[:, a], near[:, b], near[:, a])
    return table.reshape(CELLS, CELLS, CELLS, 5)


def _try(table, best, cells, colours, i, j, k):
    """Put into the table the mixtures of colours i, j, k where they lie nearer than what is there."""
    u, v, w = colours[j] - colours[i], colours[k] - colours[i], cells - colours[i]
    uu, uv, vv, uw, vw = ((p * q).sum(axis=1) for p, q in ((u, u), (u, v), (v, v), (u, w), (v, w)))
    size = uu * vv - uv * uv
    flat = size < 1e-9
    s = np.where(flat, uw / np.maximum(uu, 1e-12), (vv * uw - uv * vw) / np.where(flat, 1.0, size))
    t = np.where(flat, 0.0, (uu * vw - uv * uw) / np.where(flat, 1.0, size))
    s = np.where(flat, np.clip(s, 0.0, 1.0), s)
    off = ((np.sqrt(np.maximum(colours[i] + s[:, None] * u + t[:, None] * v, 0.0)) - np.sqrt(cells)) ** 2).sum(axis=1)
    better = (off < best) & (s >= 0.0) & (t >= 0.0) & (s + t <= 1.0)
    best[better] = off[better]
    table[better] = np.stack([i, j, k, s, t], axis=1)[better]
