"""Every parameter of a surface, declared once: for the window, the command line, the files and the solver."""

from ..errors import InputError
from ..maps import Map
from ..words import tr
from .declared import DECLARED
from .spectrum import NODE_NAMES, RGB_NAMES, component_names

STRATA = ("sheen", "coat", "film", "finish", "body", "interior", "reverse")
STRATUM_LABELS = {
    "sheen": tr("Sheen"), "coat": tr("Coat"), "film": tr("Film"), "finish": tr("Finish"), "body": tr("Body"),
    "interior": tr("Interior"), "reverse": tr("Back side"),
}  # fmt: skip
"""What people call the strata, by the names that files and commands have for them."""

_RGB_WORDS = {"r": tr("red"), "g": tr("green"), "b": tr("blue")}
_END_WORDS = {"low": tr("low"), "high": tr("high")}

PARAMETERS = {p.name: p for p in DECLARED}
"""By dotted name, in the order of the section."""


def parameter(name):
    """The declaration of a parameter; ValueError, naming near ones, where there is none."""
    try:
        return PARAMETERS[name]
    except KeyError:
        import difflib

        near = difflib.get_close_matches(name, PARAMETERS, 3, 0.5) or list(PARAMETERS)[:4]
        raise InputError(tr("there is no parameter '{0}': did you mean {1}?", name, ", ".join(near))) from None


ENDS = ("low", "high")
"""What the two ends of a map's range are called, behind a parameter's name."""


def scalars_of(name, value):
    """The scalar names of a parameter's value: itself, or one for each number (`colour.r`, `colour.480`); of a map
    those of its two ends (`roughness.low`, `colour.high.r`)."""
    if isinstance(value, Map):
        return [s.replace(name, f"{name}.{end}", 1) for end in ENDS for s in scalars_of(name, getattr(value, end))]
    return [f"{name}.{c}" for c in component_names(value)] if PARAMETERS[name].components else [name]


def spoken(scalar):
    """A scalar as people say it: `coat roughness`, `body colour, red`, `roughness, low`; a name that is
    none of ours as it stands."""
    try:
        p, component = scalar_owner(scalar)
    except InputError:
        return scalar
    words = p.words
    parts = component.split(".") if component is not None else ()
    ends = [_END_WORDS[part] for part in parts if part in ENDS]
    of_colour = [_RGB_WORDS.get(part, f"{part} nm") for part in parts if part not in ENDS]
    return ", ".join([words, *of_colour, *ends])


def titled(scalar):
    """A scalar as a label: as `spoken`, with a capital."""
    words = spoken(scalar)
    return words[:1].upper() + words[1:]


def scalar_owner(scalar):
    """(parameter, component or None) of a scalar's name; a component is r, g, b or a wavelength in nm, or the end of a
    map's range (`low`, `high.r`)."""
    base, _, last = scalar.rpartition(".")
    if last in ENDS and base in PARAMETERS:
        return PARAMETERS[base], last
    owner, _, end = base.rpartition(".")
    if end in ENDS and owner in PARAMETERS and PARAMETERS[owner].components and last in (*RGB_NAMES, *NODE_NAMES):
        return PARAMETERS[owner], f"{end}.{last}"
    if base in PARAMETERS and PARAMETERS[base].components and last in (*RGB_NAMES, *NODE_NAMES):
        return PARAMETERS[base], last
    return parameter(scalar), None
