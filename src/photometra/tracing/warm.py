"""Compiling every kernel once, so that nobody waits for it later.

python -m photometra.tracing.warm
"""

from ..instruments import depth_colours, light_split, measured
from ..maps import Generator, Layer, Map
from ..optics import film_reflectance, fresnel_conductor, fresnel_dielectric, fresnel_face_edge
from ..optics.jit import is_warm, mark_warm
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


if __name__ == "__main__":
    if is_warm():
        print(tr("kernels are warm"))
    else:
        warm(lambda name, i, of: print(tr("compiling kernels {0}/{1}: {2}", i + 1, of, name), flush=True))
