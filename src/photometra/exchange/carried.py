"""How each parameter of a surface leaves by a standard: exactly, within so much, as one value, or not at all.

Found by asking: what a standard would have written were the parameter left at its default is compared with what is.
"""

import math
from dataclasses import replace

import numpy as np

from ..errors import InputError
from ..study import Specimen
from ..surface import PARAMETERS
from ..surface.values import BUMP
from ..words import tr
from . import OPENPBR
from .baked import COAT_NORMAL, SAME, carries, input_of
from .loss import Fitted
from .materialx import HAZE, openpbr_inputs
from .models import as_model, picture_inputs

EXACT, ONE_VALUE, LOST = tr("exact"), tr("as one value"), tr("cannot be carried")


def carried(specimen: Specimen, fit: Fitted, standard, model=OPENPBR) -> dict[str, str]:
    """{parameter: how it is carried} of all that is not at its default and does something. model: of a MaterialX
    document, one of `MODELS`."""
    model = "gltf_pbr" if standard == "gltf" else model
    uniform = replace(specimen, surface=specimen.surface.uniform())
    written = _written(uniform, standard, model)
    within = tr("within ΔE {0}", f"{max(0.1, math.ceil(10.0 * fit.fitted.delta_e) / 10.0):.1f}")
    out = {}
    for name in specimen.surface.given:
        if not specimen.surface.applies(name):
            continue
        plain = replace(uniform, surface=uniform.surface.with_values({name: PARAMETERS[name].default}))
        try:
            leaves = _differ(written, _written(plain, standard, model))
        except InputError:
            leaves = True
        varies, as_map = name in specimen.surface.maps, _leaves_as_map(specimen.surface, name, standard, model)
        if not leaves and not as_map:
            out[name] = LOST
        elif varies and not as_map:
            out[name] = ONE_VALUE
        elif SAME.get(name) in fit.changed or not _is_same(name, uniform.surface, written, model):
            out[name] = within
        else:
            out[name] = EXACT
    return out


def _leaves_as_map(surface, name, standard, model):
    if name == "coat.levelling":
        # By whether the coat has normals of its own.
        named = picture_inputs(model) if standard == "materialx" else None
        return _leaves_as_map(surface, BUMP, standard, model) and (named is None or COAT_NORMAL in named)
    if name not in surface.maps or not carries(surface, name):
        return False
    named = picture_inputs(model) if standard == "materialx" else None
    return named is None or input_of(surface, name) in named


def told_carried(found: dict[str, str]) -> list[str]:
    """A line for each way that parameters are carried, the closest first."""
    ways = sorted(set(found.values()), key=lambda way: (way != EXACT, way == LOST, way))
    return [f"{way}: {', '.join(PARAMETERS[n].words for n, w in found.items() if w == way)}" for way in ways]


def _written(specimen, standard, model):
    """{input of the model: its numbers} of what it would be given without any fitting, haze beside them."""
    inputs = openpbr_inputs(specimen, mixed=standard == "materialx")[0]
    plain = {name: v for name, v in inputs.items() if name not in HAZE}
    found = as_model(model, plain, specimen.size_mm) | {name: v for name, v in inputs.items() if name in HAZE}
    return {name: np.ravel(np.asarray(value, float)) for name, (_, value) in found.items()}


def _differ(one, other):
    return one.keys() != other.keys() or any(not np.array_equal(one[k], other[k]) for k in one)


def _is_same(name, surface, written, model):
    """Whether a parameter's own number stands in what is written."""
    theirs, others = SAME.get(name), picture_inputs(model)
    if theirs is not None and others is not None:
        theirs = others.get(theirs)
    if theirs not in written:
        return False
    own = surface.rgb(name) if PARAMETERS[name].components else surface[name]
    return np.allclose(written[theirs], np.ravel(np.asarray(own, float)), atol=1e-6)
