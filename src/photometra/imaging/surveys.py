"""Pictures of what is not light: parts in tints of their own, their outlines, and a mapped value in false colour."""

import numpy as np

from ..colour import encode_srgb
from ..maps.laying import laid
from ..maps.placing import levels_at
from .comparing import ramp

_TINTS = np.array([
    (0.86, 0.64, 0.36), (0.40, 0.66, 0.62), (0.72, 0.48, 0.52), (0.52, 0.58, 0.78), (0.66, 0.70, 0.42),
    (0.80, 0.56, 0.70), (0.44, 0.52, 0.50), (0.88, 0.78, 0.56), (0.56, 0.44, 0.66), (0.48, 0.74, 0.82),
])  # fmt: skip


def tint_of(part):
    """A part's tint, encoded for the screen, (3,) 0..1; parts next to each other in a list never share one."""
    return _TINTS[part % len(_TINTS)] * (1.0 - 0.16 * (part // len(_TINTS) % 3))


def tinted(survey):
    """Parts in flat tints with a little shade by their normals, RGBA uint8 (h, w, 4); clear where there is none."""
    out = np.zeros((*survey.part.shape, 4), np.uint8)
    there = survey.part >= 0
    tints = np.array([tint_of(p) for p in range(survey.part.max() + 1)]) if there.any() else np.zeros((1, 3))
    shade = 0.62 + 0.38 * np.clip(np.abs(survey.places[there][:, 5]), 0.0, 1.0)
    out[there, :3] = (255.0 * tints[survey.part[there]] * shade[:, None]).astype(np.uint8)
    out[there, 3] = 255
    return out


def outlined(survey, parts):
    """(h, w) bool: the edge of what is seen of some parts, two pixels wide."""
    inside = np.isin(survey.part, list(parts))
    padded = np.pad(inside, 1)
    whole = padded[1:-1, 1:-1] & padded[:-2, 1:-1] & padded[2:, 1:-1] & padded[1:-1, :-2] & padded[1:-1, 2:]
    edge = inside & ~whole
    grown = np.pad(edge, 1)
    return edge | grown[:-2, 1:-1] | grown[1:-1, :-2]


def levels_in(survey, value, lies_on, only=None):
    """Levels (h, w), of a coloured map (h, w, 3), at what a survey shows of its specimen, NaN elsewhere. only: bool
    (h, w), where."""
    there = (survey.part == 0) if only is None else only & (survey.part >= 0)
    chain = laid(value.chains(), lies_on)
    places = np.ascontiguousarray(survey.places[there])
    found = np.empty((len(places), len(chain.chains)))
    levels_at(chain.layers, chain.texels, chain.chains, places, found)
    out = np.full((*survey.part.shape, found.shape[1]), np.nan)
    out[there] = found
    return out[..., 0] if found.shape[1] == 1 else out


def false_coloured(levels):
    """A picture of levels 0..1 in the scale of the maps of differences, RGBA uint8 (h, w, 4); colours as they are."""
    is_coloured = levels.ndim == 3
    there = np.isfinite(levels[..., 0] if is_coloured else levels)
    out = np.zeros((*there.shape, 4), np.uint8)
    shown = encode_srgb(levels[there]) if is_coloured else ramp(levels[there])
    out[there, :3] = (255.0 * np.clip(shown, 0.0, 1.0)).astype(np.uint8)
    out[there, 3] = 255
    return out
