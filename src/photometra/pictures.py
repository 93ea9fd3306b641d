"""Picture files in and out: EXR as scene-linear floats, PNG as shown."""

import os
import tempfile
from contextlib import contextmanager, suppress
from pathlib import Path

import numpy as np

from .disk import regular, replacing
from .errors import InputError
from .words import tr

_LARGEST_SIDE = 32768
_MOST_NUMBERS = 16384 * 8192 * 3
"""Pixels times channels that are decoded at the most: what a header promises, a few bytes may keep."""
_AS_STORED = "oiio:UnassociatedAlpha"
_BAND = 256
"""Rows that are read at a time of a large picture."""
DAMAGED = tr("the picture is damaged; save it again from where it came from")


class PictureError(InputError):
    """A picture file that cannot be used; the message is one sentence for people."""


@contextmanager
def opened_picture(path):
    """A picture file opened by the picture library; PictureError, naming the file, where it cannot be."""
    import OpenImageIO as oiio

    path = regular(path)
    if path.stat().st_size == 0:
        raise PictureError(tr("{0}: the file is empty; choose a picture with something in it", path))
    # Numbers as they stand in the file: an alpha beside them is a number of its own, not multiplied into them.
    as_stored = oiio.ImageSpec()
    as_stored.attribute(_AS_STORED, 1)
    source = oiio.ImageInput.open(str(path), as_stored)
    if source is None:
        _forget_error(oiio)
        raise PictureError(
            tr("{0}: this is not a picture file that can be read; give EXR, HDR, TIFF, PNG or JPEG", path)
        )
    try:
        spec = source.spec()
        if not (0 < spec.width <= _LARGEST_SIDE and 0 < spec.height <= _LARGEST_SIDE):
            raise PictureError(tr("{0}: {1} × {2} is not a size that can be used", path, spec.width, spec.height))
        if spec.width * spec.height * max(1, spec.nchannels) > _MOST_NUMBERS:
            raise PictureError(
                tr(
                    "{0}: {1} × {2} in {3} channels is more than can be held; save it smaller, 16384 × 8192 "
                    "in three channels at the most",
                    path,
                    spec.width,
                    spec.height,
                    spec.nchannels,
                )
            )
        yield source
        if source.has_error:
            # Some decoders fill what is missing with grey, and only say so, quoting the file's own bytes.
            _forget_error(source)
            raise PictureError(f"{path}: {DAMAGED}")
    finally:
        source.close()


def bands_of(source, spec, first, last, kind):
    """Rows of an opened picture from its top, some hundred at a time: arrays (rows, width, last - first) of channels
    `first` to `last`, in a number format of the library. InputError where it is damaged."""
    band = spec.tile_height * max(1, _BAND // spec.tile_height) if spec.tile_width else _BAND
    top, left = spec.y, spec.x
    for y in range(0, spec.height, band):
        end = min(y + band, spec.height)
        if spec.tile_width:
            # Whole tiles, or up to the edge.
            rows = source.read_tiles(
                0, 0, left, left + spec.width, top + y, top + end, 0, 1, first, last, kind
            )  # fmt: skip
        else:
            rows = source.read_scanlines(0, 0, top + y, top + end, 0, first, last, kind)
        if rows is None:
            raise InputError(DAMAGED)
        yield np.asarray(rows).reshape(end - y, spec.width, last - first)


def _forget_error(of):
    """Take the picture library's last error away: unread, it is printed later."""
    with suppress(UnicodeDecodeError):
        of.geterror()


def read_picture(path, layer=""):
    """A picture as float32 (h, w, 3); PictureError, naming the file, where it cannot be read.

    layer: of an EXR the layer of that name, where it has one; else the picture itself.
    """
    with opened_picture(path) as source:
        spec = source.spec()
        pixels = source.read_image("float")
    if pixels is None:
        raise PictureError(f"{path}: {DAMAGED}")
    pixels = np.asarray(pixels, np.float32).reshape(spec.height, spec.width, -1)
    wanted = [f"{layer}.{c}" for c in "RGB"]
    if layer and set(wanted) <= set(spec.channelnames):
        return np.ascontiguousarray(pixels[..., [spec.channelnames.index(c) for c in wanted]])
    if pixels.shape[2] < 3:
        pixels = np.repeat(pixels[..., :1], 3, axis=2)
    return np.ascontiguousarray(pixels[..., :3])


def read_native(path):
    """A picture (h, w, channels) in the depth that it has: uint8, uint16 or float32."""
    with opened_picture(path) as source:
        spec = source.spec()
        kind = str(spec.format) if str(spec.format) in ("uint8", "uint16") else "float"
        pixels = source.read_image(0, 0, 0, spec.nchannels, kind)
    if pixels is None:
        raise PictureError(f"{path}: {DAMAGED}")
    return np.asarray(pixels).reshape(spec.height, spec.width, -1)


def write_native(path, pixels):
    """Write what `read_native` gives, in its own depth: as PNG, floating point as EXR."""
    suffix = ".exr" if pixels.dtype == np.float32 else ".png"
    _write(path, pixels, "half" if suffix == ".exr" else str(pixels.dtype), None, suffix)


def encoded_exr(pixels, layers=None) -> bytes:
    """A scene-linear picture (h, w, 3) as the bytes of an EXR of half floats; layers as `write_exr`."""
    return _encoded(".exr", lambda path: write_exr(path, pixels, half=True, layers=layers))


def encoded_png(shown) -> bytes:
    """A picture (h, w, 3) as it is shown, 0..1, as the bytes of a PNG."""
    return _encoded(".png", lambda path: write_png(path, shown))


def encoded_levels(levels) -> bytes:
    """Numbers 0..1 (h, w, channels) as the bytes of a PNG of 16 bits."""
    numbers = (np.clip(levels, 0.0, 1.0) * 65535.0 + 0.5).astype(np.uint16)
    return _encoded(".png", lambda path: _write(path, numbers, "uint16", None, ".png"))


def _encoded(suffix, write):
    handle, path = tempfile.mkstemp(suffix=suffix)
    os.close(handle)
    try:
        write(path)
        return Path(path).read_bytes()
    finally:
        os.unlink(path)


def decoded_picture(name, data, layer=""):
    """As `read_picture`, from a file's bytes, by way of a temporary file, as the picture library wants.

    PictureError, naming `name`, where it cannot be read.
    """
    return _decoded(name, data, lambda path: read_picture(path, layer))


def decoded_native(name, data):
    """As `read_native`, from a file's bytes."""
    return _decoded(name, data, read_native)


def _decoded(name, data, read):
    handle, path = tempfile.mkstemp(suffix=Path(name).suffix)
    try:
        with os.fdopen(handle, "wb") as out:
            out.write(data)
        return read(path)
    except PictureError as error:
        raise PictureError(str(error).replace(path, name)) from None
    finally:
        os.unlink(path)


def header_of(path):
    """(bits of one number, how many channels) of a picture file; PictureError where it is none that can be used."""
    with opened_picture(path) as source:
        spec = source.spec()
        return 8 * spec.format.size(), spec.nchannels


def read_header(path):
    """The text entries of a picture's header, as a dict."""
    import OpenImageIO as oiio

    source = oiio.ImageInput.open(str(path))
    if source is None:
        _forget_error(oiio)
        raise PictureError(tr("{0}: this is not a picture file that can be read", path))
    try:
        return {a.name: a.value for a in source.spec().extra_attribs}
    finally:
        source.close()


def write_exr(path, pixels, header=None, half=False, layers=None, window=None):
    """Write scene-linear float32 (h, w, 3) with text entries in the header; replaces the file in one step.

    layers: {name: (h, w, 3) or (h, w)}, written beside it as channels `name.R` and so on (of a normal X, Y, Z), or one
    channel of that name; `A` and `Z` are the format's own names of alpha and depth. window: (x0, y0, x1, y1), the part
    that is written as the data window of a picture of the whole size.
    """
    parts, names = [np.asarray(pixels, np.float32)], ["R", "G", "B"]
    for name, layer in (layers or {}).items():
        layer = np.asarray(layer, np.float32)
        parts.append(layer if layer.ndim == 3 else layer[..., None])
        names += [f"{name}.{c}" for c in ("XYZ" if name == "normal" else "RGB")] if layer.ndim == 3 else [name]
    _write(path, np.concatenate(parts, axis=2), "half" if half else "float", header, ".exr", names, window)


def write_png(path, shown, header=None):
    """Write values in 0..1, already encoded for the screen, as 8-bit PNG; replaces the file in one step."""
    values = np.clip(np.asarray(shown, np.float32), 0.0, 1.0)
    _write(path, (values * 255.0 + 0.5).astype(np.uint8), "uint8", header, ".png")


def write_picture(path, linear, display, header=None, layers=None, window=None):
    """Write a picture by its suffix: EXR scene-linear with its layers and data window, PNG as `display` shows it."""
    if Path(path).suffix.lower() == ".png":
        write_png(path, display.picture(linear), header)
    else:
        write_exr(path, linear, header, layers=layers, window=window)


def _write(path, pixels, kind, header, suffix, names=None, window=None):
    import OpenImageIO as oiio

    path = Path(path)
    height, width, channels = pixels.shape
    x0, y0, x1, y1 = window or (0, 0, width, height)
    pixels = pixels[y0:y1, x0:x1]
    spec = oiio.ImageSpec(x1 - x0, y1 - y0, channels, kind)
    spec.x, spec.y, spec.full_width, spec.full_height = x0, y0, width, height
    if names:
        spec.channelnames = names
    if suffix == ".exr":
        spec.attribute("compression", "zip")
        spec.attribute("oiio:ColorSpace", "lin_rec709")
    else:
        spec.attribute(_AS_STORED, 1)
    for key, value in (header or {}).items():
        spec.attribute(key, str(value))
    with replacing(path) as temporary:
        out = oiio.ImageOutput.create(suffix[1:])
        made = out.open(str(temporary), spec) and out.write_image(np.ascontiguousarray(pixels))
        # Only closing it says whether the disk took the last of it, and not with every format: so it is read again.
        if not (out.close() and made and _reads_back(temporary, spec)):
            _forget_error(out)
            raise PictureError(tr("{0}: the picture could not be written; the disk is full, or limits its files", path))


def _reads_back(path, spec):
    """Whether a picture just written decodes to its end, in its size."""
    import OpenImageIO as oiio

    source = oiio.ImageInput.open(str(path))
    if source is None:
        _forget_error(oiio)
        return False
    try:
        same = (source.spec().width, source.spec().height) == (spec.width, spec.height)
        whole = same and source.read_image(0, 0, 0, spec.nchannels, spec.format) is not None
        return whole and not source.has_error
    finally:
        _forget_error(source)
        source.close()
