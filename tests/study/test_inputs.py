"""Maps, parts and links in the document: kept, found again, followed, and refused where they are hostile."""

import json
import os
import zipfile

import numpy as np
import pytest

from photometra.errors import InputError
from photometra.maps import Adjustments, Generator, Layer, Map, Placement
from photometra.pictures import write_png
from photometra.readings import make_reading, read_text, write_text
from photometra.readings.cgats import write_cgats
from photometra.shapes.lying import Spot
from photometra.study import Specimen, Study, read_file, write_file
from photometra.study.linked import missing_in, relinked
from photometra.surface import PARAMETERS, Surface
from photometra.surface.inputs import new_map, parse_map, picture_from

NOISE = (Layer(Generator("noise")),)


@pytest.fixture
def scratches(tmp_path):
    path = tmp_path / "scratches gloss.png"
    write_png(path, np.random.default_rng(4).uniform(size=(20, 30, 3)))
    return path


def study_with(value, name="roughness", shape="ball"):
    return Study(specimens=(Specimen("one", surface=Surface({name: value}), shape=shape),))


class TestFile:
    def test_everything_a_map_is_comes_back(self, tmp_path, scratches):
        layers = (
            Layer(
                picture_from(scratches, PARAMETERS["roughness"]),
                Placement("cylinder", (12.0, 20.0), (1.0, -2.0), 30.0, "mirror", True),
                Adjustments(True, 0.1, 0.9, 1.5, 2.0, 0.3),
            ),
            Layer(Generator("specks", 5, (("size", 1.5),)), combine="darker", amount=0.4),
        )
        study = study_with(Map(layers, 0.31, 0.08))
        write_file(study, tmp_path / "a.photometra")
        back = read_file(tmp_path / "a.photometra")
        assert back == study
        source = back.specimens[0].surface.input("roughness").layers[0].source
        assert source.data == scratches.read_bytes() and not missing_in(back)
        write_file(back, tmp_path / "b.photometra")
        assert (tmp_path / "a.photometra").read_bytes() == (tmp_path / "b.photometra").read_bytes()

    def test_a_linked_picture_is_found_again_by_its_content(self, tmp_path, scratches):
        source = picture_from(scratches, PARAMETERS["roughness"], linked=True)
        study = study_with(new_map(Surface(), "roughness", source))
        write_file(study, tmp_path / "a.photometra")
        assert "maps/" not in " ".join(zipfile.ZipFile(tmp_path / "a.photometra").namelist())
        assert not missing_in(read_file(tmp_path / "a.photometra"))
        moved = tmp_path / "elsewhere" / "deep"
        moved.mkdir(parents=True)
        os.rename(scratches, moved / "renamed.png")
        write_png(scratches, np.zeros((4, 4, 3)))
        without = read_file(tmp_path / "a.photometra")
        # Another picture stands at the old place: it is not taken for the one that was linked.
        assert [(s, p) for s, p, _ in missing_in(without)] == [("one", "roughness")]
        write_file(without, tmp_path / "a.photometra")
        mended, found, still = relinked(read_file(tmp_path / "a.photometra"), tmp_path / "elsewhere")
        assert len(found) == 1 and not still and not missing_in(mended)
        assert mended.specimens[0].surface.input("roughness").layers[0].source.path.endswith("renamed.png")

    def test_links_to_what_is_no_file_or_another_one_are_missing_and_harmless(self, tmp_path, scratches):
        os.mkfifo(tmp_path / "pipe.png")
        source = picture_from(scratches, PARAMETERS["roughness"], linked=True)
        for path in ("/dev/zero", str(tmp_path / "pipe.png"), "/etc/passwd", str(tmp_path)):
            bad = source.__class__(source.name, path=path, digest=source.digest)
            write_file(study_with(new_map(Surface(), "roughness", bad)), tmp_path / "a.photometra")
            assert missing_in(read_file(tmp_path / "a.photometra"))

    @pytest.mark.parametrize(
        ("spoil", "words"),
        [
            (lambda m: m["layers"].clear(), "at least 1"),
            (lambda m: m["layers"][0]["generator"].update(kind="nothing"), "no generator 'nothing'"),
            (lambda m: m["layers"][0]["generator"].update(settings={"size": 1.0}), "no setting 'size'"),
            (lambda m: m["layers"][0].update(black=0.9, white=0.2), "black of a map's levels"),
            (lambda m: m["layers"][0].update(gamma=0.0), "gamma of a map"),
            (lambda m: m["layers"][0].update(size_mm=[1e9, 1.0]), "size of a map"),
            (lambda m: m.update(high=4.0), "outside 0 to 1"),
            (lambda m: m["layers"][0].update(picture={"file": "../x.png"}), "picture.file"),
            (lambda m: m["layers"].extend(m["layers"] * 20), "at most 8"),
        ],
    )
    def test_spoilt_maps_are_one_sentence(self, tmp_path, spoil, words):
        path = tmp_path / "a.photometra"
        write_file(study_with(Map(NOISE, 0.1, 0.3)), path)
        with zipfile.ZipFile(path) as archive:
            document = json.loads(archive.read("study.json"))
        spoil(document["specimens"][0]["surface"]["roughness"])
        with zipfile.ZipFile(path, "w") as archive:
            archive.writestr("study.json", json.dumps(document))
        with pytest.raises(InputError, match=words):
            read_file(path)

    def test_a_reading_keeps_its_place(self):
        reading = make_reading("Gloss", "gloss", {"angle_deg": [60.0], "gloss_units": [40.0]}, spot="1.5 30 -4, 8 mm")
        assert reading.spot == Spot(1.5, 30.0, -4.0, 8.0)
        for text in (write_text(reading), write_cgats(reading)):
            assert read_text(text).spot == reading.spot
        with pytest.raises(InputError, match="is no place"):
            make_reading("Gloss", "gloss", {"angle_deg": [60.0], "gloss_units": [40.0]}, spot="nowhere")


class TestTyped:
    def test_the_words_of_a_map(self, scratches):
        p = PARAMETERS["roughness"]
        value = parse_map(p, f"map:{scratches},low=0.08,high=0.31,size=20mm, offset=2x-3mm, turn=45, cylinder, hold")
        one = value.layers[0]
        assert (value.low, value.high) == (0.08, 0.31) and one.placement.size_mm == (20.0, 20.0)
        assert one.placement.offset_mm == (2.0, -3.0) and one.placement.way == "cylinder"
        # A picture made for gloss is turned into one of roughness.
        assert one.adjustments.invert
        two = parse_map(p, "map:scratches, length=1cm, low=gloss 0.9, high=40 % | multiply:noise, amount=0.5, seed=3")
        assert two.low == pytest.approx(0.1) and two.high == 0.4
        assert two.layers[1].combine == "multiply" and two.layers[1].source.seed == 3
        colours = parse_map(PARAMETERS["colour"], "map:weave, low=#204060, high=0.5,0.4,0.3")
        assert colours.high == (0.5, 0.4, 0.3) and colours.low[2] > colours.low[0]
        # Without ends it spreads about the present value.
        assert parse_map(p, "map:noise", present=0.3).middle == pytest.approx(0.3)

    @pytest.mark.parametrize(
        ("text", "words"),
        [
            ("map:", "needs a source"), ("map:nothing", "no generator"), ("map:noise, low=2", "outside"),
            ("map:noise, colour=red", "not understood"), ("map:noise | noise", "begins with multiply"),
            ("map:noise | mix:noise, low=0.2", "belong to the whole map"), ("map:/no/such.png", "such.png"),
            ("map:noise | mask:specks", "put a layer after it"),
            ("map:noise, size=x", "size"), ("map:noise, gamma=much", "not a number"),
        ],
    )  # fmt: skip
    def test_other_words_are_refused_with_a_sentence(self, text, words):
        with pytest.raises(InputError, match=words):
            parse_map(PARAMETERS["roughness"], text)


class TestPartsAndLinks:
    def three(self):
        study = Study()
        for name, roughness in (("gold", 0.1), ("copper", 0.2), ("chrome", 0.3)):
            study = study.with_new_specimen(name, surface=Surface({"metalness": 1.0, "roughness": roughness}))
        return study

    def test_one_finish_for_three_specimens(self):
        study = self.three().with_link(1, "finish", "gold").with_link(2, "finish", "copper")
        assert [s.surface["roughness"] for s in study.specimens] == [0.1, 0.1, 0.1]
        changed = study.with_specimen_at(0, study.specimens[0].with_values({"roughness": 0.25, "haze.amount": 0.1}))
        assert [s.surface["haze.amount"] for s in changed.specimens] == [0.1, 0.1, 0.1]
        apart = changed.with_link(2, "finish", None).with_renamed(0, "bronze")
        assert apart.specimens[2].surface["roughness"] == 0.25 and apart.specimens[1].leader_in("finish") == "bronze"
        gone = apart.without_specimen(0)
        assert gone.specimens[0].surface["roughness"] == 0.25 and not gone.specimens[0].follows

    def test_nobody_follows_himself_and_what_follows_is_not_set(self, tmp_path):
        study = self.three().with_link(1, "finish", "gold").with_link(2, "finish", "copper")
        for leader in ("gold", "copper", "chrome"):
            with pytest.raises(InputError, match="would follow itself"):
                study.with_link(0, "finish", leader)
        with pytest.raises(InputError, match="roughness follows 'gold'"):
            study.specimens[1].followed(["roughness"])
        with pytest.raises(InputError, match="follows 'gold'"):
            study.specimens[1].with_free("roughness", True)
        assert "roughness" not in study.specimens[1].free
        write_file(study, tmp_path / "a.photometra")
        assert read_file(tmp_path / "a.photometra") == study

    def test_parts_by_name_win_over_patterns_and_the_last_pattern_over_the_first(self):
        one = Specimen("lantern").with_assigned("frame/*", "gold").with_assigned("frame/roof", "copper")
        one = one.with_assigned("*", "chrome")
        assert one.assigned_to("frame/roof") == "copper" and one.assigned_to("frame/post 1") == "chrome"
        assert one.with_assigned("*", None).assigned_to("lens") is None
        with pytest.raises(InputError, match="name a part"):
            one.with_assigned(" ", "gold")
