"""Where maps lie: the level of a map at a place of a specimen. The one implementation, for tracer and instruments."""

import math

import numpy as np

from ..optics.jit import kernel, leaf, unowned

# How a tile is laid on.
BOX, FRONT, TOP, SIDE, CYLINDER, SPHERE, UV, WITHIN = range(8)
# What happens beyond a tile.
TILE, MIRROR, HOLD = range(3)
# How a layer joins what is there, or a mask how far the next one does; the first layer takes its place.
MULTIPLY, ADD, MIX, LIGHTER, DARKER, MASK = range(6)
# A layer's row: how it is laid; tiles per mm across and up; turn; offset in tiles; repeat, whether tiles are shuffled;
# the specimen's middle and radius in mm; how it is combined, in what part; where its texels begin, their size, bytes;
# what fills a body has slices in depth as well, and boxes per mm along z.
WAY, PER_MM_U, PER_MM_V, TURN_COS, TURN_SIN, OFFSET_U, OFFSET_V, REPEAT, SHUFFLE = range(9)
MIDDLE_X, MIDDLE_Y, MIDDLE_Z, RADIUS, COMBINE, AMOUNT, FIRST, WIDE, HIGH, BYTES = range(9, 19)
DEEP, PER_MM_W, LAYER_ROWS = range(19, 22)


@leaf
def _texel(texels, first, wide, bytes_each, row, column):
    at = first + (row * wide + column) * bytes_each
    if bytes_each == 1:
        return texels[at] / 255.0
    return (texels[at] + 256.0 * texels[at + 1]) / 65535.0


@leaf
def _hashed(i, j):
    """A number 0..7 that looks like chance, of a tile's place."""
    h = (i * 374761393 + j * 668265263) & 0xFFFFFFFF
    h = ((h ^ (h >> 13)) * 1274126177) & 0xFFFFFFFF
    return (h ^ (h >> 16)) & 7


@leaf
def _within(s, repeat):
    """A place along a tile's edge as 0..1, by how the tile repeats."""
    if repeat == HOLD:
        return min(max(s, 0.0), 1.0)
    whole = math.floor(s)
    if repeat == MIRROR and int(whole) & 1:
        return 1.0 - (s - whole)
    return s - whole


@leaf
def _within_body(row, texels, x, y, z):
    """The level at a place against the middle of a body, between the eight neighbours of what fills it."""
    wide = int(row[WIDE])
    high = int(row[HIGH])
    deep = int(row[DEEP])
    first = int(row[FIRST])
    size = int(row[BYTES])
    c = min(max((x * row[PER_MM_U] + 0.5) * wide - 0.5, 0.0), wide - 1.0)
    r = min(max((0.5 - y * row[PER_MM_V]) * high - 0.5, 0.0), high - 1.0)
    d = min(max((z * row[PER_MM_W] + 0.5) * deep - 0.5, 0.0), deep - 1.0)
    c0 = int(c)
    r0 = int(r)
    d0 = int(d)
    level = 0.0
    for corner in range(8):
        i = corner & 1
        j = (corner >> 1) & 1
        k = corner >> 2
        share = (c - c0 if i else 1.0 - c + c0) * (r - r0 if j else 1.0 - r + r0) * (d - d0 if k else 1.0 - d + d0)
        if share > 0.0:
            level += share * _texel(texels, first, wide, size, (d0 + k) * high + r0 + j, c0 + i)
    return level


@kernel
def layer_level(row, texels, x, y, z, nx, ny, nz, u, v, chance):
    """The level of one layer at a place (mm), by the outward normal and the UVs there; chance, 0..1, picks the plane of
    a box."""
    way = int(row[WAY])
    x -= row[MIDDLE_X]
    y -= row[MIDDLE_Y]
    z -= row[MIDDLE_Z]
    if way == WITHIN:
        return _within_body(row, texels, x, y, z)
    if way == BOX:
        # Steep powers keep each plane to its own side, and blend where two meet.
        wx = nx * nx * nx * nx
        wy = ny * ny * ny * ny
        wz = nz * nz * nz * nz
        chance *= wx + wy + wz
        way = SIDE if chance < wx else TOP if chance < wx + wy else FRONT
    a = x
    b = y
    if way == SIDE:
        a = -z
    elif way == TOP:
        b = -z
    elif way == CYLINDER:
        a = row[RADIUS] * math.atan2(x, z)
    elif way == SPHERE:
        a = row[RADIUS] * math.atan2(x, z)
        b = row[RADIUS] * math.atan2(y, math.sqrt(x * x + z * z))
    elif way == UV:
        a = u
        b = v
    s = (row[TURN_COS] * a + row[TURN_SIN] * b) * row[PER_MM_U] - row[OFFSET_U] + 0.5
    t = (row[TURN_COS] * b - row[TURN_SIN] * a) * row[PER_MM_V] - row[OFFSET_V] + 0.5
    repeat = int(row[REPEAT])
    p = _within(s, repeat)
    q = _within(t, repeat)
    if row[SHUFFLE] > 0.0:
        turned = _hashed(int(math.floor(s)), int(math.floor(t)))
        if turned & 1:
            p = 1.0 - p
        if turned & 2:
            q = 1.0 - q
        if turned & 4:
            p, q = q, p
    wide = int(row[WIDE])
    high = int(row[HIGH])
    first = int(row[FIRST])
    size = int(row[BYTES])
    # Texels stand in the middles of their squares; row 0 is at the top.
    c = p * wide - 0.5
    r = (1.0 - q) * high - 0.5
    c0 = int(math.floor(c))
    r0 = int(math.floor(r))
    fc = c - c0
    fr = r - r0
    c1 = c0 + 1
    r1 = r0 + 1
    if repeat == TILE and row[SHUFFLE] <= 0.0:
        c0 = (c0 + wide) % wide
        r0 = (r0 + high) % high
        c1 %= wide
        r1 %= high
    else:
        c0 = max(c0, 0)
        r0 = max(r0, 0)
        c1 = min(c1, wide - 1)
        r1 = min(r1, high - 1)
    top = (1.0 - fc) * _texel(texels, first, wide, size, r0, c0) + fc * _texel(texels, first, wide, size, r0, c1)
    bottom = (1.0 - fc) * _texel(texels, first, wide, size, r1, c0) + fc * _texel(texels, first, wide, size, r1, c1)
    return (1.0 - fr) * top + fr * bottom


@kernel
def level_at(layers, texels, first, count, x, y, z, nx, ny, nz, u, v, chance):
    """The level of a chain of layers, rows `first` to `first + count` of `layers`, at a place: see `layer_level`."""
    level = layer_level(layers[first], texels, x, y, z, nx, ny, nz, u, v, chance)
    taken = 1.0
    for i in range(first + 1, first + count):
        own = layer_level(layers[i], texels, x, y, z, nx, ny, nz, u, v, chance)
        how = int(layers[i, COMBINE])
        if how == MASK:
            taken *= 1.0 + layers[i, AMOUNT] * (own - 1.0)
            continue
        if how == MULTIPLY:
            joined = level * own
        elif how == ADD:
            joined = min(level + own, 1.0)
        elif how == LIGHTER:
            joined = max(level, own)
        elif how == DARKER:
            joined = min(level, own)
        else:
            joined = own
        level += taken * layers[i, AMOUNT] * (joined - level)
        taken = 1.0
    return level


@kernel
def levels_at(layers, texels, chains, places, out):
    """Levels of chains (n, 2: first layer, how many) at places (m, 9: place, normal, UV, chance) into out (m, n)."""
    layers, texels, chains = unowned(layers), unowned(texels), unowned(chains)
    places, out = unowned(places), unowned(out)
    for i in range(places.shape[0]):
        p = places[i]
        for k in range(chains.shape[0]):
            out[i, k] = level_at(
                layers, texels, chains[k, 0], chains[k, 1], p[0], p[1], p[2], p[3], p[4], p[5], p[6], p[7], p[8]
            )  # fmt: skip


CELLS = 32
"""Of the table of a palette along each of red, green and blue, see `palette`."""
NO_LAYERS = np.zeros((0, LAYER_ROWS))
NO_TEXELS = np.zeros(0, np.uint8)
