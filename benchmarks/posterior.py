"""Are the sampled posterior and the visible error true? Fresh studies of demo specimens with fresh noise, solved and
sampled: how often the hidden value lies within the posterior's intervals, and how far the picture of what was solved is
from that of the hidden surface, against what the solve said. `python -m benchmarks posterior` takes half an hour.
"""

from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace
from functools import cache

import numpy as np

from photometra.colour import delta_e_2000
from photometra.demo import SAMPLES
from photometra.demo.making import readings_of, study_without_photograph
from photometra.fitting import solve
from photometra.fitting.posterior import sampled
from photometra.imaging.visible import Viewer, visible_error, without_specks

STUDIES = 50
NAMES = ("Brass lamp bracket", "Enamelled number plate", "Varnished teak rail")
_SEED, _PIXELS = 4300, 6000
_COUNTS = 0.25
"""Where less than this share of the largest error is expected the picture says nothing of it."""


@cache
def _study():
    return study_without_photograph()


def one_study(job):
    """(where the hidden value lies among the posterior's samples {scalar: 0..1}, is it settled, expected ΔE2000 map,
    found one) of one fresh study."""
    name, seed = job
    sample = next(s for s in SAMPLES if s.name == name)
    readings = readings_of(sample, np.random.default_rng([_SEED, SAMPLES.index(sample), seed]))
    start = sample.truth.with_values(sample.guess)
    solution = solve(start, readings, sample.free)
    known = sampled(solution.surface, readings, [s.name for s in solution.solved], None, solution)
    lies = {n: float(np.mean(known.samples[:, i] < sample.truth.scalar(n))) for i, n in enumerate(known.names)}
    specimen = replace(_study().specimen(name), readings=readings)
    seen = visible_error(_study(), specimen, solution, pixels=_PIXELS)
    if seen is None:
        return lies, known.is_settled, None, None
    viewer = Viewer(_study(), specimen, pixels=_PIXELS)
    found = without_specks(delta_e_2000(*(viewer.lab(s) for s in (solution.surface, sample.truth))))
    return lies, known.is_settled, seen.delta_e, found


def _row(name, outcomes):
    lies = np.concatenate([list(one[0].values()) for one in outcomes])
    pairs = [(one[2], one[3]) for one in outcomes if one[2] is not None]
    expected, found = (np.array(maps) for maps in zip(*pairs, strict=True))
    counts = expected > _COUNTS * expected.max(axis=(1, 2), keepdims=True)
    share = found[counts] / expected[counts]
    rms = float(np.sqrt(np.mean(found[counts] ** 2) / np.mean(expected[counts] ** 2)))
    largest = expected.reshape(len(pairs), -1).argmax(axis=1)
    at = found.reshape(len(pairs), -1)[np.arange(len(pairs)), largest] / expected.max(axis=(1, 2))
    return (
        f"| {name} | {np.mean(abs(lies - 0.5) <= 0.34):.0%} | {np.mean(abs(lies - 0.5) <= 0.475):.0%} | "
        f"{np.mean([one[1] for one in outcomes]):.0%} | {np.mean(share <= 1.0):.0%} | {np.mean(share <= 2.0):.0%} | "
        f"{np.mean(at <= 1.0):.0%} | {np.mean(at <= 2.0):.0%} | {rms:.2f} |"
    )


def run(studies=STUDIES, workers=2):
    """One line of the table for each specimen."""
    yield (
        f"| specimen ({studies} studies) | posterior: within its 68 % | within its 95 % | settled | "
        "picture: pixels within 1 error | within 2 | at the marked place within 1 | within 2 | "
        "rms of found to expected |"
    )
    yield "|---|---|---|---|---|---|---|---|---|"
    with ProcessPoolExecutor(workers) as pool:
        for name in NAMES:
            yield _row(name, list(pool.map(one_study, [(name, seed) for seed in range(studies)])))
