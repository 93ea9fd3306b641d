"""Calibrate a lamp bracket from the readings in the demo study, and say how sure each value is.

python examples/calibrate.py [STUDY.photometra]
"""

import sys
import tempfile
from pathlib import Path

import photometra
from photometra.demo import write_demo


def main(path=None):
    if path is None:
        path = Path(tempfile.mkdtemp()) / "harrow-skerry.photometra"
        write_demo(path)
    study = photometra.open_study(path)
    plate = study["Enamelled number plate"]
    print("before:", {name: f"{misfit:.3g} of {tolerance:g}" for name, (misfit, tolerance) in plate.misfits().items()})
    solution = plate.solve()
    for solved in solution.solved:
        sure = f"± {solved.sigma:.2g}" if solved.sigma else "not determined"
        print(f"{solved.name:>16} {solved.value:.4g} {sure}")
    print(solution.verdict.sentence)
    print("after: ", {name: f"{misfit:.3g} of {tolerance:g}" for name, (misfit, tolerance) in plate.misfits().items()})
    study.save()
    return solution


if __name__ == "__main__":
    main(*sys.argv[1:2])
