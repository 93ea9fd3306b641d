"""A little of `python -m benchmarks attack`: spoilt input is taken or refused with one sentence; kills lose nothing."""

import pytest
from benchmarks import attack

from photometra import names
from photometra.readings import Choices, ReadingError, make_reading, understand
from photometra.study import Study, StudyError, read_file, write_file
from photometra.study.members import encoded

FORMULA = "<img src='file:///dev/zero'>\x1b[31m[/b]\u202egnp.exe"


@pytest.mark.long
def test_spoilt_studies():
    assert attack.documents(80) > 0


def test_spoilt_pictures():
    assert attack.pictures(300) > 0


def test_spoilt_meshes():
    assert attack.meshes(200) > 0


@pytest.mark.long
def test_kills_in_the_middle_of_a_save():
    assert attack.kills(8) == 8


@pytest.mark.long
def test_chance_calls_of_the_command_line():
    assert set(attack.calls(60)) <= {0, 1, 2}


@pytest.mark.parametrize("text", [
    "wavelength_nm,reflectance\n400," + "1" * 100_000 + "\n500,0.2\n",
    "wavelength_nm,reflectance\n400,0.1" + " " * 100_000 + "x\n",
    "wavelength_nm,reflectance" + " " * 100_000 + "x(\n400,0.1\n",
    "wavelength_nm,reflectance" + "([" * 50_000 + "\n400,0.1\n",
    "wavelength_nm,reflectance" + "_" * 100_000 + "\n400,0.1\n",
    "# uncertainty: " + "1" * 100_000 + "x\nwavelength_nm,reflectance\n400,0.1\n",
    "gloss" + " " * 100_000 + "x,60\n1,2\n",
    'CGATS.17\nORIGINATOR "' + "a" * 1_000_000 + '\nBEGIN_DATA_FORMAT\n"\nEND_DATA_FORMAT\nBEGIN_DATA\n"""\nEND_DATA\n',
    "a,b\n" + "400,0.1\n" * 500_000, "x;y\n" * 100_000, ",".join(["c"] * 100_000) + "\n" + ",".join(["1"] * 100_000),
], ids=range(11))  # fmt: skip
def test_texts_that_once_took_minutes_end(text):
    """Each of these grew with the square of its length, or held all of the memory."""
    try:
        found = understand(text, "f", Choices())
    except ReadingError as error:
        assert "\n" not in str(error)
    else:
        assert found.reading is not None or found.problem


def test_minus_signs_and_decimal_commas_are_numbers_everywhere():
    """Found by the attack: a typographic minus before a bare decimal point in a column of per cents."""
    text = "wavelength_nm;reflectance\n400;−.0027\n500;0,2\n600;0,3\n"
    found = understand(text, "f", Choices())
    assert found.reading is not None or "reflectance" in found.problem
    cgats = (
        "CGATS.17\nSPECTRAL_NORM 100,0\nBEGIN_DATA_FORMAT\nSPECTRAL_NM400 SPECTRAL_NM500\nEND_DATA_FORMAT\nBEGIN_DATA\n"
    )
    assert understand(f"{cgats}10 20\nEND_DATA\n", "f", Choices()).reading.columns["reflectance"].tolist() == [0.1, 0.2]


def test_names_are_one_line_that_nothing_obeys(tmp_path):
    study = Study(FORMULA).with_new_specimen(f"tin {FORMULA}\nx")
    reading = make_reading(FORMULA, "gloss", {"angle_deg": [60.0], "gloss_units": [5.0]}, notes=FORMULA, source="s")
    study = study.with_specimen_at(0, study.specimens[0].with_reading(reading))
    for text in (study.specimens[0].name, reading.name, reading.notes):
        assert "\x1b" not in text and "\u202e" not in text and "␛[31m[/b]⟨U+202E⟩gnp" in text
    path = tmp_path / "a.photometra"
    write_file(study, path)
    back = read_file(path)
    assert back.specimens == study.specimens and "\x1b" not in back.name
    assert names.shown("Grün – µm 日本 ‌x") == "Grün – µm 日本 ‌x"


def test_names_never_outgrow_the_file(demo):
    """A name as long as may be is numbered within its length: what can be made can be saved."""
    long = "n" * names.MOST_LETTERS
    study = Study("x").with_new_specimen(long)
    reading = make_reading(long + "more", "gloss", {"angle_deg": [60.0], "gloss_units": [5.0]})
    assert len(reading.name) == names.MOST_LETTERS
    one = study.specimens[0].with_reading(reading).with_reading(reading).with_reading(reading)
    study = study.with_specimen_at(0, one).with_duplicate(0).with_duplicate(0)
    assert len({r.name for r in one.readings}) == 3 and len({s.name for s in study.specimens}) == 3
    encoded(study)
    with pytest.raises(StudyError, match=r"cannot be saved as it is: exposure"):
        encoded(study.with_booth(exposure=1e9))
