"""Physical sense of a surface: what is set but cannot show, or cannot be. One sentence each, with its mend."""

from collections.abc import Mapping
from dataclasses import dataclass, field

import numpy as np

from .compile import absorption
from .constants import FROM_READING, table
from .model import Surface


@dataclass(frozen=True)
class Finding:
    """Something to look at. `mend`: {parameter: value} that would put it right, with its label; or none.

    `is_error` where nothing can be computed until it is mended.
    """

    sentence: str
    mend_label: str = ""
    mend: Mapping[str, object] = field(default_factory=dict)
    is_error: bool = False


def findings(surface: Surface, size_mm: float, has_constants_reading: bool) -> list[Finding]:
    """What is doubtful about a surface on a specimen of `size_mm` across, in the order of the section."""
    return list(_found(surface, size_mm, has_constants_reading))


def _found(s, size_mm, has_constants_reading):
    if s["constants"] == FROM_READING and not has_constants_reading:
        yield Finding(
            "The optical constants are to come from a reading, but no reading of constants is active.",
            "Use index and Abbe number" if s["metalness"] < 1 else "Use face and edge colour",
            {"constants": ""},
            True,
        )
        return
    if s["constants"] and s["constants"] != FROM_READING and not table(s["constants"]).covers:
        low, high = table(s["constants"]).range_nm
        yield Finding(f"The table {s['constants']} covers {low:g}–{high:g} nm only; its end values are held beyond.")
    if s["film.amount"] > 0.0 and s["film.thickness"] == 0.0:
        yield Finding("A film of no thickness shows nothing.", "Make it 300 nm", {"film.thickness": 300.0})
    if s["film.amount"] > 0.0 and s["metalness"] < 1.0 and not s["constants"] and abs(s["film.ior"] - s["ior"]) < 0.02:
        other = 1.33 if s["ior"] > 1.45 else 1.7
        yield Finding("A film of the body's own index cannot be seen on it.", f"Make it {other}", {"film.ior": other})
    if s["coat.amount"] > 0.0 and s["coat.ior"] < 1.0 + 1e-3:
        yield Finding("A coat of index 1 is air: it does nothing.", "Make it 1.5", {"coat.ior": 1.5})
    yield from _wandering(s, size_mm)
    if s["metalness"] >= 1.0 and s["transmission"] > 0.0:
        yield Finding(
            "Transmission does nothing in a metal: no light gets through it.",
            "Take it away",
            {"transmission": 0.0},
        )
    if 0.0 < s["metalness"] < 1.0:
        nearest = round(s["metalness"])
        yield Finding(
            "Metalness between 0 and 1 is a mixture, as of rust or worn plating; a single matter is 0 or 1.",
            f"Make it {nearest}",
            {"metalness": float(nearest)},
        )
    if s["metalness"] < 1.0 and not s["constants"]:
        if s["ior"] < 1.0 + 1e-3:
            yield Finding("An index of 1 is that of air: the surface reflects nothing.", "Make it 1.5", {"ior": 1.5})
        if s["abbe"] and s["abbe"] < 15.0:
            yield Finding("An Abbe number below 15 disperses more than any known glass.", "Make it 60", {"abbe": 60.0})
    if s["haze.amount"] > 0.0 and s["haze.spread"] < 0.02:
        yield Finding("A haze that spreads no wider than the finish cannot be seen.", "Spread it", {"haze.spread": 0.4})
    if s["metalness"] < 1.0 and max(s["colour"]) > 0.95 and s["transmission"] < 1.0:
        yield Finding(
            "A body colour above 0.95 is brighter than fresh snow; pictures will be slow and pale.",
            "Bring it to 0.9",
            {"colour": tuple(min(c, 0.9) for c in s["colour"])},
        )
    if s["metalness"] < 1.0 and s["transmission"] > 0.0:
        clearest = float(np.exp(-np.min(absorption(s)) * size_mm)) if s["constants"] != FROM_READING else 1.0
        if clearest < 1e-3:
            yield Finding(
                f"The interior absorbs so much that {size_mm:g} mm of it let less than 0.1 % through: black.",
                "Give it the specimen's depth",
                {"interior.depth": size_mm, "interior.absorption": (0.0, 0.0, 0.0)},
            )


def _wandering(s, size_mm):
    if not s.applies("subsurface.radius"):
        return
    longest = max(s["subsurface.radius"]) * s["subsurface.scale"]
    if longest > size_mm:
        yield Finding(
            f"A mean free path of {longest:.3g} mm is longer than the specimen ({size_mm:g} mm): it will look empty.",
            "Bring it to a tenth of the size",
            {"subsurface.scale": max(0.001, s["subsurface.scale"] * 0.1 * size_mm / longest)},
        )
    # About a pixel of a picture in which the specimen is 500 pixels wide.
    elif longest < size_mm / 2000.0:
        yield Finding(
            f"A mean free path of {longest:.3g} mm is far smaller than a pixel: a plain body colour looks the same.",
            "Make it a body colour",
            {"subsurface": 0.0, "colour": s.as_measured()["colour"]},
        )
