"""Maps: what varies over a surface. Plain data, our own generators, tiles baked from them, and where they lie."""

from .generators import GENERATORS, generator, settings_of
from .model import (
    CHANNELS,
    COMBINES,
    ENCODINGS,
    PLACEMENTS,
    REPEATS,
    Adjustments,
    Generator,
    Layer,
    Map,
    Picture,
    Placement,
    checked_layers,
)

__all__ = [
    "CHANNELS", "COMBINES", "ENCODINGS", "GENERATORS", "PLACEMENTS", "REPEATS", "Adjustments", "Generator", "Layer",
    "Map", "Picture", "Placement", "checked_layers", "generator", "settings_of",
]  # fmt: skip
