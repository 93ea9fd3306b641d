"""The document: specimens, readings, the booth; its file, its history, its autosave."""

from .booth import VIEWPOINTS, Booth, Effort, Lamp, Pin, Viewpoint
from .history import History
from .journal import Claim, Journal, Rescue, rescues
from .model import Specimen, Study, shown_names
from .proof import WHOLE, Proof, Reference, differing
from .storage import SUFFIX, StudyError, read_file, write_file

__all__ = [
    "SUFFIX",
    "VIEWPOINTS",
    "WHOLE",
    "Booth",
    "Claim",
    "Effort",
    "History",
    "Journal",
    "Lamp",
    "Pin",
    "Proof",
    "Reference",
    "Rescue",
    "Specimen",
    "Study",
    "StudyError",
    "Viewpoint",
    "differing",
    "read_file",
    "rescues",
    "shown_names",
    "write_file",
]
