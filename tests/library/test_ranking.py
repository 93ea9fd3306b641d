"""Which entries come closest: the few that are tried of many are the right ones, and what cannot answer comes last."""

import numpy as np
import pytest

from photometra.colour import delta_e_2000
from photometra.instruments import measured
from photometra.library import Found, closest
from photometra.library.entry import path_of
from photometra.library.facts import facts_of
from photometra.library.ranking import _TRIED
from photometra.readings import Reading
from photometra.study import Specimen, Study, write_file
from photometra.surface import Surface


def found_of(folder, one, facts=None, trouble=""):
    path = path_of(folder, one.name)
    write_file(Study(one.name, (one,)), path)
    told = facts_of(one) if facts is None else facts
    return Found(path, one.name, "opaque", (), (), "", "", 0, 0, 1, trouble, told)


def paint(name, grey, roughness=0.3):
    return Specimen(name, 60.0, Surface({"colour": (grey, grey, grey), "roughness": roughness}))


def test_of_many_those_near_by_their_facts_are_tried(tmp_path):
    """More entries than are tried, one of them the surface itself: it is among those, and first."""
    wanted = paint("Fender grey", 0.31, 0.22)
    readings = measured("glossmeter", wanted.surface), measured("spectrophotometer", wanted.surface, "di:8")
    # Facts far off, so that only what they say keeps an entry from being tried.
    far = {"gloss20": 0.0, "gloss60": 900.0, "gloss85": 0.0, "L": 2.0, "a": 60.0, "b": -60.0, "Y": 1.0}
    entries = [found_of(tmp_path, paint(f"Other {i}", 0.9), far) for i in range(_TRIED + 5)]
    entries.insert(7, found_of(tmp_path, wanted))
    tried = []
    ranked = closest(entries, readings, most=3, report=lambda done, of: tried.append(of))
    assert len(tried) == _TRIED and ranked[0].found.name == "Fender grey"
    assert ranked[0].score < 0.02 < ranked[1].score and len(ranked) == 3


def test_a_colour_alone_ranks_by_colour(tmp_path):
    entries = [found_of(tmp_path, paint(f"Grey {g:g}", g)) for g in (0.1, 0.3, 0.6)]
    target = facts_of(paint("Target", 0.32))
    lab = {"sample": np.array([1.0])} | {k: np.array([target[k]]) for k in "Lab"}
    sigma = {k: np.array([0.3]) for k in "Lab"}
    reading = Reading("Chip", "colour", lab, sigma, np.array([False]), geometry="di:8", tolerance=1.0)
    apart = [float(delta_e_2000(*(np.array([f[k] for k in "Lab"]) for f in (e.facts, target)))) for e in entries]
    ranked = closest(entries, (reading,))
    assert [r.found.name for r in ranked] == [entries[i].name for i in np.argsort(apart)]
    assert ranked[0].found.name == "Grey 0.3" and ranked[0].score == pytest.approx(min(apart), rel=0.1)


def test_what_cannot_be_read_is_left_out_and_what_is_excluded_does_not_count(tmp_path):
    one = paint("Fender grey", 0.3)
    spoilt = found_of(tmp_path, paint("Spoilt", 0.3), {}, "the file is damaged")
    gloss = measured("glossmeter", one.surface)
    away = measured("spectrophotometer", paint("White", 0.9).surface, "di:8").with_changes(active=False)
    (only,) = closest([found_of(tmp_path, one), spoilt], (gloss, away))
    assert only.found.name == "Fender grey" and len(only.values) == 1 and only.score < 0.02


def test_a_surface_that_cannot_answer_counts_as_far_off(tmp_path):
    metal = Specimen("Cleat, brass", 60.0, Surface({"metalness": 1.0, "constants": "brass-70-30"}))
    glass = Specimen("Deck light", 60.0, Surface({"transmission": 1.0, "roughness": 0.0}))
    through = measured("transmissometer", glass.surface, thickness_mm=4.0)
    ranked = closest([found_of(tmp_path, metal), found_of(tmp_path, glass)], (through,))
    assert [r.found.name for r in ranked] == ["Deck light", "Cleat, brass"]
    assert ranked[0].score < 0.05 and ranked[1].score == 10.0
