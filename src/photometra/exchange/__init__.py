"""Surfaces to and from open material standards: MaterialX, glTF, USD."""

from pathlib import Path

from ..errors import InputError
from .gltf import read_gltf_materials, write_gltf
from .loss import Fitted, Loss, fitted
from .materialx import ExportError, write_materialx
from .reading import Taken, read_materialx
from .usd_stage import SUFFIXES as _USD
from .usd_stage import read_usd_materials, write_usd

MATERIAL_SUFFIXES = (".mtlx", ".gltf", ".glb", *_USD)


def read_materials(path, unit_mm=None, size_mm=60.0) -> list[Taken]:
    """The materials of a file of any of the standards as specimens. InputError where it is none, or holds none."""
    suffix = Path(path).suffix.lower()
    if suffix == ".mtlx":
        return read_materialx(path, unit_mm, size_mm)
    if suffix in (".gltf", ".glb"):
        return read_gltf_materials(path, size_mm)
    if suffix in _USD:
        return read_usd_materials(path, size_mm)
    raise InputError(f"{path}: materials come from {', '.join(s[1:] for s in MATERIAL_SUFFIXES)}")


def write_standard(standard, study, specimen, path) -> tuple[dict[str, Fitted], list[str]]:
    """Write a specimen by a standard: ({specimen: how close its values come}, what could not be carried)."""
    if standard == "gltf":
        return write_gltf(study, specimen, path)
    if standard == "usd":
        return write_usd(study, specimen, path)
    found = fitted(specimen)
    return {specimen.name: found}, write_materialx(specimen, path, found.inputs)


__all__ = [
    "MATERIAL_SUFFIXES",
    "ExportError",
    "Fitted",
    "Loss",
    "Taken",
    "fitted",
    "read_materials",
    "read_materialx",
    "write_gltf",
    "write_materialx",
    "write_standard",
    "write_usd",
]
