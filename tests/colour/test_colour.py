"""Colorimetry against an independent library and the published test pairs."""

import colour as reference
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from photometra import colour
from photometra.colour import WAVELENGTHS

# Sharma, Wu & Dalal (2005), table 1: a choice that reaches every branch of the formula.
SHARMA = (
    ((50.0, 2.6772, -79.7751), (50.0, 0.0, -82.7485), 2.0425),
    ((50.0, 3.1571, -77.2803), (50.0, 0.0, -82.7485), 2.8615),
    ((50.0, 2.8361, -74.0200), (50.0, 0.0, -82.7485), 3.4412),
    ((50.0, -1.3802, -84.2814), (50.0, 0.0, -82.7485), 1.0000),
    ((50.0, 0.0, 0.0), (50.0, -1.0, 2.0), 2.3669),
    ((50.0, 2.4900, -0.0010), (50.0, -2.4900, 0.0009), 7.1792),
    ((50.0, 2.4900, -0.0010), (50.0, -2.4900, 0.0011), 7.2195),
    ((50.0, -0.0010, 2.4900), (50.0, 0.0009, -2.4900), 4.8045),
    ((50.0, -0.0010, 2.4900), (50.0, 0.0011, -2.4900), 4.7461),
    ((50.0, 2.5, 0.0), (50.0, 0.0, -2.5), 4.3065),
    ((50.0, 2.5, 0.0), (73.0, 25.0, -18.0), 27.1492),
    ((50.0, 2.5, 0.0), (61.0, -5.0, 29.0), 22.8977),
    ((60.2574, -34.0099, 36.2677), (60.4626, -34.1751, 39.4387), 1.2644),
    ((22.7233, 20.0904, -46.6940), (23.0331, 14.9730, -42.5619), 2.0373),
    ((90.8027, -2.0831, 1.4410), (91.1528, -1.6435, 0.0447), 1.4441),
    ((6.7747, -0.2908, -2.4247), (5.8714, -0.0985, -2.2286), 0.6377),
    ((2.0776, 0.0795, -1.1350), (0.9033, -0.0636, -0.5514), 0.9082),
)


@pytest.mark.parametrize(("a", "b", "expected"), SHARMA)
def test_published_colour_differences(a, b, expected):
    assert colour.delta_e_2000(a, b) == pytest.approx(expected, abs=5e-5)
    assert colour.delta_e_2000(b, a) == pytest.approx(expected, abs=5e-5)


_LAB = st.tuples(st.floats(0, 100), st.floats(-90, 90), st.floats(-90, 90))


@given(_LAB, _LAB)
def test_colour_difference_is_the_references(a, b):
    assert colour.delta_e_2000(a, b) == pytest.approx(float(reference.delta_E(a, b, method="CIE 2000")), abs=1e-6)


def test_colour_difference_broadcasts():
    assert colour.delta_e_2000(np.zeros((4, 1, 3)), np.ones((1, 5, 3))).shape == (4, 5)


@pytest.mark.parametrize("illuminant", ["D65", "D50", "A", "C", "E"])
@pytest.mark.parametrize(("observer", "name"), [
    ("1931-2", "CIE 1931 2 Degree Standard Observer"),
    ("1964-10", "CIE 1964 10 Degree Standard Observer"),
])  # fmt: skip
def test_tristimulus_values_are_the_references(illuminant, observer, name):
    shape = reference.SpectralShape(360, 830, 5)
    wavelengths = shape.wavelengths
    reflectance = 0.4 + 0.3 * np.sin(wavelengths / 37.0)
    ours = colour.reflectance_to_xyz(wavelengths, reflectance, illuminant, observer)
    theirs = reference.sd_to_XYZ(
        reference.SpectralDistribution(reflectance, wavelengths),
        reference.MSDS_CMFS[name].copy().align(shape),
        reference.SDS_ILLUMINANTS[illuminant].copy().align(shape),
        method="Integration",
    )
    assert ours == pytest.approx(np.asarray(theirs) / 100.0, abs=2e-5)


def test_the_perfect_diffuser_is_white_under_every_light():
    for illuminant in colour.ILLUMINANTS:
        for observer in colour.OBSERVERS:
            xyz = colour.reflectance_to_xyz([300.0, 900.0], [1.0, 1.0], illuminant, observer)
            assert xyz[1] == pytest.approx(1.0)
            assert colour.xyz_to_lab(xyz, illuminant, observer) == pytest.approx([100.0, 0.0, 0.0], abs=1e-9)
    assert colour.xyz_to_linear_srgb(colour.white_point("D65")) == pytest.approx([1, 1, 1], abs=2e-4)


def test_unknown_names_and_unordered_wavelengths_are_refused():
    for arguments in (
        ([500.0, 400.0], [0.1, 0.2]),
        ([500.0], [0.1]),
        ([400.0, 500.0], [0.1, 0.2, 0.3]),
        ([400.0, 500.0], [0.1, 0.2], "D66"),
        ([400.0, 500.0], [0.1, 0.2], "D65", "1951"),
    ):
        with pytest.raises(ValueError):
            colour.reflectance_to_xyz(*arguments)


@given(_LAB)
def test_lab_comes_back(lab):
    assert colour.xyz_to_lab(colour.lab_to_xyz(lab)) == pytest.approx(lab, abs=1e-9)


_RGB = st.tuples(*[st.floats(0.0, 1.0)] * 3)


@given(_RGB)
def test_srgb_is_the_references_and_comes_back(rgb):
    assert colour.encode_srgb(rgb) == pytest.approx(reference.models.eotf_inverse_sRGB(np.array(rgb)), abs=1e-9)
    assert colour.decode_srgb(colour.encode_srgb(rgb)) == pytest.approx(rgb, abs=1e-9)
    assert colour.xyz_to_linear_srgb(colour.linear_srgb_to_xyz(rgb)) == pytest.approx(rgb, abs=1e-9)


def test_adaptation_is_the_references():
    source, target = colour.white_point("A"), colour.white_point("D65")
    theirs = reference.adaptation.matrix_chromatic_adaptation_VonKries(source, target, transform="CAT16")
    assert colour.adaptation(source, target) == pytest.approx(theirs, abs=1e-9)


@given(_RGB)
def test_uplift_comes_back_inside_srgb_and_stays_a_reflectance(rgb):
    spectrum = colour.reflectance_of_rgb(rgb)
    assert np.all((spectrum >= 0.0) & (spectrum <= 1.0))
    back = colour.reflectance_to_xyz(WAVELENGTHS, spectrum)
    # The very corners of the gamut are spectra of infinite steepness; the body of it must hold.
    if max(rgb) - min(rgb) < 0.9:
        difference = colour.delta_e_2000(colour.xyz_to_lab(back), colour.xyz_to_lab(colour.linear_srgb_to_xyz(rgb)))
        assert difference < 0.1


def test_greys_are_flat_and_a_flat_light_reads_one():
    assert np.all(colour.reflectance_of_rgb((0.31, 0.31, 0.31)) == pytest.approx(0.31))
    assert np.ones(81) @ colour.sensor_matrix() == pytest.approx([1, 1, 1], abs=1e-9)


@given(st.tuples(*[st.floats(0.0, 50.0)] * 3))
def test_a_light_comes_back_as_its_rgb(rgb):
    spectrum = colour.coefficients_of_rgb(rgb)
    assert np.all(spectrum >= 0.0)
    assert spectrum @ colour.sensor_matrix() == pytest.approx(rgb, abs=2e-3 * (max(rgb) + 1e-9))
