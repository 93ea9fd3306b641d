"""glTF 2.0, out and in: what stands in the booth, its parts with their materials, as one GLB; materials of a file."""

import json
import struct
from pathlib import Path

import numpy as np

from ..colour import encode_srgb
from ..disk import read_bytes, write_bytes
from ..errors import InputError
from ..names import one_line
from ..pictures import encoded_levels, encoded_png
from ..study import Specimen, Study
from ..words import tr
from . import baked
from .coming_in import Coming, specimen_from
from .gltf_pictures import TEXTURES, THICKNESS, Pictures, textured
from .graph import ALPHA, Graph, constant
from .loss import Fitted, fits_of, fitted_as_gltf
from .models import GLTF, from_gltf, to_gltf
from .pieces import pieces_of
from .reading import Taken, taken
from .theirs import surface_of

_LARGEST = 500_000_000
_MOST_MATERIALS = 500
_TEXTURE = 1024
_FLOATS, _VEC2, _VEC3 = 5126, "VEC2", "VEC3"
_PLAIN = {
    "KHR_materials_ior": {"ior": "ior"},
    "KHR_materials_transmission": {"transmission": "transmissionFactor"},
    "KHR_materials_clearcoat": {"clearcoat": "clearcoatFactor", "clearcoat_roughness": "clearcoatRoughnessFactor"},
    "KHR_materials_sheen": {"sheen_color": "sheenColorFactor", "sheen_roughness": "sheenRoughnessFactor"},
    "KHR_materials_iridescence": {
        "iridescence": "iridescenceFactor", "iridescence_ior": "iridescenceIor",
        "iridescence_thickness": "iridescenceThicknessMaximum",
    },
    "KHR_materials_volume": {
        "thickness": "thicknessFactor", "attenuation_distance": "attenuationDistance",
        "attenuation_color": "attenuationColor",
    },
    "KHR_materials_anisotropy": {"anisotropy_strength": "anisotropyStrength"},
    "KHR_materials_dispersion": {"dispersion": "dispersion"},
    "KHR_materials_specular": {"specular": "specularFactor", "specular_color": "specularColorFactor"},
}  # fmt: skip
"""Ratified extensions: the names of `gltf_pbr` and those in the file. One table for both ways."""
_FACTORS = {"roughness": "roughnessFactor", "metallic": "metallicFactor"}
_WHERE = {"clearcoat_roughness": "clearcoat", "sheen_roughness": "sheen_color", "iridescence_ior": "iridescence",
          "iridescence_thickness": "iridescence"}  # fmt: skip
"""What is written only where another one is there."""


class _Buffer:
    """The bytes of a GLB, and the views into them."""

    def __init__(self):
        self.data, self.views, self.accessors, self.images, self.textures = bytearray(), [], [], [], []

    def view(self, data):
        while len(self.data) % 4:
            self.data.append(0)
        self.views.append({"buffer": 0, "byteOffset": len(self.data), "byteLength": len(data)})
        self.data += data
        return len(self.views) - 1

    def array(self, numbers, kind):
        numbers = np.ascontiguousarray(numbers, np.float32)
        entry = {
            "bufferView": self.view(numbers.tobytes()),
            "componentType": _FLOATS,
            "count": len(numbers),
            "type": kind,
        }
        if kind == _VEC3:
            entry |= {"min": numbers.min(axis=0).tolist(), "max": numbers.max(axis=0).tolist()}
        self.accessors.append(entry)
        return len(self.accessors) - 1

    def texture(self, picture, is_deep=False):
        """A picture (h, w, 3 or 4) of numbers 0..1 as they stand in the file; deep: of 16 bits."""
        data = encoded_levels(picture) if is_deep or picture.shape[-1] > 3 else encoded_png(picture)
        self.images.append({"bufferView": self.view(data), "mimeType": "image/png"})
        self.textures.append({"source": len(self.images) - 1})
        return {"index": len(self.textures) - 1}


def write_gltf(study: Study, specimen: Specimen, path, place) -> tuple[dict[str, Fitted], list[str]]:
    """Write what stands for a specimen as a GLB in metres, each part with the surface that it has.

    place: where the values that lose least are looked for. Returns ({specimen: how close its values come}, sentences on
    what could not be carried).
    """
    pieces = pieces_of(study, specimen)
    buffer, notes, fits = _Buffer(), [], fits_of(pieces, fitted_as_gltf, place)
    materials, nodes, meshes, made = [], [], [], []
    for piece in pieces:
        attributes = {"POSITION": buffer.array(piece.positions / 1000.0, _VEC3),
                      "NORMAL": buffer.array(_unit(piece.normals), _VEC3)}  # fmt: skip
        if piece.uvs is not None:
            # Its UVs run down.
            attributes["TEXCOORD_0"] = buffer.array(piece.uvs * [1.0, -1.0] + [0.0, 1.0], _VEC2)
        primitive = {"attributes": attributes}
        one = piece.specimen
        if one is not None:
            if one.name not in made:
                made.append(one.name)
                has_uvs = piece.uvs is not None
                materials.append(
                    _material(
                        one, fits[one.name].inputs, buffer, has_uvs, lambda s, n=one.name: notes.append(f"{n}: {s}")
                    )
                )
            primitive["material"] = made.index(one.name)
        meshes.append({"name": piece.name, "primitives": [primitive]})
        nodes.append({"name": piece.name, "mesh": len(meshes) - 1})
    used = sorted({name for m in materials for name in m.get("extensions", {})})
    document = {
        "asset": {"version": "2.0", "generator": "Photometra"}, "scene": 0,
        "scenes": [{"name": specimen.name, "nodes": list(range(len(nodes)))}], "nodes": nodes, "meshes": meshes,
        "materials": materials, "accessors": buffer.accessors, "bufferViews": buffer.views,
        "buffers": [{"byteLength": len(buffer.data)}],
    }  # fmt: skip
    if used:
        document["extensionsUsed"] = used
    if buffer.images:
        document |= {"images": buffer.images, "textures": buffer.textures}
    write_bytes(path, _glb(document, bytes(buffer.data)))
    return fits, notes


def _unit(normals):
    return normals / np.maximum(np.linalg.norm(normals, axis=1, keepdims=True), 1e-12)


def _glb(document, data):
    text = json.dumps(document, ensure_ascii=False, separators=(",", ":")).encode()
    text += b" " * (-len(text) % 4)
    data += b"\0" * (-len(data) % 4)
    whole = 12 + 8 + len(text) + 8 + len(data)
    return (struct.pack("<4sII", b"glTF", 2, whole) + struct.pack("<I4s", len(text), b"JSON") + text
            + struct.pack("<I4s", len(data), b"BIN\0") + data)  # fmt: skip


def _material(specimen, inputs, buffer, has_uvs, note):
    at = to_gltf(inputs, specimen.size_mm, note)
    base = [*(float(v) for v in at.get("base_color", (0.8,) * 3)), float(at.get("alpha", 1.0))]
    rough = {"baseColorFactor": base, "metallicFactor": float(at.get("metallic", 0.0)),
             "roughnessFactor": float(at.get("roughness", 0.3))}  # fmt: skip
    found = {"name": specimen.name, "pbrMetallicRoughness": rough}
    if base[3] < 1.0:
        found["alphaMode"] = "BLEND"
    if specimen.surface.is_sheet:
        found["doubleSided"] = True
    extensions = {}
    for extension, names in _PLAIN.items():
        given = {}
        for ours, theirs in names.items():
            value = at.get(_WHERE.get(ours, ours)), at.get(ours)
            if value[1] is not None and _says(value[0]) and extension != "KHR_materials_specular":
                given[theirs] = [float(v) for v in value[1]] if isinstance(value[1], tuple) else float(value[1])
        if given and not (extension == "KHR_materials_volume" and "thicknessFactor" not in given):
            extensions[extension] = given
    if "KHR_materials_iridescence" in extensions:
        extensions["KHR_materials_iridescence"]["iridescenceThicknessMinimum"] = float(at["iridescence_thickness"])
    if extensions:
        found["extensions"] = extensions
    _textures(specimen, found, inputs, buffer, has_uvs, note)
    return found


def _says(value):
    return value is not None and (max(value) > 0.0 if isinstance(value, tuple) else value > 0.0)


def _textures(specimen, found, inputs, buffer, has_uvs, note):
    """What varies as pictures, the values in them whole and the factors beside them 1; other maps are told."""
    maps = baked.textures_of(specimen, _TEXTURE) if has_uvs else {}
    rough, extensions = found["pbrMetallicRoughness"], found.get("extensions", {})
    planes = {}
    for name, extension, key, space, channel in TEXTURES:
        place, theirs = extensions.get(extension) if extension else rough, GLTF.get(name)
        if theirs not in maps or place is None:
            continue
        data = np.clip(maps.pop(theirs)[1], 0.0, 1.0)
        picture = _plane(planes, extension, key, channel)
        if channel is None:
            picture[..., :3] = encode_srgb(data) if space else data
        else:
            picture[..., channel] = data[..., 0]
        if name == "base_color":
            place["baseColorFactor"][:3] = [1.0] * 3
        else:
            place[_FACTORS.get(name) or _PLAIN[extension][name]] = 1.0
    if "geometry_opacity" in maps:
        _plane(planes, "", "baseColorTexture", ALPHA)[..., ALPHA] = maps.pop("geometry_opacity")[1][..., 0]
        rough["baseColorFactor"][3] = 1.0
    _sheen(maps, inputs, extensions, planes)
    extension, key, channel = THICKNESS
    if "thin_film_thickness" in maps and extension in extensions:
        nm = 1000.0 * maps.pop("thin_film_thickness")[1][..., 0]
        least, most = float(nm.min()), float(nm.max())
        extensions[extension] |= {"iridescenceThicknessMinimum": least, "iridescenceThicknessMaximum": most}
        _plane(planes, extension, key, channel)[..., channel] = (nm - least) / max(most - least, 1e-9)
    for (extension, key), picture in planes.items():
        if key == "anisotropyTexture":
            # Red and green are the direction: along the UVs.
            picture[..., 1] = 0.5
        (extensions[extension] if extension else rough)[key] = buffer.texture(picture)
    if baked.NORMAL in maps:
        found["normalTexture"] = buffer.texture(maps.pop(baked.NORMAL)[1], is_deep=True)
    coat = extensions.get("KHR_materials_clearcoat")
    if baked.COAT_NORMAL in maps and coat is not None:
        coat["clearcoatNormalTexture"] = buffer.texture(maps.pop(baked.COAT_NORMAL)[1], is_deep=True)
    lost = list(maps) + ([] if has_uvs else list(specimen.surface.maps))
    for name in lost:
        note(tr("the map of {0}: carried as one value", name.replace("_", " ")))


def _sheen(maps, inputs, extensions, planes):
    """Weight and colour of the fibres as the one colour that glTF has for both."""
    extension = "KHR_materials_sheen"
    if extension not in extensions or not ("fuzz_weight" in maps or "fuzz_color" in maps):
        return
    weight, colour = (
        maps.pop(k)[1] if k in maps else np.asarray(inputs[k][1], float) for k in ("fuzz_weight", "fuzz_color")
    )
    _plane(planes, extension, "sheenColorTexture", None)[..., :3] = encode_srgb(np.clip(weight * colour, 0.0, 1.0))
    extensions[extension]["sheenColorFactor"] = [1.0] * 3


def _plane(planes, extension, key, channel):
    """The picture at a key, with an alpha where the channel is one."""
    kept = planes.get((extension, key))
    wide = 4 if channel == ALPHA else 3
    if kept is None or kept.shape[-1] < wide:
        fresh = np.ones((_TEXTURE, _TEXTURE, wide))
        if kept is not None:
            fresh[..., :3] = kept
        planes[extension, key] = fresh
    return planes[extension, key]


def read_gltf_materials(path, size_mm=60.0) -> list[Taken]:
    """The materials of a glTF or GLB as specimens. InputError, in a sentence, where it holds none."""
    path = Path(path)
    data, binary = read_bytes(path, _LARGEST), b""
    try:
        if data[:4] == b"glTF":
            length = struct.unpack_from("<I", data, 12)[0]
            # Behind the document: length and kind of the buffer's chunk.
            data, binary = data[20 : 20 + length], data[28 + length :]
        document = json.loads(data)
        materials = document.get("materials", [])
        if not isinstance(materials, list) or len(materials) > _MOST_MATERIALS:
            raise ValueError
    except (ValueError, AttributeError, struct.error, RecursionError, UnicodeDecodeError):
        raise InputError(tr("{0}: this is not a glTF file, or a damaged one", path)) from None
    if not materials:
        raise InputError(tr("{0}: there is no material in this file", path))
    try:
        return [_taken(m, i, path, size_mm, document, binary) for i, m in enumerate(materials)]
    except (TypeError, AttributeError, ValueError) as error:
        if isinstance(error, InputError):
            raise
        raise InputError(
            tr("{0}: a material in it is not as the standard wants it ({1})", path, one_line(str(error))[:60])
        ) from None


def _taken(material, index, path, size_mm, document, binary):
    graph = Graph(path.parent)
    rough = material.get("pbrMetallicRoughness", {})
    base = rough.get("baseColorFactor", [1.0] * 4)
    at = {"base_color": constant(*base[:3]), "metallic": constant(rough.get("metallicFactor", 1.0)),
          "roughness": constant(rough.get("roughnessFactor", 1.0)), "alpha": constant(base[3])}  # fmt: skip
    extensions = material.get("extensions", {})
    for extension, names in _PLAIN.items():
        for ours, theirs in names.items():
            if theirs in extensions.get(extension, {}):
                at[ours] = constant(*np.ravel(extensions[extension][theirs]))
    for extension in extensions.keys() - _PLAIN.keys():
        graph.note(tr("the extension {0}: not understood", one_line(extension)[:60]))
    at = textured(at, material, Pictures(document, binary, graph))
    if max(material.get("emissiveFactor", [0.0])) > 0.0:
        at["emissive"] = constant(1.0)
    name = one_line(str(material.get("name") or tr("Material {0}", index + 1)))
    specimen = specimen_from(name, Coming(graph, from_gltf(at, graph.note), 1.0, size_mm))
    return taken(specimen, "glTF", graph.notes, surface_of("gltf_pbr", at))
