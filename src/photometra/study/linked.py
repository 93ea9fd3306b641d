"""The pictures of a study's maps: those it carries, those it links, those that are missing and found again."""

import hashlib
from dataclasses import replace
from pathlib import Path

from ..disk import read_bytes
from ..errors import InputError
from ..maps import Picture

_MOST_BYTES = 600_000_000


def followed(source: Picture) -> Picture:
    """A linked picture with what is in its file, where that is still what was linked."""
    try:
        data = read_bytes(Path(source.path), _MOST_BYTES)
    except InputError:
        return source
    return replace(source, data=data) if hashlib.sha256(data).hexdigest() == source.digest else source


def pictures_of(surfaces):
    """{name: bytes} of the pictures that the maps of surfaces carry, those that are linked left out."""
    found = {}
    for surface in surfaces:
        for value in surface.maps.values():
            for layer in value.layers:
                s = layer.source
                if isinstance(s, Picture) and not s.path and s.data is not None:
                    found[s.name] = s.data
    return found


def missing_in(study):
    """[(specimen, parameter, Picture)] of what a study's maps are without."""
    return [
        (one.name, name, layer.source)
        for one in study.specimens
        for name, value in one.surface.maps.items()
        for layer in value.layers
        if layer.source.is_missing
    ]


def relinked(study, folder):
    """(the study with its missing pictures found in a folder, [those found], [those still missing]).

    Looked for by name, then by content, in the folder and those below it.
    """
    missing = missing_in(study)
    wanted = {source.name: source for _, _, source in missing}
    found = _search(wanted, Path(folder)) if wanted else {}
    specimens = tuple(_with_pictures(one, found) for one in study.specimens)
    there = [m for m in missing if m[2].name in found]
    return replace(study, specimens=specimens), there, [m for m in missing if m[2].name not in found]


def _search(wanted, folder):
    files = sorted(f for f in folder.rglob("*") if f.is_file() and not f.is_symlink())
    names = {Path(s.path).name for s in wanted.values()}
    # Those of the right name are looked at first; the digest decides.
    files.sort(key=lambda f: f.name not in names)
    found = {}
    for file in files:
        if len(found) == len(wanted):
            break
        if file.suffix.lower() not in {Path(s.name).suffix for s in wanted.values()}:
            continue
        try:
            data = read_bytes(file, _MOST_BYTES)
        except InputError:
            continue
        digest = hashlib.sha256(data).hexdigest()
        for name, source in wanted.items():
            if name not in found and (source.digest == digest or (not source.digest and digest[:8] in source.name)):
                path = str(file.resolve()) if source.path else ""
                found[name] = replace(source, path=path, digest=digest, data=data)
    return found


def _with_pictures(specimen, found):
    changes = {}
    for name, value in specimen.surface.maps.items():
        layers = tuple(
            replace(layer, source=replace(layer.source, path=f.path, digest=f.digest, data=f.data))
            if layer.source.is_missing and (f := found.get(layer.source.name))
            else layer
            for layer in value.layers
        )
        if any(a is not b for a, b in zip(layers, value.layers, strict=True)):
            changes[name] = replace(value, layers=layers)
    if not changes:
        return specimen
    surface = specimen.surface
    return replace(specimen, surface=type(surface)({**surface.given, **changes}, surface.lies_on))
