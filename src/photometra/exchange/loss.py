"""What a standard loses of a surface, read by instruments; and the values of either side that lose least.

What a document says is read on the standard's own equations (`theirs`), what we have on our own surface: colour and
gloss of both, reflectance by angle, the lobe.
"""

import math
from dataclasses import dataclass
from functools import cached_property, lru_cache, partial

import numpy as np

from ..colour import (
    WAVELENGTHS,
    delta_e_2000,
    lab_to_xyz,
    linear_srgb_to_xyz,
    reflectance_of_rgb,
    reflectance_to_xyz,
    xyz_to_linear_srgb,
)
from ..instruments import constants_reading, directional_albedo
from ..instruments.integrate import brdf
from ..instruments.summary import GLOSS_ANGLES, colour_and_gloss
from ..study import Specimen
from ..surface import PARAMETERS
from ..surface.bank import compile_measured
from ..words import tr
from . import OPENPBR, theirs
from .equations import Mixed
from .graph import constant
from .materialx import HAZE, openpbr_inputs
from .models import as_model

_MOST_TRIED = 60
_TOLD = 1e-3
"""To what share of itself a number, or the misfit, is fitted."""
_NM = np.arange(400.0, 701.0, 20.0)
_ANGLES_DEG = np.array([8.0, 20.0, 30.0, 40.0, 50.0, 60.0, 70.0, 75.0, 80.0])
_EXITS_DEG = np.arange(-84.0, 85.0, 2.0)
_LIT_DEG = 45.0
_ORDER = (32, 8)
_WORTH, _UNLIKE = 0.05, 0.5
"""From which ΔE2000 on a colour is fitted, on the way out and in: what comes in stays the numbers that it is."""
_GLOSS_WORTH = 3.0, 0.05
"""Up to so many gloss units, or such a share of the gloss, a roughness stays the number that it is."""


@dataclass(frozen=True)
class Loss:
    """ΔE2000 of the colour (di:8, D65), and gloss units by angle, of one surface against another."""

    delta_e: float
    gloss: tuple[float, ...]

    @property
    def error(self):
        """One number for both: a gloss unit counts a tenth of a ΔE2000."""
        return self.delta_e + 0.1 * float(np.mean(np.abs(self.gloss) if self.gloss else [0.0]))

    def is_of_gloss(self, wanted):
        """Whether a roughness is worth fitting, against the reading that is wanted."""
        least, share = _GLOSS_WORTH
        gloss = [wanted[n] for n in _gloss_names(wanted)]
        return any(abs(off) > max(least, share * g) for off, g in zip(self.gloss, gloss, strict=False))

    def __str__(self):
        worst = max(self.gloss, key=abs, default=0.0)
        return tr("ΔE {0}, {1} gloss units", f"{self.delta_e:.2f}", f"{abs(worst):.1f}")


def loss_between(before, after) -> Loss:
    """The loss between two readings of `colour_and_gloss`."""
    delta_e = 0.0
    if "L" in before and "L" in after:
        delta_e = float(delta_e_2000(*(np.array([r[k] for k in "Lab"]) for r in (before, after))))
    return Loss(delta_e, tuple(after[n] - before[n] for n in _gloss_names(before) if n in after))


def _gloss_names(reading):
    return [n for n in (f"gloss{a}" for a in GLOSS_ANGLES) if n in reading]


def as_values(inputs):
    """Inputs {name: (type, value)} as a document's: {name: Value}."""
    return {k: constant(*np.ravel(np.asarray(v, float))) for k, (_, v) in inputs.items()}


def as_written(inputs, model, size_mm):
    """The closure of what is written of inputs of OpenPBR in a surface model, for a specimen of a size; with the second
    surface that haze is mixed in as."""
    plain = {name: v for name, v in inputs.items() if name not in HAZE}
    surfaces = [plain]
    if HAZE[0] in inputs:
        surfaces.append({**plain, "specular_roughness": inputs[HAZE[1]]})
    made = [theirs.surface_of(model, as_values(as_model(model, one, size_mm))) for one in surfaces]
    return made[0] if len(made) == 1 else Mixed(*made, float(inputs[HAZE[0]][1]))


@dataclass(frozen=True, eq=False)
class Compared:
    """Ours against theirs, as curves: reflectance by wavelength at 8°, theirs as smooth as their three numbers allow;
    luminous reflectance by angle; the lobe in the plane of incidence of light at 45°, BRDF by exit angle."""

    wavelengths: np.ndarray
    angles_deg: np.ndarray
    exits_deg: np.ndarray
    by_wavelength: tuple[np.ndarray, np.ndarray]
    by_angle: tuple[np.ndarray, np.ndarray]
    by_exit: tuple[np.ndarray, np.ndarray]

    @property
    def rms_by_angle(self):
        return float(np.sqrt(np.mean((self.by_angle[1] - self.by_angle[0]) ** 2)))


def compared(surface, constants, closure) -> Compared:
    """A surface of ours against a closure of theirs."""
    compiled = compile_measured(surface, constants)
    spectra = [directional_albedo(compiled, math.cos(math.radians(a)), _NM, order=_ORDER) for a in _ANGLES_DEG]
    spectra = np.clip(spectra, 0.0, 1.0)
    sent = np.array([theirs.reflectance(closure, a) for a in _ANGLES_DEG])
    lit, exits = np.radians(_LIT_DEG), np.radians(_EXITS_DEG)
    wo = np.array([-math.sin(lit), 0.0, math.cos(lit)])
    wi = np.stack([np.sin(exits), np.zeros_like(exits), np.cos(exits)], axis=1)
    lobe = np.clip(brdf(compiled, wo, wi, _NM), 0.0, None)
    theirs_lobe = closure.gives(np.tile(wo, (len(wi), 1)), wi) / wi[:, 2:]
    return Compared(
        _NM, _ANGLES_DEG, _EXITS_DEG,
        (spectra[0], np.interp(_NM, WAVELENGTHS, reflectance_of_rgb(np.clip(sent[0], 0.0, 1.0)))),
        (np.array([reflectance_to_xyz(_NM, s)[1] for s in spectra]), linear_srgb_to_xyz(sent)[:, 1]),
        (np.array([reflectance_to_xyz(_NM, s)[1] for s in lobe]), linear_srgb_to_xyz(theirs_lobe)[:, 1]),
    )  # fmt: skip


@dataclass(frozen=True, eq=False)
class Fitted:
    """Inputs of OpenPBR that come closest to a surface; what plain renaming loses, what they lose, and the curves."""

    inputs: dict
    renamed: Loss
    fitted: Loss
    changed: tuple[str, ...]
    compared: Compared


def _closest(read, wanted, start):
    """(x, Loss) of the numbers 0..1 from `start` on that read closest to `wanted`."""
    from scipy.optimize import least_squares

    names = _gloss_names(wanted)

    def residuals(x):
        after = read(x)
        lab = [after.get(k, 0.0) - wanted.get(k, 0.0) for k in "Lab"]
        # Gloss of mirrors counts by its share, or nothing else would.
        return np.array([*lab, *((after.get(n, 0.0) - wanted[n]) / (1.0 + 0.03 * wanted[n]) for n in names)])

    found = least_squares(
        residuals, np.clip(start, 1e-3, 0.999), bounds=(0.0, 1.0), diff_step=1e-2, max_nfev=_MOST_TRIED // len(start),
        xtol=_TOLD, ftol=_TOLD,
    )  # fmt: skip
    return found.x, loss_between(wanted, read(found.x))


@lru_cache(maxsize=64)
def fitted(specimen: Specimen, mixed=False, model=OPENPBR) -> Fitted:
    """The inputs of OpenPBR that come closest as instruments see it: roughness and colour, from those of renaming.

    mixed: haze goes along, as `openpbr_inputs` has it. model: the surface model that they are written in, of
    `MODELS`. Never worse than the renaming; about 3 s at the most.
    """
    way = partial(as_written, model=model, size_mm=specimen.size_mm)
    uniform = specimen.surface.uniform()
    constants = constants_reading(specimen.readings)
    plain = openpbr_inputs(specimen, mixed)[0]
    before = colour_and_gloss(uniform, constants)
    renamed = loss_between(before, theirs.colour_and_gloss(way(plain)))
    rough = ("specular_roughness", "coat_roughness", HAZE[1]) if renamed.is_of_gloss(before) else ()
    free = [k for k in rough if k in plain and plain[k][1] > 0.0]
    coloured = _coloured({k: v for k, (_, v) in plain.items()}) if renamed.delta_e > _WORTH else None
    start = [plain[k][1] for k in free] + (list(plain[coloured][1]) if coloured else [])
    if not start:
        return Fitted(plain, renamed, renamed, (), compared(uniform, constants, way(plain)))

    def with_values(x):
        out = dict(plain)
        for k, v in zip(free, x, strict=False):
            out[k] = ("float", float(v))
        if coloured:
            out[coloured] = ("color3", tuple(float(v) for v in x[len(free) :]))
        return out

    x, best = _closest(lambda x: theirs.colour_and_gloss(way(with_values(x))), before, start)
    if best.error >= renamed.error:
        return Fitted(plain, renamed, renamed, (), compared(uniform, constants, way(plain)))
    inputs = with_values(x)
    changed = tuple(
        k for k in (*free, coloured) if k in plain and not np.allclose(plain[k][1], inputs[k][1], atol=2e-3)
    )
    return Fitted(inputs, renamed, best, changed, compared(uniform, constants, way(inputs)))


def fitted_as_gltf(specimen: Specimen) -> Fitted:
    """`fitted` for what glTF makes of it."""
    return fitted(specimen, model="gltf_pbr")


def fits_of(pieces, fit, place) -> dict[str, Fitted]:
    """{specimen: what `fit` finds} of the surfaces of pieces, each once, worked out at a place."""
    found = {p.specimen.name: p.specimen for p in pieces if p.specimen is not None}
    return dict(zip(found, place.each(fit, list(found.values())), strict=True))


def _coloured(value):
    """The input of OpenPBR that gives a surface its colour; None where what goes through it does."""
    if value.get("transmission_weight", 0.0) >= 1.0:
        return None
    if value.get("subsurface_weight", 0.0) > 0.5 and not value.get("geometry_thin_walled"):
        return "subsurface_color"
    return "base_color" if "base_color" in value else None


def told_loss(fit: Fitted):
    """A sentence on how close a standard comes, by its own equations: as fitted, and as plain renaming would."""
    by_angle = tr("{0} % rms by angle", f"{100.0 * fit.compared.rms_by_angle:.1f}")
    told = tr("by the standard's own equations off by {0} and {1}", fit.fitted, by_angle)
    if not fit.changed:
        return told
    return tr("{0} ({1} fitted; by renaming alone {2})", told, ", ".join(fit.changed), fit.renamed)


@dataclass(frozen=True, eq=False)
class Understood:
    """How a material that came in compares with what its own equations say of it; `changed`: our colour that was fitted
    for it, `renamed` the difference without."""

    surface: object
    closure: object
    renamed: Loss
    fitted: Loss
    changed: str | None

    @cached_property
    def compared(self) -> Compared:
        return compared(self.surface.uniform(), None, self.closure)

    def __str__(self):
        told = tr("differs from its own equations by {0}", self.fitted)
        if self.changed is None:
            return told
        return tr("{0} ({1} fitted; as written {2})", told, PARAMETERS[self.changed].words, self.renamed)


def understood(surface, closure) -> Understood | None:
    """A surface that came in against the closure that its document stands for, its colour changed where the one that is
    written would not look alike here; other numbers stay as they are. What varies stands half-way; None where a colour
    varies."""
    if any(PARAMETERS[name].components for name in surface.maps):
        return None
    wanted, plain = theirs.colour_and_gloss(closure), colour_and_gloss(surface.uniform())
    wanted = {k: v for k, v in wanted.items() if k in plain}
    renamed = loss_between(wanted, plain)
    coloured = _our_coloured(surface) if renamed.delta_e > _UNLIKE else None
    if coloured is None:
        return Understood(surface, closure, renamed, renamed, None)

    def with_colour(x):
        return surface.with_values({coloured: tuple(map(float, x))})

    start = _nearer(surface[coloured], wanted, plain)
    x, best = _closest(lambda x: colour_and_gloss(with_colour(x).uniform()), wanted, start)
    if best.error >= renamed.error:
        return Understood(surface, closure, renamed, renamed, None)
    return Understood(with_colour(x), closure, renamed, best, coloured)


def _our_coloured(surface):
    if surface["metalness"] >= 0.5:
        return "face_colour"
    if surface["transmission"] >= 1.0:
        return None
    return "subsurface.colour" if surface["subsurface"] > 0.5 and not surface.is_sheet else "colour"


def _nearer(colour, wanted, plain):
    """A colour changed by what its readings are off, channel by channel: where a fit may begin."""
    over, under = (
        np.maximum(xyz_to_linear_srgb(lab_to_xyz(np.array([r[k] for k in "Lab"]))) - 0.03, 1e-3)
        for r in (wanted, plain)
    )
    return np.clip(np.asarray(colour) * np.clip(over / under, 0.2, 5.0), 1e-3, 0.98)
