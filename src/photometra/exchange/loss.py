"""What a standard loses of a surface, read by instruments; and the values of the standard that lose least.

A document is read back by our own way in, and gloss and colour are read on both.
"""

import math
from dataclasses import dataclass

import numpy as np

from ..colour import delta_e_2000, reflectance_to_xyz
from ..instruments import constants_reading, directional_albedo
from ..instruments.summary import GLOSS_ANGLES, colour_and_gloss
from ..study import Specimen
from ..surface.compile import compile_surface
from .coming_in import Coming, specimen_from
from .graph import Graph, constant
from .materialx import HAZE, openpbr_inputs
from .models import from_gltf, to_gltf

_MOST_TRIED = 60
_NM = np.arange(400.0, 701.0, 20.0)
_ANGLES_DEG = np.array([8.0, 20.0, 30.0, 40.0, 50.0, 60.0, 70.0, 75.0, 80.0])
_ORDER = (32, 8)
_WORTH = 0.05
"""Below this error, in ΔE2000 and tenths of gloss units, nothing is fitted."""


@dataclass(frozen=True)
class Loss:
    """ΔE2000 of the colour (di:8, D65), and gloss units by angle, of what came back against what went out."""

    delta_e: float
    gloss: tuple[float, ...]

    @property
    def error(self):
        """One number for both: a gloss unit counts a tenth of a ΔE2000, but never less than 2 % of the gloss."""
        return self.delta_e + 0.1 * float(np.mean(np.abs(self.gloss) if self.gloss else [0.0]))

    def __str__(self):
        worst = max(self.gloss, key=abs, default=0.0)
        return f"ΔE {self.delta_e:.2f}, {abs(worst):.1f} gloss units"


def loss_between(before, after) -> Loss:
    """The loss between two readings of `colour_and_gloss`."""
    delta_e = 0.0
    if "L" in before and "L" in after:
        delta_e = float(delta_e_2000(*(np.array([r[k] for k in "Lab"]) for r in (before, after))))
    names = [f"gloss{a}" for a in GLOSS_ANGLES]
    return Loss(delta_e, tuple(after[n] - before[n] for n in names if n in before and n in after))


def as_values(inputs):
    """Inputs of OpenPBR as a document's: {name: Value}."""
    return {k: constant(*np.ravel(np.asarray(v, float))) for k, (_, v) in inputs.items()}


def through_gltf(specimen):
    """What glTF makes of inputs of OpenPBR, there and back."""

    def way(inputs):
        there = to_gltf(inputs, specimen.size_mm, lambda _: None)
        return from_gltf({k: constant(*np.ravel(np.asarray(v, float))) for k, v in there.items()}, lambda _: None)

    return way


def back(specimen: Specimen, inputs, through=None) -> Specimen:
    """A specimen as the inputs of OpenPBR alone give it back, by way of another standard where `through` says so."""
    values = through(inputs) if through else as_values(inputs)
    return specimen_from(specimen.name, Coming(Graph(None), values, 1.0, specimen.size_mm))


@dataclass(frozen=True, eq=False)
class Compared:
    """Ours against theirs, as curves: reflectance by wavelength at 8°, and luminous reflectance by angle; shares of the
    light."""

    wavelengths: np.ndarray
    angles_deg: np.ndarray
    by_wavelength: tuple[np.ndarray, np.ndarray]
    by_angle: tuple[np.ndarray, np.ndarray]

    @property
    def rms_by_angle(self):
        return float(np.sqrt(np.mean((self.by_angle[1] - self.by_angle[0]) ** 2)))


def compared(specimen: Specimen, inputs, through=None) -> Compared:
    """A specimen's surface against what inputs of OpenPBR give back."""
    pairs = (specimen.surface.uniform(), constants_reading(specimen.readings)), (
        back(specimen, inputs, through).surface, None,
    )  # fmt: skip
    by_wavelength, by_angle = [], []
    for surface, constants in pairs:
        compiled = compile_surface(surface, constants)
        facing = [directional_albedo(compiled, math.cos(math.radians(a)), _NM, order=_ORDER) for a in _ANGLES_DEG]
        by_wavelength.append(np.clip(facing[0], 0.0, 1.0))
        by_angle.append(np.array([reflectance_to_xyz(_NM, np.clip(s, 0.0, 1.0))[1] for s in facing]))
    return Compared(_NM, _ANGLES_DEG, tuple(by_wavelength), tuple(by_angle))


@dataclass(frozen=True, eq=False)
class Fitted:
    """Inputs of OpenPBR that come closest to a surface; what plain renaming loses, what they lose, and the curves."""

    inputs: dict
    renamed: Loss
    fitted: Loss
    changed: tuple[str, ...]
    compared: Compared


def fitted(specimen: Specimen, through=None, mixed=False) -> Fitted:
    """The inputs that come closest as instruments see it: roughness and base colour, from those of plain renaming.

    through: what a standard makes of inputs of OpenPBR on the way there and back; None where it is OpenPBR itself.
    mixed: haze goes along, as `openpbr_inputs` has it. Never worse than the renaming; about 3 s at the most.
    """
    from scipy.optimize import least_squares

    uniform = specimen.surface.uniform()
    constants = constants_reading(specimen.readings)
    plain = openpbr_inputs(specimen, mixed)[0]
    before = colour_and_gloss(uniform, constants)
    names = [f"gloss{a}" for a in GLOSS_ANGLES if f"gloss{a}" in before]

    def read(inputs):
        return colour_and_gloss(back(specimen, inputs, through).surface)

    renamed = loss_between(before, read(plain))
    free = [k for k in ("specular_roughness", "coat_roughness", HAZE[1]) if k in plain and plain[k][1] > 0.0]
    has_colour = "base_color" in plain and plain.get("transmission_weight", ("", 0.0))[1] < 1.0
    start = [plain[k][1] for k in free] + (list(plain["base_color"][1]) if has_colour else [])
    if renamed.error < _WORTH or not start:
        return Fitted(plain, renamed, renamed, (), compared(specimen, plain, through))

    def with_values(x):
        out = dict(plain)
        for k, v in zip(free, x, strict=False):
            out[k] = ("float", float(v))
        if has_colour:
            out["base_color"] = ("color3", tuple(float(v) for v in x[len(free) :]))
        return out

    def residuals(x):
        after = read(with_values(x))
        lab = [after.get(k, 0.0) - before.get(k, 0.0) for k in "Lab"]
        # Gloss of mirrors counts by its share, or nothing else would.
        gloss = [(after[n] - before[n]) / (1.0 + 0.03 * before[n]) for n in names]
        return np.array([*lab, *gloss])

    found = least_squares(
        residuals, np.clip(start, 1e-3, 0.999), bounds=(0.0, 1.0), diff_step=1e-2, max_nfev=_MOST_TRIED // len(start)
    )
    inputs = with_values(found.x)
    best = loss_between(before, read(inputs))
    if best.error >= renamed.error:
        return Fitted(plain, renamed, renamed, (), compared(specimen, plain, through))
    changed = tuple(
        k for k in (*free, "base_color") if k in plain and not np.allclose(plain[k][1], inputs[k][1], atol=2e-3)
    )
    return Fitted(inputs, renamed, best, changed, compared(specimen, inputs, through))


def told_loss(fit: Fitted):
    """A sentence on how close a standard comes, read back: as fitted, and as plain renaming would."""
    by_angle = f"{100.0 * fit.compared.rms_by_angle:.1f} % rms by angle"
    if not fit.changed:
        return f"read back, off by {fit.fitted} and {by_angle}"
    how = f"{', '.join(fit.changed)} fitted; by renaming alone {fit.renamed}"
    return f"read back, off by {fit.fitted} and {by_angle} ({how})"
