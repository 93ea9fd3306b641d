"""Pictures on a cluster: the same bits as here, whatever becomes of the workers; checkpoints; refusals."""

import os
import signal
import threading
import time

import numpy as np
import pytest

from photometra.errors import InputError
from photometra.exchange import write_standard
from photometra.farm import FarmError, open_cluster, work
from photometra.fitting.bootstrap import bootstrap
from photometra.imaging import checkpoint
from photometra.imaging.booths import compiled_in, scene_of
from photometra.imaging.ladders import number_axis, render_ladder
from photometra.imaging.photographed import Photographed
from photometra.imaging.rendering import render_picture
from photometra.pictures import read_picture
from photometra.tracing import Rendering
from photometra.tracing.places import Threads


@pytest.fixture(scope="module")
def cluster():
    with open_cluster("local:2") as place:
        yield place


@pytest.fixture
def view(demo):
    specimen = demo.specimens[0]
    scene = scene_of(demo, specimen)
    return compiled_in(scene, specimen), scene


def picture(view, place=None, samples=(1, 1, 2)):
    rendering = Rendering(*view, 150, 100, seed=3, layered=True, place=place)
    for count in samples:
        assert rendering.add(count)
    return rendering


def test_the_same_bits_as_here_and_the_view_is_sent_once(cluster, view):
    here, there = picture(view), picture(view, cluster)
    assert np.array_equal(here.picture(), there.picture()) and here.noise() == there.noise()
    assert all(np.array_equal(a, b) for a, b in zip(here.layers().values(), there.layers().values(), strict=True))
    sent = cluster.bytes_sent
    again = Rendering(*view, 60, 40, place=cluster)
    assert again.add(1) and again.add(1)
    assert 0 < cluster.bytes_sent - sent < 2 * len(work.packed(again._view)[1]), "once, however many tasks"


@pytest.mark.long
def test_a_worker_that_is_killed_costs_its_tiles_and_nothing_else(cluster, view):
    client = cluster._client
    pids = list(client.run(os.getpid).values())
    rendering = Rendering(*view, 150, 100, seed=3, layered=True, place=cluster)
    assert rendering.add(1)
    killer = threading.Timer(0.3, os.kill, (pids[0], signal.SIGKILL))
    killer.start()
    assert rendering.add(1) and rendering.add(2) and rendering.add(60)
    killer.join()
    assert np.array_equal(rendering.picture(), picture(view, samples=(1, 1, 2, 60)).picture())


def test_a_cancel_leaves_no_worker_busy(cluster, view):
    cancel = threading.Event()
    threading.Timer(0.5, cancel.set).start()
    rendering = Rendering(*view, 512, 512, place=cluster)
    began = time.monotonic()
    assert rendering.add(256, cancel) is False and time.monotonic() - began < 10.0
    deadline = time.monotonic() + 20.0
    while any(cluster._client.processing().values()) and time.monotonic() < deadline:
        time.sleep(0.1)
    assert not any(cluster._client.processing().values())


def test_a_solve_with_a_photograph_comes_out_the_same_there(cluster, demo, monkeypatch):
    monkeypatch.setattr("photometra.imaging.photographed._PATHS", 60_000)
    rail = demo.specimen("Varnished teak rail")
    here, there = (Photographed(demo, rail, place=place) for place in (None, cluster))
    for surface in (rail.surface, rail.surface.with_values({"coat.roughness": 0.2})):
        assert np.array_equal(here.model(surface), there.model(surface))
    assert np.array_equal(here.sigmas(), there.sigmas())


def test_studies_of_the_error_bars_come_out_the_same_there(cluster, demo):
    prism = demo.specimen("Lens prism")
    asked = prism.surface, prism.surface, prism.readings, ("ior",), 6
    assert bootstrap(*asked, place=cluster).found == bootstrap(*asked).found


def test_a_ladder_comes_out_the_same_there(cluster, demo, tmp_path):
    plate, axis = demo.specimens[1], number_axis("roughness", 0.1, 0.5, 2)
    for name, place in (("here", None), ("there", cluster)):
        assert render_ladder(demo, plate, axis, None, tmp_path / f"{name}.exr", 70, 40, 3, place=place)
    assert np.array_equal(*(read_picture(tmp_path / f"{name}.exr") for name in ("here", "there")))


def test_the_values_that_a_standard_loses_least_by_come_out_the_same_there(cluster, demo, tmp_path):
    duster, fits = demo.specimen("Wool-felt duster"), {}
    for name, place in (("here", None), ("there", cluster)):
        fits[name] = write_standard("gltf", demo, duster, tmp_path / f"{name}.glb", place=place)[0][duster.name]
    assert fits["here"].changed and fits["here"].inputs == fits["there"].inputs
    assert (tmp_path / "here.glb").read_bytes() == (tmp_path / "there.glb").read_bytes()


def test_a_worker_with_other_kernels_is_refused_in_a_sentence(view):
    name, data = work.packed(Rendering(*view, 8, 8)._view)
    with pytest.raises(work.Mismatch, match="install the same on all"):
        work.done(name, data, [((0, 8, 0, 8), 0, 1)], "0.0, kernels of another")
    with pytest.raises(work.Mismatch, match="install the same on all"):
        work.called(abs, -1, "0.0, kernels of another")
    assert work.called(abs, -1, work.stamp()) == 1


def test_what_a_lost_cluster_had_done_is_kept(demo, tmp_path):
    class Lost:
        keeps_whole = True

        def sums(self, view, arrays, jobs, cancel=None):
            done = list(Threads().sums(view, arrays, jobs, cancel))
            if jobs[0][0][1] >= 4:
                yield done[0]
                raise FarmError("the cluster was lost on the way")
            yield from done

    one, path = demo.specimens[1], tmp_path / "plate.exr"
    with pytest.raises(InputError, match="4 samples are kept: go on with --resume"):
        render_picture(demo, one, path, 70, 50, samples=12, place=Lost())
    render_picture(demo, one, path, 70, 50, samples=12, resume=True)
    render_picture(demo, one, tmp_path / "whole.exr", 70, 50, samples=12)
    assert np.array_equal(read_picture(path), read_picture(tmp_path / "whole.exr"))


@pytest.mark.parametrize(("text", "words"), [
    ("nowhere", "is not known"), pytest.param("tcp://127.0.0.1:1", "cannot be reached", marks=pytest.mark.long),
    ("file:/no/such.json", "no such file"),
])  # fmt: skip
def test_a_cluster_that_is_not_there_is_one_sentence(text, words):
    with pytest.raises(InputError, match=words), open_cluster(text):
        pass


def test_a_picture_that_was_cut_off_goes_on_to_the_same_bits(demo, tmp_path, monkeypatch):
    monkeypatch.setattr("photometra.imaging.rendering._KEEP_EVERY_S", 0.0)
    one, path = demo.specimens[1], tmp_path / "plate.exr"

    class Cut(Exception):
        pass

    def cut(rendering):
        if rendering.samples >= 4:
            raise Cut

    with pytest.raises(Cut):
        render_picture(demo, one, path, 70, 50, samples=12, report=cut)
    assert checkpoint.part_of(path).exists() and not path.exists()
    resumed_at = []
    render_picture(demo, one, path, 70, 50, samples=12, resume=True, report=lambda r: resumed_at.append(r.samples))
    assert resumed_at[0] == 8 and not checkpoint.part_of(path).exists()
    render_picture(demo, one, tmp_path / "whole.exr", 70, 50, samples=12)
    assert np.array_equal(read_picture(path), read_picture(tmp_path / "whole.exr"))


def test_what_was_kept_of_another_picture_or_is_damaged_is_refused(demo, tmp_path):
    one, path = demo.specimens[1], tmp_path / "plate.exr"
    scene = scene_of(demo, one)
    rendering = Rendering(compiled_in(scene, one), scene, 16, 16)
    rendering.add(2)
    checkpoint.keep(path, rendering, {"photometra:seed": 1})
    other = Rendering(compiled_in(scene, one), scene, 16, 16)
    with pytest.raises(InputError, match="of another picture"):
        checkpoint.go_on(path, other, {"photometra:seed": 2})
    assert other.samples == 0 and checkpoint.go_on(path, other, {"photometra:seed": 1}) and other.samples == 2
    checkpoint.part_of(path).write_bytes(checkpoint.part_of(path).read_bytes()[:200])
    with pytest.raises(InputError, match="damaged"):
        checkpoint.go_on(path, other, {"photometra:seed": 1})
