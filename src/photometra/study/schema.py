"""The shape of `study.json`, as pydantic models; `study.schema.json` beside this file is written from them."""

import json
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

FORMAT = "photometra-study"
VERSION = 1

_Name = Annotated[str, Field(min_length=1, max_length=200)]
_Finite = Annotated[float, Field(allow_inf_nan=False)]
_ReadingFile = Annotated[str, Field(pattern=r"^readings/[a-z0-9-]{1,80}\.csv$")]


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class ReadingEntry(_Strict):
    file: _ReadingFile
    name: _Name
    active: bool = True


class SpecimenEntry(_Strict):
    name: _Name
    size_mm: Annotated[float, Field(ge=0.1, le=10_000)] = 60.0
    surface: dict[str, _Finite | str | tuple[_Finite, _Finite, _Finite]] = {}
    free: list[str] = []
    bounds: dict[str, tuple[_Finite, _Finite]] = {}
    sigmas: dict[str, Annotated[float, Field(ge=0, allow_inf_nan=False)]] = {}
    readings: list[ReadingEntry] = []
    notes: str = ""


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


class StudyEntry(_Strict):
    """The whole of study.json."""

    format: Literal["photometra-study"] = FORMAT
    version: Annotated[int, Field(ge=1)] = VERSION
    name: str = "Untitled"
    booth: BoothEntry = BoothEntry()
    specimens: list[SpecimenEntry] = []


def json_schema_text():
    """The JSON Schema of study.json, as `study.schema.json` holds it."""
    schema = {"$schema": "https://json-schema.org/draft/2020-12/schema", **StudyEntry.model_json_schema()}
    return json.dumps(schema, indent=1, sort_keys=True) + "\n"
