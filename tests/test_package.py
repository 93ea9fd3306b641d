"""The wheel: everything that the program reads is in it."""

import shutil
import subprocess
import sys
import zipfile
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]


@pytest.mark.long
def test_the_wheel_holds_all_that_the_sources_do(tmp_path):
    # Of a copy: building leaves things where it is done.
    whole = tmp_path / "whole"
    shutil.copytree(ROOT / "src/photometra", whole / "src/photometra", ignore=shutil.ignore_patterns("__pycache__"))
    for name in ("pyproject.toml", "README.md"):
        shutil.copy(ROOT / name, whole)
    command = [sys.executable, "-m", "pip", "wheel", whole, "--no-deps", "--no-build-isolation", "-q", "-w", tmp_path]
    subprocess.run(command, check=True, capture_output=True)
    (wheel,) = tmp_path.glob("photometra-*.whl")
    with zipfile.ZipFile(wheel) as archive:
        held = set(archive.namelist())
    here = ROOT / "src"
    ours = {p.relative_to(here).as_posix() for p in (here / "photometra").rglob("*") if p.is_file()}
    ours = {name for name in ours if "__pycache__" not in name and not name.endswith((".pyc", ".nbi", ".nbc"))}
    assert ours and ours <= held, sorted(ours - held)
