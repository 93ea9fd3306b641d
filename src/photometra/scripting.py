"""Photometra as a library: open a study, set, measure, solve, render, export; NumPy in and out.

>>> import photometra
>>> study = photometra.new_study()
>>> cleat = study.add("Cleat", size_mm=40)
>>> cleat.set(metalness=1, constants="brass-70-30", roughness="gloss 0.7")
>>> round(cleat["roughness"], 2)
0.3
>>> sorted(cleat.measure("glossmeter"))
['angle_deg', 'gloss_units']

Nothing is written before `Study.save`. What a person can put right is a `photometra.InputError`, one sentence.
"""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING, Any

import numpy as np

from .errors import InputError
from .fitting import Solution, agreements, applicable, solve
from .instruments import constants_reading, measured
from .maps import Map
from .readings import Reading
from .readings import read_file as read_reading
from .study import Specimen as _Specimen
from .study import Study as _Study
from .study import read_file, write_file
from .surface import parameter, parse
from .surface.inputs import is_map, parse_map
from .words import tr

if TYPE_CHECKING:
    from collections.abc import Iterable, Iterator, Mapping


def open_study(path: str | Path) -> Study:
    """The study in a file."""
    return Study(read_file(path), Path(path))


def new_study(name: str = "Study") -> Study:
    """An empty study, of no file yet."""
    return Study(_Study(name), None)


class Study:
    """A study being worked on. Its specimens are had by name, `study["Cleat"]`, or one after another."""

    def __init__(self, document: _Study, path: Path | None):
        self.document = document
        self.path = path

    def __getitem__(self, name: str) -> Specimen:
        self.document.index(name)
        return Specimen(self, self.document.specimen(name).name)

    def __iter__(self) -> Iterator[Specimen]:
        return iter([Specimen(self, s.name) for s in self.document.specimens])

    def __len__(self) -> int:
        return len(self.document.specimens)

    def add(self, name: str, size_mm: float = 60.0) -> Specimen:
        """A new specimen, as large as that across."""
        self.document = self.document.with_new_specimen(name, float(size_mm))
        return Specimen(self, self.document.specimens[-1].name)

    def save(self, path: str | Path | None = None) -> Path:
        """Write the study, to its own file or to another, whole or not at all."""
        to = Path(path) if path is not None else self.path
        if to is None:
            raise InputError(tr("this study has no file yet; say where to save it"))
        write_file(self.document, to)
        self.path = to
        return to


class Specimen:
    """One specimen of a study: always as the study has it now."""

    def __init__(self, study: Study, name: str):
        self._study, self.name = study, name

    def __repr__(self) -> str:
        return f"<Specimen {self.name!r}, {len(self.readings)} readings>"

    @property
    def value(self) -> _Specimen:
        """The specimen itself, as plain immutable data."""
        return self._study.document.specimen(self.name)

    def _put(self, specimen: _Specimen) -> None:
        document = self._study.document
        self._study.document = document.with_specimen_at(document.index(self.name), specimen)

    # The surface.

    def __getitem__(self, name: str) -> Any:
        """The value of a parameter: a number, a colour as linear Rec.709 or by wavelength, a table's name, a switch."""
        return self.value.surface[parameter(name).name]

    def set(self, values: Mapping[str, Any] | None = None, /, **more: Any) -> None:
        """Set parameters: by keyword, or by a mapping where names have a dot. A text is read as typed in the window:
        "gloss 0.7", "#3366aa", "map:scratches, low=0.1, high=0.3"."""
        surface, changes = self.value.surface, {}
        for name, given in {**(values or {}), **more}.items():
            p = parameter(name)
            ior = changes.get("ior", surface["ior"])
            if isinstance(given, str) and is_map(given):
                present = surface.input(p.name)
                changes[p.name] = parse_map(p, given, ior, None if isinstance(present, Map) else present)
            elif isinstance(given, str) and p.kind != "constants":
                changes[p.name] = parse(p, given, ior)
            elif isinstance(given, (bool, str, Map)):
                changes[p.name] = given
            else:
                numbers = np.asarray(given, float)
                changes[p.name] = float(numbers) if numbers.ndim == 0 else tuple(float(v) for v in numbers)
                if p.kind == "switch":
                    changes[p.name] = bool(numbers)
        self._put(self.value.with_values(changes))

    # Evidence.

    @property
    def readings(self) -> tuple[Reading, ...]:
        """Its readings; the columns of each are arrays, `reading.columns["gloss_units"]`."""
        return self.value.readings

    def add_reading(self, reading: Reading | str | Path) -> Reading:
        """Take a reading, or that of a file; as it was kept."""
        made = reading if isinstance(reading, Reading) else read_reading(reading)
        self._put(self.value.with_reading(made))
        return self.readings[-1]

    def measure(self, instrument: str, geometry: str = "", **setting: Any) -> dict[str, np.ndarray]:
        """What an instrument would read on the surface as it is: {column: values}, places and values alike."""
        one = self.value
        made = measured(instrument, one.surface, geometry, constants_reading(one.readings), **setting)
        return {name: np.array(column) for name, column in made.columns.items()}

    def misfits(self) -> dict[str, tuple[float, float]]:
        """{reading: (misfit, tolerance)} in the reading's own measure; infinite where they cannot be compared."""
        one = self.value
        return {a.reading.name: (a.value, a.reading.tolerance) for a in agreements(one.surface, one.readings)}

    def solve(self, free: Iterable[str] | None = None, keep: bool = True, **more: Any) -> Solution:
        """Solve for parameters (its own free ones where none are named) from the active readings; `keep` puts the
        outcome in the study. `solution.verdict.is_good` says whether it may be taken; more: as `fitting.solve`."""
        one = self.value
        names = list(free) if free is not None else applicable(one.surface, one.free)
        solution = solve(one.surface, one.readings, names, one.bounds, **more)
        if keep:
            self._put(one.with_solved(solution.surface, solution.sigmas))
        return solution

    # Pictures and files.

    def render(self, width: int = 320, height: int = 240, samples: int = 16, seed: int = 1) -> np.ndarray:
        """The specimen in the study's booth, scene-linear Rec.709, float32 (height, width, 3)."""
        from .imaging.booths import as_it_stands, compiled_in, limits_of, scene_of
        from .tracing import Rendering

        document = self._study.document
        one = as_it_stands(self.value, document.meshes)
        scene = scene_of(document, one)
        limits = limits_of(document.booth)
        rendering = Rendering(compiled_in(scene, one), scene, width, height, seed, limits)
        rendering.add(int(samples))
        return rendering.picture()

    def export(self, path: str | Path) -> list[str]:
        """Write it by an open standard, by the file's suffix (.mtlx, .glb, .usda, .usdc, .usdz); sentences on what was
        not carried."""
        from .exchange import write_standard

        suffix = Path(path).suffix.lower()
        standard = {".mtlx": "materialx", ".glb": "gltf"}.get(suffix, "usd" if suffix.startswith(".usd") else "")
        if not standard:
            raise InputError(tr("{0}: the suffix says the standard: .mtlx, .glb, .usda, .usdc or .usdz", path))
        _, left_out = write_standard(standard, self._study.document, self.value, Path(path))
        return list(left_out)
