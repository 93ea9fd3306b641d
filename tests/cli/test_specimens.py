"""Verbs for what the window can do: free and hold with bounds, variants, names, the booth, proofs."""

import numpy as np
import pytest
import trimesh

from photometra.pictures import write_exr
from photometra.study import VIEWPOINTS, read_file

BRASS, PLATE = "Brass lamp bracket", "Enamelled number plate"


def test_parameters_are_freed_with_bounds_and_held_again(run, run_json, own_demo):
    assert run("free", own_demo, PLATE, "roughness=0.1..0.4", "coat.amount")[0] == 0
    code, shown = run_json("show", own_demo, PLATE)
    plate = shown["specimens"][0]
    assert code == 0 and {"roughness", "coat.amount"} <= set(plate["free"])
    assert plate["bounds"]["roughness"] == [0.1, 0.4]
    assert run("hold", own_demo, PLATE, "coat.amount", "ior")[0] == 0
    assert run("free", own_demo, PLATE, "roughness=")[0] == 0
    plate = read_file(own_demo).specimen(PLATE)
    assert "coat.amount" not in plate.free and "ior" not in plate.free and "roughness" not in plate.bounds
    for words, told in (
        (("roughness=0.4..0.1",), "lower number"), (("roughness=0.4",), "NAME=LOW..HIGH"),
        (("metalness",), "cannot be solved"), (("shine",), "no parameter"), (("roughness=a..b",), "is not a number"),
    ):  # fmt: skip
        code, _, err = run("free", own_demo, PLATE, *words)
        assert code == 2 and told in err, words


def test_what_does_not_apply_is_not_in_the_way(run, run_json, own_demo):
    _, _, err = run("free", own_demo, BRASS, "film.thickness")
    assert "does nothing on this surface" in err
    code, found = run_json("fit", own_demo, BRASS)
    assert code == 0 and "film.thickness" not in [f["name"] for f in found["free"]]


def test_specimens_are_varied_renamed_and_removed(run, own_demo):
    assert run("duplicate", own_demo, BRASS, "Brass, worn")[0] == 0
    assert run("duplicate", own_demo, BRASS)[0] == 0
    assert run("rename", own_demo, BRASS, "Lantern bracket [/b]")[0] == 0
    assert [s.name for s in read_file(own_demo).specimens][-2:] == ["Brass, worn", f"{BRASS} 2"]
    assert "[/b]" in run("show", own_demo, "Lantern bracket [/b]")[1]
    assert run("remove", own_demo, "Lantern bracket [/b]")[0] == 0
    assert BRASS not in [s.name for s in read_file(own_demo).specimens]
    assert run("rename", own_demo, PLATE, f"{BRASS} 2")[0] == 2


@pytest.mark.long
def test_proofs_go_along_when_their_specimen_is_renamed_or_removed(run, own_demo):
    assert run("proof", own_demo, BRASS, "--note", "as found")[0] == 0
    assert run("rename", own_demo, BRASS, "Lantern bracket")[0] == 0
    assert [p.specimen for p in read_file(own_demo).proofs] == ["Lantern bracket"]
    assert run("remove", own_demo, "Lantern bracket")[0] == 0
    assert read_file(own_demo).proofs == ()


def test_the_booth_is_set_up_by_name_and_shown(run, run_json, own_demo, tmp_path):
    sky = tmp_path / "sky.exr"
    write_exr(sky, np.full((4, 8, 3), 0.5))
    code, _, err = run(
        "booth", own_demo, f"environment={sky}", "turn=30", "exposure=-0.5", "white=0.9,1.0,1.1", "viewpoint=close",
        "viewpoint.rise=20", "key.strength=4", "effort.samples=64", "region=0.1,0.2,0.8,0.9", "view=plain",
    )  # fmt: skip
    assert code == 0, err
    booth = read_file(own_demo).booth
    assert booth.environment.startswith("pictures/sky.") and (booth.turn, booth.exposure, booth.view) == (
        30,
        -0.5,
        "plain",
    )
    assert booth.white == (0.9, 1.0, 1.1) and booth.region == (0.1, 0.2, 0.8, 0.9) and booth.key.strength == 4.0
    assert booth.viewpoint.rise == 20.0 and booth.viewpoint.focal_mm == VIEWPOINTS["close"].focal_mm
    assert run("booth", own_demo, "white=none", "region=none")[0] == 0
    code, shown = run_json("booth", own_demo)
    assert code == 0 and shown["white"] is None and shown["effort"]["samples"] == 64
    for words, told in (
        (["exposure=bright"], "exposure"), (["exposure=99"], "exposure"), (["gamma=2"], "the booth has no 'gamma'"),
        (["environment=moon"], "no environment"), (["environment=/etc/passwd"], "no environment"),
        (["viewpoint=under"], "not a named view"), (["shape=puck"], "name the specimen first"), (["view=x"], "no view"),
        (["exposure"], "no specimen 'exposure'"),
    ):  # fmt: skip
        before = own_demo.read_bytes()
        code, _, err = run("booth", own_demo, *words, *([] if "=" in words[0] else ["shape=puck"]))
        assert code == 2 and told in err, (words, err)
        assert own_demo.read_bytes() == before


def test_a_shape_or_a_mesh_stands_for_a_specimen(run, own_demo, tmp_path):
    assert run("booth", own_demo, BRASS, "shape=vessel", "wall=1.5 mm")[0] == 0
    one = read_file(own_demo).specimen(BRASS)
    assert (one.shape, one.wall_mm) == ("vessel", 1.5)
    cup = tmp_path / "cup.stl"
    trimesh.creation.cylinder(2.0, 3.0).export(cup)
    code, _, err = run("booth", own_demo, BRASS, f"shape={cup}")
    assert code == 2 and "how long one unit is" in err
    assert run("booth", own_demo, BRASS, f"shape={cup}", "unit=cm")[0] == 0
    study = read_file(own_demo)
    assert study.specimen(BRASS).shape in study.meshes
    glb = tmp_path / "cup.glb"
    trimesh.creation.cylinder(0.02, 0.03).export(glb)
    assert run("booth", own_demo, PLATE, f"shape={glb}")[0] == 0


def test_proofs_are_kept_listed_and_brought_back(run, run_json, own_demo, monkeypatch):
    monkeypatch.setattr("photometra.cli.booth._PROOF_SAMPLES", 4)
    before = read_file(own_demo).specimen(PLATE).surface
    assert run("proof", own_demo, PLATE, "--note", "first look")[0] == 0
    run("set", own_demo, PLATE, "roughness=0.9")
    code, listed = run_json("proof", own_demo, "--list")
    assert code == 0 and listed["proofs"][0]["note"] == "first look"
    assert run("proof", own_demo, "--back", "proof 1")[0] == 0
    assert read_file(own_demo).specimen(PLATE).surface == before
    assert run_json("show", own_demo, PLATE)[1]["proofs"][0]["name"] == "Proof 1"
    code, _, err = run("proof", own_demo, "--back", "Proof 9")
    assert code == 2 and "'Proof 1' of" in err
    assert run("proof", own_demo)[0] == 2


@pytest.mark.parametrize("words", [["hold", "Nobody", "ior"], ["remove", "Nobody"], ["duplicate", "Nobody"]])
def test_who_is_not_there_is_named(run, own_demo, words):
    code, _, err = run(words[0], own_demo, *words[1:])
    assert code == 2 and "no specimen 'Nobody'" in err


def test_a_glass_by_its_sellmeier_coefficients(run, own_demo):
    """A borosilicate crown by its catalogue: index 1.51680 at the d line, Abbe number 64.2."""
    pairs = "1.03961212 0.00600069867 0.231792344 0.0200179144 1.01046945 103.560653"
    apart = "1.03961212, 0.231792344, 1.01046945 / 0.00600069867, 0.0200179144, 103.560653"
    for text in (pairs, apart, pairs.replace(".", ",").replace(" ", "; ")):
        code, _, told = run("dispersion", own_demo, "Lens prism", text)
        assert code == 0 and "index 1.51680 at 587.6 nm, Abbe number 64.2" in told
    one = read_file(own_demo).specimen("Lens prism")
    assert one.surface["constants"] == "reading" and one.readings[-1].kind_key == "constants"


@pytest.mark.parametrize(("text", "says"), [
    ("1.03 0.006 0.23", "in pairs"), ("1 2 / 3", "in pairs"), ("glass", "in pairs"), ("", "in pairs"),
    ("1.03 0.3", "between 1 and 5"), ("-3 0.006", "between 1 and 5"),
])  # fmt: skip
def test_coefficients_of_no_glass_are_refused(run, own_demo, text, says):
    before = own_demo.read_bytes()
    code, out, err = run("dispersion", own_demo, "Lens prism", "--", text)
    assert code == 2 and out == "" and says in err and own_demo.read_bytes() == before
