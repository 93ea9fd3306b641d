"""What the library that ships is made of: our own entries, from the constants and coefficients that we have.

tools/make_library.py writes them. Each says what it rests on: what was measured by somebody, and what was chosen here.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from ..maps import Generator, Layer, Map, Placement
from ..study import Specimen
from ..surface import Surface, table
from ..surface.constants import choosing
from ..surface.known_media import known_media

_BY_HAND = "chosen here by eye and handbook, not measured: take them as a start"


@dataclass(frozen=True)
class _Entry:
    name: str
    tags: str
    changes: Mapping
    rests_on: str
    notes: str = ""
    size_mm: float = 60.0
    shape: str = "ball"


def _of_table(name, tags, key, rests_on="", notes="", size_mm=60.0, **changes):
    changes = {k.replace("__", "."): v for k, v in changes.items()}
    source = f"n and k: {table(key).source}. " + (rests_on or f"Finish {_BY_HAND}.")
    return _Entry(name, tags, {**choosing(key), **changes}, source, notes, size_mm)


def _of_medium(name, tags, key, as_subsurface=False, notes="", size_mm=60.0, **changes):
    medium = next(m for m in known_media() if m.name == key)
    taken = medium.as_subsurface() if as_subsurface else medium.as_interior()
    source = (
        "Reduced scattering, absorption and index: Jensen, Marschner, Levoy & Hanrahan (2001), figure 5, by RGB. "
        f"Finish {_BY_HAND}."
    )
    return _Entry(
        name, tags, {**taken, **{k.replace("__", "."): v for k, v in changes.items()}}, source, notes, size_mm
    )


def _plain(name, tags, rests_on="", notes="", size_mm=60.0, shape="ball", **changes):
    changes = {k.replace("__", "."): v for k, v in changes.items()}
    return _Entry(name, tags, changes, rests_on or f"All values {_BY_HAND}.", notes, size_mm, shape)


_GRIND = (Layer(Generator("scratches", 5, (("density", 10.0), ("length", 12.0), ("width", 0.12)))),)
_SPECKS = (Layer(Generator("flakes", 3)),)
_GRAIN = (Layer(Generator("grain", 4), Placement("box")),)

_METALS = (
    _of_table("Gold, polished", "metal precious warm", "gold", roughness=0.06),
    _of_table("Gold leaf, burnished", "metal precious warm leaf", "gold", roughness=0.22, haze__amount=0.2),
    _of_table("Silver, brushed", "metal precious brushed", "silver", roughness=0.24, anisotropy=0.7),
    _of_table("Copper, satin", "metal warm satin", "copper", roughness=0.3),
    _of_table("Brass, cast", "metal warm cast", "brass-70-30", roughness=0.45, haze__amount=0.15),
    _of_table(
        "Brass, lacquered",
        "metal warm lacquer coated",
        "brass-85-15",
        roughness=0.2,
        coat__amount=1.0,
        coat__roughness=0.04,
        coat__colour=(0.98, 0.95, 0.86),
    ),
    _of_table("Aluminium, bead-blasted", "metal grey matt", "aluminium", roughness=0.55),
    _of_table("Chromium plate", "metal plated mirror", "chromium", roughness=0.03),
    _of_table("Nickel, satin", "metal plated satin", "nickel", roughness=0.28),
    _of_table("Iron, cast", "metal dark cast", "iron", roughness=0.6, haze__amount=0.2),
    _of_table(
        "Titanium, heat-tinted blue",
        "metal tinted film interference",
        "titanium",
        roughness=0.18,
        film__amount=1.0,
        film__thickness=45.0,
        film__constants="titania-film",
    ),
    _of_table("Titanium nitride coating", "metal tool gold hard", "titanium-nitride", roughness=0.16),
    _of_table("Mercury", "metal liquid mirror", "mercury", roughness=0.0),
    _Entry(
        "Steel, ground",
        "metal grey scratched map",
        {**choosing("iron"), "roughness": Map(_GRIND, 0.18, 0.4)},
        f"n and k: {table('iron').source}. Scratches and roughness {_BY_HAND}.",
        "Roughness by a scratch map.",
    ),
)
_CLEAR = (
    _of_table("Borosilicate crown glass", "glass clear optical", "crown-glass-bk7", transmission=1.0, roughness=0.0),
    _of_table(
        "Dense flint glass", "glass clear dispersive optical", "dense-flint-sf11", transmission=1.0, roughness=0.0
    ),
    _of_table("Crown glass, frosted", "glass clear frosted", "crown-glass-bk7", transmission=1.0, roughness=0.38),
    _of_table(
        "Window pane",
        "glass clear pane thin",
        "soda-lime-clear",
        transmission=1.0,
        roughness=0.0,
        thin_walled=True,
        thickness=4.0,
    ),
    _of_table(
        "Window pane, bronze",
        "glass tinted pane thin",
        "soda-lime-bronze",
        transmission=1.0,
        roughness=0.0,
        thin_walled=True,
        thickness=6.0,
    ),
    _of_table(
        "Bottle glass, green",
        "glass tinted green",
        "soda-lime-green",
        transmission=1.0,
        roughness=0.02,
        interior__colour=(0.25, 0.62, 0.34),
        interior__depth=8.0,
    ),
    _of_table("Acrylic, clear", "plastic clear", "acrylic", transmission=1.0, roughness=0.01),
    _of_table(
        "Polycarbonate, smoked",
        "plastic clear tinted grey",
        "polycarbonate",
        transmission=1.0,
        roughness=0.02,
        interior__colour=(0.42, 0.40, 0.38),
        interior__depth=4.0,
    ),
    _of_table("Ice", "crystal clear cold", "ice", transmission=1.0, roughness=0.06),
    _of_table("Diamond", "crystal gem clear dispersive", "diamond", transmission=1.0, roughness=0.0, size_mm=8.0),
    _of_table(
        "Sapphire, blue",
        "crystal gem clear blue",
        "sapphire",
        transmission=1.0,
        roughness=0.0,
        size_mm=12.0,
        interior__colour=(0.07, 0.13, 0.62),
        interior__depth=6.0,
    ),
)
_LIQUIDS = (
    _of_table("Water", "liquid clear", "water", transmission=1.0, roughness=0.0),
    _of_table("Glycerol", "liquid clear viscous", "glycerol", transmission=1.0, roughness=0.0),
    _of_medium("Milk, whole", "liquid food white", "Whole milk", roughness=0.0),
    _of_medium("Milk, skimmed", "liquid food white bluish", "Skimmed milk", roughness=0.0),
    _of_medium("Cream", "liquid food white", "Cream", as_subsurface=True, roughness=0.08),
    _of_medium("Tomato sauce", "liquid food red", "Ketchup", as_subsurface=True, roughness=0.15),
)
_SOFT = (
    _of_medium("Marble, white, honed", "stone translucent white", "Marble", as_subsurface=True, roughness=0.32),
    _of_medium("Skin, pale", "skin translucent", "Skin (2)", as_subsurface=True, roughness=0.42),
    _of_medium("Skin, tanned", "skin translucent", "Skin (1)", as_subsurface=True, roughness=0.42),
    _of_medium("Apple flesh", "food translucent", "Apple", as_subsurface=True, roughness=0.3),
    _of_medium("Potato, raw", "food translucent", "Potato", as_subsurface=True, roughness=0.35),
)
_SOLIDS = (
    _of_table("Haematite, polished", "stone dark mineral", "haematite", roughness=0.12),
    _plain("Slate, riven", "stone dark matt", colour=(0.075, 0.08, 0.088), roughness=0.62, ior=1.55),
    _plain("Sandstone", "stone warm matt", colour=(0.46, 0.34, 0.22), roughness=0.9, ior=1.5, diffuse_roughness=0.5),
    _plain(
        "Pine, planed",
        "wood pale",
        colour=Map(_GRAIN, (0.48, 0.30, 0.15), (0.66, 0.47, 0.27)),
        roughness=0.55,
        ior=1.53,
        notes="Colour by a map of grain.",
    ),
    _plain(
        "Oak, varnished",
        "wood coated",
        colour=Map(_GRAIN, (0.22, 0.12, 0.05), (0.38, 0.23, 0.11)),
        roughness=0.5,
        ior=1.53,
        coat__amount=1.0,
        coat__ior=1.5,
        coat__roughness=0.1,
        coat__colour=(0.98, 0.88, 0.66),
        notes="Colour by a map of grain, below an oil varnish.",
    ),
    _plain("Rubber, black", "plastic dark matt", colour=(0.02, 0.02, 0.021), roughness=0.65, ior=1.52),
    _plain("Moulded plastic, red", "plastic glossy red", colour=(0.52, 0.03, 0.025), roughness=0.18, ior=1.49),
    _plain(
        "Wall paint, chalk white",
        "paint matt white",
        colour=(0.84, 0.83, 0.80),
        roughness=0.85,
        ior=1.5,
        diffuse_roughness=0.6,
    ),
    _plain("Enamel paint, signal yellow", "paint glossy yellow", colour=(0.78, 0.47, 0.02), roughness=0.1, ior=1.52),
    _plain(
        "Metallic paint, graphite",
        "paint coated flakes map",
        metalness=0.0,
        colour=(0.05, 0.052, 0.056),
        roughness=Map(_SPECKS, 0.22, 0.55),
        ior=1.8,
        coat__amount=1.0,
        coat__roughness=0.03,
        coat__ior=1.5,
        notes="Sparkle by a map of flakes below a clear coat.",
    ),
)
_CLOTHS = (
    _plain("Wool felt, navy", "cloth fibres blue", colour=(0.02, 0.03, 0.085), roughness=0.8, sheen__amount=0.7,
           sheen__colour=(0.30, 0.36, 0.55), sheen__roughness=0.55),
    _plain("Linen, natural", "cloth thin sheet", colour=(0.52, 0.44, 0.33), roughness=0.8, thin_walled=True,
           reverse__translucency=0.3, reverse__colour=(0.52, 0.44, 0.33), sheen__amount=0.25, shape="cloth"),
    _plain("Satin, ivory", "cloth thin sheet lustre", colour=(0.72, 0.66, 0.52), roughness=0.34, anisotropy=0.6,
           thin_walled=True, reverse__translucency=0.2, reverse__colour=(0.7, 0.64, 0.5), shape="cloth"),
    _plain("Canvas, tarred", "cloth thin sheet dark", colour=(0.045, 0.036, 0.028), roughness=0.7, thin_walled=True,
           reverse__translucency=0.02, reverse__colour=(0.05, 0.04, 0.03), shape="cloth"),
)  # fmt: skip


def starting_specimens():
    """The specimens of the library that ships."""
    for e in (*_METALS, *_CLEAR, *_LIQUIDS, *_SOFT, *_SOLIDS, *_CLOTHS):
        yield Specimen(
            e.name, e.size_mm, Surface(dict(e.changes)), notes=e.notes, shape=e.shape, tags=tuple(e.tags.split()),
            rests_on=e.rests_on,
        )  # fmt: skip
