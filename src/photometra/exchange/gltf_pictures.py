"""The pictures of a glTF, as values of the inputs they drive: from its own buffers or from files in its folder."""

import base64
import binascii
from urllib.parse import unquote

import numpy as np

from ..disk import read_bytes
from ..errors import InputError
from ..pictures import decoded_native
from ..words import tr
from .graph import ALPHA, Graph, Value, constant, linear, normals_of

_MOST_BYTES = 200_000_000
_MOST_SIDE = 8192
_SUFFIXES = {"image/png": ".png", "image/jpeg": ".jpg"}


TEXTURES = (
    ("base_color", "", "baseColorTexture", "srgb_texture", None),
    ("roughness", "", "metallicRoughnessTexture", "", 1),
    ("metallic", "", "metallicRoughnessTexture", "", 2),
    ("transmission", "KHR_materials_transmission", "transmissionTexture", "", 0),
    ("clearcoat", "KHR_materials_clearcoat", "clearcoatTexture", "", 0),
    ("clearcoat_roughness", "KHR_materials_clearcoat", "clearcoatRoughnessTexture", "", 1),
    ("sheen_color", "KHR_materials_sheen", "sheenColorTexture", "srgb_texture", None),
    ("sheen_roughness", "KHR_materials_sheen", "sheenRoughnessTexture", "", ALPHA),
    ("iridescence", "KHR_materials_iridescence", "iridescenceTexture", "", 0),
    ("anisotropy_strength", "KHR_materials_anisotropy", "anisotropyTexture", "", 2),
    ("specular", "KHR_materials_specular", "specularTexture", "", ALPHA),
    ("specular_color", "KHR_materials_specular", "specularColorTexture", "srgb_texture", None),
)
"""Pictures that an input is multiplied by: its name in `gltf_pbr`, the extension ("" for none), the key in it, the
colour space, and the channel. One table for both ways."""
THICKNESS = "KHR_materials_iridescence", "iridescenceThicknessTexture", 1
"""The picture that lies between the least and the most thickness of a film."""
_STATED = {"iridescence_thickness": 400.0, "iridescence_ior": 1.3, "sheen_roughness": 0.0, "specular": 1.0,
           "specular_color": (1.0, 1.0, 1.0)}  # fmt: skip
"""What the standard states where a file does not, of what is not 0."""


def textured(at, material, pictures):
    """The inputs {name: Value} of a material with its pictures counted in."""
    extensions = material.get("extensions", {})
    at = dict(at)
    for name, extension, key, space, channel in TEXTURES:
        place = extensions.get(extension) if extension else material.get("pbrMetallicRoughness", {})
        if place is None:
            continue
        if name in _STATED:
            at.setdefault(name, constant(*np.ravel(_STATED[name])))
        found = (
            pictures.value(place[key], tr("the picture of {0}", name.replace("_", " ")), space, channel)
            if key in place
            else None
        )
        if found is not None:
            at[name] = Value(found.data * (at[name].data if name in at else 0.0))
    _alpha(at, material, pictures)
    _film(at, extensions, pictures)
    for name, place, key in (
        ("normal", material, "normalTexture"),
        ("clearcoat_normal", extensions.get("KHR_materials_clearcoat", {}), "clearcoatNormalTexture"),
    ):
        found = pictures.value(place[key], tr("the picture of {0}", name.replace("_", " "))) if key in place else None
        if found is not None:
            at[name] = Value(normals_of(found.data, float(place[key].get("scale", 1.0))))
    brushed = extensions.get("KHR_materials_anisotropy", {})
    if brushed.get("anisotropyRotation", 0.0) or "anisotropyTexture" in brushed:
        pictures.note(tr("the directions of anisotropy: carried as one, along the UVs"))
    return at


def _alpha(at, material, pictures):
    """How much is there, by the base colour's alpha; where it is a mask, all or nothing."""
    mode, rough = material.get("alphaMode", "OPAQUE"), material.get("pbrMetallicRoughness", {})
    if mode == "OPAQUE":
        at.pop("alpha", None)
        return
    key = "baseColorTexture"
    found = pictures.value(rough[key], tr("the picture of alpha"), "", ALPHA) if key in rough else None
    if found is not None:
        at["alpha"] = Value(found.data * at["alpha"].data)
    if mode == "MASK":
        at["alpha"] = Value((at["alpha"].data >= float(material.get("alphaCutoff", 0.5))).astype(float))


def _film(at, extensions, pictures):
    extension, key, channel = THICKNESS
    film = extensions.get(extension, {})
    if key in film:
        found = pictures.value(film[key], tr("the picture of the film's thickness"), "", channel)
        least = float(film.get("iridescenceThicknessMinimum", 100.0))
        if found is not None:
            at["iridescence_thickness"] = Value(least + (at["iridescence_thickness"].data - least) * found.data)


class Pictures:
    """document: a glTF's JSON; binary: the bytes of a GLB's own buffer; graph: for its folder, and its notes."""

    def __init__(self, document, binary, graph: Graph):
        self._document, self._binary, self._graph, self._kept = document, binary, graph, {}
        self.note = graph.note

    def value(self, info, what, space="", channel=None) -> Value | None:
        """A texture of a material as a value, its numbers in a colour space, or one channel of it, alpha being the
        fourth; None, noted, where it cannot be taken."""
        try:
            texture = self._document["textures"][info["index"]]
            data = self._pixels(int(texture["source"]))
            if info.get("texCoord", 0) != 0:
                self._graph.note(tr("{0}: it lies by a second set of UVs; taken by the first", what))
            data = self._laid(data, info.get("extensions", {}).get("KHR_texture_transform", {}), what)
        except (KeyError, IndexError, TypeError, ValueError, AttributeError, OverflowError, binascii.Error):
            self._graph.note(tr("{0}: the file does not hold it", what))
            return None
        except InputError as error:
            self._graph.note(f"{what}: {error}")
            return None
        has_alpha = data.shape[-1] in (2, 4)
        if channel == ALPHA:
            return Value(data[..., -1:]) if has_alpha else constant(1.0)
        colours = data[..., :3] if data.shape[-1] >= 3 else np.repeat(data[..., :1], 3, axis=-1)
        return Value(linear(colours, space) if channel is None else colours[..., channel : channel + 1])

    def _laid(self, data, transform, what):
        """Pixels as they lie over the UVs by a KHR_texture_transform: whole repeats and any offset."""
        across, down = (float(v) for v in transform.get("scale", (1.0, 1.0)))
        whole = [round(v) for v in (across, down)]
        is_plain = abs(whole[0] - across) + abs(whole[1] - down) < 1e-3 and min(whole) >= 1
        if transform.get("rotation", 0.0) or not is_plain or max(whole) * max(data.shape[:2]) > _MOST_SIDE:
            self._graph.note(tr("{0}: turned, or repeated by other than whole times; taken as it lies", what))
            return data
        right, below = (float(v) for v in transform.get("offset", (0.0, 0.0)))
        shift = -round(below * data.shape[0]), -round(right * data.shape[1])
        return np.roll(np.tile(data, (whole[1], whole[0], 1)), shift, axis=(0, 1))

    def _pixels(self, index):
        if index not in self._kept:
            image = self._document["images"][index]
            suffix = _SUFFIXES.get(image.get("mimeType", ""), ".png")
            found = decoded_native(f"picture{suffix}", self._bytes(image))
            most = np.iinfo(found.dtype).max if found.dtype.kind == "u" else 1.0
            self._kept[index] = found.astype(np.float32) / np.float32(most)
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
            raise InputError(tr("the file '{0}' is not there; put it beside the document", uri[:80]))
        return read_bytes(path, _MOST_BYTES)
