"""Triangle meshes: a bounding volume hierarchy, and the nearest triangle along a ray.

The hierarchy is built by binned surface area (Wald 2007); a node holds the boxes of both its children, so that a ray
goes into the nearer first. Triangles are met by the test of Möller & Trumbore (1997). Vertices are kept in single
precision, which is the mesh's own definition; all arithmetic is in double.
"""

import math
from dataclasses import dataclass

import numpy as np

from ..errors import InputError
from ..optics.jit import kernel, owning_kernel, unowned
from ..words import tr

_BINS = 16
_LEAF = 4
_COUNTS = 8
MOST_TRIANGLES = 2_000_000
"""Places in the hierarchy are kept beside the boxes, in numbers that are exact up to 2^24."""
_PAD = 1e-5
"""How much boxes are grown, against the farthest corner of all: they are met in single precision."""
DEPTH = 64
"""The deepest stack a ray may need, and so the deepest the hierarchy is built."""


@dataclass(frozen=True, eq=False)
class Mesh:
    """Triangles in the order of the hierarchy, for the kernels.

    nodes (n, 16), one line of the cache each: low and high corners of both children's boxes, and for both children the
    node, or of a leaf -1 - its first triangle times 8 - how many it has. corners (t, 9): a corner and the two edges
    from it; normals (t, 9): of the three corners; material (t,): whose surface it has; uvs (t, 6): texture
    coordinates of the three corners, or none (0, 6).
    """

    nodes: np.ndarray
    corners: np.ndarray
    normals: np.ndarray
    material: np.ndarray
    uvs: np.ndarray

    @property
    def arrays(self):
        return self.nodes, self.corners, self.normals, self.material, self.uvs

    @property
    def size(self):
        return len(self.corners)

    def bounds(self):
        """(low, high) corners of all, (3,) each."""
        a = self.corners[:, :3]
        b, c = a + self.corners[:, 3:6], a + self.corners[:, 6:]
        return np.minimum.reduce([a, b, c]).min(axis=0), np.maximum.reduce([a, b, c]).max(axis=0)


def mesh_from(vertices, faces, normals=None, material=None, uvs=None) -> Mesh:
    """A Mesh from vertices (v, 3) in mm and faces (t, 3), counter-clockwise from outside.

    normals: of the corners (t, 3, 3), unit, or None for flat triangles; uvs: of the corners (t, 3, 2), or None.
    Triangles without area are left out; ValueError where none is left, there are more than two
    millions, or a number is not finite.
    """
    vertices = np.asarray(vertices, np.float32)
    faces = np.asarray(faces)
    if not len(faces) or not np.all(np.isfinite(vertices)):
        raise InputError(tr("a mesh needs triangles whose places are finite numbers"))
    if len(faces) > MOST_TRIANGLES:
        raise InputError(
            tr("a mesh may have {0} triangles, this one has {1}", f"{MOST_TRIANGLES:,}", f"{len(faces):,}")
        )
    # Large meshes: nothing here is held in double precision but for a moment.
    first, second, third = (vertices[faces[:, c]] for c in range(3))
    across = np.cross((second - first).astype(float), (third - first).astype(float))
    area = np.linalg.norm(across, axis=1)
    kept = area > 1e-14 * float(np.abs(vertices).max()) ** 2
    if not kept.any():
        raise InputError(tr("a mesh needs triangles with an area"))
    if normals is None:
        normals = np.repeat((across / np.maximum(area, 1e-300)[:, None]).astype(np.float32)[:, None], 3, axis=1)
    del across, area
    low, high = np.minimum(np.minimum(first, second), third), np.maximum(np.maximum(first, second), third)
    pad = np.float32(_PAD * np.abs(vertices).max())
    boxes = np.concatenate([low - pad, high + pad], axis=1)[kept]
    del low, high
    order = np.flatnonzero(kept).astype(np.int32)
    nodes = _aligned(len(order))
    room = (
        np.empty((3 * _BINS, 6)), np.empty(3 * _BINS, np.int64), np.empty(_BINS), np.empty(6),
        np.empty((4 * DEPTH, 4), np.int64), np.empty((2, 3)),
    )  # fmt: skip
    used = _build(boxes, order, nodes, room)
    del boxes
    packed = np.concatenate([first[order], (second - first)[order], (third - first)[order]], axis=1)
    material = np.zeros(len(faces), np.int32) if material is None else np.asarray(material, np.int32)
    return Mesh(
        nodes[:used],
        packed, np.asarray(normals, np.float32).reshape(-1, 9)[order], material[order],
        _NO_UVS if uvs is None else np.asarray(uvs, np.float32).reshape(-1, 6)[order],
    )  # fmt: skip


_NO_UVS = np.zeros((0, 6), np.float32)


def _aligned(count):
    """Room for `count` nodes that begin on lines of the cache."""
    raw = np.zeros(16 * count + 16, np.float32)
    first = (-raw.ctypes.data // 4) % 16
    return raw[first : first + 16 * count].reshape(count, 16)


NO_MESH = Mesh(
    np.zeros((0, 16), np.float32),
    np.zeros((0, 9), np.float32), np.zeros((0, 9), np.float32), np.zeros(0, np.int32), _NO_UVS,
)  # fmt: skip


@kernel
def _half_area(box):
    x = max(0.0, box[3] - box[0])
    y = max(0.0, box[4] - box[1])
    z = max(0.0, box[5] - box[2])
    return x * y + y * z + z * x


@kernel
def _grow(box, other):
    for c in range(3):
        box[c] = min(box[c], other[c])
        box[3 + c] = max(box[3 + c], other[3 + c])


@kernel
def _empty(box):
    box[:3] = 1e30
    box[3:] = -1e30


@kernel
def _bin_of(box, axis, least, scale, bins):
    """In which bin of an axis the middle of a box lies."""
    return min(int((0.5 * (float(box[axis]) + box[3 + axis]) - least) * scale), bins - 1)


@kernel
def _bin(boxes, first, last, least, scale, bins, bin_boxes, bin_counts):
    """Fill the bins of all three axes with boxes[first:last]; `scale` is 0 for an axis without extent."""
    for axis in range(3):
        low = 1e30
        high = -1e30
        for i in range(first, last):
            m = 0.5 * (float(boxes[i, axis]) + boxes[i, 3 + axis])
            low = min(low, m)
            high = max(high, m)
        least[axis] = low
        scale[axis] = bins / (high - low) if high > low else 0.0
    for b in range(3 * bins):
        _empty(bin_boxes[b])
        bin_counts[b] = 0
    for i in range(first, last):
        for axis in range(3):
            b = axis * bins + _bin_of(boxes[i], axis, least[axis], scale[axis], bins)
            bin_counts[b] += 1
            _grow(bin_boxes[b], boxes[i])


@kernel
def _split_at(total, scale, bins, bin_boxes, bin_counts, sweep, box):
    """Where to divide so many boxes by their bins: (axis, bin); axis -1 where nothing helps."""
    best = 1e30
    found = (-1, 0)
    for axis in range(3):
        if scale[axis] == 0.0:
            continue
        _empty(box)
        count = 0
        for b in range(bins - 1):
            count += bin_counts[axis * bins + b]
            _grow(box, bin_boxes[axis * bins + b])
            sweep[b] = _half_area(box) * count if count else 0.0
        _empty(box)
        count = 0
        for b in range(bins - 1, 0, -1):
            count += bin_counts[axis * bins + b]
            _grow(box, bin_boxes[axis * bins + b])
            if count and count < total:
                cost = sweep[b - 1] + _half_area(box) * count
                if cost < best:
                    best = cost
                    found = (axis, b)
    return found


@kernel
def _exchange(boxes, order, i, j):
    for c in range(6):
        boxes[i, c], boxes[j, c] = boxes[j, c], boxes[i, c]
    order[i], order[j] = order[j], order[i]


@kernel
def _build(boxes, order, nodes, room):
    """Build the hierarchy over boxes (n, 6) and their order, which are rearranged alike; the number of nodes."""
    boxes, order, nodes = unowned(boxes), unowned(order), unowned(nodes)
    bin_boxes, bin_counts, sweep = unowned(room[0]), unowned(room[1]), unowned(room[2])
    box, todo, axes = unowned(room[3]), unowned(room[4]), unowned(room[5])
    least, scale = axes[0], axes[1]
    used = 1
    # Each entry: a range of triangles, and the node it is to be divided in. The root counts as a node of its own.
    todo[0, 0], todo[0, 1], todo[0, 2], todo[0, 3] = 0, order.shape[0], 0, 0
    top = 1
    while top > 0:
        top -= 1
        first, last, node, level = todo[top, 0], todo[top, 1], todo[top, 2], todo[top, 3]
        middle = first
        # Few boxes need few bins: most ranges are small.
        bins = _BINS if last - first > 4 * _BINS else _BINS // 2 if last - first > _BINS else _BINS // 4
        _bin(boxes, first, last, least, scale, bins, bin_boxes, bin_counts)
        axis, edge = _split_at(last - first, scale, bins, bin_boxes, bin_counts, sweep, box)
        # Halving must still be able to end within the depth, however the triangles lie.
        halvings = 0
        left = last - first
        while left > _LEAF:
            left = (left + 1) // 2
            halvings += 1
        if axis >= 0 and level + 1 + halvings < DEPTH:
            last_one = last - 1
            while middle <= last_one:
                if _bin_of(boxes[middle], axis, least[axis], scale[axis], bins) < edge:
                    middle += 1
                else:
                    _exchange(boxes, order, middle, last_one)
                    last_one -= 1
        if middle in (first, last):
            middle = (first + last) // 2
        for child in range(2):
            a = first if child == 0 else middle
            z = middle if child == 0 else last
            _empty(box)
            for i in range(a, z):
                _grow(box, boxes[i])
            for c in range(6):
                nodes[node, 6 * child + c] = box[c]
            if z - a <= _LEAF:
                nodes[node, 12 + child] = -1 - (a * _COUNTS + z - a)
            else:
                nodes[node, 12 + child] = used
                todo[top, 0], todo[top, 1], todo[top, 2], todo[top, 3] = a, z, used, level + 1
                top += 1
                used += 1
    return used


@kernel
def _inverse(d):
    """1 / d, finite where d is 0: a box's edge times infinity could be no number."""
    return np.float32(1.0 / d) if abs(d) > 1e-18 else np.float32(math.copysign(1e18, d))


@kernel
def _met(ox, oy, oz, dx, dy, dz, near, far, i, corners):
    """(distance, u, v) at which a ray meets triangle `i` between near and far; distance -1 where it does not."""
    ax = float(corners[i, 3])
    ay = float(corners[i, 4])
    az = float(corners[i, 5])
    bx = float(corners[i, 6])
    by = float(corners[i, 7])
    bz = float(corners[i, 8])
    px = dy * bz - dz * by
    py = dz * bx - dx * bz
    pz = dx * by - dy * bx
    det = ax * px + ay * py + az * pz
    if det == 0.0:
        return -1.0, 0.0, 0.0
    inv = 1.0 / det
    sx = ox - corners[i, 0]
    sy = oy - corners[i, 1]
    sz = oz - corners[i, 2]
    u = (sx * px + sy * py + sz * pz) * inv
    if u < -1e-9 or u > 1.0 + 1e-9:
        return -1.0, 0.0, 0.0
    qx = sy * az - sz * ay
    qy = sz * ax - sx * az
    qz = sx * ay - sy * ax
    v = (dx * qx + dy * qy + dz * qz) * inv
    if v < -1e-9 or u + v > 1.0 + 1e-9:
        return -1.0, 0.0, 0.0
    t = (bx * qx + by * qy + bz * qz) * inv
    if near < t < far:
        return t, u, v
    return -1.0, 0.0, 0.0


@kernel
def nearest(ox, oy, oz, dx, dy, dz, near, far, nodes, corners, stack):
    """(triangle, distance, u, v) of the nearest triangle between `near` and `far`; triangle -1 where there is none.

    u and v: the weights of the second and third corner. stack: int32 (DEPTH,), to work in.
    """
    best, best_u, best_v = -1, 0.0, 0.0
    if nodes.shape[0] == 0:
        return best, far, best_u, best_v
    # The boxes are met in single precision: they are padded for it.
    ix = _inverse(dx)
    iy = _inverse(dy)
    iz = _inverse(dz)
    rx = np.float32(ox) * ix
    ry = np.float32(oy) * iy
    rz = np.float32(oz) * iz
    start = np.float32(near)
    end = np.float32(far)
    top = 0
    node = np.uint32(0)
    while True:
        box = nodes[node]
        a = box[0] * ix - rx
        b = box[3] * ix - rx
        enter = min(a, b)
        leave = max(a, b)
        a = box[1] * iy - ry
        b = box[4] * iy - ry
        enter = max(enter, min(a, b))
        leave = min(leave, max(a, b))
        a = box[2] * iz - rz
        b = box[5] * iz - rz
        t0 = max(start, max(enter, min(a, b)))
        hit0 = t0 <= min(end, min(leave, max(a, b)))
        a = box[6] * ix - rx
        b = box[9] * ix - rx
        enter = min(a, b)
        leave = max(a, b)
        a = box[7] * iy - ry
        b = box[10] * iy - ry
        enter = max(enter, min(a, b))
        leave = min(leave, max(a, b))
        a = box[8] * iz - rz
        b = box[11] * iz - rz
        t1 = max(start, max(enter, min(a, b)))
        hit1 = t1 <= min(end, min(leave, max(a, b)))
        go0 = go1 = -1
        for child in range(2):
            if not (hit1 if child else hit0):
                continue
            target = int(box[13] if child else box[12])
            if target >= 0:
                if child:
                    go1 = target
                else:
                    go0 = target
                continue
            first = (-1 - target) // _COUNTS
            for i in range(first, first + (-1 - target) % _COUNTS):
                t, u, v = _met(ox, oy, oz, dx, dy, dz, near, far, np.uint32(i), corners)
                if t >= 0.0:
                    far = t
                    end = np.float32(t) * np.float32(1.000001)
                    best = i
                    best_u = u
                    best_v = v
        if go0 >= 0 and go1 >= 0:
            if t1 < t0:
                go0, go1 = go1, go0
            stack[top] = go1
            top += 1
            node = np.uint32(go0)
        elif go0 >= 0:
            node = np.uint32(go0)
        elif go1 >= 0:
            node = np.uint32(go1)
        else:
            if top == 0:
                break
            top -= 1
            node = np.uint32(stack[top])
    return best, far, best_u, best_v


@owning_kernel
def nearest_of_many(origins, directions, nodes, corners, triangle, distance):
    """`nearest` for rays (n, 3), into triangle (n,) and distance (n,)."""
    nodes, corners = unowned(nodes), unowned(corners)
    stack = np.empty(DEPTH, np.int32)
    for i in range(origins.shape[0]):
        triangle[i], distance[i], _, _ = nearest(
            origins[i, 0], origins[i, 1], origins[i, 2], directions[i, 0], directions[i, 1], directions[i, 2],
            0.0, 1e30, nodes, corners, stack,
        )  # fmt: skip
