"""Are the error bars true? Fresh studies of each demo specimen, solved, and how often the hidden value lies within.

Prints the table that docs/solving.md holds. `python -m benchmarks error_bars` takes minutes.
"""

from concurrent.futures import ProcessPoolExecutor

import numpy as np

from photometra.demo import SAMPLES
from photometra.demo.making import readings_of
from photometra.fitting import solve

STUDIES = 50
_SEED = 4100


def deviations(name, seed):
    """[(scalar, (found - true) / standard error)] of one fresh study of a demo specimen."""
    sample = next(s for s in SAMPLES if s.name == name)
    readings = readings_of(sample, np.random.default_rng([_SEED, SAMPLES.index(sample), seed]))
    solution = solve(sample.truth.with_values(sample.guess), readings, sample.free)
    return [
        (s.name, (s.value - sample.truth.scalar(s.name)) / s.sigma if s.sigma else float("nan"))
        for s in solution.solved
    ]


def _of_seed(job):
    return deviations(*job)


def covered(name, studies=STUDIES, workers=2):
    """(share within one standard error, within two, {scalar: mean deviation}) over fresh studies of a specimen."""
    with ProcessPoolExecutor(workers) as pool:
        found = list(pool.map(_of_seed, [(name, i) for i in range(studies)]))
    by = {}
    for one in found:
        for scalar, z in one:
            by.setdefault(scalar, []).append(z)
    # A value at a bound has no standard error, and is not counted.
    by = {s: np.array(v)[np.isfinite(v)] for s, v in by.items()}
    all_z = np.concatenate(list(by.values()))
    return (
        float(np.mean(np.abs(all_z) <= 1.0)),
        float(np.mean(np.abs(all_z) <= 2.0)),
        {s: (float(np.mean(v)), float(np.std(v))) for s, v in by.items()},
    )


def run():
    """One line of the table for each specimen."""
    yield f"| specimen ({STUDIES} studies) | free | within 1 | within 2 | most biased: bias, spread (in errors) |"
    yield "|---|---|---|---|---|"
    for sample in SAMPLES:
        one, two, by = covered(sample.name)
        scalar, (bias, spread) = max(by.items(), key=lambda kv: abs(kv[1][0]))
        yield f"| {sample.name} | {len(by)} | {one:.0%} | {two:.0%} | {scalar} {bias:+.2f}, {spread:.2f} |"
