"""Edits of a reading, each giving a new one: mask points, state the uncertainty, average repeats, resample."""

import numpy as np

from ..errors import InputError
from ..words import tr
from .model import Reading
from .uncertainty import rule_of, sigma_by


def with_mask(reading: Reading, rows, on=True) -> Reading:
    """Rows (indices) left out of every reckoning, or counted again; ValueError where nothing would be left."""
    masked = reading.masked.copy()
    masked[list(rows)] = on
    if masked.all():
        raise InputError(tr("at least one point must be left; take the whole reading out instead"))
    return reading.remade(masked=masked)


def with_uncertainty(reading: Reading, rule) -> Reading:
    """Every value's uncertainty by a rule, such as "2 % + 0.002"."""
    relative, absolute = rule_of(rule)
    sigma = {c: sigma_by(reading.columns[c], relative, absolute) for c in reading.kind.values}
    return reading.remade(sigma=sigma, rule=" ".join(str(rule).split()))


def averaged(reading: Reading) -> Reading:
    """Rows that read the same place as one, weighed by their uncertainty; a colour's samples all as one.

    The uncertainty of a mean is that of its parts together, or the scatter they show, whichever is larger.
    """
    k, counted = reading.kind, ~reading.masked
    places = np.column_stack([reading.columns[c] for c in k.places])
    if k.key == "colour":
        places[:] = 1.0
    keys, group = np.unique(places[counted], axis=0, return_inverse=True)
    group = group.ravel()
    if k.key != "colour" and len(keys) == reading.rows:
        return reading
    columns = dict(zip(k.places, keys.T, strict=True))
    sigma = {}
    for c in k.values:
        v, s = reading.columns[c][counted], reading.sigma[c][counted]
        w = np.where(np.isfinite(v), s**-2.0, 0.0)
        v = np.nan_to_num(v)
        total, count = np.bincount(group, w), np.bincount(group, w > 0)
        with np.errstate(invalid="ignore", divide="ignore"):
            mean = np.bincount(group, w * v) / total
            scatter = np.bincount(group, w * (v - mean[group]) ** 2) / total / np.maximum(count - 1, 1)
            columns[c], sigma[c] = mean, np.sqrt(np.maximum(1.0 / total, scatter))
        sigma[c] = np.where(np.isfinite(sigma[c]), sigma[c], 1.0)
    return reading.remade(columns=columns, sigma=sigma, masked=None, rule="")


def resampled(reading: Reading, step) -> Reading:
    """A reading along one axis at even places, `step` apart, from as many of its points as lie within each step.

    Finer than it was read it would invent points: ValueError, as for a reading of several lines, or without a step.
    """
    reading = averaged(reading)
    if reading.kind.independent != 1:
        raise InputError(tr("only a reading along one axis can be resampled"))
    x = reading.x[~reading.masked]
    if not (np.isfinite(step) and step > 0.0) or x.size < 3 or step < np.median(np.diff(x)) * (1.0 - 1e-9):
        raise InputError(tr("a reading can only be resampled to a coarser step than its own"))
    at = np.arange(np.ceil(x[0] / step), np.floor(x[-1] / step) + 1) * step
    if at.size < 1:
        raise InputError(tr("no place is left at that step"))
    columns, sigma = {reading.kind.columns[0]: at}, {}
    # A triangle of the step's width about each place: what a coarser instrument's band would see.
    weight = np.maximum(0.0, 1.0 - np.abs(at[:, None] - x) / step)
    for c in reading.kind.values:
        v, s = reading.columns[c][~reading.masked], reading.sigma[c][~reading.masked]
        w = np.where(np.isfinite(v), weight, 0.0)
        with np.errstate(invalid="ignore", divide="ignore"):
            w = w / w.sum(axis=1, keepdims=True)
        columns[c], sigma[c] = w @ np.nan_to_num(v), np.sqrt(w**2 @ s**2)
    return reading.remade(columns=columns, sigma=sigma, masked=None, rule="")
