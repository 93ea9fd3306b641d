"""The demo: specimens of the lantern room of Harrow Skerry, an invented lighthouse."""

from .making import NAME, make_study, write_demo
from .samples import SAMPLES

__all__ = ["NAME", "SAMPLES", "make_study", "write_demo"]
