"""What is understood of the tables that people have: names, units, separators, several samples; and the doubts."""

import numpy as np
import pytest

from photometra.colour import xyz_to_lab
from photometra.readings import CHANNELS_NM, Choices, ReadingError, read_text, specimen_name, understand
from photometra.readings.columns import MEASURES, UNITS, meaning_of, plain_name
from photometra.readings.targets import colour_target
from photometra.readings.uncertainty import rule_of


@pytest.mark.parametrize(("header", "name", "unit"), [
    ("wavelength_nm", "wavelength_nm", "nm"),
    ("Wavelength (µm)", "wavelength_nm", "um"),
    ("wavelength / nm", "wavelength_nm", "nm"),
    ("λ [nm]", "wavelength_nm", "nm"),
    ("WL", "wavelength_nm", ""),
    ("Energy (eV)", "wavelength_nm", "ev"),
    ("photon energy", "wavelength_nm", "ev"),
    ("R (%)", "reflectance", "percent"),
    ("reflectance_percent", "reflectance", "percent"),
    ("Rs", "reflectance:s", ""),
    ("reflectance_p", "reflectance:p", ""),
    ("AOI (deg)", "angle_deg", "deg"),
    ("incidence_deg", "incidence_deg", "deg"),
    ("Psi", "psi_deg", ""),
    ("Δ (°)", "delta_deg", "deg"),
    ("radius_mm", "radius_mm", "mm"),
    ("distance (cm)", "radius_mm", "cm"),
    ("mu_a (1/cm)", "absorption_per_mm", "1/cm"),
    ("sigma_s [mm^-1]", "scatter_per_mm", "1/mm"),
    ("absorption_per_mm", "absorption_per_mm", "1/mm"),
    ("reduced_scatter_g_per_mm", "reduced_scatter_per_mm:green", "1/mm"),
    ("mu_s' (1/cm)", "reduced_scatter_per_mm", "1/cm"),
    ("exitance_b", "exitance_per_mm2:blue", ""),
    ("L*", "L", ""),
    ("XYZ_Y", "Y", ""),
    ("gloss (GU)", "gloss_units", "gu"),
    ("brdf_per_sr", "brdf_per_sr", "1/sr"),
    ("total transmittance", "total", ""),
])  # fmt: skip
def test_a_columns_name_says_what_it_is_and_in_which_unit(header, name, unit):
    found = meaning_of(header)
    assert (found.name, found.unit, found.is_sigma) == (name, unit, False)


def test_uncertainty_columns_and_what_is_nothing_known():
    assert meaning_of("sigma_n").is_sigma and meaning_of("sigma_n").name == "n"
    assert meaning_of("sigma").is_sigma and meaning_of("sigma").name == ""
    assert meaning_of("uncertainty reflectance (%)").unit == "percent"
    # Beside L*, a*, b* it is the uncertainty of a; a coefficient needs its unit.
    assert meaning_of("sigma_a").is_sigma and not meaning_of("sigma_a (1/mm)").is_sigma
    for nonsense in ("shine", "wavelength (parsec)", "n (nm)", "", "µ", "___", "()"):
        assert meaning_of(nonsense).name == "" and not meaning_of(nonsense).is_sigma


def test_every_column_has_a_measure_with_units_and_a_plain_name():
    for name, measure in MEASURES.items():
        assert next(iter(UNITS[measure].values())) == 1.0
        assert "_" not in plain_name(name)


@pytest.mark.parametrize(("text", "kind", "column", "values"), [
    ("wavelength_nm;reflectance\n400;0,25\n500;0,5\n", "reflectance", "reflectance", [0.25, 0.5]),
    ("wavelength_nm reflectance\n400 0.25\n500 0.5\n", "reflectance", "reflectance", [0.25, 0.5]),
    ("nm,R\n", None, None, None),
    ("wl,R\n400,25\n500,50\n", "reflectance", "reflectance", [0.25, 0.5]),
    ("eV,n\n", None, None, None),
    ("energy,n,k\n2,1.5,0\n3,1.6,0.1\n", "constants", "n", [1.6, 1.5]),
    ("wl,n\n0.45,1.6\n0.65,1.5\n", "index", "n", [1.6, 1.5]),
    ("angle,wavelength_nm,Rs,Rp\n45,550,0.1,0.01\n", "specular", "reflectance", [0.1, 0.01]),
    ("aoi,wl,pol,r\n45,550,p,0.01\n45,550,S,0.1\n", "specular", "reflectance", [0.1, 0.01]),
    ("incidence,view,brdf\n45,40,3\n45,45,9\n", "lobe", "brdf_per_sr", [3.0, 9.0]),
    ("wavelength_nm,t\n400,0.9\n500,0.8\n", "transmittance", "total", [0.9, 0.8]),
    ("wavelength_nm,regular,total\n400,0.9,\n500,,0.8\n", "transmittance", "total", [np.nan, 0.8]),
    ("wl,absorption (1/cm),scatter (1/cm)\n500,1,20\n", "coefficients", "scatter_per_mm", [2.0]),
    ("radius_mm,exitance_r,exitance_g,exitance_b\n1,3,2,1\n", "scatter", "exitance_per_mm2", [1.0, 2.0, 3.0]),
    ("L,a,b\n50,1,-2\n51,1,-2\n", "colour", "b", [-2.0, -2.0]),
    ("patch,incidence_deg,view_deg,red,green,blue\n1,45,0,.2,.1,.05\n", "photograph", "green", [0.1]),
    ("Wellenlänge [nm];Remission [%]\n400;25,5\n500;50\n", "reflectance", "reflectance", [0.255, 0.5]),
    ("Wellenla\u0308nge;Reflexionsgrad;Unsicherheit\n400;0,25;0,01\n", "reflectance", "reflectance", [0.25]),
    ("Winkel (Grad);Glanz (GE)\n20;12,5\n60;40\n", "gloss", "gloss_units", [12.5, 40.0]),
    ("Glanz 20°;Glanz 60°;Glanz 85°\n12,5;40;80\n", "gloss", "gloss_units", [12.5, 40.0, 80.0]),
    ("Photonenenergie;Brechzahl\n2,5;1,6\n", "index", "n", [1.6]),
    ("Wellenlänge (µm);Transmissionsgrad (Prozent)\n0,5;90\n", "transmittance", "total", [0.9]),
])  # fmt: skip
def test_tables_as_people_write_them(text, kind, column, values):
    found = understand(text, "a.csv")
    if kind is None:
        assert found.reading is None and found.problem
        return
    assert found.problem == "" and found.kind == kind
    assert found.reading.columns[column] == pytest.approx(values, nan_ok=True)


def test_gloss_of_several_samples_is_not_thrown_together():
    text = "Sample;20;60;85\nKnob A;45,2;78,9;91\nKnob A;44,8;79,3;90,7\nKnob B;12,2;48,1;77\n"
    found = understand(text, "a.csv")
    assert found.samples == ("Knob A", "Knob B") and any("2 samples" in d for d in found.doubts)
    assert found.reading.rows == 6 and found.reading.columns["gloss_units"].max() == 91.0
    other = understand(text, "a.csv", Choices(sample="Knob B")).reading
    assert other.columns["gloss_units"].tolist() == [12.2, 48.1, 77.0]
    # Numbers tell repeats apart, not samples.
    assert understand("Sample;20;60;85\n1;45;78;91\n2;44;79;90\n", "a.csv").reading.rows == 6


def test_samples_are_named_under_a_corner_that_says_what_stands_across():
    bands = ";".join(map(str, range(400, 560, 20)))
    rows = [f"Panel 1 SCI;{';'.join('9' * 8)}", f"Panel 1 SCE;{';'.join('5' * 8)}", f"Panel 2 SCI;{';'.join('7' * 8)}"]
    found = understand("\n".join([f"Wavelength;{bands}", *rows]), "a.csv")
    assert found.samples == ("Panel 1", "Panel 2")
    assert [(r.geometry, r.columns["reflectance"][0]) for r in found.readings] == [("di:8", 0.09), ("de:8", 0.05)]


def test_dark_noise_below_nothing_is_taken_as_nothing_and_more_is_refused():
    found = understand("nm;R (%)\n400;-0,02\n500;0,4\n600;-0,3\n", "a.csv")
    assert found.reading.columns["reflectance"].tolist() == [0.0, 0.004, 0.0]
    assert "2 values a little below 0 are taken as 0" in found.doubts
    assert "in row 2 it is -0.02" in understand("nm;R (%)\n400;3\n500;-2\n", "a.csv").problem


def test_means_and_deviations_of_named_samples_are_no_repeats():
    head, rail = "Name\t20°\t60°\t85°\n", "Rail mean\t31.2\t71.5\t88\nRail std\t0.4\t0\t0.3\n"
    one = understand(head + rail, "a.txt").reading
    assert one.columns["gloss_units"].tolist() == [31.2, 71.5, 88.0]
    assert one.sigma["gloss_units"].tolist() == [0.4, 0.05, 0.3]
    both = understand(f"{head}{rail}Knob mean\t12\t48\t77\nKnob std\t.2\t.3\t.4\n", "a.txt", Choices(sample="Knob"))
    assert both.samples == ("Rail", "Knob") and both.reading.sigma["gloss_units"].tolist() == [0.2, 0.3, 0.4]


@pytest.mark.parametrize(("text", "column", "first"), [
    ("Sample,X,Y,Z\nA,18.2,19.0,12.3\nB,28.2,29.0,22.3\n", "L", 50.69),
    ("Probe;L*;a*;b*\nA;45,2;12;-3\nA;45,4;12;-3\nB;30;0;0\n", "L", 45.2),
    ("sample,wavelength nm.,reflectance\nA,400,0.2\nA,500,0.3\nB,400,0.6\nB,500,0.7\n", "reflectance", 0.2),
])  # fmt: skip
def test_rows_of_named_samples(text, column, first):
    found = understand(text, "a.csv")
    assert found.samples == ("A", "B") and found.reading.columns[column][0] == pytest.approx(first, abs=0.01)
    assert found.reading.rows == text.count("\nA")


def test_what_an_instrument_writes_below_its_table_is_no_row_of_it():
    text = 'Wavelength nm.,%R\n780,88.1\n770,88.0\n760,87.9\n"Instrument Type:","UV-Vis"\n"Geometry:","d/8 SCE"\n'
    found = understand(text, "a.csv")
    assert found.reading.rows == 3 and found.reading.geometry == "de:8"
    assert "2 lines below the table were left out" in found.doubts
    # A slip in the last row is none of that.
    assert "'7b0'" in understand("nm,R (%)\n780,88\n770,88\n7b0,87\n", "a.csv").problem


def test_columns_that_say_the_same_are_samples_or_refused():
    rows = "\n".join(f"{nm};{10 + i};{50 - i}" for i, nm in enumerate(range(400, 701, 50)))
    found = understand(f"Wellenlänge;R [%];R [%]\n{rows}\n", "a.csv")
    assert found.samples == ("column 2", "column 3")
    assert found.reading.columns["reflectance"][:2] == pytest.approx([0.10, 0.11])
    few = understand("nm;R;R;T\n400;.1;.2;.3\n500;.1;.2;.3\n", "a.csv")
    assert few.reading is None and "the columns 'R' and 'R' say the same" in few.problem
    assert understand("nm;R;R\n400;.1;.2\n", "a.csv", Choices(columns={2: ("", "")})).reading.rows == 1


@pytest.mark.parametrize(("head", "light", "observer"), [
    ("Illuminant: D65/10°", "D65", "1964-10"), ("Lichtart;A (2856 K)\nBeobachter;2°", "A", "1931-2"),
    ("Illuminant/Observer: D50-2°", "D50", "1931-2"), ("# observer: 10 deg", "D65", "1964-10"),
    ("Standard observer: CIE 1931 2-deg", "D65", "1931-2"), ("illuminant: 4100 K", "4100 K", "1931-2"),
])  # fmt: skip
def test_light_and_observer_as_instruments_write_them(head, light, observer):
    found = understand(f"{head}\nwavelength;R %\n400;12\n500;40\n600;41\n", "a.csv")
    assert (found.reading.illuminant, found.reading.observer) == (light, observer)
    assert not any("left out" in d for d in found.doubts)


def test_an_observer_who_is_a_person_is_left_out_and_a_light_nobody_knows_is_asked_for():
    table = "wl;R %\n400;12\n500;40\n600;41\n"
    found = understand(f"Observer: R. Penhale\n{table}", "a.csv")
    assert found.reading.observer == "1931-2"
    assert any("the observer 'R. Penhale' in its header was left out" in d for d in found.doubts)
    assert "choose the illuminant from" in understand(f"Illuminant: Moon\n{table}", "a.csv").problem
    chosen = understand(f"Illuminant: Moon\n{table}", "a.csv", Choices(more={"illuminant": "C"}))
    assert chosen.reading.illuminant == "C"


@pytest.mark.parametrize(("said", "millimetres"), [
    ("0,4 cm", 4.0), ("400 µm", 0.4), ("4", 4.0), ("4.0mm", 4.0), ("0.004 m", 4.0), ("4 ells", None), ("thin", None),
])  # fmt: skip
def test_a_thickness_has_its_own_unit(said, millimetres):
    found = understand(f"Dicke;{said}\nwl;T %\n400;12\n500;40\n600;41\n", "a.csv")
    if millimetres is None:
        assert f"the thickness '{said}' in its header is not a number" in found.problem
    else:
        assert found.reading.thickness_mm == pytest.approx(millimetres)


@pytest.mark.parametrize(("header", "sigma", "is_said"), [
    ("R (%);sigma", 0.004, True), ("R (%);sigma R", 0.004, True), ("R;sigma", 0.004, True),
    ("R (%);sigma (%)", 0.004, False), ("R (%);Standardabweichung", 0.004, True), ("R (%);std R (%)", 0.004, False),
])  # fmt: skip
def test_an_uncertainty_without_a_unit_has_that_of_its_values(header, sigma, is_said):
    found = understand(f"wavelength_nm;{header}\n400;41;0,4\n700;60;0,4\n", "a.csv")
    assert found.reading.sigma["reflectance"] == pytest.approx([sigma, sigma])
    assert any("as its values are" in d for d in found.doubts) == is_said


def test_one_uncertainty_of_several_columns_has_their_unit():
    found = understand("wl,absorption (1/cm),scatter (1/cm),sigma\n500,1,20,.1\n", "a.csv")
    assert found.reading.sigma["absorption_per_mm"] == pytest.approx([0.01])
    fractions = understand("wavelength_nm;reflectance;sigma\n400;.41;.004\n700;.6;.004\n", "a.csv")
    assert fractions.reading.sigma["reflectance"] == pytest.approx([0.004, 0.004])


@pytest.mark.parametrize(("head", "geometry"), [
    ("Sample: Door handle\nGeometry: d/8 SCE", "de:8"), ("# Probe: Door handle\n# Messgeometrie: 45°/0°", "45:0"),
    ("Probenname;Door handle\nGlanzanteil;ohne Glanz", "de:8"), ("Muster;Door handle\nGeometrie;mit Glanz", "di:8"),
])  # fmt: skip
def test_a_preamble_names_the_sample_and_its_geometry(head, geometry):
    found = understand(f"{head}\nwavelength;R %\n400;12\n500;40\n600;41\n", "dir/handle-1.csv")
    assert specimen_name(found) == "Door handle" and found.reading.geometry == geometry
    # Of one specimen's readings each goes by its file.
    assert found.reading.name == "handle-1"


def test_a_specimen_is_called_by_its_reading_where_no_header_says_a_word():
    assert specimen_name(understand("Sample;12\nwl;R\n400;.2\n500;.3\n", "dir/handle-1.csv")) == "handle-1"


def test_a_channel_stands_where_its_light_is_alone():
    found = understand("radius_mm,exitance_r,exitance_g,exitance_b\n1,3,2,1\n", "a.csv").reading
    assert found.columns["wavelength_nm"].tolist() == sorted(CHANNELS_NM.values())


def test_what_is_doubtful_is_said():
    found = understand("wl,R,who\n400,25,me\n500,50,me\n500,51,you\n", "a.csv")
    said = " | ".join(found.doubts)
    for words in ("says no unit: taken as nm", "taken as per cent", "column 'who' was left out", "says no geometry",
                  "says no uncertainty: taken as 0.5 % + 0.001", "read more than once"):  # fmt: skip
        assert words in said, words
    assert found.doubtful == {0, 1, 2}
    whole = "# geometry: di:8\n# uncertainty: 1 %\nwavelength_nm,reflectance_percent\n400,25\n500,50\n"
    assert understand(whole, "a.csv").doubts == ()


def test_xyz_and_linear_rgb_become_lab():
    found = understand("# illuminant: A\nX,Y,Z\n40,35,10\n", "a.csv").reading
    want = xyz_to_lab([0.4, 0.35, 0.1], "A")
    assert [found.columns[c][0] for c in "Lab"] == pytest.approx(list(want))
    white = understand("red,green,blue\n1,1,1\n", "a.csv").reading
    assert [white.columns[c][0] for c in "Lab"] == pytest.approx([100.0, 0.0, 0.0], abs=0.05)


def test_one_of_several_samples_is_taken():
    scatter, absorption = ([f"{name}_{c}_per_mm" for c in "rgb"] for name in ("reduced_scatter", "absorption"))
    text = ",".join(["material", *scatter, *absorption]) + "\nMilk,1,2,3,0.1,0.2,0.3\nWax,4,5,6,0,0,0\n"
    first = understand(text, "a.csv")
    assert (
        first.samples == ("Milk", "Wax") and first.sample == "Milk" and "2 samples; 'Milk' is taken" in first.doubts[0]
    )
    second = understand(text, "a.csv", Choices(sample="Wax")).reading
    assert second.columns["reduced_scatter_per_mm"].tolist() == [6.0, 5.0, 4.0]
    assert "no sample 'Tar'" in understand(text, "a.csv", Choices(sample="Tar")).problem


def test_a_cgats_file_of_spectra():
    fields = "SAMPLE_ID SPECTRAL_NM400 SPECTRAL_NM500 SPECTRAL_NM600"
    sets = "A1 0.1 0.2 0.3\nA2 0.4 0.5 0.6"
    text = f'CGATS.17\nORIGINATOR "lab 3"\nBEGIN_DATA_FORMAT\n{fields}\nEND_DATA_FORMAT\nBEGIN_DATA\n{sets}\nEND_DATA\n'
    found = understand(text, "a.txt", Choices(sample="A2"))
    assert found.samples == ("A1", "A2") and found.reading.source == "lab 3"
    assert found.reading.x.tolist() == [400.0, 500.0, 600.0]
    assert found.reading.columns["reflectance"].tolist() == [0.4, 0.5, 0.6]
    with pytest.raises(ReadingError, match="no whole table"):
        understand("CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID\n", "a.txt")
    with pytest.raises(ReadingError, match="line 5: 1 values where the table has 2 fields"):
        understand("CGATS.17\nBEGIN_DATA_FORMAT\nLAB_L LAB_A\nBEGIN_DATA\n5\nEND_DATA\n", "a.txt")


def test_choices_correct_what_was_understood():
    text = "a b\n400 12\n500 13\n"
    columns = {0: ("wavelength_nm", "nm"), 1: ("reflectance", "percent")}
    found = understand(text, "a.csv", Choices(columns=columns, more={"geometry": "45:0", "name": "Plate"}))
    assert (found.reading.name, found.reading.geometry) == ("Plate", "45:0")
    assert found.reading.columns["reflectance"] == pytest.approx([0.12, 0.13])
    # Numbers without a header are taken in the order of a kind that is named.
    bare = understand("500,1.5,0\n400,1.6,0.1\n", "a.csv", Choices(kind="constants")).reading
    assert bare.columns["k"].tolist() == [0.1, 0.0]
    assert understand("1,5\n", "a.csv", Choices(separator=";", decimal=",")).sheet.blocks[0].rows[0][1] == ["1,5"]


def test_a_thickness_goes_only_where_one_belongs():
    pane = understand("# thickness: 2.5 mm\nwavelength_nm,total\n400,0.9\n", "a.csv").reading
    assert pane.thickness_mm == 2.5 and "2.5 mm" in pane.label
    gloss = understand("# thickness: 2.5 mm\nangle,gloss\n60,80\n", "a.csv")
    assert gloss.reading.thickness_mm == 0.0 and any("thickness was left out" in d for d in gloss.doubts)
    assert "thickness 'thick' in its header" in understand("# thickness: thick\nwl,t\n400,1\n", "a.csv").problem


@pytest.mark.parametrize(("text", "pair"), [
    ("2 %", (0.02, 0.0)), ("0.002", (0.0, 0.002)), ("2 % + 0.002", (0.02, 0.002)), ("± 1e-3 + 0.5%", (0.005, 0.001)),
])  # fmt: skip
def test_rules_of_uncertainty(text, pair):
    assert rule_of(text) == pytest.approx(pair)


@pytest.mark.parametrize("text", ["", "much", "2 % of it", "-1 %", "0", "nan", "1 + x"])
def test_what_is_no_rule(text):
    with pytest.raises(ValueError, match="uncertainty"):
        rule_of(text)


@pytest.mark.parametrize(("text", "lab"), [
    ("52.1, 8.3, 24.7", (52.1, 8.3, 24.7)), ("Lab 52.1 8.3 -24.7", (52.1, 8.3, -24.7)), ("#ffffff", (100.0, 0.0, 0.0)),
    ("XYZ 95.047 100 108.883", (100.0, 0.0, 0.0)), ("52,1; 8,3; 24,7", (52.1, 8.3, 24.7)),
])  # fmt: skip
def test_a_colour_as_people_type_it(text, lab):
    target = colour_target(text)
    assert [target.columns[c][0] for c in "Lab"] == pytest.approx(lab, abs=0.05)
    assert target.kind_key == "colour" and read_text("L,a,b\n1,2,3\n", "x").kind_key == "colour"


@pytest.mark.parametrize("text", ["", "red", "#12345", "1 2", "1, 2, 3, 4", "XYZ one two three"])
def test_what_is_no_colour(text):
    with pytest.raises(ValueError, match="three numbers"):
        colour_target(text)


@pytest.mark.parametrize("turned", [False, True])
@pytest.mark.parametrize("in_plane", [False, True])
def test_a_lobe_that_comes_back_to_the_lamp_is_doubted(turned, in_plane):
    heading = "theta_i (deg),theta_r (deg),f_r" if in_plane else "theta_i,theta_r,phi,BRDF (1/sr)"
    rows = []
    for incidence in (0, 30, 60):
        for view in range(-75, 76, 15):
            value = 0.12 + 2.5 * np.exp(-(((view - incidence) / 9.0) ** 2))
            seen = -view if turned else view
            at = f"{seen}" if in_plane else f"{abs(seen)},{180 if seen > 0 else 0}"
            rows.append(f"{incidence},{at},{value:.4f}")
    found = understand("\n".join([heading, *rows]))
    assert found.problem == "" and found.reading.kind_key == ("lobe" if in_plane else "brdf")
    assert any("back to the lamp" in d for d in found.doubts) == turned


def test_a_sample_that_nobody_named_is_its_headers_or_its_files():
    table = "lambda [nm];SCI;SCE\n" + "\n".join(f"{nm};{20 + i};{16 + i}" for i, nm in enumerate(range(400, 701, 20)))
    assert understand(table, "lid.csv").samples == ("lid",)
    assert understand(f"Sample: Kettle lid\n{table}", "lid.csv").samples == ("Kettle lid",)


@pytest.mark.parametrize(
    "heading, doubted", [("nm;Smoke A;Smoke B", True), ("nm;R A;R B", False), ("Remission\nnm;Tile 1;Tile 2", False)]
)
def test_columns_that_do_not_say_what_they_hold_are_doubted(heading, doubted):
    table = "\n".join(f"{nm};{20 + i};{16 + i}" for i, nm in enumerate(range(400, 701, 20)))
    found = understand(f"{heading}\n{table}")
    assert found.reading.kind_key == "reflectance"
    assert ("nothing says what the numbers are: taken as reflectance" in found.doubts) == doubted


def test_a_sphere_that_reads_both_ways_gives_two_readings():
    table = "nm;T (%);R (%)\n" + "\n".join(f"{nm};{60 + i};{8 + i}" for i, nm in enumerate(range(400, 701, 20)))
    found = understand(table, "pane.csv")
    assert [(r.name, r.kind_key) for r in found.readings] == [
        ("pane", "reflectance"), ("pane, transmittance", "transmittance"),
    ]  # fmt: skip
    reflected, passed = found.readings
    assert reflected.columns["reflectance"][0] == pytest.approx(0.08) and passed.columns["total"][0] == 0.6
    assert "2 readings of it are taken: di:8, transmittance" in found.doubts
    # A person who says the geometry of the one says nothing of the other.
    again = understand(table, "pane.csv", Choices(more={"geometry": "45:0"}))
    assert [r.geometry for r in again.readings] == ["45:0", ""]


def test_a_known_column_that_its_kind_has_not_is_not_left_out_in_silence():
    found = understand("nm,n,k,R\n450,1.5,0.0,0.04\n650,1.49,0.0,0.039\n")
    assert found.reading.kind_key == "constants" and "column 'R' was left out" in found.doubts


@pytest.mark.parametrize("heading", ["Absorbance", "Intensity (counts)", "Irradiance"])
def test_other_quantities_are_not_taken_for_reflectance(heading):
    table = f"nm;{heading}\n" + "\n".join(f"{nm};0.{i:02d}" for i, nm in enumerate(range(400, 701, 20), 10))
    found = understand(table)
    assert found.reading is None and heading[:8] in found.problem


def test_lightness_chroma_and_hue_are_a_colour():
    found = understand("Sample;L*;C*;h\nLid;52,1;5;126,87\n")
    columns = found.reading.columns
    assert found.samples == ("Lid",)
    assert [float(columns[c][0]) for c in "Lab"] == pytest.approx([52.1, -3.0, 4.0], abs=1e-3)


def test_gloss_rows_that_are_named_are_samples_and_counted_ones_repeats():
    rows = "61;88;96\n{};40;70;90\n"
    assert understand(";20°;60°;85°\nLid;" + rows.format("Rim")).samples == ("Lid", "Rim")
    for first, second in (("Reading 1", "Reading 2"), ("1", "2"), ("Messung A", "Messung B"), ("", "")):
        found = understand(f";20°;60°;85°\n{first};" + rows.format(second))
        assert found.samples == () and found.reading.rows == 6
