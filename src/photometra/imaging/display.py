"""From scene-linear to the screen: exposure, white balance, highlight compression, view transform.

Each step can be switched off; for a picture or one pixel.

View transforms come from OpenColorIO: the configuration that `$OCIO` names, else the library's built-in one.
For whole pictures a transform is baked into a 3D table, fine enough for the screen; a single pixel, whose
numbers people read, always takes the exact one.
"""

import os
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from .. import faults
from ..colour import adaptation, encode_srgb, linear_srgb_to_xyz, white_point, xyz_to_lab
from ..colour.spaces import RGB_TO_XYZ, XYZ_TO_RGB
from ..errors import InputError
from ..words import tr

PLAIN = "plain"
"""The view that changes nothing but the screen's encoding: sRGB, cut at white."""
FILMIC = "filmic"
"""The configuration's own default view, with its tone curve."""
EXPOSURE, BALANCE, COMPRESSION, VIEW = CHAIN = ("exposure", "balance", "compression", "view")
"""The steps of the chain, in order."""
_BRIGHTEST = np.float32(1e12)
"""Values beyond are shown as this: far above any light, and far below where single precision ends."""
_GRID, _LOG_LOW, _LOG_HIGH, _LOG_OFFSET = 52, -8.0, 6.0, 2.0**-8


@lru_cache(maxsize=1)
def _config():
    """The configuration that `$OCIO` names where it can be used, else the built-in one, with a remark."""
    import PyOpenColorIO as ocio

    named = os.environ.get("OCIO")
    if named:
        try:
            config = ocio.Config.CreateFromEnv()
            _processor(config, config.getDefaultView(config.getDefaultDisplay()))
        except (ocio.Exception, ocio.ExceptionMissingFile) as error:
            why = " ".join(str(error).split())[:200] or tr("it has no display with a view")
            faults.remark(
                tr("the colour configuration of $OCIO, {0}, cannot be used ({1}); the built-in one is", named, why)
            )
        else:
            return config
    return ocio.Config.CreateFromFile("ocio://default")


def _processor(config, view):
    """From linear Rec.709 to a view of a configuration's own display."""
    import PyOpenColorIO as ocio

    source = config.getColorSpace("lin_rec709") or config.getColorSpace("Linear Rec.709 (sRGB)")
    source = source.getName() if source else ocio.ROLE_SCENE_LINEAR
    display = config.getDefaultDisplay()
    return config.getProcessor(source, display, view, ocio.TRANSFORM_DIR_FORWARD).getDefaultCPUProcessor()


def view_names():
    """Every view there is: the plain one, the default one, and the others that the configuration offers."""
    config = _config()
    display = config.getDefaultDisplay()
    default = config.getDefaultView(display)
    others = [v for v in config.getViews(display) if v not in (default, "Raw")]
    return [PLAIN, FILMIC, *others]


@lru_cache(maxsize=8)
def _exact(view):
    """OpenColorIO's processor for a view, from linear Rec.709; None for the plain view."""
    if view == PLAIN:
        return None
    config = _config()
    display = config.getDefaultDisplay()
    name = config.getDefaultView(display) if view == FILMIC else view
    if name not in config.getViews(display):
        raise InputError(tr("there is no view '{0}': choose from {1}", view, ", ".join(view_names())))
    return _processor(config, name)


@lru_cache(maxsize=4)
def _baked(view):
    """The view's transform as a table over log2, for whole pictures."""
    import PyOpenColorIO as ocio

    steps = 2.0 ** np.linspace(_LOG_LOW, _LOG_HIGH, _GRID) - _LOG_OFFSET
    # OpenColorIO's tables run blue fastest.
    grid = np.stack(np.meshgrid(steps, steps, steps, indexing="ij"), axis=-1).astype(np.float32)
    grid = np.ascontiguousarray(grid.reshape(1, -1, 3))
    _exact(view).applyRGB(grid)
    table = ocio.Lut3DTransform()
    table.setGridSize(_GRID)
    table.setInterpolation(ocio.INTERP_TETRAHEDRAL)
    table.setData(grid.ravel())
    shaper = ocio.AllocationTransform()
    shaper.setAllocation(ocio.ALLOCATION_LG2)
    shaper.setVars([_LOG_LOW, _LOG_HIGH, _LOG_OFFSET])
    both = ocio.GroupTransform([shaper, table])
    return ocio.Config.CreateRaw().getProcessor(both).getDefaultCPUProcessor()


def balance_matrix(white):
    """3×3 on linear Rec.709 that makes `white` (linear Rec.709) neutral, its luminance kept; CAT16."""
    if white is None:
        return np.eye(3)
    xyz = linear_srgb_to_xyz(white)
    if not np.all(np.isfinite(xyz)) or xyz[1] <= 1e-6 or np.min(white) <= 0.0:
        raise InputError(tr("white balance needs a place that is lit in all three channels"))
    return XYZ_TO_RGB @ adaptation(xyz / xyz[1], white_point("D65")) @ RGB_TO_XYZ


def compressed(linear, amount):
    """Highlights bent towards white, (..., 3): what is above a knee of 1 - amount / 2 by its largest channel.

    y = knee + d / (1 + amount d), d = x - knee; the hue is kept. amount 0 changes nothing, 1 lets nothing beyond 1.5.
    """
    if amount <= 0.0:
        return linear
    knee = 1.0 - 0.5 * amount
    largest = linear.max(axis=-1, keepdims=True)
    over = np.maximum(largest - knee, 0.0)
    bent = np.minimum(largest, knee) + over / (1.0 + amount * over)
    return np.where(largest > knee, linear * (bent / np.maximum(largest, 1e-12)), linear).astype(linear.dtype)


@dataclass(frozen=True)
class Stages:
    """What one pixel is at each step of the chain; `shown` encoded for the screen, `lab` of the balanced value."""

    linear: np.ndarray
    exposed: np.ndarray
    balanced: np.ndarray
    compressed: np.ndarray
    shown: np.ndarray
    lab: np.ndarray


@dataclass(frozen=True)
class Display:
    """The chain with its settings: exposure in stops, the white to balance to, how far highlights are bent, the view.

    off: steps of `CHAIN` that are switched off; without the view the plain one is taken.
    """

    exposure: float = 0.0
    white: tuple[float, float, float] | None = None
    view: str = FILMIC
    compression: float = 0.0
    off: tuple[str, ...] = ()

    @property
    def _view(self):
        return PLAIN if VIEW in self.off else self.view

    def check(self):
        """InputError where the view is none of the configuration's: before anybody waits for a picture."""
        _exact(self._view)

    def exposed(self, linear):
        """Scene-linear values after exposure."""
        stops = 0.0 if EXPOSURE in self.off else self.exposure
        # Bounded: whatever is chosen, what is shown stays a number.
        return np.clip(np.asarray(linear, np.float32), -_BRIGHTEST, _BRIGHTEST) * np.float32(2.0**stops)

    def balanced(self, linear):
        """Scene-linear values after exposure and white balance: what colours are told of."""
        white = None if BALANCE in self.off else self.white
        return self.exposed(linear) @ balance_matrix(white).T.astype(np.float32)

    def _bent(self, balanced):
        return balanced if COMPRESSION in self.off else compressed(balanced, self.compression)

    def picture(self, linear):
        """(h, w, 3) scene-linear -> values for the screen, 0..1, float32."""
        bent = np.ascontiguousarray(self._bent(self.balanced(linear)), np.float32)
        if self._view == PLAIN:
            return np.clip(encode_srgb(bent), 0.0, 1.0).astype(np.float32)
        bent = np.maximum(bent, 0.0)
        _baked(self._view).applyRGB(bent)
        return np.clip(bent, 0.0, 1.0)

    def marks(self, linear):
        """(clipped, below black), (h, w) each: where the chain leaves more than white in a channel, or less than 0."""
        bent = self._bent(self.balanced(linear))
        return (bent > 1.0).any(axis=-1), (bent < 0.0).any(axis=-1)

    def pixel(self, linear) -> Stages:
        """One pixel, (3,), exactly, at each step."""
        linear = np.asarray(linear, np.float32).reshape(3)
        balanced = self.balanced(linear)
        bent = self._bent(balanced)
        if self._view == PLAIN:
            shown = np.clip(encode_srgb(bent), 0.0, 1.0)
        else:
            shown = np.ascontiguousarray(np.maximum(bent, 0.0), np.float32).reshape(1, 1, 3)
            _exact(self._view).applyRGB(shown)
            shown = np.clip(shown.reshape(3), 0.0, 1.0)
        # The picture's white 1, 1, 1 is D65.
        return Stages(linear, self.exposed(linear), balanced, bent, shown, xyz_to_lab(linear_srgb_to_xyz(balanced)))


def exposure_for_white(linear_white):
    """Stops that bring the luminance of a chosen white to just 1; ValueError where it is dark."""
    luminance = float(linear_srgb_to_xyz(linear_white)[1])
    if luminance <= 1e-6:
        raise InputError(tr("that place is too dark to expose for"))
    return -float(np.log2(luminance))
