"""Draw how far the product is from the independent walk, from the tables of `references/`: docs/accuracy.svg.

python tools/draw_accuracy.py
"""

import csv
import math
import sys
from html import escape
from pathlib import Path

import numpy as np

from photometra.instruments.integrate import directional_albedo
from photometra.instruments.transmissometer import slab
from photometra.surface import Surface
from photometra.surface.compile import compile_surface

ROOT = Path(__file__).parents[1]
NM = np.array([550.0])
WIDTH, HEIGHT, MARGIN = 300.0, 220.0, 46.0
COLOURS = ("#2f6f62", "#b5542d", "#5a6ea8", "#8a7a2f", "#7a4a78", "#444444")


def rows_of(name):
    with open(ROOT / "references" / "tables" / f"{name}.csv", newline="", encoding="utf-8") as file:
        return list(csv.DictReader(file))


def of_coats():
    """{coat roughness: [(angle, 100 × (ours - walked))]}."""
    sys.path.insert(0, str(ROOT))
    from references.__main__ import METAL

    out = {}
    for row in rows_of("coats"):
        given = {"coat.amount": 1.0, "coat.ior": float(row["coat_ior"]), "coat.roughness": float(row["coat_roughness"])}
        given |= {"coat.colour": (float(row["coat_white"]),) * 3, "roughness": float(row["roughness"])}
        reading = None
        if row["base"] == "metal":
            given |= {"metalness": 1.0, "constants": "reading"}
            reading = np.array([380.0, 780.0]), np.full(2, METAL[0]), np.full(2, METAL[1])
        else:
            given["colour"] = (float(row["albedo"]),) * 3
        angle = float(row["angle_deg"])
        ours = directional_albedo(compile_surface(Surface(given), reading), math.cos(math.radians(angle)), NM)[0]
        out.setdefault(row["coat_roughness"], []).append((angle, 100.0 * (ours - float(row["reflectance"]))))
    return out


def of_slabs():
    """{quantity: [(roughness, 100 × (ours - walked))]}."""
    out = {"reflected": [], "through": [], "straight on": []}
    for row in rows_of("slabs"):
        given = {
            "transmission": 1.0, "ior": float(row["ior"]), "roughness": float(row["roughness"]),
            "interior.absorption": (float(row["absorption"]),) * 3, "interior.scatter": (float(row["scatter"]),) * 3,
            "interior.asymmetry": 0.6,
        }  # fmt: skip
        light = slab(compile_surface(Surface(given)), 2.0, NM)
        pairs = (("reflected", light.reflected, "reflectance"), ("through", light.total, "transmittance"),
                 ("straight on", light.regular, "regular"))  # fmt: skip
        for told, ours, column in pairs:
            out[told].append((given["roughness"], 100.0 * (float(ours[0]) - float(row[column]))))
    return out


def panel(left, title, across, series, most, low, high):
    """One chart as SVG: marks by series, hundredths up and down."""
    x = lambda v: left + MARGIN + (WIDTH - MARGIN - 12.0) * (v - low) / (high - low)  # noqa: E731
    y = lambda v: 30.0 + (HEIGHT - 70.0) * (1.0 - (v + most) / (2.0 * most))  # noqa: E731
    out = [f'<text x="{left + MARGIN}" y="18" font-weight="600">{escape(title)}</text>']
    for v in np.linspace(-most, most, 5):
        out.append(f'<path d="M{x(low):.1f} {y(v):.1f}H{x(high):.1f}" stroke="#ccc"/>')
        out.append(f'<text x="{x(low) - 6:.1f}" y="{y(v) + 4:.1f}" text-anchor="end">{f"{v:+g}" if v else "0"}</text>')
    for v in np.linspace(low, high, 7 if high == 90.0 else 5):
        out.append(f'<text x="{x(v):.1f}" y="{HEIGHT - 24:.1f}" text-anchor="middle">{v:g}</text>')
    out.append(
        f'<text x="{(x(low) + x(high)) / 2:.1f}" y="{HEIGHT - 8:.1f}" text-anchor="middle">{escape(across)}</text>'
    )
    step = 0.012 * (high - low)
    for k, (name, marks) in enumerate(series.items()):
        for at, value in marks:
            shown = float(np.clip(value, -most, most))
            place = at + step * (k - 0.5 * len(series))
            out.append(
                f'<circle cx="{x(place):.1f}" cy="{y(shown):.1f}" r="2" fill="{COLOURS[k]}" fill-opacity="0.6"/>'
            )
        out.append(f'<circle cx="{left + WIDTH + 8:.1f}" cy="{40 + 16 * k}" r="3.5" fill="{COLOURS[k]}"/>')
        out.append(f'<text x="{left + WIDTH + 16:.1f}" y="{44 + 16 * k}">{escape(name)}</text>')
    return out


def main():
    parts = panel(
        0.0, "Coats: reflectance, hundredths off the walk", "angle of incidence / °", of_coats(), 4.0, 0.0, 90.0
    )
    parts += panel(
        400.0, "Clear and scattering slabs, hundredths off", "roughness of both faces", of_slabs(), 8.0, 0.0, 1.0
    )
    text = "\n".join(parts)
    path = ROOT / "docs" / "accuracy.svg"
    path.write_text(
        f'<svg xmlns="http://www.w3.org/2000/svg" width="820" height="{HEIGHT:g}" font-family="sans-serif" '
        'font-size="11">\n'
        f'<rect width="820" height="{HEIGHT:g}" fill="white"/>\n{text}\n</svg>\n',
        encoding="utf-8",
    )
    print(f"wrote {path}")


if __name__ == "__main__":
    main()
