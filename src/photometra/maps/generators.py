"""Sources of our own: each draws one tile, that joins with itself at its edges, with features of real size.

A generator is deterministic by its seed. It is given the tile's size in mm and its pixels, and returns levels 0..1,
(height, width), row 0 at the top.
"""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from ..errors import InputError
from ..words import tr


@dataclass(frozen=True)
class Setting:
    """One number of a generator: what it is called, its range and unit."""

    name: str
    label: str
    default: float
    low: float
    high: float
    unit: str = ""


@dataclass(frozen=True)
class Kind:
    """A generator as declared. finest: the smallest feature in mm at given settings, which decides the pixels;
    tile_mm: how large a tile is where nobody says; fits: whether it lies once over the specimen by default;
    fills: whether it is of the specimen's own body and fills its bounding box, however it is placed (`maps.edges`)."""

    key: str
    label: str
    meaning: str
    draw: Callable
    settings: tuple[Setting, ...] = ()
    finest: Callable = lambda s, size: min(size) / 64.0
    tile_mm: float = 40.0
    fits: bool = False
    fills: bool = False


_MOST_FEATURES, _MOST_PRINTS = 5_000, 24
"""Of one tile: more are as good as even, and take minutes."""


def _count(rng, density, size, area):
    """How many features lie on a tile, by chance, of so many on an area in mm²."""
    return int(np.clip(rng.poisson(min(density * size[0] * size[1] / area, _MOST_FEATURES)), 1, _MOST_FEATURES))


def _blurred(picture, sigma):
    from scipy import ndimage

    return ndimage.gaussian_filter(picture, sigma, mode="wrap")


def _spread(noise):
    """Normal noise made even over 0..1."""
    from scipy.special import ndtr

    return ndtr((noise - noise.mean()) / max(float(noise.std()), 1e-12))


def _pitch(size, shape):
    """Millimetres of one pixel, down and across."""
    return size[1] / shape[0], size[0] / shape[1]


def _noise(s, size, shape, rng):
    total, strength = np.zeros(shape), 1.0
    py, px = _pitch(size, shape)
    feature = s["feature"]
    for _ in range(int(s["octaves"])):
        layer = _blurred(rng.standard_normal(shape), (0.35 * feature / py, 0.35 * feature / px))
        total += strength * layer / max(float(layer.std()), 1e-12)
        feature, strength = 0.5 * feature, 0.6 * strength
        if feature < 2.0 * max(px, py):
            break
    return _spread(total)


def _stroked(starts, steps, strengths, shape):
    """Straight strokes splatted into a tile that wraps: starts, steps (n, 2) in pixels, `m` places along each."""
    picture = np.zeros(shape)
    longest = int(np.ceil(np.abs(steps).max())) + 1
    along = np.linspace(0.0, 1.0, max(2, 2 * longest))
    for start, step, strength in zip(starts, steps, strengths, strict=True):
        rows = np.round(start[0] + along * step[0]).astype(int) % shape[0]
        columns = np.round(start[1] + along * step[1]).astype(int) % shape[1]
        # A scratch begins and ends lightly.
        picture[rows, columns] = np.maximum(picture[rows, columns], strength * np.sqrt(np.sin(np.pi * along) + 1e-3))
    return picture


def _scratches(s, size, shape, rng):
    py, px = _pitch(size, shape)
    count = _count(rng, s["density"], size, 100.0)
    angle = np.radians(s["direction"] + s["spread"] * rng.uniform(-1.0, 1.0, count))
    length = s["length"] * rng.gamma(3.0, 1.0 / 3.0, count)
    steps = np.stack([-np.sin(angle) * length / py, np.cos(angle) * length / px], axis=1)
    starts = rng.uniform(0.0, 1.0, (count, 2)) * shape
    lines = _stroked(starts, steps, rng.uniform(0.35, 1.0, count), shape)
    wide = 0.42 * s["width"]
    # A line one pixel wide, blurred to a groove of the width whose middle stays as deep as it was.
    sigma = (max(wide / py, 0.3), max(wide / px, 0.3))
    return np.clip(_blurred(lines, sigma) * np.sqrt(2.0 * np.pi) * np.sqrt(sigma[0] * sigma[1]), 0.0, 1.0)


def _places(size, shape):
    """Middles of the pixels in mm from the tile's top left: (rows, columns) each of its own axis."""
    py, px = _pitch(size, shape)
    return ((np.arange(shape[0]) + 0.5) * py)[:, None], ((np.arange(shape[1]) + 0.5) * px)[None]


def _wrapped(away, period):
    return (away + 0.5 * period) % period - 0.5 * period


def _fingerprints(s, size, shape, rng):
    y, x = _places(size, shape)
    picture = np.zeros(shape)
    warp = _blurred(rng.standard_normal(shape), [1.6 / p for p in _pitch(size, shape)])
    warp *= 0.45 / max(float(warp.std()), 1e-12)
    smear = _spread(_blurred(rng.standard_normal(shape), [1.1 / p for p in _pitch(size, shape)]))
    for _ in range(int(np.clip(round(s["density"] * size[0] * size[1] / 1000.0), 1, _MOST_PRINTS))):
        cy, cx = rng.uniform(0.0, 1.0, 2) * (size[1], size[0])
        turn, across = rng.uniform(0.0, 2.0 * np.pi), s["width"]
        dy, dx = _wrapped(y - cy, size[1]), _wrapped(x - cx, size[0])
        u, v = np.cos(turn) * dx + np.sin(turn) * dy, np.cos(turn) * dy - np.sin(turn) * dx
        inside = np.clip(1.25 - (2.0 * u / across) ** 2 - (2.0 * v / (1.35 * across)) ** 2, 0.0, 1.0)
        # A loop: rings about a core, drawn out below it.
        ring = np.hypot(u, np.where(v > 0.0, 0.45, 1.0) * v) + warp
        ridges = 0.5 + 0.5 * np.cos(2.0 * np.pi * ring / s["ridge"])
        print_ = np.clip(1.6 * ridges - 0.3, 0.0, 1.0) * np.sqrt(inside) * (0.45 + 0.55 * smear)
        picture = np.maximum(picture, print_ * rng.uniform(0.6, 1.0))
    return picture


def _wiped(s, size, shape, rng):
    py, px = _pitch(size, shape)
    streaks = _blurred(rng.standard_normal(shape), (0.35 * s["width"] / py, 3.0 * s["width"] / px))
    streaks = _spread(streaks)
    # The hand swings: each column of the tile is pushed along a slow wave.
    bend = 1.5 * s["width"] * np.sin(2.0 * np.pi * np.arange(shape[1]) / shape[1]) / py
    rows = (np.arange(shape[0])[:, None] + np.round(bend)[None].astype(int)) % shape[0]
    return streaks[rows, np.arange(shape[1])[None]]


def _weave(s, size, shape, _rng):
    """1 where the warp (upright threads) lies on top, 0 where the weft does."""
    y, x = _places(size, shape)
    repeat = int(s["over"]) + 1
    ends, picks = (max(repeat, round(n / repeat) * repeat) for n in (size[0] / s["warp"], size[1] / s["weft"]))
    column, row = x / size[0] * ends, y / size[1] * picks
    return ((np.floor(column) + np.floor(row)) % repeat > 0.5).astype(float)


def _grain(s, size, shape, rng):
    y, _ = _places(size, shape)
    pitch = _pitch(size, shape)
    # Rings cut at a slant: stripes along the tile that wander, and whose late wood ends sharply.
    wander = _blurred(rng.standard_normal(shape), (4.0 * s["spacing"] / pitch[0], 12.0 * s["spacing"] / pitch[1]))
    wander *= 0.5 / max(float(wander.std()), 1e-12)
    rings = max(1, round(size[1] / s["spacing"]))
    phase = (y / size[1] * rings + wander) % 1.0
    late = phase**2.2 * np.clip((1.0 - phase) / 0.08, 0.0, 1.0)
    pores = _blurred((rng.uniform(size=shape) < 0.004).astype(float), (0.5, 0.02 * size[0] / pitch[1]))
    return np.clip(0.85 * late + 0.8 * pores / max(float(pores.max()), 1e-12), 0.0, 1.0)


def _flakes(s, size, shape, rng):
    from scipy.spatial import cKDTree

    y, x = _places(size, shape)
    count = int(np.clip(round(size[0] * size[1] / s["size"] ** 2), 2, 10 * _MOST_FEATURES))
    middles = rng.uniform(0.0, 1.0, (count, 2)) * (size[1], size[0])
    at = np.stack(np.broadcast_arrays(y, x), axis=-1).reshape(-1, 2)
    _, nearest = cKDTree(middles, boxsize=(size[1], size[0])).query(at)
    levels = np.where(rng.uniform(size=count) < s["cover"], rng.uniform(0.05, 1.0, count), 0.0)
    return levels[nearest].reshape(shape)


def _specks(s, size, shape, rng):
    y, x = _places(size, shape)
    pitch = _pitch(size, shape)
    picture = np.zeros(shape)
    count = _count(rng, s["density"], size, 100.0)
    radii = 0.5 * s["size"] * rng.lognormal(-0.1, 0.45, count)
    for (cy, cx), r in zip(rng.uniform(0.0, 1.0, (count, 2)) * (size[1], size[0]), radii, strict=True):
        reach = [int(np.ceil(1.5 * r / p)) + 1 for p in pitch]
        rows = (int(cy / pitch[0]) + np.arange(-reach[0], reach[0] + 1)) % shape[0]
        columns = (int(cx / pitch[1]) + np.arange(-reach[1], reach[1] + 1)) % shape[1]
        away = np.hypot(_wrapped(y[rows] - cy, size[1]), _wrapped(x[:, columns] - cx, size[0]))
        grid = np.ix_(rows, columns)
        picture[grid] = np.maximum(picture[grid], np.clip(2.0 * (1.2 - away / r), 0.0, 1.0))
    return picture


def _gradient(_s, _size, shape, _rng):
    return np.repeat(np.linspace(1.0, 0.0, shape[0])[:, None], shape[1], axis=1)


def _checker(s, size, shape, _rng):
    y, x = _places(size, shape)
    across, down = (max(2, 2 * round(0.5 * length / s["square"])) for length in size)
    return (np.floor(x / size[0] * across) + np.floor(y / size[1] * down)) % 2.0


def _flat(s, _size, shape, _rng):
    return np.full(shape, s["level"])


def _no_edges(_s, _size, shape, _rng):
    return np.zeros(shape)


def _mm(name, label, default, low=0.005, high=1000.0):
    return Setting(name, label, default, low, high, "mm")


_PER_CM2 = Setting("density", tr("Density"), 20, 0.1, 2000, "/cm²")

GENERATORS = {
    k.key: k
    for k in (
        Kind("noise", tr("Noise"), tr("Even blotches with finer ones in them."), _noise,
             (_mm("feature", tr("Feature size"), 4.0), Setting("octaves", tr("Octaves"), 3, 1, 8)),
             lambda s, _: s["feature"] / 2.0 ** (s["octaves"] + 1)),
        Kind("scratches", tr("Scratches"), tr("Fine grooves: 0 beside them, up to 1 in their middle."), _scratches,
             (_mm("length", tr("Length"), 12.0), _mm("width", tr("Width"), 0.12), _PER_CM2,
              Setting("direction", tr("Direction"), 0.0, -180, 180, "°"),
              Setting("spread", tr("Spread"), 90.0, 0, 90, "°")),
             lambda s, _: 0.6 * s["width"]),
        Kind("fingerprints", tr("Fingerprints"), tr("Ridges left by fingers, smeared here and there."), _fingerprints,
             (_mm("width", tr("Width"), 15.0), _mm("ridge", tr("Ridge spacing"), 0.5),
              Setting("density", tr("Density"), 1.2, 0.01, 50, "/10 cm²")), lambda s, _: 0.4 * s["ridge"], 60.0),
        Kind("wipes", tr("Wipe marks"), tr("Long soft streaks of a cloth."), _wiped, (_mm("width", tr("Width"), 2.0),),
             lambda s, _: 0.4 * s["width"], 80.0),
        Kind("weave", tr("Weave"), tr("1 where the warp (upright) lies on top, 0 where the weft does."), _weave,
             (_mm("warp", tr("Warp thread"), 0.6), _mm("weft", tr("Weft thread"), 0.6),
              Setting("over", tr("Floats over"), 1, 1, 7, "threads")),
             lambda s, _: 0.25 * min(s["warp"], s["weft"]), 12.0),
        Kind("grain", tr("Wood grain"), tr("Growth rings with dense late wood, and pores, along the tile."), _grain,
             (_mm("spacing", tr("Ring spacing"), 3.0),), lambda s, _: 0.1 * s["spacing"], 80.0),
        Kind("flakes", tr("Flakes"), tr("Platelets, each with a level of its own; 0 between them."), _flakes,
             (_mm("size", tr("Size"), 0.25), Setting("cover", tr("Cover"), 0.8, 0, 1)),
             lambda s, _: 0.3 * s["size"], 16.0),
        Kind("specks", tr("Specks"), tr("Grains of dust or drops, each a soft disc."), _specks,
             (_mm("size", tr("Size"), 0.8), _PER_CM2),
             lambda s, _: 0.25 * s["size"]),
        Kind("edges", tr("Worn edges"), tr("1 along the edges of a shape and of its parts, 0 where it is flat "
                                           "or hollow; a ball has none. It needs no UVs."), _no_edges,
             (_mm("width", tr("Width"), 1.5, 0.2, 50.0), Setting("ragged", tr("Raggedness"), 0.5, 0.0, 1.0)),
             fits=True, fills=True),
        Kind("gradient", tr("Gradient"), tr("From 0 at the bottom to 1 at the top."), _gradient, fits=True),
        Kind("checker", tr("Checker"), tr("Squares of 0 and 1."), _checker, (_mm("square", tr("Square"), 5.0),),
             lambda s, _: 0.25 * s["square"]),
        Kind("flat", tr("Constant"), tr("The same level everywhere."), _flat,
             (Setting("level", tr("Level"), 0.5, 0, 1),)),
    )
}  # fmt: skip
"""By key, in the order in which they are offered."""


def generator(key) -> Kind:
    """A generator's declaration; InputError, naming them all, where there is none."""
    if key not in GENERATORS:
        raise InputError(tr("there is no generator '{0}': choose from {1}", key, ", ".join(GENERATORS)))
    return GENERATORS[key]


def settings_of(source):
    """{name: value} of a Generator, with what it leaves as declared."""
    return {s.name: s.default for s in generator(source.kind).settings} | dict(source.settings)


def checked_settings(name, source):
    """InputError, under a parameter's `name`, where a Generator's settings are not its own or outside their range."""
    declared = {s.name: s for s in generator(source.kind).settings}
    for key, value in source.settings:
        if key not in declared:
            known = tr("; it has {0}", ", ".join(declared)) if declared else ""
            raise InputError(tr("{0}: {1} has no setting '{2}'{3}", name, source.kind, key, known))
        s = declared[key]
        if not s.low <= value <= s.high:
            raise InputError(
                tr(
                    "{0}: {1} of {2} must lie between {3} and {4} {5}",
                    name,
                    key,
                    source.kind,
                    f"{s.low:g}",
                    f"{s.high:g}",
                    s.unit,
                ).rstrip()
            )
