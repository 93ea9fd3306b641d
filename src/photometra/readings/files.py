"""Readings in files: CSV with `# key: value` header lines, and CGATS.17 text, in and out."""

import io
import re
from pathlib import Path

import numpy as np

from .. import disk
from ..disk import read_bytes
from ..words import tr
from .cgats import write_cgats
from .model import Reading, lengths_said, letter_of, light_said
from .tables import MOST_BYTES, ReadingError
from .understanding import Choices, Understood, understand

_NOT_TEXT = re.compile("[\x00-\x08\x0e-\x1f\ufffe\uffff]")
CGATS_SUFFIXES = (".txt", ".cgats", ".it8")


def text_of(path):
    """A file's text; InputError where it cannot be read, is too large, or is no text."""
    text = decoded(read_bytes(path, MOST_BYTES))
    if text is None:
        raise ReadingError(tr("{0}: this is not a text file; export the reading as CSV", path))
    return text


def decoded(data: bytes):
    """Text as instruments and spreadsheets write it: UTF-8, UTF-16, else Windows-1252; None where it is no text."""
    if data[:2] in (b"\xff\xfe", b"\xfe\xff"):
        tries = ("utf-16",)
    elif data[:400].count(0) > len(data[:400]) // 4:
        tries = ("utf-16-le" if data[1::2][:200].count(0) > data[::2][:200].count(0) else "utf-16-be",)
    else:
        tries = ("utf-8-sig", "cp1252", "latin-1")
    for encoding in tries:
        try:
            text = data.decode(encoding)
        except UnicodeDecodeError:
            continue
        return None if _NOT_TEXT.search(text) else text
    return None


def read_text(text, path="text", kind_key=None, name=None) -> Reading:
    """A reading from CSV or CGATS.17 text; ReadingError, with one sentence, where it cannot be taken."""
    return taken(understand(text, path, Choices(kind=kind_key or ""), name))


def taken(understood: Understood) -> Reading:
    """The reading that was understood; ReadingError where there is none."""
    if understood.reading is None:
        raise ReadingError(understood.problem)
    return understood.reading


def read_file(path, kind_key=None) -> Reading:
    """A reading from a file; ReadingError, with one sentence, where it cannot be taken."""
    return read_text(text_of(path), path, kind_key)


def write_text(reading: Reading) -> str:
    """A reading as CSV text that `read_text` takes back unchanged."""
    out = io.StringIO()
    head = {
        "name": reading.name, "kind": reading.kind_key, "geometry": reading.geometry,
        "tolerance": repr(reading.tolerance), "illuminant": reading.illuminant,
        "light_power": light_said(reading), "observer": reading.observer,
        **lengths_said(reading), "date": reading.date, "uncertainty": reading.rule,
        "systematic": reading.systematic.exact, "source": reading.source, "notes": reading.notes,
    }  # fmt: skip
    for key, value in head.items():
        if value:
            out.write(f"# {key}: {' '.join(str(value).split())}\n")
    values = reading.kind.values
    names = [*reading.kind.columns, *(f"sigma_{c}" for c in values)]
    columns = [*(reading.columns[c] for c in reading.kind.columns), *(reading.sigma[c] for c in values)]
    if reading.masked.any():
        names.append("masked")
        columns.append(reading.masked.astype(float))
    out.write(",".join(names) + "\n")
    for row in zip(*columns, strict=True):
        out.write(",".join(_cell(n, v) for n, v in zip(names, row, strict=True)) + "\n")
    return out.getvalue()


def _cell(name, value):
    if name == "polarisation":
        return letter_of(float(value))
    return "" if np.isnan(value) else repr(float(value))


def write_file(reading: Reading, path):
    """Write a reading, as CGATS.17 where the name ends in .txt, .cgats or .it8, else as CSV."""
    is_cgats = Path(path).suffix.lower() in CGATS_SUFFIXES
    disk.write_text(path, write_cgats(reading) if is_cgats else write_text(reading))
