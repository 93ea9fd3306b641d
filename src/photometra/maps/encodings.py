"""Pictures in colour spaces other than our own: what their numbers are in linear Rec.709, by OpenColorIO.

By the configuration that comes with OpenColorIO itself, so that a study looks the same wherever it is opened.
"""

import re
from functools import cache

import numpy as np

SPACES = {
    "gamma 2.2": "g22_rec709", "P3": "srgb_p3d65", "linear P3": "lin_p3d65", "linear Rec.2020": "lin_rec2020",
    "ACEScg": "acescg", "ACEScct": "acescct",
}  # fmt: skip
"""What we call them, and what OpenColorIO does."""
_NAMED = (
    (re.compile(r"acescg|ap1", re.I), "ACEScg"), (re.compile(r"acescct", re.I), "ACEScct"),
    (re.compile(r"rec\.?_?2020|bt\.?_?2020", re.I), "linear Rec.2020"),
    (re.compile(r"lin(?:ear)?_?p3", re.I), "linear P3"), (re.compile(r"(?<![a-z])p3(?![a-z0-9])", re.I), "P3"),
    (re.compile(r"g22|gamma_?2\.?2", re.I), "gamma 2.2"),
)  # fmt: skip
_BAND = 256
"""Rows that are turned at a time: a picture may be very large."""


def named_in(stem):
    """The colour space that a file's name says, as `hull_acescg`; "" where it says none."""
    return next((name for pattern, name in _NAMED if pattern.search(stem)), "")


@cache
def _processor(encoding):
    import PyOpenColorIO as ocio

    config = ocio.Config.CreateFromFile("ocio://default")
    return config.getProcessor(SPACES[encoding], "lin_rec709").getDefaultCPUProcessor()


def in_rec709(channels, encoding):
    """Red, green and blue, integers or 0..1 (h, w) each, of one of the `SPACES`, as float32 (h, w, 3) of Rec.709."""
    height, width = channels[0].shape
    most = [np.float32(np.iinfo(c.dtype).max if c.dtype.kind == "u" else 1.0) for c in channels]
    out = np.empty((height, width, 3), np.float32)
    for y in range(0, height, _BAND):
        band = out[y : y + _BAND]
        for i, (channel, whole) in enumerate(zip(channels, most, strict=True)):
            band[..., i] = channel[y : y + _BAND] / whole
        _processor(encoding).applyRGB(band)
    return out
