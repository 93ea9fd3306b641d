"""The light around the booth: a lat-long picture, looked up and drawn from.

The picture's top row looks up (+y); its middle column looks along -z; columns go on to the right (+x).
"""

import math
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from ..errors import InputError
from ..optics.circle import circle, turns_of
from ..optics.jit import intrinsic, kernel, leaf
from ..words import tr
from .spectral import LUMINANCE

_IMPORTANCE_ROWS = 128
_GUIDED = 256


@dataclass(frozen=True, eq=False)
class Environment:
    """Radiance (h, w, 3) in linear Rec.709, and the distribution over coarser cells that directions are drawn from: the
    shares of the rows summed up to each (r,), and within a row, of its cells (r, c); and guides to those sums, as
    `_guide`, (_GUIDED,) and (r, _GUIDED). All in single precision: what is smaller is found sooner.
    """

    radiance: np.ndarray
    rows: np.ndarray
    columns: np.ndarray
    row_guide: np.ndarray
    column_guide: np.ndarray

    @property
    def arrays(self):
        """As the kernels take them."""
        return self.radiance, self.rows, self.columns, self.row_guide, self.column_guide

    @cached_property
    def mean(self):
        """Mean luminance over all directions."""
        rows = self.radiance.shape[0]
        high = np.sin((np.arange(rows) + 0.5) * math.pi / rows)
        return float(high @ (self.radiance.mean(axis=1) @ LUMINANCE) / high.sum())

    @property
    def is_uniform(self):
        return self.radiance.shape[0] == 1


def uniform_environment():
    """Radiance 1 from everywhere at every wavelength: the furnace."""
    one = np.ones((1, 1), np.float32)
    return Environment(np.ones((1, 1, 3), np.float32), one[0], one, *(_guide(s) for s in (one[0], one)))


def _guide(sums):
    """For even steps of a number the first of growing sums (..., n) beyond each, (..., _GUIDED): where to look from."""
    at = np.arange(_GUIDED) / _GUIDED
    found = (sums[..., None, :] <= at[:, None]).sum(axis=-1)
    return np.minimum(found, sums.shape[-1] - 1).astype(np.int16)


def environment_from(radiance):
    """An Environment from a lat-long picture (h, w, 3); negative and non-finite values count as 0."""
    radiance = np.ascontiguousarray(radiance, np.float32)
    if radiance.size and not (radiance.min() >= 0.0 and radiance.max() < np.inf):
        radiance = np.maximum(np.nan_to_num(radiance, nan=0.0, posinf=0.0, neginf=0.0), 0.0)
    if radiance.ndim != 3 or radiance.shape[2] != 3 or min(radiance.shape[:2]) < 1:
        raise InputError(tr("an environment must be a picture of three channels"))
    height, width, _ = radiance.shape
    rows = min(_IMPORTANCE_ROWS, height)
    columns = min(2 * _IMPORTANCE_ROWS, width)
    # In single precision, as the picture is: it may be large.
    r, g, b = LUMINANCE.astype(np.float32)
    luminance = r * radiance[..., 0]
    luminance += g * radiance[..., 1]
    luminance += b * radiance[..., 2]
    tops, lefts = (-(-np.arange(n) * size // n) for n, size in ((rows, height), (columns, width)))
    cells = np.add.reduceat(np.add.reduceat(luminance, tops, axis=0), lefts, axis=1).astype(float)
    cells /= np.outer(np.diff(tops, append=height), np.diff(lefts, append=width))
    # Bilinear look-ups bleed into the next cell; a small floor keeps every direction possible.
    spread = np.maximum.reduce([np.roll(cells, s, axis=1) for s in (-1, 0, 1)])
    padded = np.pad(spread, ((1, 1), (0, 0)), mode="edge")
    cells = np.maximum.reduce([padded[:-2], padded[1:-1], padded[2:]])
    cells += 1e-3 * cells.mean() + 1e-12
    cells *= np.sin((np.arange(rows) + 0.5) * math.pi / rows)[:, None]
    of_row = cells.sum(axis=1)
    within = np.cumsum(cells / of_row[:, None], axis=1).astype(np.float32)
    within[:, -1] = 1.0
    up_to = np.cumsum(of_row / of_row.sum()).astype(np.float32)
    up_to[-1] = 1.0
    return Environment(radiance, up_to, within, _guide(up_to), _guide(within))


@leaf
def place_towards(x, y, z, turn):
    """Where a direction stands in the picture: (u, v), each 0..1; `turn` in radians about the vertical."""
    u = turns_of(x, -z) + turn / (2.0 * math.pi) + 0.5
    return u - math.floor(u), 2.0 * turns_of(math.sqrt(max(0.0, 1.0 - y * y)), y)


@kernel
def radiance_at(u, v, radiance):
    """RGB radiance at a place of the picture, taken bilinearly."""
    height = radiance.shape[0]
    width = radiance.shape[1]
    fx = u * width - 0.5
    fy = min(max(v * height - 0.5, 0.0), height - 1.0)
    x0 = int(math.floor(fx))
    y0 = min(int(fy), max(height - 2, 0))
    tx = fx - x0
    ty = fy - y0
    if x0 < 0:
        x0 += width
    x1 = x0 + 1 if x0 + 1 < width else 0
    y1 = min(y0 + 1, height - 1)
    a = (1.0 - tx) * (1.0 - ty)
    b = tx * (1.0 - ty)
    c = (1.0 - tx) * ty
    d = tx * ty
    return (
        a * radiance[y0, x0, 0] + b * radiance[y0, x1, 0] + c * radiance[y1, x0, 0] + d * radiance[y1, x1, 0],
        a * radiance[y0, x0, 1] + b * radiance[y0, x1, 1] + c * radiance[y1, x0, 1] + d * radiance[y1, x1, 1],
        a * radiance[y0, x0, 2] + b * radiance[y0, x1, 2] + c * radiance[y1, x0, 2] + d * radiance[y1, x1, 2],
    )


@leaf
def pixel_near(u, v, radiance, chance):
    """(row, column) of one of the four pixels about a place, drawn by a number in 0..1 by what each counts: the same in
    the mean as `radiance_at`, and one place of memory instead of four."""
    height = radiance.shape[0]
    width = radiance.shape[1]
    fx = u * width - 0.5
    fy = min(max(v * height - 0.5, 0.0), height - 1.0)
    x = int(math.floor(fx))
    y = int(fy)
    tx = fx - x
    ty = fy - y
    if chance < tx:
        chance /= tx
        x += 1
    else:
        chance = (chance - tx) / (1.0 - tx)
    if chance < ty:
        y += 1
    if x < 0:
        x += width
    elif x >= width:
        x -= width
    return min(y, height - 1), x


@intrinsic
def sent_for(_context, radiance, row, column):
    """Have a pixel that will be read a little later brought near from memory: nobody waits for it meanwhile."""
    from llvmlite import ir
    from numba.core import types

    def generate(context, builder, signature, arguments):
        picture = context.make_array(signature.args[0])(context, builder, arguments[0])
        width = builder.extract_value(picture.shape, 1)
        number = builder.mul(builder.add(builder.mul(arguments[1], width), arguments[2]), ir.Constant(width.type, 3))
        byte, number_32 = ir.IntType(8).as_pointer(), ir.IntType(32)
        place = builder.bitcast(builder.gep(picture.data, [number]), byte)
        form = ir.FunctionType(ir.VoidType(), [byte, number_32, number_32, number_32])
        # To be read, and kept in all of the caches; of data.
        how = [ir.Constant(number_32, k) for k in (0, 3, 1)]
        builder.call(builder.module.declare_intrinsic("llvm.prefetch", [byte], form), [place, *how])
        return context.get_dummy_value()

    return types.void(radiance, types.int64, types.int64), generate


@leaf
def _share(sums, i):
    """(the share of the i-th cell, by the sums up to each; the sum before it)."""
    before = np.float64(sums[i - 1]) if i > 0 else 0.0
    return np.float64(sums[i]) - before, before


@leaf
def density_at(u, v, y, row_sums, column_sums):
    """Density per steradian with which `direction_drawn` gives the direction (u, v), whose height is `y`."""
    rows = column_sums.shape[0]
    columns = column_sums.shape[1]
    row = min(int(v * rows), rows - 1)
    of_row, _ = _share(row_sums, row)
    of_cell, _ = _share(column_sums[row], min(int(u * columns), columns - 1))
    s = math.sqrt(max(1e-12, 1.0 - y * y))
    return of_row * of_cell * rows * columns / (2.0 * math.pi * math.pi * s)


@leaf
def _cell_of(sums, guide, u):
    """(the cell that a number 0..1 falls into by the sums up to each, where in it, 0..1, its share); guide as
    `_guide`."""
    low, last = int(guide[int(u * _GUIDED)]), sums.shape[0] - 1
    while low < last and u >= sums[low]:
        low += 1
    wide, before = _share(sums, low)
    return low, min((u - before) / wide, 1.0 - 1e-12) if wide > 0.0 else 0.5, wide


@leaf
def direction_drawn(u0, u1, turn, row_sums, column_sums, row_guide, column_guide):
    """A direction in proportion to the light, from two numbers whose evenness it keeps: (x, y, z, density per
    steradian, u, v)."""
    rows = column_sums.shape[0]
    columns = column_sums.shape[1]
    row, down, of_row = _cell_of(row_sums, row_guide, u0)
    column, across, of_cell = _cell_of(column_sums[row], column_guide[row], u1)
    u = (column + across) / columns
    v = (row + down) / rows
    y, s = circle(0.5 * v)
    along, across = circle(u - 0.5 - turn / (2.0 * math.pi))
    density = of_row * of_cell * rows * columns / (2.0 * math.pi * math.pi * max(s, 1e-6))
    return s * across, y, -s * along, density, u, v
