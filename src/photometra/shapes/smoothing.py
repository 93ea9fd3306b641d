"""Normals for meshes that bring none: smooth across shallow edges, sharp across others; and whether a mesh is closed.

Faces that meet in an edge of less than 20° belong together; a corner's normal is the mean of those that belong together
around its place, weighted by their angles there (Thürmer & Wüthrich 1998).
"""

import math

import numpy as np

from ..optics.jit import kernel, owning_kernel, unowned

_SHARP = math.cos(math.radians(20.0))
_WIDEST_FAN = 128
"""Of faces around one place: of more, all are smoothed together, as at the pole of a finely cut ball."""


def welded(vertices):
    """For vertices (v, 3) in single precision the number of the first at the same place: (v,) int32."""
    # What is added makes -0 the same as 0.
    bits = (np.ascontiguousarray(vertices, np.float32) + np.float32(0.0)).view(np.uint32)
    size = 1 << max(4, int(2 * len(bits) - 1).bit_length())
    first = np.empty(len(bits), np.int32)
    _first_alike(bits, np.full(size, -1, np.int32), first)
    return first


@kernel
def _first_alike(bits, table, first):
    bits, table, first = unowned(bits), unowned(table), unowned(first)
    mask = np.uint64(table.shape[0] - 1)
    for i in range(bits.shape[0]):
        a = np.uint64(bits[i, 0])
        b = np.uint64(bits[i, 1])
        c = np.uint64(bits[i, 2])
        h = a * np.uint64(0x9E3779B97F4A7C15) ^ b * np.uint64(0xC2B2AE3D27D4EB4F) ^ c * np.uint64(0x165667B19E3779F9)
        h ^= h >> np.uint64(29)
        h *= np.uint64(0xBF58476D1CE4E5B9)
        h ^= h >> np.uint64(32)
        at = np.int64(h & mask)
        while True:
            j = table[at]
            if j < 0:
                table[at] = i
                first[i] = i
                break
            if bits[j, 0] == bits[i, 0] and bits[j, 1] == bits[i, 1] and bits[j, 2] == bits[i, 2]:
                first[i] = j
                break
            at = (at + 1) & np.int64(mask)


def is_closed(vertices, faces):
    """Whether triangles have an inside: every edge between two places is one of exactly two faces."""
    places = welded(vertices)[faces].astype(np.int64)
    ends = np.sort(np.concatenate([places[:, [0, 1]], places[:, [1, 2]], places[:, [2, 0]]]), axis=1)
    ends = ends[ends[:, 0] != ends[:, 1]]
    _, counts = np.unique(ends[:, 0] * (len(vertices) + 1) + ends[:, 1], return_counts=True)
    return bool(len(counts)) and bool((counts % 2 == 0).all())


def shaded(vertices, faces, parts):
    """(normals of the corners (t, 3, 3) float32, whether every edge is one of two faces) of vertices (v, 3) and faces
    (t, 3); a triangle without area gets the normal 0 and counts for no edge. parts (t,): only faces of one part are
    smoothed together."""
    places = welded(vertices)[faces]
    order, starts = _fans(places, len(vertices))
    normals = np.zeros((len(faces), 3, 3), np.float32)
    faces, parts = np.ascontiguousarray(faces, np.int32), np.ascontiguousarray(parts, np.int32)
    closed = _shade(np.ascontiguousarray(vertices, np.float32), faces, places, parts, order, starts, normals)
    return normals, bool(closed)


@owning_kernel
def _fans(places, count):
    """(corners, as 3 face + corner, in the order of their places; where each place's begin) ."""
    starts = np.zeros(count + 1, np.int32)
    for f in range(places.shape[0]):
        for c in range(3):
            starts[places[f, c] + 1] += 1
    for v in range(count):
        starts[v + 1] += starts[v]
    order = np.empty(3 * places.shape[0], np.int32)
    at = starts[:-1].copy()
    for f in range(places.shape[0]):
        for c in range(3):
            v = places[f, c]
            order[at[v]] = 3 * f + c
            at[v] += 1
    return order, starts


@kernel
def _at_corner(vertices, faces, f, c):
    """(unit normal of a face, its angle at one corner); 0 for one without area."""
    p, q, r = faces[f, c], faces[f, (c + 1) % 3], faces[f, (c + 2) % 3]
    ax = float(vertices[q, 0]) - vertices[p, 0]
    ay = float(vertices[q, 1]) - vertices[p, 1]
    az = float(vertices[q, 2]) - vertices[p, 2]
    bx = float(vertices[r, 0]) - vertices[p, 0]
    by = float(vertices[r, 1]) - vertices[p, 1]
    bz = float(vertices[r, 2]) - vertices[p, 2]
    nx = ay * bz - az * by
    ny = az * bx - ax * bz
    nz = ax * by - ay * bx
    length = math.sqrt(nx * nx + ny * ny + nz * nz)
    if not length > 0.0:
        return 0.0, 0.0, 0.0, 0.0
    return nx / length, ny / length, nz / length, math.atan2(length, ax * bx + ay * by + az * bz)


@owning_kernel
def _shade(vertices, faces, places, parts, order, starts, normals):
    """Fill the normals of all corners; whether the mesh is closed."""
    vertices, faces, places, parts = unowned(vertices), unowned(faces), unowned(places), unowned(parts)
    order, starts, normals = unowned(order), unowned(starts), unowned(normals)
    fan = np.empty((_WIDEST_FAN, 4))
    ends = np.empty((_WIDEST_FAN, 3), np.int32)
    group = np.empty(_WIDEST_FAN, np.int32)
    closed = True
    for v in range(starts.shape[0] - 1):
        first = starts[v]
        count = starts[v + 1] - first
        if count > _WIDEST_FAN:
            closed = _smooth_all(vertices, faces, order[first : first + count], places, normals) and closed
            continue
        # Of each face around the place: its normal and angle, the two places beside it, and its part.
        for i in range(count):
            f = order[first + i] // 3
            c = order[first + i] - 3 * f
            fan[i, 0], fan[i, 1], fan[i, 2], fan[i, 3] = _at_corner(vertices, faces, f, c)
            ends[i, 0], ends[i, 1], ends[i, 2] = places[f, (c + 1) % 3], places[f, (c + 2) % 3], parts[f]
            group[i] = i
        for i in range(count):
            if fan[i, 3] > 0.0:
                closed = _join(count, i, fan, ends, group) and closed
        for i in range(count):
            x = y = z = 0.0
            for j in range(count):
                if group[j] == group[i]:
                    x += fan[j, 0] * fan[j, 3]
                    y += fan[j, 1] * fan[j, 3]
                    z += fan[j, 2] * fan[j, 3]
            _put(normals, order[first + i], x, y, z)
    return closed


@kernel
def _join(count, i, fan, ends, group):
    """Put face i of a fan in one group with its neighbours of a shallow edge; whether its edges have two faces each."""
    met = np.int64(0)
    for side in range(2):
        other = ends[i, side]
        for j in range(count):
            if j == i or not fan[j, 3] > 0.0 or (ends[j, 0] != other and ends[j, 1] != other):
                continue
            met += 1 + 9 * side
            if ends[i, 2] != ends[j, 2] or group[i] == group[j]:
                continue
            if fan[i, 0] * fan[j, 0] + fan[i, 1] * fan[j, 1] + fan[i, 2] * fan[j, 2] > _SHARP:
                kept, gone = group[i], group[j]
                for k in range(count):
                    if group[k] == gone:
                        group[k] = kept
    # One neighbour by the one edge, one by the other.
    return met == 11


@owning_kernel
def _smooth_all(vertices, faces, corners, places, normals):
    """One normal for a place where very many faces meet; whether each of its edges has two of them."""
    x = y = z = 0.0
    ends = np.empty(2 * corners.shape[0], np.int32)
    used = 0
    for corner in corners:
        f = corner // 3
        c = corner - 3 * f
        nx, ny, nz, angle = _at_corner(vertices, faces, f, c)
        x += nx * angle
        y += ny * angle
        z += nz * angle
        if angle > 0.0:
            ends[used], ends[used + 1] = places[f, (c + 1) % 3], places[f, (c + 2) % 3]
            used += 2
    for corner in corners:
        _put(normals, corner, x, y, z)
    ends = np.sort(ends[:used])
    closed = True
    for k in range(0, used, 2):
        closed = closed and ends[k] == ends[k + 1] and (k + 2 >= used or ends[k + 2] != ends[k])
    return closed


@kernel
def _put(normals, corner, x, y, z):
    length = math.sqrt(x * x + y * y + z * z)
    if length > 0.0:
        f = corner // 3
        c = corner - 3 * f
        normals[f, c, 0] = x / length
        normals[f, c, 1] = y / length
        normals[f, c, 2] = z / length
