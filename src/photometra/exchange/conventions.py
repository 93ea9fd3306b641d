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
from ..words import tr
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
    note = tr("outside Rec.709: what only takes 0 to 1 changes it") if beyond else ""
    yield Row(what, tr("linear Rec.709"), tuple(rgb.tolist()), _three(rgb), note)
    wide = _TO_ACESCG @ rgb
    outside = tr("outside ACEScg as well") if wide.min() < -_BEYOND or wide.max() > 1.0 + _BEYOND else ""
    yield Row(what, "ACEScg", tuple(wide.tolist()), _three(wide), outside)
    shown = encode_srgb(np.clip(rgb, 0.0, 1.0))
    clipped = tr("clipped to Rec.709") if beyond else ""
    yield Row(what, tr("sRGB, encoded"), tuple(shown.tolist()), _three(shown), clipped)
    bytes_ = np.round(255.0 * shown).astype(int)
    yield Row(what, tr("sRGB, 8 bits"), tuple(bytes_.tolist()), "#" + "".join(f"{v:02x}" for v in bytes_), clipped)


def _three(values):
    return "  ".join(f"{v:.4f}".replace("-", "\u2212") for v in values)


def _rgb(spectrum):
    return xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, spectrum))


def conventions_of(specimen: Specimen, unit="mm") -> list[Row]:
    """The rows of a specimen's surface; a map counts as its middle. unit: of lengths, mm, cm or m."""
    if unit not in UNITS_MM:
        raise InputError(tr("there is no unit '{0}'; give one of {1}", unit, ", ".join(UNITS_MM)))
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
                out.append(
                    Row(
                        tr("n and k at {0} nm", f"{nm:g}"),
                        tr("complex index"),
                        pair,
                        f"{pair[0]:.4f} + {pair[1]:.4f} i",
                    )
                )
            face = fresnel_conductor(1.0, n, k) * bare.spectra[rows.METAL_TINT, :-1]
        else:
            face = bare.spectra[rows.METAL_A, :-1] * bare.spectra[rows.METAL_TINT, :-1]
            edge = bare.spectra[rows.METAL_B, :-1] * bare.spectra[rows.METAL_TINT, :-1]
            out += _colours(tr("Reflectance near grazing, 82° (F82)"), _rgb(edge))
        out += _colours(tr("Reflectance at normal incidence (F0)"), _rgb(face))
    else:
        out += _dielectric(s, bare, constants, unit, specimen.size_mm)
    if s["coat.amount"] > 0.0:
        out.append(_number(tr("Coat weight"), tr("0 to 1"), s["coat.amount"]))
        out += _index(tr("Coat"), s["coat.ior"])
        out += _finish(s, "coat.")
        out += _colours(tr("Coat colour at 50 µm"), s.rgb("coat.colour"))
        out.append(_number(tr("Coat thickness"), "\u00b5m", s["coat.thickness"], "\u00b5m"))
    if s["film.amount"] > 0.0:
        out.append(_number(tr("Film thickness"), "nm", s["film.thickness"], "nm"))
        out.append(_number(tr("Film thickness"), "\u00b5m", s["film.thickness"] / 1000.0, "\u00b5m"))
        if not s["film.constants"]:
            out.append(_number(tr("Film index"), tr("IOR at 589.3 nm"), s["film.ior"]))
    if s["sheen.amount"] > 0.0:
        out.append(_number(tr("Sheen weight"), tr("0 to 1"), s["sheen.amount"]))
        out += _colours(tr("Sheen colour"), s.rgb("sheen.colour"))
    return out


def _finish(s, prefix):
    label = tr("Coat roughness") if prefix else tr("Roughness")
    rough, stretch = s[f"{prefix}roughness"], s[f"{prefix}anisotropy"]
    yield _number(label, tr("roughness, √α"), rough)
    yield _number(label, tr("α, slope width"), rough**2)
    yield _number(label, tr("glossiness, 1 − roughness"), 1.0 - rough)
    if stretch > 0.0:
        yield _number(tr("{0} anisotropy", label.split()[0]), tr("0 to 1"), stretch)


def _index(label, ior):
    face = float(fresnel_dielectric(1.0, ior))
    yield _number(tr("{0} index", label), tr("IOR at 589.3 nm"), ior)
    yield _number(tr("{0} reflectance at normal incidence", label), "F0", face)
    yield _number(tr("{0} specular level", label), "F0 / 0.08", face / 0.08)


def _dielectric(s, bare, constants, unit, size_mm):
    at = np.array([LINE_D_SODIUM_NM, LINE_D_NM])
    sodium, line_d = interpolated(WAVELENGTHS, bare.spectra[rows.ETA, :-1], at)
    yield from _index(tr("Body"), float(sodium))
    yield _number(tr("Body index"), tr("n_d, at 587.6 nm"), float(line_d))
    if s["abbe"] > 0.0:
        yield _number(tr("Dispersion"), tr("Abbe number V_d"), s["abbe"])
    scale = UNITS_MM[unit]
    if s["transmission"] > 0.0:
        absorption = bare.spectra[rows.ABSORPTION, :-1]
        if absorption.max() > 0.0:
            depth = s["interior.depth"] if s["interior.colour"] != (1.0, 1.0, 1.0) else size_mm
            shown = np.maximum(_rgb(np.exp(-absorption * depth)), 1e-6)
            yield from _colours(tr("Transmission colour at {0} {1}", figures(depth / scale, 4), unit), shown)
            per = tuple((-np.log(np.minimum(shown, 1.0)) / depth * scale).tolist())
            yield Row(
                tr("Absorption coefficient"),
                tr("per {0}", unit),
                per,
                _three(per),
                tr("from the colour at that depth, by channel"),
            )
        if max(s.rgb("interior.scatter")) > 0.0:
            per = tuple(v * scale for v in s.rgb("interior.scatter"))
            yield Row(tr("Scattering coefficient"), tr("per {0}", unit), per, _three(per))
    if s["transmission"] < 1.0 and s["subsurface"] < 1.0:
        solid = compile_surface(s.with_values({**_BARE, **_SOLID, "transmission": 0.0}), constants)
        yield from _colours(tr("Body colour, as it leaves"), _rgb(solid.spectra[rows.BODY, :-1]))
        yield from _colours(tr("Body colour, below the interface"), s.rgb("colour"))
    if s["subsurface"] > 0.0:
        yield from _colours(tr("Subsurface colour, below the interface"), s.rgb("subsurface.colour"))
        path = tuple(v * s["subsurface.scale"] / scale for v in s.rgb("subsurface.radius"))
        yield Row(tr("Mean free path"), unit, path, _three(path))
