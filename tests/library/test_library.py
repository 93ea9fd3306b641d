"""A library's folder: what is kept comes back, the index follows the files and can be lost, searches find."""

import shutil
import sqlite3
import threading
from dataclasses import replace
from multiprocessing import get_context

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra.errors import InputError
from photometra.library import (
    FACTS,
    Library,
    closest,
    kept,
    read_entry,
    starter_library,
    taken,
    taken_stratum,
    versions_of,
)
from photometra.library.entry import entry_study, path_of
from photometra.library.facts import facts_of, matter_of, strata_of
from photometra.study import Specimen, Study, read_file, write_file
from photometra.surface import Surface


def specimen(name, tags=(), notes="", **values):
    return Specimen(name, 60.0, Surface({k.replace("__", "."): v for k, v in values.items()}), notes=notes, tags=tags)


def put(folder, one, **changes):
    """An entry's file without its picture, which takes a while."""
    write_file(Study(one.name, (replace(one, **changes),)), path_of(folder, one.name))


@pytest.fixture
def shelf(tmp_path):
    """Three entries in a folder."""
    folder = tmp_path / "shelf"
    folder.mkdir()
    put(folder, specimen("Harbour bell, bronze", ("metal", "bell"), metalness=1.0, constants="brass-85-15"))
    put(folder, specimen("Deck varnish", ("wood", "coated"), coat__amount=1.0, roughness=0.5, colour=(0.3, 0.15, 0.05)))
    put(folder, specimen("Sash paint", ("paint",), "two layers, brushed", roughness=0.12, colour=(0.8, 0.8, 0.75)))
    return folder


@pytest.fixture
def library(shelf, tmp_path):
    made = Library(shelf, tmp_path / "index.sqlite")
    assert made.sync()
    yield made
    made.close()


def names(found):
    return [f.name for f in found]


class TestFinding:
    def test_words_begin_words_of_name_tag_matter_or_note(self, library):
        assert names(library.find()) == ["Deck varnish", "Harbour bell, bronze", "Sash paint"]
        assert names(library.find("bro")) == ["Harbour bell, bronze"]
        assert names(library.find("PAINT sash")) == ["Sash paint"]
        assert names(library.find("brushed")) == ["Sash paint"]
        assert names(library.find("metal")) == ["Harbour bell, bronze"]
        assert library.find("bell paint") == [] and library.find("???") == []

    @given(st.text(max_size=60))
    def test_whatever_is_typed_is_no_syntax(self, library_of_one, words):
        assert isinstance(library_of_one.find(words), list)

    def test_by_facts_matter_and_stratum(self, library):
        assert names(library.find(stratum="coat")) == ["Deck varnish"]
        assert names(library.find(matter="metal")) == ["Harbour bell, bronze"]
        bell = library.find("bell")[0]
        span = (bell.facts["gloss60"] - 1.0, bell.facts["gloss60"] + 1.0)
        assert names(library.find(facts={"gloss60": span})) == ["Harbour bell, bronze"]
        with pytest.raises(InputError, match="no fact 'shine'"):
            library.find(facts={"shine": (0.0, 1.0)})
        with pytest.raises(InputError, match="no material 'cheese'"):
            library.find(matter="cheese")

    def test_closest_to_readings_is_the_surface_they_were_taken_of(self, library, demo):
        from photometra.instruments import measured

        paint = read_entry(library.entry("sash PAINT").path).specimens[0]
        readings = (measured("glossmeter", paint.surface), measured("spectrophotometer", paint.surface, "di:8"))
        ranked = closest(library.find(), readings)
        assert ranked[0].found.name == "Sash paint" and ranked[0].score < 0.02
        assert len(ranked[0].values) == 2 and ranked[1].score > 1.0
        cancel = threading.Event()
        cancel.set()
        assert closest(library.find(), readings, cancel=cancel) is None

    def test_facts_are_those_of_the_closed_forms(self):
        """A polished dielectric of index 1.567 has 100 gloss units by definition, and sends back (0.567 / 2.567)²."""
        black = Specimen("Black glass", 60.0, Surface({"ior": 1.567, "roughness": 0.0, "colour": (0.0, 0.0, 0.0)}))
        facts = facts_of(black)
        assert facts["gloss60"] == pytest.approx(100.0, abs=0.5) and facts["gloss20"] == pytest.approx(100.0, abs=0.5)
        assert facts["Y"] == pytest.approx(100.0 * (0.567 / 2.567) ** 2, rel=0.02)
        assert set(facts) <= {f.name for f in FACTS}


@pytest.fixture(scope="module")
def library_of_one(tmp_path_factory):
    folder = tmp_path_factory.mktemp("one")
    put(folder, specimen("Sash paint", ("paint",)))
    made = Library(folder, folder / "index.sqlite")
    made.sync()
    yield made
    made.close()


class TestTheIndex:
    def test_it_follows_the_files(self, library, shelf):
        put(shelf, specimen("Oar, spruce", ("wood",)))
        (shelf / "deck-varnish.photometra").unlink()
        put(shelf, specimen("Sash paint", ("paint", "blue")))
        library.sync()
        assert names(library.find()) == ["Harbour bell, bronze", "Oar, spruce", "Sash paint"]
        assert library.find("blue")[0].tags == ("paint", "blue") and library.find("varnish") == []

    def test_what_cannot_be_read_is_listed_with_its_reason(self, library, shelf):
        (shelf / "spoilt.photometra").write_bytes(b"PK nothing")
        two = specimen("Two", ()), specimen("of them", ())
        write_file(Study("Two", two), shelf / "two.photometra")
        library.sync()
        trouble = {f.name: f.trouble for f in library.find() if f.trouble}
        assert "damaged or is not a study" in trouble["spoilt"] and "this one has 2" in trouble["two"]
        assert library.find("spoilt")[0].facts == {}

    @pytest.mark.parametrize("spoil", ["rubbish", "empty", "another form"])
    def test_lost_or_spoilt_it_is_made_anew(self, shelf, tmp_path, spoil):
        index = tmp_path / "index.sqlite"
        first = Library(shelf, index)
        first.sync()
        first.close()
        if spoil == "another form":
            with sqlite3.connect(index) as db:
                db.execute("PRAGMA user_version = 99")
            db.close()
        else:
            for beside in tmp_path.glob("index.sqlite-*"):
                beside.unlink()
            index.write_bytes(b"not a database at all" * 100 if spoil == "rubbish" else b"")
        again = Library(shelf, index)
        assert again.sync() and len(again) == 3
        again.close()

    @pytest.mark.long
    def test_two_programs_use_one_index_at_once(self, shelf, tmp_path):
        for i in range(12):
            put(shelf, specimen(f"Rope {i}", ("rope",)))
        context = get_context("spawn")
        others = [context.Process(target=_synced, args=(shelf, tmp_path / "index.sqlite")) for _ in range(2)]
        for other in others:
            other.start()
        for other in others:
            other.join(120)
        assert [other.exitcode for other in others] == [0, 0]
        library = Library(shelf, tmp_path / "index.sqlite")
        assert library.sync() and len(library) == 15 and len(library.find("rope")) == 12
        library.close()

    def test_cancelled_it_keeps_what_it_has(self, shelf, tmp_path):
        library, cancel = Library(shelf, tmp_path / "index.sqlite"), threading.Event()
        assert not library.sync(lambda done, of: cancel.set(), cancel)
        assert len(library) == 1
        assert library.sync() and len(library) == 3
        library.close()

    def test_older_versions_are_no_entries_of_their_own(self, library, shelf):
        put(shelf, specimen("Sash paint", ("paint",)))
        before = shelf / "sash-paint.versions"
        before.mkdir()
        shutil.copy(shelf / "sash-paint.photometra", before / "001.photometra")
        library.sync()
        assert len(library) == 3 and library.entry("Sash paint").version == 2


def _synced(folder, index):
    library = Library(folder, index)
    library.sync()
    library.close()


class TestKeepingAndTaking:
    def test_what_was_kept_comes_back_whole(self, demo, tmp_path):
        one = demo.specimens[3]
        entry = kept(tmp_path, entry_study(demo, one, ["film", "titanium"], "readings of the vane"))
        there = read_entry(entry.path)
        back = there.specimens[0]
        assert back.surface.given == one.surface.given and len(back.readings) == len(one.readings)
        assert back.tags == ("film", "titanium") and back.rests_on == "readings of the vane"
        assert there.proofs[0].within[1] == len(one.readings)
        study = taken(demo, there)
        assert study.specimens[-1].name == f"{one.name} 2"
        assert all(np.array_equal(a.x, b.x) for a, b in zip(study.specimens[-1].readings, one.readings, strict=True))

    def test_a_new_version_keeps_the_old_one_and_what_it_says_not(self, tmp_path):
        first = entry_study(Study(), specimen("Sash paint", roughness=0.2), ["paint"], "three coupons")
        kept(tmp_path, first)
        second = kept(tmp_path, entry_study(Study(), specimen("Sash paint", roughness=0.3)))
        assert second.version == 2
        now = read_entry(second.path).specimens[0]
        assert now.surface["roughness"] == 0.3 and now.tags == ("paint",) and now.rests_on == "three coupons"
        (old,) = versions_of(second.path)
        assert read_file(old).specimens[0].surface["roughness"] == 0.2

    def test_two_names_never_share_a_file(self, tmp_path):
        put(tmp_path, specimen("Sash paint"))
        with pytest.raises(InputError, match="another name"):
            kept(tmp_path, entry_study(Study(), specimen("Sash: paint")))

    def test_a_stratum_alone(self):
        lacquer = Study("L", (specimen("L", coat__amount=0.8, coat__roughness=0.2, roughness=0.9),))
        changed = taken_stratum(specimen("Bare", roughness=0.3), "coat", lacquer)
        assert changed.surface["coat.amount"] == 0.8 and changed.surface["roughness"] == 0.3


class TestWhatShips:
    def test_every_entry_is_whole_says_what_it_rests_on_and_has_a_picture(self, tmp_path):
        library = Library(starter_library(), tmp_path / "index.sqlite")
        library.sync()
        found = library.find()
        assert len(found) >= 40 and not any(f.trouble for f in found)
        assert all(len(f.rests_on) > 20 and f.tags and "gloss60" in f.facts for f in found)
        assert all(library.picture(f.path)[:8] == b"\x89PNG\r\n\x1a\n" for f in found)
        assert {f.matter for f in found} == {"metal", "opaque", "clear", "translucent", "sheet"}
        library.close()

    def test_the_files_are_what_the_script_makes(self):
        from photometra.library.starting import starting_specimens

        for one in starting_specimens():
            there = read_entry(path_of(starter_library(), one.name)).specimens[0]
            assert (there.tags, there.rests_on) == (one.tags, one.rests_on)
            assert list(there.surface.given) == list(one.surface.given)
            for name, value in one.surface.given.items():
                # A colour that was solved for is the same but for the machine's rounding.
                same = pytest.approx(value, rel=1e-9) if isinstance(value, float | tuple) else value
                assert there.surface.given[name] == same, (one.name, name)
            assert matter_of(there.surface) == matter_of(one.surface) and strata_of(there.surface) is not None
