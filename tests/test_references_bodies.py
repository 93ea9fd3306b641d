"""The product against the independent walk of `references/`: rough slabs, half-spaces, and what ports see of them."""

import csv
import math
from pathlib import Path

import numpy as np
import pytest
from references.__main__ import ASYMMETRY, HALF_SPACES, LIT_MM, SEEN_MM, SLAB_MM, SLABS, WALLS
from references.bodies import body, means

from photometra.instruments import directional_albedo, measured
from photometra.instruments.scatterprobe import exitance, share_of_deep
from photometra.instruments.shelf import Question, predicted
from photometra.instruments.transmissometer import media_of, slab
from photometra.surface import Surface
from photometra.surface.bank import compile_measured
from photometra.surface.compile import compile_surface

TABLES = Path(__file__).parents[1] / "references" / "tables"
NM = np.array([550.0])


def table(name):
    with open(TABLES / name, newline="", encoding="utf-8") as file:
        return [{k: float(v) for k, v in row.items()} for row in csv.DictReader(file)]


@pytest.mark.long
def test_the_walk_finds_published_slabs():
    # Wang, Jacques & Zheng (1995), tables 1 and 2; Giovanelli (1955).
    (r, r_error), _, (t, t_error), _ = means(
        body(60_000, 1, 0.0, 1.0 + 1e-9, 0.0, 0.02, 10.0, 90.0, 0.75, 1e9, 1e9), 60_000
    )
    assert abs(r - 0.0974) < 3.5 * r_error and abs(t - 0.6610) < 3.5 * t_error
    (deep, error), *_ = means(body(60_000, 2, 0.0, 1.5, 0.0, math.inf, 1.0, 9.0, 0.0, 1e9, 1e9), 60_000)
    assert abs(deep - 0.2600) < 3.5 * error


def test_slabs_reflect_and_let_through_what_the_walk_says():
    """Within 0.006 at every roughness."""
    rows = table("slabs.csv")
    assert len(rows) == len(SLABS)
    for row in rows:
        given = {
            "transmission": 1.0, "ior": row["ior"], "roughness": row["roughness"],
            "interior.absorption": (row["absorption"],) * 3, "interior.scatter": (row["scatter"],) * 3,
            "interior.asymmetry": ASYMMETRY,
        }  # fmt: skip
        light = slab(compile_surface(Surface(given)), SLAB_MM, NM)
        for name, got in (("reflectance", light.reflected), ("transmittance", light.total)):
            assert abs(got[0] - row[name]) < 0.006 + 3.0 * row[f"{name}_error"], (row, name, got)
        assert abs(light.regular[0] - row["regular"]) < 0.006 + 3.0 * row["regular_error"], (row, light.regular)


def test_rough_walls_reflect_and_let_through_aslant_what_the_walk_says():
    """A clear wall is as thick as its slab. Within 0.012, and 0.022 where it is as rough as can be."""
    rows = table("walls.csv")
    assert len(rows) == len(WALLS)
    for row in rows:
        given = {
            "transmission": 1.0, "thin_walled": True, "thickness": SLAB_MM, "ior": row["ior"],
            "roughness": row["roughness"], "interior.absorption": (row["absorption"],) * 3,
        }  # fmt: skip
        compiled, cosine = compile_surface(Surface(given)), math.cos(math.radians(row["angle_deg"]))
        for name, way in (("reflectance", 1.0), ("transmittance", -1.0)):
            got = directional_albedo(compiled, cosine, NM, way=way)[0]
            most = 0.012 if row["roughness"] < 0.9 else 0.022
            assert abs(got - row[name]) < most + 3.0 * row[f"{name}_error"], (row, name, got)


def _with_albedo(row):
    """A surface of subsurface whose own albedo of one scattering is the row's; found by its colour."""
    given = {"ior": row["ior"], "roughness": row["roughness"], "subsurface": 1.0, "subsurface.radius": (1.0,) * 3}
    low, high = 0.0, 1.0
    for _ in range(30):
        colour = 0.5 * (low + high)
        surface = Surface({**given, "subsurface.colour": (colour,) * 3})
        ((_, absorption, scatter, _),) = media_of(compile_surface(surface), NM)
        low, high = (colour, high) if scatter[0] / (scatter[0] + absorption[0]) < row["albedo"] else (low, colour)
    return surface


@pytest.mark.parametrize("i", range(len(HALF_SPACES)))
def test_deep_bodies_look_as_walked_wide_and_through_a_port(i):
    row = table("half-spaces.csv")[i]
    surface = _with_albedo(row)
    compiled = compile_measured(surface)
    wide, port = (
        float(predicted(Question("reflectance", {"wavelength_nm": NM}, "di:8", **areas), surface, compiled)[0, 0])
        for areas in ({}, {"illuminated_mm": LIT_MM, "collected_mm": SEEN_MM})
    )
    assert wide == pytest.approx(row["reflectance"], abs=0.003 + 0.005 * row["reflectance"] + 3.0 * row["error"])
    # Of the roughest faces the walks are a mixture of two.
    most = 0.012 if row["roughness"] < 0.5 else 0.025
    assert port == pytest.approx(row["through_port"], abs=0.003 + most * row["through_port"] + 3.0 * row["port_error"])


def test_a_thin_slab_lacks_what_would_have_come_from_below():
    """A fine beam's light in rings about it: within 0.02 from five mean free paths on, within 0.13 of two."""
    for row in table("rings.csv"):
        radius = np.linspace(row["inner"], row["outer"], 60)
        albedo, path = np.full(60, row["albedo"]), np.ones(60)
        face = row["ior"], 0.0
        light = exitance(radius, albedo, path, face, 0.0) * radius
        share = share_of_deep(radius, albedo, path, face, 0.0, row["thickness"])
        most = 0.02 if row["thickness"] > 4.0 else 0.13
        assert abs((share * light).sum() / light.sum() - row["share_of_deep"]) < most + 3.0 * row["error"], row


def test_a_band_pass_is_the_mean_over_its_triangle():
    fine = np.arange(380.0, 781.0, 0.5)
    nm = np.arange(420.0, 741.0, 10.0)
    film = Surface(
        {"metalness": 1.0, "constants": "titanium", "film.amount": 1.0, "film.thickness": 2000.0, "film.ior": 1.5}
    )
    for surface, most in ((film, 0.001), (Surface({"colour": (0.8, 0.2, 0.05)}), 0.0006)):
        compiled = compile_measured(surface)
        all_of_it = predicted(Question("reflectance", {"wavelength_nm": fine}, "di:8"), surface, compiled)[0]
        weights = np.maximum(0.0, 1.0 - np.abs(fine - nm[:, None]) / 10.0)
        wanted = weights @ all_of_it / weights.sum(axis=1)
        got = measured("spectrophotometer", surface, places={"wavelength_nm": nm}, bandpass_nm=10.0).columns[
            "reflectance"
        ]
        assert got == pytest.approx(wanted, abs=most)
        if surface is film:
            narrow = measured("spectrophotometer", surface, places={"wavelength_nm": nm}).columns["reflectance"]
            assert np.abs(narrow - wanted).max() > 0.02


def test_a_frosted_wall_lets_straight_on_what_two_faces_do():
    """A wall has no thickness to its light, and what is straight of a clear slab does not depend on its own."""
    for row in table("slabs.csv"):
        if row["absorption"] or row["scatter"] or row["ior"] > 1.6:
            continue
        wall = {"transmission": 1.0, "thin_walled": True, "ior": row["ior"], "roughness": row["roughness"]}
        light = slab(compile_surface(Surface(wall)), 0.0, NM)
        assert light.regular[0] == pytest.approx(row["regular"], abs=0.02), row
