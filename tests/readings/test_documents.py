"""Constants as YAML and colours as CxF3: published indices come out, samples are told apart, the hostile refused."""

import numpy as np
import pytest

from photometra.optics.dispersion import index_by_formula
from photometra.readings import ReadingError
from photometra.readings.files import read_text
from photometra.readings.understanding import Choices, understand

BK7 = (0.0, 1.03961212, 0.00600069867, 0.231792344, 0.0200179144, 1.01046945, 103.560653)
SILICA = (0.0, 0.6961663, 0.0684043, 0.4079426, 0.1162414, 0.8974794, 9.896161)


class TestFormulas:
    def test_published_indices(self):
        """Crown glass by its maker's sheet (n_d 1.51680), fused silica (Malitson 1965, n_d 1.45846), dry air at 15 °C
        (Ciddor 1996, n - 1 = 2.77e-4), and water's neighbour by Cauchy."""
        assert index_by_formula(2, BK7, 0.5875618) == pytest.approx(1.51680, abs=1e-5)
        assert index_by_formula(1, SILICA, 0.5875618) == pytest.approx(1.45846, abs=1e-5)
        air = (0.0, 0.05792105, 238.0185, 0.00167917, 57.362)
        assert index_by_formula(6, air, 0.589) - 1.0 == pytest.approx(2.77e-4, abs=1e-6)
        assert index_by_formula(5, (1.32, 0.003, -2.0), 0.5) == pytest.approx(1.332)

    def test_each_by_hand_at_one_micrometre(self):
        assert index_by_formula(3, (2.0, 0.25, 2.0, 0.1, -4.0), 1.0) == pytest.approx(np.sqrt(2.35))
        assert index_by_formula(4, (2.0, 0.5, 0.0, 0.5, 2.0), 1.0) == pytest.approx(np.sqrt(2.0 + 0.5 / 0.75))
        assert index_by_formula(7, (1.4, 0.01, 0.0, 0.02), 1.0) == pytest.approx(1.4 + 0.01 / 0.972 + 0.02)
        right = 0.2 + 0.05 / (1.0 - 0.04) + 0.01
        assert index_by_formula(8, (0.2, 0.05, 0.04, 0.01), 1.0) == pytest.approx(
            np.sqrt((1 + 2 * right) / (1 - right))
        )
        assert index_by_formula(9, (2.0, 0.1, 0.04, 0.02, 0.5, 0.3), 1.0) == pytest.approx(
            np.sqrt(2.0 + 0.1 / 0.96 + 0.02 * 0.5 / (0.25 + 0.3))
        )


def yaml_of(*entries):
    return "REFERENCES: |\n  A. Author, <i>Journal</i> 1 (2001)\nDATA:\n" + "".join(entries)


TABLE = (
    "  - type: tabulated nk\n    data: |\n      0.2 1.0 1.2\n      0.4 0.17 1.95\n      0.7 0.14 4.5\n      2.0 1 14\n"
)


class TestConstants:
    def test_a_table_within_what_is_seen(self):
        found = understand(yaml_of(TABLE))
        reading = found.reading
        assert reading.kind_key == "constants" and list(reading.x) == [400.0, 700.0]
        assert list(reading.columns["k"]) == [1.95, 4.5] and reading.source == "A. Author, Journal 1 (2001)"
        assert any("between 300 and 1000 nm" in n for n in found.doubts)

    def test_a_formula_with_the_absorption_of_a_table_beside_it(self):
        entry = f"  - type: formula 2\n    wavelength_range: 0.3 2.5\n    coefficients: {' '.join(map(str, BK7))}\n"
        lost = "  - type: tabulated k\n    data: |\n      0.3 1e-5\n      0.5 2e-5\n"
        reading = read_text(yaml_of(entry, lost))
        assert np.interp(587.56, reading.x, reading.columns["n"]) == pytest.approx(1.5168, abs=2e-5)
        at = list(reading.x)
        assert reading.columns["k"][at.index(400.0)] == pytest.approx(1.5e-5)
        assert reading.columns["k"][at.index(900.0)] == 0.0

    @pytest.mark.parametrize(
        ("text", "sentence"),
        [
            (yaml_of("  - type: tabulated k\n    data: |\n      0.5 1\n"), "no index of refraction"),
            (yaml_of("  - type: tabulated nk\n    data: |\n      0.5 1\n"), "is not whole"),
            (yaml_of("  - type: formula 12\n    wavelength_range: 0.3 1\n    coefficients: 1 2\n"), "is not whole"),
            (yaml_of("  - type: tabulated nk\n    data: |\n      20 1 2\n"), "says nothing of light"),
            (yaml_of(*["  - type: tabulated nk\n"] * 8_000), "cannot be read"),
            ("a: &a [1]\nDATA:\n  - type: tabulated nk\n    data: *a\n", "cannot be read"),
            ("DATA: 7\ntype: tabulated", "cannot be read"),
            ("DATA:\n  - {type: tabulated nk, data: [", "cannot be read"),
        ],
    )
    def test_what_is_not_whole_is_one_sentence(self, text, sentence):
        with pytest.raises(ReadingError, match=sentence):
            read_text(text, "x.yml")


def cxf(objects, geometry="<IlluminationAngle>45</IlluminationAngle>", head=""):
    return f"""<?xml version="1.0" encoding="UTF-8"?>{head}
<cc:CxF xmlns:cc="http://colorexchangeformat.com/CxF3-core" xmlns="http://colorexchangeformat.com/CxF3-core">
<Resources><ObjectCollection>{objects}</ObjectCollection><ColorSpecificationCollection>
<ColorSpecification Id="CS1"><MeasurementSpec><GeometryChoice>{geometry}</GeometryChoice>
<WavelengthRange StartWL="400" Increment="100" /></MeasurementSpec></ColorSpecification>
</ColorSpecificationCollection></Resources></cc:CxF>"""


def sample(name, numbers, start=""):
    values = f'<ReflectanceSpectrum ColorSpecification="CS1"{start}>{numbers}</ReflectanceSpectrum>'
    return f'<Object Name="{name}" Id="{name}"><ColorValues>{values}</ColorValues></Object>'


class TestCxf:
    def test_samples_are_told_apart(self):
        text = cxf(sample("Buoy red", "0.05 0.06 0.4 0.6") + sample("Hull grey", "0.3 0.31 0.32 0.33"))
        found = understand(text)
        assert found.samples == ("Buoy red", "Hull grey") and found.reading.geometry == "45:0"
        grey = understand(text, choices=Choices(sample="Hull grey")).reading
        assert list(grey.x) == [400.0, 500.0, 600.0, 700.0] and grey.columns["reflectance"][3] == 0.33

    def test_a_start_of_its_own_and_a_sphere(self):
        sphere = "<Sphere><SpecularComponent>Excluded</SpecularComponent></Sphere>"
        reading = read_text(cxf(sample("One", "0.1 0.2", ' StartWL="450"'), sphere))
        assert list(reading.x) == [450.0, 550.0] and reading.geometry == "de:8" and reading.name == "One"

    def test_lab_where_there_are_no_spectra(self):
        lab = "<ColorCIELab><L>40</L><A>30</A><B>20</B></ColorCIELab>"
        reading = read_text(cxf(f"<Object Name='Rust'><ColorValues>{lab}</ColorValues></Object>"))
        assert reading.kind_key == "colour" and reading.columns["L"][0] == 40.0

    @pytest.mark.parametrize(
        ("text", "sentence"),
        [
            (cxf(""), "no reflectance spectrum"),
            (cxf(sample("One", "0.1 0.2"))[:300], "not a whole CxF"),
            (cxf(sample("One", "0.1"), head='<!DOCTYPE a [<!ENTITY b "c">]>'), "entities of its own"),
            (cxf(sample("One", "0.1 0.2").replace("CS1", "CS9")), "at which wavelengths"),
        ],
    )
    def test_what_is_not_whole_is_one_sentence(self, text, sentence):
        with pytest.raises(ReadingError, match=sentence):
            read_text(text, "x.cxf")
