"""Measured evidence: kinds, units, uncertainty, and files in and out."""

from .csvfile import ReadingError, read_file, read_text, write_text
from .kinds import KINDS, Kind, kind
from .model import Reading, make_reading

__all__ = [
    "KINDS",
    "Kind",
    "Reading",
    "ReadingError",
    "kind",
    "make_reading",
    "read_file",
    "read_text",
    "write_text",
]
