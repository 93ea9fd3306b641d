"""Files as instruments write them: preambles, wide tables, SPIN and SPEX, three gloss angles, encodings, real files."""

from pathlib import Path

import numpy as np
import pytest

from photometra.readings import Choices, ReadingError, read_file, text_of, understand
from photometra.readings.geometries import MULTI_ANGLE, geometry_of, without_geometry
from photometra.readings.tables import number_text

NM = np.arange(400, 701, 20)
R = 0.2 + 0.3 / (1.0 + np.exp(-(NM - 580.0) / 20.0))


def _row(values, scale=1.0, digits=4, decimal="."):
    return [f"{scale * v:.{digits}f}".replace(".", decimal) for v in values]


def wide(separator=";", decimal=",", header="{} nm"):
    lines = [
        "Instrument;bench sphere no. 4",
        "Meßgeometrie;d/8°",
        "",
        ";".join(["Probe", "Modus", *map(header.format, NM)]),
    ]
    for sample in ("Lid #1", "Lid #2"):
        for mode, more in (("SCI", 0.04), ("SCE", 0.0)):
            lines.append(";".join([sample, mode, *_row(R + more, 100.0, 2, decimal)]))
    return "\r\n".join(lines).replace(";", separator)


@pytest.mark.parametrize("header", ["{} nm", "{}nm", "SPECTRAL_NM{}", "SPEC_{}", "R{}", "nm{}", "{}"])
def test_wavelengths_across_the_top_give_the_specular_part_in_and_out(header):
    found = understand(wide(header=header), "log.csv")
    assert found.samples == ("Lid #1", "Lid #2") and [r.geometry for r in found.readings] == ["di:8", "de:8"]
    assert [r.name for r in found.readings] == ["Lid #1 di:8", "Lid #1 de:8"]
    for reading, more in zip(found.readings, (0.04, 0.0), strict=True):
        assert reading.x.tolist() == NM.tolist()
        assert reading.columns["reflectance"] == pytest.approx(R + more, abs=6e-5)
    corrected = understand(wide(header=header), "log.csv", Choices(more={"geometry": "45:0", "name": "Cap di:8"}))
    assert [(r.name, r.geometry) for r in corrected.readings] == [("Cap di:8", "di:8"), ("Cap de:8", "de:8")]
    second = understand(wide(header=header), "log.csv", Choices(sample="Lid #2"))
    assert [r.name for r in second.readings] == ["Lid #2 di:8", "Lid #2 de:8"]


@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "utf-16", "utf-16-le", "utf-16-be", "cp1252", "latin-1"])
def test_whatever_the_encoding(tmp_path, encoding):
    path = tmp_path / "log.csv"
    path.write_bytes(wide().encode(encoding))
    assert "Meßgeometrie" in text_of(path)
    assert read_file(path).columns["reflectance"] == pytest.approx(R + 0.04, abs=6e-5)


def test_what_is_no_text_is_refused_in_a_sentence(tmp_path):
    for data in (b"\x89PNG\r\n\x1a\n\0\0", b"\0" * 64, bytes(range(256))):
        (tmp_path / "a.csv").write_bytes(data)
        with pytest.raises(ReadingError, match="not a text file"):
            text_of(tmp_path / "a.csv")


def test_columns_named_by_geometry_are_readings_of_one_sample():
    text = "nm\tSPIN\tSPEX\n" + "\n".join(f"{n}\t{v + 0.04:.4f}\t{v:.4f}" for n, v in zip(NM, R, strict=True))
    found = understand(text, "lid.txt")
    assert [(r.name, r.geometry) for r in found.readings] == [("lid di:8", "di:8"), ("lid de:8", "de:8")]
    several = "Wavelength (nm),45as15,45as25,45as45,45as75,45as110\n" + "\n".join(
        ",".join([str(n), *_row(np.array([150, 80, 30, 20, 15]) * v, 1.0, 2)]) for n, v in zip(NM, R, strict=True)
    )
    found = understand(several, "paint.csv")
    assert [r.geometry for r in found.readings] == list(MULTI_ANGLE[1:])
    assert found.readings[0].columns["reflectance"] == pytest.approx(1.5 * R, abs=1e-4)


def test_gloss_at_three_angles_with_its_mean_and_deviation():
    text = (
        "Gloss meter log\nDate,2031-02-03\nNo,20°,60°,85°\n1,45.1,82.0,93.1\n2,44.7,81.6,92.8\n"
        "Mean,44.9,81.8,93.0\nStd Dev,0.4,0.45,0\n"
    )
    found = understand(text, "gloss.csv").reading
    assert found.columns["gloss_units"].tolist() == [44.9, 81.8, 93.0]
    assert found.sigma["gloss_units"].tolist() == [0.4, 0.45, 0.05]
    for text in ("Gloss 20,Gloss 60\n45,82\n", "name;20;60;85\nlid;45;82;93\n", "20° GU\t60° GU\n45\t82\n"):
        assert understand(text, "g.csv").reading.columns["gloss_units"][:2].tolist() == [45.0, 82.0]


def test_rows_labelled_by_wavelength_cells_with_units_and_gaps():
    labels = "Reflectance of the lid\n" + "\n".join(f"R {n} nm,{100 * v:.1f}%" for n, v in zip(NM, R, strict=True))
    found = understand(labels, "lid.csv").reading
    assert found.x.tolist() == NM.tolist() and found.columns["reflectance"] == pytest.approx(R, abs=6e-4)
    gaps = "wavelength_nm,reflectance\n" + "\n".join(
        f"{n},{'--' if n < 440 else f'{v:.3f}'}" for n, v in zip(NM, R, strict=True)
    )
    found = understand(gaps, "lid.csv")
    assert found.reading.x[0] == 440.0 and any("2 of 16 rows lack a value" in d for d in found.doubts)
    assert (
        "every row of this table lacks" in understand("wavelength_nm,reflectance\n400,--\n500,n/a\n", "a.csv").problem
    )


def test_a_mean_column_is_taken_with_its_deviation():
    rows = "\n".join(f"{n},{v},{v + 0.002},{v + 0.001},0.0015" for n, v in zip(NM, R, strict=True))
    found = understand(f"wavelength_nm,Scan 1,Scan 2,Mean,StdDev\n{rows}\n", "lid.csv")
    assert found.reading.columns["reflectance"] == pytest.approx(R + 0.001)
    assert set(found.reading.sigma["reflectance"]) == {0.0015} and "the mean is taken" in found.doubts[1]


def test_dark_data_in_per_cent_are_never_taken_as_bright_without_a_doubt():
    dark = "\n".join(f"{n},{0.9 + v:.2f}" for n, v in zip(NM, R, strict=True))
    assert understand(f"wl,R\n{dark}", "a.csv").reading.columns["reflectance"].max() < 0.015
    assert understand(f"wl,R (%)\n{dark}", "a.csv").reading.columns["reflectance"].max() < 0.015
    signed = "\n".join(f"{n},{v:.2f} %" for n, v in zip(NM, R, strict=True))
    assert understand(f"wl,R\n{signed}", "a.csv").reading.columns["reflectance"].max() < 0.006
    beside = "\n".join(f"{n},{v:.2f},{80 * v:.2f}" for n, v in zip(NM, R, strict=True))
    two = understand(f"wl,black felt,white felt\n{beside}", "a.csv", Choices(sample="black felt"))
    assert two.samples == ("black felt", "white felt")
    assert two.reading.columns["reflectance"].max() < 0.006
    open_ = understand("wl,R\n" + "\n".join(f"{n},{v:.2f}" for n, v in zip(NM, R, strict=True)), "a.csv")
    assert any("taken as fractions" in d for d in open_.doubts)
    assert "more than a surface sends back" in understand("wl,reflectance (fraction)\n400,1.5\n", "a.csv").problem


def test_reduced_scattering_stays_what_it_is():
    found = understand("wavelength_nm,mu_a (1/cm),mu_s' (1/cm)\n500,0.1,12\n", "a.csv").reading
    assert np.isnan(found.columns["scatter_per_mm"]).all()
    assert found.columns["reduced_scatter_per_mm"].tolist() == pytest.approx([1.2])


@pytest.mark.parametrize(("text", "geometry", "is_open"), [
    ("45/0", "45:0", False), ("45°:0°", "45:0", False), ("0/45", "45:0", False), ("d/8", "di:8", True),
    ("SCI", "di:8", False), ("specular included", "di:8", False), ("SPEX", "de:8", False), ("d/8 SCE", "de:8", False),
    ("di:8°", "di:8", False), ("45as110", "45as110", False), ("as-15", "45as-15", False), ("45:as25", "45as25", False),
    ("45as33", "", False), ("round the corner", "", False), ("", "", False),
])  # fmt: skip
def test_geometries_as_people_write_them(text, geometry, is_open):
    assert geometry_of(text) == (geometry, is_open)


def test_a_geometry_in_a_name_is_parted_from_it():
    assert without_geometry("Lid #1 (SCI)") == ("Lid #1", "di:8")
    assert without_geometry("45as15") == ("", "45as15")
    assert without_geometry("Prescience basin") == ("Prescience basin", "")


def test_units_behind_numbers_go():
    assert [number_text(c) for c in ("12.5 %", "−3", "650 nm", "20°")] == ["12.5", "-3", "650", "20"]


_REAL = Path("/usr/share/color/argyll/ref"), Path("/usr/share/colord")


@pytest.mark.skipif(not all(f.exists() for f in _REAL), reason="Debian's argyll-ref and colord-data are not installed")
def test_files_that_other_programs_wrote():
    """The colour files of two Debian packages: charts are taken, lights and observers are told for what they are."""
    taken, told = 0, 0
    for path in sorted([*_REAL[0].glob("*"), *_REAL[1].glob("*/*")]):
        if path.suffix not in (".sp", ".cie", ".ti1", ".ti2", ".cmf", ".cal"):
            continue
        try:
            taken += understand(text_of(path), path).reading is not None
        except ReadingError as error:
            assert "not of a surface" in str(error), path
            told += 1
    assert taken >= 28 and told >= 40
    chart = understand(text_of(_REAL[0] / "ColorChecker.cie"), "c.cie", Choices(sample="D01")).reading
    assert [chart.columns[c][0] for c in "Lab"] == [96.54, -0.43, 1.19]
    test_colours = understand(text_of(_REAL[1] / "ref/CIE-TCS.sp"), "t.sp")
    assert len(test_colours.samples) >= 14 and test_colours.reading.rows == 95


def test_names_under_a_heading_of_sample_are_names():
    """Found with a table made by hand: the names were passed over, and the rows numbered."""
    text = "sample,400,450,500,550,600,650,700\nBuoy,5,6,9,20,40,50,55\nOar,30,31,32,33,34,35,36\n"
    assert understand(text, "t.csv").samples == ("Buoy", "Oar")
    numbered = text.replace("Buoy", "7").replace("Oar", "8")
    assert understand(numbered, "t.csv").samples == ("7", "8")


@pytest.mark.parametrize(
    "text, light, observer, others",
    [
        ("Sample,L*(D65),a*(D65),b*(D65)\nRail,52.1,12.3,28.4", "D65", "2", []),
        ("Probe;L*(D65/10°);a*(D65/10°);b*(D65/10°)\nRail;52,1;12,3;28,4", "D65", "10", []),
        ("Name\tL* [A]\ta* [A]\tb* [A]\tdE*\nRail\t52.1\t12.3\t28.4\t0", "A", "2", []),
        (
            "Sample,L*(A),a*(A),b*(A),L*(D65),a*(D65),b*(D65)\nRail,54.0,15.1,31.0,52.1,12.3,28.4",
            "D65", "2", ["of colours under several lights those under D65 are taken, not A"],
        ),
    ],
)  # fmt: skip
def test_colours_whose_headings_say_their_light(text, light, observer, others):
    found = understand(text)
    reading = found.reading
    assert found.problem == "" and [float(reading.columns[c][0]) for c in ("L", "a", "b")] == [52.1, 12.3, 28.4]
    assert reading.illuminant == light and reading.observer.endswith(f"-{observer}")
    assert [d for d in found.doubts if "lights" in d] == others


@pytest.mark.parametrize(
    "text, gloss, sigma",
    [
        (
            "Gloss meter log 12.11.2026\noperator: Mara\nangle\t1\t2\t3\tmean\n20\t61.2\t60.8\t61.9\t61.3\n"
            "60\t88.1\t88.4\t87.9\t88.1\n85\t96.0\t95.8\t96.1\t96.0\n",
            {20: [61.3], 60: [88.1], 85: [96.0]}, None,
        ),
        ("Angle,Reading 1,Reading 2\n20,61.2,60.8\n60,88.1,88.4\n", {20: [61.2, 60.8], 60: [88.1, 88.4]}, None),
        (
            "Winkel;Mittelwert;StdAbw.;Anzahl\n20°;61,3;0,6;5\n60°;88,1;0,2;5\n", {20: [61.3], 60: [88.1]}, [0.6, 0.2],
        ),
        ("Geometry\tGloss (GU)\n60°\t0.8\n", {60: [0.8]}, None),
    ],
)  # fmt: skip
def test_gloss_with_its_angles_below_each_other(text, gloss, sigma):
    found = understand(text)
    reading = found.reading
    assert found.problem == "" and reading.kind_key == "gloss"
    at, values = reading.columns["angle_deg"], reading.columns["gloss_units"]
    assert {a: values[at == a].tolist() for a in np.unique(at)} == gloss
    assert sigma is None or reading.sigma["gloss_units"].tolist() == sigma
    assert ("the mean is taken" in " ".join(found.doubts)) == ("Mittelwert" in text or "mean" in text)


def test_what_is_no_gloss_at_those_angles_is_not_taken_for_it():
    found = understand("Angle,Run 1,Run 2\n20,0.41,0.42\n60,0.45,0.46\n")
    assert found.reading is None and "Run 1" in found.problem


@pytest.mark.parametrize(
    "heading, thick, kinds, left",
    [
        ("Wavelength (nm);T total 3mm (%);T total 6mm (%)", [3.0, 6.0], ["total"], []),
        ("Wellenlänge [nm];Transmissionsgrad 0,5 cm [%];Transmissionsgrad 1 cm [%]", [5.0, 10.0], ["total"], []),
        ("nm;T_total_1.5mm (%);T_regular_1.5mm (%)", [1.5], ["regular", "total"], []),
        ("nm;T 3 mm (%);R 3 mm (%)", [3.0], ["total"], ["column 'R 3 mm (%)' was left out"]),
    ],
)
def test_plates_of_several_thicknesses_are_readings_of_one_sample(heading, thick, kinds, left):
    rows = [f"{nm};{60.0 + i};{40.0 + i}" for i, nm in enumerate(NM)]
    found = understand("\n".join([heading, *rows]), "smoked.csv")
    assert found.problem == "" and [r.kind_key for r in found.readings] == ["transmittance"] * len(thick)
    assert [r.thickness_mm for r in found.readings] == thick and len({r.name for r in found.readings}) == len(thick)
    firsts = [r.columns[k][0] for r in found.readings for k in reversed(kinds)]
    assert firsts == pytest.approx([0.6, 0.4][: len(firsts)])
    assert [d for d in found.doubts if "left out" in d] == left


def test_columns_that_begin_with_t_are_let_through():
    rows = [f"{nm};{60.0 + i};{40.0 + i}" for i, nm in enumerate(NM)]
    found = understand("\n".join(["nm;T% plate A;T% plate B", *rows]))
    assert found.samples == ("T% plate A", "T% plate B")
    assert found.reading.kind_key == "transmittance" and found.reading.columns["total"][0] == pytest.approx(0.6)


def test_a_column_corrected_in_a_table_laid_out_is_that_column():
    rows = "\n".join(f"{nm};{60.0 + i};{40.0 + i}" for i, nm in enumerate(NM))
    text = f"nm;T total 3mm;T total 6mm\n{rows}"
    found = understand(text)
    assert [m.name for m in found.meanings] == ["", "wavelength_nm", "total"]
    again = understand(text, choices=Choices(columns={2: ("regular", "percent")}))
    assert [r.thickness_mm for r in again.readings] == [3.0, 6.0]
    assert [r.columns["regular"][0] for r in again.readings] == pytest.approx([0.6, 0.4])
