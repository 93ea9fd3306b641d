"""The shape of `study.json`, as pydantic models; `study.schema.json` beside this file is written from them."""

import json
from dataclasses import asdict
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from ..surface import NODES_NM
from .booth import PIN_FORMS, Booth, Effort, Lamp, Pin, Viewpoint
from .proof import IDENTITY, WHOLE

FORMAT = "photometra-study"
VERSION = 1

_Name = Annotated[str, Field(min_length=1, max_length=200)]
_Finite = Annotated[float, Field(allow_inf_nan=False)]
_Spectrum = Annotated[tuple[_Finite, ...], Field(min_length=len(NODES_NM), max_length=len(NODES_NM))]
_ReadingFile = Annotated[str, Field(pattern=r"^readings/[a-z0-9-]{1,80}\.csv$")]


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class ReadingEntry(_Strict):
    file: _ReadingFile
    name: _Name
    active: bool = True


_Image = Annotated[str, Field(pattern=r"^images/[A-Za-z0-9][A-Za-z0-9._-]{0,120}$")]
_Surface = dict[str, bool | _Finite | str | tuple[_Finite, _Finite, _Finite] | _Spectrum]
_Sigmas = dict[str, Annotated[float, Field(ge=0, allow_inf_nan=False)]]
_Corner = tuple[Annotated[float, Field(ge=-10, le=10)], Annotated[float, Field(ge=-10, le=10)]]


class ReferenceEntry(_Strict):
    picture: _Image
    curve: _Name = "sRGB"
    matrix: Annotated[tuple[_Finite, ...], Field(min_length=9, max_length=9)] = IDENTITY
    exposure: Annotated[float, Field(ge=-30, le=30)] = 0.0
    corners: tuple[_Corner, _Corner, _Corner, _Corner] = WHOLE
    residual: Annotated[float, Field(ge=0, allow_inf_nan=False)] = 0.0


class ProofEntry(_Strict):
    name: _Name
    specimen: _Name
    surface: _Surface = {}
    picture: _Image
    sigmas: _Sigmas = {}
    agreement: list[tuple[str, Annotated[float, Field(ge=0)], Annotated[float, Field(gt=0)]]] = []
    note: str = ""
    date: str = ""


class SpecimenEntry(_Strict):
    name: _Name
    size_mm: Annotated[float, Field(ge=0.1, le=10_000)] = 60.0
    surface: _Surface = {}
    free: list[str] = []
    bounds: dict[str, tuple[_Finite, _Finite]] = {}
    sigmas: _Sigmas = {}
    readings: list[ReadingEntry] = []
    notes: str = ""
    shape: _Name = "ball"
    wall_mm: Annotated[float, Field(gt=0, le=100)] = 2.5
    reference: ReferenceEntry | None = None


_Angle = Annotated[float, Field(ge=-360, le=360)]


class ViewpointEntry(_Strict):
    turn: _Angle = 0.0
    rise: Annotated[float, Field(ge=-89, le=89)] = 13.0
    distance: Annotated[float, Field(ge=0.6, le=1000)] = 4.6
    focal_mm: Annotated[float, Field(ge=4, le=2000)] = 64.75
    f_number: Annotated[float, Field(ge=0, le=128)] = 0.0


class LampEntry(_Strict):
    strength: Annotated[float, Field(ge=0, le=1e6)] = 0.0
    spectrum: _Name = "D65"
    turn: _Angle = 0.0
    rise: Annotated[float, Field(ge=-89, le=89)] = 0.0
    distance: Annotated[float, Field(ge=0.6, le=1000)] = 2.5
    size: Annotated[float, Field(gt=0, le=100)] = 1.2


class EffortEntry(_Strict):
    samples: Annotated[int, Field(ge=0, le=10_000_000)] = 4096
    seconds: Annotated[float, Field(ge=0, le=1e6)] = 0.0
    noise: Annotated[float, Field(ge=0, le=1)] = 0.0
    reflection: Annotated[int, Field(ge=1, le=100_000)] = 16
    transmission: Annotated[int, Field(ge=1, le=100_000)] = 256
    volume: Annotated[int, Field(ge=1, le=1_000_000)] = 4096
    clamp: Annotated[float, Field(ge=0, le=1e9)] = 0.0


_Share = Annotated[float, Field(ge=0, le=1)]


_InView = Annotated[float, Field(ge=-8, le=9)]


class PinEntry(_Strict):
    name: _Name
    x: _InView
    y: _InView
    radius: Annotated[float, Field(gt=0, le=0.5)] = 0.012
    form: Literal[PIN_FORMS] = PIN_FORMS[0]
    to_x: _InView = 0.0
    to_y: _InView = 0.0
    counts: bool = False


class BoothEntry(_Strict):
    environment: _Name = "lantern-room"
    turn: _Finite = 0.0
    strength: Annotated[float, Field(ge=0, le=1e6)] = 1.0
    exposure: Annotated[float, Field(ge=-30, le=30)] = 0.0
    white: (
        tuple[
            Annotated[float, Field(gt=0, allow_inf_nan=False)],
            Annotated[float, Field(gt=0, allow_inf_nan=False)],
            Annotated[float, Field(gt=0, allow_inf_nan=False)],
        ]
        | None
    ) = None
    view: _Name = "filmic"
    compression: _Share = 0.0
    off: tuple[Literal["exposure", "balance", "compression", "view"], ...] = ()
    viewpoint: ViewpointEntry = ViewpointEntry()
    key: LampEntry = LampEntry(**asdict(Booth().key))
    back: LampEntry = LampEntry(**asdict(Booth().back))
    effort: EffortEntry = EffortEntry()
    region: tuple[_Share, _Share, _Share, _Share] | None = None
    pins: Annotated[tuple[PinEntry, ...], Field(max_length=200)] = ()

    @classmethod
    def of(cls, booth: Booth):
        return cls(**asdict(booth))

    def booth(self) -> Booth:
        nested = {"viewpoint": Viewpoint, "key": Lamp, "back": Lamp, "effort": Effort}
        values = self.model_dump()
        values["pins"] = tuple(Pin(**p) for p in values["pins"])
        return Booth(**{k: nested[k](**v) if k in nested else v for k, v in values.items()})


class StudyEntry(_Strict):
    """The whole of study.json."""

    format: Literal["photometra-study"] = FORMAT
    version: Annotated[int, Field(ge=1)] = VERSION
    name: str = "Untitled"
    booth: BoothEntry = BoothEntry()
    specimens: list[SpecimenEntry] = []
    proofs: list[ProofEntry] = []


def json_schema_text():
    """The JSON Schema of study.json, as `study.schema.json` holds it."""
    schema = {"$schema": "https://json-schema.org/draft/2020-12/schema", **StudyEntry.model_json_schema()}
    return json.dumps(schema, indent=1, sort_keys=True) + "\n"
