"""Many pictures from the command line: a turn is whole, goes on where it was left, and a sheet shows all."""

import json

import numpy as np
import pytest

from photometra.imaging.denoising import is_available
from photometra.imaging.rendering import header_of, is_written
from photometra.pictures import read_header, read_picture, write_exr
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


@pytest.mark.parametrize("kind", [(), ("--png",)])
def test_a_turn_becomes_a_film(run, study, tmp_path, kind):
    av = pytest.importorskip("av")
    film = tmp_path / "buoy.mp4"
    code, _, told = run(
        "turntable", study, "Buoy 2", "-o", tmp_path / "f", "--frames", "5", "--turning", "both", "--size", "33x24",
        "--samples", "4", "--film", film, "--rate", "5", *kind,
    )  # fmt: skip
    assert code == 0 and "1.0 s" in told
    with av.open(str(film)) as container:
        frames = [f.to_ndarray(format="rgb24") for f in container.decode(video=0)]
    # Sides are made even; the buoy in the middle is blue.
    assert len(frames) == 5 and frames[0].shape == (24, 34, 3)
    middle = np.mean([f[10:14, 14:20] for f in frames], axis=(0, 1, 2))
    assert middle[2] > 1.5 * middle[0]
    code, _, told = run("turntable", study, "Buoy 2", "-o", tmp_path / "f", "--film", tmp_path / "film.avi")
    assert code == 2 and "ends in .mp4" in told


def test_all_specimens_are_rendered_into_a_folder_and_those_there_are_kept(run, study, tmp_path):
    out = tmp_path / "all"
    words = ("render", study, "--all", "-o", out, "--size", "16x12", "--samples", "2")
    code, said, _ = run(*words, "--json")
    assert code == 0 and [d["specimen"] for d in json.loads(said)] == ["Buoy 0", "Buoy 1", "Buoy 2"]
    assert sorted(p.name for p in out.iterdir()) == ["buoy-0.exr", "buoy-1.exr", "buoy-2.exr"]
    (out / "buoy-1.exr").unlink()
    code, _, told = run(*words, "--resume")
    assert code == 0 and told.count("is there already") == 2 and told.count("wrote") == 1


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
        (("turntable", "STUDY", "Buoy 0", "-o", "OUT", "--cluster", "moon"), "--cluster 'moon' is not known"),
        (("render", "STUDY", "-o", "a.exr"), "name a specimen, or give --all"),
        (("render", "STUDY", "Buoy 0"), "say where to write with -o"),
        (("render", "STUDY", "Buoy 0", "--all", "-o", "OUT"), "not both"),
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


@pytest.mark.skipif(not is_available(), reason="no library to denoise with on this machine")
def test_a_denoised_picture_is_asked_for_and_says_so(run, study, tmp_path):
    words = ("render", study, "Buoy 0", "--size", "32x32", "--samples", "2")
    assert run(*words, "-o", tmp_path / "raw.png")[0] == 0
    assert run(*words, "-o", tmp_path / "clean.png", "--denoise")[0] == 0
    assert read_header(tmp_path / "clean.png")["photometra:denoised"] == "yes"
    rough = [np.abs(np.diff(read_picture(tmp_path / f"{n}.png"), axis=1)).mean() for n in ("raw", "clean")]
    assert rough[1] < 0.8 * rough[0]


def test_another_header_is_another_picture(tmp_path):
    one = Specimen("Buoy", 60.0, Surface({"roughness": 0.25}))
    study = Study("S", (one,))
    header = header_of(study, one, 16, 16)
    write_exr(tmp_path / "a.exr", np.zeros((16, 16, 3)), {**header, "photometra:samples": 4, "photometra:noise": 0.5})
    assert is_written(tmp_path / "a.exr", header, 4)
    assert not is_written(tmp_path / "a.exr", header, 8)
    assert not is_written(tmp_path / "gone.exr", header, 4)
    for other in (one.with_values({"roughness": 0.26}), one.with_values({"ior": 1.6})):
        assert not is_written(tmp_path / "a.exr", header_of(study, other, 16, 16), 4)
    assert not is_written(tmp_path / "a.exr", header_of(study, one, 16, 32), 4)
    (tmp_path / "b.exr").write_bytes(b"no picture")
    assert not is_written(tmp_path / "b.exr", header, 4)


def test_a_ladder_is_one_picture_with_the_misfit_along_it(run, own_demo, tmp_path):
    out = tmp_path / "ladder.exr"
    words = ("ladder", own_demo, "Heat-tinted vane", "-o", out, "--size", "20x16", "--samples", "2")
    code, said, _ = run(*words, "--step", "roughness=0.1..0.4/3", "--and", "constants=titanium,gold", "--json")
    told = json.loads(said)
    assert code == 0 and [(s["across"], s["down"]) for s in told["steps"]][::3] == [
        ("0.100", told["steps"][0]["down"]), ("0.100", told["steps"][3]["down"]),
    ]  # fmt: skip
    assert read_picture(out).shape[:2] == (2 * 16 + 3 * 4, 3 * 20 + 4 * 4)
    assert "0.100; " in read_header(out)["Photometra:across"] and "Gold" in read_header(out)["Photometra:down"]
    # A vane of titanium is no gold.
    worst = [s["worst_misfit"] for s in told["steps"]]
    assert min(worst[:3]) < min(worst[3:])
    code, said, on_the_way = run(*words, "--step", "surfaces=Lens prism,Canvas awning")
    assert code == 0 and "Lens prism" in said and "Canvas awning" in said and "step 2 of 2" in on_the_way


@pytest.mark.parametrize(("step", "words"), [
    ("roughness", "should be NAME=LOW..HIGH"), ("roughness=0.5..0.1", "upwards"), ("colour=0..1", "not a number"),
    ("roughness=0.1..0.2/x", "should be"), ("nothing=0..1", "nothing"), ("surfaces=Nobody", "Nobody"),
])  # fmt: skip
def test_what_cannot_be_stepped_is_one_sentence(run, own_demo, tmp_path, step, words):
    code, _, told = run("ladder", own_demo, "Lens prism", "--step", step, "-o", tmp_path / "a.png")
    assert code == 2 and words in told and not (tmp_path / "a.png").exists()


@pytest.mark.long
def test_error_bars_are_tried(run, own_demo):
    words = ("error-bars", own_demo, "Wool-felt duster", "--studies", "5")
    code, said, told = run(*words, "--json")
    out = json.loads(said)
    assert code == 0 and "5 of 5 studies" in told and len(out["chi2_reduced"]) == 5
    red = next(t for t in out["scalars"] if t["name"] == "colour.r")
    assert 0.2 < red["scatter"] / red["stated"] < 3.0 and abs(red["true"] - red["mean"]) < 5 * red["stated"]
    code, said, _ = run(*words)
    assert code == 0 and "68 % would be right" in said


@pytest.mark.long
def test_error_bars_of_what_does_not_fit_are_refused(run, own_demo):
    code, _, told = run("error-bars", own_demo, "Wool-felt duster", "--free", "sheen.amount")
    assert code == 2 and "does not fit" in told
