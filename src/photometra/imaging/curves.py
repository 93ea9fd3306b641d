"""How a picture file's numbers stand for light: by a curve that is stated, or by the ICC profile in the file."""

import os
import tempfile

import numpy as np

from ..colour import decode_srgb, xyz_to_linear_srgb
from ..errors import InputError
from ..pictures import opened_picture
from ..words import tr

CURVES = ("linear", "sRGB", "gamma 2.2", "profile")
"""How a file's numbers stand for light; "profile": as the ICC profile in the file says."""


def curve_of(path):
    """The curve of a picture file: its profile, where it has one; else floats are linear, all else is encoded for a
    screen. PictureError where it cannot be read."""
    with opened_picture(path) as source:
        if source.spec().getattribute("ICCProfile") is not None:
            return "profile"
    return "linear" if str(path).lower().endswith((".exr", ".hdr")) else "sRGB"


def decoded(pixels, curve):
    """Scene-linear float32 of a file's numbers; ValueError for an unknown curve."""
    if curve == "linear":
        return np.asarray(pixels, np.float32)
    if curve == "sRGB":
        return decode_srgb(pixels).astype(np.float32)
    if curve == "gamma 2.2":
        return np.sign(pixels) * np.abs(pixels).astype(np.float32) ** np.float32(2.2)
    raise InputError(tr("there is no curve '{0}': choose from {1}", curve, ", ".join(CURVES)))


def curve_table(curve, kind):
    """Scene-linear float16 of every number an integer file can hold; None where its numbers are floats.

    kind: the picture library's word for them, "uint8" or "uint16".
    """
    most = {"uint8": 255, "uint16": 65535}.get(str(kind))
    if most is None or curve == "profile":
        return None
    return decoded(np.arange(most + 1, dtype=np.float32) / most, curve).astype(np.float16)


def decoded_by_profile(pixels, profile):
    """Scene-linear Rec.709 float32 (h, w, 3) of a file's numbers 0..1 by its ICC profile, the white of which becomes 1.

    ValueError where there is none, or it is not one of three primaries with a curve each.
    """
    import PyOpenColorIO as ocio

    if profile is None:
        raise InputError(tr("there is no colour profile in the file; choose a curve instead"))
    handle, path = tempfile.mkstemp(suffix=".icc")
    try:
        with os.fdopen(handle, "wb") as out:
            out.write(np.asarray(profile, np.uint8).tobytes())
        # Its inverse goes from the device to CIE XYZ under D65.
        to_xyz = ocio.FileTransform(src=path, direction=ocio.TRANSFORM_DIR_INVERSE)
        processor = ocio.Config.CreateRaw().getProcessor(to_xyz).getDefaultCPUProcessor()
    except ocio.Exception:
        raise InputError(tr("the colour profile in the file cannot be used; choose a curve instead")) from None
    finally:
        os.unlink(path)
    xyz = np.ascontiguousarray(pixels, np.float32)
    processor.applyRGB(xyz)
    return xyz_to_linear_srgb(xyz).astype(np.float32)
