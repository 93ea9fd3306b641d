"""Ladders: one or two things about a surface stepped over a range, and the small pictures of every step.

Steps of a number are even on its gauge: even to the eye where the parameter asks for it.
"""

from dataclasses import dataclass, replace
from pathlib import Path

import numpy as np

from ..errors import InputError
from ..figures import figures
from ..fitting.uncertainty import equally_good
from ..pictures import write_picture
from ..surface import PARAMETERS, Surface, format_value, parameter, table, table_names
from ..surface.constants import choosing
from ..surface.parameters import scalar_owner
from ..surface.scale import Scale
from ..tracing import Rendering
from ..words import tr
from .booths import compiled_in, display_of, limits_of, scene_of
from .denoising import FAST, clean_picture

MOST_STEPS = 9
_BATCH = 16
"""Samples of a picture between two reports."""
CONSTANTS = "constants"
_METALS = ("silver", "gold", "copper", "brass-70-30", "aluminium", "titanium", "iron", "chromium", "nickel")


@dataclass(frozen=True)
class Axis:
    """What is stepped: `changes` are {parameter: value} for each step, `labels` what stands below its picture."""

    name: str
    label: str
    changes: tuple[dict[str, object], ...]
    labels: tuple[str, ...]
    values: tuple[float, ...] = ()


def number_axis(name, low, high, count) -> Axis:
    """Steps of a number parameter from low to high; ValueError where they will not do."""
    p = parameter(name)
    if p.kind != "number":
        raise InputError(tr("{0} is not a number; step one of the gauges", name))
    if not 2 <= count <= MOST_STEPS:
        raise InputError(tr("a ladder has 2 to {0} steps", MOST_STEPS))
    hard_low, hard_high = p.hard
    if not hard_low <= low < high <= hard_high:
        raise InputError(tr("{0} can be stepped upwards, within {1} to {2}", name, f"{hard_low:g}", f"{hard_high:g}"))
    span = p.span
    scale = Scale(min(low, span[0]), max(high, span[1]), p.scale)
    places = np.linspace(scale.place(low), scale.place(high), count)
    values = tuple(float(f"{scale.value(t):.6g}") for t in places)
    changes = tuple({name: v} for v in values)
    return Axis(name, p.label, changes, tuple(format_value(p, v) for v in values), values)


def constants_axis(keys=None) -> Axis:
    """Steps of optical constants: the tables named, or the metals that ship."""
    keys = tuple(keys or [k for k in _METALS if k in table_names()])[:MOST_STEPS]
    return Axis(
        CONSTANTS, tr("Optical constants"), tuple(choosing(k) for k in keys), tuple(table(k).name for k in keys)
    )


def surfaces_axis(specimens) -> Axis:
    """Steps of whole surfaces: those of other specimens, on this one's shape."""
    chosen = list(specimens)[:MOST_STEPS]
    changes = tuple({n: s.surface.input(n) for n in PARAMETERS} for s in chosen)
    return Axis("surfaces", tr("Whole surfaces"), changes, tuple(s.name for s in chosen))


def equal_axis(solution, count=6) -> Axis:
    """Steps of surfaces that are equally good by the evidence of a solve; InputError where it has no error bars."""
    names = [s.name for s in solution.solved if s.sigma]
    surfaces = equally_good(solution, min(count, MOST_STEPS))
    if not surfaces:
        raise InputError(tr("nothing that was solved has an error bar; equally good surfaces need one"))
    owners = dict.fromkeys(scalar_owner(n)[0] for n in names)
    changes = tuple({p.name: s.input(p.name) for p in owners} for s in surfaces)
    # What varies most against its gauge names a step.
    told = max(names, key=lambda n: np.ptp([s.scalar(n) for s in surfaces]) / np.ptp(scalar_owner(n)[0].span))
    labels = tuple(f"{scalar_owner(told)[0].words} {figures(s.scalar(told))}" for s in surfaces)
    return Axis("equal", tr("Equally good surfaces"), changes, labels)


def stepped(surface: Surface, across: Axis, down: Axis | None = None):
    """Surfaces by row and column of a ladder."""
    rows = down.changes if down is not None else ({},)
    return [[surface.with_values({**c, **r}) for c in across.changes] for r in rows]


class LadderPictures:
    """The pictures of a ladder, refined together: every call of `add` gives each cell more samples."""

    def __init__(self, scene, compiled, width, height, limits=None):
        """compiled: `CompiledSurface`s by row and column."""
        more = {} if limits is None else {"limits": limits}
        self.cells = [[Rendering(c, scene, width, height, **more) for c in row] for row in compiled]

    def add(self, samples, cancel=None, shown=None):
        """More samples for every cell; shown(row, column, linear, samples) after each, with the picture as it is looked
        at. False where cancelled."""
        for i, row in enumerate(self.cells):
            for j, cell in enumerate(row):
                if not cell.add(samples, cancel):
                    return False
                if shown is not None:
                    looked_at = clean_picture(cell, FAST, cancel)
                    if looked_at is None:
                        return False
                    shown(i, j, looked_at, cell.samples)
        return True

    def sheet(self, gap=4, ground=0.18):
        """All cells as one scene-linear picture, side by side on a grey ground."""
        return mounted([[cell.picture() for cell in row] for row in self.cells], gap, ground)


def ladder_header(across: Axis, down: Axis | None):
    """What each cell is, for the header of a sheet's file."""
    header = {"Photometra:across": f"{across.label}: {'; '.join(across.labels)}"}
    if down is not None:
        header["Photometra:down"] = f"{down.label}: {'; '.join(down.labels)}"
    return header


def render_ladder(
    study, specimen, across: Axis, down: Axis | None, path, width, height, samples, report=None, cancel=None, place=None
):  # fmt: skip
    """Render a whole ladder, cell after cell, and write it as one picture: a PNG denoised where that can be, an EXR the
    means. report(Rendering, cell, cells) after each batch; place: see `tracing.places`. Returns (path, the last
    Rendering), None where cancelled: then nothing is written."""
    display, scene, limits = display_of(study.booth), scene_of(study, specimen), limits_of(study.booth)
    is_shown = Path(path).suffix.lower() == ".png"
    if is_shown:
        display.check()
    rows = stepped(specimen.surface, across, down)
    cells, pictures = sum(map(len, rows)), []
    for row in rows:
        pictures.append([])
        for surface in row:
            done = sum(map(len, pictures))
            compiled = compiled_in(scene, replace(specimen, surface=surface))
            cell = Rendering(compiled, scene, width, height, limits=limits, place=place)
            while cell.samples < samples:
                if not cell.add(min(max(1, cell.samples), _BATCH, samples - cell.samples), cancel):
                    return None
                if report:
                    report(cell, done, cells)
            pictures[-1].append(clean_picture(cell) if is_shown else cell.picture())
    write_picture(path, mounted(pictures), display, ladder_header(across, down))
    return Path(path), cell


def mounted(pictures, gap=4, ground=0.18):
    """Pictures (h, w, 3) by row and column as one, on a grey ground."""
    h, w, _ = pictures[0][0].shape
    rows, columns = len(pictures), len(pictures[0])
    out = np.full((rows * (h + gap) + gap, columns * (w + gap) + gap, 3), ground, np.float32)
    for i, row in enumerate(pictures):
        for j, picture in enumerate(row):
            y, x = gap + i * (h + gap), gap + j * (w + gap)
            out[y : y + h, x : x + w] = picture
    return out
