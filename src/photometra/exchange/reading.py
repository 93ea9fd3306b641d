"""Materials of a MaterialX document as specimens: every surface model that the MaterialX library itself defines."""

from dataclasses import dataclass, replace
from pathlib import Path

import numpy as np

from ..disk import read_bytes
from ..errors import InputError
from ..names import one_line
from ..study import Specimen
from ..words import tr
from .coming_in import Coming, specimen_from
from .equations import Mixed
from .graph import Graph, constant, library
from .loss import Understood, understood
from .materialx import HAZE, UNITS
from .models import way_in
from .theirs import closure_of

_LARGEST = 32_000_000
_MOST_MATERIALS = 500
_DEEPEST = 8
"""Mixes of mixes."""
_OPENPBR, _STANDARD = "open_pbr_surface", "standard_surface"
_TRANSLATED = "NG_standard_surface_to_open_pbr_surface"


@dataclass(frozen=True, eq=False)
class Taken:
    """A material that came in: as a specimen; model: what it was there; notes: what was not carried; understood: how
    it compares with its own equations, None where maps vary it."""

    specimen: Specimen
    model: str
    notes: tuple[str, ...]
    understood: Understood | None


def taken(specimen, model, notes, closure) -> Taken:
    """What came in, as close to its own equations as it comes."""
    found = understood(specimen.surface, closure)
    if found is not None:
        specimen = replace(specimen, surface=found.surface)
    return Taken(specimen, model, tuple(notes), found)


def read_materialx(path, unit_mm=None, size_mm=60.0) -> list[Taken]:
    """The materials of a document, in its order. InputError, in a sentence, where it is none or holds none.

    unit_mm: how long one unit of its lengths is, where it does not say so itself; otherwise one is a millimetre.
    """
    import MaterialX as mx

    path = Path(path)
    text = read_bytes(path, _LARGEST).decode("utf-8", errors="replace")
    if "<!DOCTYPE" in text or "<!ENTITY" in text:
        raise InputError(tr("{0}: a document with entities of its own is not opened", path))
    doc = mx.createDocument()
    options = mx.XmlReadOptions()
    # What a document includes stands elsewhere; nothing is fetched.
    options.readXIncludeFunction = None
    try:
        mx.readFromXmlString(doc, text, mx.FileSearchPath(), options)
    except Exception as error:
        raise InputError(tr("{0}: this is not a MaterialX document ({1})", path, one_line(str(error))[:80])) from None
    try:
        doc.upgradeVersion()
    except Exception:
        raise InputError(tr("{0}: it is of a version of MaterialX that is not understood", path)) from None
    doc.setDataLibrary(library())
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
        raise InputError(tr("{0}: there is no material in this document", path))
    if len(shaders) > _MOST_MATERIALS:
        raise InputError(tr("{0}: {1} materials are more than can be taken in at once; split it", path, len(shaders)))
    refused = [tr("'{0}' is a {1}", name, s.getCategory()) for name, s in shaders if not _is_known(s)]
    out = []
    for name, shader in shaders:
        if _is_known(shader):
            out.append(_taken(name, shader, Path(path).parent, unit_mm, size_mm))
    if not out:
        raise InputError(
            tr("{0}: {1}: none of the models that MaterialX itself defines", path, "; ".join(refused)[:200])
        )
    for sentence in refused:
        out[0] = replace(out[0], notes=(*out[0].notes, tr("{0}, which is not understood", sentence)))
    return out


def _mixed(shader):
    """(fore, back) of a mix of two surfaces; (None, None) of anything else."""
    if shader.getCategory() != "mix":
        return None, None
    return tuple(port.getConnectedNode() if (port := shader.getInput(n)) is not None else None for n in ("fg", "bg"))


def _is_known(shader, depth=0):
    fore, behind = _mixed(shader)
    if fore is not None and behind is not None and depth < _DEEPEST:
        return _is_known(fore, depth + 1) and _is_known(behind, depth + 1)
    return shader.getCategory() in (_OPENPBR, _STANDARD) or way_in(shader) is not None


def _taken(name, shader, folder, unit_mm, size_mm):
    graph = Graph(folder)
    told = shader.getDocString()
    stated = next((long_mm for named, long_mm in UNITS.values() if f"lengths in {named};" in told), None)
    model, values = _values_of(graph, shader)
    unit = unit_mm or stated
    if unit is None and any(n in values for n in ("transmission_depth", "subsurface_radius")):
        graph.note(tr("the document does not say how long its unit is: taken as 1 mm"))
    title = told.partition(";")[0].strip() if stated else ""
    specimen = specimen_from(one_line(title or name.replace("_", " ")), Coming(graph, values, unit or 1.0, size_mm))
    return taken(specimen, model, graph.notes, _closure(graph, shader))


def _closure(graph, shader):
    """What a shader's own equations make of it, of a mix of two those of both."""
    fore, behind = _mixed(shader)
    if fore is not None:
        found = graph.at(shader, "mix")
        share = float(found.mean[0]) if found is not None else 0.0
        return Mixed(_closure(graph, behind), _closure(graph, fore), float(np.clip(share, 0.0, 1.0)))
    definition = shader.getNodeDef()
    at = {p.getName(): graph.at(shader, p.getName()) for p in definition.getActiveInputs()}
    return closure_of(definition, {k: v for k, v in at.items() if v is not None})


def _values_of(graph, shader):
    """(the surface model, {input of OpenPBR: Value}) of a shader; of two that are mixed and differ in roughness alone
    the one with the other as its haze, else the one that counts more."""
    fore, behind = _mixed(shader)
    if fore is not None:
        (model, over), (other, under) = (_values_of(graph, s) for s in (fore, behind))
        found = graph.at(shader, "mix")
        share = float(found.mean[0]) if found is not None else 0.0
        differing = {k for k in over.keys() | under.keys() if not _alike(over.get(k), under.get(k))}
        if differing <= {"specular_roughness"} and {HAZE[0]}.isdisjoint(over.keys() | under.keys()):
            hazy = over.get("specular_roughness", constant(0.3))
            return other, {**under, HAZE[0]: constant(share), HAZE[1]: constant(float(hazy.mean[0]))}
        told = ", ".join(sorted(differing))[:80]
        graph.note(tr("a mix of two surfaces, which differ in {0}: the one that counts more is carried", told))
        return (model, over) if share > 0.5 else (other, under)
    model, values = shader.getCategory(), {}
    for port in shader.getInputs():
        found = graph.given(shader, port.getName())
        if found is not None:
            values[port.getName()] = found
        elif port.getName() in ("normal", "geometry_normal", "coat_normal", "geometry_coat_normal"):
            values[port.getName()] = constant(0.0, 0.0, 1.0)
    if model == _STANDARD:
        values = _from_standard_surface(graph, shader, values)
    elif model != _OPENPBR:
        at = {p.getName(): graph.at(shader, p.getName()) for p in shader.getNodeDef().getActiveInputs()}
        values = way_in(shader)({k: v for k, v in at.items() if v is not None} | values, graph.note)
    return model, values


def _alike(a, b):
    return a is not None and b is not None and a.data.shape == b.data.shape and bool(np.allclose(a.data, b.data))


def _from_standard_surface(graph, shader, values):
    """By the library's own translation of the one model into the other."""
    translation = library().getNodeGraph(_TRANSLATED)
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
    for theirs, ours in (("normal", "geometry_normal"), ("coat_normal", "geometry_coat_normal")):
        if theirs in values:
            found[ours] = values[theirs]
    return found
