"""How commands speak: results on standard output, everything else on standard error, one sentence for an error."""

import json
import math
import sys
from pathlib import Path

from ..errors import InputError
from ..names import shown
from ..study import SUFFIX


class Refused(InputError):
    """Bad use; the message is one sentence."""


def tell(text):
    """A message or progress, to standard error; nothing in it is obeyed by the terminal."""
    print(shown(text), file=sys.stderr)


def print_json(data):
    """One JSON object on standard output; numbers that are not finite become null."""
    print(json.dumps(_finite(data), ensure_ascii=False))


def _finite(data):
    if isinstance(data, dict):
        return {k: _finite(v) for k, v in data.items()}
    if isinstance(data, (list, tuple)):
        return [_finite(v) for v in data]
    if isinstance(data, float) and not math.isfinite(data):
        return None
    return data


def table(title, columns, rows):
    """A table on standard output; `columns` names, the first left, the others right. Nothing in it is markup."""
    from rich.console import Console
    from rich.table import Table
    from rich.text import Text

    heading = Text(title) if title else None
    made = Table(title=heading, title_justify="left", title_style="bold", box=None, pad_edge=False)
    for i, column in enumerate(columns):
        made.add_column(column, justify="left" if i == 0 else "right", overflow="fold")
    for row in rows:
        made.add_row(*(Text(str(cell)) for cell in row))

    class Plain(Console):
        def on_broken_pipe(self):
            raise BrokenPipeError

    Plain(width=None if sys.stdout.isatty() else 120, highlight=False).print(made)


def output_path(text, suffixes):
    """A path to write to: one of `suffixes`, its folder there, and never over a study. Refused otherwise."""
    path = Path(text)
    if path.suffix.lower() == SUFFIX or _is_study(path):
        raise Refused(f"{path}: this is a study; an output never overwrites one")
    if suffixes and path.suffix.lower() not in suffixes:
        raise Refused(f"{path}: give a name that ends in {' or '.join(suffixes)}")
    if path.is_dir():
        raise Refused(f"{path}: this is a folder; give a file's name")
    if not path.parent.is_dir():
        raise Refused(f"{path}: there is no folder {path.parent}")
    return path


def _is_study(path):
    import zipfile

    try:
        with zipfile.ZipFile(path) as archive:
            return "study.json" in archive.namelist()
    except (OSError, zipfile.BadZipFile):
        return False
