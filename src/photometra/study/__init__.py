"""The document: specimens, readings, the booth; its file, its history, its autosave."""

from .history import History
from .journal import Claim, Journal, Rescue, rescues
from .model import Booth, Specimen, Study
from .storage import SUFFIX, StudyError, read_file, write_file

__all__ = [
    "SUFFIX",
    "Booth",
    "Claim",
    "History",
    "Journal",
    "Rescue",
    "Specimen",
    "Study",
    "StudyError",
    "read_file",
    "rescues",
    "write_file",
]
