"""Calibrated materials kept for the next study: folders of one-specimen studies, and an index that finds them.

The files are the library; the index beside the program is made from them at any time and holds nothing of its own.
"""

from .entry import KeptEntry, kept, read_entry, taken, taken_stratum, versions_of
from .facts import FACTS, Fact
from .folder import Found, Library, default_library, starter_library
from .ranking import Ranked, closest

__all__ = [
    "FACTS",
    "Fact",
    "Found",
    "KeptEntry",
    "Library",
    "Ranked",
    "closest",
    "default_library",
    "kept",
    "read_entry",
    "starter_library",
    "taken",
    "taken_stratum",
    "versions_of",
]
