"""What is put into a person's own place, and taken away again; completion; the man page; a study's thumbnail."""

import configparser
import os
import subprocess
import sys
from pathlib import Path
from xml.etree import ElementTree

import pytest

from photometra.cli import VERBS
from photometra.cli.installing import man_page
from photometra.pictures import read_native
from photometra.study import Specimen, Study, write_file
from photometra.surface import Surface


def test_all_is_written_well_formed_and_taken_away(run, tmp_path):
    share = tmp_path / "my share"
    code, _, told = run("install-desktop", "--to", share)
    assert code == 0 and "wrote 8 files" in told
    entry = configparser.ConfigParser(interpolation=None)
    entry.read(share / "applications/photometra.desktop")
    program = entry["Desktop Entry"]["Exec"].removesuffix(" %f").strip('"')
    assert Path(program).exists() or program == "photometra"
    assert entry["Desktop Entry"]["MimeType"] == "application/x-photometra-study;"
    for name in ("mime/packages/photometra.xml", "icons/hicolor/scalable/apps/photometra.svg"):
        ElementTree.parse(share / name)
    assert (share / "zsh/site-functions/_photometra").read_text().startswith("#compdef photometra")
    code, _, _ = run("install-desktop", "--to", share)
    assert code == 0, "again, over its own"
    code, _, told = run("install-desktop", "--to", share, "--uninstall")
    assert code == 0 and "took 8 files away" in told
    assert not [p for p in share.rglob("*photometra*") if p.is_file() and "x-photometra" not in p.name]
    assert "nothing of ours" in run("install-desktop", "--to", share, "--uninstall")[2]


@pytest.mark.parametrize("more", [(), ("--uninstall",)])
def test_a_file_of_somebody_elses_stays(run, tmp_path, more):
    theirs = tmp_path / "applications/photometra.desktop"
    theirs.parent.mkdir()
    theirs.write_text("[Desktop Entry]\nName=Mine\n")
    code, _, told = run("install-desktop", "--to", tmp_path, *more)
    assert code == 2 and "is not ours, and stays" in told
    assert theirs.read_text() == "[Desktop Entry]\nName=Mine\n" and len(list(tmp_path.rglob("*"))) == 2


def test_a_shell_is_told_what_may_come_next():
    environment = {
        **os.environ, "_PHOTOMETRA_COMPLETE": "complete_bash", "COMP_WORDS": "photometra ren", "COMP_CWORD": "1",
    }  # fmt: skip
    command = [sys.executable, "-m", "photometra"]
    said = subprocess.run(command, env=environment, capture_output=True, text=True, check=False)
    assert said.stdout.split() == ["rename", "render"] and said.returncode == 0


def test_the_man_page_names_every_verb_that_is_for_people():
    page = man_page()
    for verb in set(VERBS) - {"thumbnail"}:
        assert f"\n.B {verb}" in page, verb
    assert not [line for line in page.splitlines() if line.startswith("'")]


def test_a_study_has_a_thumbnail(run, tmp_path):
    path, out = tmp_path / "s.photometra", tmp_path / "thumb.tmp"
    write_file(Study("S", (Specimen("Buoy", 60.0, Surface({"colour": (0.8, 0.05, 0.05)})),)), path)
    assert run("thumbnail", path, out, "--size", "64")[0] == 0
    png = tmp_path / "thumb.png"
    out.rename(png)
    pixels = read_native(png)
    middle = pixels[28:36, 28:36].reshape(-1, pixels.shape[2]).mean(axis=0)
    assert pixels.shape[:2] == (64, 64) and middle[0] > 1.5 * middle[1]
