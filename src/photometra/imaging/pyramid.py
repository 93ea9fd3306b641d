"""A photograph as a pyramid: scene-linear half floats, whole and halved again and again, so that any view of a large
picture is quick to draw and its memory is bounded.
"""

import os
import tempfile
import threading
from collections import OrderedDict
from dataclasses import dataclass
from pathlib import Path

import numpy as np

from ..errors import InputError
from ..pictures import PictureError, bands_of, opened_picture
from .curves import curve_table, decoded, decoded_by_profile

MOST_PIXELS = 36_000_000
"""A larger picture is kept at a half, a quarter … of its size."""
KEPT_BYTES = 512_000_000
"""How much of decoded pictures is kept for the next look."""
_SMALLEST = 64
_LARGEST_HALF = 65504.0


@dataclass(frozen=True, eq=False)
class Pyramid:
    """Scene-linear float16 levels (h, w, 3), each half the size of the one before it. reduced: how many times smaller
    than the file the first one is."""

    levels: tuple[np.ndarray, ...]
    reduced: int = 1

    @property
    def width(self):
        return self.levels[0].shape[1]

    @property
    def height(self):
        return self.levels[0].shape[0]

    @property
    def aspect(self):
        return self.width / self.height

    @property
    def size(self):
        """Bytes."""
        return sum(level.nbytes for level in self.levels)

    def level_for(self, step):
        """Index of the coarsest level whose pixels are no wider than `step` pixels of the first."""
        return int(np.clip(np.floor(np.log2(max(step, 1.0)) + 1e-9), 0, len(self.levels) - 1))


def _halved(rows):
    """Mean of each 2 × 2; an odd last row or column is left out."""
    h, w = rows.shape[0] // 2 * 2, rows.shape[1] // 2 * 2
    a = rows[:h, :w].astype(np.float32)
    return 0.25 * (a[0::2, 0::2] + a[1::2, 0::2] + a[0::2, 1::2] + a[1::2, 1::2])


def _bands(source, spec):
    """Rows of a picture from its top, as the file has them, some hundred at a time, in three channels."""
    channels = 3 if spec.nchannels >= 3 else 1
    for rows in bands_of(source, spec, 0, channels, spec.format):
        yield rows if channels == 3 else np.repeat(rows, 3, axis=2)


def pyramid_of(path, curve, most=MOST_PIXELS) -> Pyramid:
    """The pyramid of a picture file, decoded by a curve; PictureError, naming the file, where it cannot be read."""
    with opened_picture(path) as source:
        spec = source.spec()
        reduced = 1
        while spec.width * spec.height > most * reduced * reduced:
            reduced *= 2
        profile = spec.getattribute("ICCProfile") if curve == "profile" else None
        whole_table = curve_table(curve, spec.format)
        parts = []
        try:
            for rows in _bands(source, spec):
                if curve == "profile":
                    linear = decoded_by_profile(_floats(rows), profile)
                else:
                    linear = whole_table[rows] if whole_table is not None else decoded(rows, curve)
                for _ in range(reduced.bit_length() - 1):
                    linear = _halved(linear)
                parts.append(_half(linear))
        except InputError as error:
            raise PictureError(f"{path}: {error}") from None
    return pyramid_from(np.concatenate(parts), reduced)


def pyramid_from(linear, reduced=1) -> Pyramid:
    """The pyramid of a scene-linear picture (h, w, 3)."""
    levels = [_half(linear)]
    while max(levels[-1].shape[:2]) > _SMALLEST and min(levels[-1].shape[:2]) > 1:
        levels.append(_half(_halved(levels[-1])))
    for level in levels:
        level.flags.writeable = False
    return Pyramid(tuple(levels), reduced)


def _half(linear):
    if linear.dtype == np.float16 and np.isfinite(linear).all():
        return linear
    return np.clip(np.nan_to_num(linear), -_LARGEST_HALF, _LARGEST_HALF).astype(np.float16)


def _floats(rows):
    """A file's numbers as float32, integers as 0..1."""
    if rows.dtype.kind == "u":
        return rows.astype(np.float32) / np.float32(np.iinfo(rows.dtype).max)
    return rows.astype(np.float32)


_kept: OrderedDict = OrderedDict()
_lock = threading.Lock()


def pyramid_in(name, data, curve="linear") -> Pyramid:
    """The pyramid of a study's picture from its bytes; of those looked at last, some are kept.

    PictureError, naming `name`, where it cannot be read.
    """
    key = (name, len(data), curve)
    with _lock:
        if key in _kept:
            _kept.move_to_end(key)
            return _kept[key]
    handle, path = tempfile.mkstemp(suffix=Path(name).suffix)
    try:
        with os.fdopen(handle, "wb") as out:
            out.write(data)
        found = pyramid_of(path, curve)
    except PictureError as error:
        raise PictureError(str(error).replace(path, name)) from None
    finally:
        os.unlink(path)
    with _lock:
        _kept[key] = found
        while len(_kept) > 1 and sum(p.size for p in _kept.values()) > KEPT_BYTES:
            _kept.popitem(last=False)
    return found


def kept_pyramid(name, data, curve="linear"):
    """The pyramid of a picture where it is at hand, else None; never waits."""
    with _lock:
        return _kept.get((name, len(data), curve))
