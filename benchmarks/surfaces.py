"""Thousands of surfaces, each stratum in its turn over its whole hard range: none makes light, none breaks a path."""

from concurrent.futures import ThreadPoolExecutor

import numpy as np

from photometra.optics.threads import thread_count
from photometra.shapes.standing import shape_of
from photometra.surface import PARAMETERS, STRATA, Surface, parameters_of
from photometra.surface.compile import compile_surface
from photometra.tracing import Limits, Rendering, Scene, uniform_environment

from .figures import Figure

_COUNT = 5000
_FURNACE = Limits(reflection=1024, transmission=4096, volume=50_000)
_MOSTLY_ABSENT = (
    "coat.amount", "film.amount", "sheen.amount", "anisotropy", "coat.anisotropy", "reverse.translucency",
)  # fmt: skip
_MOSTLY_WHOLE = ("metalness", "transmission", "opacity")


def drawn_value(p, rng):
    """A value of a parameter from its whole hard range; lengths and coefficients towards the small end."""
    low, high = p.hard
    if p.kind == "switch":
        return bool(rng.random() < 0.2)
    if p.kind in ("colour", "coefficient"):
        return tuple(float(v) for v in low + (min(high, 1.0) - low) * rng.random(3))
    return float(low + (high - low) * rng.random() ** (4 if p.unit not in ("", "°") else 1))


def drawn_surface(rng, stratum=None):
    """A surface drawn at random from every parameter; of a stratum, one whose own amounts are there for certain."""
    values = {}
    for p in PARAMETERS.values():
        if p.kind == "constants":
            continue
        values[p.name] = drawn_value(p, rng)
        if p.name in _MOSTLY_WHOLE and rng.random() < 0.7:
            values[p.name] = float(rng.integers(0, 2))
        if p.name in _MOSTLY_ABSENT and p.stratum != stratum and rng.random() < 0.6:
            values[p.name] = 0.0
    if stratum == "interior":
        values.update({"metalness": 0.0, "opacity": 1.0})
    return Surface(values)


def stratified(rng, count):
    """`count` surfaces, the strata taking turns."""
    named = [s for s in STRATA if parameters_of(s)]
    return [drawn_surface(rng, named[i % len(named)]) for i in range(count)]


def faults(surfaces, seed=3, size=16, samples=6):
    """[(surface, what is wrong)] of those that make light or break a path in the furnace."""
    shapes = [None, None, shape_of("steps", 30.0), shape_of("disc", 30.0)]

    def tried(surface, shape):
        scene = Scene(uniform_environment(), stage=False, shape=shape)
        rendering = Rendering(compile_surface(surface), scene, size, size, seed, _FURNACE)
        rendering.add(samples)
        return rendering.picture()

    found = []
    with ThreadPoolExecutor(thread_count()) as pool:
        jobs = [(s, pool.submit(tried, s, shapes[i % 4])) for i, s in enumerate(surfaces)]
        for surface, job in jobs:
            # A single wavelength can lie outside the screen's colours, never below black.
            luminance = job.result() @ [0.2126, 0.7152, 0.0722]
            if not np.isfinite(luminance).all():
                found.append((surface, "a pixel is no number"))
            elif luminance.min() <= -1e-3:
                found.append((surface, f"luminance {luminance.min():.3g}"))
            elif luminance.mean() >= 1.05:
                found.append((surface, f"mean {luminance.mean():.3f} in the furnace"))
    return found


def run():
    wrong = faults(stratified(np.random.default_rng(12), _COUNT))
    for surface, what in wrong[:5]:
        print(f"  {what}: {dict(surface.given)}")
    yield Figure(f"of {_COUNT} surfaces those that make light or break a path", len(wrong), "", 0.0)
