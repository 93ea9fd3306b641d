"""Text as tables of cells: the separator, the decimal sign and the header lines, found or given."""

import csv
import io
import re
from dataclasses import dataclass, field

MOST_BYTES = 16_000_000
SEPARATORS = {",": "comma", ";": "semicolon", "\t": "tab", " ": "spaces"}


class ReadingError(ValueError):
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


_NUMBER = re.compile(r"^[-+]?(\d+[.,]?\d*|[.,]\d+)(e[-+]?\d+)?$", re.I)


def is_number(cell):
    return bool(_NUMBER.match(cell.strip().replace("−", "-")))


def _separator_of(lines):
    """The separator with which most lines fall into the same number of cells, more than one."""
    best, score = ",", 0.0
    for s in (";", "\t", ",", " "):
        counts = [len(line.split()) if s == " " else line.count(s) + 1 for line in lines[:200]]
        usual = max(set(counts), key=counts.count)
        even = counts.count(usual) / len(counts)
        # A comma may be a decimal sign, a space a habit: they count only where nothing better does.
        weight = {"\t": 1.2, ";": 1.2, ",": 1.0, " ": 0.5}[s]
        if usual > 1 and even * weight > score:
            best, score = s, even * weight
    return best


def _cells(path, line, number, separator):
    if separator == " ":
        return line.split()
    try:
        return [c.strip() for c in next(csv.reader(io.StringIO(line), delimiter=separator))]
    except csv.Error:
        raise ReadingError(f"{path}, line {number}: this line is no row of a table") from None


def sheet_of(text, path="text", separator="", decimal="") -> Sheet:
    """The tables in a text. separator: one of `SEPARATORS`, decimal: "." or ","; found where not given."""
    head, body = {}, []
    for i, line in enumerate(text.splitlines(), 1):
        bare = line.strip()
        if bare.startswith(("#", "//", "%", "!")):
            key, colon, value = bare.lstrip("#/%! \t").partition(":")
            if colon:
                head[key.strip().lower()] = value.strip()
        elif bare.strip(",;\t "):
            body.append((i, line.strip("\n\r")))
    if not body:
        raise ReadingError(f"{path}: there is no table in this file")
    separator = separator or _separator_of([line for _, line in body])
    rows = [(i, _cells(path, line, i, separator)) for i, line in body]
    if not decimal:
        # A decimal comma shows in the cells themselves, once another sign parts them.
        has_comma = any("," in c and is_number(c) for _, cells in rows for c in cells)
        has_point = any("." in c and is_number(c) for _, cells in rows for c in cells)
        decimal = "," if has_comma and not has_point and separator != "," else "."
    blocks = []
    for i, cells in rows:
        if not is_number(cells[0]) and sum(map(is_number, cells)) * 2 < len(cells) and _starts_block(cells, blocks):
            blocks.append(Block(cells, i))
            continue
        if not blocks:
            blocks.append(Block([], i))
        blocks[-1].rows.append((i, cells))
    return Sheet(head, blocks, separator, decimal)


def _starts_block(cells, blocks):
    """A row of words is a header where none is open yet, or its words name columns again."""
    from .columns import meaning_of

    named = sum(bool(meaning_of(c).name) for c in cells)
    return not blocks or named * 2 >= len([c for c in cells if c]) > 0


def number_in(cell, decimal, path, line, column):
    """A cell as a number; ReadingError where it is none."""
    text = cell.strip().replace("−", "-")
    if decimal == ",":
        text = text.replace(",", ".")
    try:
        value = float(text)
    except ValueError:
        raise ReadingError(
            f"{path}, line {line}: '{cell.strip()[:60]}' in column {column} is not a number; "
            "correct it or remove the row"
        ) from None
    if value in (float("inf"), float("-inf")) or value != value:
        raise ReadingError(f"{path}, line {line}: '{cell.strip()[:60]}' in column {column} is not a finite number")
    return value
