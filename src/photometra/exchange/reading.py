"""Materials of a MaterialX document as specimens: every surface model that the MaterialX library itself defines."""

from dataclasses import dataclass
from functools import cache
from pathlib import Path

import numpy as np

from ..disk import read_bytes
from ..errors import InputError
from ..names import one_line
from ..study import Specimen
from .coming_in import Coming, specimen_from
from .graph import Graph, Value, constant

_LARGEST = 32_000_000
_MOST_MATERIALS = 500
MODELS = ("open_pbr_surface", "standard_surface", "gltf_pbr", "UsdPreviewSurface", "disney_principled")
_TRANSLATED = "NG_standard_surface_to_open_pbr_surface"


@dataclass(frozen=True, eq=False)
class Taken:
    """A material that came in: as a specimen; model: what it was there; notes: what was not carried."""

    specimen: Specimen
    model: str
    notes: tuple[str, ...]


@cache
def _library():
    import MaterialX as mx

    library = mx.createDocument()
    mx.loadLibraries(mx.getDefaultDataLibraryFolders(), mx.getDefaultDataSearchPath(), library)
    return library


def read_materialx(path, unit_mm=None, size_mm=60.0) -> list[Taken]:
    """The materials of a document, in its order. InputError, in a sentence, where it is none or holds none.

    unit_mm: how long one unit of its lengths is, where it does not say so itself; otherwise one is a millimetre.
    """
    import MaterialX as mx

    path = Path(path)
    text = read_bytes(path, _LARGEST).decode("utf-8", errors="replace")
    if "<!DOCTYPE" in text or "<!ENTITY" in text:
        raise InputError(f"{path}: a document with entities of its own is not opened")
    doc = mx.createDocument()
    options = mx.XmlReadOptions()
    # What a document includes stands elsewhere; nothing is fetched.
    options.readXIncludeFunction = None
    try:
        mx.readFromXmlString(doc, text, mx.FileSearchPath(), options)
    except Exception as error:
        raise InputError(f"{path}: this is not a MaterialX document ({one_line(str(error))[:80]})") from None
    try:
        doc.upgradeVersion()
    except Exception:
        raise InputError(f"{path}: it is of a version of MaterialX that is not understood") from None
    doc.setDataLibrary(_library())
    return taken_from(doc, path, unit_mm, size_mm)


def taken_from(doc, path, unit_mm=None, size_mm=60.0):
    """As `read_materialx`, of an open document."""
    shaders = []
    for material in doc.getMaterialNodes():
        port = material.getInput("surfaceshader")
        shader = port.getConnectedNode() if port is not None else None
        if shader is not None:
            shaders.append((material.getName(), shader))
    if not shaders:
        shaders = [(n.getName(), n) for n in doc.getNodes() if n.getType() == "surfaceshader"]
    if not shaders:
        raise InputError(f"{path}: there is no material in this document")
    if len(shaders) > _MOST_MATERIALS:
        raise InputError(f"{path}: {len(shaders)} materials are more than can be taken in at once; split it")
    refused = [f"'{name}' is a {s.getCategory()}" for name, s in shaders if s.getCategory() not in MODELS]
    out = []
    for name, shader in shaders:
        if shader.getCategory() in MODELS:
            out.append(_taken(name, shader, Path(path).parent, unit_mm, size_mm))
    if not out:
        raise InputError(f"{path}: {'; '.join(refused)[:200]}: none of {', '.join(MODELS)}")
    for sentence in refused:
        out[0] = Taken(out[0].specimen, out[0].model, (*out[0].notes, f"{sentence}, which is not understood"))
    return out


def _taken(name, shader, folder, unit_mm, size_mm):
    graph = Graph(folder)
    model = shader.getCategory()
    stated = 1.0 if "millimetres" in shader.getDocString() else None
    values = {}
    for port in shader.getInputs():
        found = graph.given(shader, port.getName())
        if found is not None:
            values[port.getName()] = found
        elif port.getName() in ("normal", "geometry_normal", "coat_normal", "geometry_coat_normal"):
            values[port.getName()] = constant(0.0, 0.0, 1.0)
    if model != "open_pbr_surface":
        values = _WAYS[model](graph, shader, values)
    unit = unit_mm or stated
    if unit is None and any(n in values for n in ("transmission_depth", "subsurface_radius")):
        graph.note("the document does not say how long its unit is: taken as 1 mm")
    title = shader.getDocString().partition(";")[0].strip() if stated else ""
    specimen = specimen_from(one_line(title or name.replace("_", " ")), Coming(graph, values, unit or 1.0, size_mm))
    return Taken(specimen, model, tuple(graph.notes))


def _from_standard_surface(graph, shader, values):
    """By the library's own translation of the one model into the other."""
    translation = _library().getNodeGraph(_TRANSLATED)
    definition = shader.getNodeDef()
    outer = {p.getName(): v for p in definition.getActiveInputs() if (v := graph.at(shader, p.getName())) is not None}
    outer |= values
    found = {}
    for end in translation.getOutputs():
        name = end.getName().removesuffix("_out")
        inner = end.getConnectedNode()
        value = graph.output(inner, end.getOutputString(), outer) if inner is not None else None
        if value is None and end.getInterfaceName():
            value = outer.get(end.getInterfaceName())
        if value is not None:
            found[name] = value
    # The length of the mean free path does not go through; nor does whether the wall is thin.
    for theirs, ours in (("thin_walled", "geometry_thin_walled"), ("subsurface_scale", "subsurface_radius"),
                         ("subsurface_radius", "subsurface_radius_scale")):  # fmt: skip
        if theirs in values:
            found[ours] = values[theirs]
    if "normal" in values:
        found["geometry_normal"] = values["normal"]
    return found


def _from_gltf(graph, shader, values):
    at = {p.getName(): graph.at(shader, p.getName()) for p in shader.getNodeDef().getActiveInputs()}
    out = {
        "base_color": at["base_color"], "base_metalness": at["metallic"], "specular_roughness": at["roughness"],
        "transmission_weight": at["transmission"], "specular_ior": at["ior"], "geometry_opacity": at["alpha"],
        "coat_weight": at["clearcoat"], "coat_roughness": at["clearcoat_roughness"], "coat_ior": constant(1.5),
        "thin_film_weight": at["iridescence"], "thin_film_ior": at["iridescence_ior"],
        "thin_film_thickness": Value(at["iridescence_thickness"].data / 1000.0), "fuzz_roughness": at["sheen_roughness"],
        "specular_weight": at["specular"], "specular_roughness_anisotropy": at["anisotropy_strength"],
    }  # fmt: skip
    most = float(at["sheen_color"].mean.max())
    if most > 0.0:
        out |= {"fuzz_weight": constant(most), "fuzz_color": Value(at["sheen_color"].data / most)}
    if float(at["transmission"].mean[0]) > 0.0:
        distance = at.get("attenuation_distance")
        if float(at["thickness"].mean[0]) <= 0.0:
            out["geometry_thin_walled"] = constant(1.0)
        elif distance is not None and float(distance.mean[0]) > 0.0:
            # glTF counts in metres.
            out |= {"transmission_color": at["attenuation_color"], "transmission_depth": Value(distance.data * 1000.0)}
        dispersion = float(at["dispersion"].mean[0])
        if dispersion > 0.0:
            out["transmission_dispersion_scale"] = constant(1.0)
            out["transmission_dispersion_abbe_number"] = constant(20.0 / dispersion)
    for theirs, ours in (("normal", "geometry_normal"), ("clearcoat_normal", "geometry_coat_normal")):
        if theirs in values:
            out[ours] = values[theirs]
    if float(at["emissive"].mean.max()) > 0.0:
        out["emission_luminance"] = constant(1.0)
    return out


def _from_usd_preview(graph, shader, values):
    at = {p.getName(): graph.at(shader, p.getName()) for p in shader.getNodeDef().getActiveInputs()}
    out = {
        "base_color": at["diffuseColor"], "base_metalness": at["metallic"], "specular_roughness": at["roughness"],
        "specular_ior": at["ior"], "coat_weight": at["clearcoat"], "coat_roughness": at["clearcoatRoughness"],
        "geometry_opacity": at["opacity"], "coat_ior": constant(1.5),
    }  # fmt: skip
    if float(at["useSpecularWorkflow"].mean[0]) > 0.5:
        face = np.clip(at["specularColor"].mean, 0.0, 0.99)
        out["base_metalness"] = constant(0.0)
        root = float(np.sqrt(face.mean()))
        out["specular_ior"] = constant((1.0 + root) / (1.0 - root))
        graph.note("a reflectance facing us by colour: carried as an index of refraction")
    elif float(at["ior"].mean[0]) <= 1.0:
        out["specular_ior"] = constant(1.0)
    if "normal" in values and not np.allclose(values["normal"].mean, (0.0, 0.0, 1.0)):
        out["geometry_normal"] = values["normal"]
    if float(at["emissiveColor"].mean.max()) > 0.0:
        out["emission_luminance"] = constant(1.0)
    return out


def _from_disney(graph, shader, values):
    at = {p.getName(): graph.at(shader, p.getName()) for p in shader.getNodeDef().getActiveInputs()}
    # Its amount of specular is a reflectance facing us of 0.08 times it (Burley 2012).
    face = 0.08 * np.clip(at["specular"].mean[0], 0.0, 1.0)
    ior = (1.0 + np.sqrt(face)) / (1.0 - np.sqrt(face))
    is_clear = float(at["specTrans"].mean[0]) > 0.0
    out = {
        "base_color": at["baseColor"], "base_metalness": at["metallic"], "specular_roughness": at["roughness"],
        "specular_roughness_anisotropy": at["anisotropic"], "transmission_weight": at["specTrans"],
        "specular_ior": at["ior"] if is_clear else constant(ior), "coat_weight": Value(0.25 * at["clearcoat"].data),
        "coat_roughness": Value(np.sqrt(0.1 + (0.001 - 0.1) * at["clearcoatGloss"].data)), "coat_ior": constant(1.5),
        "fuzz_weight": at["sheen"], "subsurface_weight": at["subsurface"], "subsurface_color": at["baseColor"],
        "subsurface_radius": constant(1.0), "subsurface_radius_scale": at["subsurfaceDistance"],
    }  # fmt: skip
    if is_clear:
        out["transmission_color"] = at["baseColor"]
    if float(at["specularTint"].mean[0]) > 0.0:
        graph.note("the tint of a dielectric's reflection: nature has none")
    return out


_WAYS = {
    "standard_surface": _from_standard_surface, "gltf_pbr": _from_gltf, "UsdPreviewSurface": _from_usd_preview,
    "disney_principled": _from_disney,
}  # fmt: skip
