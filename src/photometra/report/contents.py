"""What a report says of a study: plain data, gathered from the same numbers as the window's."""

import hashlib
from dataclasses import dataclass
from datetime import datetime

import numpy as np

from .. import __version__
from ..exchange.loss import fitted, through_gltf, told_loss
from ..fitting import Cancelled, agreements, evidence_findings, sensitivities
from ..imaging.booths import (
    as_it_stands,
    compiled_in,
    display_of,
    limits_of,
    scene_of,
    standing_findings,
)
from ..imaging.denoising import clean_picture, is_available
from ..instruments import constants_reading
from ..pictures import PictureError, decoded_picture, encoded_png
from ..study import Specimen, Study
from ..study.storage import encoded
from ..surface import PARAMETERS, format_value
from ..surface.checks import findings
from ..surface.parameters import scalar_owner
from ..tracing import Rendering
from .charts import chart_of

_WIDTH, _HEIGHT, _SAMPLES = 480, 360, 64
_MOST_PROOFS = 4
_VERDICTS = {True: "within tolerance", False: "out of tolerance"}


@dataclass(frozen=True)
class ReadingRow:
    """One reading: who took it and how, its agreement in words, and a chart as SVG."""

    name: str
    kind: str
    geometry: str
    source: str
    date: str
    uncertainty: str
    counts: bool
    value: str
    tolerance: str
    verdict: str
    chi2: str
    chart: str


@dataclass(frozen=True)
class ParameterRow:
    """One parameter that is not as it starts, or is told by the evidence: value with its standard error."""

    label: str
    name: str
    value: str
    sigma: str
    is_free: bool
    told_by: str


@dataclass(frozen=True)
class Section:
    """All of one specimen. pictures: (caption, PNG bytes)."""

    name: str
    size: str
    rests_on: str
    notes: str
    within: int
    count: int
    pictures: tuple[tuple[str, bytes], ...]
    readings: tuple[ReadingRow, ...]
    parameters: tuple[ParameterRow, ...]
    cannot: tuple[str, ...]
    losses: tuple[tuple[str, str], ...]


@dataclass(frozen=True)
class Contents:
    study: str
    made: str
    version: str
    digest: str
    sections: tuple[Section, ...]


def digest_of(study: Study):
    """What ties a report to a study: SHA-256 over all that its file holds."""
    whole = hashlib.sha256()
    for name, data in sorted(encoded(study).items()):
        whole.update(name.encode() + b"\0" + hashlib.sha256(data).digest())
    return whole.hexdigest()


def contents_of(study: Study, specimens=None, report=None, cancel=None) -> Contents | None:
    """What a report says of a study, or of some of its specimens; None where cancelled.

    report(name, done, of) before each specimen.
    """
    chosen = tuple(specimens if specimens is not None else study.specimens)
    sections = []
    for i, specimen in enumerate(chosen):
        if report:
            report(specimen.name, i, len(chosen))
        section = _section(study, specimen, cancel)
        if section is None:
            return None
        sections.append(section)
    made = datetime.now().strftime("%Y-%m-%d %H:%M")
    return Contents(study.name, made, __version__, digest_of(study), tuple(sections))


def _section(study, specimen: Specimen, cancel):
    stands = as_it_stands(specimen, study.meshes)
    found = agreements(stands.surface, specimen.readings)
    try:
        told = sensitivities(stands.surface, specimen.readings, cancel)
    except Cancelled:
        return None
    pictures = _pictures(study, specimen, cancel)
    if pictures is None:
        return None
    readings = tuple(_reading(a) for a in found)
    counted = [a for a in found if a.reading.active]
    return Section(
        specimen.name,
        f"{specimen.size_mm:g} mm",
        specimen.rests_on,
        specimen.notes,
        sum(a.within for a in counted),
        len(counted),
        pictures,
        readings,
        tuple(_parameters(specimen, told)),
        tuple(_cannot(study, stands, found, told)),
        _losses(specimen),
    )


def _reading(agreement):
    r = agreement.reading
    values, sigmas = r.stacked()
    share = np.median(sigmas / np.maximum(np.abs(values), 1e-12))
    told = r.rule or f"σ about {100.0 * share:.2g} % of the value"
    value = agreement.problem or f"{agreement.value:.3g}"
    return ReadingRow(
        r.name, r.kind.label, r.geometry, r.source, r.date, told, r.active, value, f"{r.tolerance:g}",
        "not answered" if agreement.problem else _VERDICTS[agreement.within],
        "" if agreement.problem or not np.isfinite(agreement.chi2) else f"{agreement.chi2:.2f}",
        chart_of(agreement),
    )  # fmt: skip


def _parameters(specimen, told):
    surface = specimen.surface
    best = {}
    for j, scalar in enumerate(told.scalars):
        column = told.errors[:, j]
        if len(column) and np.isfinite(column.min()):
            reading = told.readings[int(np.argmin(column))]
            best.setdefault(scalar_owner(scalar)[0].name, f"{reading.name} (± {column.min():.2g} by itself)")
    for name, p in PARAMETERS.items():
        value = surface.input(name)
        # One end of a map may be free by itself.
        is_free = any(scalar_owner(free)[0].name == name for free in specimen.free)
        if not surface.applies(name) or (value == p.default and not is_free):
            continue
        sigmas = [v for s, v in specimen.sigmas.items() if scalar_owner(s)[0].name == name]
        sigma = ", ".join(f"{v:.2g}" for v in sigmas) + (f" {p.unit}" if sigmas and p.unit else "")
        yield ParameterRow(p.label, name, format_value(p, value), sigma, is_free, best.get(name, ""))


def _cannot(study, stands, found, told):
    """What the evidence cannot tell, and what is doubtful, in sentences."""
    constants = constants_reading(stands.readings) is not None
    for finding in (
        *findings(stands.surface, stands.size_mm, constants),
        *standing_findings(stands, study.meshes),
        *evidence_findings(stands.surface, found),
    ):
        yield finding.sentence
    silent = []
    for j, scalar in enumerate(told.scalars):
        column = told.errors[:, j]
        # An error of half the usual range is as good as none.
        if not len(column) or column.min() > 0.5 * told.spans[j]:
            label = scalar_owner(scalar)[0].label.lower()
            if label not in silent:
                silent.append(label)
    if silent:
        yield f"No reading tells of: {', '.join(silent)}. These are as they were set."


def _pictures(study, specimen, cancel):
    """A picture in the booth as it stands, then the proofs that were kept."""
    scene = scene_of(study, specimen)
    rendering = Rendering(compiled_in(scene, specimen), scene, _WIDTH, _HEIGHT, limits=limits_of(study.booth))
    if not rendering.add(_SAMPLES, cancel):
        return None
    linear = clean_picture(rendering, cancel=cancel)
    if linear is None:
        return None
    booth, display = study.booth, display_of(study.booth)
    denoised = ", denoised" if is_available() else ""
    white = "unchanged" if booth.white is None else "balanced"
    caption = (
        f"{booth.environment.replace('-', ' ')}, azimuth {booth.turn:g}°; exposure {booth.exposure:+.2f} EV, white "
        f"{white}, view {booth.view or 'default'}; {_SAMPLES} samples{denoised}"
    ).replace("-", "\u2212")
    out = [(caption, encoded_png(display.picture(linear)))]
    for proof in [p for p in study.proofs if p.specimen == specimen.name][-_MOST_PROOFS:]:
        try:
            kept = decoded_picture(proof.picture, study.images[proof.picture])
        except PictureError:
            continue
        every = max(1, kept.shape[1] // _WIDTH)
        good, of = proof.within
        told = f"{proof.name}, {proof.date}: {good} of {of} within tolerance. {proof.note}".strip()
        out.append((told, encoded_png(display.picture(np.ascontiguousarray(kept[::every, ::every])))))
    return tuple(out)


def _losses(specimen):
    return (
        ("MaterialX, OpenPBR", told_loss(fitted(specimen))),
        ("glTF 2.0", told_loss(fitted(specimen, through_gltf(specimen)))),
    )
