"""Camera profiles (.dcp, or a DNG's own tags): a camera's matrices under one or two lights (DNG 1.6, 2021).

Where it has forward matrices they take numbers that are balanced on white to XYZ under D50; else the colour matrices,
from XYZ to the camera, are turned round. Between two lights a matrix is linear in the reciprocal of the temperature.
"""

import math
import struct
from dataclasses import dataclass
from pathlib import Path

import numpy as np

from ..colour import adaptation, white_point, xyz_to_linear_srgb
from ..colour.temperature import black_body_xyz, daylight_xyz
from ..disk import read_bytes
from ..errors import InputError
from ..names import one_line
from ..words import tr

PROFILE_FILES = tr("Camera profiles (*.dcp *.dng);;All files (*)")
"""What to choose from, as a dialog has it."""
_LARGEST, _MOST_TAGS = 200_000_000, 4096
_MAGIC = {"<": (b"II*\0", b"IIRC"), ">": (b"MM\0*", b"MMCR")}
_SIZES = {2: 1, 3: 2, 5: 8, 10: 8}
"""Bytes of one value by its type: text, whole numbers of two bytes, and fractions without and with a sign."""
_MODEL, _NAME = 50708, 50936
_COLOUR, _LIGHTS, _FORWARD = (50721, 50722), (50778, 50779), (50964, 50965)
_KELVIN = {
    1: 5500.0, 2: 4230.0, 3: 2856.0, 4: 5500.0, 9: 5500.0, 10: 6500.0, 11: 7500.0, 12: 6430.0, 13: 5000.0, 14: 4230.0,
    15: 3450.0, 17: 2856.0, 18: 4874.0, 19: 6774.0, 20: 5503.0, 21: 6504.0, 22: 7504.0, 23: 5003.0, 24: 3200.0,
}  # fmt: skip
"""Correlated colour temperatures of the standard's lights (EXIF 2.3)."""
_DAYLIGHT_FROM = 4000.0
"""Below this temperature a light is a black body."""


@dataclass(frozen=True, eq=False)
class CameraProfile:
    """What a profile says, for each of its lights: kelvin (k,); from XYZ to the camera (k, 3, 3); from balanced numbers
    to XYZ under D50 (k, 3, 3), None where it has none."""

    name: str
    kelvin: np.ndarray
    colour: np.ndarray
    forward: np.ndarray | None

    def matrix(self, kelvin) -> np.ndarray:
        """From a photograph's linear numbers, balanced on white, to linear Rec.709 (3, 3) for a light of so many K:
        white stays white."""
        if self.forward is not None:
            to_xyz, white = _between(self.forward, self.kelvin, kelvin), white_point("D50")
        else:
            colour, white = _between(self.colour, self.kelvin, kelvin), _white_of(kelvin)
            to_xyz = np.linalg.inv(colour) * (colour @ white)
        found = xyz_to_linear_srgb((adaptation(white, white_point()) @ to_xyz).T).T
        # What is left of the white's own rounding in the file.
        return found / found.sum(axis=1, keepdims=True)


def _between(matrices, temperatures, kelvin):
    if len(matrices) == 1:
        return matrices[0]
    at, ends = 1.0 / kelvin, 1.0 / temperatures
    share = float(np.clip((at - ends[0]) / (ends[1] - ends[0]), 0.0, 1.0)) if ends[0] != ends[1] else 0.0
    return matrices[0] + share * (matrices[1] - matrices[0])


def _white_of(kelvin):
    """XYZ of a black body, or of daylight, Y = 1."""
    return black_body_xyz(kelvin) if kelvin < _DAYLIGHT_FROM else daylight_xyz(kelvin)


def read_profile(path) -> CameraProfile:
    """The profile of a file; InputError, with one sentence, where it has none that can be used."""
    data = read_bytes(path, _LARGEST)
    try:
        tags = _tags(data)
    except (struct.error, ValueError):
        raise InputError(tr("{0}: this is not a camera profile (.dcp) or DNG file, or a damaged one", path)) from None
    lights = [int(tags[tag][0]) for tag in _LIGHTS if tags.get(tag)]
    colour, forward = (np.array([tags[t] for t in group if len(tags.get(t, ())) == 9]) for group in (_COLOUR, _FORWARD))
    count = len(colour)
    if not count:
        raise InputError(tr("{0}: there is no colour matrix of three channels in this file", path))
    if count == 1 and not lights:
        # The standard: D50 then.
        lights = [23]
    if len(lights) < count or any(light not in _KELVIN for light in lights[:count]):
        raise InputError(tr("{0}: it does not say for which light its matrices are", path))
    colour, forward = colour.reshape(-1, 3, 3), forward.reshape(-1, 3, 3)
    if any(abs(np.linalg.det(m)) < 1e-6 for m in (*colour, *forward)):
        raise InputError(tr("{0}: one of its matrices leads to no colour", path))
    named = tags.get(_NAME) or tags.get(_MODEL) or Path(path).stem
    return CameraProfile(
        one_line(str(named))[:80], np.array([_KELVIN[light] for light in lights[:count]]), colour,
        forward if len(forward) == count else None,
    )  # fmt: skip


def _tags(data):
    """{tag: numbers, or a text} of the first directory of a TIFF-like file."""
    order = next((o for o, magics in _MAGIC.items() if data[:4] in magics), None)
    if order is None:
        raise ValueError
    (at,) = struct.unpack_from(f"{order}I", data, 4)
    (count,) = struct.unpack_from(f"{order}H", data, at)
    if count > _MOST_TAGS:
        raise ValueError
    wanted, found = {_MODEL, _NAME, *_COLOUR, *_LIGHTS, *_FORWARD}, {}
    for i in range(count):
        tag, kind, n = struct.unpack_from(f"{order}HHI", data, at + 2 + 12 * i)
        if tag not in wanted or kind not in _SIZES or n > 1000:
            continue
        place = at + 10 + 12 * i
        if _SIZES[kind] * n > 4:
            (place,) = struct.unpack_from(f"{order}I", data, place)
        found[tag] = _values(data, order, kind, n, place)
    return found


def _values(data, order, kind, count, place):
    if kind == 2:
        return data[place : place + count].split(b"\0")[0].decode("utf-8", "replace")
    if kind == 3:
        return struct.unpack_from(f"{order}{count}H", data, place)
    pairs = struct.unpack_from(f"{order}{2 * count}{'i' if kind == 10 else 'I'}", data, place)
    numbers = tuple(a / b if b else math.nan for a, b in zip(pairs[::2], pairs[1::2], strict=True))
    if not all(map(math.isfinite, numbers)):
        raise ValueError
    return numbers
