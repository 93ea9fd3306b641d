"""Spectra of lamps from files that other programs wrote, and from spoilt ones."""

import colour
import numpy as np
import pytest

from photometra.colour import WAVELENGTHS
from photometra.colour.lamps import lamp_spectrum
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
