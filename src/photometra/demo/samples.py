"""The hidden true samples of Harrow Skerry's lantern room, and the surfaces an artist first guessed for them.

Harrow Skerry is an invented lighthouse under restoration; nothing here stands for a real object.
"""

from dataclasses import dataclass

from ..maps import Generator, Layer, Map, Placement
from ..surface import Surface

# Wear of the bracket: fine scratches, and the prints of those who trimmed the lamp.
_WEAR = (
    Layer(Generator("scratches", 7, (("density", 14.0), ("length", 16.0), ("width", 0.16)))),
    Layer(Generator("fingerprints", 3), Placement("box", shuffle=True), combine="lighter", amount=0.85),
)
_DUST = (Layer(Generator("specks", 11, (("density", 34.0), ("size", 0.55)))),)
_WORN = (Layer(Generator("edges", 5, (("ragged", 0.8), ("width", 1.2)))),)
_GROUND = (0.58, 0.55, 0.47)
_GRAIN = (Layer(Generator("grain", 4, (("spacing", 4.5),)), Placement("front", (80.0, 80.0))),)
_LIGHT_WOOD = (0.46, 0.26, 0.135)
_TINT = (Layer(Generator("gradient"), Placement("front", repeat="hold")),)
_WEAVE = (Layer(Generator("weave", 1, (("over", 2.0), ("warp", 1.1), ("weft", 1.1))), Placement("uv", (13.2, 13.2))),)


@dataclass(frozen=True)
class Sample:
    """A specimen as it truly is, as it was first guessed, and the readings taken of it.

    readings: (instrument, geometry); free: what the guess leaves to the solver; shape: what stands for it; slab_mm: how
    thick the piece was that instruments looked through.
    """

    name: str
    size_mm: float
    truth: Surface
    guess: dict
    readings: tuple[tuple[str, str], ...]
    free: tuple[str, ...]
    notes: str
    shape: str = "ball"
    slab_mm: float = 0.0


SAMPLES = (
    Sample(
        "Brass lamp bracket",
        64.0,
        Surface(
            {
                "metalness": 1.0,
                "constants": "brass-70-30",
                "roughness": 0.235,
                "haze.amount": Map(_WEAR, 0.04, 0.58),
                "haze.spread": 0.34,
            }
        ),
        {"roughness": 0.42, "haze.amount": Map(_WEAR, 0.04, 0.1)},
        (
            ("constants", ""),
            ("spectrophotometer", "di:8"),
            ("spectrophotometer", "de:8"),
            ("glossmeter", ""),
        ),
        ("roughness", "haze.amount.high", "haze.spread"),
        "Cast, filed and hand-finished; oiled and wiped for eighty years; its haze lies in scratches and prints.",
    ),
    Sample(
        "Enamelled number plate",
        64.0,
        Surface(
            {
                "ior": 1.532,
                "colour": Map(_WORN, (0.021, 0.078, 0.245), _GROUND),
                "roughness": 0.085,
                "haze.amount": 0.07,
                "sheen.amount": Map(_DUST, 0.0, 0.4),
                "sheen.roughness": 0.8,
            }
        ),
        {"ior": 1.45, "colour": Map(_WORN, (0.045, 0.09, 0.14), _GROUND), "roughness": 0.22, "haze.amount": 0.0},
        (("spectrophotometer", "di:8"), ("spectrophotometer", "de:8"), ("glossmeter", ""), ("colorimeter", "45:0")),
        ("roughness", "haze.amount", "ior", "colour.low"),
        "Vitreous enamel on steel, number 7 of the gallery doors; dusty, and worn to the white ground coat along its "
        "edges, which show where it lies on a shape that has some.",
    ),
    Sample(
        "Lens prism",
        56.0,
        Surface({"ior": 1.5174, "abbe": 61.5, "transmission": 1.0, "roughness": 0.05}),
        {"ior": 1.49, "abbe": 48.0, "roughness": 0.16},
        (("refractometer", ""), ("glossmeter", ""), ("reflectometer", "")),
        ("roughness", "ior", "abbe"),
        "A crown-glass prism from the third tier of the lantern's lens; polished, never coated.",
    ),
    Sample(
        "Heat-tinted vane",
        58.0,
        Surface(
            {
                "metalness": 1.0,
                "constants": "titanium",
                "roughness": 0.19,
                "film.amount": 1.0,
                "film.thickness": Map(_TINT, 88.0, 32.0),
                "film.ior": 2.32,
            }
        ),
        {"roughness": 0.3, "film.thickness": Map(_TINT, 120.0, 70.0)},
        (("spectrophotometer", "di:8"), ("spectrophotometer", "de:8"), ("glossmeter", ""), ("ellipsometer", "")),
        ("roughness", "film.thickness", "film.ior"),
        "Titanium vane of the ventilator, tinted by the burner below it; the oxide is the film.",
    ),
    Sample(
        "Beeswax seal block",
        48.0,
        Surface(
            {
                "ior": 1.442,
                "roughness": 0.38,
                "subsurface": 1.0,
                "subsurface.colour": (0.84, 0.62, 0.22),
                "subsurface.radius": (2.4, 1.3, 0.5),
            }
        ),
        {"ior": 1.5, "roughness": 0.5, "subsurface.colour": (0.7, 0.6, 0.4), "subsurface.radius": (1.2, 1.2, 1.2)},
        (("spectrophotometer", "di:8"), ("spectrophotometer", "de:8"), ("glossmeter", ""), ("scatterprobe", "")),
        ("roughness", "ior", "subsurface.colour", "subsurface.radius"),
        "Wax that sealed the lantern's spare panes; how far light wanders in it is told by the scatter profile.",
    ),
    Sample(
        "Varnished teak rail",
        52.0,
        Surface(
            {
                "ior": 1.48,
                "colour": Map(_GRAIN, _LIGHT_WOOD, (0.13, 0.062, 0.03)),
                "roughness": 0.55,
                "diffuse_roughness": 0.3,
                "coat.amount": 1.0,
                "coat.ior": 1.516,
                "coat.roughness": 0.09,
                "coat.colour": (0.94, 0.8, 0.52),
            }
        ),
        {"coat.roughness": 0.2, "coat.ior": 1.45, "colour": Map(_GRAIN, _LIGHT_WOOD, (0.1, 0.12, 0.11))},
        (("spectrophotometer", "di:8"), ("spectrophotometer", "de:8"), ("glossmeter", "")),
        ("coat.roughness", "coat.ior", "colour.high"),
        "Teak under seven coats of varnish; the varnish's own colour is held, as no reading tells it from the wood's, "
        "and so is that of its early wood.",
    ),
    Sample(
        "Ruby signal glass",
        60.0,
        Surface(
            {
                "ior": 1.531,
                "abbe": 58.0,
                "transmission": 1.0,
                "roughness": 0.04,
                "interior.colour": (0.62, 0.028, 0.036),
                "interior.depth": 4.0,
            }
        ),
        {"ior": 1.5, "roughness": 0.1, "abbe": 45.0, "interior.colour": (0.5, 0.2, 0.2)},
        (("refractometer", ""), ("transmissometer", ""), ("glossmeter", "")),
        ("roughness", "ior", "abbe", "interior.colour"),
        "A pane of the fog signal, flashed red; a 4 mm offcut of it was read through.",
        "steps",
        4.0,
    ),
    Sample(
        "Canvas awning",
        70.0,
        Surface(
            {
                "ior": 1.46,
                "roughness": 0.72,
                "colour": Map(_WEAVE, (0.36, 0.34, 0.3), (0.6, 0.535, 0.39)),
                "diffuse_roughness": 0.6,
                "reverse.translucency": 0.24,
                "reverse.colour": (0.6, 0.52, 0.37),
            }
        ),
        {
            "colour": Map(_WEAVE, (0.25, 0.25, 0.25), (0.6, 0.535, 0.39)),
            "roughness": 0.5,
            "reverse.translucency": 0.1,
        },
        (
            ("spectrophotometer", "di:8"),
            ("spectrophotometer", "45:0"),
            ("goniophotometer", ""),
            ("transmissometer", ""),
        ),
        ("roughness", "colour.low", "reverse.translucency"),
        "Sailcloth over the gallery door, a twill of bleached warp on raw weft; warp and far side are held.",
        "cloth",
    ),
    Sample(
        "Wool-felt duster",
        54.0,
        Surface(
            {
                "ior": 1.5,
                "roughness": 0.85,
                "colour": (0.075, 0.09, 0.17),
                "diffuse_roughness": 0.8,
                "sheen.amount": 0.62,
                "sheen.colour": (0.75, 0.78, 0.9),
                "sheen.roughness": 0.34,
            }
        ),
        {"colour": (0.13, 0.12, 0.11), "sheen.amount": 0.3},
        (("spectrophotometer", "di:8"), ("spectrophotometer", "45:0"), ("goniophotometer", "")),
        ("colour", "sheen.amount"),
        "The keeper's duster for the lens; its nap lights up along the edge, as the lobe shows.",
    ),
)
