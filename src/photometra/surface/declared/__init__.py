"""The declarations of every parameter of a surface, once, in the order of the section."""

from .body import BODY
from .interior import INTERIOR
from .layers import LAYERS

DECLARED = (*LAYERS, *BODY, *INTERIOR)
