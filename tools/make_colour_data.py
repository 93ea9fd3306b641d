"""Write the colour tables that ship with the application, from colour-science's CIE data.

Run once when a table is added:  python tools/make_colour_data.py
"""

from pathlib import Path

import colour
import numpy as np

OUT = Path(__file__).resolve().parent.parent / "src/photometra/colour/data"
SHAPE = colour.SpectralShape(360, 830, 5)
OBSERVERS = {
    "1931-2": "CIE 1931 2 Degree Standard Observer",
    "1964-10": "CIE 1964 10 Degree Standard Observer",
}
ILLUMINANTS = ("D65", "D50", "A", "C")


def main():
    columns = {"wavelength_nm": SHAPE.wavelengths}
    for short, name in OBSERVERS.items():
        values = colour.MSDS_CMFS[name].copy().align(SHAPE).values
        columns |= {f"{axis}bar_{short}": values[:, i] for i, axis in enumerate("xyz")}
    for name in ILLUMINANTS:
        illuminant = colour.SDS_ILLUMINANTS[name].copy()
        values = illuminant.align(SHAPE, extrapolator_kwargs={"method": "Constant"}).values
        columns[name] = values
    table = np.column_stack(list(columns.values()))
    header = (
        "# name: CIE standard observers and illuminants, 5 nm\n"
        "# source: CIE 015:2018; CIE 1931 and 1964 observers, illuminants A, C, D50, D65\n" + ",".join(columns)
    )
    np.savetxt(OUT / "cie.csv", table, fmt="%.9g", delimiter=",", header=header, comments="")


if __name__ == "__main__":
    main()
