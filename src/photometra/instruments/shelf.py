"""The virtual instruments: for each kind of reading, what it would read on a surface."""

from dataclasses import dataclass

import numpy as np

from ..colour import WAVELENGTHS, interpolated
from ..readings import Reading, kind, make_reading
from ..surface import Surface
from ..surface.compile import CompiledSurface, body_constants, compile_measured
from . import glossmeter, spectrophotometer

REFRACTOMETER_LINES_NM = (435.83, 486.13, 546.07, 587.56, 589.3, 656.27)
"""Lines of mercury (g, e), hydrogen (F, C), helium (d) and sodium (D), at which an index is usually read."""


@dataclass(frozen=True)
class Instrument:
    """One instrument: the kind of reading it makes, its geometries, and where it reads by default."""

    key: str
    kind_key: str
    label: str
    geometries: tuple[str, ...] = ()
    default_x: tuple[float, ...] = ()


INSTRUMENTS = {
    i.key: i
    for i in (
        Instrument(
            "spectrophotometer",
            "reflectance",
            "Spectrophotometer",
            ("di:8", "de:8", "45:0"),
            tuple(spectrophotometer.WAVELENGTHS_NM),
        ),
        Instrument("glossmeter", "gloss", "Gloss meter", default_x=glossmeter.ANGLES_DEG),
        Instrument("refractometer", "index", "Refractometer", default_x=REFRACTOMETER_LINES_NM),
    )
}


def instrument(key) -> Instrument:
    """An instrument by its key; ValueError, naming them all, where there is none."""
    try:
        return INSTRUMENTS[key]
    except KeyError:
        raise ValueError(f"there is no instrument '{key}': choose from {', '.join(INSTRUMENTS)}") from None


def constants_reading(readings):
    """(wavelength_nm, n, k) of the first active reading of optical constants, or None."""
    for r in readings:
        if r.kind_key == "constants" and r.active:
            return r.columns["wavelength_nm"], r.columns["n"], r.columns["k"]
    return None


def predicted(kind_key, geometry, x, surface: Surface, compiled: CompiledSurface, constants=None):
    """What a reading of a kind would say of a surface at `x` (its first column): shape (value columns, n).

    constants: the specimen's own, as `constants_reading`. ValueError where the surface cannot be read so: a metal
    has no index for a refractometer, a face and edge colour no constants. NaN never comes back. Through what is open in
    a surface the instruments look into a black trap.
    """
    x = np.asarray(x, float)
    if kind_key == "reflectance":
        return surface["opacity"] * spectrophotometer.spectral_reflectance(compiled, x, geometry or "di:8")[None]
    if kind_key == "gloss":
        return surface["opacity"] * glossmeter.gloss(compiled, x)[None]
    if kind_key == "index" and surface["metalness"] >= 1.0:
        raise ValueError("a refractometer reads dielectrics only; this surface is a metal")
    if kind_key not in ("index", "constants"):
        raise ValueError(f"there is no instrument for a reading of kind '{kind_key}'")
    body = body_constants(surface, constants)
    if body is None:
        raise ValueError("face and edge colour have no optical constants; choose a table to compare with")
    n, k = (interpolated(WAVELENGTHS, v, x) for v in body)
    return n[None] if kind_key == "index" else np.stack([n, k])


def model_of(reading: Reading, surface, compiled, constants=None):
    """`predicted` for an existing reading, at its own places."""
    return predicted(reading.kind_key, reading.geometry, reading.x, surface, compiled, constants)


def measured(key, surface: Surface, geometry="", constants=None, x=None, name="") -> Reading:
    """A noiseless reading that an instrument takes of a surface. ValueError where it cannot."""
    tool = instrument(key)
    if geometry and geometry not in tool.geometries:
        choice = f"choose from {', '.join(tool.geometries)}" if tool.geometries else "it has none to choose"
        raise ValueError(f"a {tool.label.lower()} has no geometry '{geometry}': {choice}")
    geometry = geometry or (tool.geometries[0] if tool.geometries else "")
    x = np.asarray(tool.default_x if x is None else x, float)
    compiled = compile_measured(surface, constants)
    values = predicted(tool.kind_key, geometry, x, surface, compiled, constants)
    columns = dict(zip(kind(tool.kind_key).columns, [x, *values], strict=True))
    source = f"virtual {tool.label.lower()}"
    return make_reading(name or tool.label, tool.kind_key, columns, geometry=geometry, source=source)
