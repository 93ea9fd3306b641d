"""Calibration reports: what was measured, what the model reads, the parameters with their errors, as HTML or PDF."""

from .contents import contents_of
from .writing import SUFFIXES, check_place, write_report

__all__ = ["SUFFIXES", "check_place", "contents_of", "write_report"]
