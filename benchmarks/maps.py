"""What maps cost: the paths of a specimen with one against those of the same specimen without, near and far."""

import tempfile
import time
from pathlib import Path

import numpy as np
import OpenImageIO as oiio

from photometra.imaging.booths import environment
from photometra.maps import Layer, Map, Picture, Placement
from photometra.surface import Surface
from photometra.surface.bank import compiled_as
from photometra.tracing import Rendering, Scene

from .figures import Figure

_BRASS = {"metalness": 1.0, "constants": "brass-70-30", "roughness": 0.2}
_ROUNDS = 5
_CASES = (
    ("256 x 256, a tile for the whole ball", 256, 60.0), ("8192 x 8192, a tile for the whole ball", 8192, 60.0),
    ("8192 x 8192, 500 texels to a pixel", 8192, 5.0),
)  # fmt: skip


def _picture(side):
    """Noise from texel to texel, the worst there is for what is looked up."""
    path = Path(tempfile.mkdtemp()) / "noise.png"
    out = oiio.ImageOutput.create(str(path))
    out.open(str(path), oiio.ImageSpec(side, side, 1, "uint8"))
    out.write_image(np.random.default_rng(1).integers(0, 256, (side, side, 1), dtype=np.uint8))
    out.close()
    return Picture(f"maps/noise-{side}.png", data=path.read_bytes())


def run():
    """The time of 8 samples of 256 x 256, against those without a map; the median of five."""
    pictures = {side: _picture(side) for side in (256, 8192)}
    surfaces = {"": _BRASS}
    for label, side, tile in _CASES:
        layer = Layer(pictures[side], Placement("box", (tile, tile)))
        surfaces[label] = {**_BRASS, "roughness": Map((layer,), 0.1, 0.4)}
    banks = {label: compiled_as(Surface(values)) for label, values in surfaces.items()}
    times = {label: [] for label in banks}
    for seed in range(_ROUNDS):
        for label, bank in banks.items():
            rendering = Rendering(bank, Scene(environment("window")), 256, 256, seed=seed)
            begin = time.perf_counter()
            rendering.add(8)
            times[label].append(time.perf_counter() - begin)
    plain = np.median(times.pop(""))
    for label, own in times.items():
        yield Figure(f"maps: time with a roughness of {label}", float(np.median(own) / plain), "x", 1.3)
