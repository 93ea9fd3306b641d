"""CGATS.17 text (ANSI CGATS.17-2009): sets of named fields between BEGIN_DATA and END_DATA, in and out.

Spectral fields are one for each wavelength; read, each set becomes rows of wavelength and reflectance.
"""

import re

import numpy as np

from ..words import tr
from .columns import wavelength_in
from .layouts import ONE_EACH_ROW
from .model import lengths_said, light_said
from .tables import MOST_CELLS, Block, ReadingError, Sheet, is_number, lines_of, value_of

_WORD = re.compile(r'"[^"]*"|[^\s"]+')
_SIGMA = re.compile(r"^STDEV_(.+)$", re.I)
_OF_LIGHT = ("spectral power", "illum", "illun", "matching function", "observer", "emission", "emissive", "display")
"""Words by which a file says that it holds a light or an observer, and no surface."""
_FIELDS = {
    "LAB_L": "L", "LAB_A": "a", "LAB_B": "b", "XYZ_X": "X", "XYZ_Y": "Y", "XYZ_Z": "Z",
    "STDEV_L": "sigma_L", "STDEV_A": "sigma_a", "STDEV_B": "sigma_b",
}  # fmt: skip
_NAMES = {ours: theirs for theirs, ours in _FIELDS.items()}
_HEAD = {"DESCRIPTOR": "name", "ORIGINATOR": "source", "CREATED": "date", "MEASUREMENT_GEOMETRY": "geometry"}
_OURS = {ours: theirs for theirs, ours in _HEAD.items()}
_MOST_FIELDS = 5_000
_IDS = ("SAMPLE_NAME", "NAME", "SAMPLE_LOC", "SAMPLE_ID", "SAMPLEID")


def is_cgats(text):
    """Whether a text is a CGATS.17 file: its first line says so, or it has that form's marks."""
    whole = text.upper()
    return whole.lstrip().startswith("CGATS") or ("BEGIN_DATA_FORMAT" in whole and "END_DATA_FORMAT" in whole)


def _words(line):
    """The words of a line; what stands in quotation marks is one."""
    if '"' not in line:
        return line.split()
    return [word[1:-1] if len(word) > 1 and word[0] == word[-1] == '"' else word for word in _WORD.findall(line)]


def tables_of(text, path="text", of_light=False) -> Sheet:
    """A CGATS.17 text as a sheet of one block; ReadingError where it is not whole, or not of a surface.

    of_light: the spectrum of a light is wanted.
    """
    head, fields, rows, state, cells = {}, [], [], "", 0
    tables = []
    for i, line in enumerate(lines_of(text, path), 1):
        bare = line.strip()
        word = bare.upper()
        if word in ("BEGIN_DATA_FORMAT", "BEGIN_DATA"):
            if word == "BEGIN_DATA_FORMAT" and fields:
                # Another table begins; what stands before the first is the head of all.
                tables.append((fields, rows))
                fields, rows = [], []
            state = word
        elif word in ("END_DATA_FORMAT", "END_DATA"):
            state = ""
        elif state == "BEGIN_DATA_FORMAT":
            fields += _words(bare)
            if len(fields) > _MOST_FIELDS:
                raise ReadingError(
                    tr("{0}, line {1}: a table of more than {2} fields is none of a reading", path, i, _MOST_FIELDS)
                )
        elif state == "BEGIN_DATA" and bare and not bare.startswith("#"):
            rows.append((i, _words(bare)))
            cells += len(rows[-1][1])
            if cells > MOST_CELLS:
                raise ReadingError(
                    tr("{0}, line {1}: more than {2} numbers in one file; split it", path, i, MOST_CELLS)
                )
        elif bare and not bare.startswith("#"):
            key, _, value = bare.partition(" ") if "\t" not in bare else bare.partition("\t")
            if tables or rows:
                continue
            head[_HEAD.get(key.upper(), key.lower().removeprefix("photometra_"))] = value.strip().strip('"')
    tables = [t for t in (*tables, (fields, rows)) if all(t)]
    fields, rows = next((t for t in tables if _says_colour(t[0])), tables[0] if tables else ([], []))
    if not fields or not rows:
        raise ReadingError(
            tr("{0}: there is no whole table in this CGATS file (BEGIN_DATA_FORMAT, then BEGIN_DATA)", path)
        )
    for i, cells in rows:
        if len(cells) != len(fields):
            raise ReadingError(
                tr("{0}, line {1}: {2} values where the table has {3} fields", path, i, len(cells), len(fields))
            )
    if not of_light:
        _check_is_of_a_surface(path, text, head)
    spectral = [(k, wavelength_in(f, 100.0, 9999.0)) for k, f in enumerate(fields)]
    spectral = [(k, f"{nm:g}") for k, nm in spectral if nm is not None]
    if spectral:
        return _spectral(path, head, fields, rows, spectral)
    block = Block([_FIELDS.get(f.upper(), f) for f in fields], 0, rows)
    if any(f.upper() in _IDS for f in fields) and len(rows) > 1 and "kind" not in head:
        head[ONE_EACH_ROW] = "yes"
        for k, f in enumerate(fields):
            block.names[k] = "" if f.upper() in _IDS[1:] else block.names[k]
    return Sheet(head, [block], " ", ".")


def _says_colour(fields):
    """Whether a table's fields hold a colour or a spectrum."""
    return any(f.upper() in _FIELDS or wavelength_in(f, 100.0, 9999.0) is not None for f in fields)


def _check_is_of_a_surface(path, text, head):
    """Refuse the spectrum of a light, and an observer's functions: they look like a reflectance."""
    told = " ".join(head.get(k, "") for k in ("name", "meas_type", "instrument_type_spectral", "device_class")).lower()
    first = text.lstrip()[:8].upper()
    is_light = any(w in told for w in _OF_LIGHT) and "reflectance" not in told
    if "kind" not in head and (is_light or first.startswith(("CMF", "CCSS", "CCMX", "CAL"))):
        name = head.get("name", "")[:60]
        raise ReadingError(
            tr("{0}: this is of a light, a display or an observer ('{1}'), not of a surface", path, name)
        )


def _spectral(path, head, fields, rows, spectral):
    """Each set as rows of its own: id, wavelength, reflectance, and its deviation where it has one."""
    ids = next((k for name in _IDS for k, f in enumerate(fields) if f.upper() == name), None)
    sigmas = {
        f"{wavelength_in(found[1], 100.0, 9999.0) or 0:g}": k
        for k, f in enumerate(fields)
        if (found := _SIGMA.match(f))
    }
    _check_bands(path, head, spectral)
    norm = head.get("spectral_norm", "")
    value = "reflectance_percent" if is_number(norm) and value_of(norm) == 100.0 else "reflectance"
    out, names = [], []
    for n, (i, cells) in enumerate(rows, 1):
        name = cells[ids] if ids is not None else str(n)
        names.append(name)
        for k, nm in spectral:
            out.append((i, [name, nm, cells[k], *([cells[sigmas[nm]]] if nm in sigmas else [])]))
    header = ["set", "wavelength_nm", value, *([f"sigma_{value}"] if sigmas else [])]
    if len(set(names)) == 1 or "kind" in head:
        return Sheet(head, [Block(header[1:], 0, [(i, cells[1:]) for i, cells in out])], " ", ".")
    head[ONE_EACH_ROW] = "yes"
    return Sheet(head, [Block(header, 0, out)], " ", ".")


def _check_bands(path, head, spectral):
    """Hold the bands against what the header says of them."""
    told = {k: head.get(f"spectral_{k}", "") for k in ("bands", "start_nm", "end_nm")}
    there = {"bands": len(spectral), "start_nm": float(spectral[0][1]), "end_nm": float(spectral[-1][1])}
    for key, text in told.items():
        if is_number(text) and abs(value_of(text) - there[key]) > 0.5:
            said = tr(
                "its header says {0} {1}, but its fields say {2}", key.removesuffix("_nm"), text, f"{there[key]:g}"
            )
            raise ReadingError(tr("{0}: {1}; the file is not whole, or its header is of another", path, said))


def _quoted(value):
    return '"' + " ".join(str(value).split()).replace('"', "'") + '"'


def write_cgats(reading) -> str:
    """A reading as CGATS.17 text: spectral fields for a reflectance at whole nanometres, else one set for each row."""
    head = {
        "name": reading.name, "source": reading.source, "date": reading.date, "geometry": reading.geometry,
        "kind": reading.kind_key, "tolerance": repr(reading.tolerance), "illuminant": reading.illuminant,
        "light_power": light_said(reading), "observer": reading.observer, "notes": reading.notes,
        "uncertainty": reading.rule, "systematic": reading.systematic.exact, **lengths_said(reading),
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
