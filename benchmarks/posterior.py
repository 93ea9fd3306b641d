"""Are the visible error and the posterior true? Fresh studies of demo specimens with fresh noise, solved: how far
the picture of what was solved is from that of the hidden surface, against what the solve said; and how often the hidden
value lies within the posterior's intervals. `python -m benchmarks posterior` takes an hour and more.
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
SEEN = ("Brass lamp bracket", "Enamelled number plate", "Varnished teak rail")
DRAWN = ("Wool-felt duster", "Lens prism", "Ruby signal glass")
"""Of which the picture is looked at, and of which the posterior is sampled: what takes seconds, not minutes."""
_SEED, _PIXELS = 4300, 6000
_COUNTS = 0.25
"""Where less than this share of the largest error is expected the picture says nothing of it."""


@cache
def _study():
    return study_without_photograph()


def _solved(name, seed):
    """(the sample, its fresh readings, the solution)."""
    sample = next(s for s in SAMPLES if s.name == name)
    readings = readings_of(sample, np.random.default_rng([_SEED, SAMPLES.index(sample), seed]))
    return sample, readings, solve(sample.truth.with_values(sample.guess), readings, sample.free)


def drawn(job):
    """([where hidden values lie among the posterior's samples, 0..1], whether it settled) of one fresh study."""
    sample, readings, solution = _solved(*job)
    known = sampled(solution.surface, readings, [s.name for s in solution.solved], None, solution)
    lies = [float(np.mean(known.samples[:, i] < sample.truth.scalar(n))) for i, n in enumerate(known.names)]
    return lies, known.is_settled


def seen(job):
    """(expected, found ΔE2000 maps) of one fresh study, None where the solve has no error to be seen."""
    sample, readings, solution = _solved(*job)
    specimen = replace(_study().specimen(sample.name), readings=readings)
    expected = visible_error(_study(), specimen, solution, pixels=_PIXELS)
    if expected is None:
        return None
    viewer = Viewer(_study(), specimen, pixels=_PIXELS)
    found = delta_e_2000(*(viewer.lab(s) for s in (solution.surface, sample.truth)))
    return expected.delta_e, without_specks(found)


def _row_seen(name, outcomes):
    pairs = [pair for pair in outcomes if pair is not None]
    expected, found = (np.array(maps) for maps in zip(*pairs, strict=True))
    counts = expected > _COUNTS * expected.max(axis=(1, 2), keepdims=True)
    share = found[counts] / expected[counts]
    rms = float(np.sqrt(np.mean(found[counts] ** 2) / np.mean(expected[counts] ** 2)))
    largest = expected.reshape(len(pairs), -1).argmax(axis=1)
    at = found.reshape(len(pairs), -1)[np.arange(len(pairs)), largest] / expected.max(axis=(1, 2))
    return (
        f"| {name} | {np.mean(share <= 1.0):.0%} | {np.mean(share <= 2.0):.0%} | {np.mean(at <= 1.0):.0%} | "
        f"{np.mean(at <= 2.0):.0%} | {rms:.2f} | {np.median(expected.max(axis=(1, 2))):.2f} |"
    )


def _row_drawn(name, outcomes):
    off = np.abs(np.concatenate([lies for lies, _ in outcomes]) - 0.5)
    settled = np.mean([is_settled for _, is_settled in outcomes])
    return f"| {name} | {np.mean(off <= 0.34):.0%} | {np.mean(off <= 0.475):.0%} | {settled:.0%} |"


def run(studies=STUDIES, workers=2):
    """The two tables, line by line."""
    with ProcessPoolExecutor(workers) as pool:
        yield (
            f"| picture ({studies} studies) | pixels within 1 error | within 2 | at the marked place within 1 | "
            "within 2 | rms of found to expected | median of the largest, ΔE |"
        )
        yield "|---|---|---|---|---|---|---|"
        for name in SEEN:
            yield _row_seen(name, list(pool.map(seen, [(name, k) for k in range(studies)])))
        yield ""
        yield f"| posterior ({studies} studies) | within its 68 % | within its 95 % | settled |"
        yield "|---|---|---|---|"
        for name in DRAWN:
            yield _row_drawn(name, list(pool.map(drawn, [(name, k) for k in range(studies)])))
