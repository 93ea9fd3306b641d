"""Pictures in other colour spaces: against the matrices that the standards print, and as they are guessed and typed."""

import numpy as np
import pytest

from photometra.errors import InputError
from photometra.maps import ENCODINGS, Layer, Placement
from photometra.maps.baking import tile_of
from photometra.maps.encodings import in_rec709, named_in
from photometra.pictures import write_exr, write_png
from photometra.surface import PARAMETERS
from photometra.surface.inputs import parse_map, picture_from

PRINTED = {
    "linear Rec.2020": [[1.6605, -0.5876, -0.0728], [-0.1246, 1.1329, -0.0083], [-0.0182, -0.1006, 1.1187]],
    "linear P3": [[1.2249, -0.2249, 0.0], [-0.0421, 1.0421, 0.0], [-0.0196, -0.0786, 1.0983]],
    "ACEScg": [[1.7051, -0.6218, -0.0833], [-0.1303, 1.1408, -0.0105], [-0.0240, -0.1290, 1.1530]],
}
"""ITU-R BT.2407; from the chromaticities of SMPTE RP 431-2 and of ACES (TB-2014-004), D60 adapted to D65."""


@pytest.mark.parametrize("space", PRINTED)
def test_linear_spaces_are_turned_by_the_matrix_that_is_printed(space):
    rgb = np.random.default_rng(2).random((3, 40, 7))
    found = in_rec709(list(rgb), space)
    assert found == pytest.approx(np.moveaxis(rgb, 0, -1) @ np.array(PRINTED[space]).T, abs=2e-3)


def test_encoded_ones_are_decoded_first_whatever_their_depth():
    grey = np.linspace(0.0, 1.0, 256)
    for kind, most in (("uint8", 255), ("uint16", 65535), ("float32", 1)):
        channel = (grey[None] * most).astype(kind)
        exact = channel / most
        assert in_rec709([channel] * 3, "gamma 2.2")[0, :, 0] == pytest.approx(exact[0] ** 2.2, abs=1e-4)
        decoded = np.where(exact[0] <= 0.04045, exact[0] / 12.92, ((exact[0] + 0.055) / 1.055) ** 2.4)
        assert in_rec709([channel] * 3, "P3")[0, :, 1] == pytest.approx(decoded, abs=1e-4)


@pytest.mark.parametrize(("stem", "space"), [
    ("hull_colour_acescg", "ACEScg"), ("hull-albedo-rec2020", "linear Rec.2020"), ("hull_color_lin_p3", "linear P3"),
    ("hull P3 base", "P3"), ("hull_diffuse_g22", "gamma 2.2"), ("map3_colour", ""), ("step30", ""),
    ("hull_ACEScct", "ACEScct"),
])  # fmt: skip
def test_a_name_that_says_its_space_is_taken_at_its_word(stem, space):
    assert named_in(stem) == space


def test_a_picture_in_another_space_drives_a_colour(tmp_path):
    rgb = np.full((16, 16, 3), [0.4, 0.2, 0.1], np.float32)
    write_exr(tmp_path / "plate_colour_acescg.exr", rgb)
    picture = picture_from(tmp_path / "plate_colour_acescg.exr", PARAMETERS["colour"])
    assert (picture.encoding, picture.channel) == ("ACEScg", "colour")
    wanted = np.array(PRINTED["ACEScg"]) @ rgb[0, 0]
    given = parse_map(PARAMETERS["colour"], f"map:{tmp_path / 'plate_colour_acescg.exr'}, uv")
    for chain, value in zip(given.chains(), wanted, strict=True):
        assert tile_of(chain[0], (10.0, 10.0)).levels.mean() == pytest.approx(value, abs=2e-3)
    # What the name says can be put right.
    plain = parse_map(PARAMETERS["colour"], f"map:{tmp_path / 'plate_colour_acescg.exr'}, uv, encoding=data")
    assert plain.layers[0].source.encoding == "data"
    # One channel of a grey is that grey.
    write_png(tmp_path / "grey.png", np.full((8, 8, 3), 0.5))
    grey = parse_map(PARAMETERS["roughness"], f"map:{tmp_path / 'grey.png'}, encoding=gamma 2.2")
    layer = Layer(grey.layers[0].source, Placement("uv"))
    assert tile_of(layer, (5.0, 5.0)).levels.mean() == pytest.approx((128 / 255) ** 2.2, abs=1e-3)
    with pytest.raises(InputError, match="is not understood in a map"):
        parse_map(PARAMETERS["colour"], f"map:{tmp_path / 'grey.png'}, encoding=ProPhoto")
    assert {"data", "sRGB", "ACEScg"} <= set(ENCODINGS)
