"""What stands between a hit and the surface: place, normals, tangent frame, part and side of one point of a scene."""

import math
from typing import NamedTuple

from ..maps.placing import CELLS, level_at
from ..optics.circle import turns_of
from ..optics.jit import kernel, kernel_part, leaf
from ..optics.phase import frame
from ..optics.rng import random_uniform
from ..shapes.rays import nearest
from ..surface import rows
from .scene import IS_BALL, NOTHING, RADIUS, SPECIMEN, STAGE, hit, stage_met, way_round


class ShadingPoint(NamedTuple):
    """A point of the specimen as a ray meets it. Everything that varies over a surface reads this.

    x, y, z: the place in mm; gx, gy, gz: the triangle's own normal, of any length; nx, ny, nz: the shading normal,
    unit, outward; ax … bz: the tangents of the local frame, across the strokes and along them, on the viewer's side;
    sign: -1 where the viewer stands behind; part: the number of its surface; u, v: the place in its triangle.
    """

    x: float
    y: float
    z: float
    gx: float
    gy: float
    gz: float
    nx: float
    ny: float
    nz: float
    ax: float
    ay: float
    az: float
    bx: float
    by: float
    bz: float
    sign: float
    part: int
    u: float
    v: float


@leaf
def nearest_hit(ox, oy, oz, dx, dy, dz, within, far, scene, shape, stack):
    """The nearest thing along a ray before `far`: (what, distance, triangle, u, v)."""
    if scene[IS_BALL] > 0.0:
        if within and far < 1e30:
            # Whether the way ends within the ball is told without a root.
            r = scene[RADIUS]
            cy = oy - r
            b = ox * dx + cy * dy + oz * dz
            if ox * ox + cy * cy + oz * oz - r * r + far * (2.0 * b + far) < 0.0:
                return NOTHING, far, 0, 0.0, 0.0
        what, t = hit(ox, oy, oz, dx, dy, dz, within, scene)
        return (what, t, 0, 0.0, 0.0) if t < far else (NOTHING, far, 0, 0.0, 0.0)
    triangle, t, u, v = nearest(ox, oy, oz, dx, dy, dz, 1e-7 * scene[RADIUS], far, shape[0], shape[5], stack)
    stage = stage_met(ox, oy, oz, dx, dy, dz, t, scene)
    if stage > 0.0:
        return STAGE, stage, 0, 0.0, 0.0
    return (SPECIMEN if triangle >= 0 else NOTHING), t, triangle, u, v


@kernel_part
def part_of(triangle, scene, shape):
    """Which part of the shape a triangle belongs to; the ball has one."""
    return shape[3][triangle] if scene[IS_BALL] <= 0.0 else 0


@kernel
def member_at(part, x, y, z, triangle, u, v, scene, shape, varying, state):
    """The surface that a place of a part has: of the two that its level lies between on every axis, one by chance."""
    parts, axes, nodes, layers, texels, _ = varying
    chance = random_uniform(state)
    if scene[IS_BALL] > 0.0:
        r = scene[RADIUS]
        nx = x / r
        ny = (y - r) / r
        nz = z / r
        s = 0.5 + turns_of(nx, nz)
        t = 0.5 + 2.0 * turns_of(ny, math.sqrt(nx * nx + nz * nz))
    else:
        w = 1.0 - u - v
        normal = shape[2][triangle]
        nx = w * normal[0] + u * normal[3] + v * normal[6]
        ny = w * normal[1] + u * normal[4] + v * normal[7]
        nz = w * normal[2] + u * normal[5] + v * normal[8]
        s = t = 0.0
        if shape[4].shape[0] > 0:
            uv = shape[4][triangle]
            s = w * uv[0] + u * uv[2] + v * uv[4]
            t = w * uv[1] + u * uv[3] + v * uv[5]
    index = 0
    for a in range(parts[part, 1], parts[part, 1] + parts[part, 2]):
        first = axes[a, 2]
        count = axes[a, 3]
        index *= count
        if count == 1:
            continue
        level = level_at(layers, texels, axes[a, 0], axes[a, 1], x, y, z, nx, ny, nz, s, t, chance)
        if axes[a, 4] > 0:
            cell = 0
            for c in range(3):
                if c > 0:
                    own = axes[a, 0] + c * axes[a, 1]
                    level = level_at(layers, texels, own, axes[a, 1], x, y, z, nx, ny, nz, s, t, chance)
                # Which cell of the table by chance, so that its steps do not show.
                at = math.sqrt(min(max(level, 0.0), 1.0)) * CELLS + random_uniform(state) - 0.5
                cell = cell * CELLS + min(max(int(at), 0), CELLS - 1)
            entry = first + 5 * cell
            pick = random_uniform(state)
            which = 1 if pick < nodes[entry + 3] else 2 if pick < nodes[entry + 3] + nodes[entry + 4] else 0
            index += int(nodes[entry + which])
            continue
        i = 0
        while i < count - 2 and level >= nodes[first + i + 1]:
            i += 1
        share = (level - nodes[first + i]) / (nodes[first + i + 1] - nodes[first + i])
        index += i + (1 if random_uniform(state) < share else 0)
    return parts[part, 0] + index


@kernel_part
def surface_of(triangle, x, y, z, u, v, scene, shape, varying, state):
    """The number of the surface at a place."""
    part = part_of(triangle, scene, shape)
    if varying[0][part, 2] == 0:
        return varying[0][part, 0]
    return member_at(part, x, y, z, triangle, u, v, scene, shape, varying, state)


@kernel_part
def shading_point(part, x, y, z, dx, dy, dz, within, triangle, u, v, scene, shape, scalars_of):
    """The ShadingPoint of a hit at a place by a ray; part: the number of its surface; within: whether the ray came
    through the ball."""
    if scene[IS_BALL] > 0.0:
        radius = scene[RADIUS]
        nx = x / radius
        ny = (y - radius) / radius
        nz = z / radius
        inv = 1.0 / math.sqrt(nx * nx + ny * ny + nz * nz)
        nx *= inv
        ny *= inv
        nz *= inv
        x = nx * radius
        y = ny * radius + radius
        z = nz * radius
        gx, gy, gz = nx, ny, nz
        back = within
    else:
        corner = shape[1][triangle]
        normal = shape[2][triangle]
        gx = float(corner[4]) * corner[8] - float(corner[5]) * corner[7]
        gy = float(corner[5]) * corner[6] - float(corner[3]) * corner[8]
        gz = float(corner[3]) * corner[7] - float(corner[4]) * corner[6]
        w = 1.0 - u - v
        nx = w * normal[0] + u * normal[3] + v * normal[6]
        ny = w * normal[1] + u * normal[4] + v * normal[7]
        nz = w * normal[2] + u * normal[5] + v * normal[8]
        inv = 1.0 / math.sqrt(nx * nx + ny * ny + nz * nz)
        nx *= inv
        ny *= inv
        nz *= inv
        back = dx * gx + dy * gy + dz * gz > 0.0
    sign = -1.0 if back else 1.0
    scalars = scalars_of[part]
    if scalars[rows.ANISOTROPIC] > 0.0:
        ex, ey, ez, fx, fy, fz = way_round(x, y, z, sign * nx, sign * ny, sign * nz, scene)
        c = scalars[rows.ROTATION_COS]
        s = scalars[rows.ROTATION_SIN]
        ax, ay, az = s * ex - c * fx, s * ey - c * fy, s * ez - c * fz
        bx, by, bz = c * ex + s * fx, c * ey + s * fy, c * ez + s * fz
    else:
        ax, ay, az, bx, by, bz = frame(sign * nx, sign * ny, sign * nz)
    return ShadingPoint(x, y, z, gx, gy, gz, nx, ny, nz, ax, ay, az, bx, by, bz, sign, part, u, v)


@kernel_part
def to_local(point, dx, dy, dz, out):
    """A direction in the point's local frame, z on the viewer's side."""
    out[0] = dx * point.ax + dy * point.ay + dz * point.az
    out[1] = dx * point.bx + dy * point.by + dz * point.bz
    out[2] = point.sign * (dx * point.nx + dy * point.ny + dz * point.nz)


@kernel_part
def to_world(point, local):
    """The inverse of `to_local`: a unit vector (x, y, z)."""
    n = local[2] * point.sign
    x = local[0] * point.ax + local[1] * point.bx + n * point.nx
    y = local[0] * point.ay + local[1] * point.by + n * point.ny
    z = local[0] * point.az + local[1] * point.bz + n * point.nz
    inv = 1.0 / math.sqrt(x * x + y * y + z * z)
    return x * inv, y * inv, z * inv
