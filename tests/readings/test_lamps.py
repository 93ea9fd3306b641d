"""Spectra of lamps from files that other programs wrote, and from spoilt ones."""

import colour
import numpy as np
import pytest

from photometra.colour import WAVELENGTHS
from photometra.colour.lamps import lamp_spectrum
from photometra.errors import InputError
from photometra.fitting.agreement import colour_of
from photometra.readings import Choices, make_reading, read_text, understand, write_text
from photometra.readings.cgats import write_cgats
from photometra.readings.lamps import lamp_from_file
from photometra.readings.tables import ReadingError

FL8 = colour.SDS_ILLUMINANTS["FL8"]


def relative(sd):
    values = np.interp(WAVELENGTHS, sd.wavelengths, sd.values)
    return values / values.max()


def spect(path, sd, head="SPECT"):
    """As instruments' own programs write a lamp: bands across, a header that counts them."""
    nm = [int(w) for w in sd.wavelengths]
    fields, values = " ".join(f"SPEC_{w}" for w in nm), " ".join(f"{v:.4f}" for v in sd.values)
    path.write_text(
        f'{head}\n\nDESCRIPTOR "F8 illuminant spectral power"\nORIGINATOR "a lamp bench"\n'
        f'SPECTRAL_BANDS "{len(nm)}"\nSPECTRAL_START_NM "{nm[0]}"\nSPECTRAL_END_NM "{nm[-1]}"\nSPECTRAL_NORM "30.00"\n'
        f"NUMBER_OF_FIELDS {len(nm)}\nBEGIN_DATA_FORMAT\n{fields}\nEND_DATA_FORMAT\n"
        f"NUMBER_OF_SETS 1\nBEGIN_DATA\n{values}\nEND_DATA\n"
    )


def tm27(path, sd):
    document = colour.SpectralDistribution_IESTM2714(str(path), data=dict(zip(sd.wavelengths, sd.values, strict=True)))
    document.header.description = "Tube over the chart table"
    document.write()


def csv(path, sd):
    rows = "\n".join(f"{w:g};{v:.3f}".replace(".", ",") for w, v in zip(sd.wavelengths, sd.values, strict=True))
    path.write_text(f"Wellenlänge (nm);Leistung\n{rows}\n")


def two_columns(path, sd):
    path.write_text("".join(f"{w:g}\t{v:.6g}\n" for w, v in zip(sd.wavelengths, sd.values, strict=True)))


@pytest.mark.parametrize(
    ("write", "suffix"), [(spect, ".sp"), (tm27, ".spdx"), (csv, ".csv"), (two_columns, ".txt")]
)  # fmt: skip
def test_the_same_lamp_from_every_form(write, suffix, tmp_path):
    write(tmp_path / f"tube{suffix}", FL8)
    found = lamp_from_file(tmp_path / f"tube{suffix}")
    # Each number is the mean over its step, so that a line between two keeps its light.
    assert np.array(found.power) == pytest.approx(relative(FL8), abs=0.13)
    assert np.corrcoef(found.power, relative(FL8))[0, 1] > 0.99
    assert found.name == {".sp": "F8 illuminant spectral power", ".spdx": "Tube over the chart table"}.get(
        suffix, "tube"
    )


def test_a_measured_daylight_is_the_daylight_that_ships(tmp_path):
    two_columns(tmp_path / "noon.txt", colour.SDS_ILLUMINANTS["D50"])
    found = lamp_from_file(tmp_path / "noon.txt")
    assert lamp_spectrum("noon", found.power) == pytest.approx(lamp_spectrum("D50"), rel=0.02)
    assert lamp_spectrum("4100 K")[0] < lamp_spectrum("9000 K")[0]


@pytest.mark.parametrize(("text", "says"), [
    ("400 1\n500 2\n600 1\n", "must cover 420 to 680 nm"),
    ("".join(f"{w} -1\n" for w in range(400, 710, 10)), "0 or more"),
    ("".join(f"{w} 0\n" for w in range(400, 710, 10)), "0 or more"),
    ("".join(f"{w // 20 * 20} 1\n" for w in range(400, 710, 10)), "stands twice"),
    ("<IESTM2714><SpectralData wavelength='x'>1</SpectralData></IESTM2714>", "no wavelength with its power"),
    ("<IESTM2714/>", "no SpectralData"),
    ("<!DOCTYPE a [<!ENTITY b 'c'>]><a/>", "entities"),
    ("<IESTM2714>", "whole TM-27"),
    ("a lamp\nwith words\n", "no wavelength with its power"),
])  # fmt: skip
def test_a_file_without_a_lamp_is_refused_in_one_sentence(text, says, tmp_path):
    (tmp_path / "lamp.txt").write_text(text)
    with pytest.raises(ReadingError, match=says) as refusal:
        lamp_from_file(tmp_path / "lamp.txt")
    assert "lamp.txt" in str(refusal.value)


class TestALightForAReading:
    """What a colour is told for may be a lamp by name, or a measured one: as an independent library has it."""

    @staticmethod
    def lab(sd):
        shape = colour.SpectralShape(380, 780, 5)
        reflectance = colour.SpectralDistribution(0.4 + 0.3 * np.sin(shape.wavelengths / 37.0), shape.wavelengths)
        matching = colour.MSDS_CMFS["CIE 1931 2 Degree Standard Observer"].copy().align(shape)
        light = sd.copy().align(shape)
        xyz = colour.sd_to_XYZ(reflectance, matching, light, method="Integration") / 100.0
        white = colour.sd_to_XYZ(colour.sd_ones(shape), matching, light, method="Integration") / 100.0
        return xyz, colour.XYZ_to_Lab(xyz, colour.XYZ_to_xy(white))

    def test_a_measured_tube(self, tmp_path):
        two_columns(tmp_path / "tube.txt", FL8)
        found = lamp_from_file(tmp_path / "tube.txt")
        xyz, lab = self.lab(FL8)
        text = "X,Y,Z\n" + ",".join(f"{100.0 * v:.6f}" for v in xyz) + "\n"
        more = {"illuminant": found.name, "light": found.power}
        reading = understand(text, "a.csv", Choices(more=more)).reading
        assert [reading.columns[c][0] for c in "Lab"] == pytest.approx(lab, abs=0.6)
        # A spectrum of reflectance is told under that light, too.
        nm = np.arange(380.0, 781.0, 5.0)
        spectrum = make_reading(
            "S", "reflectance", {"wavelength_nm": nm, "reflectance": 0.4 + 0.3 * np.sin(nm / 37.0)}, **more
        )
        assert colour_of(spectrum, nm, spectrum.columns["reflectance"]) == pytest.approx(lab, abs=0.6)

    @pytest.mark.parametrize("write", [write_text, write_cgats])
    def test_it_is_kept_in_a_file(self, write):
        columns = {"sample": [1.0], "L": [50.0], "a": [3.0], "b": [-4.0]}
        for name, power in (("chart table", tuple(np.linspace(1.0, 2.0, WAVELENGTHS.size))), ("4100 K", ())):
            reading = make_reading("Warm", "colour", columns, illuminant=name, light=power)
            back = read_text(write(reading), "a.csv")
            assert back.illuminant == name and back.light == pytest.approx(reading.light, rel=1e-5)
            assert len(back.lit_by) == WAVELENGTHS.size

    def test_another_light_changes_what_is_said_and_a_standard_one_forgets_it(self):
        columns = {"sample": [1.0], "L": [50.0], "a": [3.0], "b": [-4.0]}
        warm = make_reading("Warm", "colour", columns, illuminant="2700 K")
        assert warm.light and not warm.remade(illuminant="D50", light=()).light
        with pytest.raises(InputError, match="there is no 'torch'"):
            make_reading("Warm", "colour", columns, illuminant="torch")
        for spoilt in ("1 2 3", "red", " ".join(["-1"] * WAVELENGTHS.size), " ".join(["nan"] * WAVELENGTHS.size)):
            with pytest.raises(InputError, match="81 numbers of 0 and more"):
                make_reading("Warm", "colour", columns, illuminant="torch", light=spoilt)
