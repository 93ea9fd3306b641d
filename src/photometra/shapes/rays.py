"""Rays against a mesh: the nearest triangle along one, or whether any stands in its way.

Eight boxes at a time, in single precision, which is why they are padded, nearer ones first; four triangles at a time in
double (`vectors`).
"""

import math

import numpy as np

from ..optics.jit import kernel, leaf, owning_kernel, unowned
from .vectors import CODES, NUMBERS, boxes_met, lowest, triangles_met

DEPTH = 64
"""The deepest the hierarchy is built."""
_FIRST = 8
_ROOM = _FIRST + 14 * DEPTH


def ray_room():
    """What one ray at a time works in: float32. Where it enters eight boxes; then pairs, of what a box holds and where
    the ray enters it, seven more for every level."""
    return np.empty(_ROOM, np.float32)


@kernel
def _inverse(d):
    """1 / d, finite where d is 0: a box's edge times infinity could be no number."""
    return np.float32(1.0 / d) if abs(d) > 1e-18 else np.float32(math.copysign(1e18, d))


@leaf
def _for_boxes(ox, oy, oz, dx, dy, dz, near, far):
    """What `boxes_met` is told of a ray."""
    ix, iy, iz = _inverse(dx), _inverse(dy), _inverse(dz)
    return (
        3 if ix < 0.0 else 0, 3 if iy < 0.0 else 0, 3 if iz < 0.0 else 0, ix, iy, iz, np.float32(ox) * ix,
        np.float32(oy) * iy, np.float32(oz) * iz, np.float32(near), np.float32(far),
    )  # fmt: skip


@kernel
def nearest(ox, oy, oz, dx, dy, dz, near, far, nodes, groups, stack):
    """(triangle, distance, u, v) of the nearest triangle between `near` and `far`; triangle -1 where there is none.

    u and v: the weights of the second and third corner. stack: as `ray_room`.
    """
    best, best_u, best_v = -1, 0.0, 0.0
    if nodes.shape[0] == 0:
        return best, far, best_u, best_v
    back_x, back_y, back_z, ix, iy, iz, rx, ry, rz, start, end = _for_boxes(ox, oy, oz, dx, dy, dz, near, far)
    top = _FIRST
    held = 0
    while True:
        if held >= 0:
            met = boxes_met(nodes, held, back_x, back_y, back_z, ix, iy, iz, rx, ry, rz, start, end, stack)
            if met != 0:
                lane = lowest(met)
                met &= met - 1
                enter = stack[lane]
                code = nodes[held, CODES + lane]
                while met != 0:
                    lane = lowest(met)
                    met &= met - 1
                    other = stack[lane]
                    its = nodes[held, CODES + lane]
                    closer = other < enter
                    stack[top] = code if closer else its
                    stack[top + 1] = enter if closer else other
                    top += 2
                    code = its if closer else code
                    enter = other if closer else enter
                held = int(code)
                continue
        else:
            group = -1 - held
            lane, t, u, v = triangles_met(groups, group, ox, oy, oz, dx, dy, dz, near, far)
            if lane >= 0:
                best = int(groups[group, NUMBERS + lane])
                far = t
                end = np.float32(t) * np.float32(1.000001)
                best_u = u
                best_v = v
        while True:
            if top == _FIRST:
                return best, far, best_u, best_v
            top -= 2
            if stack[top + 1] <= end:
                break
        held = int(stack[top])


@kernel
def stands_in_way(ox, oy, oz, dx, dy, dz, near, far, nodes, groups, stack):
    """Whether any triangle is met between `near` and `far`: as `nearest`, but for the first found, in no order."""
    if nodes.shape[0] == 0:
        return False
    back_x, back_y, back_z, ix, iy, iz, rx, ry, rz, start, end = _for_boxes(ox, oy, oz, dx, dy, dz, near, far)
    top = _FIRST
    node = 0
    while True:
        met = boxes_met(nodes, node, back_x, back_y, back_z, ix, iy, iz, rx, ry, rz, start, end, stack)
        while met != 0:
            stack[top] = nodes[node, CODES + lowest(met)]
            met &= met - 1
            top += 1
        node = -1
        while node < 0:
            if top == _FIRST:
                return False
            top -= 1
            node = int(stack[top])
            if node < 0 and triangles_met(groups, -1 - node, ox, oy, oz, dx, dy, dz, near, far)[0] >= 0:
                return True


@owning_kernel
def nearest_of_many(origins, directions, nodes, groups, triangle, distance):
    """`nearest` for rays (n, 3), into triangle (n,) and distance (n,)."""
    nodes, groups = unowned(nodes), unowned(groups)
    stack = np.empty(_ROOM, np.float32)
    for i in range(origins.shape[0]):
        triangle[i], distance[i], _, _ = nearest(
            origins[i, 0], origins[i, 1], origins[i, 2], directions[i, 0], directions[i, 1], directions[i, 2],
            0.0, 1e30, nodes, groups, stack,
        )  # fmt: skip
