"""What a report says of a study: plain data, gathered from the same numbers as the window's."""

import hashlib
from dataclasses import dataclass
from datetime import datetime

import numpy as np

from .. import __version__
from ..exchange.loss import fitted, fitted_as_gltf, told_loss
from ..figures import figures
from ..fitting import Cancelled, agreements, applicable, evidence_findings, sensitivities, tied
from ..imaging.booths import (
    as_it_stands,
    compiled_in,
    display_of,
    limits_of,
    scene_of,
    standing_findings,
)
from ..imaging.comparing import delta_e_map, ramp
from ..imaging.denoising import clean_picture, is_available
from ..imaging.photographed import pins_agreement
from ..imaging.references import reference_in_frame
from ..instruments import constants_reading
from ..pictures import PictureError, decoded_picture, encoded_png
from ..study import Specimen, Study
from ..study.members import encoded
from ..surface import PARAMETERS, format_value
from ..surface.checks import findings
from ..surface.parameters import scalar_owner, spoken, titled
from ..tracing import Rendering
from ..words import tr, with_unit
from .charts import chart_of

_WIDTH, _HEIGHT, _SAMPLES = 480, 360, 64
_MOST_PROOFS = 4
_TIED, _MOST_TIES = 0.5, 6
"""From which correlation on two parameters are said to trade, and how many pairs are named."""
_MAP_FULL = 10.0
"""ΔE2000 that is full on the map of a photograph against its render."""
_VERDICTS = {True: tr("within tolerance"), False: tr("out of tolerance")}


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
    ties: tuple[str, ...]
    cannot: tuple[str, ...]
    losses: tuple[tuple[str, str], ...]


@dataclass(frozen=True)
class Contents:
    study: str
    made: str
    version: str
    digest: str
    sections: tuple[Section, ...]
    decimal: str = "."


def digest_of(study: Study):
    """What ties a report to a study: SHA-256 over all that its file holds."""
    whole = hashlib.sha256()
    for name, data in sorted(encoded(study).items()):
        whole.update(name.encode() + b"\0" + hashlib.sha256(data).digest())
    return whole.hexdigest()


def contents_of(study: Study, specimens=None, report=None, cancel=None, decimal=".") -> Contents | None:
    """What a report says of a study, or of some of its specimens; None where cancelled.

    report(name, done, of) before each specimen. decimal: the decimal sign of its numbers, a point or a comma.
    """
    chosen = tuple(specimens if specimens is not None else study.specimens)
    sections = []
    for i, specimen in enumerate(chosen):
        if report:
            report(specimen.name, i, len(chosen))
        section = _section(study, specimen, cancel, decimal)
        if section is None:
            return None
        sections.append(section)
    made = datetime.now().strftime("%Y-%m-%d %H:%M")
    return Contents(study.name, made, __version__, digest_of(study), tuple(sections), decimal)


def _section(study, specimen: Specimen, cancel, decimal):
    stands = as_it_stands(specimen, study.meshes)
    found = agreements(stands.surface, specimen.readings)
    try:
        told = sensitivities(stands.surface, specimen.readings, cancel)
        pairs = tied(stands.surface, specimen.readings, applicable(stands.surface, specimen.free), cancel)
    except Cancelled:
        return None
    pictures = _pictures(study, specimen, cancel)
    if pictures is None:
        return None
    readings = tuple(_reading(a, decimal) for a in found)
    counted = [a for a in found if a.reading.active]
    return Section(
        specimen.name,
        tr("{0} mm", f"{specimen.size_mm:g}"),
        specimen.rests_on,
        specimen.notes,
        sum(a.within for a in counted),
        len(counted),
        pictures,
        readings,
        tuple(_parameters(specimen, told)),
        tuple(_ties(pairs)),
        tuple(_cannot(study, stands, found, told)),
        _losses(specimen),
    )


def _reading(agreement, decimal):
    r = agreement.reading
    values, sigmas = r.stacked()
    share = np.median(sigmas / np.maximum(np.abs(values), 1e-12))
    told = r.rule or tr("σ about {0} % of the value", figures(100.0 * share, 2))
    value = agreement.problem or figures(agreement.value)
    return ReadingRow(
        r.name, r.kind.label, r.geometry, r.source, r.date, told, r.active, value, f"{r.tolerance:g}",
        tr("not answered") if agreement.problem else _VERDICTS[agreement.within],
        "" if agreement.problem or not np.isfinite(agreement.chi2) else f"{agreement.chi2:.2f}",
        chart_of(agreement, decimal),
    )  # fmt: skip


def _parameters(specimen, told):
    surface = specimen.surface
    best = {}
    for j, scalar in enumerate(told.scalars):
        column = told.errors[:, j]
        if len(column) and np.isfinite(column.min()):
            reading = told.readings[int(np.argmin(column))]
            best.setdefault(
                scalar_owner(scalar)[0].name, tr("{0} (± {1} by itself)", reading.name, figures(column.min(), 2))
            )
    for name, p in PARAMETERS.items():
        value = surface.input(name)
        # One end of a map may be free by itself.
        is_free = any(scalar_owner(free)[0].name == name for free in specimen.free)
        if not surface.applies(name) or (value == p.default and not is_free):
            continue
        sigmas = [v for s, v in specimen.sigmas.items() if scalar_owner(s)[0].name == name]
        sigma = with_unit(", ".join(figures(v, 2) for v in sigmas), p.unit if sigmas else "")
        yield ParameterRow(p.label, name, format_value(p, value), sigma, is_free, best.get(name, ""))


def _ties(pairs):
    """The free parameters that trade against each other, in sentences."""
    for a, b, c in [pair for pair in pairs if abs(pair[2]) > _TIED][:_MOST_TIES]:
        words = tr("{0} and {1}", titled(a), spoken(b))
        how = tr("rise and fall together") if c > 0.0 else tr("trade against each other: one rises as the other falls")
        yield tr("{0} {1} (correlation {2}).", words, how, f"{c:+.2f}").replace("-", "\u2212")


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
            label = scalar_owner(scalar)[0].words
            if label not in silent:
                silent.append(label)
    if silent:
        yield tr("No reading tells of: {0}. These are as they were set.", ", ".join(silent))


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
    denoised = tr(", denoised") if is_available() else ""
    white = "unchanged" if booth.white is None else "balanced"
    caption = (
        tr(
            "{0}, azimuth {1}°; exposure {2} EV, white {3}, view {4}; {5} samples{6}",
            booth.environment.replace("-", " "),
            f"{booth.turn:g}",
            f"{booth.exposure:+.2f}",
            white,
            booth.view or "default",
            _SAMPLES,
            denoised,
        )
    ).replace("-", "\u2212")
    out = [(caption, encoded_png(display.picture(linear))), *_beside(study, specimen, rendering.picture(), display)]
    for proof in [p for p in study.proofs if p.specimen == specimen.name][-_MOST_PROOFS:]:
        try:
            kept = decoded_picture(proof.picture, study.images[proof.picture])
        except PictureError:
            continue
        every = max(1, kept.shape[1] // _WIDTH)
        good, of = proof.within
        told = tr("{0}, {1}: {2} of {3} within tolerance. {4}", proof.name, proof.date, good, of, proof.note).strip()
        out.append((told, encoded_png(display.picture(np.ascontiguousarray(kept[::every, ::every])))))
    return tuple(out)


def _beside(study, specimen, linear, display):
    """The photograph in the render's frame, and the map of ΔE2000 between the two; of the mean, never denoised."""
    reference = specimen.reference
    if reference is None:
        return
    try:
        theirs = reference_in_frame(reference, study.images[reference.picture], _WIDTH, _HEIGHT)
    except PictureError:
        return
    known = np.isfinite(theirs).all(axis=-1)
    if not known.any():
        return
    apart = delta_e_map(display.balanced(linear), display.balanced(np.where(known[..., None], theirs, 0.0)))
    apart = np.where(known, apart, np.nan)
    calibrated = (
        tr("calibrated within ΔE {0}", f"{reference.residual:.1f}")
        if reference.residual
        else tr("not calibrated by a chart")
    )
    told = tr("Photograph in the frame of the render, {0}, exposure {1} EV.", calibrated, f"{reference.exposure:+.2f}")
    yield told.replace("-", "\u2212"), encoded_png(display.picture(np.where(known[..., None], theirs, 0.18)))
    worst = np.nanquantile(apart, 0.99)
    words = tr(
        "ΔE2000 between the two: {0} on the mean, 99 % of the pixels below {1}; full at ",
        f"{np.nanmean(apart):.1f}",
        f"{worst:.1f}",
    )
    pins = ", ".join(f"{p.name} {p.told}" for p in pins_agreement(study, specimen, linear))
    yield f"{words}{_MAP_FULL:g}. {f'Pins: {pins}.' if pins else ''}".strip(), encoded_png(ramp(apart / _MAP_FULL))


def _losses(specimen):
    return (
        (tr("MaterialX, OpenPBR"), told_loss(fitted(specimen, mixed=True))),
        (tr("glTF 2.0"), told_loss(fitted_as_gltf(specimen))),
    )
