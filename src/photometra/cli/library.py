"""Verbs on libraries of calibrated materials: library add, list, find, take."""

import os
from pathlib import Path
from typing import Annotated

import typer

from ..figures import figures
from ..library import (
    FACTS,
    Library,
    closest,
    default_library,
    kept,
    read_entry,
    starter_library,
    taken,
    taken_stratum,
)
from ..library.entry import entry_study
from ..library.facts import MATTERS
from ..study import change_file, read_file
from ..surface import STRATA
from .output import Refused, print_json, table, tell
from .studies import Json, SpecimenName, StudyPath

_PLACE = "PHOTOMETRA_LIBRARY"
Folders = Annotated[
    list[Path] | None,
    typer.Option(
        "--library", metavar="FOLDER", help=f"Instead of your own (${_PLACE} where set) and the one that ships."
    ),
]
EntryName = Annotated[str, typer.Argument(metavar="ENTRY", help="The entry's name.")]


def _own():
    return Path(os.environ.get(_PLACE) or default_library())


def _opened(folders):
    """The libraries to look in, brought up to their files."""
    chosen = list(folders or [])
    if not chosen:
        own = _own()
        chosen = [*([own] if own.is_dir() else []), starter_library()]
    out = []
    for folder in chosen:
        library = Library(folder)
        library.sync(lambda done, of: tell(f"reading entry {done} of {of}") if done % 50 == 0 or done == of else None)
        out.append(library)
    return out


def _entry(folders, name):
    tried = _opened(folders)
    for library in tried:
        named = [f for f in library.find() if f.name.casefold() == name.strip().casefold()]
        if named:
            return named[0]
    return tried[0].entry(name)


def _plain(found, **more):
    return {
        "name": found.name, "file": str(found.path), "matter": found.matter, "strata": list(found.strata),
        "tags": list(found.tags), "readings": found.readings, "solved": found.solved, "version": found.version,
        "rests_on": found.rests_on, "notes": found.notes, "facts": found.facts, "trouble": found.trouble, **more,
    }  # fmt: skip


def add(
    study: StudyPath,
    specimen: SpecimenName,
    tags: Annotated[list[str] | None, typer.Option("--tag", metavar="TAG", help="May be given several times.")] = None,
    rests_on: Annotated[str | None, typer.Option("--rests-on", help="What its values come from, in words.")] = None,
    notes: Annotated[str | None, typer.Option("--notes", help="Instead of the specimen's own.")] = None,
    library: Annotated[Path | None, typer.Option("--library", metavar="FOLDER", help="Instead of your own.")] = None,
    as_json: Json = False,
):
    """Keep a specimen in a library, with its readings, standard errors and a picture; an older version is kept."""
    document = read_file(study)
    one = document.specimen(specimen)
    entry = kept(library or _own(), entry_study(document, one, tags or None, rests_on, notes))
    if as_json:
        print_json({"name": one.name, "file": str(entry.path), "version": entry.version})
    else:
        tell(f"kept '{one.name}' as {entry.path}" + (f", version {entry.version}" if entry.version > 1 else ""))


def show_list(folders: Folders = None, as_json: Json = False):
    """List every entry of the libraries."""
    _told([f for library in _opened(folders) for f in library.find()], as_json)


def find(
    words: Annotated[list[str] | None, typer.Argument(metavar="[WORD ...]", help="Each begins a word of it.")] = None,
    where: Annotated[
        list[str] | None,
        typer.Option("--where", metavar="FACT=LOW..HIGH", help=f"By {', '.join(f.name for f in FACTS)}."),
    ] = None,
    matter: Annotated[str, typer.Option("--material", metavar="NAME", help=f"One of {', '.join(MATTERS)}.")] = "",
    stratum: Annotated[str, typer.Option(metavar="STRATUM", help="Only what has one: coat, film, sheen …")] = "",
    like: Annotated[
        Path | None, typer.Option("--like", metavar="STUDY", help="Closest to the readings of one of its specimens.")
    ] = None,
    specimen: Annotated[str, typer.Option("--specimen", metavar="SPECIMEN", help="Whose readings, with --like.")] = "",
    reading: Annotated[str, typer.Option("--reading", metavar="READING", help="Only this one of them.")] = "",
    within: Annotated[
        float | None, typer.Option(min=0.0, metavar="TOLERANCES", help="Only what is so close, in tolerances.")
    ] = None,
    folders: Folders = None,
    as_json: Json = False,
):
    """Search by words, by what instruments would read, or by agreement with readings in hand."""
    facts = dict(_range(text) for text in where or ())
    if stratum and stratum not in STRATA:
        raise Refused(f"--stratum '{stratum}' is none; there are {', '.join(STRATA)}")
    found = [f for lib in _opened(folders) for f in lib.find(" ".join(words or ()), facts, matter, stratum)]
    if like is None:
        if specimen or reading or within is not None:
            raise Refused("--specimen, --reading and --within go with --like STUDY")
        _told(found, as_json)
        return 0 if found else 1
    document = read_file(like)
    if not specimen and len(document.specimens) != 1:
        raise Refused(f"--specimen: {like} has {len(document.specimens)} specimens; say whose readings")
    one = document.specimen(specimen) if specimen else document.specimens[0]
    readings = [r for r in one.readings if r.active and (not reading or r.name.casefold() == reading.casefold())]
    if not readings:
        raise Refused(f"'{one.name}' has no such reading to compare with")
    ranked = [r for r in closest(found, readings) if within is None or r.score <= within]
    if as_json:
        print_json({"entries": [_plain(r.found, score=r.score, values=list(r.values)) for r in ranked]})
        return 0 if ranked else 1
    names = [f"{r.name} ({r.kind.metric_words})" if hasattr(r.kind, "metric_words") else r.name for r in readings]
    rows = [(r.found.name, f"{r.score:.2f}", *(figures(v) for v in r.values)) for r in ranked]
    table(f"closest to {one.name}", ("entry", "in tolerances", *names), rows)
    return 0 if ranked else 1


def _range(text):
    name, sign, span = text.partition("=")
    low, dots, high = span.partition("..")
    try:
        if not sign or not dots:
            raise ValueError
        return name.strip(), (float(low or "-inf"), float(high or "inf"))
    except ValueError:
        raise Refused(f"--where '{text}' should be FACT=LOW..HIGH, as gloss60=20..40") from None


def take(
    study: StudyPath,
    entry: EntryName,
    stratum: Annotated[str, typer.Option(metavar="STRATUM", help="Only this stratum, into --specimen.")] = "",
    specimen: Annotated[str, typer.Option("--specimen", metavar="SPECIMEN", help="Which takes the stratum.")] = "",
    linked: Annotated[bool, typer.Option("--linked", help="Add it, and have --specimen follow it there.")] = False,
    folders: Folders = None,
    as_json: Json = False,
):
    """Take an entry into a study: as a new specimen, one stratum of it, or linked."""
    if bool(stratum) != bool(specimen):
        raise Refused("--stratum and --specimen go together: which stratum, and who takes it")
    if linked and not stratum:
        raise Refused("--linked needs --stratum and --specimen")
    if stratum and stratum not in STRATA:
        raise Refused(f"--stratum '{stratum}' is none; there are {', '.join(STRATA)}")
    there = read_entry(_entry(folders, entry).path)
    told = {}

    def change(document):
        if stratum and not linked:
            i = document.index(specimen)
            told["specimen"] = document.specimens[i].name
            return document.with_specimen_at(i, taken_stratum(document.specimens[i], stratum, there))
        document = taken(document, there)
        told["specimen"] = document.specimens[-1].name
        if linked:
            document = document.with_link(document.index(specimen), stratum, told["specimen"])
        return document

    change_file(study, change)
    if as_json:
        print_json({"study": str(study), "entry": there.name, **told, "stratum": stratum or None, "linked": linked})
    elif stratum:
        tell(f"'{specimen}' {'follows' if linked else 'has'} the {stratum} of '{there.name}'")
    else:
        tell(f"added '{told['specimen']}'")


def _told(found, as_json):
    if as_json:
        print_json({"entries": [_plain(f) for f in found]})
        return
    rows = [
        (
            f.name, f.matter if not f.trouble else "cannot be read", " ".join(f.strata), ", ".join(f.tags),
            f"{f.facts['gloss60']:.0f}" if "gloss60" in f.facts else "–",
            f"{f.facts['L']:.0f} {f.facts['a']:.0f} {f.facts['b']:.0f}" if "L" in f.facts else "–",
        )
        for f in found
    ]  # fmt: skip
    table(f"{len(found)} entries", ("entry", "material", "has", "tags", "gloss 60°", "L* a* b*"), rows)
    for f in found:
        if f.trouble:
            tell(f"note: {f.trouble}")


def register(app):
    made = typer.Typer(help="Calibrated materials kept for the next study.")
    for name, verb in (("add", add), ("list", show_list), ("find", find), ("take", take)):
        made.command(name)(verb)
    app.add_typer(made, name="library")
