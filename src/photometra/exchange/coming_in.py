"""From what a document says of an OpenPBR surface to a specimen of ours: the way back of `materialx.openpbr_inputs`."""

from dataclasses import dataclass, field

import numpy as np

from ..errors import InputError
from ..maps import Layer, Map, Picture, Placement
from ..names import kept_name
from ..optics.dispersion import index_of_reflectance
from ..optics.fresnel import COS_EDGE, fresnel_dielectric
from ..pictures import encoded_levels
from ..shapes.lying import LiesOn
from ..study import Specimen
from ..surface import PARAMETERS, Surface, rows
from ..surface.bank import compile_measured
from ..surface.coat import COLOUR_UM
from ..surface.inputs import height_of_normals_um
from ..surface.values import BUMP, COAT_BUMP
from ..words import tr
from .baked import SAME, STEPS
from .graph import Graph, Value, constant
from .materialx import HAZE, _rgb, _schlick

_DEFAULTS = {
    "base_weight": 1.0, "base_color": 0.8, "specular_weight": 1.0, "specular_color": 1.0, "specular_roughness": 0.3,
    "specular_ior": 1.5, "transmission_color": 1.0, "transmission_dispersion_abbe_number": 20.0,
    "subsurface_color": 0.8, "subsurface_radius": 1.0, "subsurface_radius_scale": (1.0, 0.5, 0.25), "fuzz_color": 1.0,
    "fuzz_roughness": 0.5, "coat_color": 1.0, "coat_ior": 1.6, "coat_darkening": 1.0, "thin_film_thickness": 0.5,
    "thin_film_ior": 1.4, "emission_color": 1.0, "geometry_opacity": 1.0,
}  # fmt: skip
"""What the standard states where a document says nothing, beside 0."""
_COLOURS = ("base_color", "specular_color", "transmission_color", "transmission_scatter", "subsurface_color",
            "subsurface_radius_scale", "fuzz_color", "coat_color", "emission_color")  # fmt: skip
_ROUNDS = 12
_LEAST_BUMP_UM = 0.05


@dataclass
class Coming:
    """A surface being taken in. values: {input of the standard: Value}; notes: what was not carried."""

    graph: Graph
    values: dict[str, Value]
    unit_mm: float = 1.0
    size_mm: float = 60.0
    changes: dict = field(default_factory=dict)

    def of(self, name) -> Value:
        found = self.values.get(name)
        if found is None:
            stated = _DEFAULTS.get(name, 0.0)
            found = constant(*np.resize(stated, 3)) if name in _COLOURS else constant(stated)
        return found

    def number(self, name):
        return float(self.of(name).mean[0])

    def colour(self, name):
        return np.resize(self.of(name).mean, 3)

    def put(self, name, value: Value, factor=1.0):
        """Give a parameter of ours a value of theirs: a constant, or a map where it varies and ours may."""
        p = PARAMETERS[name]
        low, high = p.hard
        data = np.clip(value.data * factor, low, high)
        if not value.varies or float(np.ptp(data)) < 1e-4:
            mean = data.reshape(-1, data.shape[-1]).mean(axis=0)
            self.changes[name] = tuple(float(v) for v in np.resize(mean, 3)) if p.components else float(mean[0])
            return
        if not p.varies:
            self.graph.note(tr("the picture of {0}: carried as its mean, as {1} cannot vary here", p.words, p.name))
            self.put(name, Value(value.mean[None] if p.components else value.mean), factor)
            return
        self.changes[name] = self._map(p, value, data, factor)

    def _map(self, p, value, data, factor):
        axes = (0, 1)
        ends = data.min(axis=axes), data.max(axis=axes)
        source = self.graph.picture(value, p) if factor == 1.0 and p.components else None
        if source is not None:
            return Map((Layer(source, Placement("uv")),), (0.0, 0.0, 0.0), (1.0, 1.0, 1.0))
        spread = np.where(ends[1] - ends[0] > 1e-9, ends[1] - ends[0], 1.0)
        levels = (data - ends[0]) / spread
        content = encoded_levels(levels if p.components else levels[..., :1])
        name = kept_name("maps", f"{p.name.replace('.', '-')}.png", content)
        picture = Picture(name, "colour" if p.components else "luminance", "data", data=content)
        low, high = (tuple(map(float, np.resize(e, 3))) if p.components else float(e[0]) for e in ends)
        return Map((Layer(picture, Placement("uv")),), low, high)


def specimen_from(name, coming: Coming) -> Specimen:
    """The specimen of what a document says; what it could not carry is in the graph's notes."""
    for ours, theirs in SAME.items():
        if theirs in coming.values:
            coming.put(ours, coming.of(theirs))
    # Where nothing is said the standard's own numbers hold, which are not all ours.
    for ours, theirs in (("roughness", "specular_roughness"), ("coat.ior", "coat_ior"),
                         ("coat.roughness", "coat_roughness"), ("sheen.roughness", "fuzz_roughness"),
                         ("film.ior", "thin_film_ior")):  # fmt: skip
        coming.changes.setdefault(ours, coming.number(theirs))
    if coming.number("thin_film_weight") > 0.0:
        coming.put("film.thickness", coming.of("thin_film_thickness"), 1000.0)
    if coming.number(HAZE[0]) > 0.0:
        rough, hazy = coming.number("specular_roughness"), coming.number(HAZE[1])
        coming.changes["haze.amount"] = float(np.clip(coming.number(HAZE[0]), 0.0, 1.0))
        coming.changes["haze.spread"] = float(np.clip((hazy - rough) / max(1.0 - rough, 1e-6), 0.0, 1.0))
    coming.changes["coat.thickness"] = COLOUR_UM
    coming.changes["thin_walled"] = coming.number("geometry_thin_walled") > 0.5
    _interface(coming)
    _inside(coming)
    _body(coming)
    _relief(coming)
    _left_out(coming)
    return Specimen(name, coming.size_mm, _surface(coming.changes))


def _surface(changes):
    """The surface of changes; a value that nothing here can hold is told by its name."""
    try:
        return Surface(changes)
    except InputError as error:
        raise InputError(tr("the surface cannot be taken in: {0}", error)) from None


def _interface(coming):
    """Face and edge reflectance of the metal; the index of the dielectric, weakened as the weight says."""
    weight = np.clip(coming.number("specular_weight"), 0.0, 1.0)
    if coming.of("specular_weight").varies:
        coming.graph.note(tr("the picture of how strongly it reflects: carried as its mean"))
    if coming.number("base_metalness") > 0.0:
        base = coming.of("base_color")
        gain = coming.number("base_weight") * weight
        face = np.clip(np.resize(base.mean, 3) * gain, 0.0, 1.0)
        coming.put("face_colour", base if base.varies else constant(*face), gain if base.varies else 1.0)
        edge = coming.colour("specular_color") * _schlick(face, COS_EDGE)
        coming.put("edge_colour", constant(*np.clip(edge, 0.0, 1.0)))
        if coming.of("specular_color").varies:
            coming.graph.note(tr("the picture of the metal's tint at the edge: carried as its mean"))
    if coming.number("base_metalness") < 1.0:
        face = float(weight * fresnel_dielectric(1.0, coming.number("specular_ior")))
        coming.changes["ior"] = float(np.clip(index_of_reflectance(face), 1.0, 3.0))
        tint = coming.colour("specular_color")
        if coming.number("base_metalness") <= 0.0 and np.ptp(tint) + abs(1.0 - tint.mean()) > 1e-3:
            coming.graph.note(tr("the tint of a dielectric's reflection: nature has none"))


def _inside(coming):
    """The clear interior and the subsurface; lengths in mm."""
    if coming.number("transmission_weight") > 0.0:
        depth = coming.number("transmission_depth") * coming.unit_mm
        colour = np.clip(coming.colour("transmission_color"), 0.0, 1.0)
        if colour.min() < 1.0:
            coming.changes["interior.colour"] = tuple(map(float, np.maximum(colour, 1e-4)))
            coming.changes["interior.depth"] = float(np.clip(depth or coming.size_mm, 0.001, 10_000.0))
            if not depth:
                coming.graph.note(
                    tr(
                        "a tint of what goes through, without a depth: taken as the colour at {0} mm",
                        f"{coming.size_mm:g}",
                    )
                )
        scatter = coming.colour("transmission_scatter")
        if depth and scatter.max() > 0.0:
            coming.changes["interior.scatter"] = tuple(map(float, np.clip(scatter / depth, 0.0, 1000.0)))
            coming.put("interior.asymmetry", coming.of("transmission_scatter_anisotropy"))
        scale = coming.number("transmission_dispersion_scale")
        if scale > 0.0:
            abbe = coming.number("transmission_dispersion_abbe_number") / scale
            coming.changes["abbe"] = float(np.clip(abbe, 0.0, 120.0))
    if coming.number("subsurface_weight") > 0.0 and not coming.changes["thin_walled"]:
        longest = coming.number("subsurface_radius") * coming.unit_mm
        coming.put("subsurface.radius", coming.of("subsurface_radius_scale"), longest)
        if coming.number("subsurface_scatter_anisotropy") != 0.0:
            coming.graph.note(
                tr("the anisotropy of the subsurface: its mean free path counts for even scattering here")
            )


def _body(coming):
    """What leaves the body there is what is asked for: our colours are found by the compiled surface itself."""
    if coming.number("base_metalness") >= 1.0:
        return
    if coming.number("subsurface_weight") < 1.0 or coming.changes["thin_walled"]:
        gain = coming.number("base_weight")
        _colour_that_leaves(coming, "colour", "base_color", gain, {"thin_walled": False, "subsurface": 0.0})
    if coming.number("subsurface_weight") > 0.0:
        if coming.changes["thin_walled"]:
            coming.changes["reverse.translucency"] = 0.5 * coming.number("subsurface_weight")
            coming.put("reverse.colour", coming.of("subsurface_color"))
            coming.changes.pop("subsurface", None)
        else:
            bare = {"thin_walled": False, "subsurface": 1.0}
            _colour_that_leaves(coming, "subsurface.colour", "subsurface_color", 1.0, bare)


def _colour_that_leaves(coming, ours, theirs, gain, bare):
    value = coming.of(theirs)
    wanted = np.clip(np.resize(value.mean, 3) * gain, 1e-4, 0.999)
    plain = {k: v for k, v in coming.changes.items() if not isinstance(v, Map)}
    plain |= {
        "coat.amount": 0.0,
        "film.amount": 0.0,
        "sheen.amount": 0.0,
        "transmission": 0.0,
        "metalness": 0.0,
        **bare,
    }
    tried = wanted.copy()
    for _ in range(_ROUNDS):
        surface = _surface({**plain, ours: tuple(map(float, tried))})
        leaves = np.clip(_rgb(compile_measured(surface).spectra[rows.BODY, :-1])[0], 1e-3, 0.999)
        # In the odds of a colour, what an interface does to it is nearly a factor; what stays dark stays so.
        step = (wanted / (1.0 - wanted)) / (leaves / (1.0 - leaves))
        odds = tried / (1.0 - tried) * np.where(wanted > 1e-3, np.clip(step, 0.1, 10.0), 1.0)
        tried = np.clip(odds / (1.0 + odds), 1e-5, 0.99999)
        if np.abs(step - 1.0)[wanted > 1e-3].max(initial=0.0) < 1e-4:
            break
    if not value.varies:
        coming.put(ours, constant(*tried))
        return
    greys = np.linspace(0.0, 1.0, STEPS)
    curve = [
        compile_measured(_surface({**plain, ours: (g, g, g)})).spectra[rows.BODY, :-1].mean() for g in greys.tolist()
    ]
    coming.put(ours, Value(np.interp(value.data[..., :3] * gain, curve, greys)))


def _left_out(coming):
    if coming.number("emission_luminance") > 0.0:
        coming.graph.note(tr("the light that it gives by itself: nothing here glows"))
    if coming.number("coat_weight") > 0.0 and abs(coming.number("coat_darkening") - 1.0) > 1e-3:
        coming.graph.note(tr("the coat's darkening: here it is what the coat's index makes it"))


def _relief(coming):
    """Normals as the bumps whose slopes they are: of the surface, and of its coat."""
    _bump(coming, "geometry_normal", BUMP)
    if coming.number("coat_weight") <= 0.0:
        return
    below, own = (coming.values.get(name) for name in ("geometry_normal", "geometry_coat_normal"))
    if BUMP in coming.changes:
        if own is not None and own.varies and np.array_equal(below.data, own.data):
            return
        # There a coat stands along the shape's own normal, unless it has one by itself.
        coming.changes["coat.levelling"] = 1.0
    if own is not None and own.varies:
        _bump(coming, "geometry_coat_normal", COAT_BUMP)


def _bump(coming, theirs, ours):
    value = coming.values.get(theirs)
    if value is None:
        return
    p = PARAMETERS[ours]
    if not value.varies or value.data.shape[-1] < 3:
        coming.graph.note(tr("the picture of normals: give the parameter {0} a map of it by hand", p.words))
        return
    normals = value.data / np.maximum(np.linalg.norm(value.data, axis=-1, keepdims=True), 1e-6)
    content = encoded_levels(0.5 + 0.5 * normals)
    picture = Picture(kept_name("maps", "normals.png", content), "normal", "data", data=content)
    layer = Layer(picture, Placement("uv"))
    high = min(height_of_normals_um(layer, LiesOn(size_mm=coming.size_mm)), p.hard[1])
    if high < _LEAST_BUMP_UM:
        return
    coming.changes[ours] = Map((layer,), 0.0, high)
    coming.graph.note(
        tr(
            "the picture of normals: carried as heights with those slopes, {0} {1} µm on a ball of {2} mm; on another "
            "shape, set its range again",
            p.words, f"{high:.3g}", f"{coming.size_mm:g}",
        )
    )  # fmt: skip
