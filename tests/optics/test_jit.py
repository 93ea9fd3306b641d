"""The kernels' cache: old generations of our own go, and nothing else."""

import os

import numba

from photometra.optics import jit


def _made(folder, names):
    for age, name in enumerate(names):
        (folder / name).mkdir(parents=True)
        os.utime(folder / name, (1000 - age, 1000 - age))


def test_a_cache_folder_of_the_persons_keeps_its_neighbours(tmp_path, monkeypatch):
    _made(tmp_path, ["thesis", "photographs", "0123456789abcdef", "fedcba9876543210", "a" * 16, "b" * 16])
    monkeypatch.setattr(numba.config, "CACHE_DIR", str(tmp_path / "kernels"))
    jit.mark_warm()
    assert len(list(tmp_path.iterdir())) == 7 and jit.is_warm()


def test_only_our_own_old_generations_are_dropped(tmp_path, monkeypatch):
    root = tmp_path / "kernels"
    monkeypatch.setattr(jit, "cache_root", lambda: root)
    _made(root, ["1" * 16, "2" * 16, "3" * 16, "4" * 16, "notes", "123"])
    (root / "readme").write_text("x")
    monkeypatch.setattr(numba.config, "CACHE_DIR", str(root / ("0" * 16)))
    jit.mark_warm()
    assert {p.name for p in root.iterdir()} == {"0" * 16, "1" * 16, "2" * 16, "notes", "123", "readme"}
