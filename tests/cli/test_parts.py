"""Maps, parts and links on the command line, from the beginning."""

import json

import numpy as np

from photometra.pictures import write_png
from photometra.study import read_file

VANE, BRASS, LANTERN = "Heat-tinted vane", "Brass lamp bracket", "Gallery lantern"


def test_a_map_is_set_shown_measured_and_taken_off(run, tmp_path):
    study = tmp_path / "s.photometra"
    run("new", study)
    run("add", study, "plate")
    code, out, err = run("set", study, "plate", "metalness=1", "roughness=map:scratches,low=0.08,high=0.31,size=20mm")
    assert code == 0 and "0.080 to 0.310, scratches" in out + err
    shown = json.loads(run("show", study, "plate", "--json")[1])["specimens"][0]["parameters"]["roughness"]
    assert shown["low"] == 0.08 and shown["layers"][0]["generator"]["kind"] == "scratches"
    gloss = json.loads(run("measure", study, "plate", "glossmeter", "--json")[1])
    smooth = json.loads(run("measure", study, "plate", "glossmeter", "--json", "--set", "roughness=0.08")[1])
    assert gloss != smooth
    code, _, err = run("set", study, "plate", "roughness=map:scratches,depth=3")
    assert code == 2 and "'depth=3' is not understood" in err
    assert run("set", study, "plate", "roughness=0.2")[0] == 0
    assert not read_file(study).specimens[0].surface.maps


def test_one_end_is_freed_and_solved(run, own_demo):
    out = run("free", own_demo, VANE, "film.thickness.low")[1]
    assert run("hold", own_demo, VANE, "film.thickness", "film.ior", "roughness")[0] == 0
    assert run("free", own_demo, VANE, "film.thickness.low=60..140")[0] == 0, out
    one = read_file(own_demo).specimen(VANE)
    assert one.free == {"film.thickness.low"} and one.bounds["film.thickness.low"] == (60.0, 140.0)


def test_parts_are_listed_and_given_surfaces(run, own_demo):
    listed = json.loads(run("parts", own_demo, LANTERN, "--json")[1])["parts"]
    assert {"part": "lens", "specimen": "Lens prism", "is_closed": True}.items() <= {p["part"]: p for p in listed}[
        "lens"
    ].items()
    code, out, err = run("assign", own_demo, LANTERN, "frame/roof=heat-tinted VANE", "noth*=Lens prism", "wick=")
    assert (
        code == 0
        and "frame/roof = Heat-tinted vane" in out + err
        and "No part of this shape is called 'noth*'" in out + err
    )
    parts = {p["part"]: p["specimen"] for p in json.loads(run("parts", own_demo, LANTERN, "--json")[1])["parts"]}
    assert parts["frame/roof"] == VANE and parts["frame/base"] == BRASS and parts["wick"] is None
    code, _, err = run("assign", own_demo, LANTERN, "wick=Nobody")
    assert code == 2 and "no specimen 'Nobody'" in err
    code, _, err = run("parts", own_demo, BRASS)
    assert code == 2 and "is one part" in err


def test_missing_pictures_are_named_and_found(run, own_demo, tmp_path):
    picture = tmp_path / "wear.png"
    write_png(picture, np.random.default_rng(1).uniform(size=(8, 8, 3)))
    assert run("set", own_demo, BRASS, f"roughness=map:{picture},low=0.1,high=0.3,link")[0] == 0
    (tmp_path / "moved").mkdir()
    picture.rename(tmp_path / "moved" / "other.png")
    code, out, _ = run("check", own_demo)
    assert code == 1 and "without its picture" in out
    code, out, err = run("relink", own_demo, tmp_path / "moved")
    assert code == 0 and "found wear.png" in out + err
    assert "without its picture" not in run("check", own_demo)[1]
    assert run("relink", own_demo, tmp_path / "nowhere")[0] == 2


def test_a_stratum_follows_another_specimens(run, own_demo):
    assert run("link", own_demo, VANE, f"finish={BRASS}")[0] == 0
    run("set", own_demo, BRASS, "roughness=0.33")
    assert read_file(own_demo).specimen(VANE).surface["roughness"] == 0.33
    code, _, err = run("set", own_demo, VANE, "roughness=0.2")
    assert code == 2 and "follows 'Brass lamp bracket'" in err
    assert run("link", own_demo, VANE, "finish=")[0] == 0
    assert run("set", own_demo, VANE, "roughness=0.2")[0] == 0


def test_linked_specimens_are_solved_together(run, tmp_path):
    """One finish on two metals, from the beginning: gloss of the one, a lobe of the other, both solved and kept."""
    study = tmp_path / "s.photometra"
    run("new", study)
    for name, key, tool in (("rail", "gold", "glossmeter"), ("hinge", "copper", "goniophotometer")):
        run("add", study, name)
        run("set", study, name, "metalness=1", f"constants={key}", "roughness=0.27")
        assert run("measure", study, name, tool, "-o", tmp_path / f"{key}.csv")[0] == 0
        run("set", study, name, "roughness=0.5")
        assert run("import", study, name, tmp_path / f"{key}.csv")[0] == 0
        run("hold", study, name, "tint")
        run("free", study, name, "roughness")
    code, _, err = run("solve", study, "rail", "--linked")
    assert code == 2 and "no specimen that has readings is linked with 'rail'" in err
    assert run("link", study, "hinge", "finish=rail")[0] == 0
    code, out, err = run("solve", study, "hinge", "--linked", "--save", "--json")
    assert code == 0, err
    told = {one["specimen"]: one for one in json.loads(out)["together"]}
    assert set(told) == {"rail", "hinge"} and all(one["fits"] for one in told.values())
    kept = read_file(study)
    for name in told:
        one = kept.specimen(name)
        assert abs(one.surface["roughness"] - 0.27) < 0.01 and one.sigmas["roughness"] > 0.0
    code, out, _ = run("solve", study, "rail", "--linked")
    assert code == 0 and "together: reduced chi-square" in out
    assert run("solve", study, "rail", "--linked", "--robust")[0] == 2


def test_surfaces_go_to_what_the_file_calls_a_material(run, own_demo, tmp_path):
    mesh = tmp_path / "lamp.obj"
    mesh.write_text(
        "v 0 0 0\nv 9 0 0\nv 0 9 0\nv 0 0 9\no bowl\nusemtl spun brass\nf 1 2 3\no foot\nusemtl teak\nf 1 2 4\n"
        "o ring\nusemtl spun brass\nf 2 3 4\n"
    )
    assert run("add", own_demo, "Lamp")[0] == 0
    assert run("booth", own_demo, "Lamp", f"shape={mesh}", "unit=mm")[0] == 0
    code, _, err = run("assign", own_demo, "Lamp", f"@spun*={BRASS}", f"@glass={VANE}")
    assert code == 0 and "No part of this shape is made of 'glass'" in err
    listed = json.loads(run("parts", own_demo, "Lamp", "--json")[1])["parts"]
    assert {p["part"]: (p["material"], p["specimen"]) for p in listed} == {
        "bowl": ("spun brass", BRASS), "foot": ("teak", None), "ring": ("spun brass", BRASS),
    }  # fmt: skip
