"""A surface as a MaterialX document, in OpenPBR or another model of its library, and what that could not carry.

OpenPBR 1.1 (Academy Software Foundation 2024): its roughness and ours both square to alpha; a metal is its
reflectance facing us (`base_color`) and a tint of Schlick's curve at 82 degrees (`specular_color`).
"""

import re
from pathlib import Path

import numpy as np

from ..colour import interpolated, reflectance_to_xyz, xyz_to_linear_srgb
from ..colour.observers import WAVELENGTHS
from ..disk import write_text
from ..errors import InputError
from ..instruments import constants_reading
from ..optics.dispersion import LINE_C_NM, LINE_D_NM, LINE_D_SODIUM_NM, LINE_F_NM, abbe_number
from ..optics.fresnel import COS_EDGE
from ..optics.metal import colours_from_constants
from ..study import Specimen
from ..surface import PARAMETERS, rows, table
from ..surface.bank import compile_measured
from ..surface.coat import COLOUR_UM
from ..surface.compile import body_constants, compile_surface
from ..words import tr
from . import MODELS, OPENPBR, baked
from .graph import library
from .models import as_model, picture_inputs


class ExportError(InputError):
    """A document that could not be written; the message is one sentence for people."""


def _rgb(spectrum):
    colour = xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, spectrum))
    return tuple(float(np.clip(v, 0.0, 1.0)) for v in colour), bool(
        (colour < -1e-4).any() or (colour > 1.0 + 1e-4).any()
    )


def _schlick(face, cosine):
    return face + (1.0 - face) * (1.0 - cosine) ** 5


UNITS = {"mm": ("millimetres", 1.0), "cm": ("centimetres", 10.0), "m": ("metres", 1000.0)}
"""Of a document's lengths: what it says of them, and how long one is in mm."""
_LENGTHS = ("transmission_depth", "subsurface_radius")
HAZE = ("haze_weight", "haze_roughness")
"""No inputs of the standard: how much of a second surface is mixed in, that differs in its roughness alone."""
_LEAST_DISPERSIVE = 120.0
"""The Abbe number from which on dispersion is none."""
_BARE = {"coat.amount": 0.0, "film.amount": 0.0, "subsurface": 0.0, "sheen.amount": 0.0, "anisotropy": 0.0}
_SOLID = {"thin_walled": False, "reverse.translucency": 0.0}


def openpbr_inputs(specimen: Specimen, mixed=False):
    """({input: (type, value)}, [a sentence for each thing left out]) for a specimen's surface.

    mixed: haze may go along, as the `HAZE` of a second surface that is mixed in.
    """
    s = specimen.surface.uniform()
    constants = constants_reading(specimen.readings)
    # OpenPBR states body and metal without what lies over them.
    compiled = compile_surface(s.with_values(_BARE), constants)
    inputs, left_out = {}, []
    inputs["base_metalness"] = ("float", s["metalness"])
    inputs["specular_roughness"] = ("float", s["roughness"])
    inputs["base_diffuse_roughness"] = ("float", s["diffuse_roughness"])
    clipped = False
    if s["metalness"] >= 0.5:
        if s["constants"]:
            n, k = body_constants(s, constants)
            face, edge = colours_from_constants(n, k)
            left_out.append(tr("the optical constants by wavelength: carried as colour facing us and at 82 degrees"))
        else:
            face, edge = compiled.spectra[rows.METAL_A, :-1], compiled.spectra[rows.METAL_B, :-1]
        face, edge = (v * compiled.spectra[rows.METAL_TINT, :-1] for v in (face, edge))
        (face, a), (edge, b) = _rgb(face), _rgb(edge)
        tint = tuple(min(1.0, e / _schlick(f, COS_EDGE)) for e, f in zip(edge, face, strict=True))
        inputs["base_color"], inputs["specular_color"] = ("color3", face), ("color3", tint)
        clipped = a or b
    if s["metalness"] < 1.0:
        at_line = float(interpolated(WAVELENGTHS, compiled.spectra[rows.ETA, :-1], np.array([LINE_D_SODIUM_NM]))[0])
        inputs["specular_ior"] = ("float", at_line)
        if s["metalness"] < 0.5:
            # What leaves the body, the light thrown back under its interface counted.
            body, clipped = _rgb(compile_surface(s.with_values({**_BARE, **_SOLID}), constants).spectra[rows.BODY, :-1])
            inputs["base_color"] = ("color3", body)
        else:
            left_out.append(tr("the colour of the dielectric part of a mixture"))
        inputs["transmission_weight"] = ("float", s["transmission"])
        if s["transmission"] > 0.0:
            _interior(s, compiled, specimen.size_mm, inputs, left_out)
        if s.applies("subsurface.radius"):
            _subsurface(s, constants, inputs)
            if max(s["subsurface.shallow"], s["subsurface.deep"]) > 0.0:
                left_out.append(tr("the shallow and deep matter of the subsurface: carried as one colour"))
    for name in specimen.surface.maps:
        if not baked.carries(specimen.surface, name):
            left_out.append(as_one_value(PARAMETERS[name].words))
    _layers(s, inputs)
    if s["film.amount"] > 0.0:
        _film_lost(s, left_out)
    if 0.0 < s["metalness"] < 1.0:
        left_out.append(tr("the exact mixture of metal and dielectric, whose colours OpenPBR ties together"))
    _sheet(s, inputs, left_out)
    if s.applies("rotation") and s["rotation"] != 0.0:
        left_out.append(tr("the rotation of the strokes: it needs the renderer's own tangents"))
    if s["haze.amount"] > 0.0 and mixed:
        inputs[HAZE[0]] = ("float", s["haze.amount"])
        inputs[HAZE[1]] = ("float", s["roughness"] + (1.0 - s["roughness"]) * s["haze.spread"])
    elif s["haze.amount"] > 0.0:
        left_out.append(tr("haze: OpenPBR has a single lobe, written with the finish's own roughness"))
    if clipped:
        left_out.append(tr("the part of a colour outside Rec.709"))
    return inputs, left_out


def as_one_value(label):
    """The sentence on a map that is not carried."""
    return tr("the map of {0}: carried as one value, half-way along its range", label)


def _subsurface(s, constants, inputs):
    """What leaves a deep block (its interface counted, as OpenPBR wants it), and the mean free path in mm."""
    leaves = compile_measured(s.with_values({"subsurface": 1.0, "coat.amount": 0.0}), constants)
    longest = max(s.rgb("subsurface.radius"))
    inputs["subsurface_weight"] = ("float", s["subsurface"])
    inputs["subsurface_color"] = ("color3", _rgb(leaves.spectra[rows.BODY, :-1])[0])
    inputs["subsurface_radius"] = ("float", longest * s["subsurface.scale"])
    inputs["subsurface_radius_scale"] = ("color3", tuple(r / longest for r in s.rgb("subsurface.radius")))


def _sheet(s, inputs, left_out):
    inputs["geometry_opacity"] = ("float", s["opacity"])
    if not s.is_sheet:
        return
    inputs["geometry_thin_walled"] = ("boolean", True)
    if s.applies("reverse.colour"):
        # In a thin wall OpenPBR's subsurface is what goes through a sheet and what it sends back, half each.
        inputs["subsurface_weight"] = ("float", min(1.0, 2.0 * s["reverse.translucency"]))
        inputs["subsurface_color"] = ("color3", s.rgb("reverse.colour"))
        left_out.append(tr("a colour of its own on each side: OpenPBR has one for what goes through"))
    if s["transmission"] > 0.0 and s["thickness"] != 1.0:
        left_out.append(tr("the thickness of the wall"))


def _layers(s, inputs):
    if s["anisotropy"] > 0.0:
        inputs["specular_roughness_anisotropy"] = ("float", s["anisotropy"])
    if s["sheen.amount"] > 0.0:
        inputs["fuzz_weight"], inputs["fuzz_color"] = ("float", s["sheen.amount"]), ("color3", s.rgb("sheen.colour"))
        inputs["fuzz_roughness"] = ("float", s["sheen.roughness"])
    if s["coat.amount"] > 0.0:
        inputs["coat_weight"] = ("float", s["coat.amount"])
        inputs["coat_ior"], inputs["coat_roughness"] = ("float", s["coat.ior"]), ("float", s["coat.roughness"])
        depth = s["coat.thickness"] / COLOUR_UM
        inputs["coat_color"] = ("color3", tuple(c**depth for c in s.rgb("coat.colour")))
        if s["coat.anisotropy"] > 0.0:
            inputs["coat_roughness_anisotropy"] = ("float", s["coat.anisotropy"])
    if s["film.amount"] > 0.0:
        inputs["thin_film_weight"], inputs["thin_film_ior"] = ("float", s["film.amount"]), ("float", _film_index(s))
        # OpenPBR counts a film in micrometres.
        inputs["thin_film_thickness"] = ("float", s["film.thickness"] / 1000.0)


def _film_lost(s, left_out):
    """Say what of a film OpenPBR's single real index cannot hold."""
    if s["film.constants"]:
        n, k = table(s["film.constants"]).on_grid(WAVELENGTHS)
        if float(np.ptp(n)) > 1e-3:
            left_out.append(tr("the dispersion of the film's table: carried as its index at 589.3 nm"))
        if float(np.max(k)) > 1e-3:
            left_out.append(tr("the absorption of the film's table"))
    elif s["film.abbe"] > 0.0:
        left_out.append(tr("the film's dispersion: OpenPBR has one index for it"))


def _film_index(s):
    """One index for the film: its own, or its table's at the yellow line."""
    if not s["film.constants"]:
        return s["film.ior"]
    return float(table(s["film.constants"]).on_grid(np.array([LINE_D_SODIUM_NM]))[0][0])


def _interior(s, compiled, size_mm, inputs, left_out):
    absorption = compiled.spectra[rows.ABSORPTION, :-1]
    if absorption.max() > 0.0:
        depth = s["interior.depth"] if s["interior.colour"] != (1.0, 1.0, 1.0) else size_mm
        inputs["transmission_color"] = ("color3", _rgb(np.exp(-absorption * depth))[0])
        inputs["transmission_depth"] = ("float", depth)
        left_out.append(tr("the spectrum of the absorption: carried as a colour at depth"))
    if s.applies("interior.asymmetry"):
        depth = inputs.setdefault("transmission_depth", ("float", size_mm))[1]
        inputs["transmission_scatter"] = ("color3", tuple(v * depth for v in s.rgb("interior.scatter")))
        inputs["transmission_scatter_anisotropy"] = ("float", s["interior.asymmetry"])
    if s["constants"]:
        n = interpolated(WAVELENGTHS, compiled.spectra[rows.ETA, :-1], np.array([LINE_D_NM, LINE_F_NM, LINE_C_NM]))
        abbe = float(abbe_number(*n)) if n[1] > n[2] else _LEAST_DISPERSIVE
        if abbe < _LEAST_DISPERSIVE:
            inputs["transmission_dispersion_scale"] = ("float", 1.0)
            inputs["transmission_dispersion_abbe_number"] = ("float", abbe)
        left_out.append(tr("the table's index by wavelength: carried as an index and an Abbe number"))
    elif s["abbe"] > 0.0:
        inputs["transmission_dispersion_scale"] = ("float", 1.0)
        inputs["transmission_dispersion_abbe_number"] = ("float", s["abbe"])


def document(specimen: Specimen, inputs=None, textures=None, unit="mm", model=OPENPBR):
    """(MaterialX document, sentences on what was left out); the document is valid against the library.

    inputs: instead of those of `openpbr_inputs`; textures: {input: (type, file beside the document)}; unit: of its
    lengths, of `UNITS`; model: of `MODELS`.
    """
    import MaterialX as mx

    own, left_out = openpbr_inputs(specimen, mixed=True)
    inputs = dict(own if inputs is None else inputs)
    named, long_mm = UNITS[unit]
    if model != "gltf_pbr":
        # glTF's lengths are metres whatever the scene's are.
        inputs |= {k: ("float", inputs[k][1] / long_mm) for k in _LENGTHS if k in inputs}
    (_, haze), (_, hazy) = (inputs.pop(name, ("float", 0.0)) for name in HAZE)
    pictures, lost = _pictures_in(model, textures or {})
    left_out += lost
    doc = mx.createDocument()
    doc.setColorSpace("lin_rec709")
    name = mx.createValidName(re.sub(r"\s+", "_", specimen.name)) or "specimen"
    graph = doc.addNodeGraph(f"NG_{name}") if pictures else None
    told = f"{specimen.name}; lengths in {named}; written by Photometra"
    first = as_model(model, inputs, specimen.size_mm, left_out.append)
    shader = _shader(doc, f"{name}_surface", model, first, pictures, graph)
    shader.setDocString(told)
    if haze > 0.0:
        others = {port: source for port, source in pictures.items() if source[0] != "specular_roughness"}
        second = as_model(model, {**inputs, "specular_roughness": ("float", hazy)}, specimen.size_mm)
        hazed = _shader(doc, f"{name}_haze", model, second, others, graph)
        both = doc.addNode("mix", f"{name}_both", "surfaceshader")
        both.setDocString(told)
        for key, node in (("fg", hazed), ("bg", shader)):
            both.addInput(key, "surfaceshader").setNodeName(node.getName())
        both.addInput("mix", "float").setValueString(f"{haze:.7g}")
        shader = both
    material = doc.addNode("surfacematerial", name, "material")
    link = material.addInput("surfaceshader", "surfaceshader")
    link.setNodeName(shader.getName())
    return doc, left_out


def _pictures_in(model, textures):
    """({input of a model: (input of OpenPBR, type, file)}, sentences on the pictures that it has no input for)."""
    named = picture_inputs(model)
    types = {p.getName(): p.getType() for p in library().getNodeDef(f"ND_{model}_surfaceshader").getActiveInputs()}
    found, lost = {}, []
    for key, (kind, file) in textures.items():
        theirs = key if named is None else named.get(key)
        if types.get(theirs) == kind:
            found[theirs] = key, kind, file
        else:
            lost.append(
                tr(
                    "the map of {0}: {1} has no input for it, carried as one value",
                    key.replace("_", " "),
                    MODELS[model],
                )
            )
    return found, lost


def _shader(doc, name, model, inputs, pictures, graph):
    """A node of a surface model with inputs, those in `pictures` from there."""
    shader = doc.addNode(model, name, "surfaceshader")
    for key, (kind, value) in inputs.items():
        if key in pictures:
            continue
        port = shader.addInput(key, kind)
        if kind == "boolean":
            port.setValueString("true" if value else "false")
        else:
            port.setValueString(", ".join(f"{v:.7g}" for v in value) if isinstance(value, tuple) else f"{value:.7g}")
    for theirs, (key, kind, file) in pictures.items():
        _connect(graph, shader.addInput(theirs, kind), key, kind, file)
    return shader


def _connect(graph, port, key, kind, file):
    """Have an input read a picture laid by UVs."""
    end = graph.getOutput(f"{key}_out")
    if end is not None:
        port.setConnectedOutput(end)
        return
    node = graph.addNode("image", f"{key}_image", kind)
    source = node.addInput("file", "filename")
    source.setValueString(str(file))
    if kind == "color3":
        source.setColorSpace("lin_rec709")
    if key in baked.NORMALS:
        vectors = graph.addNode("normalmap", f"{key}_vectors", kind)
        vectors.addInput("in", kind).setNodeName(node.getName())
        node = vectors
    end = graph.addOutput(f"{key}_out", kind)
    end.setNodeName(node.getName())
    port.setConnectedOutput(end)


def write_materialx(specimen: Specimen, path, inputs=None, unit="mm", model=OPENPBR):
    """Write the document, its maps as pictures in a folder beside it; returns the sentences on what it could not carry.

    inputs: instead of those of `openpbr_inputs`; unit: of its lengths; model: of `MODELS`. InputError where it
    cannot write.
    """
    import MaterialX as mx

    path = Path(path)
    found = baked.textures_of(specimen)
    files = {key: (kind, Path(f"{path.stem}-maps") / baked.file_name(key, data)) for key, (kind, data) in found.items()}
    doc, left_out = document(specimen, inputs, files, unit, model)
    valid, message = doc.validate()
    if not valid:
        raise ExportError(tr("{0}: the document did not come out valid ({1})", path, message.strip()))
    for key, (_, data) in found.items():
        (path.parent / files[key][1]).parent.mkdir(exist_ok=True)
        baked.write(path.parent / files[key][1], data)
    write_text(path, mx.writeToXmlString(doc))
    return left_out
