"""Where the light of one ray goes: what the section draws, from the instruments' own integrals."""

import math
from dataclasses import dataclass

import numpy as np

from ..colour import WAVELENGTHS, reflectance_to_xyz, xyz_to_linear_srgb
from ..optics.fresnel import fresnel_dielectric
from ..surface import Surface, rows
from ..surface.compile import CompiledSurface, compile_surface
from .integrate import brdf, directional_albedo, wavelength_samples

_WAVELENGTHS = np.arange(400.0, 701.0, 20.0)
_ORDER = (24, 8)


@dataclass(frozen=True)
class Share:
    """One way that light takes: its share of the incident luminance (D65), and its colour as linear sRGB."""

    share: float
    colour: tuple[float, float, float]


@dataclass(frozen=True, eq=False)
class Split:
    """Shares of a ray's light; they sum to 1.

    reflected: by the finish, `haze_share` of it in the wider lobe; body: back out of a coloured body; absorbed: in
    the metal, the body or the interior; leaves: through the far side of a clear interior `depth_mm` deep, or of a
    sheet; returned: thrown back at the far side. refracted_deg: angle of the ray inside, at 486, 588 and 656 nm, or
    None. lobe: (angles in degrees about the normal, light per angle) in the plane of incidence, its peak 1.
    """

    reflected: Share
    haze_share: float
    body: Share
    absorbed: Share
    leaves: Share
    returned: Share
    refracted_deg: tuple[float, float, float] | None
    lobe: tuple[np.ndarray, np.ndarray]


def _share(spectrum):
    xyz = reflectance_to_xyz(_WAVELENGTHS, np.clip(spectrum, 0.0, None))
    y = float(xyz[1])
    colour = xyz_to_linear_srgb(xyz / y) if y > 1e-9 else np.zeros(3)
    colour = np.clip(colour / max(1.0, float(colour.max())), 0.0, 1.0)
    return Share(y, tuple(float(c) for c in colour))


def light_split(
    surface: Surface, compiled: CompiledSurface, angle_deg: float, depth_mm: float, constants=None
) -> Split:
    """How light at `angle_deg` (0..89) divides, on a specimen whose interior is `depth_mm` deep."""
    angle = math.radians(min(max(angle_deg, 0.0), 89.0))
    cosine = math.cos(angle)
    total = directional_albedo(compiled, cosine, _WAVELENGTHS, order=_ORDER)
    metalness, transmission = surface["metalness"], surface["transmission"]
    zero = np.zeros_like(total)
    body = leaves = returned = zero
    if surface.is_sheet:
        leaves = directional_albedo(compiled, cosine, _WAVELENGTHS, order=_ORDER, way=-1.0)
    refracted = None
    if metalness < 1.0:
        bare = surface.with_values({"colour": (0.0, 0.0, 0.0)})
        face = directional_albedo(compile_surface(bare, constants), cosine, _WAVELENGTHS, order=_ORDER)
        body = np.maximum(total - face, 0.0)
        if transmission > 0.0 and not surface.is_sheet:
            index = compiled.index_at(np.array([486.13, 587.56, 656.27]))
            refracted = tuple(float(v) for v in np.degrees(np.arcsin(np.minimum(1.0, math.sin(angle) / index))))
            leaves, returned = _through(compiled, angle, face, (1.0 - metalness) * transmission, depth_mm)
    reflected = total - body
    absorbed = np.clip(1.0 - total - leaves - returned, 0.0, 1.0)
    return Split(
        _share(reflected), surface["haze.amount"], _share(body), _share(absorbed), _share(leaves), _share(returned),
        refracted, _lobe(compiled, angle),
    )  # fmt: skip


@dataclass(frozen=True, eq=False)
class InnerSplit:
    """Shares of a ray that comes up to the interface from within: thrown back, and let out, and where it then goes.

    leaves_deg is None beyond the critical angle, where everything is thrown back.
    """

    returned: Share
    leaves: Share
    leaves_deg: float | None
    critical_deg: float


def inner_split(compiled: CompiledSurface, angle_deg: float) -> InnerSplit:
    """How light divides that meets the interface of a clear body from within, at `angle_deg` (0..89) to the normal."""
    angle = math.radians(min(max(angle_deg, 0.0), 89.0))
    back = directional_albedo(compiled, math.cos(angle), _WAVELENGTHS, rows.INNER, _ORDER)
    index = float(compiled.index_at(np.array([587.56]))[0])
    sine = index * math.sin(angle)
    out = math.degrees(math.asin(sine)) if sine < 1.0 else None
    critical = math.degrees(math.asin(min(1.0, 1.0 / index)))
    return InnerSplit(_share(back), _share(1.0 - back), out, critical)


def _through(compiled, angle, face, share, depth_mm):
    """What leaves at the far side of a slab, and what is thrown back there, on the first passage."""
    index = compiled.index_at(_WAVELENGTHS)
    sine = np.minimum(1.0, math.sin(angle) / index)
    inside = np.sqrt(1.0 - sine * sine)
    at, fraction, _ = wavelength_samples(_WAVELENGTHS)
    row = compiled.spectra[rows.ABSORPTION]
    absorption = row[at] * (1.0 - fraction) + row[np.minimum(at + 1, WAVELENGTHS.size)] * fraction
    arrives = share * (1.0 - face) * np.exp(-absorption * depth_mm / inside)
    back = fresnel_dielectric(inside, 1.0 / index)
    return arrives * (1.0 - back), arrives * back


def _lobe(compiled, angle):
    """The lobe in the plane of incidence at 550 nm, against the angle from the normal (mirror side positive)."""
    wide = np.linspace(-89.0, 89.0, 90)
    near = math.degrees(angle) + 12.0 * np.linspace(-1.0, 1.0, 61) ** 3
    degrees = np.unique(np.clip(np.concatenate([wide, near]), -89.5, 89.5))
    t = np.radians(degrees)
    directions = np.column_stack([np.sin(t), np.zeros_like(t), np.cos(t)])
    light = brdf(compiled, (-math.sin(angle), 0.0, max(math.cos(angle), 1e-3)), directions, np.array([550.0]))[:, 0]
    light = light * np.cos(t)
    return degrees, light / max(float(light.max()), 1e-30)
