"""The command line as a contract: what it prints, where, the exit code, and that bad input changes nothing."""

import zipfile

import numpy as np
import pytest
import trimesh

from photometra.cli import VERBS
from photometra.demo.making import LANTERN
from photometra.demo.samples import SAMPLES
from photometra.pictures import read_header, read_picture
from photometra.readings import read_file as read_reading
from photometra.study import read_file

BRASS, PLATE, PRISM, RAIL = "Brass lamp bracket", "Enamelled number plate", "Lens prism", "Varnished teak rail"
VANE, WAX, RAIL = "Heat-tinted vane", "Beeswax seal block", "Varnished teak rail"


def refused(run, *words):
    """The one line a refused command says, with exit code 2 and nothing on standard output."""
    code, out, err = run(*words)
    assert code == 2 and out == "", (code, out)
    assert err.count("\n") == 1 and "Traceback" not in err, err
    return err


def test_new_add_set_show(run, run_json, tmp_path):
    path = tmp_path / "a.photometra"
    assert run("new", path)[0] == 0
    assert run("add", path, "Tin cup", "--size-mm", "45")[0] == 0
    code, _, err = run("set", path, "tin CUP", "roughness=gloss 0.8", "interior.depth=0.4 cm", "colour=#ff8000")
    assert code == 0 and "roughness = 0.200" in err
    _, shown = run_json("show", path)
    cup = shown["specimens"][0]
    assert cup["name"] == "Tin cup" and cup["size_mm"] == 45.0
    assert cup["parameters"]["roughness"] == pytest.approx(0.2)
    assert cup["parameters"]["interior.depth"] == pytest.approx(4.0)
    assert cup["parameters"]["colour"] == pytest.approx([1.0, 0.21586, 0.0], abs=1e-4)
    assert "Tin cup, 45 mm" in run("show", path)[1]
    assert run("set", path, "Tin cup", "constants=brass-70-30", "metalness=1")[0] == 0
    assert run_json("show", path, "Tin cup")[1]["specimens"][0]["parameters"]["constants"] == "brass-70-30"


@pytest.mark.parametrize("samples", [SAMPLES[:1] + SAMPLES[5:6],
                                     pytest.param(SAMPLES, marks=pytest.mark.long)], ids=["some", "all"])  # fmt: skip
def test_the_demo_goes_from_out_to_within(run, run_json, own_demo, samples):
    code, before = run_json("agree", own_demo)
    assert code == 1
    assert [s["name"] for s in before["specimens"]] == [*(s.name for s in SAMPLES), LANTERN]
    assert {"name", "kind", "metric", "value", "tolerance", "within"} == set(before["specimens"][0]["readings"][0])
    for name in [s.name for s in samples]:
        assert run_json("agree", own_demo, name)[0] == 1
        code, found = run_json("fit", own_demo, name, "--save")
        assert code == 0
        wanted = {"specimen", "free", "chi2_reduced", "correlation", "undetermined", "seconds"}
        assert wanted <= set(found)
        truth = next(s.truth for s in SAMPLES if s.name == name)
        for one in found["free"]:
            assert {"name", "value", "sigma", "start", "at_bound"} == set(one)
            assert one["value"] == pytest.approx(truth.scalar(one["name"]), abs=3.0 * one["sigma"]), one
        assert len(found["correlation"]) == len(found["free"])
        assert run_json("agree", own_demo, name)[0] == 0
    code, after = run_json("agree", own_demo)
    solved = [s["within"] for s in after["specimens"] if s["name"] in {one.name for one in samples}]
    assert len(solved) == len(samples) and all(solved) and (code == 0) == (len(samples) == len(SAMPLES))
    assert "within" in run("agree", own_demo)[1]


@pytest.mark.long
def test_fit_counts_the_photograph_when_told(run, run_json, own_demo, monkeypatch):
    monkeypatch.setattr("photometra.imaging.photographed._PATHS", 100_000)
    assert "has no photograph" in refused(run, "fit", own_demo, BRASS, "--photograph")
    code, found = run_json("fit", own_demo, RAIL, "--photograph")
    assert code == 0 and [p["name"] for p in found["pins"]] == ["Left", "Right", "Across the sky", "Across the bars"]
    assert all(p["value"] <= p["tolerance"] for p in found["pins"])
    truth = next(s.truth for s in SAMPLES if s.name == RAIL)
    for one in found["free"]:
        assert abs(one["value"] - truth.scalar(one["name"])) < 3.0 * one["sigma"], one


def test_fit_takes_names_and_saves_only_when_told(run, run_json, own_demo):
    before = own_demo.read_bytes()
    _, found = run_json("fit", own_demo, BRASS, "--free", "roughness", "haze.amount.high")
    assert [f["name"] for f in found["free"]] == ["roughness", "haze.amount.high"]
    assert own_demo.read_bytes() == before
    assert "reduced chi-square" in run("fit", own_demo, BRASS, "--free", "roughness")[1]
    assert "cannot be solved" in refused(run, "fit", own_demo, BRASS, "--free", "metalness")


@pytest.mark.parametrize("instrument", ["spectrophotometer", "glossmeter", "refractometer"])
def test_measure_prints_the_readings_own_columns(run_json, demo_file, instrument):
    code, found = run_json("measure", demo_file, PRISM, instrument)
    assert code == 0 and (found["specimen"], found["instrument"]) == (PRISM, instrument)
    assert len({len(v) for v in found["columns"].values()}) == 1


def test_measure_of_the_gloss_standard(run_json, run, tmp_path):
    path = tmp_path / "a.photometra"
    run("new", path)
    run("add", path, "Tile")
    run("set", path, "Tile", "ior=1.567", "roughness=0", "colour=0,0,0")
    _, found = run_json("measure", path, "Tile", "glossmeter")
    assert found["columns"]["angle_deg"] == [20.0, 60.0, 85.0]
    assert found["columns"]["gloss_units"] == pytest.approx([100.0] * 3, abs=0.5)


def test_a_film_is_measured_and_rendered_by_command(run, run_json, demo_file, tmp_path):
    read = [
        run_json("measure", demo_file, VANE, "spectrophotometer", "--set", f"film.thickness={t}")[1]["columns"]
        for t in ("92nm", "0.35 um")
    ]
    assert not np.allclose(read[0]["reflectance"], read[1]["reflectance"], atol=0.05)
    out = tmp_path / "v.exr"
    run("render", demo_file, VANE, "-o", out, "--set", "film.thickness=92nm", "--size", "16x16", "--samples", "4")
    assert read_header(out)["photometra:parameter:film.thickness"] == "92.0"


def test_measure_with_other_values_geometry_and_a_file(run, run_json, demo_file, tmp_path):
    out = tmp_path / "r.csv"
    code, _, err = run(
        "measure", demo_file, PLATE, "spectrophotometer", "--geometry", "de:8", "--set", "roughness=0.9", "ior=1.6",
        "-o", out,
    )  # fmt: skip
    assert code == 0 and str(out) in err
    reading = read_reading(out)
    assert reading.geometry == "de:8" and reading.kind_key == "reflectance"
    _, plain = run_json("measure", demo_file, PLATE, "spectrophotometer", "--geometry", "de:8")
    assert not np.allclose(plain["columns"]["reflectance"], reading.columns["reflectance"])
    assert read_file(demo_file).specimen(PLATE).surface["roughness"] == pytest.approx(0.22)


def test_import_and_back(run, run_json, own_demo, tmp_path):
    out = tmp_path / "r.csv"
    run("measure", own_demo, BRASS, "glossmeter", "-o", out)
    assert run("import", own_demo, BRASS, out)[0] == 0
    assert run("import", own_demo, BRASS, out, "--as", "gloss")[0] == 0
    names = [r["name"] for r in run_json("show", own_demo, BRASS)[1]["specimens"][0]["readings"]]
    assert len(names) == 6 and len(set(names)) == 6


@pytest.mark.parametrize(("name", "values"), [
    ("metal", ["metalness=1", "face_colour=1,1,1", "edge_colour=1,1,1", "roughness=0.3"]),
    ("glass", ["transmission=1", "ior=1.5", "roughness=0.1"]),
])  # fmt: skip
def test_the_furnace_by_command(run, run_json, tmp_path, name, values):
    study, out = tmp_path / "a.photometra", tmp_path / "a.exr"
    run("new", study)
    run("add", study, name)
    code, told = run_json(
        "render", study, name, "-o", out, "--set", *values, "--size", "64x64", "--samples", 128,
        "--environment", "uniform",
    )  # fmt: skip
    assert code == 0 and told["samples"] == 128 and told["size"] == [64, 64]
    assert read_picture(out).reshape(-1, 3).mean(axis=0) == pytest.approx(np.ones(3), abs=5e-3)
    assert told["mean"] == pytest.approx([1.0] * 3, abs=5e-3)
    # The same seed gives the same picture, another another.
    again, other = tmp_path / "b.exr", tmp_path / "c.exr"
    for path, seed in ((again, 1), (other, 2)):
        run("render", study, name, "-o", path, "--set", *values, "--size", "16x16", "--samples", 4, "--seed", seed)
    assert not np.array_equal(read_picture(again), read_picture(other))


def test_render_to_png_and_header(run, demo_file, tmp_path):
    out = tmp_path / "a.png"
    assert run("render", demo_file, PLATE, "-o", out, "--size", "32x24", "--samples", "4")[0] == 0
    assert read_picture(out).shape == (24, 32, 3)
    exr = tmp_path / "a.exr"
    run("render", demo_file, PLATE, "-o", exr, "--size", "8x8", "--samples", "1", "--set", "roughness=0.77")
    header = read_header(exr)
    assert header["photometra:specimen"] == PLATE and header["photometra:parameter:roughness"] == "0.77"


def test_check_says_and_mends(run, run_json, own_demo):
    code, found = run_json("check", own_demo)
    assert code == 0 and found["findings"] == [] and found["sound"] is True
    run("set", own_demo, PLATE, "ior=1")
    code, found = run_json("check", own_demo)
    assert code == 1 and found["findings"][0]["specimen"] == PLATE and found["findings"][0]["mend"] == {"ior": 1.5}
    assert "Mend: ior=1.5" in run("check", own_demo)[1]


def test_export_and_constants(run, run_json, demo_file, tmp_path):
    out = tmp_path / "a.mtlx"
    code, _, err = run("export", demo_file, BRASS, "--as", "materialx", "-o", out)
    assert code == 0 and "not carried" in err and "open_pbr_surface" in out.read_text()
    code, said, _ = run("export", demo_file, BRASS, "--as", "materialx", "--model", "standard_surface", "-o", out)
    assert code == 0 and "<standard_surface " in out.read_text() and "exact" in said
    assert len(run_json("constants")[1]["tables"]) == 56
    _, brass = run_json("constants", "brass-70-30")
    assert {"name", "title", "source", "columns"} <= set(brass) and brass["colour"].startswith("#")
    assert "brass-70-30" in run("constants")[1]
    assert run("constants", "brass-70-30")[0] == 0


class TestBadInput:
    """One sentence, exit code 2, nothing on standard output, nothing changed."""

    def test_a_truncated_study(self, run, own_demo):
        own_demo.write_bytes(own_demo.read_bytes()[:3000])
        before = own_demo.read_bytes()
        for words in (["agree"], ["show"], ["check"], ["set", PLATE, "ior=1.6"], ["fit", PLATE, "--save"]):
            line = refused(run, words[0], own_demo, *words[1:])
            assert "damaged" in line and str(own_demo) in line
        assert own_demo.read_bytes() == before

    def test_a_zip_with_a_way_out_of_it(self, run, own_demo, tmp_path):
        with zipfile.ZipFile(own_demo, "a") as archive:
            archive.writestr("../../evil.csv", "x")
        assert "evil.csv" in refused(run, "show", own_demo)
        assert not list(tmp_path.parent.glob("evil.csv"))

    def test_text_in_a_number_column(self, run, own_demo, tmp_path):
        path, before = tmp_path / "r.csv", own_demo.read_bytes()
        path.write_text("wavelength_nm,reflectance\n400,0.2\n410,shiny\n")
        line = refused(run, "import", own_demo, PLATE, path)
        assert f"{path}, line 3" in line and "'shiny'" in line
        assert own_demo.read_bytes() == before

    def test_an_empty_exr(self, run, own_demo, tmp_path):
        empty, out = tmp_path / "sky.exr", tmp_path / "out.exr"
        empty.touch()
        line = refused(run, "render", own_demo, PLATE, "-o", out, "--environment", empty, "--samples", "1")
        assert str(empty) in line and "empty" in line and not out.exists()

    def test_an_unknown_parameter_and_a_wrong_value(self, run, own_demo):
        before = own_demo.read_bytes()
        assert "did you mean roughness" in refused(run, "set", own_demo, PLATE, "roughnes=0.3")
        assert "outside" in refused(run, "set", own_demo, PLATE, "ior=1.6", "roughness=3")
        assert "NAME=VALUE" in refused(run, "set", own_demo, PLATE, "roughness")
        assert "no specimen" in refused(run, "set", own_demo, "Tin", "ior=1.6")
        assert own_demo.read_bytes() == before

    def test_outputs_never_overwrite_a_study(self, run, own_demo, tmp_path):
        before = own_demo.read_bytes()
        disguised = tmp_path / "looks-like.exr"
        disguised.write_bytes(before)
        for out in (own_demo, disguised):
            assert "never overwrites" in refused(run, "render", own_demo, PLATE, "-o", out, "--samples", "1")
            assert "never overwrites" in refused(run, "measure", own_demo, PLATE, "glossmeter", "-o", out)
        assert own_demo.read_bytes() == before == disguised.read_bytes()

    @pytest.mark.parametrize(("words", "says"), [
        (["frobnicate", "x"], "not a verb"),
        (["picture.jpg"], "neither a verb nor"),
        (["show"], "Missing argument"),
        (["show", "none.photometra"], "no such file"),
        (["new", "a.txt"], "ends in .photometra"),
        (["constants", "brasss"], "did you mean"),
        (["render", "S", PLATE, "-o", "a.exr", "--size", "big"], "--size"),
        (["render", "S", PLATE, "-o", "a.gif"], "ends in .exr or .png"),
        (["render", "S", PLATE, "-o", "a.exr", "--samples", "1", "--noise", "0.1"], "one of"),
        (["render", "S", PLATE, "-o", "a.exr", "--environment", "moon"], "choose from uniform"),
        (["render", "S", PLATE, "-o", "no/a.exr"], "no folder"),
        (["measure", "S", PLATE, "ruler"], "no instrument"),
        (["measure", "S", BRASS, "refractometer"], "dielectrics only"),
        (["measure", "S", PLATE, "spectrophotometer", "--geometry", "1:1"], "no geometry"),
        (["export", "S", PLATE, "--as", "gltf", "--model", "gltf_pbr", "-o", "a.glb"], "--model is of MaterialX"),
        (["export", "S", PLATE, "--as", "materialx", "--model", "gloss", "-o", "a.mtlx"], "not known; give open_pbr"),
        (["export", "S", PLATE, "--as", "paper", "-o", "a.mtlx"], "not a standard"),
        (["add", "S", PLATE], "already"),
        (["add", "S", "Tin", "--size-mm", "-3"], "size"),
        (["import", "S", PLATE, "none.csv"], "no such file"),
        (["agree", "S", "--loud"], "No such option"),
    ])  # fmt: skip
    def test_bad_use(self, run, own_demo, tmp_path, monkeypatch, words, says):
        monkeypatch.chdir(tmp_path)
        before = own_demo.read_bytes()
        assert says.lower() in refused(run, *[own_demo if w == "S" else w for w in words]).lower()
        assert own_demo.read_bytes() == before
        assert sorted(p.name for p in tmp_path.iterdir()) == [own_demo.name]


def test_every_verb_has_help(run):
    for verb in VERBS:
        code, out, _ = run(verb, "--help")
        assert code == 0 and "Usage" in out


def picture_of(run, *words):
    from photometra.pictures import read_picture

    code, _, err = run("render", *words)
    assert code == 0, err
    return read_picture(words[words.index("-o") + 1])


def test_the_booth_is_at_the_command_lines_hand(run, demo_file, tmp_path):
    out = tmp_path / "a.exr"
    small = ("-o", out, "--size", "48x32", "--samples", "4")
    plain = picture_of(run, demo_file, BRASS, *small)
    for more in (("--shape", "disc"), ("--viewpoint", "above"), ("--set", "anisotropy=0.9", "roughness=0.5")):
        assert abs(picture_of(run, demo_file, BRASS, *small, *more) - plain).mean() > 1e-3, more
    part = picture_of(run, demo_file, BRASS, *small, "--region", "0.5,0,1,1")
    # An EXR holds the region as its data window.
    assert part.shape == (32, 24, 3) and (part == plain[:, 24:]).all()
    mesh = tmp_path / "probe.obj"
    trimesh.creation.box((4.0, 4.0, 4.0)).export(mesh)
    assert abs(picture_of(run, demo_file, BRASS, *small, "--shape", mesh, "--unit", "cm") - plain).mean() > 1e-3


def test_layers_are_named_in_the_exr_and_add_up(run, demo_file, tmp_path):
    import OpenImageIO as oiio

    out = tmp_path / "a.exr"
    run("render", demo_file, RAIL, "-o", out, "--size", "24x16", "--samples", "4", "--layers")
    source = oiio.ImageInput.open(str(out))
    names, pixels = source.spec().channelnames, source.read_image("float")
    source.close()
    assert {"R", "coat.R", "finish.G", "body.B", "stage.R"} <= set(names)
    red = sum(pixels[..., names.index(n)] for n in names if n.endswith(".R"))
    assert red == pytest.approx(pixels[..., names.index("R")], rel=1e-4, abs=1e-5)


@pytest.mark.parametrize(("words", "told"), [
    (("--shape", "cube"), "choose from ball"), (("--shape", "absent.obj", "--unit", "mm"), "no such file"),
    (("--shape", "absent.obj"), "there is no such file"), (("--viewpoint", "moon"), "not a named view"),
    (("--region", "0.5,0,0.2,1"), "left,top,right,bottom"), (("--region", "a,b"), "four numbers"),
    (("--set", "thin_walled=maybe"), "neither true nor false"), (("--set", "coat.thickness=9mm"), "outside 0 to 5000"),
])  # fmt: skip
def test_what_the_booth_cannot_do_is_said_in_one_line(run, demo_file, tmp_path, words, told):
    out = tmp_path / "a.exr"
    assert told in refused(run, "render", demo_file, BRASS, "-o", out, "--samples", "1", "--size", "8x8", *words)
    assert not out.exists()


def test_a_png_has_no_layers(run, demo_file, tmp_path):
    assert "needs an EXR" in refused(run, "render", demo_file, BRASS, "-o", tmp_path / "a.png", "--layers")


def test_the_version_is_said(run):
    code, out, _ = run("--version")
    assert code == 0 and out.startswith("photometra ") and out.split()[1][0].isdigit()
