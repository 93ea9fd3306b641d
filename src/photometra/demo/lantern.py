"""The ship's lantern of Harrow Skerry: a model of named parts, made of turned profiles and bent tubes, in mm."""

import numpy as np

from ..shapes.meshfiles import FileMesh, Part
from ..shapes.standing import Turned, arc, spun

NAME = "lantern.glb"
_AROUND = 72


def _turned(name, profile, at=(0.0, 0.0), around=_AROUND):
    """A closed part spun about an upright axis; profile (n, 4) goes round the section, the axis at its left."""
    made = Turned()
    spun(made, profile, around)
    return _part(name, made, (at[0], 0.0, at[1]))


def _part(name, made, shift=(0.0, 0.0, 0.0)):
    places = np.concatenate(made.places).reshape(-1, 3) + shift
    faces = np.arange(len(places)).reshape(-1, 3)
    sides = np.linalg.norm(np.cross(places[1::3] - places[::3], places[2::3] - places[::3]), axis=1)
    faces = faces[sides > 1e-9]
    whole = np.hstack([places, np.concatenate(made.normals).reshape(-1, 3), np.concatenate(made.uvs).reshape(-1, 2)])
    # Corners alike in all become one: a grid has each of them six times.
    alike, number = np.unique(np.round(whole, 6), axis=0, return_inverse=True)
    return Part(name, alike[:, :3], number.reshape(-1)[faces], alike[:, 6:], alike[:, 3:6])


def _disc(inner, outer, low, high, round_off=0.6):
    """The section of a ring or disc with rounded rims, for `_turned`."""
    r = min(round_off, 0.49 * (high - low))
    outside = np.concatenate([arc(outer - r, low + r, r, -90.0, 0.0, 6), arc(outer - r, high - r, r, 0.0, 90.0, 6)])
    if inner <= 0.0:
        return np.concatenate([[[0.0, low, 0.0, -1.0]], outside, [[0.0, high, 0.0, 1.0]]])
    inside = np.concatenate([arc(inner + r, high - r, r, 90.0, 180.0, 6), arc(inner + r, low + r, r, 180.0, 270.0, 6)])
    ring = np.concatenate([outside, inside])
    return np.concatenate([ring, ring[:1]])


def _walled(outer, wall):
    """A vessel open above and below: outside (n, 2) of r and y upwards, walls of one thickness, closed at both rims."""
    outer = np.asarray(outer, float)
    along = np.gradient(outer, axis=0)
    normal = np.stack([along[:, 1], -along[:, 0]], axis=1)
    normal /= np.linalg.norm(normal, axis=1, keepdims=True)
    inner = (outer - wall * normal)[::-1]
    up, down = [[0.0, 1.0]], [[0.0, -1.0]]
    sides = [
        np.hstack([outer, normal]),
        np.hstack([outer[-1:], up]), np.hstack([inner[:1], up]),
        np.hstack([inner, -normal[::-1]]),
        np.hstack([inner[-1:], down]), np.hstack([outer[:1], down]),
    ]  # fmt: skip
    return np.concatenate([*sides, np.hstack([outer[:1], normal[:1]])])


def _tube(name, path, radius, around=24):
    """A round bar along a path (n, 3) in one upright plane, closed at its ends."""
    path = np.asarray(path, float)
    along = np.gradient(path, axis=0)
    along /= np.linalg.norm(along, axis=1, keepdims=True)
    side = np.array([0.0, 0.0, 1.0])
    across = np.cross(along, side)
    phi = np.linspace(0.0, 2.0 * np.pi, around + 1)
    phi[-1] = 0.0
    normals = np.cos(phi)[None, :, None] * across[:, None] + np.sin(phi)[None, :, None] * side
    made = Turned()
    # From outside, round the bar goes to the right and along it up.
    made.grid((path[:, None] + radius * normals)[:, ::-1], normals[:, ::-1])
    for i, order, out in ((0, 1, -along[0]), (-1, -1, along[-1])):
        rim = (path[i] + radius * normals[i])[:-1][::order]
        middle = np.repeat(path[i][None], len(rim), axis=0)
        fan = np.stack([middle, rim, np.roll(rim, -1, axis=0)], axis=1)
        facing = np.cross(fan[0, 1] - fan[0, 0], fan[0, 2] - fan[0, 0]) @ out
        made.places.append(fan if facing > 0.0 else fan[:, ::-1])
        made.normals.append(np.broadcast_to(out, fan.shape).copy())
        made.uvs.append(np.zeros((len(fan), 3, 2)))
        made.material.append(np.zeros(len(fan), int))
    return _part(name, made)


def _slab(name, low, high):
    """A closed box between two corners."""
    made = Turned()
    for axis in range(3):
        a, b = (axis + 1) % 3, (axis + 2) % 3
        for end in (low, high):
            face = np.empty((4, 3))
            face[:, axis] = end[axis]
            face[:, a] = [low[a], high[a], high[a], low[a]]
            face[:, b] = [low[b], low[b], high[b], high[b]]
            made.flat(face if end is high else face[::-1])
    return _part(name, made)


def _lens_outside():
    """A drum lens in five bands, the middle one bellied."""
    y = np.linspace(0.0, 34.0, 69)
    band = np.abs(np.sin(np.pi * y / 34.0 * 5.0))
    return np.stack([18.0 + 2.6 * np.sin(np.pi * y / 34.0) + 0.9 * band**0.7, 17.0 + y], axis=1)


def _chimney_outside():
    y = np.linspace(0.0, 40.0, 41)
    return np.stack([5.6 + 2.4 * np.exp(-((y - 9.0) ** 2) / 40.0) - 0.02 * y, 18.5 + y], axis=1)


def lantern() -> FileMesh:
    """The lantern, 92 mm high, its parts named by where they belong."""
    posts = [
        _turned(f"frame/post {i + 1}", _disc(0.0, 1.5, 12.0, 54.0), (25.0 * np.sin(a), 25.0 * np.cos(a)), 24)
        for i, a in enumerate(np.radians([45.0, 135.0, 225.0, 315.0]))
    ]
    roof = np.array([
        [0.0, 54.0, 0.0, -1.0], [28.5, 54.0, 0.0, -1.0], [28.5, 54.0, 1.0, 0.0], [28.5, 56.5, 1.0, 0.0],
        [28.5, 56.5, 0.5, 0.86], [12.0, 66.0, 0.5, 0.86], [12.0, 66.0, 1.0, 0.0], [12.0, 70.0, 1.0, 0.0],
        [12.0, 70.0, 0.3, 0.95], [0.0, 73.5, 0.3, 0.95],
    ])  # fmt: skip
    turn = np.radians(np.linspace(180.0, 0.0, 61))
    handle = np.stack([15.0 * np.cos(turn), 71.0 + 19.0 * np.sin(turn), 0.0 * turn], axis=1)
    wick = np.concatenate([[[0.0, 21.0, 0.0, -1.0]], arc(1.3, 22.0, 0.5, -90.0, 0.0, 5), _rounded_top(1.8, 27.0)])
    return FileMesh(
        NAME,
        (
            _turned("frame/base", _disc(0.0, 30.0, 0.0, 9.0, 2.0)),
            _turned("frame/lower ring", _disc(20.0, 29.0, 9.02, 12.0)),
            _turned("frame/roof", roof),
            *posts,
            _tube("handle", handle, 1.7),
            _turned("lens", _walled(_lens_outside(), 2.6)),
            _turned("chimney", _walled(_chimney_outside(), 0.9)),
            _turned("burner", _disc(0.0, 9.0, 12.02, 18.0, 1.4)),
            _turned("wick", wick, around=32),
            _turned("fuel cap", _disc(0.0, 3.0, 9.02, 11.6, 0.8), (15.0, 0.0), 32),
            _slab("number plate", (-13.0, 0.8, 30.05), (13.0, 8.6, 31.45)),
        ),
    )


def _rounded_top(radius, top):
    """The upper half of a small rounded bar's section."""
    return np.concatenate([arc(radius - 0.5, top - 0.5, 0.5, 0.0, 90.0, 5), [[0.0, top, 0.0, 1.0]]])
