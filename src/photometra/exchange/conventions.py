"""A surface in the conventions of other programs, as numbers to type by hand: a row for each way of saying a thing."""

from dataclasses import dataclass

import numpy as np

from ..colour import encode_srgb, interpolated, reflectance_to_xyz, xyz_to_linear_srgb
from ..colour.observers import WAVELENGTHS
from ..errors import InputError
from ..figures import figures
from ..instruments import constants_reading
from ..optics.dispersion import LINE_D_NM, LINE_D_SODIUM_NM
from ..optics.fresnel import fresnel_conductor, fresnel_dielectric
from ..study import Specimen
from ..surface import rows
from ..surface.compile import body_constants, compile_surface
from .graph import _TO_REC709
from .materialx import _BARE, _SOLID

UNITS_MM = {"mm": 1.0, "cm": 10.0, "m": 1000.0}
_TO_ACESCG = np.linalg.inv(_TO_REC709["acescg"])
_BEYOND = 2e-3


@dataclass(frozen=True)
class Row:
    """One way of saying one thing: what, in which convention, the numbers, and what has to be known of them."""

    what: str
    convention: str
    numbers: tuple[float, ...]
    text: str
    note: str = ""


def _number(what, convention, value, unit="", note=""):
    text = figures(value, 4) + (f" {unit}" if unit else "")
    return Row(what, convention, (float(value),), text, note)


def _colours(what, rgb):
    """A colour of linear Rec.709, unclipped, in four ways."""
    rgb = np.asarray(rgb, float)
    beyond = rgb.min() < -_BEYOND or rgb.max() > 1.0 + _BEYOND
    note = "outside Rec.709: what only takes 0 to 1 changes it" if beyond else ""
    yield Row(what, "linear Rec.709", tuple(rgb.tolist()), _three(rgb), note)
    wide = _TO_ACESCG @ rgb
    outside = "outside ACEScg as well" if wide.min() < -_BEYOND or wide.max() > 1.0 + _BEYOND else ""
    yield Row(what, "ACEScg", tuple(wide.tolist()), _three(wide), outside)
    shown = encode_srgb(np.clip(rgb, 0.0, 1.0))
    clipped = "clipped to Rec.709" if beyond else ""
    yield Row(what, "sRGB, encoded", tuple(shown.tolist()), _three(shown), clipped)
    bytes_ = np.round(255.0 * shown).astype(int)
    yield Row(what, "sRGB, 8 bits", tuple(bytes_.tolist()), "#" + "".join(f"{v:02x}" for v in bytes_), clipped)


def _three(values):
    return "  ".join(f"{v:.4f}".replace("-", "\u2212") for v in values)


def _rgb(spectrum):
    return xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, spectrum))


def conventions_of(specimen: Specimen, unit="mm") -> list[Row]:
    """The rows of a specimen's surface; a map counts as its middle. unit: of lengths, mm, cm or m."""
    if unit not in UNITS_MM:
        raise InputError(f"there is no unit '{unit}'; give one of {', '.join(UNITS_MM)}")
    s = specimen.surface.uniform()
    constants = constants_reading(specimen.readings)
    bare = compile_surface(s.with_values(_BARE), constants)
    out = [*_finish(s, "")]
    if s["metalness"] >= 0.5:
        if s["constants"]:
            n, k = body_constants(s, constants)
            for nm in (650.0, 550.0, 450.0):
                at = np.array([nm])
                pair = float(interpolated(WAVELENGTHS, n, at)[0]), float(interpolated(WAVELENGTHS, k, at)[0])
                out.append(Row(f"n and k at {nm:g} nm", "complex index", pair, f"{pair[0]:.4f} + {pair[1]:.4f} i"))
            face = fresnel_conductor(1.0, n, k) * bare.spectra[rows.METAL_TINT, :-1]
        else:
            face = bare.spectra[rows.METAL_A, :-1] * bare.spectra[rows.METAL_TINT, :-1]
            edge = bare.spectra[rows.METAL_B, :-1] * bare.spectra[rows.METAL_TINT, :-1]
            out += _colours("Reflectance near grazing, 82\u00b0 (F82)", _rgb(edge))
        out += _colours("Reflectance at normal incidence (F0)", _rgb(face))
    else:
        out += _dielectric(s, bare, constants, unit, specimen.size_mm)
    if s["coat.amount"] > 0.0:
        out.append(_number("Coat weight", "0 to 1", s["coat.amount"]))
        out += _index("Coat", s["coat.ior"])
        out += _finish(s, "coat.")
        out += _colours("Coat colour at 50 \u00b5m", s.rgb("coat.colour"))
        out.append(_number("Coat thickness", "\u00b5m", s["coat.thickness"], "\u00b5m"))
    if s["film.amount"] > 0.0:
        out.append(_number("Film thickness", "nm", s["film.thickness"], "nm"))
        out.append(_number("Film thickness", "\u00b5m", s["film.thickness"] / 1000.0, "\u00b5m"))
        if not s["film.constants"]:
            out.append(_number("Film index", "IOR at 589.3 nm", s["film.ior"]))
    if s["sheen.amount"] > 0.0:
        out.append(_number("Sheen weight", "0 to 1", s["sheen.amount"]))
        out += _colours("Sheen colour", s.rgb("sheen.colour"))
    return out


def _finish(s, prefix):
    label = "Coat roughness" if prefix else "Roughness"
    rough, stretch = s[f"{prefix}roughness"], s[f"{prefix}anisotropy"]
    yield _number(label, "roughness, √α", rough)
    yield _number(label, "α, slope width", rough**2)
    yield _number(label, "glossiness, 1 \u2212 roughness", 1.0 - rough)
    if stretch > 0.0:
        yield _number(f"{label.split()[0]} anisotropy", "0 to 1", stretch)


def _index(label, ior):
    face = float(fresnel_dielectric(1.0, ior))
    yield _number(f"{label} index", "IOR at 589.3 nm", ior)
    yield _number(f"{label} reflectance at normal incidence", "F0", face)
    yield _number(f"{label} specular level", "F0 / 0.08", face / 0.08)


def _dielectric(s, bare, constants, unit, size_mm):
    at = np.array([LINE_D_SODIUM_NM, LINE_D_NM])
    sodium, line_d = interpolated(WAVELENGTHS, bare.spectra[rows.ETA, :-1], at)
    yield from _index("Body", float(sodium))
    yield _number("Body index", "n_d, at 587.6 nm", float(line_d))
    if s["abbe"] > 0.0:
        yield _number("Dispersion", "Abbe number V_d", s["abbe"])
    scale = UNITS_MM[unit]
    if s["transmission"] > 0.0:
        absorption = bare.spectra[rows.ABSORPTION, :-1]
        if absorption.max() > 0.0:
            depth = s["interior.depth"] if s["interior.colour"] != (1.0, 1.0, 1.0) else size_mm
            shown = np.maximum(_rgb(np.exp(-absorption * depth)), 1e-6)
            yield from _colours(f"Transmission colour at {figures(depth / scale, 4)} {unit}", shown)
            per = tuple((-np.log(np.minimum(shown, 1.0)) / depth * scale).tolist())
            yield Row(
                "Absorption coefficient", f"per {unit}", per, _three(per), "from the colour at that depth, by channel"
            )
        if max(s.rgb("interior.scatter")) > 0.0:
            per = tuple(v * scale for v in s.rgb("interior.scatter"))
            yield Row("Scattering coefficient", f"per {unit}", per, _three(per))
    if s["transmission"] < 1.0 and s["subsurface"] < 1.0:
        solid = compile_surface(s.with_values({**_BARE, **_SOLID, "transmission": 0.0}), constants)
        yield from _colours("Body colour, as it leaves", _rgb(solid.spectra[rows.BODY, :-1]))
        yield from _colours("Body colour, below the interface", s.rgb("colour"))
    if s["subsurface"] > 0.0:
        yield from _colours("Subsurface colour, below the interface", s.rgb("subsurface.colour"))
        path = tuple(v * s["subsurface.scale"] / scale for v in s.rgb("subsurface.radius"))
        yield Row("Mean free path", unit, path, _three(path))
