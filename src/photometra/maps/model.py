"""What varies over a surface, as plain data: source → placement → adjustments → combination → range. Immutable.

A map gives a level, 0 to 1, at every place of a specimen; its range lays the level onto a parameter in the parameter's
own unit, from `low` at level 0 to `high` at level 1. Nothing is decoded or drawn here.
"""

from dataclasses import dataclass, field, replace

import numpy as np

from ..errors import InputError
from ..words import tr
from .encodings import SPACES

PLACEMENTS = ("box", "front", "top", "side", "cylinder", "sphere", "uv")
"""How a tile is laid on: three planes blended; along one axis; about the upright axis; about the middle; by UVs."""
REPEATS = ("tile", "mirror", "hold")
COMBINES = ("multiply", "add", "mix", "lighter", "darker", "mask")
"""A layer that is a mask changes nothing itself: its level is how much of the next layer's combination is taken."""
CHANNELS = ("luminance", "red", "green", "blue", "alpha", "colour", "normal")
"""Of a picture; by "colour" it drives red, green and blue of a colour apart; of "normal" it is the height whose slopes
a picture of normals has."""
ENCODINGS = ("data", "sRGB", *SPACES)
"""Of a picture's numbers: as they are, encoded for a screen, or in another colour space."""
MOST_LAYERS = 8


@dataclass(frozen=True)
class Picture:
    """A picture as a source: one channel of a file, that the study keeps or that stands at `path`.

    name: as a study keeps it, with a digest of the content in it; digest: the whole SHA-256 of the file; data: its
    bytes, None where it is missing; spans: over how many UV squares, across and up from the first,
    it lies where it was put together of a set of tiles. Two of one name are equal: the name is the content.
    """

    name: str
    channel: str = "luminance"
    encoding: str = "data"
    path: str = ""
    digest: str = ""
    spans: tuple[int, int] = (1, 1)
    data: bytes | None = field(default=None, compare=False, repr=False)

    @property
    def is_missing(self):
        return self.data is None


@dataclass(frozen=True)
class Generator:
    """One of our own generators as a source. settings: ((name, value), …) of those that are not as declared."""

    kind: str
    seed: int = 1
    settings: tuple[tuple[str, float], ...] = ()

    is_missing = False


@dataclass(frozen=True)
class Placement:
    """Where a tile lies. size_mm: width and height of one tile, 0 for once over the whole specimen; offset_mm: of its
    middle from the specimen's; turn_deg: counter-clockwise as seen. shuffle: every tile turned by chance, against
    repetition.
    """

    way: str = "box"
    size_mm: tuple[float, float] = (0.0, 0.0)
    offset_mm: tuple[float, float] = (0.0, 0.0)
    turn_deg: float = 0.0
    repeat: str = "tile"
    shuffle: bool = False


@dataclass(frozen=True)
class Adjustments:
    """What is done to a source's level, in this order: of a picture in colour hue and saturation, then invert, levels
    with gamma, contrast about the middle, blur."""

    invert: bool = False
    black: float = 0.0
    white: float = 1.0
    gamma: float = 1.0
    contrast: float = 1.0
    blur_mm: float = 0.0
    hue_deg: float = 0.0
    saturation: float = 1.0


@dataclass(frozen=True)
class Layer:
    """One source where it lies; layers after the first are combined with what is there by `combine`, in part."""

    source: Picture | Generator
    placement: Placement = Placement()
    adjustments: Adjustments = Adjustments()
    combine: str = "multiply"
    amount: float = 1.0


@dataclass(frozen=True)
class Map:
    """An input that varies: layers that give a level, and the values at level 0 and level 1 (numbers or colours)."""

    layers: tuple[Layer, ...]
    low: object
    high: object

    @property
    def middle(self):
        """The value half-way, where one value has to stand for all."""
        return self.at(0.5)

    @property
    def is_coloured(self):
        """Whether the map has a level of its own for red, green and blue."""
        return any(isinstance(layer.source, Picture) and layer.source.channel == "colour" for layer in self.layers)

    def chains(self):
        """The chains of layers that give its levels: one, or one each for red, green and blue."""
        if not self.is_coloured:
            return (self.layers,)
        return tuple(tuple(_in_channel(layer, c) for layer in self.layers) for c in ("red", "green", "blue"))

    def at(self, level):
        """The value at a level; of a coloured map at three."""
        if np.ndim(level):
            return tuple(float(a + (b - a) * t) for a, b, t in zip(self.low, self.high, level, strict=True))
        if isinstance(self.low, tuple):
            return tuple(float(a + (b - a) * level) for a, b in zip(self.low, self.high, strict=True))
        return float(self.low + (self.high - self.low) * level)

    @property
    def is_missing(self):
        return any(layer.source.is_missing for layer in self.layers)

    @property
    def ends_in_mask(self):
        """Whether the last layer is a mask, with nothing after it to be masked."""
        return len(self.layers) > 1 and self.layers[-1].combine == "mask"

    def with_source(self, source) -> "Map":
        """The same with another first source."""
        return replace(self, layers=(replace(self.layers[0], source=source), *self.layers[1:]))


def _in_channel(layer, channel):
    source = layer.source
    if isinstance(source, Picture) and source.channel == "colour":
        return replace(layer, source=replace(source, channel=channel))
    return layer


def checked_layers(name, layers):
    """Layers whose words and numbers are ones that can be; InputError, under a parameter's `name`, otherwise."""
    from .generators import checked_settings

    if not 1 <= len(layers) <= MOST_LAYERS:
        raise InputError(tr("{0}: a map has one to {1} layers", name, MOST_LAYERS))
    for layer in layers:
        placement, adjust = layer.placement, layer.adjustments
        for word, known, what in (
            (placement.way, PLACEMENTS, "placement"),
            (placement.repeat, REPEATS, "repeat"),
            (layer.combine, COMBINES, tr("way to combine")),
        ):
            if word not in known:
                raise InputError(tr("{0}: there is no {1} '{2}': choose from {3}", name, what, word, ", ".join(known)))
        for number, low, high, what in (
            (placement.size_mm[0], 0.0, 1e5, "size"),
            (placement.size_mm[1], 0.0, 1e5, "size"),
            (placement.offset_mm[0], -1e5, 1e5, "offset"),
            (placement.offset_mm[1], -1e5, 1e5, "offset"),
            (placement.turn_deg, -360.0, 360.0, "turn"),
            (adjust.black, 0.0, 1.0, "black"),
            (adjust.white, 0.0, 1.0, "white"),
            (adjust.gamma, 0.05, 20.0, "gamma"),
            (adjust.contrast, 0.0, 20.0, "contrast"),
            (adjust.hue_deg, -360.0, 360.0, "hue"),
            (adjust.saturation, 0.0, 20.0, "saturation"),
            (adjust.blur_mm, 0.0, 1e3, "blur"),
            (layer.amount, 0.0, 1.0, "amount"),
        ):
            if not low <= number <= high:
                raise InputError(
                    tr(
                        "{0}: {1} of a map must lie between {2} and {3}, not {4}",
                        name,
                        what,
                        f"{low:g}",
                        f"{high:g}",
                        f"{number:g}",
                    )
                )
        if adjust.black >= adjust.white:
            raise InputError(tr("{0}: black of a map's levels must lie below white; to turn it round, invert it", name))
        if isinstance(layer.source, Generator):
            checked_settings(name, layer.source)
        elif layer.source.channel not in CHANNELS or layer.source.encoding not in ENCODINGS:
            raise InputError(
                tr(
                    "{0}: a picture's channel is one of {1}, its encoding of {2}",
                    name,
                    ", ".join(CHANNELS),
                    ", ".join(ENCODINGS),
                )
            )
    return tuple(layers)
