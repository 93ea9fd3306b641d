"""What stands in the booth: a ball on a stage with a checker and neutral patches, and the camera.

Lengths are in mm. The ball of radius R rests on the plane y = 0, its centre above the origin; the camera
looks from +z. The stage's markings keep their real size whatever the size of the specimen.
"""

import math
from dataclasses import dataclass, field

import numpy as np

from ..optics.jit import kernel
from .environment import Environment

CHECKER_MM = 10.0
STAGE_LIGHT, STAGE_DARK, STAGE_RIM = 0.34, 0.26, 0.12
PATCHES = (0.05, 0.18, 0.50, 0.90)
"""Reflectances of the neutral patches in front of the ball, left to right; flat over all wavelengths."""

NOTHING, BALL, STAGE = 0, 1, 2


@dataclass(frozen=True)
class Camera:
    """A pinhole looking at the ball. `rise` and `turn` in degrees; `field_of_view` over the picture's height."""

    rise: float = 13.0
    turn: float = 0.0
    field_of_view: float = 21.0
    distance: float = 9.2
    """In radii of the ball."""


@dataclass(frozen=True)
class Scene:
    """Everything but the surface. `turn` in degrees; `strength` multiplies the environment."""

    environment: Environment
    radius: float = 30.0
    stage: bool = True
    turn: float = 0.0
    strength: float = 1.0
    camera: Camera = field(default_factory=Camera)

    def array(self):
        """Numbers for the kernels: radius, stage on, turn (radians), strength."""
        return np.array([self.radius, float(self.stage), math.radians(self.turn), self.strength])

    def camera_array(self, width, height):
        """Eye, and the vectors to the picture's middle, right edge and top edge; shape (4, 3)."""
        c, r = self.camera, self.radius
        rise, turn = math.radians(c.rise), math.radians(c.turn)
        back = np.array([math.sin(turn) * math.cos(rise), math.sin(rise), math.cos(turn) * math.cos(rise)])
        target = np.array([0.0, 0.86 * r if self.stage else r, 0.0])
        right = np.array([math.cos(turn), 0.0, -math.sin(turn)])
        up = np.cross(back, right)
        half = math.tan(math.radians(c.field_of_view) / 2.0)
        aspect = width / height
        # The ball fits a narrow picture as well as a wide one.
        tall, wide = (half, half * aspect) if aspect >= 1.0 else (half / aspect, half)
        return np.stack([target + c.distance * r * back, -back, wide * right, tall * up])

    def patch_place(self, index, width, height):
        """Where the middle of a neutral patch stands in a picture of this shape: (x, y) in 0..1 from its top left."""
        left, top, size, depth = patch_box(self.radius)
        place = np.array([left + (index + 0.5) * size, 0.0, top + 0.5 * depth])
        eye, forward, right, up = self.camera_array(width, height)
        ray = place - eye
        ray = ray / (ray @ forward)
        x = (ray @ right) / (right @ right)
        y = (ray @ up) / (up @ up)
        return 0.5 * (1.0 + x), 0.5 * (1.0 - y)


@kernel
def hit(ox, oy, oz, dx, dy, dz, inside, scene):
    """The nearest thing along a ray: (what, distance). `inside` the ball, only its far wall counts."""
    r = scene[0]
    # The ball, with the root that does not cancel.
    cx = ox
    cy = oy - r
    cz = oz
    b = cx * dx + cy * dy + cz * dz
    if inside:
        # From the wall this is -2 b; from a place within, the far root.
        c = cx * cx + cy * cy + cz * cz - r * r
        if c > -1e-9 * r * r:
            return BALL, max(0.0, -2.0 * b)
        return BALL, math.sqrt(b * b - c) - b
    what = NOTHING
    distance = 1e30
    px = cx - b * dx
    py = cy - b * dy
    pz = cz - b * dz
    d2 = r * r - (px * px + py * py + pz * pz)
    if d2 > 0.0 and b < 0.0:
        t = -b - math.sqrt(d2)
        if t > 1e-7 * r:
            what = BALL
            distance = t
    if scene[1] > 0.0 and dy < 0.0 and oy > 1e-7 * r:
        t = -oy / dy
        if t < distance:
            x = ox + t * dx
            z = oz + t * dz
            rim = stage_radius(r)
            if x * x + z * z < rim * rim:
                what = STAGE
                distance = t
    return what, distance


@kernel
def stage_radius(r):
    """Radius of the round stage under a ball of radius r."""
    return 3.4 * r


@kernel
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
