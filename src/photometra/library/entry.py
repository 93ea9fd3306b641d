"""An entry of a library: an ordinary study of one specimen, with a picture of it as its one proof."""

import re
from dataclasses import dataclass, replace
from pathlib import Path

from ..errors import InputError
from ..fitting import agreements
from ..imaging.booths import compiled_in, display_of, limits_of, scene_of
from ..imaging.denoising import FAST, HIGH, clean_picture
from ..imaging.proofs import proof_of
from ..names import one_line
from ..study import SUFFIX, Booth, Specimen, Study, read_file, write_file
from ..surface import parameters_of
from ..tracing import Rendering
from ..words import tr

PICTURE_SIDE, _PICTURE_SAMPLES = 128, 48
_REFINED = (4, 16, 64, 256)
_NEARER = 0.72
"""How near the camera stands, against the booth's own, for what is looked at as small as that."""
VERSIONS = ".versions"
"""How the folder ends that keeps what an entry was before."""
_MOST_TAGS = 50


@dataclass(frozen=True)
class KeptEntry:
    """Where an entry was written, and which version of it that is, from 1."""

    path: Path
    version: int


def _rendering(specimen, side, place=None):
    near = replace(Booth().viewpoint, distance=_NEARER * Booth().viewpoint.distance)
    study = Study(booth=Booth(viewpoint=near))
    standing = replace(specimen, shape="ball", assigned=(), reference=None)
    scene = scene_of(study, standing)
    return Rendering(compiled_in(scene, standing), scene, side, side, limits=limits_of(study.booth), place=place)


def picture_of(specimen: Specimen, cancel=None):
    """A scene-linear picture of a specimen as a ball of its size, under the light that all entries are seen in; None
    where cancelled."""
    rendering = _rendering(specimen, PICTURE_SIDE)
    return clean_picture(rendering, cancel=cancel) if rendering.add(_PICTURE_SAMPLES, cancel) else None


def refined(specimen: Specimen, side, report, cancel, place=None):
    """As `picture_of`, as large as asked for, from a few samples to many: `report(picture for the screen, samples)` of
    each; True once it is done, None where cancelled."""
    rendering, display = _rendering(specimen, side, place), display_of(Booth())
    for samples in _REFINED:
        if not rendering.add(samples - rendering.samples, cancel):
            return None
        picture = clean_picture(rendering, FAST if samples < _REFINED[-1] else HIGH, cancel)
        if picture is None:
            return None
        report((display.picture(picture), samples))
    return True


def entry_study(study: Study, specimen: Specimen, tags=None, rests_on=None, notes=None) -> Study:
    """A specimen of a study by itself, with a picture, as an entry is kept. What belongs to other specimens is left."""
    changes = {"assigned": (), "follows": (), "reference": None}
    if tags is not None:
        changes["tags"] = tuple(dict.fromkeys(one_line(t) for t in tags if one_line(t)))[:_MOST_TAGS]
    changes |= {k: v for k, v in (("rests_on", rests_on), ("notes", notes)) if v is not None}
    alone = replace(specimen, **changes)
    meshes = {alone.shape: study.meshes[alone.shape]} if alone.shape in study.meshes else {}
    proof, picture = proof_of(Study(), alone, picture_of(alone), agreements(alone.surface, alone.readings))
    # Equal entries are equal files.
    proof = replace(proof, name="Picture", picture="images/picture.exr", date="")
    return Study(alone.name, (alone,), meshes=meshes, images={proof.picture: picture}, proofs=(proof,))


def path_of(folder, name):
    """Where an entry of a name stands in a library's folder."""
    slug = re.sub(r"[^a-z0-9]+", "-", name.casefold()).strip("-")[:60] or "entry"
    return Path(folder) / f"{slug}{SUFFIX}"


def kept(folder, entry: Study) -> KeptEntry:
    """Write an entry into a library's folder; what stood there under its name is kept as an older version.

    Tags and what it rests on stay those of the older one where the new one says nothing.
    """
    path = path_of(folder, entry.name)
    path.parent.mkdir(parents=True, exist_ok=True)
    older = versions_of(path)
    if path.exists():
        present = read_entry(path)
        if present.name.casefold() != entry.name.casefold():
            raise InputError(tr("{0}: an entry of another name stands there; rename one of the two", path))
        was, one = present.specimens[0], entry.specimens[0]
        told = replace(one, tags=one.tags or was.tags, rests_on=one.rests_on or was.rests_on)
        entry = replace(entry, specimens=(told,))
        before = path.with_suffix(VERSIONS)
        before.mkdir(exist_ok=True)
        older = (*older, before / f"{len(older) + 1:03d}{SUFFIX}")
        write_file(present, older[-1])
    write_file(entry, path)
    return KeptEntry(path, len(older) + 1)


def versions_of(path):
    """The files of an entry's older versions, the oldest first."""
    return tuple(sorted(Path(path).with_suffix(VERSIONS).glob(f"*{SUFFIX}")))


def read_entry(path) -> Study:
    """The study of an entry; InputError where the file is none, or holds more than one specimen."""
    study = read_file(path)
    if len(study.specimens) != 1:
        count = len(study.specimens)
        raise InputError(tr("{0}: an entry of a library is a study of one specimen; this one has {1}", path, count))
    return study


def taken(study: Study, entry: Study) -> Study:
    """A study with an entry's specimen added: its surface, its readings and its standard errors; a fresh name."""
    one = entry.specimens[0]
    more = study.with_specimen(one)
    return replace(more, meshes={**more.meshes, **entry.meshes})


def taken_stratum(specimen: Specimen, stratum, entry: Study) -> Specimen:
    """A specimen with one stratum as an entry has it."""
    names = [p.name for p in parameters_of(stratum)]
    specimen.followed(names)
    return specimen.with_values({n: entry.specimens[0].surface.input(n) for n in names})
