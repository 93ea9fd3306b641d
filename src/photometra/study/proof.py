"""What a picture in the sight is compared with: a reference photograph, or a kept state of the specimen."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from ..shapes.lying import LiesOn
from ..surface import PARAMETERS, Surface

WHOLE = ((0.0, 0.0), (1.0, 0.0), (1.0, 1.0), (0.0, 1.0))
"""The corners of a frame: left top, right top, right bottom, left bottom."""
IDENTITY = (1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0)


FREE_LIGHT = ("exposure", "azimuth", "strength")
"""What of a photograph's light may be solved for along with the surface."""


@dataclass(frozen=True)
class Reference:
    """A photograph of a specimen, `images/...` in the study, and what makes it comparable.

    curve: how its numbers stand for light; matrix: from its linear RGB to scene-linear, row by row; exposure in stops;
    corners: which four places of it are the corners of the booth as the camera sees it in a frame of the photograph's
    own shape; residual: mean ΔE2000 of the chart it was calibrated by, 0 without one; free_light: what of its light a
    solve finds along with the surface, of `FREE_LIGHT`.
    """

    picture: str
    curve: str = "sRGB"
    matrix: tuple[float, ...] = IDENTITY
    exposure: float = 0.0
    corners: tuple[tuple[float, float], ...] = WHOLE
    residual: float = 0.0
    free_light: tuple[str, ...] = ()


@dataclass(frozen=True)
class Proof:
    """A kept state of a specimen: its surface with standard errors, its picture (`images/...`), its agreement, a note.

    agreement: (reading, value, tolerance) of each.
    """

    name: str
    specimen: str
    surface: Surface
    picture: str
    sigmas: Mapping[str, float] = field(default_factory=dict)
    agreement: tuple[tuple[str, float, float], ...] = ()
    note: str = ""
    date: str = ""

    def __post_init__(self):
        # What its maps lie on is the specimen's shape, not the proof's.
        object.__setattr__(self, "surface", self.surface.lying_on(LiesOn()))

    def __hash__(self):
        return hash((self.name, self.specimen, self.surface, self.picture))

    @property
    def within(self):
        """How many readings agreed, of how many."""
        return sum(value <= tolerance for _, value, tolerance in self.agreement), len(self.agreement)


def differing(a: Surface, b: Surface):
    """Names of the parameters in which two surfaces differ, in the order of the section."""
    return [name for name in PARAMETERS if a.input(name) != b.input(name)]
