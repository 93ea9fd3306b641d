"""What the declaration of one parameter says: for the window, the command line, the files and the solver."""

from collections.abc import Callable
from dataclasses import dataclass, field

from ..words import lowered
from .conditions import always


@dataclass(frozen=True)
class Parameter:
    """One parameter. `hard` is what is allowed, `usual` what a gauge spans; numbers are in `unit`.

    kind: "number", "switch" (true or false), "colour" (linear sRGB, each 0..1), "coefficient" (linear RGB, 0 and up)
    or "constants" (a table's name, "reading", "model", or empty for none). A colour or a coefficient may be a spectrum
    instead of RGB, see `spectrum`. `scale` is how a gauge spreads its values: "linear",
    "root" (even to the eye for roughness: the square root) or "log". `marks` are real things on the scale.

    applies: whether it does anything on a surface. told_by: kinds of reading that tell it, and so free it. woken: where
    a solve starts from, or tries it, when it is 0 and at 0 nothing has a slope. scan: values a solve tries first,
    judged by the first of scan_judges that there is a reading of (or by all); is_many_valued: several of them may fit.
    varies: whether a map may drive it, and by how many compiled surfaces along the map's range, more where that is
    wider than varies_grain for each.
    """

    name: str
    stratum: str
    kind: str
    label: str
    meaning: str
    default: object
    unit: str = ""
    hard: tuple[float, float] = (0.0, 1.0)
    usual: tuple[float, float] | None = None
    scale: str = "linear"
    marks: tuple[tuple[float, str], ...] = ()
    converters: tuple[str, ...] = ()
    applies: Callable[[object], bool] = always
    told_by: tuple[str, ...] = ()
    woken: float = 0.0
    scan: tuple[float, ...] = ()
    scan_judges: tuple[str, ...] = ()
    is_many_valued: bool = False
    solvable: bool = True
    digits: int = 3
    varies: int = 0
    varies_grain: float = 0.0
    components: tuple[str, ...] = field(default=(), repr=False)

    @property
    def words(self):
        """Its label within a sentence: `coat roughness`, `Abbe number`."""
        return self.label if self.label.startswith("Abbe") else lowered(self.label[0]) + self.label[1:]

    @property
    def span(self):
        """The range a gauge shows."""
        return self.usual or self.hard


_RGB = ("r", "g", "b")


def number(name, stratum, label, meaning, default, **more):
    return Parameter(name, stratum, "number", label, meaning, default, **more)


def colour(name, stratum, label, meaning, default, **more):
    return Parameter(name, stratum, "colour", label, meaning, default, components=_RGB, **more)


def coefficient(name, stratum, label, meaning, default, **more):
    return Parameter(name, stratum, "coefficient", label, meaning, default, components=_RGB, **more)


def switch(name, stratum, label, meaning, **more):
    return Parameter(name, stratum, "switch", label, meaning, False, solvable=False, **more)
