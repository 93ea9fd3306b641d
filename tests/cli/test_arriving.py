"""A folder of files at once: every sample a specimen, what cannot be taken named, nothing half done."""

import json

from photometra.study import read_file

CXF = """<?xml version="1.0"?><CxF xmlns="http://colorexchangeformat.com/CxF3-core"><Resources><ObjectCollection>
<Object Name="Buoy red"><ColorValues><ReflectanceSpectrum StartWL="400" Increment="100">0.05 0.06 0.4 0.6
</ReflectanceSpectrum></ColorValues></Object><Object Name="Hull grey"><ColorValues><ReflectanceSpectrum StartWL="400"
 Increment="100">0.3 0.31 0.32 0.33</ReflectanceSpectrum></ColorValues></Object></ObjectCollection></Resources></CxF>"""


def folder_of(tmp_path):
    folder = tmp_path / "readings"
    folder.mkdir()
    (folder / "colours.cxf").write_text(CXF)
    (folder / "gloss.csv").write_text("# name: Hull grey\nangle_deg,gloss_units\n20,4\n60,31\n85,52\n")
    (folder / "notes.txt").write_text("remember the milk")
    (folder / "photo.png").write_bytes(b"\x89PNG")
    return folder


def test_every_sample_becomes_a_specimen_and_the_rest_is_named(run, tmp_path):
    study = tmp_path / "s.photometra"
    run("new", study)
    code, out, err = run("import-all", study, folder_of(tmp_path))
    assert code == 1 and "notes.txt" in err and "photo.png" not in err
    there = {s.name: [r.kind_key for r in s.readings] for s in read_file(study).specimens}
    assert there == {"Buoy red": ["reflectance"], "Hull grey": ["reflectance", "gloss"]}
    assert "3 samples of 3 files" in out


def test_as_repeats_of_one_specimen(run, tmp_path):
    study = tmp_path / "s.photometra"
    run("new", study)
    run("add", study, "hull")
    folder = folder_of(tmp_path)
    (folder / "notes.txt").unlink()
    code, out, _ = run("import-all", study, folder, "--into", "HULL", "--json")
    assert code == 0 and len(json.loads(out)["taken"]) == 3
    assert len(read_file(study).specimens[0].readings) == 3


def test_nothing_is_changed_where_nothing_can_be_taken(run, tmp_path):
    study = tmp_path / "s.photometra"
    run("new", study)
    before = study.read_bytes()
    (tmp_path / "notes.txt").write_text("remember the milk")
    for words in ([tmp_path / "notes.txt"], [tmp_path / "gone.csv"], [folder_of(tmp_path), "--into", "nobody"]):
        code, out, err = run("import-all", study, *words)
        assert code == 2 and out == "" and err.count("\n") == 1, err
        assert study.read_bytes() == before
