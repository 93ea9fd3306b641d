"""The surfaces of a scene, stacked for the kernels, and which medium lies on either side of each."""

from functools import lru_cache

import numpy as np

from ..surface import Surface, rows
from ..surface.compile import CompiledSurface, compile_boundary, compile_surface
from .scene import Scene
from .shapes import STOCK_BOUNDARY, STOCK_GLASS, STOCK_ROD

GLASS = Surface({"ior": 1.5168, "abbe": 64.2, "transmission": 1.0, "roughness": 0.0})
"""The plain glass that holds a liquid."""
_ROD = Surface({"colour": (0.22, 0.22, 0.22), "roughness": 0.5})


@lru_cache(maxsize=4)
def _compiled(surface):
    return compile_surface(surface)


def materials_of(compiled: CompiledSurface, scene: Scene):
    """((scalars, spectra, tables, curves), each stacked over the scene's surfaces; media (surfaces, 2)).

    The specimen's own surface is the first; the shape names the others. A medium is the number of the surface whose
    interior it is, -1 air.
    """
    surfaces, media = [compiled], [(-1, 0)]
    for stock in scene.shape.stock if scene.shape else ():
        number = len(surfaces)
        if stock == STOCK_GLASS:
            surfaces.append(_compiled(GLASS))
            media.append((-1, number))
        elif stock == STOCK_BOUNDARY:
            # What lets no light in looks through glass as it does through air.
            lets_in = compiled.scalars[rows.TRANSMISSION] > 0.0 and compiled.scalars[rows.METALNESS] < 1.0
            surfaces.append(compile_boundary(compiled, surfaces[1]) if lets_in else compiled)
            media.append((1, 0))
        elif stock == STOCK_ROD:
            surfaces.append(_compiled(_ROD))
            media.append((-1, number))
    if len(surfaces) == 1:
        return tuple(a[None] for a in compiled.arrays), np.array(media, np.int64)
    return tuple(np.stack(part) for part in zip(*(s.arrays for s in surfaces), strict=True)), np.array(media, np.int64)
