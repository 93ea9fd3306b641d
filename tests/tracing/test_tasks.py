"""A picture as tasks: each a value that can be pickled, whose sums add up to the same bits wherever it ran."""

import pickle
import threading

import numpy as np

from photometra.imaging.booths import compiled_in, scene_of
from photometra.study import Specimen
from photometra.surface import Surface
from photometra.tracing import Rendering
from photometra.tracing.tasks import Limits, Task, View, sums_of


def test_sums_of_pickled_tasks_make_the_very_picture(demo):
    specimen = demo.specimens[0]
    scene = scene_of(demo, specimen)
    compiled = compiled_in(scene, specimen)
    rendering = Rendering(compiled, scene, 96, 70, seed=5, layered=True)
    rendering.add(2)
    rendering.add(1)
    view = View(compiled, scene, 96, 70, 5, Limits(), True)
    total = np.zeros((70, 96, 3))
    layers = np.zeros((8, 70, 96, 3))
    for begin, count in ((0, 2), (2, 1)):
        for tile in ((0, 64, 0, 64), (64, 96, 0, 64), (0, 64, 64, 70), (64, 96, 64, 70)):
            task = pickle.loads(pickle.dumps(Task(view, tile, begin, count)))
            sums = pickle.loads(pickle.dumps(sums_of(task)))
            at = np.s_[tile[2] : tile[3], tile[0] : tile[1]]
            total[at] += sums.total
            layers[(slice(None), *at)] += sums.layers
    assert np.array_equal((total / 3).astype(np.float32), rendering.picture())
    names = rendering.layers()
    assert np.array_equal((layers[0] / 3).astype(np.float32), next(iter(names.values())))


def test_what_a_study_holds_can_be_pickled(demo):
    assert pickle.loads(pickle.dumps(demo)) == demo
    s = Surface({"roughness": 0.2, "colour": (0.1, 0.2, 0.3)})
    assert pickle.loads(pickle.dumps(s)) == s and pickle.loads(pickle.dumps(Specimen("Cup"))) == Specimen("Cup")


def test_a_cancel_midway_is_obeyed_within_a_tile(demo):
    specimen = demo.specimens[1]
    scene = scene_of(demo, specimen)
    rendering = Rendering(compiled_in(scene, specimen), scene, 512, 512)
    cancel = threading.Event()
    threading.Timer(0.15, cancel.set).start()
    assert rendering.add(64, cancel) is False and rendering.samples == 0
