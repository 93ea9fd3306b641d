"""Devices on a bench: something that is switched on, warmed up, calibrated, and then reads a piece.

`Device` is all that the application knows of one; `SimulatedDevice` stands in for a real one: the virtual instrument
pointed at a piece whose surface nobody is told, with noise, drift, and the refusals that a real one gives.
"""

import math
from dataclasses import dataclass
from typing import Protocol

import numpy as np

from ..errors import InputError
from ..readings import Reading, kind, make_reading
from ..surface import Surface
from ..words import lowered, tr
from .shelf import instrument, measured


class DeviceError(InputError):
    """A device refuses; the message says in a sentence why, and what to do."""


@dataclass(frozen=True)
class Piece:
    """What lies on the bench: how wide it is, how thick where light goes through it, and what it truly is."""

    name: str
    surface: Surface
    size_mm: float = 50.0
    thickness_mm: float = 0.0
    constants: tuple | None = None


@dataclass(frozen=True)
class State:
    """A device as it stands. warmth: 0 cold to 1 ready; wait_s: until it is ready; missing: standards still to be
    read, or read too long ago.
    """

    is_on: bool
    warmth: float
    wait_s: float
    missing: tuple[str, ...]
    piece: Piece | None

    @property
    def is_ready(self):
        return self.is_on and self.wait_s <= 0.0 and not self.missing and self.piece is not None


class Device(Protocol):
    """What the application asks of any device, real or simulated. `now` is in seconds, of the bench's own clock."""

    key: str
    label: str
    standards: tuple[str, ...]

    def switch_on(self, now: float) -> None: ...

    def place(self, piece: Piece | None) -> None: ...

    def state(self, now: float) -> State: ...

    def calibrate(self, standard: str, now: float) -> None: ...

    def measure(self, now: float, geometry: str = "", repeats: int = 1) -> Reading: ...


@dataclass(frozen=True)
class Traits:
    """How one make of simulated device behaves.

    spot_mm: what a piece must cover. warm_s: until its lamp is steady, 0 without one. stale_s: how long a calibration
    holds. drift: how far its gain wanders in an hour, as a share. zero: the offset that its zero standard takes away.
    """

    standards: tuple[str, ...]
    spot_mm: float
    warm_s: float
    stale_s: float = 900.0
    drift: float = 0.01
    zero: float = 0.0


TRAITS = {
    "glossmeter": Traits((tr("gloss tile"),), 15.0, 20.0, drift=0.02),
    "spectrophotometer": Traits((tr("white tile"), tr("black trap")), 8.0, 120.0, zero=0.004),
    "refractometer": Traits((tr("test plate"),), 6.0, 30.0, drift=0.0),
    "goniophotometer": Traits((tr("white tile"),), 10.0, 300.0, stale_s=1800.0),
    "transmissometer": Traits((tr("open beam"), tr("closed shutter")), 5.0, 120.0, zero=0.003),
    "ellipsometer": Traits((tr("reference wafer"),), 3.0, 240.0, stale_s=1800.0, drift=0.0),
    "scatterprobe": Traits((tr("dark frame"),), 20.0, 60.0, zero=0.0),
}
"""By instrument, in the order of the shelf."""

_COLD, _REFRACTOMETER_RANGE, _ELLIPSOMETER_ROUGHEST = 0.98, (1.30, 1.95), 0.35
_PHOTOMETRIC = ("reflectance", "gloss", "lobe", "brdf", "transmittance", "scatter")


class SimulatedDevice:
    """A stand-in for one device. The same seed and the same acts at the same times give the same readings."""

    def __init__(self, key, seed=1):
        self.key, self.traits = key, TRAITS[key]
        self.label, self.standards = instrument(key).label, self.traits.standards
        self._rng = np.random.default_rng([seed, list(TRAITS).index(key)])
        self._wander = float(self._rng.normal())
        self._on_since = None
        self._calibrated = {}
        self._piece = None

    def switch_on(self, now):
        """Light its lamp, where it was out."""
        if self._on_since is None:
            self._on_since = now

    def place(self, piece):
        """Put a piece under it, or nothing."""
        self._piece = piece

    def _warmth(self, now):
        if self._on_since is None:
            return 0.0
        return 1.0 if not self.traits.warm_s else 1.0 - math.exp(-4.0 * (now - self._on_since) / self.traits.warm_s)

    def state(self, now):
        warmth = self._warmth(now)
        wait = 0.0
        if self._on_since is not None and warmth < _COLD:
            ready_at = self._on_since - self.traits.warm_s * math.log(1.0 - _COLD) / 4.0
            wait = max(ready_at - now, 1e-3)
        missing = tuple(s for s in self.standards if now - self._calibrated.get(s, -1e9) > self.traits.stale_s)
        return State(self._on_since is not None, warmth, wait, missing, self._piece)

    def _gain(self, now):
        """Response against that of a steady lamp: a cold one gives less, and a warm one wanders slowly."""
        hours = (now - (self._on_since or now)) / 3600.0
        return (0.6 + 0.4 * self._warmth(now)) * (1.0 + self.traits.drift * self._wander * hours)

    def _steady(self, now):
        state = self.state(now)
        if not state.is_on:
            raise DeviceError(tr("the {0} is off; switch it on", lowered(self.label)))
        if state.wait_s > 0.0:
            raise DeviceError(tr("the lamp is still cold: wait {0} s more", math.ceil(state.wait_s)))
        return state

    def calibrate(self, standard, now):
        """Read one of its standards; DeviceError where its lamp is not steady yet, or it has no such standard."""
        if standard not in self.standards:
            raise DeviceError(tr("a {0} is calibrated with: {1}", lowered(self.label), ", ".join(self.standards)))
        self._steady(now)
        self._calibrated[standard] = now

    def measure(self, now, geometry="", repeats=1):
        """Read the piece under it, the mean of `repeats`; DeviceError with what a real one would complain of."""
        state = self._steady(now)
        if state.missing:
            never = [s for s in state.missing if s not in self._calibrated]
            why = tr("not calibrated") if never else tr("calibrated too long ago")
            raise DeviceError(
                tr("the {0} is {1}: read the {2} first", lowered(self.label), why, tr(" and the ").join(state.missing))
            )
        piece = state.piece
        if piece is None:
            raise DeviceError(tr("there is nothing under it; place a piece"))
        if piece.size_mm < self.traits.spot_mm:
            raise DeviceError(
                tr(
                    "the piece ({0} mm) does not cover the spot ({1} mm); take a larger one",
                    f"{piece.size_mm:g}",
                    f"{self.traits.spot_mm:g}",
                )
            )
        exact = self._exact(piece, geometry)
        values = {c: self._seen(exact, c, now, max(1, int(repeats))) for c in exact.kind.values}
        sigma = {c: exact.sigma[c] / math.sqrt(max(1, int(repeats))) for c in exact.kind.values}
        times = tr(", mean of {0}", repeats) if repeats > 1 else ""
        source = tr("simulated {0}{1}, {2}", lowered(self.label), times, piece.name)
        return make_reading(
            f"{self.label}{f' {geometry}' if geometry else ''}", exact.kind_key, {**exact.columns, **values}, sigma,
            geometry=exact.geometry, thickness_mm=exact.thickness_mm, source=source,
        )  # fmt: skip

    def _exact(self, piece, geometry):
        try:
            exact = measured(self.key, piece.surface, geometry, piece.constants, thickness_mm=piece.thickness_mm)
        except InputError as error:
            raise DeviceError(str(error)) from None
        if self.key == "refractometer":
            low, high = _REFRACTOMETER_RANGE
            n = exact.columns["n"]
            if n.min() < low or n.max() > high:
                raise DeviceError(tr("out of range: the prism reads indices of {0} to {1}", f"{low:g}", f"{high:g}"))
        if self.key == "ellipsometer" and piece.surface["roughness"] > _ELLIPSOMETER_ROUGHEST:
            raise DeviceError(tr("too little light comes back polarised: the piece is too rough"))
        if self.key == "glossmeter" and exact.columns["gloss_units"].max() > 2000.0:
            raise DeviceError(tr("out of range: the receptor is saturated above 2000 gloss units"))
        return exact

    def _seen(self, exact, column, now, repeats):
        """One column as it is seen: gain and zero as they have wandered since they were read, and noise."""
        true, noise = exact.columns[column], exact.sigma[column] / math.sqrt(repeats)
        if exact.kind_key in _PHOTOMETRIC:
            since = [self._calibrated[s] for s in self.standards]
            true = true * self._gain(now) / self._gain(since[0])
            if len(since) > 1:
                # The zero wanders with the gain; what the trap read then is taken away now.
                true = true + self.traits.zero * (self._gain(now) - self._gain(since[1]))
        low, high = kind(exact.kind_key).limits_of(column)
        return np.clip(true + self._rng.normal(size=exact.rows) * noise, low, high)


def simulated_shelf(seed=1) -> dict[str, SimulatedDevice]:
    """A fresh set of all simulated devices, cold and uncalibrated."""
    return {key: SimulatedDevice(key, seed) for key in TRAITS}
