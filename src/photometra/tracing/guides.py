"""What a picture is of, beside its light: coverage, distance, normal and albedo of what each pixel meets."""

import math
from concurrent.futures import ThreadPoolExecutor, wait
from functools import cache
from typing import NamedTuple

import numpy as np

from ..colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_linear_srgb
from ..instruments import directional_albedo
from ..optics.fresnel import dielectric_scalar
from ..optics.jit import kernel, unowned
from ..optics.media import interreflections
from ..optics.rng import random_uniform, seeded
from ..optics.threads import thread_count
from ..shapes.rays import ray_room
from ..surface import rows
from ..surface.compile import CompiledSurface
from .environment import place_towards, radiance_at
from .scene import NOTHING, RADIUS, STAGE, STRENGTH, TURN, aim, even_place, stage_reflectance
from .shading import nearest_hit, shading_point, surface_of
from .tasks import View, prepared

_FACING = 0.8
"""The cosine at which the albedo of a surface is told: between facing us and aslant."""
_SMOOTH_WIDTH, _MOST_THIN = 0.02, 0.1
"""Slope width up to which a surface is looked through or in as a mirror; how much haze or fibres may be on it."""
_GREEN_NM = 550.0
_MOST_FOLLOWED = 16
_FEW_NM, _FEW_NODES = np.linspace(400.0, 700.0, 11), (16, 6)
_ENOUGH, _ALIKE = 5, 0.02
"""A followed pixel has no more places than these where they meet the same: colours and normals so near each other."""
_BAND = 32
"""Rows of pixels that are guided at a time."""

# How a surface is followed: not at all; as a mirror; through its interface; through a thin wall.
_STOPS, _MIRROR, _INTERFACE, _WALL = range(4)


class Guides(NamedTuple):
    """Means over a pixel, float32. alpha (h, w): the share of it that meets specimen or stage; of that share depth
    (h, w) in mm from the lens, normal (h, w, 3) in the world (y up), albedo (h, w, 3) in linear Rec.709.
    """

    alpha: np.ndarray
    depth: np.ndarray
    normal: np.ndarray
    albedo: np.ndarray


@kernel
def _guided(width, y0, y1, height, count, most, seed, camera, scene, patches, sky, shape, scalars_of, varying, albedos,
            ways, etas, stack, vectors, state, out):  # fmt: skip
    """Guides of rows y0 to y1 of a picture: sums over `count` places of each pixel, into out (h, w, 8)."""
    camera, scene, scalars_of, out = unowned(camera), unowned(scene), unowned(scalars_of), unowned(out)
    origin, direction = vectors[0], vectors[1]
    for y in range(y0, y1):
        for x in range(width):
            state[0] = seeded(seed, y * width + x, 0)
            is_even, done, met_first = most > 0, 0, 0
            for i in range(count):
                if is_even and i == _ENOUGH:
                    break
                done = i + 1
                jx, jy = even_place(i)
                aim(2.0 * (x + jx) / width - 1.0, 1.0 - 2.0 * (y + jy) / height, camera, state, origin, direction)
                ox, oy, oz = origin[0], origin[1], origin[2]
                dx, dy, dz = direction[0], direction[1], direction[2]
                within = False
                nx = ny = nz = 0.0
                red = green = blue = 1.0
                met = NOTHING
                for depth in range(most + 1):
                    what, t, triangle, u, v = nearest_hit(ox, oy, oz, dx, dy, dz, within, 1e30, scene, shape, stack)
                    met = what
                    if what == NOTHING:
                        if most > 0:
                            r = g = b = 1.0
                            if sky.shape[0] > 1:
                                su, sv = place_towards(dx, dy, dz, scene[TURN])
                                r, g, b = radiance_at(su, sv, sky)
                            red *= min(1.0, scene[STRENGTH] * r)
                            green *= min(1.0, scene[STRENGTH] * g)
                            blue *= min(1.0, scene[STRENGTH] * b)
                        else:
                            red = green = blue = 0.0
                        break
                    if depth == 0:
                        out[y, x, 0] += 1.0
                        out[y, x, 1] += t
                    ox += t * dx
                    oy += t * dy
                    oz += t * dz
                    if what == STAGE:
                        nx, ny, nz = 0.0, 1.0, 0.0
                        reflectance = stage_reflectance(ox, oz, scene[RADIUS], patches)
                        red *= reflectance
                        green *= reflectance
                        blue *= reflectance
                        break
                    k = surface_of(triangle, ox, oy, oz, u, v, scene, shape, varying, state)
                    point = shading_point(k, ox, oy, oz, dx, dy, dz, within, triangle, u, v, scene, shape, scalars_of)
                    ox, oy, oz = point.x, point.y, point.z
                    nx, ny, nz = point.sign * point.nx, point.sign * point.ny, point.sign * point.nz
                    way = ways[k]
                    is_even = is_even and way == _STOPS
                    if depth == most or way == _STOPS:
                        red *= albedos[k, 0]
                        green *= albedos[k, 1]
                        blue *= albedos[k, 2]
                        break
                    cos_i = -(dx * nx + dy * ny + dz * nz)
                    if cos_i <= 0.0:
                        break
                    reflects = way == _MIRROR
                    eta = etas[k] if point.sign > 0.0 else 1.0 / etas[k]
                    if not reflects:
                        share = dielectric_scalar(cos_i, etas[k] if way == _WALL else eta)
                        if way == _WALL:
                            share += interreflections(1.0 - share, share, share, 1.0 - share, 1.0)[0]
                        reflects = random_uniform(state) < share
                    if reflects:
                        dx += 2.0 * cos_i * nx
                        dy += 2.0 * cos_i * ny
                        dz += 2.0 * cos_i * nz
                        if way == _MIRROR:
                            red *= albedos[k, 0]
                            green *= albedos[k, 1]
                            blue *= albedos[k, 2]
                    else:
                        within = not within
                        if way == _INTERFACE:
                            # Snell: there is no total reflection here, which `share` has as 1.
                            cos_t = math.sqrt(max(0.0, 1.0 - (1.0 - cos_i * cos_i) / (eta * eta)))
                            along = cos_i / eta - cos_t
                            dx = dx / eta + along * nx
                            dy = dy / eta + along * ny
                            dz = dz / eta + along * nz
                if i == 0:
                    met_first, nx0, ny0, nz0, red0, green0, blue0 = met, nx, ny, nz, red, green, blue
                is_even = (
                    is_even and met == met_first and abs(nx - nx0) + abs(ny - ny0) + abs(nz - nz0) < _ALIKE
                    and abs(red - red0) + abs(green - green0) + abs(blue - blue0) < _ALIKE
                )  # fmt: skip
                out[y, x, 2] += nx
                out[y, x, 3] += ny
                out[y, x, 4] += nz
                out[y, x, 5] += red
                out[y, x, 6] += green
                out[y, x, 7] += blue
            for c in range(8):
                out[y, x, c] *= count / done


def _albedo(compiled, followed):
    if followed and _is_clear(compiled.scalars[None], compiled.spectra[None])[0]:
        # What is looked through sends on what it does not send back: near one in all, whatever its own share.
        return np.ones(3)
    if followed:
        # Enough to tell what a picture's detail follows, in a fiftieth of the time.
        few = directional_albedo(compiled, _FACING, _FEW_NM, order=_FEW_NODES)
        spectrum = np.interp(WAVELENGTHS, _FEW_NM, few)
    else:
        spectrum = directional_albedo(compiled, _FACING)
    return np.clip(xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, spectrum)), 0.0, 1.0)


def _is_clear(scalars, spectra):
    """Which of the stacked surfaces are mostly looked through."""
    is_clear = (scalars[:, rows.TRANSMISSION] > 0.5) & (scalars[:, rows.CLEAR_SHARE] > 0.5)
    return is_clear & (scalars[:, rows.METALNESS] <= 0.5) & (spectra[:, rows.SCATTER].max(axis=1) <= 0.0)


def _ways(scalars, spectra):
    """How each of the stacked surfaces is followed, (k,), and its index at 550 nm, (k,)."""
    smooth = (scalars[:, [rows.ALPHA_X, rows.ALPHA_Y]].max(axis=1) < _SMOOTH_WIDTH) & (
        scalars[:, [rows.HAZE, rows.SHEEN]].max(axis=1) < _MOST_THIN
    )
    smooth &= (scalars[:, rows.COAT] < _MOST_THIN) | (scalars[:, rows.COAT_X] < _SMOOTH_WIDTH)
    is_metal = scalars[:, rows.METALNESS] > 0.5
    is_clear = _is_clear(scalars, spectra)
    through = np.where(scalars[:, rows.SHEET] > 0.0, _WALL, _INTERFACE)
    ways = np.where(~smooth, _STOPS, np.where(is_metal, _MIRROR, np.where(is_clear, through, _STOPS)))
    green = int(np.argmin(np.abs(np.asarray(WAVELENGTHS) - _GREEN_NM)))
    return ways.astype(np.int64), np.maximum(spectra[:, rows.ETA, green], 0.2).astype(float)


@cache
def _pool():
    return ThreadPoolExecutor(max_workers=thread_count(), thread_name_prefix="guides")


def guides_of(view: View, count=16, followed=False, arrays=None) -> Guides:
    """The guides of a view, `count` places of each pixel.

    followed: normal and albedo of what is seen in and through smooth surfaces, the sky's own light (up to 1) where that
    is the sky: what a picture's detail follows; fewer places where the first of them meet the same. arrays:
    `prepared(view)`, where they are there already.
    """
    camera, scene, _, patches, sky, _, shape, materials, _, varying, *_ = arrays or prepared(view)
    albedos = np.array([_albedo(CompiledSurface(*one), followed) for one in zip(*materials, strict=True)])
    ways, etas = _ways(materials[0], materials[1])
    out = np.zeros((view.height, view.width, 8))

    def band(y0):
        _guided(
            view.width, y0, min(y0 + _BAND, view.height), view.height, count, _MOST_FOLLOWED if followed else 0,
            view.seed, camera, scene, patches, sky[0], shape, materials[0], varying, albedos, ways, etas,
            ray_room(), np.empty((2, 3)), np.empty(1, np.uint64), out,
        )  # fmt: skip

    done, _ = wait([_pool().submit(band, y0) for y0 in range(0, view.height, _BAND)])
    for one in done:
        one.result()
    if followed:
        mean = (out / count).astype(np.float32)
        return Guides(mean[..., 0], mean[..., 1], mean[..., 2:5], mean[..., 5:8])
    there = np.maximum(out[..., :1], 1.0)
    mean = (out / there).astype(np.float32)
    normal = mean[..., 2:5] / np.maximum(np.linalg.norm(mean[..., 2:5], axis=-1, keepdims=True), 1e-9)
    alpha = (out[..., 0] / count).astype(np.float32)
    return Guides(alpha, mean[..., 1], normal.astype(np.float32), mean[..., 5:8])
