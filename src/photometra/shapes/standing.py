"""What can stand in the booth besides the ball: shapes of our own making, in millimetres."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

from ..errors import InputError
from ..words import tr
from .mesh import Mesh, mesh_from

LIFT = 2e-4
"""How far a shape stands off the stage, against the booth's radius: two surfaces must not lie in one place."""


@dataclass(frozen=True, eq=False)
class Shape:
    """A mesh, and how its surface lies on it.

    height: in mm. axis, centre: about which its strokes run round, or along which they run straight on. is_open: a
    sheet without an inside. stock: besides the specimen's own surface (0), the surfaces that its triangles name, by
    their numbers from 1 on. radius: of the booth, where the shape has a size of its own. parts: names of what it is
    made of, by the numbers that its triangles have; open_parts: which of them have no inside;
    materials: what their file says each is made of, empty for nothing. whole, outer: of parts that were cut along each
    other, the part that each is of, and the one that lies around it, -1 for none (`cutting.cut_apart`).
    """

    mesh: Mesh
    height: float
    axis: tuple[float, float, float] = (0.0, 1.0, 0.0)
    centre: tuple[float, float, float] = (0.0, 0.0, 0.0)
    is_straight: bool = False
    is_open: bool = False
    stock: tuple[str, ...] = ()
    radius: float | None = None
    parts: tuple[str, ...] = ()
    open_parts: tuple[bool, ...] = ()
    materials: tuple[str, ...] = ()
    whole: tuple[int, ...] = ()
    outer: tuple[int, ...] = ()

    @property
    def opened(self):
        """Which of its parts have no inside."""
        return self.open_parts or (self.is_open,) * len(self.parts)

    @property
    def whole_parts(self):
        """The names of its parts, each once."""
        return self.parts[: len(set(self.whole))] if self.whole else self.parts


@lru_cache(maxsize=4)
def only_parts(shape: Shape, names: tuple[str, ...]) -> Shape:
    """A shape with the parts of these names alone; itself where it has none of them."""
    numbers = [i for i, name in enumerate(shape.parts) if name in names]
    there = np.isin(shape.mesh.material, numbers)
    if not numbers or not there.any():
        return shape
    m, count = shape.mesh, int(there.sum())
    a = m.corners[there, :3]
    places = np.stack([a, a + m.corners[there, 3:6], a + m.corners[there, 6:9]], axis=1)
    uvs = m.uvs[there].reshape(-1, 3, 2) if len(m.uvs) else None
    kept = mesh_from(
        places.reshape(-1, 3), np.arange(3 * count).reshape(-1, 3), m.normals[there].reshape(-1, 3, 3),
        m.material[there], uvs,
    )  # fmt: skip
    return replace(shape, mesh=kept)


# The surfaces of a shape that are not the specimen's: a plain glass, the boundary from that glass to the specimen, and
# a grey rod.
STOCK_GLASS, STOCK_BOUNDARY, STOCK_ROD = "glass", "boundary", "rod"


class Turned:
    """Triangles being gathered: places, normals, and whose surface they have."""

    def __init__(self):
        self.places, self.normals, self.uvs, self.material = [], [], [], []

    def grid(self, places, normals, material=0):
        """Two triangles for each cell of a grid (m, n, 3), seen from outside with columns to the right, rows up."""
        m, n, _ = places.shape
        i, j = np.meshgrid(np.arange(m - 1), np.arange(n - 1), indexing="ij")
        a, b, c, d = (
            (i * n + j).ravel(),
            (i * n + j + 1).ravel(),
            ((i + 1) * n + j + 1).ravel(),
            ((i + 1) * n + j).ravel(),
        )
        faces = np.concatenate([np.stack([a, b, c], 1), np.stack([a, c, d], 1)])
        self.places.append(places.reshape(-1, 3)[faces])
        self.normals.append(normals.reshape(-1, 3)[faces])
        across, up = np.meshgrid(np.linspace(0.0, 1.0, n), np.linspace(0.0, 1.0, m))
        self.uvs.append(np.stack([across, up], axis=-1).reshape(-1, 2)[faces])
        self.material.append(np.full(len(faces), material))

    def flat(self, corners, material=0):
        """A flat convex face by its corners (n, 3), counter-clockwise from outside."""
        corners = np.asarray(corners, float)
        # Newell's normal: corners may lie in one line.
        normal = np.cross(corners, np.roll(corners, -1, axis=0)).sum(axis=0)
        normal /= np.linalg.norm(normal)
        fan = np.array([[corners[0], corners[i], corners[i + 1]] for i in range(1, len(corners) - 1)])
        self.places.append(fan)
        self.normals.append(np.broadcast_to(normal, fan.shape).copy())
        # A flat face is laid out as it lies, over its own extent.
        across = np.cross((0.0, 1.0, 0.0) if abs(normal[1]) < 0.9 else (0.0, 0.0, -1.0), normal)
        laid = np.stack([fan @ across, fan @ np.cross(normal, across)], axis=-1)
        low, high = laid.min(axis=(0, 1)), laid.max(axis=(0, 1))
        self.uvs.append((laid - low) / np.maximum(high - low, 1e-12))
        self.material.append(np.full(len(fan), material))

    def mesh(self) -> Mesh:
        places = np.concatenate(self.places)
        faces = np.arange(3 * len(places)).reshape(-1, 3)
        return mesh_from(places.reshape(-1, 3), faces, np.concatenate(self.normals), np.concatenate(self.material),
                         np.concatenate(self.uvs))  # fmt: skip


def arc(cx, cy, radius, start, end, count=28):
    """Points of a profile (n, 4): r, y and the normal there; angles in degrees from the r axis."""
    t = np.radians(np.linspace(start, end, count))
    return np.stack([cx + radius * np.cos(t), cy + radius * np.sin(t), np.cos(t), np.sin(t)], axis=1)


def hollow(cx, cy, radius, start, end, count=28):
    """As `arc`, seen from its hollow side."""
    turned = arc(cx, cy, radius, start, end, count)
    turned[:, 2:] *= -1.0
    return turned


def spun(parts, profile, around=192, material=0):
    """Spin a profile (n, 4), that goes round the section counter-clockwise with the axis at its left."""
    phi = np.linspace(0.0, 2.0 * np.pi, around + 1)
    phi[-1] = 0.0
    c, s = np.cos(phi), np.sin(phi)
    r, y, nr, ny = (column[:, None] for column in np.asarray(profile, float).T)
    flat = np.ones_like(c)
    # The turn runs backwards so that columns go to the right as seen from outside.
    places = np.stack([r * s, y * flat, r * c], axis=-1)
    normals = np.stack([nr * s, ny * flat, nr * c], axis=-1)
    parts.grid(places, normals, material)


def puck(radius) -> Shape:
    """A round slab with rounded edges: as wide as the ball, a third as high."""
    height, bevel, lift = 0.66 * radius, 0.12 * radius, LIFT * radius
    profile = np.concatenate([
        [[0.0, lift, 0.0, -1.0]],
        arc(radius - bevel, lift + bevel, bevel, -90.0, 0.0),
        arc(radius - bevel, height - bevel, bevel, 0.0, 90.0),
        [[0.0, height, 0.0, 1.0]],
    ])  # fmt: skip
    parts = Turned()
    spun(parts, profile)
    return Shape(parts.mesh(), height)


STEPS_MM = (1.0, 2.0, 4.0, 8.0, 16.0)
STEP_WIDE_MM, STEPS_HIGH_MM = 12.0, 36.0


def steps(radius) -> Shape:
    """The step block: a wall 36 mm high in five steps of 12 mm, 1, 2, 4, 8 and 16 mm thick, whatever the specimen."""
    parts, low, high = Turned(), LIFT * radius, STEPS_HIGH_MM
    left = -0.5 * STEP_WIDE_MM * len(STEPS_MM)
    before = 0.0
    back = -0.5 * STEPS_MM[-1]
    for i, thick in enumerate(STEPS_MM):
        x0, x1, z0, z1 = left + i * STEP_WIDE_MM, left + (i + 1) * STEP_WIDE_MM, back, back + thick
        parts.flat([[x0, low, z1], [x1, low, z1], [x1, high, z1], [x0, high, z1]])
        parts.flat([[x1, low, z0], [x0, low, z0], [x0, high, z0], [x1, high, z0]])
        # The tops share a corner with the step before, so that no crack lies between them.
        ledge = back + before
        rim = [(x1, z1), (x1, z0), (x0, z0), *([(x0, ledge)] if before > 0.0 else []), (x0, z1)]
        parts.flat([[x, high, z] for x, z in rim])
        # Both fans begin at a corner that lies in line with no two others.
        parts.flat([[x, low, z] for x, z in (rim[0], *reversed(rim[1:]))])
        parts.flat([[x0, low, ledge], [x0, low, z1], [x0, high, z1], [x0, high, ledge]])
        before = thick
    x1 = left + len(STEPS_MM) * STEP_WIDE_MM
    parts.flat([[x1, low, back + before], [x1, low, back], [x1, high, back], [x1, high, back + before]])
    return Shape(parts.mesh(), high, axis=(1.0, 0.0, 0.0), is_straight=True, radius=-left)


def wedge(radius) -> Shape:
    """A wall that thickens from a twentieth of the radius to all of it, left to right, as high as the radius."""
    parts, low, high = Turned(), LIFT * radius, 1.2 * radius
    x0, x1, z0, thin, thick = -radius, radius, -0.5 * radius, 0.05 * radius, radius
    a, b, c, d = (x0, z0), (x0, z0 + thin), (x1, z0 + thick), (x1, z0)
    for (xa, za), (xb, zb) in ((a, b), (b, c), (c, d), (d, a)):
        parts.flat([[xa, low, za], [xb, low, zb], [xb, high, zb], [xa, high, za]])
    parts.flat([[x, high, z] for x, z in (a, b, c, d)])
    parts.flat([[x, low, z] for x, z in (d, c, b, a)])
    return Shape(parts.mesh(), high, axis=(1.0, 0.0, 0.0), is_straight=True)


def _vessel_profiles(radius, wall):
    """Outside and inside of a vessel's wall, from the axis below up to the middle of its rim, and from there down."""
    wide, high, round_off, lift = 0.72 * radius, 1.9 * radius, 0.16 * radius, LIFT * radius
    wall = min(wall, 0.3 * radius)
    half = 0.5 * wall
    outside = np.concatenate([
        [[0.0, lift, 0.0, -1.0]],
        arc(wide - round_off, lift + round_off, round_off, -90.0, 0.0),
        arc(wide - half, high - half, half, 0.0, 90.0, 20),
    ])  # fmt: skip
    inner_round = max(round_off - wall, 0.05 * radius)
    floor = lift + 1.6 * wall
    rim = arc(wide - half, high - half, half, 90.0, 180.0, 20)
    below = hollow(wide - wall - inner_round, floor + inner_round, inner_round, 0.0, -90.0)
    return outside, rim, below, floor, wide - wall, high


def vessel(radius, wall_mm) -> Shape:
    """A tumbler of the specimen, with a wall of true thickness."""
    outside, rim, below, floor, _, high = _vessel_profiles(radius, wall_mm)
    parts = Turned()
    spun(parts, np.concatenate([outside, rim, below, [[0.0, floor, 0.0, 1.0]]]))
    return Shape(parts.mesh(), high)


def filled(radius, wall_mm) -> Shape:
    """The specimen as a liquid in a tumbler of plain glass."""
    outside, rim, below, floor, inside, high = _vessel_profiles(radius, wall_mm)
    level = 0.68 * high
    ring = np.array([[inside, level, -1.0, 0.0]])
    parts = Turned()
    spun(parts, np.concatenate([outside, rim, ring]), material=1)
    # From here down the glass ends at the liquid: the boundary's outer side is the glass.
    wet = np.concatenate([ring, below, [[0.0, floor, 0.0, 1.0]]])
    wet = wet[::-1].copy()
    wet[:, 2:] *= -1.0
    spun(parts, wet, material=2)
    spun(parts, [[inside, level, 0.0, 1.0], [0.0, level, 0.0, 1.0]])
    return Shape(parts.mesh(), high, stock=(STOCK_GLASS, STOCK_BOUNDARY), parts=("liquid", "vessel", "wet wall"))


def disc(radius) -> Shape:
    """A disc that leans back towards the camera, as turned on a lathe: its strokes run round its middle."""
    thick, bevel = 0.1 * radius, 0.03 * radius
    profile = np.concatenate([
        [[0.0, 0.0, 0.0, -1.0]],
        arc(radius - bevel, bevel, bevel, -90.0, 0.0, 14),
        arc(radius - bevel, thick - bevel, bevel, 0.0, 90.0, 14),
        [[0.0, thick, 0.0, 1.0]],
    ])  # fmt: skip
    parts = Turned()
    spun(parts, profile, 256)
    lean = np.radians(62.0)
    c, s = np.cos(lean), np.sin(lean)
    turn = np.array([[1.0, 0.0, 0.0], [0.0, c, -s], [0.0, s, c]])
    parts.places = [p @ turn.T for p in parts.places]
    parts.normals = [n @ turn.T for n in parts.normals]
    lowest = min(p[..., 1].min() for p in parts.places)
    middle = np.array([0.0, LIFT * radius - lowest, 0.0])
    parts.places = [p + middle for p in parts.places]
    height = max(p[..., 1].max() for p in parts.places)
    return Shape(parts.mesh(), float(height), axis=tuple(turn @ [0.0, 1.0, 0.0]), centre=tuple(middle))


def cloth(radius) -> Shape:
    """A cloth over a rod, with folds that open towards its hem."""
    rod, high, wide = 0.1 * radius, 1.75 * radius, 1.15 * radius
    s = np.linspace(-1.0, 1.0, 141)[:, None]
    x = np.linspace(-1.0, 1.0, 181)[None]
    # The way over the rod: an arc, then straight down, a little longer in front.
    drop = np.where(s > 0.0, 1.62, 1.25) * radius * np.abs(s)
    bent = 0.5 * np.pi * rod
    over = np.minimum(drop, bent) / rod
    down = np.maximum(drop - bent, 0.0)
    z = np.sign(s) * rod * np.sin(over)
    y = high + rod * np.cos(over) - down
    loose = (down / radius) ** 0.8
    fold = 0.16 * radius * loose * np.cos(7.5 * x + 0.7 * np.sin(3.1 * x) + np.where(s > 0.0, 0.0, 1.1))
    flare = np.sign(s) * 0.14 * radius * loose
    px = wide * x * (1.0 - 0.05 * loose) + 0.0 * s
    places = np.stack(np.broadcast_arrays(px, y + 0.0 * x, z + flare + fold), axis=-1)
    places = places[::-1]
    rows, columns = np.gradient(places, axis=0), np.gradient(places, axis=1)
    normals = np.cross(columns, rows)
    normals /= np.linalg.norm(normals, axis=-1, keepdims=True)
    parts = Turned()
    parts.grid(places, normals)
    _rod(parts, 0.92 * rod, high, 1.35 * radius)
    return Shape(
        parts.mesh(), high + rod, axis=(1.0, 0.0, 0.0), is_straight=True, is_open=True, stock=(STOCK_ROD,),
        parts=("cloth", "rod"), open_parts=(True, False),
    )  # fmt: skip


def _rod(parts, radius, height, half_length):
    """A level rod along x, of the stock's grey."""
    phi = np.linspace(0.0, 2.0 * np.pi, 49)
    x = np.array([-half_length, half_length])[:, None]
    normals = np.stack(np.broadcast_arrays(0.0 * x, np.sin(phi)[None], np.cos(phi)[None]), axis=-1)
    places = radius * normals
    places[..., 0] = x
    places[..., 1] += height
    parts.grid(places[::-1], normals[::-1], 1)
    for end, order in ((half_length, 1), (-half_length, -1)):
        rim = [[end, height + radius * np.sin(t), radius * np.cos(t)] for t in phi[:-1]]
        parts.flat(rim[::-order], 1)


SHAPES: dict[str, Callable | None] = {
    "ball": None,
    "puck": lambda radius, _wall: puck(radius),
    "disc": lambda radius, _wall: disc(radius),
    "steps": lambda radius, _wall: steps(radius),
    "wedge": lambda radius, _wall: wedge(radius),
    "vessel": vessel,
    "filled": filled,
    "cloth": lambda radius, _wall: cloth(radius),
}
"""By name; each takes the booth's radius and a wall's thickness, both in mm."""


def shape_of(name, radius, wall_mm=2.5) -> Shape | None:
    """A shape for a booth of a radius; None for the ball. ValueError, naming them all, where there is none."""
    if name not in SHAPES:
        raise InputError(tr("there is no shape '{0}': choose from {1}", name, ", ".join(SHAPES)))
    return SHAPES[name](radius, wall_mm) if SHAPES[name] else None
