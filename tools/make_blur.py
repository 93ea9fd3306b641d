"""Tabulate by how much a rough coat blurs what lies under it, by tracing light through its face twice, in two minutes.

Light goes in over a visible facet, is mirrored by a flat base and goes out over another. Bent into the coat as by a
flat face, the two directions outside have a half vector whose slope is all of the coat's making. The distribution of
such slopes has a core as high as that of GGX of some width, which is shared out evenly over the two passages. It is
written as a share of what a slope next to nothing does, half of 1 - mu / (n mu') (Stam 2001): surface/data/blur.csv.
"""

import csv
import io
import math
from pathlib import Path

import numpy as np
from scipy.special import gammaln

import photometra.surface
from photometra.disk import write_text

PATHS = 300_000
INDICES = (1.05, 1.2, 1.35, 1.5, 1.75, 2.1, 2.6)
ALPHAS = (0.02, 0.05, 0.1, 0.2, 0.36, 0.6, 1.0)
COSINES = (0.04, 0.12, 0.25, 0.4, 0.55, 0.7, 0.85, 1.0)
TARGET = Path(photometra.surface.__file__).parent / "data/blur.csv"
_CORE = 0.1
"""The share of all slopes that makes the core."""


def visible_facets(w, alpha, rng):
    """Facets seen from directions (n, 3), drawn for each (Dupuy & Benyoub 2023)."""
    stretched = w * [alpha, alpha, 1.0]
    stretched /= np.linalg.norm(stretched, axis=1, keepdims=True)
    phi, u = 2.0 * math.pi * rng.random(len(w)), rng.random(len(w))
    z = (1.0 - u) * (1.0 + stretched[:, 2]) - stretched[:, 2]
    r = np.sqrt(np.clip(1.0 - z * z, 0.0, 1.0))
    h = np.stack([r * np.cos(phi), r * np.sin(phi), z], axis=1) + stretched
    h = h * [alpha, alpha, 1.0]
    return h / np.linalg.norm(h, axis=1, keepdims=True)


def through(w, alpha, eta, rng):
    """(directions of travel on the far side, weights) of light from directions w through a face, eta far over near."""
    h = visible_facets(w, alpha, rng)
    c = np.sum(w * h, axis=1)
    c2 = 1.0 - (1.0 - c * c) / eta**2
    t = np.sqrt(np.maximum(c2, 0.0))
    rs, rp = (c - eta * t) / (c + eta * t), (eta * c - t) / (eta * c + t)
    out = (c / eta - t)[:, None] * h - w / eta
    weight = np.where((c2 > 0.0) & (out[:, 2] < 0.0), 1.0 - 0.5 * (rs**2 + rp**2), 0.0)
    far, near = 1.0 + smith_lambda(out, alpha), 1.0 + smith_lambda(w, alpha)
    return out, weight * near * np.exp(gammaln(near) + gammaln(far) - gammaln(near + far))


def smith_lambda(w, alpha):
    return 0.5 * (np.sqrt(1.0 + alpha**2 * (w[:, 0] ** 2 + w[:, 1] ** 2) / np.maximum(w[:, 2] ** 2, 1e-12)) - 1.0)


def blur(ior, alpha, cosine, seed):
    """By how many slope widths one passage widens a lobe, against what a slope next to nothing does."""
    rng = np.random.default_rng(seed)
    w = np.tile([-math.sqrt(1.0 - cosine**2), 0.0, cosine], (PATHS, 1))
    down, there = through(w, alpha, ior, rng)
    # A flat base sends light up the way it came down; seen from there, that is where it comes from.
    out, back = through(down * [-1.0, -1.0, -1.0], alpha, 1.0 / ior, rng)
    weight = there * back
    kept = weight > 0.0
    inside = [under(v[kept], ior) for v in (w, out * [1.0, 1.0, -1.0])]
    slopes = np.sum(inside, axis=0)
    slopes = slopes[:, :2] / slopes[:, 2:]
    weight = weight[kept]
    middle = within(slopes[:, 0], weight, 0.5)
    for _ in range(20):
        # The highest place of the distribution, by steps to the mean of what is nearest.
        away = np.hypot(slopes[:, 0] - middle, slopes[:, 1])
        near = away < within(away, weight, 0.25)
        middle = np.average(slopes[near, 0], weights=weight[near])
    away = np.hypot(slopes[:, 0] - middle, slopes[:, 1])
    # Of GGX a share s lies within alpha sqrt(s / (1 - s)); two even ones together are as high as one of sqrt(3) alpha.
    width = within(away, weight, _CORE) * math.sqrt((1.0 / _CORE - 1.0) / 3.0)
    bent = math.sqrt(1.0 - (1.0 - cosine**2) / ior**2)
    return width / (0.5 * alpha * (1.0 - cosine / (ior * bent)))


def under(w, ior):
    flat = w[:, :2] / ior
    return np.column_stack([flat, np.sqrt(1.0 - np.sum(flat * flat, axis=1))])


def within(values, weights, share):
    """The value below which a share of the weights lies."""
    order = np.argsort(values)
    sums = np.cumsum(weights[order])
    return float(values[order][np.searchsorted(sums, share * sums[-1])])


def main():
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\n")
    table.writerow(["index", "alpha", *COSINES])
    for i, ior in enumerate(INDICES):
        for j, alpha in enumerate(ALPHAS):
            row = [blur(ior, alpha, c, 1000 * i + 10 * j + k) for k, c in enumerate(COSINES)]
            table.writerow([ior, alpha, *(f"{v:.4f}" for v in row)])
    write_text(TARGET, out.getvalue())
    print(f"wrote {TARGET}")


if __name__ == "__main__":
    main()
