"""Linked specimens solved together: one finish from the gloss of one and the lobe of another, with the bar due."""

import threading
from dataclasses import replace

import numpy as np
import pytest

from photometra.errors import InputError
from photometra.fitting import Cancelled, members_of, solve, solve_together
from photometra.instruments import measured
from photometra.readings import make_reading
from photometra.study import Study
from photometra.surface import Surface

GOLD = {"metalness": 1.0, "constants": "gold"}
COPPER = {"metalness": 1.0, "constants": "copper"}


def noisy(reading, seed):
    rng = np.random.default_rng(seed)
    columns = {c: v.copy() for c, v in reading.columns.items()}
    for c in reading.kind.values:
        columns[c] = columns[c] + rng.normal(size=columns[c].size) * reading.sigma[c]
    return make_reading(reading.name, reading.kind_key, columns, reading.sigma, systematic="none")


def pair(gold_readings, copper_readings, start=0.5, free=("roughness",)):
    """A study of two metals with one finish: copper follows gold in it."""
    study = Study("Two").with_new_specimen("Gold", surface=Surface({**GOLD, "roughness": start}))
    study = study.with_new_specimen("Copper", surface=Surface({**COPPER, "roughness": 0.2, "tint": (0.9, 0.9, 0.9)}))
    for i, readings in enumerate((gold_readings, copper_readings)):
        one = study.specimens[i]
        for reading in readings:
            one = one.with_reading(reading)
        study = study.with_specimen_at(i, replace(one, free=frozenset(free if i == 0 else ())))
    return study.with_link(1, "finish", "Gold")


@pytest.fixture(scope="module")
def readings():
    gloss = measured("glossmeter", Surface({**GOLD, "roughness": 0.31}))
    lobe = measured("goniophotometer", Surface({**COPPER, "roughness": 0.31}))
    return noisy(gloss, 1), noisy(lobe, 2)


def test_what_is_shared_is_one_number_told_by_both(readings):
    study = pair(readings[:1], readings[1:])
    members = members_of(study, study.specimens[1])
    assert [m.name for m in members] == ["Gold", "Copper"] and members[1].follows == {"finish": "Gold"}
    found = solve_together(members)
    gold, copper = (found[m.name] for m in members)
    assert gold.surface["roughness"] == copper.surface["roughness"]
    (together,) = gold.solved
    assert together.value == pytest.approx(0.31, abs=3.0 * together.sigma) and gold.verdict.is_good
    # The bar of both is that of each alone, put together: information adds up.
    alone = []
    for surface, reading in ((GOLD, readings[0]), (COPPER, readings[1])):
        one = solve(Surface({**surface, "roughness": 0.5}), (reading,), ("roughness",))
        alone.append(one.solved[0].sigma / max(1.0, np.sqrt(one.chi2_reduced)))
    wanted = (alone[0] ** -2 + alone[1] ** -2) ** -0.5 * max(1.0, np.sqrt(gold.chi2_reduced))
    assert together.sigma == pytest.approx(wanted, rel=0.05)
    assert gold.points == readings[0].rows + readings[1].rows == copper.points


def test_a_leader_without_readings_is_told_by_its_follower(readings):
    study = pair((), readings[1:])
    found = solve_together(members_of(study, study.specimens[0]))
    assert found["Gold"].surface["roughness"] == pytest.approx(0.31, abs=0.02)
    assert found["Gold"].surface["constants"] == "gold" and found["Copper"].surface["constants"] == "copper"


def test_what_is_its_own_stays_its_own(readings):
    truth = Surface({**COPPER, "roughness": 0.31, "tint": (0.8, 0.8, 0.8)})
    white = measured("spectrophotometer", truth, "di:8")
    study = pair(readings[:1], (white,))
    copper = replace(study.specimens[1], free=frozenset({"tint"}))
    found = solve_together(members_of(study.with_specimen_at(1, copper), study.specimens[0]))
    assert [s.name for s in found["Copper"].solved] == ["tint.r", "tint.g", "tint.b", "roughness"]
    assert found["Copper"].surface["tint"] == pytest.approx((0.8, 0.8, 0.8), abs=0.02)
    assert [s.name for s in found["Gold"].solved] == ["roughness"] and found["Gold"].surface["tint"] == (1.0, 1.0, 1.0)


def test_alone_it_is_no_matter_of_more_than_one(readings):
    study = pair(readings[:1], ())
    lonely = Study("One").with_new_specimen("Tin")
    assert members_of(lonely, lonely.specimens[0]) == ()
    # A follower without readings tells nothing.
    assert members_of(study, study.specimens[0]) == ()


def test_a_cancel_and_nothing_to_solve_are_said(readings):
    study = pair(readings[:1], readings[1:])
    stop = threading.Event()
    stop.set()
    with pytest.raises(Cancelled):
        solve_together(members_of(study, study.specimens[0]), cancel=stop)
    held = pair(readings[:1], readings[1:], free=())
    with pytest.raises(InputError, match="no parameter is free"):
        solve_together(members_of(held, held.specimens[0]))


def test_two_that_lead_each_other_in_different_strata_have_an_order(readings):
    study = pair(readings[:1], readings[1:]).with_link(0, "coat", "Copper")
    assert {s.name for s in study.linked_with(study.specimens[0])} == {"Gold", "Copper"}
    assert (
        study.leader_of(study.specimens[0], "coat") == "Copper" and study.leader_of(study.specimens[0], "film") is None
    )
