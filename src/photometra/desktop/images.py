"""From arrays to Qt's pictures."""

import numpy as np
from PyQt6.QtGui import QImage


def image_of(shown):
    """A QImage of values for the screen (h, w, 3), 0..1; what lies beyond is cut off."""
    pixels = np.ascontiguousarray((np.clip(shown, 0.0, 1.0) * 255.0 + 0.5).astype(np.uint8))
    height, width, _ = pixels.shape
    return QImage(pixels.data, width, height, 3 * width, QImage.Format.Format_RGB888).copy()
