"""What maps lie on, and where an instrument looks, as plain data."""

from dataclasses import dataclass, field

from ..errors import InputError
from ..words import tr


@dataclass(frozen=True)
class LiesOn:
    """The shape of a specimen: a name of `SHAPES` with its size, or that of a mesh that a study keeps, with its bytes.

    Two of one name are equal: a kept mesh's name tells its content.
    """

    shape: str = "ball"
    size_mm: float = 60.0
    wall_mm: float = 2.5
    mesh: bytes | None = field(default=None, compare=False, repr=False)


@dataclass(frozen=True)
class Spot:
    """Where an instrument looks: a place in mm as the specimen stands in the booth, and the diameter it sees there."""

    x: float
    y: float
    z: float
    diameter_mm: float

    @property
    def text(self):
        """As `spot_of` takes it."""
        return f"{self.x:g} {self.y:g} {self.z:g}, {self.diameter_mm:g} mm"


def spot_of(text) -> Spot | None:
    """The Spot of a text, three numbers and a diameter in mm, as `12 30 -4, 8 mm`; None for an empty one."""
    if not text.strip():
        return None
    words = text.replace(",", " ").removesuffix("mm").split()
    try:
        x, y, z, diameter = (float(w) for w in words)
    except ValueError:
        raise InputError(
            tr("'{0}' is no place: write x y z and a diameter in mm, as 12 30 -4, 8 mm", text[:60])
        ) from None
    if not all(abs(v) <= 10_000.0 for v in (x, y, z)) or not 0.0 < diameter <= 1000.0:
        raise InputError(tr("'{0}' is no place: its numbers are out of range", text[:60]))
    return Spot(x, y, z, diameter)
