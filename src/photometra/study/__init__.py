"""The document: specimens, readings, the booth; its file, its history, its autosave."""

from .booth import VIEWPOINTS, Booth, Effort, Lamp, Pin, Viewpoint
from .history import History
from .journal import Claim, Journal, Rescue, rescues
from .model import Specimen, Study, StudyError, shown_names
from .proof import WHOLE, Proof, Reference, differing
from .storage import (
    SUFFIX,
    ChangedElsewhere,
    change_file,
    read_file,
    read_stamped,
    save_stamped,
    write_file,
)

__all__ = [
    "SUFFIX",
    "VIEWPOINTS",
    "WHOLE",
    "Booth",
    "ChangedElsewhere",
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
    "change_file",
    "differing",
    "read_file",
    "read_stamped",
    "rescues",
    "save_stamped",
    "shown_names",
    "write_file",
]
