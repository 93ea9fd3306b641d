"""The document: its changes, its history, its file, and what keeps work from being lost."""

import json
import os
import subprocess
import sys
import time
import zipfile
from dataclasses import replace
from pathlib import Path

import jsonschema
import pytest
from benchmarks import attack

from photometra.errors import InputError
from photometra.readings import make_reading
from photometra.study import (
    Booth,
    Claim,
    History,
    Journal,
    Specimen,
    Study,
    StudyError,
    read_file,
    rescues,
    write_file,
)
from photometra.study import schema as study_schema
from photometra.study.journal import journal_folder
from photometra.study.members import encoded
from photometra.surface import Surface


class TestModel:
    def test_names_are_found_whatever_their_case_and_kept_apart(self, demo):
        assert demo.specimen("BRASS lamp bracket ").name == "Brass lamp bracket"
        with pytest.raises(ValueError, match="there is 'Brass lamp bracket', 'Enamelled"):
            demo.specimen("tin")
        with pytest.raises(ValueError, match="already"):
            demo.with_new_specimen("lens prism")
        for name in ("", "   ", "x" * 201):
            with pytest.raises(ValueError):
                demo.with_new_specimen(name)
        assert demo.with_renamed(0, "brass LAMP bracket").specimens[0].name == "brass LAMP bracket"

    @pytest.mark.parametrize("size", [0.0, -1.0, 1e9, float("nan")])
    def test_sizes_are_checked(self, demo, size):
        with pytest.raises(ValueError, match="size"):
            demo.with_size(0, size)

    def test_a_change_by_hand_drops_its_own_error_bar_only(self):
        s = Specimen("a", sigmas={"roughness": 0.01, "colour.r": 0.02, "colour.g": 0.03})
        assert s.with_values({"colour": (0.1, 0.1, 0.1)}).sigmas == {"roughness": 0.01}

    def test_only_what_can_be_solved_may_be_free(self):
        assert Specimen("a").with_free("ior", True).free == {"ior"}
        with pytest.raises(ValueError, match="cannot be solved"):
            Specimen("a").with_free("metalness", True)

    @pytest.mark.parametrize(("metalness", "freed"), [(0.0, {"ior"}), (1.0, set())])
    def test_measured_constants_tell_the_index_of_what_is_no_metal(self, metalness, freed):
        r = make_reading("nk", "constants", {"wavelength_nm": [450.0, 650.0], "n": [1.52, 1.51], "k": [0.0, 0.0]})
        (one,) = Study("s").with_new_specimen("a").specimens
        assert one.with_values({"metalness": metalness}).with_reading(r).free == freed

    def test_readings_of_one_name_get_a_number(self):
        r = make_reading("n", "index", {"wavelength_nm": [500.0], "n": [1.5]})
        s = Specimen("a").with_reading(r).with_reading(r)
        assert [x.name for x in s.readings] == ["n", "n 2"]
        assert s.without_reading(0).readings[0].name == "n 2"


class TestHistory:
    def test_undo_and_redo_bring_back_the_very_states(self, demo):
        h = History(demo)
        states = [demo]
        for i in range(4):
            states.append(h.study.with_size(0, 10.0 + i))
            h.apply(states[-1], f"step {i}")
        assert h.undo_label == "step 3" and not h.redo_label and not h.is_saved
        for expected in reversed(states[:-1]):
            h.undo()
            assert h.study is expected
        h.undo()
        assert h.study is demo and h.is_saved
        h.redo()
        assert h.study is states[1] and h.redo_label == "step 1"
        h.apply(demo.with_size(0, 99.0), "another way")
        assert not h.redo_label

    def test_a_drag_is_one_step_until_it_settles(self, demo):
        h = History(demo)
        for i in range(5):
            h.apply(demo.with_size(0, 20.0 + i), "drag", key="drag")
        h.settle()
        h.apply(demo.with_size(0, 50.0), "drag", key="drag")
        h.undo()
        assert h.study.specimens[0].size_mm == 24.0
        h.undo()
        assert h.study is demo

    def test_no_change_is_no_step_and_listeners_hear_the_rest(self, demo):
        h, heard = History(demo), []
        h.listen(lambda: heard.append(h.study))
        h.apply(replace(demo), "nothing")
        assert not h.undo_label and heard == []
        h.apply(demo.with_size(0, 5.0), "size")
        h.undo()
        assert [s.specimens[0].size_mm for s in heard] == [5.0, demo.specimens[0].size_mm]

    def test_saved_is_a_state_not_a_moment(self, demo):
        h = History(demo)
        h.apply(demo.with_size(0, 5.0), "size")
        h.mark_saved()
        h.undo()
        assert not h.is_saved
        h.redo()
        assert h.is_saved


class TestFile:
    def test_everything_comes_back(self, demo, tmp_path):
        brass = replace(
            demo.specimens[0], bounds={"roughness": (0.1, 0.5)}, sigmas={"roughness": 0.01}, notes="ünïcode ✓"
        )
        idle = brass.readings[1].with_changes(active=False, tolerance=0.123456789012345)
        study = demo.with_specimen_at(0, brass.with_reading_at(1, idle))
        study = replace(
            study, name="Härrow", pictures={"pictures/sky.exr": b"\x00\x01 bytes"},
            booth=Booth("overcast", 12.5, 2.0, -1.25, (1.0, 0.9, 0.8), "plain"),
        )  # fmt: skip
        path = tmp_path / "a.photometra"
        write_file(study, path)
        assert read_file(path) == study
        first = path.read_bytes()
        write_file(study, path)
        assert path.read_bytes() == first
        assert list(tmp_path.iterdir()) == [path]

    def test_an_empty_study_comes_back(self, tmp_path):
        write_file(Study(), tmp_path / "a.photometra")
        assert read_file(tmp_path / "a.photometra") == Study()

    def test_the_shipped_schema_is_current_and_fits(self, demo):
        text = Path(study_schema.__file__).with_name("study.schema.json").read_text()
        assert text == study_schema.json_schema_text(), "run tools/write_schema.py"
        jsonschema.validate(json.loads(encoded(demo)["study.json"]), json.loads(text))

    def _with(self, demo_file, tmp_path, change):
        """A copy of the demo in which `change(members)` altered the zip's members."""
        with zipfile.ZipFile(demo_file) as archive:
            members = {n: archive.read(n) for n in archive.namelist()}
        members = change(members) or members
        path = tmp_path / "changed.photometra"
        with zipfile.ZipFile(path, "w") as archive:
            for name, data in members.items():
                archive.writestr(name, data)
        return path

    @pytest.mark.parametrize(("change", "words"), [
        (lambda m: {**m, "../evil.txt": b"x"}, "a part named '../evil.txt'"),
        (lambda m: {**m, "/etc/passwd": b"x"}, "which no study has"),
        (lambda m: {**m, "readings/A.CSV": b"x"}, "which no study has"),
        (lambda m: {k: v for k, v in m.items() if k != "study.json"}, "not a study"),
        (lambda m: {**m, "study.json": b"{"}, "study.json is damaged"),
        (lambda m: {**m, "study.json": b"[1]"}, "not a study"),
        (lambda m: {**m, "study.json": b"[" * 100_000}, "study.json is damaged"),
        (lambda m: {**m, "study.json": b"1" * 10_000}, "study.json is damaged"),
        (lambda m: {**m, "study.json": b"\xff"}, "study.json is damaged"),
        (lambda m: {k: v for k, v in m.items() if "gloss" not in k}, "is missing"),
        (lambda m: {k: (b"n,heft\n1,2\n" if "gloss" in k else v) for k, v in m.items()}, "column 'heft' is not known"),
        (lambda m: {k: (b"\xff\xfe" if "gloss" in k else v) for k, v in m.items()}, "not a text file"),
    ])  # fmt: skip
    def test_hostile_and_damaged_files_get_one_sentence(self, demo_file, tmp_path, change, words):
        path = self._with(demo_file, tmp_path, change)
        with pytest.raises(StudyError, match=words) as caught:
            read_file(path)
        assert str(path) in str(caught.value) and "\n" not in str(caught.value)

    @pytest.mark.parametrize(("change", "words"), [
        (lambda d: d.update(version=2), "newer Photometra"),
        (lambda d: d.update(version="1.0"), "version"),
        (lambda d: d.update(extra=1), "extra"),
        (lambda d: d["booth"].update(exposure=1e9), "booth.exposure"),
        (lambda d: d["booth"].update(white=[0, 1, 1]), "booth.white"),
        (lambda d: d["specimens"][0].update(size_mm=-1), "size_mm"),
        (lambda d: d["specimens"][0]["surface"].update(roughness=7), "outside 0 to 1"),
        (lambda d: d["specimens"][0]["surface"].update(shine=0.5), "no parameter 'shine'"),
        (lambda d: d["specimens"][0]["surface"].update(constants="unobtainium"), "no table"),
        (lambda d: d["specimens"][0].update(free=["shine"]), "no parameter 'shine'"),
        (lambda d: d["specimens"][0]["readings"][0].update(file="../x"), "file"),
        (lambda d: d["specimens"][1].update(name="lens PRISM"), "two specimens have one name"),
    ])  # fmt: skip
    def test_wrong_contents_are_named(self, demo_file, tmp_path, change, words):
        def spoil(members):
            data = json.loads(members["study.json"])
            change(data)
            members["study.json"] = json.dumps(data).encode()

        with pytest.raises(StudyError, match=words):
            read_file(self._with(demo_file, tmp_path, spoil))

    def test_not_finite_numbers_are_refused(self, demo_file, tmp_path):
        def spoil(members):
            members["study.json"] = members["study.json"].replace(b'"exposure": 0.7', b'"exposure": NaN')

        with pytest.raises(StudyError, match=r"booth\.exposure"):
            read_file(self._with(demo_file, tmp_path, spoil))

    def test_a_bomb_is_not_unpacked(self, demo_file, tmp_path):
        path = tmp_path / "bomb.photometra"
        with zipfile.ZipFile(path, "w", zipfile.ZIP_DEFLATED) as archive:
            archive.writestr("study.json", b" " * 40_000_000)
        with pytest.raises(StudyError, match="too large"):
            read_file(path)

    def test_truncated_anywhere_or_with_a_flipped_byte(self, demo_file, demo, tmp_path):
        whole, path = demo_file.read_bytes(), tmp_path / "a.photometra"
        for cut in range(0, len(whole), max(1, len(whole) // 60)):
            path.write_bytes(whole[:cut])
            with pytest.raises(StudyError):
                read_file(path)
        for at in range(10, len(whole), max(1, len(whole) // 120)):
            path.write_bytes(whole[:at] + bytes([whole[at] ^ 0x55]) + whole[at + 1 :])
            try:
                assert len(read_file(path).specimens) == len(demo.specimens)
            except StudyError as error:
                assert "\n" not in str(error)

    def test_what_is_there_instead_of_a_study(self, tmp_path):
        with pytest.raises(InputError, match="no such file"):
            read_file(tmp_path / "none.photometra")
        with pytest.raises(InputError, match="folder"):
            read_file(tmp_path)
        with pytest.raises(InputError, match="cannot write here"):
            write_file(Study(), tmp_path / "no" / "a.photometra")

    def test_an_end_before_the_rename_leaves_the_old_file(self, demo, tmp_path):
        path = tmp_path / "a.photometra"
        write_file(demo, path)
        before = path.read_bytes()

        def power_cut(_temporary):
            raise OSError(28, "No space left on device")

        with pytest.raises(InputError, match=r"a\.photometra: could not be written \(no space left on device\)"):
            write_file(demo.with_size(0, 1.0), path, power_cut)
        assert path.read_bytes() == before and list(tmp_path.iterdir()) == [path]

    def test_what_killed_saves_left_is_swept_once_it_is_old(self, demo, tmp_path):
        path = tmp_path / "a[b].photometra"
        old, fresh, foreign = (
            tmp_path / n for n in (f".{path.name}.x.writing", f".{path.name}.y.writing", ".b.writing")
        )
        for file in (old, fresh, foreign):
            file.write_bytes(b"half")
        for file in (old, foreign):
            os.utime(file, (0, 0))
        write_file(demo, path)
        assert {p.name for p in tmp_path.iterdir()} == {path.name, fresh.name, foreign.name}


@pytest.mark.long
def test_killed_at_any_moment_of_a_save_nothing_is_lost():
    assert attack.kills(200) == 200


_KEEP_AND_END = (
    "from photometra.study import Journal, Specimen, Study;"
    "kept = Journal(); kept.keep(Study('Harrow Skerry', (Specimen('Bell', 40.0),)), '/tmp/was.photometra')"
)


class TestJournal:
    @pytest.fixture(autouse=True)
    def _empty(self):
        for file in journal_folder().glob("*"):
            file.unlink()

    def test_one_programs_own_work_is_no_rescue(self, demo):
        journal = Journal()
        assert journal.keep(demo, "/tmp/x.photometra") == ""
        assert rescues() == []
        journal.clear()
        assert list(journal_folder().iterdir()) == []

    def test_what_an_ended_program_left_is_offered_once(self):
        subprocess.run([sys.executable, "-c", _KEEP_AND_END], check=True)
        found = rescues()
        assert [(r.name, r.path) for r in found] == [("Harrow Skerry", Path("/tmp/was.photometra"))]
        assert found[0].study() == Study("Harrow Skerry", (Specimen("Bell", 40.0),))
        found[0].discard()
        assert rescues() == []

    def test_spoilt_notes_are_passed_over(self):
        journal_folder().mkdir(parents=True, exist_ok=True)
        (journal_folder() / "1.json").write_text("{")
        (journal_folder() / "2.json").write_text('{"pid": "x"}')
        assert rescues() == []

    def test_a_file_that_goes_while_the_folder_is_read_hides_no_rescue(self, monkeypatch):
        """As the temporary file does that another window's journal is just being written to."""
        subprocess.run([sys.executable, "-c", _KEEP_AND_END], check=True)
        passing = journal_folder() / ".passing.writing"
        passing.write_text("")
        listed = list(os.scandir(journal_folder()))
        assert any(e.is_file() and e.name == passing.name for e in listed)
        passing.unlink()
        monkeypatch.setattr("os.scandir", lambda _: sorted(listed, key=lambda e: e.name))
        assert [r.name for r in rescues()] == ["Harrow Skerry"]

    def test_a_rescue_is_offered_though_its_process_number_runs_again(self):
        """As in a container, where every program of ours has the same number."""
        subprocess.run([sys.executable, "-c", _KEEP_AND_END], check=True)
        for file in journal_folder().iterdir():
            number, _, rest = file.name.partition("-")
            file.rename(file.with_name(f"{os.getpid()}-{rest}"))
            assert number != str(os.getpid())
        assert [r.name for r in rescues()] == ["Harrow Skerry"]

    def test_a_running_programs_journal_is_no_rescue_for_others(self):
        code = _KEEP_AND_END + ";print('kept', flush=True); import sys; sys.stdin.read()"
        with subprocess.Popen([sys.executable, "-c", code], stdin=subprocess.PIPE, stdout=subprocess.PIPE) as other:
            assert other.stdout.readline() == b"kept\n"
            assert rescues() == []
            other.kill()
        assert len(rescues()) == 1

    def test_a_failed_autosave_says_so(self, demo):
        journal_folder().parent.mkdir(parents=True, exist_ok=True)
        journal_folder().rmdir() if journal_folder().exists() else None
        journal_folder().write_text("in the way")
        try:
            assert "Autosave failed" in Journal().keep(demo, None)
        finally:
            journal_folder().unlink()

    def test_a_claim_tells_of_another_running_program(self, tmp_path):
        path = tmp_path / "a.photometra"
        mine = Claim(path)
        mine.take()
        assert mine.holder() is None
        code = (
            f"from photometra.study import Claim; c = Claim({str(path)!r}); print(c.holder(), flush=True);"
            "c.take(); import sys; sys.stdin.read()"
        )

        def other():
            return subprocess.Popen([sys.executable, "-c", code], stdin=subprocess.PIPE, stdout=subprocess.PIPE)

        with other() as second:
            assert int(second.stdout.readline()) == os.getpid()
            second.kill()
        mine.release()
        with other() as second:
            assert second.stdout.readline() == b"None\n"
            deadline = time.monotonic() + 10.0
            while mine.holder() != second.pid and time.monotonic() < deadline:
                time.sleep(0.01)
            assert mine.holder() == second.pid
            second.kill()
        assert mine.holder() is None


def test_surfaces_in_a_study_are_plain_data(demo):
    data = json.loads(encoded(demo)["study.json"])
    bracket = demo.specimens[0].surface
    plain = {n: v for n, v in bracket.given.items() if n not in bracket.maps}
    assert plain.items() <= data["specimens"][0]["surface"].items()
    assert data["specimens"][0]["surface"]["haze.amount"]["high"] == bracket.input("haze.amount").high
    assert Surface(data["specimens"][2]["surface"]) == demo.specimens[2].surface
