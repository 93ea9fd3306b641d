"""Camera profiles: files made here byte by byte, held to the matrices an ideal camera must have; and spoilt ones."""

import contextlib
import struct

import colour
import numpy as np
import pytest

from photometra.colour.temperature import daylight_xyz
from photometra.errors import InputError
from photometra.imaging.camera_profiles import read_profile
from photometra.imaging.references import calibrated_by_neutral

XYZ_TO_RGB = np.linalg.inv(colour.models.RGB_COLOURSPACE_sRGB.matrix_RGB_to_XYZ)
CAMERA = np.array([[0.7, -0.1, -0.05], [-0.4, 1.2, 0.2], [-0.05, 0.2, 0.6]])
"""From XYZ to an invented camera."""
MODEL, COLOUR_1, COLOUR_2, LIGHT_1, LIGHT_2, FORWARD_1, FORWARD_2 = 50708, 50721, 50722, 50778, 50779, 50964, 50965


def fractions(matrix):
    return 10, 9, [(round(v * 10_000), 10_000) for v in np.ravel(matrix)]


def profile(path, entries, order="<", magic=None):
    """A file of one directory: {tag: (type, count, values)}."""
    head = magic or (b"IIRC" if order == "<" else b"MMCR")
    at, table, beyond = 8 + 2 + 12 * len(entries) + 4, b"", b""
    for tag, (kind, count, values) in sorted(entries.items()):
        if kind == 2:
            body = values
        elif kind == 3:
            body = struct.pack(f"{order}{count}H", *values)
        else:
            body = b"".join(struct.pack(f"{order}ii", *pair) for pair in values)
        if len(body) <= 4:
            place = body.ljust(4, b"\0")
        else:
            place = struct.pack(f"{order}I", at + len(beyond))
            beyond += body
        table += struct.pack(f"{order}HHI", tag, kind, count) + place
    data = head + struct.pack(f"{order}IH", 8, len(entries)) + table + struct.pack(f"{order}I", 0) + beyond
    path.write_bytes(data)
    return path


def white(xy):
    return np.array([xy[0] / xy[1], 1.0, (1.0 - xy[0] - xy[1]) / xy[1]])


@pytest.mark.parametrize("order", ["<", ">"])
def test_an_ideal_camera_under_daylight_gives_back_the_colours_there_are(tmp_path, order):
    entries = {
        MODEL: (2, 7, b"Skerry\0"), COLOUR_1: fractions(CAMERA), LIGHT_1: (3, 1, [21]),
    }  # fmt: skip
    found = read_profile(profile(tmp_path / "a.dcp", entries, order))
    assert found.name == "Skerry" and found.kelvin == pytest.approx([6504.0])
    d65 = white(colour.CCS_ILLUMINANTS["CIE 1931 2 Degree Standard Observer"]["D65"])
    for rgb in np.random.default_rng(2).uniform(0.05, 0.9, (20, 3)):
        seen = CAMERA @ np.linalg.solve(XYZ_TO_RGB, rgb)
        balanced = seen / (CAMERA @ d65)
        assert found.matrix(6504.0) @ balanced == pytest.approx(rgb, abs=0.01)


@pytest.mark.parametrize("kelvin", [4000.0, 5003.0, 6504.0, 9000.0])
def test_daylight_is_the_cies(kelvin):
    assert daylight_xyz(kelvin) == pytest.approx(white(colour.temperature.CCT_to_xy_CIE_D(kelvin)), abs=1e-6)


def test_a_forward_matrix_is_of_balanced_numbers_and_d50(tmp_path):
    d50 = white(colour.CCS_ILLUMINANTS["CIE 1931 2 Degree Standard Observer"]["D50"])
    forward = np.diag(d50) @ np.array([[0.6, 0.3, 0.1], [0.2, 0.7, 0.1], [0.0, 0.1, 0.9]])
    entries = {COLOUR_1: fractions(CAMERA), LIGHT_1: (3, 1, [23]), FORWARD_1: fractions(forward)}
    matrix = read_profile(profile(tmp_path / "a.dcp", entries)).matrix(5000.0)
    assert matrix @ np.ones(3) == pytest.approx(np.ones(3), abs=1e-12)
    adapted = colour.adaptation.matrix_chromatic_adaptation_VonKries(
        d50, white(colour.CCS_ILLUMINANTS["CIE 1931 2 Degree Standard Observer"]["D65"]), transform="CAT16"
    )
    wanted = XYZ_TO_RGB @ adapted @ forward
    assert matrix == pytest.approx(wanted / wanted.sum(axis=1, keepdims=True), abs=2e-3)


def test_between_two_lights_it_goes_by_the_reciprocal_of_the_temperature(tmp_path):
    other = CAMERA + np.diag([0.2, 0.0, -0.1])
    entries = {
        COLOUR_1: fractions(CAMERA), COLOUR_2: fractions(other), LIGHT_1: (3, 1, [17]), LIGHT_2: (3, 1, [21]),
    }  # fmt: skip
    found = read_profile(profile(tmp_path / "a.dcp", entries))
    half_way = 2.0 / (1.0 / 2856.0 + 1.0 / 6504.0)
    alone = read_profile(
        profile(tmp_path / "b.dcp", {COLOUR_1: fractions(0.5 * (CAMERA + other)), LIGHT_1: (3, 1, [21])})
    )
    assert found.matrix(half_way) == pytest.approx(alone.matrix(half_way), abs=1e-3)
    # Beyond either light the matrix is that light's.
    assert not np.allclose(found.matrix(2856.0), found.matrix(6504.0), atol=0.05)


def test_a_neutral_after_a_profile_keeps_its_colours(tmp_path):
    entries = {COLOUR_1: fractions(CAMERA), LIGHT_1: (3, 1, [21])}
    matrix = read_profile(profile(tmp_path / "a.dcp", entries)).matrix(6504.0)
    grey = np.array([0.21, 0.4, 0.3])
    balanced = calibrated_by_neutral(grey, 0.18, matrix)
    assert balanced @ grey == pytest.approx(np.full(3, 0.18))
    # Again, on another patch: as if that had been the first.
    other = np.array([0.5, 0.3, 0.4])
    assert calibrated_by_neutral(other, 0.3, balanced) == pytest.approx(calibrated_by_neutral(other, 0.3, matrix))
    assert calibrated_by_neutral(grey, 0.18) == pytest.approx(np.diag(0.18 / grey))


@pytest.mark.parametrize(
    ("entries", "says"),
    [
        ({LIGHT_1: (3, 1, [21])}, "no colour matrix"),
        ({COLOUR_1: fractions(CAMERA), LIGHT_1: (3, 1, [255])}, "for which light"),
        ({COLOUR_1: fractions(np.ones((3, 3))), LIGHT_1: (3, 1, [21])}, "leads to no colour"),
        ({COLOUR_1: (10, 9, [(1, 0)] * 9), LIGHT_1: (3, 1, [21])}, "damaged one"),
        ({COLOUR_1: (10, 12, [(1, 2)] * 12), LIGHT_1: (3, 1, [21])}, "no colour matrix of three channels"),
    ],
)
def test_spoilt_profiles_are_one_sentence(tmp_path, entries, says):
    with pytest.raises(InputError, match=says):
        read_profile(profile(tmp_path / "a.dcp", entries))


def test_files_that_are_none(tmp_path):
    whole = profile(tmp_path / "a.dcp", {COLOUR_1: fractions(CAMERA), LIGHT_1: (3, 1, [21])}).read_bytes()
    rng = np.random.default_rng(5)
    for data in (b"", b"II", b"II*\0", b"\x89PNG\r\n\x1a\n" + bytes(50), whole[:20], whole[:-40]):
        (tmp_path / "b.dcp").write_bytes(data)
        with pytest.raises(InputError, match=r"b\.dcp: "):
            read_profile(tmp_path / "b.dcp")
    for _ in range(300):
        spoilt = bytearray(whole)
        for at in rng.integers(0, len(spoilt), 3):
            spoilt[at] = int(rng.integers(0, 256))
        (tmp_path / "b.dcp").write_bytes(spoilt)
        with contextlib.suppress(InputError):
            assert np.isfinite(read_profile(tmp_path / "b.dcp").matrix(5000.0)).all()
