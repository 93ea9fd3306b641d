"""The booth in the study's file: shapes, lamps, camera, effort and meshes come back as they were, or are refused."""

import json
import zipfile
from dataclasses import asdict, replace

import numpy as np
import pytest
import trimesh
from hypothesis import given
from hypothesis import strategies as st

from photometra.imaging.booths import as_it_stands, compiled_in, limits_of, scene_of, standing, standing_findings
from photometra.pictures import PictureError, write_exr
from photometra.study import (
    VIEWPOINTS,
    Booth,
    Effort,
    Lamp,
    Specimen,
    Study,
    StudyError,
    Viewpoint,
    read_file,
    shown_names,
    write_file,
)
from photometra.study.schema import BoothEntry
from photometra.surface import Surface, rows

_SHARE = st.floats(0.0, 1.0)
_REGION = st.tuples(_SHARE, _SHARE, _SHARE, _SHARE).filter(lambda r: r[0] < r[2] and r[1] < r[3])


@given(
    st.builds(Viewpoint, st.floats(-180, 180), st.floats(-89, 89), st.floats(0.8, 50), st.floats(8, 400), _SHARE),
    st.builds(Lamp, st.floats(0, 500), st.sampled_from(["D65", "A", "LED"]), st.floats(-180, 180), st.floats(-60, 89)),
    st.builds(Effort, st.integers(0, 10**6), st.floats(0, 1e5), _SHARE, st.integers(1, 4096), st.integers(1, 4096)),
    st.none() | _REGION,
)
def test_every_booth_goes_through_its_entry_and_comes_back(viewpoint, lamp, effort, region):
    booth = Booth(viewpoint=viewpoint, key=lamp, back=replace(lamp, turn=180.0), effort=effort, region=region)
    text = BoothEntry.of(booth).model_dump_json()
    assert BoothEntry.model_validate_json(text, strict=True).booth() == booth


def test_defaults_of_the_entry_are_those_of_the_booth():
    assert BoothEntry().booth() == Booth()
    assert asdict(Booth()) == BoothEntry().model_dump()


def own_study():
    mesh = trimesh.creation.icosphere(2, 21.0)
    mesh.apply_translation([0.0, 21.0, 0.0])
    cup = Specimen(
        "Cup", 50.0, Surface({"transmission": 1.0, "thin_walled": True}), shape="meshes/cup.ply", wall_mm=4.0
    )
    booth = Booth(viewpoint=VIEWPOINTS["close"], back=Lamp(3.0, "LED", 170.0), region=(0.1, 0.2, 0.9, 0.8))
    return Study("Own", (cup,), booth, meshes={"meshes/cup.ply": mesh.export(file_type="ply")})


def test_a_study_with_its_mesh_comes_back_equal(tmp_path):
    path = tmp_path / "a.photometra"
    write_file(own_study(), path)
    back = read_file(path)
    assert back.booth == own_study().booth and back.specimens == own_study().specimens
    assert dict(back.meshes) == dict(own_study().meshes)
    scene = scene_of(back, back.specimens[0])
    assert scene.radius == pytest.approx(21.0, rel=1e-2) and len(scene.panels) == 2
    assert scene.panels[1].radiance == 3.0 and scene.camera.f_number == 4.0


@pytest.mark.parametrize(("place", "value", "words"), [
    (("booth", "viewpoint", "focal_mm"), -1, "focal_mm"), (("booth", "back", "strength"), "much", "strength"),
    (("booth", "effort", "reflection"), 0, "reflection"), (("booth", "region"), [0, 0, 2, 1], "region"),
    (("booth", "region"), [0.6, 0, 0.4, 1], "must grow"),
    (("specimens", 0, "wall_mm"), 0, "wall_mm"), (("booth", "effort", "bounces"), 3, "bounces"),
    (("specimens", 0, "surface", "thin_walled"), 1, "neither true nor false"),
])  # fmt: skip
def test_what_no_booth_can_be_is_refused_with_its_place(tmp_path, place, value, words):
    path = tmp_path / "a.photometra"
    write_file(own_study(), path)
    with zipfile.ZipFile(path) as archive:
        members = {n: archive.read(n) for n in archive.namelist()}
    entry = json.loads(members["study.json"])
    target = entry
    for step in place[:-1]:
        target = target[step]
    target[place[-1]] = value
    members["study.json"] = json.dumps(entry).encode()
    with zipfile.ZipFile(path, "w") as archive:
        for name, data in members.items():
            archive.writestr(name, data)
    with pytest.raises(StudyError, match=words):
        read_file(path)


def test_a_mesh_or_a_shape_that_is_not_there_is_said():
    study = own_study()
    with pytest.raises(PictureError, match="not in the study"):
        standing(study.specimens[0])
    with pytest.raises(ValueError, match="choose from"):
        standing(replace(study.specimens[0], shape="teacup"))


def test_what_has_no_inside_is_rendered_as_a_sheet():
    study = Study(specimens=(Specimen("Rag", 60.0, Surface({"transmission": 0.5}), shape="cloth"),))
    rag = study.specimens[0]
    assert compiled_in(scene_of(study, rag), rag).scalars[rows.SHEET] == 1.0
    ball = replace(rag, shape="ball")
    assert compiled_in(scene_of(study, ball), ball).scalars[rows.SHEET] == 0.0


def test_a_cloth_is_a_sheet_for_the_instruments_too_or_it_is_said():
    gauze = Specimen("Gauze", 60.0, Surface({"transmission": 0.5}), shape="cloth")
    (found,) = standing_findings(gauze)
    assert "no inside" in found.sentence and dict(found.mend) == {"thin_walled": True}
    stood = as_it_stands(gauze)
    assert stood.surface["thin_walled"] and standing_findings(stood) == []
    for fine in (replace(gauze, shape="ball"), replace(gauze, surface=Surface())):
        assert standing_findings(fine) == [] and as_it_stands(fine) == fine


def test_two_files_of_one_name_stay_two():
    study = own_study()
    a = study.with_environment("/here/My sky.EXR", b"one").with_environment("/there/My sky.EXR", b"two")
    assert sorted(a.pictures.values()) == [b"one", b"two"] and a.pictures[a.booth.environment] == b"two"
    assert a.with_environment("/here/My sky.EXR", b"one").pictures == a.pictures
    b = study.with_mesh(0, "cup.obj", b"one").with_mesh(0, "elsewhere/cup.stl", b"two")
    assert {b"one", b"two"} <= set(b.meshes.values()) and b.meshes[b.specimens[0].shape] == b"two"
    names = shown_names(a.pictures)
    assert len(set(names.values())) == 2 and all(n.startswith("My-sky") for n in names.values())
    assert shown_names([a.booth.environment]) == {a.booth.environment: "My-sky.exr"}


@pytest.mark.parametrize("named", ["/etc/passwd.exr", "/dev/zero", "../sky.exr", "pictures/none.exr"])
def test_a_study_cannot_have_other_files_read(named, tmp_path, monkeypatch):
    monkeypatch.chdir(tmp_path)
    write_exr(tmp_path / "sky.exr", np.ones((4, 8, 3)))
    study = own_study().with_booth(environment=named)
    with pytest.raises(PictureError, match="there is no environment"):
        scene_of(study, study.specimens[0])
    assert scene_of(study, study.specimens[0], str(tmp_path / "sky.exr")).environment.radiance.shape == (4, 8, 3)


def test_the_furnace_has_neither_stage_nor_lamps():
    study = own_study().with_booth(environment="uniform")
    scene = scene_of(study, study.specimens[0])
    assert scene.panels == () and not scene.stage
    limits = limits_of(study.with_booth(effort=Effort(reflection=3, clamp=2.0)).booth)
    assert (limits.reflection, limits.clamp) == (3, 2.0)
