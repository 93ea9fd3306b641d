"""`python -m references`: walk everything anew, from fixed seeds, and write the tables; a few minutes."""

import csv
import math
from pathlib import Path

import numpy as np

from .coats import BINS, brdf, coated

TABLES = Path(__file__).parent / "tables"
PATHS = 200_000
ANGLES = (8, 45, 60, 75, 80)
COATS = [(n, roughness, white) for n in (1.3, 1.5, 1.8) for roughness in (0.0, 0.2, 0.4, 0.6) for white in (1.0, 0.3)]
"""Index, roughness (its square is the slope width), and what white becomes by one passage down and up."""
BASES = [("metal", 0.1, 0.0), ("metal", 0.3, 0.0), ("metal", 0.6, 0.0), ("body", 0.3, 0.2), ("body", 0.3, 0.8)]
"""Kind, roughness, and the albedo of a body; its index is 1.5, a metal's below."""
METAL = (0.44, 2.55)
"""n and k of a yellow metal at one wavelength."""
LOBE_AT = 60


def rows():
    """(coat, base, angle) -> albedo and its standard error; the lobe's peak and half width where one is walked."""
    seed = 0
    for coat in COATS:
        n, roughness, white = coat
        for kind, base_roughness, albedo in BASES:
            index, k = METAL if kind == "metal" else (1.5, 0.0)
            for angle in ANGLES:
                seed += 1
                lobe = np.zeros((2, BINS))
                total, squares = coated(
                    PATHS, seed, math.radians(angle), n, roughness**2, -0.5 * math.log(white), index, k,
                    base_roughness**2, albedo, lobe,
                )  # fmt: skip
                mean = total / PATHS
                error = math.sqrt(max(squares / PATHS - mean**2, 0.0) / PATHS)
                peak, spread, width = _lobe(lobe) if kind == "metal" and angle == LOBE_AT else ("", "", "")
                yield (*coat, kind, base_roughness, albedo, angle, f"{mean:.5f}", f"{error:.5f}", peak, spread, width)


def _lobe(lobe):
    """(highest BRDF of a bin, its standard error, width at half of it in degrees)."""
    value, error = brdf(lobe, PATHS)
    at = int(np.argmax(value))
    return f"{value[at]:.4f}", f"{error[at]:.4f}", int(2 * np.count_nonzero(value > 0.5 * value[at]))


HEAD = (
    "coat_ior", "coat_roughness", "coat_white", "base", "roughness", "albedo", "angle_deg", "reflectance", "error",
    "peak", "peak_error", "width_deg",
)  # fmt: skip


def main():
    with open(TABLES / "coats.csv", "w", newline="", encoding="utf-8") as file:
        out = csv.writer(file)
        out.writerow(HEAD)
        for row in rows():
            out.writerow(row)
    print(f"wrote {TABLES / 'coats.csv'}")


if __name__ == "__main__":
    main()
