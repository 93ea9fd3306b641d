"""What people and files call things: bounded, told apart, and without characters that a screen would obey."""

import hashlib
import re
import unicodedata
from pathlib import PurePath

MOST_LETTERS = 200
"""Of the name of a study, specimen, reading or proof."""
_OBEYED = ("Cc", "Cf", "Cs", "Zl", "Zp")
_JOINERS = "\u200c\u200d"


def shown(text, kept="\n\t"):
    """A text with control and direction characters made visible; `kept` of them stay what they are.

    A name must not colour a terminal, turn a line round, or hide half of itself. The joiners of some scripts stay.
    """
    text = str(text)
    if text.isascii() and text.isprintable():
        return text
    return "".join(_seen(c) if unicodedata.category(c) in _OBEYED and c not in kept + _JOINERS else c for c in text)


def _seen(character):
    code = ord(character)
    # The standard has pictures of the first 32 and of delete.
    return chr(0x2400 + code) if code < 32 else "\u2421" if code == 127 else f"⟨U+{code:04X}⟩"


def one_line(text):
    """A text as a name: one line, single spaces, nothing that is obeyed."""
    return shown(" ".join(str(text).split()), "")


def numbered(name, taken):
    """A name that is not among `taken`, whatever the case, with a number behind it where it must be; short enough."""
    taken = {t.casefold() for t in taken}
    name, n = name[:MOST_LETTERS], 2
    own = name
    while own.casefold() in taken:
        own, n = f"{name[: MOST_LETTERS - len(str(n)) - 1]} {n}", n + 1
    return own


def kept_name(folder, file_name, data):
    """What a study calls a file that it keeps: by its name and its content, so that two of one name stay two."""
    path = PurePath(file_name)
    stem = re.sub(r"[^A-Za-z0-9._-]+", "-", path.stem).strip("._-")[:80] or folder
    suffix = re.sub(r"[^a-z0-9.]", "", path.suffix.lower())[:12]
    return f"{folder}/{stem}.{hashlib.sha256(data).hexdigest()[:8]}{suffix}"


def stem_of(name):
    """A specimen's name as the beginning of a file's."""
    return "".join(c if c.isalnum() else "-" for c in name.lower()).strip("-") or "specimen"
