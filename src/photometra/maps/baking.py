"""From a source and its adjustments to texels that kernels read: 8 bits each where the source has no more, else 16.

Baked tiles are kept within a budget of memory; what was asked for last stays.
"""

import os
import tempfile
import threading
from collections import OrderedDict
from dataclasses import dataclass, replace

import numpy as np

from ..colour.spaces import RGB_TO_XYZ, decode_srgb
from ..errors import InputError
from ..pictures import PictureError, bands_of, opened_picture
from ..words import tr
from .encodings import SPACES, in_rec709
from .generators import generator, settings_of
from .model import Adjustments, Generator, Layer, Picture

MOST_BYTES = 512 * 2**20
_LEAST_SIDE, _MOST_SIDE = 16, 2048
_CHANNEL = {"red": 0, "green": 1, "blue": 2, "alpha": 3}
_CHANNEL_OF_COLOUR = ("red", "green", "blue")
_LUMINANCE = RGB_TO_XYZ[1].astype(np.float32)


@dataclass(frozen=True, eq=False)
class Tile:
    """One baked tile: texels (height, width), uint8 or uint16, row 0 at the top; all of its range is 0..1. What fills a
    body is (depth, height, width)."""

    texels: np.ndarray

    @property
    def levels(self):
        """The texels as numbers 0..1, float32 (height, width); of what fills a body as seen through it."""
        flat = self.texels if self.texels.ndim == 2 else self.texels.max(axis=0)
        return flat.astype(np.float32) / np.float32(np.iinfo(flat.dtype).max)


class Kept:
    """What was made lately, within a budget of bytes; size: how many one of them takes."""

    def __init__(self, most, size):
        self._most, self._size, self._held, self._lock = most, size, OrderedDict(), threading.Lock()

    def get(self, key, make):
        with self._lock:
            if key in self._held:
                self._held.move_to_end(key)
                return self._held[key]
        made = make()
        with self._lock:
            self._held[key] = made
            while len(self._held) > 1 and self.bytes > self._most:
                self._held.popitem(last=False)
        return made

    @property
    def bytes(self):
        return sum(self._size(one) for one in self._held.values())


_tiles = Kept(MOST_BYTES, lambda tile: tile.texels.nbytes)


def kept_bytes():
    """How much memory baked tiles take at present."""
    return _tiles.bytes


def tile_of(layer: Layer, size_mm) -> Tile:
    """The baked tile of a layer; size_mm: (width, height) of the tile as it is laid. A missing picture is level 0.5.

    PictureError where a picture cannot be read.
    """
    size = tuple(float(f"{v:.6g}") for v in size_mm)
    return _tiles.get(
        (layer.source, layer.adjustments, size), lambda: Tile(_baked(layer.source, layer.adjustments, size))
    )


def filling(layer: Layer, size_mm, levels, on) -> Tile:
    """The baked tile of a layer whose source fills a body. levels: what makes its levels (deep, high, wide); on: what
    tells one body from another."""
    return _tiles.get(
        (layer.source, layer.adjustments, on), lambda: Tile(_quantised(_adjusted(levels(), layer.adjustments, size_mm)))
    )


def _baked(source, adjustments: Adjustments, size):
    if source.is_missing:
        return np.full((1, 1), 128, np.uint8)
    if isinstance(source, Picture) and source.channel == "normal":
        heights = heights_of_normals(source)
        return _quantised(_adjusted((heights - heights.min()) / max(float(np.ptp(heights)), 1e-12), adjustments, size))
    if isinstance(source, Picture):
        if adjustments == Adjustments() and source.encoding == "data":
            return _channel_of(source)
        if source.channel in _CHANNEL_OF_COLOUR and (adjustments.hue_deg or adjustments.saturation != 1.0):
            levels = _recoloured(source, adjustments)
        else:
            levels = _levels_of(source)
    else:
        levels = drawn(source, size)
    return _quantised(_adjusted(levels, adjustments, size))


def _levels_of(source: Picture):
    """One channel's levels 0..1, as its encoding has them; of another colour space by way of all three."""
    if source.encoding in SPACES and source.channel in (*_CHANNEL_OF_COLOUR, "luminance"):
        rgb = np.clip(_colours_of(source), 0.0, 1.0)
        return rgb @ _LUMINANCE if source.channel == "luminance" else rgb[..., _CHANNEL[source.channel]]
    texels = _channel_of(source)
    levels = texels.astype(np.float32) / np.iinfo(texels.dtype).max
    return decode_srgb(levels) if source.encoding == "sRGB" else levels


def _colours_of(source: Picture):
    """A picture's colours in linear Rec.709, float32 (h, w, 3); greys where it has one channel."""
    try:
        channels = [_channel_of(replace(source, channel=name)) for name in _CHANNEL_OF_COLOUR]
    except PictureError:
        raise
    except InputError:
        channels = [_channel_of(replace(source, channel="luminance"))] * 3
    if source.encoding in SPACES:
        return in_rec709(channels, source.encoding)
    levels = np.stack([c.astype(np.float32) / np.iinfo(c.dtype).max for c in channels], axis=-1)
    return decode_srgb(levels) if source.encoding == "sRGB" else levels


def _recoloured(source: Picture, a: Adjustments):
    """One channel of a picture whose colours are turned in hue and changed in saturation, in linear light; what is
    bright stays as bright."""
    rgb = _colours_of(source)
    bright = (rgb @ _LUMINANCE)[..., None]
    turn = np.radians(a.hue_deg)
    # About the axis of greys (Rodrigues); then what it did to the luminance is taken back.
    axis = np.ones(3) / np.sqrt(3.0)
    cross = np.array([[0.0, -axis[2], axis[1]], [axis[2], 0.0, -axis[0]], [-axis[1], axis[0], 0.0]])
    matrix = np.cos(turn) * np.eye(3) + np.sin(turn) * cross + (1.0 - np.cos(turn)) * np.outer(axis, axis)
    chroma = a.saturation * ((rgb - bright) @ matrix.T)
    chroma -= (chroma @ _LUMINANCE)[..., None]
    return np.clip(bright + chroma, 0.0, 1.0)[..., _CHANNEL_OF_COLOUR.index(source.channel)]


def drawn(source: Generator, size):
    """The levels of a generator's tile of a size in mm, (height, width)."""
    kind, settings = generator(source.kind), settings_of(source)
    finest = max(kind.finest(settings, size), 1e-6)
    shape = tuple(int(np.clip(np.ceil(length / finest), _LEAST_SIDE, _MOST_SIDE)) for length in reversed(size))
    return np.asarray(kind.draw(settings, size, shape, np.random.default_rng(source.seed)), float)


def _adjusted(levels, a: Adjustments, size):
    levels = 1.0 - levels if a.invert else levels
    levels = np.clip((levels - a.black) / (a.white - a.black), 0.0, 1.0)
    if a.gamma != 1.0:
        levels = levels ** (1.0 / a.gamma)
    levels = np.clip(0.5 + a.contrast * (levels - 0.5), 0.0, 1.0)
    if a.blur_mm > 0.0:
        from scipy import ndimage

        sigma = (a.blur_mm * levels.shape[-2] / size[1], a.blur_mm * levels.shape[-1] / size[0])
        if levels.ndim == 3:
            sigma = (sigma[1], *sigma)
        levels = ndimage.gaussian_filter(levels, sigma, mode="wrap" if levels.ndim == 2 else "nearest")
    return levels


def _quantised(levels):
    return (np.clip(levels, 0.0, 1.0) * 65535.0 + 0.5).astype(np.uint16)


def heights_of_normals(source: Picture):
    """Heights (h, w), in widths of a texel, whose slopes are those of a picture of normals: x to the right in red, y up
    in green, outward in blue, each from -1 to 1. By least squares over the tile, that joins with itself (Frankot &
    Chellappa 1988)."""
    red, green, blue = (
        _channel_of(replace(source, channel=c)).astype(float) / _most(source, c) for c in ("red", "green", "blue")
    )
    outward = np.maximum(2.0 * blue - 1.0, 0.05)
    # Rows run down.
    across, down = -(2.0 * red - 1.0) / outward, (2.0 * green - 1.0) / outward
    u = 2.0 * np.pi * np.fft.fftfreq(red.shape[1])[None]
    v = 2.0 * np.pi * np.fft.fftfreq(red.shape[0])[:, None]
    size = u * u + v * v
    size[0, 0] = 1.0
    waves = (-1j * u * np.fft.fft2(across) - 1j * v * np.fft.fft2(down)) / size
    waves[0, 0] = 0.0
    return np.real(np.fft.ifft2(waves))


def _most(source, channel):
    return np.iinfo(_channel_of(replace(source, channel=channel)).dtype).max


def _one_of(rows):
    """One number for each pixel of some rows (h, w, channels): that of one channel, the luminance of three."""
    if rows.shape[2] == 1:
        return rows[..., 0]
    # Of one grey in three channels the sum is that grey, to the last step.
    weights = _LUMINANCE if rows.shape[2] == 3 else np.eye(rows.shape[2], dtype=np.float32)[0]
    one = rows @ weights
    return np.round(one).astype(rows.dtype) if rows.dtype != np.float32 else one


def _channel_of(source: Picture):
    """One channel of a picture, uint8 or uint16 (h, w); floating point is spread over its own range if that is not
    within 0..1."""
    handle, path = tempfile.mkstemp(suffix=os.path.splitext(source.name)[1])
    try:
        with os.fdopen(handle, "wb") as out:
            out.write(source.data)
        with opened_picture(path) as opened:
            spec = opened.spec()
            kept = {"uint8": "uint8", "uint16": "uint16"}.get(str(spec.format), "float")
            first = _CHANNEL.get(source.channel, 0)
            if source.channel == "luminance":
                wanted = (0, min(3, spec.nchannels))
            elif first < spec.nchannels:
                wanted = (first, first + 1)
            else:
                raise InputError(
                    tr("{0}: the picture has no channel '{1}'; choose another", source.name, source.channel)
                )
            try:
                # Band by band: of a large picture only the one number for each pixel is held.
                bands = [_one_of(rows) for rows in bands_of(opened, spec, *wanted, kept)]
            except InputError as error:
                raise PictureError(f"{path}: {error}") from None
    except PictureError as error:
        raise PictureError(str(error).replace(path, source.name)) from None
    finally:
        os.unlink(path)
    one = np.concatenate(bands)
    if one.dtype != np.float32:
        return np.ascontiguousarray(one)
    if not np.all(np.isfinite(one)):
        raise PictureError(tr("{0}: the picture holds numbers that are not finite; export it again", source.name))
    low, high = float(one.min()), float(one.max())
    if low < 0.0 or high > 1.0:
        one = (one - low) / max(high - low, 1e-30)
    return _quantised(one)
