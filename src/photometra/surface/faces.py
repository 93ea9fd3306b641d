"""Rough faces of a slab as matrices: from which direction within to which, lost light given back (see `buried`)."""

from functools import lru_cache

import numpy as np

from ..optics.slab import Faces, directions
from . import rows
from .buried import inner_cosines, rough_face

_POLISHED = 2e-3
"""Slope width below which a face bends light as a mirror does, as far as a slab's total goes."""
_NODES = 3


def is_rough(scalars):
    """Whether a slab of this finish needs its faces as matrices; under a film or a coat they count as polished."""
    widest = max(scalars[rows.ALPHA_X], scalars[rows.ALPHA_Y], scalars[rows.HAZE] * scalars[rows.HAZE_X])
    return widest > _POLISHED and scalars[rows.FILM] <= 0.0 and scalars[rows.COAT] <= 0.0


@lru_cache(maxsize=16)
def _matrices(ax, ay, ior):
    """(enter (COSINES, n), back (n, n), leave (n,)) of one face, for light at each cosine outside and on the directions
    within."""
    enter, leave, back = rough_face(ax, ay, ior)
    mu = directions(np.array([ior]))[0][0]
    grid = inner_cosines(ior)
    # Directions between two cosines of the grid take from both; what lands between two of ours is shared by both.
    taken = np.stack([np.interp(mu, grid, row) for row in np.eye(grid.size)], axis=1)
    given = np.stack([np.interp(grid, mu, row) for row in np.eye(mu.size)], axis=1)
    return enter @ given, taken @ back @ given, taken @ leave


def rough_faces(scalars, index, aslant=False) -> Faces:
    """The faces of a slab of this finish, at indices (w,); for light along the normal, or aslant at every cosine."""
    nodes = np.unique(np.quantile(index, np.linspace(0.0, 1.0, _NODES)))
    if np.ptp(nodes) < 1e-6:
        nodes = nodes[:1]
    widths = [(1.0 - scalars[rows.HAZE], rows.ALPHA_X, rows.ALPHA_Y), (scalars[rows.HAZE], rows.HAZE_X, rows.HAZE_Y)]
    parts = []
    for ior in nodes:
        mixed = [0.0, 0.0, 0.0]
        for share, x, y in widths:
            if share > 0.0:
                found = _matrices(float(scalars[x]), float(scalars[y]), float(ior))
                mixed = [a + share * b for a, b in zip(mixed, found, strict=True)]
        parts.append(mixed)
    between = np.stack([np.interp(index, nodes, row) for row in np.eye(nodes.size)], axis=1)
    enter, back, leave = (np.tensordot(between, np.stack(one), axes=1) for one in zip(*parts, strict=True))
    enter = enter if aslant else enter[:, -1]
    return Faces(1.0 - enter.sum(axis=-1), enter, back, leave)
