"""Other surface models against OpenPBR's inputs, both ways: one function each, ours out and theirs in.

glTF 2.0 with the ratified KHR_materials extensions (Khronos 2022); UsdPreviewSurface (2.6); the model of Burley
(2012), told by its inputs. Going in, values are `graph.Value`s; going out, (type, number or colour) as
`openpbr_inputs` has them.
"""

import numpy as np

from ..optics.dispersion import index_of_reflectance
from ..words import tr
from . import OPENPBR
from .graph import Graph, Value, constant, library, parsed

_GLTF_ABBE = 20.0
"""What a dispersion of 1 stands for, as an Abbe number."""


def _mean(at, name, otherwise=0.0):
    return float(at[name].mean[0]) if name in at else otherwise


def _renamed(at, names):
    return {ours: at[theirs] for theirs, ours in names.items() if theirs in at}


def _body_colour(value):
    """One colour for a body and what scatters below it, by their shares."""
    w, base = value["subsurface_weight"], value.get("base_color", (0.8,) * 3)
    return tuple((1.0 - w) * b + w * c for b, c in zip(base, value["subsurface_color"], strict=True))


GLTF = {
    "base_color": "base_color", "metallic": "base_metalness", "roughness": "specular_roughness",
    "transmission": "transmission_weight", "ior": "specular_ior", "alpha": "geometry_opacity",
    "clearcoat": "coat_weight", "clearcoat_roughness": "coat_roughness", "iridescence": "thin_film_weight",
    "iridescence_ior": "thin_film_ior", "sheen_roughness": "fuzz_roughness", "specular": "specular_weight",
    "anisotropy_strength": "specular_roughness_anisotropy", "normal": "geometry_normal",
    "clearcoat_normal": "geometry_coat_normal",
}  # fmt: skip
"""Inputs of OpenPBR by those of `gltf_pbr`, where the number is the same."""


def from_gltf(at, note):
    """glTF's inputs, by the names of MaterialX's `gltf_pbr`, as OpenPBR's; lengths in mm."""
    out = _renamed(at, GLTF) | {"coat_ior": constant(1.5)}
    if "iridescence_thickness" in at:
        out["thin_film_thickness"] = Value(at["iridescence_thickness"].data / 1000.0)
    most = float(at["sheen_color"].data.max()) if "sheen_color" in at else 0.0
    if most > 0.0:
        out |= {"fuzz_weight": constant(most), "fuzz_color": Value(at["sheen_color"].data / most)}
    if _mean(at, "transmission") > 0.0:
        distance = _mean(at, "attenuation_distance")
        if _mean(at, "thickness") <= 0.0:
            out["geometry_thin_walled"] = constant(1.0)
        elif distance > 0.0:
            # glTF counts in metres.
            out |= {"transmission_color": at["attenuation_color"], "transmission_depth": constant(1000.0 * distance)}
        if _mean(at, "dispersion") > 0.0:
            out["transmission_dispersion_scale"] = constant(1.0)
            out["transmission_dispersion_abbe_number"] = constant(_GLTF_ABBE / _mean(at, "dispersion"))
    if "emissive" in at and float(at["emissive"].mean.max()) > 0.0:
        out["emission_luminance"] = constant(1.0)
    return out


def to_gltf(inputs, size_mm, note):
    """OpenPBR's inputs {name: (type, value)} as glTF's, by the names of `gltf_pbr`; note(sentence) for what is lost."""
    value = {k: v for k, (_, v) in inputs.items()}
    out = {theirs: value[ours] for theirs, ours in GLTF.items() if ours in value}
    is_clear = value.get("transmission_weight", 0.0) > 0.0
    if value.get("subsurface_weight", 0.0) > 0.0:
        out["base_color"] = _body_colour(value)
        note(tr("the mean free path of subsurface scattering: glTF has none; its colour is carried"))
    if is_clear:
        out["base_color"] = (1.0, 1.0, 1.0)
        out["thickness"] = 0.0 if value.get("geometry_thin_walled") else size_mm / 1000.0
        depth = value.get("transmission_depth", 0.0)
        if depth > 0.0:
            out |= {
                "attenuation_color": value.get("transmission_color", (1.0,) * 3),
                "attenuation_distance": depth / 1e3,
            }
        if max(value.get("transmission_scatter", (0.0,))) > 0.0:
            note(tr("scattering within: glTF's volume only absorbs"))
        if value.get("transmission_dispersion_scale", 0.0) > 0.0:
            out["dispersion"] = _GLTF_ABBE / max(value["transmission_dispersion_abbe_number"], 1e-3)
    if value.get("base_metalness", 0.0) > 0.5 and "specular_color" in value:
        note(tr("the tint of a metal at the edge: glTF's reflectance rises to white"))
    if value.get("thin_film_weight", 0.0) > 0.0:
        out["iridescence_thickness"] = 1000.0 * value["thin_film_thickness"]
    if value.get("fuzz_weight", 0.0) > 0.0:
        out["sheen_color"] = tuple(value["fuzz_weight"] * c for c in value["fuzz_color"])
    if value.get("coat_weight", 0.0) > 0.0:
        if min(value.get("coat_color", (1.0,))) < 0.999:
            note(tr("the coat's colour: glTF's clear coat has none"))
        if abs(value.get("coat_ior", 1.5) - 1.5) > 1e-3:
            note(tr("the coat's index: glTF has 1.5 for all"))
    if value.get("base_diffuse_roughness", 0.0) > 0.0:
        note(tr("the diffuse roughness: glTF's body is Lambert's"))
    return out


_PREVIEW = {
    "diffuseColor": "base_color", "metallic": "base_metalness", "roughness": "specular_roughness",
    "ior": "specular_ior", "clearcoat": "coat_weight", "clearcoatRoughness": "coat_roughness",
    "opacity": "geometry_opacity",
}  # fmt: skip


PREVIEW_OF = {ours: theirs for theirs, ours in _PREVIEW.items()}
"""Inputs of UsdPreviewSurface by those of OpenPBR."""


def from_preview(at, note):
    """UsdPreviewSurface's inputs as OpenPBR's."""
    out = _renamed(at, _PREVIEW) | {"coat_ior": constant(1.5)}
    if "coat_roughness" not in out:
        out["coat_roughness"] = constant(0.01)
    if "base_color" not in out:
        out["base_color"] = constant(0.18, 0.18, 0.18)
    if "specular_roughness" not in out:
        out["specular_roughness"] = constant(0.5)
    if _mean(at, "useSpecularWorkflow") > 0.5:
        face = np.clip(at["specularColor"].mean, 0.0, 0.99) if "specularColor" in at else np.zeros(3)
        out |= {"base_metalness": constant(0.0), "specular_ior": constant(index_of_reflectance(face.mean()))}
        note(tr("a reflectance facing us by colour: carried as an index of refraction"))
    if "normal" in at and (at["normal"].varies or not np.allclose(at["normal"].mean, (0.0, 0.0, 1.0))):
        # All its lobes stand along the one normal, the coat's too.
        out["geometry_normal"] = out["geometry_coat_normal"] = at["normal"]
    if "emissiveColor" in at and float(at["emissiveColor"].mean.max()) > 0.0:
        out["emission_luminance"] = constant(1.0)
    return out


def to_preview(inputs, note):
    """OpenPBR's inputs as UsdPreviewSurface's: a fall-back for what knows no better."""
    value = {k: v for k, (_, v) in inputs.items()}
    out = {theirs: value[ours] for theirs, ours in _PREVIEW.items() if ours in value}
    if value.get("subsurface_weight", 0.0) > 0.0:
        out["diffuseColor"] = _body_colour(value)
    if value.get("transmission_weight", 0.0) > 0.0:
        out["opacity"] = out.get("opacity", 1.0) * (1.0 - 0.9 * value["transmission_weight"])
        out["diffuseColor"] = value.get("transmission_color", (1.0,) * 3)
        note(tr("what goes through: UsdPreviewSurface fades instead"))
    return out


def from_burley(at, note):
    """Inputs of Burley's (2012) model as OpenPBR's."""
    # Its amount of specular is a reflectance facing us of 0.08 times it.
    face = 0.08 * np.clip(_mean(at, "specular", 0.5), 0.0, 1.0)
    is_clear = _mean(at, "specTrans") > 0.0
    out = _renamed(at, {
        "baseColor": "base_color", "metallic": "base_metalness", "roughness": "specular_roughness",
        "anisotropic": "specular_roughness_anisotropy", "specTrans": "transmission_weight", "sheen": "fuzz_weight",
        "subsurface": "subsurface_weight", "subsurfaceDistance": "subsurface_radius_scale",
    })  # fmt: skip
    out["specular_ior"] = at["ior"] if is_clear else constant(index_of_reflectance(face))
    out |= {"coat_ior": constant(1.5), "subsurface_radius": constant(1.0), "subsurface_color": at["baseColor"]}
    out["coat_weight"] = constant(0.25 * _mean(at, "clearcoat"))
    out["coat_roughness"] = constant(np.sqrt(0.1 + (0.001 - 0.1) * _mean(at, "clearcoatGloss", 1.0)))
    if is_clear:
        out["transmission_color"] = at["baseColor"]
    if _mean(at, "specularTint") > 0.0:
        note(tr("the tint of a dielectric's reflection: nature has none"))
    return out


_TO_STANDARD = "NG_open_pbr_surface_to_standard_surface"
_AS_STANDARD = {
    "base_color": "base_color", "base_metalness": "metalness", "specular_roughness": "specular_roughness",
    "specular_roughness_anisotropy": "specular_anisotropy", "base_diffuse_roughness": "diffuse_roughness",
    "transmission_weight": "transmission", "subsurface_weight": "subsurface", "subsurface_color": "subsurface_color",
    "coat_weight": "coat", "coat_color": "coat_color", "coat_roughness": "coat_roughness", "fuzz_weight": "sheen",
    "fuzz_color": "sheen_color", "fuzz_roughness": "sheen_roughness", "geometry_normal": "normal",
    "geometry_coat_normal": "coat_normal",
}  # fmt: skip
"""Inputs that a picture of OpenPBR's may drive as it is in the standard surface."""


def as_model(model, inputs, size_mm, note=lambda _: None):
    """OpenPBR's inputs {name: (type, value)} as those of a model of `MODELS`; note(sentence) for what is lost."""
    if model == OPENPBR:
        return dict(inputs)
    if model == "standard_surface":
        found = _as_standard_surface(inputs)
    elif model == "gltf_pbr":
        found = to_gltf(inputs, size_mm, note)
    else:
        found = to_preview(inputs, note)
    types = {p.getName(): p.getType() for p in library().getNodeDef(f"ND_{model}_surfaceshader").getActiveInputs()}
    return {name: (types[name], _typed(types[name], value)) for name, value in found.items() if name in types}


def picture_inputs(model):
    """{input of OpenPBR: that of a model which the same picture drives}."""
    if model == OPENPBR:
        return None
    return {"standard_surface": _AS_STANDARD, "gltf_pbr": {v: k for k, v in GLTF.items()}}.get(model, PREVIEW_OF)


def _typed(kind, value):
    numbers = np.ravel(np.asarray(value, float))
    if kind in ("color3", "vector3"):
        return tuple(float(v) for v in np.resize(numbers, 3))
    return bool(numbers[0]) if kind == "boolean" else int(numbers[0]) if kind == "integer" else float(numbers[0])


def _as_standard_surface(inputs):
    """By the library's own translation."""
    graph = library().getNodeGraph(_TO_STANDARD)
    outer = {}
    for port in library().getNodeDef(f"ND_{OPENPBR}_surfaceshader").getActiveInputs():
        name = port.getName()
        if name in inputs:
            outer[name] = constant(*np.ravel(np.asarray(inputs[name][1], float)))
        elif port.getValueString():
            outer[name] = parsed(port)
    work, found = Graph(None), {}
    for end in graph.getOutputs():
        inner = end.getConnectedNode()
        value = work.output(inner, end.getOutputString(), outer) if inner is not None else None
        if value is None and end.getInterfaceName():
            value = outer.get(end.getInterfaceName())
        if value is not None:
            found[end.getName().removesuffix("_out")] = value.data
    # What its translation leaves out: the wall, and the length of the mean free path.
    if inputs.get("geometry_thin_walled", ("", False))[1]:
        found["thin_walled"] = True
    for theirs, ours in (("subsurface_scale", "subsurface_radius"), ("subsurface_radius", "subsurface_radius_scale")):
        if ours in inputs:
            found[theirs] = inputs[ours][1]
    return found


FROM = {"gltf_pbr": from_gltf, "UsdPreviewSurface": from_preview}
"""By the name of the model in MaterialX."""
_BURLEYS = {"baseColor", "clearcoatGloss", "specTrans"}


def way_in(shader):
    """The function that takes a shader's inputs in, or None: by its model's name, or by inputs that only one has."""
    definition = shader.getNodeDef()
    named = FROM.get(shader.getCategory())
    if named is None and definition is not None and {p.getName() for p in definition.getActiveInputs()} >= _BURLEYS:
        return from_burley
    return named
