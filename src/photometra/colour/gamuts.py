"""Named RGB colour spaces beyond Rec.709: what their linear values are in XYZ under D65."""

from functools import cache

import numpy as np

_D65, _ACES = (0.3127, 0.3290), (0.32168, 0.33767)
_PRIMARIES = {
    "rec709": ((0.640, 0.330), (0.300, 0.600), (0.150, 0.060), _D65),
    "p3": ((0.680, 0.320), (0.265, 0.690), (0.150, 0.060), _D65),
    "rec2020": ((0.708, 0.292), (0.170, 0.797), (0.131, 0.046), _D65),
    "acescg": ((0.713, 0.293), (0.165, 0.830), (0.128, 0.044), _ACES),
    "aces2065-1": ((0.7347, 0.2653), (0.0, 1.0), (0.0001, -0.077), _ACES),
}
"""Chromaticities of red, green, blue, white (BT.709-6, SMPTE EG 432-1, BT.2020-2, ACES S-2014-004, ST 2065-1)."""
SPACES = tuple(_PRIMARIES)
_BRADFORD = np.array([[0.8951, 0.2664, -0.1614], [-0.7502, 1.7135, 0.0367], [0.0389, -0.0685, 1.0296]])


def primaries_of(space):
    """Chromaticities x, y of the red, green and blue of a space in `SPACES`."""
    return _PRIMARIES[space][:3]


def _xyz(x, y):
    return np.array([x / y, 1.0, (1.0 - x - y) / y])


@cache
def to_xyz(space):
    """The matrix (3, 3) from linear values of a space in `SPACES` to XYZ, white at Y = 1.

    A white other than D65 is adapted to it, by Bradford's transform, as the ACES documents do.
    """
    *primaries, white = _PRIMARIES[space]
    columns = np.stack([np.array([x, y, 1.0 - x - y]) for x, y in primaries], axis=1)
    there, here = _xyz(*white), _xyz(*_D65)
    matrix = columns * np.linalg.solve(columns, there)
    gain = (_BRADFORD @ here) / (_BRADFORD @ there)
    return np.linalg.inv(_BRADFORD) @ (gain[:, None] * _BRADFORD) @ matrix


def spelled(word):
    """The space that a word means (`ACEScg`, `Rec.2020`, `bt2020`, `Display P3`), or None."""
    key = word.lower().replace(".", "").replace("-", "").replace(" ", "").replace("_", "")
    key = key.replace("itur", "").replace("bt", "rec").removeprefix("display").removeprefix("linear")
    known = {name.replace("-", ""): name for name in SPACES}
    return known.get({"ap1": "acescg", "ap0": "aces20651", "aces": "aces20651"}.get(key, key))
