"""The window in German: every word is there, nothing is cut off, and numbers have their commas."""

import os
import re
import subprocess
import sys
from pathlib import Path

import pytest

from photometra import words
from photometra.desktop.language import LANGUAGES, as_typed, catalogue, in_field, wanted

ROOT = Path(__file__).resolve().parents[2]
sys.path.insert(0, str(ROOT / "tools"))
from collect_words import collected  # noqa: E402

_PART = re.compile(r"\{\d+\}")
OTHERS = [name for name in LANGUAGES if name != words.ENGLISH]


@pytest.mark.parametrize("language", OTHERS)
def test_the_catalogue_has_every_form_with_its_parts(language):
    said, forms = catalogue(language), collected()
    assert len(forms) > 2000
    assert [f for f in forms if f not in said] == [], "python tools/collect_words.py, then translate"
    assert [f for f in said if f not in forms] == [], "python tools/collect_words.py drops what is no longer said"
    for form in forms:
        assert sorted(_PART.findall(form)) == sorted(_PART.findall(said[form])), form
        assert (form[:1] == " ", form[-1:] == " ") == (said[form][:1] == " ", said[form][-1:] == " "), form
        assert form.count("*.") == said[form].count("*."), form


@pytest.mark.parametrize("language", OTHERS)
def test_the_guide_has_every_page(language):
    pages = ROOT / "src/photometra/guide/pages"
    assert {p.name for p in pages.glob("*.md")} == {p.name for p in (pages / language).glob("*.md")}
    for path in pages.glob("*.md"):
        there = (pages / language / path.name).read_text(encoding="utf-8")
        assert sorted(re.findall(r"\]\(([a-z-]+)\.md\)", path.read_text(encoding="utf-8"))) == sorted(
            re.findall(r"\]\(([a-z-]+)\.md\)", there)
        )


_IN_GERMAN = """
import sys
from PyQt6.QtCore import QSettings, Qt
from PyQt6.QtTest import QTest
from photometra.desktop import language, theme
from photometra.desktop.app import make_application
application = make_application()
language.speak(application, "de")
theme.apply(application, "dim")
from photometra.demo import make_study
from photometra.desktop.main_window import MainWindow
from photometra.surface import STRATA
from tests.desktop.test_gauges import type_into
from tests.desktop.test_cut_texts import cut_texts
window = MainWindow(QSettings(sys.argv[1], QSettings.Format.IniFormat))
window.show()
window.session.history.apply(make_study(), "demo")
window.resize(1280, 800)
QTest.qWait(300)
cut = []
def look(where):
    # What has just arrived may still wait for its place.
    if cut_texts(window):
        QTest.qWait(500)
        cut.extend((where, *found) for found in cut_texts(window))
for i in (5, 8):
    window.session.choose(i)
    for name in window.sheets:
        window.show_sheet(name)
        QTest.qWait(60)
        look(name)
    window.show_sheet()
    for stratum in STRATA:
        window.session.choose_stratum(stratum)
        QTest.qWait(20)
        look(stratum)
print("cut", cut)
print("commands", sorted(a.objectName() for a in window.findChildren(type(window.menus.undo)) if a.objectName()))
tops = [a.text() for a in window.menuBar().actions()]
print("letters", len({t[t.index("&") + 1].lower() for t in tops}) == len(tops))
window.session.choose(8)
window.session.choose_stratum("finish")
gauge = window.strata.gauges["roughness"]
print("label", window.strata.gauges["ior"].edit.accessibleName(), "|", gauge.edit.text())
type_into(gauge.edit, "0,25")
print("typed", window.session.specimen.surface["roughness"], gauge.edit.text())
window.sheets["agreement"].export(sys.argv[1] + ".csv")
heads, first = open(sys.argv[1] + ".csv", encoding="utf-8").read().splitlines()[:2]
print("heads", heads)
print("verdict", any(word in first for word in ("within", "out", "measured")))
window.session.choose(5)
window.session.choose_stratum("coat")
thick = window.strata.gauges["coat.thickness"]
print("narrow", thick.edit.text() == "50,0\\u202fµm")
thick.edit.setFocus()
QTest.keyClick(thick.edit, Qt.Key.Key_Return)
print("thick", window.session.specimen.surface["coat.thickness"])
window.session.choose(8)
window.session.choose_stratum("finish")
told = []
window.session.said.connect(told.append)
type_into(gauge.edit, "rau")
print("refused", told)
window.session.choose_stratum("body")
colour = window.strata.gauges["colour"]
type_into(colour.edit, "0,1; 0,2; 0,3")
print("colour", [round(v, 4) for v in window.session.specimen.surface["colour"]])
window.session.history.mark_saved()
window.close()
"""


@pytest.mark.long
def test_a_window_in_german(tmp_path, window):
    environment = {**os.environ, "PYTHONPATH": str(ROOT)}
    done = subprocess.run(
        [sys.executable, "-c", _IN_GERMAN, str(tmp_path / "window.ini")], env=environment, capture_output=True,
        text=True, timeout=240, check=False,
    )  # fmt: skip
    said = dict(line.partition(" ")[::2] for line in done.stdout.splitlines())
    assert done.returncode == 0, done.stderr[-2000:]
    assert said["cut"] == "[]" and said["letters"] == "True"
    assert said["label"] == "Brechzahl, Wert | 0,850"
    assert said["typed"] == "0.25 0,250"
    # By these names a person's own keys are kept, whatever the language.
    ours = sorted(a.objectName() for a in window.findChildren(type(window.menus.undo)) if a.objectName())
    assert said["commands"] == str(ours) and len(ours) > 60
    assert said["heads"] == "specimen,reading,in,value,allowed,share,χ²,verdict" and said["verdict"] == "True"
    assert said["narrow"] == "True" and said["thick"] == "50.0"
    assert said["refused"] == "[\"roughness: 'rau' ist keine Zahl\"]"
    assert said["colour"] == "[0.1, 0.2, 0.3]"


def test_english_is_as_it_stands_and_a_language_that_is_not_there_is_english(monkeypatch):
    assert words.language() == words.ENGLISH and words.tr("{0} of {1}", 1, 2) == "1 of 2"
    assert (
        words.counted(1, "{0} file", "{0} files") == "1 file" and words.counted(0, "{0} file", "{0} files") == "0 files"
    )
    assert wanted("de") == "de" and wanted("xx") in LANGUAGES
    assert in_field("0.25 mm") == "0.25 mm" and as_typed("0.1, 0.2, 0.3") == "0.1, 0.2, 0.3"


def test_another_language_is_told_to_begin_with_the_next_start(window):
    action = next(a for a in window.findChildren(type(window.menus.undo)) if a.text() == "Deutsch")
    action.trigger()
    assert window.settings.value("language") == "de" and "Deutsch" in window._said.text()
