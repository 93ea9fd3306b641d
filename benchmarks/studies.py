"""Opening a study of 64 MB, most of it one environment picture, and saving it."""

import tempfile
from dataclasses import replace
from pathlib import Path

import numpy as np

from photometra.demo import make_study
from photometra.study import read_file, write_file

from .figures import Figure, median_seconds


def run():
    data = np.random.default_rng(0).bytes(64_000_000)
    study = replace(make_study(), pictures={"pictures/sky.exr": data})
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "large.photometra"
        write_file(study, path)
        yield Figure("open a study of 64 MB", median_seconds(lambda: read_file(path), 5), "s", 1.0)
