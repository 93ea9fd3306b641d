"""Are the error bars of a photograph true? Fresh photographs of the demo's rail, solved by themselves.

`python -m benchmarks photographs` takes minutes.
"""

import tempfile
import time
from dataclasses import replace
from pathlib import Path

import numpy as np

from photometra.demo import SAMPLES, make_study
from photometra.demo.camera import taken
from photometra.demo.making import PHOTOGRAPHED
from photometra.fitting import solve
from photometra.imaging.booths import compiled_in, scene_of
from photometra.imaging.photographed import Photographed
from photometra.imaging.probing import covered
from photometra.pictures import write_png
from photometra.tracing import Rendering

PHOTOGRAPHS = 12
FREE = ("coat.roughness", "coat.ior", "colour")
_WIDTH, _HEIGHT, _SAMPLES, _ABOUT = 720, 480, 192, 6


def photographed(study, specimen, truth, seed):
    """The study with a fresh photograph of a specimen as it truly is; only what lies about its pins is rendered."""
    scene, only = scene_of(study, specimen), np.zeros((_HEIGHT, _WIDTH), bool)
    for pin in study.counting_pins(specimen):
        rows, columns, _ = covered(pin, _WIDTH, _HEIGHT)
        for dy in range(-_ABOUT, _ABOUT + 1):
            for dx in range(-_ABOUT, _ABOUT + 1):
                only[rows + dy, columns + dx] = True
    compiled = compiled_in(scene, replace(specimen, surface=truth))
    rendering = Rendering(compiled, scene, _WIDTH, _HEIGHT, seed=5000 + seed, only=only)
    rendering.add(_SAMPLES)
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "photograph.png"
        write_png(path, taken(rendering.picture(), np.random.default_rng(seed)) / 255.0)
        data = path.read_bytes()
    name = f"images/fresh-{seed}.png"
    one = replace(specimen, reference=replace(specimen.reference, picture=name))
    return study.with_image(name, data).with_specimen_at(study.index(specimen.name), one), one


def run():
    """How often the hidden values lie within their errors, by the photograph alone, and how long a solve takes."""
    study, truth = make_study(), next(s.truth for s in SAMPLES if s.name == PHOTOGRAPHED)
    specimen = study.specimen(PHOTOGRAPHED)
    found, seconds = {}, []
    for seed in range(PHOTOGRAPHS):
        fresh, one = photographed(study, specimen, truth, seed)
        began = time.perf_counter()
        solution = solve(one.surface, (), FREE, further=Photographed(fresh, one, seed=seed))
        seconds.append(time.perf_counter() - began)
        for s in solution.solved:
            if s.sigma:
                found.setdefault(s.name, []).append((s.value - truth.scalar(s.name), s.sigma))
    z = np.abs(np.concatenate([[d / e for d, e in v] for v in found.values()]))
    within = f"within one error {np.mean(z <= 1):.0%}, within two {np.mean(z <= 2):.0%}"
    yield f"{PHOTOGRAPHS} photographs, {len(found)} free: {within}"
    for name, pairs in found.items():
        off, sigma = np.array(pairs).T
        yield f"{name}: off by {np.mean(off):+.4f} ± {np.std(off):.4f}, errors told {np.mean(sigma):.4f}"
    yield f"a solve: {np.median(seconds):.0f} s"
