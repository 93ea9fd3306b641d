"""The library from the command line, as a stranger would use it."""

import json

import pytest

from photometra.cli import main
from photometra.study import Specimen, Study, read_file, write_file
from photometra.surface import Surface

pytestmark = pytest.mark.usefixtures("own_indexes")


@pytest.fixture
def study(tmp_path):
    path = tmp_path / "quay.photometra"
    paint = Specimen("Bollard paint", 80.0, Surface({"colour": (0.6, 0.1, 0.05), "roughness": 0.2}))
    rope = Specimen("Mooring rope", 40.0, Surface({"colour": (0.5, 0.4, 0.3), "roughness": 0.9}))
    write_file(Study("Quay", (paint, rope)), path)
    return path


def said(capsys):
    return json.loads(capsys.readouterr().out)


def test_keep_list_find_and_take(study, tmp_path, capsys):
    own = ["--library", str(tmp_path / "mine")]
    assert main(["library", "add", str(study), "bollard paint", *own, "--tag", "paint", "--tag", "red", "--json"]) == 0
    assert said(capsys)["version"] == 1
    assert main(["library", "list", *own, "--json"]) == 0
    (entry,) = said(capsys)["entries"]
    assert entry["name"] == "Bollard paint" and entry["tags"] == ["paint", "red"] and entry["facts"]["gloss60"] > 10.0
    assert main(["library", "find", "red", "--where", "gloss60=10..200", *own]) == 0
    assert main(["library", "find", "blue", *own]) == 1
    assert main(["library", "take", str(study), "BOLLARD PAINT", *own]) == 0
    assert [s.name for s in read_file(study).specimens] == ["Bollard paint", "Mooring rope", "Bollard paint 2"]
    stratum = ["--stratum", "finish", "--specimen", "Mooring rope"]
    assert main(["library", "take", str(study), "Bollard paint", *own, *stratum]) == 0
    assert read_file(study).specimen("Mooring rope").surface["roughness"] == 0.2
    assert main(["library", "take", str(study), "Bollard paint", *own, *stratum, "--linked"]) == 0
    assert read_file(study).specimen("Mooring rope").leader_in("finish") == "Bollard paint 3"


def test_closest_to_readings_of_a_study(study, tmp_path, capsys):
    own = ["--library", str(tmp_path / "mine")]
    for name in ("Bollard paint", "Mooring rope"):
        main(["library", "add", str(study), name, *own])
    assert main(["measure", str(study), "Mooring rope", "glossmeter", "-o", str(tmp_path / "g.csv")]) == 0
    assert main(["import", str(study), "Bollard paint", str(tmp_path / "g.csv")]) == 0
    capsys.readouterr()
    like = ["--like", str(study), "--specimen", "Bollard paint"]
    assert main(["library", "find", *own, *like, "--json"]) == 0
    found = said(capsys)["entries"]
    assert found[0]["name"] == "Mooring rope" and found[0]["score"] < 0.05 < found[1]["score"]
    assert main(["library", "find", *own, *like, "--within", "0.5", "--json"]) == 0
    assert [e["name"] for e in said(capsys)["entries"]] == ["Mooring rope"]


@pytest.mark.parametrize(
    ("words", "sentence"),
    [
        (["find", "--where", "gloss60"], "should be FACT=LOW..HIGH"),
        (["find", "--where", "shine=1..2"], "no fact 'shine'"),
        (["find", "--stratum", "cellar"], "--stratum 'cellar' is none"),
        (["find", "--within", "2"], "go with --like"),
        (["list", "--library", "/nowhere/at/all"], "no such folder"),
        (["take", "STUDY", "Nobody's"], "there is no entry 'Nobody's'"),
        (["take", "STUDY", "Water", "--stratum", "coat"], "go together"),
    ],
)
def test_bad_use_is_one_sentence(study, capsys, words, sentence):
    before = study.read_bytes()
    assert main(["library", *(str(study) if w == "STUDY" else w for w in words)]) == 2
    told = capsys.readouterr()
    assert sentence in told.err and told.out == "" and study.read_bytes() == before
