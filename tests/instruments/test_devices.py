"""The simulated devices: they warm up, want calibrating, complain as real ones do, and read true within their noise."""

import numpy as np
import pytest

from photometra.instruments import measured
from photometra.instruments.devices import TRAITS, DeviceError, Piece, SimulatedDevice, simulated_shelf
from photometra.surface import Surface

PLATE = Piece("plate", Surface({"ior": 1.53, "roughness": 0.1}), 60.0)
GLASS = Piece("pane", Surface({"transmission": 1.0, "roughness": 0.0}), 40.0, 4.0)
WAX = Piece("wax", Surface({"subsurface": 1.0, "roughness": 0.3}), 40.0)


def ready(key, piece, seed=1):
    device = SimulatedDevice(key, seed)
    device.switch_on(0.0)
    device.place(piece)
    for standard in device.standards:
        device.calibrate(standard, 400.0)
    return device


@pytest.mark.parametrize("key", TRAITS)
def test_every_device_reads_its_piece_within_its_noise(key):
    piece = {"transmissometer": GLASS, "scatterprobe": WAX}.get(key, PLATE)
    device = ready(key, piece)
    assert device.state(400.0).is_ready
    reading = device.measure(400.0, repeats=4)
    exact = measured(key, piece.surface, thickness_mm=piece.thickness_mm)
    away = (reading.stacked()[0] - exact.stacked()[0]) / reading.stacked()[1]
    assert np.sqrt(np.mean(away**2)) == pytest.approx(1.0, abs=0.75) and "simulated" in reading.source
    assert (reading.stacked()[1] < 0.51 * exact.stacked()[1]).all()
    assert reading == ready(key, piece).measure(400.0, repeats=4)


def test_a_cold_lamp_and_missing_standards_are_refused():
    device = simulated_shelf()["spectrophotometer"]
    device.place(PLATE)
    with pytest.raises(DeviceError, match="is off"):
        device.measure(0.0)
    device.switch_on(0.0)
    with pytest.raises(DeviceError, match=r"wait [0-9]+ s"):
        device.calibrate("white tile", 10.0)
    with pytest.raises(DeviceError, match="not calibrated: read the white tile and the black trap"):
        device.measure(200.0)
    device.calibrate("white tile", 200.0)
    with pytest.raises(DeviceError, match="black trap first"):
        device.measure(200.0)
    device.calibrate("black trap", 210.0)
    assert device.measure(220.0).geometry == "di:8"
    with pytest.raises(DeviceError, match="too long ago"):
        device.measure(2000.0)
    with pytest.raises(DeviceError, match="calibrated with: white tile"):
        device.calibrate("ruler", 220.0)


def test_it_drifts_until_it_is_calibrated_again():
    device = ready("glossmeter", PLATE)
    exact = measured("glossmeter", PLATE.surface).columns["gloss_units"]
    late = np.mean([device.measure(1250.0).columns["gloss_units"] for _ in range(200)], axis=0) / exact - 1.0
    device.calibrate("gloss tile", 1250.0)
    again = np.mean([device.measure(1250.0).columns["gloss_units"] for _ in range(200)], axis=0) / exact - 1.0
    assert np.abs(again).max() < 0.002 < np.abs(late).max()


@pytest.mark.parametrize(("key", "piece", "words"), [
    ("spectrophotometer", Piece("chip", PLATE.surface, 4.0), "does not cover the spot"),
    ("spectrophotometer", None, "nothing under it"),
    ("refractometer", Piece("gem", Surface({"ior": 2.4}), 20.0), "out of range"),
    ("refractometer", Piece("metal", Surface({"metalness": 1.0}), 20.0), "metal"),
    ("ellipsometer", Piece("felt", Surface({"roughness": 0.8}), 20.0), "too rough"),
    ("transmissometer", Piece("metal", Surface({"metalness": 1.0}), 20.0), "metal"),
])  # fmt: skip
def test_what_a_real_one_would_complain_of(key, piece, words):
    with pytest.raises(DeviceError, match=words):
        ready(key, piece).measure(400.0)
