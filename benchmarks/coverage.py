"""Are the error bars true of nature? Studies made by the independent walk of `references/`, with gains drawn from their
priors, solved: how often the true value lies within. `python -m benchmarks coverage` takes half an hour.
"""

import math
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass
from functools import cache

import numpy as np
from references.bodies import body, means
from references.coats import BINS, coated, glossed
from references.microsurface import fresnel

from photometra.fitting import solve
from photometra.instruments.glossmeter import ANGLES_DEG, RECEPTOR_DEG, SOURCE_DEG, STANDARD_IOR
from photometra.instruments.transmissometer import media_of
from photometra.readings import make_reading
from photometra.surface import Surface
from photometra.surface.compile import compile_surface

STUDIES = 50
PATHS = 600_000
NM = np.arange(400.0, 721.0, 40.0)
"""Nothing here has a colour: one walk stands for every wavelength."""
METAL = 0.44, 2.55
_WIDE = 1e9


@dataclass(frozen=True)
class Specimen:
    """truth: what the product calls the surface that is walked; free: what is solved for; exact: its readings without
    noise, as `make_reading` takes them; guess: where the solve begins."""

    name: str
    truth: Surface
    guess: dict
    free: tuple[str, ...]
    exact: tuple


def _even(name, value, kind="reflectance", **more):
    """A reading that is the same at every wavelength."""
    values = value if isinstance(value, dict) else {"reflectance": value}
    return name, kind, {"wavelength_nm": NM, **{c: np.full(NM.size, v) for c, v in values.items()}}, more


def _gloss(seed, *layers):
    """Gloss units at the three angles, walked."""
    out = []
    for i, angle in enumerate(ANGLES_DEG):
        source, receptor = (np.radians(np.array(a)) / 2.0 for a in (SOURCE_DEG, RECEPTOR_DEG[angle]))
        total, _ = glossed(PATHS, seed + i, math.radians(angle), source, receptor, *layers)
        out.append(100.0 * total / PATHS / fresnel(math.cos(math.radians(angle)), STANDARD_IOR, 0.0))
    return "Gloss", "gloss", {"angle_deg": np.array(ANGLES_DEG), "gloss_units": np.array(out)}, {}


def _wide(seed, *layers):
    """Reflectance at 8 degrees, in all directions, walked."""
    total, _ = coated(PATHS, seed, math.radians(8.0), *layers, np.zeros((2, BINS)))
    return total / PATHS


def _brass():
    layers = 1.5, 0.1**2, -0.5 * math.log(0.8), *METAL, 0.25**2, 0.0
    given = {
        "metalness": 1.0, "constants": "reading", "roughness": 0.25, "coat.amount": 1.0, "coat.ior": 1.5,
        "coat.roughness": 0.1, "coat.colour": (0.8,) * 3,
    }  # fmt: skip
    constants = "Constants", "constants", {"wavelength_nm": NM, "n": np.full(NM.size, METAL[0]),
                                           "k": np.full(NM.size, METAL[1])}, {}  # fmt: skip
    guess = {"roughness": 0.4, "coat.roughness": 0.2, "coat.colour": (0.6,) * 3}
    exact = constants, _even("di:8", _wide(1, *layers)), _gloss(10, *layers)
    return Specimen("Lacquered brass", Surface(given), guess, tuple(guess), exact)


def _teak():
    layers = 1.516, 0.09**2, -0.5 * math.log(0.8), 1.48, 0.0, 0.55**2, 0.3
    given = {
        "ior": 1.48, "roughness": 0.55, "colour": (0.3,) * 3, "coat.amount": 1.0, "coat.ior": 1.516,
        "coat.roughness": 0.09, "coat.colour": (0.8,) * 3,
    }  # fmt: skip
    guess = {"coat.roughness": 0.2, "coat.ior": 1.45, "colour": (0.2,) * 3}
    exact = _even("di:8", _wide(2, *layers)), _gloss(20, *layers)
    return Specimen("Varnished teak", Surface(given), guess, tuple(guess), exact)


def _pane(name, seed, roughness, absorption, n, free):
    sums = body(PATHS, seed, 0.0, n, roughness**2, 2.0, absorption, 0.0, 0.0, _WIDE, _WIDE)
    (r, _), _, (t, _), (straight, _) = means(sums, PATHS)
    given = {"transmission": 1.0, "ior": n, "roughness": roughness, "interior.absorption": (absorption,) * 3}
    exact = (
        _even("Through", {"regular": straight, "total": t}, "transmittance", thickness_mm=2.0),
        _even("di:8", r, thickness_mm=2.0),
    )
    return Specimen(name, Surface(given), free, tuple(free), exact)


def _wax():
    n, roughness, single = 1.44, 0.4, 0.96
    given = {"ior": n, "roughness": roughness, "subsurface": 1.0, "subsurface.radius": (1.0,) * 3}
    low, high = 0.0, 1.0
    for _ in range(40):
        colour = 0.5 * (low + high)
        truth = Surface({**given, "subsurface.colour": (colour,) * 3})
        ((_, absorption, scatter, _),) = media_of(compile_surface(truth), NM[:1])
        low, high = (colour, high) if scatter[0] / (scatter[0] + absorption[0]) < single else (low, colour)
    exact = []
    for i, (lit, seen) in enumerate(((8.0, 6.0), (4.0, 3.0), (25.0, 20.0))):
        matter = math.inf, 1.0 - single, single, 0.0
        sums = body(PATHS, 50 + i, math.radians(8), n, roughness**2, *matter, lit / 2, seen / 2)
        value = means(sums, PATHS)[1][0] * (lit / seen) ** 2
        exact.append(_even(f"di:8, {seen:g} mm", value, illuminated_mm=lit, collected_mm=seen))
    guess = {"subsurface.colour": (0.5,) * 3, "subsurface.radius": (2.0,) * 3}
    return Specimen("Wax behind ports", truth, guess, tuple(guess), tuple(exact))


@cache
def specimens():
    return (
        _brass(), _teak(),
        _pane("Ruby pane", 31, 0.04, 0.35, 1.53, {"ior": 1.45, "interior.absorption": (0.1,) * 3}),
        _wax(),
        _pane("Frosted pane", 32, 0.4, 0.1, 1.5, {"roughness": 0.25, "interior.absorption": (0.05,) * 3}),
    )  # fmt: skip


def study(specimen, seed):
    """Fresh readings: noise of the usual uncertainty, gain, offset and the slab's stated thickness drawn from their
    priors. The zero of the angles is true: a walk knows one angle."""
    rng = np.random.default_rng([4200, seed])
    out = []
    for name, kind, columns, more in specimen.exact:
        plain = make_reading(name, kind, columns, **more)
        shown = dict(columns)
        off = plain.systematic
        gain, offset = 1.0 + rng.normal() * off.gain, rng.normal() * off.offset
        for c in plain.kind.values if kind != "constants" else ():
            true = gain * columns[c] + offset
            low, high = plain.kind.limits_of(c)
            shown[c] = np.clip(true + rng.normal(size=plain.rows) * plain.sigma[c], low, high)
        stated = dict(more)
        if plain.thickness_mm:
            stated["thickness_mm"] = plain.thickness_mm + rng.normal() * off.thickness_mm
        out.append(make_reading(name, kind, shown, plain.sigma, **stated))
    return tuple(out)


def deviations(job):
    """(chi-square, [(scalar, (found - true) / standard error)]) of one fresh study."""
    i, seed = job
    specimen = specimens()[i]
    solution = solve(specimen.truth.with_values(specimen.guess), study(specimen, seed), specimen.free)
    return solution.chi2_reduced, [
        (s.name, (s.value - specimen.truth.scalar(s.name)) / s.sigma) for s in solution.solved if s.sigma
    ]


def run(studies=STUDIES, workers=2):
    """One line of the table for each specimen."""
    yield f"| specimen ({studies} studies, walked) | within 1 | within 2 | χ² | most biased: bias, spread (in errors) |"
    yield "|---|---|---|---|---|"
    with ProcessPoolExecutor(workers) as pool:
        for i, specimen in enumerate(specimens()):
            found = list(pool.map(deviations, [(i, k) for k in range(studies)]))
            by = {}
            for _, one in found:
                for scalar, z in one:
                    by.setdefault(scalar, []).append(z)
            z = np.abs(np.concatenate([np.array(v) for v in by.values()]))
            scalar, worst = max(by.items(), key=lambda kv: abs(np.mean(kv[1])))
            chi2 = np.median([c for c, _ in found])
            yield (
                f"| {specimen.name} | {np.mean(z <= 1.0):.0%} | {np.mean(z <= 2.0):.0%} | {chi2:.2f} | "
                f"{scalar} {np.mean(worst):+.2f}, {np.std(worst):.2f} |"
            )
