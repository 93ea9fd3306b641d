"""The virtual instruments: for each kind of reading, what it would read on a surface."""

from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

from ..colour import WAVELENGTHS, interpolated
from ..errors import InputError
from ..readings import KINDS, Reading, averaged, kind, make_reading
from ..readings.geometries import THROUGH
from ..shapes.lying import Spot
from ..surface import Surface
from ..surface.bank import Bank, compile_measured
from ..surface.compile import CompiledSurface, body_constants, compile_apart
from ..words import lowered, tr
from . import glossmeter, goniophotometer, polarised, scatterprobe, spectrophotometer, transmissometer
from .bandpass import film_fringe_nm, within_bandpass
from .edge import has_edge, with_edge
from .mixed import mean_read

REFRACTOMETER_LINES_NM = (435.83, 486.13, 546.07, 587.56, 589.3, 656.27)
"""Lines of mercury (g, e), hydrogen (F, C), helium (d) and sodium (D), at which an index is usually read."""


@dataclass(frozen=True)
class Instrument:
    """One instrument: the kind of reading it makes, its geometries, and where it reads by default (its places)."""

    key: str
    kind_key: str
    label: str
    default: dict[str, tuple[float, ...]]
    geometries: tuple[str, ...] = ()


def _crossed(**axes):
    """Every combination of places, the first changing slowest."""
    grids = np.meshgrid(*axes.values(), indexing="ij")
    return {name: tuple(float(v) for v in g.ravel()) for name, g in zip(axes, grids, strict=True)}


_NM = {"wavelength_nm": tuple(spectrophotometer.WAVELENGTHS_NM)}
_LOBE_DEG = (-75, -60, -50, -40, -30, -20, -10, 0, 10, 20, 30, 35, 40, 43, 45, 47, 50, 55, 60, 70, 80)
_RADII_MM = tuple(np.round(np.geomspace(0.3, 12.0, 14), 3))

INSTRUMENTS = {
    i.key: i
    for i in (
        Instrument("spectrophotometer", "reflectance", tr("Spectrophotometer"), _NM, KINDS["reflectance"].geometries),
        Instrument("glossmeter", "gloss", tr("Gloss meter"), {"angle_deg": glossmeter.ANGLES_DEG}),
        Instrument(
            "reflectometer", "specular", tr("Reflectometer"),
            _crossed(angle_deg=range(10, 86, 5), wavelength_nm=(550.0,), polarisation=(0.0, 1.0)),
        ),
        Instrument(
            "goniophotometer", "lobe", tr("Goniophotometer"), _crossed(incidence_deg=(45.0,), view_deg=_LOBE_DEG)
        ),
        Instrument(
            "gonioreflectometer", "brdf", tr("Gonioreflectometer"),
            _crossed(incidence_deg=(30.0, 60.0), view_deg=(0.0, 15.0, 30.0, 45.0, 60.0, 75.0),
                     azimuth_deg=(0.0, 60.0, 120.0, 150.0, 180.0)),
        ),
        Instrument(
            "ellipsometer", "ellipsometry", tr("Ellipsometer"),
            _crossed(angle_deg=(65.0, 75.0), wavelength_nm=range(400, 781, 20)),
        ),
        Instrument("refractometer", "index", tr("Refractometer"), {"wavelength_nm": REFRACTOMETER_LINES_NM}),
        Instrument("transmissometer", "transmittance", tr("Transmissometer"), _NM),
        Instrument(
            "scatterprobe", "scatter", tr("Scatter probe"),
            _crossed(radius_mm=_RADII_MM, wavelength_nm=(450.0, 550.0, 640.0)),
        ),
        Instrument("colorimeter", "colour", tr("Colorimeter"), {"sample": (1.0,)}, KINDS["colour"].geometries),
    )
}  # fmt: skip


def instrument(key) -> Instrument:
    """An instrument by its key; ValueError, naming them all, where there is none."""
    try:
        return INSTRUMENTS[key]
    except KeyError:
        raise InputError(tr("there is no instrument '{0}': choose from {1}", key, ", ".join(INSTRUMENTS))) from None


@dataclass(frozen=True)
class Question:
    """What an instrument is asked: the kind of reading, its places {column: (n,)}, and how it is set up."""

    kind_key: str
    places: dict[str, np.ndarray]
    geometry: str = ""
    thickness_mm: float = 0.0
    illuminant: str | tuple[float, ...] = "D65"
    observer: str = "1931-2"
    bandpass_nm: float = 0.0
    illuminated_mm: float = 0.0
    collected_mm: float = 0.0
    spot: Spot | None = None

    @classmethod
    def of(cls, reading: Reading):
        return cls(
            reading.kind_key, reading.places, reading.geometry, reading.thickness_mm, reading.lit_by,
            reading.observer, reading.bandpass_nm, reading.illuminated_mm, reading.collected_mm, reading.spot,
        )  # fmt: skip

    def at_wavelengths(self, wavelength_nm):
        """The same, asked along wavelengths alone."""
        return replace(self, places={"wavelength_nm": np.asarray(wavelength_nm, float)})

    def __getitem__(self, column):
        return np.asarray(self.places[column], float)


def constants_reading(readings):
    """(wavelength_nm, n, k) of the first active reading of optical constants, or None."""
    for r in readings:
        if r.kind_key == "constants" and r.active:
            return _constants_of(r)
    return None


@lru_cache(maxsize=16)
def _constants_of(reading):
    mean = averaged(reading)
    return mean.columns["wavelength_nm"], mean.columns["n"], mean.columns["k"]


def predicted(asked: Question, surface: Surface, compiled: CompiledSurface | Bank, constants=None):
    """What a reading would say of a surface: shape (value columns, n).

    compiled: as `compile_measured`; constants: the specimen's own, as `constants_reading`. ValueError where the surface
    cannot be read so: a metal has no index for a refractometer, a face and edge colour no constants. NaN never comes
    back. Through what is open in a surface the instruments look into a black trap. Of a surface that varies, a reading
    is the mean over what the instrument sees of it.
    """
    if isinstance(compiled, Bank):
        shares = compiled.shares(asked.spot)
        return mean_read(asked, shares, compiled.members, lambda *member: predicted(asked, *member, constants))
    if asked.bandpass_nm > 0.0:
        nm = asked["wavelength_nm"]
        narrow = replace(asked, bandpass_nm=0.0)
        return within_bandpass(
            nm, asked.bandpass_nm, film_fringe_nm(surface, float(nm.min())),
            lambda at: predicted(narrow.at_wavelengths(at), surface, compiled, constants),
        )  # fmt: skip
    if has_edge(asked, surface):
        compiled = with_edge(compiled, surface, asked.illuminated_mm, asked.collected_mm, constants)
    if asked.kind_key in _READS:
        return surface["opacity"] * _READS[asked.kind_key](asked, compiled)
    if asked.kind_key == "colour":
        if asked.geometry == THROUGH and surface["subsurface"] > 0.0:
            compiled = compile_apart(surface, constants)
        lab = spectrophotometer.colour_read(
            compiled, asked.illuminant, asked.observer, asked.geometry or "di:8", asked.thickness_mm, surface["opacity"]
        )
        return np.repeat(lab[:, None], asked["sample"].size, axis=1)
    if asked.kind_key == "ellipsometry":
        return polarised.ellipsometry(compiled, asked["angle_deg"], asked["wavelength_nm"])
    if asked.kind_key in ("transmittance", "scatter", "coefficients"):
        # What wanders below must stay apart from the body here.
        if surface["subsurface"] > 0.0:
            compiled = compile_apart(surface, constants)
        return _within(asked, surface, compiled)
    return _constants(asked, surface, constants)


_READS = {
    "reflectance": lambda q, c: spectrophotometer.spectral_reflectance(
        c, q["wavelength_nm"], q.geometry or "di:8", q.thickness_mm
    )[None],
    "gloss": lambda q, c: glossmeter.gloss(c, q["angle_deg"])[None],
    "specular": lambda q, c: polarised.specular_reflectance(
        c, q["angle_deg"], q["wavelength_nm"], q["polarisation"]
    )[None],
    "lobe": lambda q, c: goniophotometer.in_plane_lobe(c, q["incidence_deg"], q["view_deg"])[None],
    "brdf": lambda q, c: goniophotometer.table_of_lobes(c, q["incidence_deg"], q["view_deg"], q["azimuth_deg"])[None],
    "photograph": lambda q, c: goniophotometer.lit_patches(c, q["incidence_deg"], q["view_deg"]),
}  # fmt: skip
"""Kinds that read the light a surface sends back."""


def _within(asked, surface, compiled):
    """What is read of the light inside a body."""
    wavelengths = asked["wavelength_nm"]
    if asked.kind_key == "transmittance":
        opaque = 1.0 - surface["opacity"]
        return opaque + surface["opacity"] * transmissometer.transmittance(compiled, wavelengths, asked.thickness_mm)
    if asked.kind_key == "scatter":
        found = scatterprobe.scatter_profile(compiled, asked["radius_mm"], wavelengths, asked.thickness_mm)
        return surface["opacity"] * found[None]
    media = transmissometer.media_of(compiled, wavelengths)
    if not media or surface["metalness"] >= 1.0:
        raise InputError(
            tr("this surface has no interior whose coefficients could be read; make it clear or translucent")
        )
    _, absorption, scatter, asymmetry = max(media, key=lambda m: m[0])
    return np.stack([absorption, scatter, (1.0 - asymmetry) * scatter])


def _constants(asked, surface, constants):
    if asked.kind_key == "index" and surface["metalness"] >= 1.0:
        raise InputError(tr("a refractometer reads dielectrics only; this surface is a metal"))
    if asked.kind_key not in ("index", "constants"):
        raise InputError(tr("there is no instrument for a reading of kind '{0}'", asked.kind_key))
    body = body_constants(surface, constants)
    if body is None:
        raise InputError(tr("face and edge colour have no optical constants; choose a table to compare with"))
    n, k = (interpolated(WAVELENGTHS, v, asked["wavelength_nm"]) for v in body)
    return n[None] if asked.kind_key == "index" else np.stack([n, k])


def model_of(reading: Reading, surface, compiled, constants=None):
    """`predicted` for an existing reading, at its own places."""
    return predicted(Question.of(reading), surface, compiled, constants)


def measured(
    key, surface: Surface, geometry="", constants=None, places=None, name="", thickness_mm=0.0, **setting
) -> Reading:
    """A noiseless reading that an instrument takes of a surface. ValueError where it cannot.

    places: {column: numbers}, instead of the instrument's own; thickness_mm: of the slab, where that matters; setting:
    illuminant and observer of a colorimeter, band-pass, and diameters of what is illuminated and collected.
    """
    tool = instrument(key)
    k = kind(tool.kind_key)
    if geometry and geometry not in tool.geometries:
        choice = tr("choose from {0}", ", ".join(tool.geometries)) if tool.geometries else tr("it has none to choose")
        raise InputError(tr("a {0} has no geometry '{1}': {2}", lowered(tool.label), geometry, choice))
    geometry = geometry or (tool.geometries[0] if tool.geometries else "")
    if key == "transmissometer" or geometry == THROUGH:
        thickness_mm = thickness_mm or transmissometer.DEFAULT_THICKNESS_MM
    if not k.takes_thickness:
        thickness_mm = 0.0
    at = {c: np.asarray(v, float) for c, v in (places or tool.default).items()}
    asked = Question(tool.kind_key, at, geometry, thickness_mm, **setting)
    values = predicted(asked, surface, compile_measured(surface, constants), constants)
    columns = {**at, **dict(zip(k.values, values, strict=True))}
    source = tr("virtual {0}", lowered(tool.label))
    return make_reading(
        name or tool.label, tool.kind_key, columns, geometry=geometry, source=source, thickness_mm=thickness_mm,
        **setting,
    )  # fmt: skip
