"""Surfaces to and from open material standards: MaterialX, glTF, USD. What does the work is slow to import: inside."""

from dataclasses import replace
from functools import partial
from pathlib import Path

from ..errors import InputError
from ..words import tr

STANDARDS = {"materialx": (".mtlx",), "gltf": (".glb",), "usd": (".usda", ".usdc")}
"""What is written, and by which suffixes."""
OPENPBR = "open_pbr_surface"
MODELS = {
    OPENPBR: "OpenPBR", "standard_surface": "Standard Surface", "gltf_pbr": "glTF",
    "UsdPreviewSurface": "UsdPreviewSurface",
}  # fmt: skip
"""The surface models that a MaterialX document may be written in, and what people call them."""
_USD = (".usda", ".usdc", ".usd")
MATERIAL_SUFFIXES = (".mtlx", ".gltf", ".glb", *_USD)
"""Of files that materials come from."""


def read_materials(path, unit_mm=None, size_mm=60.0):
    """The materials of a file of any of the standards, each a `reading.Taken`. InputError where there are none.

    Where they come from, and what was not carried, stands with each of the specimens. unit_mm: how long one unit of a
    MaterialX document's lengths is, where it does not say so itself.
    """
    suffix = Path(path).suffix.lower()
    if suffix == ".mtlx":
        from .reading import read_materialx

        found = read_materialx(path, unit_mm, size_mm)
    elif suffix in (".gltf", ".glb"):
        from .gltf import read_gltf_materials

        found = read_gltf_materials(path, size_mm)
    elif suffix in _USD:
        from .usd_stage import read_usd_materials

        found = read_usd_materials(path, size_mm)
    else:
        raise InputError(tr("{0}: materials come from {1}", path, ", ".join(s[1:] for s in MATERIAL_SUFFIXES)))
    return [replace(t, specimen=_told(t, Path(path).name)) for t in found]


def _told(taken, name):
    notes = "".join(f"\nNot carried: {note}." for note in taken.notes)
    return replace(taken.specimen, rests_on=f"{name}, {taken.model}", notes=notes.strip())


def write_standard(standard, study, specimen, path, unit="mm", place=None, model="open_pbr_surface"):
    """Write a specimen by a standard: ({specimen: `loss.Fitted`}, sentences on what could not be carried).

    unit: of a MaterialX document's lengths, model: its surface model, of `MODELS`; the others have one of each.
    place: where the values that lose least
    are looked for, this process unless it is given (`tracing.places`).
    """
    from ..tracing.places import Threads

    place = place or Threads()
    if standard == "gltf":
        from .gltf import write_gltf

        return write_gltf(study, specimen, path, place)
    if standard == "usd":
        from .usd_stage import write_usd

        return write_usd(study, specimen, path, place)
    from .loss import fitted
    from .materialx import write_materialx

    (found,) = place.each(partial(fitted, mixed=True, model=model), [specimen])
    return {specimen.name: found}, write_materialx(specimen, path, found.inputs, unit, model)
