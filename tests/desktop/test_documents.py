"""Files, the constants browser and the hand-over, in the real window."""

import os
import shutil
import subprocess
import sys
import threading
import time
from pathlib import Path

import pytest
from PyQt6.QtCore import QMimeData, QPointF, Qt, QTimer, QUrl
from PyQt6.QtGui import QDropEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QFileDialog, QInputDialog

from photometra.desktop.mesh_question import MeshQuestion
from photometra.pictures import read_header, read_picture, write_exr
from photometra.study import Journal, StudyError, change_file, read_file, save_stamped, write_file
from photometra.study.journal import journal_folder

from .conftest import PATIENCE_MS, answer, click, wait_for_picture

CTRL = Qt.KeyboardModifier.ControlModifier


def spoil(window):
    window.session.set_values({"roughness": 0.5})


@pytest.fixture
def says(monkeypatch):
    """File dialogs cannot be clicked: they give this answer."""

    def set_answer(path):
        for name in ("getOpenFileName", "getSaveFileName"):
            monkeypatch.setattr(QFileDialog, name, lambda *_a, **_k: (str(path), ""))

    return set_answer


class TestClosing:
    def test_saved_work_closes_at_once(self, window):
        assert window.close()

    def test_unsaved_work_asks_and_cancel_stays(self, window):
        spoil(window)
        asked = []
        answer("Cancel", asked.append)
        assert not window.close()
        assert asked == ["Save the changes to own?"] and window.isVisible()

    def test_discard_leaves_the_file_alone(self, window, own_demo):
        before = own_demo.read_bytes()
        spoil(window)
        answer("Discard")
        assert window.close()
        assert own_demo.read_bytes() == before

    def test_save_saves_first(self, window, own_demo):
        spoil(window)
        answer("Save")
        assert window.close()
        assert read_file(own_demo).specimens[0].surface["roughness"] == 0.5


class TestMaking:
    """A study that is made first, as the demo is, while the window stands."""

    @pytest.fixture
    def made(self, make_window, demo_file, tmp_path):
        window, path, go = make_window(), tmp_path / "Lighthouse.photometra", threading.Event()

        def make(path):
            go.wait(30.0)
            shutil.copy(demo_file, path)

        window.files.open(path, make)
        assert window.sight.picture.waiting_words == "The study Lighthouse is being made…"
        yield window, path, go
        go.set()

    def test_it_opens_once_it_is_there(self, made, qtbot):
        window, path, go = made
        told = []
        window.session.said.connect(told.append)
        window.files.open(path)
        assert told == ["A study is being opened already; try again once it is there"]
        go.set()
        wait_for_picture(qtbot, window, step=4, samples=1)
        assert window.session.path == path and "Lighthouse" not in window.sight.picture.waiting_words

    def test_work_begun_meanwhile_is_asked_about(self, made, qtbot, monkeypatch):
        window, _, go = made
        monkeypatch.setattr(QInputDialog, "getText", lambda *_a, **_k: ("Brass knob", True))
        QTest.keyClick(window, Qt.Key.Key_N, CTRL | Qt.KeyboardModifier.ShiftModifier)
        asked = []
        answer("Cancel", asked.append)
        go.set()
        qtbot.waitUntil(lambda: bool(asked), timeout=PATIENCE_MS)
        assert window.session.study.specimens[0].name == "Brass knob" and window.session.path is None


class TestFiles:
    def test_save_as_open_and_recent(self, window, own_demo, tmp_path, qtbot, says):
        spoil(window)
        other = tmp_path / "copy.photometra"
        says(tmp_path / "copy")
        QTest.keyClick(window, Qt.Key.Key_S, CTRL | Qt.KeyboardModifier.ShiftModifier)
        qtbot.waitUntil(lambda: window.session.path == other, timeout=PATIENCE_MS)
        assert read_file(other) == window.session.study != read_file(own_demo)
        says(own_demo)
        QTest.keyClick(window, Qt.Key.Key_O, CTRL)
        qtbot.waitUntil(lambda: window.session.path == own_demo, timeout=PATIENCE_MS)
        assert window.files.recent[:2] == [str(own_demo.resolve()), str(other.resolve())]
        assert [a.text() for a in window.menus._recent.actions()][:2] == window.files.recent[:2]

    def test_a_damaged_file_is_told_and_the_study_stays(self, window, tmp_path, qtbot):
        bad, told = tmp_path / "bad.photometra", []
        bad.write_bytes(b"no zip")
        study = window.session.study
        answer("OK", told.append)
        window.files.open(bad)
        qtbot.waitUntil(lambda: bool(told), timeout=PATIENCE_MS)
        assert str(bad) in told[0] and window.session.study is study

    def test_a_full_disk_keeps_the_work(self, window, qtbot, monkeypatch):
        told = []
        spoil(window)
        window.session.path = Path("/no/such/folder/a.photometra")
        answer("OK", told.append)
        QTest.keyClick(window, Qt.Key.Key_S, CTRL)
        qtbot.waitUntil(lambda: bool(told), timeout=PATIENCE_MS)
        assert "cannot write here" in told[0] and not window.session.history.is_saved

    def test_a_new_study_starts_empty_and_grows(self, window, qtbot, monkeypatch):
        QTest.keyClick(window, Qt.Key.Key_N, CTRL)
        assert window.session.specimen is None and window.session.path is None
        assert window.route.steps["Specimen"].toolTip().endswith("no specimen yet")
        monkeypatch.setattr(QInputDialog, "getText", lambda *_a, **_k: ("Tin cup", True))
        QTest.keyClick(window, Qt.Key.Key_N, CTRL | Qt.KeyboardModifier.ShiftModifier)
        assert window.session.specimen.name == "Tin cup"
        qtbot.waitUntil(lambda: window.sight.picture.frame is not None, timeout=PATIENCE_MS)
        told = []
        answer("OK", told.append)
        window.acts.add_specimen()
        assert "already" in told[0] and len(window.session.study.specimens) == 1
        window.activateWindow()
        qtbot.waitUntil(window.isActiveWindow, timeout=PATIENCE_MS)
        QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
        assert window.session.specimen is None

    def test_another_program_has_it_open(self, window, own_demo, tmp_path, qtbot):
        other = tmp_path / "other.photometra"
        other.write_bytes(own_demo.read_bytes())
        code = (
            f"from photometra.study import Claim; c = Claim({str(other)!r}); c.take(); print('taken', flush=True);"
            "import sys; sys.stdin.read()"
        )
        with subprocess.Popen([sys.executable, "-c", code], stdin=subprocess.PIPE, stdout=subprocess.PIPE) as program:
            assert program.stdout.readline() == b"taken\n"
            told = []
            answer("OK", told.append)
            window.files.open(other)
            qtbot.waitUntil(lambda: bool(told), timeout=PATIENCE_MS)
            program.kill()
        assert "is open in another Photometra" in told[0]


class TestBringingIn:
    def drop(self, window, *paths):
        data = QMimeData()
        data.setUrls([QUrl.fromLocalFile(str(p)) for p in paths])
        window.dropEvent(QDropEvent(
            QPointF(50, 50), Qt.DropAction.CopyAction, data, Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier
        ))  # fmt: skip

    def take_each(self, window, qtbot, *names):
        """Agree to the import sheets of readings, as one comes after the other."""
        for name in names:
            qtbot.waitUntil(
                lambda n=name: (
                    window.files.import_sheet is not None
                    and window.files.import_sheet.isVisible()
                    and window.files.import_sheet.form.fields["name"].text() == n
                ),
                timeout=PATIENCE_MS,
            )
            click(window.files.import_sheet.take_button)

    def test_dropped_readings_are_taken_each_as_a_step(self, window, tmp_path, qtbot):
        a, b = tmp_path / "a.csv", tmp_path / "b.csv"
        a.write_text("angle_deg,gloss_units\n20,400\n60,420\n")
        b.write_text("wavelength_nm,reflectance\n400,0.4\n700,0.8\n")
        self.drop(window, a, b)
        self.take_each(window, qtbot, "a", "b")
        qtbot.waitUntil(lambda: len(window.session.specimen.readings) == 6, timeout=PATIENCE_MS)
        assert [r.name for r in window.session.specimen.readings[-2:]] == ["a", "b"]
        assert window.session.reading.name == "b" and len(window.ledger.reading_cards) == 6
        window.activateWindow()
        qtbot.waitUntil(window.isActiveWindow, timeout=PATIENCE_MS)
        QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
        assert len(window.session.specimen.readings) == 5

    def test_in_an_empty_study_a_specimen_is_made_for_what_is_dropped(self, window, tmp_path, qtbot):
        window.files.new()
        session, panel = window.session, window.strata
        # Nothing of the study before is left to be seen.
        assert window.sight.picture.frame is None and window.probe_line.progress.text() == ""
        assert not any(g.isVisible() for g in panel.gauges.values()) and panel._solve_text.text() == ""
        a, b = tmp_path / "a.csv", tmp_path / "b.csv"
        a.write_text("Sample: Door handle\nangle_deg,gloss_units\n20,400\n60,420\n85,99\n")
        b.write_text("wavelength_nm,reflectance\n400,0.4\n700,0.8\n")
        self.drop(window, a, b)
        self.take_each(window, qtbot, "a", "b")
        qtbot.waitUntil(lambda: session.specimen and len(session.specimen.readings) == 2, timeout=PATIENCE_MS)
        assert [s.name for s in session.study.specimens] == ["Door handle"]
        assert panel.gauges["roughness"].isVisible()
        wait_for_picture(qtbot, window)
        session.history.undo()
        session.history.undo()
        assert not session.study.specimens and window.sight.picture.frame is None
        # A picture that was under way when it went does not come.
        QTest.qWait(300)
        assert window.sight.picture.frame is None
        mesh = tmp_path / "Knob.obj"
        mesh.write_text("v 0 0 0\nv 9 0 0\nv 0 9 0\nv 0 0 9\nf 1 3 2\nf 1 2 4\nf 1 4 3\nf 2 3 4\n")

        def agree():
            question = QApplication.activeModalWidget()
            if isinstance(question, MeshQuestion):
                QTest.keyClick(question, Qt.Key.Key_Return)
            else:
                QTimer.singleShot(20, agree)

        QTimer.singleShot(20, agree)
        self.drop(window, mesh)
        qtbot.waitUntil(lambda: bool(session.study.meshes), timeout=PATIENCE_MS)
        assert session.specimen.name == "Knob"

    def test_a_bad_reading_is_told_and_nothing_changes(self, window, tmp_path, qtbot):
        bad, empty, told = tmp_path / "a.csv", tmp_path / "b.csv", []
        bad.write_text("angle_deg,gloss_units\n20,shiny\n")
        empty.write_text("\n")
        study = window.session.study
        self.drop(window, bad)
        qtbot.waitUntil(lambda: window.files.import_sheet is not None, timeout=PATIENCE_MS)
        sheet = window.files.import_sheet
        assert "line 2: 'shiny'" in sheet.doubts.text() and not sheet.take_button.isEnabled()
        QTest.keyClick(sheet, Qt.Key.Key_Escape)
        answer("OK", told.append)
        self.drop(window, empty)
        qtbot.waitUntil(lambda: bool(told), timeout=PATIENCE_MS)
        assert "there is no table" in told[0] and window.session.study is study

    def test_an_environment_travels_with_the_study(self, window, tmp_path, qtbot, own_demo):
        import numpy as np

        sky = tmp_path / "Mein Himmel ü.exr"
        write_exr(sky, np.full((8, 16, 3), 0.4))
        self.drop(window, sky)
        qtbot.waitUntil(lambda: window.session.study.booth.environment.startswith("pictures/"), timeout=PATIENCE_MS)
        assert window.sight.environment.currentData() == window.session.study.booth.environment
        QTest.keyClick(window, Qt.Key.Key_S, CTRL)
        qtbot.waitUntil(lambda: window.session.history.is_saved, timeout=PATIENCE_MS)
        assert read_file(own_demo) == window.session.study
        qtbot.waitUntil(
            lambda: window.sight.picture.frame.request.booth == window.session.study.booth, timeout=PATIENCE_MS
        )


class TestSaving:
    def test_a_newer_save_that_fails_is_heard_and_keeps_the_journal(self, make_window, own_demo, qtbot, monkeypatch):
        """The first save is under way when the window is to close; the one of what was changed since fails."""
        window = make_window(own_demo)
        window.activateWindow()
        qtbot.waitUntil(window.isActiveWindow, timeout=PATIENCE_MS)
        spoil(window)
        window.files.autosave()
        qtbot.waitUntil(lambda: any(journal_folder().glob("*.json")), timeout=PATIENCE_MS)
        first, told = window.session.study, []

        begun = threading.Event()

        def slow_then_full(study, path, stamp):
            begun.set()
            time.sleep(0.5)
            if study != first:
                raise StudyError(f"{path}: the study could not be saved (No space left on device)")
            return save_stamped(study, path, stamp)

        monkeypatch.setattr("photometra.desktop.files.save_stamped", slow_then_full)
        QTest.keyClick(window, Qt.Key.Key_S, CTRL)
        qtbot.waitUntil(begun.is_set, timeout=PATIENCE_MS)
        window.session.set_values({"roughness": 0.777})

        def then(text):
            told.append(text)
            answer("OK", told.append)

        answer("Save", then)
        assert not window.files.may_leave()
        qtbot.waitUntil(lambda: len(told) == 2, timeout=PATIENCE_MS)
        assert "No space left" in told[1]
        assert read_file(own_demo) == first and not window.session.history.is_saved
        window.files.end()
        assert any(journal_folder().glob("*.json"))

    def change_elsewhere(self, path):
        change_file(path, lambda study: study.with_new_specimen("Tin cup"))

    @pytest.mark.parametrize("chosen", ["Do not save", "Save over it", "Save under another name…"])
    def test_another_programs_change_is_asked_about(self, window, own_demo, tmp_path, qtbot, says, chosen):
        other, asked = tmp_path / "mine.photometra", []
        says(other)
        spoil(window)
        mine = window.session.study
        self.change_elsewhere(own_demo)
        answer(chosen, asked.append)
        QTest.keyClick(window, Qt.Key.Key_S, CTRL)
        qtbot.waitUntil(lambda: bool(asked), timeout=PATIENCE_MS)
        assert "was changed by another program" in asked[0]
        if chosen == "Do not save":
            assert not window.session.history.is_saved
        else:
            qtbot.waitUntil(lambda: window.session.history.is_saved, timeout=PATIENCE_MS)
        is_over = chosen == "Save over it"
        assert read_file(own_demo) == mine if is_over else "Tin cup" in [s.name for s in read_file(own_demo).specimens]
        assert other.exists() == (chosen not in ("Do not save", "Save over it"))
        # What was saved here is no change of another's.
        window.activateWindow()
        qtbot.waitUntil(window.isActiveWindow, timeout=PATIENCE_MS)
        if chosen != "Do not save":
            window.session.set_values({"roughness": 0.61})
            QTest.keyClick(window, Qt.Key.Key_S, CTRL)
            qtbot.waitUntil(lambda: window.session.history.is_saved, timeout=PATIENCE_MS)


class TestAutosave:
    def test_unsaved_work_is_kept_and_dropped_once_saved(self, window, qtbot):
        spoil(window)
        window.files.autosave()
        kept = lambda: list(journal_folder().glob("*.json"))  # noqa: E731
        qtbot.waitUntil(lambda: bool(kept()), timeout=PATIENCE_MS)
        assert read_file(kept()[0].with_suffix(".photometra")) == window.session.study
        QTest.keyClick(window, Qt.Key.Key_S, CTRL)
        qtbot.waitUntil(lambda: not kept(), timeout=PATIENCE_MS)

    def test_a_failing_autosave_is_said(self, window, qtbot):
        folder = journal_folder()
        folder.parent.mkdir(parents=True, exist_ok=True)
        shutil.rmtree(folder, ignore_errors=True)
        folder.write_text("in the way")
        try:
            with qtbot.waitSignal(window.session.said, check_params_cb=lambda s: "Autosave failed" in s, timeout=9000):
                spoil(window)
                window.files.autosave()
        finally:
            folder.unlink()

    def left_behind(self, study, path):
        """As a program leaves it that was killed: the system lets its lock go."""
        journal = Journal()
        journal.keep(study, path)
        os.close(journal._lock)

    def test_work_of_a_killed_program_is_brought_back(self, make_window, demo, own_demo, qtbot):
        lost = demo.with_size(0, 33.0)
        self.left_behind(lost, own_demo)
        window = make_window()
        asked = []
        answer("Bring them back", asked.append)
        assert window.offer_rescue(own_demo)
        assert "Harrow Skerry" in asked[0]
        assert window.session.study == lost and window.session.path == own_demo
        assert not window.session.history.is_saved
        # It is let go once our own journal has it: at no moment is it in neither.
        qtbot.waitUntil(lambda: window.files.rescued() == [], timeout=PATIENCE_MS)
        kept = list(journal_folder().glob("*.photometra"))
        assert len(kept) == 1 and read_file(kept[0]) == lost

    def test_steady_work_is_kept_all_the_same(self, window, qtbot):
        """Each change begins the pause anew; the longest wait runs on."""
        window.files._overdue.setInterval(600)
        try:
            # On a busy machine writing takes its time; never is there a pause of a second.
            for i in range(200):
                window.session.set_values({"roughness": 0.3 + 0.001 * i})
                qtbot.wait(100)
                if any(journal_folder().glob("*.json")):
                    return
            raise AssertionError("nothing was kept")
        finally:
            window.files._overdue.setInterval(10_000)

    def test_another_studys_work_is_told_of(self, make_window, demo, own_demo):
        self.left_behind(demo, None)
        window = make_window()
        assert not window.offer_rescue(own_demo)
        assert "“Harrow Skerry” is kept" in window._said.text()
        window.files.rescued()[0].discard()

    def test_or_let_go(self, make_window, demo, tmp_path):
        self.left_behind(demo, None)
        window = make_window()
        assert not window.offer_rescue(tmp_path / "another.photometra")
        answer("Let them go")
        assert not window.offer_rescue()
        assert window.files.rescued() == [] and window.session.specimen is None


class TestConstantsBrowser:
    def open(self, window):
        QTest.keyClick(window, Qt.Key.Key_B, CTRL)
        return window.browser

    def shown(self, browser):
        rows = range(browser.list.rowCount())
        return [browser.key_of_row(r) for r in rows if not browser.list.isRowHidden(r)]

    def test_it_comes_ranked_where_nothing_is_chosen_and_leaves_alone_what_is_chosen_meanwhile(self, window, qtbot):
        window.session.choose(1)
        assert window.session.reading is not None and not window.session.specimen.surface["constants"]
        browser = self.open(window)
        assert not browser.progress.isHidden()
        browser._select("gold")
        qtbot.waitUntil(browser.progress.isHidden, timeout=PATIENCE_MS)
        assert browser.key == "gold" and not browser.list.isColumnHidden(3)
        browser.close()
        window.activateWindow()
        qtbot.waitUntil(window.isActiveWindow, timeout=PATIENCE_MS)
        other = self.open(window)
        qtbot.waitUntil(other.progress.isHidden, timeout=PATIENCE_MS)
        assert other.key == other.key_of_row(0)
        # Of a film the reading says less: it is ranked when asked to be.
        window.browse_constants("film.constants")
        assert window.browser.progress.isHidden()

    def test_search_look_and_use(self, window, qtbot):
        browser = self.open(window)
        assert len(self.shown(browser)) == 56 and browser.key == "brass-70-30"
        QTest.keyClicks(browser.search, "gold")
        assert 0 < len(self.shown(browser)) < 6 and "gold" in browser.key
        wanted = browser.key
        assert browser.source.text() and "at normal incidence" in browser.note.text()
        with qtbot.waitSignal(browser.taken):
            click(browser.use_button)
        assert window.session.specimen.surface["constants"] == wanted
        assert not browser.isVisible()
        QTest.keyClick(window, Qt.Key.Key_Z, CTRL)
        assert window.session.specimen.surface["constants"] == "brass-70-30"

    @pytest.mark.long
    def test_closest_to_my_reading(self, window, qtbot):
        browser = self.open(window)
        click(browser.rank_button)
        qtbot.waitUntil(lambda: not browser.list.isColumnHidden(3), timeout=PATIENCE_MS)
        assert self.shown(browser)[0].startswith("brass")
        differences = [float(browser.list.item(r, 3).text()) for r in range(5)]
        assert differences == sorted(differences)

    def test_closing_in_the_middle_of_ranking(self, window, qtbot):
        browser = self.open(window)
        click(browser.rank_button)
        QTest.keyClick(browser, Qt.Key.Key_Escape)
        assert not browser.isVisible() and not browser.job.is_running


class TestHandOver:
    def open(self, window):
        QTest.keyClick(window, Qt.Key.Key_E, CTRL)
        return window.hand_over

    @pytest.mark.long
    def test_a_picture_with_its_parameters(self, window, tmp_path, qtbot, says):
        dialog = self.open(window)
        dialog.size_box.setCurrentIndex(0)
        dialog.samples.setValue(2)
        for suffix in (".exr", ".png"):
            out = tmp_path / f"picture{suffix}"
            says(out)
            with qtbot.waitSignal(dialog.written, timeout=PATIENCE_MS):
                click(dialog.render_button)
            assert read_picture(out).shape == (512, 512, 3)
        header = read_header(tmp_path / "picture.exr")
        assert header["photometra:specimen"] == window.session.specimen.name
        assert header["photometra:parameter:constants"] == "brass-70-30"

    def test_cancel_writes_nothing(self, window, tmp_path, qtbot, says):
        dialog = self.open(window)
        dialog.samples.setValue(5000)
        says(tmp_path / "long.exr")
        click(dialog.render_button)
        qtbot.waitUntil(lambda: "samples" in dialog.state.text(), timeout=PATIENCE_MS)
        click(dialog.cancel_button)
        qtbot.waitUntil(lambda: "no file was written" in dialog.state.text(), timeout=PATIENCE_MS)
        assert not (tmp_path / "long.exr").exists()

    def test_a_material(self, window, tmp_path, qtbot, says):
        dialog = self.open(window)
        says(tmp_path / "brass")
        with qtbot.waitSignal(dialog.written, timeout=PATIENCE_MS):
            click(dialog.export_button)
        assert "open_pbr_surface" in (tmp_path / "brass.mtlx").read_text()
        assert "Not carried" in dialog.state.text()
        says(tmp_path / "no" / "brass.mtlx")
        click(dialog.export_button)
        qtbot.waitUntil(lambda: "no/brass" in dialog.state.text(), timeout=PATIENCE_MS)


def test_a_study_with_no_screen_of_its_own_settings_opens(make_window, tmp_path, demo, qtbot):
    path = tmp_path / "x.photometra"
    write_file(demo.with_booth(view="plain", environment="uniform"), path)
    window = make_window(path)
    qtbot.waitUntil(lambda: window.sight.picture.frame is not None, timeout=PATIENCE_MS)
    assert window.sight.environment.currentText() == "uniform"
