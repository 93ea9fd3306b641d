"""Inputs that are maps, as `study.json` holds them, and back."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, model_validator

from ..maps import (
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
)
from ..surface import NODES_NM
from .linked import followed

_Finite = Annotated[float, Field(allow_inf_nan=False)]
_Spectrum = Annotated[tuple[_Finite, ...], Field(min_length=len(NODES_NM), max_length=len(NODES_NM))]
_End = _Finite | tuple[_Finite, _Finite, _Finite] | _Spectrum
_File = Annotated[str, Field(pattern=r"^maps/[A-Za-z0-9][A-Za-z0-9._-]{0,120}$")]
_PLACE, _ADJUST, _LAYER = Placement(), Adjustments(), Layer(Generator("flat"))


_Span = Annotated[int, Field(ge=1, le=10)]


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class PictureEntry(_Strict):
    file: _File
    channel: Literal[CHANNELS] = "luminance"
    encoding: Literal[ENCODINGS] = "data"
    path: Annotated[str, Field(max_length=4096)] = ""
    digest: Annotated[str, Field(pattern=r"^[0-9a-f]{64}$|^$")] = ""
    spans: tuple[_Span, _Span] = (1, 1)


class GeneratorEntry(_Strict):
    kind: Annotated[str, Field(max_length=40)]
    seed: Annotated[int, Field(ge=0, le=2**31)] = 1
    settings: dict[str, _Finite] = {}


class LayerEntry(_Strict):
    picture: PictureEntry | None = None
    generator: GeneratorEntry | None = None
    way: Literal[PLACEMENTS] = _PLACE.way
    size_mm: tuple[_Finite, _Finite] = _PLACE.size_mm
    offset_mm: tuple[_Finite, _Finite] = _PLACE.offset_mm
    turn_deg: _Finite = _PLACE.turn_deg
    repeat: Literal[REPEATS] = _PLACE.repeat
    shuffle: bool = _PLACE.shuffle
    invert: bool = _ADJUST.invert
    black: _Finite = _ADJUST.black
    white: _Finite = _ADJUST.white
    gamma: _Finite = _ADJUST.gamma
    contrast: _Finite = _ADJUST.contrast
    blur_mm: _Finite = _ADJUST.blur_mm
    hue_deg: _Finite = _ADJUST.hue_deg
    saturation: _Finite = _ADJUST.saturation
    combine: Literal[COMBINES] = _LAYER.combine
    amount: _Finite = _LAYER.amount

    @model_validator(mode="after")
    def _one_source(self):
        if (self.picture is None) == (self.generator is None):
            raise ValueError("a layer of a map needs a picture or a generator, one of them")
        return self


class MapEntry(_Strict):
    layers: Annotated[list[LayerEntry], Field(min_length=1, max_length=8)]
    low: _End
    high: _End


def entry_of(value: Map) -> MapEntry:
    """A Map as the file holds it; its pictures stand beside, see `pictures_of`."""
    layers = []
    for layer in value.layers:
        s, p, a = layer.source, layer.placement, layer.adjustments
        if isinstance(s, Picture):
            source = {"picture": PictureEntry(file=s.name, channel=s.channel, encoding=s.encoding, path=s.path,
                                              digest=s.digest, spans=s.spans)}  # fmt: skip
        else:
            source = {"generator": GeneratorEntry(kind=s.kind, seed=s.seed, settings=dict(s.settings))}
        layers.append(LayerEntry(**source, **vars(p), **vars(a), combine=layer.combine, amount=layer.amount))
    return MapEntry(layers=layers, low=value.low, high=value.high)


def input_of(entry, kept=None):
    """The value of an entry: itself, or its Map. kept: {name: bytes} of the pictures in the file.

    A linked picture is read where it is, and taken only if its content is the one that was linked; otherwise it is
    missing, and its link is kept.
    """
    if not isinstance(entry, MapEntry):
        return float(entry) if type(entry) is int else entry
    layers = []
    for one in entry.layers:
        said = one.model_dump()
        placement = Placement(**{k: said[k] for k in vars(_PLACE)})
        adjustments = Adjustments(**{k: said[k] for k in vars(_ADJUST)})
        if one.picture is not None:
            p = one.picture
            source = Picture(p.file, p.channel, p.encoding, p.path, p.digest, p.spans, (kept or {}).get(p.file))
            source = followed(source) if p.path else source
        else:
            g = one.generator
            source = Generator(g.kind, g.seed, tuple(sorted(g.settings.items())))
        layers.append(Layer(source, placement, adjustments, one.combine, one.amount))
    return Map(tuple(layers), entry.low, entry.high)
