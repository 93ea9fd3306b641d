"""check in a pipeline: JUnit XML, and what has drifted since a baseline."""

import json
from xml.etree import ElementTree

import pytest

from photometra.instruments import measured
from photometra.study import Specimen, Study, change_file, write_file
from photometra.surface import Surface


@pytest.fixture
def study(tmp_path):
    path = tmp_path / "s.photometra"
    surface = Surface({"metalness": 1.0, "roughness": 0.25})
    reading = measured("glossmeter", surface, "").with_changes(name="Gloss")
    write_file(Study("Harbour", (Specimen("Cleat", 60.0, surface, (reading,)), Specimen("Bell", 60.0))), path)
    return path


@pytest.fixture
def baseline(run, study, tmp_path):
    code, said, _ = run("check", study, "--json")
    assert code == 0
    path = tmp_path / "base.json"
    path.write_text(said)
    return path


def suites(path):
    return {s.get("name"): s for s in ElementTree.parse(path).getroot()}


def test_nothing_has_drifted_at_first(run, study, baseline, tmp_path):
    junit = tmp_path / "check.xml"
    code, said, told = run("check", study, "--baseline", baseline, "--junit", junit)
    assert code == 0 and said == "" and "nothing has drifted" in told
    found = suites(junit)
    assert [c.get("name") for c in found["Cleat"]] == ["physical sense", "Gloss", "no worse than the baseline"]
    assert all(s.get("failures") == "0" for s in found.values())


def test_what_has_drifted_is_told_and_fails_where_it_is_worse(run, study, baseline, tmp_path):
    run("set", study, "Cleat", "roughness=0.32")
    junit = tmp_path / "check.xml"
    code, said, _ = run("check", study, "--baseline", baseline, "--junit", junit)
    assert code == 1
    assert "Cleat: since the baseline, roughness is 0.32, and was 0.25" in said
    assert "Gloss is out of its tolerance" in said
    cleat = suites(junit)["Cleat"]
    assert cleat.get("failures") == "2" and {c.get("name") for c in cleat if c.find("failure") is not None} == {
        "Gloss", "no worse than the baseline",
    }  # fmt: skip
    # From there, back to where it was is no worse; as data the same is said.
    worse = tmp_path / "worse.json"
    worse.write_text(run("check", study, "--json")[1])
    run("set", study, "Cleat", "roughness=0.25")
    code, said, _ = run("check", study, "--baseline", worse, "--json")
    drifted = json.loads(said)["drifted"]
    assert code == 0 and any("within its tolerance again" in d["sentence"] for d in drifted)
    assert not any(d["is_worse"] for d in drifted)


def test_a_reading_or_specimen_that_is_gone_is_worse_and_a_new_one_is_told(run, study, baseline):
    change_file(study, lambda d: d.with_specimen_at(0, d.specimens[0].without_reading(0)))
    code, said, _ = run("check", study, "--baseline", baseline)
    assert code == 1 and "Gloss is not compared any more" in said
    run("remove", study, "Cleat")
    run("add", study, "Anchor")
    code, said, _ = run("check", study, "--baseline", baseline)
    assert code == 1 and "Cleat: since the baseline, the specimen is gone" in said and "Anchor: since" in said


def test_a_fault_that_is_new_fails(run, study, baseline):
    run("set", study, "Bell", "film.amount=1", "film.thickness=0")
    code, said, _ = run("check", study, "--baseline", baseline)
    assert code == 1 and "this is new: A film of no thickness shows nothing." in said


@pytest.mark.parametrize("text", ["", "[]", "{}", '{"specimens": [{"name": 1}], "findings": []}', "[" * 5000])
def test_what_is_no_baseline_is_one_sentence(run, study, tmp_path, text):
    path = tmp_path / "base.json"
    path.write_text(text)
    code, said, told = run("check", study, "--baseline", path)
    assert code == 2 and said == "" and "this is no baseline; make one with check --json" in told
