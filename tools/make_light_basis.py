"""Make the three spectra anew that lights given as red, green and blue are made of: colour/data/light_basis.csv.

The smoothest set, never negative and summing to 1 everywhere, that the sensor turns back into the same red, green and
blue (after Mallett & Yuksel 2019, whose basis is for reflectance under D65). python tools/make_light_basis.py
"""

from pathlib import Path

import numpy as np
from scipy.optimize import lsq_linear

import photometra.colour
from photometra.colour import WAVELENGTHS, sensor_matrix

STRONG, WEAK = 1e3, 0.3


def solved():
    """(81, 3)."""
    n = WAVELENGTHS.size
    film = sensor_matrix()
    second = np.diff(np.eye(n), n=2, axis=0)
    # Unknown: red and green; blue is what is left of 1.
    rows = [
        np.hstack([STRONG * film.T, np.zeros((3, n))]),
        np.hstack([np.zeros((3, n)), STRONG * film.T]),
        np.hstack([WEAK * second, np.zeros_like(second)]),
        np.hstack([np.zeros_like(second), WEAK * second]),
        np.hstack([WEAK * second, WEAK * second]),
    ]
    aim = np.concatenate([STRONG * np.eye(3)[0], STRONG * np.eye(3)[1], np.zeros(3 * (n - 2))])
    found = lsq_linear(np.vstack(rows), aim, bounds=(0.0, 1.0), tol=1e-12).x.reshape(2, n)
    red, green = found / np.maximum(found.sum(axis=0), 1.0)
    return np.column_stack([red, green, np.maximum(1.0 - red - green, 0.0)])


def main():
    path = Path(photometra.colour.__file__).parent / "data" / "light_basis.csv"
    lines = ["wavelength_nm,red,green,blue"]
    lines += [",".join([f"{w:g}", *(f"{v:.9f}" for v in row)]) for w, row in zip(WAVELENGTHS, solved(), strict=True)]
    path.write_text("\n".join(lines) + "\n", encoding="utf-8")
    print(f"wrote {path}")


if __name__ == "__main__":
    main()
