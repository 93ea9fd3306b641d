"""Text as tables of cells: the separator, the decimal sign and the header lines, found or given."""

import csv
import io
import re
from dataclasses import dataclass, field
from functools import cache
from itertools import pairwise

from ..errors import InputError
from ..words import counted, tr
from .columns import gloss_angle_in, meaning_of, wavelength_in
from .spoken import head_key

MOST_BYTES = 16_000_000
MOST_LINES, MOST_CELLS = 101_000, 500_000
"""Of one text: a reading has 100 000 rows at the most, beside what is written before them."""
_MOST_BREAKS, _LONGEST_LINE = 400_000, 1_000_000
"""Looked at before a text is taken apart: empty lines and remarks cost as much as rows."""
LONGEST_NUMBER = 64
_MOST_COLUMNS, _MOST_PREAMBLE = 5_000, 2_000
_WORD = re.compile(r"[^\W\d_]{3}")
SEPARATORS = {",": tr("comma"), ";": tr("semicolon"), "\t": tr("tab"), " ": tr("spaces")}


class ReadingError(InputError):
    """A file that cannot be taken; the message names the file, the line and the mend."""


@dataclass
class Block:
    """One table: the names in its header row (empty where it has none), and its rows of cells with their lines."""

    names: list[str]
    line: int = 0
    rows: list[tuple[int, list[str]]] = field(default_factory=list)


@dataclass
class Sheet:
    """A text's header entries and blocks, and how its cells were told apart."""

    head: dict[str, str]
    blocks: list[Block]
    separator: str
    decimal: str
    notes: tuple[str, ...] = ()
    """What was done to lay the table out plainly."""


_NUMBER = re.compile(r"^[-+]?(\d+[.,]?\d*|[.,]\d+)(e[-+]?\d+)?$", re.I)
_UNIT_BEHIND = re.compile(r"\s*(?:%|nm|°|gu)$", re.I)
_MISSING = ("", "--", "---", "-", "n/a", "na", "#n/a", "null", "none", "…", "...", "over", "under")


def number_text(cell):
    """A cell without the unit that some write behind every number; as it stands where it is too long for one."""
    cell = cell.strip()
    if len(cell) > LONGEST_NUMBER or (cell.isascii() and cell[-1:].isdigit()):
        return cell
    return _UNIT_BEHIND.sub("", cell.replace("−", "-"))


def is_number(cell):
    text = number_text(cell)
    return len(text) <= LONGEST_NUMBER and bool(_NUMBER.match(text))


def value_of(cell):
    """The value of a cell that `is_number`, whichever decimal sign and minus it has."""
    return float(number_text(cell).replace(",", "."))


def is_missing(cell):
    """Whether a cell stands for a value that is not there."""
    return cell.strip().lower() in _MISSING


def _separator_of(lines):
    """The separator with which most lines fall into the same number of cells, more than one."""
    best, score = ",", 0.0
    # Sentences before the table say nothing of how it is parted.
    lines = lines[:_MOST_PREAMBLE]
    lines = [line for line in lines if sum(c.isdigit() for c in line) * 3 > sum(c.isalpha() for c in line)] or lines
    for s in (";", "\t", ",", " "):
        counts = [len(line.split()) if s == " " else line.count(s) + 1 for line in lines[:200]]
        usual = max(set(counts), key=counts.count)
        even = counts.count(usual) / len(counts)
        # A comma may be a decimal sign, a space a habit: they count only where nothing better does.
        weight = {"\t": 1.2, ";": 1.2, ",": 1.0, " ": 0.5}[s]
        if usual > 1 and even * weight > score:
            best, score = s, even * weight
    return best


def within_limits(path, rows):
    """The rows (line, cells) of a table as they come; ReadingError once there are too many cells."""
    count = 0
    for i, cells in rows:
        count += len(cells)
        if len(cells) > _MOST_COLUMNS:
            raise ReadingError(
                tr(
                    "{0}, line {1}: {2} columns are more than the {3} of any reading",
                    path,
                    i,
                    len(cells),
                    _MOST_COLUMNS,
                )
            )
        if count > MOST_CELLS:
            raise ReadingError(
                tr("{0}, line {1}: more than {2} numbers in one file; split it into several", path, i, MOST_CELLS)
            )
        yield i, cells


def lines_of(text, path):
    """The lines of a text; ReadingError where they are more, or longer, than those of any reading."""
    if max(text.count("\n"), text.count("\r")) > _MOST_BREAKS:
        raise ReadingError(
            tr("{0}: it has more than {1} lines; a reading has 100000 rows at the most", path, _MOST_BREAKS)
        )
    lines = text.splitlines()
    for i, line in enumerate(lines, 1):
        if len(line) > _LONGEST_LINE:
            raise ReadingError(
                tr("{0}, line {1}: it is longer than a million letters; no table has such rows", path, i)
            )
    return lines


def _cells(path, line, number, separator):
    if separator == " ":
        return line.split()
    if '"' not in line:
        return [c.strip() for c in line.split(separator)]
    try:
        return [c.strip() for c in next(csv.reader(io.StringIO(line), delimiter=separator))]
    except csv.Error:
        raise ReadingError(tr("{0}, line {1}: this line is no row of a table", path, number)) from None


def sheet_of(text, path="text", separator="", decimal="") -> Sheet:
    """The tables in a text. separator: one of `SEPARATORS`, decimal: "." or ","; found where not given."""
    head, body = {}, []
    for i, line in enumerate(lines_of(text, path), 1):
        bare = line.strip()
        if bare.startswith(("#", "//", "%", "!")):
            key, colon, value = bare.lstrip("#/%! \t").partition(":")
            if colon:
                head[head_key(key)] = value.strip()
        elif bare.strip(",;\t "):
            body.append((i, line.strip("\n\r")))
        if len(body) > MOST_LINES:
            raise ReadingError(
                tr("{0}: it has more than {1} lines; a reading has 100000 rows at the most", path, MOST_LINES)
            )
    if not body:
        raise ReadingError(tr("{0}: there is no table in this file", path))
    separator = separator or _separator_of([line for _, line in body])
    rows = list(within_limits(path, ((i, _cells(path, line, i, separator)) for i, line in body)))
    if not decimal:
        # A decimal comma shows in the cells themselves, once another sign parts them.
        has_comma = any("," in c and is_number(c) for _, cells in rows for c in cells)
        has_point = any("." in c and is_number(c) for _, cells in rows for c in cells)
        decimal = "," if has_comma and not has_point and separator != "," else "."
    notes = ()
    if "kind" not in head:
        rows = _after_preamble(rows, head)
        rows, below = _above_postamble(rows, head)
        if below:
            notes = (
                counted(below, "{0} line below the table was left out", "{0} lines below the table were left out"),
            )
    blocks = []
    for i, cells in rows:
        words = not is_number(cells[0]) and sum(map(is_number, cells)) * 2 < len(cells)
        if ("kind" not in head and _is_heading(cells)) or (words and _starts_block(cells, blocks)):
            blocks.append(Block(cells, i))
            continue
        if not blocks:
            blocks.append(Block([], i))
        blocks[-1].rows.append((i, cells))
    return Sheet(head, blocks, separator, decimal, notes)


def _above_postamble(rows, head):
    """(the rows without those below the table, how many these are): words under a column of numbers, as an instrument
    writes of itself. They go into `head` by their keys."""

    def is_words(cells):
        # A mean or a deviation has numbers beside its name.
        return bool(_WORD.search(cells[0])) and (cells[0].endswith(":") or not any(map(is_number, cells)))

    end = len(rows)
    while end > 2 and is_words(rows[end - 1][1]):
        end -= 1
    above = rows[max(0, end - 2) : end]
    if end == len(rows) or not all(is_number(cells[0]) for _, cells in above):
        return rows, 0
    for _, cells in rows[end:]:
        key, _, value = cells[0].partition(":")
        value = value or " ".join(c for c in cells[1:] if c)
        if value.strip():
            head.setdefault(head_key(key), value.strip(' "'))
    return rows[:end], len(rows) - end


def _after_preamble(rows, head):
    """The rows from the table's header on; what an instrument writes before it goes into `head` by its keys."""

    @cache
    def is_data(i):
        cells = rows[i][1]
        there = [c for c in cells if c and not is_missing(c)]
        if _is_heading(cells):
            return False
        numbers = sum(is_number(c) or wavelength_in(c) is not None for c in there)
        return len(cells) >= 2 and (numbers * 2 > len(there) or (numbers >= 2 and numbers * 2 >= len(there)))

    for i in range(1, min(len(rows), _MOST_PREAMBLE)):
        same = len(rows[i][1]) == len(rows[i - 1][1])
        if not is_data(i) or is_data(i - 1) or not (same or (i + 1 < len(rows) and is_data(i + 1))):
            continue
        if i == 1 and same:
            return rows
        # A table's header has as many cells as its rows; else the rows have no header.
        start = i - 1 if same else i
        told = []
        for _, cells in rows[:start]:
            filled = [c for c in cells if c] or [""]
            key, colon, value = filled[0].partition(":")
            if not (colon and value.strip()):
                key, value = filled[0], " ".join(filled[1:])
            told += filled
            if value.strip():
                head.setdefault(head_key(key), value.strip(' "'))
        head["preamble"] = " ".join(told).strip()
        return rows[start:]
    return rows


def _is_heading(cells):
    """Whether a row of numbers names columns: gloss angles, ever longer wavelengths, or repeats counted from 1."""
    counted_up = [c for c in cells[1:] if is_number(c)]
    if _WORD.search(cells[0]) and len(counted_up) > 1 and counted_up == [f"{i}" for i in range(1, len(counted_up) + 1)]:
        return True
    bands = [nm for c in cells if (nm := wavelength_in(c)) is not None] if len(cells) >= 6 else []
    if len(bands) >= 6 and all(a < b for a, b in pairwise(bands)):
        return True
    angles = [a for c in cells if (a := gloss_angle_in(c)) is not None]
    return len(angles) >= 2 and len(angles) == len(set(angles)) and len(angles) * 2 >= len([c for c in cells if c])


def _starts_block(cells, blocks):
    """A row of words is a header where none is open yet, or its words name columns again."""
    named = sum(bool(meaning_of(c).name) for c in cells)
    return not blocks or named * 2 >= len([c for c in cells if c]) > 0


def number_in(cell, decimal, path, line, column):
    """A cell as a number; ReadingError where it is none."""
    text = number_text(cell)
    if decimal == ",":
        text = text.replace(",", ".")
    try:
        value = float(text if len(text) <= LONGEST_NUMBER else "")
    except ValueError:
        raise ReadingError(
            tr(
                "{0}, line {1}: '{2}' in column {3} is not a number; correct it or remove the row",
                path,
                line,
                cell.strip()[:60],
                column,
            )
        ) from None
    if value in (float("inf"), float("-inf")) or value != value:
        raise ReadingError(
            tr("{0}, line {1}: '{2}' in column {3} is not a finite number", path, line, cell.strip()[:60], column)
        )
    return value
