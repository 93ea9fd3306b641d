"""The booth: the light and the camera with which a study looks at its specimens, and how long it renders them."""

from dataclasses import dataclass, field


@dataclass(frozen=True)
class Viewpoint:
    """Where the camera stands. turn and rise in degrees; distance in specimen sizes; f_number 0 for a pinhole."""

    turn: float = 0.0
    rise: float = 13.0
    distance: float = 4.6
    focal_mm: float = 64.75
    f_number: float = 0.0


VIEWPOINTS = {
    "front": Viewpoint(),
    "level": Viewpoint(rise=3.0),
    "above": Viewpoint(rise=42.0),
    "side": Viewpoint(turn=62.0),
    "behind": Viewpoint(turn=180.0),
    "close": Viewpoint(rise=16.0, focal_mm=130.0, f_number=4.0),
}
"""Named views, by what a person calls them."""


@dataclass(frozen=True)
class Lamp:
    """A rectangular light turned towards the specimen; strength is its radiance against a white sky of 1, 0 is off.

    turn and rise in degrees; distance and size (its width, and its height) in specimen sizes. measured: its relative
    power on `colour.WAVELENGTHS` where that was measured; `spectrum` is then its name.
    """

    strength: float = 0.0
    spectrum: str = "D65"
    turn: float = -40.0
    rise: float = 45.0
    distance: float = 2.5
    size: float = 1.2
    measured: tuple[float, ...] = ()


@dataclass(frozen=True)
class Effort:
    """When a picture in the sight is done (0: that does not stop it), and what its paths may do.

    samples of a pixel, seconds, noise as a relative standard error; bounces off surfaces, walls met within,
    scatterings; clamp: the most radiance a path may bring, 0 for any.
    """

    samples: int = 4096
    seconds: float = 0.0
    noise: float = 0.0
    reflection: int = 16
    transmission: int = 256
    volume: int = 4096
    clamp: float = 0.0


PIN_FORMS = ("point", "patch", "line")


@dataclass(frozen=True)
class Pin:
    """A named place of the view whose numbers are read: a circle, a rectangle to an opposite corner, or a band along a
    line to its other end.

    Its places run 0..1 over the square in the middle of the picture (see `imaging.framing`), so that a pin stays where
    it is whatever the window's shape; radius, of the circle or of the band, is in sides of that square. counts: a
    solve that is given the photograph counts what is read there.
    """

    name: str
    x: float
    y: float
    radius: float = 0.012
    form: str = PIN_FORMS[0]
    to_x: float = 0.0
    to_y: float = 0.0
    counts: bool = False


@dataclass(frozen=True)
class Booth:
    """Where specimens are looked at. turn in degrees, strength a factor, exposure in stops.

    environment: a shipped one's name, "uniform", or `pictures/...` for one kept in the study. white: the linear
    Rec.709 of a place known to be neutral, or None where nothing is balanced. compression: how far highlights are bent,
    0..1. view: a view transform's key. off: steps of the display's chain that are switched off. key, back: the two
    lamps, one before the specimen and one behind it. region: (left, top, right, bottom) in 0..1 of the picture outside
    which nothing is rendered, or None. pins: places on the picture whose numbers are read.
    """

    environment: str = "lantern-room"
    turn: float = 0.0
    strength: float = 1.0
    exposure: float = 0.0
    white: tuple[float, float, float] | None = None
    view: str = "filmic"
    compression: float = 0.0
    off: tuple[str, ...] = ()
    viewpoint: Viewpoint = field(default_factory=Viewpoint)
    key: Lamp = field(default_factory=Lamp)
    back: Lamp = field(default_factory=lambda: Lamp(turn=180.0, rise=8.0, distance=1.2, size=1.6))
    effort: Effort = field(default_factory=Effort)
    region: tuple[float, float, float, float] | None = None
    pins: tuple[Pin, ...] = ()
