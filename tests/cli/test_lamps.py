"""Measured lamps in the booth, from the command line to the study's file."""

from dataclasses import replace

import pytest

from photometra.colour import WAVELENGTHS
from photometra.study import Lamp, read_file
from photometra.study.schema import BoothEntry

from .test_commands import refused


def test_the_booth_takes_a_measured_lamp_and_keeps_it(run, own_demo, tmp_path):
    rows = "\n".join(f"{nm:g},{1.0 + (nm > 600.0)}" for nm in WAVELENGTHS)
    (tmp_path / "tube.csv").write_text(f"nm,power\n{rows}\n")
    run("booth", own_demo, f"key.spectrum={tmp_path / 'tube.csv'}", "key.strength=4")
    booth = read_file(own_demo).booth
    assert booth.key.spectrum == "tube" and len(booth.key.measured) == WAVELENGTHS.size
    assert BoothEntry.of(booth).booth() == booth
    run("booth", own_demo, "key.spectrum=3400 K")
    assert read_file(own_demo).booth.key == replace(booth.key, spectrum="3400 K", measured=())
    with pytest.raises(ValueError, match="81 numbers"):
        BoothEntry.of(replace(booth, key=Lamp(measured=(0.5,) * 80)))


def test_a_lamp_that_is_none_is_refused(run, own_demo, tmp_path):
    (tmp_path / "none.csv").write_text("nm,power\n400,1\n")
    assert "there is no lamp 'candle'" in refused(run, "booth", own_demo, "key.spectrum=candle")
    assert "must cover" in refused(run, "booth", own_demo, f"key.spectrum={tmp_path / 'none.csv'}")
