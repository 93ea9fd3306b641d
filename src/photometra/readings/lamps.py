"""Spectra of lamps in files: IES TM-27 documents, spectral CGATS as instruments write it, and tables of two columns."""

from dataclasses import dataclass
from pathlib import Path

import numpy as np

from ..colour import ILLUMINANTS, WAVELENGTHS
from ..colour.lamps import lamp_spectrum
from ..names import one_line
from ..words import tr
from .cgats import is_cgats, tables_of
from .columns import meaning_of, wavelength_in
from .documents import tag_of, xml_root
from .files import text_of
from .tables import ReadingError, Sheet, is_number, sheet_of, value_of

_FEWEST = 5
_MOST_NAME = 60
_COVERED_NM = (420.0, 680.0)
"""What a table must cover; beyond its ends the light is taken as none."""


@dataclass(frozen=True)
class LampFile:
    """What a file says of a lamp: its name, and its relative spectral power on `WAVELENGTHS`."""

    name: str
    power: tuple[float, ...]


LAMP_FILES = tr("Spectra of lamps (*.csv *.txt *.tsv *.sp *.cgats *.spdx *.xml);;All files (*)")
"""What to choose from, as a dialog has it."""


def lamp_from_file(path) -> LampFile:
    """The spectrum of a lamp; ReadingError, with one sentence, where the file has none."""
    text = text_of(path)
    if text.lstrip().startswith("<"):
        name, nm, power = _of_tm27(text, path)
    else:
        name, nm, power = _of_table(tables_of(text, path, True) if is_cgats(text) else sheet_of(text, path), path)
    return LampFile(one_line(name or Path(str(path)).stem)[:_MOST_NAME], _on_grid(nm, power, path))


def lamp_of(text):
    """(name, relative power where it is measured) of a lamp: one that is known by its name, or a file with its
    spectrum. InputError where it is neither."""
    if Path(text).suffix and Path(text).exists():
        found = lamp_from_file(text)
        return found.name, found.power
    if text not in ILLUMINANTS:
        lamp_spectrum(text)
    return text, ()


def _on_grid(nm, power, path):
    """Relative power on `WAVELENGTHS`: linear between the file's; where that is finer, the mean over each step, so that
    no line between two is lost."""
    nm, power = np.array(nm, float), np.array(power, float)
    order = np.argsort(nm, kind="stable")
    nm, power = nm[order], power[order]
    if nm.size < _FEWEST or nm[0] > _COVERED_NM[0] or nm[-1] < _COVERED_NM[1]:
        raise ReadingError(
            tr("{0}: a lamp's spectrum must cover {1} to {2} nm", path, f"{_COVERED_NM[0]:g}", f"{_COVERED_NM[1]:g}")
        )
    if np.any(np.diff(nm) <= 0.0):
        raise ReadingError(tr("{0}: a wavelength stands twice in it; keep one spectrum in the file", path))
    if not np.all(np.isfinite(power)) or power.min() < 0.0 or power.max() <= 0.0:
        raise ReadingError(
            tr("{0}: a lamp's power is a number of 0 or more at every wavelength, and somewhere above", path)
        )
    step = WAVELENGTHS[1] - WAVELENGTHS[0]
    around = np.zeros(1) if np.median(np.diff(nm)) > 0.99 * step else (np.arange(20) + 0.5) / 20.0 * step - 0.5 * step
    found = np.interp(WAVELENGTHS[:, None] + around, nm, power).mean(axis=1)
    found[(nm[0] - 0.5 * step > WAVELENGTHS) | (nm[-1] + 0.5 * step < WAVELENGTHS)] = 0.0
    return tuple(float(f"{v:.6g}") for v in found / found.max())


def _of_tm27(text, path):
    """(name, wavelengths, powers) of an IES TM-27 document."""
    elements = [(tag_of(e), e) for e in xml_root(text, path, "TM-27").iter()]
    data = [(e.get("wavelength", ""), e.text or "") for tag, e in elements if tag == "SpectralData"]
    if not data:
        raise ReadingError(tr("{0}: there is no SpectralData in this document; a TM-27 file of a lamp has it", path))
    for pair in data:
        if not all(is_number(v) for v in pair):
            raise ReadingError(tr("{0}: '{1}' is no wavelength with its power", path, one_line(" ".join(pair))[:40]))
    said = {tag: (e.text or "").strip() for tag, e in reversed(elements)}
    name = said.get("Description") or said.get("CatalogNumber") or said.get("UniqueIdentifier") or ""
    return name, *zip(*((value_of(a), value_of(b)) for a, b in data), strict=True)


def _of_table(sheet: Sheet, path):
    """(name, wavelengths, powers) of a table: wavelengths down a column or across the top."""
    block = max(sheet.blocks, key=lambda b: len(b.rows), default=None)
    if block is None:
        raise ReadingError(tr("{0}: there is no table in this file", path))
    rows = [cells for _, cells in block.rows]
    name = sheet.head.get("name") or sheet.head.get("originator") or ""
    across = [(i, wavelength_in(n)) for i, n in enumerate(block.names)]
    across = [(i, nm) for i, nm in across if nm is not None]
    if len(across) >= _FEWEST:
        if len(rows) != 1:
            raise ReadingError(tr("{0}: there are {1} spectra in it; keep the one of the lamp", path, len(rows)))
        pairs = [(nm, rows[0][i]) for i, nm in across if i < len(rows[0])]
        cells = [(f"{nm:g}", v) for nm, v in pairs]
    else:
        at = next((i for i, n in enumerate(block.names) if meaning_of(n).name == "wavelength_nm"), 0)
        others = [i for i in range(min(map(len, rows), default=0)) if i != at]
        value = next((i for i in others if all(is_number(r[i]) for r in rows)), others[0] if others else -1)
        cells = [(r[at], r[value]) for r in rows] if value >= 0 else []
    bad = next((c for c in cells if not all(is_number(v) for v in c)), None)
    if not cells or bad is not None:
        told = tr("'{0}' is", one_line(" ".join(bad))[:40]) if bad else tr("there is")
        raise ReadingError(
            tr("{0}: {1} no wavelength with its power; two columns are wanted, nm and power", path, told)
        )
    return name, *zip(*((value_of(a), value_of(b)) for a, b in cells), strict=True)
