"""Readings in and out of text: what people really have is understood, and nonsense gets one sentence."""

import numpy as np
import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from photometra.errors import InputError
from photometra.readings import (
    KINDS,
    ReadingError,
    Systematic,
    make_reading,
    read_file,
    read_text,
    write_cgats,
    write_text,
)
from photometra.readings.model import LENGTHS


def test_kinds_are_whole():
    for k in KINDS.values():
        assert k.values and k.columns[: k.independent] and k.metric_label and k.tolerance > 0


_PLACES = {
    "wavelength_nm": st.floats(100.0, 20_000.0),
    "angle_deg": st.floats(0.0, 90.0),
    "incidence_deg": st.floats(-90.0, 90.0),
    "view_deg": st.floats(-90.0, 90.0),
    "azimuth_deg": st.floats(-360.0, 360.0),
    "radius_mm": st.floats(0.0, 10_000.0),
    "polarisation": st.sampled_from([0.0, 0.5, 1.0]),
    "sample": st.integers(1, 9).map(float),
    "patch": st.integers(1, 9).map(float),
}
_LETTERS = st.text(st.characters(codec="utf-8", exclude_categories=["C", "Z"]), min_size=1, max_size=12)


@st.composite
def readings(draw):
    """Any reading there can be: of every kind, with gaps, masks, repeats and all that it says beside its numbers."""
    key = draw(st.sampled_from(sorted(KINDS)))
    k, n = KINDS[key], draw(st.integers(1, 10))
    columns, sigma = {}, {}
    for c in k.places:
        one = st.sampled_from([20.0, 60.0, 85.0]) if key == "gloss" else _PLACES[c]
        columns[c] = draw(st.lists(one, min_size=n, max_size=n))
    for i, c in enumerate(k.values):
        low, high = k.limits_of(c)
        value = st.floats(low, min(high, 2.0 if key == "reflectance" else 1e4), allow_subnormal=False)
        columns[c] = draw(
            st.lists(st.one_of(value, st.just(np.nan)) if k.gaps and i else value, min_size=n, max_size=n)
        )
        spread = st.lists(st.floats(1e-6, 1e3), min_size=n, max_size=n)
        sigma[c] = [1.0 if np.isnan(v) else s for v, s in zip(columns[c], draw(spread), strict=True)]
    return make_reading(
        draw(_LETTERS), key, columns, sigma, draw(st.lists(st.booleans(), min_size=n, max_size=n)),
        tolerance=draw(st.floats(1e-4, 10.0)), source=draw(_LETTERS), date=draw(st.sampled_from(["", "2031-05-02"])),
        geometry=draw(st.sampled_from(["", *k.geometries])), rule=draw(st.sampled_from(["", "2 % + 0.002"])),
        **{key: draw(st.sampled_from([0.0, 2.5])) if k.takes(key) else 0.0 for key in LENGTHS},
        systematic=Systematic(**{e: draw(st.floats(0.0, 1.0)) for e in k.effects}),
    )  # fmt: skip


@given(readings())
def test_what_is_written_comes_back_unchanged(reading):
    assert read_text(write_text(reading), "a.csv") == reading
    # Quotation marks and the sign of a comment are what CGATS text cannot hold in a name.
    plain = reading.with_changes(name="A plate", source="lab 3")
    assert read_text(write_cgats(plain), "a.txt") == plain


@pytest.mark.parametrize("text", [
    "wavelength_nm,reflectance\n400,0.1\n500,0.2\n",
    "wavelength_nm;reflectance\n400;0,1\n500;0,2\n",
    "wavelength_nm\treflectance\n400\t0.1\n500\t0.2\n",
    "# measured on Monday\nwavelength_um,reflectance_percent\n\n0.4,10\n0.5,20\n",
    "wavelength,R\n500,0.2\n400,0.1\n",
    "Wavelength (µm),Reflectance [%]\n0.4,10\n0.5,20\n",
])  # fmt: skip
def test_many_ways_to_write_the_same(text):
    reading = read_text(text, "a.csv")
    assert reading.kind_key == "reflectance" and reading.geometry == "di:8"
    assert reading.x == pytest.approx([400.0, 500.0])
    assert reading.columns["reflectance"] == pytest.approx([0.1, 0.2])
    assert reading.sigma["reflectance"] == pytest.approx([0.0015, 0.002])


def test_two_blocks_of_n_and_k_are_joined():
    reading = read_text("wl,n\n0.40,1.2\n0.50,1.0\n0.60,0.8\n\nwl,k\n0.40,2.0\n0.60,3.0\n", "a.csv")
    assert reading.kind_key == "constants"
    assert reading.x == pytest.approx([400.0, 500.0, 600.0])
    assert reading.columns["k"] == pytest.approx([2.0, 2.5, 3.0])


def test_header_lines_and_uncertainty_are_taken():
    reading = read_text(
        "# name: Plate\n# kind: reflectance\n# geometry: 45:0\n# tolerance: 0.7\n# source: lab 3\n"
        "wavelength_nm,reflectance,sigma_reflectance\n400,0.1,0.01\n410,0.1,0.02\n",
        "a.csv",
    )
    assert (reading.name, reading.geometry, reading.tolerance, reading.source) == ("Plate", "45:0", 0.7, "lab 3")
    assert reading.sigma["reflectance"] == pytest.approx([0.01, 0.02])


@pytest.mark.parametrize(("text", "words"), [
    ("", "no table"),
    ("# only: words\n", "no table"),
    ("400,0.1\n500,0.2\n", "first row must name the columns"),
    ("wavelength_nm,shine\n400,0.1\n", "line 1: column 'shine' is not known"),
    ("wavelength_nm,reflectance\n400,0.1\n500,bright\n", "line 3: 'bright' in column reflectance is not a number"),
    ("wavelength_nm,reflectance\n400,nan\n", "line 2: 'nan' in column reflectance is not a finite number"),
    ("wavelength_nm,reflectance\n400,0.1,7\n", "line 2: 3 cells where the table has 2 columns"),
    ("wavelength_nm,reflectance\n", "has no rows"),
    ("wavelength_nm,reflectance\n400,-0.1\n", "must lie between 0 and"),
    ("wavelength_nm,reflectance\n4,0.1\n", "must lie between"),
    ("angle_deg,gloss_units\n45,80\n", "20, 60 or 85"),
    ("wavelength_nm\n400\n", "make no kind of reading"),
    ("wavelength_nm,n\n400,1.5\n\nwavelength_nm,n\n500,1.5\n", "several tables"),
    ("# tolerance: much\nwavelength_nm,n\n400,1.5\n", "tolerance 'much' in its header is not a number"),
    ("# geometry: 12:3\nwavelength_nm,reflectance\n400,0.1\n", "no geometry '12:3'"),
    ("# illuminant: D93\nwavelength_nm,reflectance\n400,0.1\n", "choose the illuminant"),
    ("wavelength_nm,reflectance,sigma\n400,0.1,0\n", "uncertainty"),
    ("wavelength_nm,reflectance\n400," + "1" * 200_000, "line 2: '1+' in column reflectance is not a number"),
    ('wavelength_nm,reflectance\n400,"' + "1" * 200_000 + '"\n', "no row of a table"),
    ("wavelength_nm,reflectance\n400," + "1" * 1_100_000, "line 2: it is longer than a million letters"),
    ("# a: b\n" * 400_001, "more than 400000 lines"),
])  # fmt: skip
def test_what_cannot_be_taken_is_said_in_one_sentence(text, words):
    with pytest.raises(ReadingError, match=words) as caught:
        read_text(text, "a.csv")
    assert str(caught.value).startswith("a.csv") and "\n" not in str(caught.value)


def test_files_that_are_no_readings(tmp_path):
    for content, words in (
        (b"\x89PNG\r\n\x1a\n\x00\x01", "not a text file"),
        (b"\x00" * 100, "."),
    ):
        path = tmp_path / "a.csv"
        path.write_bytes(content)
        with pytest.raises(ReadingError, match=words):
            read_file(path)
    with pytest.raises(InputError, match=r"no such file|folder"):
        read_file(tmp_path / "missing.csv")
    with pytest.raises(InputError, match=r"no such file|folder"):
        read_file(tmp_path)
    with pytest.raises(InputError, match="larger than 16 MB"):
        big = tmp_path / "big.csv"
        big.write_bytes(b"1\n" * 9_000_000)
        read_file(big)


_CELL = st.sampled_from(
    ["wavelength_nm", "n", "k", "reflectance", "angle_deg", "gloss_units", "sigma", "0.5", "400", "1e999", "-", "",
     "nan", '"', "'", "%", "0,5", "µm", "\x00", "1" * 400]
)  # fmt: skip
_LINES = st.lists(st.lists(_CELL, max_size=4), max_size=6)


@settings(max_examples=400)
@given(_LINES, st.sampled_from([",", ";", "\t"]), st.sampled_from([None, "gloss", "constants", "nonsense"]))
@example([["wavelength_nm", "n"], ["400", '"' * 3]], ",", None)
def test_no_table_breaks_the_reader(lines, separator, kind):
    text = "\n".join(separator.join(cells) for cells in lines)
    try:
        reading = read_text(text, "a.csv", kind)
    except ReadingError as error:
        assert "\n" not in str(error)
    else:
        assert read_text(write_text(reading), "a.csv") == reading.with_changes(source=reading.source)


@given(st.text(max_size=300))
def test_no_text_breaks_the_reader(text):
    try:
        read_text(text, "a.csv")
    except ReadingError as error:
        assert len(str(error)) < 2000


def test_readings_are_immutable_and_compare_by_their_data():
    a = make_reading("A", "index", {"wavelength_nm": [500.0], "n": [1.5]})
    with pytest.raises(ValueError):
        a.columns["n"][0] = 2.0
    assert a == make_reading("A", "index", {"wavelength_nm": [500.0], "n": [1.5]})
    assert a != make_reading("A", "index", {"wavelength_nm": [500.0], "n": [1.6]})
    assert a.with_changes(active=False) != a and np.isclose(a.sigma["n"][0], 1e-4)
