"""A colour typed by hand, as a reading."""

import re

from ..colour import linear_srgb_to_xyz, srgb_code, xyz_to_lab
from ..errors import InputError
from .model import Reading, make_reading


def colour_target(
    text, illuminant="D65", observer="1931-2", geometry="di:8", sigma=0.5, tolerance=1.0, thickness_mm=0.0
) -> Reading:
    """A reading of kind `colour` from what a person types: `L, a, b`, `XYZ x y z` (white 100), `#rrggbb` or `#rgb`
    (sRGB), or `rgb r g b` (sRGB, each 0 to 255).

    thickness_mm: of the slab whose colour it is, where light passes through it (geometry 0:di). sRGB stands for
    daylight D65 and the 2° observer; its L*, a*, b* are kept under whatever is chosen, as the colour that looks so
    there. ValueError, in a sentence, where the text is no colour.
    """
    text = str(text).strip()
    rgb = srgb_code(text)
    if rgb is not None:
        lab = xyz_to_lab(linear_srgb_to_xyz(rgb))
    else:
        named = re.match(r"^(lab|xyz|l\*a\*b\*)?[\s:=]*(.*)$", text, re.I)
        word, rest = (named[1] or "lab").lower(), named[2]
        # A comma is a decimal sign only where a semicolon parts the numbers.
        parts = [p for p in re.split(r"[;\s]+" if ";" in rest else r"[,\s]+", rest) if p]
        try:
            numbers = [float(p.replace("−", "-").replace(",", ".")) for p in parts]
        except ValueError:
            numbers = []
        if len(numbers) != 3:
            raise InputError("write three numbers (L*, a*, b*), XYZ and three numbers, #rrggbb, or rgb and 0 to 255")
        lab = numbers if word != "xyz" else xyz_to_lab([v / 100.0 for v in numbers], illuminant, observer)
    columns = {"sample": [1.0], **{c: [float(v)] for c, v in zip("Lab", lab, strict=True)}}
    return make_reading(
        f"Target {text}", "colour", columns, {c: [sigma] for c in "Lab"}, geometry=geometry, illuminant=illuminant,
        observer=observer, tolerance=tolerance, source="typed by hand", thickness_mm=thickness_mm,
    )  # fmt: skip
