"""Render every specimen of a study small, and write each as MaterialX beside it.

python examples/pictures.py STUDY.photometra FOLDER
"""

import sys
from pathlib import Path

import numpy as np

import photometra


def main(path, folder):
    folder = Path(folder)
    written = []
    for specimen in photometra.open_study(path):
        picture = specimen.render(96, 72, samples=4)
        stem = specimen.name.lower().replace(" ", "-")
        np.save(folder / f"{stem}.npy", picture)
        left_out = specimen.export(folder / f"{stem}.mtlx")
        written.append(stem)
        print(f"{specimen.name}: mean {picture.mean():.3f}; not carried: {len(left_out)}")
    return written


if __name__ == "__main__":
    main(*sys.argv[1:3])
