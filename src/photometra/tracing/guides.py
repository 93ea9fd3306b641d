"""What a picture is of, beside its light: coverage, distance, normal and albedo of what each pixel meets first."""

from typing import NamedTuple

import numpy as np

from ..colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_linear_srgb
from ..instruments import directional_albedo
from ..optics.jit import owning_kernel, unowned
from ..optics.rng import random_uniform, seeded
from ..shapes.mesh import DEPTH
from ..surface.compile import CompiledSurface
from .scene import NOTHING, PATCHES, RADIUS, STAGE, aim, stage_reflectance
from .shading import nearest_hit, shading_point, surface_of
from .tasks import View, prepared

_FACING = 0.8
"""The cosine at which the albedo of a surface is told: between facing us and aslant."""


class Guides(NamedTuple):
    """Means over a pixel, float32. alpha (h, w): the share of it that meets specimen or stage; of that share depth
    (h, w) in mm from the lens, normal (h, w, 3) in the world (y up), albedo (h, w, 3) in linear Rec.709.
    """

    alpha: np.ndarray
    depth: np.ndarray
    normal: np.ndarray
    albedo: np.ndarray


@owning_kernel
def _guided(width, height, count, seed, camera, scene, patches, shape, scalars_of, varying, albedos, stack, out):
    camera, scene, scalars_of, out = unowned(camera), unowned(scene), unowned(scalars_of), unowned(out)
    origin = np.empty(3)
    direction = np.empty(3)
    state = np.empty(1, np.uint64)
    for y in range(height):
        for x in range(width):
            state[0] = seeded(seed, y * width + x, 0)
            for _ in range(count):
                px = 2.0 * (x + random_uniform(state)) / width - 1.0
                py = 1.0 - 2.0 * (y + random_uniform(state)) / height
                aim(px, py, camera, state, origin, direction)
                ox, oy, oz = origin[0], origin[1], origin[2]
                dx, dy, dz = direction[0], direction[1], direction[2]
                what, t, triangle, u, v = nearest_hit(ox, oy, oz, dx, dy, dz, False, 1e30, scene, shape, stack)
                if what == NOTHING:
                    continue
                out[y, x, 0] += 1.0
                out[y, x, 1] += t
                ox += t * dx
                oy += t * dy
                oz += t * dz
                if what == STAGE:
                    out[y, x, 3] += 1.0
                    reflectance = stage_reflectance(ox, oz, scene[RADIUS], patches)
                    for c in range(3):
                        out[y, x, 5 + c] += reflectance
                    continue
                k = surface_of(triangle, ox, oy, oz, u, v, scene, shape, varying, state)
                point = shading_point(k, ox, oy, oz, dx, dy, dz, False, triangle, u, v, scene, shape, scalars_of)
                out[y, x, 2] += point.sign * point.nx
                out[y, x, 3] += point.sign * point.ny
                out[y, x, 4] += point.sign * point.nz
                for c in range(3):
                    out[y, x, 5 + c] += albedos[point.part, c]


def _albedo(compiled):
    spectrum = directional_albedo(compiled, _FACING)
    return np.clip(xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, spectrum)), 0.0, None)


def guides_of(view: View, count=16) -> Guides:
    """The guides of a view, `count` places of each pixel."""
    camera, scene, _, _, _, _, shape, materials, _, varying, _, _ = prepared(view)
    albedos = np.array([_albedo(CompiledSurface(*arrays)) for arrays in zip(*materials, strict=True)])
    out = np.zeros((view.height, view.width, 8))
    _guided(
        view.width, view.height, count, view.seed, camera, scene, np.array(PATCHES), shape, materials[0], varying,
        albedos,
        np.empty(DEPTH, np.int32), out,
    )  # fmt: skip
    there = np.maximum(out[..., :1], 1.0)
    mean = (out / there).astype(np.float32)
    normal = mean[..., 2:5] / np.maximum(np.linalg.norm(mean[..., 2:5], axis=-1, keepdims=True), 1e-9)
    alpha = (out[..., 0] / count).astype(np.float32)
    return Guides(alpha, mean[..., 1], normal.astype(np.float32), mean[..., 5:8])
