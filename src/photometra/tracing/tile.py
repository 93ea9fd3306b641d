"""A tile of a picture: which ray and which wavelengths every sample has, and what the film makes of its path."""

import math

import numpy as np

from ..optics.jit import kernel, kernel_part, unowned
from ..optics.rng import bits_reversed, random_uniform, seeded
from ..shapes.rays import ray_room
from ..surface import rows
from .environment import place_towards, radiance_at
from .forks import IS_THERE, exchange, fork_room
from .kernels import CLAMP, LAYERS, STAGE_LAYER, trace
from .scene import NOTHING, STRENGTH, TURN, aim
from .shading import nearest_hit
from .spectral import HEROES, LUMINANCE, choose_wavelengths, wavelength_number

_SHARES = 7 + rows.LOBES


def room_for(surfaces):
    """What one call of `render_tile` works in."""
    return (
        np.empty((4, 3)), np.zeros((_SHARES + 1 + 3 * LAYERS, HEROES)), np.empty((2, HEROES), np.int64),
        np.empty(4, np.uint64), np.empty((HEROES, 3)), np.empty((HEROES, 3)),
        np.empty((surfaces, rows.SPECTRA, HEROES)), ray_room(), np.full((surfaces + 1, rows.SPECTRA + 2), -1),
        np.empty((4, 4)), np.empty((4 + 2 * rows.LOBES, HEROES)), *fork_room(),
    )  # fmt: skip


@kernel_part
def _sky_on_film(direction, scene, radiance, on_film):
    """What the film makes of the sky in a direction, over all wavelengths: linear Rec.709, without noise."""
    strength = scene[STRENGTH]
    r = g = b = 1.0
    if radiance.shape[0] > 1:
        u, v = place_towards(direction[0], direction[1], direction[2], scene[TURN])
        r, g, b = radiance_at(u, v, radiance)
    return (
        strength * (r * on_film[0, 0] + g * on_film[1, 0] + b * on_film[2, 0]),
        strength * (r * on_film[0, 1] + g * on_film[1, 1] + b * on_film[2, 1]),
        strength * (r * on_film[0, 2] + g * on_film[1, 2] + b * on_film[2, 2]),
    )


@kernel_part
def _develop(r, g, b, total, squares, row, column):
    """Add one sample's linear Rec.709 to its pixel."""
    total[0] += r
    total[1] += g
    total[2] += b
    luminance = LUMINANCE[0] * r + LUMINANCE[1] * g + LUMINANCE[2] * b
    squares[row, column] += luminance * luminance


@kernel
def render_tile(x0, x1, y0, y1, width, height, begin, count, seed, camera, scene, limits, patches, sky, panels, shape,
                materials, media, varying, film, on_film, total, squares, cut, apart, room):  # fmt: skip
    """Add `count` samples, from number `begin`, to every pixel of a tile.

    Of the tile's own size: total (h, w, 3): sums of linear Rec.709; squares (h, w): sums of squared luminance; cut
    (h, w): energy the bounce limits cut off; apart (LAYERS or 0, h, w, 3): as total, by what the light met first.
    camera as `camera_array`; film as `with_lights`; on_film as `lights_on_film`; room as `room_for`.
    """
    camera, scene, limits, patches = unowned(camera), unowned(scene), unowned(limits), unowned(patches)
    sky = (unowned(sky[0]), unowned(sky[1]), unowned(sky[2]), unowned(sky[3]), unowned(sky[4]))
    panels = (unowned(panels[0]), unowned(panels[1]))
    shape = (
        unowned(shape[0]),
        unowned(shape[1]),
        unowned(shape[2]),
        unowned(shape[3]),
        unowned(shape[4]),
        unowned(shape[5]),
    )
    materials = (unowned(materials[0]), unowned(materials[1]), unowned(materials[2]), unowned(materials[3]))
    varying = (
        unowned(varying[0]), unowned(varying[1]), unowned(varying[2]), unowned(varying[3]), unowned(varying[4]),
        unowned(varying[5]),
    )  # fmt: skip
    media, film, on_film = unowned(media), unowned(film), unowned(on_film)
    total, squares, cut, apart = unowned(total), unowned(squares), unowned(cut), unowned(apart)
    vectors, heroes, places, state = unowned(room[0]), unowned(room[1]), unowned(room[2]), unowned(room[3])
    origin, direction, wo, wi = vectors[0], vectors[1], vectors[2], vectors[3]
    seen, value, light, through, fraction = heroes[0], heroes[1], heroes[2], heroes[3], heroes[4]
    extinct, parts, share = heroes[5:7], heroes[7 : 7 + rows.LOBES], heroes[_SHARES : _SHARES + LAYERS]
    layers = heroes[_SHARES + LAYERS : _SHARES + LAYERS + apart.shape[0]]
    after = _SHARES + 2 * LAYERS
    run_seen, run_layers = heroes[after], heroes[after + 1 : after + 1 + apart.shape[0]]
    fork = (unowned(room[11]), unowned(room[12]), unowned(room[13]))
    index, nearest_sample = places[0], places[1]
    weights, basis = unowned(room[4]), unowned(room[5])
    props, stack, gathered = unowned(room[6]), unowned(room[7]), unowned(room[8])
    turns, kept = unowned(room[9]), unowned(room[10])
    bumped = (turns[0], turns[1], kept[:4], kept[4 : 4 + rows.LOBES], kept[4 + rows.LOBES :])
    work = (wo, wi, value, light, through, extinct, props, parts, share, stack, gathered, turns[2:], bumped)
    clamp = limits[CLAMP]
    state[0] = seeded(seed, -1, 0)
    offset = random_uniform(state)
    for y in range(y0, y1):
        for x in range(x0, x1):
            pixel = y * width + x
            scramble = seeded(seed, pixel, 0)
            state[0] = scramble
            shift_x = random_uniform(state)
            shift_y = random_uniform(state)
            hero = random_uniform(state)
            for s in range(begin, begin + count):
                state[0] = seeded(seed, pixel, s + 1)
                state[1] = bits_reversed(np.uint64(s))
                state[2] = scramble
                state[3] = np.uint64(0)
                jx = shift_x + s * 0.7548776662466927
                jy = shift_y + s * 0.5698402909980532
                px = 2.0 * (x + jx - math.floor(jx)) / width - 1.0
                py = 1.0 - 2.0 * (y + jy - math.floor(jy)) / height
                aim(px, py, camera, state, origin, direction)
                met = nearest_hit(
                    origin[0], origin[1], origin[2], direction[0], direction[1], direction[2], False, 1e30, scene,
                    shape, stack,
                )  # fmt: skip
                if met[0] == NOTHING:
                    r, g, b = _sky_on_film(direction, scene, sky[0], on_film)
                    if clamp > 0.0:
                        r, g, b = min(r, clamp), min(g, clamp), min(b, clamp)
                    if apart.shape[0] > 0:
                        apart[STAGE_LAYER, y - y0, x - x0, 0] += r
                        apart[STAGE_LAYER, y - y0, x - x0, 1] += g
                        apart[STAGE_LAYER, y - y0, x - x0, 2] += b
                    _develop(r, g, b, total[y - y0, x - x0], squares, y - y0, x - x0)
                    continue
                choose_wavelengths(
                    wavelength_number(x, y, s, hero, offset), index, fraction, nearest_sample, film, weights, basis
                )
                for j in range(HEROES):
                    seen[j] = 0.0
                    for layer in range(layers.shape[0]):
                        layers[layer, j] = 0.0
                fork[0][IS_THERE] = 0.0
                for run in range(HEROES):
                    # What disperses nowhere on its way has one run.
                    if run > 0 and fork[0][IS_THERE] <= 0.0:
                        break
                    exchange(run, index, fraction, nearest_sample, basis)
                    cut[y - y0, x - x0] += trace(
                        run, met, origin, direction, state, index, fraction, nearest_sample, basis, scene, limits,
                        patches, sky, panels, shape, materials, media, varying, work, fork, run_seen, run_layers,
                    )  # fmt: skip
                    exchange(run, index, fraction, nearest_sample, basis)
                    if run > 0:
                        seen[run] += run_seen[0]
                        for layer in range(layers.shape[0]):
                            layers[layer, run] += run_layers[layer, 0]
                        continue
                    for j in range(HEROES):
                        seen[j] += run_seen[j]
                        for layer in range(layers.shape[0]):
                            layers[layer, j] += run_layers[layer, j]
                r = g = b = 0.0
                for j in range(HEROES):
                    value = seen[j]
                    if clamp > 0.0 and value > clamp:
                        for layer in range(layers.shape[0]):
                            layers[layer, j] *= clamp / value
                        value = clamp
                    r += value * weights[j, 0]
                    g += value * weights[j, 1]
                    b += value * weights[j, 2]
                _develop(r, g, b, total[y - y0, x - x0], squares, y - y0, x - x0)
                for layer in range(layers.shape[0]):
                    for j in range(HEROES):
                        for c in range(3):
                            apart[layer, y - y0, x - x0, c] += layers[layer, j] * weights[j, c]
