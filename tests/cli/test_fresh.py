"""A stranger's first minutes: a new study, a fresh specimen, a file as an instrument wrote it, and a solve."""

import numpy as np
import pytest

from photometra import faults
from photometra.instruments import measured
from photometra.study import read_file
from photometra.surface import Surface

NM = range(400, 701, 10)


@pytest.fixture
def fresh(run, tmp_path):
    """A study with one empty specimen in it."""
    path = tmp_path / "mine.photometra"
    assert run("new", path)[0] == 0 and run("add", path, "Tin [/b] lid")[0] == 0
    return path


def sphere_log(surface):
    """SPIN and SPEX of a surface, as a bench sphere logs them: cp1252, decimal commas, wavelengths across."""
    rows = []
    for mode, geometry in (("SCI", "di:8"), ("SCE", "de:8")):
        read = measured("spectrophotometer", surface, geometry, places={"wavelength_nm": list(NM)})
        rows.append(";".join(["Lid", mode, *(f"{100 * v:.2f}".replace(".", ",") for v in read.columns["reflectance"])]))
    head = f"Meßgerät;bench sphere\nDatum;2031-02-03\n\nProbe;Modus;{';'.join(f'{n} nm' for n in NM)}"
    return (head + "\n" + "\n".join(rows) + "\n").encode("cp1252")


def test_a_fresh_metal_is_solved_from_what_an_instrument_wrote(run, run_json, fresh, tmp_path):
    truth = Surface({"metalness": 1.0, "constants": "brass-70-30", "roughness": 0.3})
    log, gloss = tmp_path / "lid.csv", tmp_path / "gloss.csv"
    log.write_bytes(sphere_log(truth))
    units = measured("glossmeter", truth).columns["gloss_units"]
    gloss.write_text("Gloss log\nNo,20°,60°,85°\n" + ",".join(["1", *(f"{u:.1f}" for u in units)]) + "\n")
    assert run("set", fresh, "Tin [/b] lid", "metalness=1")[0] == 0
    for file in (log, gloss):
        code, _, err = run("import", fresh, "Tin [/b] lid", file)
        assert code == 0, err
    assert "free for a solve: " in err and "ior" not in err.rpartition("free for a solve")[2]
    code, found = run_json("solve", fresh, "Tin [/b] lid", "--save")
    assert code == 0 and found["fits"] and found["status"] == "converged", found
    assert run_json("agree", fresh)[1]["specimens"][0]["within"] is True
    after = read_file(fresh).specimens[0].surface
    assert after["roughness"] == pytest.approx(0.3, abs=0.01)
    assert "[/b]" in run("show", fresh)[1]


def test_what_does_not_fit_ends_with_1_and_says_where_and_what_would_help(run, run_json, fresh, tmp_path):
    log = tmp_path / "lid.csv"
    log.write_bytes(sphere_log(Surface({"colour": (0.5, 0.1, 0.05)})))
    assert run("import", fresh, "Tin [/b] lid", log)[0] == 0
    code, found = run_json("fit", fresh, "Tin [/b] lid", "--free", "ior")
    assert code == 1 and not found["fits"] and found["misfits"][0]["chi2"] > 9.0
    assert "nm" in found["misfits"][0]["where"] and "body colour" in found["helps"][0]
    code, out, _ = run("fit", fresh, "Tin [/b] lid", "--free", "ior", "--save")
    assert code == 1 and out.startswith("Does not fit") and "what would help" in out
    assert read_file(fresh).specimens[0].sigmas == {}


def test_a_specimen_without_readings_is_not_within(run_json, fresh):
    code, found = run_json("agree", fresh)
    assert code == 0 and found["specimens"][0]["within"] is None


def test_a_fault_of_the_program_is_no_bad_input(run, fresh, monkeypatch):
    def broken(*_args, **_more):
        return np.zeros(3) + np.zeros(4)

    monkeypatch.setattr("photometra.cli.studies.read_file", broken)
    code, _, err = run("show", fresh)
    assert code == faults.EXIT_CODE and "something went wrong inside (ValueError)" in err
    assert "could not be broadcast" in faults.log_file().read_text()


def test_check_tells_advice_from_faults(run, run_json, fresh):
    run("set", fresh, "Tin [/b] lid", "colour=0.97,0.97,0.97")
    code, found = run_json("check", fresh)
    assert code == 0 and found["sound"] and found["findings"][0]["is_advice"]
    run("set", fresh, "Tin [/b] lid", "subsurface=1", "subsurface.radius=30 mm, 9 mm, 9 mm")
    code, found = run_json("check", fresh)
    assert code == 1 and not found["sound"]


def test_what_leaves_is_shown_beside_what_is_typed(run, fresh):
    run("set", fresh, "Tin [/b] lid", "ior=1.6", "colour=albedo 0.3")
    out = run("show", fresh)[1]
    assert "(leaves #959595)" in out, out
