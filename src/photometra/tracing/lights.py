"""Rectangular lights: even panels that shine to one side. They light the scene and are seen in reflections and through
glass, but neither hide anything nor stand in the picture themselves."""

import math
from dataclasses import dataclass

import numpy as np

from ..colour.lamps import lamp_spectrum
from ..optics.jit import kernel, leaf

LIGHT_ROWS = 15
CHANCE, UP_TO = 13, 14
"""Of a panel's row: how likely it is drawn among the panels, and that of it and those before it."""

_EVEN = 0.2
"""So much of the choice among lights is even, whatever they send: other places than the target see them otherwise."""


@dataclass(frozen=True)
class Panel:
    """A panel turned towards `target`, at a distance from it; angles in degrees, lengths in mm.

    turn: round about from the camera's side, to the right; rise: above the horizon. radiance: against a white sky of 1.
    """

    turn: float
    rise: float
    distance: float
    width: float
    height: float
    radiance: float = 1.0
    lamp: str = "D65"
    measured: tuple[float, ...] = ()

    @property
    def fluence(self):
        """Its radiance times the solid angle that it has as seen from its target, were it far away."""
        return self.radiance * self.width * self.height / self.distance**2

    def row(self, target):
        """Centre, half its width and half its height as vectors, its normal, its area."""
        turn, rise = math.radians(self.turn), math.radians(self.rise)
        out = np.array([math.sin(turn) * math.cos(rise), math.sin(rise), math.cos(turn) * math.cos(rise)])
        across = np.array([math.cos(turn), 0.0, -math.sin(turn)])
        up = np.cross(out, across)
        middle = np.asarray(target, float) + self.distance * out
        halves = 0.5 * self.width * across, 0.5 * self.height * up
        return np.concatenate([middle, *halves, -out, [self.width * self.height]])


def light_arrays(panels, target):
    """(rows (n, LIGHT_ROWS), radiance (n, 82) with the spare last column) of panels that shine at all."""
    lit = lit_panels(panels)
    rows, radiance = np.zeros((len(lit), LIGHT_ROWS)), np.zeros((len(lit), lamp_spectrum("D65").size + 1))
    for i, p in enumerate(lit):
        rows[i, :CHANCE] = p.row(target)
        radiance[i, :-1] = p.radiance * lamp_spectrum(p.lamp, p.measured)
        radiance[i, -1] = radiance[i, -2]
    if lit:
        sent = np.array([p.fluence for p in lit])
        rows[:, CHANCE] = _EVEN / len(lit) + (1.0 - _EVEN) * sent / sent.sum()
        rows[:, UP_TO] = np.cumsum(rows[:, CHANCE])
    return rows, radiance


def lit_panels(panels):
    """Those that shine at all."""
    return [p for p in panels if p.radiance > 0.0]


def sky_chance(environment, strength, panels):
    """How likely the sky is drawn rather than a panel: by what each sends to the target, neither left to rare luck."""
    lit = lit_panels(panels)
    if environment.is_uniform or not lit:
        return 0.0 if environment.is_uniform else 1.0
    sky, sent = 4.0 * math.pi * strength * environment.mean, sum(p.fluence for p in lit)
    return 0.5 * _EVEN + (1.0 - _EVEN) * sky / (sky + sent) if sky + sent > 0.0 else 0.5


@leaf
def panel_met(light, ox, oy, oz, dx, dy, dz):
    """(distance, density per steradian with which `panel_drawn` gives this direction); distance -1 for a miss."""
    facing = -(dx * light[9] + dy * light[10] + dz * light[11])
    if facing <= 1e-9:
        return -1.0, 0.0
    px = light[0] - ox
    py = light[1] - oy
    pz = light[2] - oz
    t = -(px * light[9] + py * light[10] + pz * light[11]) / facing
    if t <= 0.0:
        return -1.0, 0.0
    x = t * dx - px
    y = t * dy - py
    z = t * dz - pz
    for half in (3, 6):
        along = x * light[half] + y * light[half + 1] + z * light[half + 2]
        size = light[half] ** 2 + light[half + 1] ** 2 + light[half + 2] ** 2
        if abs(along) > size:
            return -1.0, 0.0
    return t, t * t / (light[12] * facing)


@leaf
def panel_chosen(lights, u):
    """Which of the panels a number in 0..1 draws, each by its own chance."""
    i = 0
    while i < lights.shape[0] - 1 and u >= lights[i, UP_TO]:
        i += 1
    return i


@kernel
def panel_drawn(light, ox, oy, oz, u0, u1):
    """A direction to an even place on the panel: (x, y, z, distance, density per steradian); density 0 from behind."""
    a = 2.0 * u0 - 1.0
    b = 2.0 * u1 - 1.0
    x = light[0] + a * light[3] + b * light[6] - ox
    y = light[1] + a * light[4] + b * light[7] - oy
    z = light[2] + a * light[5] + b * light[8] - oz
    d2 = x * x + y * y + z * z
    d = math.sqrt(d2)
    x /= d
    y /= d
    z /= d
    facing = -(x * light[9] + y * light[10] + z * light[11])
    if facing <= 1e-9:
        return x, y, z, d, 0.0
    return x, y, z, d, d2 / (light[12] * facing)
