"""What the declaration of one parameter says."""

from dataclasses import dataclass, field


@dataclass(frozen=True)
class Parameter:
    """One parameter. `hard` is what is allowed, `usual` what a gauge spans; numbers are in `unit`.

    kind: "number", "switch" (true or false), "colour" (linear sRGB, each 0..1), "coefficient" (linear RGB, 0 and up)
    or "constants" (a table's name, "reading", "model", or empty for none). A colour or a coefficient may be a spectrum
    instead of RGB, see `spectrum`. `scale` is how a gauge spreads its values: "linear",
    "root" (even to the eye for roughness: the square root) or "log". `marks` are real things on the scale.
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
    only_for: str = ""
    solvable: bool = True
    digits: int = 3
    components: tuple[str, ...] = field(default=(), repr=False)

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
