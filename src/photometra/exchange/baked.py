"""Maps as pictures over the UVs, in the numbers of an OpenPBR surface: how what varies leaves for other programs."""

import numpy as np

from ..disk import write_bytes
from ..maps.laying import baked_over_uvs
from ..pictures import encoded_levels, write_exr
from ..shapes.body import body_of, has_uvs
from ..study import Specimen
from ..surface import rows
from ..surface.bank import compile_measured
from ..surface.values import BUMP, COAT_BUMP
from ..tracing.bumps import STEEPEST

NORMAL, COAT_NORMAL = NORMALS = "geometry_normal", "geometry_coat_normal"
"""The inputs of OpenPBR that a bump becomes, and a coat's: pictures of normals, each number 0..1 for -1..1, green up.
There a coat is smooth without its own; here it follows what it lies on as far as it does not level it out."""
SIDE = 1024
_PINCHED = 0.33
"""The cosine of latitude from which on a ball's UVs are taken for no narrower: slopes there would swamp all others."""
STEPS = 33
_RADIUS, _RADIUS_SCALE = "subsurface.radius", "subsurface_radius_scale"
SAME = {
    "roughness": "specular_roughness", "anisotropy": "specular_roughness_anisotropy",
    "diffuse_roughness": "base_diffuse_roughness", "metalness": "base_metalness", "transmission": "transmission_weight",
    "subsurface": "subsurface_weight", "sheen.amount": "fuzz_weight", "sheen.colour": "fuzz_color",
    "sheen.roughness": "fuzz_roughness", "coat.amount": "coat_weight", "coat.colour": "coat_color",
    "coat.roughness": "coat_roughness", "coat.anisotropy": "coat_roughness_anisotropy", "coat.ior": "coat_ior",
    "film.amount": "thin_film_weight", "film.ior": "thin_film_ior", "opacity": "geometry_opacity",
}  # fmt: skip
"""Ours and theirs, where the number is the same: read by both ways, out and in."""
_SCALED = {"film.thickness": ("thin_film_thickness", 0.001)}
_LEAVES = {
    "colour": ("base_color", {"subsurface": 0.0}),
    "subsurface.colour": ("subsurface_color", {"subsurface": 1.0}),
}
"""Colours that leave as what the body then sends back, and the body that has them alone."""


def carries(surface, name):
    """Whether the map of a parameter can leave as a picture."""
    if not has_uvs(surface.lies_on):
        return False
    if name == COAT_BUMP and surface["coat.amount"] <= 0.0:
        return False
    if name in (BUMP, COAT_BUMP):
        # On a mesh only what lies by UVs is known as finely as slopes want it.
        laid = all(layer.placement.way == "uv" for layer in surface.maps[name].layers)
        return laid or body_of(surface.lies_on).shape is None
    if name in _LEAVES:
        return surface["metalness"] < 0.5 and surface.applies(name)
    return name in SAME or name in _SCALED or name == _RADIUS


def input_of(surface, name):
    """The input of OpenPBR that the map of a parameter becomes; "" where it cannot leave."""
    if not carries(surface, name):
        return ""
    if name in (BUMP, COAT_BUMP):
        return NORMAL if name == BUMP else COAT_NORMAL
    if name in _LEAVES:
        return _LEAVES[name][0]
    return _RADIUS_SCALE if name == _RADIUS else SAME.get(name) or _SCALED[name][0]


def textures_of(specimen: Specimen, side=SIDE):
    """{input of OpenPBR: (type, numbers (side, side, channels))} of the maps that a specimen's surface can hand on."""
    out, surface, heights = {}, specimen.surface, {}
    for name, given in surface.maps.items():
        if not carries(surface, name):
            continue
        levels = baked_over_uvs(given.chains(), surface.lies_on, side)
        values = np.asarray(given.low) + (np.asarray(given.high) - np.asarray(given.low)) * levels
        kind = "color3" if values.shape[-1] == 3 else "float"
        if name in (BUMP, COAT_BUMP):
            heights[name] = values[..., 0] / 1000.0
        elif name in _LEAVES:
            theirs, alone = _LEAVES[name]
            colours = np.broadcast_to(values, (*values.shape[:2], 3))
            out[theirs] = "color3", _leaving(surface, name, alone, colours)
        elif name == _RADIUS:
            # Against the longest of the middle, which is the length that is written beside it.
            out[_RADIUS_SCALE] = kind, values / max(surface.uniform().rgb(name))
        else:
            theirs, factor = _SCALED.get(name, (SAME.get(name), 1.0))
            out[theirs] = kind, values * factor
    follows = 1.0 - surface["coat.levelling"]
    if BUMP in heights:
        out[NORMAL] = "vector3", _normals(heights[BUMP], surface.lies_on)
        if surface["coat.amount"] > 0.0 and follows > 0.0:
            heights[COAT_BUMP] = heights.get(COAT_BUMP, 0.0) + follows * heights[BUMP]
    if COAT_BUMP in heights:
        out[COAT_NORMAL] = "vector3", _normals(heights[COAT_BUMP], surface.lies_on)
    return out


def _leaving(surface, name, alone, colours):
    """What leaves a body of colours (h, w, 3), the light thrown back under its interface counted: by channel."""
    plain = surface.uniform().with_values(
        {"coat.amount": 0.0, "film.amount": 0.0, "sheen.amount": 0.0, "anisotropy": 0.0, "thin_walled": False,
         "reverse.translucency": 0.0, **alone}
    )  # fmt: skip
    greys = np.linspace(0.0, 1.0, STEPS)
    leaves = [
        compile_measured(plain.with_values({name: (g, g, g)})).spectra[rows.BODY, :-1].mean() for g in greys.tolist()
    ]
    return np.interp(colours, greys, leaves)


def _normals(heights, lies_on):
    """Of heights (side, side) in mm over the UVs of a body, row 0 at the top, as numbers 0..1."""
    side, body = len(heights), body_of(lies_on)
    # How long a step of a texel is there: across and down, mm.
    across = down = np.full((side, 1), body.uv_mm / side)
    if body.shape is None:
        up = np.pi * ((np.arange(side) + 0.5) / side - 0.5)[:, None]
        across = 2.0 * np.pi * body.radius * np.maximum(np.cos(up), _PINCHED) / side
        down = np.full((side, 1), np.pi * body.radius / side)
    x = -(np.roll(heights, -1, axis=1) - np.roll(heights, 1, axis=1)) / (2.0 * across)
    # Rows run down, green up.
    y = (np.roll(heights, -1, axis=0) - np.roll(heights, 1, axis=0)) / (2.0 * down)
    if body.shape is None:
        # A ball's first row does not lie beside its last.
        y[[0, -1]] = 0.0
    normal = np.stack([np.clip(x, -STEEPEST, STEEPEST), np.clip(y, -STEEPEST, STEEPEST), np.ones_like(x)], axis=-1)
    return 0.5 + 0.5 * normal / np.linalg.norm(normal, axis=-1, keepdims=True)


def file_name(key, data):
    return f"{key}.png" if data.min() >= 0.0 and data.max() <= 1.0 else f"{key}.exr"


def write(path, data):
    """Write a picture's numbers: 16 bits where they lie within 0..1, floating point otherwise."""
    if path.suffix == ".png":
        write_bytes(path, encoded_levels(data))
    else:
        write_exr(path, np.broadcast_to(data, (*data.shape[:2], 3)).astype(np.float32))
