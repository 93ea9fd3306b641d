"""The made-up camera that took the demo's photograph: colours of its own, and a sensor with noise."""

import numpy as np

from ..colour import decode_srgb, encode_srgb
from ..imaging.references import Calibration, calibrated_by_patches, our_chart

CAMERA = 0.62 * np.array([[0.76, 0.2, 0.04], [0.12, 0.78, 0.1], [0.03, 0.2, 0.67]])
"""From scene-linear Rec.709 to the camera's own colours."""
_SHOT, _DARK = 0.012, 0.0015
"""The sensor's noise: of its signal's root, and in the dark."""


_PATCH_PIXELS = 400


def calibration(rng) -> Calibration:
    """The camera calibrated by our chart, whose patches it takes a few hundred noisy pixels of."""
    shown = decode_srgb(taken(np.repeat(our_chart()[:, None], _PATCH_PIXELS, axis=1), rng) / 255.0)
    return calibrated_by_patches(shown.mean(axis=1), our_chart())


def taken(linear, rng):
    """What the camera makes of a scene-linear picture (h, w, 3): 8-bit numbers on the curve of sRGB."""
    signal = np.maximum(linear @ CAMERA.T, 0.0)
    noise = rng.normal(size=signal.shape) * np.hypot(_SHOT * np.sqrt(signal), _DARK)
    return (np.clip(encode_srgb(signal + noise), 0.0, 1.0) * 255.0 + 0.5).astype(np.uint8)
