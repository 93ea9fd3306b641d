"""Measured evidence: kinds, units, uncertainty, and files in and out."""

from .arrivals import Arrival, arrivals_of, files_in, specimen_name
from .cgats import write_cgats
from .columns import plain_name
from .edits import averaged, resampled, with_mask, with_uncertainty
from .files import read_file, read_text, taken, text_of, write_file, write_text
from .kinds import CHANNELS_NM, KINDS, POLARISATIONS, Kind, kind
from .model import Reading, letter_of, make_reading
from .systematic import Systematic, systematic_of
from .tables import ReadingError
from .understanding import Choices, Understood, understand

__all__ = [
    "CHANNELS_NM",
    "KINDS",
    "POLARISATIONS",
    "Arrival",
    "Choices",
    "Kind",
    "Reading",
    "ReadingError",
    "Systematic",
    "Understood",
    "arrivals_of",
    "averaged",
    "files_in",
    "kind",
    "letter_of",
    "make_reading",
    "plain_name",
    "read_file",
    "read_text",
    "resampled",
    "specimen_name",
    "systematic_of",
    "taken",
    "text_of",
    "understand",
    "with_mask",
    "with_uncertainty",
    "write_cgats",
    "write_file",
    "write_text",
]
