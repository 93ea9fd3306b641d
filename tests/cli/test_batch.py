"""Many pictures from the command line: a turn is whole, goes on where it was left, and a sheet shows all."""

import json

import numpy as np
import pytest

from photometra.pictures import read_header, read_picture
from photometra.study import Specimen, Study, write_file
from photometra.surface import Surface


@pytest.fixture
def study(tmp_path):
    path = tmp_path / "s.photometra"
    colours = ((0.6, 0.05, 0.05), (0.05, 0.5, 0.05), (0.05, 0.05, 0.6))
    specimens = [Specimen(f"Buoy {i}", 60.0, Surface({"colour": c, "roughness": 0.6})) for i, c in enumerate(colours)]
    write_file(Study("Buoys", tuple(specimens)), path)
    return path


def test_a_turn_is_whole_and_goes_on_where_it_was_left(run, study, tmp_path):
    out = tmp_path / "frames"
    words = ("turntable", study, "buoy 0", "-o", out, "--frames", "4", "--size", "24x16", "--samples", "2")
    code, said, _ = run(*words, "--json")
    assert code == 0
    frames = json.loads(said)["frames"]
    assert [f.rsplit("/", 1)[1] for f in frames] == [f"buoy-0.{i:04d}.exr" for i in range(1, 5)]
    turns = [float(read_header(f)["photometra:camera:turn"]) for f in frames]
    assert np.allclose((np.diff(turns) + 360.0) % 360.0, 90.0)
    kept = (out / "buoy-0.0002.exr").stat().st_mtime_ns
    (out / "buoy-0.0003.exr").unlink()
    code, _, told = run(*words, "--resume")
    assert code == 0 and told.count("frame ") == 1
    assert (out / "buoy-0.0002.exr").stat().st_mtime_ns == kept and (out / "buoy-0.0003.exr").exists()
    # Another surface makes all of them stale.
    run("set", study, "buoy 0", "roughness=0.2")
    assert run(*words, "--resume")[2].count("frame ") == 4


def test_the_light_goes_round_instead(run, study, tmp_path):
    out = tmp_path / "frames"
    code, _, _ = run(
        "turntable", study, "Buoy 1", "-o", out, "--frames", "2", "--turning", "light", "--size", "16x16",
        "--samples", "1", "--png",
    )  # fmt: skip
    headers = [read_header(p) for p in sorted(out.glob("*.png"))]
    assert code == 0 and len({float(h["photometra:turn"]) for h in headers}) == 2
    assert len({float(h["photometra:camera:turn"]) for h in headers}) == 1


def test_a_sheet_shows_every_specimen_in_order(run, study, tmp_path):
    path = tmp_path / "sheet.exr"
    assert run("contact-sheet", study, "-o", path, "--size", "32x32", "--columns", "2", "--samples", "4")[0] == 0
    picture = read_picture(path)
    assert picture.shape == (2 * 36 + 4, 2 * 36 + 4, 3)
    middles = [picture[y : y + 6, x : x + 6].mean(axis=(0, 1)) for y, x in ((17, 17), (17, 53), (53, 17))]
    assert [int(np.argmax(m)) for m in middles] == [0, 1, 2]


@pytest.mark.parametrize(
    ("words", "sentence"),
    [
        (("turntable", "STUDY", "Buoy 0", "-o", "OUT", "--turning", "table"), "--turning 'table'"),
        (("turntable", "STUDY", "Buoy 0", "-o", "STUDY"), "this is a file"),
        (("turntable", "STUDY", "Buoy 9", "-o", "OUT"), "no specimen 'Buoy 9'"),
        (("contact-sheet", "STUDY", "-o", "STUDY"), "never overwrites"),
        (("contact-sheet", "STUDY", "-o", "OUT.png", "--size", "big"), "should be WxH"),
    ],
)
def test_bad_use_is_one_sentence(run, study, tmp_path, words, sentence):
    words = [str(study) if w == "STUDY" else w.replace("OUT", str(tmp_path / "out")) for w in words]
    code, out, err = run(*words)
    assert code == 2 and sentence in err and out == ""
    assert not (tmp_path / "out").exists()
