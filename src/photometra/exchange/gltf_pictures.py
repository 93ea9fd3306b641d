"""The pictures of a glTF, as values of the inputs they drive: from its own buffers or from files in its folder."""

import base64
import binascii
from urllib.parse import unquote

import numpy as np

from ..disk import read_bytes
from ..errors import InputError
from ..pictures import decoded_picture
from .graph import Graph, Value, linear

_MOST_BYTES = 200_000_000
_SUFFIXES = {"image/png": ".png", "image/jpeg": ".jpg"}


class Pictures:
    """document: a glTF's JSON; binary: the bytes of a GLB's own buffer; graph: for its folder, and its notes."""

    def __init__(self, document, binary, graph: Graph):
        self._document, self._binary, self._graph, self._kept = document, binary, graph, {}

    def value(self, info, what, space="", channel=None) -> Value | None:
        """A texture of a material as a value, its numbers in a colour space, or one channel of it; None, noted, where
        it cannot be taken."""
        try:
            if info.get("texCoord", 0) != 0:
                self._graph.note(f"{what}: it lies by a second set of UVs; taken by the first")
            if "KHR_texture_transform" in info.get("extensions", {}):
                self._graph.note(f"{what}: moved or tiled by its coordinates; taken as it lies")
            texture = self._document["textures"][info["index"]]
            data = self._pixels(int(texture["source"]))
        except (KeyError, IndexError, TypeError, ValueError, AttributeError, binascii.Error):
            self._graph.note(f"{what}: the file does not hold it")
            return None
        except InputError as error:
            self._graph.note(f"{what}: {error}")
            return None
        if channel is not None:
            return Value(data[..., min(channel, data.shape[-1] - 1)][..., None])
        return Value(linear(np.repeat(data[..., :1], 3, axis=-1) if data.shape[-1] < 3 else data[..., :3], space))

    def _pixels(self, index):
        if index not in self._kept:
            image = self._document["images"][index]
            suffix = _SUFFIXES.get(image.get("mimeType", ""), ".png")
            self._kept[index] = np.asarray(decoded_picture(f"picture{suffix}", self._bytes(image)), float)
        return self._kept[index]

    def _bytes(self, entry):
        """What a buffer or an image holds."""
        if "bufferView" in entry:
            view = self._document["bufferViews"][entry["bufferView"]]
            begin, length = int(view.get("byteOffset", 0)), int(view["byteLength"])
            buffer = self._document["buffers"][view["buffer"]]
            whole = self._bytes(buffer) if "uri" in buffer else self._binary
            if not 0 <= begin <= begin + length <= len(whole):
                raise ValueError
            return whole[begin : begin + length]
        uri = entry["uri"]
        if uri.startswith("data:"):
            return base64.b64decode(uri.partition(",")[2], validate=True)
        path = self._graph.found(unquote(uri))
        if path is None:
            raise InputError(f"the file '{uri[:80]}' is not there; put it beside the document")
        return read_bytes(path, _MOST_BYTES)
