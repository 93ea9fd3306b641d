"""What the tracer shows of six specimens is what it showed before it was made quicker.

`means.csv` was kept by `tools/keep_means.py` with the tracer as it stood then: means of blocks of 4096 samples.
"""

import csv
import importlib.util
from pathlib import Path

import numpy as np
import pytest

from photometra.demo.making import study_without_photograph

_TOOL = Path(__file__).parents[2] / "tools" / "keep_means.py"
_SPEC = importlib.util.spec_from_file_location("keep_means", _TOOL)
tool = importlib.util.module_from_spec(_SPEC)
_SPEC.loader.exec_module(tool)
SAMPLES = 256


@pytest.fixture(scope="module")
def kept():
    with open(tool.PLACE, newline="", encoding="utf-8") as file:
        lines = list(csv.DictReader(file))
    return {
        name: np.array(
            [[float(line[c]) for c in ("red", "green", "blue", "error")] for line in lines if line["specimen"] == name]
        )
        for name in tool.NAMES
    }


@pytest.mark.parametrize(
    "name", [n if n == tool.NAMES[0] else pytest.param(n, marks=pytest.mark.long) for n in tool.NAMES]
)
def test_a_picture_is_what_it_was(name, kept):
    study = study_without_photograph()
    means, errors = tool.blocks(study.specimen(name), study, SAMPLES, 7)
    before = kept[name]
    luminance = np.array([0.2126, 0.7152, 0.0722])
    off = np.abs((means - before[:, :3]) @ luminance)
    # What is told of the noise counts samples as random; a part in 500 for a light's own table.
    assert (off < 4.0 * np.hypot(errors, before[:, 3]) + 2e-3 * before[:, :3] @ luminance).all()
    assert abs(means.mean() / before[:, :3].mean() - 1.0) < 5e-3
