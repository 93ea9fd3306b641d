"""Verbs on where specimens are looked at, and on kept states: booth, proof."""

from dataclasses import asdict, replace
from pathlib import Path
from typing import Annotated

import typer
from pydantic import ValidationError

from ..fitting import agreements
from ..imaging.booths import compiled_in, environment, environment_names, limits_of, scene_of
from ..imaging.denoising import clean_picture, is_available
from ..imaging.display import view_names
from ..imaging.proofs import proof_of
from ..readings.lamps import lamp_of
from ..readings.tables import is_number, value_of
from ..study import VIEWPOINTS, change_file, read_file
from ..study.schema import BoothEntry
from ..surface import parameter
from ..surface.values import parse_number
from ..tracing import Rendering
from .hand_over import standing
from .output import Refused, print_json, table, tell
from .studies import Json, StudyPath

_PICTURES = (".exr", ".hdr")
_OF_SPECIMEN = ("shape", "wall", "unit")
_PROOF_SIZE, _PROOF_SAMPLES = 384, 64


def booth(
    study: StudyPath,
    words: Annotated[
        list[str] | None, typer.Argument(metavar="[SPECIMEN] NAME=VALUE ...", help="Nothing shows the booth.")
    ] = None,
    as_json: Json = False,
):
    """Show or set up where specimens are looked at.

    environment (a name or an EXR/HDR file, which the study keeps), turn, strength, exposure, white (r,g,b or none),
    view, compression, viewpoint (a name), viewpoint.turn … f_number, key.strength … size, key.spectrum (a name, a
    temperature as 4100 K, or a file: CSV, CGATS, IES TM-27), back.…, effort.samples … clamp, region
    (left,top,right,bottom or none); of a SPECIMEN: shape (a name or a mesh file, with unit=mm …), wall.
    """
    words = list(words or ())
    specimen = words.pop(0) if words and "=" not in words[0] else None
    pairs = {}
    for word in words:
        name, sign, text = word.partition("=")
        if not sign:
            raise Refused(f"'{word}' should be NAME=VALUE, as exposure=0.5")
        pairs[name.strip()] = text.strip()
    if not pairs:
        shown = asdict(read_file(study).booth)
        if as_json:
            print_json(shown)
        else:
            table("", ("", "value"), _flat(shown))
        return
    of_specimen = {n: pairs.pop(n) for n in _OF_SPECIMEN if n in pairs}
    if of_specimen and specimen is None:
        raise Refused(f"{', '.join(of_specimen)}: name the specimen first, as booth STUDY SPECIMEN shape=puck")

    def change(document):
        return _set_up(_stood(document, specimen, of_specimen) if of_specimen else document, pairs)

    change_file(study, change)
    for name, text in {**of_specimen, **pairs}.items():
        tell(f"{name} = {text}")


def _flat(shown, head=""):
    for key, value in shown.items():
        if isinstance(value, dict):
            yield from _flat(value, f"{head}{key}.")
        elif key not in ("pins", "measured"):
            yield f"{head}{key}", value


def _stood(document, specimen, words):
    i = document.index(specimen)
    if "shape" in words:
        document, one = standing(document, document.specimens[i], words["shape"], words.get("unit"))
        document = document.with_specimen_at(i, one)
    elif "unit" in words:
        raise Refused("unit goes with shape=FILE")
    if "wall" in words:
        wall = parse_number(parameter("thickness"), words["wall"])
        document = document.with_specimen_at(i, replace(document.specimens[i], wall_mm=wall))
    return document


def _set_up(document, pairs):
    """The study with its booth changed; Refused, with the place, where that cannot be."""
    values = asdict(document.booth)
    for name, text in pairs.items():
        if name == "environment":
            document, values["environment"] = _lit(document, text)
        elif name in ("key.spectrum", "back.spectrum"):
            lamp = values[name.partition(".")[0]]
            lamp["spectrum"], lamp["measured"] = lamp_of(text)
        elif name == "viewpoint":
            if text not in VIEWPOINTS:
                raise Refused(f"viewpoint '{text}' is not a named view; choose from {', '.join(VIEWPOINTS)}")
            values["viewpoint"] = asdict(VIEWPOINTS[text])
        elif name == "view" and text not in view_names():
            raise Refused(f"there is no view '{text}': choose from {', '.join(view_names())}")
        else:
            _put(values, name, text)
    try:
        entry = BoothEntry.model_validate(values)
    except ValidationError as error:
        first = error.errors()[0]
        raise Refused(f"{'.'.join(str(p) for p in first['loc'])}: {first['msg'].lower()}") from None
    return replace(document, booth=entry.booth())


def _put(values, name, text):
    """Set one value by its dotted name."""
    part, _, last = name.rpartition(".")
    there = values.get(part) if part else values
    if not isinstance(there, dict) or last not in there or last == "pins":
        known = ", ".join(n for n, _ in _flat(values))
        raise Refused(f"the booth has no '{name}'; it has {known}")
    before = there[last]
    if text.lower() == "none" and last in ("white", "region"):
        there[last] = None
    elif last in ("white", "region"):
        there[last] = [_number_or_word(v) for v in text.split(",")]
    elif last == "off":
        there[last] = [v.strip() for v in text.split(",") if v.strip()]
    elif isinstance(before, str):
        there[last] = text
    else:
        there[last] = _number_or_word(text)
        if isinstance(before, int) and isinstance(there[last], float) and there[last].is_integer():
            there[last] = int(there[last])


def _number_or_word(text):
    """A number as people type it, with a decimal comma or a degree sign, too; what is none is left for the booth."""
    return value_of(text) if is_number(text) else text


def _lit(document, text):
    """(the study, the environment's name): a name, or a picture file, which the study then keeps."""
    path = Path(text)
    if path.suffix.lower() in _PICTURES:
        environment(text, may_be_file=True)
        document = document.with_environment(path.name, path.read_bytes())
        return document, document.booth.environment
    if text not in (*environment_names(), "uniform", *document.pictures):
        raise Refused(f"there is no environment '{text}': choose from {', '.join(['uniform', *environment_names()])}")
    return document, text


def proof(
    study: StudyPath,
    specimen: Annotated[str | None, typer.Argument(metavar="[SPECIMEN]")] = None,
    note: Annotated[str, typer.Option("--note", metavar="TEXT", help="What it is kept for.")] = "",
    listed: Annotated[bool, typer.Option("--list", help="List the proofs.")] = False,
    back: Annotated[str | None, typer.Option("--back", metavar="NAME", help="Bring one back.")] = None,
    as_json: Json = False,
):
    """Keep a specimen as it is, with a picture and its agreement; list what is kept; bring one back."""
    document = read_file(study)
    if listed:
        chosen = [p for p in document.proofs if specimen is None or p.specimen == document.specimen(specimen).name]
        if as_json:
            rows = [{"name": p.name, "specimen": p.specimen, "note": p.note, "date": p.date} for p in chosen]
            print_json({"proofs": rows})
        else:
            table("", ("proof", "specimen", "date", "note"), [(p.name, p.specimen, p.date, p.note) for p in chosen])
        return
    if back is not None:
        kept = _named(document, back, specimen)
        change_file(study, lambda document: document.with_proof_back(kept))
        tell(f"{kept.specimen} is as in {kept.name} again")
        return
    if specimen is None:
        raise Refused("name the specimen that is to be kept, or give --list or --back NAME")
    one = document.specimen(specimen)
    scene = scene_of(document, one)
    rendering = Rendering(compiled_in(scene, one), scene, _PROOF_SIZE, _PROOF_SIZE, limits=limits_of(document.booth))
    rendering.add(_PROOF_SAMPLES)
    shown = clean_picture(rendering) if is_available() else None
    kept, data = proof_of(document, one, rendering.picture(), agreements(one.surface, one.readings), note, shown)
    document = change_file(study, lambda document: document.with_proof(kept, data))
    tell(f"kept {document.proofs[-1].name} of {one.name}")


def _named(document, name, specimen):
    """A proof by its name, of one specimen where several have one of that name."""
    found = [p for p in document.proofs if p.name.casefold() == name.casefold()]
    if specimen is not None:
        found = [p for p in found if p.specimen == document.specimen(specimen).name]
    if len(found) != 1:
        there = ", ".join(f"'{p.name}' of {p.specimen}" for p in document.proofs) or "none"
        which = "there is no proof" if not found else "there are several proofs"
        raise Refused(f"{which} '{name}'; kept are {there}. Name the specimen where one is not enough")
    return found[0]


def register(app):
    app.command("booth")(booth)
    app.command("proof")(proof)
