"""Every parameter of a surface, declared once: for the window, the command line, the files and the solver."""

from dataclasses import dataclass, field

STRATA = ("coat", "film", "finish", "body", "interior")


@dataclass(frozen=True)
class Parameter:
    """One parameter. `hard` is what is allowed, `usual` what a gauge spans; numbers are in `unit`.

    kind: "number", "colour" (linear sRGB, each 0..1), "coefficient" (linear RGB, 0 and up) or "constants"
    (a table's name, "reading", or empty for none). `scale` is how a gauge spreads its values: "linear",
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


def _number(name, stratum, label, meaning, default, **more):
    return Parameter(name, stratum, "number", label, meaning, default, **more)


_RGB = ("r", "g", "b")


def _colour(name, stratum, label, meaning, default, **more):
    return Parameter(name, stratum, "colour", label, meaning, default, components=_RGB, **more)


_DECLARED = (
    _number(
        "coat.amount",
        "coat",
        "Coat",
        "Share of the surface that a clear coat covers: varnish, lacquer, glaze.",
        0.0,
        marks=((0.0, "none"), (0.5, "worn"), (1.0, "whole")),
    ),
    _number(
        "coat.ior",
        "coat",
        "Coat index",
        "Index of refraction of the coat.",
        1.5,
        hard=(1.0, 3.0),
        usual=(1.3, 2.0),
        digits=4,
        marks=((1.333, "water"), (1.5, "varnish"), (1.7, "glaze")),
        converters=("reflectance",),
        only_for="coat",
    ),
    _number(
        "coat.roughness",
        "coat",
        "Coat roughness",
        "How rough the coat's own face is; the slope width alpha is its square.",
        0.05,
        scale="root",
        marks=((0.02, "mirror"), (0.1, "polished"), (0.25, "satin"), (0.6, "matt")),
        converters=("gloss", "alpha"),
        only_for="coat",
    ),
    _colour(
        "coat.colour",
        "coat",
        "Coat colour",
        "What white becomes after one pass down and up through the coat; it deepens aslant.",
        (1.0, 1.0, 1.0),
        only_for="coat",
    ),
    _number(
        "film.amount",
        "film",
        "Film",
        "Share of the surface that a thin film covers.",
        0.0,
        marks=((0.0, "none"), (0.5, "patchy"), (1.0, "whole")),
    ),
    _number(
        "film.thickness",
        "film",
        "Film thickness",
        "Thickness of the film, whose two faces interfere: a few hundred nanometres give colours.",
        300.0,
        unit="nm",
        hard=(0.0, 5000.0),
        usual=(0.0, 1200.0),
        digits=1,
        marks=((30.0, "straw"), (100.0, "lens coating"), (400.0, "soap"), (1000.0, "oil")),
        only_for="film",
    ),
    _number(
        "film.ior",
        "film",
        "Film index",
        "Index of refraction of the film.",
        1.8,
        hard=(1.0, 4.0),
        usual=(1.2, 3.0),
        digits=4,
        marks=((1.333, "soap"), (1.46, "silica"), (2.0, "nitride"), (2.5, "titania")),
        converters=("reflectance",),
        only_for="film",
    ),
    _number(
        "roughness",
        "finish",
        "Roughness",
        "How rough the finish is; the slope width alpha is its square.",
        0.3,
        scale="root",
        marks=((0.02, "mirror"), (0.1, "polished"), (0.25, "satin"), (0.45, "brushed"), (0.75, "matt")),
        converters=("gloss", "alpha"),
    ),
    _number(
        "haze.amount",
        "finish",
        "Haze",
        "Share of the reflection that micro-scratches spread into a wider lobe.",
        0.0,
        marks=((0.0, "none"), (0.15, "handled"), (0.5, "wiped")),
    ),
    _number(
        "haze.spread",
        "finish",
        "Haze spread",
        "How much wider the haze is: 0 as narrow as the finish, 1 fully rough.",
        0.4,
        marks=((0.1, "bloom"), (0.4, "veil"), (0.8, "milky")),
    ),
    _number(
        "metalness",
        "body",
        "Metalness",
        "0 a dielectric body, 1 a metal; between, a mixture.",
        0.0,
        marks=((0.0, "dielectric"), (1.0, "metal")),
        solvable=False,
    ),
    Parameter(
        "constants",
        "body",
        "constants",
        "Optical constants",
        "Measured n and k by wavelength: a built-in table, or the specimen's own reading.",
        "",
        solvable=False,
    ),
    _colour(
        "face_colour",
        "body",
        "Face colour",
        "A metal's reflectance facing us, where no constants are chosen.",
        (0.9, 0.9, 0.9),
        only_for="metal",
    ),
    _colour(
        "edge_colour",
        "body",
        "Edge colour",
        "A metal's reflectance at 82 degrees, where no constants are chosen.",
        (0.95, 0.95, 0.95),
        only_for="metal",
    ),
    _colour(
        "tint",
        "body",
        "Tint",
        "What a metal's reflection is multiplied with, over constants or colours alike.",
        (1.0, 1.0, 1.0),
        only_for="any metal",
    ),
    _number(
        "ior",
        "body",
        "Index of refraction",
        "Index of refraction of a dielectric at 589.3 nm.",
        1.5,
        hard=(1.0, 3.0),
        usual=(1.3, 2.5),
        digits=4,
        marks=((1.333, "water"), (1.517, "crown glass"), (1.77, "sapphire"), (2.417, "diamond")),
        converters=("reflectance",),
        only_for="dielectric",
    ),
    _number(
        "abbe",
        "body",
        "Abbe number",
        "How little the index changes with wavelength; 0 means not at all.",
        0.0,
        hard=(0.0, 120.0),
        usual=(0.0, 100.0),
        digits=1,
        marks=((0.0, "none"), (25.8, "dense flint"), (64.2, "crown"), (95.0, "fluorite")),
        only_for="dielectric",
    ),
    _colour(
        "colour",
        "body",
        "Body colour",
        "Reflectance of the body below its interface; what leaves is darker and deeper.",
        (0.18, 0.18, 0.18),
        only_for="dielectric",
    ),
    _number(
        "diffuse_roughness",
        "body",
        "Diffuse roughness",
        "How flat and chalky the body looks: 0 even, 1 like dry clay.",
        0.0,
        marks=((0.0, "even"), (0.5, "paper"), (1.0, "clay")),
        only_for="dielectric",
    ),
    _number(
        "transmission",
        "interior",
        "Transmission",
        "Share of the light let in that passes through a clear interior.",
        0.0,
        marks=((0.0, "opaque"), (1.0, "clear")),
        only_for="dielectric",
        solvable=False,
    ),
    _colour(
        "interior.colour",
        "interior",
        "Colour at depth",
        "What white becomes after the depth beside it.",
        (1.0, 1.0, 1.0),
        only_for="clear",
    ),
    _number(
        "interior.depth",
        "interior",
        "Depth",
        "The path at which the interior has its colour.",
        10.0,
        unit="mm",
        hard=(0.001, 10000.0),
        usual=(0.1, 1000.0),
        scale="log",
        marks=((1.0, "pane"), (10.0, "prism"), (100.0, "block")),
        only_for="clear",
        solvable=False,
    ),
    Parameter(
        "interior.absorption",
        "interior",
        "coefficient",
        "Absorption",
        "Further absorption coefficient, red, green and blue.",
        (0.0, 0.0, 0.0),
        unit="1/mm",
        hard=(0.0, 1000.0),
        usual=(0.0001, 10.0),
        scale="log",
        only_for="clear",
        components=_RGB,
    ),
    Parameter(
        "interior.scatter",
        "interior",
        "coefficient",
        "Scattering",
        "Scattering coefficient of a milky or smoky interior, red, green and blue.",
        (0.0, 0.0, 0.0),
        unit="1/mm",
        hard=(0.0, 1000.0),
        usual=(0.0001, 100.0),
        scale="log",
        only_for="clear",
        solvable=False,
        components=_RGB,
    ),
    _number(
        "interior.asymmetry",
        "interior",
        "Asymmetry",
        "Where one scattering sends the light: -1 back, 0 evenly, 1 straight on.",
        0.0,
        hard=(-0.98, 0.98),
        marks=((-0.5, "back"), (0.0, "even"), (0.6, "milk"), (0.9, "skin")),
        only_for="scatter",
        solvable=False,
    ),
    _number(
        "subsurface",
        "interior",
        "Subsurface",
        "Share of the body in which light wanders before it comes out: wax, skin, marble.",
        0.0,
        marks=((0.0, "none"), (1.0, "whole")),
        only_for="dielectric",
        solvable=False,
    ),
    _colour(
        "subsurface.colour",
        "interior",
        "Subsurface colour",
        "What a deep block of it reflects below its interface.",
        (0.8, 0.8, 0.8),
        only_for="subsurface",
    ),
    Parameter(
        "subsurface.radius",
        "interior",
        "coefficient",
        "Mean free path",
        "How far light goes between two scatterings, red, green and blue.",
        (1.0, 0.5, 0.25),
        unit="mm",
        hard=(0.001, 1000.0),
        usual=(0.01, 100.0),
        scale="log",
        only_for="subsurface",
        solvable=False,
        components=_RGB,
    ),
    _number(
        "subsurface.scale",
        "interior",
        "Subsurface scale",
        "Multiplies the mean free path, where a whole specimen's scale is off.",
        1.0,
        hard=(0.001, 1000.0),
        usual=(0.01, 100.0),
        scale="log",
        marks=((0.1, "1/10"), (1.0, "true"), (10.0, "10")),
        only_for="subsurface",
        solvable=False,
    ),
)

PARAMETERS = {p.name: p for p in _DECLARED}
"""By dotted name, in the order of the section."""


def parameter(name):
    """The declaration of a parameter; ValueError, naming near ones, where there is none."""
    try:
        return PARAMETERS[name]
    except KeyError:
        import difflib

        near = difflib.get_close_matches(name, PARAMETERS, 3, 0.5) or list(PARAMETERS)[:4]
        raise ValueError(f"there is no parameter '{name}': did you mean {', '.join(near)}?") from None


def free_scalars(name):
    """The scalar names a solvable parameter stands for: itself, or one for each component (`colour.r`)."""
    p = parameter(name)
    return [f"{name}.{c}" for c in p.components] if p.components else [name]


def scalar_owner(scalar):
    """(parameter, component index or None) of a scalar's name."""
    base, _, last = scalar.rpartition(".")
    if base in PARAMETERS and last in PARAMETERS[base].components:
        return PARAMETERS[base], PARAMETERS[base].components.index(last)
    return parameter(scalar), None
