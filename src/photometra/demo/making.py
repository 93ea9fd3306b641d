"""Making the demo study: the virtual instruments read the hidden samples, with noise of a fixed seed."""

from dataclasses import replace
from importlib.resources import files

import numpy as np

from ..errors import InputError
from ..instruments import drawn, measured, misread, noised
from ..instruments.devices import Piece
from ..readings import Reading, make_reading
from ..study import Booth, Pin, Reference, Specimen, Study, write_file
from ..surface import table
from . import lantern
from .camera import calibration
from .samples import SAMPLES, Sample

NAME = "Harrow Skerry"
LANTERN = "Gallery lantern"
_ASSIGNED = (
    ("frame/*", "Brass lamp bracket"), ("handle", "Varnished teak rail"), ("lens", "Lens prism"),
    ("chimney", "Ruby signal glass"), ("burner", "Heat-tinted vane"), ("wick", "Wool-felt duster"),
    ("fuel cap", "Brass lamp bracket"), ("number plate", "Enamelled number plate"),
)  # fmt: skip
_SEED, _CAMERA_SEED = 1895, 1875
PHOTOGRAPHED, PHOTOGRAPH = "Varnished teak rail", "rail.jpg"
_PINS = (
    Pin("Left", 0.33, 0.52, form="patch", to_x=0.42, to_y=0.6, counts=True),
    Pin("Right", 0.58, 0.5, form="patch", to_x=0.66, to_y=0.58, counts=True),
    Pin("Across the sky", 0.39, 0.27, 0.008, "line", 0.61, 0.27, counts=True),
    Pin("Across the bars", 0.38, 0.41, 0.006, "line", 0.62, 0.41, counts=True),
)


def _noisy(reading: Reading, rng, truth=None, **more):
    """The reading with noise of its stated uncertainty, by an instrument as far off as its systematic one allows."""
    columns = dict(reading.columns)
    if truth is not None:
        columns.update(zip(reading.kind.values, misread(reading, truth, drawn(reading, rng)), strict=True))
    columns = noised(reading, columns, rng)
    said = ("geometry", "systematic", "thickness_mm", "bandpass_nm", "illuminated_mm", "collected_mm")
    more = {**{key: getattr(reading, key) for key in said}, **more}
    return make_reading(reading.name, reading.kind_key, columns, reading.sigma, **more)


def _constants_of(truth, rng):
    """What a simulated ellipsometer's fit gives of a metal: n and k every 10 nm."""
    wavelength = np.arange(380.0, 781.0, 10.0)
    n, k = table(truth["constants"]).on_grid(wavelength)
    columns = {"wavelength_nm": wavelength, "n": n, "k": k}
    sigma = {"n": 0.006 * n + 0.002, "k": 0.006 * k + 0.002}
    exact = make_reading("Optical constants", "constants", columns, sigma)
    return _noisy(exact, rng, source="simulated ellipsometer, spot 2 mm on the polished edge")


_SET_UP = {
    "spectrophotometer": {"bandpass_nm": 10.0, "illuminated_mm": 8.0, "collected_mm": 6.0},
    "colorimeter": {"illuminated_mm": 8.0, "collected_mm": 6.0},
    "transmissometer": {"bandpass_nm": 5.0},
}
_SOURCES = {
    "spectrophotometer": ("Reflectance {}", "simulated spectrophotometer, port 8 mm, mean of 5"),
    "glossmeter": ("Gloss", "simulated gloss meter, mean of 5 places"),
    "refractometer": ("Index", "simulated refractometer at 20 °C, six lines"),
    "transmissometer": ("Transmittance", "simulated transmissometer, mean of 3"),
    "scatterprobe": ("Scatter profile", "simulated scatter probe, beam 0.1 mm, three lines"),
    "goniophotometer": ("Lobe at 45°", "simulated goniophotometer, receptor 1°"),
    "reflectometer": ("Specular s and p", "simulated reflectometer, 550 nm"),
    "colorimeter": ("Colour {}", "simulated colorimeter, D65 and 2°"),
    "ellipsometer": ("Ellipsometry", "simulated ellipsometer, 65° and 75°"),
}


def readings_of(sample: Sample, rng) -> tuple[Reading, ...]:
    """Fresh noisy readings of a sample; a constants reading comes with metals."""
    readings = []
    for key, geometry in sample.readings:
        if key == "constants":
            readings.append(_constants_of(sample.truth, rng))
            continue
        name, source = _SOURCES[key]
        exact = measured(
            key, sample.truth, geometry, name=name.format(geometry).strip(), thickness_mm=sample.slab_mm,
            **_SET_UP.get(key, {}),
        )  # fmt: skip
        readings.append(_noisy(exact, rng, sample.truth, source=source))
    return tuple(readings)


def _with_photograph(study):
    """The study with the photograph of its rail, as `tools/make_demo_photograph.py` took it."""
    picture = files("photometra.demo").joinpath(PHOTOGRAPH)
    name = f"images/{PHOTOGRAPH}"
    found = calibration(np.random.default_rng(_CAMERA_SEED))
    matrix = tuple(float(v) for v in found.matrix.reshape(-1))
    i = study.index(PHOTOGRAPHED)
    reference = Reference(name, "sRGB", matrix, residual=float(found.residuals.mean()))
    rail = replace(study.specimens[i], reference=reference)
    return study.with_specimen_at(i, rail).with_image(name, picture.read_bytes())


def make_study(seed=_SEED) -> Study:
    """The demo study, the same for the same seed."""
    return _with_lantern(_with_photograph(study_without_photograph(seed)))


def _with_lantern(study):
    """The study with the lantern that its specimens are the parts of."""
    study = study.with_new_specimen(LANTERN, 92.0)
    i = len(study.specimens) - 1
    study = study.with_mesh(i, lantern.NAME, lantern.lantern().as_kept(1.0))
    one = replace(study.specimens[i], notes="The lantern of the gallery, every part of it a specimen of this study.")
    for part, name in _ASSIGNED:
        one = one.with_assigned(part, name)
    return study.with_specimen_at(i, one)


def study_without_photograph(seed=_SEED) -> Study:
    """The demo study as it was before its photograph was taken."""
    rng = np.random.default_rng(seed)
    specimens = tuple(
        Specimen(
            s.name,
            s.size_mm,
            s.truth.with_values(s.guess),
            readings_of(s, rng),
            frozenset(s.free),
            notes=s.notes,
            shape=s.shape,
        )
        for s in SAMPLES
    )
    return Study(NAME, specimens, Booth(turn=-12.0, exposure=0.7, pins=_PINS))


def write_demo(path):
    """Write a fresh demo study to a file."""
    write_file(make_study(), path)


def bench_piece(name) -> Piece:
    """A piece of a hidden sample, by its specimen's name, for the simulated devices. ValueError for another name."""
    for s in SAMPLES:
        if s.name == name:
            return Piece(f"piece of the {s.name.lower()}", s.truth, s.size_mm, s.slab_mm or s.size_mm)
    raise InputError(f"there is no hidden sample of '{name}'")
