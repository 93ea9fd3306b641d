"""What a column of somebody's table means, from its name: which of our columns, in which unit."""

import re
import unicodedata
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from ..optics.dispersion import EV_NM
from ..words import tr
from . import spoken

UNITS = {
    "wavelength": {"nm": 1.0, "um": 1000.0, "å": 0.1, "ev": None},
    "angle": {"deg": 1.0, "rad": 180.0 / np.pi},
    "length": {"mm": 1.0, "cm": 10.0, "um": 1e-3, "m": 1000.0},
    "share": {"fraction": 1.0, "percent": 0.01},
    "per length": {"1/mm": 1.0, "1/cm": 0.1, "1/m": 1e-3},
    "per area": {"1/mm2": 1.0, "1/cm2": 0.01},
    "per sr": {"1/sr": 1.0},
    "gloss": {"gu": 1.0},
    "number": {"": 1.0},
    "letter": {"": 1.0},
}
"""By what is measured: each unit, and its factor to ours. The first is ours; None is reckoned (photon energy)."""

_SPELLINGS = {
    "µm": "um", "μm": "um", "micron": "um", "microns": "um", "micrometre": "um", "angstrom": "å", "a": "å",
    "°": "deg", "degree": "deg", "degrees": "deg", "%": "percent", "pct": "percent", "frac": "fraction",
    "ångström": "å", "ångstrom": "å", "a.": "å",
    "per_mm": "1/mm", "mm-1": "1/mm", "mm^-1": "1/mm", "mm⁻¹": "1/mm", "/mm": "1/mm",
    "per_cm": "1/cm", "cm-1": "1/cm", "cm^-1": "1/cm", "cm⁻¹": "1/cm", "/cm": "1/cm",
    "per_m": "1/m", "m-1": "1/m", "m^-1": "1/m", "/m": "1/m",
    "per_mm2": "1/mm2", "mm-2": "1/mm2", "mm^-2": "1/mm2", "/mm²": "1/mm2", "1/mm²": "1/mm2",
    "per_cm2": "1/cm2", "cm-2": "1/cm2", "cm^-2": "1/cm2", "/cm²": "1/cm2", "1/cm²": "1/cm2",
    "per_sr": "1/sr", "sr-1": "1/sr", "/sr": "1/sr", "units": "gu", "unit": "gu",
    **spoken.UNITS,
}  # fmt: skip

MEASURES = {
    "wavelength_nm": "wavelength", "angle_deg": "angle", "incidence_deg": "angle", "view_deg": "angle",
    "azimuth_deg": "angle",
    "radius_mm": "length", "polarisation": "letter", "sample": "number", "patch": "number",
    "n": "number", "k": "number", "reflectance": "share", "gloss_units": "gloss", "brdf_per_sr": "per sr",
    "psi_deg": "angle", "delta_deg": "angle", "regular": "share", "total": "share",
    "exitance_per_mm2": "per area", "absorption_per_mm": "per length", "scatter_per_mm": "per length",
    "L": "number", "a": "number", "b": "number", "C": "number", "h": "angle",
    "X": "number", "Y": "number", "Z": "number",
    "red": "number", "green": "number", "blue": "number", "masked": "number",
    "reduced_scatter_per_mm": "per length",
}  # fmt: skip
"""Every column there is, and what it measures."""

_STEMS = {
    "wavelength": "wavelength_nm", "wl": "wavelength_nm", "lambda": "wavelength_nm", "λ": "wavelength_nm",
    "energy": "wavelength_nm", "photon_energy": "wavelength_nm", "wavelength_nm": "wavelength_nm",
    "angle": "angle_deg", "angle_of_incidence": "angle_deg", "aoi": "angle_deg", "theta": "angle_deg",
    "incidence": "incidence_deg", "theta_i": "incidence_deg", "view": "view_deg", "viewing": "view_deg",
    "theta_r": "view_deg", "theta_v": "view_deg", "theta_o": "view_deg",
    "azimuth": "azimuth_deg", "phi": "azimuth_deg", "phi_r": "azimuth_deg", "delta_phi": "azimuth_deg",
    "dphi": "azimuth_deg", "azimuth_deg": "azimuth_deg", "phi_d": "azimuth_deg", "φ": "azimuth_deg",
    "radius": "radius_mm", "distance": "radius_mm", "pol": "polarisation", "polarisation": "polarisation",
    "polarization": "polarisation", "sample": "sample", "patch": "patch",
    "n": "n", "index": "n", "refractive_index": "n", "k": "k", "extinction": "k",
    "reflectance": "reflectance", "r": "reflectance", "rs": "reflectance:s", "rp": "reflectance:p",
    "reflectance_s": "reflectance:s", "reflectance_p": "reflectance:p",
    "gloss": "gloss_units", "gloss_units": "gloss_units", "gu": "gloss_units", "brdf": "brdf_per_sr",
    "f_r": "brdf_per_sr", "fr": "brdf_per_sr",
    "psi": "psi_deg", "ψ": "psi_deg", "delta": "delta_deg", "δ": "delta_deg", "∆": "delta_deg",
    "regular": "regular", "total": "total", "regular_transmittance": "regular", "total_transmittance": "total",
    "t_regular": "regular", "t_total": "total", "transmittance": "total", "t": "total",
    "exitance": "exitance_per_mm2", "absorption": "absorption_per_mm", "mu_a": "absorption_per_mm",
    "sigma_a": "absorption_per_mm", "scatter": "scatter_per_mm", "scattering": "scatter_per_mm",
    "mu_s": "scatter_per_mm", "sigma_s": "scatter_per_mm", "µs": "scatter_per_mm", "mus": "scatter_per_mm",
    "µa": "absorption_per_mm", "mua": "absorption_per_mm",
    **dict.fromkeys(
        ("reduced_scatter", "reduced_scattering", "reduced_scattering_coefficient", "mu_s'", "mu_s′", "mus'", "mus′",
         "musp", "mu_sp", "mu_s_prime", "µs'", "µs′", "µ_s'", "sigma_s'", "sigma_s′", "scatter_reduced"),
        "reduced_scatter_per_mm",
    ),
    "%r": "reflectance", "r%": "reflectance", "%t": "total", "t%": "total", "reflectance_factor": "reflectance",
    "nm": "wavelength_nm", "wave": "wavelength_nm", "wavelengths": "wavelength_nm",
    "lab_l": "L", "lab_a": "a", "lab_b": "b", "l*": "L", "a*": "a", "b*": "b", "l": "L", "a": "a", "b": "b",
    "c*": "C", "c*ab": "C", "chroma": "C", "lch_c": "C", "lch_l": "L", "lch_h": "h",
    "h": "h", "h°": "h", "hab": "h", "hue": "h",
    "xyz_x": "X", "xyz_y": "Y", "xyz_z": "Z", "x": "X", "y": "Y", "z": "Z",
    "red": "red", "green": "green", "blue": "blue", "rgb_r": "red", "rgb_g": "green", "rgb_b": "blue",
    "masked": "masked",
}  # fmt: skip
_STEMS |= {word: _STEMS[english] for word, english in spoken.COLUMNS.items()}
_BY_CHANNEL = ("exitance_per_mm2", "absorption_per_mm", "scatter_per_mm", "reduced_scatter_per_mm")
_CHANNELS = {"r": "red", "g": "green", "b": "blue", "red": "red", "green": "green", "blue": "blue"}
_ONLY_WITH_UNIT = ("sigma_a", "sigma_s")
"""Coefficients by their symbol, which without a unit would be the uncertainty of a column `a`."""
IGNORED = ""
LONGEST_NAME = 200
"""A longer header cell names nothing: it is not looked at letter by letter."""


@dataclass(frozen=True)
class Meaning:
    """One column as understood. name: one of ours, `name:channel` for a part of one (a colour channel, s or p), or
    empty where it is left out. unit: of those in `UNITS` for what it measures, empty where the column says none.
    """

    raw: str
    name: str = IGNORED
    unit: str = ""
    is_sigma: bool = False

    @property
    def measure(self):
        return MEASURES.get(self.name.partition(":")[0], "number")

    def converted(self, values, unit=None):
        """Values in our unit; `unit` stands in where the column says none."""
        factor = UNITS[self.measure].get(self.unit or unit or next(iter(UNITS[self.measure])), 1.0)
        if factor is None:
            with np.errstate(divide="ignore"):
                return EV_NM / values
        return values * factor


_NM = re.compile(
    r"^(?:[RT]|REFL(?:ECTANCE)?|SPEC(?:TRAL)?|WL|WAVELENGTH|LAMBDA|λ|NM)?[ _]*(?:NM)?[ _]*"
    r"(\d{3,4})(?:[.,]0+)?\s*(?:\[?\(?\s*nm\s*\)?\]?)?$",
    re.I,
)
_GLOSS = re.compile(
    r"^(?:gloss|glanz|gu|ge|g)?[ _@(]*(20|60|85)\s*(?:°|deg(?:rees)?|grad)?\)?[ _]*"
    r"(?:\[?\(?\s*(?:gloss|glanz|gu|ge)\s*\)?\]?)?$",
    re.I,
)


def wavelength_in(cell, low=200.0, high=2600.0):
    """The wavelength in nm that a header cell or a row's label says (`R 650 nm`, `SPEC_380`), or None."""
    cell = cell.strip()
    found = _NM.match(cell) if len(cell) <= LONGEST_NAME else None
    return float(found[1]) if found and low <= float(found[1]) <= high else None


def gloss_angle_in(cell):
    """The angle of a gloss meter that a header cell says (`60°`, `Gloss 60`), or None."""
    if "20" not in cell and "60" not in cell and "85" not in cell:
        return None
    cell = cell.strip()
    found = _GLOSS.match(cell) if len(cell) <= LONGEST_NAME else None
    return int(found[1]) if found else None


def _split_unit(text):
    """(stem, unit as spelt or empty) of a column's name."""
    found = re.match(r"^(.*?)\s*[\[(]\s*(.*?)\s*[\])]\s*$", text) or re.match(r"^(.+?)\s*,?\s+/\s*(.+)$", text)
    if found:
        return found[1], found[2]
    found = re.match(r"^(.+?)[ _](per_(?:mm2|cm2|mm|cm|m|sr)|[^ _]+)$", text)
    if found and (unit_named(found[2]) is not None):
        return found[1], found[2]
    found = re.match(r"^(.+?)/([^/]+)$", text)
    if found and unit_named(found[2]) is not None:
        return found[1], found[2]
    return text, ""


def unit_named(spelt):
    """One of our units by how somebody spells it; None where it is none."""
    spelt = spelt.strip().lower().replace(" ", "")
    spelt = _SPELLINGS.get(spelt) or _SPELLINGS.get(spelt.rstrip("."), spelt.rstrip("."))
    return spelt if any(spelt in units for units in UNITS.values()) and spelt else None


_TOLD = {
    "wavelength_nm": tr("wavelength"), "angle_deg": tr("angle"), "incidence_deg": tr("angle of incidence"),
    "view_deg": tr("viewing angle"), "azimuth_deg": tr("azimuth"), "radius_mm": tr("radius"),
    "polarisation": tr("polarisation"), "sample": tr("sample"), "patch": tr("patch"),
    "reflectance": tr("reflectance"), "gloss_units": tr("gloss"), "brdf_per_sr": "BRDF", "psi_deg": "psi",
    "delta_deg": "delta", "regular": tr("regular transmittance"), "total": tr("total transmittance"),
    "exitance_per_mm2": tr("exitance"), "absorption_per_mm": tr("absorption"), "scatter_per_mm": tr("scattering"),
    "reduced_scatter_per_mm": tr("reduced scattering"), "red": tr("red"), "green": tr("green"), "blue": tr("blue"),
    "masked": tr("masked"),
}  # fmt: skip
"""Columns by what people call them, where that is another word."""


def plain_name(name):
    """One of our columns (or `name:part`) for people: no unit, no underscores."""
    base, _, part = name.partition(":")
    return _TOLD.get(base, base) + (f", {_TOLD.get(part, part)}" if part else "")


_UNCERTAINTY = re.compile(rf"^(?:sigma|std|stdev|uncertainty|±|{spoken.UNCERTAINTY})[ _]*(.*)$")


@lru_cache(maxsize=8192)
def meaning_of(raw) -> Meaning:
    """What a header cell says. One that says nothing known is left out."""
    if len(raw) > LONGEST_NAME:
        return Meaning(raw[:LONGEST_NAME])
    # An accent may stand as a letter of its own.
    text = unicodedata.normalize("NFC", " ".join(str(raw).split()).lower().strip("\"' "))
    if text.startswith("[") and text.endswith("]"):
        text = text[1:-1]
    name, unit = _named(text)
    if name:
        return Meaning(raw, name, unit)
    found = _UNCERTAINTY.match(text)
    if found:
        if not found[1]:
            return Meaning(raw, "", "", True)
        name, unit = _named(found[1])
        if name:
            return Meaning(raw, name, unit, True)
        bare, spelt = _split_unit(text)
        found = _UNCERTAINTY.match(bare)
        if found and not found[1] and unit_named(spelt):
            return Meaning(raw, "", unit_named(spelt), True)
    return Meaning(raw)


def _named(text):
    """(our name, unit) of a name in lower case; ("", "") where it is not known."""
    for stem, spelt in ((text, ""), _split_unit(text)):
        stem = stem.strip().strip("_").replace(" ", "_")
        name = _STEMS.get(stem)
        if name is None:
            base, _, last = stem.rpartition("_")
            whole = _STEMS.get(base)
            if whole in _BY_CHANNEL and last in _CHANNELS:
                name = f"{whole}:{_CHANNELS[last]}"
        if name is None:
            continue
        unit = unit_named(spelt) if spelt else ""
        if stem in _ONLY_WITH_UNIT and not unit:
            continue
        if spoken.COLUMNS.get(stem, stem) in ("energy", "photon_energy") and not unit:
            unit = "ev"
        if stem == "nm":
            unit = "nm"
        if stem in ("%r", "r%", "%t", "t%"):
            unit = "percent"
        measure = MEASURES[name.partition(":")[0]]
        # A whole name that ends like a unit says it.
        if not spelt and stem.endswith(("_nm",)):
            unit = "nm"
        if unit is None or (unit and unit not in UNITS[measure]):
            return "", ""
        return name, unit
    return "", ""
