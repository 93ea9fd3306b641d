"""The hierarchy over a mesh's triangles: divided in two by surface area in bins (Wald 2007), then gathered into nodes
of eight boxes that a ray meets at once (`rays`), small enough that many stay near the processor (cf. Ylitie et al.
2017)."""

import math

import numpy as np

from ..optics.jit import kernel, unowned
from .rays import DEPTH
from .vectors import BOXES, CODES, EDGES, GROUP_FLOATS, NODE_FLOATS, NUMBERS, TRIANGLES

_BINS = 16
_LEAF = TRIANGLES
_COUNTS = 8
_STEPS = 255


def divided(boxes):
    """Divide triangles by their boxes (n, 6), low and high corners, single precision; the boxes are rearranged.

    Returns their order (n,) and the pairs (m, 16): low and high corners of both children's boxes, and for both
    children the pair, or of a leaf -1 - its first triangle times 8 - how many it has.
    """
    order = np.arange(len(boxes), dtype=np.int32)
    pairs = np.empty((max(1, len(order)), 16), np.float32)
    room = (
        np.empty((3 * _BINS, 6)), np.empty(3 * _BINS, np.int64), np.empty(_BINS), np.empty(6),
        np.empty((4 * DEPTH, 4), np.int64), np.empty((2, 3)),
    )  # fmt: skip
    return order, pairs[: _build(boxes, order, pairs, room)]


def gathered(pairs, corners):
    """(nodes (n, NODE_FLOATS), groups (g, GROUP_FLOATS)) of pairs and of the corners (t, 9) in their order."""
    room = np.empty((8 * DEPTH, 2), np.int64), np.empty((BOXES, 2), np.int64), np.empty(6)
    none = (np.empty((0, count), kind) for count, kind in
            ((NODE_FLOATS, np.float32), (4 * NODE_FLOATS, np.uint8), (GROUP_FLOATS, np.float32)))  # fmt: skip
    used, groups = _widened(pairs, corners, *none, room)
    raw = np.empty(NODE_FLOATS * used + 16, np.float32)
    # Nodes begin on lines of the cache.
    first = (-raw.ctypes.data // 4) % 16
    nodes = raw[first : first + NODE_FLOATS * used].reshape(used, NODE_FLOATS)
    grouped = np.zeros((groups, GROUP_FLOATS), np.float32)
    _widened(pairs, corners, nodes, nodes.view(np.uint8), grouped, room)
    return nodes, grouped


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
def _build(boxes, order, pairs, room):
    """Divide boxes (n, 6) and their order, which are rearranged alike; the number of pairs."""
    boxes, order, pairs = unowned(boxes), unowned(order), unowned(pairs)
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
                pairs[node, 6 * child + c] = box[c]
            if z - a <= _LEAF:
                pairs[node, 12 + child] = -1 - (a * _COUNTS + z - a)
            else:
                pairs[node, 12 + child] = used
                todo[top, 0], todo[top, 1], todo[top, 2], todo[top, 3] = a, z, used, level + 1
                top += 1
                used += 1
    return used


@kernel
def _eight(pairs, node, slots):
    """The boxes that a node of eight holds, from a pair: the largest that can still be opened is, while there is room.

    slots (8, 2): pair and child of each; their number.
    """
    count = 0
    for child in range(2):
        # One of the two is empty where all there is is one triangle.
        if pairs[node, 12 + child] > 0.0 or (-1 - int(pairs[node, 12 + child])) % _COUNTS > 0:
            slots[count, 0], slots[count, 1] = node, child
            count += 1
    while count < BOXES:
        largest, area = -1, -1.0
        for i in range(count):
            pair, child = slots[i, 0], slots[i, 1]
            if pairs[pair, 12 + child] > 0.0:
                own = _half_area(pairs[pair, 6 * child : 6 * child + 6])
                if own > area:
                    largest, area = i, own
        if largest < 0:
            break
        opened = int(pairs[slots[largest, 0], 12 + slots[largest, 1]])
        slots[largest, 0], slots[largest, 1] = opened, 0
        slots[count, 0], slots[count, 1] = opened, 1
        count += 1
    return count


@kernel
def _lay_out(pairs, slots, count, box, numbers, edges):
    """Write the boxes of a node: bytes, in steps of what holds them all; low ones rounded down, high ones up."""
    _empty(box)
    for i in range(count):
        _grow(box, pairs[slots[i, 0], 6 * slots[i, 1] : 6 * slots[i, 1] + 6])
    for c in range(3):
        low = box[c]
        # A little more, as the numbers are kept in single precision.
        step = (box[3 + c] - low) * 1.000001 / _STEPS
        numbers[c] = low
        numbers[3 + c] = step
        for i in range(BOXES):
            below = _STEPS
            above = 0
            if i < count:
                own = pairs[slots[i, 0], 6 * slots[i, 1] : 6 * slots[i, 1] + 6]
                below = min(max(int(math.floor((own[c] - low) / step)), 0), _STEPS)
                above = min(max(int(math.ceil((own[3 + c] - low) / step)), 0), _STEPS)
            edges[4 * EDGES + BOXES * c + i] = below
            edges[4 * EDGES + BOXES * (3 + c) + i] = above


@kernel
def _widened(pairs, corners, nodes, edges, groups, room):
    """Gather pairs into nodes of eight boxes, and the triangles of each leaf into a group; edges: the nodes as bytes.

    Returns how many nodes and groups there are; where `nodes` has no room they are only counted.
    """
    pairs, corners, groups = unowned(pairs), unowned(corners), unowned(groups)
    nodes, edges = unowned(nodes), unowned(edges)
    todo, slots, box = unowned(room[0]), unowned(room[1]), unowned(room[2])
    writes = nodes.shape[0] > 0
    todo[0, 0], todo[0, 1] = 0, 0
    top, used, group = 1, 1, 0
    while top > 0:
        top -= 1
        node = todo[top, 1]
        count = _eight(pairs, todo[top, 0], slots)
        if writes:
            _lay_out(pairs, slots, count, box, nodes[node], edges[node])
        for i in range(count):
            pair, child = slots[i, 0], slots[i, 1]
            code = int(pairs[pair, 12 + child])
            if writes:
                nodes[node, CODES + i] = used if code > 0 else -1 - group
            if code > 0:
                todo[top, 0], todo[top, 1] = code, used
                top += 1
                used += 1
                continue
            if writes:
                first = (-1 - code) // _COUNTS
                for lane in range((-1 - code) % _COUNTS):
                    for k in range(9):
                        groups[group, TRIANGLES * k + lane] = corners[first + lane, k]
                    groups[group, NUMBERS + lane] = first + lane
            group += 1
    return used, group
