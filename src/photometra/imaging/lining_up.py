"""Lining a photograph up with the render: the four places of it that are the corners of the render's frame, moved,
scaled and turned as one.
"""

import numpy as np


def _about_middle(corners, aspect, matrix):
    """The corners (4, 2) with a matrix applied about their middle, in a picture of an aspect."""
    square = np.asarray(corners, float) * (aspect, 1.0)
    middle = square.mean(axis=0)
    return _tuples(((square - middle) @ np.asarray(matrix).T + middle) / (aspect, 1.0))


def _tuples(corners):
    return tuple((float(x), float(y)) for x, y in corners)


def moved(corners, dx, dy):
    """The corners moved as one, in 0..1 of the photograph."""
    return _tuples(np.add(corners, [dx, dy]))


def scaled(corners, factor):
    """The corners further apart by a factor, about their middle."""
    return _about_middle(corners, 1.0, factor * np.eye(2))


def turned(corners, degrees, aspect):
    """The corners turned clockwise about their middle, in a photograph of an aspect (width over height)."""
    c, s = np.cos(np.radians(degrees)), np.sin(np.radians(degrees))
    return _about_middle(corners, aspect, [[c, -s], [s, c]])


def scale_and_turn(corners, aspect):
    """(how wide the frame is against the photograph, by how many degrees it is turned clockwise)."""
    square = np.asarray(corners, float) * (aspect, 1.0)
    across = 0.5 * (square[1] - square[0] + square[2] - square[3])
    return float(np.hypot(*across) / aspect), float(np.degrees(np.arctan2(across[1], across[0])))
