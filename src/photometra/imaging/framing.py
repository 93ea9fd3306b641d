"""Frames of different shapes onto one view: the places of pins, proofs and photographs, whatever the window's shape.

A frame's places run 0..1 across and down it. A view's do so over the square in its middle, which every frame of that
camera shows; beside it they go on beyond 0 and 1.
"""

import numpy as np

from ..study import WHOLE
from ..tracing.scene import frame_extent


def in_view(places, aspect):
    """Places (..., 2) of a frame of an aspect (width over height), in the view."""
    return 0.5 + (np.asarray(places, float) - 0.5) * frame_extent(aspect)


def in_frame(places, aspect):
    """The inverse of `in_view`: places of the view in a frame of an aspect."""
    return 0.5 + (np.asarray(places, float) - 0.5) / frame_extent(aspect)


def corners_within(ours, theirs):
    """The corners (4, 2) of a frame of aspect `ours` in a frame of aspect `theirs` by the same camera."""
    return in_frame(in_view(WHOLE, ours), theirs)
