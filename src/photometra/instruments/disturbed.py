"""What an instrument shows that is off: in gain, offset, the thickness it was told, or the zero of its angles."""

from dataclasses import replace

import numpy as np

from ..readings import Reading
from ..surface.bank import compile_measured
from .shelf import Question, predicted

_LAB_OFFSET = 16.0
_MOST_DEG = 89.9
_THINNEST = 0.02
"""A slab is never thinner than this share of what was stated."""


def question_with(reading: Reading, by: dict) -> Question:
    """What a reading asks where its thickness and the zero of its angles are off by {effect: amount}."""
    asked = Question.of(reading)
    if thicker := by.get("thickness_mm"):
        asked = replace(asked, thickness_mm=max(asked.thickness_mm + thicker, _THINNEST * asked.thickness_mm))
    if turned := by.get("angle_deg"):
        column = reading.kind.angle
        least = 0.0 if column == "angle_deg" else -_MOST_DEG
        places = {**asked.places, column: np.clip(asked[column] + turned, least, _MOST_DEG)}
        asked = replace(asked, places=places)
    return asked


def as_shown(reading: Reading, model, by: dict):
    """What an instrument whose gain and offset are off by {effect: amount} shows of model (value columns, n)."""
    gain, offset = 1.0 + by.get("gain", 0.0), by.get("offset", 0.0)
    if gain == 1.0 and not offset:
        return model
    if reading.kind_key == "colour":
        # Of X, Y and Z alike, and L*, a*, b* go by their cube roots (CIE 15:2018, but for the very dark).
        root = np.cbrt(max(gain, 0.0))
        return np.stack([(model[0] + _LAB_OFFSET) * root - _LAB_OFFSET, model[1] * root, model[2] * root])
    return gain * model + offset


def drawn(reading: Reading, rng):
    """{effect: amount} by which an instrument may be off, from a reading's own systematic uncertainties."""
    sigmas = {name: getattr(reading.systematic, name) for name in reading.kind.effects}
    return {name: rng.normal() * sigma for name, sigma in sigmas.items() if sigma > 0.0}


def noised(reading: Reading, columns: dict, rng):
    """A reading's columns with chance noise of its stated uncertainty; a meter shows nothing below nothing."""
    out = dict(columns)
    for name in reading.kind.values:
        low, high = reading.kind.limits_of(name)
        out[name] = np.clip(out[name] + rng.normal(size=reading.rows) * reading.sigma[name], low, high)
    return out


def misread(reading: Reading, surface, by: dict, constants=None):
    """What an instrument off by {effect: amount} shows of a surface at a reading's places, (value columns, n)."""
    compiled = compile_measured(surface, constants)
    return as_shown(reading, predicted(question_with(reading, by), surface, compiled, constants), by)
