"""The kernels' cache: old generations of our own go, and nothing else."""

import os
import subprocess
import sys

import pytest

from photometra.optics import jit
from photometra.optics.cachefolder import MARKER


def _made(folder, names, marked=()):
    for age, name in enumerate(names):
        (folder / name).mkdir(parents=True)
        if name in marked:
            (folder / name / MARKER).touch()
        os.utime(folder / name, (1000 - age, 1000 - age))


def test_a_cache_folder_of_the_persons_keeps_its_neighbours(tmp_path, monkeypatch):
    _made(tmp_path, ["thesis", "photographs", "0123456789abcdef", "fedcba9876543210", "a" * 16, "b" * 16])
    monkeypatch.setattr(jit, "in_use", lambda: tmp_path / "kernels")
    jit.mark_warm()
    assert len(list(tmp_path.iterdir())) == 7 and jit.is_warm()


def test_only_our_own_old_generations_are_dropped(tmp_path, monkeypatch):
    root = tmp_path / "kernels"
    monkeypatch.setattr(jit, "cache_root", lambda: root)
    ours = [c * 16 for c in "12340"]
    _made(root, [*ours[:4], "5" * 16, "notes", "123", ours[4]], ours)
    (root / "readme").write_text("x")
    # The present generation is the oldest by its date: it stays all the same.
    monkeypatch.setattr(jit, "in_use", lambda: root / ("0" * 16))
    jit.mark_warm()
    assert {p.name for p in root.iterdir()} == {"0" * 16, "1" * 16, "2" * 16, "5" * 16, "notes", "123", "readme"}


def test_nothing_is_dropped_where_the_person_named_the_folder(tmp_path, monkeypatch):
    root, names = tmp_path / "kernels", [c * 16 for c in "123456"]
    monkeypatch.setattr(jit, "cache_root", lambda: root)
    _made(root, names, names)
    monkeypatch.setattr(jit, "in_use", lambda: root / names[0])
    monkeypatch.setenv("NUMBA_CACHE_DIR", str(root / names[0]))
    jit.mark_warm()
    assert {p.name for p in root.iterdir()} == set(names)


_SLOW = """
import sys
from PyQt6.QtCore import QSettings
from photometra.desktop.app import make_application
application = make_application()
from photometra.desktop.main_window import MainWindow
window = MainWindow(QSettings(sys.argv[1], QSettings.Format.IniFormat))
print(sorted({"numba", "scipy", "colour", "matplotlib", "MaterialX", "pxr"} & set(sys.modules)))
window.close()
"""


def test_a_window_stands_before_anything_slow_is_imported(tmp_path):
    done = subprocess.run(
        [sys.executable, "-c", _SLOW, str(tmp_path / "w.ini")], capture_output=True, text=True, check=True,
        env={**os.environ, "QT_QPA_PLATFORM": "offscreen"},
    )  # fmt: skip
    assert done.stdout.strip() == "[]"


def test_a_kernel_is_a_stand_in_until_the_first_call_and_real_wherever_it_was_imported():
    code = (
        "import sys\nfrom photometra.optics import fresnel, microfacet\nfrom photometra.optics.jit import Kernel\n"
        "from photometra.optics.fresnel import dielectric_scalar as mine\n"
        "assert type(mine) is Kernel and 'numba' not in sys.modules\n"
        "first = mine(0.5, 1.5)\n"
        "assert type(mine).__name__ == 'CPUDispatcher' and fresnel.dielectric_scalar is mine\n"
        "assert type(microfacet.ggx_d).__name__ == 'CPUDispatcher'\n"
        "assert first == mine(0.5, 1.5) == mine.py_func(0.5, 1.5)\n"
        "from photometra.surface import lobes\n"
        "assert type(lobes.evaluate) is Kernel\nimport numpy\nlobes.drawn_blur(numpy.zeros((64, 64)), 0.5)\n"
        "assert type(lobes.evaluate).__name__ == 'CPUDispatcher'\n"
    )
    subprocess.run([sys.executable, "-c", code], check=True)


_RUN = "from photometra.optics.fresnel import fresnel_dielectric as f; print(f(0.5, 1.5))"


def _run(cache):
    """A small kernel in a program of its own: (what it prints, what it remarks)."""
    done = subprocess.run(
        [sys.executable, "-c", _RUN], capture_output=True, text=True, check=True,
        env={**os.environ, "XDG_CACHE_HOME": str(cache), "NUMBA_CACHE_DIR": ""},
    )  # fmt: skip
    return done.stdout, done.stderr


@pytest.mark.long
def test_a_spoilt_cache_is_compiled_anew_and_that_is_said_once(tmp_path):
    right, told = _run(tmp_path)
    assert told == ""
    for spoil in (
        lambda data: b"",
        lambda data: data[: len(data) // 2],
        lambda data: data[: len(data) // 2] + bytes([data[len(data) // 2] ^ 1]) + data[len(data) // 2 + 1 :],
    ):
        for kind in ("nbi", "nbc"):
            files = list(tmp_path.rglob(f"*.{kind}"))
            assert files
            for file in files:
                file.write_bytes(spoil(file.read_bytes()))
            got, told = _run(tmp_path)
            assert got == right and told.count("damaged") == 1 and "Traceback" not in told
            assert _run(tmp_path) == (right, "")


def test_a_cache_that_cannot_be_written_is_no_end(tmp_path):
    """A file stands where the folder should be: so it is for whoever runs it, root too."""
    (tmp_path / "photometra").write_text("in the way")
    got, told = _run(tmp_path)
    assert got and "cannot be written" in told and "compiled kernels are kept in" in told


_WAITS = """
import sys, threading, time
from photometra.errors import InputError
from photometra.optics import jit
from photometra.optics.fresnel import fresnel_dielectric as f
got = []
def ask():
    try:
        got.append(float(f(1.0, 1.5)))
    except InputError as error:
        got.append(str(error))
try:
    with jit.held_back():
        first = threading.Thread(target=ask)
        first.start()
        first.join(0.3)
        print(first.is_alive(), got)
        if sys.argv[1] == "fails":
            raise KeyError
except KeyError:
    pass
first.join()
later = threading.Thread(target=ask)
later.start()
later.join()
print(*got, sep="|")
"""


@pytest.mark.parametrize(
    "how, told", [("well", "0.04|0.04"), ("fails", "|".join(["nothing can be worked out before the renderer"] * 2))]
)
def test_kernels_held_back_are_waited_for_and_given_up_where_that_fails(how, told):
    done = subprocess.run([sys.executable, "-c", _WAITS, how], capture_output=True, text=True, check=True)
    waits, after = done.stdout.splitlines()
    assert waits == "True []"
    for part, wanted in zip(after.split("|"), told.split("|"), strict=True):
        assert part.startswith(wanted)


def test_two_that_save_at_once_keep_each_its_own(tmp_path):
    """Of one kernel for many types, from two sides at once: nothing is lost, and none gets the other's code."""
    from threading import Barrier, Thread

    from photometra.optics.cachefile import CheckedCacheFile

    start = Barrier(2)

    def save(side):
        file = CheckedCacheFile(str(tmp_path), "kernel", "stamp")
        start.wait()
        for i in range(40):
            file.save((side, i), f"code {side} {i}")

    threads = [Thread(target=save, args=(side,)) for side in "ab"]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    file = CheckedCacheFile(str(tmp_path), "kernel", "stamp")
    assert all(file.load((side, i)) == f"code {side} {i}" for side in "ab" for i in range(40))
    assert len(list(tmp_path.glob("*.nbc"))) == 80
