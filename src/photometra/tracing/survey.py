"""What stands where in a view: for the middle of every pixel the part it meets, and the place, normal and UV there."""

import math
from typing import NamedTuple

import numpy as np

from ..optics.jit import owning_kernel, unowned
from ..optics.rng import seeded
from ..shapes.rays import ray_room
from .scene import IS_BALL, NOTHING, RADIUS, STAGE, Scene, aim, even_place
from .shading import nearest_hit, part_of

NO_PART, STAGE_PART = -1, -2


class Survey(NamedTuple):
    """part (h, w): the number of the part that a pixel shows, NO_PART or STAGE_PART; places (h, w, 9): place in mm,
    outward normal, UV, and 0.5 (see `shapes.body.places_of`), where it shows a part."""

    part: np.ndarray
    places: np.ndarray


@owning_kernel
def _surveyed(width, height, camera, scene, shape, stack, part, places):
    camera, scene, part, places = unowned(camera), unowned(scene), unowned(part), unowned(places)
    origin = np.empty(3)
    direction = np.empty(3)
    state = np.zeros(1, np.uint64)
    for y in range(height):
        for x in range(width):
            px = 2.0 * (x + 0.5) / width - 1.0
            py = 1.0 - 2.0 * (y + 0.5) / height
            aim(px, py, camera, state, origin, direction)
            dx, dy, dz = direction[0], direction[1], direction[2]
            what, t, triangle, u, v = nearest_hit(
                origin[0], origin[1], origin[2], dx, dy, dz, False, 1e30, scene, shape, stack
            )  # fmt: skip
            if what in (NOTHING, STAGE):
                part[y, x] = NO_PART if what == NOTHING else STAGE_PART
                continue
            part[y, x] = part_of(triangle, scene, shape)
            place = places[y, x]
            place[0] = origin[0] + t * dx
            place[1] = origin[1] + t * dy
            place[2] = origin[2] + t * dz
            place[8] = 0.5
            if scene[IS_BALL] > 0.0:
                r = scene[RADIUS]
                place[3] = place[0] / r
                place[4] = (place[1] - r) / r
                place[5] = place[2] / r
                place[6] = 0.5 + math.atan2(place[3], place[5]) / (2.0 * math.pi)
                place[7] = 0.5 + math.asin(min(max(place[4], -1.0), 1.0)) / math.pi
                continue
            w = 1.0 - u - v
            normal = shape[2][triangle]
            for c in range(3):
                place[3 + c] = w * normal[c] + u * normal[3 + c] + v * normal[6 + c]
            if shape[4].shape[0] > 0:
                uv = shape[4][triangle]
                for c in range(2):
                    place[6 + c] = w * uv[c] + u * uv[2 + c] + v * uv[4 + c]


@owning_kernel
def _covered(width, height, count, seed, camera, scene, shape, stack, out):
    camera, scene, out = unowned(camera), unowned(scene), unowned(out)
    origin = np.empty(3)
    direction = np.empty(3)
    state = np.zeros(1, np.uint64)
    for y in range(height):
        for x in range(width):
            state[0] = seeded(seed, y * width + x, 0)
            for i in range(count):
                jx, jy = even_place(i)
                aim(2.0 * (x + jx) / width - 1.0, 1.0 - 2.0 * (y + jy) / height, camera, state, origin, direction)
                what, _, triangle, _, _ = nearest_hit(
                    origin[0], origin[1], origin[2], direction[0], direction[1], direction[2], False, 1e30, scene,
                    shape, stack,
                )  # fmt: skip
                if what == STAGE:
                    out[y, x, 0] += 1
                elif what != NOTHING:
                    out[y, x, 1 + part_of(triangle, scene, shape)] += 1


def coverage(scene: Scene, width, height, count=16, seed=1):
    """The share of each pixel that the stage and every part of the shape cover, as the lens sees them, float32
    (h, w, 1 + parts): the stage first. `count` places of each pixel, as `guides.guides_of` takes them."""
    parts = max(1, len(scene.shape.parts)) if scene.shape is not None else 1
    met = np.zeros((height, width, 1 + parts), np.uint16)
    arrays = scene.camera_array(width, height), scene.array(), scene.mesh.arrays, ray_room()
    _covered(width, height, count, seed, *arrays, met)
    if scene.shape is not None and scene.shape.whole:
        for group, owner in enumerate(scene.shape.whole):
            if group != owner:
                met[..., 1 + owner] += met[..., 1 + group]
        met = met[..., : 1 + len(scene.shape.whole_parts)]
    return (met / np.float32(count)).astype(np.float32)


def survey(scene: Scene, width, height) -> Survey:
    """The survey of a scene's view in a picture's size; the lens counts as a pinhole."""
    camera = scene.camera_array(width, height)
    camera[4:6] = 0.0
    part, places = np.empty((height, width), np.int32), np.zeros((height, width, 9))
    _surveyed(width, height, camera, scene.array(), scene.mesh.arrays, ray_room(), part, places)
    if scene.shape is not None and scene.shape.whole:
        part = np.where(part >= 0, np.array(scene.shape.whole, np.int32)[np.maximum(part, 0)], part)
    return Survey(part, places)
