"""Sets of tiles numbered by UDIM (1001 at UV 0, 0; ten across), put together into one picture."""

import re
import tempfile
from pathlib import Path

import numpy as np

from ..errors import InputError
from ..pictures import read_native, write_native
from ..words import tr

_NUMBER = re.compile(r"(?<!\d)1\d\d\d(?!\d)")
_MOST_SIDE = 16384


def tiles_of(path):
    """{(across, up): file} of the set that a path belongs to, by `<UDIM>` or a number from 1001 in its name; one tile
    alone is no set, and gives none."""
    path = Path(path)
    pattern = path.name if "<UDIM>" in path.name else _NUMBER.sub("<UDIM>", path.name, count=1)
    if "<UDIM>" not in pattern:
        return {}
    before, _, after = pattern.partition("<UDIM>")
    found = {}
    for file in path.parent.glob(f"{_plain(before)}1[0-9][0-9][0-9]{_plain(after)}"):
        number = int(file.name[len(before) : len(before) + 4]) - 1001
        if 0 <= number < 100:
            found[number % 10, number // 10] = file
    return found if len(found) > 1 else {}


def _plain(text):
    return re.sub(r"([\[\]*?])", r"[\1]", text)


def joined(tiles):
    """(bytes of one picture, its suffix, (across, up)) of a set of tiles; what is missing among them is black.

    InputError where they are not of one size, or too large together.
    """
    across, up = (1 + max(place[i] for place in tiles) for i in range(2))
    whole = None
    for (i, j), file in sorted(tiles.items()):
        pixels = read_native(file)
        high, wide, channels = pixels.shape
        if whole is None:
            if max(across * wide, up * high) > _MOST_SIDE:
                raise InputError(
                    tr("{0}: the set is {1} × {2} tiles of {3} × {4}; save them smaller", file, across, up, wide, high)
                )
            whole = np.zeros((up * high, across * wide, channels), pixels.dtype)
            first = pixels.shape, file
        if pixels.shape != first[0] or pixels.dtype != whole.dtype:
            raise InputError(tr("{0}: it is not of the size and depth of {1}; save the set alike", file, first[1].name))
        # Row 0 is at the top, the first square below.
        top = (up - 1 - j) * high
        whole[top : top + high, i * wide : (i + 1) * wide] = pixels
    suffix = ".exr" if whole.dtype == np.float32 else ".png"
    with tempfile.TemporaryDirectory() as folder:
        write_native(Path(folder) / f"set{suffix}", whole)
        return (Path(folder) / f"set{suffix}").read_bytes(), suffix, (across, up)
