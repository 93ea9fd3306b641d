"""CGATS.17 text (ANSI CGATS.17-2009): sets of named fields between BEGIN_DATA and END_DATA, in and out.

Spectral fields are one for each wavelength; read, each set becomes rows of wavelength and reflectance.
"""

import re
import shlex

import numpy as np

from .tables import Block, ReadingError, Sheet

_SPECTRAL = re.compile(r"^(?:SPECTRAL_?(?:NM_?)?|NM_?|R_)(\d{3,4})(?:NM)?$", re.I)
_SIGMA = re.compile(r"^STDEV_(?:SPECTRAL_?(?:NM_?)?|NM_?)(\d{3,4})$", re.I)
_FIELDS = {
    "LAB_L": "L", "LAB_A": "a", "LAB_B": "b", "XYZ_X": "X", "XYZ_Y": "Y", "XYZ_Z": "Z",
    "STDEV_L": "sigma_L", "STDEV_A": "sigma_a", "STDEV_B": "sigma_b",
}  # fmt: skip
_NAMES = {ours: theirs for theirs, ours in _FIELDS.items()}
_HEAD = {"DESCRIPTOR": "name", "ORIGINATOR": "source", "CREATED": "date", "MEASUREMENT_GEOMETRY": "geometry"}
_OURS = {ours: theirs for theirs, ours in _HEAD.items()}
_IDS = ("SAMPLE_ID", "SAMPLE_NAME", "SAMPLEID", "NAME")


def is_cgats(text):
    """Whether a text is a CGATS.17 file: its first line says so, or it has that form's marks."""
    start = text.lstrip()[:2000].upper()
    return start.startswith("CGATS") or ("BEGIN_DATA_FORMAT" in start and "BEGIN_DATA" in text.upper())


def _words(line):
    try:
        return shlex.split(line, comments=False, posix=True)
    except ValueError:
        return line.replace('"', " ").split()


def tables_of(text, path="text") -> Sheet:
    """A CGATS.17 text as a sheet of one block; ReadingError where it is not whole."""
    head, fields, rows, state = {}, [], [], ""
    for i, line in enumerate(text.splitlines(), 1):
        bare = line.strip()
        word = bare.upper()
        if word in ("BEGIN_DATA_FORMAT", "BEGIN_DATA"):
            state = word
        elif word in ("END_DATA_FORMAT", "END_DATA"):
            state = ""
        elif state == "BEGIN_DATA_FORMAT":
            fields += _words(bare)
        elif state == "BEGIN_DATA" and bare and not bare.startswith("#"):
            rows.append((i, _words(bare)))
        elif bare and not bare.startswith("#"):
            key, _, value = bare.partition(" ") if "\t" not in bare else bare.partition("\t")
            head[_HEAD.get(key.upper(), key.lower().removeprefix("photometra_"))] = value.strip().strip('"')
    if not fields or not rows:
        raise ReadingError(f"{path}: there is no whole table in this CGATS file (BEGIN_DATA_FORMAT, then BEGIN_DATA)")
    for i, cells in rows:
        if len(cells) != len(fields):
            raise ReadingError(f"{path}, line {i}: {len(cells)} values where the table has {len(fields)} fields")
    spectral = [(k, _SPECTRAL.match(f)) for k, f in enumerate(fields)]
    spectral = [(k, found[1]) for k, found in spectral if found]
    if spectral:
        return _spectral(head, fields, rows, spectral)
    block = Block([_FIELDS.get(f.upper(), f) for f in fields], 0, rows)
    if any(f.upper() in _IDS for f in fields) and len(rows) > 1 and "kind" not in head:
        head["one sample each row"] = "yes"
        for k, f in enumerate(fields):
            block.names[k] = "" if f.upper() in _IDS[1:] else block.names[k]
    return Sheet(head, [block], " ", ".")


def _spectral(head, fields, rows, spectral):
    """Each set as rows of its own: id, wavelength, reflectance, and its deviation where it has one."""
    ids = next((k for name in _IDS for k, f in enumerate(fields) if f.upper() == name), None)
    sigmas = {found[1]: k for k, f in enumerate(fields) if (found := _SIGMA.match(f))}
    out, names = [], []
    for n, (i, cells) in enumerate(rows, 1):
        name = cells[ids] if ids is not None else str(n)
        names.append(name)
        for k, nm in spectral:
            out.append((i, [name, nm, cells[k], *([cells[sigmas[nm]]] if nm in sigmas else [])]))
    header = ["set", "wavelength_nm", "reflectance", *(["sigma_reflectance"] if sigmas else [])]
    if len(set(names)) == 1 or "kind" in head:
        return Sheet(head, [Block(header[1:], 0, [(i, cells[1:]) for i, cells in out])], " ", ".")
    head["one sample each row"] = "yes"
    return Sheet(head, [Block(header, 0, out)], " ", ".")


def _quoted(value):
    return '"' + " ".join(str(value).split()).replace('"', "'") + '"'


def write_cgats(reading) -> str:
    """A reading as CGATS.17 text: spectral fields for a reflectance at whole nanometres, else one set for each row."""
    head = {
        "name": reading.name, "source": reading.source, "date": reading.date, "geometry": reading.geometry,
        "kind": reading.kind_key, "tolerance": repr(reading.tolerance), "illuminant": reading.illuminant,
        "observer": reading.observer, "notes": reading.notes, "uncertainty": reading.rule,
        "thickness_mm": repr(reading.thickness_mm) if reading.thickness_mm else "",
    }  # fmt: skip
    lines = ["CGATS.17"]
    for key, value in head.items():
        if value:
            word = _OURS.get(key, f"PHOTOMETRA_{key.upper()}")
            if key not in _OURS:
                lines.append(f'KEYWORD "{word}"')
            lines.append(f"{word} {_quoted(value)}")
    fields, rows = _sets(reading)
    lines += [f"NUMBER_OF_FIELDS {len(fields)}", "BEGIN_DATA_FORMAT", " ".join(fields), "END_DATA_FORMAT"]
    lines += [f"NUMBER_OF_SETS {len(rows)}", "BEGIN_DATA", *(" ".join(r) for r in rows), "END_DATA"]
    return "\n".join(lines) + "\n"


def _sets(reading):
    values, sigmas = reading.stacked()
    if reading.kind_key == "reflectance" and not reading.masked.any():
        nm = reading.x
        if np.array_equal(nm, np.round(nm)) and np.unique(nm).size == nm.size and nm.max() < 10_000:
            fields = ["SAMPLE_ID", *(f"SPECTRAL_NM{int(w)}" for w in nm), *(f"STDEV_SPECTRAL_NM{int(w)}" for w in nm)]
            return fields, [["1", *(repr(float(v)) for v in (*values[0], *sigmas[0]))]]
    names = [*reading.kind.columns, *(f"sigma_{c}" for c in reading.kind.values)]
    columns = [*(reading.columns[c] for c in reading.kind.columns), *sigmas]
    if reading.masked.any():
        names, columns = [*names, "masked"], [*columns, reading.masked.astype(float)]
    rows = [['""' if np.isnan(v) else repr(float(v)) for v in row] for row in zip(*columns, strict=True)]
    return [_NAMES.get(n, n) for n in names], rows
