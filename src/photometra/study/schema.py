"""The shape of `study.json`, as pydantic models; `study.schema.json` beside this file is written from them."""

import json
from dataclasses import asdict
from typing import Annotated, Literal

from pydantic import AfterValidator, BaseModel, ConfigDict, Field, field_validator

from ..colour import WAVELENGTHS
from ..names import MOST_LETTERS, one_line, shown
from ..surface import NODES_NM, STRATA
from .booth import PIN_FORMS, Booth, Effort, Lamp, Pin, Viewpoint
from .inputs import MapEntry
from .model import Specimen
from .proof import FREE_LIGHT, Reference

FORMAT = "photometra-study"
VERSION = 1

_BOOTH, _LAMP, _SPECIMEN = Booth(), Lamp(), Specimen("")
_PIN, _REFERENCE = Pin("", 0.0, 0.0), Reference("")
"""What stands where a file says nothing: the model's own defaults, so that there is one of each."""

_Name = Annotated[str, Field(min_length=1, max_length=MOST_LETTERS), AfterValidator(one_line)]
_Text = Annotated[str, AfterValidator(shown)]
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
_Surface = dict[str, bool | _Finite | str | tuple[_Finite, _Finite, _Finite] | _Spectrum | MapEntry]
_Amount = Annotated[float, Field(ge=0, allow_inf_nan=False)]
_Sigmas = dict[str, _Amount]
_Corner = tuple[Annotated[float, Field(ge=-10, le=10)], Annotated[float, Field(ge=-10, le=10)]]


class ReferenceEntry(_Strict):
    picture: _Image
    curve: _Name = _REFERENCE.curve
    matrix: Annotated[tuple[_Finite, ...], Field(min_length=9, max_length=9)] = _REFERENCE.matrix
    exposure: Annotated[float, Field(ge=-30, le=30)] = _REFERENCE.exposure
    corners: tuple[_Corner, _Corner, _Corner, _Corner] = _REFERENCE.corners
    residual: Annotated[float, Field(ge=0, allow_inf_nan=False)] = _REFERENCE.residual
    free_light: Annotated[tuple[Literal[FREE_LIGHT], ...], Field(max_length=len(FREE_LIGHT))] = ()


class ProofEntry(_Strict):
    name: _Name
    specimen: _Name
    surface: _Surface = {}
    picture: _Image
    sigmas: _Sigmas = {}
    agreement: list[tuple[_Text, _Amount, Annotated[float, Field(gt=0, allow_inf_nan=False)]]] = []
    note: _Text = ""
    date: _Text = ""


class SpecimenEntry(_Strict):
    name: _Name
    size_mm: Annotated[float, Field(ge=0.1, le=10_000)] = _SPECIMEN.size_mm
    surface: _Surface = {}
    free: list[str] = []
    bounds: dict[str, tuple[_Finite, _Finite]] = {}
    sigmas: _Sigmas = {}
    readings: list[ReadingEntry] = []
    notes: _Text = _SPECIMEN.notes
    shape: _Name = _SPECIMEN.shape
    wall_mm: Annotated[float, Field(gt=0, le=100)] = _SPECIMEN.wall_mm
    reference: ReferenceEntry | None = None
    assigned: Annotated[list[tuple[_Name, _Name | Literal[""]]], Field(max_length=2000)] = []
    follows: Annotated[list[tuple[Literal[STRATA], _Name]], Field(max_length=len(STRATA))] = []
    tags: Annotated[list[_Name], Field(max_length=50)] = []
    rests_on: _Text = _SPECIMEN.rests_on


_Angle = Annotated[float, Field(ge=-360, le=360)]


class ViewpointEntry(_Strict):
    turn: _Angle = _BOOTH.viewpoint.turn
    rise: Annotated[float, Field(ge=-89, le=89)] = _BOOTH.viewpoint.rise
    distance: Annotated[float, Field(ge=0.6, le=1000)] = _BOOTH.viewpoint.distance
    focal_mm: Annotated[float, Field(ge=4, le=2000)] = _BOOTH.viewpoint.focal_mm
    f_number: Annotated[float, Field(ge=0, le=128)] = _BOOTH.viewpoint.f_number


_Share = Annotated[float, Field(ge=0, le=1)]


class LampEntry(_Strict):
    strength: Annotated[float, Field(ge=0, le=1e6)] = _LAMP.strength
    spectrum: _Name = _LAMP.spectrum
    measured: Annotated[tuple[_Share, ...], Field(max_length=WAVELENGTHS.size)] = ()
    turn: _Angle = _LAMP.turn
    rise: Annotated[float, Field(ge=-89, le=89)] = _LAMP.rise
    distance: Annotated[float, Field(ge=0.6, le=1000)] = _LAMP.distance
    size: Annotated[float, Field(gt=0, le=100)] = _LAMP.size

    @field_validator("measured")
    @classmethod
    def _is_whole(cls, measured):
        if measured and not (len(measured) == WAVELENGTHS.size and max(measured) > 0.0):
            raise ValueError(f"a measured lamp has {WAVELENGTHS.size} numbers, one of them above 0")
        return measured


class EffortEntry(_Strict):
    samples: Annotated[int, Field(ge=0, le=10_000_000)] = _BOOTH.effort.samples
    seconds: Annotated[float, Field(ge=0, le=1e6)] = _BOOTH.effort.seconds
    noise: Annotated[float, Field(ge=0, le=1)] = _BOOTH.effort.noise
    reflection: Annotated[int, Field(ge=1, le=100_000)] = _BOOTH.effort.reflection
    transmission: Annotated[int, Field(ge=1, le=100_000)] = _BOOTH.effort.transmission
    volume: Annotated[int, Field(ge=1, le=1_000_000)] = _BOOTH.effort.volume
    clamp: Annotated[float, Field(ge=0, le=1e9)] = _BOOTH.effort.clamp


_InView = Annotated[float, Field(ge=-8, le=9)]


class PinEntry(_Strict):
    name: _Name
    x: _InView
    y: _InView
    radius: Annotated[float, Field(gt=0, le=0.5)] = _PIN.radius
    form: Literal[PIN_FORMS] = _PIN.form
    to_x: _InView = _PIN.to_x
    to_y: _InView = _PIN.to_y
    counts: bool = _PIN.counts


class BoothEntry(_Strict):
    environment: _Name = _BOOTH.environment
    turn: _Finite = _BOOTH.turn
    strength: Annotated[float, Field(ge=0, le=1e6)] = _BOOTH.strength
    exposure: Annotated[float, Field(ge=-30, le=30)] = _BOOTH.exposure
    white: (
        tuple[
            Annotated[float, Field(gt=0, allow_inf_nan=False)],
            Annotated[float, Field(gt=0, allow_inf_nan=False)],
            Annotated[float, Field(gt=0, allow_inf_nan=False)],
        ]
        | None
    ) = None
    view: _Name = _BOOTH.view
    compression: _Share = _BOOTH.compression
    off: tuple[Literal["exposure", "balance", "compression", "view"], ...] = ()
    viewpoint: ViewpointEntry = ViewpointEntry()
    key: LampEntry = LampEntry(**asdict(Booth().key))
    back: LampEntry = LampEntry(**asdict(Booth().back))
    effort: EffortEntry = EffortEntry()
    region: tuple[_Share, _Share, _Share, _Share] | None = None
    pins: Annotated[tuple[PinEntry, ...], Field(max_length=200)] = ()

    @field_validator("region")
    @classmethod
    def _grows(cls, region):
        if region is not None and not (region[0] < region[2] and region[1] < region[3]):
            raise ValueError("left, top, right and bottom must grow")
        return region

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
    name: Annotated[str, AfterValidator(one_line)] = "Untitled"
    booth: BoothEntry = BoothEntry()
    specimens: list[SpecimenEntry] = []
    proofs: list[ProofEntry] = []


def json_schema_text():
    """The JSON Schema of study.json, as `study.schema.json` holds it."""
    schema = {"$schema": "https://json-schema.org/draft/2020-12/schema", **StudyEntry.model_json_schema()}
    return json.dumps(schema, indent=1, sort_keys=True) + "\n"
