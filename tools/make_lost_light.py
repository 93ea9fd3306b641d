"""Tabulate where the light goes that a rough dielectric's facets do not let out at the first bounce.

Of the paths of the random walk (Heitz et al. 2016; `references.microsurface`) that bounce twice or more, the share that
ends on the far side, by slope width, index, side and cosine: surface/data/lost_light.csv, in two minutes.
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


def main():
    path = Path(photometra.surface.__file__).parent / "data" / "lost_light.csv"
    path.parent.mkdir(exist_ok=True)
    lines = ["# Share of the light that bounces again on a rough dielectric and ends on its far side, by random walk.",
             "alpha,index,side," + ",".join(f"{c:g}" for c in COSINES)]  # fmt: skip
    seed = 0
    for alpha in ALPHAS:
        for index in INDICES:
            for side in ("outside", "inside"):
                shares = []
                for cosine in COSINES:
                    seed += 1
                    shares.append(through(PATHS, seed, cosine, side == "outside", index, alpha)[1])
                lines.append(f"{alpha:g},{index:g},{side}," + ",".join(f"{s:.4f}" for s in shares))
    path.write_text("\n".join(lines) + "\n", encoding="utf-8")
    print(f"wrote {path}")


if __name__ == "__main__":
    main()
