"""Proofs, references, pins and variants in the document and its file."""

import json
import zipfile
from dataclasses import replace

import numpy as np
import pytest

from photometra.pictures import PictureError, decoded_picture, encoded_exr
from photometra.study import Pin, Proof, Reference, StudyError, differing, read_file, write_file
from photometra.surface import Surface

PICTURE = np.linspace(0.0, 2.0, 24 * 32 * 3, dtype=np.float32).reshape(24, 32, 3)


def proof_of(study, name="Proof 1", picture="images/proof-1.exr", **changes):
    s = study.specimens[0]
    return Proof(name, s.name, s.surface.with_values(changes), picture, {"roughness": 0.01}, (("Gloss", 1.5, 2.0),))


@pytest.fixture
def rich(demo):
    """The demo with a proof, a photograph and pins."""
    study = demo.with_proof(proof_of(demo, roughness=0.2), encoded_exr(PICTURE)).with_image("images/p.png", b"picture")
    corners = ((0.1, 0.0), (1.0, 0.05), (0.95, 1.0), (0.0, 0.9))
    reference = Reference("images/p.png", "gamma 2.2", tuple(np.eye(3).ravel() * 1.1), 0.5, corners, 0.4)
    study = study.with_specimen_at(2, replace(study.specimens[2], reference=reference))
    return study.with_booth(
        pins=(Pin("highlight", 0.4, 0.25), Pin("shade", -0.2, 0.7, 0.03, "patch", 0.1, 0.8, True)),
        off=("view",),
        compression=0.3,
    )


def test_all_of_it_comes_back_from_the_file(rich, tmp_path):
    path = tmp_path / "a.photometra"
    write_file(rich, path)
    assert read_file(path) == rich


def test_a_photograph_that_was_replaced_is_not_carried_along(rich, tmp_path):
    path = tmp_path / "a.photometra"
    write_file(rich.with_image("images/older.png", b"older"), path)
    assert read_file(path) == rich


def test_a_proof_is_measured_by_its_mean_and_looked_at_denoised():
    data = encoded_exr(PICTURE, {"denoised": 0.5 * PICTURE})
    assert decoded_picture("images/a.exr", data) == pytest.approx(PICTURE, rel=1e-3)
    assert decoded_picture("images/a.exr", data, "denoised") == pytest.approx(0.5 * PICTURE, rel=1e-3)
    # A proof of an earlier day has no such layer.
    assert decoded_picture("images/a.exr", encoded_exr(PICTURE), "denoised") == pytest.approx(PICTURE, rel=1e-3)


def test_a_kept_picture_comes_back_as_half_floats():
    back = decoded_picture("images/a.exr", encoded_exr(PICTURE))
    assert back == pytest.approx(PICTURE, rel=1e-3, abs=1e-4)
    with pytest.raises(PictureError, match=r"^images/a.png: "):
        decoded_picture("images/a.png", b"\x89PNG spoilt")


@pytest.mark.parametrize(("spoil", "words"), [
    (lambda j: j["proofs"][0].update(picture="images/other.exr"), "the picture images/other.exr is missing"),
    (lambda j: j["proofs"][0].update(picture="../../etc/passwd"), "study.json, proofs.0.picture"),
    (lambda j: j["proofs"][0].update(surface={"roughness": 7.0}), "proof 'Proof 1': roughness: 7 is outside"),
    (lambda j: j["proofs"][0].update(agreement=[["Gloss", -1.0, 2.0]]), "study.json, proofs.0.agreement"),
    (lambda j: j["specimens"][2]["reference"].update(matrix=[1.0, 0.0]), "reference.matrix"),
    (lambda j: j["specimens"][2]["reference"].update(corners=[[0, 0]]), "reference.corners"),
    (lambda j: j["booth"]["pins"][0].update(x=40.0), "booth.pins.0.x"),
    (lambda j: j["booth"]["pins"][1].update(form="star"), "booth.pins.1.form"),
    (lambda j: j["booth"].update(off=["everything"]), "booth.off.0"),
    (lambda j: j["booth"].update(compression=-1.0), "booth.compression"),
    (lambda j: j["specimens"][0]["surface"].update(colour=[0.1] * 20), "surface.colour"),
])  # fmt: skip
def test_what_is_wrong_in_a_file_is_said_in_one_sentence(rich, tmp_path, spoil, words):
    path, bad = tmp_path / "a.photometra", tmp_path / "b.photometra"
    write_file(rich, path)
    with zipfile.ZipFile(path) as source, zipfile.ZipFile(bad, "w") as out:
        for name in source.namelist():
            data = source.read(name)
            if name == "study.json":
                entry = json.loads(data)
                spoil(entry)
                data = json.dumps(entry).encode()
            out.writestr(name, data)
    with pytest.raises(StudyError) as caught:
        read_file(bad)
    assert words in str(caught.value) and "\n" not in str(caught.value)


def test_a_taken_name_gets_a_number_and_a_removed_proof_takes_its_picture_along(demo):
    twice = demo.with_proof(proof_of(demo), b"one").with_proof(proof_of(demo, picture="images/proof-2.exr"), b"two")
    assert [p.name for p in twice.proofs] == ["Proof 1", "Proof 1 2"]
    left = twice.without_proof(twice.proofs[0])
    assert [p.name for p in left.proofs] == ["Proof 1 2"] and set(left.images) - set(demo.images) == {
        "images/proof-2.exr"
    }
    assert twice.proofs[0].within == (1, 1)


def test_a_renamed_specimen_keeps_its_proofs(demo):
    proof = Proof("Proof 1", demo.specimens[1].name, demo.specimens[1].surface, "images/a.exr")
    study = demo.with_proof(proof, b"x").with_proof(replace(proof, specimen=demo.specimens[0].name), b"x")
    renamed = study.with_renamed(1, "Prism of the lantern")
    assert [p.specimen for p in renamed.proofs] == ["Prism of the lantern", demo.specimens[0].name]
    assert renamed.specimen(renamed.proofs[0].specimen).surface.given == proof.surface.given


def test_what_differs_stands_in_the_order_of_the_section():
    a = Surface({"roughness": 0.2, "sheen.amount": 0.5, "ior": 1.6})
    assert differing(a, Surface()) == ["sheen.amount", "roughness", "ior"] and differing(a, a) == []


def test_a_variant_has_the_surface_and_a_fresh_name(demo):
    once = demo.with_duplicate(1)
    again = once.with_duplicate(1)
    assert [s.name for s in again.specimens[-2:]] == ["Enamelled number plate 2", "Enamelled number plate 3"]
    assert again.specimens[-1].surface == demo.specimens[1].surface and not again.specimens[-1].readings
    assert again.specimens[-1].free == demo.specimens[1].free


def test_bounds_are_kept_narrowed_and_let_go(demo, tmp_path):
    bounded = demo.specimens[0].with_bounds("roughness", (0.1, 0.4))
    study = demo.with_specimen_at(0, bounded)
    write_file(study, tmp_path / "a.photometra")
    assert dict(read_file(tmp_path / "a.photometra").specimens[0].bounds) == {"roughness": (0.1, 0.4)}
    assert bounded.with_bounds("roughness", None).bounds == {}
    for wrong in ((0.4, 0.1), (0.2, 0.2), (0.1,)):
        with pytest.raises(ValueError, match="a lower number, 'to', and a higher one"):
            bounded.with_bounds("roughness", wrong)
