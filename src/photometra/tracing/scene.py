"""What stands in the booth: the specimen on a stage with a checker and neutral patches, panels, and the camera.

Lengths are in mm. A ball of radius R rests on the plane y = 0, its centre above the origin; the camera
looks from +z. The stage's markings keep their real size whatever the size of the specimen.
"""

import math
from dataclasses import dataclass, field

import numpy as np

from ..optics.jit import kernel, leaf
from ..optics.phase import frame
from ..optics.rng import random_uniform
from ..shapes.mesh import NO_MESH
from ..shapes.standing import Shape
from .environment import Environment
from .lights import Panel, sky_chance

CHECKER_MM = 10.0
STAGE_LIGHT, STAGE_DARK, STAGE_RIM = 0.34, 0.26, 0.12
PATCHES = (0.05, 0.18, 0.50, 0.90)
"""Reflectances of the neutral patches in front of the ball, left to right; flat over all wavelengths."""

NOTHING, SPECIMEN, STAGE = 0, 1, 2

SENSOR_MM = 24.0
"""Height of the camera's sensor."""

# What the kernels are told of a scene: the booth's radius, stage on, turn of the environment in radians, its strength;
# whether the specimen is the ball, or an open sheet; its axis and centre, and whether strokes run straight along it;
# the chance of drawing the sky rather than a panel.
RADIUS, STAGE_ON, TURN, STRENGTH, IS_BALL, IS_OPEN, AXIS = range(7)
CENTRE, STRAIGHT, SKY_PROBABILITY, SCENE_ROWS = 10, 13, 14, 15


def frame_extent(aspect):
    """Half width and half height (2,) of a frame of an aspect, against the half of the square that the camera is set
    for: the specimen fits a narrow picture as well as a wide one."""
    return np.array([max(aspect, 1.0), max(1.0 / aspect, 1.0)])


@dataclass(frozen=True)
class Camera:
    """A camera that looks at the specimen. `rise` and `turn` in degrees.

    focal_mm: on a sensor `SENSOR_MM` high. distance: in radii of the booth. f_number: of the lens, 0 for a pinhole;
    the nearest side of the specimen is in focus.
    """

    rise: float = 13.0
    turn: float = 0.0
    focal_mm: float = 64.75
    distance: float = 9.2
    f_number: float = 0.0

    @property
    def field_of_view(self):
        """Over the picture's height, in degrees."""
        return math.degrees(2.0 * math.atan(0.5 * SENSOR_MM / self.focal_mm))


OWN = "own"
"""Of a part: it has the specimen's own surface."""


@dataclass(frozen=True)
class Scene:
    """Everything but the specimen's surface. `turn` in degrees; `strength` multiplies the environment.

    radius: of the ball, and of the booth in general, mm. shape: what stands there instead of the ball. dressed: for
    every part of the shape its surface and constants where they are another specimen's, `OWN`, or None for none; empty
    where all of it is the specimen's own.
    """

    environment: Environment
    radius: float = 30.0
    stage: bool = True
    turn: float = 0.0
    strength: float = 1.0
    camera: Camera = field(default_factory=Camera)
    shape: Shape | None = None
    panels: tuple[Panel, ...] = ()
    dressed: tuple = ()

    @property
    def mesh(self):
        return self.shape.mesh if self.shape else NO_MESH

    @property
    def target(self):
        """What the camera and the panels look at."""
        height = self.shape.height if self.shape else 2.0 * self.radius
        return np.array([0.0, (0.43 if self.stage else 0.5) * height, 0.0])

    def array(self):
        """Numbers for the kernels, see the rows above."""
        out = np.zeros(SCENE_ROWS)
        out[:4] = self.radius, float(self.stage), math.radians(self.turn), self.strength
        shape = self.shape
        out[IS_BALL] = float(shape is None)
        # Where parts have surfaces of their own, those without an inside have been made sheets.
        out[IS_OPEN] = float(shape is not None and shape.is_open and not self.dressed)
        out[AXIS : AXIS + 3] = shape.axis if shape else (0.0, 1.0, 0.0)
        out[CENTRE : CENTRE + 3] = shape.centre if shape else (0.0, self.radius, 0.0)
        out[STRAIGHT] = float(shape is not None and shape.is_straight)
        out[SKY_PROBABILITY] = sky_chance(self.environment, self.strength, self.panels)
        return out

    def camera_array(self, width, height):
        """Eye; vectors to the picture's middle, right edge and top edge; the lens's half width and half height as
        vectors, and the distance of what is in focus; shape (7, 3)."""
        c, r = self.camera, self.radius
        rise, turn = math.radians(c.rise), math.radians(c.turn)
        back = np.array([math.sin(turn) * math.cos(rise), math.sin(rise), math.cos(turn) * math.cos(rise)])
        right = np.array([math.cos(turn), 0.0, -math.sin(turn)])
        up = np.cross(back, right)
        half = 0.5 * SENSOR_MM / c.focal_mm
        wide, tall = half * frame_extent(width / height)
        lens = 0.5 * c.focal_mm / c.f_number if c.f_number > 0.0 else 0.0
        focus = max(0.05, c.distance - 1.0) * r
        eye = self.target + c.distance * r * back
        return np.stack([eye, -back, wide * right, tall * up, lens * right, lens * up, [focus, 0.0, 0.0]])

    def patch_place(self, index, width, height):
        """Where the middle of a neutral patch stands in a picture of this shape: (x, y) in 0..1 from its top left."""
        left, top, size, depth = patch_box(self.radius)
        place = np.array([left + (index + 0.5) * size, 0.0, top + 0.5 * depth])
        eye, forward, right, up = self.camera_array(width, height)[:4]
        ray = place - eye
        ray = ray / (ray @ forward)
        x = (ray @ right) / (right @ right)
        y = (ray @ up) / (up @ up)
        return 0.5 * (1.0 + x), 0.5 * (1.0 - y)


@leaf
def stage_met(ox, oy, oz, dx, dy, dz, far, scene):
    """Distance at which a ray from above meets the stage before `far`, or -1."""
    r = scene[RADIUS]
    if scene[STAGE_ON] <= 0.0 or dy >= 0.0 or oy <= 1e-7 * r:
        return -1.0
    t = -oy / dy
    x = ox + t * dx
    z = oz + t * dz
    rim = stage_radius(r)
    return t if t < far and x * x + z * z < rim * rim else -1.0


@leaf
def hit(ox, oy, oz, dx, dy, dz, inside, scene):
    """The nearest thing along a ray: (what, distance). `inside` the ball, only its far wall counts."""
    r = scene[RADIUS]
    # The ball, with the root that does not cancel.
    cx = ox
    cy = oy - r
    cz = oz
    b = cx * dx + cy * dy + cz * dz
    if inside:
        # From the wall this is -2 b; from a place within, the far root.
        c = cx * cx + cy * cy + cz * cz - r * r
        if c > -1e-9 * r * r:
            return SPECIMEN, max(0.0, -2.0 * b)
        return SPECIMEN, math.sqrt(b * b - c) - b
    what = NOTHING
    distance = 1e30
    px = cx - b * dx
    py = cy - b * dy
    pz = cz - b * dz
    d2 = r * r - (px * px + py * py + pz * pz)
    if d2 > 0.0 and b < 0.0:
        t = -b - math.sqrt(d2)
        if t > 1e-7 * r:
            what = SPECIMEN
            distance = t
    t = stage_met(ox, oy, oz, dx, dy, dz, distance, scene)
    if t > 0.0:
        return STAGE, t
    return what, distance


@kernel
def way_round(px, py, pz, nx, ny, nz, scene):
    """Two tangents at a place of the specimen: the shape's own way round (or straight on), and across it.

    What is turned or spun has its strokes about its axis; what is rolled or woven has them along it.
    """
    ax = scene[AXIS]
    ay = scene[AXIS + 1]
    az = scene[AXIS + 2]
    if scene[STRAIGHT] <= 0.0:
        px -= scene[CENTRE]
        py -= scene[CENTRE + 1]
        pz -= scene[CENTRE + 2]
        ax, ay, az = ay * pz - az * py, az * px - ax * pz, ax * py - ay * px
    along = ax * nx + ay * ny + az * nz
    ax -= along * nx
    ay -= along * ny
    az -= along * nz
    size = math.sqrt(ax * ax + ay * ay + az * az)
    if size < 1e-6 * scene[RADIUS] * (1.0 - scene[STRAIGHT]) + 1e-9:
        return frame(nx, ny, nz)
    ax /= size
    ay /= size
    az /= size
    return ax, ay, az, ny * az - nz * ay, nz * ax - nx * az, nx * ay - ny * ax


@leaf
def stage_radius(r):
    """Radius of the round stage under a ball of radius r."""
    return 3.4 * r


@leaf
def patch_box(r):
    """(left edge, near edge, width of one patch, depth) of the row of neutral patches."""
    size = 0.42 * r
    return -2.0 * size, 1.24 * r, size, 0.42 * r


@kernel
def stage_reflectance(x, z, r, patches):
    """Reflectance of the stage at a place: patches on a dark frame, rim, or checker."""
    left, top, size, depth = patch_box(r)
    margin = 0.07 * r
    count = patches.shape[0]
    if left - margin < x < left + count * size + margin and top - margin < z < top + depth + margin:
        if left < x < left + count * size and top < z < top + depth:
            return patches[int((x - left) / size)]
        return STAGE_RIM
    rim = stage_radius(r)
    d2 = x * x + z * z
    if d2 > 0.94 * 0.94 * rim * rim:
        return STAGE_RIM
    odd = (int(math.floor(x / CHECKER_MM)) + int(math.floor(z / CHECKER_MM))) & 1
    return STAGE_LIGHT if odd else STAGE_DARK


@leaf
def even_place(i):
    """The i-th of places even over a pixel, (x, y) 0..1, the same in all (the R2 sequence, Roberts 2018)."""
    x = 0.5 + i * 0.7548776662466927
    y = 0.5 + i * 0.5698402909980532
    return x - math.floor(x), y - math.floor(y)


@kernel
def aim(px, py, camera, state, origin, direction):
    """The ray of a place in the picture (-1..1, up), through a drawn place of the lens."""
    for c in range(3):
        origin[c] = camera[0, c]
        direction[c] = camera[1, c] + px * camera[2, c] + py * camera[3, c]
    focus = camera[6, 0]
    if camera[4, 0] ** 2 + camera[4, 1] ** 2 + camera[4, 2] ** 2 > 0.0:
        r = math.sqrt(random_uniform(state))
        phi = 2.0 * math.pi * random_uniform(state)
        a = r * math.cos(phi)
        b = r * math.sin(phi)
        for c in range(3):
            off = a * camera[4, c] + b * camera[5, c]
            origin[c] += off
            direction[c] = focus * direction[c] - off
    norm = 1.0 / math.sqrt(direction[0] ** 2 + direction[1] ** 2 + direction[2] ** 2)
    for c in range(3):
        direction[c] *= norm
