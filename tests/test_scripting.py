"""Photometra as a library: the examples and the notebook run, and the handles do what their words say."""

import doctest
import json
import runpy
import subprocess
import sys
from pathlib import Path

import numpy as np
import pytest

import photometra
from photometra import scripting
from photometra.demo import write_demo

EXAMPLES = Path(__file__).parents[1] / "examples"


@pytest.fixture
def cleat():
    return photometra.new_study("Harbour").add("Cleat", size_mm=40)


def test_the_documentation_runs():
    assert doctest.testmod(scripting).attempted > 4 and not doctest.testmod(scripting).failed


def test_calibrating_from_a_file_is_saved(tmp_path):
    path = tmp_path / "demo.photometra"
    write_demo(path)
    solution = runpy.run_path(str(EXAMPLES / "calibrate.py"))["main"](path)
    assert solution.verdict.is_good
    again = photometra.open_study(path)["Enamelled number plate"]
    assert again["roughness"] == pytest.approx(solution.surface["roughness"])
    assert all(misfit <= tolerance for misfit, tolerance in again.misfits().values())


def test_a_varnish_adds_gloss_and_takes_light_from_the_body():
    rows = runpy.run_path(str(EXAMPLES / "coat_study.py"))["main"]()
    gloss, reflectance = ([row[k] for row in rows] for k in (2, 3))
    assert gloss == sorted(gloss) and gloss[-1] > 80.0 and reflectance[-1] < reflectance[0]


def test_every_specimen_becomes_a_picture_and_a_document(tmp_path, cleat):
    cleat.set(colour="#884422")
    cleat._study.add("Bell")
    path = cleat._study.save(tmp_path / "s.photometra")
    written = runpy.run_path(str(EXAMPLES / "pictures.py"))["main"](path, tmp_path)
    assert written == ["cleat", "bell"] and (tmp_path / "bell.mtlx").exists()
    assert np.load(tmp_path / "cleat.npy").shape == (72, 96, 3)


def test_the_notebook_runs():
    space = {}
    for cell in json.loads((EXAMPLES / "first_steps.ipynb").read_text(encoding="utf-8"))["cells"]:
        if cell["cell_type"] == "code":
            exec("".join(cell["source"]), space)
    widths = list(space["widths"].values())
    assert widths == sorted(widths) and widths[-1] > 2.0 * widths[0]
    assert space["picture"].shape == (120, 160, 3)


def test_values_are_given_as_numbers_arrays_or_as_typed(cleat):
    cleat.set({"coat.amount": 1, "coat.colour": np.array([0.9, 0.6, 0.2])}, roughness="gloss 0.7", thin_walled=False)
    assert cleat["coat.amount"] == 1.0 and cleat["coat.colour"] == (0.9, 0.6, 0.2)
    assert cleat["roughness"] == pytest.approx(0.3) and cleat["thin_walled"] is False
    cleat.set(roughness="map:scratches, low=0.1, high=0.3")
    assert cleat["roughness"] == pytest.approx(0.2), "half-way, where it varies"
    for wrong, words in (({"ruffness": 1}, "no parameter 'ruffness'"), ({"roughness": 7}, "roughness"),
                         ({"colour": [0.1, 0.2]}, "colour")):  # fmt: skip
        with pytest.raises(photometra.InputError, match=words):
            cleat.set(wrong)


def test_readings_come_from_instruments_and_files_and_are_solved(cleat, tmp_path):
    from photometra.instruments import measured
    from photometra.readings.files import write_file

    cleat.set(roughness=0.2)
    write_file(measured("glossmeter", cleat.value.surface), tmp_path / "gloss.csv")
    cleat.set(roughness=0.4)
    cleat.add_reading(tmp_path / "gloss.csv")
    assert cleat.solve(["roughness"], keep=False).verdict.is_good and cleat["roughness"] == 0.4
    cleat.solve(["roughness"])
    assert cleat["roughness"] == pytest.approx(0.2, abs=0.01) and len(cleat.readings) == 1


def test_what_cannot_be_is_one_sentence(cleat, tmp_path):
    study = cleat._study
    for call, words in (
        (lambda: study["Anchor"], "no specimen 'Anchor'"), (study.save, "say where to save"),
        (lambda: cleat.export(tmp_path / "a.obj"), "the suffix says the standard"),
        (lambda: cleat.measure("ruler"), "ruler"),
        (lambda: photometra.open_study(tmp_path / "no.photometra"), "no.photometra"),
    ):  # fmt: skip
        with pytest.raises(photometra.InputError, match=words):
            call()
    with pytest.raises(AttributeError):
        photometra.nothing_of_the_kind  # noqa: B018


def test_naming_it_loads_nothing_slow():
    code = "import photometra, sys; print(sorted(m for m in ('numba', 'scipy', 'numpy') if m in sys.modules))"
    said = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=True)
    assert said.stdout.strip() == "[]"
