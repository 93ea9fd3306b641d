"""Keep the pictures of six specimens as they are now, in blocks, for `tests/tracing/test_means.py` to hold later ones
against: run it before a change of the tracer that must not change what it shows."""

import csv
import sys
from pathlib import Path

import numpy as np

from photometra.demo.making import study_without_photograph
from photometra.imaging.booths import compiled_in, scene_of
from photometra.tracing import Rendering

NAMES = ("Brass lamp bracket", "Enamelled number plate", "Heat-tinted vane", "Beeswax seal block", "Ruby signal glass",
         "Canvas awning")  # fmt: skip
SIDE, BLOCK, SAMPLES = 48, 8, 4096
PLACE = Path(__file__).resolve().parents[1] / "tests" / "tracing" / "means.csv"


def blocks(specimen, study, samples, seed):
    """(mean of linear Rec.709 (n, 3), standard error of the luminance (n,)) of blocks of a picture."""
    scene = scene_of(study, specimen)
    rendering = Rendering(compiled_in(scene, specimen), scene, SIDE, SIDE, seed=seed)
    rendering.add(samples)
    n = SIDE // BLOCK
    mean = rendering.picture().reshape(n, BLOCK, n, BLOCK, 3).mean(axis=(1, 3))
    variance = rendering.variance().reshape(n, BLOCK, n, BLOCK).mean(axis=(1, 3)) / BLOCK**2
    return mean.reshape(-1, 3), np.sqrt(variance).ravel()


def main(place=PLACE):
    study = study_without_photograph()
    with open(place, "w", newline="", encoding="utf-8") as file:
        out = csv.writer(file)
        out.writerow(("specimen", "block", "red", "green", "blue", "error"))
        for name in NAMES:
            means, errors = blocks(study.specimen(name), study, SAMPLES, 1234)
            for i, (rgb, error) in enumerate(zip(means, errors, strict=True)):
                out.writerow((name, i, *(f"{v:.6g}" for v in rgb), f"{error:.3g}"))
    print(f"wrote {place}")


if __name__ == "__main__":
    main(*map(Path, sys.argv[1:]))
