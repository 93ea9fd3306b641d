"""What is typed by hand, as a reading: a colour to be met, the dispersion of a glass."""

import re

import numpy as np

from ..colour import linear_srgb_to_xyz, srgb_code, xyz_to_lab
from ..errors import InputError
from ..optics.dispersion import index_by_formula
from ..words import tr
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
        numbers = _numbers(rest)
        if len(numbers) != 3:
            raise InputError(
                tr("write three numbers (L*, a*, b*), XYZ and three numbers, #rrggbb, or rgb and 0 to 255")
            )
        lab = numbers if word != "xyz" else xyz_to_lab([v / 100.0 for v in numbers], illuminant, observer)
    columns = {"sample": [1.0], **{c: [float(v)] for c, v in zip("Lab", lab, strict=True)}}
    return make_reading(
        tr("Target {0}", text), "colour", columns, {c: [sigma] for c in "Lab"}, geometry=geometry,
        illuminant=illuminant, observer=observer, tolerance=tolerance, source=tr("typed by hand"),
        thickness_mm=thickness_mm,
    )  # fmt: skip


_SEEN_NM = np.arange(380.0, 781.0, 5.0)
_MOST_TERMS = 5


def sellmeier(text) -> Reading:
    """A reading of kind `constants` from Sellmeier coefficients as catalogues print them: B1 C1 B2 C2 …, C in µm², or
    all B before all C after a stroke (`B1 B2 B3 / C1 C2 C3`): n² = 1 + Σ B λ² / (λ² − C) (Sellmeier 1871).

    ValueError, in a sentence, where the text is no such list, or is no index over the visible.
    """
    halves = [_numbers(half) for half in str(text).split("/")]
    count = len(halves[0])
    is_apart = len(halves) == 2 and len(halves[1]) == count
    if (not is_apart and (len(halves) != 1 or count % 2)) or not 0 < count <= (1 if is_apart else 2) * _MOST_TERMS:
        raise InputError(tr("write the coefficients in pairs, B1 C1 B2 C2 B3 C3 (C in µm²), or all B / all C"))
    pairs = list(zip(*halves, strict=True)) if is_apart else list(zip(halves[0][::2], halves[0][1::2], strict=True))
    index = index_by_formula(2, [0.0, *(v for pair in pairs for v in pair)], _SEEN_NM / 1000.0)
    if not np.all(np.isfinite(index)) or index.min() < 1.0 or index.max() > 5.0:
        raise InputError(
            tr("with these coefficients the index is not between 1 and 5 all over 380 to 780 nm; C is in µm²")
        )
    columns = {"wavelength_nm": _SEEN_NM, "n": index, "k": np.zeros(_SEEN_NM.size)}
    told = "; ".join(f"B {b:g}, C {c:g} µm²" for b, c in pairs)
    return make_reading("Sellmeier", "constants", columns, source=tr("typed by hand: {0}", told))


def _numbers(text):
    """Numbers as people list them; a comma is a decimal sign only where semicolons part them."""
    parts = [p for p in re.split(r"[;\s]+" if ";" in text else r"[,\s]+", text.strip()) if p]
    try:
        return [float(p.replace("−", "-").replace(",", ".")) for p in parts]
    except ValueError:
        return []
