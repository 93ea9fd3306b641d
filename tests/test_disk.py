"""Files on the disk: whole or not at all, links and permissions kept, one program at a time, nothing but files read."""

import csv
import os
import resource
import stat
import subprocess
import sys
import threading

import numpy as np
import pytest

from photometra import disk
from photometra.errors import InputError
from photometra.pictures import read_picture, write_exr, write_png
from photometra.readings import make_reading, read_file, write_file
from photometra.study import Study, change_file
from photometra.study import read_file as read_study
from photometra.study import write_file as write_study

NOISE = np.random.default_rng(3).random((256, 256, 3))
GLOSS = make_reading("g", "gloss", {"angle_deg": [20.0, 60.0], "gloss_units": [10.0, 40.0]})
WRITERS = {
    "a.png": lambda path: write_png(path, NOISE),
    "a.exr": lambda path: write_exr(path, NOISE),
    "a.csv": lambda path: write_file(GLOSS, path),
    "a.txt": lambda path: write_file(GLOSS, path),
    "a.photometra": lambda path: write_study(Study("x"), path),
}


@pytest.fixture
def full_disk():
    """Files may have no more bytes than this: as on a disk that is full."""
    before = resource.getrlimit(resource.RLIMIT_FSIZE)

    def limit(most):
        resource.setrlimit(resource.RLIMIT_FSIZE, (most, before[1]))

    yield limit
    resource.setrlimit(resource.RLIMIT_FSIZE, before)


@pytest.mark.parametrize("name", WRITERS)
@pytest.mark.parametrize("there_before", [True, False])
def test_a_full_disk_leaves_the_old_file_and_nothing_beside_it(tmp_path, full_disk, name, there_before):
    path = tmp_path / name
    if there_before:
        path.write_bytes(b"old")
    full_disk(100 if path.suffix != ".png" else 4096)
    with pytest.raises(InputError, match=r"a\.\w+: .*could not be written"):
        WRITERS[name](path)
    assert [p.read_bytes() for p in tmp_path.iterdir()] == ([b"old"] if there_before else [])
    full_disk(resource.RLIM_INFINITY)
    WRITERS[name](path)
    assert path.stat().st_size > 100


def test_links_stay_links_and_permissions_stay(tmp_path):
    real, link = tmp_path / "real.csv", tmp_path / "link.csv"
    real.write_text("old")
    real.chmod(0o640)
    link.symlink_to(real)
    disk.write_text(link, "new")
    assert link.is_symlink() and real.read_text() == "new" and stat.S_IMODE(real.stat().st_mode) == 0o640
    before = os.umask(0o027)
    try:
        disk.write_text(tmp_path / "fresh.csv", "x")
    finally:
        os.umask(before)
    assert stat.S_IMODE((tmp_path / "fresh.csv").stat().st_mode) == 0o640


def test_what_is_protected_against_writing_is_not_replaced(tmp_path):
    path = tmp_path / "a.csv"
    path.write_text("old")
    path.chmod(0o444)
    with pytest.raises(InputError, match="protected"):
        disk.write_text(path, "new")
    assert path.read_text() == "old" and len(list(tmp_path.iterdir())) == 1


@pytest.mark.parametrize("read", [read_study, read_file, read_picture])
def test_pipes_devices_and_folders_are_not_read(tmp_path, read):
    pipe = tmp_path / "pipe"
    os.mkfifo(pipe)
    (tmp_path / "link").symlink_to(pipe)
    for path, words in ((pipe, "pipe"), (tmp_path / "link", "pipe"), ("/dev/zero", "device"), (tmp_path, "folder"),
                        (tmp_path / "none", "no such file"), ("a\0b", "cannot be read")):  # fmt: skip
        with pytest.raises(InputError, match=words):
            read(path)
    with pytest.raises(InputError, match="no ordinary file"):
        disk.write_text(pipe, "x")


def test_commands_side_by_side_lose_no_change(tmp_path):
    path = tmp_path / "a.photometra"
    write_study(Study("x"), path)

    def add(name):
        change_file(path, lambda study: study.with_new_specimen(name))

    threads = [threading.Thread(target=add, args=(f"n{i}",)) for i in range(12)]
    code = f"from photometra.study import change_file; change_file({str(path)!r}, lambda s: s.with_new_specimen('%s'))"
    others = [subprocess.Popen([sys.executable, "-c", code % f"p{i}"]) for i in range(3)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert all(other.wait() == 0 for other in others)
    assert {s.name for s in read_study(path).specimens} == {*(f"n{i}" for i in range(12)), "p0", "p1", "p2"}


def test_a_change_that_is_refused_changes_nothing(tmp_path):
    path = tmp_path / "a.photometra"
    write_study(Study("x").with_new_specimen("tin"), path)
    before = path.read_bytes()
    with pytest.raises(InputError, match="already"):
        change_file(path, lambda study: study.with_new_specimen("tin"))
    assert path.read_bytes() == before


def test_cells_that_a_spreadsheet_would_run_are_made_words(tmp_path):
    disk.write_table(tmp_path / "a.csv", ["name", "value"], [["=1+1", -0.5], ["@SUM(A1)", "-3.5"], ["−", "+4e3"]])
    with open(tmp_path / "a.csv", newline="") as file:
        rows = list(csv.reader(file))
    assert rows == [["name", "value"], ["'=1+1", "-0.5"], ["'@SUM(A1)", "-3.5"], ["−", "+4e3"]]
