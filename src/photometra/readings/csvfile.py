"""Readings as CSV text with `# key: value` header lines, in and out.

A file's columns carry their units in their names: wavelength_nm, wavelength_um, reflectance,
reflectance_percent, and so on. A column `sigma_X` (or `sigma`) holds the standard uncertainty of X.
A table of n and a table of k that follow one another (two blocks, each with its own header row) are joined.
"""

import csv
import io
from pathlib import Path

import numpy as np

from .kinds import KINDS
from .model import Reading, make_reading

_MOST_BYTES = 16_000_000
_WAVELENGTHS = {"nm": 1.0, "um": 1000.0, "µm": 1000.0, "μm": 1000.0}
_WORDS = {
    "wavelength": "wavelength", "wl": "wavelength", "lambda": "wavelength", "λ": "wavelength",
    "n": "n", "k": "k", "reflectance": "reflectance", "r": "reflectance",
    "gloss": "gloss_units", "gloss_units": "gloss_units", "gu": "gloss_units", "angle": "angle_deg",
}  # fmt: skip


class ReadingError(ValueError):
    """A file that cannot be taken; the message names the file, the line and the mend."""


def _column(raw):
    """(our name, factor) of a header cell; None where it is not one of ours."""
    text = raw.strip().strip("[]").lower().replace("(", "_").replace(")", "").replace("[", "_").replace(" ", "")
    sigma = text.startswith("sigma")
    if sigma:
        text = text[5:].lstrip("_")
        if not text:
            return "sigma", 1.0
    stem, _, unit = text.replace("/", "_").rpartition("_")
    if text in _WORDS:
        stem, unit = text, ""
    elif not stem:
        return None
    known = _WORDS.get(stem.rstrip("_"))
    if known is None:
        return None
    if known == "wavelength":
        if unit and unit not in _WAVELENGTHS:
            return None
        name, factor = "wavelength_nm", _WAVELENGTHS.get(unit)
    elif unit in ("percent", "%", "pct"):
        name, factor = known, 0.01
    elif unit in ("", "deg", "°", "gu", "units", "fraction"):
        name, factor = known, 1.0
    else:
        return None
    return (f"sigma_{name}" if sigma else name), factor


def _number(cell, path, line, column, comma):
    text = cell.strip()
    if comma:
        text = text.replace(",", ".")
    try:
        value = float(text)
    except ValueError:
        raise ReadingError(
            f"{path}, line {line}: '{cell.strip()}' in column {column} is not a number; correct it or remove the row"
        ) from None
    if not np.isfinite(value):
        raise ReadingError(f"{path}, line {line}: '{cell.strip()}' in column {column} is not a finite number")
    return value


def _blocks(path, text):
    """Header entries, and blocks of (column names with factors, rows with their lines)."""
    head, blocks = {}, []
    rows = [(i, line) for i, line in enumerate(text.splitlines(), 1) if line.strip()]
    body = []
    for i, line in rows:
        if line.lstrip().startswith("#"):
            key, _, value = line.lstrip("# \t").partition(":")
            head[key.strip().lower()] = value.strip()
        else:
            body.append((i, line))
    if not body:
        raise ReadingError(f"{path}: there is no table in this file")
    first = body[0][1]
    separator = next((s for s in (";", "\t", ",") if s in first), ",")
    comma = (
        separator != "," and not any("." in line for _, line in body[1:]) and any("," in line for _, line in body[1:])
    )
    for i, line in body:
        try:
            cells = next(csv.reader(io.StringIO(line), delimiter=separator))
        except csv.Error:
            raise ReadingError(f"{path}, line {i}: this line is no row of a table") from None
        named = [_column(c) for c in cells]
        if any(named) and not _looks_numeric(cells[0], comma):
            unknown = [c.strip() for c, n in zip(cells, named, strict=True) if n is None and c.strip()]
            if unknown:
                raise ReadingError(
                    f"{path}, line {i}: column '{unknown[0]}' is not known; name columns as {_known_columns()}"
                )
            blocks.append((named, []))
            continue
        if not blocks:
            raise ReadingError(f"{path}, line {i}: the first row must name the columns, as {_known_columns()}")
        names = blocks[-1][0]
        if len(cells) != len(names):
            raise ReadingError(f"{path}, line {i}: {len(cells)} cells where the table has {len(names)} columns")
        row = [_number(c, path, i, n[0] if n else "?", comma) for c, n in zip(cells, names, strict=True)]
        blocks[-1][1].append(row)
    return head, blocks


def _looks_numeric(cell, comma):
    try:
        float(cell.replace(",", ".") if comma else cell)
    except ValueError:
        return False
    return True


def _known_columns():
    return "; ".join(sorted({", ".join(k.columns) for k in KINDS.values()}))


def _joined(path, blocks):
    """One table {column: array} of one block, or of two that give n and k in turn."""
    tables = []
    for names, rows in blocks:
        if not rows:
            raise ReadingError(f"{path}: a table in this file has no rows")
        data = np.array(rows)
        table = {}
        for (name, factor), values in zip(names, data.T, strict=True):
            if factor is None:
                # No unit: wavelengths below 50 can only be micrometres.
                factor = 1000.0 if values.max() < 50.0 else 1.0
            table[name] = values * factor
        tables.append(table)
    if len(tables) == 1:
        return tables[0]
    if len(tables) == 2 and all("wavelength_nm" in t for t in tables):
        a, b = tables
        if "n" in a and "k" in b:
            order = np.argsort(b["wavelength_nm"])
            joined = np.interp(a["wavelength_nm"], b["wavelength_nm"][order], b["k"][order])
            return {"wavelength_nm": a["wavelength_nm"], "n": a["n"], "k": joined}
    raise ReadingError(
        f"{path}: several tables follow one another; only a table of n followed by one of k can be joined"
    )


def guess_kind(columns):
    """The kind whose columns are all there, the one with most of them first; None where there is none."""
    fitting = [k for k in KINDS.values() if set(k.columns) <= set(columns)]
    return max(fitting, key=lambda k: len(k.columns)).key if fitting else None


def read_text(text, path="text", kind_key=None, name=None) -> Reading:
    """A reading from CSV text; ReadingError, with one sentence, where it cannot be taken."""
    head, blocks = _blocks(path, text)
    columns = _joined(path, blocks)
    key = kind_key or head.get("kind") or guess_kind(columns)
    if key is None:
        raise ReadingError(f"{path}: these columns make no kind of reading; name them as {_known_columns()}")
    sigma = {c[6:]: v for c, v in columns.items() if c.startswith("sigma_")}
    kind = KINDS.get(key)
    if "sigma" in columns and kind:
        sigma = dict.fromkeys(kind.values, columns["sigma"])
    more = {k: head[k] for k in ("geometry", "illuminant", "observer", "notes") if head.get(k)}
    try:
        if "tolerance" in head:
            more["tolerance"] = _tolerance(head["tolerance"])
        return make_reading(
            name or head.get("name") or Path(str(path)).stem, key, columns, sigma,
            source=head.get("source", str(path)), **more,
        )  # fmt: skip
    except ValueError as error:
        raise ReadingError(f"{path}: {error}") from None


def _tolerance(text):
    try:
        return float(text)
    except ValueError:
        raise ValueError(f"the tolerance '{text}' in its header is not a number") from None


def read_file(path, kind_key=None) -> Reading:
    """A reading from a CSV file; ReadingError, with one sentence, where it cannot be taken."""
    path = Path(path)
    try:
        if path.stat().st_size > _MOST_BYTES:
            raise ReadingError(f"{path}: the file is larger than a reading can be ({_MOST_BYTES // 1_000_000} MB)")
        text = path.read_text(encoding="utf-8-sig")
    except OSError as error:
        raise ReadingError(f"{path}: cannot be read ({error.strerror})") from None
    except UnicodeDecodeError:
        raise ReadingError(f"{path}: this is not a text file; export the reading as CSV") from None
    return read_text(text, path, kind_key)


def write_text(reading: Reading) -> str:
    """A reading as CSV text that `read_text` takes back unchanged."""
    out = io.StringIO()
    head = {
        "name": reading.name, "kind": reading.kind_key, "geometry": reading.geometry,
        "tolerance": repr(reading.tolerance), "illuminant": reading.illuminant, "observer": reading.observer,
        "source": reading.source, "notes": reading.notes,
    }  # fmt: skip
    for key, value in head.items():
        if value:
            out.write(f"# {key}: {' '.join(str(value).split())}\n")
    values = reading.kind.values
    names = [*reading.kind.columns, *(f"sigma_{c}" for c in values)]
    out.write(",".join(names) + "\n")
    columns = [*(reading.columns[c] for c in reading.kind.columns), *(reading.sigma[c] for c in values)]
    for row in zip(*columns, strict=True):
        out.write(",".join(repr(float(v)) for v in row) + "\n")
    return out.getvalue()
