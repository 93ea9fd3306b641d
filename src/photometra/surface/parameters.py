"""Every parameter of a surface, declared once: for the window, the command line, the files and the solver."""

from .declared import DECLARED

STRATA = ("sheen", "coat", "film", "finish", "body", "interior", "reverse")

PARAMETERS = {p.name: p for p in DECLARED}
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
