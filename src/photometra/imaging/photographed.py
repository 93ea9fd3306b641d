"""A photograph as evidence: what its counting pins show, against a render of any surface in the same booth.

The solver renders in the loop. Only the pixels under the pins are traced, always with the same random numbers, so that
a difference between two surfaces is the surfaces' and not chance's.
"""

import math
from dataclasses import dataclass, replace

import numpy as np

from ..colour import delta_e_2000, linear_srgb_to_xyz, xyz_to_lab
from ..errors import InputError
from ..fitting import Cancelled
from ..fitting.effects import FACTORS, PHOTOGRAPH
from ..instruments import constants_reading
from ..study.proof import FREE_LIGHT
from ..tracing import Rendering
from ..tracing.scene import frame_extent
from ..words import tr
from .booths import compiled_on, display_of, limits_of, scene_of
from .probing import binned, covered
from .pyramid import pyramid_in
from .references import reference_in_frame

_RELATIVE, _ABSOLUTE = 0.015, 0.002
"""How well a calibrated photograph is trusted: a share of the radiance, and of white."""
_EXPOSURE = 0.02
"""How well its exposure is known, as a share: that of every radiance in it alike."""
_FREE_EFFECTS = dict(
    zip(FREE_LIGHT, (("gain", 0.5), ("azimuth_deg", 10.0), ("strength", 0.5)), strict=True)
)  # fmt: skip
"""Of what of the light is solved for, the effect, and how far it may be off to begin with, as a standard uncertainty:
half of it all, or degrees."""
_MISPLACED = 0.3
"""By how many pixels a photograph that was lined up by hand may still lie beside the render."""
_PIXELS = 5000
_HEIGHTS = (180, 900)
_PATHS, _ROUGHLY = 400_000, 8
"""Paths of an evaluation, and how many times fewer of a rough one."""
_BINS = 24
COLOUR_TOLERANCE, PROFILE_TOLERANCE = 2.0, 0.10
"""Of a patch's ΔE2000, and of a profile's relative difference in the mean."""


@dataclass(frozen=True)
class PinAgreement:
    """How far a pin of the render is from the photograph's: ΔE2000, or a profile's mean relative difference."""

    name: str
    value: float
    tolerance: float
    is_profile: bool = False

    @property
    def within(self):
        return self.value <= self.tolerance

    @property
    def told(self):
        """For people: `ΔE 2.1`, or `9 %` of a profile."""
        return f"{100.0 * self.value:.0f} %" if self.is_profile else f"ΔE {self.value:.1f}"


def shown_at(pin, along, pixels):
    """What a pin's pixels (n, 3) show: mean red, green and blue (3,), or of a line the profile of luminance (m,)."""
    if pin.form == "line":
        return binned(along, linear_srgb_to_xyz(pixels)[:, 1], _BINS)[1]
    return pixels.mean(axis=0)


def pin_agreement(pin, ours, theirs, display) -> PinAgreement:
    """How far what a pin shows of the render is from what it shows of the photograph, both as `shown_at`."""
    if pin.form == "line":
        known = np.isfinite(ours) & np.isfinite(theirs)
        apart = np.abs(ours - theirs)[known].mean() / max(theirs[known].mean(), 1e-9) if known.any() else np.inf
        return PinAgreement(pin.name, float(apart), PROFILE_TOLERANCE, True)
    labs = (xyz_to_lab(linear_srgb_to_xyz(display.balanced(v[None]))) for v in (ours, theirs))
    return PinAgreement(pin.name, float(delta_e_2000(*labs)[0]), COLOUR_TOLERANCE)


def pins_agreement(study, specimen, linear):
    """A `PinAgreement` of each counting pin, from a render's picture (h, w, 3) as it is; [] where none counts."""
    pins = study.counting_pins(specimen)
    if not pins:
        return []
    height, width, _ = linear.shape
    reference, display = specimen.reference, display_of(study.booth)
    theirs = reference_in_frame(reference, study.images[reference.picture], width, height, without_clipped=True)
    out = []
    for pin in pins:
        rows, columns, along = covered(pin, width, height)
        known = np.isfinite(theirs[rows, columns]).all(axis=1) if rows.size else np.zeros(0, bool)
        if known.any():
            where = rows[known], columns[known]
            both = (shown_at(pin, along[known], np.asarray(p[where], float)) for p in (linear, theirs))
            out.append(pin_agreement(pin, *both, display))
    return out


class Photographed:
    """The counting pins of a specimen's photograph, as evidence for `fitting.solve`.

    ValueError, in a sentence, where there is nothing to count. study: for the booth as it stands, which must be as the
    photograph was taken, but for what of `FREE_LIGHT` its reference leaves free. `points`: how many numbers are
    compared. `rough`: whether fewer paths will do for now. `effects`: see `fitting.problem`. place: where it is
    rendered, see `tracing.places`.
    """

    def __init__(self, study, specimen, seed=1, place=None):
        if specimen.reference is None:
            raise InputError(tr("{0} has no photograph; load one and line it up with the render", specimen.name))
        pins = study.counting_pins(specimen)
        if not pins:
            raise InputError(tr("no pin counts; tick at least one that lies on the specimen"))
        self.seed, self.rough, self._place = seed, False, place
        self._free = specimen.reference.free_light
        self.effects = self._effects(study.booth, self._free)
        self.scene, self.display = scene_of(study, specimen), display_of(study.booth)
        self._limits = limits_of(study.booth)
        self._constants = constants_reading(specimen.readings)
        reference = specimen.reference
        data = study.images[reference.picture]
        aspect = pyramid_in(reference.picture, data, reference.curve).aspect
        height = 360
        count = sum(covered(p, round(height * aspect), height)[0].size for p in pins)
        height = int(np.clip(height * (_PIXELS / max(count, 1)) ** 0.5, *_HEIGHTS))
        self.width, self.height = max(1, round(height * aspect)), height
        theirs = reference_in_frame(reference, data, self.width, self.height, without_clipped=True)
        self.pins, self._places = [], []
        for pin in pins:
            rows, columns, along = covered(pin, self.width, self.height)
            known = np.isfinite(theirs[rows, columns]).all(axis=1) if rows.size else np.zeros(0, bool)
            if known.any():
                self.pins.append(pin)
                self._places.append((rows[known], columns[known], along[known]))
        if not self.pins:
            raise InputError(
                tr("no pin that counts lies on a part of the photograph that is neither cut off nor clipped")
            )
        self._only = np.zeros((self.height, self.width), bool)
        for rows, columns, _ in self._places:
            self._only[rows, columns] = True
        self.theirs = self._read(theirs)
        self.points = sum(v.size for v in self.theirs)
        self.values = np.concatenate(self.theirs)
        trust = [
            self._trusted(pin, values, self._scatter(pin, place, theirs))
            for pin, place, values in zip(self.pins, self._places, self.theirs, strict=True)
        ]
        self._trust = np.concatenate(trust)
        self._noise = {}

    @staticmethod
    def _effects(booth, free):
        if "strength" in free and "exposure" in free and not (booth.key.strength or booth.back.strength):
            raise InputError(
                tr("exposure and strength of the environment say the same where no lamp is on; hold one of them")
            )
        return {"gain": _EXPOSURE, **dict(_FREE_EFFECTS[name] for name in free)}

    @property
    def paths(self):
        """How many paths an evaluation traces."""
        return int(self._only.sum()) * self.samples

    @property
    def samples(self):
        """Of a pixel."""
        wanted = _PATHS / (_ROUGHLY if self.rough else 1)
        return int(np.clip(wanted / self._only.sum(), 8, 4096))

    def _read(self, picture):
        """What the pins show of a picture, [(m,)]: mean red, green and blue, or a profile of luminance."""
        shown = [
            shown_at(pin, along, np.asarray(picture[rows, columns], float))
            for pin, (rows, columns, along) in zip(self.pins, self._places, strict=True)
        ]
        return [v[np.isfinite(v)] for v in shown]

    @staticmethod
    def _scatter(pin, place, theirs):
        """Variance of each mean of the photograph's pixels, from how they scatter."""
        rows, columns, along = place
        pixels = np.asarray(theirs[rows, columns], float)
        if pin.form != "line":
            return pixels.var(axis=0) / len(pixels)
        luminance = linear_srgb_to_xyz(pixels)[:, 1]
        mean, square = (binned(along, v, _BINS)[1] for v in (luminance, luminance**2))
        count = np.histogram(along, _BINS, (0.0, 1.0))[0]
        known = np.isfinite(mean)
        return np.maximum(square - mean**2, 0.0)[known] / np.maximum(count[known] - 1, 1)

    def _trusted(self, pin, values, scatter):
        """Variance of what the photograph shows at a pin."""
        variance = (_RELATIVE * values) ** 2 + _ABSOLUTE**2 + scatter
        if pin.form == "line" and values.size > 2:
            side = self.height / frame_extent(self.width / self.height)[1]
            pixels = np.hypot(pin.to_x - pin.x, pin.to_y - pin.y) * side / values.size
            variance = variance + (np.gradient(values) * _MISPLACED / max(pixels, 1e-6)) ** 2
        return variance

    def rendered(self, surface, cancel=None, amounts=None):
        """What the pins show of a surface in the booth, [(m,)]. `Cancelled` is raised where cancel is set."""
        return self._read(self._traced(surface, cancel, amounts).picture())

    def _traced(self, surface, cancel, amounts=None):
        scene = self.scene
        if amounts:
            turn, strength = amounts.get("azimuth_deg", 0.0), 1.0 + amounts.get("strength", 0.0)
            scene = replace(scene, turn=scene.turn + turn, strength=scene.strength * max(strength, 0.0))
        compiled = compiled_on(scene, surface, self._constants)
        rendering = Rendering(
            compiled, scene, self.width, self.height, self.seed, self._limits, only=self._only, place=self._place
        )
        if not rendering.add(self.samples, cancel):
            raise Cancelled
        return rendering

    def model(self, surface, cancel=None, amounts=None):
        """What the pins show of a surface, one after another, (points,). amounts: {effect: how far it is off}."""
        rendering = self._traced(surface, cancel, amounts)
        if self.rough not in self._noise:
            self._noise[self.rough] = np.concatenate(self._noise_of(rendering))
        return np.concatenate(self._read(rendering.picture()))

    def sigmas(self):
        """Standard uncertainty of each value (points,); that of the render is told from the first one made, rough or
        not."""
        return np.sqrt(self._trust + self._noise[self.rough])

    def _noise_of(self, rendering):
        """Variance of what the pins show of a render, from how its paths scatter, [(m,)]."""
        variance, luminance = rendering.variance(), linear_srgb_to_xyz(rendering.picture())[..., 1]
        pooled = float(variance[self._only].sum() / max(np.square(luminance[self._only]).sum(), 1e-12))
        out = []
        for pin, (rows, columns, along) in zip(self.pins, self._places, strict=True):
            # A few paths tell their own scatter badly: half of it is that of all pixels together.
            own = 0.5 * (variance[rows, columns] + pooled * luminance[rows, columns] ** 2)
            if pin.form != "line":
                out.append(np.full(3, own.sum() / own.size**2))
                continue
            count = np.histogram(along, _BINS, (0.0, 1.0))[0]
            out.append(binned(along, own, _BINS)[1][count > 0] / count[count > 0])
        return out

    def agreement(self, surface, cancel=None, effects=()):
        """A `PinAgreement` of each counting pin, under the light that a solve found (its `Found` effects)."""
        amounts = {e.name: e.value - (1.0 if e.name in FACTORS else 0.0) for e in self._light(effects)}
        gain = 1.0 + amounts.pop("exposure", 0.0)
        seen = zip(self.pins, self.rendered(surface, cancel, amounts), self.theirs, strict=True)
        return [pin_agreement(pin, gain * ours, theirs, self.display) for pin, ours, theirs in seen]

    def _light(self, effects):
        """Of what a solve found, what of the photograph's light was left free."""
        free = ["exposure" if effect == "gain" else effect for effect, _ in map(_FREE_EFFECTS.get, self._free)]
        return [e for e in effects if e.reading == PHOTOGRAPH and e.name in free]


def under_found_light(study, specimen, effects):
    """(study, specimen) with booth and photograph as a solve found the light to be that was left free."""
    free, booth, reference = specimen.reference.free_light, study.booth, specimen.reference
    for e in (e for e in effects if e.reading == PHOTOGRAPH):
        if e.name == "exposure" and "exposure" in free:
            # The photograph is lighter than the render by this factor.
            stops = reference.exposure - math.log2(max(e.value, 1e-6))
            reference = replace(reference, exposure=min(max(stops, -30.0), 30.0))
        elif e.name == "azimuth_deg" and "azimuth" in free:
            booth = replace(booth, turn=(booth.turn + e.value + 180.0) % 360.0 - 180.0)
        elif e.name == "strength" and "strength" in free:
            booth = replace(booth, strength=min(max(booth.strength * e.value, 0.0), 1e6))
    return replace(study, booth=booth), replace(specimen, reference=reference)
