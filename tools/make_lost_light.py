"""Tabulate where the light goes that facets do not let out at the first bounce, by random walks, in two minutes.

Of the paths (Heitz et al. 2016; `references.microsurface`) that bounce twice or more: on a dielectric the share that
ends on the far side, by slope width, index, side and cosine (surface/data/lost_light.csv); on a white metal, of diffuse
light, the shares that leave after 2, 3, ... bounces and the cosines at which their facets are met, by slope width
(surface/data/bounces.csv).
"""

import math
from pathlib import Path

import numpy as np
from numba import njit
from references import microsurface as walk

import photometra.surface

PATHS = 400_000
ALPHAS = (0.1, 0.25, 0.4, 0.6, 0.8, 1.0)
INDICES = (1.05, 1.2, 1.4, 1.6, 1.9, 2.5)
BOUNCES = 8
"""What leaves later is counted as leaving one after."""
BINS = 12
"""Of the cosine at a facet, even from 0 to 1."""
COSINES = (0.02, 0.15, 0.3, 0.45, 0.6, 0.8, 1.0)

_next_height, _visible_normal, _facet = walk._next_height, walk._visible_normal, walk._facet


@njit
def through(paths, seed, cosine, outside, n, alpha):
    """(share of the paths that bounce again, of these the share that ends on the far side)."""
    np.random.seed(seed)
    again = ended = 0
    for _ in range(paths):
        x, y, z = math.sqrt(max(0.0, 1.0 - cosine * cosine)), 0.0, -cosine if outside else cosine
        here = outside
        h = 1.0 if here else -1.0
        bounces = 0
        for _ in range(200):
            h = _next_height(x, y, z, h, alpha) if here else -_next_height(-x, -y, -z, -h, alpha)
            if abs(h) > 1.5:
                break
            if here:
                mx, my, mz = _visible_normal(-x, -y, -z, alpha)
            else:
                mx, my, mz = _visible_normal(x, y, z, alpha)
                mx, my, mz = -mx, -my, -mz
            x, y, z, here, _w = _facet(x, y, z, here, mx, my, mz, n, 0.0)
            bounces += 1
        if bounces > 1:
            again += 1
            ended += here != outside
    return again / paths, ended / max(again, 1)


@njit
def bounces(paths, seed, alpha):
    """(paths by how often they bounce (200,), facets by cosine (BINS,)) of diffuse light on a white metal.

    Facets are counted of the paths that bounce more than once, and each path as one.
    """
    np.random.seed(seed)
    counts, met, of_path = np.zeros(200), np.zeros(BINS), np.zeros(BINS)
    for _ in range(paths):
        z = -math.sqrt(1.0 - np.random.random())
        x, y = math.sqrt(max(0.0, 1.0 - z * z)), 0.0
        h, count = 1.0, 0
        of_path[:] = 0.0
        while count < 199:
            h = _next_height(x, y, z, h, alpha)
            if abs(h) > 1.5:
                break
            mx, my, mz = _visible_normal(-x, -y, -z, alpha)
            of_path[min(BINS - 1, int(-(x * mx + y * my + z * mz) * BINS))] += 1.0
            x, y, z, _here, _w = _facet(x, y, z, True, mx, my, mz, 0.0, 1.0)
            count += 1
        counts[count] += 1
        if count > 1:
            met += of_path / count
    return counts, met


def bounce_lines():
    """A line for each slope width: what is lost at the first bounce; of it what leaves after 2, 3, ...; its facets."""
    yield "# Of diffuse light on a rough white metal: lost at the first bounce; of that, leaving after so many bounces,"
    yield "# and met by facets at so many equal steps of the cosine from 0 to 1."
    yield "alpha,lost," + ",".join([*(str(n) for n in range(2, BOUNCES + 1)), *(f"facets {b}" for b in range(BINS))])
    for seed, alpha in enumerate(ALPHAS):
        counts, met = bounces(10 * PATHS, 1000 + seed, alpha)
        lost = counts[2:].sum()
        shares = (*counts[2 : BOUNCES + 1] / lost, *met / met.sum())
        yield f"{alpha:g},{lost / counts.sum():.5f}," + ",".join(f"{s:.5f}" for s in shares)


def lost_light_lines():
    yield "# Share of the light that bounces again on a rough dielectric and ends on its far side, by random walk."
    yield "alpha,index,side," + ",".join(f"{c:g}" for c in COSINES)
    seed = 0
    for alpha in ALPHAS:
        for index in INDICES:
            for side in ("outside", "inside"):
                shares = []
                for cosine in COSINES:
                    seed += 1
                    shares.append(through(PATHS, seed, cosine, side == "outside", index, alpha)[1])
                yield (f"{alpha:g},{index:g},{side}," + ",".join(f"{s:.4f}" for s in shares))


def main():
    data = Path(photometra.surface.__file__).parent / "data"
    for name, lines in (("bounces", bounce_lines()), ("lost_light", lost_light_lines())):
        path = data / f"{name}.csv"
        path.write_text("\n".join(lines) + "\n", encoding="utf-8")
        print(f"wrote {path}")


if __name__ == "__main__":
    main()
