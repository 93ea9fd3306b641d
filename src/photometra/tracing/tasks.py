"""A share of a picture as a value: which samples of which tile of which scene; and the sums that come of it.

A task can be pickled, and so be done anywhere; sums are added in the order of the tasks, so that a picture is the same
to the last bit wherever its tasks ran.
"""

from dataclasses import dataclass
from functools import cache

import numpy as np

from ..surface.bank import Bank
from ..surface.compile import CompiledSurface
from .kernels import LAYERS
from .lights import light_arrays
from .materials import materials_of
from .scene import PATCHES, Scene
from .spectral import lights_on_film, sensor_table, with_lights
from .tile import render_tile, room_for


@dataclass(frozen=True)
class Limits:
    """How many bounces off surfaces, walls met from within and scatterings a path may have. `clamp` 0 is off."""

    reflection: int = 16
    transmission: int = 256
    volume: int = 4096
    clamp: float = 0.0

    def array(self):
        return np.array([self.reflection, self.transmission, self.volume, self.clamp], float)


@dataclass(frozen=True, eq=False)
class View:
    """What all tasks of one picture share: surface (or surfaces, one for each part of the shape), scene, size, seed,
    limits, whether layers are kept apart, and the sensor's table (as `sensor_table`) where it is not the eye's.
    """

    compiled: CompiledSurface | Bank | tuple
    scene: Scene
    width: int
    height: int
    seed: int = 1
    limits: Limits = Limits()
    layered: bool = False
    sensor: np.ndarray | None = None


@dataclass(frozen=True, eq=False)
class Task:
    """Samples `begin` to `begin + count` of a tile (x0, x1, y0, y1) of a view."""

    view: View
    tile: tuple[int, int, int, int]
    begin: int
    count: int


@dataclass(frozen=True, eq=False)
class Sums:
    """What a task adds to its tile: see `kernels.render_tile`."""

    tile: tuple[int, int, int, int]
    total: np.ndarray
    squares: np.ndarray
    cut: np.ndarray
    layers: np.ndarray


@cache
def _eye():
    eye = sensor_table()
    return with_lights(eye), lights_on_film(eye)


def prepared(view: View):
    """The arrays of a view as the kernel takes them; the same for all of its tasks."""
    e, scene = view.scene.environment, view.scene
    materials, media, varying = materials_of(view.compiled, scene)
    film, seen = _eye()
    if view.sensor is not None:
        film, seen = with_lights(view.sensor), lights_on_film(view.sensor)
    return (
        scene.camera_array(view.width, view.height), scene.array(), view.limits.array(), np.array(PATCHES),
        e.arrays, light_arrays(scene.panels, scene.target), scene.mesh.arrays,
        materials, media, tuple(varying), film, seen,
    )  # fmt: skip


def sums_of(task: Task, arrays=None) -> Sums:
    """Do a task. arrays: `prepared(task.view)`, where they are there already."""
    view, (x0, x1, y0, y1) = task.view, task.tile
    arrays = arrays or prepared(view)
    size = (y1 - y0, x1 - x0)
    sums = Sums(
        task.tile, np.zeros((*size, 3)), np.zeros(size), np.zeros(size),
        np.zeros((LAYERS if view.layered else 0, *size, 3)),
    )  # fmt: skip
    render_tile(
        *task.tile, view.width, view.height, task.begin, task.count, view.seed, *arrays,
        sums.total, sums.squares, sums.cut, sums.layers, room_for(len(arrays[8])),
    )  # fmt: skip
    return sums
