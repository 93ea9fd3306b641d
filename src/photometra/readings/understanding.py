"""From a text to a reading, and what was understood on the way: columns, units, kind, and what is doubtful.

The command line takes what is understood, and says the doubts; the window shows it first, and lets it be corrected
by `Choices`.
"""

from dataclasses import dataclass, field, replace
from pathlib import Path

import numpy as np

from ..colour import linear_srgb_to_xyz, xyz_to_lab
from ..errors import InputError
from ..figures import figures
from ..shapes.lying import spot_of
from ..words import lowered, tr
from .cgats import is_cgats, tables_of
from .column_units import MOST_REFLECTANCE, says_percent, unit_of_sigma, unit_of_values
from .columns import MEASURES, UNITS, Meaning, meaning_of
from .directions import sends_back
from .documents import is_document, sheet_of_document
from .geometries import MULTI_ANGLE, geometry_of, without_geometry, without_thickness
from .headers import numbers_of, plain, viewing_of
from .kinds import CHANNELS_NM, KINDS, POLARISATIONS, left_over, other_kinds
from .layouts import BY_THICKNESS, ONE_EACH_ROW, laid_out
from .model import LENGTHS, Reading, light_of, make_reading
from .tables import LONGEST_NUMBER, ReadingError, Sheet, is_missing, is_number, number_in, sheet_of

_GEOMETRY_KEYS = (
    "geometry", "measurement geometry", "measuring geometry", "measurement mode", "mode", "specular component",
    "specular",
)  # fmt: skip
_DARK = 0.005
"""How far below nothing an instrument's dark noise may read."""
_COLOURS = (("X", "Y", "Z"), ("red", "green", "blue"))


@dataclass(frozen=True)
class Choices:
    """What a person says instead of what would be understood; empty for what is not said.

    columns: {index: (name, unit)}, a name as in `columns.MEASURES`, or empty to leave the column out. sample: the name
    of the row or set to take, of several. more: what the reading says beside its numbers, as `make_reading` takes it.
    """

    kind: str = ""
    separator: str = ""
    decimal: str = ""
    sample: str = ""
    columns: dict[int, tuple[str, str]] = field(default_factory=dict)
    more: dict[str, object] = field(default_factory=dict)


@dataclass(frozen=True)
class Understood:
    """A text as understood. `reading` is None where `problem` says why not; `doubts` are sentences, `doubtful` the
    columns they are about. beside: further readings of the same sample, as with the specular part out and in.

    rows: the first rows of cells as they stand in the text, below `meanings`; samples: names of which one is taken.
    """

    path: str
    sheet: Sheet
    meanings: tuple[Meaning, ...]
    rows: tuple[tuple[str, ...], ...]
    kind: str
    samples: tuple[str, ...]
    sample: str
    doubts: tuple[str, ...]
    doubtful: frozenset[int]
    reading: Reading | None
    problem: str = ""
    beside: tuple[Reading, ...] = ()

    @property
    def readings(self):
        """All that would be taken."""
        return (self.reading, *self.beside) if self.reading is not None else ()


class _Notes:
    """Doubts as they arise."""

    def __init__(self):
        self.sentences, self.columns = [], set()

    def add(self, sentence, column=None):
        if sentence not in self.sentences:
            self.sentences.append(sentence)
        if column is not None:
            self.columns.add(column)


def understand(text, path="text", choices=None, name=None) -> Understood:
    """What a text says as a reading. ReadingError only where there is no table in it at all."""
    choices, notes = choices or Choices(), _Notes()
    if is_document(text):
        sheet = sheet_of_document(text, path)
    elif is_cgats(text):
        sheet = tables_of(text, path)
    else:
        sheet = sheet_of(text, path, choices.separator, choices.decimal)
    # Columns that a person chose are those of the table as it was shown, laid out.
    sheet = laid_out(sheet)
    for sentence in sheet.notes:
        notes.add(sentence)
    meanings = [_meant(block, choices) for block in sheet.blocks]
    columns = meanings[0]
    shown = tuple(tuple(cells) for _, cells in sheet.blocks[0].rows[:200])
    kind = choices.kind or sheet.head.get("kind", "") or guess_kind(_names(meanings))
    samples, at, beside = (), None, ()
    try:
        samples, at = _samples(sheet, meanings, kind)
        names = tuple(dict.fromkeys(_base_of(path, sheet, s) for s in samples))
        sample = choices.sample or (names[0] if names else "")
        if len(names) > 1 and not choices.sample:
            notes.add(tr("the file holds {0} samples; '{1}' is taken", len(names), sample), at)
        of_it = [s for s in samples if sample in (_base_of(path, sheet, s), s)] or [sample]
        made = [_reading(path, sheet, meanings, kind, (at, s), choices, notes, name) for s in of_it]
        kinds = [kind, *(other_kinds(_names(meanings), kind) if not choices.kind and "kind" not in sheet.head else ())]
        for other in kinds[1:]:
            more = [_reading(path, sheet, meanings, other, (at, s), choices, notes, name) for s in of_it]
            made += [r.with_changes(name=f"{r.name}, {lowered(r.kind.label)}") for r in more]
        if "kind" not in sheet.head:
            for i, m in left_over(columns, kinds):
                notes.add(tr("column '{0}' was left out", m.raw[:60]), i)
        (reading, *beside), samples = made, names
        if beside:
            notes.add(tr("{0} readings of it are taken: {1}", len(made), ", ".join(r.told_apart for r in made)))
        problem, kind = "", reading.kind_key
    except InputError as error:
        reading, problem, sample, beside = None, str(error), choices.sample, ()
        samples = tuple(dict.fromkeys(_base_of(path, sheet, s) for s in samples))
        if not problem.startswith(str(path)):
            problem = f"{path}: {problem}"
    return Understood(
        str(path), sheet, tuple(columns), shown, kind, samples, sample, tuple(notes.sentences),
        frozenset(notes.columns), reading, problem, tuple(beside),
    )  # fmt: skip


def _base_of(path, sheet, sample):
    """A sample's name without its geometry, and without its thickness where they tell readings of it apart; of one that
    nobody named its header's, or the file's."""
    base, geometry = without_geometry(sample)
    if sheet.head.get(BY_THICKNESS):
        base, geometry = without_thickness(base)
    return base or (sheet.head.get("sample") or Path(str(path)).stem if geometry else sample)


def _meant(block, choices):
    """What each column of a block means, with the person's own choices."""
    count = max(len(block.names), max((len(cells) for _, cells in block.rows), default=0))
    found = [meaning_of(n) for n in block.names] or [Meaning(tr("column {0}", i + 1)) for i in range(count)]
    if not block.names and choices.kind in KINDS:
        found = [
            replace(m, name=n, unit=next(iter(UNITS[MEASURES[n]])))
            for m, n in zip(found, KINDS[choices.kind].columns, strict=False)
        ] + found[len(KINDS[choices.kind].columns) :]
    for i, (name, unit) in choices.columns.items():
        if i < len(found):
            found[i] = Meaning(found[i].raw, name, unit, found[i].is_sigma)
    return found


def _names(meanings):
    """Every column there is, over all blocks, with what a part of one brings along."""
    names = {m.name for block in meanings for m in block if m.name and not m.is_sigma}
    for name in list(names):
        base, colon, part = name.partition(":")
        if colon:
            names |= {base, "polarisation" if part in POLARISATIONS else "wavelength_nm"}
    if (
        {"L", "C", "h"} <= names
        or set(_COLOURS[0]) <= names
        or (set(_COLOURS[1]) <= names and "incidence_deg" not in names)
    ):
        names |= {"L", "a", "b"}
    return names


def guess_kind(names):
    """The kind whose columns are all there, the one with most of them first; empty where there is none."""

    def fits(k):
        wanted = set(k.columns) - ({"sample", "patch"} if k.key in ("colour", "photograph") else set())
        values = set(k.values) & names
        return wanted <= names or (k.gaps and values and set(k.places) <= names)

    fitting = [k for k in KINDS.values() if fits(k)]
    return max(fitting, key=lambda k: (len(set(k.columns) & names), -len(k.columns))).key if fitting else ""


def _known_columns():
    return "; ".join(sorted({", ".join(k.columns) for k in KINDS.values()}))


def _samples(sheet, meanings, kind):
    """(names of the samples, their column) of a table that has one in each row, instead of one reading in all."""
    block, columns = sheet.blocks[0], meanings[0]
    wide = any(":" in m.name and m.name.partition(":")[2] in CHANNELS_NM for m in columns)
    if not sheet.head.get(ONE_EACH_ROW) and not (wide and "radius_mm" not in {m.name for m in columns}):
        return (), None
    for i, m in enumerate(columns):
        cells = [cells[i] for _, cells in block.rows if i < len(cells)]
        if m.raw == "set" or (not m.name and len(cells) > 1 and len(set(cells)) == len(cells) and _are_words(cells)):
            return tuple(dict.fromkeys(cells)), i
    return (), None


def _are_words(cells):
    return not all(map(is_number, cells))


def _reading(path, sheet, meanings, kind, chosen, choices, notes, name):
    if not sheet.blocks[0].names and not choices.kind and not choices.columns:
        line = sheet.blocks[0].rows[0][0]
        raise ReadingError(
            tr("{0}, line {1}: the first row must name the columns, as {2}", path, line, _known_columns())
        )
    _check_known(path, sheet, meanings, kind)
    blocks = [
        _block_columns(path, block, columns, KINDS.get(kind), chosen, sheet.decimal, notes, "kind" in sheet.head)
        for block, columns in zip(sheet.blocks, meanings, strict=True)
    ]
    columns, sigma = _joined(path, blocks)
    if not kind:
        raise ReadingError(tr("{0}: these columns make no kind of reading; name them as {1}", path, _known_columns()))
    head = sheet.head
    more = {k: head[k] for k in ("notes", "date") if head.get(k)} | viewing_of(head, notes)
    if head.get("light_power"):
        more["light"] = head["light_power"]
    geometry = _geometry(head, meanings, chosen[1], notes)
    if geometry and (kind not in KINDS or KINDS[kind].geometries):
        more["geometry"] = geometry
    if head.get("uncertainty"):
        more["rule"] = head["uncertainty"]
    if head.get("systematic"):
        more["systematic"] = head["systematic"]
    if head.get("place"):
        try:
            more["spot"] = spot_of(head["place"])
        except InputError:
            # In a preamble the word may mean a room.
            notes.add(tr("the place '{0}' in its header was left out", head["place"][:60]))
    more.update(numbers_of(head, notes))
    said = dict(choices.more)
    if kind in KINDS and not KINDS[kind].geometries:
        said.pop("geometry", None)
    if chosen[1] and head.get(BY_THICKNESS):
        more["thickness_mm"] = without_thickness(chosen[1])[1]
        said.pop("thickness_mm", None)
        if said.get("name"):
            said["name"] = f"{without_thickness(said['name'])[0] or said['name']} {more['thickness_mm']:g} mm"
    if chosen[1] and without_geometry(chosen[1])[1]:
        # Of readings that differ in geometry each keeps its own, and a name given to all tells them apart by it.
        said.pop("geometry", None)
        if said.get("name"):
            said["name"] = f"{without_geometry(said['name'])[0] or said['name']} {geometry}"
    more.update(said)
    for key in [key for key in LENGTHS if more.get(key) and kind in KINDS and not KINDS[kind].takes(key)]:
        notes.add(tr("the {0} was left out: a reading of {1} has none", plain(key), lowered(KINDS[kind].label)))
        del more[key]
    columns, sigma = _as_lab(kind, columns, sigma, more, notes)
    k = KINDS.get(kind)
    if k and "" in sigma:
        sigma = {**dict.fromkeys(k.values, sigma[""]), **{c: s for c, s in sigma.items() if c}}
    if "kind" not in head and k:
        _without_dark_noise(k, columns, notes)
    masked = columns.pop("masked", None)
    _notes_on(k, columns, sigma, more, notes)
    _check_reflectance(path, kind, columns, more, head)
    title = name or more.pop("name", "") or _title(path, head, chosen[1])
    more.setdefault("source", head.get("source") or str(path))
    return make_reading(title, kind, columns, sigma, masked, **more)


def _title(path, head, sample):
    """What to call a reading: its sample, and its geometry where that tells it from others of it."""
    if not sample:
        return head.get("name") or Path(str(path)).stem
    base, geometry = without_geometry(sample)
    if head.get(BY_THICKNESS):
        base, mm = without_thickness(base)
        geometry = f"{geometry} {mm:g} mm"
    return f"{base or head.get('name') or Path(str(path)).stem} {geometry}".strip()


def _geometry(head, meanings, sample, notes):
    """The geometry by the sample's own name, the name of a column, or the head; as it stands where none is known."""
    named = without_geometry(sample)[1] if sample else ""
    named = named or next((geometry_of(m.raw)[0] for m in meanings[0] if m.name == "reflectance"), "")
    said = named or next((head[k] for k in _GEOMETRY_KEYS if head.get(k)), "")
    known, is_open = geometry_of(said) if said else ("", False)
    if is_open:
        notes.add(
            tr("the geometry '{0}' leaves open whether the specular part is in: taken as {1}, with it in", said, known)
        )
    # What is written as ours is must be right; a word in a preamble may mean something else.
    return known or head.get("geometry", "")


def _check_reflectance(path, kind, columns, more, head):
    """Refuse what no surface sends back, in a file that is not ours."""
    if kind != "reflectance" or "kind" in head or more.get("geometry") in MULTI_ANGLE:
        return
    most = float(np.max(columns["reflectance"], initial=0.0)) if "reflectance" in columns else 0.0
    if most > MOST_REFLECTANCE:
        raise ReadingError(
            tr(
                "{0}: a reflectance of {1} is more than a surface sends back; name its unit, as in "
                "'reflectance (%)', or take out what is no reflectance",
                path,
                figures(most),
            )
        )


def _check_known(path, sheet, meanings, kind):
    for block, columns in zip(sheet.blocks, meanings, strict=True):
        unknown = [m.raw for m in columns if not m.name and not m.is_sigma and m.raw not in ("", "set")]
        if unknown and not kind:
            where = tr("{0}, line {1}", path, block.line)
            raise ReadingError(
                tr("{0}: column '{1}' is not known; name columns as {2}", where, unknown[0][:60], _known_columns())
            )


def _block_columns(path, block, meanings, kind, chosen, decimal, notes, is_ours):
    """({name: values}, {name: uncertainty}) of one block, parts of a column spread over rows."""
    if not block.rows:
        raise ReadingError(tr("{0}: a table in this file has no rows", path))
    at, sample = chosen
    rows = [(i, c) for i, c in block.rows if at is None or (at < len(c) and c[at] == sample)]
    if not rows:
        raise ReadingError(tr("{0}: there is no sample '{1}' in this file", path, sample))
    gaps = kind is None or kind.gaps
    if not gaps:
        rows = _without_gaps(path, rows, meanings, notes)
    table, units = {}, {}
    percent = says_percent(block.rows, meanings, is_ours)
    # Values first: an uncertainty without a unit has theirs.
    for i, m in sorted(enumerate(meanings), key=lambda at: at[1].is_sigma):
        if not m.name and not m.is_sigma:
            if i != at and m.raw:
                notes.add(tr("column '{0}' was left out", m.raw[:60]), i)
            continue
        numbers = _plain_numbers(rows, i, decimal)
        if numbers is None:
            numbers = np.array([_cell(path, line, cells, i, m, decimal, gaps, len(meanings)) for line, cells in rows])
        if kind and (m.name, m.is_sigma) in table and m.name.partition(":")[0] in (*kind.values, *kind.places):
            twice = next(x.raw for x in meanings if (x.name, x.is_sigma) == (m.name, m.is_sigma))
            raise ReadingError(
                tr("{0}: the columns '{1}' and '{2}' say the same; leave one of them out", path, twice[:60], m.raw[:60])
            )
        if m.is_sigma:
            named, unit = unit_of_sigma(m, units, kind.values if kind else (), i, notes)
            table[m.name, True] = named.converted(numbers, unit)
        else:
            units[m.name] = unit = unit_of_values(m, numbers, i, notes, percent, is_ours)
            table[m.name, False] = m.converted(numbers, unit)
    _check_widths(path, rows, meanings)
    return _spread(table)


def _without_gaps(path, rows, meanings, notes):
    """The rows in which every value is there."""
    wanted = [i for i, m in enumerate(meanings) if m.name and not m.is_sigma and m.measure != "letter"]
    whole = [(n, c) for n, c in rows if not any(i < len(c) and is_missing(c[i]) for i in wanted)]
    if not whole:
        raise ReadingError(tr("{0}, line {1}: every row of this table lacks a value", path, rows[0][0]))
    if len(whole) < len(rows):
        notes.add(tr("{0} of {1} rows lack a value and were left out", len(rows) - len(whole), len(rows)))
    return whole


def _check_widths(path, rows, meanings):
    for line, cells in rows:
        if len(cells) != len(meanings):
            raise ReadingError(
                tr("{0}, line {1}: {2} cells where the table has {3} columns", path, line, len(cells), len(meanings))
            )


def _plain_numbers(rows, i, decimal):
    """A column in which every cell is a plain number; None where one needs a closer look."""
    try:
        cells = [cells[i] for _, cells in rows]
        numbers = np.array([float(c) for c in cells])
    except (ValueError, IndexError):
        return None
    is_plain = decimal == "." and np.all(np.isfinite(numbers)) and max(map(len, cells)) <= LONGEST_NUMBER
    return numbers if is_plain else None


def _cell(path, line, cells, i, meaning, decimal, gaps, count):
    if i >= len(cells):
        raise ReadingError(
            tr("{0}, line {1}: {2} cells where the table has {3} columns", path, line, len(cells), count)
        )
    if meaning.name == "polarisation" and cells[i].strip().lower() in POLARISATIONS:
        return POLARISATIONS[cells[i].strip().lower()]
    if gaps and is_missing(cells[i]):
        return np.nan
    return number_in(cells[i], decimal, path, line, meaning.name or "?")


def _spread(table):
    """Columns for parts (a channel, a polarisation) put below one another in rows."""
    parts = sorted({n.partition(":")[2] for n, _ in table if ":" in n})
    if not parts:
        columns, sigma = ({n: v for (n, s), v in table.items() if s == is_sigma} for is_sigma in (False, True))
        return columns, sigma
    whole = {n: v for n, v in table.items() if ":" not in n[0]}
    columns, sigma = {}, {}
    size = next(iter(table.values())).size
    for part in parts:
        place = ("polarisation", POLARISATIONS[part]) if part in POLARISATIONS else ("wavelength_nm", CHANNELS_NM[part])
        columns.setdefault(place[0], []).append(np.full(size, place[1]))
        for (n, is_sigma), v in whole.items():
            (sigma if is_sigma else columns).setdefault(n, []).append(v)
        for (n, is_sigma), v in table.items():
            if n.endswith(f":{part}"):
                (sigma if is_sigma else columns).setdefault(n.partition(":")[0], []).append(v)
    return tuple({n: np.concatenate(v) for n, v in one.items()} for one in (columns, sigma))


def _joined(path, blocks):
    """One table of one block, or of two that give n and k in turn."""
    if len(blocks) == 1:
        return blocks[0]
    if len(blocks) == 2 and all("wavelength_nm" in columns for columns, _ in blocks):
        (a, sigma), (b, _) = blocks
        if "n" in a and "k" in b:
            order = np.argsort(b["wavelength_nm"])
            joined = np.interp(a["wavelength_nm"], b["wavelength_nm"][order], b["k"][order])
            return {"wavelength_nm": a["wavelength_nm"], "n": a["n"], "k": joined}, sigma
    raise ReadingError(
        tr("{0}: several tables follow one another; only a table of n followed by one of k can be joined", path)
    )


def _as_lab(kind, columns, sigma, more, notes):
    """Colours given as XYZ or linear sRGB, as the L*, a*, b* that a reading of colour keeps."""
    if kind != "colour" or {"L", "a", "b"} <= columns.keys():
        return columns, sigma
    if {"L", "C", "h"} <= columns.keys():
        across = columns.pop("C") * np.exp(1j * np.radians(columns.pop("h")))
        return {**columns, "a": across.real, "b": across.imag}, {}
    for names in _COLOURS:
        if set(names) <= columns.keys():
            values = np.column_stack([columns[n] for n in names])
            if names == _COLOURS[1]:
                xyz = linear_srgb_to_xyz(values)
            else:
                # By custom white's Y is 100; a colour darker than 2 of it would be all but black.
                xyz = values / 100.0 if values.max() > 2.0 else values
            notes.add(tr("{0} were turned into L*, a*, b* under {1}", ", ".join(names), more.get("illuminant", "D65")))
            name = more.get("illuminant", "D65")
            lab = xyz_to_lab(xyz, light_of(name, more.get("light", ())) or name, more.get("observer", "1931-2"))
            kept = {n: v for n, v in columns.items() if n not in names}
            return {**kept, **dict(zip(("L", "a", "b"), lab.T, strict=True))}, {}
    return columns, sigma


def _without_dark_noise(k, columns, notes):
    """Shares a little below 0, as an instrument reads them where there is next to no light, count as none."""
    for name in k.values:
        if MEASURES[name] == "share" and name in columns:
            below = (columns[name] < 0.0) & (columns[name] >= -_DARK)
            if below.any():
                columns[name] = np.where(below, 0.0, columns[name])
                notes.add(tr("{0} values a little below 0 are taken as 0", int(below.sum())))


def _notes_on(k, columns, sigma, more, notes):
    """Doubts about what a file leaves unsaid."""
    if k is None:
        return
    if len(k.geometries) > 1 and not more.get("geometry"):
        notes.add(tr("the file says no geometry: taken as {0}", k.geometries[0]))
    if not sigma and not more.get("rule"):
        relative, absolute = k.usual_sigma
        parts = [f"{100 * relative:g} %" if relative else "", f"{absolute:g}" if absolute else ""]
        notes.add(tr("the file says no uncertainty: taken as {0}", " + ".join(p for p in parts if p)))
    if k.key == "transmittance" and not more.get("thickness_mm"):
        notes.add(tr("the file says no thickness: the specimen's own is taken"))
    if "brdf_per_sr" in columns and sends_back(columns):
        notes.add(
            tr(
                "it sends most light back to the lamp: here the mirror direction lies at azimuth 180° or a positive "
                "view angle; correct the angles if the file counts from the other side"
            )
        )
    places = [columns[c] for c in k.places if c in columns]
    if len(places) == k.independent and len({p.size for p in places}) == 1:
        rows = len(places[0])
        if len({tuple(p[i] for p in places) for i in range(rows)}) < rows:
            notes.add(tr("some places are read more than once; they count as repeats, and can be averaged"))
