"""Reference photographs: charts found and calibrated, frames lined up, pictures compared."""

import struct

import colour as colour_science
import numpy as np
import pytest

from photometra.colour import delta_e_2000, encode_srgb, linear_srgb_to_xyz, xyz_to_lab
from photometra.imaging.booths import compiled_in, scene_of
from photometra.imaging.comparing import (
    apart,
    beyond_divider,
    delta_e_map,
    luminance_difference,
    ramp,
    signed_ramp,
)  # fmt: skip
from photometra.imaging.curves import curve_of, curve_table, decoded, decoded_by_profile
from photometra.imaging.framing import corners_within, in_frame, in_view
from photometra.imaging.lining_up import moved, scale_and_turn, scaled, turned
from photometra.imaging.pyramid import kept_pyramid, pyramid_from, pyramid_in, pyramid_of
from photometra.imaging.references import (
    CHART_SHAPE,
    calibrated_by_chart,
    calibrated_by_neutral,
    calibrated_by_patches,
    chart_from,
    chart_patches,
    homography,
    mapped,
    our_chart,
    proof_in_frame,
    reference_in_frame,
    warped,
)
from photometra.pictures import PictureError, encoded_exr, write_png
from photometra.readings import read_text
from photometra.study import WHOLE, Booth, Proof, Reference, Specimen, Study
from photometra.surface import Surface
from photometra.tracing import Rendering

CAMERA = np.array([[0.7, 0.22, 0.05], [0.12, 0.8, 0.1], [0.03, 0.18, 0.62]])
CORNERS = np.array([[0.14, 0.2], [0.82, 0.12], [0.9, 0.85], [0.08, 0.78]])


def photographed(noise=0.003, seed=3):
    """A synthetic photograph of our chart, aslant, by a camera of another colour, with sensor noise."""
    rng = np.random.default_rng(seed)
    columns, rows = CHART_SHAPE
    chart = our_chart().reshape(rows, columns, 3)
    height, width = 300, 420
    x, y = np.meshgrid((np.arange(width) + 0.5) / width, (np.arange(height) + 0.5) / height)
    at = mapped(homography(CORNERS, [[0, 0], [1, 0], [1, 1], [0, 1]]), np.stack([x, y], axis=-1))
    inside = ((at >= 0.0) & (at < 1.0)).all(axis=-1)
    cell = np.clip((at * [columns, rows]).astype(int), 0, [columns - 1, rows - 1])
    picture = np.where(inside[..., None], chart[cell[..., 1], cell[..., 0]], 0.02) @ CAMERA.T
    return pyramid_from((picture + rng.normal(size=picture.shape) * noise).astype(np.float32))


def test_a_chart_brings_the_cameras_colours_back():
    photograph = photographed()
    read = chart_patches(photograph, CORNERS)
    found = calibrated_by_chart(photograph, CORNERS, our_chart())
    assert found.residuals.mean() < 0.5 and found.residuals.max() < 1.5
    assert found.matrix @ CAMERA == pytest.approx(np.eye(3), abs=0.02)
    # Uncalibrated, the same patches are far off.
    raw = delta_e_2000(*(xyz_to_lab(linear_srgb_to_xyz(v)) for v in (read, our_chart())))
    assert raw.mean() > 5.0
    # A chart that hung upside down is found as well.
    again = calibrated_by_chart(photograph, np.roll(CORNERS, 2, axis=0), our_chart())
    assert again.matrix == pytest.approx(found.matrix, abs=0.01)


def test_a_charts_own_colours_come_from_a_file():
    lab = xyz_to_lab(linear_srgb_to_xyz(our_chart()))
    rows = "\n".join(f"{i + 1},{L:.4f},{a:.4f},{b:.4f}" for i, (L, a, b) in enumerate(lab))
    reading = read_text("sample,L,a,b\n" + rows, "chart.csv", "colour")
    assert chart_from(reading) == pytest.approx(our_chart(), abs=1e-4)
    # Grey is grey under any light.
    warm = chart_from(read_text("# illuminant: A\nsample,L,a,b\n" + rows, "chart.csv", "colour"))
    assert np.ptp(warm[:6], axis=1).max() < 1e-3 and np.abs(warm - our_chart()).max() > 0.005
    with pytest.raises(ValueError, match="24 colours, row by row; there are 3"):
        chart_from(read_text("sample,L,a,b\n" + "\n".join(rows.splitlines()[:3]), "chart.csv", "colour"))


def test_what_is_no_chart_is_said():
    with pytest.raises(ValueError, match="black"):
        calibrated_by_patches(np.zeros((24, 3)), our_chart())
    with pytest.raises(ValueError, match="too alike"):
        calibrated_by_patches(np.full((24, 3), 0.3), our_chart())
    with pytest.raises(ValueError, match="one line"):
        homography([[0, 0], [1, 1], [2, 2], [0, 1]], CORNERS)
    grey = calibrated_by_neutral([0.4, 0.5, 0.2])
    assert np.ptp(grey @ [0.4, 0.5, 0.2]) < 1e-12
    assert (calibrated_by_neutral([0.4, 0.5, 0.2], 0.18) @ [0.4, 0.5, 0.2]) == pytest.approx([0.18] * 3)
    with pytest.raises(ValueError, match="too dark"):
        calibrated_by_neutral([0.4, 0.0, 0.2])


def test_four_points_line_a_picture_up():
    rng = np.random.default_rng(1)
    small = pyramid_from(rng.uniform(0.1, 0.9, size=(12, 16, 3)).astype(np.float32))
    smooth = warped(small, WHOLE, 160, 120)
    back = warped(aslant_of(smooth, 320, 240), CORNERS, 160, 120)
    inner = (slice(8, -8), slice(8, -8))
    assert apart(delta_e_map(back, smooth)[inner]).mean < 1.0
    assert np.isnan(warped(small, [[-0.5, 0], [1, 0], [1, 1], [-0.5, 1]], 40, 30)[15, 2]).all()


def aslant_of(linear, width, height):
    """A photograph of a picture that hangs aslant in it: its corners lie at `CORNERS`."""
    places = mapped(np.linalg.inv(homography(WHOLE, CORNERS)), WHOLE)
    return pyramid_from(np.nan_to_num(warped(pyramid_from(linear), places, width, height)))


@pytest.mark.long
def test_a_photograph_of_the_booth_taken_aslant_lies_on_the_render_once_it_is_lined_up():
    specimen = Specimen("bracket", surface=Surface({"metalness": 0.0, "colour": (0.4, 0.2, 0.1), "roughness": 0.3}))
    study = Study("aslant", (specimen,), Booth(environment="overcast"))
    scene = scene_of(study, specimen)
    pictures = []
    for seed, width, height, samples in ((1, 480, 320, 24), (2, 120, 80, 384)):
        rendering = Rendering(compiled_in(scene, specimen), scene, width, height, seed)
        rendering.add(samples)
        pictures.append(rendering.picture())
    photograph = aslant_of(pictures[0], 1200, 800).levels[0].astype(np.float32)
    rng = np.random.default_rng(4)
    data = encoded_exr(photograph * (1.0 + 0.01 * rng.normal(size=photograph.shape)))
    as_loaded = Reference("images/aslant.exr", "linear")
    lined_up = Reference("images/aslant.exr", "linear", corners=tuple(map(tuple, CORNERS)))
    far, near = (apart(delta_e_map(reference_in_frame(r, data, 120, 80), pictures[1])) for r in (as_loaded, lined_up))
    assert far.mean > 4.0 and near.mean < 1.0, (far, near)


def test_a_view_is_the_same_whatever_the_shape_of_its_frame():
    places = np.array([[0.5, 0.5], [0.2, 0.9], [-0.3, 1.4]])
    for aspect in (0.5, 1.0, 1.78):
        assert in_view(in_frame(places, aspect), aspect) == pytest.approx(places)
    assert in_view([1.0, 1.0], 2.0) == pytest.approx([1.5, 1.0]) and in_view([1.0, 1.0], 0.5) == pytest.approx([1, 1.5])
    assert corners_within(1.5, 1.5) == pytest.approx(np.array(WHOLE))
    # A narrow window shows the middle of a wide photograph; and a proof keeps its middle in a wide window.
    assert corners_within(1.0, 2.0)[:, 0] == pytest.approx([0.25, 0.75, 0.75, 0.25])
    linear = np.repeat(np.linspace(0.0, 1.0, 200, dtype=np.float32)[None, :, None], 100, axis=0) * np.ones(3)
    narrow = proof_in_frame(Proof("p", "s", Surface(), "images/p.exr"), encoded_exr(linear), 100, 100)
    assert narrow[50, [0, -1], 0] == pytest.approx([0.25, 0.75], abs=0.01)


def test_the_frame_is_moved_scaled_and_turned_as_one():
    corners = turned(scaled(moved(WHOLE, 0.1, -0.05), 0.5), 20.0, 1.5)
    assert scale_and_turn(corners, 1.5) == pytest.approx((0.5, 20.0))
    assert np.mean(corners, axis=0) == pytest.approx([0.6, 0.45])
    back = moved(scaled(turned(corners, -20.0, 1.5), 2.0), -0.1, 0.05)
    assert np.array(back) == pytest.approx(np.array(WHOLE))


@pytest.mark.parametrize("suffix", [".png", ".exr"])
def test_a_pyramid_is_read_in_bands_and_halved(tmp_path, suffix):
    rng = np.random.default_rng(6)
    linear = rng.uniform(0.0, 1.0, size=(600, 301, 3)).astype(np.float32)
    path = tmp_path / f"a{suffix}"
    if suffix == ".png":
        write_png(path, encode_srgb(linear))
    else:
        path.write_bytes(encoded_exr(linear))
    found = pyramid_of(path, curve_of(path))
    assert (found.height, found.width, found.reduced) == (600, 301, 1)
    assert np.abs(found.levels[0] - linear).max() < 0.006
    assert found.levels[1].shape == (300, 150, 3)
    assert found.levels[1][7, 9] == pytest.approx(linear[14:16, 18:20].mean(axis=(0, 1)), abs=0.004)
    assert [found.level_for(s) for s in (0.2, 1.0, 1.9, 2.0, 4.1, 1e9)] == [0, 0, 0, 1, 2, len(found.levels) - 1]
    # What is too large is kept smaller.
    small = pyramid_of(path, curve_of(path), most=50_000)
    assert small.reduced == 2 and small.levels[0].shape == found.levels[1].shape
    assert np.abs(small.levels[0].astype(float) - found.levels[1]).max() < 2e-3
    path.write_bytes(path.read_bytes()[:4000])
    with pytest.raises(PictureError, match=f"a{suffix}: "):
        pyramid_of(path, "linear")


def test_what_was_looked_at_last_is_kept_within_bounds(monkeypatch):
    data = encoded_exr(np.ones((64, 64, 3)))
    first = pyramid_in("images/kept-a.exr", data)
    assert pyramid_in("images/kept-a.exr", data) is first and kept_pyramid("images/kept-a.exr", data) is first
    monkeypatch.setattr("photometra.imaging.pyramid.KEPT_BYTES", 1)
    second = pyramid_in("images/kept-b.exr", data)
    assert kept_pyramid("images/kept-a.exr", data) is None and kept_pyramid("images/kept-b.exr", data) is second


def icc_profile(gamma):
    """A display profile of the Rec.709 primaries (adapted to D50) with a gamma, after ICC.1:2022."""
    primaries = ((0.43607, 0.22250, 0.01393), (0.38515, 0.71688, 0.09708), (0.14307, 0.06061, 0.71410))

    def xyz(values):
        return b"XYZ \0\0\0\0" + struct.pack(">3i", *(round(65536 * v) for v in values))

    curve = b"curv\0\0\0\0" + struct.pack(">IH", 1, round(256 * gamma)) + b"\0\0"
    tags = {
        b"wtpt": xyz((0.9642, 1.0, 0.8249)),
        **{c + b"XYZ": xyz(p) for c, p in zip((b"r", b"g", b"b"), primaries, strict=True)},
    }
    tags |= {c + b"TRC": curve for c in (b"r", b"g", b"b")}
    tags[b"desc"] = b"desc\0\0\0\0" + struct.pack(">I", 5) + b"ours\0" + b"\0" * 79
    table, body = struct.pack(">I", len(tags)), b""
    for name, tag in tags.items():
        table += name + struct.pack(">II", 132 + 12 * len(tags) + len(body), len(tag))
        body += tag + b"\0" * (-len(tag) % 4)
    head = b"\0\0\0\0\2\x10\0\0mntrRGB XYZ " + b"\0" * 12 + b"acsp" + b"\0" * 28
    head += struct.pack(">3i", 63190, 65536, 54061) + b"\0" * 48
    return struct.pack(">I", 4 + len(head) + len(table) + len(body)) + head + table + body


def test_a_photographs_own_profile_is_used(tmp_path):
    import OpenImageIO as oiio

    linear = np.random.default_rng(8).uniform(0.05, 0.95, size=(40, 60, 3))
    spec = oiio.ImageSpec(60, 40, 3, "uint16")
    profile = np.frombuffer(icc_profile(1.8), np.uint8)
    spec.attribute("ICCProfile", oiio.TypeDesc(f"uint8[{profile.size}]"), profile)
    out = oiio.ImageOutput.create(str(tmp_path / "a.tif"))
    assert out.open(str(tmp_path / "a.tif"), spec)
    out.write_image((linear ** (1 / 1.8) * 65535.0 + 0.5).astype(np.uint16))
    out.close()
    assert curve_of(tmp_path / "a.tif") == "profile"
    found = pyramid_of(tmp_path / "a.tif", "profile").levels[0].astype(float)
    assert found == pytest.approx(linear, abs=0.003)
    with pytest.raises(ValueError, match="no colour profile in the file"):
        decoded_by_profile(linear, None)
    with pytest.raises(ValueError, match="cannot be used"):
        decoded_by_profile(linear, np.frombuffer(b"no profile at all", np.uint8))


def test_curves_are_undone():
    linear = np.linspace(0.0, 1.0, 30).reshape(1, 10, 3)
    assert decoded(encode_srgb(linear), "sRGB") == pytest.approx(linear, abs=1e-6)
    assert decoded(linear ** (1 / 2.2), "gamma 2.2") == pytest.approx(linear, abs=1e-6)
    assert curve_table("sRGB", "uint8")[188] == pytest.approx(0.5029, abs=4e-4)
    assert curve_table("sRGB", "half") is None and curve_table("profile", "uint8") is None
    with pytest.raises(ValueError, match="choose from linear"):
        decoded(linear, "film")


def test_the_map_is_the_formula_pixel_by_pixel():
    rng = np.random.default_rng(2)
    a, b = rng.uniform(0.0, 1.2, size=(2, 6, 7, 3))
    labs = [xyz_to_lab(linear_srgb_to_xyz(p)) for p in (a, b)]
    want = colour_science.delta_E(*labs, method="CIE 2000")
    assert delta_e_map(a, b) == pytest.approx(want, abs=1e-4)
    b[2, 3] = np.nan
    found = delta_e_map(a, b)
    assert np.isnan(found[2, 3]) and apart(found).pixels == 41
    assert apart(found, (0.0, 0.0, 0.5, 0.5)).pixels == 9
    assert apart(np.full((3, 3), np.nan)).pixels == 0


def test_signs_ramps_and_the_divider():
    dark, light = np.full((2, 2, 3), 0.2), np.full((2, 2, 3), 0.4)
    assert (luminance_difference(dark, light) > 0.6).all() and (luminance_difference(light, dark) < -0.6).all()
    lightness = xyz_to_lab(linear_srgb_to_xyz(np.clip(ramp(np.linspace(0.0, 0.75, 20)), 0, 1) ** 2.2))[:, 0]
    assert (np.diff(lightness) > 0.0).all()
    assert signed_ramp(np.array([0.0]))[0] == pytest.approx([0.466] * 3)
    assert np.isfinite(ramp(np.array([np.nan]))).all()
    half = beyond_divider(100, 50, 0.0, 0.3)
    assert half[:, :30].sum() == 0 and half[:, 30:].all()
    slanted = beyond_divider(100, 50, 45.0, 0.5)
    assert not slanted[0, 40] and slanted[-1, 45] and 0.4 < slanted.mean() < 0.6


def test_residuals_are_told_from_the_first_corner_whichever_way_up_the_chart_hangs():
    wanted = our_chart().copy()
    wanted[0] = (0.5, 0.1, 0.1)
    for corners in (CORNERS, np.roll(CORNERS, 2, axis=0)):
        found = calibrated_by_chart(photographed(), corners, wanted)
        assert int(np.argmax(found.residuals)) == (0 if corners is CORNERS else 23)


def test_a_photograph_that_ends_too_soon_is_damaged(demo, tmp_path):
    data = demo.images["images/rail.jpg"]
    for length in (900, 40_000, len(data) - 2000):
        (tmp_path / "a.jpg").write_bytes(data[:length])
        with pytest.raises(PictureError, match=r"a.jpg: the picture is damaged"):
            pyramid_of(tmp_path / "a.jpg", "sRGB")


@pytest.mark.parametrize(("name", "kind", "channels", "tile"), [
    ("tiled.exr", "half", 3, 64), ("grey.exr", "float", 1, 0), ("alpha.png", "uint16", 4, 0),
    ("shine.hdr", "float", 3, 0), ("sixteen.tif", "uint16", 3, 128),
])  # fmt: skip
def test_every_kind_of_picture_file_becomes_a_pyramid(tmp_path, name, kind, channels, tile):
    import OpenImageIO as oiio

    linear = np.random.default_rng(9).uniform(0.1, 0.9, size=(300, 200, channels)).astype(np.float32)
    linear[..., 3:] = 1.0
    encoded = linear if kind in ("half", "float") else encode_srgb(linear)
    spec = oiio.ImageSpec(200, 300, channels, kind)
    spec.tile_width = spec.tile_height = tile
    path = str(tmp_path / name)
    out = oiio.ImageOutput.create(path)
    assert out.open(path, spec) and out.write_image(encoded.astype(np.float32))
    out.close()
    found = pyramid_of(tmp_path / name, curve_of(path))
    wanted = linear[..., :3] if channels >= 3 else np.repeat(linear, 3, axis=2)
    assert found.levels[0].shape == (300, 200, 3)
    # A shared exponent of eight bits is the coarsest of them.
    assert np.abs(found.levels[0] - wanted).max() < 0.008
