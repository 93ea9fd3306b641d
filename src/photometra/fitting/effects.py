"""Systematic effects of instruments as unknowns of their own, each with a prior: gain, offset, thickness and angle.

Solved for along with the surface and marginalised (JCGM 101:2008 treats them so): what all values of a reading share is
then told from the surface where it can be, and widens the error bars where it cannot.
"""

from dataclasses import dataclass

from ..figures import figures, with_error
from ..words import tr

REACH = 8.0
"""How many of its standard uncertainties an effect may be off: more is no effect but a mistake."""
NAMES = {
    "gain": tr("gain"), "exposure": tr("exposure"), "offset": tr("offset"), "thickness_mm": tr("thickness"),
    "angle_deg": tr("angle"),
    "azimuth_deg": tr("azimuth of the light"), "strength": tr("strength of the environment"),
}  # fmt: skip
"""Of the systematic effects, for people; the gain of a photograph is its exposure."""
PHOTOGRAPH = tr("the photograph")
"""What a finding of it names instead of a reading."""
FACTORS = ("gain", "exposure", "strength")
_UNITS = {"thickness_mm": "mm", "angle_deg": "°", "azimuth_deg": "°"}


@dataclass(frozen=True)
class Effect:
    """One effect. of: index of its reading, -1 for evidence that is no reading; sigma: its standard uncertainty, of the
    size that `Systematic` has it in.
    """

    of: int
    name: str
    sigma: float


@dataclass(frozen=True)
class Found:
    """What a solve made of an effect: `value` is a factor for a gain, else what is to be added to what was stated.

    stated: its standard uncertainty before, sigma: after, None where there is none.
    """

    reading: str
    name: str
    value: float
    sigma: float | None
    stated: float

    @property
    def deviation(self):
        """By how many of its stated uncertainties it is off."""
        return (self.value - (1.0 if self.name in FACTORS else 0.0)) / self.stated

    @property
    def told(self):
        """For people: `gain 1.020 ± 0.004`, `thickness + 0.03 ± 0.02 mm`."""
        sure = f" ± {figures(self.sigma, 2)}" if self.sigma is not None else ""
        if self.name in FACTORS:
            return f"{NAMES[self.name]} {with_error(self.value, self.sigma)}{sure}"
        value = with_error(self.value, self.sigma) if self.sigma else figures(self.value, 2)
        plus = "+" if self.value >= 0.0 else ""
        return f"{NAMES[self.name]} {plus}{value}{sure} {_UNITS.get(self.name, '')}".strip()


def effects_of(readings, surface, further=None) -> tuple[Effect, ...]:
    """The effects that a solve from these readings has to reckon with, in their order."""
    is_clear = surface["transmission"] > 0.0 or surface["subsurface"] > 0.0
    out = []
    for i, r in enumerate(readings):
        for name in r.kind.effects:
            sigma = getattr(r.systematic, name)
            is_seen = name != "thickness_mm" or (is_clear and r.thickness_mm > 0.0)
            if sigma > 0.0 and is_seen:
                out.append(Effect(i, name, sigma))
    if further is not None:
        out += [Effect(-1, name, sigma) for name, sigma in further.effects.items()]
    return tuple(out)
