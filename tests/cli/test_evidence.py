"""Evidence at the command line: files in every form, instruments, spectra from files, robust solves."""

import numpy as np
import pytest

from photometra.demo.samples import SAMPLES
from photometra.instruments import INSTRUMENTS
from photometra.readings import KINDS, read_file
from photometra.study import read_file as read_study

RUBY, WAX, VANE, PLATE = "Ruby signal glass", "Beeswax seal block", "Heat-tinted vane", "Enamelled number plate"


def test_every_instrument_gives_the_readings_own_columns(run_json, demo_file):
    for key, tool in INSTRUMENTS.items():
        specimen = WAX if key == "scatterprobe" else RUBY
        code, found = run_json("measure", demo_file, specimen, key, "--set", "interior.scatter=0.1")
        assert code == 0 and tuple(found["columns"]) == KINDS[tool.kind_key].columns, key
    letters = run_json("measure", demo_file, RUBY, "reflectometer")[1]["columns"]["polarisation"]
    assert set(letters) == {"s", "p"}


def test_a_slab_is_as_thick_as_it_is_said_to_be(run, run_json, demo_file, tmp_path):
    thin, thick = (
        run_json("measure", demo_file, RUBY, "transmissometer", "--thickness", t)[1]["columns"]["regular"]
        for t in ("1mm", "0.8 cm")
    )
    assert np.all(np.array(thick) <= np.array(thin) + 1e-9)
    out = tmp_path / "ruby.txt"
    assert run("measure", demo_file, RUBY, "transmissometer", "--thickness", "4mm", "-o", out)[0] == 0
    assert out.read_text().startswith("CGATS.17") and read_file(out).thickness_mm == 4.0
    code, _, err = run("measure", demo_file, RUBY, "transmissometer", "--thickness", "thick")
    assert code == 2 and "thick" in err


def test_importing_says_what_is_doubtful(run, own_demo, tmp_path):
    path = tmp_path / "a.txt"
    path.write_text("Golflengte;R\n400;0,2\n700;0,4\n")
    code, _, err = run("import", own_demo, PLATE, path)
    assert code == 2 and "line 1: column 'Golflengte' is not known" in err
    path.write_text("wavelength;R;who\n400;20;me\n700;40;me\n")
    code, _, err = run("import", own_demo, PLATE, path)
    assert code == 0 and "note: column 'who' was left out" in err and "taken as per cent" in err
    assert read_study(own_demo).specimen(PLATE).readings[-1].columns["reflectance"] == pytest.approx([0.2, 0.4])
    path.write_text("400,0.2\n700,0.4\n")
    assert run("import", own_demo, PLATE, path)[0] == 2
    assert run("import", own_demo, PLATE, path, "--as", "reflectance")[0] == 0


def test_one_sample_of_several_is_imported(run, own_demo, tmp_path):
    path = tmp_path / "set.txt"
    path.write_text(
        "CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\n"
        "BEGIN_DATA\nA1 50 1 2\nA2 60 1 1\nEND_DATA\n"
    )
    assert run("import", own_demo, PLATE, path, "--sample", "A2")[0] == 0
    assert read_study(own_demo).specimen(PLATE).readings[-1].columns["L"].tolist() == [60.0]
    assert "no sample 'A9'" in run("import", own_demo, PLATE, path, "--sample", "A9")[2]


def test_a_transmittance_without_a_thickness_takes_the_specimens_own(run, own_demo, tmp_path):
    path = tmp_path / "t.csv"
    path.write_text("wavelength_nm,total\n400,0.1\n700,0.8\n")
    assert run("import", own_demo, RUBY, path)[0] == 0
    ruby = read_study(own_demo).specimen(RUBY)
    assert ruby.readings[-1].thickness_mm == ruby.size_mm


def test_spectra_come_from_files(run, own_demo, tmp_path):
    path = tmp_path / "mu.csv"
    path.write_text("wavelength_nm,absorption (1/cm)\n380,1\n500,20\n780,1\n")
    assert run("set", own_demo, RUBY, f"interior.absorption=@{path}")[0] == 0
    value = read_study(own_demo).specimen(RUBY).surface["interior.absorption"]
    assert len(value) == 21 and value[6] == pytest.approx(2.0)
    code, _, err = run("set", own_demo, PLATE, f"colour=@{path}")
    assert code == 2 and "no reflectance or total by wavelength" in err
    code, _, err = run("set", own_demo, PLATE, f"roughness=@{path}")
    assert code == 2 and "no colour or coefficient" in err


@pytest.mark.long
def test_a_robust_fit_finds_the_film_too(run, run_json, own_demo):
    truth = next(s.truth for s in SAMPLES if s.name == VANE)
    code, found = run_json("fit", own_demo, VANE, "--robust", "--free", "film.thickness", "roughness")
    values = {f["name"]: f["value"] for f in found["free"]}
    # It is a map: what is found are the values at its two ends.
    ends = [values[f"film.thickness.{end}"] for end in ("low", "high")]
    film = truth.input("film.thickness")
    assert code == 0 and ends == pytest.approx([film.low, film.high], rel=0.01)
    # A vague colour alone leaves other thicknesses open, and the words say which.
    specimen = read_study(own_demo).specimen(VANE)
    assert (
        len(specimen.readings) == 4
        and "other local minimum" not in run("fit", own_demo, VANE, "--free", "roughness")[1]
    )
