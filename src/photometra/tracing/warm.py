"""Compiling every kernel once, so that nobody waits for it later, and loading them before they are wanted.

python -m photometra.tracing.warm
"""

import os
import subprocess
import sys

from ..instruments import depth_colours, light_split, measured
from ..maps import Generator, Layer, Map
from ..optics import film_reflectance, fresnel_conductor, fresnel_dielectric, fresnel_face_edge
from ..optics.jit import held_back, in_use, is_warm, mark_warm
from ..shapes.standing import shape_of
from ..surface import Surface
from ..surface.bank import compiled_as
from ..surface.compile import compile_surface
from ..words import tr
from .environment import environment_from, uniform_environment
from .render import Rendering
from .scene import Scene
from .survey import coverage, survey


def _steps():
    layers = {"coat.amount": 0.5, "film.amount": 0.5, "haze.amount": 0.1}
    glass = Surface({**layers, "transmission": 1.0, "abbe": 60.0, "diffuse_roughness": 0.2})
    metal = Surface({"metalness": 1.0, "haze.amount": 0.1})
    yield (
        "interfaces",
        lambda: (
            fresnel_dielectric(0.5, 1.5),
            fresnel_conductor(0.5, 1.0, 2.0),
            fresnel_face_edge(0.5, 0.9, 0.9),
            film_reflectance(0.5, 550.0, 1.4, 100.0, 1.5),
        ),
    )
    yield "surfaces", lambda: (compile_surface(glass), compile_surface(metal), compile_surface(Surface()))
    yield (
        "spectrophotometer",
        lambda: [measured("spectrophotometer", glass, g) for g in ("di:8", "de:8", "45:0")],
    )
    yield tr("gloss meter"), lambda: measured("glossmeter", metal)
    wax = Surface({"subsurface": 1.0})
    yield tr("scatter probe"), lambda: (measured("scatterprobe", wax), measured("ellipsometer", Surface()))
    for name, light in (
        ("furnace", uniform_environment()),
        ("tracer", environment_from([[[1.0] * 3] * 4] * 2)),
    ):
        yield name, lambda light=light: Rendering(compile_surface(glass), Scene(light), 8, 8).add(1)
    felt = Surface({"sheen.amount": 0.5, "anisotropy": 0.5, "thin_walled": True, "transmission": 0.5})
    yield (
        tr("sheets and shapes"),
        lambda: (
            light_split(felt, compile_surface(felt), 30.0, 10.0),
            depth_colours(glass, [1.0]),
            Rendering(compile_surface(felt), Scene(uniform_environment(), shape=shape_of("steps", 30.0)), 8, 8).add(1),
            Rendering(compile_surface(felt), Scene(uniform_environment()), 8, 8).guides(),
        ),
    )
    varied = Surface({"metalness": 1.0, "roughness": Map((Layer(Generator("checker")),), 0.1, 0.3)})
    empty = Scene(uniform_environment())
    yield "maps", lambda: (compiled_as(varied).shares(), survey(empty, 8, 8), coverage(empty, 8, 8, 1))


STEP_COUNT = sum(1 for _ in _steps())
_FIRST = ("furnace", "surfaces", "spectrophotometer")
"""Steps with the kernels of what is looked at first: picture, section and readings."""
_LOOK_S = 0.1


def warm(report=None, cancel=None):
    """Compile all kernels; report(name, done, of) before each step. Returns False when cancelled."""
    for i, (name, step) in enumerate(_steps()):
        if cancel is not None and cancel.is_set():
            return False
        if report:
            report(name, i, STEP_COUNT)
        step()
    mark_warm()
    return True


def warm_apart(cancel):
    """Compile all kernels in a process of its own, which leaves this one its interpreter and Numba its lock.

    Whoever calls one here meanwhile waits, and gets InputError once `cancel` is set. Where no process can be
    had, or it fails, kernels are compiled here as they are called.
    """
    command = [sys.executable, "-m", "photometra.tracing.warm"]
    here = {**os.environ, "NUMBA_CACHE_DIR": str(in_use())}
    with held_back():
        try:
            child = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL, env=here)
        except OSError:
            return
        while child.poll() is None:
            if cancel.wait(_LOOK_S):
                child.terminate()
                child.wait()
                raise RuntimeError("cancelled")
        if is_warm():
            mark_warm()


def load(cancel):
    """Load the kernels of what is looked at first; they must have been compiled."""
    steps = dict(_steps())
    for name in _FIRST:
        if cancel.is_set():
            return
        steps[name]()


if __name__ == "__main__":
    if is_warm():
        print(tr("kernels are warm"))
    else:
        warm(lambda name, i, of: print(tr("compiling kernels {0}/{1}: {2}", i + 1, of, name), flush=True))
