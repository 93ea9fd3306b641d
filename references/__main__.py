"""`python -m references [metals] [coats] [lobes] [slabs] [walls] [rings] [half-spaces]`: walk anew, fixed seeds."""

import csv
import math
import sys
from functools import cache
from pathlib import Path

import numpy as np

from .bodies import body, means
from .coats import BINS, brdf, coated
from .metals import metal

TABLES = Path(__file__).parent / "tables"
PATHS = 200_000
ANGLES = (8, 45, 60, 75, 80)
COATS = [(n, roughness, white) for n in (1.3, 1.5, 1.8) for roughness in (0.0, 0.2, 0.4, 0.6) for white in (1.0, 0.3)]
"""Index, roughness (its square is the slope width), and what white becomes by one passage down and up."""
BASES = [
    ("metal", 0.1, 0.0), ("metal", 0.3, 0.0), ("metal", 0.6, 0.0), ("body", 0.3, 0.2), ("body", 0.3, 0.8),
    ("body", 0.55, 0.2),
]  # fmt: skip
"""Kind, roughness, and the albedo of a body; its index is 1.5, a metal's below."""
METAL = (0.44, 2.55)
"""n and k of a yellow metal at one wavelength."""
LOBES_AT = (20, 60)
LOBE_PATHS = 3_000_000
METALS = [(n, k, roughness) for n, k in (METAL, (0.2, 4.0), (1.5, 1.8)) for roughness in (0.3, 0.5, 0.7, 0.85, 1.0)]
"""n and k of a yellow, a bright and a dark metal, and the roughness of each."""
METAL_HEAD = ("n", "k", "roughness", "angle_deg", "reflectance", "error")


def metal_rows():
    """A bare metal's reflectance by angle."""
    for seed, (n, k, roughness) in enumerate(METALS):
        for angle in ANGLES:
            total, squares = metal(PATHS, seed, math.radians(angle), n, k, roughness**2)
            mean = total / PATHS
            yield n, k, roughness, angle, f"{mean:.5f}", f"{math.sqrt((squares / PATHS - mean**2) / PATHS):.5f}"


def rows():
    """(coat, base, angle) -> albedo and its standard error."""
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
                yield (*coat, kind, base_roughness, albedo, angle, f"{mean:.5f}", f"{error:.5f}")


LOBE_HEAD = (
    "coat_ior", "coat_roughness", "coat_white", "roughness", "angle_deg", "most_error",
    *(2 * b + 1 for b in range(BINS)),
)  # fmt: skip


def lobe_rows():
    """The BRDF of metals under rough coats by exitant angle, forward of the normal; the largest standard error of those
    bins that are half as high as the highest."""
    seed = 7000
    for n, roughness, white in (coat for coat in COATS if coat[1] > 0.0):
        for base_roughness in (of[1] for of in BASES if of[0] == "metal"):
            for angle in LOBES_AT:
                seed += 1
                lobe = np.zeros((2, BINS))
                coated(
                    LOBE_PATHS, seed, math.radians(angle), n, roughness**2, -0.5 * math.log(white), *METAL,
                    base_roughness**2, 0.0, lobe,
                )  # fmt: skip
                value, error = brdf(lobe, LOBE_PATHS)
                most = error[value > 0.5 * value.max()].max()
                yield (n, roughness, white, base_roughness, angle, f"{most:.4f}", *(f"{v:.5g}" for v in value))


HEAD = (
    "coat_ior", "coat_roughness", "coat_white", "base", "roughness", "albedo", "angle_deg", "reflectance", "error",
)  # fmt: skip


SLAB_MM = 2.0
SLABS = [
    (n, roughness, absorption, scatter)
    for n in (1.33, 1.5, 1.8) for roughness in (0.0, 0.1, 0.3, 0.5, 0.75, 1.0)
    for absorption in (0.0, 0.3) for scatter in (0.0, 1.0)
]  # fmt: skip
"""Index, roughness of both faces, coefficients per mm; what scatters has the asymmetry below."""
ASYMMETRY = 0.6
HALF_SPACES = [
    (n, roughness, single) for n in (1.33, 1.5) for roughness in (0.0, 0.4, 0.7) for single in (0.5, 0.9, 0.99)
]
"""Index, roughness, albedo of one isotropic scattering; the mean free path is 1 mm."""
LIT_MM, SEEN_MM = 8.0, 6.0
SLAB_HEAD = (
    "ior", "roughness", "absorption", "scatter", "reflectance", "reflectance_error", "transmittance",
    "transmittance_error", "regular", "regular_error",
)  # fmt: skip
WALLS = [
    (n, roughness, absorption, angle)
    for n in (1.33, 1.6) for roughness in (0.2, 0.5, 0.75, 1.0) for absorption in (0.0, 0.3) for angle in (0, 45, 75)
]  # fmt: skip
"""Index, roughness of both faces, absorption per mm, angle of incidence in degrees; clear, and `SLAB_MM` thick."""
WALL_HEAD = (
    "ior", "roughness", "absorption", "angle_deg", "reflectance", "reflectance_error", "transmittance",
    "transmittance_error",
)  # fmt: skip
RINGS = [
    (n, single, thickness) for n, single in ((1.4, 0.99), (1.4, 0.9), (1.33, 0.999)) for thickness in (2.0, 5.0, 10.0)
]
"""Index, albedo of one isotropic scattering, thickness in mean free paths (of 1 mm) of a slab, nothing behind it."""
RING_PATHS = 100_000
RING_RADII = (0.5, 1.0, 2.0, 4.0, 8.0)
RING_HEAD = ("ior", "albedo", "thickness", "inner", "outer", "share_of_deep", "error")
HALF_SPACE_HEAD = ("ior", "roughness", "albedo", "reflectance", "error", "through_port", "port_error")


def slab_rows():
    """A slab lit along the normal: what it reflects, lets through in all and straight on, with standard errors."""
    for seed, (n, roughness, absorption, scatter) in enumerate(SLABS):
        sums = body(PATHS, seed, 0.0, n, roughness**2, SLAB_MM, absorption, scatter, ASYMMETRY, 1e9, 1e9)
        (r, r_error), _, (t, t_error), (straight, s_error) = means(sums, PATHS)
        yield (n, roughness, absorption, scatter, *(f"{v:.5f}" for v in (r, r_error, t, t_error, straight, s_error)))


def wall_rows():
    """A clear slab lit aslant: what it reflects and lets through in all, with standard errors."""
    for seed, (n, roughness, absorption, angle) in enumerate(WALLS):
        sums = body(PATHS, seed, math.radians(angle), n, roughness**2, SLAB_MM, absorption, 0.0, 0.0, 1e9, 1e9)
        (r, r_error), _, (t, t_error), _ = means(sums, PATHS)
        yield (n, roughness, absorption, angle, *(f"{v:.5f}" for v in (r, r_error, t, t_error)))


def ring_rows():
    """Of a fine beam's light that leaves a deep body in a ring about it, the share that leaves a slab there."""

    @cache
    def rings(n, single, thickness):
        medium = 1.0 - single, single, 0.0
        sums = (body(RING_PATHS, 7, 0.0, n, 0.0, thickness, *medium, 1e-9, r) for r in RING_RADII)
        return np.diff([means(one, RING_PATHS)[1][0] for one in sums])

    for n, single, thickness in RINGS:
        deep, slab = rings(n, single, math.inf), rings(n, single, thickness)
        for inner, outer, a, b in zip(RING_RADII[:-1], RING_RADII[1:], slab, deep, strict=True):
            error = a / b * math.sqrt((1.0 / a + 1.0 / b) / RING_PATHS)
            yield n, single, thickness, inner, outer, f"{a / b:.4f}", f"{error:.4f}"


def half_space_rows():
    """A half-space lit at 8 degrees: its reflectance, and what a port sees of it, as if light stayed where it fell."""
    port = (LIT_MM / SEEN_MM) ** 2
    for seed, (n, roughness, single) in enumerate(HALF_SPACES):
        medium = math.inf, 1.0 - single, single, 0.0
        sums = body(PATHS, seed, math.radians(8), n, roughness**2, *medium, 0.5 * LIT_MM, 0.5 * SEEN_MM)
        (r, error), (seen, seen_error), _, _ = means(sums, PATHS)
        yield (n, roughness, single, *(f"{v:.5f}" for v in (r, error, seen * port, seen_error * port)))


EVERY = {
    "metals": (METAL_HEAD, metal_rows),
    "coats": (HEAD, rows),
    "lobes": (LOBE_HEAD, lobe_rows),
    "slabs": (SLAB_HEAD, slab_rows),
    "walls": (WALL_HEAD, wall_rows),
    "rings": (RING_HEAD, ring_rows),
    "half-spaces": (HALF_SPACE_HEAD, half_space_rows),
}


def main(chosen):
    for name in chosen:
        head, of = EVERY[name]
        with open(TABLES / f"{name}.csv", "w", newline="", encoding="utf-8") as file:
            out = csv.writer(file)
            out.writerow(head)
            for row in of():
                out.writerow(row)
        print(f"wrote {TABLES / name}.csv", flush=True)


if __name__ == "__main__":
    main(sys.argv[1:] or EVERY)
